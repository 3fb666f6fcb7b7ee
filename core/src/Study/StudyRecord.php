<?php

declare(strict_types=1);

namespace WideQuarry\Study;

use WideQuarry\Variables\Roll;

/** What is counted while rolls are looked at. */
final class StudyRecord
{
    /** Rolls that are shown. */
    private const SHOWN = 40;

    private int $count = 0;

    private int $failing = 0;

    private int $ugly = 0;

    private readonly Tally $reasons;

    private readonly Tally $collisions;

    /** @var array<string, ValueRange> */
    private array $values = [];

    /** @var array<string, ValueRange> */
    private array $keys = [];

    /** @var array<string, true> */
    private array $different = [];

    /** @var array<int, list<StudiedRoll>> rank → the first of them */
    private array $kept = [];

    /** @param  list<string>  $names  of values */
    public function __construct(array $names)
    {
        $this->reasons = new Tally;
        $this->collisions = new Tally;
        foreach ($names as $name) {
            $this->values[$name] = new ValueRange($name);
        }
    }

    public function isEmpty(): bool
    {
        return $this->count === 0;
    }

    /** @param  array<string, mixed>  $values  those that could be worked out */
    public function add(StudiedRoll $roll, array $values): void
    {
        $this->count++;
        foreach ($values as $name => $value) {
            $this->values[$name]->add($value);
        }
        $this->different[json_encode(array_map(Roll::text(...), $values), JSON_THROW_ON_ERROR)] = true;
        if ($roll->problem !== null) {
            $this->failing++;
            $this->reasons->add($roll->problem->rule, $roll);
        }
        foreach ($roll->marks as $mark) {
            if ($mark === StudiedRoll::UGLY) {
                $this->ugly++;
            } else {
                $this->collisions->add($mark, $roll);
            }
        }
        if (count($this->kept[$roll->rank()] ?? []) < self::SHOWN) {
            $this->kept[$roll->rank()][] = $roll;
        }
    }

    /** @param  list<\Brick\Math\BigRational>  $keys */
    public function keys(string $part, array $keys): void
    {
        foreach ($keys as $key) {
            ($this->keys[$part] ??= new ValueRange($part))->add($key);
        }
    }

    public function study(string $id, Rolls $rolls): Study
    {
        ksort($this->kept);
        $worst = array_slice(array_merge(...$this->kept), 0, self::SHOWN);
        $firsts = array_column([...array_values($this->reasons->all()), ...array_values($this->collisions->all())], 'roll');
        $seeds = $rolls->exhaustive ? $rolls->seeds(array_column([...$worst, ...$firsts], 'drawn')) : [];
        $reasons = $collisions = [];
        foreach ($this->reasons->all() as $code => ['count' => $count, 'roll' => $first]) {
            ['seed' => $seed, 'problem' => $message] = $first->toArray($seeds);
            $path = $first->problem->path ?? '/variables';
            $reasons[] = ['code' => $code, 'count' => $count, 'seed' => $seed, 'message' => $message, 'path' => $path];
        }
        foreach ($this->collisions->all() as $what => ['count' => $count, 'roll' => $first]) {
            $collisions[] = ['what' => $what, 'count' => $count, 'seed' => $first->toArray($seeds)['seed']];
        }
        $constant = array_filter($this->values, fn (ValueRange $value): bool => $value->distinct() === 1);

        return new Study(
            $id,
            $this->count,
            $rolls->exhaustive,
            count($this->different),
            array_values(array_map(fn (ValueRange $value): string => $value->name, $constant)),
            $this->failing,
            $reasons,
            $collisions,
            $this->ugly,
            array_values($this->values),
            array_values($this->keys),
            array_map(fn (StudiedRoll $roll): array => $roll->toArray($seeds), $worst),
        );
    }
}
