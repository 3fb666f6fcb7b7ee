<?php

declare(strict_types=1);

namespace WideQuarry\Graph\Compare;

use Brick\Math\BigRational;
use WideQuarry\Graph\Conic;
use WideQuarry\Graph\Figure;
use WideQuarry\Graph\FigureKind;
use WideQuarry\Graph\Grid;
use WideQuarry\Graph\Verdict;

/**
 * Compares a drawn figure with a wanted one by what they are: a line by any two of its points, a polygon from any corner either way
 * round, a conic by its equation. How far two may be apart is measured in steps of the grid, for each point that fixes the figure.
 */
final readonly class Comparison
{
    private LineComparison $lines;

    private CornerComparison $corners;

    private ConicComparison $conics;

    private CurveComparison $curves;

    /** @param  BigRational  $tolerance  in grid steps */
    public function __construct(private Grid $grid, private BigRational $tolerance)
    {
        $this->lines = new LineComparison($grid, $tolerance);
        $this->corners = new CornerComparison($grid, $tolerance);
        $this->conics = new ConicComparison($grid, $tolerance);
        $this->curves = new CurveComparison($grid, $tolerance);
    }

    public function of(Figure $wanted, Figure $given): Verdict
    {
        if ($wanted->kind === FigureKind::Inequality) {
            return $given->kind === FigureKind::Inequality ? $this->inequality($wanted, $given) : Verdict::other();
        }
        if ($wanted->kind->ends() > 0) {
            return $this->ends($wanted, $given);
        }
        $family = self::family($wanted->kind);
        $verdict = match (true) {
            $family === self::family($given->kind) => $this->inFamily($family, $wanted, $given),
            $given->kind === FigureKind::Inequality => Verdict::other(),
            default => $this->across($wanted, $given),
        };

        $dashed = $wanted->dashed === null || ($given->dashed ?? false) === $wanted->dashed;

        return $verdict instanceof Verdict ? $verdict->drawn($dashed) : new Verdict($verdict, $dashed);
    }

    private function inFamily(string $family, Figure $wanted, Figure $given): bool|Verdict
    {
        return match ($family) {
            'line', 'ray' => $this->lines->areSame($wanted, $given),
            'corners' => $this->corners->of($wanted, $given),
            'vector' => $this->corners->vectors($wanted, $given),
            'point' => $this->corners->points($wanted, $given),
            'conic' => $this->conics->areSame(Conic::of($wanted), Conic::of($given), $wanted, $given),
            'curve' => $this->across($wanted, $given),
            default => false,
        };
    }

    /** A straight line or a parabola may be given as a formula, and the other way round. */
    private function across(Figure $wanted, Figure $given): bool|Verdict
    {
        [$one, $other] = [Path::of($wanted), Path::of($given)];

        return ($wanted->curve === null && $given->curve === null) || $one === null || $other === null
            ? Verdict::other()
            : $this->curves->areSame($one, $other);
    }

    private function inequality(Figure $wanted, Figure $given): Verdict
    {
        $position = $wanted->curve === null && $given->curve === null
            ? $this->lines->areSame($wanted, $given)
            : $this->across($wanted, $given) === true;

        return new Verdict($position, $given->dashed === $wanted->strict, $position && Sides::areSame($wanted, $given));
    }

    private function ends(Figure $wanted, Figure $given): Verdict
    {
        return $wanted->kind === $given->kind
            ? (new IntervalComparison($this->grid, $this->tolerance))->of($wanted, $given)
            : Verdict::other();
    }

    private static function family(FigureKind $kind): string
    {
        return match ($kind) {
            FigureKind::Segment, FigureKind::Polyline, FigureKind::Polygon => 'corners',
            FigureKind::Circle, FigureKind::Ellipse, FigureKind::Parabola, FigureKind::Hyperbola, FigureKind::Conic => 'conic',
            FigureKind::Function_ => 'curve',
            default => $kind->value,
        };
    }
}
