<?php

declare(strict_types=1);

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;
use WideQuarry\Graph\Axis;
use WideQuarry\Graph\Compare\Comparison;
use WideQuarry\Graph\Compare\RegionComparison;
use WideQuarry\Graph\Figure;
use WideQuarry\Graph\FigureProblem;
use WideQuarry\Graph\Grid;
use WideQuarry\Graph\Region;
use WideQuarry\Graph\WrittenFigure;
use WideQuarry\Numbers\Exact;
use WideQuarry\Variables\Roll;

// Figures are the same when geometry says so: each pair below is the same set of points, or is not, by arithmetic that can be redone by
// hand.

function grid(string $step = '1', string $stepUp = '1', string $end = '10'): Grid
{
    return new Grid(
        Axis::of(Exact::of("-$end"), Exact::of($end), Exact::of($step)),
        Axis::of(Exact::of("-$end"), Exact::of($end), Exact::of($stepUp)),
    );
}

/** @param  array<string, mixed>  $json */
function figure(array $json): Figure
{
    return WrittenFigure::read(json_decode((string) json_encode($json)), '')->in(new Roll);
}

/** "line 0,1 2,5" */
function drawn(string $words): Figure
{
    [$kind, $places] = [...explode(' ', $words, 2), ''];
    $isDashed = str_ends_with($places, ' dashed');
    $places = array_values(array_filter(explode(' ', str_replace(' dashed', '', $places)), fn (string $one): bool => $one !== ''));
    $side = array_values(array_filter($places, fn (string $place): bool => str_starts_with($place, '@')));
    $ends = array_values(array_filter($places, fn (string $place): bool => in_array($place, ['open', 'closed'], true)));
    $points = array_filter($places, fn (string $place): bool => ! in_array($place, [...$side, ...$ends], true));

    return figure([
        'figure' => $kind,
        'points' => array_map(fn (string $place): array => explode(',', $place), array_values($points)),
        ...$side === [] ? [] : ['side' => explode(',', substr($side[0], 1))],
        ...$ends === [] ? [] : ['ends' => $ends],
        ...$isDashed ? ['dashed' => true] : [],
    ]);
}

function isSame(Figure $wanted, Figure $given, string $tolerance = '0', ?Grid $grid = null): bool
{
    return (new Comparison($grid ?? grid(), Exact::of($tolerance)))->of($wanted, $given)->isRight();
}

it('finds the same figure however it was drawn', function (string $one, string $other): void {
    expect(isSame(drawn($one), drawn($other)))->toBeTrue()->and(isSame(drawn($other), drawn($one)))->toBeTrue();
})->with([
    ['point 1/2,3', 'point 0.5,3'],
    ['segment 0,0 3,4', 'segment 3,4 0,0'],
    ['line 0,1 2,5', 'line -1,-1 1,3'],
    ['line 2,0 2,7', 'line 2,-1 2,-3'],
    ['ray 0,0 1,2', 'ray 0,0 3,6'],
    ['vector 0,0 2,1', 'vector 0,0 2,1'],
    ['polygon 0,0 4,0 0,3', 'polygon 4,0 0,3 0,0'],
    ['polygon 0,0 4,0 0,3', 'polygon 0,3 4,0 0,0'],
    ['polygon 0,0 4,0 0,3', 'polygon 0,0 2,0 4,0 0,3'], // with a corner in the middle of an edge
    ['polyline 0,0 1,2 4,3', 'polyline 4,3 1,2 0,0'],
    ['segment 0,0 4,2', 'polyline 0,0 2,1 4,2'],
    ['circle 0,0 5,0', 'circle 0,0 3,4'],
    ['ellipse -3,0 3,0 5,0', 'ellipse 3,0 -3,0 0,4'], // both x²/25 + y²/16 = 1
    ['ellipse -1,0 1,0 1,1', 'ellipse 1,0 -1,0 -1,-1'], // an axis that is not rational
    ['hyperbola -5,0 5,0 3,0', 'hyperbola 5,0 -5,0 -3,0'],
    ['hyperbola -2,0 2,0 1,1', 'hyperbola 2,0 -2,0 -1,-1'],
    ['parabola 0,0 1,1', 'parabola 0,0 -2,4'],
    ['inequality 0,1 2,5 @0,5', 'inequality 1,3 -1,-1 @-3,0'],
]);

