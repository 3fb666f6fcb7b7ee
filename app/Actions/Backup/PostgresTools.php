<?php

declare(strict_types=1);

namespace App\Actions\Backup;

use App\Errors\Refused;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;
use WideQuarry\Messages\Message;

/** pg_dump and pg_restore on the application's database. */
final class PostgresTools
{
    /** @throws Refused */
    public function dump(string $file): void
    {
        $this->run(
            ['pg_dump', '--format=custom', '--no-owner', '--no-privileges', "--file=$file.new"],
            Message::of('app.actions.backup.database-could-not-be-dumped'),
        );
        chmod("$file.new", 0600);
        if (! rename("$file.new", $file)) {
            throw Refused::because('backup.file', Message::of('app.actions.backup.cannot-written', ['file' => $file]));
        }
    }

    /** @return list<string> why the dump cannot be read */
    public function problems(string $file): array
    {
        $process = new Process(['pg_restore', '--file=/dev/null', $file], timeout: null);

        return $process->run() === 0 ? [] : ['database.dump: '.trim((string) strtok($process->getErrorOutput(), "\n"))];
    }

    /** Replaces everything in the database, in one transaction. @throws Refused */
    public function restore(string $file): void
    {
        DB::unprepared('DROP SCHEMA public CASCADE; CREATE SCHEMA public');
        $this->run(
            [
                'pg_restore',
                '--no-owner',
                '--no-privileges',
                '--single-transaction',
                '--exit-on-error',
                '--dbname='.$this->database(),
                $file,
            ],
            Message::of('app.actions.backup.database-could-not-be-restored'),
        );
    }

    /** @param  list<string>  $command  @throws Refused */
    private function run(array $command, string $sentence): void
    {
        $setting = fn (string $name): string => is_scalar($value = config("database.connections.pgsql.$name")) ? (string) $value : '';
        $process = new Process(
            $command,
            null,
            [
                'PGHOST' => $setting('host'),
                'PGPORT' => $setting('port'),
                'PGUSER' => $setting('username'),
                'PGPASSWORD' => $setting('password'),
                'PGDATABASE' => $this->database(),
            ],
            timeout: null,
        );
        if ($process->run() !== 0) {
            throw Refused::because('backup.postgres', "$sentence: ".trim((string) strtok($process->getErrorOutput(), "\n")));
        }
    }

    private function database(): string
    {
        return DB::connection()->getDatabaseName();
    }
}
