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
        'spaces' => [],
        'rolls' => [],
        'roll' => false,
        'standards' => false,
    ];

    private const MOST_SPACES = 1000; // entries of an assessment

    /**
     * @param  array<string, AnswerSpace>  $spaces  entry → where it is answered
     * @param  array<string, Seed>  $rolls  entry → the roll that is kept for it, whatever the others roll
     * @param  bool  $roll  whether the number of the roll stands beside a question
     * @param  bool  $standards  whether the codes of its standards do
     */
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
        private array $spaces,
        private array $rolls,
        public bool $roll,
        public bool $standards,
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
            self::spaces($fields),
            self::rolls($fields),
            $fields->bool('roll', false),
            $fields->bool('standards', false),
        );
    }

    /**
     * @return array<string, AnswerSpace>
     *
     * @throws \WideQuarry\Json\Malformed
     */
    private static function spaces(Fields $fields): array
    {
        $spaces = [];
        foreach ($fields->list('spaces', self::MOST_SPACES) as $i => $json) {
            $space = Fields::of($json, $fields->at("spaces/$i"), ['entry', 'as', 'lines']);
            $spaces[$space->id('entry')] = AnswerSpace::read($space);
        }

        return $spaces;
    }

    /**
     * @return array<string, Seed>
     *
     * @throws \WideQuarry\Json\Malformed
     */
    private static function rolls(Fields $fields): array
    {
        $rolls = [];
        foreach ($fields->list('rolls', self::MOST_SPACES) as $i => $json) {
            $roll = Fields::of($json, $fields->at("rolls/$i"), ['entry', 'seed'])->need('seed');
            $rolls[$roll->id('entry')] = Seed::of($roll->int('seed', 1, 0, Seed::MAX));
        }

        return $rolls;
    }

    /** The roll of an entry's question: its own where one is kept. */
    public function seedOf(string $entry): Seed
    {
        return $this->rolls[$entry] ?? $this->rolls[explode(' ', $entry)[0]] ?? $this->seed;
    }

    public function isKept(string $entry): bool
    {
        return isset($this->rolls[$entry]) || isset($this->rolls[explode(' ', $entry)[0]]);
    }

    /** Where the question of an entry is answered; null where its author's own space will do. */
    public function spaceOf(string $entry): ?AnswerSpace
    {
        return $this->spaces[$entry] ?? $this->spaces[explode(' ', $entry)[0]] ?? null; // what was drawn has the space of its draw
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
