<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Draw;
use WideQuarry\Assembly\DrawCheck;
use WideQuarry\Assembly\Pick;
use WideQuarry\Assembly\Totals;
use WideQuarry\Finding;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Random\Seed;
use WideQuarry\Tests\Support\Questions;

const FIRST = '0192f0c4-0000-7000-8000-00000000000a';
const SECOND = '0192f0c4-0000-7000-8000-00000000000b';
const MAP = '0192f0c4-0000-7000-8000-00000000000c';

function pick(array $more = []): Pick
{
    return Pick::read((object) ['id' => 'e1', 'question' => FIRST, ...$more], '', StandardKinds::all());
}

function draw(int $count, array $pool, array $more = []): Draw
{
    return Draw::read((object) ['id' => 'd', 'draw' => $count, 'pool' => $pool, ...$more], '');
}

function sections(array ...$entries): Assessment
{
    $json = Assessment::fresh('0192f0c4-0000-7000-8000-000000000001', 'Unit test');
    foreach ($entries as $i => $some) {
        $json->sections[$i] = (object) ['id' => "s$i", 'entries' => array_map(fn (array $entry): stdClass => (object) $entry, $some)];
    }

    return Assessment::read($json, StandardKinds::all());
}

it('keeps a revision and its stimuli only while it is pinned', function (array $entry, ?int $revision, array $stimuli): void {
    $read = pick(['revision' => 4, 'stimuli' => (object) [MAP => 2], ...$entry]);

    expect($read->revision)->toBe($revision)->and($read->stimuli)->toBe($stimuli);
})->with([
    'pinned' => [['follow' => 'pinned'], 4, [MAP => 2]],
    'the newest' => [['follow' => 'latest'], null, []],
    'the newest approved' => [['follow' => 'approved'], null, []],
    'nothing said' => [[], null, []],
]);

it('is worth its own points, else those of its variation, else those of the question, else none', function (): void {
    $variation = (object) ['variation' => Questions::of([['points' => 3] + Questions::choice(['a' => '1', 'b' => ''])])->toJson()];
    $ofQuestion = Exact::of('5');

    expect((string) pick(['points' => 2.5, ...(array) $variation])->points($ofQuestion))
        ->toBe('5/2')
        ->and((string) pick((array) $variation)->points($ofQuestion))
        ->toBe('3')
        ->and((string) pick()->points($ofQuestion))
        ->toBe('5')
        ->and((string) pick()->points(null))
        ->toBe('0');
});

it('asks every question once, in order, and counts no more than a pool has', function (): void {
    $read = sections(
        [['id' => 'e1', 'question' => FIRST], ['id' => 'd', 'draw' => 5, 'pool' => [SECOND, FIRST, SECOND]]],
        [['id' => 'e2', 'question' => MAP]],
    );

    expect($read->questions())
        ->toBe([FIRST, MAP, SECOND])
        ->and($read->length())
        ->toBe(4)
        ->and(array_map(fn (Pick $pick): string => $pick->id, $read->picks()))
        ->toBe(['e1', 'e2'])
        ->and($read->namedQuestions())
        ->toBe([
            '/sections/0/entries/0/question' => FIRST,
            '/sections/0/entries/1/pool/0' => SECOND,
            '/sections/0/entries/1/pool/1' => FIRST,
            '/sections/1/entries/0/question' => MAP,
        ]);
});

it('asks what is drawn with the points of the draw, under ids of its own', function (): void {
    $read = sections([['id' => 'd', 'draw' => 1, 'pool' => [FIRST], 'points' => 2], ['id' => 'e', 'question' => MAP]]);
    $drawn = $read->drawn(Seed::of(1), StandardKinds::all());

    expect($drawn->toJson()->sections[0]->entries)->toEqual([
        (object) ['id' => 'd 1', 'question' => FIRST, 'points' => 2],
        (object) ['id' => 'e', 'question' => MAP],
    ]);
});

