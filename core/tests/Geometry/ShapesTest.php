<?php

declare(strict_types=1);

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;
use WideQuarry\Geometry\Shape;
use WideQuarry\Geometry\Shapes;

/** @param  list<string|int>  $at */
function shape(string $name, array $at): Shape
{
    return Shapes::of($name, array_map(fn (string|int $number): BigRational => BigRational::of($number), $at)) ??
        throw new LogicException('no shape');
}

function at(string|int $x, string|int $y): Point
{
    return new Point(BigRational::of($x), BigRational::of($y));
}

// Edges by arithmetic: 3² + 4² = 5²; (3/5)² + (4/5)² = 1; a side through (0, 0) and (7, 3) holds (7/3, 1).
it('says whether a place lies in a shape, whose edge belongs to it', function (string $name, array $shape, array $in, array $out): void {
    foreach (['in' => $in, 'out' => $out] as $where => $places) {
        foreach ($places as [$x, $y]) {
            expect(shape($name, $shape)->holds(at($x, $y)))->toBe($where === 'in', "$x, $y");
        }
    }
})->with([
    'a circle' => ['circle', [10, 10, 5], [[10, 10], [13, 14], [15, 10], [10, 5]], [['13.0000001', 14], [15, '10.001'], [14, 14], [5, 5]]],
    'an ellipse' => ['ellipse', [0, 0, 10, 5], [['6', '4'], [-6, 4], [10, 0], [0, -5]], [['6.0000000001', '4'], [10, 1], [0, '-5.1']]],
    'a rectangle' => ['rectangle', [2, 3, 8, 5], [[2, 3], [8, 5], [5, 3], [5, 4]], [['1.999', 4], [5, '5.0001'], [9, 9]]],
    'a rectangle from another corner' => ['rectangle', [8, 5, 2, 3], [[2, 3], [5, 4]], [[1, 4]]],
    'a triangle' => [
        'polygon',
        [0, 0, 7, 3, 0, 3],
        [['7/3', 1], [0, 0], [7, 3], [1, 2], [0, '3/2']],
        [['7/3', '0.999999999'], [7, 2], [8, 3]],
    ],
    'an L, with a corner that points in' => [
        'polygon',
        [0, 0, 4, 0, 4, 2, 2, 2, 2, 4, 0, 4],
        [[2, 2], [3, 2], [2, 3], [1, 3], [3, 1], [0, 4]],
        [[3, 3], ['2.000001', '2.000001'], [4, 4]],
    ],
    'a polygon whose corner is level with the place' => [
        'polygon',
        [0, 5, 5, 0, 10, 5, 5, 10],
        [[1, 5], [9, 5], [5, 5]],
        [[-1, 5], [11, 5]],
    ],
    'a bow tie: what lies in neither half is outside' => [
        'polygon',
        [0, 0, 10, 10, 10, 0, 0, 10],
        [[1, 5], [9, 5], [5, 5]],
        [[5, 1], [5, 9]],
    ],
]);

it('agrees with orientations about convex polygons, on, in and beside them', function (): void {
    mt_srand(19);
    for ($round = 0; $round < 30; $round++) {
        // the corners of a circle's polygon, rounded, in their order round it, are convex unless two fall together
        $corners = [];
        $count = mt_rand(3, 9);
        for ($i = 0; $i < $count; $i++) {
            $angle = (2 * M_PI * $i) / $count + mt_rand(0, 40) / 100;
            $corners[] = [(int) round(50 + 45 * cos($angle)), (int) round(50 + 45 * sin($angle))];
        }
        $sides = fn (int $x, int $y): array => array_map(
            fn (int $i): int => ($corners[($i + 1) % $count][0] - $corners[$i][0]) * ($y - $corners[$i][1]) -
                ($corners[($i + 1) % $count][1] - $corners[$i][1]) * ($x - $corners[$i][0]),
            range(0, $count - 1),
        );
        $polygon = shape('polygon', array_merge(...$corners));
        for ($i = 0; $i < 60; $i++) {
            [$x, $y] = $i < $count ? $corners[$i] : [mt_rand(0, 100), mt_rand(0, 100)];
            expect($polygon->holds(at($x, $y)))->toBe(min($sides($x, $y)) >= 0, json_encode([$corners, $x, $y]));
        }
    }
});

