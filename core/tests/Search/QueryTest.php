<?php

declare(strict_types=1);

use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Search\Query;
use WideQuarry\Search\SearchText;
use WideQuarry\Search\Splitter;
use WideQuarry\Search\Word;
use WideQuarry\Tests\Support\Questions;

it('looks for a word by its stem too, but for no phrase, nothing left out and nothing in pieces', function (): void {
    $query = Query::parse('Rocks "old rocks" -stones sub-soils rocks ');
    $stems = ['rocks' => 'rock', 'stones' => 'stone', 'sub-soils' => 'x', 'old' => 'x'];

    expect($query->stemmable())
        ->toBe(['rocks'])
        ->and($query->tsquery($stems))
        ->toBe(
            "('rocks' | '~rock') & ('old' <-> 'rocks') & !'stones' & ('sub-soils' | ('sub' <-> 'soils')) & ('rocks' | '~rock')",
        );
});

it('lets only the last piece of the last word go on, and only while it is typed', function (string $typed, string $tsquery): void {
    expect(Query::parse($typed)->tsquery())->toBe($tsquery);
})->with([
    'a word being typed' => ['slate ro', "'slate' & 'ro':*"],
    'a word that is finished' => ['slate ro ', "'slate' & 'ro'"],
    'the last piece of a unit' => ['g/cm', "('g/cm':* | ('g' <-> 'cm':*))"],
    'a phrase never' => ['"slate ro"', "('slate' <-> 'ro')"],
    'one left out never' => ['-ro', "!'ro'"],
    'a quote in a word' => ["o'neil ", "'oneil'"],
]);

it('takes sixty words, and says when some were left out', function (string $typed, int $terms, bool $cut): void {
    $query = Query::parse($typed);

    expect($query->terms)->toHaveCount($terms)->and($query->cut)->toBe($cut);
})->with([
    'sixty' => [implode(' ', array_fill(0, 60, 'a')), 60, false],
    'sixty-one' => [implode(' ', array_fill(0, 61, 'a')), 60, true],
    'sixty-two' => [implode(' ', array_fill(0, 62, 'a')), 60, true],
    'fifty-nine and a phrase of three' => [str_repeat('a ', 59).'"b c d"', 60, false],
    'a last word at the very end' => [str_repeat(' ', 19_999).'a', 1, false],
    'a word beyond the end' => [str_repeat(' ', 20_000).'a', 0, false],
]);

it('marks each occurrence, whatever stands around it', function (string $typed, string $text, array $pieces): void {
    expect(Query::parse($typed)->marks($text))->toBe($pieces);
})->with([
    'nothing in nothing' => ['slate ', '', []],
    'nothing found' => ['slate ', 'a rock', [['a rock', false]]],
    'what is left out' => ['-slate ', 'a slate', [['a slate', false]]],
    'the first and the last word' => ['slate ', 'Slate, slate', [['Slate', true], [', ', false], ['slate', true]]],
    'half a word only at the end of what is typed' => ['sla rock', 'slate rocks', [['slate ', false], ['rocks', true]]],
    'a phrase twice' => [
        '"old red" ',
        'old red, red old red',
        [['old', true], [' ', false], ['red', true], [', red ', false], ['old', true], [' ', false], ['red', true]],
    ],
    'an apostrophe' => ['oneil ', "O'Neil’s rock, O'Neil", [["O'Neil’s rock, ", false], ["O'Neil", true]]],
    'a piece of a word in pieces' => ['g/cm3 ', '3 g of rock', [['3 ', false], ['g', true], [' of rock', false]]],
    'no piece of a word that has none' => ['g ', 'g/cm3', [['g/cm3', true]]],
]);

it('finds a word by its whole and its pieces, each once', function (string $text, array $forms): void {
    expect(array_map(fn (Word $word): array => $word->forms(), Splitter::words($text)))->toBe($forms);
})->with([
    'a plain word' => ['Slate', [['slate']]],
    'an ion' => ['Ca²⁺', [['ca2']]],
    'signs raised within a word' => ['a⁻b c⁺d', [['a-b', 'a', 'b'], ['c+d', 'c', 'd']]],
    'twice the same piece' => ['A-a', [['a-a', 'a']]],
    'an apostrophe' => ['It’s', [['its']]],
    'a hundred letters' => [str_repeat('a', 100), [[str_repeat('a', 100)]]],
    'more than a hundred' => ['b'.str_repeat('a', 100), [['b'.str_repeat('a', 99)]]],
]);

it('finds all that a question says, by its labels, feedback, rules, tags, source and author', function (): void {
    $choice = Questions::choice(['a' => '1', 'b' => '']);
    $choice['label'] = 'labelword';
    $choice['feedback'] = ['right' => ['html' => '<p>partword</p>'], 'wrong' => ''];
    $choice['key']['rules'][0]['feedback'] = ['html' => '<p>ruleword</p>'];
    $json = Questions::of([$choice], ['title' => 'Titleword'])->toJson();
    $json->feedback = (object) ['general' => (object) ['html' => '<p>generalword</p>']];
    $json->hints = [(object) ['id' => 'h1', 'html' => '<p>hintword</p>']];
    $json->record = (object) [
        'tags' => ['tagword'],
        'standards' => [(object) ['framework' => 'f', 'code' => 'codeword']],
        'notes' => 'noteword',
        'source' => 'sourceword',
        'author' => 'authorword',
    ];
    $text = SearchText::of(Question::read($json, StandardKinds::all()));

    expect($text->rest)
        ->toBe("labelword\npartword\nruleword\ngeneralword\nhintword\ntagword\ncodeword\nnoteword\nsourceword\nauthorword")
        ->and(explode("\n", $text->all())[0])
        ->toBe('Titleword')
        ->and($text->all())
        ->toContain($text->stem, $text->answers, $text->rest);
});

it('quotes what the database would take for its own notation', function (): void {
    expect(SearchText::quoted("a'b\\c"))->toBe("'a''b\\\\c'");
});
