<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use Brick\Math\BigRational;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** What came of a problem: tests, or why there are none. */
final readonly class Outcome implements \JsonSerializable
{
    /**
     * @param  list<list<Candidate>>|null  $tests  null when there are none
     * @param  bool  $isProved  that nothing is better, or that there are none
     * @param  BigRational|null  $bound  what the sum of wishes cannot exceed, where the best was not proved
     * @param  list<string>  $conflict  members that cannot hold together; none can be spared
     * @param  list<array<string, mixed>>  $relaxations  how each of them would have to read
     * @param  list<list<Candidate>>|null  $nearest  the tests that come nearest
     */
    private function __construct(
        private Problem $problem,
        public ?array $tests,
        public bool $isProved,
        public ?BigRational $bound = null,
        public array $conflict = [],
        public array $relaxations = [],
        public ?array $nearest = null,
    ) {
    }

    /** @param  list<list<Candidate>>  $tests */
    public static function found(Problem $problem, array $tests, bool $isProved, ?BigRational $bound): self
    {
        return new self($problem, $tests, $isProved, $bound);
    }

    /**
     * @param  list<string>|null  $conflict  null when it is not known whether there is one
     * @param  list<array<string, mixed>>  $relaxations
     * @param  list<list<Candidate>>|null  $nearest
     */
    public static function impossible(Problem $problem, ?array $conflict, array $relaxations, ?array $nearest): self
    {
        return new self($problem, null, $conflict !== null, null, $conflict ?? [], $relaxations, $nearest);
    }

    /** The sum of wishes. */
    public function value(): BigRational
    {
        $sum = Exact::zero();
        foreach (array_merge(...$this->tests ?? []) as $candidate) {
            $sum = $sum->plus($this->problem->wishedFor($candidate));
        }

        return Exact::simplified($sum);
    }

    /** @return list<string> a sentence for each member of the conflict */
    public function words(): array
    {
        if ($this->tests === null && ! $this->isProved) {
            return [Message::of('selection.not-in-time')];
        }

        return array_map(fn (string $id): string => $this->sentence($this->problem->member($id)), $this->conflict);
    }

    private function sentence(Member $member): string
    {
        if (! $member instanceof Demand) {
            return $member->said();
        }
        $there = [];
        foreach ($member->found($this->problem->pool) as $measure => $amount) {
            $there[] = Message::of('selection.there', ['n' => Exact::number($amount), 'what' => $measure]);
        }

        return Message::of('selection.asked-and-there', ['asked' => $member->said(), 'there' => implode(', ', $there)]);
    }

    /** @return list<array{id: string, measure: string, asked: string, found: int|float}> demands that the nearest tests fall short of */
    public function short(): array
    {
        $short = [];
        foreach ($this->nearest ?? [] as $taken) {
            foreach ($this->problem->demands as $demand) {
                foreach ($demand->found($taken) as $measure => $amount) {
                    if (! $demand->ranges[$measure]->has($amount)) {
                        $short[] = [
                            'id' => $demand->id,
                            'measure' => $measure,
                            'asked' => $demand->ranges[$measure]->said(),
                            'found' => Exact::number($amount),
                        ];
                    }
                }
            }
        }

        return $short;
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        if ($this->tests === null) {
            return [
                'possible' => false,
                'proved' => $this->isProved,
                ...$this->isProved ? ['conflict' => $this->conflict] : [],
                'words' => $this->words(),
                ...$this->isProved ? ['relaxations' => $this->relaxations] : [],
                ...$this->nearest === null ? [] : ['nearest' => [...$this->taken($this->nearest), 'short' => $this->short()]],
            ];
        }

        return [
            'possible' => true,
            'proved' => $this->isProved,
            ...$this->taken($this->tests),
            'value' => self::decimal($this->value()),
            ...$this->bound === null ? [] : ['bound' => self::decimal($this->bound)],
        ];
    }

    private static function decimal(BigRational $value): string
    {
        return Exact::decimal($value) ?? Exact::text($value);
    }

    /**
     * @param  list<list<Candidate>>  $tests
     * @return array<string, mixed>
     */
    private function taken(array $tests): array
    {
        $each = array_map(fn (array $taken): array => ['questions' => $this->ids($taken), 'totals' => self::totals($taken)], $tests);

        return $this->problem->tests === 1 ? $each[0] : ['tests' => $each];
    }

    /**
     * @param  list<Candidate>  $taken
     * @return list<string> in the order of the pool
     */
    private function ids(array $taken): array
    {
        $ids = array_flip(array_map(fn (Candidate $candidate): string => $candidate->id, $taken));
        $ordered = [];
        foreach ($ids === [] ? [] : $this->problem->pool as $candidate) {
            if (isset($ids[$candidate->id])) {
                $ordered[] = $candidate->id;
            }
        }

        return $ordered;
    }

    /**
     * @param  list<Candidate>  $taken
     * @return array{count: int, points: int|float, minutes: int|float}
     */
    private static function totals(array $taken): array
    {
        return [
            'count' => count($taken),
            'points' => Exact::number(Measure::Points->sum($taken)),
            'minutes' => Exact::number(Measure::Minutes->sum($taken)),
        ];
    }
}
