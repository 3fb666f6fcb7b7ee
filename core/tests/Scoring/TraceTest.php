<?php

declare(strict_types=1);

use Brick\Math\BigRational;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Question\Question;
use WideQuarry\Scoring\Assignment;
use WideQuarry\Scoring\Result;
use WideQuarry\Tests\Support\Questions;

/** A result as whoever asks for it gets it. @return array<string, mixed> */
function asSent(Result $result): array
{
    return json_decode(Json::encode($result), true);
}

/** Each step as "name key=value …". @param  list<array<string, mixed>>  $trace @return list<string> */
function steps(array $trace): array
{
    $said = fn (mixed $value): string => is_array($value) ? implode('+', $value) : (string) json_encode($value, JSON_UNESCAPED_SLASHES);

    return array_map(
        fn (array $step): string => implode(
            ' ',
            array_map(fn (string $key): string => $key === 'step' ? $step[$key] : "$key=".trim($said($step[$key]), '"'), array_keys($step)),
        ),
        $trace,
    );
}

/** Two places for two rocks, in any order. */
function rocks(string $id, bool $hasKey = true): array
{
    $rules = [['id' => 'basalt', 'answer' => 'is', 'text' => ['Basalt']], ['id' => 'granite', 'answer' => 'is', 'text' => ['Granite']]];

    return Questions::typed('text', $hasKey ? $rules : [], 1, $id);
}

it('sends everything that scoring found', function (): void {
    $choice = Questions::choice(['a' => '1', 'b' => '1', 'c' => '1', 'd' => '', 'e' => ''], ['scheme' => 'each'], 2);

    expect(asSent(Questions::score(Questions::of([$choice]), ['p1' => ['a', 'b', 'd']])))->toBe([
        'score' => 1.33,
        'exact' => '4/3',
        'max' => 2,
        'state' => 'partly',
        'counts' => true,
        'needs_marking' => false,
        'parts' => [
            [
                'id' => 'p1',
                'state' => 'partly',
                'credit' => '2/3',
                'score' => '4/3',
                'points' => 2,
                'matched' => ['ra', 'rb'],
                'trace' => [
                    ['step' => 'scheme.counted', 'scheme' => 'each', 'n' => 3, 'w' => 2, 'r' => 2, 'x' => 1, 'credit' => '2/3'],
                ],
                'feedback' => [],
            ],
        ],
        'feedback' => [],
        'trace' => [
            ['step' => 'parts.summed', 'value' => '4/3', 'of' => '2'],
            ['step' => 'rounded', 'from' => '4/3', 'to' => '133/100'],
        ],
    ]);
});

it('says how each part came to its credit', function (array $part, mixed $response, string $state, array $steps): void {
    $sent = asSent(Questions::score(Questions::of([$part]), ['p1' => $response]));

    expect($sent['parts'][0]['state'])->toBe($state)->and(steps($sent['parts'][0]['trace']))->toBe($steps);
})->with([
    'credits that are added, one of them for nothing listed' => [
        Questions::choice(['a' => '1/2', 'b' => '-1/4', 'c' => ''], ['scheme' => 'weights']),
        ['a', 'b', 'c'],
        'partly',
        ['rule.matched rule=ra credit=1/2', 'rule.matched rule=rb credit=-1/4', 'default.applied times=1 credit=0'],
    ],
    'less than nothing' => [
        Questions::choice(['a' => '1/2', 'b' => '-1/4'], ['scheme' => 'weights']),
        ['b'],
        'wrong',
        ['rule.matched rule=rb credit=-1/4', 'credit.clamped from=-1/4 to=0'],
    ],
    'a person' => [Questions::choice(['a' => '1', 'b' => ''], ['scheme' => 'person']), ['a'], 'needs_marking', ['answer.for_a_person']],
    'typed, as expected' => [
        rocks('p1'),
        ' BASALT ',
        'right',
        ['answer.normalised before= BASALT  after=basalt', 'rule.matched rule=basalt credit=1'],
    ],
    'typed, something else' => [
        rocks('p1'),
        'slate',
        'wrong',
        ['answer.normalised before=slate after=slate', 'default.applied times=1 credit=0'],
    ],
    'nothing typed' => [rocks('p1'), '  ', 'unanswered', ['answer.blank']],
    'no number' => [
        Questions::typed('number', [['answer' => 'value', 'value' => '3']]),
        'three',
        'unreadable',
        ['answer.unreadable reason=number.not_a_number sentence=\"three\" is not a number.'],
    ],
]);

