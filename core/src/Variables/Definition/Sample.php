<?php

declare(strict_types=1);

namespace WideQuarry\Variables\Definition;

use WideQuarry\Json\Fields;
use WideQuarry\Random\Stream;
use WideQuarry\Variables\RollProblem;

/** Some of a list in some order, each at most once: a list, whose first is s[1]. */
final readonly class Sample implements Drawn
{
    /** @param  list<int|\Brick\Math\BigRational|string|bool>  $items */
    private function __construct(private string $name, private array $items, public int $size, private string $path)
    {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function of(string $name, Fields $fields, string $path): self
    {
        return new self($name, Items::read($fields, $path), $fields->int('count', 1, 1, 1000), $path);
    }

    /** Which of those left each time, as Fisher and Yates do. */
    public function draw(Stream $stream): string
    {
        $this->count();
        $picks = [];
        for ($left = count($this->items); count($picks) < $this->size; $left--) {
            $picks[] = $stream->below($left);
        }

        return implode('.', $picks);
    }

    public function count(): int
    {
        if ($this->items === []) {
            throw RollProblem::emptyRange($this->name, "$this->path/items");
        }
        if ($this->size > count($this->items)) {
            throw RollProblem::sampleTooLarge($this->name, $this->size, count($this->items), "$this->path/count");
        }
        $count = 1;
        for ($i = 0; $i < $this->size; $i++) {
            $count *= count($this->items) - $i;
            if ($count > 1_000_000_000) {
                return PHP_INT_MAX;
            }
        }

        return $count;
    }

    public function outcomes(): iterable
    {
        $this->count();

        return $this->further([], count($this->items));
    }

    public function values(int|string $outcome): array
    {
        $left = $this->items;
        $drawn = [];
        foreach (explode('.', (string) $outcome) as $pick) {
            $drawn[] = $left[(int) $pick];
            array_splice($left, (int) $pick, 1);
        }

        return [$this->name => $drawn];
    }

    /**
     * @param  list<int>  $picks
     * @return \Generator<string>
     */
    private function further(array $picks, int $left): \Generator
    {
        if (count($picks) === $this->size) {
            yield implode('.', $picks);

            return;
        }
        for ($pick = 0; $pick < $left; $pick++) {
            yield from $this->further([...$picks, $pick], $left - 1);
        }
    }
}
