<?php

declare(strict_types=1);

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use WideQuarry\Maths\Elementary;
use WideQuarry\Maths\ErrorBound;

/** A bound and the number it was made for, of up to 12 figures, between 10^-40 and 10^40. @return array{ErrorBound, BigRational} */
function someBound(): array
{
    $units = mt_rand(0, 9) === 0 ? 0 : mt_rand(1, 10 ** mt_rand(1, 12));
    $places = mt_rand(-30, 40);

    $ten = BigRational::of(10)->power(abs($places));
    $exact = $places > 0 ? BigRational::of($units)->dividedBy($ten) : BigRational::of($units)->multipliedBy($ten);

    return [ErrorBound::of($units, $places), $exact];
}

it('never says less than there is, and hardly more', function (): void {
    mt_srand(20);
    $isJust = function (ErrorBound $bound, BigRational $exact): bool {
        $said = $bound->decimal()->toBigRational();

        return $said->isGreaterThanOrEqualTo($exact) && $said->isLessThanOrEqualTo($exact->multipliedBy(BigRational::nd(10_001, 10_000)));
    };
    for ($round = 0; $round < 300; $round++) {
        [$one, $a] = someBound();
        [$other, $b] = someBound();
        $by = mt_rand(1, PHP_INT_MAX);
        $isNegative = mt_rand(0, 1) === 1;
        $long = BigDecimal::ofUnscaledValue((string) mt_rand(1, PHP_INT_MAX).mt_rand(1, PHP_INT_MAX), mt_rand(0, 40));

        expect($isJust($one, $a))->toBeTrue("made $round")
            ->and($isJust(ErrorBound::ofDecimal($long), $long->toBigRational()))->toBeTrue("of many figures $round")
            ->and($isJust($one->plus($other), $a->plus($b)))->toBeTrue("plus $round")
            ->and($isJust($one->times($other), $a->multipliedBy($b)))->toBeTrue("times $round")
            ->and($isJust($one->over(gmp_init($isNegative ? -$by : $by), 3), $a->multipliedBy(1000)->dividedBy($by)))
            ->toBeTrue("over $round");
    }
});

it('reaches as far as it says', function (string $bound, string $number, bool $isReached): void {
    $at = BigDecimal::of($number);

    expect(ErrorBound::ofDecimal(BigDecimal::of($bound))->reaches(gmp_init((string) $at->getUnscaledValue()), $at->getScale()))
        ->toBe($isReached);
})->with([
    ['0', '0', true],
    ['0', '-0.001', false],
    ['0.5', '-0.5', true],
    ['0.5', '0.50000000000000000001', false],
    ['1e-60', '1e-60', true],
    ['1e-60', '1.1e-60', false],
    ['123456', '123456.0000', true],
    ['1e30', '1000020000000000000000000000000', false],
]);

it('agrees with itself to 55 places, at any size of number', function (string $x): void {
    $x = BigDecimal::of($x);
    $isNear = fn (BigDecimal $one, BigDecimal $other, string $within = '1e-55'): bool => $one->minus($other)->abs()
        ->isLessThanOrEqualTo($within);
    [$sine, $cosine] = [Elementary::sine($x), Elementary::sine($x, true)];
    $quarter = BigDecimal::of(Elementary::PI)->dividedBy(2, 99, Brick\Math\RoundingMode::HALF_EVEN);
    $tangent = Elementary::arctangent($x);

    expect($isNear($sine->power(2)->plus($cosine->power(2)), BigDecimal::one()))->toBeTrue()
        ->and($isNear(Elementary::sine($x->plus($quarter)), $cosine))->toBeTrue()
        ->and($isNear(Elementary::sine($x->multipliedBy(2)), $sine->multipliedBy($cosine)->multipliedBy(2)))->toBeTrue()
        ->and($isNear(Elementary::sine($tangent), $x->multipliedBy(Elementary::sine($tangent, true)), '1e-42'))->toBeTrue()
        ->and($isNear(Elementary::sine(Elementary::arcsine($sine)), $sine))->toBeTrue()
        ->and($isNear(Elementary::ln($x->abs()->multipliedBy($x->abs())), Elementary::ln($x->abs())->multipliedBy(2)))->toBeTrue()
        ->and($isNear(Elementary::exp(Elementary::ln($x->abs())), $x->abs(), '1e-42'))->toBeTrue();
})->with(['0.5', '-0.7', '1', '1.5707963', '-3.14159', '2.71828', '1e-30', '100.25', '-98765.4321', '499999999999.875', '-123456789012']);
