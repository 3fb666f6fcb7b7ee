<?php

declare(strict_types=1);

namespace WideQuarry\Variables\Definition;

use Brick\Math\BigRational;
use WideQuarry\Random\Stream;

/** How a value is drawn. An outcome says which of the possible ones it was: a number, or for a sample several with dots between. */
interface Drawn
{
    /** @throws \WideQuarry\Variables\RollProblem when there is nothing to draw from */
    public function draw(Stream $stream): int|string;

    /**
     * How many outcomes there are, at most PHP_INT_MAX.
     *
     * @throws \WideQuarry\Variables\RollProblem
     */
    public function count(): int;

    /**
     * Every outcome once; for those that are few.
     *
     * @return iterable<int|string>
     *
     * @throws \WideQuarry\Variables\RollProblem
     */
    public function outcomes(): iterable;

    /**
     * The values of an outcome, by the names they are given to.
     *
     * @return array<string, int|BigRational|string|bool|list<int|BigRational|string|bool>>
     */
    public function values(int|string $outcome): array;
}
