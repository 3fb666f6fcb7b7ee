<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Upload;

use WideQuarry\Messages\Message;

/** Media types in words people know, and sizes as they are written on disks. */
final class FileKinds
{
    private const NAMED = [
        'image/*' => 'kind-pictures',
        'audio/*' => 'kind-sound',
        'video/*' => 'kind-video',
        'text/*' => 'kind-plain-text',
        'text/plain' => 'kind-plain-text',
        'application/pdf' => 'kind-pdf',
        'application/vnd.oasis.opendocument.text' => 'kind-documents',
        'application/vnd.openxmlformats-officedocument.wordprocessingml.document' => 'kind-documents',
        'application/vnd.oasis.opendocument.spreadsheet' => 'kind-spreadsheets',
        'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet' => 'kind-spreadsheets',
        'application/vnd.oasis.opendocument.presentation' => 'kind-slides',
        'application/vnd.openxmlformats-officedocument.presentationml.presentation' => 'kind-slides',
        'application/zip' => 'kind-archives',
    ];

    private const UNITS = ['GB' => 1_000_000_000, 'MB' => 1_000_000, 'kB' => 1000];

    /** @param  list<string>  $types */
    public static function named(array $types): string
    {
        $names = array_map(
            fn (string $type): string => isset(self::NAMED[$type]) ? Message::of('parts.upload.'.self::NAMED[$type]) : $type,
            $types,
        );

        return implode(', ', array_unique($names));
    }

    public static function size(int $bytes): string
    {
        foreach (self::UNITS as $unit => $worth) {
            if ($bytes >= $worth) {
                return round($bytes / $worth, 1).' '.$unit;
            }
        }

        return "$bytes B";
    }
}
