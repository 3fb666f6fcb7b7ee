<?php

declare(strict_types=1);

namespace WideQuarry\Selection\Rules;

use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Selection\Candidate;
use WideQuarry\Selection\Formulation;

/** Every question that is named, in every test. */
final readonly class MustInclude implements Rule
{
    /** @param  list<string>  $questions */
    public function __construct(private string $id, public array $questions)
    {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function keys(array $pool): array
    {
        return Counted::named($this->questions, $pool);
    }

    public function constrain(Formulation $formulation): void
    {
        $there = $formulation->groups->byKey($this->id);
        if (count($there) < count($this->questions)) {
            $formulation->between([], Exact::one(), null); // one of them is gone
        }
        $formulation->inEvery(array_merge(...array_values($there)));
    }

    public function loosen(Formulation $formulation): void
    {
        foreach ($formulation->groups->byKey($this->id) as $groups) {
            $formulation->near(array_fill_keys($groups, Exact::one()), Exact::one(), null);
        }
    }

    public function isMetBy(array $taken, array $pool): bool
    {
        return count(Counted::named($this->questions, $taken)) === count($this->questions);
    }

    public function relaxedTo(array $tests, array $pool): array
    {
        $kept = $this->questions;
        foreach ($tests as $taken) {
            $kept = array_intersect($kept, array_map(fn (Candidate $candidate): string => $candidate->id, $taken));
        }

        return ['questions' => array_values($kept)];
    }

    public function said(): string
    {
        return Message::of('selection.must-include', ['n' => count($this->questions)]);
    }
}
