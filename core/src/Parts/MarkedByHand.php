<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Printing\Paper;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;
use WideQuarry\Scoring\ScoringContext;

/** What holds for kinds that nothing but a person can mark. */
trait MarkedByHand
{
    use KindDefaults;

    public function isInline(): bool
    {
        return false;
    }

    public function hasRules(): bool
    {
        return false;
    }

    public function readOn(mixed $json, string $path): string
    {
        return '';
    }

    public function schemes(): array
    {
        return [Scheme::Person];
    }

    public function usualScheme(object $settings): Scheme
    {
        return Scheme::Person;
    }

    public function extras(): array
    {
        return [];
    }

    /** @return list<never> the mark scheme has its rubric instead */
    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        return [];
    }
}
