<?php

declare(strict_types=1);

use WideQuarry\Checks\Completeness;
use WideQuarry\Converting\AnswerTable;
use WideQuarry\Converting\Conversions;
use WideQuarry\Documents\SpreadsheetCells;
use WideQuarry\Finding;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Parts\Choice\TrueFalseList;
use WideQuarry\Parts\Number\NumberForm;
use WideQuarry\Parts\OptionForm;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Parts\Text\TextForm;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Tests\Support\OnPictures;
use WideQuarry\Tests\Support\Pairs;
use WideQuarry\Tests\Support\Questions;

function asked(string $body, array $parts, array $more = []): Question
{
    return Questions::of($parts, ['body' => $body, ...$more]);
}

function converted(Question $question, string $to, string $part = 'p1'): array
{
    $converted = (new Conversions(StandardKinds::all()))->convert($question, $part, $to);
    $read = Questions::read($converted->question);
    expect(
        array_map(
            fn (Finding $finding): string => $finding->message,
            array_filter((new Completeness)->findings($read), fn (Finding $finding): bool => $finding->isBlocking()),
        ),
    )->toBe([]);

    return [$read, $converted->losses];
}

function earns(Question $question, array $response): string
{
    return (string) (new Scorer)->score($question, new Attempt(json_decode(json_encode($response)), Seed::of(1)))->exact;
}

$text = Questions::typed('text', [['answer' => 'is', 'text' => ['slate']], ['answer' => 'is', 'text' => ['shale'], 'credit' => '0']], 2);
$text['key']['rules'][1]['feedback'] = ['html' => '<p>Not squeezed yet.</p>', 'show' => 'both'];
$choice = Questions::choice(['a' => '1', 'b' => '1/2', 'c' => ''], [], 2, 'p1', 1);
$inline = '<p>It is <span data-part="p1"></span>, squeezed.</p>';

it('carries what is right, what it earns and what it says to every other kind', function (string $from, string $to) use (
    $text,
    $inline,
): void {
    $menu = [
        'id' => 'p1',
        'kind' => 'menu',
        'points' => 2,
        'settings' => ['options' => [['id' => 'a', 'html' => 'slate'], ['id' => 'b', 'html' => 'shale']]],
        'key' => [
            'rules' => [
                ['id' => 'r1', 'on' => 'a', 'credit' => '1'],
                ['id' => 'r2', 'on' => 'b', 'credit' => '0', 'feedback' => $text['key']['rules'][1]['feedback']],
            ],
        ],
    ];
    $tiles = [
        'id' => 'p1',
        'kind' => 'tiles',
        'points' => 2,
        'settings' => ['tiles' => [['id' => 't1', 'html' => 'slate'], ['id' => 't2', 'html' => 'shale']]],
        'key' => [
            'rules' => [
                ['id' => 'r1', 'on' => ['g1', 't1'], 'credit' => '1'],
                ['id' => 'r2', 'on' => ['g1', 't2'], 'credit' => '0', 'feedback' => $text['key']['rules'][1]['feedback']],
            ],
        ],
    ];
    $question = match ($from) {
        'text' => asked($inline, [$text]),
        'menu' => asked($inline, [$menu]),
        'choice' => asked('<p>What is it?</p><div data-part="p1"></div>', [
            [...$menu, 'kind' => 'choice', 'settings' => [...$menu['settings'], 'max' => 1]],
        ]),
        'tiles' => asked('<p>It is <span data-gap="g1" data-of="p1"></span>, squeezed.</p><div data-part="p1"></div>', [$tiles]),
    };
    [$made, $losses] = converted($question, $to);
    $part = $made->parts[0];
    $give = function (string $words) use ($made, $part): array {
        $options = json_decode(json_encode($made->toJson()->parts[0]->settings));
        $id = fn (array $items): string => array_values(
            array_filter($items, fn (stdClass $item): bool => strip_tags($item->html) === $words),
        )[0]->id;

        return [
            $part->id => match ($part->kindName) {
                'text' => ['text' => $words],
                'tiles' => ['gaps' => ['g1' => $id($options->tiles)]],
                default => ['chosen' => [$id($options->options)]],
            },
        ];
    };
    expect($losses)
        ->toBe([])
        ->and($part->kindName)
        ->toBe($to)
        ->and(earns($made, $give('slate')))
        ->toBe('2')
        ->and(earns($made, $give('shale')))
        ->toBe('0');
    $said = (new Scorer)->score($made, new Attempt(json_decode(json_encode($give('shale'))), Seed::of(1)))->parts[0]->feedback;
    expect(json_encode($said))->toContain('Not squeezed yet.');
})->with(
    array_merge(
        ...array_map(
            fn (string $from): array => array_map(
                fn (string $to): array => [$from, $to],
                array_values(array_diff(['text', 'menu', 'choice', 'tiles'], [$from])),
            ),
            ['text', 'menu', 'choice', 'tiles'],
        ),
    ),
);

