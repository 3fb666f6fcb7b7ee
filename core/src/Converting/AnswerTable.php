<?php

declare(strict_types=1);

namespace WideQuarry\Converting;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;

/** A table some of whose cells are answers: what stands in such a cell is what is right there. */
final class AnswerTable
{
    /**
     * @param  list<list<string>>  $rows  every row as long
     * @param  list<string>  $taken  identifiers of parts that are there
     * @param  array<string, bool>  $answers  cells that are answers, as "row:column" from 0
     * @param  string  $kind  text, number or menu
     * @return array{string, list<\stdClass>} the table, and its parts in the order of the cells
     */
    public static function make(array $rows, array $answers, string $kind, int|float $points, bool $header, bool $side, array $taken): array
    {
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
                    $parts[] = self::part("p$n", $kind, $cell, $points, $label, $words);
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
    public static function read(mixed $json): array
    {
        $fields = Fields::of($json, '', ['rows', 'answers', 'kind', 'points', 'header', 'side', 'taken'])->need('rows');
        $rows = $answers = $taken = [];
        foreach ($fields->list('rows', 200) as $i => $row) {
            if (! is_array($row) || count($row) > 40 || count($row) !== count(is_array($fields->list('rows')[0]) ? $fields->list('rows')[0] : [])) {
                throw Malformed::wrongType("/rows/$i", 'a row of cells, as long as the others', $row);
            }
            $rows[] = array_map(fn (mixed $cell): string => is_string($cell) ? mb_substr($cell, 0, 2000) : throw Malformed::wrongType("/rows/$i", 'cells of text', $cell), array_values($row));
        }
        if ($rows === [] || $rows[0] === []) {
            throw Malformed::outOfRange('/rows', 'at least one cell', 0);
        }
        foreach ($fields->list('answers', 8000) as $i => $at) {
            if (! is_array($at) || ! is_int($at[0] ?? null) || ! is_int($at[1] ?? null) || ! isset($rows[$at[0]][$at[1]])) {
                throw Malformed::wrongType("/answers/$i", 'a cell as [row, column]', $at);
            }
            $answers["$at[0]:$at[1]"] = true;
        }
        foreach ($fields->list('taken', 1000) as $i => $id) {
            $taken[] = Fields::asId($id, "/taken/$i");
        }
        if (count($answers) + count($taken) > 200) {
            throw Malformed::outOfRange('/answers', 'together with the other answers at most 200', count($answers));
        }

        return self::make($rows, $answers, $fields->oneOf('kind', ['text', 'number', 'menu'], 'text'), Exact::number(Exact::of($fields->has('points') ? $fields->decimal('points', '1000') : '1')), $fields->bool('header', true), $fields->bool('side', false), $taken);
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

    /** @param  list<string>  $words */
    private static function part(string $id, string $kind, string $cell, int|float $points, string $label, array $words): \stdClass
    {
        $old = (object) ['label' => mb_substr($label, 0, 200)];
        if ($kind === 'menu') {
            $options = array_map(fn (int $i, string $word): \stdClass => (object) ['id' => 'o'.($i + 1), 'html' => htmlspecialchars($word, ENT_NOQUOTES)], array_keys($words), $words);
            $at = array_search($cell, $words, true);

            return PartJson::part($id, 'menu', $old, $points, ['options' => $options, 'shuffle' => false], $at === false ? [] : [['id' => 'r1', 'on' => 'o'.($at + 1), 'credit' => '1']], ['scheme' => 'weights']);
        }
        $on = $kind === 'number' ? ['answer' => 'value', 'value' => strtr($cell, ['−' => '-'])] : ['answer' => 'is', 'text' => [$cell]];

        return PartJson::part($id, $kind, $old, $points, ['width' => max(6, min(40, mb_strlen($cell) + 3))], $cell === '' ? [] : [['id' => 'r1', 'on' => (object) $on, 'credit' => '1']], ['scheme' => 'weights']);
    }
}
