<?php

declare(strict_types=1);

use WideQuarry\Blueprints\Arrangement;
use WideQuarry\Blueprints\Availability;
use WideQuarry\Blueprints\Blueprint;
use WideQuarry\Blueprints\BlueprintLike;
use WideQuarry\Blueprints\BlueprintProblem;
use WideQuarry\Blueprints\FoundAt;
use WideQuarry\Blueprints\Reduction;
use WideQuarry\Blueprints\Relaxed;
use WideQuarry\Blueprints\SolveOptions;
use WideQuarry\Blueprints\Tally;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Random\Seed;
use WideQuarry\Selection\Candidate;
use WideQuarry\Selection\ExactSearch;
use WideQuarry\Selection\Groups;

const UNIT_3 = '019a0000-0000-7000-8000-000000000001';
const UNIT_3_BANK = '019a0000-0000-7000-8000-00000000000b';

/** Rivers, split by kind, and rocks; by two difficulties. @param  array<string, mixed>  $more */
function sketch(array $cells = [], array $more = []): Blueprint
{
    $where = fn (string $name, string $value): array => ['where' => [$name => [$value]]];

    return Blueprint::read(Json::decode((string) json_encode([
        'format' => Blueprint::FORMAT,
        'version' => 1,
        'id' => UNIT_3,
        'title' => 'Unit 3',
        'banks' => [UNIT_3_BANK],
        'tables' => [[
            'id' => 't1',
            'rows' => [
                ['id' => 'r1', 'title' => 'Rivers', ...$where('tag', 'rivers'), 'lines' => [
                    ['id' => 'r1a', 'title' => 'choice', ...$where('kind', 'choice')],
                    ['id' => 'r1b', 'title' => 'typed', ...$where('kind', 'text')],
                ]],
                ['id' => 'r2', 'title' => 'Rocks', ...$where('tag', 'rocks')],
            ],
            'columns' => [
                ['id' => 'c1', 'title' => 'easy', ...$where('difficulty', '1')],
                ['id' => 'c2', 'title' => 'hard', ...$where('difficulty', '4')],
            ],
            'cells' => $cells,
        ]],
        ...$more,
    ])));
}

$cell = fn (?string $row, ?string $column, int $min, ?int $max = null): array => [
    'row' => $row, 'column' => $column, 'count' => ['min' => $min, 'max' => $max ?? $min],
];
/** A question that meets some lines. */
$question = fn (string $id, array $lines, array $more = [], string $points = '1'): Candidate => new Candidate(
    $id,
    $points,
    null,
    [...array_fill_keys(array_map(fn (string $line): string => 't1/'.($line[0] === 'c' ? 'c' : 'r')."/$line", $lines), ['1']), ...$more],
);
$tally = fn (array $lines, int $count, string $status = 'approved', bool $isUnused = true): Tally => new Tally(
    array_map(fn (string $line): string => 't1/'.($line[0] === 'c' ? 'c' : 'r')."/$line", $lines),
    $status,
    $isUnused,
    $count,
    (string) ($count * 2),
);

it('counts what the banks have at every place, in lines that others are part of too', function () use ($tally): void {
    $places = Availability::of(sketch(more: ['statuses' => ['approved']]), [
        $tally(['r1', 'r1a', 'c1'], 4),
        $tally(['r1', 'r1b', 'c1'], 2, 'draft'),
        $tally(['r1', 'r1a', 'c2'], 1, isUnused: false),
        $tally(['r1a', 'c2'], 8), // a choice, but not on rivers
        $tally(['r2', 'c1'], 3),
    ])->jsonSerialize();

    expect($places['t1|r1a|c1'])->toBe(['have' => 4, 'usable' => 4, 'approved' => 4, 'unused' => 4, 'points' => '8'])
        ->and($places['t1|r1b|c1'])->toBe(['have' => 2, 'usable' => 0, 'approved' => 0, 'unused' => 0, 'points' => '0'])
        ->and($places['t1|r1a|c2']['have'])->toBe(1)
        ->and($places['t1|r1a|c2']['unused'])->toBe(0)
        ->and($places['t1|r1|']['have'])->toBe(7)
        ->and($places['t1||c1']['usable'])->toBe(7)
        ->and($places['total']['have'])->toBe(18);
});

it('takes only what a cell asks for, unless the table says otherwise', function () use ($cell, $question): void {
    $cells = [$cell('r1a', 'c1', 1), $cell('r2', null, 0)];
    $pool = [$question('a', ['r1', 'r1a', 'c1']), $question('b', ['r1', 'r1b', 'c1']), $question('c', ['r2', 'c1'])];
    $best = fn (array $more): ?array => ExactSearch::best(BlueprintProblem::of(
        sketch($cells, ['total' => ['count' => ['min' => 2]], ...$more]),
        $pool,
        Availability::of(sketch($cells), []),
        new SolveOptions(Seed::of(1)),
    ));
    expect($best([]))->toBeNull();
    $table = sketch($cells)->toJson()->tables[0];
    $table->only = false;
    expect(array_column($best(['tables' => [$table]]) ?? [], 'id'))->toBe(['a', 'b']);
    foreach ([['r1', 'r1a', 'c1', true], ['r1', 'r1b', 'c1', false], ['r2', 'c1', false]] as $lines) {
        $isOne = array_pop($lines);
        $keys = array_keys($question('x', $lines)->attributes);
        expect(Reduction::isCandidate(sketch($cells), $keys))->toBe($isOne, implode(' ', $lines));
    }
});