it('names what cannot be carried', function (Question $question, string $to, array $losses): void {
    expect(converted($question, $to)[1])->toBe($losses);
})->with([
    'other wordings' => [
        asked($inline, [
            Questions::typed('text', [
                ['answer' => 'is', 'text' => ['slate', 'slates', 'a slate']],
                ['answer' => 'is', 'text' => ['mud'], 'credit' => '0'],
            ]),
        ]),
        'menu',
        ['Other wordings of “slate” are lost: slates, a slate.'],
    ],
    'a shape and the catch-all' => [
        asked($inline, [
            Questions::typed('text', [
                ['answer' => 'is', 'text' => ['slate']],
                ['answer' => 'is', 'text' => ['mud'], 'credit' => '0'],
                ['answer' => 'shape', 'pattern' => 'sl.*'],
                ['answer' => 'otherwise', 'credit' => '0'],
            ]),
        ]),
        'menu',
        ['Answers that are known by their shape are lost.', 'What is said of any other answer is lost.'],
    ],
    'silent wrong options' => [
        asked('<p>What?</p><div data-part="p1"></div>', [$choice]),
        'text',
        ['One wrong answer to pick is lost: what is typed has none.'],
    ],
    'parts of the points' => [
        asked('<p>What?</p><div data-part="p1"></div>', [$choice]),
        'tiles',
        ['Answers that earn a part of the points earn all of them as tiles.'],
    ],
    'words that are no number' => [
        asked($inline, [Questions::typed('text', [['answer' => 'is', 'text' => ['7']], ['answer' => 'is', 'text' => ['seven']]])]),
        'number',
        ['“seven” is not a number, so it is lost.'],
    ],
    'an item of no group' => [
        Pairs::of('group', ['i1', 'i2', 'i3'], ['g1', 'g2'], ['i1 g1', 'i2 g2']),
        'match',
        ['“i3” belongs in no group; on the left everything has a partner, so it is lost.'],
    ],
]);

it('lays a word beside the tiles that are there, and makes each gap a part again', function (): void {
    $tiles = [
        'id' => 'p2',
        'kind' => 'tiles',
        'points' => 1,
        'settings' => ['tiles' => [['id' => 't1', 'html' => 'slate', 'uses' => 1]]],
        'key' => ['rules' => [['id' => 'k1', 'on' => ['g1', 't1'], 'credit' => '1']]],
    ];
    $question = asked(
        '<p>One is <span data-gap="g1" data-of="p2"></span>, the other <span data-part="p1"></span>.</p><div data-part="p2"></div>',
        [Questions::typed('text', [['answer' => 'is', 'text' => ['Slate']]], 2), $tiles],
    );
    [$made, $losses] = converted($question, 'tiles');
    $part = $made->toJson()->parts[0];
    expect($losses)
        ->toBe([])
        ->and($made->parts)
        ->toHaveCount(1)
        ->and($part->points)
        ->toBe(3)
        ->and($part->settings->tiles)
        ->toHaveCount(1)
        ->and($part->settings->tiles[0]->uses)
        ->toBe(2)
        ->and(earns($made, ['p2' => ['gaps' => ['g1' => 't1', 'g2' => 't1']]]))
        ->toBe('3');
    [$apart, $told] = converted($made, 'text', 'p2');
    expect($apart->parts)
        ->toHaveCount(2)
        ->and($told)
        ->toBe([])
        ->and((string) $apart->points()->simplified())
        ->toBe('3')
        ->and($apart->body)
        ->not->toContain('data-gap')
        ->not->toContain('<div');
});

