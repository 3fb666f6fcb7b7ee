<?php

declare(strict_types=1);

namespace App\Http\Files;

use Symfony\Component\HttpFoundation\HeaderUtils;

/** Names of files to download. Titles of any script give a readable name; a title of nothing but signs gives the id. */
final class FileName
{
    private const MOST = 80;

    public static function of(string $title, string $id, string $ending): string
    {
        $latin = transliterator_transliterate('Any-Latin; Latin-ASCII; Lower()', $title);
        $name = trim((string) preg_replace('/[^a-z0-9]+/', '-', is_string($latin) ? $latin : ''), '-');

        return ($name === '' ? substr($id, 0, 13) : rtrim(substr($name, 0, self::MOST), '-')).$ending;
    }

    /** Content-Disposition of a download (RFC 6266): the title itself where the browser can, the plain name otherwise. */
    public static function attachment(string $title, string $id, string $ending): string
    {
        $kept = trim((string) preg_replace('~[\p{C}/\\\\:*?"<>|%]+~u', ' ', $title));

        return HeaderUtils::makeDisposition(
            'attachment',
            ($kept === '' ? self::of($title, $id, '') : mb_substr($kept, 0, self::MOST)).$ending,
            self::of($title, $id, $ending),
        );
    }
}
