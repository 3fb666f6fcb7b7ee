<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Errors\Refused;
use App\Infrastructure\WorkLock;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use WideQuarry\Messages\Message;

/**
 * Work that goes on in the background and is resumed after a crash. Large work has a queue of its own, people take turns, and what began
 * three times without coming to an end has failed, with a sentence and a way to try again.
 */
abstract class BackgroundWork implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    public const QUICK = 'quick';

    public const LARGE = 'large';

    private const SECONDS_UNTIL_ASKED_AGAIN = 10;

    public int $timeout = 3600;

    /** Counted by Work instead: being put back while others are at it is no try. */
    public int $tries = 0;

    public int $maxExceptions = 3;

    public int $backoff = 5; // seconds

    /** @param  string|null  $person  whose turn it takes */
    public function __construct(public readonly string $thing, public readonly ?string $person = null, bool $isLarge = false)
    {
        $this->onQueue($isLarge ? self::LARGE : self::QUICK);
    }

    /** @return list<object> */
    public function middleware(): array
    {
        return [new TakeTurns];
    }

    public function handle(): void
    {
        try {
            if (! WorkLock::alone($this->lock(), fn () => $this->work(), $this->thing)) {
                $this->release(self::SECONDS_UNTIL_ASKED_AGAIN);
            }
        } catch (Refused $problem) {
            $this->stopped($problem->getMessage());
        }
    }

    /** The worker gave up on it: three errors, or longer than its time. */
    public function failed(?\Throwable $problem): void
    {
        $this->stopped(Message::of('app.jobs.failed'));
    }

    /** What only one worker at a time does. */
    protected function lock(): string
    {
        return $this->thing;
    }

    abstract protected function work(): void;

    /** Shown to whoever began it. */
    abstract protected function stopped(string $sentence): void;
}