it('tells figures apart that only look alike', function (string $one, string $other): void {
    expect(isSame(drawn($one), drawn($other)))->toBeFalse()->and(isSame(drawn($other), drawn($one)))->toBeFalse();
})->with([
    ['segment 0,0 3,4', 'line 0,0 3,4'],
    ['line 0,0 1,1', 'ray 0,0 1,1'],
    ['ray 0,0 1,2', 'ray 0,0 -1,-2'],
    ['ray 0,0 1,2', 'ray 1,2 2,4'],
    ['vector 0,0 2,1', 'vector 2,1 0,0'],
    ['vector 0,0 2,1', 'vector 1,0 3,1'],
    ['polygon 0,0 4,0 4,3 0,3', 'polygon 0,0 4,0 0,3'],
    ['polygon 0,0 4,0 4,3', 'polyline 0,0 4,0 4,3'],
    ['polygon 0,0 6,0 1,1 0,6', 'polygon 0,0 1,1 6,0 0,6'], // the same corners in another order
    ['circle 0,0 5,0', 'circle 0,0 4,4'],
    ['ellipse -3,0 3,0 5,0', 'circle 0,0 5,0'],
    ['ellipse -1,0 1,0 1,1', 'ellipse -1,0 1,0 1,2'],
    ['hyperbola -2,0 2,0 1,1', 'hyperbola -2,0 2,0 1,2'], // neither axis is rational
    ['hyperbola -5,0 5,0 3,0', 'ellipse -5,0 5,0 7,0'],
    ['parabola 0,0 1,1', 'parabola 0,0 1,2'],
    ['inequality 0,1 2,5 @0,5', 'inequality 0,1 2,5 @0,0'],
    ['inequality 0,1 2,5 @0,5', 'inequality 0,1 2,5 @0,5 dashed'],
    ['line 0,1 2,5', 'inequality 0,1 2,5 @0,5'],
]);

it('compares across the ways of saying it', function (array $one, array $other, bool $same): void {
    expect(isSame(figure($one), figure($other)))->toBe($same)->and(isSame(figure($other), figure($one)))->toBe($same);
})->with([
    'a line as a formula' => [
        ['figure' => 'function', 'expression' => '2x + 1'], ['figure' => 'line', 'points' => [['0', '1'], ['1', '3']]], true,
    ],
    'a parabola as a formula' => [
        ['figure' => 'function', 'expression' => 'x^2 - 2x'], ['figure' => 'parabola', 'points' => [['1', '-1'], ['3', '3']]], true,
    ],
    'two formulas' => [['figure' => 'function', 'expression' => '(x+1)^2'], ['figure' => 'function', 'expression' => 'x^2+2x+1'], true],
    'two formulas of sines' => [
        ['figure' => 'function', 'expression' => 'sin(x)^2'], ['figure' => 'function', 'expression' => '(1 - cos(2x))/2'], true,
    ],
    'formulas that part outside a piece' => [
        ['figure' => 'function', 'expression' => 'abs(x)'], ['figure' => 'function', 'expression' => 'x'], false,
    ],
    'with a gap' => [['figure' => 'function', 'expression' => 'x^2/x'], ['figure' => 'function', 'expression' => 'x'], false],
    'with a pole' => [['figure' => 'function', 'expression' => '1/x'], ['figure' => 'function', 'expression' => 'x/x^2'], true],
    'with a pole elsewhere' => [
        ['figure' => 'function', 'expression' => '1/x'], ['figure' => 'function', 'expression' => '1/(x - 1/2)'], false,
    ],
    'with another end' => [
        ['figure' => 'function', 'expression' => 'x', 'domain' => ['0', '5']],
        ['figure' => 'function', 'expression' => 'x', 'domain' => ['0', '4']], false,
    ],
    'an end where the grid ends' => [
        ['figure' => 'function', 'expression' => 'x', 'domain' => ['-10', '10']], ['figure' => 'function', 'expression' => 'x'], true,
    ],
    'the boundary of an inequality is not the inequality' => [
        ['figure' => 'function', 'expression' => '2x + 1'],
        ['figure' => 'inequality', 'points' => [['0', '1'], ['2', '5']], 'side' => ['0', '9']], false,
    ],
    'nor where that is a formula' => [
        ['figure' => 'line', 'points' => [['0', '1'], ['2', '5']]],
        ['figure' => 'inequality', 'expression' => '2x + 1', 'side' => ['0', '9']], false,
    ],
    'a boundary as a formula' => [
        ['figure' => 'inequality', 'expression' => '2x + 1', 'side' => ['0', '9']],
        ['figure' => 'inequality', 'points' => [['0', '1'], ['2', '5']], 'side' => ['-7', '0']], true,
    ],
    'powers that have no end' => [['figure' => 'function', 'expression' => '2^x*2^x'], ['figure' => 'function', 'expression' => '4^x'], true],
    'other powers' => [['figure' => 'function', 'expression' => '2^x'], ['figure' => 'function', 'expression' => '2^(x + x^2)'], false],
    'a circle by its equation' => [
        ['figure' => 'circle', 'points' => [['1', '2'], ['4', '6']]],
        ['figure' => 'conic', 'coefficients' => ['2', '0', '2', '-4', '-8', '-40']], true,
    ],
    'an ellipse by its equation' => [
        ['figure' => 'ellipse', 'points' => [['-3', '0'], ['3', '0'], ['5', '0']]],
        ['figure' => 'conic', 'coefficients' => ['16', '0', '25', '0', '0', '-400']], true,
    ],
    'a hyperbola by its equation' => [
        ['figure' => 'hyperbola', 'points' => [['-5', '0'], ['5', '0'], ['3', '0']]],
        ['figure' => 'conic', 'coefficients' => ['16', '0', '-9', '0', '0', '-144']], true,
    ],
    'a vector that may stand anywhere' => [
        ['figure' => 'vector', 'free' => true, 'points' => [['0', '0'], ['2', '1']]],
        ['figure' => 'vector', 'free' => true, 'points' => [['-4', '3'], ['-2', '4']]], true,
    ],
]);

