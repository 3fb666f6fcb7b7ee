<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/**
 * The best test of a small pool, by trying: question by question, taken or not, giving up where a demand can no longer be met or the best
 * so far no longer be beaten. It knows no programme and no groups, so that it can judge those who do.
 *
 * @phpstan-type Bound array{each: list<BigRational>, rest: list<BigRational>, range: Range}
 */
final class ExactSearch
{
    public const POOL = 20;

    /** @var list<Bound> what each question adds to a bound, and how much is still to come from each place on */
    private array $bounds = [];

    /** @var list<BigRational> */
    private array $wished = [];

    /** @var list<BigRational> */
    private array $wishedRest;

    /** @var list<Candidate>|null */
    private ?array $best = null;

    private ?BigRational $value = null;

    private function __construct(private readonly Problem $problem)
    {
        foreach ($problem->demands as $demand) {
            foreach ($demand->measures() as $measure) {
                $each = array_map(
                    fn (Candidate $one): BigRational => $demand->where->meets($one) ? $measure->of($one) : Exact::zero(),
                    $problem->pool,
                );
                $this->bounds[] = ['each' => $each, 'rest' => self::rest($each), 'range' => $demand->ranges[$measure->value]];
            }
        }
        $this->wished = array_map($problem->wishedFor(...), $problem->pool);
        $this->wishedRest = self::rest($this->wished);
    }

    /** @return list<Candidate>|null null when there is none */
    public static function best(Problem $problem): ?array
    {
        if (count($problem->pool) > self::POOL || $problem->tests > 1) {
            throw new \LogicException('Only one test of a small pool is searched for by trying.');
        }
        $search = new self($problem);
        $search->decide(0, [], array_fill(0, count($search->bounds), Exact::zero()), Exact::zero());

        return $search->best;
    }

    /**
     * @param  list<BigRational>  $each
     * @return list<BigRational> from each place on, and 0 after the last
     */
    private static function rest(array $each): array
    {
        $rest = [Exact::zero()];
        foreach (array_reverse($each) as $amount) {
            array_unshift($rest, $rest[0]->plus($amount));
        }

        return $rest;
    }

    /**
     * @param  list<Candidate>  $taken
     * @param  list<BigRational>  $sums
     */
    private function decide(int $at, array $taken, array $sums, BigRational $value): void
    {
        if ($this->value !== null && ! $value->plus($this->wishedRest[$at])->isGreaterThan($this->value)) {
            return;
        }
        foreach ($this->bounds as $i => ['rest' => $rest, 'range' => $range]) {
            if (
                ($range->max !== null && $sums[$i]->isGreaterThan($range->max)) ||
                ($range->min !== null && $sums[$i]->plus($rest[$at])->isLessThan($range->min))
            ) {
                return;
            }
        }
        if ($at === count($this->problem->pool)) {
            if (Checker::unmet($this->problem, $taken) === []) {
                [$this->best, $this->value] = [$taken, $value];
            }

            return;
        }
        $with = $sums;
        foreach ($this->bounds as $i => ['each' => $each]) {
            $with[$i] = $sums[$i]->plus($each[$at]);
        }
        $this->decide($at + 1, [...$taken, $this->problem->pool[$at]], array_values($with), $value->plus($this->wished[$at]));
        $this->decide($at + 1, $taken, $sums, $value);
    }
}
