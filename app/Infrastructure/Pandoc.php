<?php

declare(strict_types=1);

namespace App\Infrastructure;

use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\UnreadableFile;

/** Pandoc, confined: it reads and writes word processors' files. */
final readonly class Pandoc implements DocumentConverter
{
    private const MEMORY = 1_500_000_000; // bytes

    public function toHtml(string $bytes, string $from, string $options = ''): array
    {
        $read = ['pandoc', '--sandbox', "--from=$from$options", '--to=html', '--mathml', '--wrap=none'];
        // pictures of other formats stand in the document itself
        $read = $from === 'rtf' ? [...$read, '--extract-media={}/media'] : $read;

        return Sandbox::try(
            ['given' => $bytes],
            [[...$read, '--output={}/made', '{}/given']],
            fn (string $folder): array => [
                str_replace("$folder/", '', (string) file_get_contents("$folder/made")),
                self::files("$folder/media", 'media'),
            ],
            self::MEMORY,
        ) ?? throw UnreadableFile::notConverted();
    }

    public function fromHtml(string $html, string $to, array $files): string
    {
        return Sandbox::try(
            ['given' => $html, ...$files],
            [['pandoc', '--from=html', "--to=$to", '--resource-path={}', '--output={}/made', '{}/given']],
            fn (string $folder): string => (string) file_get_contents("$folder/made"),
            self::MEMORY,
        ) ?? throw UnreadableFile::notConverted();
    }

    /** @return array<string, string> */
    private static function files(string $folder, string $under): array
    {
        $files = [];
        foreach (is_dir($folder) ? scandir($folder) : [] as $name) {
            if (is_file("$folder/$name") && ! is_link("$folder/$name")) {
                $files["$under/$name"] = (string) file_get_contents("$folder/$name");
            }
        }

        return $files;
    }
}
