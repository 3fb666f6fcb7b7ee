<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

/** A document as it was recognised: questions, headings and stimuli in order, and the keys apart from them. */
final class Exam
{
    /** @var list<Draft> */
    public array $drafts = [];

    /** @var list<Key> */
    public array $keys = [];

    /** @var list<array{int, string}> lines that were not used, with their numbers */
    public array $unused = [];

    /** @var list<array{int, int, int}> skipped numbers: first, last, and the line after the gap */
    public array $skipped = [];

    /** @var list<array{int, int}> numbers that came out of turn, though they were there: number and line */
    public array $twice = [];

    /** @var array<int, string> what a line was taken for, where it is part of no draft: `key`, `unused` */
    public array $roles = [];

    /** @var array<int, int> paragraph of a number that stands apart → the line it is of */
    public array $labels = [];

    /** @var array<int, string> text of each line, by number */
    public array $texts = [];

    /** How many numberings there are. */
    public int $sections = 1;

    /** @return list<Draft> */
    public function questions(): array
    {
        return array_values(array_filter($this->drafts, fn (Draft $draft): bool => $draft->is === 'question'));
    }
}
