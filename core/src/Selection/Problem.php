<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Random\Seed;
use WideQuarry\Selection\Rules\MustInclude;
use WideQuarry\Selection\Rules\Rule;
use WideQuarry\Selection\Rules\Rules;

/**
 * A test to be assembled: what may be taken and what it has to meet. Demands and rules are its members; each can be left out, to
 * find those that cannot hold together.
 *
 * @see van der Linden (2005), Linear Models for Optimal Test Design, chapters 3 to 6: the formulation as a 0/1 programme
 */
final readonly class Problem
{
    /** Most questions in a pool. */
    public const POOL = 200_000;

    /** Most demands and rules together. */
    public const MEMBERS = 2000;

    /** Most tests at once. */
    public const TESTS = 26;

    /**
     * @param  list<Candidate>  $pool
     * @param  list<Demand>  $demands
     * @param  list<Rule>  $rules
     * @param  list<Wish>  $wishes
     * @param  list<string>  $apartFrom  questions of earlier solutions, to be taken again as little as possible
     * @param  int  $tests  how many tests meet it at once
     * @param  int  $common  how many questions two of them may share, beside those that have to be included
     */
    public function __construct(
        public array $pool,
        public array $demands,
        public array $rules,
        public array $wishes,
        public Seed $seed,
        public array $apartFrom = [],
        public int $tests = 1,
        public int $common = 0,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json): self
    {
        $known = ['seed', 'seconds', 'pool', 'demands', 'rules', 'wishes', 'apart_from', 'tests', 'common'];
        $fields = Fields::of($json, '', $known);
        $pool = self::each($fields, 'pool', self::POOL, Candidate::read(...));
        $ids = [];
        foreach ($pool as $i => $candidate) {
            if (isset($ids[$candidate->id])) {
                throw Malformed::repeatedId("/pool/$i/id", $candidate->id);
            }
            $ids[$candidate->id] = true;
        }
        $demands = self::each($fields, 'demands', self::MEMBERS, Demand::read(...));
        $rules = self::each($fields, 'rules', self::MEMBERS, fn (mixed $rule, string $path): Rule => Rules::read($rule, $path, $ids));
        $wishes = self::each($fields, 'wishes', self::MEMBERS, Wish::read(...));
        self::refuseRepeated(['demands' => $demands, 'rules' => $rules]);
        self::refuseRepeated(['wishes' => $wishes]);
        $apart = [];
        foreach ($fields->ids('apart_from', self::POOL) as $i => $id) {
            $apart[] = isset($ids[$id]) ? $id : throw Malformed::outOfRange("/apart_from/$i", Message::of('selection.in-pool'), $id);
        }

        return new self(
            $pool,
            $demands,
            $rules,
            $wishes,
            Seed::of($fields->int('seed', 1, 0, Seed::MAX)),
            $apart,
            $fields->int('tests', 1, 1, self::TESTS),
            $fields->int('common', 0, 0, self::POOL),
        );
    }

    /**
     * @template T
     *
     * @param  callable(mixed, string): T  $read
     * @return list<T>
     *
     * @throws Malformed
     */
    private static function each(Fields $fields, string $field, int $most, callable $read): array
    {
        $things = [];
        foreach ($fields->list($field, $most) as $i => $json) {
            $things[] = $read($json, $fields->at("$field/$i"));
        }

        return $things;
    }

    /**
     * @param  array<string, list<Demand>|list<Rule>|list<Wish>>  $lists
     *
     * @throws Malformed
     */
    private static function refuseRepeated(array $lists): void
    {
        $seen = [];
        foreach ($lists as $name => $list) {
            foreach ($list as $i => $one) {
                $id = $one instanceof Rule ? $one->id() : $one->id;
                $seen[$id] = isset($seen[$id]) ? throw Malformed::repeatedId("/$name/$i/id", $id) : true;
            }
        }
    }

    /** @return list<string> ids of demands and rules, in their order */
    public function members(): array
    {
        return [
            ...array_map(fn (Demand $demand): string => $demand->id, $this->demands),
            ...array_map(fn (Rule $rule): string => $rule->id(), $this->rules),
        ];
    }

    public function member(string $id): Member
    {
        foreach ([...$this->demands, ...$this->rules] as $member) {
            if ($member->id() === $id) {
                return $member;
            }
        }
        throw new \LogicException("No demand or rule is called $id.");
    }

    /**
     * The same with only some of its demands and rules.
     *
     * @param  list<string>  $ids
     */
    public function only(array $ids): self
    {
        $kept = array_flip($ids);
        $demands = array_filter($this->demands, fn (Demand $demand): bool => isset($kept[$demand->id]));
        $rules = array_filter($this->rules, fn (Rule $rule): bool => isset($kept[$rule->id()]));

        return $this->with($this->pool, array_values($demands), array_values($rules));
    }

    /**
     * The same over fewer questions.
     *
     * @param  list<Candidate>  $pool
     */
    public function over(array $pool): self
    {
        $ids = [];
        foreach ($pool as $candidate) {
            $ids[$candidate->id] = true;
        }
        $apart = array_values(array_filter($this->apartFrom, fn (string $id): bool => isset($ids[$id])));

        return $this->with($pool, $this->demands, $this->rules, $apart);
    }

    /**
     * @param  list<Candidate>  $pool
     * @param  list<Demand>  $demands
     * @param  list<Rule>  $rules
     * @param  list<string>|null  $apart
     */
    private function with(array $pool, array $demands, array $rules, ?array $apart = null): self
    {
        $apart ??= $this->apartFrom;

        return new self($pool, $demands, $rules, $this->wishes, $this->seed, $apart, $this->tests, $this->common);
    }

    /** @return list<string> the questions that every test has to have */
    public function included(): array
    {
        $rules = array_filter($this->rules, fn (Rule $rule): bool => $rule instanceof MustInclude);

        return array_values(array_unique(array_merge(...array_map(fn (MustInclude $rule): array => $rule->questions, $rules))));
    }

    /** What a question adds to the sum of wishes. */
    public function wishedFor(Candidate $candidate): BigRational
    {
        $sum = Exact::zero();
        foreach ($this->wishes as $wish) {
            $sum = $wish->where->meets($candidate) ? $sum->plus($wish->weight) : $sum;
        }

        return $sum;
    }
}
