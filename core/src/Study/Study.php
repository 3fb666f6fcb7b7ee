<?php

declare(strict_types=1);

namespace WideQuarry\Study;

/** What a study of the rolls of a question found. */
final readonly class Study implements \JsonSerializable
{
    /**
     * @param  int  $rolls  that met the conditions
     * @param  list<string>  $constant  names of values that never change
     * @param  list<array{code: string, count: int, seed: int, message: string, path: string}>  $reasons  why rolls fail
     * @param  list<array{what: string, count: int, seed: int}>  $collisions
     * @param  int  $ugly  rolls in which a value is shown too long
     * @param  list<ValueRange>  $values
     * @param  list<ValueRange>  $keys  right answers that are numbers, by the name of their part
     * @param  list<array<string, mixed>>  $worst  rolls to look at, the worst first, as StudiedRoll gives them
     */
    public function __construct(
        public string $id,
        public int $rolls,
        public bool $exhaustive,
        public int $different,
        public array $constant,
        public int $failing,
        public array $reasons,
        public array $collisions,
        public int $ugly,
        public array $values,
        public array $keys,
        public array $worst,
    ) {
    }

    /** Whether some rolls are bad: something cannot be worked out, or comes out the same as something else. */
    public function isBad(): bool
    {
        return $this->failing > 0 || $this->collisions !== [];
    }

    /**
     * A line of the command line: what is found, without pictures and the rolls themselves.
     *
     * @return array<string, mixed>
     */
    public function summary(): array
    {
        return [
            'id' => $this->id,
            'rolls' => $this->rolls,
            'exhaustive' => $this->exhaustive,
            'different' => $this->different,
            'constant' => $this->constant,
            'failing' => $this->failing,
            'reasons' => array_map(
                fn (array $one): array => ['code' => $one['code'], 'count' => $one['count'], 'seed' => $one['seed']],
                $this->reasons,
            ),
            'collisions' => $this->collisions,
            'ugly' => $this->ugly,
            'values' => array_map(fn (ValueRange $value): array => $value->summary(), $this->values),
        ];
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            ...$this->summary(),
            'reasons' => $this->reasons,
            'values' => $this->values,
            'keys' => $this->keys,
            'worst' => $this->worst,
        ];
    }
}
