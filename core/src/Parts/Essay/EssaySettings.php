<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Essay;

use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;

/** How much room there is, what is asked for, and what stands there at the beginning. */
final readonly class EssaySettings
{
    public const MOST_LINES = 400;

    private const MOST_WORDS = 100_000;

    private const MOST_PROMPTS = 20;

    /**
     * @param  int  $lines  on paper, and how high the field is
     * @param  int|null  $least  words
     * @param  int|null  $most  words
     * @param  list<string>  $prompts  rich text
     * @param  string  $start  rich text that stands there at the beginning
     */
    private function __construct(
        public int $lines,
        public bool $isRich,
        public ?int $least,
        public ?int $most,
        public array $prompts,
        public string $start,
        public bool $checksSpelling,
    ) {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['lines', 'format', 'words', 'prompts', 'start', 'spelling']);
        $words = $fields->object('words', ['min', 'max']);

        return new self(
            $fields->int('lines', 12, 1, self::MOST_LINES),
            $fields->oneOf('format', ['plain', 'rich'], 'plain') === 'rich',
            $words->intOrNull('min', null, 0, self::MOST_WORDS),
            $words->intOrNull('max', null, 1, self::MOST_WORDS),
            $fields->strings('prompts', self::MOST_PROMPTS, 400000),
            $fields->string('start', '', 400000),
            $fields->bool('spelling', true),
        );
    }

    /** How many words are asked for, in a sentence; empty where nothing is said. */
    public function limit(): string
    {
        return match (true) {
            $this->least !== null && $this->most !== null => Message::of('parts.essay.words-between', [
                'least' => $this->least,
                'most' => $this->most,
            ]),
            $this->most !== null => Message::of('parts.essay.words-at-most', ['most' => $this->most]),
            $this->least !== null && $this->least > 0 => Message::of('parts.essay.words-at-least', ['least' => $this->least]),
            default => '',
        };
    }

    /** @return list<string> */
    public function filledPrompts(): array
    {
        return array_values(array_filter($this->prompts, fn (string $html): bool => trim($html) !== ''));
    }
}
