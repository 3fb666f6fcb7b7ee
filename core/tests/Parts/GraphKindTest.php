<?php

declare(strict_types=1);

use WideQuarry\Checks\Completeness;
use WideQuarry\Finding;
use WideQuarry\Json\Fields;
use WideQuarry\Question\Question;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Tests\Support\Questions;
use WideQuarry\Tests\Support\ResponseProcessing;

/** @param  list<array<string, mixed>>  $rules  on and credit */
function graphOf(array $rules, array $settings = [], array $scoring = ['scheme' => 'weights'], string $default = '0'): Question
{
    $axis = ['from' => '-10', 'to' => '10', 'step' => '1'];

    return Questions::of([[
        'id' => 'p1',
        'kind' => 'graph',
        'points' => 1,
        'settings' => ['x' => $axis, 'y' => $axis, 'tools' => ['line', 'point', 'polygon', 'inequality'], ...$settings],
        'key' => [
            'rules' => array_map(fn (array $rule, int $i): array => ['id' => 'r'.($i + 1), ...$rule], $rules, array_keys($rules)),
            'default' => $default,
        ],
        'scoring' => $scoring,
    ]], ['body' => '<p>Draw.</p><div data-part="p1"></div>']);
}

/** @param  list<array<string, mixed>>  $figures */
function drawnOn(Question $question, array $figures): array
{
    $json = json_decode((string) json_encode(['p1' => ['figures' => $figures]]));
    $result = (new Scorer)->score($question, Attempt::read(Fields::of((object) ['response' => $json], '', ['response'])));
    $judged = array_filter($result->parts[0]->trace, fn (array $step): bool => $step['step'] === 'figure.judged');

    return [(string) $result->exact, array_values(array_map(fn (array $step): string => $step['why'] ?: $step['verdict'], $judged))];
}

function straight(string $kind, string ...$places): array
{
    return ['figure' => $kind, 'points' => array_map(fn (string $place): array => explode(',', $place), $places)];
}

$under = [...straight('inequality', '0,1', '2,5'), 'side' => ['0', '0'], 'strict' => true];
$shares = [
    ['property' => 'position', 'credit' => '1/2'], ['property' => 'dashed', 'credit' => '1/4'], ['property' => 'side', 'credit' => '1/4'],
];
$line = [['on' => ['figure' => straight('line', '0,1', '2,5')], 'credit' => '1']];

it('earns what the rule says, or a share of it', function (array $rules, array $drawn, string $score, array $told): void {
    expect(drawnOn(graphOf($rules), $drawn))->toBe([$score, $told]);
})->with([
    'the line' => [$line, [straight('line', '1,3', '-1,-1')], '1', ['right']],
    'another' => [$line, [straight('line', '0,0', '1,1')], '0', ['wrong']],
    'two corners of three' => [
        [['on' => ['figure' => straight('polygon', '0,0', '4,0', '0,3')], 'credit' => '1']],
        [straight('polygon', '0,0', '4,0', '1,3')], '0', ['2 of 3 right'],
    ],
    'right boundary and side, but solid' => [
        [['on' => ['figure' => $under, 'properties' => $shares], 'credit' => '1']],
        [[...straight('inequality', '0,1', '2,5'), 'side' => ['0', '0'], 'dashed' => false]],
        '3/4', ['right place, but dashed and solid are mixed up'],
    ],
    'right boundary, wrong side' => [
        [['on' => ['figure' => $under, 'properties' => $shares], 'credit' => '1']],
        [[...straight('inequality', '0,1', '2,5'), 'side' => ['0', '5'], 'dashed' => true]],
        '3/4', ['right boundary, wrong side'],
    ],
    'a foreseen mistake, before half of what is right' => [
        [
            ['on' => ['figure' => $under, 'properties' => $shares], 'credit' => '1'],
            ['on' => ['figure' => [...$under, 'side' => ['0', '5']]], 'credit' => '0'],
        ],
        [[...straight('inequality', '0,1', '2,5'), 'side' => ['-5', '5'], 'dashed' => true]],
        '0', ['foreseen'],
    ],
    'two figures in any order, and one too many' => [
        [
            ['on' => ['figure' => straight('point', '1,1')], 'credit' => '1/2'],
            ['on' => ['figure' => straight('point', '2,4')], 'credit' => '1/2'],
        ],
        [straight('point', '2,4'), straight('point', '5,5'), straight('point', '1,1')], '1', ['right', 'wrong', 'right'],
    ],
    'the same figure twice counts once' => [
        [
            ['on' => ['figure' => straight('point', '1,1')], 'credit' => '1/2'],
            ['on' => ['figure' => straight('point', '2,4')], 'credit' => '1/2'],
        ],
        [straight('point', '1,1'), straight('point', '1,1')], '1/2', ['right', 'wrong'],
    ],
    'the nearer of two within tolerance is left to the other' => [
        [
            ['on' => ['figure' => straight('point', '0,0'), 'tolerance' => '2'], 'credit' => '1/2'],
            ['on' => ['figure' => straight('point', '1,0'), 'tolerance' => '0'], 'credit' => '1/2'],
        ],
        [straight('point', '1,0'), straight('point', '0,1')], '1', ['right', 'right'],
    ],
    'any line of slope 2 through (1, 2)' => [
        [['on' => ['asks' => [['property' => 'slope', 'value' => '2'], ['property' => 'through', 'at' => ['1', '2']]]], 'credit' => '1']],
        [straight('line', '0,0', '2,4')], '1', ['right'],
    ],
    'slope 2, but not through it' => [
        [['on' => ['asks' => [['property' => 'slope', 'value' => '2'], ['property' => 'through', 'at' => ['1', '2']]]], 'credit' => '1']],
        [straight('line', '0,1', '2,5')], '0', ['1 of 2 right'],
    ],
    'a triangle of area 6 with a right angle' => [
        [['on' => ['asks' => [
            ['property' => 'figure', 'is' => 'polygon'], ['property' => 'corners', 'value' => '3'],
            ['property' => 'area', 'value' => '6'], ['property' => 'right_angle'],
        ]], 'credit' => '1']],
        [straight('polygon', '1,1', '5,1', '5,4')], '1', ['right'],
    ],
]);