it('takes an answer out of its line and puts one into it', function (): void {
    [$made] = converted(
        asked('<p>It is <span data-part="p1"></span>, squeezed.</p><p>More.</p>', [
            Questions::typed('text', [['answer' => 'is', 'text' => ['slate']], ['answer' => 'is', 'text' => ['mud'], 'credit' => '0']]),
        ]),
        'choice',
    );
    expect($made->body)->toBe('<p>It is ……, squeezed.</p><div data-part="p1"></div><p>More.</p>');
});

it('turns pairs into groups and back', function (): void {
    $match = Pairs::of('match', ['l1', 'l2', 'l3'], ['r1', 'r2'], ['l1 r1', 'l2 r1', 'l3 r2'], [], ['r1' => ['uses' => null]]);
    [$group] = converted($match, 'group');
    expect(Pairs::credit($group, 'group', ['l1 r1', 'l2 r1', 'l3 r2']))->toBe('1');
    [$again] = converted($group, 'match');
    expect(Pairs::credit($again, 'match', ['l1 r1', 'l2 r1', 'l3 r2']))
        ->toBe('1')
        ->and(Pairs::credit($again, 'match', ['l1 r1']))
        ->toBe('1/3');
});

it('refuses ways that are not there', function (): void {
    expect(
        fn () => (new Conversions(StandardKinds::all()))->convert(
            Questions::of([Questions::choice(['a' => '1', 'b' => ''])]),
            'p1',
            'match',
        ),
    )
        ->toThrow(Malformed::class)
        ->and(
            fn () => (new Conversions(StandardKinds::all()))->convert(
                Questions::of([Questions::choice(['a' => '1', 'b' => ''])]),
                'p9',
                'menu',
            ),
        )
        ->toThrow(Malformed::class);
});

it('makes a run of true–false questions one judged list, and takes it apart again', function (): void {
    $statement = fn (string $says, bool $true): Question => Questions::read([
        'format' => 'wide-quarry/question',
        'version' => 1,
        'id' => '0192f0c4-0000-7000-8000-00000000000'.($true ? 1 : 2),
        'title' => $says,
        'language' => 'en-GB',
        'body' => "<p>True or false?</p><p>$says</p><div data-part=\"p1\"></div>",
        'parts' => [
            [
                'id' => 'p1',
                'kind' => 'choice',
                'points' => 1,
                'settings' => [
                    'options' => [['id' => 'a', 'html' => '<p>True</p>'], ['id' => 'b', 'html' => '<p>False</p>']],
                    'max' => 1,
                ],
                'key' => ['rules' => [['id' => 'r1', 'on' => $true ? 'a' : 'b', 'credit' => '1']]],
            ],
        ],
        'record' => ['tags' => ['slate'], 'topics' => [['Rocks']]],
    ]);
    $joined = TrueFalseList::join(
        [$statement('Slate splits.', true), $statement('Granite splits.', false), $statement('Gneiss is banded.', true)],
        '0192f0c4-0000-7000-8000-00000000000a',
    );
    $list = Questions::read($joined->question);
    expect($joined->losses)
        ->toBe([])
        ->and((string) $list->points())
        ->toBe('3')
        ->and($list->record->classification->topics)
        ->toBe([['Rocks']])
        ->and(earns($list, ['p1' => ['chosen' => ['o1', 'o3']]]))
        ->toBe('3')
        ->and(earns($list, ['p1' => ['chosen' => ['o1', 'o2']]]))
        ->toBe('1')
        ->and(earns($list, ['p1' => ['chosen' => ['o1']]]))
        ->toBe('2');

    $n = 0;
    [$questions, $losses] = TrueFalseList::split($list, function () use (&$n): string {
        return '0192f0c4-0000-7000-8000-0000000000b'.$n++;
    });
    expect($questions)
        ->toHaveCount(3)
        ->and($losses)
        ->toHaveCount(1)
        ->and($questions[1]->body)
        ->toBe('<p>True or false?</p><p>Granite splits.</p><div data-part="p1"></div>');
    foreach ([['a', 'b'], ['b', 'a'], ['a', 'b']] as $i => [$right, $wrong]) {
        $one = Questions::read($questions[$i]);
        expect(earns($one, ['p1' => ['chosen' => [$right]]]))->toBe('1')->and(earns($one, ['p1' => ['chosen' => [$wrong]]]))->toBe('0');
    }
});

