<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

/** Conics as paths: for each x of the grid the one or two y that meet the equation. */
final readonly class ConicDrawing
{
    /** Pixels from one place to the next. */
    private const APART = 2.0;

    public function __construct(private Frame $frame)
    {
    }

    public function path(Figure $figure): string
    {
        [$a, $b, $c, $d, $e, $f] = Conic::of($figure)->near();
        $high = $low = [];
        foreach ($this->places($a, $b, $c, $d, $e, $f) as $x) {
            $ys = self::roots($c, $b * $x + $e, $a * $x * $x + $d * $x + $f);
            $high[] = $ys === [] ? null : $this->place($x, $ys[0]);
            $low[] = $ys === [] ? null : $this->place($x, $ys[count($ys) - 1]);
        }
        $jump = 4 * $this->frame->height;

        return FigureDrawing::joined($high, $jump).($c === 0.0 ? '' : FigureDrawing::joined($low, $jump));
    }

    /** @return array{float, float} */
    private function place(float $x, float $y): array
    {
        $height = $this->frame->height;

        return [$this->frame->x($x), max(-2 * $height, min(3 * $height, $this->frame->y($y)))];
    }

    /**
     * Along the grid, and where the curve is upright: where both y are the same.
     *
     * @return list<float>
     */
    private function places(float $a, float $b, float $c, float $d, float $e, float $f): array
    {
        $from = $this->frame->grid->x->from->toFloat();
        $to = $this->frame->grid->x->to->toFloat();
        $places = range($from, $to, self::APART / $this->frame->perX);
        foreach (self::roots($b * $b - 4 * $a * $c, 2 * $b * $e - 4 * $c * $d, $e * $e - 4 * $c * $f) as $x) {
            $places[] = $x;
        }
        sort($places);

        return array_values(array_filter($places, fn (float $x): bool => $x >= $from - 1e-9 && $x <= $to + 1e-9));
    }

    /**
     * Of px² + qx + r.
     *
     * @return list<float> the greater first
     */
    private static function roots(float $p, float $q, float $r): array
    {
        if (abs($p) < 1e-12) {
            return abs($q) < 1e-12 ? [] : [-$r / $q];
        }
        $under = $q * $q - 4 * $p * $r;
        if ($under < -1e-9 * ($q * $q + abs(4 * $p * $r))) {
            return [];
        }
        $root = sqrt(max(0.0, $under));
        $both = [(-$q + $root) / (2 * $p), (-$q - $root) / (2 * $p)];
        rsort($both);

        return $both;
    }
}