it('measures tolerance in steps of the grid', function (string $one, string $other, string $within, string $beyond): void {
    $grid = grid('2', '5');
    expect(isSame(drawn($one), drawn($other), $within, $grid))->toBeTrue()
        ->and(isSame(drawn($one), drawn($other), $beyond, $grid))->toBeFalse();
})->with([
    'across' => ['point 0,0', 'point 2,0', '1', '0.99'],
    'up' => ['point 0,0', 'point 0,5', '1', '0.99'],
    'both: 3 and 4 make 5' => ['point 0,0', 'point 6,20', '5', '4.99'],
    'a line that leaves it at the edge of the grid' => ['line -10,0 10,0', 'line -10,0 10,5', '1', '0.95'],
    'a circle with another radius' => ['circle 0,0 4,0', 'circle 0,0 6,0', '1', '0.99'],
]);

it('gives a property its due when the rest is not right', function (string $one, string $other, array $has): void {
    $verdict = (new Comparison(grid(), Exact::zero()))->of(drawn($one), drawn($other));
    $found = array_filter(['position', 'dashed', 'side', 'ends'], $verdict->has(...));
    expect(array_values($found))->toBe($has);
})->with([
    'the right boundary and side, but solid' => [
        'inequality 0,0 1,1 @0,5 dashed', 'inequality 0,0 1,1 @0,5', ['position', 'side', 'ends'],
    ],
    'the right boundary, the wrong side' => ['inequality 0,0 1,1 @0,5', 'inequality 0,0 1,1 @5,0', ['position', 'dashed', 'ends']],
    'another boundary' => ['inequality 0,0 1,1 @0,5', 'inequality 0,1 1,2 @0,5', ['dashed', 'ends']],
    'another figure' => ['inequality 0,0 1,1 @0,5', 'circle 0,0 1,1', []],
    'another figure of the same style' => ['line 0,0 1,1 dashed', 'circle 0,0 1,1 dashed', []],
    'a wrong end' => ['interval 1 4 open closed', 'interval 1 4 closed closed', ['position', 'dashed', 'side']],
    'an interval the other way round' => ['interval 1 4 open closed', 'interval 4 1 closed open', ['position', 'dashed', 'side', 'ends']],
]);

