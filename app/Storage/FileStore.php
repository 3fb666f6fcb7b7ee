<?php

declare(strict_types=1);

namespace App\Storage;

use App\Errors\Refused;
use WideQuarry\Messages\Message;

/** Files people gave or will download, by hash, outside the web server's reach. */
final readonly class FileStore
{
    private StoredFiles $files;

    public function __construct()
    {
        $this->files = new StoredFiles('files');
    }

    /**
     * @return array{sha256: string, bytes: int}
     *
     * @throws Refused when the disk does not take it
     */
    public function put(string $file): array
    {
        return ['sha256' => $this->files->putFile($file), 'bytes' => (int) filesize($file)];
    }

    /** @throws Refused when it is missing or damaged */
    public function path(string $sha256): string
    {
        return $this->files->isWhole($sha256)
            ? $this->files->path($sha256)
            : throw Refused::because(
                'file.damaged',
                Message::of('app.storage.stored-file-missing-damaged'),
            );
    }

    public function forget(string $sha256): void
    {
        $this->files->forget($sha256);
    }
}
