<?php

declare(strict_types=1);

use WideQuarry\Search\Query;
use WideQuarry\Search\SearchText;
use WideQuarry\Search\Splitter;
use WideQuarry\Search\Word;
use WideQuarry\Tests\Support\Questions;

it('splits as teachers write', function (string $text, array $forms): void {
    expect(array_map(fn (Word $word): array => $word->forms(), Splitter::words($text)))->toBe($forms);
})->with([
    'words' => ['Why slate splits.', [['why'], ['slate'], ['splits']]],
    'a unit' => ['2.7 g/cm3', [['2.7', '2', '7'], ['g/cm3', 'g', 'cm3']]],
    'raised digits' => ['g/cm³ and m s⁻¹', [['g/cm3', 'g', 'cm3'], ['and'], ['m'], ['s-1', 's', '1']]],
    'a code' => ['(FEF.2.3.b)', [['fef.2.3.b', 'fef', '2', '3', 'b']]],
    'a hyphen, also the long one' => ['hand-sample U–Pb', [['hand-sample', 'hand', 'sample'], ['u-pb', 'u', 'pb']]],
    'a formula' => ['CaCO₃', [['caco3']]],
    'an apostrophe is no joint' => ['it’s Tam\'s', [['its'], ['tams']]],
    'accents and capitals' => ['ÉBOULIS Straße', [['eboulis'], ['strasse']]],
    'other scripts' => ['гнейс ηφαίστειο', [['гнеис'], ['ηφαιστειο']]],
    'nothing to find' => ['— … !', []],
]);

it('reads a query', function (string $typed, string $tsquery): void {
    expect(Query::parse($typed)->tsquery())->toBe($tsquery);
})->with([
    'the last word may go on' => ['slate spl', "'slate' & 'spl':*"],
    'a finished word' => ['slate ', "'slate'"],
    'a phrase' => ['"flat minerals" slate', "('flat' <-> 'minerals') & 'slate':*"],
    'left out' => ['slate -mud', "'slate' & !'mud'"],
    'a phrase left out' => ['-"flat minerals" ', "!('flat' <-> 'minerals')"],
    'a unit, whole or in pieces' => ['g/cm3 ', "('g/cm3' | ('g' <-> 'cm3'))"],
    'nothing that can be looked for' => ['? & | !', ''],
    'the query language of the database is only words' => ["slate' | 'x:* & (", "'slate' & 'x'"],
    'an open quote' => ['"flat min', "('flat' <-> 'min')"],
]);

it('looks for the first sixty words of a very long query, and says so', function (): void {
    $query = Query::parse(implode(' ', array_map(fn (int $i): string => "w$i", range(1, 2000))));

    expect($query->terms)->toHaveCount(60)->and($query->cut)->toBeTrue()->and(Query::parse('one two')->cut)->toBeFalse();
});

it('marks what was found', function (string $typed, string $text, string $marked): void {
    $pieces = Query::parse($typed)->marks($text);
    expect(implode('', array_map(fn (array $piece): string => $piece[1] ? "[$piece[0]]" : $piece[0], $pieces)))
        ->toBe($marked)
        ->and(implode('', array_column($pieces, 0)))
        ->toBe($text);
})->with([
    'a word' => ['slate ', 'Why slate splits: Slate.', 'Why [slate] splits: [Slate].'],
    'an unfinished word' => ['sp', 'Why slate splits', 'Why slate [splits]'],
    'a phrase, and only that' => ['"flat minerals"', 'Flat minerals and flat beds', '[Flat] [minerals] and flat beds'],
    'a unit' => ['cm3 ', 'in g/cm³ here', 'in [g/cm³] here'],
    'what is left out is not marked' => ['-slate', 'slate', 'slate'],
    'without accents' => ['eboulis', 'un éboulis', 'un [éboulis]'],
]);

it('weighs title, stem, answers and the rest, and lets no phrase cross from one into the next', function (): void {
    $question = Questions::of(
        [Questions::choice(['schist' => '1', 'mud' => ''], [], 1, 'p1', 1)],
        [
            'title' => 'Slate',
            'body' => '<p>Rock?</p><div data-part="p1"></div>',
            'hints' => [['id' => 'h', 'html' => '<p>foliated</p>']],
            'record' => [
                'tags' => ['thin section'],
                'notes' => 'check',
                'standards' => [['framework' => 'FEF', 'code' => 'FEF.2.3.b']],
                'origin' => ['format' => 'qti', 'identifier' => 'Item_0042-b'],
            ],
        ],
    );

    expect(SearchText::of($question)->vector())->toBe(
        "'slate':1A 'rock':3B 'schist':5C 'mud':6C 'foliated':8D 'thin':9D 'section':10D 'fef.2.3.b':11D 'fef':11D '2':12D '3':13D ".
            "'b':14D 'check':15D '$question->id':17D 'item_0042-b':18D",
    );
});

it('stays within what the database takes, however long the text', function (): void {
    $question = Questions::of(
        [],
        [
            'title' => str_repeat('x', 400),
            'body' => '<p>'.implode(' ', array_map(fn (int $i): string => 'w'.$i % 30000, range(1, 40000))).'</p>',
        ],
    );
    $vector = SearchText::of($question)->vector();
    preg_match_all('/\d+(?=[ABCD])/', $vector, $positions);

    expect(strlen($vector))->toBeLessThan(1_000_000)->and(max(array_map(intval(...), $positions[0])))->toBe(16383);
});
