<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Cell;
use WideQuarry\Interchange\Typed\Document\Line;
use WideQuarry\Interchange\Typed\Document\Table;
use WideQuarry\Interchange\Typed\Document\Words;

/** Tables that only put things beside each other: questions in two columns, numbers apart from their texts, options in a row. */
final class TableLayout
{
    private const LABEL = '/^\(?(?:\d{1,3}|[A-Za-z]|[ivx]{1,4})\s*[.):]?\)?$/iu';

    /** @return list<Line>|null the lines in the order they are read in; null when the table is one */
    public static function lines(Table $table, ?Draft $draft): ?array
    {
        if ($table->columns() === 1) {
            return $table->lines();
        }

        return self::options($table) ?? self::letteredCells($table)
            ?? self::questions($table)
            ?? ($draft !== null && InQuestion::isMatching($draft) ? null : self::labels($table));
    }

    /** @return list<Line>|null */
    private static function options(Table $table): ?array
    {
        foreach ([$table->lines(), $table->linesByColumn()] as $lines) {
            $value = 0;
            $type = null;
            foreach ($lines as $line) {
                $labels = array_filter(
                    Label::at($line->text()),
                    fn (Label $label): bool => $label->value === $value + 1 && in_array(
                        $label->type,
                        $type === null ? ['upper', 'lower'] : [$type],
                        true,
                    ),
                );
                if ($labels === []) {
                    continue 2;
                }
                $type = reset($labels)->type;
                $value++;
            }
            if ($value > 1) {
                return array_map(fn (Line $line): Line => new Line($line->number, $line->words), $lines);
            }
        }

        return null;
    }

    /**
     * Letters in cells of their own, each before its option.
     *
     * @return list<Line>|null
     */
    private static function letteredCells(Table $table): ?array
    {
        $cells = array_values(array_filter(array_merge(...$table->rows), fn (Cell $cell): bool => $cell->lines !== []));
        $lines = [];
        for ($i = 0; $i + 1 < count($cells); $i += 2) {
            $letter = chr(65 + intdiv($i, 2));
            if (preg_match("/^\\(?$letter\\s*[.):]?\\)?$/i", $cells[$i]->text()) !== 1) {
                return null;
            }
            $line = $cells[$i + 1]->lines[0];
            $lines[] = $line->labelled(Words::plain("$letter. ")->followedBy($cells[$i + 1]->words(), ''), $cells[$i]->lines[0]->number);
        }

        return count($lines) > 1 && count($cells) % 2 === 0 ? $lines : null;
    }

    /** @return list<Line>|null */
    private static function questions(Table $table): ?array
    {
        $isQuestion = fn (Line $line): bool => ($label = QuestionLabel::at($line->text())) !== null && $label->mark !== '' &&
            mb_strlen(substr($line->text(), $label->length)) > 3;
        $hasMore = array_filter(
            $table->rows,
            fn (array $row): bool => array_filter($row, fn (Cell $cell): bool => count($cell->lines) > 1) !== [],
        ) !== [];
        $byRow = self::numbers(array_filter($table->lines(), $isQuestion));
        $byColumn = self::numbers(array_filter($table->linesByColumn(), $isQuestion));
        if (count($byRow) < 2 || ! $hasMore) {
            return null;
        }
        $sorted = $byRow;
        sort($sorted);

        return match (true) {
            $byRow === $sorted => $table->lines(),
            $byColumn === $sorted => $table->linesByColumn(),
            default => null,
        };
    }

    /**
     * @param  array<int, Line>  $lines
     * @return list<int>
     */
    private static function numbers(array $lines): array
    {
        return array_values(array_map(fn (Line $line): int => QuestionLabel::at($line->text())->number ?? 0, $lines));
    }

    /** @param  list<Cell>  $row */
    private static function hasSentence(array $row): bool
    {
        return isset($row[1]) && (count($row[1]->lines) > 1 ||
            preg_match_all('/\p{L}{2,}/u', $row[1]->text()) > 2 ||
            Label::at($row[1]->text()) !== []);
    }

    /**
     * Rows whose first cell is the number or letter of the rest.
     *
     * @return list<Line>|null
     */
    private static function labels(Table $table): ?array
    {
        $lines = [];
        $rows = array_values(
            array_filter($table->rows, fn (array $row): bool => array_filter($row, fn (Cell $cell): bool => $cell->lines !== []) !== []),
        );
        $others = array_filter($rows, fn (array $row): bool => isset($row[2]) && preg_match(self::LABEL, $row[2]->text()) === 1);
        if (count($rows) < 2 && count($rows[0][1]->lines ?? []) < 2) {
            return null;
        }
        if (count($others) * 2 > count($rows)) {
            return null; // two sides of a matching question
        }
        // figures beside each other are a table; sentences beside their numbers are none
        if ($table->columns() > 3 || count(array_filter($rows, self::hasSentence(...))) * 2 < count($rows)) {
            return null;
        }
        foreach ($rows as $i => $row) {
            $label = $row[0]->text();
            if ($i === 0 &&
                ($row[0]->isHeading || $label === '' || preg_match('/^(?:#|'.Vocabulary::QUESTION.')\.?$/iu', $label) === 1) &&
                count($rows) > 2) {
                array_push($lines, ...array_merge([], ...array_map(fn (Cell $cell): array => $cell->lines, $row)));

                continue;
            }
            if ($label !== '' && preg_match(self::LABEL, $label) !== 1) {
                return null;
            }
            $isFirst = true;
            foreach (array_slice($row, 1) as $cell) {
                foreach ($cell->lines as $line) {
                    $lead = $row[0]->words();
                    $dotted = preg_match('/[.):]$/', $label) === 1 ? $lead : $lead->followedBy(Words::plain('.'), '');
                    $lines[] = $isFirst && $label !== ''
                        ? $line->labelled($dotted->followedBy($line->words), $row[0]->lines[0]->number ?? null)
                        : $line;
                    $isFirst = false;
                }
            }
            if ($isFirst) {
                return null;
            }
        }

        return $lines;
    }
}
