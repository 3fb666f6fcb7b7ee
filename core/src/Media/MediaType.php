<?php

declare(strict_types=1);

namespace WideQuarry\Media;

/**
 * What a file is, by its bytes and never by its name (WHATWG MIME Sniffing, 6 and 7; ISO/IEC 14496-12, 4.3 for the boxes of MP4 and AVIF).
 */
final class MediaType
{
    /** Types we take, with the ending their files get. */
    public const ENDINGS = [
        'image/png' => 'png',
        'image/jpeg' => 'jpg',
        'image/webp' => 'webp',
        'image/gif' => 'gif',
        'image/avif' => 'avif',
        'image/svg+xml' => 'svg',
        'audio/mpeg' => 'mp3',
        'audio/mp4' => 'm4a',
        'audio/ogg' => 'ogg',
        'audio/wav' => 'wav',
        'video/mp4' => 'mp4',
        'video/webm' => 'webm',
        'text/vtt' => 'vtt',
    ];

    private const BRANDS = [
        'image/avif' => ['avif', 'avis'],
        'audio/mp4' => ['M4A ', 'M4B '],
        'video/mp4' => ['isom', 'iso2', 'iso4', 'iso5', 'iso6', 'mp41', 'mp42', 'avc1', 'M4V ', 'dash', 'f4v '],
    ];

    /** The root of SVG, after what may stand before it. */
    private const DRAWING = '/^(?:<\?xml[^>]*\?>\s*)?(?:<!--.*?-->\s*)*(?:<!DOCTYPE[^>]*>\s*)?(?:<!--.*?-->\s*)*<(?:\w+:)?svg[\s>]/s';

    /** @return string|null null when it is none of the types we take */
    public static function of(string $bytes): ?string
    {
        $text = (string) preg_replace('/^(?:\xEF\xBB\xBF)?\s*/', '', substr($bytes, 0, 4096));

        return match (true) {
            str_starts_with($bytes, "\x89PNG\r\n\x1A\n") => 'image/png',
            str_starts_with($bytes, "\xFF\xD8\xFF") => 'image/jpeg',
            str_starts_with($bytes, 'GIF87a'), str_starts_with($bytes, 'GIF89a') => 'image/gif',
            self::riff($bytes, 'WEBP') => 'image/webp',
            self::riff($bytes, 'WAVE') => 'audio/wav',
            str_starts_with($bytes, 'OggS') => 'audio/ogg',
            str_starts_with($bytes, 'ID3'), self::isMpegAudio($bytes) => 'audio/mpeg',
            str_starts_with($bytes, "\x1A\x45\xDF\xA3") => str_contains(substr($bytes, 0, 64), 'webm') ? 'video/webm' : null,
            substr($bytes, 4, 4) === 'ftyp' => self::brand($bytes),
            preg_match('/^WEBVTT(?:[ \t\r\n]|$)/D', $text) === 1 => 'text/vtt',
            preg_match(self::DRAWING, $text) === 1 => 'image/svg+xml',
            default => null,
        };
    }

    /** image, audio, video or text: what can stand for one another. */
    public static function kind(string $type): string
    {
        return explode('/', $type)[0];
    }

    private static function riff(string $bytes, string $form): bool
    {
        return str_starts_with($bytes, 'RIFF') && substr($bytes, 8, 4) === $form;
    }

    /** A frame header of MPEG audio, layer III, with a bit rate and a sampling rate that exist. */
    private static function isMpegAudio(string $bytes): bool
    {
        if (strlen($bytes) < 4 || $bytes[0] !== "\xFF") {
            return false;
        }
        [$second, $third] = [ord($bytes[1]), ord($bytes[2])];

        return ($second & 0xE6) === 0xE2 && ($second & 0x18) !== 0x08 && ! in_array($third >> 4, [0, 15], true) && ($third & 0x0C) !== 0x0C;
    }

    /** The major brand, or one of those the file says it is compatible with. */
    private static function brand(string $bytes): ?string
    {
        $brands = str_split(substr($bytes, 8, min(max(0, Bytes::whole('N', $bytes, 0) - 8), 256)), 4);
        foreach (self::BRANDS as $type => $known) {
            if (in_array($brands[0], $known, true)) {
                return $type;
            }
        }
        foreach (self::BRANDS as $type => $known) {
            if (array_intersect($brands, $known) !== []) {
                return $type;
            }
        }

        return null;
    }
}
