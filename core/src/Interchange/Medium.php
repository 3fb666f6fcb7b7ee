<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Media\MediaType;
use WideQuarry\Media\Svg;
use WideQuarry\Media\UnusableMedium;
use WideQuarry\Messages\Message;

/** A picture, sound or film with its bytes. */
final readonly class Medium
{
    /** What endings say, where a file is not at hand; some have two names. */
    private const ENDINGS = ['jpeg' => 'image/jpeg', 'oga' => 'audio/ogg', 'm4v' => 'video/mp4'];

    private const DRAWING = 'image/svg+xml';

    private function __construct(
        public string $id,
        public string $sha256,
        public string $type,
        public string $name,
        public string $bytes,
    ) {
    }

    /** Drawings are cleaned whoever sends them; what is no drawing after all is kept as bytes that nobody shows. */
    public static function of(string $id, string $type, string $name, string $bytes): self
    {
        if ($type === self::DRAWING) {
            try {
                $bytes = Svg::clean($bytes)->bytes;
            } catch (UnusableMedium) {
                $type = 'application/octet-stream';
            }
        }

        return new self($id, hash('sha256', $bytes), $type, $name, $bytes);
    }

    /** @return self|null null when the bytes are neither picture, sound nor film, whatever the name says */
    public static function fromFile(string $name, string $bytes): ?self
    {
        $named = self::typeNamed($name, '');
        $type = MediaType::of($bytes);
        if ($type === null || ($named !== '/*' && explode('/', $named)[0] !== explode('/', $type)[0])) {
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
        return MediaType::ENDINGS[$type] ?? 'bin';
    }

    /** What a file is by its name alone. @param  string  $otherwise  where the name does not say: image, audio or video */
    public static function typeNamed(string $name, string $otherwise): string
    {
        $ending = strtolower(pathinfo($name, PATHINFO_EXTENSION));
        $type = array_search($ending, MediaType::ENDINGS, true);

        return $type === false ? self::ENDINGS[$ending] ?? "$otherwise/*" : $type;
    }

    /** @return array{int, int}|null width and height in pixels; null where it is no picture, or has no size of its own */
    public function size(): ?array
    {
        if ($this->type === self::DRAWING) {
            try {
                $drawing = Svg::clean($this->bytes);
            } catch (UnusableMedium) {
                return null;
            }

            return $drawing->width > 0 && $drawing->height > 0 ? [$drawing->width, $drawing->height] : null;
        }
        $size = str_starts_with($this->type, 'image/') ? @getimagesizefromstring($this->bytes) : false;

        return $size === false ? null : [$size[0], $size[1]];
    }

    /** The same medium after a program worked on it. */
    public function with(string $bytes): self
    {
        return new self($this->id, hash('sha256', $bytes), $this->type, $this->name, $bytes);
    }

    /** @return array{id: string, sha256: string, type: string, name: string} */
    public function describe(): array
    {
        return ['id' => $this->id, 'sha256' => $this->sha256, 'type' => $this->type, 'name' => $this->name];
    }
}
