<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Assessment;
use App\Models\User;
use App\Printing\SheetPage;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Variables\RollProblem;

/** The rolls of the questions of an assessment as they stand on its paper; of those that this person may read. */
final readonly class EntryRolls
{
    public function __construct(private PartKinds $kinds)
    {
    }

    /** @return list<array<string, mixed>> */
    public function of(Assessment $assessment, User $person): array
    {
        $settings = SheetPage::settings($assessment);
        $asked = AskedAssessment::of($assessment, $settings->seed, $person, $this->kinds);
        $rolls = [];
        foreach ($asked->document->picks() as $i => $pick) {
            $question = $asked->questions[$pick->id] ?? null;
            if ($question === null) {
                continue;
            }
            $rolls[] = [
                'entry' => $pick->id,
                'number' => $i + 1,
                'title' => $question->name(),
                'seed' => $settings->seedOf($pick->id)->value,
                'kept' => $settings->isKept($pick->id),
                ...self::rolled($question, $settings->seedOf($pick->id)),
            ];
        }

        return $rolls;
    }

    /** @return array{varies: bool, values: object, problem: string|null} */
    private static function rolled(Question $question, Seed $seed): array
    {
        try {
            $roll = $question->variables->roll($seed, $question->language);

            return ['varies' => $question->variables->list !== [], 'values' => (object) $roll->written, 'problem' => null];
        } catch (RollProblem $problem) {
            return ['varies' => true, 'values' => new \stdClass, 'problem' => $problem->getMessage()];
        }
    }
}
