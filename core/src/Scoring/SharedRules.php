<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Key;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\Rule;

/** `once`: parts that share the rules of the first of them, each rule earning once, by the best assignment. */
final class SharedRules
{
    /** The key that holds for a part: the one of the first part in its list, or its own. */
    public static function keyFor(Question $question, Part $part): Key
    {
        foreach ($question->scoring->once as $list) {
            if (in_array($part->id, $list, true)) {
                return $question->part($list[0])->key ?? $part->key;
            }
        }

        return $part->key;
    }

    /**
     * @param  array<string, PartOutcome>  $outcomes  by part id
     * @return array<string, PartOutcome>
     */
    public static function settle(Question $question, array $outcomes): array
    {
        foreach ($question->scoring->once as $list) {
            $parts = array_values(
                array_filter(
                    array_map($question->part(...), $list),
                    fn (?Part $part): bool => $part !== null && ($outcomes[$part->id] ?? null)?->state === 'given',
                ),
            );
            if (count($parts) > 1) {
                $outcomes = [...$outcomes, ...self::assign($parts, $outcomes, self::keyFor($question, $parts[0]))];
            }
        }

        return $outcomes;
    }

    /**
     * @param  list<Part>  $parts
     * @param  array<string, PartOutcome>  $outcomes
     * @return array<string, PartOutcome>
     */
    private static function assign(array $parts, array $outcomes, Key $key): array
    {
        $answers = array_values(array_filter($key->rules, fn (Rule $rule): bool => ! self::isCatchAll($rule)));
        $floor = array_map(fn (Part $part): PartOutcome => self::withoutAnswer($outcomes[$part->id], $key), $parts);
        $gain = [];
        foreach ($parts as $i => $part) {
            $matching = array_map(fn (Rule $rule): string => $rule->id, $outcomes[$part->id]->candidates);
            $row = array_map(
                fn (Rule $rule): BigRational => in_array($rule->id, $matching, true)
                    ? $rule->credit()->multipliedBy($part->points())
                    : self::never(),
                $answers,
            );
            // as many columns more as there are parts: what the part is worth when every answer of its own is taken
            $gain[] = [...$row, ...array_fill(0, count($parts), $floor[$i]->credit->multipliedBy($part->points()))];
        }
        $settled = [];
        foreach (Assignment::best($gain) as $i => $column) {
            $rule = $answers[$column] ?? null;
            $trace = array_values(
                array_filter(
                    $outcomes[$parts[$i]->id]->trace,
                    fn (array $step): bool => ! in_array($step['step'], ['rule.matched', 'default.applied'], true),
                ),
            );
            $settled[$parts[$i]->id] =
                $rule === null
                    ? PartOutcome::given($floor[$i]->credit, $floor[$i]->matched, [
                        ...$trace,
                        ['step' => 'once.taken'],
                        ...$floor[$i]->trace,
                    ])
                    : PartOutcome::given(
                        $rule->credit(),
                        [$rule],
                        [
                            ...$trace,
                            ['step' => 'once.assigned', 'rule' => $rule->id],
                            ['step' => 'rule.matched', 'rule' => $rule->id, 'credit' => Exact::text($rule->credit())],
                        ],
                    );
        }

        return $settled;
    }

    private static function withoutAnswer(PartOutcome $outcome, Key $key): PartOutcome
    {
        return TypedOutcome::of(array_values(array_filter($outcome->candidates, self::isCatchAll(...))), $key, []);
    }

    private static function isCatchAll(Rule $rule): bool
    {
        return is_object($rule->on) && isset($rule->on->answer) && $rule->on->answer === 'otherwise';
    }

    private static function never(): BigRational
    {
        return Exact::of('-1000000000000');
    }
}
