<?php

declare(strict_types=1);

use WideQuarry\Answer\NumberReader;
use WideQuarry\Numbers\Exact;
use WideQuarry\Tests\Support\Questions;

it('reads numbers as people type them', function (string $typed, string $value, string $language = 'en-GB'): void {
    $reading = (new NumberReader($language))->read($typed);
    expect($reading->value === null ? $reading->reason : Exact::text($reading->value))->toBe($value);
})->with([
    'whole' => ['42', '42'],
    'decimal' => ['2.50', '5/2'],
    'leading point' => ['.5', '1/2'],
    'plus' => ['+3', '3'],
    'hyphen as minus' => ['-3', '-3'],
    'true minus' => ['−3', '-3'],
    'dash' => ['– 3', '-3'],
    'full-width' => ['３．５', '7/2'],
    'thousands' => ['1,234,567', '1234567'],
    'thousands and decimals' => ['1,234.5', '2469/2'],
    'narrow space' => ["12\u{202F}345", '12345'],
    'no-break space' => ["12\u{A0}345", '12345'],
    'thin space' => ["12\u{2009}345.5", '24691/2'],
    'curly apostrophe' => ['12’345.5', '24691/2'],
    'apostrophe' => ["12'345.5", '24691/2'],
    'comma in English' => ['1,234', '1234'],
    'comma that can only be decimal' => ['2,5', '5/2'],
    'point in English' => ['1.234', '617/500'],
    'German decimal comma' => ['1,234', '617/500', 'de-DE'],
    'German thousands' => ['1.234', '1234', 'de-DE'],
    'German both' => ['1.234,5', '2469/2', 'de-DE'],
    'English way in German' => ['1,234.5', '2469/2', 'de-DE'],
    'French space' => ['1 234,5', '2469/2', 'fr-FR'],
    'scientific e' => ['1.2e3', '1200'],
    'scientific negative' => ['5E-2', '1/20'],
    'times ten' => ['1.2 × 10^3', '1200'],
    'superscript' => ['1.2·10³', '1200'],
    'superscript minus' => ['3x10⁻²', '3/100'],
    'percent' => ['12.5 %', '1/8'],
    'per mille' => ['5‰', '1/200'],
    'fraction' => ['6/8', '3/4'],
    'negative fraction' => ['-1/3', '-1/3'],
    'vulgar fraction' => ['½', '1/2'],
    'mixed' => ['1 3/4', '7/4'],
    'mixed vulgar' => ['2¼', '9/4'],
    'negative mixed' => ['-1 1/2', '-3/2'],
    'fraction slash' => ['1⁄2', '1/2'],
    'words' => ['three', 'number.not_a_number'],
    'nothing but a sign' => ['-', 'number.not_a_number'],
    'two points' => ['1.2.3', 'number.separators'],
    'groups of two' => ['12,34,567', 'number.separators'],
    'two numbers' => ['1,234.567.890,1', 'number.ambiguous', 'und'],
    'below the line nothing' => ['1/0', 'number.division_by_zero'],
    'a bomb' => ['1e999', 'number.too_large'],
    'far too long' => [str_repeat('9', 200), 'number.too_long'],
]);

it('reads back what it writes', function (): void {
    mt_srand(3);
    for ($round = 0; $round < (getenv('QUARRY_LONG') ? 20000 : 500); $round++) {
        $text = (mt_rand(0, 1) ? '-' : '').mt_rand(1, 99999).(mt_rand(0, 1) ? '.'.mt_rand(1, 9999) : '');
        expect(Exact::text((new NumberReader('en'))->read($text)->value))->toBe(Exact::text(Exact::of($text)));
    }
});

it('refuses notations that are not asked for', function (string $typed, array $notations): void {
    expect((new NumberReader('en', $notations))->read($typed)->reason)->toBe('number.notation');
})->with([
    'a fraction' => ['1/2', ['decimal']],
    'per cent' => ['5%', ['decimal']],
    'a power' => ['1e3', ['decimal']],
    'a decimal' => ['0.5', ['fraction']],
    'thousands' => ['1,000', ['decimal']],
    'mixed' => ['1 1/2', ['fraction']],
]);

it('keeps what was typed', function (string $typed, ?int $places, ?int $figures): void {
    $reading = (new NumberReader('en'))->read($typed);
    expect([$reading->places, $reading->figures])->toBe([$places, $figures]);
})->with([
    'trailing zeros' => ['2.50', 2, 3],
    'leading zeros' => ['0.005', 3, 1],
    'whole' => ['1200', 0, 4],
    'scientific' => ['1.20e3', 0, 3],
    'fraction' => ['1/2', null, null],
]);

it('reads a lone mark in an unknown language as the key is written', function (string $key, string $typed, bool $right): void {
    $question = Questions::of([Questions::typed('number', [['answer' => 'value', 'value' => $key]])], ['language' => 'und']);
    expect(Questions::score($question, ['p1' => $typed])->state === 'right')->toBe($right);
})->with([
    'a point' => ['3.142', '3.142', true],
    'a comma' => ['3.142', '3,142', true],
    'below zero' => ['-3.142', '−3,142', true],
    'in per cent' => ['0.03142', '3.142 %', true],
    'thousands' => ['3142', '3.142', true],
    'thousands with a comma' => ['3142', '3,142', true],
    'a whole key below a thousand' => ['3', '3.142', false],
]);

