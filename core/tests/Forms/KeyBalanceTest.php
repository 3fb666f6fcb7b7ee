<?php

declare(strict_types=1);

use WideQuarry\Forms\KeyBalance;
use WideQuarry\Random\Seed;

/**
 * What an assignment costs: questions beyond the limit of a run, unevenness, places that earlier forms had.
 *
 * @param  list<array{places: non-empty-list<int>, used: array<int, int>}>  $questions
 * @param  list<int>  $places
 * @return array{int, int, int}
 */
function keyCost(array $questions, array $places, int $longest): array
{
    $tooLong = $run = $repeats = 0;
    foreach ($places as $i => $place) {
        expect($questions[$i]['places'])->toContain($place);
        $run = $i > 0 && $places[$i - 1] === $place ? $run + 1 : 1;
        $tooLong += $run > $longest ? 1 : 0;
        $repeats += $questions[$i]['used'][$place] ?? 0;
    }

    return [$tooLong, array_sum(array_map(fn (int $n): int => $n * $n, array_count_values($places))), $repeats];
}

/**
 * Every way to give places.
 *
 * @param  list<array{places: non-empty-list<int>, used: array<int, int>}>  $questions
 * @return list<list<int>>
 */
function keyWays(array $questions): array
{
    $ways = [[]];
    foreach ($questions as $question) {
        $ways = array_merge(...array_map(
            fn (array $way): array => array_map(fn (int $place): array => [...$way, $place], $question['places']),
            $ways,
        ));
    }

    return $ways;
}

/** @return list<array{places: non-empty-list<int>, used: array<int, int>}> */
function keyProblem(int $seed, int $most): array
{
    mt_srand($seed);
    $questions = [];
    for ($i = 0, $n = mt_rand(1, $most); $i < $n; $i++) {
        $places = range(0, mt_rand(1, 3));
        $used = [];
        foreach ($places as $place) {
            $used[$place] = mt_rand(0, 2);
        }
        $questions[] = ['places' => mt_rand(0, 3) === 0 ? [$places[mt_rand(0, count($places) - 1)]] : $places, 'used' => $used];
    }

    return $questions;
}

it('gives keys the best places there are, by every way there is', function (): void {
    for ($seed = 0; $seed < 150; $seed++) {
        $questions = keyProblem($seed, 6);
        $longest = mt_rand(1, 3);
        $least = min(array_map(fn (array $way): array => keyCost($questions, $way, $longest), keyWays($questions)));
        $places = (new KeyBalance($questions, $longest, Seed::of($seed)->stream('test', '')))->places();
        expect(keyCost($questions, $places, $longest))->toBe($least, "problem $seed");
    }
});

it('shares places as evenly, with as few repeats, where there are too many states to look at', function (): void {
    for ($seed = 0; $seed < 150; $seed++) {
        $questions = keyProblem($seed, 6);
        $least = min(array_map(fn (array $way): array => keyCost($questions, $way, 100), keyWays($questions)));
        $places = (new KeyBalance($questions, 100, Seed::of($seed)->stream('test', ''), [], 0))->places();
        expect(keyCost($questions, $places, 100))->toBe($least, "problem $seed");
    }
});

it('breaks long runs by exchanges', function (int $longest): void {
    $questions = array_fill(0, 80, ['places' => [0, 1, 2, 3], 'used' => []]);
    for ($seed = 0; $seed < 20; $seed++) {
        $places = (new KeyBalance($questions, $longest, Seed::of($seed)->stream('test', '')))->places();
        expect(keyCost($questions, $places, $longest))->toBe([0, 4 * 20 ** 2, 0]);
    }
})->with([1, 2, 4]);

it('leaves later forms what they need', function (): void {
    // five questions of four options: each form has one letter twice, and no question may have a letter twice
    for ($seed = 0; $seed < 30; $seed++) {
        $used = array_fill(0, 5, []);
        $before = array_fill(0, 4, 0);
        for ($form = 0; $form < 4; $form++) {
            $questions = array_map(fn (array $one): array => ['places' => [0, 1, 2, 3], 'used' => $one], $used);
            $places = (new KeyBalance($questions, 4, Seed::of($seed)->stream("form $form", ''), $before))->places();
            expect(keyCost($questions, $places, 4))->toBe([0, 7, 0], "seed $seed, form $form");
            foreach ($places as $i => $place) {
                $used[$i][$place] = 1;
                $before[$place]++;
            }
        }
    }
});

it('gives nothing to nothing', function (): void {
    expect((new KeyBalance([], 4, Seed::of(1)->stream('test', '')))->places())->toBe([]);
});

it('balances as many questions of two options as a test may have', function (int $count): void {
    $questions = array_fill(0, $count, ['places' => [0, 1], 'used' => []]);
    $places = (new KeyBalance($questions, 4, Seed::of(1)->stream('test', '')))->places();
    expect(keyCost($questions, $places, 4))->toBe([0, intdiv($count, 2) ** 2 + ($count - intdiv($count, 2)) ** 2, 0]);
})->with([63, 64, 100, 301]);
