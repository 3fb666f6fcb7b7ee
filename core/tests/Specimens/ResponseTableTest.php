<?php

declare(strict_types=1);

use WideQuarry\Documents\SpreadsheetCells;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Specimens\ResponseTable;

/** @param  list<array<string, mixed>>  $parts */
function tabled(array $parts, string $body = '', array $record = []): Question
{
    $json = [
        'format' => 'wide-quarry/question',
        'version' => 1,
        'id' => '0192f0c4-0000-7000-8000-000000000001',
        'language' => 'en-GB',
        'body' => $body,
        'parts' => array_map(fn (array $part): array => ['points' => 2, ...$part], $parts),
        'record' => (object) $record,
    ];

    return Question::read(Json::decode(Json::encode($json)), StandardKinds::all());
}

$rows = fn (Question $question, string $table, ?array $columns = null): array => ResponseTable::read(
    $question,
    SpreadsheetCells::read($table, true),
    $columns,
);
$things = fn (string ...$words): array => array_map(
    fn (string $html, int $i): array => ['id' => "x$i", 'html' => $html],
    $words,
    array_keys($words),
);
$rocks = [
    'id' => 'p1',
    'kind' => 'choice',
    'settings' => ['options' => $things('granite', '<em>slate</em>', 'marble, white', '4'), 'max' => null],
    'key' => ['rules' => [['id' => 'r1', 'on' => 'x1', 'credit' => '1'], ['id' => 'r2', 'on' => 'x2', 'credit' => '1']]],
    'scoring' => ['scheme' => 'each'],
];

it('reads what was written for every kind', function (array $part, string $written, string $response, string $body = '') use (
    $rows,
): void {
    $question = tabled([['id' => 'p1', ...$part]], $body);
    $read = $rows($question, $written)['rows'][0];
    expect([$read['problem'], Json::encode($read['response']->p1)])->toBe([null, $response]);
})->with([
    'a letter' => [$rocks, 'B', '{"chosen":["x1"]}'],
    'letters together' => [$rocks, 'bC', '{"chosen":["x1","x2"]}'],
    'words, whatever their capitals' => [$rocks, ' SLATE. ', '{"chosen":["x1"]}'],
    'words with a comma in them' => [$rocks, 'Marble, white; slate', '{"chosen":["x2","x1"]}'],
    'words before places: the option 4' => [$rocks, '4', '{"chosen":["x3"]}'],
    'the place of one' => [$rocks, '2)', '{"chosen":["x1"]}'],
    'an identifier' => [$rocks, 'x0', '{"chosen":["x0"]}'],
    'a drop-down' => [['kind' => 'menu', 'settings' => ['options' => $things('up', 'down')]], 'down', '{"chosen":["x1"]}'],
    'a word typed' => [['kind' => 'text'], 'Gneiss = banded', '{"text":"Gneiss = banded"}'],
    'a number typed' => [['kind' => 'number'], '2,65 g/cm3', '{"text":"2,65 g/cm3"}'],
    'a slider' => [['kind' => 'slider', 'settings' => ['from' => '-5', 'to' => '10', 'step' => '0.5']], '−2,5', '{"value":"-2.5"}'],
    'a sequence by words' => [
        ['kind' => 'order', 'settings' => ['items' => $things('Cambrian', 'Permian', 'Jurassic')]],
        'Permian → cambrian → Jurassic',
        '{"sequence":["x1","x0","x2"]}',
    ],
    'a sequence by letters' => [
        ['kind' => 'order', 'settings' => ['items' => $things('Cambrian', 'Permian', 'Jurassic')]],
        'CAB',
        '{"sequence":["x2","x0","x1"]}',
    ],
    'pairs' => [
        ['kind' => 'match', 'settings' => ['left' => $things('slate', 'basalt'), 'right' => $things('igneous', 'metamorphic')]],
        'slate = metamorphic; basalt – igneous',
        '{"pairs":[["x0","x1"],["x1","x0"]]}',
    ],
    'pairs by letter and number' => [
        ['kind' => 'match', 'settings' => ['left' => $things('slate', 'basalt'), 'right' => $things('igneous', 'metamorphic')]],
        'A2; B1',
        '{"pairs":[["x0","x1"],["x1","x0"]]}',
    ],
    'pairs whose words hold a dash' => [
        ['kind' => 'match', 'settings' => ['left' => $things('P - wave', 'S - wave'), 'right' => $things('fast', 'slow')]],
        'S - wave - slow',
        '{"pairs":[["x1","x1"]]}',
    ],
    'groups' => [
        ['kind' => 'group', 'settings' => ['items' => $things('wind', 'coal', 'sun'), 'groups' => $things('renewable', 'not')]],
        'renewable: sun, wind; not: coal',
        '{"groups":{"x0":["x2","x0"],"x1":["x1"]}}',
    ],
    'a group named twice' => [
        ['kind' => 'group', 'settings' => ['items' => $things('wind', 'coal', 'sun'), 'groups' => $things('renewable', 'not')]],
        'renewable: sun; not: coal; renewable: wind',
        '{"groups":{"x0":["x2","x0"],"x1":["x1"]}}',
    ],
    'tiles in the order of the gaps' => [
        ['kind' => 'tiles', 'settings' => ['tiles' => $things('quartz', 'mica')]],
        '-; mica',
        '{"gaps":{"g2":"x1"}}',
        '<p><span data-gap="g1" data-of="p1"></span> and <span data-gap="g2" data-of="p1"></span></p><div data-part="p1"></div>',
    ],
    'words to pick' => [
        [
            'kind' => 'highlight',
            'settings' => ['text' => '<p><span data-piece="w1">Ice</span> is a <span data-piece="w2">mineral</span></p>'],
        ],
        'mineral, ice',
        '{"chosen":["w2","w1"]}',
    ],
    'words mended' => [
        ['kind' => 'amend', 'settings' => ['text' => '<p>Ice is a <span data-piece="w1">rock</span></p>']],
        'rock -> mineral',
        '{"amends":{"w1":"mineral"}}',
    ],
    'an opinion on a scale' => [['kind' => 'survey', 'settings' => ['scale' => ['from' => 1, 'to' => 5]]], '4', '{"chosen":["4"]}'],
]);

