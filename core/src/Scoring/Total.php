<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Question;

/** From part scores to the question's score: combining, costs, bounds, other points, one rounding. */
final class Total
{
    /** @var list<array<string, mixed>> */
    public array $trace = [];

    public BigRational $raw;

    public BigRational $exact;

    public BigRational $score;

    /** What can be earned here: the assessment's points where it sets its own. */
    public BigRational $max;

    /** M, the question's own points. */
    public BigRational $points;

    /**
     * @param  list<PartResult>  $parts
     *
     * @throws NotScorable
     */
    public function __construct(private readonly Question $question, Attempt $attempt, array $parts)
    {
        $points = $this->points = $question->points();
        $this->raw = $this->combined($points, $parts);
        $exact = $this->bounded($this->lessCosts($points, $attempt), $points);
        $this->max = $points;
        if ($attempt->points !== null && ! $points->isZero() && ! $attempt->points->isEqualTo($points)) {
            $exact = $exact->multipliedBy($attempt->points)->dividedBy($points);
            $this->max = $attempt->points;
            $this->trace[] = [
                'step' => 'points.scaled',
                'from' => Exact::text($points),
                'to' => Exact::text($attempt->points),
                'value' => Exact::text($exact),
            ];
        }
        $this->exact = Exact::simplified($exact);
        $this->score = Exact::toStep($this->exact, $question->scoring->step());
        if ($this->score !== $this->exact) {
            $this->trace[] = ['step' => 'rounded', 'from' => Exact::text($this->exact), 'to' => Exact::text($this->score)];
        }
    }

    /** @param  list<PartResult>  $parts */
    private function combined(BigRational $points, array $parts): BigRational
    {
        $sum = Exact::zero();
        foreach ($parts as $part) {
            $sum = Exact::plus($sum, $part->score);
        }
        $this->trace[] = ['step' => 'parts.summed', 'value' => Exact::text($sum), 'of' => Exact::text($points)];
        if (! $this->question->scoring->all) {
            return $sum;
        }
        $right = array_filter(
            $parts,
            fn (PartResult $part): bool => ! in_array($part->state, ['right', 'unscored'], true) &&
                ! $this->question->scoring->isInstead($part->id),
        ) === [];
        $this->trace[] = ['step' => 'parts.all_or_nothing', 'right' => $right];

        return $right ? $points : Exact::zero();
    }

    private function lessCosts(BigRational $points, Attempt $attempt): BigRational
    {
        $share = Exact::zero();
        foreach (array_slice($this->question->hints, 0, $attempt->hints) as $hint) {
            $share = $share->plus($hint->cost());
            $this->trace[] = ['step' => 'cost.hint', 'hint' => $hint->id, 'share' => Exact::text($hint->cost())];
        }
        if ($attempt->earlierWrong > 0) {
            $cost = $this->question->attemptCost()->multipliedBy($attempt->earlierWrong);
            $share = $share->plus($cost);
            $this->trace[] = ['step' => 'cost.tries', 'times' => $attempt->earlierWrong, 'share' => Exact::text($cost)];
        }
        if ($share->isZero()) {
            return $this->raw;
        }
        $less = $this->raw->minus($points->multipliedBy($share));
        $floor = $this->raw->isNegative() ? $this->raw : Exact::zero(); // costs never push below 0, nor lift what is below

        return $less->isLessThan($floor) ? $floor : $less;
    }

    private function bounded(BigRational $score, BigRational $points): BigRational
    {
        $low = Exact::times($points, $this->question->scoring->low());
        $high = Exact::times($points, $this->question->scoring->high());
        $within = Exact::within($score, $low, $high);
        if ($within !== $score) {
            $this->trace[] = ['step' => 'bounds.clamped', 'from' => Exact::text($score), 'to' => Exact::text($within)];
        }

        return $within;
    }
}