it('counts the corners that are right', function (): void {
    $verdict = (new Comparison(grid(), Exact::zero()))->of(drawn('polygon 0,0 4,0 0,3'), drawn('polygon 0,0 4,0 1,3'));
    expect($verdict->corners)->toBe([2, 3])->and($verdict->isRight())->toBeFalse();
});

it('compares regions by the points they select', function (array $wanted, array $given, bool $same): void {
    $region = fn (array $list): array => array_map(drawn(...), $list);
    $comparison = new RegionComparison(grid(), Exact::zero());
    $compare = fn (array $one, array $other): bool => $comparison->of($region($one), $region($other))->isRight();
    expect($compare($wanted, $given))->toBe($same)->and($compare(array_reverse($wanted), array_reverse($given)))->toBe($same);
    if (array_filter([...$wanted, ...$given], fn (string $one): bool => str_contains($one, 'dashed')) === []) {
        expect($compare($given, $wanted))->toBe($same);
    }
})->with([
    'in another order, by other points' => [
        ['inequality 0,0 1,0 @0,1', 'inequality 0,0 0,1 @1,0'], ['inequality 0,5 0,-5 @3,3', 'inequality 7,0 2,0 @3,3'], true,
    ],
    'with one that says nothing more' => [
        ['inequality 0,0 1,0 @0,1', 'inequality 0,0 0,1 @1,0'],
        ['inequality 0,0 1,0 @0,1', 'inequality 0,0 0,1 @1,0', 'inequality 0,-1 1,-1 @0,0'], true,
    ],
    'the other quarter' => [
        ['inequality 0,0 1,0 @0,1', 'inequality 0,0 0,1 @1,0'], ['inequality 0,0 1,0 @0,1', 'inequality 0,0 0,1 @-1,0'], false,
    ],
    'without an edge' => [
        ['inequality 0,0 1,0 @0,1', 'inequality 0,0 0,1 @1,0'], ['inequality 0,0 1,0 @0,1 dashed', 'inequality 0,0 0,1 @1,0'], false,
    ],
    'without an edge whose corners were never in it' => [
        ['inequality 0,0 1,0 @0,1', 'inequality 0,0 0,1 @1,0 dashed', 'inequality 0,4 4,0 @0,0 dashed'],
        ['inequality 0,0 1,0 @0,1 dashed', 'inequality 0,0 0,1 @1,0 dashed', 'inequality 0,4 4,0 @0,0 dashed'], false,
    ],
    'without a corner alone' => [
        ['inequality 0,0 1,0 @0,1', 'inequality 0,0 0,1 @1,0'],
        ['inequality 0,0 1,0 @0,1', 'inequality 0,0 0,1 @1,0', 'inequality 0,0 1,-1 @1,1 dashed'], false,
    ],
    'a triangle cut off' => [
        ['inequality 0,0 1,0 @0,1', 'inequality 0,0 0,1 @1,0', 'inequality 0,4 4,0 @0,0'],
        ['inequality 0,0 1,0 @0,1', 'inequality 0,0 0,1 @1,0', 'inequality 0,3 4,0 @0,0'], false,
    ],
]);

