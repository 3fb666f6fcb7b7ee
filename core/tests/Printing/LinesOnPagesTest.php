<?php

declare(strict_types=1);

use WideQuarry\Printing\LinesOnPages;

/*
 * Pages of 842 points whose print is from 45 to 791, in lines of 12 points, 16 apart. A question begins on page 1 and ends on page 2.
 */

/** @return list<array{left: float, top: float, bottom: float}> so many lines down from a height */
function linesFrom(float $top, int $count, float $left = 70): array
{
    return array_map(
        fn (int $i): array => ['left' => $left, 'top' => $top + 16 * $i, 'bottom' => $top + 16 * $i + 12],
        $count === 0 ? [] : range(0, $count - 1),
    );
}

it('finds a single line on either page', function (array $first, array $last, float $begin, float $end, ?int $page): void {
    $lines = new LinesOnPages([1 => [...linesFrom(45, 10), ...$first], 2 => [...$last, ...linesFrom($end + 20, 3)]], 45, 791, null);
    expect($lines->single(['page' => 1, 'left' => 45, 'top' => $begin], ['page' => 2, 'left' => 70, 'top' => $end]))->toBe($page);
})->with([
    'many on both' => [linesFrom(743, 3), linesFrom(45, 4), 742.0, 110.0, null],
    'the first, at the bottom' => [linesFrom(775, 1), linesFrom(45, 4), 774.0, 110.0, 1],
    'its number and points beside it' => [
        [...linesFrom(775, 1, 45), ...linesFrom(775, 1), ['left' => 500.0, 'top' => 777.0, 'bottom' => 785.0]],
        linesFrom(45, 4), 774.0, 110.0, 1,
    ],
    'one line, and room to write below it' => [linesFrom(500, 1), linesFrom(45, 4), 499.0, 110.0, null],
    'the last, at the top' => [linesFrom(700, 5), linesFrom(45, 1), 699.0, 60.0, 2],
    'one line below a picture' => [linesFrom(700, 5), linesFrom(400, 1), 699.0, 414.0, null],
    'one line above room to write' => [linesFrom(700, 5), linesFrom(45, 1), 699.0, 300.0, null],
    'only a picture goes over' => [linesFrom(700, 5), [], 699.0, 300.0, null],
]);

it('goes through columns', function (array $first, array $last, float $begin, float $end, ?int $page): void {
    $lines = new LinesOnPages([1 => $first, 2 => $last], 45, 791, 297);
    expect($lines->single(['page' => 1, 'left' => $begin, 'top' => 775], ['page' => 2, 'left' => $end, 'top' => 60]))->toBe($page);
})->with([
    'begins at the foot of the right column' => [
        [...linesFrom(45, 40, 70), ...linesFrom(45, 44, 310), ...linesFrom(776, 1, 310)], linesFrom(45, 3, 70), 300.0, 70.0, 1,
    ],
    'begins at the foot of the left one, and goes on beside' => [
        [...linesFrom(776, 1, 70), ...linesFrom(45, 44, 310)], linesFrom(45, 1, 70), 45.0, 70.0, 2,
    ],
    'ends at the top of the right column' => [
        [...linesFrom(45, 40, 70), ...linesFrom(700, 5, 310)], [...linesFrom(45, 40, 70), ...linesFrom(45, 1, 310)], 300.0, 310.0, null,
    ],
]);
