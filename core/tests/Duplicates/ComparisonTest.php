<?php

declare(strict_types=1);

use WideQuarry\CommandLine\SaidDifference;
use WideQuarry\Duplicates\Comparison;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Tests\Support\Typed;

/** @return list<stdClass> read from a typed text, called a, b, c … where they come from */
function calledQuestions(string $text): array
{
    $questions = Typed::read($text)->questions;
    foreach ($questions as $i => $question) {
        $question->record->origin->identifier = chr(97 + $i);
    }

    return $questions;
}

/** @return array{same: list<string>, differing: list<string>, onlyA: list<string>, onlyB: list<string>} */
function compared(array $a, array $b): array
{
    $json = fn (array $set): array => array_map(json_encode(...), $set);
    $compared = new Comparison($json($a), $json($b), StandardKinds::all());
    [$inA, $inB] = [$compared->identifierInA(...), $compared->identifierInB(...)];

    return [
        'same' => array_map(fn (array $one): string => $inA($one[0]).'='.$inB($one[1]), $compared->same),
        'differing' => array_map(
            fn (array $one): string => $inA($one[0]).'≠'.$inB($one[1])." $one[2]: "
                .implode('; ', array_map(SaidDifference::of(...), $one[3])),
            $compared->differing,
        ),
        'onlyA' => array_map($inA, $compared->onlyA),
        'onlyB' => array_map($inB, $compared->onlyB),
    ];
}

const SPLITS = "1. Which rock of this quarry splits into thin flat sheets?\nA. slate\nB. chalk\nAnswer: A\n\n";
const FIZZES = "2. Which rock fizzes when acid is dropped on it?\nA. slate\nB. chalk\nAnswer: B\n\n";

it('pairs questions by identifier, content, words and nearly the same words', function (callable $change, array $expected): void {
    $a = calledQuestions(SPLITS.FIZZES);
    $b = calledQuestions(SPLITS.FIZZES);
    $change($b);

    expect(array_filter(compared($a, array_values($b))))->toBe($expected);
})->with([
    'nothing changed' => [function (array &$b): void {
    }, ['same' => ['a=a', 'b=b']]],
    'same content under other identifiers, in another order' => [
        function (array &$b): void {
            $b[0]->record->origin->identifier = 'x';
            $b[1]->record->origin->identifier = 'y';
            $b = array_reverse($b);
        },
        ['same' => ['a=x', 'b=y']],
    ],
    'the same identifier goes before the same content' => [
        function (array &$b): void {
            $b[0]->title = 'Sheets';
            $b[] = calledQuestions(SPLITS)[0];
            $b[2]->record->origin->identifier = 'z';
        },
        [
            'same' => ['b=b'],
            'differing' => ['a≠a identifier: title: nothing → Sheets'],
            'onlyB' => ['z'],
        ],
    ],
    'the same words with other points' => [
        function (array &$b): void {
            $b[0]->record->origin->identifier = 'x';
            $b[0]->parts[0]->points = 3;
        },
        ['same' => ['b=b'], 'differing' => ['a≠x content: parts 1, points: 1 → 3']],
    ],
    'nearly the same words' => [
        function (array &$b): void {
            $b[1]->record->origin->identifier = 'x';
            $b[1]->body = str_replace('dropped', 'put', $b[1]->body);
        },
        [
            'same' => ['a=a'],
            'differing' => [
                'b≠x near: body: Which rock fizzes when acid is dropped on it? → Which rock fizzes when acid is put on it?',
            ],
        ],
    ],
    'one only here, one only there' => [
        function (array &$b): void {
            $b = [$b[0], calledQuestions("1. Name the rock that floats on water.\nAnswer: pumice\n")[0]];
            $b[1]->record->origin->identifier = 'x';
        },
        ['same' => ['a=a'], 'onlyA' => ['b'], 'onlyB' => ['x']],
    ],
    'what options are called inside does not count' => [
        function (array &$b): void {
            $part = json_encode($b[0]->parts[0]);
            foreach ($b[0]->parts[0]->settings->options as $i => $option) {
                $part = str_replace('"'.$option->id.'"', '"other-'.$i.'"', $part);
            }
            $b[0]->parts = [json_decode($part)];
        },
        ['same' => ['a=a', 'b=b']],
    ],
]);

it('pairs each question once, also when one set holds it twice', function (): void {
    $twice = [...calledQuestions(SPLITS), ...calledQuestions(SPLITS)];

    expect(compared($twice, calledQuestions(SPLITS)))->toMatchArray(['same' => ['a=a'], 'onlyA' => ['a'], 'onlyB' => []]);
});