it('takes all inequalities as one region where one is wanted', function () use ($under): void {
    $left = [...straight('inequality', '3,0', '3,1'), 'side' => ['0', '0']];
    $question = graphOf([['on' => ['figures' => [$under, $left]], 'credit' => '1']]);
    $dashed = [...straight('inequality', '-1,-1', '0,1'), 'side' => ['5', '0'], 'dashed' => true];

    expect(drawnOn($question, [$left, $dashed]))->toBe(['1', ['right']])
        ->and(drawnOn($question, [$dashed]))->toBe(['0', ['1 of 2 right']])
        ->and(drawnOn($question, [$left, [...$dashed, 'dashed' => false]])[1])
        ->toBe(['right place, but dashed and solid are mixed up']);
});

it('counts figures, each too many at its cost', function (string $scheme, int $right, int $wrong, string $score): void {
    $rules = array_map(fn (int $i): array => ['on' => ['figure' => straight('point', "$i,0")], 'credit' => '1'], range(1, 4));
    $drawn = [
        ...array_map(fn (int $i): array => straight('point', "$i,0"), $right === 0 ? [] : range(1, $right)),
        ...array_map(fn (int $i): array => straight('point', "$i,5"), $wrong === 0 ? [] : range(1, $wrong)),
    ];
    expect(drawnOn(graphOf($rules, scoring: ['scheme' => $scheme, 'cost' => '1']), $drawn)[0])->toBe($score);
})->with([
    ['each', 4, 0, '1'], ['each', 3, 0, '3/4'], ['each', 3, 1, '3/4'], ['each', 4, 1, '3/4'], ['each', 1, 5, '0'],
    ['all', 4, 0, '1'], ['all', 4, 1, '0'], ['all', 3, 0, '0'],
]);

it('compares no more figures with a long key than it can in a second', function (): void {
    $rules = array_map(fn (int $i): array => ['on' => ['figure' => straight('point', "$i,0")], 'credit' => '1/100'], range(1, 100));
    $drawn = fn (int $count): array => array_map(fn (int $i): array => straight('point', "$i,0"), range(1, $count));
    expect(drawnOn(graphOf($rules), $drawn(25))[0])->toBe('1/4')->and(drawnOn(graphOf($rules), $drawn(26))[0])->toBe('0');
});

it('compares no more corners than it can in a second', function (): void {
    $round = fn (int $i): array => straight('polygon', ...array_map(
        fn (int $k): string => round(cos($k * M_PI / 30) * (4 + $i / 9), 6).','.round(sin($k * M_PI / 30) * (4 + $i / 9), 6),
        range(0, 59),
    ));
    $rules = array_map(fn (int $i): array => ['on' => ['figure' => $round($i)], 'credit' => '1/10'], range(1, 10));
    expect(drawnOn(graphOf($rules), array_map($round, range(1, 6)))[0])->toBe('3/5')
        ->and(drawnOn(graphOf($rules), array_map($round, range(1, 7))))->toBe(['0', []]);
});

it('says why a response cannot be scored', function (array $figures, string $reason): void {
    $question = graphOf([['on' => ['figure' => straight('point', '1,1')], 'credit' => '1']], ['max' => 2]);
    $json = json_decode((string) json_encode(['p1' => ['figures' => $figures]]));
    $result = (new Scorer)->score($question, Attempt::read(Fields::of((object) ['response' => $json], '', ['response'])));
    expect($result->parts[0]->trace[0]['reason'] ?? '')->toBe($reason)->and($result->parts[0]->trace[0]['sentence'])->not->toBe('');
})->with([
    'too many' => [array_fill(0, 3, straight('point', '1,1')), 'graph.too_many'],
    'five hundred' => [array_fill(0, 500, straight('point', '1,1')), 'response.shape'],
    'six formulas' => [array_fill(0, 6, ['figure' => 'function', 'expression' => 'x']), 'figure.most_formulas'],
    'forty digits' => [[straight('point', str_repeat('1234567890', 4).',1')], 'response.shape'],
    'words' => [[straight('point', 'one,two')], 'response.shape'],
    'no such figure' => [[straight('spiral', '1,1')], 'response.shape'],
    'of a number line' => [[straight('interval', '1', '2')], 'response.shape'],
    'no line' => [[straight('line', '1,1', '1,1')], 'figure.equal_points'],
]);

