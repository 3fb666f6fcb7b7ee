<?php

declare(strict_types=1);

use App\Infrastructure\Cbc;
use App\Infrastructure\Stopwatch;
use WideQuarry\CommandLine\Offline;
use WideQuarry\CommandLine\Streams;
use WideQuarry\Selection\Solver;

/**
 * @param  array<string, mixed>|string  $given
 * @return array{int, mixed, mixed} exit code, what was printed, the problem on standard error
 */
function assemble(array|string $given, ?Solver $solver = null): array
{
    [$in, $out, $err] = array_map(fn (): mixed => fopen('php://memory', 'r+'), [1, 2, 3]);
    fwrite($in, is_string($given) ? $given : (string) json_encode($given));
    rewind($in);
    $budget = fn (float $seconds): Stopwatch => new Stopwatch($seconds);
    $code = (new Offline(new Streams($in, $out, $err), solver: $solver ?? new Cbc, budget: $budget))->run('assemble', ['-']);
    rewind($out);
    rewind($err);

    return [$code, json_decode((string) stream_get_contents($out), true), json_decode((string) stream_get_contents($err), true)];
}

/** Four questions on rivers, of which three share a stimulus, and two on rocks. */
function rivers(array $with = []): array
{
    $question = fn (string $id, int|float $points, array $attributes): array => [
        'id' => $id, 'points' => $points, 'minutes' => 3, 'attributes' => (object) $attributes,
    ];

    return [
        'seed' => 1,
        'pool' => [
            $question('q1', 2, ['topic' => ['rivers'], 'difficulty' => ['3'], 'stimulus' => ['s1']]),
            $question('q2', 2, ['topic' => ['rivers'], 'difficulty' => ['4'], 'stimulus' => ['s1']]),
            $question('q3', 2.5, ['topic' => ['rivers'], 'difficulty' => ['4'], 'stimulus' => ['s1']]),
            $question('q4', 1, ['topic' => ['rivers'], 'difficulty' => ['1']]),
            $question('q5', 1, ['topic' => ['rocks'], 'difficulty' => ['2']]),
            $question('q6', 1, ['topic' => ['rocks']]),
        ],
        ...$with,
    ];
}

$demand = fn (array $where, array $ranges, string $id = 'd1'): array => ['id' => $id, 'where' => (object) $where, ...$ranges];
$rule = fn (string $name, array $fields, string $id = 'r1'): array => ['id' => $id, 'rule' => $name, ...$fields];

it('gives the test that wishes most, with what it comes to', function () use ($demand, $rule): void {
    [$code, $answer] = assemble(rivers([
        'demands' => [$demand(
            ['topic' => ['rivers'], 'difficulty' => ['3', '4']],
            ['count' => ['min' => 2, 'max' => 3], 'points' => ['min' => 4]],
        )],
        'rules' => [$rule('at_most', ['attribute' => 'stimulus', 'n' => 2]), $rule('exclude', ['questions' => ['q4', 'q5', 'q6']], 'r2')],
        'wishes' => [['id' => 'w1', 'weight' => '1.5', 'where' => ['difficulty' => ['4']]]],
    ]));

    expect($code)->toBe(0)->and($answer)->toBe([
        'possible' => true,
        'proved' => true,
        'questions' => ['q2', 'q3'],
        'totals' => ['count' => 2, 'points' => 4.5, 'minutes' => 6],
        'value' => '3',
    ]);
});

it('meets nothing by nothing', function (): void {
    foreach ([[], ['pool' => []], rivers()] as $given) {
        [$code, $answer] = assemble((string) json_encode((object) $given));
        expect($code)->toBe(0)->and([$answer['possible'], $answer['questions'], $answer['value']])->toBe([true, [], '0']);
    }
});

