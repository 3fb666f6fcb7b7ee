<?php

declare(strict_types=1);

use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Defaults;
use WideQuarry\Question\Question;
use WideQuarry\Question\Replacement;

$question = Json::decode(
    Json::encode([
        'format' => 'wide-quarry/question',
        'version' => 1,
        'id' => '0192f0c4-0000-7000-8000-000000000001',
        'title' => 'Slate',
        'body' => '<p>Why does <em>slate</em> split? Slates &amp; schists.</p><div data-part="slate"></div>',
        'parts' => [
            [
                'id' => 'slate',
                'kind' => 'choice',
                'settings' => ['options' => [['id' => 'a', 'html' => '<p>slate grains</p>'], ['id' => 'b', 'html' => 'mica']]],
                'key' => [
                    'rules' => [['id' => 'r1', 'on' => 'a', 'credit' => '1', 'feedback' => ['html' => 'Yes, SLATE.', 'show' => 'both']]],
                ],
            ],
            [
                'id' => 'p2',
                'kind' => 'text',
                'key' => ['rules' => [['id' => 'r1', 'on' => ['answer' => 'is', 'text' => ['slate', 'roofing slate']], 'credit' => '1']]],
            ],
        ],
        'record' => ['notes' => 'slate', 'tags' => ['slate']],
    ]),
);
assert($question instanceof stdClass);

it('finds words wherever an author wrote some, and nowhere else', function () use ($question): void {
    ['places' => $places, 'question' => $changed] = Replacement::in($question, 'slate', 'schist', false, true);
    expect(array_map(fn (array $place): string => "$place[before]|$place[found]|$place[after]", $places))
        ->toBe(['|Slate|', 'Why does |slate| split? Slates & schists.', '|slate| grains', 'Yes, |SLATE|.', '|slate|', 'roofing |slate|'])
        ->and($changed->title)
        ->toBe('schist')
        ->and($changed->body)
        ->toBe('<p>Why does <em>schist</em> split? Slates &amp; schists.</p><div data-part="slate"></div>')
        ->and($changed->parts[0]->id)
        ->toBe('slate')
        ->and($changed->parts[1]->key->rules[0]->on->text)
        ->toBe(['schist', 'roofing schist'])
        ->and(Json::encode($changed->record))
        ->toBe(Json::encode($question->record));
});

it('finds as it is told', function (string $find, bool $case, bool $whole, int $times) use ($question): void {
    expect(Replacement::in($question, $find, '', $case, $whole)['places'])->toHaveCount($times);
})->with([
    'any part of a word' => ['slate', false, false, 7],
    'with its capitals' => ['slate', true, true, 4],
    'signs that mean something in a pattern' => ['.', false, false, 2],
    'words with other spaces between' => ['slate grains', false, false, 1],
    'signs that are written otherwise in markup' => ['Slates & schists', true, false, 1],
    'nothing at all' => ['  ', false, false, 0],
    'what is not there' => ['gneiss', false, false, 0],
]);

it('finds what is split by markup, and keeps the style that most of it has', function (
    string $body,
    string $find,
    string $with,
    string $expected,
    int $times = 1,
): void {
    $there = Replacement::in((object) ['body' => $body], $find, $with, false, true);
    expect($there['question']->body)->toBe($expected)->and(count($there['places']))->toBe($times);
})->with([
    'half in italics' => ['<p>The <em>sla</em>te splits.</p>', 'slate', 'schist', '<p>The <em>schist</em> splits.</p>'],
    'two words, one in bold' => ['<p>An <strong>ox</strong>bow lake here</p>', 'oxbow lake', 'mere', '<p>An mere here</p>'],
    'a sign below' => ['<p>CO<sub>2</sub> warms, CO<sub>2</sub> rises</p>', 'CO2', 'methane', '<p>methane warms, methane rises</p>', 2],
    'not over two paragraphs' => ['<p>sla</p><p>te</p>', 'slate', 'x', '<p>sla</p><p>te</p>', 0],
    'not over a gap' => ['<p>sla<span data-part="p1"></span>te</p>', 'slate', 'x', '<p>sla<span data-part="p1"></span>te</p>', 0],
    'taken away whole' => ['<p>Very <em>very</em> old</p>', 'very', '', '<p>  old</p>', 2],
]);

