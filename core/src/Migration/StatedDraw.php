<?php

declare(strict_types=1);

namespace WideQuarry\Migration;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** What somebody says the old system had: that a quiz drew so many of these, for so many points each. */
final readonly class StatedDraw implements \JsonSerializable
{
    /**
     * @param  string  $of  what was drawn from, in words: a kind, a heading, the name of a folder; '' for the whole quiz
     * @param  int|null  $pool  how many there were to draw from, where that is known
     * @param  string|null  $points  of each, decimal; null for those the questions have
     * @param  bool  $isKnown  known for sure, or assumed
     */
    public function __construct(
        public string $quiz,
        public string $of,
        public int $draw,
        public ?int $pool = null,
        public ?string $points = null,
        public bool $isKnown = true,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['quiz', 'of', 'draw', 'pool', 'points', 'known'])->need('quiz')->need('draw');

        return new self(
            trim($fields->string('quiz', '', 500)),
            trim($fields->string('of', '', 500)),
            $fields->int('draw', 1, 0, 2000),
            $fields->intOrNull('pool', null, 0, 20_000),
            $fields->has('points') && $fields->raw('points') !== null ? $fields->decimal('points', '100000') : null,
            $fields->bool('known', true),
        );
    }

    /** The same of another quiz: what is true of one like it is only assumed of this. */
    public function for(string $quiz): self
    {
        return new self($quiz, $this->of, $this->draw, $this->pool, $this->points, false);
    }

    public function confirmed(): self
    {
        return new self($this->quiz, $this->of, $this->draw, $this->pool, $this->points, true);
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            'quiz' => $this->quiz,
            'of' => $this->of,
            'draw' => $this->draw,
            'pool' => $this->pool,
            'points' => $this->points === null ? null : (float) $this->points,
            'known' => $this->isKnown,
        ];
    }
}
