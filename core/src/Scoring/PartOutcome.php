<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Feedback;
use WideQuarry\Question\Rule;

/** What one part's response is worth before gates, and why. */
final readonly class PartOutcome
{
    /**
     * @param  string  $state  given, unanswered, unreadable, needs_marking or unscored
     * @param  list<Rule>  $matched  the rules whose feedback shows
     * @param  list<array<string, mixed>>  $trace
     * @param  list<Rule>  $candidates  of a typed answer: every rule that would do, best first
     * @param  PartMarking|null  $marking  of a part that a person marks
     * @param  array<string, Feedback>  $remarks  feedback that is no rule's, by what it is about
     */
    private function __construct(
        public string $state,
        public BigRational $credit,
        public array $matched,
        public array $trace,
        public array $candidates,
        public ?PartMarking $marking = null,
        public array $remarks = [],
    ) {
    }

    /**
     * @param  list<Rule>  $matched
     * @param  list<array<string, mixed>>  $trace
     * @param  list<Rule>  $candidates
     */
    public static function given(BigRational $credit, array $matched, array $trace, array $candidates = []): self
    {
        return new self('given', $credit, $matched, $trace, $candidates);
    }

    /** @param  array<string, Feedback>  $remarks */
    public function withRemarks(array $remarks): self
    {
        return new self($this->state, $this->credit, $this->matched, $this->trace, $this->candidates, $this->marking, $remarks);
    }

    public static function unanswered(): self
    {
        return new self('unanswered', Exact::zero(), [], [['step' => 'answer.blank']], []);
    }

    public static function unreadable(string $reason, string $sentence): self
    {
        return new self(
            'unreadable',
            Exact::zero(),
            [],
            [['step' => 'answer.unreadable', 'reason' => $reason, 'sentence' => $sentence]],
            [],
        );
    }

    /** It was answered, and nothing is right or wrong in it. */
    public static function unscored(): self
    {
        return new self('unscored', Exact::zero(), [], [['step' => 'answer.opinion']], []);
    }

    /** The same for another part, whose own rules did not match. @param  string  $part  that was answered */
    public function instead(string $part): self
    {
        return new self($this->state, $this->credit, [], [['step' => 'instead.answered', 'part' => $part]], []);
    }

    /** @param  list<array<string, mixed>>  $trace  what can be said of it without a person */
    public static function needsMarking(array $trace = []): self
    {
        return new self('needs_marking', Exact::zero(), [], [...$trace, ['step' => 'answer.for_a_person']], []);
    }

    /**
     * By a person.
     *
     * @param  BigRational|null  $credit  null while something is still to be marked
     * @param  list<array<string, mixed>>  $trace
     */
    public static function marked(?BigRational $credit, array $trace, PartMarking $marking): self
    {
        return new self($credit === null ? 'needs_marking' : 'given', $credit ?? Exact::zero(), [], $trace, [], $marking);
    }
}
