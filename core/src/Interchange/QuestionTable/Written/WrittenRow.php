<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Written;

use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;

/** A question on its way into a table: what each of its columns says, and what a table cannot say of it. */
final class WrittenRow
{
    /** @var array<string, list<string>> meaning → cells, one for each of its columns; empty ones keep the others in their places */
    public array $cells = [];

    /** @var array<string, true> what is lost, by the name of its sentence */
    public array $losses = [];

    public function put(Meaning $meaning, string ...$cells): void
    {
        if (array_filter($cells, fn (string $cell): bool => $cell !== '') !== []) {
            $this->cells[$meaning->value] = array_values($cells);
        }
    }

    public function lose(string $what): void
    {
        $this->losses[$what] = true;
    }
}