it('says what cannot be made out, and reads the rest', function () use ($rows, $rocks): void {
    $read = $rows(tabled([$rocks]), "slate\nbasalt\nB, C\tmany");
    expect(array_column($read['rows'], 'problem'))
        ->toBe([null, 'There is nothing called “basalt” here.', null])
        ->and(array_column($read['rows'], 'number'))
        ->toBe([1, 2, 3]);
});

it('says what cannot be a response of a kind', function (array $part, string $written, string $problem, string $body = '') use (
    $rows,
): void {
    expect($rows(tabled([['id' => 'p1', ...$part]], $body), $written)['rows'][0]['problem'])->toBe($problem);
})->with([
    'a letter beyond the last option' => [$rocks, 'F', 'There is nothing called “F” here.'],
    'two options of one name' => [
        ['kind' => 'menu', 'settings' => ['options' => $things('up', 'Up')]],
        'up',
        'More than one is called “up”.',
    ],
    'words for a slider' => [
        ['kind' => 'slider', 'settings' => ['from' => '0', 'to' => '10', 'step' => '1']],
        'half',
        '“half” is not a number.',
    ],
    'a step the scale does not have' => [
        ['kind' => 'survey', 'settings' => ['scale' => ['from' => 3, 'to' => 7]]],
        '1',
        '“1” is not a step of the scale.',
    ],
    'a pair of one' => [
        ['kind' => 'match', 'settings' => ['left' => $things('slate'), 'right' => $things('metamorphic')]],
        'slate',
        '“slate” is not a pair. Write two things with = between them.',
    ],
    'an item without its group' => [
        ['kind' => 'group', 'settings' => ['items' => $things('wind'), 'groups' => $things('renewable')]],
        'wind',
        '“wind” names no group. Write a group, a colon and what lies in it.',
    ],
    'more tiles than gaps' => [
        ['kind' => 'tiles', 'settings' => ['tiles' => $things('quartz', 'mica')]],
        'quartz; mica',
        '2 tiles were written for one gap.',
        '<p><span data-gap="g1" data-of="p1"></span></p><div data-part="p1"></div>',
    ],
    'a word that is not in the text' => [
        ['kind' => 'highlight', 'settings' => ['text' => '<p><span data-piece="w1">Ice</span> melts</p>']],
        'snow',
        'There is nothing called “snow” here.',
    ],
    'a fault mended twice' => [
        ['kind' => 'amend', 'settings' => ['text' => '<p>Ice is a <span data-piece="w1">rock</span></p>']],
        'rock -> mineral; rock -> metal',
        '“rock” is mended twice.',
    ],
    'a fault without what mends it' => [
        ['kind' => 'amend', 'settings' => ['text' => '<p>Ice is a <span data-piece="w1">rock</span></p>']],
        'rock',
        '“rock” mends nothing. Write the wrong word, an arrow (->) and the right one.',
    ],
]);

it('finds out what the columns hold', function (string $table, array $columns, bool $head, array $stated, array $notes) use (
    $rows,
    $rocks,
): void {
    $read = $rows(tabled([$rocks, ['id' => 'p2', 'kind' => 'text', 'label' => 'Reason']]), $table);
    expect([$read['columns'], $read['head'], array_column($read['rows'], 'stated'), array_column($read['rows'], 'note')])->toBe([
        $columns,
        $head,
        $stated,
        $notes,
    ]);
})->with([
    'heads, in any order' => [
        "Points\tReason\tAnswer\tName\n1,5\tlines\tB\tMia\n75 %\t\tC\tTom",
        ['score', 'part:p2', 'part:p1', ''],
        true,
        ['1.5', '3'],
        ['', ''],
    ],
    'no heads' => ["B\tlines\t1\tgood\nC\tnone\t0\t", ['part:p1', 'part:p2', 'score', 'note'], false, ['1', '0'], ['good', '']],
    'only answers' => ["B\tlines\nC\tnone", ['part:p1', 'part:p2'], false, [null, null], ['', '']],
    'heads of the parts alone' => ["part 2\tpart 1\nlines\tB", ['part:p2', 'part:p1'], true, [null], ['']],
]);

it('scores each as it would be scored now, and tells those that are there', function () use ($rows, $rocks): void {
    $question = tabled([$rocks], '', ['specimens' => [['id' => 's1', 'response' => ['p1' => ['chosen' => ['x1']]], 'score' => '1']]]);
    $read = $rows($question, "B\t1\nBC\t2\nA\t0\nB\t1\nBC\t2")['rows'];
    // each: r/n less what is picked too much; two are right, two points
    expect(array_column($read, 'scores'))
        ->toBe([1, 2, 0, 1, 2])
        ->and(array_column($read, 'known'))
        ->toBe([true, false, false, true, true]);
});

it('takes the columns as it is told', function () use ($rows, $rocks): void {
    $read = $rows(tabled([$rocks]), "1\tB\n2\tC", ['', 'part:p1']);
    expect(array_map(fn (array $row): array => $row['response']->p1->chosen, $read['rows']))->toBe([['x1'], ['x2']]);
});
