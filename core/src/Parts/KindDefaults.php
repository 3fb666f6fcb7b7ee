<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Converting\AnswerForm;
use WideQuarry\Forms\KeyPlaces;
use WideQuarry\Question\Part;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Study\StudiedPart;

/** What holds for most kinds. */
trait KindDefaults
{
    public function canShareAnswers(): bool
    {
        return false;
    }

    public function hasRules(): bool
    {
        return true;
    }

    public function expectedWords(object $settings): int
    {
        return 10;
    }

    public function fillsGaps(): bool
    {
        return false;
    }

    public function keyPlace(Part $part): ?int
    {
        return null;
    }

    public function shownOrder(Part $part, Seed $seed): array
    {
        return [];
    }

    public function keyPlaces(Part $part): ?KeyPlaces
    {
        return null;
    }

    public function answerLabels(Part $part, array $presented): array
    {
        return [];
    }

    public function keyLabels(Part $part, array $shown): array
    {
        return [];
    }

    public function remarks(Part $part): array
    {
        return [];
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

    public function hasThumbnail(): bool
    {
        return false;
    }

    public function thumbnail(Part $part, ScoringContext $in): ?string
    {
        return null;
    }

    public function studied(Part $part): ?StudiedPart
    {
        return null;
    }
}
