<?php

declare(strict_types=1);

use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\PointsChange;

it('gives a question another total', function (string $parts, string $total, ?string $after): void {
    $question = Json::decode(
        '{"parts": ['.implode(',', array_map(fn (string $points): string => "{\"points\": $points}", explode(' ', $parts))).']}',
    );
    $changed = PointsChange::to($question, Exact::of($total));

    expect(
        $changed === null ? null : implode(' ', array_map(fn (stdClass $part): string => (string) $part->points, $changed->parts)),
    )->toBe($after);
})->with([
    'one part' => ['1', '2.5', '2.5'],
    'one part without points' => ['0', '3', '3'],
    'several in their shares' => ['1 3', '2', '0.5 1.5'],
    'none for a part stays none' => ['2 0', '5', '5 0'],
    'thirds cannot be written' => ['1 1 1', '1', null],
    'shares of nothing' => ['0 0', '4', null],
    'down to nothing' => ['1 2', '0', '0 0'],
]);
