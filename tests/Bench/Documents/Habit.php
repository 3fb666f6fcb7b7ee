<?php

declare(strict_types=1);

namespace Tests\Bench\Documents;

/** How somebody types an exam. */
final readonly class Habit
{
    /**
     * @param  string  $number  of a question, `1` standing for it: `1.`, `Q1)`, `Question 1:`; `auto` where the word processor counts
     * @param  string  $option  of an option, `A`, `a`, `i` or `1` standing for it; `•`, `☐`, `auto`, `none`
     * @param  string  $layout  `lines`, `one line`, `table`
     * @param  string  $key  `line`, `section`, `run`, `table`, `parts`, `blank`, `box`, `bold`, `highlight`, `colour`,
     *                       `underline`, `italic`, `strike`, or a sign before or after the right option: `* `, ` *`
     * @param  array<string, string>  $words  of another language
     * @param  list<string>  $kinds
     */
    public function __construct(
        public string $name,
        public string $format,
        public string $number = '1.',
        public string $option = 'A.',
        public string $layout = 'lines',
        public string $key = 'line',
        public bool $isApart = true,
        public string $points = '',
        public bool $explains = false,
        public bool $isHeaded = false,
        public bool $isMessy = false,
        public array $words = [],
        public array $kinds = ['choice'],
        public int $count = 15,
    ) {
    }

    public function word(string $word): string
    {
        return $this->words[$word] ?? $word;
    }
}
