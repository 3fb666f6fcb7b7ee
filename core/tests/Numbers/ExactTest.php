<?php

declare(strict_types=1);

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;
use WideQuarry\Random\Seed;

it('reads exact numbers, and nothing else', function (string $text, ?string $value): void {
    expect(Exact::read($text)?->simplified()->__toString())->toBe($value);
})->with([
    ['3/4', '3/4'],
    ['6/8', '3/4'],
    ['0.1', '1/10'],
    ['-2', '-2'],
    ['6.02e2', '602'],
    ['5E-1', '1/2'],
    ['0/7', '0'],
    ['1/0', null],
    ['1/00', null],
    ['.5', null],
    ['5.', null],
    ['+1', null],
    ['1e', null],
    ['', null],
    [' 1', null],
    ["1\n", null],
    ['1/2/3', null],
    ['0x1F', null],
    ['1e401', null],
    ['1e400', '1'.str_repeat('0', 400)],
    [str_repeat('9', 401), null],
    ['٣', null],
]);

it('writes the decimal of a fraction only if it is finite', function (string $value, ?string $decimal): void {
    expect(Exact::decimal(Exact::of($value)))->toBe($decimal);
})->with([
    ['1/2', '0.5'],
    ['1/8', '0.125'],
    ['3/25', '0.12'],
    ['7/40', '0.175'],
    ['-1/20', '-0.05'],
    ['1/3', null],
    ['1/6', null],
    ['2/14', null],
    ['9/3', '3'],
    ['0', '0'],
]);

it('rounds half away from zero', function (string $value, int $places, string $rounded): void {
    expect((string) Exact::toPlaces(Exact::of($value), $places))->toBe($rounded);
})->with([
    ['0.5', 0, '1'],
    ['-0.5', 0, '-1'],
    ['2.5', 0, '3'],
    ['2.45', 1, '2.5'],
    ['-2.45', 1, '-2.5'],
    ['2.449999', 1, '2.4'],
    ['1/3', 4, '0.3333'],
    ['2/3', 4, '0.6667'],
    ['5', 2, '5.00'],
]);

it('rounds to significant figures, keeping zeros that count', function (string $value, int $figures, string $rounded): void {
    expect((string) Exact::toFigures(Exact::of($value), $figures))->toBe($rounded);
})->with([
    ['1234', 2, '1200'],
    ['0.012345', 3, '0.0123'],
    ['9.996', 3, '10.0'],
    ['9.5', 1, '10'],
    ['1', 1, '1'],
    ['0.1', 1, '0.1'],
    ['0.95', 1, '1'],
    ['123', 3, '123'],
    ['-1234.5', 5, '-1234.5'],
    ['0.09996', 3, '0.100'],
    ['2', 3, '2.00'],
    ['-0.0005', 1, '-0.0005'],
    ['99.95', 3, '100'],
    ['1/3', 2, '0.33'],
    ['0', 4, '0'],
]);

it('rounds to the nearest multiple of a step', function (string $value, string $step, string $rounded): void {
    expect(Exact::text(Exact::toStep(Exact::of($value), Exact::of($step))))->toBe($rounded);
})->with([
    ['7.3', '0.5', '15/2'],
    ['7.25', '0.5', '15/2'],
    ['-7.25', '0.5', '-15/2'],
    ['7.24', '0.5', '7'],
    ['1', '1/3', '1'],
    ['10', '4', '12'],
    ['10', '10', '10'],
    ['0', '3', '0'],
]);

it('keeps a value within bounds, and gives it back as it is where it is within', function (
    string $value,
    string $low,
    string $high,
    string $within,
): void {
    $given = Exact::of($value);
    $kept = Exact::within($given, Exact::of($low), Exact::of($high));
    expect(Exact::text($kept))->toBe($within)->and($kept === $given)->toBe($value === $within);
})->with([
    ['1/2', '0', '1', '1/2'],
    ['0', '0', '1', '0'],
    ['1', '0', '1', '1'],
    ['-1', '0', '1', '0'],
    ['3/2', '0', '1', '1'],
    ['-1', '-2', '1', '-1'],
    ['-3', '-2', '1', '-2'],
    ['1/4', '1/3', '1', '1/3'],
    ['3', '0', '5/2', '5/2'],
]);

