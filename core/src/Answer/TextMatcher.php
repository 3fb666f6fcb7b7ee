<?php

declare(strict_types=1);

namespace WideQuarry\Answer;

use WideQuarry\Json\Fields;
use WideQuarry\Variables\Value;

/** What a typed word or phrase must be for a rule to match. */
final readonly class TextMatcher
{
    public const ANSWERS = ['is', 'holds', 'holds_all', 'holds_any', 'slips', 'shape', 'otherwise'];

    /**
     * @param  list<Value>  $texts
     * @param  string|null  $piece  of a text, where the answer amends one
     */
    private function __construct(
        public string $answer,
        public array $texts,
        public int $slips,
        public string $pattern,
        public bool $anchored,
        public ?string $case,
        public string $path,
        public ?string $piece = null,
    ) {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['answer', 'text', 'slips', 'pattern', 'anchored', 'case', 'piece'])->need('answer');
        $texts = [];
        foreach ($fields->list('text', 200) as $i => $text) {
            $texts[] = Value::read($text, "$path/text/$i");
        }

        return new self(
            $fields->oneOf('answer', self::ANSWERS, ''),
            $texts,
            $fields->int('slips', 1, 1, 10),
            $fields->string('pattern', '', 2000),
            $fields->bool('anchored', true),
            $fields->has('case') ? $fields->oneOf('case', ['ignore', 'keep'], '') : null,
            $path,
            $fields->has('piece') ? $fields->id('piece') : null,
        );
    }
}
