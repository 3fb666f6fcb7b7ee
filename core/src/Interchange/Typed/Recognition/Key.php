<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

/** A key that stands apart: answers by the numbers of their questions. */
final class Key
{
    /** @var array<int|string, string> number, or number and letter such as `3b` → answer as it was typed */
    public array $answers = [];

    /** @var array<int|string, int> → line */
    public array $lines = [];

    /** @var list<array{int|string, string, int}> second answers to a question that has one: number, answer, line */
    public array $others = [];

    /**
     * @param  int  $line  where it begins
     * @param  int  $after  how many questions came before it
     * @param  int  $section  numberings that had begun
     */
    public function __construct(public int $line, public int $after, public int $section)
    {
    }

    public function add(int|string $number, string $answer, int $line): void
    {
        if (isset($this->answers[$number])) {
            if ($this->answers[$number] !== $answer) {
                $this->others[] = [$number, $answer, $line];
            }

            return;
        }
        $this->answers[$number] = $answer;
        $this->lines[$number] = $line;
    }
}
