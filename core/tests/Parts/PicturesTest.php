<?php

declare(strict_types=1);

use WideQuarry\Checks\Completeness;
use WideQuarry\Finding;
use WideQuarry\Json\Json;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\PartResult;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Tests\Support\OnPictures;
use WideQuarry\Tests\Support\Questions;

function partResult(Question $question, array $given): PartResult
{
    $response = Json::decode(Json::encode((object) ['p1' => (object) $given]));

    return (new Scorer)->score($question, new Attempt($response, Seed::of(1)))->parts[0];
}

/** @return list<string> code and place of every finding about the part */
function foundIn(Question $question): array
{
    return array_map(
        fn (Finding $finding): string => $finding->code.' '.str_replace('/parts/0', '', $finding->path),
        array_values(array_filter(
            (new Completeness)->findings($question),
            fn (Finding $one): bool => str_starts_with($one->path, '/parts'),
        )),
    );
}

$circle = fn (int $x, int $y, int $r): array => ['shape' => 'circle', 'at' => array_map(strval(...), [$x, $y, $r])];
$two = ['s1' => '1', 's2' => '1'];
$nested = fn (array $scoring = []): Question => OnPictures::point(
    [[$circle(400, 250, 15), '1'], [$circle(400, 250, 40), '1/2']],
    1,
    $scoring,
);
$both = fn (array $scoring, ?int $max = null, string $default = '0'): Question => OnPictures::point(
    [[$circle(100, 100, 20), '1'], [$circle(300, 100, 20), '1'], [$circle(500, 100, 20), '0']],
    $max,
    $scoring,
    $default,
);

