<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use WideQuarry\Bulk\BulkChange;

/**
 * What of each question has to be read for a change; the rest is neither read nor written. Named: the questions come from the act's own
 * log, or from where they lie, and not from who asks, so that they need not be visible to them.
 */
final readonly class FieldsNeeded
{
    private function __construct(
        public bool $topics,
        public bool $folders,
        public bool $content,
        public bool $elsewhere,
        public bool $binned,
        public bool $home,
        public bool $named,
    ) {
    }

    public static function of(BulkChange $change): self
    {
        return new self(
            ! $change->topics->isEmpty() || $change->bringsHome(),
            ! $change->folders->isEmpty() || $change->bringsHome(),
            ! $change->content->isEmpty(),
            ! $change->folders->isEmpty() || $change->bringsHome(),
            $change->restores(),
            $change->bringsHome(),
            false,
        );
    }

    /** Topics and folders, of whatever lies there, also in the bin. */
    public static function ofPlaces(): self
    {
        return new self(true, true, false, true, true, false, true);
    }

    /** @param  list<string>  $fields  as they are logged */
    public static function toRestore(array $fields): self
    {
        $home = in_array('home', $fields, true);

        return new self(
            $home || in_array('topics', $fields, true),
            $home || in_array('folders', $fields, true),
            in_array('revision', $fields, true),
            true,
            true,
            false,
            true,
        );
    }
}
