<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use Brick\Math\BigRational;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/**
 * A blueprint that asks for what a test has: topics (or standards) by difficulty (or kind), with its questions left out, so that it gives
 * another test like it. Of topics and standards: id → name.
 *
 * @phpstan-type Asked array{topics: array<string, string>, standards: array<string, string>, difficulty: int|null, kind: string,
 *     points: string}
 */
final class BlueprintLike
{
    /**
     * @param  \stdClass  $fresh  an empty blueprint
     * @param  list<string>  $banks
     * @param  list<Asked>  $questions
     */
    public static function of(\stdClass $fresh, array $banks, array $questions, string $assessment): \stdClass
    {
        $rowsBy = self::has($questions, 'topics') >= self::has($questions, 'standards') ? 'topic' : 'standard';
        $columnsBy = 2 * count(array_filter($questions, fn (array $one): bool => $one['difficulty'] !== null)) >= count($questions)
            ? 'difficulty'
            : 'kind';
        $rows = $columns = $cells = $rowIds = $columnIds = [];
        foreach ($questions as $one) {
            [$row, $rowTitle] = self::first($one[$rowsBy === 'topic' ? 'topics' : 'standards'], $rowsBy);
            $value = $columnsBy === 'difficulty' ? (string) $one['difficulty'] : $one['kind'];
            $rowIds[$row] ??= 'r'.(count($rowIds) + 1);
            $columnIds["=$value"] ??= 'c'.(count($columnIds) + 1);
            $rows[$row] ??= self::line($rowIds[$row], $rowTitle, $row === '' ? ['no' => [$rowsBy]] : [$rowsBy => [$row]]);
            $columns["=$value"] ??= self::line(
                $columnIds["=$value"],
                $value === '' ? Message::of('blueprints.no-difficulty') : $value,
                $value === '' ? ['no' => [$columnsBy]] : [$columnsBy => [$value]],
            );
            $key = $rowIds[$row].' '.$columnIds["=$value"];
            $cells[$key] = ($cells[$key] ?? 0) + 1;
        }
        ksort($columns, SORT_NATURAL);
        $fresh->banks = $banks;
        $fresh->tables = [(object) [
            'id' => 't1',
            'rows' => array_values($rows),
            'columns' => array_values($columns),
            'rows_by' => [$rowsBy],
            'columns_by' => [$columnsBy],
            'cells' => array_map(self::cell(...), array_map(strval(...), array_keys($cells)), array_values($cells)),
        ]];
        $fresh->total = (object) ['points' => self::about(array_column($questions, 'points'))];
        $fresh->rules = [(object) ['id' => 'r1', 'rule' => 'not_in', 'assessments' => [$assessment]]];

        return $fresh;
    }

    /**
     * @param  list<Asked>  $questions
     * @param  'topics'|'standards'  $what
     */
    private static function has(array $questions, string $what): int
    {
        return count(array_filter($questions, fn (array $one): bool => $one[$what] !== []));
    }

    /**
     * @param  array<string, string>  $names
     * @return array{string, string} id and name; '' where there is none
     */
    private static function first(array $names, string $by): array
    {
        foreach ($names as $id => $name) {
            return [(string) $id, $name];
        }

        return ['', $by === 'topic' ? Message::of('blueprints.no-topic') : Message::of('blueprints.no-standard')];
    }

    /** @param  string  $key  row and column, with a blank between */
    private static function cell(string $key, int $count): \stdClass
    {
        [$row, $column] = explode(' ', $key);

        return (object) ['row' => $row, 'column' => $column, 'count' => (object) ['min' => $count, 'max' => $count]];
    }

    /** @param  array<string, list<string>>  $where */
    private static function line(string $id, string $title, array $where): \stdClass
    {
        return (object) ['id' => $id, 'title' => $title, 'where' => (object) $where];
    }

    /**
     * The sum give or take a twentieth, in whole points.
     *
     * @param  list<string>  $points
     */
    private static function about(array $points): \stdClass
    {
        $plus = fn (BigRational $sum, string $one): BigRational => $sum->plus(Exact::of($one));
        $sum = array_reduce($points, $plus, Exact::zero())->toFloat();

        return (object) ['min' => (int) floor($sum * 0.95), 'max' => (int) ceil($sum * 1.05)];
    }
}
