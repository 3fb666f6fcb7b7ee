<?php

declare(strict_types=1);

// Verdicts on drawn figures beside reading and writing them as JSON, and drawings a second.

use Tests\Bench\Bench;
use WideQuarry\Graph\Axis;
use WideQuarry\Graph\Compare\Comparison;
use WideQuarry\Graph\Compare\RegionComparison;
use WideQuarry\Graph\Figure;
use WideQuarry\Graph\FigureDrawing;
use WideQuarry\Graph\Frame;
use WideQuarry\Graph\Grid;
use WideQuarry\Graph\GridDrawing;
use WideQuarry\Graph\WrittenFigure;
use WideQuarry\Numbers\Exact;
use WideQuarry\Variables\Roll;

require __DIR__.'/../../vendor/autoload.php';

const VERDICTS = 3000;

$axis = Axis::of(Exact::of('-10'), Exact::of('10'), Exact::one());
$grid = new Grid($axis, $axis);

/** A figure as it comes in a response: read anew each time. */
function figure(string $json): Figure
{
    return WrittenFigure::read(json_decode($json, false, 512, JSON_THROW_ON_ERROR), '')->in(new Roll);
}
function json(string $kind, string ...$places): string
{
    return (string) json_encode(['figure' => $kind, 'points' => array_map(fn (string $place): array => explode(',', $place), $places)]);
}

$bench = new Bench;
$bare = function (string $json): Closure {
    return function () use ($json): void {
        for ($i = 0; $i < VERDICTS; $i++) {
            json_encode(json_decode($json));
        }
    };
};
foreach ([
    'lines' => [json('line', '0,1', '2,5'), json('line', '-1,-1', '1,3.1')],
    'polygons of five corners' => [
        json('polygon', '0,0', '4,0', '6,3', '2,7', '-1,4'), json('polygon', '2,7', '6,3', '4,0.1', '0,0', '-1,4'),
    ],
    'circles' => [json('circle', '1,-1', '6,-1'), json('circle', '1,-1', '4,3.1')],
] as $name => [$wanted, $given]) {
    $wanted = figure($wanted);
    $comparison = new Comparison($grid, Exact::of('1/4'));
    $bench->compare("verdicts on $name", function () use ($wanted, $given, $comparison): void {
        for ($i = 0; $i < VERDICTS; $i++) {
            $comparison->of($wanted, figure($given));
        }
    }, $bare($given), 400, VERDICTS);
}

$half = fn (string $a, string $b, string $side): string => (string) json_encode([
    'figure' => 'inequality', 'points' => [explode(',', $a), explode(',', $b)], 'side' => explode(',', $side), 'dashed' => false,
]);
$system = [$half('0,0', '1,0', '0,1'), $half('0,0', '0,1', '1,0'), $half('0,8', '8,0', '0,0'), $half('6,0', '6,1', '0,0')];
$wanted = array_map(figure(...), $system);
$regions = new RegionComparison($grid, Exact::zero());
$bench->compare('verdicts on systems of four inequalities', function () use ($wanted, $system, $regions): void {
    for ($i = 0; $i < VERDICTS / 10; $i++) {
        $regions->of($wanted, array_map(figure(...), array_reverse($system)));
    }
}, function () use ($system): void {
    for ($i = 0; $i < VERDICTS / 10; $i++) {
        json_encode(array_map(json_decode(...), $system));
    }
}, 1500, (int) (VERDICTS / 10));

$shown = [figure(json('line', '0,1', '2,5')), figure(json('circle', '1,-1', '6,-1')), figure(json('ellipse', '-3,0', '3,0', '5,0'))];
$bench->compare('drawings of a grid with a line, a circle and an ellipse', function () use ($grid, $shown): void {
    for ($i = 0; $i < 300; $i++) {
        $frame = new Frame($grid);
        $drawing = new FigureDrawing($frame);
        (new GridDrawing($frame))->grid().implode('', array_map(fn (Figure $one): string => $drawing->svg($one, '#000'), $shown));
    }
}, function (): void {
    for ($i = 0; $i < 300; $i++) {
        json_encode(json_decode(json('line', '0,1', '2,5')));
    }
}, 4000, 300);
exit($bench->end());
