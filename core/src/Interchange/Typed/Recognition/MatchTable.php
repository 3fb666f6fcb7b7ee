<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Cell;
use WideQuarry\Interchange\Typed\Document\Line;
use WideQuarry\Interchange\Typed\Document\Table;

/** A table that is the question: two sides to match, or statements with a column for each of true and false. */
final class MatchTable
{
    private const TICK = '/^(?:[☑☒✓✔✗✘xX●■]|\[[xX✓]\])$/u';

    public static function into(Draft $draft, Table $table): bool
    {
        return self::truth($draft, $table) || self::sides($draft, $table);
    }

    private static function truth(Draft $draft, Table $table): bool
    {
        $heading = array_map(fn (Cell $cell): string => $cell->text(), $table->rows[0] ?? []);
        $pair = null;
        foreach ($heading as $i => $word) {
            $is = Vocabulary::pairOf($word);
            if ($is !== null && isset($heading[$i + 1]) && Vocabulary::pairOf($heading[$i + 1]) === $is && $heading[$i + 1] !== $word) {
                $pair = [$is, $i];
                break;
            }
        }
        if ($pair === null || $pair[1] < 1 || $draft->items !== []) {
            return false;
        }
        $draft->pair = $pair[0];
        foreach (array_slice($table->rows, 1) as $i => $row) {
            $words = $row[$pair[1] - 1]->words();
            $label = Label::at($words->text())[0] ?? null;
            $item = new Item($label, $words->slice($label->length ?? 0)->spaced(), $row[0]->lines[0]->number ?? $draft->line);
            foreach ([0 => $pair[0][0], 1 => $pair[0][1]] as $offset => $word) {
                if (preg_match(self::TICK, ($row[$pair[1] + $offset] ?? null)?->text() ?? '') === 1) {
                    $item->answers[] = $word;
                }
            }
            $draft->items[] = $item;
        }

        return true;
    }

    private static function sides(Draft $draft, Table $table): bool
    {
        $rows = $table->rows;
        $columns = $table->columns();
        $isAsked = InQuestion::isMatching($draft);
        if (! in_array($columns, [2, 3, 4], true) || $draft->items !== [] || (! $isAsked && ! self::areLabelled($rows))) {
            return false;
        }
        $first = $rows[0] ?? [];
        if (self::isHeading($first, array_slice($rows, 1), $isAsked)) {
            $rows = array_slice($rows, 1);
        }
        // with columns of their own for the letters, or for what is written
        $left = $columns === 4 ? 1 : 0;
        $right = $columns - 1;
        $isLabelled = false;
        foreach ($rows as $row) {
            foreach ([[$left, true], [$right, false]] as [$at, $isLeft]) {
                $cell = $row[$at] ?? null;
                $words = $cell?->words();
                if ($words === null || $words->isEmpty() || LineKinds::isWritingLine($words->text())) {
                    continue;
                }
                $own = $columns === 4 ? Label::at(($row[$at - 1] ?? null)?->text().' x')[0] ?? null : null;
                $blank = preg_match('/^_{2,}\s*/', $words->text(), $m) === 1 ? strlen($m[0]) : 0;
                $words = $words->slice($blank)->trimmed();
                $label = Label::at($words->text())[0] ?? null;
                $label = ($label->type ?? '') === 'bullet' ? null : $label;
                $item = new Item($own ?? $label, $words->slice($label->length ?? 0)->spaced(), $cell->lines[0]->number ?? $draft->line);
                $isLabelled = $isLabelled || ($item->label !== null && ! $isLeft);
                if ($isLeft) {
                    $draft->items[] = $item;
                } else {
                    $draft->others[] = $item;
                }
            }
        }
        if (count($draft->items) < 2 || count($draft->others) < 2) {
            [$draft->items, $draft->others] = [[], []];

            return false;
        }
        $draft->isPaired = ! $isLabelled && count($draft->items) === count($draft->others);
        $draft->type ??= QuestionType::Matching;

        return true;
    }

    /**
     * Numbers on the left that are questions of their own, letters on the right that all choose from.
     *
     * @return list<Line>|null the left side, then the right
     */
    public static function asQuestions(Table $table): ?array
    {
        $rows = array_values(array_filter($table->rows, fn (array $row): bool => QuestionLabel::at($row[0]->text()) !== null));
        if ($table->columns() !== 2 || count($rows) < 2 || count($rows) + 1 < count($table->rows) || ! self::areLabelled($rows)) {
            return null;
        }

        return (new Table($rows))->linesByColumn();
    }

    /** @param  list<list<Cell>>  $rows */
    private static function areLabelled(array $rows): bool
    {
        $good = array_filter($rows, function (array $row): bool {
            $text = $row[0]->text();
            $blank = preg_match('/^_{2,}\s*/', $text, $m) === 1 ? strlen($m[0]) : 0;
            $left = Label::at(substr($text, $blank))[0]->type ?? '';
            $right = Label::at(($row[1] ?? $row[0])->text())[0]->type ?? '';

            return count($row) === 2 && $left !== '' && $right !== '' && $left !== $right;
        });

        return count($good) > 1 && count($good) * 3 >= count($rows) * 2;
    }

    /**
     * @param  list<Cell>  $row
     * @param  list<list<Cell>>  $others
     */
    private static function isHeading(array $row, array $others, bool $isAsked): bool
    {
        if (self::hasLabel($row) && self::hasLabel($others[0] ?? [])) {
            return false; // whatever it looks like: some formats have no table without a heading
        }

        return array_filter($row, fn (Cell $cell): bool => ! $cell->isHeading) === [] ||
            array_filter($row, fn (Cell $cell): bool => LineKinds::isColumnHeading($cell->text())) !== [] ||
            (self::isBold($row) && ! self::isBold($others[0] ?? [])) ||
            (! self::hasLabel($row) && self::hasLabel($others[0] ?? []));
    }

    /** @param  list<Cell>  $cells */
    private static function isBold(array $cells): bool
    {
        return array_filter($cells, fn (Cell $cell): bool => $cell->words()->marks() !== [] || $cell->text() === '') === $cells;
    }

    /** @param  list<Cell>  $cells */
    private static function hasLabel(array $cells): bool
    {
        return array_filter($cells, fn (Cell $cell): bool => Label::at($cell->text()) !== []) !== [];
    }
}
