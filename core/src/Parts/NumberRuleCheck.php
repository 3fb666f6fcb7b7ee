<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Answer\NumberMatcher;
use WideQuarry\Finding;
use WideQuarry\Question\Rule;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Variables\RollProblem;

/** What is missing in a rule that looks for a number. */
final class NumberRuleCheck
{
    /**
     * @param  string  $empty  what to say where the rule names no number at all
     * @return list<Finding>
     */
    public static function findings(Rule $rule, NumberMatcher $on, ScoringContext $in, string $empty): array
    {
        $findings = $on->isEmpty() ? [Finding::blocking('rule.empty', "$rule->path/on", $empty)] : [];
        foreach ($on->values() as $value) {
            try {
                $value->number($in->roll);
            } catch (RollProblem $problem) {
                $findings[] = Finding::blocking($problem->rule, $problem->path, $problem->getMessage());
            }
        }

        return $findings;
    }
}