it('says the same in whatever units the picture is counted', function (): void {
    mt_srand(7);
    for ($round = 0; $round < 40; $round++) {
        $corners = array_map(fn (): int => mt_rand(0, 60), range(1, 2 * mt_rand(3, 12)));
        [$x, $y] = [mt_rand(0, 60), mt_rand(0, 60)];
        $said = shape('polygon', $corners)->holds(at($x, $y));
        foreach (['1/7', '1000000000000000001/3'] as $unit) {
            $scaled = fn (int $number): string => (string) BigRational::of($number)->multipliedBy($unit);
            expect(shape('polygon', array_map($scaled, $corners))->holds(at($scaled($x), $scaled($y))))->toBe($said);
        }
    }
});

it('finds a middle inside, and tells outlines that cross and shapes without area', function (): void {
    mt_srand(3);
    for ($round = 0; $round < 40; $round++) {
        // a star of any corners round its middle never crosses itself
        $corners = [];
        for ($i = 0; $i < 9; $i++) {
            $far = mt_rand(8, 50);
            $corners[] = (string) round(60 + $far * cos($i * 0.698), 3);
            $corners[] = (string) round(60 + $far * sin($i * 0.698), 3);
        }
        $star = shape('polygon', $corners);
        expect($star->holds($star->middle()))->toBeTrue()->and($star->crossesItself())->toBeFalse()->and($star->hasArea())->toBeTrue();
    }
    expect(shape('polygon', [0, 0, 10, 10, 10, 0, 0, 10])->crossesItself())->toBeTrue()
        ->and(shape('polygon', [0, 0, 5, 5, 10, 10])->hasArea())->toBeFalse()
        ->and(shape('rectangle', [1, 1, 1, 9])->hasArea())->toBeFalse()
        ->and(shape('circle', [1, 1, 0])->hasArea())->toBeFalse()
        ->and(shape('circle', [1, 1, 0])->holds(at(1, 1)))->toBeFalse()
        ->and(Shapes::of('polygon', array_map(BigRational::of(...), [1, 2, 3, 4])))->toBeNull()
        ->and(Shapes::of('circle', array_map(BigRational::of(...), [1, 2])))->toBeNull();
});

it('reads places as JSON numbers, and nothing else', function (mixed $json, ?string $place): void {
    expect(Point::read($json)?->key())->toBe($place);
})->with([
    [[1, 2.5], '1 5/2'],
    [[0.1, -3], '1/10 -3'],
    [[1], null],
    [[1, 2, 3], null],
    [['1', 2], null],
    [[1, null], null],
    [['x' => 1, 'y' => 2], null],
    ['1, 2', null],
]);

it('finds outlines that cross as looking at every two edges does', function (): void {
    mt_srand(11);
    $turn = fn (array $a, array $b, array $c): int => ($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0]) <=> 0;
    $reach = fn (array $a, array $b, array $c, array $d, int $i): bool => max(min($a[$i], $b[$i]), min($c[$i], $d[$i])) <=
        min(max($a[$i], $b[$i]), max($c[$i], $d[$i]));
    $crossing = 0;
    for ($round = 0; $round < 300; $round++) {
        $n = mt_rand(4, 7);
        $corners = array_map(fn (): array => [mt_rand(0, 30), mt_rand(0, 30)], range(1, $n));
        $expected = false;
        for ($i = 0; $i < $n; $i++) {
            for ($j = $i + 2; $j < $n - ($i === 0 ? 1 : 0); $j++) {
                [$a, $b, $c, $d] = [$corners[$i], $corners[($i + 1) % $n], $corners[$j], $corners[($j + 1) % $n]];
                $expected = $expected || ($reach($a, $b, $c, $d, 0) && $reach($a, $b, $c, $d, 1) &&
                    $turn($a, $b, $c) * $turn($a, $b, $d) <= 0 && $turn($c, $d, $a) * $turn($c, $d, $b) <= 0);
            }
        }
        $crossing += $expected ? 1 : 0;
        expect(shape('polygon', array_merge(...$corners))->crossesItself())->toBe($expected, json_encode($corners));
    }
    expect($crossing)->toBeGreaterThan(50)->toBeLessThan(250);
});
