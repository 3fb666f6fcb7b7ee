<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Draw;
use WideQuarry\Assembly\DrawCheck;
use WideQuarry\Assembly\Drawing;
use WideQuarry\Assembly\DrawSource;
use WideQuarry\Finding;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Random\Seed;

const BANK = '0192f0c4-0000-7000-8000-0000000000b1';

function questionNamed(string|int $name): string
{
    return sprintf('0192f0c4-0000-7000-8000-%012s', $name);
}

/** @param  list<string|int>  $names */
function named(array $names): array
{
    return array_map(questionNamed(...), $names);
}

function drawOf(array $json): Draw
{
    return Draw::read(Json::decode(Json::encode(['id' => 'd', ...$json])), '');
}

/** By trying everything: the most that can be drawn. */
function mostByTrying(array $pools, array $counts, array $taken = []): int
{
    $best = 0;
    foreach ($counts as $pool => $count) {
        if ($count === 0) {
            continue;
        }
        foreach (array_diff($pools[$pool], $taken) as $question) {
            $rest = $counts;
            $rest[$pool]--;
            $best = max($best, 1 + mostByTrying($pools, $rest, [...$taken, $question]));
        }
        break; // whether its next slot is filled or not is all that remains to be tried of this pool
    }
    if (($pool ?? null) !== null && ($counts[$pool] ?? 0) > 0) {
        $counts[$pool] = 0;
        $best = max($best, mostByTrying($pools, $counts, $taken));
    }

    return $best;
}

it('draws as many as can be drawn from pools that share questions', function (): void {
    mt_srand(26);
    for ($i = 0; $i < 300; $i++) {
        $pools = $counts = [];
        for ($p = 0; $p < mt_rand(1, 3); $p++) {
            $pools[] = array_values(array_filter(['a', 'b', 'c', 'd', 'e'], fn (): bool => mt_rand(0, 2) > 0));
            $counts[] = mt_rand(1, 2);
        }
        $drawn = Drawing::of($pools, $counts);
        expect(count($drawn))->toBe(mostByTrying($pools, $counts), Json::encode([$pools, $counts]));
        foreach ($drawn as $question => $pool) {
            expect($pools[$pool])->toContain($question);
        }
        foreach (array_count_values($drawn) as $pool => $count) {
            expect($count)->toBeLessThanOrEqual($counts[$pool]);
        }
    }
});

it('draws so many of each source', function (): void {
    $draw = drawOf([
        'draw' => 3,
        'from' => [['draw' => 2, 'pool' => named([1, 2, 3, 4])], ['draw' => 1, 'pool' => named([5, 6, 7])]],
    ]);
    for ($seed = 0; $seed < 40; $seed++) {
        $drawn = $draw->drawn(Seed::of($seed));
        expect([count(array_intersect($drawn, named([1, 2, 3, 4]))), count(array_intersect($drawn, named([5, 6, 7])))])->toBe([2, 1]);
    }
});

it('finds with its conditions what it is told they find, and is written without it', function (): void {
    $json = Assessment::fresh(questionNamed('a1'), 'Draws');
    $conditions = ['kind' => ['choice'], 'not-tag' => ['old']];
    $json->sections[0]->entries = [
        (object) ['id' => 'd', 'draw' => 2, 'from' => [(object) ['draw' => 2, 'conditions' => $conditions, 'banks' => [BANK]]]],
    ];
    $read = Assessment::read(Json::decode(Json::encode($json)), StandardKinds::all());
    $grown = $read->grown(['d' => [0 => named([1, 2, 3])]]);

    expect($read->growing()[0]['source']->conditions)
        ->toBe($conditions)
        ->and($read->questions())
        ->toBe([])
        ->and($grown->questions())
        ->toBe(named([1, 2, 3]))
        ->and($grown->namedQuestions())
        ->toBe([])
        ->and($grown->length())
        ->toBe(2)
        ->and($grown->toJson())
        ->toEqual($read->toJson());
    $settled = Assessment::read($grown->settled(), StandardKinds::all());
    expect($settled->growing())
        ->toBe([])
        ->and($settled->questions())
        ->toBe(named([1, 2, 3]))
        ->and($settled->draws()[0]->sources[0]->conditions)
        ->toBe($conditions);
});

it('keeps apart what is asked elsewhere: every pick, and the pools of draws before it', function (): void {
    $json = Assessment::fresh(questionNamed('a1'), 'Apart');
    $json->sections[0]->entries = [
        (object) ['id' => 'd1', 'draw' => 1, 'pool' => named([1, 2, 3]), 'apart' => true],
        (object) ['id' => 'd2', 'draw' => 1, 'pool' => named([2, 3, 4, 5]), 'apart' => true],
        (object) ['id' => 'e', 'question' => questionNamed(3)],
    ];
    $draws = Assessment::read(Json::decode(Json::encode($json)), StandardKinds::all())->draws();
    expect([$draws[0]->pool, $draws[1]->pool])->toBe([named([1, 2]), named([4, 5])]);
});

it('refuses a draw that is none', function (array $json, string $path): void {
    expect(fn () => drawOf($json))->toThrow(fn (Malformed $problem) => expect($problem->path)->toBe($path));
})->with([
    'a pool beside its sources' => [['draw' => 1, 'pool' => [], 'from' => [['draw' => 1, 'pool' => []]]], '/pool'],
    'conditions without banks' => [['draw' => 1, 'from' => [['draw' => 1, 'conditions' => ['kind' => ['choice']]]]], '/from/0'],
    'a source without anything' => [['draw' => 1, 'from' => [['draw' => 1]]], '/from/0'],
    'a condition that is no list' => [
        ['draw' => 1, 'from' => [['draw' => 1, 'conditions' => ['kind' => 'choice'], 'banks' => [BANK]]]],
        '/from/0/conditions/kind',
    ],
]);

it('says when conditions find more than a pool takes', function (): void {
    $json = Assessment::fresh(questionNamed('a1'), 'Large');
    $from = [(object) ['draw' => 2, 'conditions' => (object) ['kind' => ['choice']], 'banks' => [BANK]]];
    $json->sections[0]->entries = [(object) ['id' => 'd', 'draw' => 2, 'from' => $from]];
    $pool = named(range(1, DrawSource::POOL));
    $read = Assessment::read(Json::decode(Json::encode($json)), StandardKinds::all())->grown(['d' => [0 => $pool]]);
    $found = DrawCheck::of($read->draws()[0], $read, array_fill_keys($pool, Exact::of('1')));

    expect(array_map(fn (Finding $finding): string => $finding->message, $found))->toBe([
        'More than 20,000 questions meet the conditions; it draws from the first 20,000.',
    ]);
});