// By hand from docs/developers/scoring.md. spot: 3 regions, n right, w = 3 − n; a place outside all is one picked too much.
it('gives the credit that the schemes say', function (Question $question, array $given, string $credit, string $state): void {
    $result = partResult($question, $given);

    expect([(string) $result->credit, $result->state])->toBe([$credit, $state]);
})->with([
    'spot, the right one' => [OnPictures::spot(['s1' => '1'], ['max' => 1]), ['spots' => ['s1']], '1', 'right'],
    'spot, a wrong one with credit of its own' => [
        OnPictures::spot(['s1' => '1', 's2' => '1/4'], ['max' => 1]),
        ['spots' => ['s2']],
        '1/4',
        'partly',
    ],
    'spot each: one of two' => [OnPictures::spot($two, ['max' => null]), ['spots' => ['s1']], '1/2', 'partly'],
    'spot each: all three, one too many' => [OnPictures::spot($two, ['max' => null]), ['spots' => ['s1', 's2', 's3']], '1/2', 'partly'],
    'spot all: one too many' => [OnPictures::spot($two, [], ['scheme' => 'all']), ['spots' => ['s1', 's2', 's3']], '0', 'wrong'],
    'spot balance: 1/2 − 1/1' => [OnPictures::spot($two, [], ['scheme' => 'balance']), ['spots' => ['s1', 's3']], '0', 'wrong'],
    'spot judge: (2 + 1 − 1)/3' => [OnPictures::spot($two, [], ['scheme' => 'judge']), ['spots' => ['s1', 's2', 's3']], '2/3', 'partly'],
    'spot, nothing picked' => [OnPictures::spot($two), ['spots' => []], '0', 'unanswered'],
    'hidden, in the first' => [OnPictures::spot(['s1' => '1'], ['show' => 'hidden', 'max' => 1]), ['at' => [[20, 20]]], '1', 'right'],
    'hidden, on the edge that two share: the first decides' => [
        OnPictures::spot(['s1' => '1'], ['show' => 'hidden', 'max' => 1]),
        ['at' => [[100, 50]]],
        '1',
        'right',
    ],
    'hidden, in the second alone' => [
        OnPictures::spot(['s1' => '1'], ['show' => 'hidden', 'max' => 1]),
        ['at' => [[101, 50]]],
        '0',
        'wrong',
    ],
    'hidden each: two places in one region count once' => [
        OnPictures::spot($two, ['show' => 'hidden', 'max' => null]),
        ['at' => [[10, 10], [20, 20]]],
        '1/2',
        'partly',
    ],
    'hidden each: a place outside is too many' => [
        OnPictures::spot($two, ['show' => 'hidden', 'max' => null]),
        ['at' => [[10, 10], [120, 50], [700, 400]]],
        '1/2',
        'partly',
    ],
    'hidden weights: default for each place outside' => [
        OnPictures::part('spot', [
            'show' => 'hidden',
            'max' => null,
            'regions' => [['id' => 's1', 'shape' => 'circle', 'at' => ['50', '50', '10']]],
        ], OnPictures::rules(['s1' => '1']), ['scheme' => 'weights'], '-1/4'),
        ['at' => [[50, 50], [1, 1], [2, 2], [2, 2]]],
        '1/2',
        'partly',
    ],
    'point, in the inner one' => [$nested(), ['points' => [[410, 250]]], '1', 'right'],
    'point, on the edge of the inner one: 9² + 12² = 15²' => [$nested(), ['points' => [[409, 262]]], '1', 'right'],
    'point, between the two' => [$nested(), ['points' => [[409, 262.001]]], '1/2', 'partly'],
    'point, outside' => [$nested(), ['points' => [[10, 10]]], '0', 'wrong'],
    'point weights: two in one area count once' => [
        $both(['scheme' => 'weights', 'high' => '2']),
        ['points' => [[100, 100], [101, 100]]],
        '1',
        'right',
    ],
    'point weights: default for each outside' => [
        $both(['scheme' => 'weights', 'low' => '-1'], null, '-1/4'),
        ['points' => [[100, 100], [1, 1], [2, 2]]],
        '1/2',
        'partly',
    ],
    'point each: one of two' => [$both(['scheme' => 'each']), ['points' => [[100, 100]]], '1/2', 'partly'],
    'point each: both and one outside, which costs' => [
        $both(['scheme' => 'each']),
        ['points' => [[100, 100], [300, 100], [9, 9]]],
        '1/2',
        'partly',
    ],
    'point each: what is too much costs nothing' => [
        $both(['scheme' => 'each', 'cost' => '0']),
        ['points' => [[100, 100], [300, 100], [9, 9]]],
        '1',
        'right',
    ],
    'point all: an area without credit spoils it' => [
        $both(['scheme' => 'all']),
        ['points' => [[100, 100], [300, 100], [500, 100]]],
        '0',
        'wrong',
    ],
    'point all: both' => [$both(['scheme' => 'all']), ['points' => [[100, 100], [300, 100]]], '1', 'right'],
    'label each: two of three' => [OnPictures::label(), ['labels' => ['t1' => 'x1', 't2' => 'x2', 't3' => 'x4']], '2/3', 'partly'],
    'label all: two of three' => [
        OnPictures::label([], null, ['scheme' => 'all']),
        ['labels' => ['t1' => 'x1', 't2' => 'x2']],
        '0',
        'wrong',
    ],
    'label typed: capitals and spaces as the question says' => [
        OnPictures::label(['by' => 'typing']),
        ['labels' => ['t1' => ' Crater', 't2' => 'vent', 't3' => '']],
        '2/3',
        'partly',
    ],
    'label typed: by rules of its own' => [
        OnPictures::label(['by' => 'typing'], [
            ['id' => 'k1', 'on' => ['t1', 'x1'], 'credit' => '1/2'],
            ['id' => 'k2', 'on' => ['answer' => 'slips', 'text' => ['vent'], 'slips' => 1, 'piece' => 't2'], 'credit' => '1/4'],
            ['id' => 'k3', 'on' => ['answer' => 'is', 'text' => ['chamber', 'reservoir'], 'piece' => 't3'], 'credit' => '1/4'],
        ], ['scheme' => 'weights']),
        ['labels' => ['t1' => 'crater', 't2' => 'vant', 't3' => 'Reservoir']],
        '1',
        'right',
    ],
    'label typed: right at another target' => [OnPictures::label(['by' => 'typing']), ['labels' => ['t1' => 'vent']], '0', 'wrong'],
]);

it('says what is wrong with a response', function (Question $question, array $given, string $reason): void {
    $result = partResult($question, $given);

    expect($result->state)->toBe('unreadable')->and($result->trace[0]['reason'])->toBe($reason);
})->with([
    [OnPictures::spot($two), ['at' => [[1, 1]]], 'response.shape'],
    [OnPictures::spot($two, ['show' => 'hidden']), ['spots' => ['s1']], 'response.shape'],
    [OnPictures::spot($two, ['show' => 'hidden']), ['at' => [['1', 1]]], 'response.shape'],
    [OnPictures::spot($two), ['spots' => ['s9']], 'spot.unknown_region'],
    [OnPictures::spot($two, ['max' => 1]), ['spots' => ['s1', 's2']], 'spot.too_many'],
    [OnPictures::spot($two, ['min' => 2]), ['spots' => ['s1']], 'spot.too_few'],
    [OnPictures::spot($two, ['show' => 'hidden']), ['at' => [[801, 5]]], 'spot.outside'],
    [$nested(), ['points' => [[-0.5, 5]]], 'point.outside'],
    [$nested(), ['points' => [[1, 1], [2, 2]]], 'point.too_many'],
    [$nested(), ['points' => ['a']], 'response.shape'],
    [OnPictures::point([[$circle(1, 1, 1), '1']], null), ['points' => array_fill(0, 1001, [1, 1])], 'response.shape'],
    [OnPictures::label(), ['labels' => ['t9' => 'x1']], 'label.unknown_target'],
    [OnPictures::label(), ['labels' => ['t1' => 'x9']], 'label.unknown_label'],
    [OnPictures::label(), ['labels' => ['t1' => 'x1', 't2' => 'x1']], 'label.used_up'],
    [OnPictures::label(), ['labels' => ['t1' => 3]], 'response.shape'],
    [OnPictures::label(), ['labels' => []], 'response.shape'],
]);

