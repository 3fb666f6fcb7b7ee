<?php

declare(strict_types=1);

use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\ZipWriter;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Canonical;
use WideQuarry\Question\Question;

const EVERY = ['qti30', 'qti22', 'qti21', 'qti12', 'cc13', 'pack'];

/** The entries of a package of a few questions, without our own files beside the standard. @return array<string, string> */
function entriesIn(string $format): array
{
    static $made = [];
    if (! isset($made[$format])) {
        $content = demo('hazards');
        $content->questions = array_slice($content->questions, 0, 4);
        $file = written($content, $format);
        $zip = new ZipArchive;
        $zip->open($file);
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $name = (string) $zip->getNameIndex($i);
            str_contains($name, '.wide-quarry.') || ($made[$format][$name] = (string) $zip->getFromIndex($i));
        }
        $zip->close();
        unlink($file);
    }

    return $made[$format];
}

/**
 * Reads a package as it would be read for an intake: everything that comes of it is well-formed and harmless, or it is refused with a
 * reason. @param  array<string, string>  $entries
 */
function readHarmless(array $entries, string $why): ?PackageContents
{
    $file = (string) tempnam(sys_get_temp_dir(), 'hostile');
    $zip = new ZipWriter($file);
    foreach ($entries as $name => $bytes) {
        $zip->add((string) $name, $bytes);
    }
    $zip->close();
    $warnings = [];
    set_error_handler(function (int $level, string $message) use (&$warnings): bool {
        error_reporting() !== 0 && (error_reporting() & $level) !== 0 && ($warnings[] = $message);

        return true;
    });
    [$begun, $held] = [microtime(true), memory_get_usage()];
    try {
        $found = PackageContents::collect(
            Formats::standard(StandardKinds::all())
                ->for($source = new Source($file, 'x.zip'))
                ->read($source),
        );
    } catch (UnreadableFile $problem) {
        expect($problem->getMessage())->not->toBe('', $why);

        return null;
    } finally {
        restore_error_handler();
        unlink($file);
    }
    expect($warnings)
        ->toBe([], $why)
        ->and(microtime(true) - $begun)
        ->toBeLessThan(20, $why)
        ->and(memory_get_usage() - $held)
        ->toBeLessThan(200_000_000, $why);
    foreach ([...$found->questions, ...$found->stimuli, ...$found->assessments] as $thing) {
        // as it is staged
        $thing = isset($thing->parts) ? Canonical::of(Question::read($thing, StandardKinds::all())->toJson())[0] : $thing;
        unset($thing->record); // what could not be translated is kept as text, and never shown
        expect(
            preg_match('~<script|<iframe|<object|<embed|<svg|<style|javascript:|\son\w+\s*=|srcdoc|data:text~i', Json::encode($thing)),
        )->toBe(0, "$why: ".Json::encode($thing));
    }

    return $found;
}

/** Puts XML into every item of a package, where its text begins. @param  array<string, string>  $entries @return array<string, string> */
function withInside(array $entries, string $markup): array
{
    $escaped = htmlspecialchars($markup, ENT_XML1 | ENT_QUOTES);

    return array_map(
        fn (string $bytes): string => str_replace(
            ['<qti-item-body>', '<itemBody>', '<mattext texttype="text/html">', '"body":"'],
            [
                "<qti-item-body>$markup",
                "<itemBody>$markup",
                "<mattext texttype=\"text/html\">$escaped",
                '"body":"'.substr(Json::encode($markup), 1, -1),
            ],
            $bytes,
        ),
        $entries,
    );
}

