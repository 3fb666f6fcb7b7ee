<?php

declare(strict_types=1);

namespace WideQuarry\Study;

use WideQuarry\Random\Seed;
use WideQuarry\Variables\RollProblem;
use WideQuarry\Variables\Variables;
use WideQuarry\Variables\Worked;

/** The rolls of a study: every one there is, where they are few, else those of the first seeds. */
final class Rolls
{
    /** Seeds that are looked through for a roll; one of 2,000 has not been met by then in e⁻⁵⁰ of all cases. */
    private const SEEDS = 100_000;

    /** Seeds after which conditions that none of them met are given up. */
    private const PATIENCE = 20;

    /** Whether all rolls there are were looked at; false once time is up. */
    public bool $exhaustive;

    /** When time is up, in nanoseconds of the clock that only goes forward. */
    private readonly float $end;

    /** @var array<int, int> condition → combinations that it forbids */
    private array $forbidden = [];

    /**
     * @param  float  $seconds  after which no more rolls are looked at
     *
     * @throws RollProblem when there is nothing to draw from, whatever is drawn
     */
    public function __construct(private readonly Variables $variables, private readonly int $most, float $seconds)
    {
        $this->end = hrtime(true) + $seconds * 1e9;
        $count = 1;
        foreach ($variables->plan()->drawn as $variable) {
            $count = min($most + 1, $count * min($most + 1, $variable->drawn?->count() ?? 1));
        }
        $this->exhaustive = $count <= $most;
    }

    /**
     * What was drawn → what comes of it, and its seed where that is known. A seed whose conditions are never met gives a problem.
     *
     * @return iterable<string, array{Worked, int|null}>
     *
     * @throws RollProblem when no seed meets them
     */
    public function each(): iterable
    {
        if ($this->exhaustive) {
            foreach ($this->combinations([]) as $outcomes) {
                $worked = $this->variables->plan()->worked($outcomes);
                if ($worked->forbiddenBy === null) {
                    yield implode('|', $outcomes) => [$worked, null];
                } else {
                    $this->forbidden[$worked->forbiddenBy] = ($this->forbidden[$worked->forbiddenBy] ?? 0) + 1;
                }
                if ($this->isOver()) {
                    $this->exhaustive = false;

                    return;
                }
            }

            return;
        }
        $met = false;
        for ($seed = 1; $seed <= $this->most && ($seed === 1 || ! $this->isOver()); $seed++) {
            try {
                [$outcomes, $worked] = $this->variables->settled(Seed::of($seed));
                $met = true;
            } catch (RollProblem $problem) {
                if (! $met && ($seed >= self::PATIENCE || $this->isOver())) {
                    throw $problem;
                }
                [$outcomes, $worked] = [["#$seed"], new Worked([], $problem, null)];
            }
            yield implode('|', $outcomes) => [$worked, $seed];
        }
    }

    /** Why there is no roll at all: every combination is forbidden. */
    public function none(): RollProblem
    {
        arsort($this->forbidden);
        $most = array_key_first($this->forbidden) ?? 0;

        return RollProblem::neverMet(
            array_sum($this->forbidden),
            $this->variables->conditions[$most] ?? '',
            "/variables/conditions/$most",
        );
    }

    /**
     * Seeds that roll what was drawn.
     *
     * @param  list<string>  $wanted
     * @return array<string, int>
     */
    public function seeds(array $wanted): array
    {
        $open = array_flip($wanted);
        $found = [];
        for ($seed = 1; $seed <= self::SEEDS && $open !== [] && ! $this->isOver(); $seed++) {
            try {
                $drawn = implode('|', $this->variables->settled(Seed::of($seed))[0]);
            } catch (RollProblem) {
                continue;
            }
            if (isset($open[$drawn])) {
                $found[$drawn] = $seed;
                unset($open[$drawn]);
            }
        }

        return $found;
    }

    private function isOver(): bool
    {
        return hrtime(true) > $this->end;
    }

    /**
     * @param  list<int|string>  $before
     * @return iterable<list<int|string>>
     */
    private function combinations(array $before): iterable
    {
        $variable = $this->variables->plan()->drawn[count($before)] ?? null;
        if ($variable?->drawn === null) {
            yield $before;

            return;
        }
        foreach ($variable->drawn->outcomes() as $outcome) {
            yield from $this->combinations([...$before, $outcome]);
        }
    }
}
