<?php

declare(strict_types=1);

namespace WideQuarry\Converting;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\PartKinds;

/** A table some of whose cells are answers: what stands in such a cell is what is right there. */
final class AnswerTable
{
    /**
     * @param  list<list<string>>  $rows  every row as long
     * @param  list<string>  $taken  identifiers of parts that are there
     * @param  array<string, bool>  $answers  cells that are answers, as "row:column" from 0
     * @param  CellForm  $form  of the kind that the cells become
     * @return array{string, list<\stdClass>} the table, and its parts in the order of the cells
     */
    public static function make(
        array $rows,
        array $answers,
        CellForm $form,
        int|float $points,
        bool $header,
        bool $side,
        array $taken,
    ): array {
        $parts = [];
        $html = '';
        $words = self::distinct($rows, $answers);
        foreach ($rows as $r => $row) {
            $html .= '<tr>';
            foreach ($row as $c => $cell) {
                $inside = htmlspecialchars($cell, ENT_NOQUOTES);
                if (isset($answers["$r:$c"])) {
                    for ($n = count($parts) + 1; in_array("p$n", $taken, true); $n++);
                    $taken[] = "p$n";
                    $label = trim(($side ? $row[0] : '').($side && $header ? ', ' : '').($header ? $rows[0][$c] : ''), ', ');
                    $parts[] = $form->cell("p$n", $cell, $points, mb_substr($label, 0, 200), $words);
                    $inside = Draft::inlinePlace("p$n");
                }
                $head = ($header && $r === 0) || ($side && $c === 0);
                $html .= $head ? '<th scope="'.($header && $r === 0 ? 'col' : 'row')."\">$inside</th>" : "<td>$inside</td>";
            }
            $html .= '</tr>';
        }

        return ["<table><tbody>$html</tbody></table>", $parts];
    }

    /**
     * What an interface asks for.
     *
     * @return array{string, list<\stdClass>}
     *
     * @throws Malformed
     */
    public static function read(mixed $json, PartKinds $kinds): array
    {
        $fields = Fields::of($json, '', ['rows', 'answers', 'kind', 'points', 'header', 'side', 'taken'])->need('rows');
        $rows = $answers = $taken = [];
        foreach ($fields->list('rows', 200) as $i => $row) {
            if (
                ! is_array($row) ||
                count($row) > 40 ||
                count($row) !== count(is_array($fields->list('rows')[0]) ? $fields->list('rows')[0] : [])
            ) {
                throw Malformed::wrongType("/rows/$i", Message::of('converting.row-cells-long-others'), $row);
            }
            $rows[] = array_map(
                fn (mixed $cell): string => is_string($cell)
                    ? mb_substr($cell, 0, 2000)
                    : throw Malformed::wrongType("/rows/$i", Message::of('converting.cells-text'), $cell),
                array_values($row),
            );
        }
        if ($rows === [] || $rows[0] === []) {
            throw Malformed::outOfRange('/rows', Message::of('converting.least-one-cell'), 0);
        }
        foreach ($fields->list('answers', 8000) as $i => $at) {
            if (! is_array($at) || ! is_int($at[0] ?? null) || ! is_int($at[1] ?? null) || ! isset($rows[$at[0]][$at[1]])) {
                throw Malformed::wrongType("/answers/$i", Message::of('converting.cell-row-column'), $at);
            }
            $answers["$at[0]:$at[1]"] = true;
        }
        foreach ($fields->list('taken', 1000) as $i => $id) {
            $taken[] = Fields::asId($id, "/taken/$i");
        }
        if (count($answers) + count($taken) > 200) {
            throw Malformed::outOfRange('/answers', Message::of('converting.together-other-answers-most'), count($answers));
        }

        $forms = self::forms($kinds);
        $form = $forms[$fields->oneOf('kind', array_keys($forms), 'text')];

        return self::make(
            $rows,
            $answers,
            $form,
            Exact::number(Exact::of($fields->has('points') ? $fields->decimal('points', '1000') : '1')),
            $fields->bool('header', true),
            $fields->bool('side', false),
            $taken,
        );
    }

    /** @return array<string, CellForm> the kinds a cell can ask for, by name */
    private static function forms(PartKinds $kinds): array
    {
        $forms = [];
        foreach ($kinds->all() as $kind) {
            $form = $kind instanceof ConvertibleKind && $kind->isInline() ? $kind->answerForm() : null;
            if ($form instanceof CellForm) {
                $forms[$kind->name()] = $form;
            }
        }

        return $forms;
    }

    /**
     * The words of all answers, each once: what a drop-down in each of them offers.
     *
     * @param  list<list<string>>  $rows
     * @param  array<string, bool>  $answers
     * @return list<string>
     */
    private static function distinct(array $rows, array $answers): array
    {
        $words = [];
        foreach (array_keys($answers) as $at) {
            [$r, $c] = array_map(intval(...), explode(':', $at));
            $words[] = $rows[$r][$c];
        }
        $words = array_values(array_unique(array_filter($words, fn (string $word): bool => $word !== '')));
        sort($words, SORT_NATURAL | SORT_FLAG_CASE);

        return $words;
    }
}
