<?php

declare(strict_types=1);

use WideQuarry\Answer\NumberReader;
use WideQuarry\Answer\Tolerance;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;
use WideQuarry\Variables\Roll;

it('says how a number was written', function (string $typed, string $notation, ?int $places, ?int $figures): void {
    $reading = (new NumberReader('en'))->read($typed);

    expect([$reading->notation, $reading->places, $reading->figures])->toBe([$notation, $places, $figures]);
})->with([
    ['2.50', 'decimal', 2, 3],
    ['7.', 'decimal', 0, 1],
    ['0', 'decimal', 0, 1],
    ['12,345', 'separators', 0, 5],
    ['12,345.60', 'separators', 2, 7],
    ['12.5%', 'percent', 3, 3],
    ['5‰', 'percent', 3, 1],
    ['1.5 ‰', 'percent', 4, 2],
    ['3/4', 'fraction', null, null],
    ['1 3/4', 'mixed', null, null],
    ['1.2e3', 'scientific', 0, 2],
    ['1.234e1', 'scientific', 2, 4],
    ['12e-3', 'scientific', 3, 2],
    ['-2.50', 'decimal', 2, 3],
]);

it('knows every fraction that is one character', function (string $typed, string $value): void {
    expect(Exact::text((new NumberReader('en'))->read($typed)->value ?? Exact::zero()))->toBe($value);
})->with([
    ['¼', '1/4'], ['½', '1/2'], ['¾', '3/4'], ['⅓', '1/3'], ['⅔', '2/3'], ['⅕', '1/5'], ['⅖', '2/5'], ['⅗', '3/5'], ['⅘', '4/5'],
    ['⅙', '1/6'], ['⅚', '5/6'], ['⅛', '1/8'], ['⅜', '3/8'], ['⅝', '5/8'], ['⅞', '7/8'],
    ['−1⅔', '-5/3'],
]);

it('knows every sign that stands for minus, plus, a fraction line or an exponent', function (string $typed, string $value): void {
    expect(Exact::text((new NumberReader('en'))->read($typed)->value ?? Exact::zero()))->toBe($value);
})->with([
    ...array_map(fn (string $minus): array => ["{$minus}4", '-4'], ['−', '﹣', '－', '‐', '‑', '‒', '–', '—']),
    ...array_map(fn (string $line): array => ["3{$line}5", '3/5'], ['⁄', '∕', '÷', '/']),
    ['＋4', '4'],
    ['2×10⁰', '2'], ['2×10¹', '20'], ['2×10²', '200'], ['2×10³', '2000'], ['2×10⁴', '20000'], ['2×10⁵', '200000'],
    ['2×10⁶', '2000000'], ['2×10⁷', '20000000'], ['2×10⁸', '200000000'], ['2×10⁹', '2000000000'], ['2×10⁺¹', '20'], ['2×10⁻¹', '1/5'],
    ['2*10^(3)', '2000'], ['2x10^-1', '1/5'], ['2·10^+1', '20'],
]);

it('takes any space and apostrophe between thousands', function (string $mark): void {
    expect(Exact::text((new NumberReader('en'))->read("12{$mark}345")->value ?? Exact::zero()))->toBe('12345');
})->with(["\u{A0}", "\u{2009}", "\u{202F}", ' ', "'", '’', ',']);

it('goes as far as its bounds and no further', function (string $typed, ?string $reason): void {
    expect((new NumberReader('en'))->read($typed)->reason)->toBe($reason);
})->with([
    '120 characters' => [str_repeat('9', 120), null],
    '121 characters' => [str_repeat('9', 121), 'number.too_long'],
    'spaces around do not count' => ['   '.str_repeat('9', 120).'   ', null],
    'ten to the 400' => ['1e400', null],
    'ten to the 401' => ['1e401', 'number.too_large'],
    'ten to the -400' => ['1e-400', null],
    'ten to the -401' => ['1e-401', 'number.too_large'],
    'marks without a digit' => ['.,', 'number.not_a_number'],
    'letters among digits' => ['1a2', 'number.not_a_number'],
    'nothing' => ['', 'number.not_a_number'],
    'zero below the line' => ['1/00', 'number.division_by_zero'],
    'a fraction of a fraction' => ['1/2/3', 'number.not_a_number'],
]);

