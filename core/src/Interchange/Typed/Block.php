<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed;

/** A stretch of a typed exam as it was recognised, before its answer is known. */
final readonly class Block
{
    /**
     * @param  'question'|'heading'|'instruction'  $kind
     * @param  int  $line  where it begins, from 1
     * @param  list<string>  $stem  paragraphs
     * @param  list<string>  $options  without their letters
     * @param  string  $firstOption  as it was typed, with its letter: alone it is none
     * @param  list<int>  $ticked  options whose box is ticked
     * @param  string|null  $answer  what a line below it says
     */
    public function __construct(
        public string $kind,
        public int $line,
        public int $number = 0,
        public array $stem = [],
        public array $options = [],
        public array $ticked = [],
        public ?string $answer = null,
        public string $feedback = '',
        public ?string $points = null,
        public string $firstOption = '',
    ) {
    }

    /** @param  array<string, mixed>  $fields */
    public function with(array $fields): self
    {
        return new self(...[...get_object_vars($this), ...$fields]); // @phpstan-ignore argument.type
    }
}
