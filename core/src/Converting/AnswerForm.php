<?php

declare(strict_types=1);

namespace WideQuarry\Converting;

/** A kind of part that asks for one answer: how its answers are taken out of it, and made into it. */
interface AnswerForm
{
    /** Whether it compares typed words by settings of its own: capitals, spaces, accents. */
    public function normalises(): bool;

    /**
     * The answers of a part, or of one gap of it; what they cannot carry is told to the draft.
     *
     * @return list<AcceptedAnswer>
     */
    public function answers(Draft $draft, \stdClass $part, ?string $gap): array;

    /**
     * Puts a part (or a gap) that asks for these answers where the place stands.
     *
     * @param  list<AcceptedAnswer>  $answers
     * @param  \stdClass  $old  the part they were in
     */
    public function make(Draft $draft, string $place, array $answers, \stdClass $old, int|float $points): void;
}
