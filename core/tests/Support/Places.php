<?php

declare(strict_types=1);

namespace WideQuarry\Tests\Support;

/** Where a place lies, in floats and by angles, so that it shares nothing with the core's own geometry. */
final class Places
{
    /** @param  list<\stdClass>  $regions */
    public static function first(array $regions, float $x, float $y): ?string
    {
        foreach ($regions as $region) {
            if (self::lies($region->shape, array_map(floatval(...), $region->at), $x, $y)) {
                return $region->id;
            }
        }

        return null;
    }

    /** @param  list<float>  $n */
    public static function lies(string $shape, array $n, float $x, float $y): bool
    {
        return match ($shape) {
            'circle' => hypot($x - $n[0], $y - $n[1]) <= $n[2] + 1e-9,
            'ellipse' => hypot(($x - $n[0]) / $n[2], ($y - $n[1]) / $n[3]) <= 1 + 1e-9,
            'rect', 'rectangle' => $x >= $n[0] && $x <= $n[2] && $y >= $n[1] && $y <= $n[3],
            'default' => true,
            default => self::windsRound($n, $x, $y),
        };
    }

    /** Angles at which the corners are seen from the place add up to a whole turn. @param  list<float>  $n */
    private static function windsRound(array $n, float $x, float $y): bool
    {
        $turned = 0.0;
        for ($i = 0; $i < count($n); $i += 2) {
            $j = ($i + 2) % count($n);
            [$ax, $ay, $bx, $by] = [$n[$i] - $x, $n[$i + 1] - $y, $n[$j] - $x, $n[$j + 1] - $y];
            $turn = atan2($ax * $by - $ay * $bx, $ax * $bx + $ay * $by);
            if (abs(abs($turn) - M_PI) < 1e-9) {
                return true; // on an edge
            }
            $turned += $turn;
        }

        return abs($turned) > M_PI;
    }
}
