<?php

declare(strict_types=1);

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Scheme;
use WideQuarry\Tests\Support\Questions;

// Worked by hand from the formulas in docs/developers/scoring.md. n right ones, w others, r right picked, x others picked.
it('counts as the formula says', function (Scheme $scheme, int $n, int $w, int $r, int $x, string $cost, string $credit): void {
    expect(Exact::text($scheme->ofCounts($n, $w, $r, $x, BigRational::of($cost))))->toBe($credit);
})->with([
    'all: everything right' => [Scheme::All, 3, 2, 3, 0, '1', '1'],
    'all: one missing' => [Scheme::All, 3, 2, 2, 0, '1', '0'],
    'all: one too many' => [Scheme::All, 3, 2, 3, 1, '1', '0'],
    'each: two of three' => [Scheme::Each, 3, 2, 2, 0, '1', '2/3'],
    'each: as many as right ones, one wrong' => [Scheme::Each, 3, 2, 2, 1, '1', '2/3'],
    'each: one too many costs a third' => [Scheme::Each, 3, 2, 3, 1, '1', '2/3'],
    'each: half a cost' => [Scheme::Each, 3, 2, 3, 1, '1/2', '5/6'],
    'each: free of cost' => [Scheme::Each, 3, 2, 3, 2, '0', '1'],
    'each: never below nothing' => [Scheme::Each, 1, 5, 0, 5, '1', '0'],
    'balance: two of three' => [Scheme::Balance, 3, 2, 2, 0, '1', '2/3'],
    'balance: all picked is worth nothing' => [Scheme::Balance, 3, 2, 3, 2, '1', '0'],
    'balance: one wrong of two' => [Scheme::Balance, 3, 2, 3, 1, '1', '1/2'],
    'balance: no others to pick' => [Scheme::Balance, 2, 0, 1, 0, '1', '1/2'],
    'balance: never below nothing' => [Scheme::Balance, 3, 1, 0, 1, '1', '0'],
    'judge: nothing picked' => [Scheme::Judge, 3, 1, 0, 0, '1', '1/4'],
    'judge: three of four judged right' => [Scheme::Judge, 3, 1, 2, 0, '1', '3/4'],
    'judge: all wrong' => [Scheme::Judge, 3, 1, 0, 1, '1', '0'],
    'judge: all right' => [Scheme::Judge, 3, 1, 3, 0, '1', '1'],
]);

it('adds the credits of what was picked under weights', function (array $chosen, array $scoring, string $default, string $credit): void {
    $part = Questions::choice(['a' => '1/2', 'b' => '1/2', 'c' => '-1/4', 'd' => ''], ['scheme' => 'weights', ...$scoring], 2);
    $part['key']['default'] = $default;

    expect((string) Questions::score(Questions::of([$part]), ['p1' => $chosen])->parts[0]->credit)->toBe($credit);
})->with([
    'both' => [['a', 'b'], [], '0', '1'],
    'one and a fault' => [['a', 'c'], [], '0', '1/4'],
    'unlisted things earn the default, each' => [['a', 'd'], [], '-1/8', '3/8'],
    'clamped below' => [['c'], [], '0', '0'],
    'a lower bound of its own' => [['c'], ['low' => '-1'], '0', '-1/4'],
    'clamped above' => [['a', 'b'], ['high' => '3/4'], '0', '3/4'],
    'the same thing twice counts once' => [['a', 'a'], [], '0', '1/2'],
    'blank never earns the default' => [[], [], '1', '0'],
]);

it('refuses responses that cannot be meant', function (array $chosen, string $reason): void {
    $part = Questions::choice(['a' => '1', 'b' => '', 'c' => ''], [], 1, 'p1', 2);
    $part['settings']['min'] = 2;
    $result = Questions::score(Questions::of([$part]), ['p1' => $chosen]);

    expect($result->parts[0]->state)
        ->toBe('unreadable')
        ->and($result->parts[0]->trace[0]['reason'])
        ->toBe($reason)
        ->and($result->counts)
        ->toBeFalse();
})->with([
    'an option that is gone' => [['z'], 'choice.unknown_option'],
    'too many' => [['a', 'b', 'c'], 'choice.too_many'],
    'too few' => [['a'], 'choice.too_few'],
]);
