<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Messages\Message;

/** When a question may be approved, and when an approval ends. What is approved is a revision, not whatever comes after it. */
final class Approval
{
    /**
     * Why a question may not be approved; null when it may.
     *
     * @param  bool  $isComplete  whether nothing blocking is found
     */
    public static function refusal(bool $isComplete, int $failingSpecimens): ?string
    {
        return match (true) {
            $isComplete => null,
            $failingSpecimens > 0 => Message::of('question.specimens-do-not-score', ['failing' => $failingSpecimens]),
            default => Message::of('question.not-complete'),
        };
    }

    public static function isApproved(\stdClass $record): bool
    {
        return ($record->status ?? null) === Status::Approved->value;
    }

    /** Ends an approval after the content has changed. A record without a status is a draft. */
    public static function withdraw(\stdClass $record): void
    {
        if (self::isApproved($record)) {
            $record->status = Status::Draft->value;
        }
    }

    /** The revision that is approved after a save: this one, or still the one before. */
    public static function revision(\stdClass $record, int $revision, ?int $before): ?int
    {
        return self::isApproved($record) ? $revision : $before;
    }
}