it('names what cannot hold together, and what each would have to say', function (array $members, array $conflict, array $relaxations) {
    [$code, $answer] = assemble(rivers($members));

    expect($code)->toBe(0)
        ->and([$answer['possible'], $answer['proved']])->toBe([false, true])
        ->and($answer['conflict'])->toBe($conflict)
        ->and($answer['relaxations'])->toBe($relaxations)
        ->and($answer['words'])->toHaveCount(count($conflict));
})->with(fn (): array => [
    'more than there are' => [
        ['demands' => [$demand(['topic' => ['rocks']], ['count' => ['min' => 3]]), $demand([], ['count' => ['max' => 5]], 'd2')]],
        ['d1'],
        [['id' => 'd1', 'count' => ['min' => 2]]],
    ],
    'an attribute that no question has' => [
        ['demands' => [$demand(['colour' => ['red']], ['count' => ['min' => 1]])]],
        ['d1'],
        [['id' => 'd1', 'count' => ['min' => 0]]],
    ],
    'a question wanted and excluded' => [
        ['rules' => [$rule('must_include', ['questions' => ['q1', 'q2']]), $rule('exclude', ['questions' => ['q1']], 'r2')]],
        ['r1', 'r2'],
        [['id' => 'r1', 'questions' => ['q2']], ['id' => 'r2', 'questions' => []]],
    ],
    'all or none, one of them excluded' => [
        [
            'demands' => [$demand(['difficulty' => ['4']], ['count' => ['min' => 1]])],
            'rules' => [$rule('all_or_none', ['attribute' => 'stimulus']), $rule('exclude', ['questions' => ['q1']], 'r2')],
        ],
        ['d1', 'r1', 'r2'],
        [['id' => 'd1', 'count' => ['min' => 0]], ['id' => 'r1', 'drop' => true], ['id' => 'r2', 'questions' => []]],
    ],
    'too many of one stimulus' => [
        [
            'demands' => [$demand(['topic' => ['rivers']], ['count' => ['min' => 4]])],
            'rules' => [$rule('at_most', ['attribute' => 'stimulus', 'n' => 1])],
        ],
        ['d1', 'r1'],
        [['id' => 'd1', 'count' => ['min' => 2]], ['id' => 'r1', 'n' => 3]],
    ],
    'two that are never together' => [
        ['rules' => [
            $rule('must_include', ['questions' => ['q1', 'q2']]),
            $rule('never_together', ['questions' => ['q1', 'q2', 'q3']], 'r2'),
        ]],
        ['r1', 'r2'],
        [['id' => 'r1', 'questions' => ['q2']], ['id' => 'r2', 'drop' => true]],
    ],
    'easier than there are' => [
        [
            'demands' => [$demand(['topic' => ['rivers']], ['count' => ['min' => 2], 'points' => ['min' => 4.5]])],
            'rules' => [$rule('mean', ['attribute' => 'difficulty', 'max' => '2'])],
        ],
        ['d1', 'r1'],
        [['id' => 'd1', 'points' => ['min' => 3]], ['id' => 'r1', 'max' => '8/3']],
    ],
]);

it('says where a file is not one it can read', function (array|string $given, string $path) {
    [$code, $answer, $problem] = assemble($given);

    expect($code)->toBe(1)->and($answer)->toBeNull()->and($problem['path'])->toBe($path)->and($problem['detail'])->not->toBe('');
})->with(fn (): array => [
    'no JSON' => ['{', ''],
    'a list' => ['[]', ''],
    'unknown field' => [rivers(['pools' => []]), '/pools'],
    'a range upside down' => [rivers(['demands' => [$demand([], ['count' => ['min' => 3, 'max' => 2]])]]), '/demands/0/count'],
    'half a question' => [rivers(['demands' => [$demand([], ['count' => ['min' => 0.5]])]]), '/demands/0/count/min'],
    'an unknown rule' => [rivers(['rules' => [$rule('at_least', [])]]), '/rules/0/rule'],
    'one id for two questions' => [['pool' => [['id' => 'q1'], ['id' => 'q1']]], '/pool/1/id'],
    'one id for a demand and a rule' => [
        rivers(['demands' => [$demand([], [])], 'rules' => [$rule('exclude', ['questions' => []], 'd1')]]),
        '/rules/0/id',
    ],
    'a question that is not there' => [rivers(['rules' => [$rule('exclude', ['questions' => ['q1', 'q99']])]]), '/rules/0/questions/1'],
    'a weight below zero' => [rivers(['wishes' => [['id' => 'w1', 'weight' => '-1']]]), '/wishes/0/weight'],
    'a weight that is no number' => [rivers(['wishes' => [['id' => 'w1', 'weight' => 'much']]]), '/wishes/0/weight'],
    'values that are no list' => [rivers(['demands' => [$demand(['topic' => 'rivers'], [])]]), '/demands/0/where/topic'],
    'no time at all' => [rivers(['seconds' => 0]), '/seconds'],
]);

it('gives the same test again, another for another seed, and one with as little of the first as can be', function () use ($demand): void {
    $question = fn (int $i): array => ['id' => "q$i", 'points' => 1, 'attributes' => ['topic' => [$i % 2 === 0 ? 'a' : 'b']]];
    $pool = array_map($question, range(1, 40));
    $given = ['pool' => $pool, 'demands' => [
        $demand(['topic' => ['a']], ['count' => ['min' => 6, 'max' => 6]]),
        $demand([], ['count' => ['max' => 6]], 'd2'),
    ]];
    $test = fn (array $more): array => assemble([...$given, ...$more])[1]['questions'];
    $first = $test(['seed' => 1]);

    expect($test(['seed' => 1, 'pool' => array_reverse($pool)]))->toEqualCanonicalizing($first)
        ->and($test(['seed' => 2]))->not->toEqualCanonicalizing($first)
        ->and(array_intersect($test(['seed' => 1, 'apart_from' => $first]), $first))->toBe([]);
    $all = array_values(array_filter(array_column($pool, 'id'), fn (string $id): bool => ((int) substr($id, 1)) % 2 === 0));
    $most = array_slice($all, 0, 16); // of 20 only 4 are left
    expect(count(array_intersect($test(['apart_from' => $most]), $most)))->toBe(2);
});

