<?php

declare(strict_types=1);

use WideQuarry\Question\Canonical;
use WideQuarry\Tests\Support\Questions;

it('drops rows that were left empty, and the pairs of them, and keeps what the key needs', function (
    array $settings,
    array $rules,
    array $left,
    int $kept,
): void {
    $kind = isset($settings['left']) ? 'match' : (isset($settings['tiles']) ? 'tiles' : 'choice');
    $part = Canonical::of(
        Questions::of([['id' => 'p1', 'kind' => $kind, 'points' => 1, 'settings' => $settings, 'key' => ['rules' => $rules]]])->toJson(),
    )[0]->parts[0];
    expect(array_map(fn (array $items): array => array_column($items, 'id'), array_filter((array) $part->settings, is_array(...))))
        ->toBe($left)
        ->and($part->key->rules)
        ->toHaveCount($kept);
})->with([
    'options' => [
        ['options' => [['id' => 'a', 'html' => 'x'], ['id' => 'b', 'html' => ''], ['id' => 'c', 'html' => ' ']]],
        [['id' => 'r', 'on' => 'a', 'credit' => '1']],
        ['options' => ['a']],
        1,
    ],
    'an empty option that is the key' => [
        ['options' => [['id' => 'a', 'html' => ''], ['id' => 'b', 'html' => 'x']]],
        [['id' => 'r', 'on' => 'a', 'credit' => '1']],
        ['options' => ['a', 'b']],
        1,
    ],
    'a pair of which both ends are empty' => [
        [
            'left' => [['id' => 'l1', 'html' => 'x'], ['id' => 'l2', 'html' => '']],
            'right' => [['id' => 'r1', 'html' => 'y'], ['id' => 'r2', 'html' => '']],
        ],
        [['id' => 'k1', 'on' => ['l1', 'r1'], 'credit' => '1'], ['id' => 'k2', 'on' => ['l2', 'r2'], 'credit' => '1']],
        ['left' => ['l1'], 'right' => ['r1']],
        1,
    ],
    'a pair with one end missing' => [
        ['left' => [['id' => 'l1', 'html' => 'x']], 'right' => [['id' => 'r1', 'html' => '']]],
        [['id' => 'k1', 'on' => ['l1', 'r1'], 'credit' => '1']],
        ['left' => ['l1'], 'right' => ['r1']],
        1,
    ],
    'a tile' => [
        ['tiles' => [['id' => 't1', 'html' => ''], ['id' => 't2', 'html' => 'x']]],
        [['id' => 'k1', 'on' => ['g1', 't2'], 'credit' => '1']],
        ['tiles' => ['t2']],
        1,
    ],
]);