it('names in the trace what was right', function (): void {
    $said = fn (Question $question, array $given): array => array_map(
        fn (array $step): array => array_diff_key($step, ['step' => 1]),
        array_values(array_filter(
            partResult($question, $given)->trace,
            fn (array $step): bool => in_array($step['step'], ['place.judged', 'label.judged'], true),
        )),
    );

    expect($said(OnPictures::spot(['s1' => '1'], ['show' => 'hidden', 'max' => null]), ['at' => [[5, 5], [350, 10], [700, 400]]]))->toBe([
        ['name' => 'the vent', 'verdict' => 'right'],
        ['name' => 'place 3', 'verdict' => 'wrong'],
        ['name' => '', 'verdict' => 'outside'],
    ])->and($said(OnPictures::label(), ['labels' => ['t1' => 'x1', 't2' => 'x4']]))->toBe([
        ['target' => '1 (place 1)', 'label' => 'crater', 'right' => true],
        ['target' => '2 (place 2)', 'label' => 'moraine', 'right' => false],
    ]);
});

it('finds what an author should mend', function (Question $question, array $expected): void {
    expect(foundIn($question))->toBe($expected);
})->with([
    'nothing' => [OnPictures::spot(['s1' => '1'], ['regions' => [
        ['id' => 's1', 'shape' => 'rectangle', 'at' => ['0', '0', '100', '100'], 'label' => 'a'],
        ['id' => 's2', 'shape' => 'ellipse', 'at' => ['300', '300', '60', '40'], 'label' => 'b'],
    ]]), []],
    'no picture, no regions' => [
        OnPictures::part('spot', ['picture' => null], []),
        ['picture.none /settings/picture', 'regions.too_few /settings/regions', 'key.nothing_right /key/rules'],
    ],
    'no size, crossing, outside, beyond, behind, small, unreadable' => [
        OnPictures::part('point', [], array_map(
            fn (array $area, int $i): array => ['id' => "r$i", 'on' => ['shape' => $area[0], 'at' => $area[1]], 'credit' => '1/7'],
            $areas = [
                ['rectangle', ['5', '5', '5', '90']],
                ['polygon', ['0', '0', '100', '100', '100', '0', '0', '100']],
                ['circle', ['900', '50', '20']],
                ['circle', ['790', '450', '40']],
                ['rectangle', ['300', '100', '500', '300']],
                ['circle', ['400', '200', '50']],
                ['circle', ['200', '400', '5']],
                ['circle', ['x', '400', '5']],
                ['circle', ['1', '2']],
            ],
            array_keys($areas),
        )),
        [
            'region.empty /key/rules/0/on/at',
            'region.crosses_itself /key/rules/1/on/at',
            'region.outside /key/rules/2/on/at',
            'region.partly_outside /key/rules/3/on/at',
            'region.covered /key/rules/5/on/at',
            'region.small /key/rules/6/on/at',
            'region.number /key/rules/7/on/at/0',
            'region.numbers /key/rules/8/on/at',
        ],
    ],
    'names' => [
        OnPictures::spot(['s1' => '1', 's9' => '1'], ['max' => 1, 'min' => 2, 'regions' => [
            ['id' => 's1', 'shape' => 'circle', 'at' => ['100', '100', '40'], 'label' => 'Vent'],
            ['id' => 's2', 'shape' => 'circle', 'at' => ['300', '100', '40'], 'label' => 'vent'],
            ['id' => 's3', 'shape' => 'circle', 'at' => ['500', '100', '40'], 'label' => ''],
        ]]),
        [
            'region.same_name /settings/regions/1/label',
            'region.unnamed /settings/regions/2/label',
            'key.unknown /key/rules/1/on',
            'spot.min_above_max /settings/min',
        ],
    ],
    'hidden, with nothing for those who cannot see' => [
        OnPictures::spot(['s1' => '1'], ['show' => 'hidden', 'max' => 1]),
        ['picture.by_sight_alone /settings'],
    ],
    'labels' => [
        OnPictures::label(['targets' => [
            ['id' => 't1', 'at' => ['100', '50'], 'label' => 'crater'],
            ['id' => 't2', 'at' => ['900', '50'], 'label' => ''],
            ['id' => 't3', 'at' => ['100', '90'], 'box' => ['1/3', 'b'], 'label' => ''],
            ['id' => 't4', 'at' => ['200', '90'], 'label' => ''],
        ]]),
        [
            'target.tells /settings/targets/0/label',
            'target.outside /settings/targets/1/at',
            'region.number /settings/targets/2/box/1',
            'target.no_label /settings/targets/3',
        ],
    ],
    'a label that is used up' => [
        OnPictures::label([], [
            ['id' => 'k1', 'on' => ['t1', 'x1'], 'credit' => '1'],
            ['id' => 'k2', 'on' => ['t2', 'x1'], 'credit' => '1'],
            ['id' => 'k3', 'on' => ['t3', 'x3'], 'credit' => '1'],
        ]),
        ['labels.not_enough /settings/labels/0'],
    ],
    'a thousand regions' => [
        OnPictures::spot(['s1' => '1'], ['regions' => array_map(
            fn (int $i): array => [
                'id' => "s$i",
                'shape' => 'rectangle',
                'at' => array_map(strval(...), [($i * 7) % 700, intdiv($i, 10) * 4, (($i * 7) % 700) + 60, intdiv($i, 10) * 4 + 60]),
                'label' => "r$i",
            ],
            range(1, 1000),
        )]),
        [],
    ],
]);