it('makes tests without common questions that are equal in points and minutes', function () use ($demand): void {
    $pool = array_map(fn (int $i): array => [
        'id' => "q$i", 'points' => 1 + $i % 4, 'minutes' => 1 + $i % 3, 'attributes' => ['difficulty' => [(string) (1 + $i % 5)]],
    ], range(1, 60));
    $given = ['pool' => $pool, 'demands' => [$demand([], ['count' => ['min' => 10, 'max' => 10]])], 'tests' => 3];
    $tests = assemble($given)[1]['tests'];
    $all = array_merge(...array_column($tests, 'questions'));

    expect($all)->toHaveCount(30)->and(array_unique($all))->toHaveCount(30);
    foreach (['points', 'minutes'] as $measure) {
        $each = array_map(fn (array $test): int => $test['totals'][$measure], $tests);
        expect(max($each) - min($each))->toBeLessThanOrEqual(1, $measure);
    }
    // 45 are wanted of 40
    $given = [...$given, 'pool' => array_slice($pool, 0, 40), 'demands' => [$demand([], ['count' => ['min' => 15, 'max' => 15]])]];
    $few = assemble($given)[1];
    expect($few['possible'])->toBeFalse()->and($few['conflict'])->toBe(['d1']);
    $shared = assemble([...$given, 'common' => 5])[1]['tests'];
    expect(count(array_intersect($shared[0]['questions'], $shared[1]['questions'])))->toBeLessThanOrEqual(5);
});

it('says that the time was over before it was known', function () use ($demand): void {
    $program = sys_get_temp_dir().'/quarry-solver-'.bin2hex(random_bytes(4));
    $said = 'Stopped on time - objective value 0 (no integer solution - continuous used)';
    file_put_contents($program, "#!/bin/sh\nfor last; do :; done; echo '$said' > \$last\n");
    chmod($program, 0700);
    [$code, $answer] = assemble(rivers(['demands' => [$demand([], ['count' => ['min' => 2]])]]), new Cbc($program));
    // one was found, but it is not known whether it is the best: the bound says how far off it may be
    $said = 'Stopped on time - objective value 2\\n 0 x0 1 0\\n 1 x1 1 0\\n';
    file_put_contents($program, "#!/bin/sh\nfor last; do :; done; echo 'Upper bound: 5.00'; printf '$said' > \$last\n");
    $wish = ['wishes' => [['id' => 'w1', 'weight' => '0.5']], 'demands' => [$demand([], ['count' => ['max' => 2]])]];
    [, $found] = assemble(rivers($wish), new Cbc($program));
    unlink($program);

    expect($code)->toBe(0)
        ->and([$answer['possible'], $answer['proved'], isset($answer['conflict'])])->toBe([false, false, false])
        ->and($answer['words'])->toBe(['The time was over before it was clear whether there is such a test.'])
        // the solver was given whole numbers
        ->and([$found['possible'], $found['proved'], $found['value'], $found['bound']])->toBe([true, false, '1', '2.5']);
});

it('says that the solver is missing, was ended, or printed rubbish', function (string $script, string $rule) use ($demand): void {
    $program = sys_get_temp_dir().'/quarry-solver-'.bin2hex(random_bytes(4));
    if ($script !== '') {
        file_put_contents($program, "#!/bin/sh\n$script\n");
        chmod($program, 0700);
    }
    // the demand alone can be met, so that a solver is asked
    $given = rivers(['seconds' => 1, 'demands' => [$demand([], ['count' => ['min' => 2]])]]);
    [$code, $answer, $problem] = assemble($given, new Cbc($program));
    is_file($program) && unlink($program);

    expect($code)->toBe(1)->and($answer)->toBeNull()->and($problem['type'])->toBe("urn:wide-quarry:problem:$rule");
})->with([
    'missing' => ['', 'solver.missing'],
    'killed' => ['kill -9 $$', 'solver.ended'],
    'too slow' => ['exec sleep 600', 'solver.ended'],
    'nothing written' => ['exit 0', 'solver.rubbish'],
    'rubbish' => ['for last; do :; done; echo "Perhaps" > $last', 'solver.rubbish'],
    'a variable that is not there' => [
        'for last; do :; done; printf "Optimal - objective value 1\n 0 x999 1 0\n" > $last', 'solver.rubbish',
    ],
    'half a question' => ['for last; do :; done; printf "Optimal - objective value 1\n 0 x0 0.5 0\n" > $last', 'solver.rubbish'],
    'a test that does not meet the demands' => ['for last; do :; done; printf "Optimal - objective value 1\n" > $last', 'solver.wrong'],
]);
