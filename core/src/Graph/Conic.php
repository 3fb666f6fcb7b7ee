<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;
use WideQuarry\Numbers\Exact;

/**
 * A circle, ellipse, parabola or hyperbola, by what fixes it: ax² + bxy + cy² + dx + ey + f = 0, exact where the numbers are rational;
 * for an ellipse or a hyperbola also its foci and the square of twice its half axis (|PF₁| ± |PF₂|)².
 */
final class Conic
{
    /**
     * @param  string  $form  circle, ellipse, parabola or hyperbola
     * @param  list<BigRational>|null  $coefficients  null where they are not rational
     * @param  list<Point>  $foci  two of an ellipse or hyperbola, the centre of a circle, none of a parabola
     * @param  array{BigRational, BigRational}|null  $axis  p and q of (2a)² = p + 2√q or, of a hyperbola, p − 2√q; of a circle 4r² and 0
     */
    private function __construct(
        public readonly string $form,
        public readonly ?array $coefficients,
        public readonly array $foci,
        private readonly ?array $axis,
    ) {
    }

    /** @throws FigureProblem */
    public static function of(Figure $figure): self
    {
        /** @var \WeakMap<Figure, self> $known a figure is checked, then compared with several */
        static $known = new \WeakMap;

        return $known[$figure] ??= self::worked($figure);
    }

    /** @throws FigureProblem */
    private static function worked(Figure $figure): self
    {
        $points = $figure->points;

        return match ($figure->kind) {
            FigureKind::Circle => self::circle($points[0], Plane::squaredDistance($points[0], $points[1])),
            FigureKind::Parabola => self::parabola($points[0], $points[1]),
            FigureKind::Ellipse, FigureKind::Hyperbola => self::byFoci($figure->kind, $points[0], $points[1], $points[2]),
            default => self::general($figure->coefficients),
        };
    }

    /** Half of the long axis, the radius of a circle. */
    public function halfAxis(): BigRational
    {
        assert($this->axis !== null);
        [$p, $q] = $this->axis;
        $root = Plane::root($q)->multipliedBy(2);
        $square = $this->form === 'hyperbola' ? $p->minus($root) : $p->plus($root);

        return Plane::root($square->isNegative() ? Exact::zero() : $square)->dividedBy(2);
    }

    /** Whether it is the very same curve. */
    public function is(self $other): bool
    {
        if ($this->form !== $other->form) {
            return false;
        }
        if ($this->coefficients !== null && $other->coefficients !== null) {
            return self::areProportional($this->coefficients, $other->coefficients);
        }

        // with coefficients that are not rational, they are the same when foci and axis are
        return $this->coefficients === $other->coefficients &&
            self::sameFoci($this->foci, $other->foci) &&
            $this->axis !== null &&
            $other->axis !== null &&
            self::sameAxis($this->axis, $other->axis);
    }

    /** @return list<float> coefficients a to f, for drawing */
    public function near(): array
    {
        $coefficients = $this->coefficients;
        if ($coefficients === null) {
            $axis = $this->halfAxis()->multipliedBy(2);
            $coefficients = self::expanded($this->foci[0], $this->foci[1], $axis->multipliedBy($axis));
        }

        return array_map(fn (BigRational $one): float => $one->toFloat(), $coefficients);
    }

    /** @throws FigureProblem */
    private static function circle(Point $centre, BigRational $square): self
    {
        $one = Exact::one();

        return new self('circle', [
            $one,
            Exact::zero(),
            $one,
            $centre->x->multipliedBy(-2),
            $centre->y->multipliedBy(-2),
            $centre->x->multipliedBy($centre->x)->plus($centre->y->multipliedBy($centre->y))->minus($square),
        ], [$centre], [$square->multipliedBy(4), Exact::zero()]);
    }

    /** y = k + m(x − h)². @throws FigureProblem */
    private static function parabola(Point $vertex, Point $point): self
    {
        $across = $point->x->minus($vertex->x);
        $up = $point->y->minus($vertex->y);
        if ($across->isZero() || $up->isZero()) {
            throw FigureProblem::because('parabola');
        }
        $m = $up->dividedBy($across->multipliedBy($across));

        return new self('parabola', [
            $m,
            Exact::zero(),
            Exact::zero(),
            $m->multipliedBy($vertex->x)->multipliedBy(-2),
            Exact::of('-1'),
            $m->multipliedBy($vertex->x)->multipliedBy($vertex->x)->plus($vertex->y),
        ], [], null);
    }