it('says what is wrong with a draw in a sentence', function (array $entries, array $there, array $said): void {
    $read = sections($entries);
    $findings = DrawCheck::of($read->draws()[0], $read, array_map(Exact::of(...), $there));

    expect(array_map(fn (Finding $finding): string => $finding->message, $findings))->toBe($said);
})->with([
    'one of three' => [
        [['id' => 'd', 'draw' => 3, 'pool' => [FIRST, SECOND]]],
        [FIRST => '1'],
        [
            'The pool has one question, fewer than the 3 to be drawn.',
            'One question of the pool is no longer available.',
        ],
    ],
    'none of two' => [
        [['id' => 'd', 'draw' => 2, 'pool' => [FIRST, SECOND]]],
        [MAP => '1'],
        ['The pool has 0 questions, fewer than the 2 to be drawn.', '2 questions of the pool are no longer available.'],
    ],
    'asked in another draw and by itself' => [
        [
            ['id' => 'd', 'draw' => 1, 'pool' => [FIRST, SECOND]],
            ['id' => 'f', 'draw' => 1, 'pool' => [SECOND]],
            ['id' => 'e', 'question' => FIRST],
        ],
        [FIRST => '1', SECOND => '1'],
        ['2 questions of the pool are asked elsewhere in this assessment too, and could come twice.'],
    ],
    'one of them asked elsewhere, twice' => [
        [['id' => 'd', 'draw' => 1, 'pool' => [FIRST, SECOND]], ['id' => 'e', 'question' => FIRST], ['id' => 'f', 'question' => FIRST]],
        [FIRST => '1', SECOND => '1'],
        ['One question of the pool is asked elsewhere in this assessment too, and could come twice.'],
    ],
]);

it('counts a draw of one kind and difficulty under them, with the middle of points and minutes', function (): void {
    $one = fn (string $points, int $difficulty, ?string $minutes, array $topics): array => [
        'points' => Exact::of($points),
        'kinds' => ['choice'],
        'topics' => $topics,
        'difficulty' => $difficulty,
        'minutes' => $minutes === null ? null : Exact::of($minutes),
    ];
    $drawn = Totals::drawn(3, [$one('1', 2, '3', [['Maps'], ['Scale']]), $one('2', 2, null, [['Scale'], ['Rocks']])]);
    $mixed = Totals::drawn(1, [$one('1', 2, '3', []), $one('2', 3, '5', [])]);

    expect($drawn)
        ->toHaveCount(2)
        ->and(array_is_list($drawn))
        ->toBeTrue()
        ->and($drawn[0]['kinds'])
        ->toBe(['choice'])
        ->and($drawn[0]['topics'])
        ->toBe([['Scale']])
        ->and($drawn[0]['difficulty'])
        ->toBe(2)
        ->and((string) $drawn[0]['points'])
        ->toBe('3/2')
        ->and((string) $drawn[0]['minutes'])
        ->toBe('3')
        ->and($mixed[0]['difficulty'])
        ->toBeNull()
        ->and($mixed[0]['minutes']?->isEqualTo(4))
        ->toBeTrue()
        ->and(Totals::drawn(2, []))
        ->toBe([]);
});

it('counts a question once under each topic, and what has none last', function (): void {
    $entry = fn (array $topics, ?int $difficulty): array => [
        'points' => Exact::of('1'),
        'kinds' => ['choice', 'choice', 'text'],
        'topics' => $topics,
        'difficulty' => $difficulty,
        'minutes' => null,
    ];
    $entries = [$entry([], null), $entry([['Rocks', 'Slate'], ['Rocks', 'Slate'], ['maps']], 10), $entry([['Maps 2']], 9)];
    $totals = Totals::of($entries)->jsonSerialize();
    $lines = fn (string $by): array => array_map(fn (array $line): string => "$line[name] $line[questions] $line[points]", $totals[$by]);

    expect($lines('kinds'))
        ->toBe(['choice+text 3 3'])
        ->and($lines('topics'))
        ->toBe(['maps 1 1', 'Maps 2 1 1', 'Rocks › Slate 1 1', ' 1 1'])
        ->and($lines('difficulties'))
        ->toBe(['9 1 1', '10 1 1', ' 1 1'])
        ->and($totals['minutes'])
        ->toBeNull();
});
