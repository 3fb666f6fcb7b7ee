<?php

declare(strict_types=1);

namespace WideQuarry\Media;

use WideQuarry\Messages\Message;

/** A file that was looked at: its type, its size, and its bytes as they are kept. */
final readonly class MediaFile
{
    private function __construct(
        public string $type,
        public string $bytes,
        public string $name,
        /** Pixels, of pictures that say it. */
        public ?int $width,
        public ?int $height,
        /** Of sound and film that says it. */
        public ?float $seconds,
        /** What was taken out of a drawing. */
        public bool $isCleaned,
    ) {
    }

    /**
     * @param  string  $name  as the sender calls it
     *
     * @throws UnusableMedium
     */
    public static function of(string $bytes, string $name): self
    {
        if ($bytes === '') {
            throw new UnusableMedium('media.empty', Message::of('media.empty'));
        }
        $type = MediaType::of($bytes) ?? throw new UnusableMedium('media.kind', Message::of('media.not-taken'));
        self::allowBytes($type, strlen($bytes));
        [$width, $height, $seconds, $isCleaned] = [null, null, null, false];
        if ($type === 'image/svg+xml') {
            $svg = Svg::clean($bytes);
            [$bytes, $width, $height, $isCleaned] = [$svg->bytes, $svg->width, $svg->height, $svg->dropped !== []];
        } elseif (str_starts_with($type, 'image/')) {
            [$width, $height] = self::pixels($type, $bytes);
        } elseif (! str_starts_with($type, 'text/')) {
            $seconds = Duration::of($type, $bytes);
            if ($seconds !== null && $seconds > MediaLimits::SECONDS) {
                throw new UnusableMedium('media.long', Message::of('media.long', [
                    'minutes' => (int) ceil($seconds / 60),
                    'most' => intdiv(MediaLimits::SECONDS, 60),
                ]));
            }
        } elseif (! mb_check_encoding($bytes, 'UTF-8')) {
            throw new UnusableMedium('media.encoding', Message::of('media.not-utf8'));
        }

        return new self($type, $bytes, self::name($name, $type), $width, $height, $seconds, $isCleaned);
    }

    /** @throws UnusableMedium when a file of this type may not be as large */
    public static function allowBytes(string $type, int $bytes): void
    {
        $most = MediaLimits::BYTES[explode('/', $type)[0]] ?? 0;
        if ($bytes > $most) {
            throw new UnusableMedium('media.large', Message::of('media.large', [
                'kind' => explode('/', $type)[0],
                'mb' => sprintf('%.1f', $bytes / 1e6),
                'most' => intdiv($most, 1_000_000),
            ]));
        }
    }

    /** The same picture after a program worked on it. */
    public function with(string $type, string $bytes, int $width, int $height): self
    {
        return new self($type, $bytes, self::name($this->name, $type), $width, $height, $this->seconds, $this->isCleaned);
    }

    /** A name for people: one line, no path, no hidden or turned characters, with the ending of what the file is. */
    public static function name(string $name, string $type): string
    {
        $name = (string) preg_replace('/[\p{C}\p{Zl}\p{Zp}]+/u', '', mb_scrub($name));
        $name = (string) preg_replace('~^.*[/\\\\]~s', '', trim($name));
        $plain = (string) preg_replace('/\.(?:png|jpe?g|jfif|webp|gif|avif|svg|mp3|m4a|ogg|oga|wav|mp4|m4v|webm|vtt)$/iD', '', $name);
        $plain = trim(mb_substr($plain, 0, MediaLimits::NAME - 5), ' .');

        return ($plain === '' ? Message::of('media.unnamed', ['kind' => explode('/', $type)[0]]) : $plain).
            '.'.
            (MediaType::ENDINGS[$type] ?? 'bin');
    }

    /**
     * @return array{int|null, int|null}
     *
     * @throws UnusableMedium
     */
    private static function pixels(string $type, string $bytes): array
    {
        $size = @getimagesizefromstring($bytes);
        if ($size === false || $size[0] === 0 || $size[1] === 0) {
            if ($type === 'image/avif') {
                return [null, null]; // whoever works on it says its size
            }
            throw new UnusableMedium('media.damaged', Message::of('media.damaged'));
        }
        if (! self::isWhole($type, $bytes)) {
            throw new UnusableMedium('media.damaged', Message::of('media.damaged'));
        }
        [$width, $height] = $size;
        self::allowPixels($width, $height);
        if ($type === 'image/gif' && GifFrames::count($bytes, MediaLimits::FRAMES + 1) > MediaLimits::FRAMES) {
            throw new UnusableMedium('media.frames', Message::of('media.frames', ['most' => MediaLimits::FRAMES]));
        }

        return [$width, $height];
    }

    /** Whether its end is there: IEND of PNG, EOI after the last SOS of JPEG, as many bytes as RIFF says, the trailer of GIF. */
    private static function isWhole(string $type, string $bytes): bool
    {
        return match ($type) {
            'image/png' => str_contains(substr($bytes, -4096), 'IEND'),
            'image/jpeg' => (int) strrpos($bytes, "\xFF\xD9") > (int) strrpos($bytes, "\xFF\xDA"),
            'image/webp' => Bytes::whole('V', $bytes, 4) + 8 <= strlen($bytes),
            'image/gif' => str_contains(substr($bytes, -4096), "\x3B"),
            default => true,
        };
    }

    /** @throws UnusableMedium */
    public static function allowPixels(int $width, int $height): void
    {
        if ($width > MediaLimits::SIDE || $height > MediaLimits::SIDE || $width * $height > MediaLimits::PIXELS) {
            throw new UnusableMedium('media.pixels', Message::of('media.pixels', [
                'width' => $width,
                'height' => $height,
                'most' => intdiv(MediaLimits::PIXELS, 1_000_000),
            ]));
        }
    }
}
