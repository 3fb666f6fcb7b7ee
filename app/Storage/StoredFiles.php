<?php

declare(strict_types=1);

namespace App\Storage;

use App\Errors\Refused;
use Illuminate\Support\Facades\Storage;
use WideQuarry\Messages\Message;

/**
 * Files named by the SHA-256 of their bytes. A file is there whole or not at all: it is written beside its place, checked, flushed to the
 * disk and then renamed, so a full disk or a lost machine leaves no empty file under a name that says it is complete.
 */
final readonly class StoredFiles
{
    /** @param  'files'|'media'  $folder */
    public function __construct(private string $folder)
    {
    }

    public function path(string $sha256): string
    {
        return Storage::disk('local')->path($this->folder.'/'.substr($sha256, 0, 2)."/$sha256");
    }

    /** @throws Refused when the disk does not take it */
    public function putFile(string $file): string
    {
        $sha256 = @hash_file('sha256', $file);
        $source = $sha256 === false ? false : @fopen($file, 'rb');
        if ($sha256 === false || $source === false) {
            throw self::failed("$file cannot be read");
        }
        $this->store($sha256, $source);
        fclose($source);

        return $sha256;
    }

    /** @throws Refused when the disk does not take them */
    public function putBytes(string $sha256, string $bytes): void
    {
        $source = fopen('php://temp', 'w+b');
        assert($source !== false);
        fwrite($source, $bytes);
        rewind($source);
        $this->store($sha256, $source);
        fclose($source);
    }

    /** @return string|null null when it is missing or its bytes are not those its name stands for, which is reported */
    public function bytes(string $sha256): ?string
    {
        $bytes = @file_get_contents($this->path($sha256));
        if ($bytes === false || hash('sha256', $bytes) !== $sha256) {
            logger()->error('A stored file is missing or damaged.', ['folder' => $this->folder, 'sha256' => $sha256]);

            return null;
        }

        return $bytes;
    }

    public function isWhole(string $sha256): bool
    {
        return @hash_file('sha256', $this->path($sha256)) === $sha256;
    }

    public function forget(string $sha256): void
    {
        @unlink($this->path($sha256));
    }

    /** @return \Generator<string> hashes of everything stored */
    public function all(): \Generator
    {
        foreach (glob(Storage::disk('local')->path("$this->folder/*/*")) ?: [] as $path) {
            if (preg_match('/^[0-9a-f]{64}$/', basename($path)) === 1) {
                yield basename($path);
            }
        }
    }

    /** Deletes what was being written when a process died. @return int how many */
    public function sweep(int $olderThanSeconds): int
    {
        $swept = 0;
        foreach (glob(Storage::disk('local')->path("$this->folder/*/*.new")) ?: [] as $path) {
            $swept += (int) @filemtime($path) < time() - $olderThanSeconds && @unlink($path) ? 1 : 0;
        }

        return $swept;
    }

    /** @param  resource  $source */
    private function store(string $sha256, $source): void
    {
        $path = $this->path($sha256);
        if ($this->isWhole($sha256)) {
            return;
        }
        $folder = dirname($path);
        if (! is_dir($folder) && ! @mkdir($folder, 0750, true) && ! is_dir($folder)) {
            throw self::failed("$folder cannot be created");
        }
        $beside = "$path.".bin2hex(random_bytes(6)).'.new';
        $target = @fopen($beside, 'xb');
        $written = $target !== false && @stream_copy_to_stream($source, $target) !== false && @fflush($target) && @fsync($target);
        if ($target !== false) {
            @fclose($target);
        }
        if (! $written || @hash_file('sha256', $beside) !== $sha256 || ! @rename($beside, $path)) {
            @unlink($beside);
            throw self::failed("$path cannot be written");
        }
        self::flush($folder);
    }

    /** The new name is on the disk only once its folder is; PHP cannot flush a folder, so the system's sync does (coreutils). */
    private static function flush(string $folder): void
    {
        exec('sync '.escapeshellarg($folder).' 2>/dev/null');
    }

    private static function failed(string $what): Refused
    {
        logger()->error('A file could not be stored.', ['what' => $what]);

        return Refused::because(
            'storage.full',
            Message::of('app.storage.server-could-not-store-file'),
        );
    }
}
