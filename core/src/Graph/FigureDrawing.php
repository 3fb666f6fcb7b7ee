<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use WideQuarry\Geometry\Point;
use WideQuarry\Graph\Compare\Path;
use WideQuarry\Graph\Compare\Sides;

/** Figures as SVG, in a frame. */
final readonly class FigureDrawing
{
    /** Places at which a curve is worked out, from one edge of the grid to the other. */
    private const PLACES = 120;

    private const EDGE = 2.0;

    /** Share of the height beyond which one step of a curve is looked at again. */
    private const LEAP = 6;

    public function __construct(private Frame $frame)
    {
    }

    /** @param  string  $colour  such as "#0e6a5b" */
    public function svg(Figure $figure, string $colour): string
    {
        $dash = $figure->dashed === true ? ' stroke-dasharray="7 5"' : '';
        $line = fn (string $path): string => $path === ''
            ? ''
            : "<path d=\"$path\" fill=\"none\" stroke=\"$colour\" stroke-width=\"2.5\" stroke-linejoin=\"round\"$dash/>";
        $points = $figure->points;

        return match ($figure->kind) {
            FigureKind::Point => $this->dot($points[0], $colour, true),
            FigureKind::Segment => $line($this->open($points)).
                $this->dot($points[0], $colour, true, 3).
                $this->dot($points[1], $colour, true, 3),
            FigureKind::Polyline => $line($this->open($points)),
            FigureKind::Polygon => '<path d="'.$this->open($points)."Z\" fill=\"$colour\" fill-opacity=\".12\" stroke=\"$colour\" ".
                "stroke-width=\"2.5\" stroke-linejoin=\"round\"$dash/>",
            FigureKind::Line => $line($this->visible($points, false)),
            FigureKind::Ray => $line($this->visible($points, true)).$this->dot($points[0], $colour, true, 3),
            FigureKind::Vector => $line($this->open($points)).$this->head($points[0], $points[1], $colour),
            FigureKind::Function_ => $this->clipped($line($this->curve($figure))),
            FigureKind::Inequality => $this->clipped($this->shade($figure, $colour).$line($this->boundary($figure))),
            FigureKind::Interval, FigureKind::NumberRay => $this->onLine($figure, $colour),
            default => $this->clipped($line((new ConicDrawing($this->frame))->path($figure))),
        };
    }

    /** Only what lies on the grid, with half the width of a line around it. */
    private function clipped(string $svg): string
    {
        $box = [
            $this->frame->left - self::EDGE,
            $this->frame->top - self::EDGE,
            $this->frame->right - $this->frame->left + 2 * self::EDGE,
            $this->frame->bottom - $this->frame->top + 2 * self::EDGE,
        ];
        [$x, $y, $width, $height] = array_map(Frame::number(...), $box);

        // an inner picture shows nothing beyond its edges (SVG 2, 3.4.2)
        return $svg === '' ? '' : "<svg x=\"$x\" y=\"$y\" width=\"$width\" height=\"$height\" viewBox=\"$x $y $width $height\">$svg</svg>";
    }

    /** @param  list<Point>  $points */
    private function open(array $points): string
    {
        return 'M'.implode('L', array_map($this->frame->pair(...), $points));
    }

    /**
     * The part of a line that is on the grid.
     *
     * @param  list<Point>  $points
     */
    private function visible(array $points, bool $isRay): string
    {
        $grid = $this->frame->grid;
        [$a, $b] = $grid->allInSteps($points);
        $ends = $grid->visible($a, $b, $isRay);

        return $ends === null ? '' : $this->open(array_map($grid->inUnits(...), $ends));
    }

    private function boundary(Figure $figure): string
    {
        return $figure->curve === null ? $this->visible($figure->points, false) : $this->curve($figure);
    }

    private function curve(Figure $figure): string
    {
        $path = Path::of($figure);
        $places = [];
        $before = null;
        foreach ($this->places($figure) as $x) {
            $y = $path?->at($x);
            $place = $y === null ? null : [$this->frame->x($x), $this->kept($this->frame->y($y))];
            if ($path !== null && $before !== null && $place !== null && $this->isPole($path, $before, [$x, $place[1]])) {
                $places[] = null;
            }
            $places[] = $place;
            $before = $place === null ? null : [$x, $place[1]];
        }

        return self::joined($places, INF);
    }

    /** Far outside a line is drawn no farther than an edge. */
    private function kept(float $y): float
    {
        return max(-2 * $this->frame->height, min(3 * $this->frame->height, $y));
    }

    /**
     * Whether a curve that leaps from one place to the next does not go through what lies between.
     *
     * @param  array{\Brick\Math\BigRational, float}  $from  x in units, y in pixels
     * @param  array{\Brick\Math\BigRational, float}  $to
     */
    private function isPole(Path $path, array $from, array $to): bool
    {
        if (abs($to[1] - $from[1]) < $this->frame->height / self::LEAP) {
            return false;
        }
        $middle = $path->at($from[0]->plus($to[0])->dividedBy(2)->simplified());
        $y = $middle === null ? null : $this->kept($this->frame->y($middle));

        return $y === null || $y < min($from[1], $to[1]) || $y > max($from[1], $to[1]);
    }

    /** @return list<\Brick\Math\BigRational> */
    private function places(Figure $figure): array
    {
        $axis = $this->frame->grid->x;
        $from = $figure->curve->from ?? $axis->from;
        $to = $figure->curve->to ?? $axis->to;
        $width = $to->minus($from)->dividedBy(self::PLACES);

        return array_map(
            fn (int $i): \Brick\Math\BigRational => $from->plus($width->multipliedBy($i))->simplified(),
            range(0, self::PLACES),
        );
    }

    /**
     * @param  list<array{float, float}|null>  $places
     * @param  float  $jump  two places farther apart than this, up or down, are not joined
     */
    public static function joined(array $places, float $jump): string
    {
        $path = '';
        $before = null;
        foreach ($places as $place) {
            if ($place !== null) {
                $isJoined = $before !== null && abs($place[1] - $before[1]) < $jump;
                $path .= ($isJoined ? 'L' : 'M').Frame::number($place[0]).','.Frame::number($place[1]);
            }
            $before = $place;
        }

        return $path;
    }

    /** The half of the grid that an inequality selects. */
    private function shade(Figure $figure, string $colour): string
    {
        if ($figure->curve !== null) {
            $edge = $this->curve($figure);
            $to = Frame::number(Sides::isAbove($figure) ? -$this->frame->height : 2 * $this->frame->height);
            [$left, $right] = [Frame::number($this->frame->left), Frame::number($this->frame->right)];

            return $edge === '' ? '' : '<path d="M'.substr($edge, 1)."L$right,{$to}L$left,{$to}Z\" fill=\"$colour\" fill-opacity=\".16\"/>";
        }
        $grid = $this->frame->grid;
        $box = [
            new Point($grid->x->from, $grid->y->from ?? $grid->x->from),
            new Point($grid->x->to, $grid->y->from ?? $grid->x->from),
            new Point($grid->x->to, $grid->y->to ?? $grid->x->to),
            new Point($grid->x->from, $grid->y->to ?? $grid->x->to),
        ];
        $corners = HalfPlane::of($figure, false)->clip($box);

        return $corners === [] ? '' : '<path d="'.$this->open($corners)."Z\" fill=\"$colour\" fill-opacity=\".16\"/>";
    }

    private function dot(Point $point, string $colour, bool $isFilled, float $radius = 5): string
    {
        [$x, $y] = [Frame::number($this->frame->x($point->x)), Frame::number($this->frame->y($point->y))];
        $fill = $isFilled ? $colour : '#fff';

        return "<circle cx=\"$x\" cy=\"$y\" r=\"$radius\" fill=\"$fill\" stroke=\"$colour\" stroke-width=\"2\"/>";
    }

    /** The head of an arrow. */
    private function head(Point $from, Point $to, string $colour): string
    {
        [$x, $y] = [$this->frame->x($to->x), $this->frame->y($to->y)];
        $turn = rad2deg(atan2($y - $this->frame->y($from->y), $x - $this->frame->x($from->x)));

        return '<path d="M0 0l-12 -5v10z" fill="'.$colour.'" transform="translate('.Frame::number($x).' '.Frame::number($y).
            ') rotate('.Frame::number($turn).')"/>';
    }

    private function onLine(Figure $figure, string $colour): string
    {
        $frame = $this->frame;
        [$a, $b] = [$frame->x($figure->points[0]->x), $frame->x($figure->points[1]->x)];
        $isRay = $figure->kind === FigureKind::NumberRay;
        $end = $isRay ? ($b > $a ? $frame->right + 12 : $frame->left - 12) : $b;
        $y = Frame::number($frame->bottom);
        $svg = '<path d="M'.Frame::number($a)." {$y}H".Frame::number($end)."\" stroke=\"$colour\" stroke-width=\"5\" fill=\"none\"/>";
        if ($isRay) {
            $way = $b > $a ? 'l-12 -7v14z' : 'l12 -7v14z';
            $svg .= '<path d="M'.Frame::number($end + ($b > $a ? 6 : -6))." {$y}$way\" fill=\"$colour\"/>";
        }
        foreach ($figure->ends as $i => $kind) {
            $svg .= $this->dot($figure->points[$i], $colour, $kind === 'closed', 6);
        }

        return $svg;
    }
}
