<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** What is counted of the questions taken. */
enum Measure: string
{
    case Count = 'count';
    case Points = 'points';
    case Minutes = 'minutes';
    case Words = 'words';

    /** What one question adds; what it does not know of itself adds nothing. */
    public function of(Candidate $candidate): BigRational
    {
        return match ($this) {
            self::Count => Exact::one(),
            self::Points => Exact::of($candidate->points),
            self::Minutes => $candidate->minutes === null ? Exact::zero() : Exact::of($candidate->minutes),
            self::Words => BigRational::of($candidate->words),
        };
    }

    /** The same as text, to tell questions apart that add different amounts. */
    public function keyOf(Candidate $candidate): string
    {
        return match ($this) {
            self::Count => '',
            self::Points => $candidate->points,
            self::Minutes => $candidate->minutes ?? '',
            self::Words => (string) $candidate->words,
        };
    }

    /** @param  iterable<Candidate>  $candidates */
    public function sum(iterable $candidates): BigRational
    {
        $times = $one = [];
        foreach ($candidates as $candidate) {
            $key = $this->keyOf($candidate);
            $times[$key] = ($times[$key] ?? 0) + 1;
            $one[$key] ??= $candidate;
        }
        $sum = Exact::zero();
        foreach ($times as $key => $count) {
            $sum = $sum->plus($this->of($one[$key])->multipliedBy($count));
        }

        return Exact::simplified($sum);
    }
}