it('shows nothing of hidden regions, and the same whatever the key says', function (): void {
    $shown = fn (Question $question): string => Json::encode((new Presenter)->present($question, Seed::of(3)));
    $hidden = OnPictures::spot(['s1' => '1'], ['show' => 'hidden']);
    $elsewhere = OnPictures::spot(['s1' => '1'], ['show' => 'hidden', 'regions' => [
        ['id' => 'q', 'shape' => 'circle', 'at' => ['7', '7', '7'], 'label' => 'secret'],
    ]]);

    expect($shown($hidden))->toBe($shown($elsewhere))->not->toContain('regions')->not->toContain('vent')
        ->and($shown(OnPictures::spot(['s1' => '1'])))->toBe($shown(OnPictures::spot(['s3' => '1/2'])))
        ->and($shown(OnPictures::spot(['s1' => '1'])))->toContain('"shape":"circle"')
        ->and($shown(OnPictures::label(['by' => 'typing'])))->not->toContain('crater')
        ->and($shown(OnPictures::label(['shuffle' => false])))->toContain('"at":["100","50"]');
});

it('takes an answer in words in the place of one on the picture', function (): void {
    $json = OnPictures::spot(['s1' => '1'], ['show' => 'hidden', 'max' => 1])->toJson();
    $json->body .= '<div data-part="p2"></div>';
    $json->parts[] = Json::decode(
        '{"id":"p2","kind":"choice","points":0,"settings":{"options":[{"id":"a","html":"west"},{"id":"b","html":"east"}],"max":1},'.
        '"key":{"rules":[{"id":"r1","on":"a","credit":"1"}]}}',
    );
    $json->scoring = Json::decode('{"instead":[{"part":"p2","for":"p1"}],"combine":"all"}');
    $question = Questions::read($json);
    $attempt = fn (string $response): Attempt => new Attempt(Json::decode($response), Seed::of(1));
    $score = fn (string $response): string => (string) (new Scorer)->score($question, $attempt($response))->exact;

    expect($score('{"p2":{"chosen":["a"]}}'))->toBe('1')
        ->and($score('{"p2":{"chosen":["b"]}}'))->toBe('0')
        ->and($score('{"p1":{"at":[[5,5]]}}'))->toBe('1')
        ->and($score('{"p1":{"at":[[700,5]]},"p2":{"chosen":["a"]}}'))->toBe('0')
        ->and(foundIn($question))->toBe([])
        ->and((new Presenter)->present($question, Seed::of(1))['parts'][0]['instead'])->toBe('p2');
    $json->parts[1]->points = 1;
    expect(foundIn(Questions::read($json)))->toBe(['instead.points /parts/1/points']);
});
