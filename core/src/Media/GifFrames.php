<?php

declare(strict_types=1);

namespace WideQuarry\Media;

/** How many pictures a GIF shows one after the other (GIF89a, 20 and 23 to 26): its blocks are counted, nothing is drawn. */
final class GifFrames
{
    /** @return int no more than so many are counted */
    public static function count(string $bytes, int $most): int
    {
        $flags = ord($bytes[10] ?? "\0");
        $at = 13 + (($flags & 0x80) !== 0 ? 3 << (($flags & 7) + 1) : 0);
        for ($frames = 0; $frames < $most && isset($bytes[$at]);) {
            if ($bytes[$at] === "\x2C") {
                $frames++;
                $flags = ord($bytes[$at + 9] ?? "\0");
                $at += 11 + (($flags & 0x80) !== 0 ? 3 << (($flags & 7) + 1) : 0);
            } elseif ($bytes[$at] === "\x21") {
                $at += 2;
            } else {
                break;
            }
            while (isset($bytes[$at]) && ($length = ord($bytes[$at])) > 0) {
                $at += $length + 1;
            }
            $at++;
        }

        return $frames;
    }
}
