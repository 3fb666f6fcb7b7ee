<?php

declare(strict_types=1);

namespace WideQuarry\Marking;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;

/** Criteria of which only some count: "any three of these five". */
final readonly class CriteriaGroup
{
    /** @param  int|null  $any  how many count, the best first; null: all */
    private function __construct(public string $id, public string $title, public ?int $any, private ?string $cap, public string $path)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['id', 'title', 'any', 'cap']);

        return new self(
            $fields->id(),
            $fields->string('title'),
            $fields->intOrNull('any', null, 1, Rubric::MOST_CRITERIA),
            $fields->decimalOrNull('cap', '100000'),
            $path,
        );
    }

    /** The most points it earns; null: as many as there are. */
    public function cap(): ?BigRational
    {
        return $this->cap === null ? null : Exact::of($this->cap);
    }
}
