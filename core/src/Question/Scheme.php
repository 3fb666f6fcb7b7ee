<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** How several right things become one credit. */
enum Scheme: string
{
    case All = 'all';
    case Each = 'each';
    case Balance = 'balance';
    case Judge = 'judge';
    case Weights = 'weights';
    case Pairs = 'pairs';
    case Joins = 'joins';
    case Chain = 'chain';
    case Positions = 'positions';
    case Person = 'person';

    /** Those for picking several things. */
    public const FOR_SEVERAL = [self::All, self::Each, self::Balance, self::Judge, self::Weights, self::Person];

    public const FOR_SEQUENCES = [self::Pairs, self::All, self::Joins, self::Chain, self::Positions, self::Person];

    public const FOR_ONE = [self::Weights, self::Person];

    /**
     * n right ones, w others, r right picked, x others picked; n above 0.
     *
     * @param  BigRational  $cost  of each thing picked beyond n, in shares of one right thing; used by `each` alone
     */
    public function ofCounts(int $n, int $w, int $r, int $x, BigRational $cost): BigRational
    {
        return match ($this) {
            self::All => $r === $n && $x === 0 ? Exact::one() : Exact::zero(),
            self::Each => self::notBelowZero(BigRational::of($r)->minus($cost->multipliedBy(max(0, $r + $x - $n)))->dividedBy($n)),
            self::Balance => self::notBelowZero(
                BigRational::of($r)
                    ->dividedBy($n)
                    ->minus($w === 0 ? 0 : BigRational::of($x)->dividedBy($w)),
            ),
            self::Judge => BigRational::of($r + $w - $x)->dividedBy($n + $w),
            default => throw new \LogicException("The scheme $this->value does not count picks."),
        };
    }

    private static function notBelowZero(BigRational $value): BigRational
    {
        return $value->isNegative() ? Exact::zero() : $value;
    }
}