    /** @throws FigureProblem */
    private static function byFoci(FigureKind $kind, Point $one, Point $two, Point $point): self
    {
        [$first, $second] = [Plane::squaredDistance($point, $one), Plane::squaredDistance($point, $two)];
        $apart = Plane::squaredDistance($one, $two);
        if ($kind === FigureKind::Ellipse && $apart->isZero()) {
            return $first->isZero() ? throw FigureProblem::because('radius') : self::circle($one, $first);
        }
        $axis = [$first->plus($second)->simplified(), $first->multipliedBy($second)->simplified()];
        $lies = Point::turn($one, $two, $point) === 0;
        $between = ! Plane::dot($one, $point, $point, $two)->isNegative();
        if ($kind === FigureKind::Ellipse ? $lies && $between : $apart->isZero() || ($lies && ! $between) || self::isZeroAxis($axis)) {
            throw FigureProblem::because($kind === FigureKind::Ellipse ? 'ellipse' : 'hyperbola');
        }
        $form = $kind === FigureKind::Ellipse ? 'ellipse' : 'hyperbola';
        $root = Plane::exactRoot($axis[1]);
        $square = $root === null
            ? null
            : ($form === 'ellipse' ? $axis[0]->plus($root->multipliedBy(2)) : $axis[0]->minus($root->multipliedBy(2)));

        return new self($form, $square === null ? null : self::expanded($one, $two, $square), [$one, $two], $axis);
    }

    /**
     * Whether a point is as far from one focus as from the other.
     *
     * @param  array{BigRational, BigRational}  $axis
     */
    private static function isZeroAxis(array $axis): bool
    {
        return Exact::compare($axis[0]->multipliedBy($axis[0]), $axis[1]->multipliedBy(4)) === 0;
    }

    /**
     * (u − v)² − 2s(u + v) + s² = 0 with u, v the squared distances from the foci and s = (2a)²: a quadratic form, because u − v is linear.
     *
     * @return list<BigRational>
     */
    private static function expanded(Point $one, Point $two, BigRational $s): array
    {
        // u − v = px + qy + r
        $p = $two->x->minus($one->x)->multipliedBy(2);
        $q = $two->y->minus($one->y)->multipliedBy(2);
        $square = fn (Point $point): BigRational => $point->x->multipliedBy($point->x)->plus($point->y->multipliedBy($point->y));
        $r = $square($one)->minus($square($two));
        $four = $s->multipliedBy(4);

        return [
            $p->multipliedBy($p)->minus($four),
            $p->multipliedBy($q)->multipliedBy(2),
            $q->multipliedBy($q)->minus($four),
            $p->multipliedBy($r)->multipliedBy(2)->plus($four->multipliedBy($one->x->plus($two->x))),
            $q->multipliedBy($r)->multipliedBy(2)->plus($four->multipliedBy($one->y->plus($two->y))),
            $r->multipliedBy($r)->minus($s->multipliedBy(2)->multipliedBy($square($one)->plus($square($two))))->plus($s->multipliedBy($s)),
        ];
    }

    /**
     * @param  list<BigRational>  $given
     *
     * @throws FigureProblem when it is two lines, one, a point or nothing
     */
    private static function general(array $given): self
    {
        [$a, $b, $c, $d, $e, $f] = $given;
        $delta = $b->multipliedBy($b)->minus($a->multipliedBy($c)->multipliedBy(4))->simplified();
        // twice the determinant of the quadratic form, times four: 0 for two lines, one, or a point
        $determinant = $a->multipliedBy($c->multipliedBy($f)->multipliedBy(4)->minus($e->multipliedBy($e)))
            ->minus($b->multipliedBy($b->multipliedBy($f)->minus($d->multipliedBy($e))))
            ->minus($c->multipliedBy($d)->multipliedBy($d));
        if ($determinant->isZero()) {
            throw FigureProblem::because('conic');
        }
        if ($delta->isZero()) {
            return new self('parabola', $given, [], null);
        }
        $isEllipse = $delta->isNegative();
        if ($isEllipse && $determinant->multipliedBy($a->plus($c))->isPositive()) {
            throw FigureProblem::because('conic-nothing');
        }

        return self::central($given, $delta, $isEllipse);
    }

