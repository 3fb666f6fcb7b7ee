<?php

declare(strict_types=1);

namespace WideQuarry\Study;

use Brick\Math\BigRational;
use WideQuarry\Maths\Approximation;
use WideQuarry\Maths\Arithmetic;
use WideQuarry\Numbers\Exact;
use WideQuarry\Variables\Roll;

/** What a value was over many rolls: from where to where, how many different ones, and a picture of how often. */
final class ValueRange implements \JsonSerializable
{
    private const BARS = 12;

    /** @var array<string, int> value as text → how often */
    private array $counts = [];

    /** @var array<string, int|BigRational|Approximation> */
    private array $numbers = [];

    public function __construct(public readonly string $name)
    {
    }

    public function add(mixed $value): void
    {
        $text = Roll::text($value);
        $text = match (true) {
            is_array($text) => self::listed($text),
            is_bool($text) => $text ? 'true' : 'false',
            default => $text,
        };
        $this->counts[$text] = ($this->counts[$text] ?? 0) + 1;
        if (is_int($value) || $value instanceof BigRational || $value instanceof Approximation) {
            $this->numbers[$text] ??= $value;
        }
    }

    public function distinct(): int
    {
        return count($this->counts);
    }

    /** @return array{name: string, min: string|null, max: string|null, distinct: int} ends as exact text; null for words */
    public function summary(): array
    {
        $numbers = $this->ordered();

        return [
            'name' => $this->name,
            'min' => $numbers === [] ? null : (string) array_key_first($numbers),
            'max' => $numbers === [] ? null : (string) array_key_last($numbers),
            'distinct' => $this->distinct(),
        ];
    }

    /** @return array<string, mixed> the same with the bars of a histogram */
    public function jsonSerialize(): array
    {
        $numbers = $this->ordered();

        return [
            ...$this->summary(),
            'low' => $numbers === [] ? null : self::shown((string) array_key_first($numbers)),
            'high' => $numbers === [] ? null : self::shown((string) array_key_last($numbers)),
            'bars' => count($numbers) > self::BARS ? $this->bars($numbers) : $this->each($numbers === [] ? $this->counts : $numbers),
        ];
    }

    /** @return array<string|int, int|BigRational|Approximation> from the smallest to the largest; nothing where some are words */
    private function ordered(): array
    {
        if (count($this->numbers) < count($this->counts)) {
            return [];
        }
        uasort($this->numbers, Arithmetic::compare(...));

        return $this->numbers;
    }

    /**
     * One bar for each value; of words, for the most frequent.
     *
     * @param  array<string|int, mixed>  $values
     * @return list<array{from: string, to: string, count: int}>
     */
    private function each(array $values): array
    {
        $texts = array_map(strval(...), array_slice(array_keys($values), 0, self::BARS));

        return array_map(
            fn (string $text): array => ['from' => self::shown($text), 'to' => self::shown($text), 'count' => $this->counts[$text] ?? 0],
            $texts,
        );
    }

    /** A fraction as a decimal where it has a finite one. */
    private static function shown(string $text): string
    {
        $number = Exact::read($text);

        return $number === null ? $text : Exact::decimal($number) ?? $text;
    }

    /**
     * Bars of one width. A picture only, so floats will do.
     *
     * @param  array<string|int, int|BigRational|Approximation>  $numbers  in their order
     * @return list<array{from: string, to: string, count: int}>
     */
    private function bars(array $numbers): array
    {
        $float = fn (string|int $at): float => Arithmetic::rational($numbers[$at])->toFloat();
        $low = $float((string) array_key_first($numbers));
        $width = ($float((string) array_key_last($numbers)) - $low) / self::BARS;
        $counts = array_fill(0, self::BARS, 0);
        foreach (array_keys($numbers) as $at) {
            $bar = $width > 0 && is_finite($width) ? min(self::BARS - 1, max(0, (int) (($float($at) - $low) / $width))) : 0;
            $counts[$bar] += $this->counts[$at] ?? 0;
        }
        $end = fn (int $bar): string => rtrim(rtrim(sprintf('%.6F', round($low + $bar * $width, 6)), '0'), '.');

        return array_map(
            fn (int $bar): array => ['from' => $end($bar), 'to' => $end($bar + 1), 'count' => $counts[$bar]],
            array_keys($counts),
        );
    }

    /** @param  array<mixed>  $items */
    private static function listed(array $items): string
    {
        return implode(', ', array_map(
            fn (mixed $item): string => is_bool($item) ? ($item ? 'true' : 'false') : (is_string($item) ? $item : ''),
            $items,
        ));
    }
}
