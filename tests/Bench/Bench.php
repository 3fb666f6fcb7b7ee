<?php

declare(strict_types=1);

namespace Tests\Bench;

/** Times work beside its yardstick in turns, so that both meet the same noise, and prints the ratio of the medians. */
final class Bench
{
    /** @var list<string> */
    private array $missed = [];

    public function __construct(private readonly int $rounds = 5)
    {
    }

    /**
     * @param  callable(): mixed  $work
     * @param  callable(): mixed  $yardstick
     * @param  float  $gate  the largest ratio that is good enough
     * @param  int  $things  how many are done in one go, for the rate
     * @param  (callable(): mixed)|null  $before  makes things as they were, before each round; not timed
     */
    public function compare(string $name, callable $work, callable $yardstick, float $gate, int $things, ?callable $before = null): void
    {
        $before === null || $before();
        $work();
        $yardstick();
        $ours = [];
        $theirs = [];
        for ($round = 0; $round < $this->rounds; $round++) {
            $before === null || $before();
            $ours[] = $this->seconds($work);
            $theirs[] = $this->seconds($yardstick);
        }
        $ratio = $this->median($ours) / $this->median($theirs);
        $good = $ratio <= $gate;
        if (! $good) {
            $this->missed[] = $name;
        }
        printf(
            "%-34s %8.1f ms   yardstick %8.2f ms   ratio %6.1f of at most %g   %s a second   %s\n",
            $name,
            $this->median($ours) * 1000,
            $this->median($theirs) * 1000,
            $ratio,
            $gate,
            number_format($things / $this->median($ours)),
            $good ? 'good' : 'MISSED',
        );
    }

    /**
     * What may take so long and no longer: the median of the rounds.
     *
     * @param  callable(): mixed  $work
     * @param  float  $gate  seconds
     */
    public function within(string $name, callable $work, float $gate): void
    {
        $took = [];
        for ($round = 0; $round < $this->rounds; $round++) {
            $took[] = $this->seconds($work);
        }
        $isGood = $this->median($took) <= $gate;
        if (! $isGood) {
            $this->missed[] = $name;
        }
        printf("%-34s %8.2f s of at most %g   %s\n", $name, $this->median($took), $gate, $isGood ? 'good' : 'MISSED');
    }

    /** A figure that has no yardstick. */
    public function state(string $name, string $figure): void
    {
        printf("%-34s %s\n", $name, $figure);
    }

    /** The exit code: 1 when a gate was missed. */
    public function end(): int
    {
        return $this->missed === [] ? 0 : 1;
    }

    private function seconds(callable $work): float
    {
        gc_collect_cycles();
        $start = hrtime(true);
        $work();

        return (hrtime(true) - $start) / 1e9;
    }

    /** @param  list<float>  $values */
    private function median(array $values): float
    {
        sort($values);

        return $values[intdiv(count($values), 2)];
    }
}