it('means by all every question that may be taken', function () use ($question, $tally): void {
    $blueprint = sketch([['row' => 'r2', 'column' => null, 'all' => true]], ['statuses' => ['approved']]);
    $available = Availability::of($blueprint, [$tally(['r2', 'c1'], 2), $tally(['r2', 'c2'], 1, 'draft')]);
    $pool = [$question('a', ['r2', 'c1']), $question('b', ['r2', 'c1'])];
    $problem = BlueprintProblem::of($blueprint, $pool, $available, new SolveOptions(Seed::of(1)));

    expect(ExactSearch::best($problem))->toHaveCount(2)->and($problem->demands[0]->said())->toBe('Rocks: 2 questions');
});

it('asks for less in one place, and says so', function (array $change, ?string $label, array $expected) use ($cell): void {
    $blueprint = sketch([$cell('r2', 'c2', 6), ['row' => 'r1', 'column' => null, 'points' => ['min' => 8, 'max' => 10]]], [
        'total' => ['count' => ['min' => 20]],
        'rules' => [
            ['id' => 'q1', 'rule' => 'at_most', 'attribute' => 'stimulus', 'n' => 2],
            ['id' => 'q2', 'rule' => 'unused_since', 'since' => '2026-01-01'],
            ['id' => 'q3', 'rule' => 'mean_difficulty', 'max' => 2],
        ],
    ]);
    $relaxed = Relaxed::of($blueprint, $change);
    expect($relaxed['label'] ?? null)->toBe($label);
    if ($relaxed !== null) {
        Blueprint::read($relaxed['blueprint']); // it is a blueprint still
        $json = json_decode((string) json_encode($relaxed['blueprint']), true);
        foreach ($expected as $path => $value) {
            expect(data_get($json, $path))->toBe($value, $path);
        }
    }
})->with([
    'a cell' => [['id' => 't1|r2|c2', 'count' => ['min' => 4]], 'Ask for 4', ['tables.0.cells.0.count' => ['min' => 4, 'max' => 4]]],
    'points of a row' => [
        ['id' => 't1|r1|', 'points' => ['min' => 5]], 'Ask for 5–10 points', ['tables.0.cells.1.points' => ['min' => 5, 'max' => 10]],
    ],
    'the whole' => [['id' => 'total', 'count' => ['min' => 12]], 'Ask for at least 12', ['total.count' => ['min' => 12]]],
    'what is outside' => [['id' => 't1|outside', 'count' => ['max' => 3]], 'Allow questions outside the table', ['tables.0.only' => false]],
    'a limit' => [['id' => 'q1', 'n' => 4], 'Ask for at most 4', ['rules.0.n' => 4]],
    'a day' => [['id' => 'q2', 'count' => ['max' => 3]], 'Drop this rule', ['rules.1.id' => 'q3']],
    'a mean, rounded so that it takes it in' => [['id' => 'q3', 'max' => '8/3'], 'Ask for at most 2.6667', ['rules.2.max' => 2.6667]],
    'what the user keeps' => [['id' => 'kept', 'questions' => []], null, []],
]);

it('arranges by rows or columns, in the order of the table or the easier ones first', function () use ($question): void {
    $taken = [
        $question('z', ['r2', 'c2'], ['difficulty' => ['4']]),
        $question('b', ['r1', 'r1b', 'c1'], ['difficulty' => ['1']]),
        $question('a', ['r1', 'r1a', 'c2'], ['difficulty' => ['4']]),
        $question('c', ['c1'], ['difficulty' => ['2']]),
    ];
    $ids = fn (array $into): array => array_map(
        fn (array $section): array => [$section['title'], ...array_column($section['entries'], 'question')],
        Arrangement::of(sketch(more: ['into' => (object) $into]), $taken),
    );
    expect($ids(['sections' => 'rows']))->toBe([['Rivers, choice', 'a'], ['Rivers, typed', 'b'], ['Rocks', 'z'], ['', 'c']])
        ->and($ids(['sections' => 'columns']))->toBe([['easy', 'b', 'c'], ['hard', 'a', 'z']])
        ->and($ids(['order' => 'difficulty']))->toBe([['', 'b', 'c', 'a', 'z']])
        ->and($ids([]))->toBe([['', 'a', 'b', 'z', 'c']]);
});

