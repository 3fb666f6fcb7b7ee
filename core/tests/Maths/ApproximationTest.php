<?php

declare(strict_types=1);

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use WideQuarry\Maths\Approximation;
use WideQuarry\Maths\Arithmetic;
use WideQuarry\Maths\Elementary;
use WideQuarry\Maths\Formula;
use WideQuarry\Maths\Structure;
use WideQuarry\Maths\Transcendental;

/** How far a value is from the true one, beside what it says about that. */
function isWithin(Approximation $one, BigDecimal $true): bool
{
    return $one->value()->minus($true)->abs()->isLessThanOrEqualTo($one->error()->decimal());
}

it('is divided by a whole number within its error', function (int $by): void {
    $true = BigDecimal::of(Elementary::PI)->dividedBy($by, 95, RoundingMode::HALF_EVEN);
    $third = Transcendental::pi()->over($by);
    $rough = Approximation::of(BigDecimal::of('3.14'), BigDecimal::of('0.0016'))->over($by);

    expect(isWithin($third, $true))->toBeTrue()
        ->and($third->error()->decimal()->isLessThan($true->abs()->multipliedBy(BigDecimal::of('1e-42'))))->toBeTrue()
        ->and(isWithin($rough, $true))->toBeTrue()
        ->and($rough->error()->decimal()->isLessThan(BigDecimal::of('0.0018')))->toBeTrue();
})->with([1, 3, -7, 12, 997, -1_000_003, 10 ** 15, PHP_INT_MAX]);

it('raises e to what is known roughly within its error', function (string $x, string $error): void {
    [$at, $off] = [BigDecimal::of($x), BigDecimal::of($error)];
    $power = Transcendental::exp(Approximation::of($at, $off));

    // e^x rises, so the ends of x give the ends of what it may be
    expect(isWithin($power, Elementary::exp($at->minus($off))))->toBeTrue()
        ->and(isWithin($power, Elementary::exp($at->plus($off))))->toBeTrue()
        ->and($power->error()->decimal()->isLessThan($power->value()->multipliedBy($off)->multipliedBy(4)->plus(BigDecimal::of('1e-40'))))
        ->toBeTrue();
})->with([['1', '0.001'], ['-3.5', '1e-20'], ['0.25', '0.9'], ['20', '1e-30']]);

it('has the same figures for e^x by another way', function (int $above, int $below): void {
    $power = Formula::of("exp($above/$below)^$below")->value([]);
    $e = Formula::of("e^$above")->value([]);

    expect(Arithmetic::compare($power, $e))->toBe(0)
        ->and($power->error()->decimal()->isLessThan($e->value()->multipliedBy(BigDecimal::of('1e-38'))))->toBeTrue();
})->with([[1, 3], [7, 5], [-2, 9], [33, 10], [100, 7], [-40, 3]]);

it('gives thirty figures, rounded', function (string $value, string $figures): void {
    expect((string) Approximation::of(BigDecimal::of($value), BigDecimal::of('1e-40'))->toRational())->toBe($figures);
})->with([
    ['0.5', '1/2'],
    ['-0.250000000000000000000000000000000001', '-1/4'],
    ['9.99999999999999999999999999999999', '10'],
    ['123456789012345678901234567890.6', '123456789012345678901234567891'],
    ['1234567890123456789012345678905.5', '1234567890123456789012345678910'],
    ['1e-41', '0'],
]);

it('sees that two expressions are built alike', function (string $one, string $other, bool $alike): void {
    $built = fn (string $words): string => Formula::of($words)->node->accept(new Structure);

    expect($built($one) === $built($other))->toBe($alike);
})->with([
    'spaces and brackets' => ['3*sin((x))+1', ' 3 sin(x) + 1', true],
    'sums and products either way round' => ['2x + a*b', 'b*a + x*2', true],
    'a decimal and a fraction are not looked into' => ['x + 0.5', 'x + 1/2', false],
    'a difference has an order' => ['x - 1', '1 - x', false],
    'a quotient has an order' => ['x/2', '2/x', false],
    'a power has an order' => ['2^x', 'x^2', false],
    'another function' => ['sin(x)', 'cos(x)', false],
    'other brackets' => ['(x + 1)*2', 'x + 1*2', false],
    'a name that begins alike' => ['a*b', 'ab', false],
    'arguments have an order' => ['mod(7, x)', 'mod(x, 7)', false],
    'words and names' => ['if(x = 1, "a", "b")', 'if(x = 1, a, b)', false],
    'a sign' => ['-x^2', '(-x)^2', false],
]);
