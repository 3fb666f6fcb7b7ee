<?php

declare(strict_types=1);

namespace WideQuarry\Forms;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;

/** One of several versions of a test. */
final readonly class Form implements \JsonSerializable
{
    private const MOST_ENTRIES = 400_000;

    /**
     * @param  list<FormEntry>  $entries  as they are asked
     * @param  BigRational|null  $minutes  of the questions that say how long they take; null where none does
     * @param  BigRational|null  $difficulty  of the questions that say it, in the middle
     */
    public function __construct(
        public string $letter,
        public array $entries,
        public ?BigRational $minutes = null,
        public ?BigRational $difficulty = null,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['letter', 'points', 'minutes', 'difficulty', 'entries']);
        $entries = [];
        foreach ($fields->list('entries', self::MOST_ENTRIES) as $i => $entry) {
            $entries[] = FormEntry::read($entry, "$path/entries/$i");
        }

        $number = fn (string $name): ?BigRational => $fields->raw($name) === null ? null : Exact::of($fields->decimal($name, '100000000'));

        return new self($fields->string('letter', 'A', 1), $entries, $number('minutes'), $number('difficulty'));
    }

    public function points(): BigRational
    {
        $add = fn (BigRational $sum, FormEntry $one): BigRational => $sum->plus($one->points);

        return array_reduce($this->entries, $add, Exact::zero());
    }

    /** @return array<string, int> key letter → how many questions with one right option have it, by letter */
    public function balance(): array
    {
        $letters = [];
        foreach ($this->entries as $entry) {
            foreach ($entry->key as $key) {
                array_push($letters, ...count($key) === 1 ? $key : []);
            }
        }
        $balance = array_count_values($letters);
        $byLength = fn (int|string $letter): array => [strlen((string) $letter), (string) $letter];
        uksort($balance, fn (int|string $a, int|string $b): int => $byLength($a) <=> $byLength($b));

        return $balance;
    }

    public function jsonSerialize(): \stdClass
    {
        return (object) [
            'letter' => $this->letter,
            'points' => Exact::number($this->points()),
            'minutes' => $this->minutes === null ? null : Exact::number($this->minutes),
            'difficulty' => $this->difficulty === null ? null : round((float) Exact::number($this->difficulty), 2),
            'entries' => $this->entries,
        ];
    }
}