it('refuses what is no figure, with a reason', function (array $json, string $rule): void {
    expect(fn () => figure($json))->toThrow(fn (FigureProblem $problem) => expect($problem->rule)->toBe($rule));
})->with([
    'two equal points' => [['figure' => 'line', 'points' => [['1', '1'], ['1', '1']]], 'figure.equal_points'],
    'a polygon that crosses itself' => [
        ['figure' => 'polygon', 'points' => [['0', '0'], ['2', '2'], ['2', '0'], ['0', '2']]], 'figure.crosses_itself',
    ],
    'a polygon that turns back' => [
        ['figure' => 'polygon', 'points' => [['0', '0'], ['4', '0'], ['2', '0'], ['2', '2']]], 'figure.crosses_itself',
    ],
    'a flat polygon' => [['figure' => 'polygon', 'points' => [['0', '0'], ['2', '2'], ['1', '1']]], 'figure.flat'],
    'a radius of nothing' => [['figure' => 'circle', 'points' => [['1', '1'], ['1', '1']]], 'figure.radius'],
    'a conic that is two lines' => [['figure' => 'conic', 'coefficients' => ['1', '0', '-1', '0', '0', '0']], 'figure.conic'],
    'a conic that is nothing' => [['figure' => 'conic', 'coefficients' => ['1', '0', '1', '0', '0', '1']], 'figure.conic_nothing'],
    'an ellipse that is a segment' => [['figure' => 'ellipse', 'points' => [['-1', '0'], ['1', '0'], ['0', '0']]], 'figure.ellipse'],
    'a hyperbola that is a line' => [['figure' => 'hyperbola', 'points' => [['-1', '0'], ['1', '0'], ['0', '3']]], 'figure.hyperbola'],
    'a parabola that is a line' => [['figure' => 'parabola', 'points' => [['0', '0'], ['2', '0']]], 'figure.parabola'],
    'no formula' => [['figure' => 'function', 'expression' => ''], 'figure.no_formula'],
    'a formula that cannot be read' => [['figure' => 'function', 'expression' => '2x +'], 'figure.formula'],
    'a formula with another name' => [['figure' => 'function', 'expression' => '2t'], 'figure.formula_name'],
    'a formula that takes too long' => [
        ['figure' => 'function', 'expression' => implode('+', array_fill(0, 40, 'sin(x)'))], 'figure.formula_long',
    ],
    'a power of thousands of digits' => [['figure' => 'function', 'expression' => '(x^40)^40'], 'figure.formula_long'],
    'a side where the formula ends' => [
        ['figure' => 'inequality', 'expression' => 'sqrt(x)', 'side' => ['-1', '0']], 'figure.side_nowhere',
    ],
    'a side on the boundary' => [
        ['figure' => 'inequality', 'points' => [['0', '0'], ['1', '1']], 'side' => ['3', '3']], 'figure.side_on_boundary',
    ],
    'no side' => [['figure' => 'inequality', 'points' => [['0', '0'], ['1', '1']]], 'figure.no_side'],
    'too far' => [['figure' => 'point', 'points' => [['1e12', '0']]], 'figure.far'],
    'too few points' => [['figure' => 'segment', 'points' => [['0', '0']]], 'figure.points'],
]);

it('refuses axes that cannot be drawn', function (string $from, string $to, string $step, string $rule): void {
    expect(fn () => Axis::of(Exact::of($from), Exact::of($to), Exact::of($step)))
        ->toThrow(fn (FigureProblem $problem) => expect($problem->rule)->toBe($rule));
})->with([
    'from 5 to 5' => ['5', '5', '1', 'figure.axis_ends'],
    'no step' => ['0', '5', '0', 'figure.axis_step'],
    'a million lines' => ['0', '1000000', '1', 'figure.axis_lines'],
]);

/** A number with two decimals between two whole ones. */
function about(Random\Randomizer $random, int $from, int $to): string
{
    return (string) ($random->getInt($from * 100, $to * 100) / 100);
}

it('judges what is moved by its distance alone', function (string $kind, int $corners): void {
    $random = new \Random\Randomizer(new \Random\Engine\Mt19937(22));
    $tolerance = Exact::of('1/2');
    $cases = getenv('QUARRY_LONG') ? 10_000 : 500;
    for ($case = 0; $case < $cases; $case++) {
        $points = array_map(fn (): array => [about($random, -8, 8), about($random, -8, 8)], range(1, $corners));
        // each point is moved by (dx, dy); 3-4-5 keeps the length rational: 0.1 to 0.9 steps
        $length = $random->getInt(1, 9) / 10;
        [$x, $y] = [[0.6, 0.8], [-0.8, 0.6], [1.0, 0.0], [0.0, -1.0]][$random->getInt(0, 3)];
        $moved = array_map(
            fn (array $point): array => [
                (string) round((float) $point[0] + $x * $length, 6),
                (string) round((float) $point[1] + $y * $length, 6),
            ],
            $points,
        );
        try {
            $one = figure(['figure' => $kind, 'points' => $points]);
            $other = figure(['figure' => $kind, 'points' => array_reverse($moved)]);
        } catch (FigureProblem) {
            continue; // chance made no figure of it
        }
        $found = (new Comparison(grid(), $tolerance))->of($one, $other)->isRight();
        if ($length <= 0.5) {
            expect($found)->toBeTrue(json_encode([$points, $moved]) ?: '');
        } elseif (! isApart($points, $length)) {
            continue;
        } else {
            expect($found)->toBeFalse(json_encode([$points, $moved]) ?: '');
        }
    }
})->with([['segment', 2], ['polyline', 4], ['polygon', 3]]);

