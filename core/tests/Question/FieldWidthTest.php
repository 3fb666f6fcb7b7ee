<?php

declare(strict_types=1);

use WideQuarry\Question\FieldWidth;

it('makes a field a little wider than the longest answer, within bounds', function (array $answers, int $width): void {
    expect(FieldWidth::for(...$answers))->toBe($width);
})->with([
    'nothing yet' => [[], 6],
    'short' => [['a'], 6],
    'the longest counts' => [['slate', 'conglomerate'], 16],
    'signs, not bytes' => [['größer'], 10],
    'very long' => [[str_repeat('x', 90)], 60],
]);
