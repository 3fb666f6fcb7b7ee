<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use WideQuarry\Numbers\Exact;

/** Points as QTI's floats, and back to shares. */
final class ScoreFloats
{
    /** Less than any share of points, more than what floats are out by. */
    public const HAIR = '0.000001';

    /** Twelve decimals at most; exact when there are fewer. */
    public static function float(BigRational $value): string
    {
        return Exact::decimal($value) !== null && strlen((string) Exact::decimal($value)) < 14
            ? (string) Exact::decimal($value)
            : (string) $value->toScale(12, RoundingMode::HALF_UP);
    }

    /** What a score that was added up reaches when it is all of the points: floats that are added may fall short of it by a hair. */
    public static function full(BigRational $points): string
    {
        return self::float($points->minus(self::HAIR));
    }

    /** Credit = value ÷ points; a long decimal near a simple fraction is taken for it. */
    public static function share(string $value, BigRational $points): string
    {
        $exact = Exact::read($value) ?? Exact::zero();

        return Exact::text((strlen(explode('.', $value)[1] ?? '') >= 9 ? self::near($exact, '1/100000000') : $exact)->dividedBy($points));
    }

    /** The simple fraction that a long decimal stands for; the number itself when there is none. */
    public static function near(BigRational $value, string $within = '1/15000'): BigRational
    {
        for ($below = 1; $below <= 60; $below++) {
            $near = Exact::toStep($value, BigRational::of(1)->dividedBy($below));
            if ($near->minus($value)->abs()->isLessThan($within)) {
                return $near;
            }
        }

        return $value;
    }

    /** Points as a JSON number with at most four decimals. */
    public static function points(BigRational $value): int|float
    {
        return Exact::number(Exact::toPlaces($value, 4)->toBigRational());
    }
}
