<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use WideQuarry\Json\Fields;
use WideQuarry\Random\Seed;

/** How an assessment stands on paper. */
final readonly class PrintSettings
{
    public const DEFAULTS = [
        'school' => '',
        'name' => true,
        'date' => true,
        'score' => true,
        'points' => true,
        'columns' => 1,
        'space' => 'usual',
        'size' => 'usual',
        'paper' => 'A4',
        'seed' => 1,
    ];

    private function __construct(
        public string $school,
        public bool $name,
        public bool $date,
        public bool $score,
        public bool $points,
        public int $columns,
        public string $space,
        public string $size,
        public string $paper,
        public Seed $seed,
    ) {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, array_keys(self::DEFAULTS));

        return new self(
            $fields->string('school', '', 200),
            $fields->bool('name', true),
            $fields->bool('date', true),
            $fields->bool('score', true),
            $fields->bool('points', true),
            $fields->int('columns', 1, 1, 2),
            $fields->oneOf('space', ['tight', 'usual', 'wide'], 'usual'),
            $fields->oneOf('size', ['usual', 'large'], 'usual'),
            $fields->oneOf('paper', ['A4', 'letter'], 'A4'),
            Seed::of($fields->int('seed', 1, 0, Seed::MAX)),
        );
    }

    /** How much more or less room there is to write than usual. */
    public function room(): float
    {
        return match ($this->space) {
            'tight' => 0.6,
            'wide' => 1.6,
            default => 1.0,
        };
    }
}
