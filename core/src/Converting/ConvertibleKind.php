<?php

declare(strict_types=1);

namespace WideQuarry\Converting;

use WideQuarry\Question\PartKind;

/** A kind whose parts can become parts of another kind. */
interface ConvertibleKind extends PartKind
{
    /** How its answers are taken out and put in, where it asks for one answer at a time; such kinds can all become one another. */
    public function answerForm(): ?AnswerForm;

    /**
     * Kinds that are near enough to be reached in a way of their own.
     *
     * @return array<string, \Closure(Draft, \stdClass): void> name of the kind → changes the part in the draft
     */
    public function conversions(): array;
}
