<?php

declare(strict_types=1);

use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Question\UnhelpfulTitle;

it('knows names that say nothing', function (string $title): void {
    expect(UnhelpfulTitle::saysNothing($title))->toBeTrue();
})->with([
    '',
    '  ',
    'Untitled',
    'untitled question',
    'Question 12',
    'Q12',
    'Q 3b',
    'Copy (2)',
    'Copy of Question 4',
    'item_0012',
    'Item-7',
    'New question',
    '12',
    '#12.',
    'Multiple choice 4',
    'test',
    'TEST 2',
    'asdf',
    'xxx',
    'Quiz 3 – Question 10',
    'Imported item 9',
    'a1f3c9d8e7',
    '7d1f2a3b-0c4d-4e5f-8a9b-0c1d2e3f4a5b',
    '…',
    'True or false 2',
    'final final v2',
    'CALC 1',
    'fill in 3',
    'calc 3 (copy)',
    'x',
]);

it('leaves names that say something', function (string $title): void {
    expect(UnhelpfulTitle::saysNothing($title))->toBeFalse();
})->with([
    'Slate',
    'Why slate splits',
    'Question of age',
    'Copying a section',
    'The Lund Gill test pit',
    'pH',
    'Item of clothing',
    'Old Red Sandstone',
    'Q-wave',
    'Draft of a ship',
    '片麻岩',
    'سؤال عن الصخور',
    'Wozu dient ein Kompass?',
    'Versions of a map',
    'Test for carbonate',
    'Page from a field book',
    'Calculating density',
    'Gap in a wall',
]);

it('proposes the beginning of what is asked', function (string $body, ?string $name): void {
    $json = Json::decode((string) file_get_contents(__DIR__.'/../../schema/examples/choice.json'))->valid;
    $json->body = $body;
    $json->parts = $name === null ? [] : $json->parts;
    if ($name === null) {
        $json->body = str_replace('<div data-part="p1"></div>', '', $body);
    }
    expect(UnhelpfulTitle::proposal(Question::read($json, StandardKinds::all())))->toBe($name);
})->with([
    'a short question' => ['<p>Why does slate split?</p><div data-part="p1"></div>', 'Why does slate split?'],
    'the first sentence' => [
        '<p>A beck falls 40 m over a sill. How fast does it wear back?</p><div data-part="p1"></div>',
        'A beck falls 40 m over a sill',
    ],
    'a long one, to the end of a word' => [
        '<p>Which of the following statements about the cleavage of slate under compression is supported</p><div data-part="p1"></div>',
        'Which of the following statements about the cleavage of…',
    ],
    'one that begins with its options' => ['<div data-part="p1"></div>', 'Layers of mud were laid down one above another'],
    'nothing' => ['<p>…</p>', null],
]);