it('replaces only the places that are picked, and names them', function () use ($question): void {
    ['places' => $places, 'question' => $changed] = Replacement::in($question, 'slate', '<b>& $1', false, true, [2, 4]);
    expect($changed->title)
        ->toBe('Slate')
        ->and($changed->parts[0]->settings->options[0]->html)
        ->toBe('<p>&lt;b&gt;&amp; $1 grains</p>')
        ->and($changed->parts[1]->key->rules[0]->on->text)
        ->toBe(['<b>& $1', 'roofing slate'])
        ->and(array_column($places[2]['path'], 'name'))
        ->toBe(['parts', 'settings', 'options', 'html']);
});

it('can be taken back in every demo question, touches nothing that names something, and leaves it a question', function (
    string $find,
    int $least,
): void {
    $names = function (mixed $value, string $field = '') use (&$names): array {
        return match (true) {
            $value instanceof stdClass => array_merge(
                ...array_map(
                    fn (string $name, mixed $inner): array => $names($inner, $name),
                    array_keys(get_object_vars($value)),
                    array_values(get_object_vars($value)),
                ),
                ...[[]],
            ),
            is_array($value) => array_merge(...array_map(fn (mixed $inner): array => $names($inner, $field), $value), ...[[]]),
            default => in_array($field, ['id', 'kind', 'scheme', 'on', 'answer', 'format'], true) ? [$value] : [],
        };
    };
    $places = 0;
    foreach (glob(__DIR__.'/../../../database/demo/*.json') ?: [] as $file) {
        foreach (Json::decode((string) file_get_contents($file))->questions as $json) {
            $question = Question::read($json, StandardKinds::all())->toJson();
            $there = Replacement::in($question, $find, 'Zzyxq', true, true);
            $back = Replacement::in($there['question'], 'Zzyxq', $find, true, true);
            expect(Json::encode($back['question']))
                ->toBe(Json::encode($question), $json->id)
                ->and(count($back['places']))
                ->toBe(count($there['places']), $json->id)
                ->and($names($there['question']))
                ->toBe($names($question))
                ->and(Question::read($there['question'], StandardKinds::all())->id)
                ->toBe($json->id);
            $places += count($there['places']);
        }
    }
    expect($places)->toBeGreaterThanOrEqual($least);
})->with([['the', 300], ['rock', 20], ['one', 10], ['choice', 0], ['p1', 0]]); // the last two stand in every question, as names of things

it('takes defaults of a bank that new questions can begin with', function (array $defaults, ?string $path): void {
    $read = fn () => Defaults::read(Json::decode(Json::encode((object) $defaults)));
    $path === null
        ? expect(Json::encode($read()->toJson()))->toBe(Json::encode((object) $defaults))
        : expect($read)->toThrow(fn (Malformed $problem) => expect($problem->path)->toBe($path));
})->with([
    'none' => [[], null],
    'all' => [
        [
            'language' => 'cy',
            'points' => 2.5,
            'shuffle' => false,
            'show' => 'after',
            'attempts' => ['allowed' => 3, 'cost' => '1/4'],
            'normalise' => ['case' => 'keep'],
        ],
        null,
    ],
    'points below nothing' => [['points' => -1], '/points'],
    'a language in words' => [['language' => 'in Welsh'], '/language'],
    'a try that costs more than all' => [['attempts' => ['cost' => '2']], '/attempts/cost'],
    'no try at all' => [['attempts' => ['allowed' => 0]], '/attempts/allowed'],
    'an unknown one' => [['colour' => 'red'], '/colour'],
    'a way of comparing there is not' => [['normalise' => ['case' => 'loud']], '/normalise/case'],
]);
