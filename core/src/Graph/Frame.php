<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;

/** Where on a drawing things of a grid are, in CSS pixels from its top left corner. Drawing is all that floats are used for. */
final readonly class Frame
{
    private const WIDEST = 520.0;

    private const HIGHEST = 420.0;

    private const LARGEST_STEP = 44.0;

    /** Of a number line: room for ends above it and numbers below. */
    private const LINE = 40.0;

    public float $left;

    public float $top;

    public float $right;

    public float $bottom;

    public float $width;

    public float $height;

    /** Where the axes begin, in units: asked for at every point that is drawn. */
    private float $fromX;

    private float $fromY;

    /** Pixels of a unit. */
    public float $perX;

    public float $perY;

    /** @param  float|null  $step  pixels of a grid step, where they are not to suit the page */
    public function __construct(public Grid $grid, ?float $step = null)
    {
        [$wide, $high] = [$grid->x->steps()->toFloat(), $grid->y?->steps()->toFloat() ?? 0.0];
        [$this->fromX, $this->fromY] = [$grid->x->from->toFloat(), $grid->y?->from->toFloat() ?? 0.0];
        $step ??= min(self::LARGEST_STEP, self::WIDEST / $wide, $high === 0.0 ? INF : self::HIGHEST / $high);
        [$this->left, $this->top] = [40.0, $grid->y === null ? self::LINE : 24.0];
        $this->right = $this->left + $wide * $step;
        $this->bottom = $this->top + $high * $step;
        $this->width = $this->right + 40;
        $this->height = $this->bottom + 36;
        $this->perX = $step / $grid->x->step->toFloat();
        $this->perY = $grid->y === null ? 0.0 : $step / $grid->y->step->toFloat();
    }

    public function x(BigRational|float $x): float
    {
        return $this->left + (self::float($x) - $this->fromX) * $this->perX;
    }

    public function y(BigRational|float $y): float
    {
        return $this->bottom - (self::float($y) - $this->fromY) * $this->perY;
    }

    /** "12.5,40" */
    public function pair(Point $point): string
    {
        return self::number($this->x($point->x)).','.self::number($this->y($point->y));
    }

    /** @return array{width: float, height: float, left: float, top: float, right: float, bottom: float} for who draws on it */
    public function shown(): array
    {
        return [
            'width' => round($this->width, 2),
            'height' => round($this->height, 2),
            'left' => $this->left,
            'top' => $this->top,
            'right' => round($this->right, 2),
            'bottom' => round($this->bottom, 2),
        ];
    }

    public static function number(float $number): string
    {
        return (string) (round($number, 2) + 0.0); // PHP writes the shortest decimal, and never a comma
    }

    private static function float(BigRational|float $number): float
    {
        return is_float($number) ? $number : $number->toFloat();
    }
}
