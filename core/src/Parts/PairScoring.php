<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Question\NotScorable;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\SetScoring;

/** Scores pairs by any scheme: each pair for itself, or each first thing (a gap, an item) by whether it is where it belongs. */
final class PairScoring
{
    /**
     * @param  list<array{string, string}>  $given  distinct
     * @param  int  $possible  how many pairs there could be
     *
     * @throws NotScorable
     */
    public static function each(Part $part, array $given, int $possible): PartOutcome
    {
        $rules = self::rules($part);
        $right = count(array_filter($rules, fn (Rule $rule): bool => $rule->credit()->isPositive()));
        $matched = self::matched($rules, $given);
        $r = count(array_filter($matched, fn (Rule $rule): bool => $rule->credit()->isPositive()));

        return self::counted($part, $rules, $given, $matched, $right, max(0, $possible - $right), $r, count($given) - $r);
    }

    /**
     * n things have something right, w have nothing; a thing of the n that is elsewhere is simply not right.
     *
     * @param  list<array{string, string}>  $given  a thing stands first in one pair at most
     * @param  list<string>  $things  all that can stand first
     *
     * @throws NotScorable
     */
    public static function byFirst(Part $part, array $given, array $things): PartOutcome
    {
        $rules = self::rules($part);
        $placeable = [];
        foreach ($rules as $rule) {
            if ($rule->credit()->isPositive() && $rule->on instanceof PairTarget) {
                $placeable['='.$rule->on->first] = true;
            }
        }

        return self::firsts($part, $given, $things, $rules, $placeable);
    }

    /**
     * The same where the second thing is typed, so that the rules that hold were found before.
     *
     * @param  list<array{string, string}>  $given  thing and what was typed
     * @param  list<string>  $things
     * @param  array<string, Rule>  $matched  the rule that decides, by PairTarget::key()
     * @param  array<string, bool>  $placeable  things that have something right, behind "="
     *
     * @throws NotScorable
     */
    public static function typed(Part $part, array $given, array $things, array $matched, array $placeable): PartOutcome
    {
        $rules = [];
        foreach ($matched as $pair => $rule) {
            $rules["=$pair"] = $rule;
        }

        return self::firsts($part, $given, $things, $rules, $placeable);
    }

    /**
     * @param  list<array{string, string}>  $given
     * @param  list<string>  $things
     * @param  array<string, Rule>  $rules  by pair
     * @param  array<string, bool>  $placeable
     */
    private static function firsts(Part $part, array $given, array $things, array $rules, array $placeable): PartOutcome
    {
        $n = count(array_filter($things, fn (string $thing): bool => isset($placeable["=$thing"])));
        $matched = self::matched($rules, $given);
        $r = count(array_filter($matched, fn (Rule $rule): bool => $rule->credit()->isPositive()));
        // Under `each`, all that is given beyond n has its cost; the other schemes count what belongs nowhere.
        $x =
            $part->scheme === Scheme::Each
                ? count($given) - $r
                : count(array_filter($given, fn (array $pair): bool => ! isset($placeable["=$pair[0]"])));

        return self::counted($part, $rules, $given, $matched, $n, count($things) - $n, $r, $x);
    }

    /**
     * @param  array<string, Rule>  $rules  by pair
     * @param  list<array{string, string}>  $given
     * @param  list<Rule>  $matched
     */
    private static function counted(
        Part $part,
        array $rules,
        array $given,
        array $matched,
        int $n,
        int $w,
        int $r,
        int $x,
    ): PartOutcome {
        if ($part->scheme === Scheme::Person) {
            return PartOutcome::needsMarking();
        }
        if ($part->scheme !== Scheme::Weights && $n === 0) {
            throw NotScorable::nothingRight("$part->path/key/rules");
        }
        $outcome =
            $part->scheme === Scheme::Weights
                ? SetScoring::weighed($part, count($given), $matched)
                : SetScoring::counted($part, $matched, $n, $w, $r, $x);

        return PartOutcome::given($outcome->credit, $outcome->matched, [self::judged($rules, $given), ...$outcome->trace]);
    }

    /**
     * Which of what was given is right: what marks them on the screen.
     *
     * @param  array<string, Rule>  $rules  by pair
     * @param  list<array{string, string}>  $given
     * @return array<string, mixed>
     */
    private static function judged(array $rules, array $given): array
    {
        $judged = ['step' => 'pairs.judged', 'right' => [], 'wrong' => []];
        foreach ($given as [$first, $second]) {
            $isRight = ($rules['='.PairTarget::key($first, $second)] ?? null)?->credit()->isPositive() === true;
            $judged[$isRight ? 'right' : 'wrong'][] = [$first, $second];
        }

        return $judged;
    }

    /**
     * @param  array<string, Rule>  $rules  by pair
     * @param  list<array{string, string}>  $given
     * @return list<Rule>
     */
    private static function matched(array $rules, array $given): array
    {
        return array_values(array_filter(array_map(fn (array $pair): ?Rule => $rules['='.PairTarget::key(...$pair)] ?? null, $given)));
    }

    /** @return array<string, Rule> by pair; the first of two that name the same counts */
    private static function rules(Part $part): array
    {
        $rules = [];
        foreach ($part->key->rules as $rule) {
            if ($rule->on instanceof PairTarget) {
                $rules['='.PairTarget::key($rule->on->first, $rule->on->second)] ??= $rule;
            }
        }

        return $rules;
    }
}
