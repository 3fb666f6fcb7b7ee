<?php

declare(strict_types=1);

namespace WideQuarry\Search;

/** One word of a text: where it stands, and the forms it is found by. */
final readonly class Word
{
    /**
     * @param  int  $offset  in bytes
     * @param  string  $whole  the word in one piece, folded
     * @param  list<string>  $pieces  its pieces, folded; just the whole when there is nothing to split
     */
    public function __construct(public string $text, public int $offset, public string $whole, public array $pieces)
    {
    }

    /** @return list<string> */
    public function forms(): array
    {
        return array_values(array_unique([$this->whole, ...$this->pieces]));
    }
}
