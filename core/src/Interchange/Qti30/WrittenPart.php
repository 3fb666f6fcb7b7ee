<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Question\Rule;

/** A part as QTI 3.0: its declaration, its interaction, the rules that set its outcome, and what could not be said. */
final readonly class WrittenPart
{
    /**
     * @param  list<array{string, string}>  $losses code and sentence
     * @param  list<list<array{Rule, string}>>  $matches  when each rule is the one that matched: chains of tests, the first that holds
     *     decides; '' for what none catches
     * @param  array<string, string>  $gaps  what stands in each gap of the text, where the part has gaps
     * @param  string  $outcomes  declarations of what the rules count in, besides the score
     */
    public function __construct(
        public string $declaration,
        public string $interaction,
        public string $processing,
        public array $losses = [],
        public array $matches = [],
        public array $gaps = [],
        public string $outcomes = '',
    ) {
    }

    /**
     * The same with more that could not be said.
     *
     * @param  list<array{string, string}>  $losses
     */
    public function losing(array $losses): self
    {
        return new self(
            $this->declaration,
            $this->interaction,
            $this->processing,
            [...$this->losses, ...$losses],
            $this->matches,
            $this->gaps,
            $this->outcomes,
        );
    }

    /** Whether its score is a sum of floats, not one that is set. */
    public function isAddedUp(): bool
    {
        return preg_match('/<qti-(?:map-response|sum|product)[ >]/', $this->processing) === 1;
    }
}