it('says which question of a run is no true–false question', function (): void {
    expect(
        fn () => TrueFalseList::join(
            [Questions::of([Questions::choice(['a' => '1', 'b' => ''])]), Questions::of([Questions::choice(['a' => '1', 'b' => ''])])],
            '0192f0c4-0000-7000-8000-00000000000a',
        ),
    )->toThrow(Malformed::class, 'true and false');
});

it('reads cells as a spreadsheet copies them', function (string $pasted, array $rows): void {
    expect(SpreadsheetCells::read($pasted))->toBe($rows);
})->with([
    'tabs' => ["a\tb\nc\td\n", [['a', 'b'], ['c', 'd']]],
    'rows of different length' => ["a\tb\tc\nd", [['a', 'b', 'c'], ['d', '', '']]],
    'a cell with a line break and a quote' => ["a\t\"b\n\"\"c\"\"\"\nd\te", [['a', 'b "c"'], ['d', 'e']]],
    'semicolons' => ['a;b', [['a', 'b']]],
    'Windows ends, empty rows last' => ["a\tb\r\n\t\r\n\t", [['a', 'b']]],
    'nothing' => ['', []],
]);

it('makes cells answers, whose words are what is right', function (string $kind, array $response): void {
    [$html, $parts] = AnswerTable::make(
        [['rock', 'hardness'], ['talc', '1'], ['quartz', '7']],
        ['1:1' => true, '2:1' => true],
        $kind === 'menu' ? new OptionForm('menu') : ($kind === 'number' ? new NumberForm : new TextForm),
        1.5,
        true,
        true,
        ['p1'],
    );
    $question = Questions::read([
        'format' => 'wide-quarry/question',
        'version' => 1,
        'id' => '0192f0c4-0000-7000-8000-000000000001',
        'body' => "<p>Q</p>$html",
        'parts' => Json::decode(Json::encode($parts)),
    ]);
    expect($html)
        ->toBe(
            '<table><tbody><tr><th scope="col">rock</th><th scope="col">hardness</th></tr><tr><th scope="row">talc</th><td>'.
                '<span data-part="p2"></span></td></tr><tr><th scope="row">quartz</th><td><span data-part="p3"></span></td></tr>'.
                '</tbody></table>',
        )
        ->and($question->parts[1]->label)
        ->toBe('quartz, hardness')
        ->and(earns($question, $response))
        ->toBe('3');
})->with([
    ['text', ['p2' => ['text' => '1'], 'p3' => ['text' => '7']]],
    ['number', ['p2' => ['text' => '1.0'], 'p3' => ['text' => '7']]],
    ['menu', ['p2' => ['chosen' => ['o1']], 'p3' => ['chosen' => ['o2']]]],
]);

