<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** One accepted or foreseen answer with its credit and feedback. */
final readonly class Rule
{
    /** @param  object|string  $on what the kind compares with: an id, or a condition the kind has read */
    public function __construct(
        public string $id,
        public object|string $on,
        private string $credit,
        public ?Feedback $feedback,
        public string $path,
        public string $note = '',
    ) {
    }

    /** The same rule about something else. */
    public function about(object|string $on): self
    {
        return new self($this->id, $on, $this->credit, $this->feedback, $this->path, $this->note);
    }

    /** The same rule with another credit. */
    public function earning(string $credit): self
    {
        return new self($this->id, $this->on, $credit, $this->feedback, $this->path, $this->note);
    }

    /** The same rule without anything to say. */
    public function silent(): self
    {
        return new self($this->id, $this->on, $this->credit, null, $this->path, $this->note);
    }

    /** @throws NotScorable when the credit is no exact number */
    public function credit(): BigRational
    {
        return Exact::read($this->credit) ?? throw NotScorable::unreadableNumber($this->credit, "$this->path/credit");
    }
}
