<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Package;

/**
 * Text that is not in the UTF-8 it says: what is UTF-8 stays (RFC 3629, 4), every other byte is a sign of Windows-1252. Files that were
 * put together from both are read so too.
 */
final class Encoding
{
    private const WELL_FORMED = '/(?:[\x00-\x7F]++|[\xC2-\xDF][\x80-\xBF]|\xE0[\xA0-\xBF][\x80-\xBF]|[\xE1-\xEC\xEE\xEF][\x80-\xBF]{2}|\xED[\x80-\x9F][\x80-\xBF]|\xF0[\x90-\xBF][\x80-\xBF]{2}|[\xF1-\xF3][\x80-\xBF]{3}|\xF4[\x80-\x8F][\x80-\xBF]{2})++|(.)/s';

    public static function mended(string $bytes): string
    {
        return preg_replace_callback(
            self::WELL_FORMED,
            fn (array $m): string => isset($m[1]) ? (string) mb_convert_encoding($m[1], 'UTF-8', 'Windows-1252') : $m[0],
            $bytes,
        ) ?? (string) mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252');
    }
}
