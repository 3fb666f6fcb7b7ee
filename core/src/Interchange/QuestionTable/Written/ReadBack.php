<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Written;

use WideQuarry\Interchange\QuestionTable\Mapping\KeyStyle;
use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;
use WideQuarry\Interchange\QuestionTable\Rows\Cell;
use WideQuarry\Interchange\QuestionTable\Rows\CellProblems;
use WideQuarry\Interchange\QuestionTable\Rows\Entry;
use WideQuarry\Interchange\QuestionTable\Rows\RowQuestion;
use WideQuarry\Interchange\QuestionTable\Rows\RowRecord;

/** What a row that was written says when it is read again, which tells what the table could not say. */
final class ReadBack
{
    /**
     * @param  list<string>|null  $columns  meanings of the columns that are left; null for all
     * @return \stdClass fields of a question, its record as `record`
     */
    public static function of(WrittenRow $row, ?array $columns = null): \stdClass
    {
        $entry = new Entry('', 1, 'A1');
        foreach ($row->cells as $meaning => $cells) {
            foreach ($columns === null || in_array($meaning, $columns, true) ? $cells : [] as $i => $cell) {
                $entry->cells[] = new Cell(Meaning::from($meaning), $cell, 'A1', $i + 1);
            }
        }
        $problems = new CellProblems('');
        $json = (new RowQuestion($entry, KeyStyle::Letter, '.', $problems))->json() ?? [];

        return (object) [...$json, 'record' => (object) (new RowRecord($entry, '.', $problems))->fields()];
    }
}