/** Whether no two points are near enough to be taken for each other. @param  list<array{string, string}>  $points */
function isApart(array $points, float $length): bool
{
    foreach ($points as $i => $one) {
        foreach (array_slice($points, 0, $i) as $other) {
            if (hypot((float) $one[0] - (float) $other[0], (float) $one[1] - (float) $other[1]) < 0.6 + $length) {
                return false;
            }
        }
    }

    return true;
}

it('keeps equality whatever points and factors are chosen', function (): void {
    $random = new \Random\Randomizer(new \Random\Engine\Mt19937(7));
    for ($case = 0; $case < (getenv('QUARRY_LONG') ? 10_000 : 300); $case++) {
        $number = fn (): BigRational => BigRational::nd($random->getInt(-40, 40), $random->getInt(1, 6));
        [$x, $y, $u, $v] = [$number(), $number(), $number(), $number()];
        if ($u->isZero() && $v->isZero()) {
            continue;
        }
        $at = fn (int $n): array => [(string) $x->plus($u->multipliedBy($n)), (string) $y->plus($v->multipliedBy($n))];
        [$i, $j] = [$random->getInt(-9, -1), $random->getInt(1, 9)];
        $line = figure(['figure' => 'line', 'points' => [$at(0), $at(1)]]);
        expect(isSame($line, figure(['figure' => 'line', 'points' => [$at($i), $at($j)]])))->toBeTrue();
        $factor = BigRational::nd($random->getInt(1, 9), $random->getInt(1, 9));
        [$a, $c, $zero] = [$number()->abs()->plus(1), $number()->abs()->plus(1), BigRational::of(0)];
        $coefficients = [$a, $zero, $c, $number(), $number(), BigRational::of(-90)];
        $conic = fn (BigRational $by): Figure => figure([
            'figure' => 'conic',
            'coefficients' => array_map(fn (BigRational $one): string => (string) $one->multipliedBy($by), $coefficients),
        ]);
        expect(isSame($conic(BigRational::of(1)), $conic($factor->negated())))->toBeTrue();
    }
});

it('agrees on regions with what each point says', function (): void {
    $random = new \Random\Randomizer(new \Random\Engine\Mt19937(5));
    $number = fn (): int => $random->getInt(-3, 3);
    $half = function () use ($number, $random): Figure {
        do {
            [$x, $y, $u, $v, $sideX, $sideY] = array_map(fn (): int => $number(), range(1, 6));
        } while ([$x, $y] === [$u, $v] || ($u - $x) * ($sideY - $y) === ($v - $y) * ($sideX - $x));

        return drawn("inequality $x,$y $u,$v @$sideX,$sideY".($random->getInt(0, 1) === 1 ? ' dashed' : ''));
    };
    $seen = ['same' => 0, 'other' => 0];
    for ($case = 0; $case < (getenv('QUARRY_LONG') ? 10_000 : 500); $case++) {
        $one = array_map(fn (): Figure => $half(), range(1, $random->getInt(1, 4)));
        // another region, or the same in another order with one of its own inequalities again
        $other = $case % 2 === 0 ? array_map(fn (): Figure => $half(), range(1, $random->getInt(1, 4))) : [...array_reverse($one), $one[0]];
        $same = Region::asDrawn($one)->is(Region::asDrawn($other), Region::boxAround([...$one, ...$other]));
        $seen[$same ? 'same' : 'other']++;
        expect($case % 2 === 0 || $same)->toBeTrue();
        for ($i = 0; $same && $i < 60; $i++) {
            $point = new Point(BigRational::nd($random->getInt(-40, 40), 4), BigRational::nd($random->getInt(-40, 40), 4));
            expect(Region::asDrawn($one)->holds($point))->toBe(Region::asDrawn($other)->holds($point), $point->key());
        }
    }
    expect(min($seen))->toBeGreaterThan(20);
});
