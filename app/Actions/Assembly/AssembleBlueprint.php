<?php

declare(strict_types=1);

namespace App\Actions\Assembly;

use App\Infrastructure\Stopwatch;
use App\Models\User;
use App\Queries\BlueprintQuestions;
use WideQuarry\Blueprints\Availability;
use WideQuarry\Blueprints\Blueprint;
use WideQuarry\Blueprints\BlueprintProblem;
use WideQuarry\Random\Seed;
use WideQuarry\Selection\Demand;
use WideQuarry\Selection\Outcome;
use WideQuarry\Selection\Problem;
use WideQuarry\Selection\Selector;
use WideQuarry\Selection\Solver;
use WideQuarry\Selection\SolverFailed;

/** Looks for tests that meet a blueprint, in the banks that whoever asks can read. */
final readonly class AssembleBlueprint
{
    private const SECONDS = 10;

    public function __construct(private Solver $solver)
    {
    }

    /**
     * @param  list<string>  $kept  questions that stay in the test
     * @param  list<string>  $apartFrom  questions of earlier solutions
     * @param  list<string>  $without  questions that are not to be taken
     * @return array{problem: Problem, outcome: Outcome, availability: Availability}
     *
     * @throws SolverFailed
     */
    public function handle(
        Blueprint $blueprint,
        User $person,
        Seed $seed,
        array $kept = [],
        array $apartFrom = [],
        array $without = [],
        int $tests = 1,
        int $common = 0,
    ): array {
        $budget = new Stopwatch(self::SECONDS);
        $questions = BlueprintQuestions::of($blueprint, $person);
        $tallies = $questions->tallies();
        $availability = Availability::of($blueprint, $tallies);
        $named = array_values(array_unique([...self::named($blueprint), ...$kept, ...$apartFrom, ...$without]));
        foreach ([null, BlueprintQuestions::ALL] as $most) {
            $pool = $questions->candidates($tallies, $named, $seed, $tests, $most);
            $problem = BlueprintProblem::of($blueprint, $pool, $availability, $seed, $kept, $apartFrom, $without, $tests, $common);
            $outcome = (new Selector($this->solver))->select($problem, $budget);
            if ($outcome->tests !== null || $budget->left() <= 0 || ! $questions->leftOut() || self::isOfDemands($problem, $outcome)) {
                break; // that enough questions are not enough happens only where rules tell them apart
            }
        }

        return ['problem' => $problem, 'outcome' => $outcome, 'availability' => $availability];
    }

    /** Whether demands alone cannot hold together. */
    private static function isOfDemands(Problem $problem, Outcome $outcome): bool
    {
        $rules = array_filter($outcome->conflict, fn (string $id): bool => ! $problem->member($id) instanceof Demand);

        return $outcome->conflict !== [] && $rules === [];
    }

    /** @return list<string> */
    private static function named(Blueprint $blueprint): array
    {
        return array_merge(...array_values($blueprint->questions()), ...[[]]);
    }
}