it('lets nothing run that stands in a question', function (string $markup): void {
    foreach (EVERY as $format) {
        $found = readHarmless(withInside(entriesIn($format), $markup), "$format: $markup");
        expect($found?->questions ?? [])->not->toBe([], "$format: $markup");
    }
})->with([
    'a script' => ['<script>alert(1)</script>'],
    'a script in SVG' => ['<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"><script>alert(1)</script></svg>'],
    'an event' => ['<p onclick="alert(1)">x</p>'],
    'a link that runs' => ['<p><a href="javascript:alert(1)">x</a></p>'],
    'a link that runs, hidden' => ['<p><a href=" java&#10;script:alert(1)">x</a></p>'],
    'a frame' => ['<iframe src="http://evil.example/"></iframe>'],
    'a frame with a document' => ['<iframe srcdoc="&lt;script&gt;alert(1)&lt;/script&gt;"></iframe>'],
    'a form' => ['<form action="http://evil.example/"><input name="a"/><button formaction="javascript:alert(1)">x</button></form>'],
    'an image that runs' => ['<p><img src="x" onerror="alert(1)"/></p>'],
    'an image from elsewhere' => ['<p><img src="http://evil.example/pixel.png" alt="x"/></p>'],
    'a style' => ['<style>body { background: url(http://evil.example/) }</style>'],
    'a style on an element' => ['<p style="background: url(javascript:alert(1))">x</p>'],
    'an object' => ['<object data="javascript:alert(1)" type="text/html"></object>'],
    'MathML with a link' => ['<math xmlns="http://www.w3.org/1998/Math/MathML"><mi href="javascript:alert(1)">x</mi></math>'],
    'MathML with HTML in it' => [
        '<math xmlns="http://www.w3.org/1998/Math/MathML"><annotation-xml encoding="text/html"><script>alert(1)</script>'.
            '</annotation-xml></math>',
    ],
    'a base' => ['<base href="http://evil.example/"/>'],
    'a meta' => ['<meta http-equiv="refresh" content="0;url=javascript:alert(1)"/>'],
    'a part that is not there' => ['<p><span data-part="p999"></span></p>'],
    'an anchor twice' => ['<div data-part="p1"></div><div data-part="p1"></div>'],
    'deeply nested' => [str_repeat('<div>', 150).'x'.str_repeat('</div>', 150)],
]);

it('survives what is absurd in a package', function (string $format, callable $change): void {
    readHarmless($change(entriesIn($format)), $format);
})->with(
    array_merge(
        ...array_map(
            fn (string $format): array => [
                "$format: entities" => [
                    $format,
                    fn (array $entries): array => array_map(
                        fn (string $bytes): string => str_starts_with($bytes, '<')
                            ? str_replace(
                                '<?xml version="1.0" encoding="UTF-8"?>',
                                '<?xml version="1.0"?><!DOCTYPE x [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;">]>',
                                $bytes,
                            )
                            : $bytes,
                        $entries,
                    ),
                ],
                "$format: an entity from a file" => [
                    $format,
                    fn (array $entries): array => array_map(
                        fn (string $bytes): string => str_replace(
                            '<?xml version="1.0" encoding="UTF-8"?>',
                            '<?xml version="1.0"?><!DOCTYPE x SYSTEM "file:///etc/passwd" [<!ENTITY a SYSTEM "file:///etc/passwd">]>',
                            $bytes,
                        ),
                        $entries,
                    ),
                ],
                "$format: an inclusion" => [
                    $format,
                    fn (array $entries): array => withInside(
                        $entries,
                        '<xi:include xmlns:xi="http://www.w3.org/2001/XInclude" href="file:///etc/passwd" parse="text"/>',
                    ),
                ],
                "$format: numbers beyond all measure" => [
                    $format,
                    fn (array $entries): array => array_map(
                        fn (string $bytes): string => (string) preg_replace(
                            ['/(mapped-?[vV]alue|upper-?[bB]ound|maxvalue)="[^"]*"/', '~>\d+(\.\d+)?<~'],
                            ['$1="1e399"', '>1e399<'],
                            $bytes,
                        ),
                        $entries,
                    ),
                ],
                "$format: identifiers of a megabyte" => [
                    $format,
                    fn (array $entries): array => array_map(
                        fn (string $bytes): string => (string) preg_replace(
                            '/ident(ifier)?="[^"]*"/',
                            'ident$1="'.str_repeat('x', 20_000).'"',
                            $bytes,
                            3,
                        ),
                        $entries,
                    ),
                ],
                "$format: nothing but nulls" => [
                    $format,
                    fn (array $entries): array => array_map(fn (string $bytes): string => str_repeat("\0", 2000), $entries),
                ],
                "$format: every file cut off" => [
                    $format,
                    fn (array $entries): array => array_map(
                        fn (string $bytes): string => substr($bytes, 0, intdiv(2 * strlen($bytes), 3)),
                        $entries,
                    ),
                ],
                "$format: no manifest" => [
                    $format,
                    fn (array $entries): array => array_diff_key($entries, ['imsmanifest.xml' => 1, 'package.json' => 1]),
                ],
                "$format: files for one another" => [
                    $format,
                    fn (array $entries): array => array_combine(array_keys($entries), array_reverse(array_values($entries))),
                ],
                "$format: a pattern that would never end" => [
                    $format,
                    fn (array $entries): array => array_map(
                        fn (string $bytes): string => (string) preg_replace(
                            '~<(qti-)?(stringMatch|string-match)[^>]*>~',
                            '<$1pattern-match pattern="(a+)+b">',
                            $bytes,
                        ),
                        $entries,
                    ),
                ],
            ],
            EVERY,
        ),
    ),
);

