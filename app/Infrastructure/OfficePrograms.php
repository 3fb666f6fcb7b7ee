<?php

declare(strict_types=1);

namespace App\Infrastructure;

use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\UnreadableFile;

/** Pandoc for the files of word processors and Gnumeric for workbooks, each confined. */
final readonly class OfficePrograms implements DocumentConverter
{
    /** Dates stay as they are shown, and numbers keep the digits they are shown with. */
    private const AS_SHOWN = 'format=preserve separator=, eol=unix';

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

    /** Gnumeric's converter writes each sheet to a file of its own; formulas give their values. */
    public function toSheets(string $bytes, string $from): array
    {
        $convert = ['ssconvert', '-S', '-T'];

        return Sandbox::try(
            ["given.$from" => $bytes],
            [
                [...$convert, 'Gnumeric_stf:stf_assistant', '-O', self::AS_SHOWN, "{}/given.$from", '{}/shown-%n'],
                [...$convert, 'Gnumeric_stf:stf_csv', "{}/given.$from", '{}/full-%n'],
            ],
            function (string $folder): array {
                $sheets = [];
                for ($i = 0; is_file("$folder/shown-$i"); $i++) {
                    $sheets[] = [
                        'shown' => (string) file_get_contents("$folder/shown-$i"),
                        'full' => (string) file_get_contents("$folder/full-$i"),
                    ];
                }

                return $sheets;
            },
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