it('multiplies', function (string $value, string $factor, string $product): void {
    expect(Exact::times(Exact::of($value), Exact::of($factor))->__toString())->toBe($product);
})->with([['2', '1', '2'], ['2', '0', '0'], ['1/2', '2/3', '1/3'], ['-3', '2/1', '-6'], ['7', '4/4', '7']]);

it('gives JSON an integer where the number is one', function (string $value, int|float $number): void {
    expect(Exact::number(Exact::of($value)))->toBe($number);
})->with([
    ['4/2', 2],
    ['0.5', 0.5],
    ['-3', -3],
    ['1/3', 0.333333333333],
    ['999999999999999', 999_999_999_999_999],
    ['-999999999999999', -999_999_999_999_999],
    'beyond what every reader of JSON keeps exactly' => ['1000000000000000', 1e15],
    'below zero beyond it' => ['-1000000000000000', -1e15],
    'rounded to no more than it' => ['1999999999999999.99999999999999/2', 1e15],
    ['0', 0],
    'too small for twelve decimals' => ['1/100000000000000', 0],
    'nearly a whole number' => ['299999999999999/100000000000000', 3],
    'nearly one from above' => ['300000000000001/100000000000000', 3],
]);

it('reads numbers of up to 400 characters and exponents of up to 400', function (string $text, bool $isRead): void {
    expect(Exact::read($text) !== null)->toBe($isRead);
})->with([
    '400 digits' => [str_repeat('7', 400), true],
    '401 digits' => [str_repeat('7', 401), false],
    'ten to the 400' => ['1e400', true],
    'ten to the 401' => ['1e401', false],
    'ten to the -400' => ['1e-400', true],
    'ten to the -401' => ['1e-401', false],
]);

it('gives JSON integers below ten to the fifteenth, where every float is exact', function (string $value, int|float $number): void {
    expect(Exact::number(Exact::of($value)))->toBe($number);
})->with([
    ['999999999999999', 999_999_999_999_999],
    ['-999999999999999', -999_999_999_999_999],
    ['1000000000000000', 1e15],
    ['2.0000000000001', 2],
    ['0.5', 0.5],
    ['-1/3', -0.333333333333],
]);

it('reads back what it writes, for any fraction', function (): void {
    $stream = Seed::of(16)->stream('property', 'exact');
    for ($i = 0; $i < 300; $i++) {
        $value = BigRational::of($stream->below(2_000_001) - 1_000_000)->dividedBy($stream->below(9999) + 1);
        expect(Exact::of(Exact::text($value))->isEqualTo($value))->toBeTrue();
        $decimal = Exact::decimal($value);
        expect($decimal === null || Exact::of($decimal)->isEqualTo($value))->toBeTrue();
        $rounded = Exact::toPlaces($value, 3)->toBigRational();
        expect($rounded->minus($value)->abs()->isLessThanOrEqualTo('1/2000'))->toBeTrue();
    }
});

it('compares, however long the numbers are', function (string $one, string $other, int $order): void {
    expect(Exact::compare(Exact::of($one), Exact::of($other)))->toBe($order)
        ->and(Exact::compare(Exact::of($other), Exact::of($one)))->toBe(-$order);
})->with([
    ['1/3', '2/6', 0],
    ['1/3', '1/2', -1],
    ['-1/2', '-1/3', -1],
    ['0', '-0.001', 1],
    ['0.1', '1e-1', 0],
    'nine digits each' => ['999999998/999999999', '999999997/999999998', 1],
    'ten digits, whose products no integer holds' => ['9999999998/9999999999', '9999999997/9999999998', 1],
    'far beyond an integer' => ['1e40', '1e41', -1],
]);
