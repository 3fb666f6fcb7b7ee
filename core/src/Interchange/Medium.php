<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Messages\Message;

/** A picture, sound or film with its bytes. */
final readonly class Medium
{
    private const TYPES = [
        'png' => 'image/png',
        'jpg' => 'image/jpeg',
        'jpeg' => 'image/jpeg',
        'gif' => 'image/gif',
        'webp' => 'image/webp',
        'svg' => 'image/svg+xml',
        'mp3' => 'audio/mpeg',
        'ogg' => 'audio/ogg',
        'wav' => 'audio/x-wav',
        'mp4' => 'video/mp4',
        'webm' => 'video/webm',
        'vtt' => 'text/vtt',
    ];

    private function __construct(
        public string $id,
        public string $sha256,
        public string $type,
        public string $name,
        public string $bytes,
    ) {
    }

    public static function of(string $id, string $type, string $name, string $bytes): self
    {
        return new self($id, hash('sha256', $bytes), $type, $name, $bytes);
    }

    /** @return self|null null when the bytes are neither picture, sound nor film, whatever the name says */
    public static function fromFile(string $name, string $bytes): ?self
    {
        $named = self::TYPES[strtolower(pathinfo($name, PATHINFO_EXTENSION))] ?? null;
        $found = (new \finfo(FILEINFO_MIME_TYPE))->buffer($bytes);
        $type =
            in_array($named, ['image/svg+xml', 'text/vtt'], true) && is_string($found) && str_starts_with($found, 'text/')
                ? $named
                : $found;
        if (
            ! is_string($type) ||
            ! (in_array($type, self::TYPES, true) || $type === 'audio/ogg') ||
            ($named !== null && explode('/', $named)[0] !== explode('/', $type)[0])
        ) {
            return null;
        }

        return self::of(substr(hash('sha256', $bytes), 0, 32), $type, basename($name), $bytes);
    }

    /** A file of a package; a notice when it is damaged, or neither picture, sound nor film. */
    public static function packed(SafeZip $zip, string $file): self|Notice
    {
        try {
            return self::fromFile($file, $zip->read($file)) ??
                Notice::loss(
                    'media.kind',
                    Message::of('interchange.file-neither-picture-nor', ['file' => $file]),
                    $file,
                );
        } catch (UnreadableFile) {
            return Notice::loss(
                'media.damaged',
                Message::of('interchange.file-damaged-left-out', ['file' => $file]),
                $file,
            );
        }
    }

    /** A file beside our own JSON, under the name it has there. */
    public static function kept(SafeZip $zip, string $id, string $type, string $name, string $file): self|Notice
    {
        try {
            return self::of($id, $type, $name, $zip->read($file));
        } catch (UnreadableFile) {
            return Notice::loss(
                'media.damaged',
                Message::of('interchange.file-damaged-left-out', ['file' => $file]),
                $file,
            );
        }
    }

    public static function extension(string $type): string
    {
        return array_search($type, self::TYPES, true) ?: 'bin';
    }

    /** What a file is by its name alone. @param  string  $otherwise  where the name does not say: image, audio or video */
    public static function typeNamed(string $name, string $otherwise): string
    {
        return self::TYPES[strtolower(pathinfo($name, PATHINFO_EXTENSION))] ?? "$otherwise/*";
    }

    /** @return array{id: string, sha256: string, type: string, name: string} */
    public function describe(): array
    {
        return ['id' => $this->id, 'sha256' => $this->sha256, 'type' => $this->type, 'name' => $this->name];
    }
}
