<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\ReadyCheck;
use WideQuarry\Assembly\ReadyQuestion;
use WideQuarry\Finding;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\StandardKinds;

it('says what keeps an assessment from being ready, and what should be looked at', function (
    array $sections,
    array $blocking,
    array $warnings,
): void {
    $json = Assessment::fresh('0192f0c4-0000-7000-8000-0000000000aa', 'Unit 3');
    $json->sections = $sections;
    $id = fn (int $n): string => "0192f0c4-0000-7000-8000-00000000000$n";
    $there = [
        $id(1) => new ReadyQuestion('Slate', Exact::of('2'), true, 0),
        $id(5) => new ReadyQuestion('Map, first', Exact::of('2'), true, 0, true, ['map']),
        $id(6) => new ReadyQuestion('Map, second', Exact::of('2'), true, 0, true, ['map']),
        $id(2) => new ReadyQuestion('Chalk', Exact::of('2'), false, 0),
        $id(4) => new ReadyQuestion('Read this first', Exact::zero(), true, 0, false),
        $id(3) => new ReadyQuestion('Lava', Exact::zero(), true, 2),
    ];
    $read = Assessment::read(Json::decode(Json::encode($json)), StandardKinds::all());
    $findings = ReadyCheck::of($read, $there, [[$id(1), $id(6)], [$id(1), $id(9)]]);
    $said = fn (bool $isBlocking): array => array_values(array_map(
        fn (Finding $finding): string => "$finding->path $finding->message",
        array_filter($findings, fn (Finding $finding): bool => $finding->isBlocking() === $isBlocking),
    ));
    expect($said(true))->toBe($blocking)->and($said(false))->toBe($warnings);
})->with(function (): Generator {
    $id = fn (int $n): string => "0192f0c4-0000-7000-8000-00000000000$n";
    $pick = fn (int $n, array $more = []): stdClass => (object) ['id' => "e$n", 'question' => $id($n), ...$more];
    $section = fn (string $id, array $entries): stdClass => (object) ['id' => $id, 'entries' => $entries];
    $draw = fn (int $count, int ...$pool): stdClass => (object) ['id' => 'd1', 'draw' => $count, 'pool' => array_map($id, $pool)];
    yield 'all well' => [[$section('s1', [$pick(1)])], [], []];
    yield 'a page of text, which has no points' => [[$section('s1', [$pick(4), $pick(1)])], [], []];
    yield 'a stimulus shown once for two' => [[$section('s1', [$pick(5), $pick(6)])], [], []];
    yield 'a stimulus shown again, and what is nearly the same' => [
        [$section('s1', [$pick(5), $pick(1)]), $section('s2', [$pick(6)])],
        [],
        [
            '/e6 “Map, second” shows a stimulus that was shown before other questions: learners read it twice.',
            '/e6 “Slate” and “Map, second” are nearly the same: one may give the other away.',
        ],
    ];
    yield 'the same question in two sections' => [
        [$section('s1', [$pick(1)]), $section('s2', [(object) ['id' => 'e7', 'question' => $id(1)]])],
        [],
        ['/e7 “Slate” is asked twice.'],
    ];
    yield 'nothing in it' => [[$section('s1', [])], [' It asks nothing yet.'], []];
    yield 'an empty section' => [[$section('s1', [$pick(1)]), $section('s2', [])], [], ['/s2 Nothing is in section 2.']];
    yield 'a question that is gone' => [[$section('s1', [$pick(9)])], ['/e9 It asks a question that is gone.'], []];
    yield 'one that is not complete' => [[$section('s1', [$pick(2)])], ['/e2 “Chalk” is not complete.'], []];
    yield 'specimens that fail, and no points' => [
        [$section('s1', [$pick(3)])], [], ['/e3 “Lava”: 2 specimens fail.', '/e3 “Lava” is worth no points.'],
    ];
    yield 'points given here' => [[$section('s1', [$pick(3, ['points' => 1])])], [], ['/e3 “Lava”: 2 specimens fail.']];
    yield 'a draw of more than there are' => [
        [$section('s1', [$draw(3, 1, 9)])],
        ['/d1 The pool has one question, fewer than the 3 to be drawn.'],
        ['/d1 One question of the pool is no longer available.'],
    ];
    yield 'a draw with one that is not complete' => [[$section('s1', [$draw(1, 1, 2)])], ['/d1 “Chalk” is not complete.'], []];
});
