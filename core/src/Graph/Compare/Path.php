<?php

declare(strict_types=1);

namespace WideQuarry\Graph\Compare;

use Brick\Math\BigRational;
use WideQuarry\Graph\Curve;
use WideQuarry\Graph\Figure;
use WideQuarry\Graph\FigureKind;
use WideQuarry\Numbers\Exact;

/** A figure that has one y for each x: a function, a line that is not upright, a parabola with an upright axis. */
final readonly class Path
{
    /** @param  list<BigRational>  $polynomial  y = p₀ + p₁x + p₂x² where there is no formula */
    private function __construct(private ?Curve $curve, private array $polynomial)
    {
    }

    public static function of(Figure $figure): ?self
    {
        if ($figure->curve !== null) {
            return new self($figure->curve, []);
        }
        $points = $figure->points;

        return match ($figure->kind) {
            FigureKind::Line, FigureKind::Inequality => self::line($figure),
            FigureKind::Parabola => self::parabola($points[0]->x, $points[0]->y, $points[1]->x, $points[1]->y),
            FigureKind::Conic => self::conic($figure->coefficients),
            default => null,
        };
    }

    public function at(BigRational $x): ?BigRational
    {
        if ($this->curve !== null) {
            return $this->curve->at($x);
        }
        $y = Exact::zero();
        foreach (array_reverse($this->polynomial) as $coefficient) {
            $y = $y->multipliedBy($x)->plus($coefficient);
        }

        return $y->simplified();
    }

    /** Whether both are formulas that are built alike: their values are the same wherever they have any. */
    public function isBuiltAs(self $other): bool
    {
        return $this->curve !== null && $other->curve !== null && $this->curve->isBuiltAs($other->curve);
    }

    /** @return array{BigRational|null, BigRational|null} where it begins and ends; null: nowhere */
    public function ends(): array
    {
        return [$this->curve?->from, $this->curve?->to];
    }

    private static function line(Figure $figure): ?self
    {
        [$a, $b] = $figure->points;
        $across = $b->x->minus($a->x);
        if ($across->isZero()) {
            return null;
        }
        $slope = $b->y->minus($a->y)->dividedBy($across)->simplified();

        return new self(null, [$a->y->minus($slope->multipliedBy($a->x))->simplified(), $slope]);
    }

    private static function parabola(BigRational $h, BigRational $k, BigRational $x, BigRational $y): self
    {
        $m = $y->minus($k)->dividedBy($x->minus($h)->power(2))->simplified();

        return new self(null, [$m->multipliedBy($h)->multipliedBy($h)->plus($k), $m->multipliedBy($h)->multipliedBy(-2), $m]);
    }

    /** @param  list<BigRational>  $coefficients */
    private static function conic(array $coefficients): ?self
    {
        [$a, $b, $c, $d, $e, $f] = $coefficients;

        return $b->isZero() && $c->isZero() && ! $e->isZero()
            ? new self(null, array_map(fn (BigRational $one): BigRational => $one->dividedBy($e)->negated()->simplified(), [$f, $d, $a]))
            : null;
    }
}
