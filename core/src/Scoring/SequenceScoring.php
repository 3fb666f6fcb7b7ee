<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Scheme;

/** What a sequence is worth against ranks, by five schemes; things of one rank may stand in any order among themselves. */
final readonly class SequenceScoring
{
    /**
     * @param  array<string, int>  $ranks  thing → rank from 0, without gaps
     * @param  list<string>  $given  distinct things of those, in the order given; some may be missing
     */
    public function __construct(private array $ranks, private array $given)
    {
    }

    /** Two things at least, and two ranks for `pairs`. */
    public function credit(Scheme $scheme): BigRational
    {
        $m = count($this->ranks);

        return match ($scheme) {
            Scheme::All => count($this->given) === $m && $this->longest() === $m ? Exact::one() : Exact::zero(),
            Scheme::Pairs => $this->pairs(),
            Scheme::Joins => BigRational::of($this->joins())->dividedBy($m - 1),
            Scheme::Chain => BigRational::of(max(0, $this->longest() - 1))->dividedBy($m - 1),
            Scheme::Positions => BigRational::of($this->inPlace())->dividedBy($m),
            default => throw new \LogicException("The scheme $scheme->value is not for sequences."),
        };
    }

    /** Pairs the key orders: how many stand in their order less how many against it, of all (Kendall 1938, where nothing ties). */
    private function pairs(): BigRational
    {
        $all = 0;
        foreach (array_count_values($this->ranks) as $size) {
            $all += $size * (count($this->ranks) - $size);
        }
        $balance = 0;
        foreach ($this->given as $i => $one) {
            foreach (array_slice($this->given, $i + 1) as $other) {
                $balance += $this->ranks[$other] <=> $this->ranks[$one];
            }
        }

        return $balance <= 0 || $all === 0 ? Exact::zero() : BigRational::of($balance)->dividedBy(intdiv($all, 2));
    }

    /** Neighbours of equal or next rank. */
    private function joins(): int
    {
        $joins = 0;
        for ($i = 1; $i < count($this->given); $i++) {
            $joins += in_array($this->ranks[$this->given[$i]] - $this->ranks[$this->given[$i - 1]], [0, 1], true) ? 1 : 0;
        }

        return $joins;
    }

    /** The longest subsequence that never goes back in rank (patience sorting). */
    private function longest(): int
    {
        $ends = [];
        foreach ($this->given as $thing) {
            $rank = $this->ranks[$thing];
            $at = 0;
            while (isset($ends[$at]) && $ends[$at] <= $rank) {
                $at++;
            }
            $ends[$at] = $rank;
        }

        return count($ends);
    }

    /** Things inside the positions of their rank. */
    private function inPlace(): int
    {
        $sizes = array_count_values($this->ranks);
        $first = [];
        $at = 0;
        for ($rank = 0; $rank < count($sizes); $rank++) {
            $first[$rank] = $at;
            $at += $sizes[$rank] ?? 0;
        }
        $right = 0;
        foreach ($this->given as $position => $thing) {
            $rank = $this->ranks[$thing];
            $right += $position >= $first[$rank] && $position < $first[$rank] + $sizes[$rank] ? 1 : 0;
        }

        return $right;
    }
}
