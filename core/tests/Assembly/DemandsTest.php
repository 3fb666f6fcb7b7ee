<?php

declare(strict_types=1);

use WideQuarry\Assembly\Demands;
use WideQuarry\Numbers\Exact;

function demands(array $change = []): Demands
{
    $all = [
        'kinds' => ['choice'],
        'topics' => [['Rocks', 'Slate']],
        'standards' => ['s1'],
        'difficulty' => 2,
        'points' => '2',
        'minutes' => '3',
        ...$change,
    ];

    return new Demands(
        $all['kinds'],
        $all['topics'],
        $all['standards'],
        $all['difficulty'],
        Exact::of($all['points']),
        $all['minutes'] === null ? null : Exact::of($all['minutes']),
    );
}

it('says which demands another question does not meet', function (array $change, array $unmet): void {
    expect(demands()->unmetBy(demands($change)))->toBe($unmet);
})->with([
    'the same' => [[], []],
    'more topics, one of them the same' => [['topics' => [['Maps'], ['Rocks', 'Slate']]], []],
    'a neighbour in the tree' => [['topics' => [['Rocks', 'Chalk']]], ['topic']],
    'parts of the same kind' => [['kinds' => ['choice', 'choice']], []],
    'everything' => [
        ['kinds' => ['text'], 'topics' => [], 'standards' => [], 'difficulty' => null, 'points' => '1', 'minutes' => null],
        ['kind', 'topic', 'standard', 'difficulty', 'points', 'minutes'],
    ],
]);

it('asks nothing of what is not known', function (): void {
    $bare = demands(['topics' => [], 'standards' => [], 'difficulty' => null, 'minutes' => null]);

    expect($bare->unmetBy(demands()))->toBe([])->and($bare->distance(demands()))->toBe(0);
});

it('puts the nearer first', function (array $nearer, array $further): void {
    expect(demands()->distance(demands($nearer)))->toBeLessThan(demands()->distance(demands($further)));
})->with([
    'the same, before other points' => [[], ['points' => '3']],
    'other points, before another topic' => [['points' => '3'], ['topics' => [['Maps', 'Scale']]]],
    'a neighbour in the tree, before another branch' => [['topics' => [['Rocks', 'Chalk']]], ['topics' => [['Maps', 'Scale']]]],
    'one step of difficulty, before two' => [['difficulty' => 3], ['difficulty' => 4]],
    'another difficulty, before another kind' => [['difficulty' => 5], ['kinds' => ['text']]],
    'half the points, before a tenth' => [['points' => '1'], ['points' => '0.2']],
]);
