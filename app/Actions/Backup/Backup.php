<?php

declare(strict_types=1);

namespace App\Actions\Backup;

use App\Errors\Refused;
use App\Storage\StoredFiles;
use App\Storage\StoredReferences;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/**
 * Copies the installation into a folder while it goes on: the database as it is at one moment (pg_dump takes one snapshot), then the
 * files it names, which nothing deletes meanwhile. Run on the same folder again it copies only what is new, so one that was stopped
 * continues.
 */
final readonly class Backup
{
    public const LOCK = 'quarry:backup'; // held while it runs; pruning waits for it

    public function __construct(private PostgresTools $tools)
    {
    }

    /**
     * @return array<string, mixed> the manifest, without the names of files
     *
     * @throws Refused
     */
    public function handle(string $path): array
    {
        if (! is_dir($path) && ! @mkdir($path, 0700, true)) {
            throw Refused::because('backup.folder', Message::of('app.actions.backup.folder-cannot-created', ['path' => $path]));
        }
        @chmod($path, 0700); // it holds password hashes and the key
        $folder = new BackupFolder($path);
        DB::scalar('SELECT pg_advisory_lock_shared(hashtextextended(?, 0))', [self::LOCK]);
        try {
            @unlink($folder->manifestPath());
            $this->tools->dump($folder->dump());
            $files = $this->files($folder);
        } finally {
            DB::scalar('SELECT pg_advisory_unlock_shared(hashtextextended(?, 0))', [self::LOCK]);
        }
        self::write("$path/key", config()->string('app.key'));
        $manifest = [
            'format' => 'wide-quarry/backup',
            'version' => 1,
            'at' => now()->toIso8601String(),
            'migrations' => DB::table('migrations')->count(),
            'database' => ['sha256' => hash_file('sha256', $folder->dump()), 'bytes' => filesize($folder->dump())],
            'files' => $files,
        ];
        self::write($folder->manifestPath(), Json::pretty($manifest));
        $problems = [...$folder->problems(), ...$this->tools->problems($folder->dump())];
        if ($problems !== []) {
            throw Refused::because(
                'backup.incomplete',
                Message::of('app.actions.backup.backup-checked-not-complete-run', [
                    'list' => implode(', ', array_slice($problems, 0, 10)),
                ]),
            );
        }

        return [...$manifest, 'files' => count($files)];
    }

    /** @return list<string> folder/hash of everything the database names */
    private function files(BackupFolder $to): array
    {
        $names = [];
        foreach (['media', 'files'] as $folder) {
            $store = new StoredFiles($folder);
            foreach (array_keys(StoredReferences::in($folder)) as $sha256) {
                $name = "$folder/$sha256";
                $target = $to->file($name);
                if (@hash_file('sha256', $target) !== $sha256) {
                    if (! is_dir(dirname($target))) {
                        @mkdir(dirname($target), 0700, true);
                    }
                    if (! @copy($store->path((string) $sha256), "$target.new") || ! @rename("$target.new", $target)) {
                        throw Refused::because(
                            'backup.file',
                            Message::of('app.actions.backup.cannot-copied-bin-quarry', ['name' => $name]),
                        );
                    }
                }
                $names[] = $name;
            }
        }
        sort($names);

        return $names;
    }

    private static function write(string $path, string $text): void
    {
        if (@file_put_contents("$path.new", $text) !== strlen($text) || ! @chmod("$path.new", 0600) || ! @rename("$path.new", $path)) {
            throw Refused::because('backup.file', Message::of('app.actions.backup.cannot-written-disk-may', ['path' => $path]));
        }
    }
}