it('says how parts came to the score', function (Question $question, array $given, array $attempt, string $exact, array $steps): void {
    $sent = asSent(Questions::score($question, $given, 1, ...$attempt));

    expect($sent['exact'])->toBe($exact)->and(steps($sent['trace']))->toBe($steps);
})->with(function (): Generator {
    $two = fn (array $more): Question => Questions::of(
        [Questions::choice(['a' => '1', 'b' => ''], [], 2), Questions::choice(['a' => '1', 'b' => ''], [], 2, 'p2')],
        $more,
    );
    $costs = [
        'hints' => [['id' => 'h1', 'html' => '', 'cost' => '1/10'], ['id' => 'h2', 'html' => '', 'cost' => '1/5']],
        'attempts' => ['allowed' => 3, 'cost' => '1/8'],
    ];
    $both = ['p1' => ['a'], 'p2' => ['a']];

    yield 'added' => [$two([]), $both, [], '4', ['parts.summed value=4 of=4']];
    yield 'one hint of two, and two tries: (1 − 1/10 − 2/8) × 4, out of 8' => [
        $two($costs),
        $both,
        [2, 1, '8'],
        '26/5',
        [
            'parts.summed value=4 of=4',
            'cost.hint hint=h1 share=1/10',
            'cost.tries times=2 share=1/4',
            'points.scaled from=4 to=8 value=26/5',
        ],
    ];
    yield 'the first try costs nothing, and the same points are not scaled' => [
        $two($costs),
        $both,
        [0, 0, '4'],
        '4',
        ['parts.summed value=4 of=4'],
    ];
    yield 'costs that leave nothing' => [
        $two(['attempts' => ['allowed' => 3, 'cost' => '3/4']]),
        $both,
        [2],
        '0',
        ['parts.summed value=4 of=4', 'cost.tries times=2 share=3/2'],
    ];
    yield 'all or nothing, and not all' => [
        $two(['scoring' => ['combine' => 'all']]),
        ['p1' => ['a'], 'p2' => ['b']],
        [],
        '0',
        ['parts.summed value=2 of=4', 'parts.all_or_nothing right=false'],
    ];
    yield 'all or nothing, and all' => [
        $two(['scoring' => ['combine' => 'all']]),
        $both,
        [],
        '4',
        ['parts.summed value=4 of=4', 'parts.all_or_nothing right=true'],
    ];
});

it('says what a part waits for, and which rule a place took', function (): void {
    $choice = fn (string $id): array => Questions::choice(['a' => '1', 'b' => ''], [], 1, $id);
    $gates = [
        'gates' => [
            ['part' => 'p2', 'needs' => ['p1']],
            ['part' => 'p3', 'needs' => ['p2']],
            ['part' => 'p3', 'needs' => ['p1', 'p2']],
        ],
    ];
    $waiting = asSent(Questions::score(Questions::of([$choice('p1'), $choice('p2'), $choice('p3')], ['scoring' => $gates]), [
        'p1' => ['b'],
        'p2' => ['a'],
        'p3' => ['a'],
    ]));
    $shared = asSent(Questions::score(Questions::of([rocks('p1'), rocks('p2', false)], ['scoring' => ['once' => [['p1', 'p2']]]]), [
        'p1' => 'basalt',
        'p2' => 'basalt',
    ]));
    $last = fn (array $sent, int $part): string => (string) array_slice(steps($sent['parts'][$part]['trace']), -1)[0];

    expect($last($waiting, 1))
        ->toBe('gate.closed needs=p1')
        ->and($last($waiting, 2))
        ->toBe('gate.closed needs=p2+p1')
        ->and($waiting['exact'])
        ->toBe('0')
        ->and(steps($shared['parts'][0]['trace']))
        ->toBe(['answer.normalised before=basalt after=basalt', 'once.assigned rule=basalt', 'rule.matched rule=basalt credit=1'])
        ->and(steps($shared['parts'][1]['trace']))
        ->toBe(['answer.normalised before=basalt after=basalt', 'once.taken', 'default.applied times=1 credit=0']);
});

