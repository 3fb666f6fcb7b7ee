<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Upload;

/** A file of a response: its name, and what else is known of it. */
final readonly class GivenFile
{
    /** Types by the ends of names, for files that come without one (IANA media types). */
    private const TYPES = [
        'pdf' => 'application/pdf',
        'png' => 'image/png',
        'jpg' => 'image/jpeg',
        'jpeg' => 'image/jpeg',
        'gif' => 'image/gif',
        'webp' => 'image/webp',
        'heic' => 'image/heic',
        'svg' => 'image/svg+xml',
        'mp3' => 'audio/mpeg',
        'm4a' => 'audio/mp4',
        'ogg' => 'audio/ogg',
        'wav' => 'audio/wav',
        'mp4' => 'video/mp4',
        'mov' => 'video/quicktime',
        'webm' => 'video/webm',
        'txt' => 'text/plain',
        'csv' => 'text/csv',
        'odt' => 'application/vnd.oasis.opendocument.text',
        'ods' => 'application/vnd.oasis.opendocument.spreadsheet',
        'odp' => 'application/vnd.oasis.opendocument.presentation',
        'docx' => 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
        'xlsx' => 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
        'pptx' => 'application/vnd.openxmlformats-officedocument.presentationml.presentation',
        'zip' => 'application/zip',
    ];

    private function __construct(public string $name, public string $type, public ?int $size)
    {
    }

    /** @return self|null null when it has no name */
    public static function read(mixed $json): ?self
    {
        $name = $json instanceof \stdClass ? $json->name ?? null : null;
        if (! ($json instanceof \stdClass) || ! is_string($name) || trim($name) === '') {
            return null;
        }
        $type = $json->type ?? null;
        $size = $json->size ?? null;
        $end = mb_strtolower(pathinfo($name, PATHINFO_EXTENSION));

        return new self(
            $name,
            is_string($type) && $type !== '' ? strtolower(trim(explode(';', $type)[0])) : self::TYPES[$end] ?? '',
            is_int($size) ? $size : null,
        );
    }
}
