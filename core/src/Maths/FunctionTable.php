<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use WideQuarry\Numbers\Exact;

/**
 * The functions of expressions, with how they are written in help and documents: the one list. `if`, which works out only the branch
 * it takes, is the evaluator's.
 *
 * @phpstan-type Quantity int|BigRational|Approximation
 */
final class FunctionTable
{
    /** name → arguments as the help writes them; … after the last means any number of them, or a list */
    public const SIGNATURES = [
        'sqrt' => 'x',
        'root' => 'x, n',
        'exp' => 'x',
        'ln' => 'x',
        'log' => 'x, base?',
        'sin' => 'x',
        'cos' => 'x',
        'tan' => 'x',
        'asin' => 'x',
        'acos' => 'x',
        'atan' => 'x',
        'sind' => 'x',
        'cosd' => 'x',
        'tand' => 'x',
        'asind' => 'x',
        'acosd' => 'x',
        'atand' => 'x',
        'min' => 'a, …',
        'max' => 'a, …',
        'mean' => 'a, …',
        'sum' => 'a, …',
        'gcd' => 'a, …',
        'lcm' => 'a, …',
        'round' => 'x, places?',
        'figures' => 'x, n',
        'floor' => 'x',
        'ceil' => 'x',
        'abs' => 'x',
        'sign' => 'x',
        'mod' => 'a, b',
        'binom' => 'n, k',
        'if' => 'c, a, b',
    ];

    public const CONSTANTS = ['pi', 'e'];

    /** Words that are not names. */
    public const WORDS = ['and', 'or', 'not', 'in', 'true', 'false'];

    /** A factorial has 2,567 digits here. */
    private const FACTORIAL = 1000;

    /** Whether a value may not be called so. */
    public static function isReserved(string $name): bool
    {
        return isset(self::SIGNATURES[$name]) || in_array($name, [...self::CONSTANTS, ...self::WORDS], true);
    }

    /** Whether a function takes so many arguments. */
    public static function takes(string $name, int $count): bool
    {
        $arguments = explode(', ', self::SIGNATURES[$name]);
        if (in_array('…', $arguments, true)) {
            return $count >= 1;
        }
        $needed = count(array_filter($arguments, fn (string $argument): bool => ! str_ends_with($argument, '?')));

        return $count >= $needed && $count <= count($arguments);
    }

    /**
     * @param  non-empty-list<Quantity>  $of  as many as it takes; a list has been spread
     * @return Quantity
     *
     * @throws ArithmeticProblem
     */
    public static function call(string $name, array $of): int|BigRational|Approximation
    {
        $x = $of[0];

        return match ($name) {
            'sqrt' => Roots::root($x, 2),
            'root' => Roots::root($x, self::count($of[1] ?? 2, 1, 100)),
            'exp' => Transcendental::exp($x),
            'ln' => Transcendental::ln($x),
            'log' => Transcendental::log($x, $of[1] ?? 10),
            'sin' => Transcendental::sin($x),
            'cos' => Transcendental::sin($x, true),
            'tan' => Transcendental::tan($x),
            'asin' => Transcendental::asin($x),
            'acos' => Transcendental::acos($x),
            'atan' => Transcendental::atan($x),
            'sind' => Transcendental::sind($x),
            'cosd' => Transcendental::sind($x, true),
            'tand' => Transcendental::tand($x),
            'asind' => Transcendental::asind($x),
            'acosd' => Transcendental::acosd($x),
            'atand' => Transcendental::atand($x),
            'min' => self::outermost($of, -1),
            'max' => self::outermost($of, 1),
            'sum' => self::sum($of),
            'mean' => Arithmetic::over(self::sum($of), count($of)),
            'gcd' => self::gcd($of),
            'lcm' => self::lcm($of),
            'round' => Arithmetic::rounded($x, self::count($of[1] ?? 0, -30, 30)),
            'figures' => self::figures($x, self::count($of[1] ?? 1, 1, 30)),
            'floor' => Arithmetic::whole($x, RoundingMode::FLOOR),
            'ceil' => Arithmetic::whole($x, RoundingMode::CEILING),
            'abs' => Arithmetic::sign($x) < 0 ? Arithmetic::negated($x) : $x,
            'sign' => Arithmetic::sign($x),
            'mod' => self::modulo($x, $of[1] ?? 1),
            'binom' => self::binomial(self::count($x, 0, 100_000), self::count($of[1] ?? 0, 0, 100_000)),
            default => throw new \LogicException("No such function: $name"),
        };
    }

