<?php

declare(strict_types=1);

use WideQuarry\Answer\EditDistance;
use WideQuarry\Answer\NormaliseOptions;
use WideQuarry\Answer\Normaliser;
use WideQuarry\Answer\Pattern;
use WideQuarry\Tests\Support\Questions;

it('normalises', function (array $options, string $typed, string $form, string $language = 'en-GB'): void {
    expect((new Normaliser(NormaliseOptions::read((object) $options, ''), $language))->apply($typed))->toBe($form);
})->with([
    'case is ignored by default' => [[], 'Basalt', 'basalt'],
    'case folds, not only lowers' => [[], 'STRASSE Straße', 'strasse strasse'],
    'case kept' => [['case' => 'keep'], 'Basalt', 'Basalt'],
    'spaces collapse' => [[], "  a \t  b ", 'a b'],
    'a space of another width' => [[], "a\u{3000}b", 'a b'],
    'only outer spaces go' => [['spaces' => 'trim'], ' a  b ', 'a  b'],
    'no spaces at all' => [['spaces' => 'ignore'], 'a b c', 'abc'],
    'compatibility forms' => [[], 'ﬁne CO₂ ②', 'fine co2 2'],
    'quotes and dashes are plain' => [[], '‘a’ – “b”', '\'a\' - "b"'],
    'quotes kept' => [['marks' => 'keep'], '‘a’', '‘a’'],
    'punctuation ignored' => [['punctuation' => 'ignore'], "don't, well-known!", 'dont well known'],
    'accents kept' => [[], 'Café', 'café'],
    'accents ignored' => [['accents' => 'ignore'], 'Café Ångström', 'cafe angstrom'],
    'an article is ignored' => [['article' => 'ignore'], 'The basalt', 'basalt'],
    'an article alone is a word' => [['article' => 'ignore'], 'the', 'the'],
    'an article with an apostrophe' => [['article' => 'ignore'], 'L’ardoise', 'ardoise', 'fr'],
    'an article of another language' => [['article' => 'ignore'], 'der Basalt', 'basalt', 'de'],
]);

it('counts slips in graphemes', function (string $one, string $other, ?int $slips): void {
    expect(EditDistance::between($one, $other, 3))->toBe($slips)->and(EditDistance::between($other, $one, 3))->toBe($slips);
})->with([
    'same' => ['basalt', 'basalt', 0],
    'one letter more' => ['basalte', 'basalt', 1],
    'neighbours swapped' => ['baslat', 'basalt', 1],
    'one replaced' => ['bazalt', 'basalt', 1],
    'a composed and a plain letter' => ["cafe\u{301}", 'cafe', 1],
    'a flag is one grapheme' => ['a🇳🇴b', 'ab', 1],
    'no piece is edited twice' => ['ca', 'abc', 3],
    'too far' => ['granite', 'basalt', null],
    'from nothing' => ['', 'abc', 3],
]);

it('matches rules', function (array $rules, string $typed, ?string $rule): void {
    $result = Questions::score(Questions::of([Questions::typed('text', $rules)]), ['p1' => $typed]);

    expect($result->parts[0]->matched[0] ?? null)->toBe($rule);
})->with([
    'is' => [[['answer' => 'is', 'text' => ['slate', 'shale']]], 'Shale ', 'r1'],
    'case kept by the rule' => [[['answer' => 'is', 'text' => ['pH'], 'case' => 'keep']], 'PH', null],
    'holds on word boundaries' => [[['answer' => 'holds', 'text' => ['lime']]], 'limestone', null],
    'holds a phrase' => [[['answer' => 'holds', 'text' => ['sea level']]], 'above sea level, far', 'r1'],
    'holds beside an accent' => [[['answer' => 'holds', 'text' => ['cafe']]], 'café', null],
    'holds all, in any order' => [[['answer' => 'holds_all', 'text' => ['heat', 'pressure']]], 'pressure and heat', 'r1'],
    'holds all: one missing' => [[['answer' => 'holds_all', 'text' => ['heat', 'pressure']]], 'heat', null],
    'holds any' => [[['answer' => 'holds_any', 'text' => ['heat', 'pressure']]], 'some pressure', 'r1'],
    'one slip' => [[['answer' => 'slips', 'text' => ['gabbro'], 'slips' => 1]], 'gabro', 'r1'],
    'nearer to another rule' => [
        [['answer' => 'slips', 'text' => ['gneiss'], 'slips' => 3], ['answer' => 'is', 'text' => ['schist'], 'credit' => '0']],
        'schiss',
        null,
    ],
    'the highest credit decides' => [
        [['answer' => 'holds', 'text' => ['rock'], 'credit' => '1/2'], ['answer' => 'is', 'text' => ['a rock']]],
        'a rock',
        'r2',
    ],
    'the first of equals' => [[['answer' => 'holds', 'text' => ['rock']], ['answer' => 'is', 'text' => ['a rock']]], 'a rock', 'r1'],
    'otherwise catches the rest' => [[['answer' => 'is', 'text' => ['x']], ['answer' => 'otherwise', 'credit' => '0']], 'y', 'r2'],
    'shape is anchored' => [[['answer' => 'shape', 'pattern' => '\d{3}']], '1234', null],
    'shape may stand anywhere when told' => [[['answer' => 'shape', 'pattern' => '\d{3}', 'anchored' => false]], 'x1234', 'r1'],
    'shape with alternatives stays anchored' => [[['answer' => 'shape', 'pattern' => 'a|b']], 'ab', null],
    'shape with a slash' => [[['answer' => 'shape', 'pattern' => '1/2']], '1/2', 'r1'],
]);

it('gives up on a shape after its steps, everywhere alike', function (): void {
    $result = Questions::score(Questions::of([Questions::typed('text', [['answer' => 'shape', 'pattern' => '(a+)+[bc]']])]), [
        'p1' => str_repeat('a', 40),
    ]);

    expect($result->state)->toBe('wrong')->and(array_column($result->parts[0]->trace, 'step'))->toContain('pattern.limit');
});

it(
    'refuses shapes that could do more than compare',
    fn (string $pattern) => expect(Pattern::of($pattern, true, true)->problem)->not->toBeNull(),
)->with([
    'callout' => ['(?C1)a'],
    'recursion' => ['(a(?R)?b)'],
    'subroutine' => ['(a)(?1)'],
    'named call' => ['(?<x>a)(?&x)'],
    'single byte' => ['\C'],
    'verb' => ['(*ACCEPT)'],
    'unbalanced' => ['(a'],
    'empty' => [''],
    'too long' => [str_repeat('a', 501)],
]);

it(
    'answers no to more than 4,000 characters',
    fn () => expect(Pattern::of('a*', true, true)->matches(str_repeat('a', 4001)))->toBeFalse(),
);