it('shows the feedback of what was found, and always the general one', function (array $given, array $ofPart, array $ofQuestion): void {
    $choice = Questions::choice(['a' => '1', 'b' => '0', 'c' => ''], ['scheme' => 'weights']);
    $choice['key']['rules'][0]['feedback'] = ['html' => '<p>rule a</p>'];
    $choice['key']['rules'][1]['feedback'] = ['html' => '<p>rule b</p>'];
    $choice['feedback'] = ['right' => ['html' => '<p>part right</p>'], 'wrong' => ['html' => '<p>part wrong</p>']];
    $more = ['right' => ['html' => '<p>right</p>'], 'wrong' => ['html' => '<p>wrong</p>'], 'general' => ['html' => '<p>general</p>']];
    $sent = asSent(Questions::score(Questions::of([$choice], ['feedback' => $more]), $given));
    $words = fn (array $feedback): array => array_map(fn (array $one): string => $one['body'][0][2], $feedback);

    expect($words($sent['parts'][0]['feedback']))->toBe($ofPart)->and($words($sent['feedback']))->toBe($ofQuestion);
})->with([
    'right' => [['p1' => ['a']], ['rule a', 'part right'], ['right', 'general']],
    'wrong' => [['p1' => ['b']], ['rule b', 'part wrong'], ['wrong', 'general']],
    'nothing given' => [[], [], []],
]);

it('assigns for the greatest gain, also where there are more places than rules', function (array $gain, array $assigned): void {
    $exact = array_map(fn (array $row): array => array_map(BigRational::of(...), $row), $gain);

    expect(Assignment::best($exact))->toBe($assigned);
})->with([
    'the greedy choice is not the best' => [[[2, 1], [2, 0]], [1, 0]],
    'three places, three rules' => [[[1, 2, 3], [3, 1, 2], [2, 3, 1]], [2, 0, 1]],
    'more columns than rows' => [[[0, 0, 5], [0, 4, 5]], [2, 1]],
    'one' => [[[7]], [0]],
]);

it('counts what is right, and what more of it costs', function (array $part, array $chosen, string $credit, array $counts): void {
    $sent = asSent(Questions::score(Questions::of([$part]), ['p1' => $chosen]));
    $step = $sent['parts'][0]['trace'][0];

    expect($sent['parts'][0]['credit'])->toBe($credit)->and([$step['n'], $step['w'], $step['r'], $step['x']])->toBe($counts);
})->with([
    'each extra choice costs half a share: (2 − 1/2) ÷ 2' => [
        Questions::choice(['a' => '1', 'b' => '1', 'c' => ''], ['scheme' => 'each', 'cost' => '1/2']),
        ['a', 'b', 'c'],
        '3/4',
        [2, 1, 2, 1],
    ],
    'the cost is that of one scheme only' => [
        Questions::choice(['a' => '1', 'b' => '1', 'c' => ''], ['scheme' => 'judge', 'cost' => '1/2']),
        ['a', 'b', 'c'],
        '2/3',
        [2, 1, 2, 1],
    ],
    'a rule without credit is not right' => [Questions::choice(['a' => '1', 'b' => '0'], ['scheme' => 'each']), ['a'], '1', [1, 1, 1, 0]],
]);

