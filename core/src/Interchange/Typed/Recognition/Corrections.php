<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

/** What an author said of a document that was read otherwise; held fast whenever it is read again. */
final readonly class Corrections
{
    public const LINES = ['question', 'more', 'heading', 'stimulus', 'unused'];

    public const MEANINGS = ['key', 'nothing'];

    public const WORDS = ['answer', 'feedback', 'hint', 'model', 'scheme', 'unused'];

    private const MOST = 5000;

    /**
     * @param  array<int, string>  $lines  number of a line → what it is: one of LINES. `more` goes on with the question before it.
     * @param  array<string, string>  $looks  a look, as Evidence names it → `key` or `nothing`
     * @param  array<string, string>  $words  words at the beginning of lines → what such lines are
     * @param  array<int, QuestionType>  $types  line a question begins at → what it asks for
     * @param  array<int, list<int>>  $keys  line a question begins at → which of its options are right, from 0
     * @param  string|null  $points  of every question
     */
    public function __construct(
        public array $lines = [],
        public array $looks = [],
        public array $words = [],
        public array $types = [],
        public array $keys = [],
        public ?string $points = null,
    ) {
    }

    /** Reads what it knows and leaves the rest. */
    public static function read(mixed $json): self
    {
        $given = self::map($json);
        $lines = $looks = $words = $types = $keys = [];
        foreach (self::map($given['lines'] ?? null) as $line => $is) {
            if (is_int($line) && is_string($is) && in_array($is, self::LINES, true)) {
                $lines[$line] = $is;
            }
        }
        foreach (self::map($given['looks'] ?? null) as $look => $means) {
            if (is_string($means) && in_array($means, self::MEANINGS, true)) {
                $looks[(string) $look] = $means;
            }
        }
        foreach (self::map($given['words'] ?? null) as $word => $means) {
            if (is_string($means) && in_array($means, self::WORDS, true) && trim((string) $word) !== '') {
                $words[(string) $word] = $means;
            }
        }
        foreach (self::map($given['types'] ?? null) as $line => $type) {
            $known = is_string($type) ? QuestionType::tryFrom($type) : null;
            if (is_int($line) && $known !== null) {
                $types[$line] = $known;
            }
        }
        foreach (self::map($given['keys'] ?? null) as $line => $right) {
            if (is_int($line) && is_array($right)) {
                $keys[$line] = array_values(array_filter($right, fn (mixed $at): bool => is_int($at) && $at >= 0));
            }
        }
        $points = $given['points'] ?? null;

        return new self(
            $lines,
            $looks,
            $words,
            $types,
            $keys,
            is_numeric($points) && $points >= 0 && $points <= 10000 ? (string) $points : null,
        );
    }

    /** @return array<int|string, mixed> */
    private static function map(mixed $json): array
    {
        $map = is_object($json) ? get_object_vars($json) : (is_array($json) ? $json : []);

        return array_slice($map, 0, self::MOST, true);
    }

    public function isEmpty(): bool
    {
        return $this == new self;
    }
}
