<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed;

use WideQuarry\Interchange\Format;
use WideQuarry\Interchange\Source;

/** Questions as people type them, in plain text: a file or something pasted. It is only read. */
final class TypedFormat implements Format
{
    public const LARGEST = 2_000_000;

    public function name(): string
    {
        return 'text';
    }

    public function family(): string
    {
        return 'typed';
    }

    public function recognises(Source $source): bool
    {
        $head = ltrim($source->head(), "\xEF\xBB\xBF \t\r\n");

        return $head !== '' &&
            ! $source->isZip() &&
            ! str_contains($head, "\0") &&
            ! in_array($head[0], ['<', '{', '%'], true) &&
            preg_match('/[\x00-\x08\x0E-\x1A\x1C-\x1F]/', $head) !== 1;
    }

    public function read(Source $source): iterable
    {
        return (new TypedReader)->read($source);
    }
}
