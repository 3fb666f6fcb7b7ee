<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

final class PowersOfTen
{
    /** Larger ones are not remembered. */
    private const KEPT = 200;

    /** @param  int  $exponent  from 0 on */
    public static function of(int $exponent): \GMP
    {
        /** @var array<int, \GMP> $known */
        static $known = [];

        return $exponent > self::KEPT ? gmp_pow(10, $exponent) : $known[$exponent] ??= gmp_pow(10, $exponent);
    }
}
