<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Document;

/** A line of a document: a paragraph, or a part of one between line breaks. */
final readonly class Line
{
    /**
     * @param  int  $number  of its paragraph in the document, from 1
     * @param  int  $heading  1 to 6, 0 for none
     * @param  bool  $isApart  whether an empty paragraph came before it
     * @param  int  $level  how deep a list of the word processor it stands in, from 0
     * @param  string|null  $id  that a document of ours gave the question it begins
     * @param  int|null  $label  paragraph that its number or letter stands in, where a table has them apart
     */
    public function __construct(
        public int $number,
        public Words $words,
        public int $heading = 0,
        public bool $isApart = false,
        public int $level = 0,
        public ?string $id = null,
        public ?int $label = null,
    ) {
    }

    public static function plain(int $number, string $text, bool $isApart = false): self
    {
        return new self($number, Words::plain($text), 0, $isApart);
    }

    public function text(): string
    {
        return $this->words->text();
    }

    public function labelled(Words $words, ?int $label): self
    {
        return new self($this->number, $words, $this->heading, $this->isApart, $this->level, $this->id, $label);
    }

    public function with(Words $words): self
    {
        return new self($this->number, $words, $this->heading, $this->isApart, $this->level, $this->id, $this->label);
    }
}
