<?php

declare(strict_types=1);

namespace App\Infrastructure;

use WideQuarry\Media\MediaFile;
use WideQuarry\Media\UnusableMedium;
use WideQuarry\Messages\Message;

/**
 * Pictures as they are kept and shown: turned the right way up, in sRGB, without what a camera wrote into them (its place, its owner).
 * libvips does it, confined.
 */
final class Pictures
{
    private const MEMORY = 512_000_000;

    private const OPTIONS = [
        'image/jpeg' => ['jpg', '[Q=92,strip,optimize-coding]'],
        'image/png' => ['png', '[strip,compression=7]'],
        'image/webp' => ['webp', '[Q=90,strip]'],
        'image/avif' => ['avif', '[Q=70,strip]'],
    ];

    /**
     * The picture as it is kept: its own bytes where nothing in them has to change.
     *
     * @throws UnusableMedium when it cannot be drawn
     */
    public static function prepare(MediaFile $file): MediaFile
    {
        [$ending, $options] = self::OPTIONS[$file->type] ?? [null, ''];
        if ($ending === null) {
            return $file;
        }
        // A size it never reaches: it is drawn, turned and its colours converted, but not made smaller.
        $command = ['vipsthumbnail', "{}/given.$ending", '--size', '30000x30000>', '--export-profile', 'srgb'];
        $made = Sandbox::try(
            ["given.$ending" => $file->bytes],
            [[...$command, '-o', "{}/made.$ending$options"]],
            fn (string $folder): string|false => @file_get_contents("$folder/made.$ending"),
            self::MEMORY,
        );
        $size = is_string($made) && $made !== '' ? @getimagesizefromstring($made) : false;
        if (! is_string($made) || $size === false) {
            throw new UnusableMedium('media.damaged', Message::of('media.damaged'));
        }
        MediaFile::allowPixels($size[0], $size[1]);
        $isKept = $file->width === $size[0] && ! self::tells($file);

        return $isKept ? $file : $file->with($file->type, $made, $size[0], $size[1]);
    }

    /**
     * The picture without notes and profiles, where it has any; others are not drawn for it.
     *
     * @throws UnusableMedium when it cannot be drawn
     */
    public static function tidied(MediaFile $file): MediaFile
    {
        return isset(self::OPTIONS[$file->type]) && self::tells($file) ? self::prepare($file) : $file;
    }

    /**
     * Narrower copies.
     *
     * @param  list<int>  $widths
     * @return array<int, string>|null width → WebP; null when it cannot be drawn
     */
    public static function sizes(string $bytes, string $type, array $widths): ?array
    {
        $ending = self::OPTIONS[$type][0] ?? 'bin';

        return Sandbox::try(
            ["given.$ending" => $bytes],
            array_map(
                fn (int $width): array => ['vipsthumbnail', "{}/given.$ending", '--size', "{$width}x", '-o', "{}/$width.webp[Q=82,strip]"],
                $widths,
            ),
            fn (string $folder): array => array_combine(
                $widths,
                array_map(fn (int $width): string => (string) file_get_contents("$folder/$width.webp"), $widths),
            ),
            self::MEMORY,
        );
    }

    /** Whether it carries notes (Exif, XMP, IPTC, text chunks) or a colour profile. */
    private static function tells(MediaFile $file): bool
    {
        $signs = match ($file->type) {
            'image/jpeg' => '/Exif\x00\x00|http:\/\/ns\.adobe\.com\/xap|ICC_PROFILE\x00|Photoshop 3\.0/',
            'image/png' => '/eXIf|iTXt|tEXt|zTXt|iCCP/',
            'image/webp' => '/EXIF|XMP |ICCP/',
            default => '/Exif|xml|colrprof|colrrICC/',
        };

        return preg_match($signs, substr($file->bytes, 0, 1 << 20).substr($file->bytes, -(1 << 18))) === 1;
    }
}
