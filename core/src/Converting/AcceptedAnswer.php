<?php

declare(strict_types=1);

namespace WideQuarry\Converting;

use WideQuarry\Numbers\Exact;

/** One answer that a key lists, apart from the kind that asks for it: its words, what it earns and what it says. */
final readonly class AcceptedAnswer
{
    /**
     * @param  string  $html  its words as rich text
     * @param  string  $credit  an exact number as text
     * @param  mixed  $feedback  as it stands in the JSON; null for none
     */
    public function __construct(public string $html, public string $credit, public mixed $feedback = null)
    {
    }

    public function isRight(): bool
    {
        return Exact::read($this->credit)?->isPositive() === true;
    }

    public function words(): string
    {
        return trim(\WideQuarry\Content\RichText::read($this->html)->plain());
    }

    /** Whether it would be lost without anybody noticing: it neither earns nor says anything. */
    public function isSilent(): bool
    {
        return ! $this->isRight() && ($this->feedback === null || $this->feedback === '');
    }
}