    /** @throws ArithmeticProblem */
    public static function factorial(int|BigRational|Approximation $n): int|BigRational
    {
        return Arithmetic::tidy(BigInteger::of(gmp_strval(gmp_fact(self::count($n, 0, self::FACTORIAL)))));
    }

    /**
     * @param  list<Quantity>  $of
     * @return Quantity
     */
    private static function sum(array $of): int|BigRational|Approximation
    {
        $sum = 0;
        foreach ($of as $one) {
            $sum = Arithmetic::plus($sum, $one);
        }

        return $sum;
    }

    /**
     * The smallest, or with the side 1 the largest.
     *
     * @param  non-empty-list<Quantity>  $of
     * @return Quantity
     */
    private static function outermost(array $of, int $side): int|BigRational|Approximation
    {
        $found = $of[0];
        foreach ($of as $one) {
            $found = Arithmetic::compare($one, $found) === $side ? $one : $found;
        }

        return $found;
    }

    /** @param  non-empty-list<Quantity>  $of */
    private static function gcd(array $of): int|BigRational
    {
        $gcd = BigInteger::zero();
        foreach ($of as $one) {
            $gcd = $gcd->gcd(self::whole($one));
        }

        return Arithmetic::tidy($gcd);
    }

    /** @param  non-empty-list<Quantity>  $of */
    private static function lcm(array $of): int|BigRational
    {
        $lcm = BigInteger::one();
        foreach ($of as $one) {
            $one = self::whole($one);
            if ($one->isZero()) {
                return 0;
            }
            $lcm = $lcm->multipliedBy($one)->abs()->quotient($lcm->gcd($one));
        }

        return Arithmetic::tidy($lcm);
    }

    private static function figures(int|BigRational|Approximation $x, int $figures): int|BigRational
    {
        return Arithmetic::tidy(Exact::toFigures(Arithmetic::rational($x), $figures)->toBigRational());
    }

    /** What is left after b has been taken away as often as it goes: from 0 to below b, also for a number below 0. */
    private static function modulo(
        int|BigRational|Approximation $a,
        int|BigRational|Approximation $b,
    ): int|BigRational|Approximation {
        $times = Arithmetic::whole(Arithmetic::over($a, $b), RoundingMode::FLOOR);

        return Arithmetic::plus($a, Arithmetic::negated(Arithmetic::times($b, $times)));
    }

    private static function binomial(int $n, int $k): int|BigRational
    {
        if ($k > $n) {
            return 0;
        }
        $k = min($k, $n - $k);
        if ($k > self::FACTORIAL) {
            throw ArithmeticProblem::tooLarge();
        }

        return Arithmetic::tidy(BigInteger::of(gmp_strval(gmp_binomial($n, $k))));
    }

    private static function whole(int|BigRational|Approximation $x): BigInteger
    {
        $whole = Arithmetic::rational($x)->simplified();

        return $whole->getDenominator()->isEqualTo(1) ? $whole->getNumerator() : throw ArithmeticProblem::notWhole();
    }

    private static function count(int|BigRational|Approximation $x, int $least, int $most): int
    {
        if (! is_int($x)) {
            $whole = self::whole($x);
            $x = strlen((string) $whole) < 19 ? $whole->toInt() : throw ArithmeticProblem::tooLarge();
        }

        return match (true) {
            $x < $least => throw ArithmeticProblem::notWhole(),
            $x > $most => throw ArithmeticProblem::tooLarge(),
            default => $x,
        };
    }
}
