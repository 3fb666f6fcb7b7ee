<?php

declare(strict_types=1);

use WideQuarry\Numbers\NumberSymbols;

it('knows the decimal sign and thousands separator of a language (CLDR)', function (string $language, string $decimal, string $group): void {
    $symbols = NumberSymbols::of($language);

    expect([$symbols->decimal, $symbols->group, $symbols->known])->toBe([$decimal, $group, true]);
})->with([
    ['en-GB', '.', ','],
    ['de-DE', ',', '.'],
    ['de-CH', '.', ' '],
    ['fr-FR', ',', ' '],
    ['es-ES', ',', '.'],
    ['cy', '.', ','],
]);

it('falls back to a point for languages without customs', function (string $language): void {
    $symbols = NumberSymbols::of($language);

    expect([$symbols->decimal, $symbols->group, $symbols->known])->toBe(['.', ',', false]);
})->with(['und', 'mul', 'zxx', '']);
