<?php

declare(strict_types=1);

use App\Infrastructure\Cbc;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;
use WideQuarry\Selection\Candidate;
use WideQuarry\Selection\Checker;
use WideQuarry\Selection\ExactSearch;
use WideQuarry\Selection\Outcome;
use WideQuarry\Selection\Problem;
use WideQuarry\Selection\Selector;
use WideQuarry\Selection\Unhurried;

/** @param  array<string, mixed>  $json */
function problem(array $json): Problem
{
    return Problem::read(Json::decode((string) json_encode($json)));
}

function solved(Problem $problem): Outcome
{
    return (new Selector(new Cbc))->select($problem, new Unhurried);
}

/**
 * A problem of a few questions whose demands and rules often cannot all hold.
 *
 * @return array<string, mixed>
 */
function randomProblem(int $seed): array
{
    mt_srand($seed);
    $of = fn (array $from): mixed => $from[mt_rand(0, count($from) - 1)];
    $pool = [];
    $ids = [];
    for ($i = 1, $size = mt_rand(0, 9); $i <= $size; $i++) {
        $ids[] = "q$i";
        $pool[] = [
            'id' => "q$i",
            'points' => $of([0, 1, 1, 2, 2.5, 3]),
            ...mt_rand(0, 3) === 0 ? [] : ['minutes' => $of([1, 2, 3.5])],
            'attributes' => (object) array_filter([
                'topic' => array_slice(['rivers', 'rocks', 'maps'], mt_rand(0, 2), mt_rand(0, 2)),
                'difficulty' => mt_rand(0, 4) === 0 ? [] : [(string) mt_rand(1, 5)],
                'stimulus' => mt_rand(0, 1) === 0 ? [] : [$of(['s1', 's2'])],
            ]),
        ];
    }
    $where = fn (): array => array_filter([
        'topic' => mt_rand(0, 1) === 0 ? [] : [$of(['rivers', 'rocks', 'maps', 'weather'])],
        'difficulty' => mt_rand(0, 2) === 0 ? array_map(strval(...), range(mt_rand(1, 3), mt_rand(3, 5))) : [],
    ]);
    $range = function (int $most): array {
        [$a, $b] = [mt_rand(0, $most), mt_rand(0, $most)];

        return match (mt_rand(0, 3)) {
            0 => ['min' => $a],
            1 => ['max' => $a],
            2 => ['min' => $a, 'max' => $a],
            default => ['min' => min($a, $b), 'max' => max($a, $b)],
        };
    };
    $demands = [];
    for ($i = 1, $count = mt_rand(0, 4); $i <= $count; $i++) {
        $demands[] = ['id' => "d$i", 'where' => (object) $where(), ...match (mt_rand(0, 3)) {
            0 => ['points' => $range(6)],
            1 => ['count' => $range(3), 'minutes' => $range(8)],
            default => ['count' => $range(4)],
        }];
    }
    $some = fn (): array => array_values(array_filter($ids, fn (): bool => mt_rand(0, 3) === 0));
    $rules = [];
    foreach (array_filter(range(1, 5), fn (): bool => mt_rand(0, 2) === 0) as $i) {
        $rules[] = ['id' => "r$i", ...match (mt_rand(0, 6)) {
            0 => ['rule' => 'at_most', 'attribute' => $of(['stimulus', 'topic']), 'n' => mt_rand(0, 2)],
            1 => ['rule' => 'all_or_none', 'attribute' => 'stimulus'],
            2 => ['rule' => 'never_together', 'questions' => $some()],
            3 => ['rule' => 'must_include', 'questions' => $some()],
            4 => ['rule' => 'exclude', 'questions' => $some()],
            5 => ['rule' => 'spread', 'attribute' => 'topic', 'n' => mt_rand(0, 2)],
            default => ['rule' => 'mean', 'attribute' => 'difficulty', 'min' => (string) mt_rand(1, 3), 'max' => (string) mt_rand(3, 5)],
        }];
    }
    $wishes = [];
    for ($i = 1, $count = mt_rand(0, 2); $i <= $count; $i++) {
        $wishes[] = ['id' => "w$i", 'weight' => $of(['1', '2', '0.25', '1/3']), 'where' => (object) $where()];
    }

    return ['seed' => $seed, 'pool' => $pool, 'demands' => $demands, 'rules' => $rules, 'wishes' => $wishes];
}

/**
 * A relaxation as somebody applies it who reads only what it says.
 *
 * @param  array<string, mixed>  $json
 * @param  array<string, mixed>  $change
 * @return array<string, mixed>
 */
function relaxed(array $json, array $change): array
{
    foreach (['demands', 'rules'] as $list) {
        foreach ($json[$list] as $i => $member) {
            if ($member['id'] === $change['id']) {
                $json[$list][$i] = isset($change['drop'])
                    ? ['id' => $member['id'], 'rule' => 'exclude', 'questions' => []]
                    : array_replace_recursive($member, array_diff_key($change, ['questions' => 1]));
                if (isset($change['questions'])) {
                    $json[$list][$i]['questions'] = $change['questions'];
                }
            }
        }
    }

    return $json;
}

it('agrees with trying every selection, and explains what cannot be', function (): void {
    $from = (int) (getenv('QUARRY_FROM') ?: 1);
    for ($seed = $from, $rounds = getenv('QUARRY_LONG') ? 10_000 : 60; $seed < $from + $rounds; $seed++) {
        $json = randomProblem($seed);
        $problem = problem($json);
        $outcome = solved($problem);
        $best = ExactSearch::best($problem);

        expect($outcome->tests === null)->toBe($best === null, "possible, $seed")->and($outcome->isProved)->toBeTrue();
        if ($outcome->tests !== null) {
            $value = array_reduce($best ?? [], fn ($sum, Candidate $one) => $sum->plus($problem->wishedFor($one)), Exact::zero());
            expect(Checker::isSolution($problem, $outcome->tests))->toBeTrue("$seed")
                ->and(Exact::text($outcome->value()))->toBe(Exact::text($value), "value, $seed");

            continue;
        }
        expect(ExactSearch::best($problem->only($outcome->conflict)))->toBeNull("conflict, $seed");
        foreach ($outcome->conflict as $i => $id) {
            $rest = array_values(array_diff($outcome->conflict, [$id]));
            expect(ExactSearch::best($problem->only($rest)))->not->toBeNull("spare, $seed");
            $relaxed = problem(relaxed($json, $outcome->relaxations[$i]))->only($outcome->conflict);
            expect(ExactSearch::best($relaxed))->not->toBeNull("relaxed, $seed");
        }
        expect($outcome->words())->toHaveCount(count($outcome->conflict));
    }
});
