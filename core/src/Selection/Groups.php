<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use WideQuarry\Numbers\Exact;
use WideQuarry\Random\Seed;

/**
 * A pool put into groups, so that the programme has a variable for "how many of these" instead of one for each question. Nothing is lost
 * by it: a solution over questions is one over groups, and the other way round.
 */
final readonly class Groups
{
    /** @param  list<Group>  $all  in an order that does not depend on that of the pool */
    private function __construct(public array $all, private Seed $seed)
    {
    }

    public static function of(Problem $problem): self
    {
        $keys = [];
        foreach ($problem->rules as $rule) {
            $keys[$rule->id()] = $rule->keys($problem->pool);
        }
        $apart = array_flip($problem->apartFrom);
        $measures = self::measures($problem);
        $groups = $known = [];
        foreach ($problem->pool as $i => $candidate) {
            if ($candidate->like !== '' && isset($known[$candidate->like])) {
                $known[$candidate->like]->members[] = $candidate;

                continue;
            }
            $its = [];
            foreach ($keys as $rule => $values) {
                if (isset($values[$i])) {
                    $its[$rule] = $values[$i];
                }
            }
            $isApart = isset($apart[$candidate->id]);
            $signature = self::signature($problem, $candidate, $measures, $isApart, $its);
            $groups[$signature] ??= new Group($signature, $its, $isApart);
            $groups[$signature]->members[] = $candidate;
            if ($candidate->like !== '') {
                $known[$candidate->like] = $groups[$signature];
            }
        }
        ksort($groups, SORT_STRING);

        return new self(array_values($groups), $problem->seed);
    }

    /** @return list<Measure> that somebody counts; tests made together are compared by all of them */
    private static function measures(Problem $problem): array
    {
        if ($problem->tests > 1) {
            return Measure::cases();
        }
        $used = [];
        foreach ($problem->demands as $demand) {
            foreach ($demand->measures() as $measure) {
                $used[$measure->value] = $measure;
            }
        }

        return array_values($used);
    }

    /** The same questions in the groups that fewer demands and rules need: what only others told apart is one again. */
    public function mergedFor(Problem $problem): self
    {
        $measures = self::measures($problem);
        $rules = array_flip(array_map(fn (Rules\Rule $rule): string => $rule->id(), $problem->rules));
        $groups = [];
        foreach ($this->all as $group) {
            $keys = array_intersect_key($group->keys, $rules);
            $signature = self::signature($problem, $group->one(), $measures, $group->isApart, $keys);
            $groups[$signature] ??= new Group($signature, $keys, $group->isApart);
            array_push($groups[$signature]->members, ...$group->members);
        }
        ksort($groups, SORT_STRING);

        return new self(array_values($groups), $this->seed);
    }

    /**
     * @param  list<Measure>  $measures
     * @param  array<string, list<string>>  $keys
     */
    private static function signature(Problem $problem, Candidate $candidate, array $measures, bool $isApart, array $keys): string
    {
        $signature = self::demandsOf($problem, $candidate).($isApart ? 'a' : '');
        foreach ($measures as $measure) {
            $signature .= "\1".$measure->keyOf($candidate);
        }
        if ($problem->tests > 1) {
            $signature .= "\1".implode(',', $candidate->values('difficulty'));
        }

        if ($problem->wishes !== []) {
            $signature .= "\1".Exact::text($problem->wishedFor($candidate));
        }

        return $keys === [] ? $signature : $signature."\1".json_encode($keys);
    }

    /** Which demands a question counts for, as ones and zeros. */
    public static function demandsOf(Problem $problem, Candidate $candidate): string
    {
        $met = '';
        foreach ($problem->demands as $demand) {
            $met .= $demand->where->meets($candidate) ? '1' : '0';
        }

        return $met;
    }

    /**
     * The groups a rule counts under each value.
     *
     * @return array<string, list<int>>
     */
    public function byKey(string $rule): array
    {
        $groups = [];
        foreach ($this->all as $i => $group) {
            foreach ($group->keys[$rule] ?? [] as $value) {
                $groups[$value][] = $i;
            }
        }

        return $groups;
    }

    /**
     * So many of one group: the same for the same seed, whatever else is in the pool.
     *
     * @return list<Candidate>
     */
    public function some(int $group, int $count, int $from = 0): array
    {
        if ($count === 0) {
            return [];
        }
        $order = [];
        foreach ($this->all[$group]->members as $i => $candidate) {
            $order[$i] = hash_hmac('sha256', $candidate->id, "wq1:{$this->seed->value}|taken", true);
        }
        asort($order, SORT_STRING);

        return array_map(
            fn (int $i): Candidate => $this->all[$group]->members[$i],
            array_slice(array_keys($order), $from, $count),
        );
    }
}
