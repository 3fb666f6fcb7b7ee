<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Rows;

use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;
use WideQuarry\Interchange\Typed\Recognition\Body;
use WideQuarry\Interchange\Typed\Recognition\PartJson;
use WideQuarry\Interchange\Typed\Recognition\QuestionType;

/** A row whose answer is typed: words with variants, or a number with tolerance and unit; in gaps of its sentence, or below it. */
final readonly class RowTyped
{
    private const GAP = '/_{3,}|\.{5,}|…{2,}|\[\s*\]/u';

    public function __construct(
        private Entry $entry,
        private ?KindName $kind,
        private string $decimal,
        private int|float $points,
        private CellProblems $problems,
    ) {
    }

    /** @param  list<\stdClass>  $parts */
    public function into(string &$body, array &$parts, string $stem): void
    {
        $gaps = preg_match_all(self::GAP, $stem);
        $answers = $this->answers((int) $gaps);
        $count = max(1, (int) $gaps);
        $after = '';
        for ($i = 0; $i < $count; $i++) {
            [$part, $after] = $this->part('p'.($i + 1), $this->share($count), $answers[$i] ?? null, (int) $gaps);
            $parts[] = $part;
        }
        if ($gaps > 0) {
            $i = 0;
            $body = (string) preg_replace_callback(self::GAP, function () use (&$i): string {
                return Body::place('p'.++$i);
            }, $stem);
        } else {
            $body = $stem.'<p>'.Body::place('p1').($after === '' ? '' : ' '.htmlspecialchars($after, ENT_NOQUOTES)).'</p>';
        }
    }

    /** Points are shared evenly where that comes out in decimals, or else each gap has one. */
    private function share(int $among): int|float
    {
        $each = $this->points / $among;
        if (abs($each * 10_000 - round($each * 10_000)) > 1e-6) {
            return 1;
        }

        return floor($each) === (float) $each ? (int) $each : round($each, 4);
    }

    /** @return list<Cell|null> the answer of each gap, its variants joined by bars */
    private function answers(int $gaps): array
    {
        $cells = $this->entry->filled(Meaning::Answer, Meaning::Right);
        if ($cells === []) {
            $cell = $this->entry->cell(Meaning::Answer);
            if ($this->kind !== null) {
                $this->problems->wrong('key-missing', $cell->address ?? $this->entry->first);
            } else {
                $this->problems->note('no-answer', $cell->address ?? $this->entry->first);
            }

            return [];
        }
        if ($gaps < 2) {
            $text = implode("\n", array_map(fn (Cell $cell): string => trim($cell->text), $cells));

            return [new Cell($cells[0]->is, $text, $cells[0]->address)];
        }
        if (count($cells) === $gaps) {
            return $cells;
        }
        foreach (['/\R/u', '/\s*;\s*/u', '/\s*\|\s*/u', '/\s*,\s*/u'] as $between) {
            $each = preg_split($between, trim($cells[0]->text)) ?: [];
            if (count($cells) === 1 && count($each) === $gaps) {
                return array_map(fn (string $one): Cell => new Cell($cells[0]->is, $one, $cells[0]->address), $each);
            }
        }
        $this->problems->wrong('gaps', $cells[0]->address, ['gaps' => $gaps, 'count' => count(CellList::of($cells[0]->text))]);

        return [];
    }

    /** @return array{\stdClass, string} the part, and the unit written after it */
    private function part(string $id, int|float $points, ?Cell $cell, int $gaps): array
    {
        if ($cell === null) {
            return [PartJson::byHand($id, $points, $gaps), ''];
        }
        $variants = CellList::of($cell->text, commas: false);
        $numbers = array_filter($variants, $this->isNumber(...));
        if ($this->kind === KindName::Number && count($numbers) !== count($variants)) {
            $code = CellNumber::isDate($cell->text) ? 'number-is-date' : 'number-unknown';
            $this->problems->wrong($code, $cell->address, ['answer' => $cell->text]);

            return [PartJson::byHand($id, $points, $gaps), ''];
        }
        if ($this->kind === null && CellNumber::isDate($cell->text)) {
            $this->problems->note('answer-is-date', $cell->address, ['answer' => $cell->text]);
        }
        if ($this->kind !== KindName::Text && $numbers !== [] && count($numbers) === count($variants)) {
            return PartJson::typed($id, $points, $this->number($variants[0]), QuestionType::Number);
        }

        return [PartJson::words($id, $points, array_values(array_unique($variants))), ''];
    }

    private function isNumber(string $answer): bool
    {
        return ! CellNumber::isDate($answer) && PartJson::isNumber($this->pointed($answer));
    }

    /** With the tolerance and the unit of their own columns. */
    private function number(string $answer): string
    {
        $number = $this->pointed($answer);
        $tolerance = $this->entry->cell(Meaning::Tolerance);
        if ($tolerance !== null && ! $tolerance->isEmpty() && preg_match('/±|\+\/-/u', $number) !== 1) {
            $width = CellNumber::of(trim(trim($tolerance->text), '±+-/% '), $this->decimal);
            if ($width === null) {
                $this->problems->wrong('tolerance-unknown', $tolerance->address, ['tolerance' => $tolerance->text]);
            } else {
                $number .= " ± $width".(str_contains($tolerance->text, '%') ? '%' : '');
            }
        }
        $unit = $this->entry->text(Meaning::Unit);

        return $unit === '' || str_ends_with($number, $unit) ? $number : "$number $unit";
    }

    private function pointed(string $answer): string
    {
        if ($this->decimal !== ',') {
            return (string) preg_replace('/(?<=\d),(?=\d{3}(?!\d))/', '', $answer);
        }

        return (string) preg_replace(['/(?<=\d)\.(?=\d{3}(?!\d))/', '/(?<=\d),(?=\d)/'], ['', '.'], $answer);
    }
}
