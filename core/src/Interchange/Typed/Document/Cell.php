<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Document;

/** Paragraphs of one cell of a table. */
final readonly class Cell
{
    /** @param  list<Line>  $lines */
    public function __construct(public array $lines, public bool $isHeading = false)
    {
    }

    public function words(): Words
    {
        $words = Words::of([]);
        foreach ($this->lines as $line) {
            $words = $words->followedBy($line->words);
        }

        return $words->spaced();
    }

    public function text(): string
    {
        return $this->words()->text();
    }

    public function html(): string
    {
        return count($this->lines) < 2
            ? $this->words()->html()
            : implode('', array_map(fn (Line $line): string => '<p>'.$line->words->spaced()->html().'</p>', $this->lines));
    }
}
