<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Queries\ClassifiedWords;

/** Counts the words of a bank's classified questions in the background. */
final class CountClassified extends BackgroundWork
{
    protected function work(): void
    {
        ClassifiedWords::count($this->thing);
    }

    protected function stopped(string $sentence): void
    {
        // proposals go by what was counted before
    }
}