it('draws from all that meet the same demands, and from no others', function () use ($cell, $question): void {
    $blueprint = sketch([$cell('r2', 'c1', 2), $cell('r2', 'c2', 1)], ['into' => ['as' => 'draws'], 'total' => ['points' => ['min' => 4]]]);
    $pool = [
        $question('a', ['r2', 'c1']), $question('b', ['r2', 'c1']), $question('c', ['r2', 'c1']),
        $question('d', ['r2', 'c1'], [], '2'), // other points: it does not meet the same demands
        $question('e', ['r2', 'c2'], [], '3'),
    ];
    $problem = BlueprintProblem::of($blueprint, $pool, Availability::of($blueprint, []), new SolveOptions(Seed::of(1)));
    $entries = Arrangement::of($blueprint, [$pool[0], $pool[1], $pool[4]], Groups::of($problem)->all)[0]['entries'];

    expect($entries)->toBe([['draw' => 2, 'title' => 'Rocks, easy', 'pool' => ['a', 'b', 'c']], ['question' => 'e']]);
});

it('says which cells are short, and by how many', function () use ($cell, $question): void {
    $blueprint = sketch([$cell('r2', 'c1', 2), $cell('r1a', 'c1', 0, 1)]);
    $short = FoundAt::short($blueprint, [
        $question('a', ['r2', 'c1']), $question('b', ['r1', 'r1a', 'c1']), $question('c', ['r1', 'r1a', 'c1']),
    ], Availability::of($blueprint, []));

    expect(array_map(fn (array $one): array => [$one['place'], $one['found'], $one['missing']], $short))
        ->toBe([['t1|r2|c1', 1, 1], ['t1|r1a|c1', 2, -1]]);
});

it('is made of what a test asks', function (): void {
    $asked = fn (array $topics, ?int $difficulty, string $kind): array => [
        'topics' => $topics, 'standards' => [], 'difficulty' => $difficulty, 'kind' => $kind, 'points' => '2',
    ];
    $json = BlueprintLike::of(Blueprint::fresh(UNIT_3, 'Again'), [UNIT_3_BANK], [
        $asked(['x' => 'Rivers'], 1, 'choice'), $asked(['x' => 'Rivers'], 1, 'text'), $asked([], 3, 'choice'),
    ], UNIT_3_BANK);
    $blueprint = Blueprint::read($json);

    expect(array_map(fn ($line): array => [$line->title, $line->where], $blueprint->tables[0]->rows))
        ->toBe([['Rivers', ['topic' => ['x']]], ['No topic', ['no' => ['topic']]]])
        ->and(array_map(fn ($one): array => [$one->row, $one->column, (string) $one->ranges['count']->min], $blueprint->tables[0]->cells))
        ->toBe([['r1', 'c1', '2'], ['r2', 'c2', '1']])
        ->and($blueprint->total['points']->toJson())->toBe(['min' => 5, 'max' => 7]);
});

it('has enough of what is the same for any demand', function () use ($cell): void {
    $count = fn (array $cells, array $more = [], int $tests = 1): int => Reduction::enough(sketch($cells, $more), $tests)['count'];
    expect($count([]))->toBe(20)
        ->and($count([$cell('r2', 'c1', 30)]))->toBe(30)
        ->and($count([$cell('r2', 'c1', 30)], [], 3))->toBe(90)
        ->and(Reduction::enough(sketch([], ['total' => ['points' => ['min' => 40.5]]]), 2)['points'])->toBe('81')
        ->and($count([['row' => 'r2', 'column' => null, 'all' => true]]))->toBe(Blueprint::QUESTIONS)
        // a wish is for as many as a cell allows, or for all
        ->and($count([$cell('r2', 'c1', 1, 35)], ['wishes' => [['id' => 'w']]]))->toBe(35)
        ->and($count([], ['wishes' => [['id' => 'w']]]))->toBe(Blueprint::QUESTIONS)
        ->and(Reduction::isDaring(sketch()))->toBeFalse()
        ->and(Reduction::isDaring(sketch([], ['rules' => [['id' => 'q', 'rule' => 'all_or_none']]])))->toBeTrue();
});

it('refuses what is no blueprint', function (array $more, string $path): void {
    expect(fn (): Blueprint => sketch([], $more))->toThrow(function (Malformed $problem) use ($path): void {
        expect($problem->path)->toBe($path);
    });
})->with([
    'two rules of one name' => [
        ['rules' => [['id' => 'q', 'rule' => 'all_or_none'], ['id' => 'q', 'rule' => 'all_or_none']]],
        '/rules/1/id',
    ],
    'a day that is none' => [['rules' => [['id' => 'q', 'rule' => 'unused_since', 'since' => '2026-02-30']]], '/rules/0/since'],
    'a mean upside down' => [['rules' => [['id' => 'q', 'rule' => 'mean_difficulty', 'min' => 4, 'max' => 2]]], '/rules/0/min'],
    'two cells of one place' => [['tables' => [['id' => 't', 'cells' => [['row' => null], ['column' => null]]]]], '/tables/0/cells/1'],
    'a bank that is none' => [['banks' => ['rocks']], '/banks/0'],
]);
