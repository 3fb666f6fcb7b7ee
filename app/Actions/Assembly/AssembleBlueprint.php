<?php

declare(strict_types=1);

namespace App\Actions\Assembly;

use App\Infrastructure\Stopwatch;
use App\Models\User;
use App\Queries\BlueprintQuestions;
use WideQuarry\Blueprints\Availability;
use WideQuarry\Blueprints\Blueprint;
use WideQuarry\Blueprints\BlueprintProblem;
use WideQuarry\Blueprints\SolveOptions;
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
     * @return array{problem: Problem, outcome: Outcome, availability: Availability}
     *
     * @throws SolverFailed
     */
    public function handle(Blueprint $blueprint, User $person, SolveOptions $options): array
    {
        $budget = new Stopwatch(self::SECONDS);
        $questions = BlueprintQuestions::of($blueprint, $person);
        $tallies = $questions->tallies();
        $availability = Availability::of($blueprint, $tallies);
        $named = array_values(array_unique([...self::named($blueprint), ...$options->questions()]));
        foreach ([null, BlueprintQuestions::ALL] as $most) {
            $pool = $questions->candidates($tallies, $named, $options->seed, $options->tests, $most);
            $problem = BlueprintProblem::of($blueprint, $pool, $availability, $options);
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
