<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/** Where no converter runs: plain text and packages are read all the same. */
final readonly class NoConverter implements DocumentConverter
{
    public function toHtml(string $bytes, string $from, string $options = ''): array
    {
        throw UnreadableFile::notConverted();
    }

    public function fromHtml(string $html, string $to, array $files): string
    {
        throw UnreadableFile::notConverted();
    }

    public function toSheets(string $bytes, string $from): array
    {
        throw UnreadableFile::notConverted();
    }
}
