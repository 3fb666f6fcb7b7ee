<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Reindex;

/** Derives everything again in the background, after an upgrade. */
final class ReindexAll extends BackgroundWork
{
    protected function work(): void
    {
        if (Reindex::isDue()) {
            app(Reindex::class)->handle();
        }
    }

    protected function stopped(string $sentence): void
    {
        logger()->error("Reindexing stopped: $sentence Run bin/quarry reindex.");
    }
}