it('refuses a lone mark where the key tells neither and it matters', function (): void {
    $on = ['answer' => 'set', 'values' => ['500', '3142']];
    $question = Questions::of([Questions::typed('number', [$on])], ['language' => 'und']);
    $result = Questions::score($question, ['p1' => '3.142']);
    expect($result->state)->toBe('unreadable')->and(json_encode($result->parts))->toContain('number.ambiguous');
});

it('counts as few of the zeros at the end of a whole number as the rule asks for', function (
    string $typed,
    int $digits,
    bool $right,
    array $more = [],
): void {
    $on = [
        'answer' => 'value',
        'value' => '1200',
        'tolerance' => ['kind' => 'figures', 'digits' => $digits, 'written' => true, ...$more],
    ];
    expect(Questions::score(Questions::of([Questions::typed('number', [$on])]), ['p1' => $typed])->state === 'right')->toBe($right);
})->with([
    ['1200', 1, false],
    ['1200', 2, true],
    ['1200', 3, true],
    ['1200', 4, true],
    ['1200', 5, false],
    ['1,200', 2, true],
    'a decimal point' => ['1200.', 2, false],
    'a decimal point counts all' => ['1200.', 4, true],
    'a power of ten' => ['1.20e3', 2, false],
    'a whole number before it' => ['120e1', 2, false],
    'the rule counts zeros' => ['1200', 2, false, ['zeros' => 'count']],
    'and takes all' => ['1200', 4, true, ['zeros' => 'count']],
]);

it('compares with tolerance', function (array $on, string $typed, bool $right): void {
    expect(Questions::score(Questions::of([Questions::typed('number', [$on])]), ['p1' => $typed])->state === 'right')->toBe($right);
})->with([
    'a fraction equals its decimal' => [['answer' => 'value', 'value' => '0.1'], '1/10', true],
    'the edge is inside' => [
        ['answer' => 'value', 'value' => '1.0', 'tolerance' => ['kind' => 'absolute', 'width' => '0.1']],
        '1.1',
        true,
    ],
    'just outside' => [['answer' => 'value', 'value' => '1.0', 'tolerance' => ['kind' => 'absolute', 'width' => '0.1']], '1.1001', false],
    'per cent of the key' => [
        ['answer' => 'value', 'value' => '-200', 'tolerance' => ['kind' => 'percent', 'width' => '5']],
        '-190',
        true,
    ],
    'per cent, just outside' => [
        ['answer' => 'value', 'value' => '-200', 'tolerance' => ['kind' => 'percent', 'width' => '5']],
        '-189.9',
        false,
    ],
    'decimal places' => [['answer' => 'value', 'value' => '2/3', 'tolerance' => ['kind' => 'places', 'digits' => 2]], '0.664', false],
    'decimal places rounded' => [
        ['answer' => 'value', 'value' => '2/3', 'tolerance' => ['kind' => 'places', 'digits' => 2]],
        '0.667',
        true,
    ],
    'half away from zero, below zero' => [
        ['answer' => 'value', 'value' => '-0.125', 'tolerance' => ['kind' => 'places', 'digits' => 2]],
        '-0.13',
        true,
    ],
    'significant figures' => [
        ['answer' => 'value', 'value' => '0.012345', 'tolerance' => ['kind' => 'figures', 'digits' => 3]],
        '0.0124',
        false,
    ],
    'significant figures rounded' => [
        ['answer' => 'value', 'value' => '0.012345', 'tolerance' => ['kind' => 'figures', 'digits' => 3]],
        '1.23e-2',
        true,
    ],
    'one significant figure' => [
        ['answer' => 'value', 'value' => '0.2', 'tolerance' => ['kind' => 'figures', 'digits' => 1]],
        '0.16',
        true,
    ],
    'written with just so many' => [
        ['answer' => 'value', 'value' => '2.5', 'tolerance' => ['kind' => 'places', 'digits' => 2, 'written' => true]],
        '2.5',
        false,
    ],
    'written so' => [
        ['answer' => 'value', 'value' => '2.5', 'tolerance' => ['kind' => 'places', 'digits' => 2, 'written' => true]],
        '2.50',
        true,
    ],
    'one of a set' => [['answer' => 'set', 'values' => ['2', '-2']], '−2', true],
    'a range with both ends' => [['answer' => 'range', 'from' => '1', 'to' => '2'], '2', true],
    'a range without its ends' => [['answer' => 'range', 'from' => '1', 'to' => '2', 'ends' => 'none'], '2', false],
    'a range open to one side' => [['answer' => 'range', 'from' => '1', 'to' => null, 'ends' => 'from'], '1e30', true],
]);

it('has nothing to say of a number it could read, and names what it could not', function (): void {
    $lone = (new NumberReader('und'))->read('1,234');
    $two = (new NumberReader('und'))->read('1,234.567.890,1');

    expect([$lone->sentence, $lone->alone()->sentence, (new NumberReader('en'))->read('-5 %')->sentence])->toBe(['', '', ''])
        ->and($lone->grouped)
        ->not->toBeNull()
        ->and($lone->alone()->grouped)
        ->toBeNull()
        ->and($two->sentence)
        ->toContain('1,234.567.890,1');
});