$onPicture = '<p>Where? <img data-media="m1" alt="A cliff" width="800" height="500"/></p><div data-part="p1"></div>';

it('carries regions and labels of a picture to plain parts', function (Question $question, string $to, array $losses, array $scores): void {
    [$new, $lost] = converted($question, $to);
    expect($lost)->toBe($losses)->and($new->toJson()->body)->toContain('data-media="m1"');
    foreach ($scores as [$response, $score]) {
        expect(earns($new, $response))->toBe($score);
    }
})->with([
    'regions as options' => [
        OnPictures::spot(['s1' => '1', 's2' => '1/2'], ['max' => 1], ['scheme' => 'weights']),
        'choice',
        ['The positions of the regions are lost. Their names become options.'],
        [
            [['p1' => ['chosen' => ['s1']]], '1'],
            [['p1' => ['chosen' => ['s2']]], '1/2'],
            [['p1' => ['chosen' => ['s3']]], '0'],
        ],
    ],
    'hidden regions, whose names give them away' => [
        OnPictures::spot(['s1' => '1'], ['max' => 1, 'show' => 'hidden']),
        'choice',
        [
            'The positions of the regions are lost. Their names become options.',
            'The names of hidden regions are shown as options.',
        ],
        [[['p1' => ['chosen' => ['s1']]], '1']],
    ],
    'labels as pairs' => [
        OnPictures::label(),
        'match',
        ['The positions of the targets are lost. Their names are shown in a list.'],
        [
            [['p1' => ['pairs' => [['t1', 'x1'], ['t2', 'x2'], ['t3', 'x3']]]], '1'],
            [['p1' => ['pairs' => [['t1', 'x2'], ['t2', 'x1'], ['t3', 'x3']]]], '1/3'],
        ],
    ],
    'labels as menus, a part for each target' => [
        OnPictures::label(scoring: ['scheme' => 'each']),
        'menu',
        [
            'The positions of the targets are lost. Their names are shown in a list.',
            'The points cannot be shared out evenly: each of 3 parts gets 0.3333.',
        ],
        [[['p1' => ['chosen' => ['x1']], 'p2' => ['chosen' => ['x2']], 'p3' => ['chosen' => ['x1']]], '3333/5000']],
    ],
    'labels as fields, their words the key' => [
        OnPictures::label(scoring: ['scheme' => 'each']),
        'text',
        [
            'The positions of the targets are lost. Their names are shown in a list.',
            'The points cannot be shared out evenly: each of 3 parts gets 0.3333.',
        ],
        [[['p1' => ['text' => 'crater'], 'p2' => ['text' => 'moraine'], 'p3' => ['text' => 'chamber']], '3333/5000']],
    ],
]);

it('lays options and pairs on the picture of the text, each at a place of its own', function (array $part, string $to, array $scores) use (
    $onPicture,
): void {
    [$new, $losses] = converted(asked($onPicture, [$part]), $to);
    $settings = json_decode(Json::encode($new->toJson()->parts[0]->settings), true);
    $places = array_map(fn (array $one): string => implode(' ', $one['at']), $settings[$to === 'spot' ? 'regions' : 'targets']);
    expect($settings['picture'])
        ->toMatchArray(['media' => 'm1', 'alt' => 'A cliff', 'width' => 800, 'height' => 500])
        ->and($new->toJson()->body)
        ->not->toContain('<img')
        ->and(array_unique($places))
        ->toBe($places)
        ->and($losses)
        ->toHaveCount(1);
    foreach ($scores as [$response, $score]) {
        expect(earns($new, $response))->toBe($score);
    }
})->with([
    'options' => [$choice, 'spot', [[['p1' => ['spots' => ['a']]], '2'], [['p1' => ['spots' => ['b']]], '1']]],
    'a menu' => [
        [
            'id' => 'p1',
            'kind' => 'menu',
            'points' => 1,
            'settings' => ['options' => [['id' => 'a', 'html' => 'slate'], ['id' => 'b', 'html' => 'mud']]],
            'key' => ['rules' => [['id' => 'r1', 'on' => 'a', 'credit' => '1']]],
        ],
        'label',
        [[['p1' => ['labels' => ['t1' => 'a']]], '1'], [['p1' => ['labels' => ['t1' => 'b']]], '0']],
    ],
    'typed words with their rules' => [
        Questions::typed('text', [['answer' => 'is', 'text' => ['slate', 'a slate']]], 2),
        'label',
        [[['p1' => ['labels' => ['t1' => 'A slate']]], '2'], [['p1' => ['labels' => ['t1' => 'mud']]], '0']],
    ],
]);

