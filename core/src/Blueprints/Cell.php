<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Selection\Range;

/** What is asked for where a row and a column meet; without a row or a column in the margin, without both of the whole table. */
final readonly class Cell
{
    /**
     * @param  array<string, Range>  $ranges  by measure: count or points
     * @param  bool  $isAll  every question there is
     */
    private function __construct(public ?string $row, public ?string $column, public array $ranges, public bool $isAll)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['row', 'column', 'count', 'points', 'all']);
        $isAll = $fields->bool('all', false);

        return new self(
            $fields->raw('row') === null ? null : $fields->id('row'),
            $fields->raw('column') === null ? null : $fields->id('column'),
            $isAll ? [] : array_filter(['count' => Range::read($fields, 'count', true), 'points' => Range::read($fields, 'points', false)]),
            $isAll,
        );
    }

    /** Whether it asks for at least one question. */
    public function isWanted(): bool
    {
        if ($this->isAll) {
            return true;
        }
        foreach ($this->ranges as $range) {
            if ($range->max !== null && $range->max->isZero()) {
                return false;
            }
        }

        return $this->ranges !== [];
    }
}
