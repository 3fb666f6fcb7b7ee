<?php

declare(strict_types=1);

use WideQuarry\Documents\WordDiff;
use WideQuarry\Json\Json;
use WideQuarry\Question\Differences;
use WideQuarry\Tests\Support\Questions;

it('says word by word what changed', function (string $old, string $new, array $runs): void {
    expect(WordDiff::of($old, $new))->toBe($runs);
})->with([
    'one word' => [
        'Granite cools fast.',
        'Granite cools slowly.',
        [['same', 'Granite cools '], ['old', 'fast'], ['new', 'slowly'], ['same', '.']],
    ],
    'added' => ['Slate.', 'Slate splits.', [['same', 'Slate'], ['new', ' splits'], ['same', '.']]],
    'taken away' => ['a b c', 'a c', [['same', 'a '], ['old', 'b '], ['same', 'c']]],
    'two words beside each other' => ['a b c d', 'a x y d', [['same', 'a '], ['old', 'b c'], ['new', 'x y'], ['same', ' d']]],
    'a number is one word' => ['1/2', '1/3', [['old', '1/2'], ['new', '1/3']]],
    'nothing before' => ['', 'new', [['new', 'new']]],
    'the same' => ['x', 'x', [['same', 'x']]],
]);

it('puts old and new together again from what it says', function (): void {
    mt_srand(3);
    $words = ['slate', 'shale', 'mud', 'is', 'a', 'rock', '.', ','];
    for ($i = 0; $i < 200; $i++) {
        [$old, $new] = array_map(fn (): string => implode(' ', array_map(fn () => $words[array_rand($words)], range(1, mt_rand(1, 12)))), [
            1,
            2,
        ]);
        $runs = WordDiff::of($old, $new);
        $only = fn (string $without): string => implode(
            '',
            array_column(array_filter($runs, fn (array $run): bool => $run[0] !== $without), 1),
        );
        expect($only('new'))->toBe($old)->and($only('old'))->toBe($new);
    }
});

it('names what differs by part, option and rule, wherever they stand in their lists', function (): void {
    $before = Questions::of([Questions::choice(['a' => '1', 'b' => '', 'c' => ''], [], 2)])->content();
    $after = Json::copy($before);
    $after->parts[0]->points = 3;
    $after->parts[0]->settings->options = [
        $after->parts[0]->settings->options[2],
        (object) ['id' => 'a', 'html' => '<p>a rock</p>'],
        (object) ['id' => 'd', 'html' => '<p>new</p>'],
    ];
    $after->parts[0]->key->rules[0]->credit = '1/2';
    $said = array_map(
        fn (array $one): string => implode(
            ' ',
            array_map(
                fn (array $step): string => $step['name'].(isset($step['number']) ? " $step[number] ($step[words])" : ''),
                $one['path'],
            ),
        ).
            ': '.
            implode('', array_map(fn (array $run): string => ['same' => '', 'old' => '-', 'new' => '+'][$run[0]].$run[1], $one['runs'])),
        Differences::between($before, $after),
    );
    expect($said)
        ->toContain(
            'parts 1 () points: -2+3',
            'parts 1 () settings options 2 (a rock) html: a+ rock',
            'parts 1 () settings options 3 (new) html: +new',
            'parts 1 () settings options 2 (b) html: -b',
            'parts 1 () key rules 1 (a rock) credit: -1+1/2',
        )
        ->and($said)
        ->toHaveCount(5)
        ->and(Differences::between($before, $before))
        ->toBe([]);
});