it('asks for one number typed, on a scale or on a number line', function (string $to, array $response): void {
    $graph = Questions::of([[
        'id' => 'p1', 'kind' => 'graph', 'points' => 2,
        'settings' => ['surface' => 'line', 'x' => ['from' => '-4', 'to' => '8', 'step' => '2'], 'snap' => '1', 'tools' => ['point']],
        'key' => ['rules' => [
            ['id' => 'r1', 'on' => ['figure' => ['figure' => 'point', 'points' => [['3']]], 'tolerance' => '1/2'], 'credit' => '1'],
        ]],
    ]], ['body' => '<p>Mark it.</p><div data-part="p1"></div>']);
    [$other, $losses] = converted($graph, $to);
    expect($losses)->toBe([])->and(earns($other, ['p1' => $response]))->toBe('2');
    [$back, $losses] = converted($other, 'graph');
    expect($losses)->toBe(['How near an answer must be is lost: set it again in steps of the line.'])
        ->and(earns($back, ['p1' => ['figures' => [['figure' => 'point', 'points' => [['3']]]]]]))->toBe('2')
        ->and($back->body)->toBe('<p>Mark it.</p><div data-part="p1"></div>');
})->with([['slider', ['value' => '4']]]);

it('turns a drawn curve into a table of values', function (): void {
    $graph = Questions::of([[
        'id' => 'p1', 'kind' => 'graph', 'points' => 2,
        'settings' => ['x' => ['from' => '-3', 'to' => '3'], 'y' => ['from' => '0', 'to' => '9'], 'tools' => ['function']],
        'key' => ['rules' => [['id' => 'r1', 'on' => ['figure' => ['figure' => 'function', 'expression' => 'x^2']], 'credit' => '1']]],
    ]], ['body' => '<p>Draw y = x².</p><div data-part="p1"></div>']);
    [$table, $losses] = converted($graph, 'number');
    $typed = array_map(fn (string $y): array => ['text' => $y], ['p1' => '9', 'p2' => '1', 'p3' => '1', 'p4' => '9']);
    expect($losses)->toBe(['Instead of drawing it, learners type y for some values of x.'])
        ->and($table->body)->toContain('<td>−3</td><td>−1</td><td>1</td><td>3</td>', '<td><span data-part="p1"></span></td>')
        ->and(earns($table, $typed))->toBe('2');
});

it('tells what of a graph no number can say', function (): void {
    $graph = Questions::of([[
        'id' => 'p1', 'kind' => 'graph', 'points' => 1, 'settings' => ['tools' => ['circle', 'point']],
        'key' => ['rules' => [
            ['id' => 'r1', 'on' => ['figure' => ['figure' => 'circle', 'points' => [['0', '0'], ['1', '1']]]], 'credit' => '1'],
        ]],
    ]], ['body' => '<p>Draw it.</p><div data-part="p1"></div>']);
    $converted = (new Conversions(StandardKinds::all()))->convert($graph, 'p1', 'number');
    expect($converted->losses)->toBe(['Answers that are not one point of a number line are lost.']);
});
