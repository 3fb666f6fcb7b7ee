<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Words;

/** Something lettered in a question: an option, or a question within it. Filled while a document is read. */
final class Item
{
    /** @var list<Item> */
    public array $items = [];

    /** @var list<string> what lines below it say is right */
    public array $answers = [];

    public ?string $points = null;

    public ?Words $feedback = null;

    /** Lines to write on below it. */
    public int $space = 0;

    /** Whether its label is marked where those of others are not: in bold, in colour. */
    public ?Words $labelled = null;

    public function __construct(public ?Label $label, public Words $words, public int $line)
    {
    }

    public function letter(): string
    {
        return $this->label === null || $this->label->value < 1 || $this->label->value > 26 ? '' : chr(96 + $this->label->value);
    }

    /** With its label, and what is lettered below it. */
    public function typedOut(): Words
    {
        $isBullet = in_array($this->label?->type, ['bullet', 'box'], true);
        $words = $isBullet ? $this->words : ($this->labelled?->withoutMark('auto') ?? Words::of([]))->followedBy($this->words)->spaced();
        foreach ($this->items as $item) {
            $words = $words->followedBy($item->typedOut());
        }

        return $words;
    }

    public function isTicked(): ?bool
    {
        return $this->label?->ticked;
    }
}
