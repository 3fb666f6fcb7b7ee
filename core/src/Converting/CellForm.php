<?php

declare(strict_types=1);

namespace WideQuarry\Converting;

/** A kind of answer that a cell of a table can ask for. */
interface CellForm extends AnswerForm
{
    /**
     * A part for a cell of a table, right with what the cell holds.
     *
     * @param  string  $cell  empty: nothing is right yet
     * @param  list<string>  $words  of all cells with answers
     */
    public function cell(string $id, string $cell, int|float $points, string $label, array $words): \stdClass;
}
