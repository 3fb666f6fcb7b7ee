<?php

declare(strict_types=1);

namespace WideQuarry\Marking;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;

/** One level of a criterion: what an answer is like that reaches it, and its points, a single value or a range. */
final readonly class Level
{
    private const FIELDS = ['id', 'title', 'points', 'html'];

    /** @param  array{string, string}|null  $points  the least and the most, in that order; null when none are set yet */
    private function __construct(
        public string $id,
        public string $title,
        public string $html,
        private ?array $points,
        public string $path,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, self::FIELDS)->need('points')->need('html');

        return new self($fields->id(), $fields->string('title'), $fields->string('html', '', 400000), self::points($fields), $path);
    }

    /**
     * @return array{string, string}|null
     *
     * @throws Malformed
     */
    private static function points(Fields $fields): ?array
    {
        $points = $fields->raw('points');
        if ($points === null) {
            return null;
        }
        if (! ($points instanceof \stdClass)) {
            $value = $fields->decimal('points', '100000', '-100000');

            return [$value, $value];
        }
        $range = $fields->object('points', ['from', 'to'])->need('from')->need('to');

        return [$range->decimal('from', '100000', '-100000'), $range->decimal('to', '100000', '-100000')];
    }

    public function hasPoints(): bool
    {
        return $this->points !== null;
    }

    public function isRange(): bool
    {
        return $this->points !== null && $this->points[0] !== $this->points[1];
    }

    /** Whether its range runs from the least to the most. */
    public function isReversed(): bool
    {
        return $this->from()->isGreaterThan($this->to());
    }

    /** The least it earns; 0 when no points are set. */
    public function from(): BigRational
    {
        return Exact::of($this->points[0] ?? '0');
    }

    /** The most it earns; 0 when no points are set. */
    public function to(): BigRational
    {
        return Exact::of($this->points[1] ?? '0');
    }

    public function holds(BigRational $points): bool
    {
        return $points->isGreaterThanOrEqualTo($this->from()) && $points->isLessThanOrEqualTo($this->to());
    }
}
