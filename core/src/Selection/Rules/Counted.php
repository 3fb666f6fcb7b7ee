<?php

declare(strict_types=1);

namespace WideQuarry\Selection\Rules;

use WideQuarry\Selection\Candidate;

/** How often questions have each value of an attribute. */
final class Counted
{
    /**
     * @param  list<Candidate>  $candidates
     * @return array<string|int, int> value → questions
     */
    public static function by(string $attribute, array $candidates): array
    {
        $counts = [];
        foreach ($candidates as $candidate) {
            foreach ($candidate->values($attribute) as $value) {
                $counts[$value] = ($counts[$value] ?? 0) + 1;
            }
        }

        return $counts;
    }

    /**
     * The values of each question that more than so many have.
     *
     * @param  list<Candidate>  $pool
     * @return array<int, list<string>> by place in the pool
     */
    public static function above(int $n, string $attribute, array $pool): array
    {
        $counts = self::by($attribute, $pool);
        $keys = [];
        foreach ($pool as $i => $candidate) {
            $its = array_values(array_filter($candidate->values($attribute), fn (string $value): bool => $counts[$value] > $n));
            if ($its !== []) {
                sort($its, SORT_STRING);
                $keys[$i] = $its;
            }
        }

        return $keys;
    }

    /**
     * The questions that are named.
     *
     * @param  list<string>  $ids
     * @param  list<Candidate>  $candidates
     * @return array<int, list<string>> place → its id
     */
    public static function named(array $ids, array $candidates): array
    {
        $named = array_flip($ids);
        $keys = [];
        foreach ($candidates as $i => $candidate) {
            if (isset($named[$candidate->id])) {
                $keys[$i] = [$candidate->id];
            }
        }

        return $keys;
    }
}
