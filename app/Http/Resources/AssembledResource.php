<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\User;
use App\Queries\BlueprintQuestions;
use WideQuarry\Blueprints\Arrangement;
use WideQuarry\Blueprints\Availability;
use WideQuarry\Blueprints\Blueprint;
use WideQuarry\Blueprints\Explained;
use WideQuarry\Blueprints\FoundAt;
use WideQuarry\Numbers\Exact;
use WideQuarry\Selection\Balance;
use WideQuarry\Selection\Candidate;
use WideQuarry\Selection\Outcome;
use WideQuarry\Selection\Problem;

/** What came of a blueprint, as the screen shows it. */
final class AssembledResource
{
    /**
     * @param  array{problem: Problem, outcome: Outcome, availability: Availability}  $solved
     * @return array<string, mixed>
     */
    public static function of(Blueprint $blueprint, array $solved, User $person): array
    {
        ['problem' => $problem, 'outcome' => $outcome, 'availability' => $availability] = $solved;
        $ids = array_map(fn (Candidate $one): string => $one->id, array_merge(...$outcome->tests ?? $outcome->nearest ?? [], ...[[]]));
        $rows = BlueprintQuestions::rowsOf($ids, $person);
        $whole = array_column(BlueprintQuestions::of($blueprint, $person)->named($ids), null, 'id');
        $tests = array_map(
            fn (array $taken): array => array_map(fn (Candidate $one): Candidate => $whole[$one->id] ?? $one, $taken),
            $outcome->tests ?? $outcome->nearest ?? [],
        );
        $bound = $outcome->bound;

        return [
            'possible' => $outcome->tests !== null,
            'proved' => $outcome->isProved,
            'seed' => $problem->seed->value,
            'value' => Exact::decimal($outcome->value()) ?? '0',
            'bound' => $bound === null ? null : Exact::decimal($bound),
            'tests' => array_map(fn (array $taken): array => self::test($blueprint, $taken, $rows, $availability), $tests),
            'reasons' => Explained::of($blueprint, $problem, $outcome, $availability),
            'words' => $outcome->tests === null && ! $outcome->isProved ? $outcome->words() : [],
        ];
    }

    /**
     * @param  list<Candidate>  $taken
     * @param  array<string, array<string, mixed>>  $rows
     * @return array<string, mixed>
     */
    private static function test(Blueprint $blueprint, array $taken, array $rows, Availability $availability): array
    {
        $questions = [];
        $known = array_column($taken, null, 'id');
        foreach (self::inOrder($blueprint, $taken) as $id) {
            if (isset($rows[$id])) {
                $questions[] = [...$rows[$id], 'places' => FoundAt::of($blueprint, $known[$id])];
            }
        }

        return [
            'questions' => $questions,
            'totals' => Balance::totals($taken),
            'places' => (object) FoundAt::places($blueprint, $taken),
            'short' => FoundAt::short($blueprint, $taken, $availability),
        ];
    }

    /**
     * As they will stand in the assessment.
     *
     * @param  list<Candidate>  $taken
     * @return list<string>
     */
    private static function inOrder(Blueprint $blueprint, array $taken): array
    {
        $ids = [];
        foreach (Arrangement::of($blueprint, $taken) as $section) {
            foreach ($section['entries'] as $entry) {
                $ids[] = $entry['question'] ?? '';
            }
        }

        return $ids;
    }
}
