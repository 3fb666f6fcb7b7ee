<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;
use WideQuarry\Geometry\Polygon;
use WideQuarry\Numbers\Exact;

/**
 * A figure with its numbers, in units of the grid. `points`: of a line, segment or vector two points; of a ray its start and a point; of a
 * circle its centre and a point; of a parabola (axis upright) its vertex and a point; of an ellipse or hyperbola two foci and a point; of
 * a polyline or polygon its corners in order; of an interval its ends; of a number ray its start and a point beyond. Points of a number
 * line have y = 0.
 */
final readonly class Figure
{
    /** No grid is larger, and exact numbers stay short. */
    private const FARTHEST = '1000000000';

    /** Floats below this are of numbers that are nearer than that. */
    private const NEAR = 999_999_999.0;

    /**
     * @param  list<Point>  $points
     * @param  list<BigRational>  $coefficients  a to f of ax² + bxy + cy² + dx + ey + f = 0
     * @param  list<string>  $ends  open or closed
     * @param  bool|null  $dashed  null where nothing is said of it
     * @param  bool  $strict  whether the boundary of an inequality does not belong to it
     */
    private function __construct(
        public FigureKind $kind,
        public array $points,
        public array $coefficients,
        public ?Curve $curve,
        public array $ends,
        public ?bool $dashed,
        public bool $strict,
        public ?Point $side,
        public bool $free,
    ) {
    }

    /**
     * @param  list<Point>  $points
     * @param  list<BigRational>  $coefficients
     * @param  list<string>  $ends
     *
     * @throws FigureProblem
     */
    public static function of(
        FigureKind $kind,
        array $points,
        array $coefficients = [],
        ?Curve $curve = null,
        array $ends = [],
        ?bool $strict = null,
        ?Point $side = null,
        ?bool $dashed = null,
        bool $free = false,
    ): self {
        [$least, $most] = $kind->points();
        if (count($points) < $least || count($points) > $most) {
            throw FigureProblem::because('points', ['figure' => $kind->value, 'least' => $least, 'most' => $most]);
        }
        self::near([...$points, ...$side === null ? [] : [$side]]);
        if ($kind === FigureKind::Inequality) {
            [$strict, $dashed] = [$strict ?? $dashed ?? false, $dashed ?? $strict ?? false];
        }
        $ends = array_pad($ends, $kind->ends(), 'closed');
        $figure = new self($kind, $points, $coefficients, $curve, $ends, $dashed, $strict ?? false, $side, $free);
        $figure->validate();

        return $figure;
    }

    /** @throws FigureProblem */
    private function validate(): void
    {
        $points = $this->points;
        match ($this->kind) {
            FigureKind::Point => null,
            FigureKind::Polyline => self::apart($points, false),
            FigureKind::Polygon => self::simple($points),
            FigureKind::Circle => $points[0]->isAt($points[1]) ? throw FigureProblem::because('radius') : null,
            FigureKind::Conic => $this->coefficients === [] ? throw FigureProblem::because('coefficients') : Conic::of($this),
            FigureKind::Ellipse, FigureKind::Hyperbola, FigureKind::Parabola => Conic::of($this),
            FigureKind::Function_ => $this->curve ?? throw FigureProblem::because('no-formula'),
            FigureKind::Inequality => $this->boundary(),
            default => self::apart($points, false),
        };
    }

    /** @throws FigureProblem */
    private function boundary(): void
    {
        if ($this->curve === null && count($this->points) !== 2) {
            throw FigureProblem::because('no-boundary');
        }
        if ($this->curve === null) {
            self::apart($this->points, false);
        }
        if ($this->side === null) {
            throw FigureProblem::because('no-side');
        }
        $above = $this->curve?->unbounded()->at($this->side->x);
        if ($this->curve !== null && $above === null) {
            throw FigureProblem::because('side-nowhere');
        }
        $lies = $this->curve === null
            ? Point::turn($this->points[0], $this->points[1], $this->side)
            : Exact::compare($this->side->y, $above);
        if ($lies === 0) {
            throw FigureProblem::because('side-on-boundary');
        }
    }

    /**
     * @param  list<Point>  $points
     *
     * @throws FigureProblem when two that follow each other are at one place
     */
    private static function apart(array $points, bool $closed): void
    {
        foreach ($points as $i => $point) {
            $next = $points[$i + 1] ?? ($closed ? $points[0] : null);
            if ($next !== null && $point->isAt($next)) {
                throw FigureProblem::because('equal-points');
            }
        }
    }

    /**
     * @param  list<Point>  $points
     *
     * @throws FigureProblem
     */
    private static function simple(array $points): void
    {
        self::apart($points, true);
        $corners = Corners::withoutStraight($points, true);
        if (count($corners) < 3) {
            throw FigureProblem::because('flat');
        }
        if (Corners::turnsBack($corners) || (new Polygon($corners))->crossesItself()) {
            throw FigureProblem::because('crosses-itself');
        }
    }

    /**
     * @param  list<Point>  $points
     *
     * @throws FigureProblem
     */
    private static function near(array $points): void
    {
        $farthest = Exact::of(self::FARTHEST);
        foreach ($points as $point) {
            if (max(abs($point->nearX), abs($point->nearY)) < self::NEAR) {
                continue;
            }
            if (Exact::compare($point->x->abs(), $farthest) > 0 || Exact::compare($point->y->abs(), $farthest) > 0) {
                throw FigureProblem::because('far');
            }
        }
    }
}
