<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\Storage;

/** Files people gave or fetch, by hash, outside the web's reach. */
final class FileStore
{
    /** @return array{sha256: string, bytes: int} */
    public function put(string $file): array
    {
        $sha256 = (string) hash_file('sha256', $file);
        if (! Storage::disk('local')->exists(self::name($sha256))) {
            $stream = fopen($file, 'r');
            assert($stream !== false);
            Storage::disk('local')->writeStream(self::name($sha256), $stream);
            is_resource($stream) && fclose($stream);
        }

        return ['sha256' => $sha256, 'bytes' => (int) filesize($file)];
    }

    public function path(string $sha256): string
    {
        return Storage::disk('local')->path(self::name($sha256));
    }

    public function forget(string $sha256): void
    {
        Storage::disk('local')->delete(self::name($sha256));
    }

    private static function name(string $sha256): string
    {
        return 'files/'.substr($sha256, 0, 2)."/$sha256";
    }
}
