<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Reindex;

/** Rebuilds the search words of the questions that show a stimulus, when there are too many to do it on saving. */
final class ReindexShowing extends BackgroundWork
{
    protected function work(): void
    {
        app(Reindex::class)->showing($this->thing);
    }

    protected function stopped(string $sentence): void
    {
        logger()->error(
            "The questions that show stimulus $this->thing are found by its earlier words: $sentence Run bin/quarry reindex.",
        );
    }
}