it('names what was typed, and which way of writing was not asked for', function (string $typed, array $notations, string $sentence): void {
    expect((new NumberReader('en', $notations))->read($typed)->sentence)->toBe($sentence);
})->with([
    ['three', NumberReader::NOTATIONS, '"three" is not a number.'],
    ['-', NumberReader::NOTATIONS, '"-" is not a number.'],
    ['1/x', NumberReader::NOTATIONS, '"1/x" is not a number.'],
    ['1.2.3', NumberReader::NOTATIONS, '"1.2.3" is not a number: its thousands marks do not stand in threes.'],
    ['1/2', ['decimal'], 'A fraction is not asked for here.'],
    ['1 1/2', ['decimal', 'fraction'], 'A mixed number is not asked for here.'],
    ['5%', ['decimal'], 'A percentage is not asked for here.'],
    ['1,000.5', ['decimal'], 'Thousands marks are not asked for here.'],
]);

it('reads a lone mark before three digits by what is asked for, and both ways where the key must decide', function (
    array $notations,
    string $value,
    ?string $grouped,
): void {
    $reading = (new NumberReader('und', $notations))->read('3.142');

    $other = $reading->grouped === null ? null : Exact::text($reading->grouped->value ?? Exact::zero());
    expect([Exact::text($reading->value ?? Exact::zero()), $other])->toBe([$value, $grouped]);
})->with([
    'decimals only' => [['decimal'], '1571/500', null],
    'thousands only' => [['separators'], '3142', null],
    'both' => [['decimal', 'separators'], '1571/500', '3142'],
]);

it('keeps the other way of reading through sign and percent', function (string $typed, string $value, string $grouped): void {
    $reading = (new NumberReader('und'))->read($typed);

    $other = Exact::text($reading->grouped->value ?? Exact::zero());
    expect([Exact::text($reading->value ?? Exact::zero()), $other])->toBe([$value, $grouped]);
})->with([
    ['-3.142', '-1571/500', '-3142'],
    ['3.142%', '1571/50000', '1571/50'],
    ['-3,142 ‰', '-1571/500000', '-1571/500'],
]);

it('reads a tolerance with its usual digits, within its bounds', function (array $json, int $digits): void {
    expect(Tolerance::read((object) $json, '')->digits)->toBe($digits);
})->with([
    'places' => [['kind' => 'places'], 2],
    'figures' => [['kind' => 'figures'], 3],
    'none' => [['kind' => 'places', 'digits' => 0], 0],
    'thirty' => [['kind' => 'figures', 'digits' => 30], 30],
]);

it('refuses a tolerance of more digits, or of no known kind', function (array $json): void {
    expect(fn () => Tolerance::read((object) $json, ''))->toThrow(Malformed::class);
})->with([[['kind' => 'places', 'digits' => 31]], [['kind' => 'places', 'digits' => -1]], [['kind' => 'about']], [[]]]);

it('judges by the tolerance: its edge is inside, and what is written must be written so', function (
    array $json,
    string $key,
    string $typed,
    bool $accepted,
): void {
    $reading = (new NumberReader('en'))->read($typed);

    expect(Tolerance::read((object) $json, '')->accepts(Exact::of($key), $reading, new Roll))->toBe($accepted);
})->with([
    'edge below' => [['kind' => 'absolute', 'width' => '0.05'], '2.65', '2.60', true],
    'edge above' => [['kind' => 'absolute', 'width' => '0.05'], '2.65', '2.70', true],
    'beyond' => [['kind' => 'absolute', 'width' => '0.05'], '2.65', '2.701', false],
    'a width below zero is its size' => [['kind' => 'absolute', 'width' => '-0.05'], '2.65', '2.7', true],
    'percent of a key below zero' => [['kind' => 'percent', 'width' => '10'], '-200', '-220', true],
    'percent, beyond' => [['kind' => 'percent', 'width' => '10'], '-200', '-220.1', false],
    'rounded alike' => [['kind' => 'places', 'digits' => 1], '2.649', '2.6', true],
    'rounded otherwise' => [['kind' => 'places', 'digits' => 1], '2.65', '2.6', false],
    'no figure is one figure' => [['kind' => 'figures', 'digits' => 0], '2.649', '3', true],
    'one figure' => [['kind' => 'figures', 'digits' => 1], '0.0264', '0.03', true],
    'one figure, not two' => [['kind' => 'figures', 'digits' => 1], '0.0264', '0.02', false],
    'places as written' => [['kind' => 'places', 'digits' => 2, 'written' => true], '2.6', '2.60', true],
    'places, written shorter' => [['kind' => 'places', 'digits' => 2, 'written' => true], '2.6', '2.6', false],
    'a width has no writing' => [['kind' => 'absolute', 'width' => '1', 'written' => true], '2', '2.5', true],
]);
