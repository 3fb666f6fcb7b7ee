<?php

declare(strict_types=1);

namespace Tests\Bench;

use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Package\ZipWriter;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;

/** Packages to measure with. */
final class Packages
{
    /** The demo's questions again and again, each a little different. */
    public static function many(int $count): PackageContents
    {
        $questions = [];
        foreach (glob(__DIR__.'/../../database/demo/*.json') ?: [] as $demo) {
            array_push($questions, ...json_decode((string) file_get_contents($demo))->questions);
        }
        $found = new PackageContents;
        for ($i = 0; $i < $count; $i++) {
            $question = Json::copy($questions[$i % count($questions)]);
            $question->id = sprintf('0192f0c4-0000-7000-8000-%012x', $i);
            $question->body .= "<p>Sample $i.</p>";
            $found->questions[] = $question;
        }

        return $found;
    }

    /** As somebody else would send them: without what we keep beside each item. */
    public static function strangers(int $count, string $format = 'qti30'): string
    {
        $ours = (string) tempnam(sys_get_temp_dir(), 'bench');
        Formats::standard(StandardKinds::all())->named($format)?->write(self::many($count), $ours);
        $file = (string) tempnam(sys_get_temp_dir(), 'bench');
        $zip = new ZipWriter($file);
        foreach (self::entries($ours) as $name => $bytes) {
            str_contains($name, '.wide-quarry.') || $zip->add($name, $bytes);
        }
        $zip->close();
        unlink($ours);

        return $file;
    }

    /** @return array<string, string> name → bytes */
    public static function entries(string $file): array
    {
        $zip = new \ZipArchive;
        $zip->open($file);
        $entries = [];
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $entries[(string) $zip->getNameIndex($i)] = (string) $zip->getFromIndex($i);
        }

        return $entries;
    }

    /** @return list<string> the XML of a package; of our own, its lines of JSON */
    public static function documents(string $file): array
    {
        return array_values(
            array_filter(
                self::entries($file),
                fn (string $name): bool => preg_match('/\.(?:xml|jsonl)$/', $name) === 1,
                ARRAY_FILTER_USE_KEY,
            ),
        );
    }
}
