<?php

declare(strict_types=1);

use Database\Seeders\SamplePackages;
use WideQuarry\Checks\Completeness;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;

/** What a file of demo/files is read as. */
function readDemo(string $name): array
{
    $formats = Formats::standard(StandardKinds::all());
    $source = new Source(base_path("demo/files/$name"), $name);

    return [$formats->for($source)->name(), PackageContents::collect($formats->for($source)->read($source))];
}

it('writes the sample packages as they are kept', function (string $name): void {
    $made = (string) tempnam(sys_get_temp_dir(), 'sample');
    SamplePackages::all()[$name]($made);
    $same = hash_file('sha256', $made) === hash_file('sha256', base_path("demo/files/$name"));
    unlink($made);
    expect($same)->toBeTrue('Run php artisan demo:files');
})->with([
    'fossils-and-soil-3.0.zip',
    'oceans-and-air-2.2.zip',
    'oceans-2.1.zip',
    'soil-untidy-3.0.zip',
    'soil-course-1.3.zip',
    'air-untidy-2.1.zip',
    'fossils-untidy-2.2.zip',
    'old-quizzes-with-pools-1.2.zip',
    'course-untidy-1.1.zip',
]);

// Counted by hand in database/samples.json and in what SamplePackages does to it.
it('reads every version, clean and untidy', function (
    string $name,
    string $format,
    int $questions,
    float $points,
    int $byHand,
    array $asked,
    array $codes,
): void {
    [$as, $found] = readDemo($name);
    $all = array_map(fn (stdClass $json): Question => Question::read($json, StandardKinds::all()), $found->questions);
    $marked = array_filter(
        $all,
        fn (Question $question): bool => array_filter($question->parts, fn ($part): bool => $part->scheme->value === 'person') === [],
    );
    $tests = array_map(
        fn (stdClass $json): array => ($test = WideQuarry\Assembly\Assessment::read($json, StandardKinds::all())) === null
            ? []
            : [
                count($test->picks()),
                array_map(fn ($draw): array => [$draw->count, count($draw->pool), (string) $draw->points(null)], $test->draws()),
            ],
        $found->assessments,
    );

    expect($as)
        ->toBe($format)
        ->and(count($all))
        ->toBe($questions)
        ->and(
            array_sum(
                array_map(
                    fn (Question $question): float => (string) $question->points() === '' ? 0 : $question->points()->toFloat(),
                    $all,
                ),
            ),
        )
        ->toBe($points)
        ->and($questions - count($marked))
        ->toBe($byHand)
        ->and($tests)
        ->toBe($asked)
        ->and(array_values(array_unique(array_map(fn (Notice $notice): string => $notice->code, $found->notices))))
        ->toEqualCanonicalizing($codes);
    foreach (array_filter($marked, fn (Question $question): bool => $question->parts !== []) as $question) {
        expect(array_filter((new Completeness)->findings($question), fn ($finding): bool => $finding->isBlocking()))->toBe(
            [],
            $question->title,
        );
    }
})->with([
    '3.0' => ['fossils-and-soil-3.0.zip', 'qti30', 24, 37.0, 0, [[4, [[3, 10, '2'], [3, 10, '2']]]], []],
    '3.0, untidy' => [
        'quarry-visit.zip',
        'qti30',
        9,
        10.0,
        3,
        [],
        ['content.dropped', 'media.missing', 'package.missing', 'qti.key', 'qti.kind', 'qti.processing', 'xml.broken'],
    ],
    '3.0, no names of types, capitals' => [
        'soil-untidy-3.0.zip',
        'qti30',
        12,
        19.0,
        0,
        [],
        ['package.no_manifest', 'qti.assumed', 'xml.mended'],
    ],
    '2.2' => ['oceans-and-air-2.2.zip', 'qti22', 24, 38.0, 0, [[4, [[4, 10, '1'], [4, 10, '1']]]], []],
    '2.2, untidy' => ['fossils-untidy-2.2.zip', 'qti22', 12, 18.0, 0, [[2, [[4, 10, '2']]]], ['package.missing', 'package.not_named']],
    '2.1' => ['oceans-2.1.zip', 'qti21', 12, 19.0, 0, [[2, [[3, 10, '1']]]], []],
    '2.1, untidy' => [
        'air-untidy-2.1.zip',
        'qti21',
        11,
        16.0,
        0,
        [],
        ['content.dropped', 'content.escaped', 'package.no_manifest', 'qti.assumed', 'xml.broken', 'xml.encoding', 'xml.mended'],
    ],
    '1.2.1, pools and draws' => ['old-quizzes-with-pools-1.2.zip', 'qti12', 25, 38.0, 0, [[1, [[4, 12, '2'], [3, 12, '1']]]], []],
    'a cartridge' => ['soil-course-1.3.zip', 'cc13', 12, 12.0, 2, [[12, []]], ['qti12.no_key']],
    'a cartridge, untidy' => ['course-untidy-1.1.zip', 'cc13', 12, 12.0, 2, [[12, []]], ['cartridge.others', 'qti12.no_key']],
]);
