<?php

declare(strict_types=1);

namespace App\Actions\Backup;

use App\Errors\Refused;
use App\Storage\StoredFiles;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use WideQuarry\Messages\Message;

/** Puts a backup into an empty installation: files first, then the database in one transaction, then whatever migrations are newer. */
final readonly class Restore
{
    public function __construct(private PostgresTools $tools)
    {
    }

    /**
     * @return array{at: string, files: int, people: int, questions: int}
     *
     * @throws Refused
     */
    public function handle(string $path): array
    {
        $folder = new BackupFolder($path);
        $manifest = $folder->manifest();
        if (DB::table('users')->exists() || DB::table('banks')->exists()) {
            throw Refused::because(
                'restore.not_empty',
                Message::of('app.actions.backup.people-banks-installation-backup'),
            );
        }
        $problems = $folder->problems();
        if ($problems !== []) {
            throw Refused::because(
                'restore.incomplete',
                Message::of('app.actions.backup.backup-not-complete', ['list' => implode(', ', array_slice($problems, 0, 10))]),
            );
        }
        $files = BackupFolder::files($manifest);
        foreach ($files as $name) {
            (new StoredFiles(dirname($name) === 'media' ? 'media' : 'files'))->putFile($folder->file($name));
        }
        $this->tools->restore($folder->dump());
        DB::reconnect();
        Artisan::call('migrate', ['--force' => true]);
        $this->key("$path/key");

        return [
            'at' => is_string($manifest->at) ? $manifest->at : '',
            'files' => count($files),
            'people' => DB::table('users')->count(),
            'questions' => DB::table('questions')->count(),
        ];
    }

    /** Second factors are encrypted with the key, so it comes along; bin/start reads it when it starts again. */
    private function key(string $path): void
    {
        $target = (getenv('QUARRY_VAR') ?: base_path('var')).'/run/key';
        $key = (string) file_get_contents($path);
        if (is_dir(dirname($target)) && @file_put_contents("$target.new", $key) === strlen($key)) {
            chmod("$target.new", 0600);
            rename("$target.new", $target);
        }
    }
}
