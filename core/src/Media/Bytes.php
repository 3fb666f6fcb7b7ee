<?php

declare(strict_types=1);

namespace WideQuarry\Media;

/** Whole numbers inside a file. */
final class Bytes
{
    /**
     * @param  'N'|'V'|'J'|'P'  $code  of unpack: four bytes or eight, the greatest or the least first
     * @return int|null null behind the end of the file
     */
    public static function whole(string $code, string $bytes, int $at): ?int
    {
        $size = $code === 'P' || $code === 'J' ? 8 : 4;
        $read = $at >= 0 && $at + $size <= strlen($bytes) ? unpack($code, $bytes, $at) : false;

        return is_int($read[1] ?? null) ? $read[1] : null;
    }
}
