<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\EditMerge;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;

/** "abc|d" as sections of entries; each asks a question of its own. */
function editedAs(string $entries, ?Closure $change = null): Assessment
{
    $json = Assessment::fresh('0192f0c4-0000-7000-8000-0000000000a1', 'Edited');
    $json->sections = array_map(
        fn (int $i, string $ids): stdClass => (object) [
            'id' => 's'.($i + 1),
            'entries' => array_map(
                fn (string $id): stdClass => (object) ['id' => $id, 'question' => sprintf('0192f0c4-0000-7000-8000-%012d', ord($id))],
                $ids === '' ? [] : mb_str_split($ids),
            ),
        ],
        array_keys(explode('|', $entries)),
        explode('|', $entries),
    );
    $json = Json::decode(Json::encode($json));
    $change !== null && $change($json);

    return Assessment::read($json, StandardKinds::all());
}

function mergedEdits(Assessment $base, Assessment $mine, Assessment $theirs): EditMerge
{
    return new EditMerge($base, $mine, $theirs, [], StandardKinds::all());
}

function read(stdClass $json): string
{
    return implode('|', array_map(fn (stdClass $one): string => implode('', array_column($one->entries, 'id')), $json->sections));
}

it('takes what both did to different things', function (string $base, string $mine, string $theirs, string $merged): void {
    $merge = mergedEdits(editedAs($base), editedAs($mine), editedAs($theirs));
    expect($merge->conflicts())->toBe([])->and(read($merge->merged([])))->toBe($merged);
})->with([
    'nothing' => ['abc', 'abc', 'abc', 'abc'],
    'both add' => ['ab', 'axb', 'aby', 'axby'],
    'both add at the end' => ['ab', 'abx', 'aby', 'abxy'],
    'one adds, the other takes out' => ['abc', 'abxc', 'ac', 'axc'],
    'one moves, the other adds' => ['abcd', 'dabc', 'abcdx', 'dxabc'],
    'one moves to another section' => ['abc|d', 'ab|cd', 'abc|de', 'ab|cde'],
    'both take the same out' => ['abc', 'ab', 'ab', 'ab'],
    'one adds a section' => ['ab', 'ab|x', 'aby', 'aby|x'],
    'one takes a section away, the other puts something into it' => ['ab|c', 'abc', 'ab|cx', 'abc|x'],
]);

it('merges one entry field by field, and leaves to people what both changed otherwise', function (): void {
    $first = fn (stdClass $json): stdClass => $json->sections[0]->entries[0];
    $base = editedAs('ab');
    $points = fn (int $points): Closure => fn (stdClass $json) => ($first($json)->points = $points);
    $place = fn (stdClass $json) => ($first($json)->place = 'last');

    $together = mergedEdits($base, editedAs('ab', $points(3)), editedAs('ab', $place));
    expect($together->conflicts())->toBe([])->and((array) $first($together->merged([])))->toMatchArray(['points' => 3, 'place' => 'last']);

    $apart = mergedEdits($base, editedAs('ab', $points(3)), editedAs('ab', $points(5)));
    expect($apart->conflicts())->toBe([
        [
            'key' => 'entry a',
            'mine' => ['A question that is gone: the points of the question → 3.'],
            'theirs' => ['A question that is gone: the points of the question → 5.'],
        ],
    ]);
    expect($first($apart->merged([]))->points)
        ->toBe(5)
        ->and($first($apart->merged(['entry a' => 'mine']))->points)
        ->toBe(3);
});

it('asks whether something goes that the other one changed', function (): void {
    $merge = mergedEdits(
        editedAs('ab'),
        editedAs('b'),
        editedAs('ab', fn (stdClass $json) => ($json->sections[0]->entries[0]->points = 5)),
    );
    expect(array_column($merge->conflicts(), 'key'))
        ->toBe(['entry a'])
        ->and(read($merge->merged(['entry a' => 'mine'])))
        ->toBe('b')
        ->and(read($merge->merged(['entry a' => 'theirs'])))
        ->toBe('ab');
});

it('merges the whole field by field', function (): void {
    $merge = mergedEdits(
        editedAs('a'),
        editedAs('a', fn (stdClass $json) => ($json->title = 'Mine')),
        editedAs('a', fn (stdClass $json) => ($json->time_limit = 600)),
    );
    $merged = $merge->merged([]);
    expect([$merged->title, $merged->time_limit])->toBe(['Mine', 600]);
});

it('says what became of one thing without looking at all the others', function (): void {
    $worth = fn (int $points): Assessment => editedAs('a', function (stdClass $json) use ($points): void {
        $json->sections[0]->entries = array_map(
            fn (int $i): stdClass => (object) [
                'id' => "e$i", 'question' => sprintf('0192f0c4-0000-7000-8000-%012d', $i), 'points' => $points,
            ],
            range(1, 300),
        );
    });
    $merge = new EditMerge($worth(1), $worth(2), $worth(3), [], StandardKinds::all());
    $conflicts = $merge->conflicts();
    expect($conflicts)
        ->toHaveCount(300)
        ->and($conflicts[299]['mine'])
        ->toHaveCount(1)
        ->and($conflicts[299]['mine'][0])
        ->toEndWith('points 1 → 2.');
});
