<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use Brick\Math\BigRational;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;

/** Gives a question another total: one part takes it all, several share it as they shared the old one. */
final class PointsChange
{
    /** Points are written with at most four decimals. */
    private const PLACES = 4;

    /**
     * @return \stdClass|null a copy; null when the total cannot be shared in four decimals, or nothing can be shared as there are no
     * points now
     */
    public static function to(\stdClass $question, BigRational $total): ?\stdClass
    {
        $copy = Json::copy($question);
        assert($copy instanceof \stdClass);
        $parts = array_values(
            array_filter(is_array($copy->parts ?? null) ? $copy->parts : [], fn (mixed $part): bool => $part instanceof \stdClass),
        );
        $now = array_map(
            fn (\stdClass $part): BigRational => Exact::read(is_scalar($part->points ?? null) ? (string) $part->points : '') ??
                Exact::zero(),
            $parts,
        );
        $sum = array_reduce($now, fn (BigRational $sum, BigRational $one): BigRational => $sum->plus($one), Exact::zero());
        if ($parts === [] || ($sum->isZero() && count($parts) > 1)) {
            return null;
        }
        foreach ($parts as $i => $part) {
            $share = count($parts) === 1 ? $total : $total->multipliedBy($now[$i])->dividedBy($sum);
            $written = Exact::toPlaces($share, self::PLACES);
            if (! BigRational::of((string) $written)->isEqualTo($share)) {
                return null;
            }
            $part->points = Exact::number($share);
        }

        return $copy;
    }
}
