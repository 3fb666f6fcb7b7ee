<?php

declare(strict_types=1);

namespace WideQuarry\Variables\Definition;

use WideQuarry\Json\Fields;
use WideQuarry\Random\Stream;
use WideQuarry\Variables\RollProblem;

/** One of a list. */
final readonly class OneOf implements Drawn
{
    /** @param  list<int|\Brick\Math\BigRational|string|bool>  $items */
    private function __construct(private string $name, private array $items, private string $path)
    {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function of(string $name, Fields $fields, string $path): self
    {
        return new self($name, Items::read($fields, $path), $path);
    }

    public function draw(Stream $stream): int
    {
        return $stream->below($this->count());
    }

    public function count(): int
    {
        return count($this->items) ?: throw RollProblem::emptyRange($this->name, "$this->path/items");
    }

    public function outcomes(): iterable
    {
        return range(0, $this->count() - 1);
    }

    public function values(int|string $outcome): array
    {
        return [$this->name => $this->items[(int) $outcome]];
    }
}