it('survives whatever becomes of a package: it is read, or refused with a reason', function (string $format): void {
    mt_srand(crc32($format));
    $whole = entriesIn($format);
    $names = array_values(array_filter(array_keys($whole), fn (string $name): bool => preg_match('/\.(xml|jsonl|json)$/', $name) === 1));
    $read = $refused = $told = 0;
    for ($i = 0; $i < (getenv('QUARRY_LONG') ? 5000 : 60); $i++) {
        $entries = $whole;
        for ($n = mt_rand(1, 4); $n > 0; $n--) {
            $name = $names[mt_rand(0, count($names) - 1)];
            $bytes = $entries[$name];
            $at = mt_rand(0, max(0, strlen($bytes) - 2));
            $entries[$name] = match (mt_rand(0, 7)) {
                0 => substr_replace($bytes, chr(mt_rand(0, 255)), $at, 1),
                1 => substr_replace($bytes, '', $at, mt_rand(1, 40)),
                2 => substr_replace($bytes, substr($bytes, mt_rand(0, max(0, strlen($bytes) - 1)), 30), $at, 0),
                3 => mt_rand(0, 3) === 0 ? substr($bytes, 0, $at) : $bytes,
                default => (string) preg_replace_callback(
                    '/"([^"<>&]{1,30})"/',
                    fn (array $m): string => mt_rand(0, 60) === 0
                        ? '"'.['', '-1', '0', 'x y', '1e9', $m[1].$m[1]][mt_rand(0, 5)].'"'
                        : $m[0],
                    $bytes,
                ), // attributes and values: often still well-formed
            };
        }
        $found = readHarmless($entries, $format);
        $found === null ? $refused++ : $read++;
        $told += $found === null || $found->notices !== [] ? 1 : 0;
    }
    // it can fail: files are broken, read all the same, and talked about
    expect($read)->toBeGreaterThan(20)->and($told)->toBeGreaterThan(20);
})->with(EVERY);

it(
    'commits nothing of a package that is refused',
    fn () => expect(
        readHarmless(['package.json' => '{"format":"wide-quarry/package","version":99}', 'questions.jsonl' => ''], 'newer'),
    )->toBeNull(),
);

it('reads on after a question that is no good, and says so', function (): void {
    $entries = entriesIn('qti21');
    $first = array_key_first(array_filter($entries, fn (string $name): bool => str_starts_with($name, 'items/'), ARRAY_FILTER_USE_KEY));
    $entries[$first] = '<assessmentItem identifier="x"><itemBody><p>cut';
    $found = readHarmless($entries, 'half');
    expect($found->questions)
        ->toHaveCount(3)
        ->and(
            array_map(
                fn (Notice $notice): string => $notice->code,
                array_filter($found->notices, fn (Notice $notice): bool => $notice->severity === 'problem'),
            ),
        )
        ->toContain('xml.broken');
});
