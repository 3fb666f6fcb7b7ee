<?php

declare(strict_types=1);

namespace App\Actions\Backup;

use App\Errors\Refused;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/**
 * A backup as it lies in a folder: database.dump (pg_dump's custom format), files/ and media/ by hash, key, and manifest.json, which is
 * written last and says what has to be there.
 */
final readonly class BackupFolder
{
    public function __construct(public string $path)
    {
    }

    public function dump(): string
    {
        return "$this->path/database.dump";
    }

    public function file(string $name): string
    {
        return "$this->path/".dirname($name).'/'.substr(basename($name), 0, 2).'/'.basename($name);
    }

    public function manifestPath(): string
    {
        return "$this->path/manifest.json";
    }

    /** @throws Refused when there is no whole backup here */
    public function manifest(): \stdClass
    {
        $text = @file_get_contents($this->manifestPath());
        $manifest = $text === false ? null : Json::decode($text);

        return $manifest instanceof \stdClass && ($manifest->format ?? '') === 'wide-quarry/backup' && self::isWhole($manifest)
            ? $manifest
            : throw Refused::because(
                'backup.none',
                Message::of('app.actions.backup.no-complete-backup', ['path' => $this->path]),
            );
    }

    /** Whether it says what has to be there; one that does not would make an empty folder look like a good backup. */
    private static function isWhole(\stdClass $manifest): bool
    {
        $files = $manifest->files ?? null;

        return self::database($manifest) !== null && is_array($files) && array_filter($files, is_string(...)) === $files;
    }

    /** The hash of the dump; null where the manifest has none. */
    private static function database(\stdClass $manifest): ?string
    {
        $hash = ($manifest->database ?? null) instanceof \stdClass ? $manifest->database->sha256 ?? null : null;

        return is_string($hash) ? $hash : null;
    }

    /** @return list<string> the names of the stored files that a backup has */
    public static function files(\stdClass $manifest): array
    {
        return is_array($manifest->files ?? null) ? array_values(array_filter($manifest->files, is_string(...))) : [];
    }

    /** @return list<string> what is missing or has other bytes than it should */
    public function problems(): array
    {
        $manifest = $this->manifest();
        $problems = @hash_file('sha256', $this->dump()) === self::database($manifest) ? [] : ['database.dump'];
        foreach (self::files($manifest) as $name) {
            if (@hash_file('sha256', $this->file($name)) !== basename($name)) {
                $problems[] = $name;
            }
        }

        return $problems;
    }
}
