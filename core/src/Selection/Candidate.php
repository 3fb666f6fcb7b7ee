<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** A question that may be taken. Pools have up to 200,000 of them, so amounts stay text until they are counted. */
final readonly class Candidate
{
    /**
     * @param  string  $points  decimal
     * @param  string|null  $minutes  decimal; null when nobody said
     * @param  array<string, list<string>>  $attributes  such as ['topic' => ['rivers'], 'difficulty' => ['3']]
     * @param  string  $like  the same for candidates that differ in nothing but their id; '' where that is not known
     */
    public function __construct(
        public string $id,
        public string $points = '0',
        public ?string $minutes = null,
        public array $attributes = [],
        public int $words = 0,
        public string $like = '',
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['id', 'points', 'minutes', 'words', 'attributes']);
        // whole numbers are the common case, and pools are large
        $amount = fn (string $field): ?string => is_int($fields->raw($field)) && $fields->raw($field) >= 0 && $fields->raw($field) < 1000
            ? (string) $fields->raw($field)
            : $fields->decimalOrNull($field, Range::MOST);

        return new self(
            $fields->id(),
            $amount('points') ?? '0',
            $amount('minutes'),
            Where::values($fields, 'attributes', Problem::POOL),
            $fields->int('words', 0, 0, (int) Range::MOST),
        );
    }

    /** @return list<string> */
    public function values(string $attribute): array
    {
        return $this->attributes[$attribute] ?? [];
    }
}
