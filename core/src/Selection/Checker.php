<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

/** Whether tests are what was asked for, counted question by question: it shares nothing with how they were found. */
final class Checker
{
    /** @param  list<list<Candidate>>  $tests */
    public static function isSolution(Problem $problem, array $tests): bool
    {
        return count($tests) === $problem->tests
            && self::areOfThePool($problem, $tests)
            && array_filter($tests, fn (array $taken): bool => self::unmet($problem, $taken) !== []) === []
            && self::areApart($problem, $tests);
    }

    /**
     * @param  list<Candidate>  $taken
     * @return list<string> the demands and rules that a test does not meet
     */
    public static function unmet(Problem $problem, array $taken): array
    {
        $unmet = array_filter(
            [...$problem->demands, ...$problem->rules],
            fn (Member $member): bool => ! $member->isMetBy($taken, $problem->pool),
        );

        return array_values(array_map(fn (Member $member): string => $member->id(), $unmet));
    }

    /** @param  list<list<Candidate>>  $tests */
    private static function areOfThePool(Problem $problem, array $tests): bool
    {
        $known = [];
        foreach (array_merge(...$tests) as $candidate) {
            $known[$candidate->id] = null;
        }
        foreach ($problem->pool as $candidate) {
            if (array_key_exists($candidate->id, $known)) {
                $known[$candidate->id] = $candidate;
            }
        }
        foreach ($tests as $taken) {
            $seen = [];
            foreach ($taken as $candidate) {
                if ($known[$candidate->id] !== $candidate || isset($seen[$candidate->id])) {
                    return false;
                }
                $seen[$candidate->id] = true;
            }
        }

        return true;
    }

    /** @param  list<list<Candidate>>  $tests */
    private static function areApart(Problem $problem, array $tests): bool
    {
        $everywhere = array_flip($problem->included());
        $ids = array_map(
            fn (array $taken): array => array_filter(
                array_map(fn (Candidate $candidate): string => $candidate->id, $taken),
                fn (string $id): bool => ! isset($everywhere[$id]),
            ),
            $tests,
        );
        foreach ($ids as $i => $one) {
            foreach (array_slice($ids, $i + 1) as $other) {
                if (count(array_intersect($one, $other)) > $problem->common) {
                    return false;
                }
            }
        }

        return true;
    }
}
