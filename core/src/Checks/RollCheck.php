<?php

declare(strict_types=1);

namespace WideQuarry\Checks;

use WideQuarry\CoreException;
use WideQuarry\Finding;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Question;
use WideQuarry\Study\Coincidence;
use WideQuarry\Study\RollStudy;
use WideQuarry\Study\Study;
use WideQuarry\Variables\RollProblem;

/** What a study of the rolls tells an author. */
final class RollCheck
{
    /** Findings that make a roll bad: somebody would get a question that cannot be answered fairly. */
    public const BAD = ['rolls.failing', 'rolls.'.Coincidence::KEY_EQUALS_OPTION, 'rolls.'.Coincidence::OPTIONS_EQUAL,
        'rolls.'.Coincidence::RULES_COINCIDE, 'rolls.'.Coincidence::MISTAKE_ACCEPTED];

    /**
     * @param  int  $rolls  the most that are looked at
     * @param  float  $seconds  after which no more are
     * @return list<Finding>
     */
    public static function findings(Question $question, int $rolls, float $seconds): array
    {
        if ($question->variables->list === []) {
            return [];
        }
        try {
            $study = RollStudy::of($question, $rolls, $seconds);
        } catch (RollProblem $problem) {
            return [self::blocking($problem)];
        } catch (CoreException) {
            return []; // what is wrong with it is found elsewhere
        }

        return [...self::failing($study), ...self::coincidences($study), ...self::look($study, $question)];
    }

    /** That the formulas of a question take too long, with or without values that vary. */
    public static function tooMuch(Question $question): ?Finding
    {
        try {
            $question->variables->plan();
        } catch (RollProblem $problem) {
            return $problem->rule === RollProblem::TOO_MUCH ? self::blocking($problem) : null;
        }

        return null;
    }

    private static function blocking(RollProblem $problem): Finding
    {
        return Finding::blocking($problem->rule, $problem->path, $problem->getMessage());
    }

    /** @param  list<Finding>  $findings */
    public static function areBad(array $findings): bool
    {
        return array_filter($findings, fn (Finding $finding): bool => in_array($finding->code, self::BAD, true)) !== [];
    }

    /** @return list<Finding> */
    private static function failing(Study $study): array
    {
        return array_map(
            fn (array $reason): Finding => Finding::blocking('rolls.failing', $reason['path'], Message::of('checks.rolls-failing', [
                'count' => $reason['count'],
                'rolls' => $study->rolls,
                'why' => $reason['message'],
            ]), ['seed' => $reason['seed'], 'reason' => $reason['code']]),
            $study->reasons,
        );
    }

    /** @return list<Finding> */
    private static function coincidences(Study $study): array
    {
        return array_map(fn (array $one): Finding => Finding::warning(
            "rolls.{$one['what']}",
            '/variables',
            Message::of(
                match ($one['what']) {
                    Coincidence::KEY_EQUALS_OPTION => 'checks.rolls-key-equals-option',
                    Coincidence::OPTIONS_EQUAL => 'checks.rolls-options-equal',
                    Coincidence::RULES_COINCIDE => 'checks.rolls-rules-coincide',
                    default => 'checks.rolls-mistake-accepted',
                },
                ['count' => $one['count'], 'rolls' => $study->rolls],
            ),
            ['seed' => $one['seed']],
        ), $study->collisions);
    }

    /** @return list<Finding> */
    private static function look(Study $study, Question $question): array
    {
        $findings = [];
        if ($study->different === 1 && $study->rolls > 1) {
            $findings[] = Finding::warning('rolls.all_same', '/variables', Message::of('checks.rolls-all-same'));
        } else {
            foreach (array_intersect($study->constant, self::varying($question)) as $name) {
                $findings[] = Finding::warning('rolls.constant', '/variables', Message::of('checks.rolls-constant', ['name' => $name]), [
                    'name' => $name,
                ]);
            }
        }
        foreach ($study->rolls > 1 && $study->different > 1 ? $study->keys : [] as $key) {
            if ($key->distinct() === 1) {
                $findings[] = Finding::warning('rolls.constant_key', '/variables', Message::of('checks.rolls-constant-key'), [
                    'part' => $key->name,
                ]);
            }
        }
        if ($study->ugly > 0) {
            $findings[] = Finding::warning('rolls.ugly', '/variables', Message::of('checks.rolls-ugly', [
                'count' => $study->ugly,
                'rolls' => $study->rolls,
            ]));
        }

        return $findings;
    }

    /** @return list<string> names worked out from others: those are meant to vary, while a list of one is meant not to */
    private static function varying(Question $question): array
    {
        $names = [];
        foreach ($question->variables->list as $variable) {
            if ($variable->drawn === null) {
                $names[] = $variable->name;
            }
        }

        return $names;
    }
}
