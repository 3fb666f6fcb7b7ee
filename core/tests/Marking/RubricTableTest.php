<?php

declare(strict_types=1);

use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Marking\Rubric;
use WideQuarry\Marking\RubricScheme;
use WideQuarry\Marking\RubricTable;

/**
 * Title: level (points) … of each criterion, in short.
 *
 * @return list<string>
 */
function pastedCriteria(string $cells, RubricScheme $scheme = RubricScheme::Analytic): array
{
    $json = Json::decode(Json::encode(RubricTable::read($cells, $scheme)));
    Rubric::read($json, ''); // what comes out can be stored

    return array_map(
        fn (stdClass $criterion): string => "$criterion->title: ".implode(' | ', array_map(
            fn (stdClass $level): string => trim(($level->title ?? '').' '.json_encode($level->points).' '.strip_tags($level->html)),
            $criterion->levels,
        )),
        $json->criteria,
    );
}

it('reads criteria and levels from cells', function (string $cells, array $criteria): void {
    expect(pastedCriteria($cells))->toBe($criteria);
})->with([
    'a head with points' => [
        "Criterion\tSecure 4\tPartly 2\tNot yet 0\nProcess\tboth\tone\tneither\nTerms\tall\tsome\tnone",
        ['Process: Secure 4 both | Partly 2 one | Not yet 0 neither', 'Terms: Secure 4 all | Partly 2 some | Not yet 0 none'],
    ],
    'ranges in the head' => ["\tHigh (3–4)\tLow (1-2 marks)\nProcess\tboth\tone", ['Process: High {"from":3,"to":4} both | Low {"from":1,"to":2} one']],
    'names without points are kept without' => ["\tHigh\tLow\nProcess\tboth\tone", ['Process: High null both | Low null one']],
    'no head' => ["Process\tboth\tone", ['Process: null both | null one']],
    'points in the cells' => ["Process\t2: both\t1: one\t0", ['Process: 2 both | 1 one | 0']],
    'decimals with a comma' => ["Process\t1,5: both", ['Process: 1.5 both']],
    'a cell with a line break in it' => ["Process\t\"both,\nand why\"\tone", ['Process: null both, and why | null one']],
    'markup is text' => ["<b>A</b>\tx < y", ['<b>A</b>: null x &lt; y']],
]);

it('reads points and wordings of a checklist', function (): void {
    $cells = "outside of the bend is faster\t2\tfaster outside; most erosion outside\tdeeper\ninside deposits";
    $json = RubricTable::read($cells, RubricScheme::Checklist);
    expect(array_map(fn (stdClass $one): array => [$one->title, $one->levels[0]->points, $one->accept, $one->reject], $json->criteria))->toBe([
        ['outside of the bend is faster', 2, ['faster outside', 'most erosion outside'], ['deeper']],
        ['inside deposits', 1, [], []],
    ]);
});

it('says when there are more rows or columns than a rubric has', function (string $cells, string $words): void {
    expect(fn () => RubricTable::read($cells, RubricScheme::Analytic))->toThrow(Malformed::class, $words);
})->with([
    '200 criteria' => [implode("\n", array_map(fn (int $i): string => "Criterion $i\tyes", range(1, 200))), 'at most 50 criteria, found 200'],
    '30 levels' => ["Process\t".implode("\t", range(1, 30)), 'at most 20 levels'],
    'nothing' => ['', 'cells of a table'],
]);