    /**
     * With a centre: its foci lie on its long axis, which is turned by half the angle whose tangent is b / (a − c).
     *
     * @param  list<BigRational>  $given
     */
    private static function central(array $given, BigRational $delta, bool $isEllipse): self
    {
        [$a, $b, $c, $d, $e, $f] = $given;
        $centre = new Point(
            $c->multipliedBy($d)->multipliedBy(2)->minus($b->multipliedBy($e))->dividedBy($delta)->simplified(),
            $a->multipliedBy($e)->multipliedBy(2)->minus($b->multipliedBy($d))->dividedBy($delta)->simplified(),
        );
        $rest = $f->plus($d->multipliedBy($centre->x)->plus($e->multipliedBy($centre->y))->dividedBy(2));
        $root = Plane::root($a->minus($c)->multipliedBy($a->minus($c))->plus($b->multipliedBy($b)));
        // the squares of the half axes along the two eigenvectors
        $eigen = [$a->plus($c)->plus($root)->dividedBy(2), $a->plus($c)->minus($root)->dividedBy(2)];
        $squares = array_map(fn (BigRational $value): BigRational => $rest->negated()->dividedBy($value), $eigen);
        if ($root->isZero()) {
            return new self('circle', $given, [$centre], [$squares[0]->multipliedBy(4), Exact::zero()]);
        }
        $long = $isEllipse ? (Exact::compare($squares[0], $squares[1]) >= 0 ? 0 : 1) : ($squares[0]->isPositive() ? 0 : 1);
        $focal = Plane::root($squares[0]->minus($squares[1])->abs());
        // cos²θ of the eigenvector of the larger eigenvalue is (1 + (a − c) / root) / 2
        $cosine = Plane::root(self::notBelow($a->minus($c)->dividedBy($root)->plus(1)->dividedBy(2)));
        $sine = Plane::root(self::notBelow(Exact::one()->minus($cosine->multipliedBy($cosine))));
        $sine = $b->isNegative() ? $sine->negated() : $sine;
        [$x, $y] = $long === 0 ? [$cosine, $sine] : [$sine->negated(), $cosine];
        $focus = fn (int $way): Point => new Point(
            $centre->x->plus($focal->multipliedBy($x)->multipliedBy($way)),
            $centre->y->plus($focal->multipliedBy($y)->multipliedBy($way)),
        );

        return new self(
            $isEllipse ? 'ellipse' : 'hyperbola',
            $given,
            [$focus(1), $focus(-1)],
            [$squares[$long]->multipliedBy(4), Exact::zero()],
        );
    }

    private static function notBelow(BigRational $value): BigRational
    {
        return $value->isNegative() ? Exact::zero() : $value;
    }

    /**
     * @param  list<BigRational>  $one
     * @param  list<BigRational>  $other
     */
    private static function areProportional(array $one, array $other): bool
    {
        foreach ($one as $i => $value) {
            foreach (array_slice($one, 0, $i) as $j => $earlier) {
                if (Exact::compare($value->multipliedBy($other[$j]), $earlier->multipliedBy($other[$i])) !== 0) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * @param  list<Point>  $one
     * @param  list<Point>  $other
     */
    private static function sameFoci(array $one, array $other): bool
    {
        return ($one[0]->isAt($other[0]) && $one[1]->isAt($other[1])) || ($one[0]->isAt($other[1]) && $one[1]->isAt($other[0]));
    }

    /**
     * Whether p₁ ± 2√q₁ = p₂ ± 2√q₂. The roots are not rational here, so p and q must both be the same: a difference of roots that are
     * not the same is never rational.
     *
     * @param  array{BigRational, BigRational}  $one
     * @param  array{BigRational, BigRational}  $other
     */
    private static function sameAxis(array $one, array $other): bool
    {
        return Exact::compare($one[0], $other[0]) === 0 && Exact::compare($one[1], $other[1]) === 0;
    }
}
