<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Rows;

use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;

/** A cell with what its column means. */
final readonly class Cell
{
    /** @param  int|null  $for  which option it belongs to, from 1 */
    public function __construct(public Meaning $is, public string $text, public string $address, public ?int $for = null)
    {
    }

    public function isEmpty(): bool
    {
        return trim($this->text) === '';
    }
}
