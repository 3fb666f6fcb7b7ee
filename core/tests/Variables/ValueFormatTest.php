<?php

declare(strict_types=1);

use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;
use WideQuarry\Variables\ValueFormat;

it('writes a value as its format and language say', function (array $format, string $value, string $language, string $written): void {
    expect(ValueFormat::read((object) $format, '')->write(Exact::of($value), $language))->toBe($written);
})->with([
    'a decimal' => [[], '2.5', 'en-GB', '2.5'],
    'with the decimal sign of the language' => [[], '2.5', 'de-DE', '2,5'],
    'without a finite decimal' => [[], '1/3', 'en-GB', '1/3'],
    'places' => [['places' => 2], '1/3', 'en-GB', '0.33'],
    'places, zeros kept' => [['places' => 2], '4', 'en-GB', '4.00'],
    'figures' => [['figures' => 2], '1234', 'en-GB', '1200'],
    'a fraction' => [['as' => 'fraction'], '0.75', 'en-GB', '3/4'],
    'a minus sign, not a hyphen' => [[], '-2', 'en-GB', '−2'],
    'a sign in any case' => [['sign' => 'always'], '2', 'en-GB', '+2'],
    'a sign in any case, below zero' => [['sign' => 'always'], '-2', 'en-GB', '−2'],
    'a unit after a space that does not break' => [['unit' => 'cm'], '2', 'en-GB', "2\u{A0}cm"],
    'scientific' => [['as' => 'scientific', 'figures' => 3], '602000', 'en-GB', '6.02 × 10⁵'],
    'scientific, small and negative' => [['as' => 'scientific', 'figures' => 2], '-0.00047', 'de-DE', '−4,7 × 10⁻⁴'],
    'scientific, rounded up to the next power' => [['as' => 'scientific', 'figures' => 2], '9.96', 'en-GB', '1.0 × 10¹'],
    'scientific, nothing' => [['as' => 'scientific'], '0', 'en-GB', '0'],
]);

it('writes words and truth as they are', function (): void {
    expect(ValueFormat::plain()->write('slate', 'de'))->toBe('slate')
        ->and(ValueFormat::plain()->write(true, 'en'))->toBe('true')
        ->and(ValueFormat::plain()->write(false, 'en'))->toBe('false');
});

it('refuses a format it does not know', function (array $format, string $path): void {
    expect(fn () => ValueFormat::read((object) $format, '/show'))->toThrow(fn (Malformed $problem) => expect($problem->path)->toBe($path));
})->with([
    [['as' => 'roman'], '/show/as'],
    [['places' => 31], '/show/places'],
    [['figures' => 0], '/show/figures'],
    [['colour' => 'red'], '/show/colour'],
]);