it('keeps the score within the bounds of the question, and says so', function (): void {
    $question = Questions::of([Questions::choice(['a' => '1', 'b' => ''], [], 4)], ['scoring' => ['low' => '1/4', 'high' => '3/4']]);
    $low = asSent(Questions::score($question, ['p1' => ['b']]));
    $high = asSent(Questions::score($question, ['p1' => ['a']]));

    expect([$low['exact'], steps($low['trace'])])
        ->toBe(['1', ['parts.summed value=0 of=4', 'bounds.clamped from=0 to=1']])
        ->and([$high['exact'], steps($high['trace'])])
        ->toBe(['3', ['parts.summed value=4 of=4', 'bounds.clamped from=4 to=3']]);
});

it('gives all or nothing by the parts that are scored', function (): void {
    $survey = [
        'id' => 'p2',
        'kind' => 'survey',
        'points' => 0,
        'settings' => ['options' => [['id' => 'x', 'html' => '<p>x</p>']]],
        'key' => ['rules' => []],
    ];
    $question = Questions::of([Questions::choice(['a' => '1', 'b' => '']), $survey], ['scoring' => ['combine' => 'all']]);
    $sent = asSent(Questions::score($question, ['p1' => ['a'], 'p2' => ['x']]));

    expect([$sent['exact'], $sent['state'], $sent['parts'][1]['state'], $sent['parts'][1]['trace']])
        ->toBe(['1', 'right', 'unscored', [['step' => 'answer.opinion']]]);
});

it('lets shared answers go only to places that were filled, and leaves other parts alone', function (): void {
    $rules = [
        ['id' => 'basalt', 'answer' => 'is', 'text' => ['Basalt']],
        ['id' => 'other', 'credit' => '1/4', 'answer' => 'otherwise'],
    ];
    $first = Questions::typed('text', $rules);
    $question = Questions::of([$first, rocks('p2', false), rocks('p3', false), Questions::choice(['a' => '1', 'b' => ''], [], 1, 'p4')], [
        'scoring' => ['once' => [['p1', 'p2', 'p3']]],
    ]);
    $credits = fn (array $given): array => array_column(asSent(Questions::score($question, $given))['parts'], 'credit');

    expect($credits(['p1' => 'basalt', 'p2' => 'basalt', 'p4' => ['a']]))
        ->toBe(['1', '1/4', '0', '1'])
        ->and($credits(['p2' => 'basalt']))
        ->toBe(['0', '1', '0', '0'])
        ->and($credits(['p1' => 'slate', 'p2' => 'marble', 'p3' => 'basalt']))
        ->toBe(['1/4', '1/4', '1', '0'])
        ->and($credits(['p1' => 'slate', 'p2' => 'marble', 'p3' => 'gneiss']))
        ->toBe(['1/4', '1/4', '1/4', '0']);
});

it('shows when each feedback is to be seen, and none for what cannot be read', function (): void {
    $number = Questions::typed('number', [['answer' => 'value', 'value' => '3']]);
    $feedback = ['general' => ['html' => '<p>g</p>', 'show' => 'after'], 'wrong' => ['html' => '<p>w</p>']];
    $question = Questions::of([$number], ['feedback' => $feedback]);

    expect(asSent(Questions::score($question, ['p1' => '4']))['feedback'])
        ->toBe([
            ['of' => 'wrong', 'show' => 'both', 'body' => [['p', [], 'w']]],
            ['of' => 'general', 'show' => 'after', 'body' => [['p', [], 'g']]],
        ])
        ->and(asSent(Questions::score($question, ['p1' => 'three']))['feedback'])
        ->toBe([]);
});

it('refuses more hints than there are, and says how many there are', function (): void {
    $question = Questions::of([Questions::choice(['a' => '1', 'b' => ''])], ['hints' => [['id' => 'h', 'html' => '']]]);

    expect(fn () => Questions::score($question, [], 1, 0, 2))->toThrow(Malformed::class, 'at most 1');
});
