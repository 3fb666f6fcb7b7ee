<?php

declare(strict_types=1);

namespace WideQuarry\Study;

use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;

/** A roll as it was looked at. */
final readonly class StudiedRoll
{
    public const UGLY = 'ugly';

    /**
     * @param  string  $drawn  what was drawn for it
     * @param  int|null  $seed  null while it is not known
     * @param  Roll  $roll  the values that could be worked out
     * @param  RollProblem|null  $problem  what could not be
     * @param  list<string>  $marks  what came out the same, and whether a value is too long
     * @param  string  $exclusion  the condition that forbids it
     */
    public function __construct(
        public string $drawn,
        public ?int $seed,
        public Roll $roll,
        public ?RollProblem $problem,
        public array $marks,
        public string $exclusion = '',
    ) {
    }

    /** 0 for one that fails, 1 where things come out the same, 2 where one is ugly, 3 otherwise. */
    public function rank(): int
    {
        return match (true) {
            $this->problem !== null => 0,
            array_diff($this->marks, [self::UGLY]) !== [] => 1,
            $this->marks !== [] => 2,
            default => 3,
        };
    }

    /**
     * @param  array<string, int>  $seeds  what was drawn → a seed that draws it
     * @return array{seed: int, values: mixed, problem: string, marks: list<string>, exclusion: string}
     */
    public function toArray(array $seeds): array
    {
        return [
            'seed' => $this->seed ?? $seeds[$this->drawn] ?? 0,
            'values' => $this->roll->jsonSerialize()['values'],
            'problem' => $this->problem?->getMessage() ?? '',
            'marks' => $this->problem === null ? $this->marks : [$this->problem->rule],
            'exclusion' => $this->exclusion,
        ];
    }
}