it('finds what an author should mend', function (array $rules, array $settings, string $code): void {
    $codes = array_map(fn (Finding $finding): string => $finding->code, (new Completeness)->findings(graphOf($rules, $settings)));
    expect($codes)->toContain($code);
})->with([
    'nothing right' => [[], [], 'key.nothing_right'],
    'axes from 5 to 5' => [[], ['x' => ['from' => '5', 'to' => '5']], 'figure.axis_ends'],
    'a million lines' => [[], ['x' => ['from' => '0', 'to' => '1000000']], 'figure.axis_lines'],
    'no tools' => [[['on' => ['figure' => straight('point', '1,1')], 'credit' => '1']], ['tools' => []], 'graph.no_tools'],
    'no tool for the answer' => [[['on' => ['figure' => straight('circle', '1,1', '2,2')], 'credit' => '1']], [], 'graph.no_tool_for'],
    'outside' => [[['on' => ['figure' => straight('point', '50,1')], 'credit' => '1']], [], 'graph.outside'],
    'more formulas than can be compared' => [
        array_fill(0, 6, ['on' => ['figure' => ['figure' => 'function', 'expression' => 'x']], 'credit' => '1/6']),
        ['tools' => ['function']], 'figure.most_formulas',
    ],
    'more corners than can be looked at' => [
        array_map(fn (int $i): array => [
            'on' => ['figure' => straight('polyline', ...array_map(fn (int $k): string => "$k,$i", range(1, 60)))], 'credit' => '1/51',
        ], range(1, 51)),
        ['tools' => ['polyline']], 'figure.most_points',
    ],
    'a tolerance that is no number' => [
        [['on' => ['figure' => straight('point', '1,1'), 'tolerance' => '0,5'], 'credit' => '1']], [], 'value.unreadable',
    ],
    'a share that is no number' => [
        [['on' => ['figure' => straight('point', '1,1'), 'properties' => [['property' => 'position', 'credit' => 'half']]], 'credit' => '1']],
        [], 'value.unreadable',
    ],
    'no figure' => [[['on' => ['figure' => straight('line', '1,1', '1,1')], 'credit' => '1']], [], 'figure.equal_points'],
    'nothing meets it' => [
        [['on' => ['figures' => [
            [...straight('inequality', '0,1', '1,1'), 'side' => ['0', '5']],
            [...straight('inequality', '0,0', '1,0'), 'side' => ['0', '-5']],
        ]], 'credit' => '1']], [], 'graph.empty_region',
    ],
]);

it('reads figures from a cell of a table', function (): void {
    $question = graphOf([['on' => ['figure' => straight('line', '0,1', '2,5')], 'credit' => '1']]);
    $part = $question->part('p1');
    assert($part !== null);
    $kind = new \WideQuarry\Parts\Graph\GraphKind;
    $in = \WideQuarry\Scoring\ScoringContext::of($question, new \WideQuarry\Variables\Roll);
    expect(json_encode($kind->written($part, 'line (0, 1) (2, 5) dashed; point (−3, 4)', $in)))->toBe(
        '{"figures":[{"figure":"line","points":[["0","1"],["2","5"]],"dashed":true},{"figure":"point","points":[["-3","4"]]}]}',
    );
});

it('goes to QTI as points on a picture, or as a picture to describe', function (): void {
    $rule = ['on' => ['figure' => straight('point', '1,1'), 'tolerance' => '1'], 'credit' => '1'];
    $points = graphOf([$rule], ['tools' => ['point'], 'max' => 1]);
    $write = fn (Question $question): \WideQuarry\Interchange\Qti30\WrittenItem => (new \WideQuarry\Interchange\Qti30\ItemWriter([]))
        ->write($question, []);
    $codes = fn (Question $question): array => array_map(fn ($notice): string => $notice->code, $write($question)->notices);
    $xml = $write($points)->xml;
    // 20 steps on 420 pixels with 40 to the left and 24 above: (1, 1) is 11 steps across and 9 down
    expect($codes($points))->toBe(['graph.points'])
        ->and($xml)->toContain('coords="271,213,21"', '<qti-value>271 213</qti-value>', 'data:image/svg+xml;base64,')
        ->and(ResponseProcessing::score($xml, ['RESPONSE' => ['271 213']]))->toBe(1.0)
        ->and(ResponseProcessing::score($xml, ['RESPONSE' => ['100 213']]))->toBe(0.0);
    $line = graphOf([['on' => ['figure' => straight('line', '0,1', '2,5')], 'credit' => '1']], ['tools' => ['line']]);
    expect($codes($line))->toBe(['graph.described'])->and($write($line)->xml)->toContain('<qti-extended-text-interaction');
});
