<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Line;
use WideQuarry\Interchange\Typed\Document\Words;

/** A stretch of a document as it was recognised, before its key is known. Filled while a document is read. */
final class Draft
{
    /** @var list<Words> paragraphs */
    public array $stem = [];

    /** @var list<array{int, string}> tables of the stem, each before the paragraph of that index */
    public array $tables = [];

    /** @var list<Item> */
    public array $items = [];

    /** @var list<Item> the other side of a matching question */
    public array $others = [];

    /** Whether what belongs together stands in one row. */
    public bool $isPaired = false;

    /** @var array{string, string}|null words of a true–false or yes–no question */
    public ?array $pair = null;

    /** @var list<Words> the two words as they are typed, for what is marked of them */
    public array $pairWords = [];

    /** @var list<string> what lines below it say is right */
    public array $answers = [];

    /** Where the first of them stands. */
    public Sign $answerSign = Sign::AnswerLine;

    public ?Words $feedback = null;

    /** @var list<Words> */
    public array $hints = [];

    /** @var list<Words> */
    public array $models = [];

    /** @var list<Words> */
    public array $scheme = [];

    /** @var list<string> */
    public array $standards = [];

    /** @var list<string> */
    public array $topics = [];

    public ?int $difficulty = null;

    public ?string $points = null;

    public ?string $total = null;

    /** Lines to write on. */
    public int $space = 0;

    /** @var array{int, int}|null the questions a stimulus is for */
    public ?array $range = null;

    /** @var list<string> headings above it, and itself where it is one */
    public array $path = [];

    /** @var list<string> of a heading: those that were open before it */
    public array $before = [];

    /** What lines that follow belong to: `stem`, `feedback`, `model`, `scheme`, `hint`, `answer`. */
    public string $into = 'stem';

    /** How many numberings have begun before it. */
    public int $section = 0;

    /** @var list<int> numbers of the paragraphs it is made of */
    public array $lines = [];

    public ?string $id = null;

    /** What its author says it asks for, or a table tells. */
    public ?QuestionType $type = null;

    /** @var list<array{int, string}> letters that are missing: line, letter */
    public array $missing = [];

    /** @param  'question'|'heading'|'stimulus'  $is */
    public function __construct(public string $is, public int $line, public int $number = 0)
    {
    }

    /** @param  'question'|'heading'|'stimulus'  $is */
    public static function of(string $is, Line $line, int $number = 0): self
    {
        $draft = new self($is, $line->number, $number);
        $draft->lines[] = $line->number;
        $draft->id = $line->id;

        return $draft;
    }

    public function text(): string
    {
        return implode(' ', array_map(fn (Words $words): string => $words->text(), $this->stem));
    }

    public function last(): ?Item
    {
        return $this->items === [] ? null : $this->items[count($this->items) - 1];
    }

    /** Whether something after its stem has been read. */
    public function isAnswered(): bool
    {
        return $this->items !== [] || $this->answers !== [] || $this->pair !== null || $this->others !== [] || $this->models !== [];
    }
}
