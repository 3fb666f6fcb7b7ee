<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;
use WideQuarry\Graph\Compare\Sides;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** Figures in words: "the line through (0, 1) and (2, 5), dashed". */
final class FigureWords
{
    public static function name(FigureKind $kind): string
    {
        return Message::of('graph.name', ['figure' => $kind->value]);
    }

    public static function of(Figure $figure, Grid $grid): string
    {
        $points = array_map(fn (Point $point): string => self::place($point, $grid), $figure->points);
        $words = match ($figure->kind) {
            FigureKind::Polyline => Message::of('graph.the-polyline', ['all' => implode(', ', $points)]),
            FigureKind::Polygon => Message::of('graph.the-polygon', ['corners' => count($points), 'all' => implode(', ', $points)]),
            FigureKind::Conic => Message::of('graph.the-conic', ['equation' => self::equation($figure->coefficients)]),
            FigureKind::Function_ => self::curve($figure),
            FigureKind::Inequality => self::inequality($figure, $points),
            FigureKind::Interval => self::interval($figure, $points),
            FigureKind::NumberRay => self::numberRay($figure, $points[0]),
            default => self::byPoints($figure, $points[0], $points[1] ?? '', $points[2] ?? ''),
        };

        return $figure->dashed === true && $figure->kind !== FigureKind::Inequality
            ? Message::of('graph.dashed', ['words' => $words])
            : $words;
    }

    private static function byPoints(Figure $figure, string $first, string $second, string $third): string
    {
        return Message::of('graph.the-figure', [
            'figure' => $figure->free ? 'free_vector' : $figure->kind->value,
            'first' => $first,
            'second' => $second,
            'third' => $third,
        ]);
    }

    /** As people write a number: "−1.5", "1/3". */
    public static function number(BigRational $number): string
    {
        return str_replace('-', '−', Exact::decimal($number) ?? Exact::text($number));
    }

    private static function place(Point $point, Grid $grid): string
    {
        return $grid->y === null ? self::number($point->x) : '('.self::number($point->x).', '.self::number($point->y).')';
    }

    private static function curve(Figure $figure): string
    {
        [$from, $to] = [$figure->curve?->from, $figure->curve?->to];

        return Message::of('graph.the-function', [
            'formula' => $figure->curve->source ?? '',
            'domain' => $from === null || $to === null ? 'no' : 'yes',
            'from' => $from === null ? '' : self::number($from),
            'to' => $to === null ? '' : self::number($to),
        ]);
    }

    /** @param  list<string>  $points */
    private static function inequality(Figure $figure, array $points): string
    {
        $isUpright = $figure->curve === null && Exact::compare($figure->points[0]->x, $figure->points[1]->x) === 0;
        $isAbove = Sides::isAbove($figure);

        return Message::of('graph.the-inequality', [
            'first' => $points[0] ?? '',
            'second' => $points[1] ?? '',
            'formula' => $figure->curve === null ? 'no' : 'yes',
            'curve' => $figure->curve->source ?? '',
            'style' => $figure->dashed === true ? 'yes' : 'no',
            'side' => $isUpright ? ($isAbove ? 'right' : 'left') : ($isAbove ? 'above' : 'below'),
        ]);
    }

    /** @param  list<string>  $points */
    private static function interval(Figure $figure, array $points): string
    {
        $order = Exact::compare($figure->points[0]->x, $figure->points[1]->x) < 0 ? [0, 1] : [1, 0];

        return Message::of('graph.the-interval', [
            'first' => $points[$order[0]],
            'second' => $points[$order[1]],
            'firstIn' => $figure->ends[$order[0]] === 'closed' ? 'yes' : 'no',
            'secondIn' => $figure->ends[$order[1]] === 'closed' ? 'yes' : 'no',
        ]);
    }

    private static function numberRay(Figure $figure, string $start): string
    {
        return Message::of('graph.the-number-ray', [
            'first' => $start,
            'firstIn' => $figure->ends[0] === 'closed' ? 'yes' : 'no',
            'way' => Exact::compare($figure->points[1]->x, $figure->points[0]->x) > 0 ? 'up' : 'down',
        ]);
    }

    /**
     * "x² + 2xy − 4": terms that are nothing are left out, and so is a factor of one.
     *
     * @param  list<BigRational>  $coefficients
     */
    private static function equation(array $coefficients): string
    {
        $written = '';
        foreach (['x²', 'xy', 'y²', 'x', 'y', ''] as $i => $term) {
            $factor = $coefficients[$i];
            if ($factor->isZero()) {
                continue;
            }
            $size = self::number($factor->abs());
            $sign = $factor->isNegative() ? '−' : '+';
            $written .= ($written === '' ? ($sign === '−' ? '−' : '') : " $sign ").($size === '1' && $term !== '' ? '' : $size).$term;
        }

        return $written;
    }
}
