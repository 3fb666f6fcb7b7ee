<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Converting\AnswerForm;

/** What holds for most kinds. */
trait KindDefaults
{
    public function canShareAnswers(): bool
    {
        return false;
    }

    public function fillsGaps(): bool
    {
        return false;
    }

    public function isMarked(): bool
    {
        return true;
    }

    public function answerForm(): ?AnswerForm
    {
        return null;
    }

    public function conversions(): array
    {
        return [];
    }
}
