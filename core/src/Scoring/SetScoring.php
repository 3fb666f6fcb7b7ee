<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;

/** Scores a set of distinct things given (options, pieces, pairs …) by any scheme. */
final class SetScoring
{
    /**
     * @param  list<string>  $given  distinct
     * @param  list<string>  $all  everything that could be given
     * @param  callable(Rule): string  $thing  what a rule lists
     *
     * @throws NotScorable
     */
    public static function score(Part $part, array $given, array $all, callable $thing): PartOutcome
    {
        $listed = [];
        foreach ($part->key->rules as $rule) {
            $listed['='.$thing($rule)] ??= $rule;
        }
        $matched = array_values(array_filter(array_map(fn (string $id): ?Rule => $listed["=$id"] ?? null, $given)));
        if ($part->scheme === Scheme::Weights) {
            return self::weighed($part, count($given), $matched);
        }
        $rightOnes = array_filter($listed, fn (Rule $rule): bool => $rule->credit()->isPositive());
        $n = count(array_filter($all, fn (string $id): bool => isset($rightOnes["=$id"])));
        if ($n === 0) {
            throw NotScorable::nothingRight("$part->path/key/rules");
        }
        $w = count($all) - $n;
        $r = count(array_filter($given, fn (string $id): bool => isset($rightOnes["=$id"])));
        $x = count($given) - $r;

        return self::counted($part, $matched, $n, $w, $r, $x);
    }

    /**
     * @param  list<Rule>  $matched
     *
     * @throws NotScorable
     */
    public static function counted(Part $part, array $matched, int $n, int $w, int $r, int $x): PartOutcome
    {
        $credit = $part->scheme->ofCounts($n, $w, $r, $x, $part->scheme === Scheme::Each ? $part->bound('cost') : Exact::zero());

        return PartOutcome::given($credit, $matched, [
            [
                'step' => 'scheme.counted',
                'scheme' => $part->scheme->value,
                'n' => $n,
                'w' => $w,
                'r' => $r,
                'x' => $x,
                'credit' => Exact::text($credit),
            ],
        ]);
    }

    /**
     * @param  int  $given  how many distinct things
     * @param  list<Rule>  $matched
     *
     * @throws NotScorable
     */
    public static function weighed(Part $part, int $given, array $matched): PartOutcome
    {
        $trace = array_map(
            fn (Rule $rule): array => ['step' => 'rule.matched', 'rule' => $rule->id, 'credit' => Exact::text($rule->credit())],
            $matched,
        );
        $sum = array_reduce($matched, fn (BigRational $sum, Rule $rule): BigRational => Exact::plus($sum, $rule->credit()), Exact::zero());
        $unlisted = $given - count($matched);
        if ($unlisted > 0) {
            $default = $part->key->default();
            $sum = $sum->plus($default->multipliedBy($unlisted));
            $trace[] = ['step' => 'default.applied', 'times' => $unlisted, 'credit' => Exact::text($default)];
        }

        return PartOutcome::given($sum, $matched, $trace);
    }
}
