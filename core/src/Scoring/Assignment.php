<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/**
 * The best one-to-one assignment of parts to rules, by Kuhn and Munkres in the O(n³) form with potentials
 * (Kuhn 1955, Naval Research Logistics Quarterly 2, 83), in exact rationals.
 */
final class Assignment
{
    /**
     * @param  list<list<BigRational>>  $gain  row × column, every row as long; more columns than rows
     * @return list<int> the column of each row; the sum of gains is the greatest there is
     */
    public static function best(array $gain): array
    {
        $rows = count($gain);
        $columns = count($gain[0] ?? []);
        $zero = Exact::zero();
        // Rows and columns count from 1; 0 stands for none.
        $u = array_fill_keys(range(0, $rows), $zero); // @pest-mutate-ignore room to spare changes nothing, here and below
        $places = range(0, $columns); // @pest-mutate-ignore
        $v = array_fill_keys($places, $zero);
        $row = array_fill_keys($places, 0); // the row that holds each column
        for ($i = 1; $i <= $rows; $i++) {
            $row[0] = $i;
            $column = 0;
            $least = array_fill_keys($places, null);
            $came = array_fill_keys($places, 0); // @pest-mutate-ignore every place is written before it is read
            $used = array_fill_keys($places, false);
            do {
                $used[$column] = true;
                $delta = null;
                $next = 0; // @pest-mutate-ignore
                for ($j = 1; $j <= $columns; $j++) {
                    if ($used[$j]) {
                        continue;
                    }
                    $slack = $gain[$row[$column] - 1][$j - 1]->negated()->minus($u[$row[$column]])->minus($v[$j]);
                    if ($least[$j] === null || Exact::compare($slack, $least[$j]) < 0) {
                        $least[$j] = $slack;
                        $came[$j] = $column;
                    }
                    if ($delta === null || Exact::compare($least[$j], $delta) < 0) {
                        $delta = $least[$j];
                        $next = $j;
                    }
                }
                assert($delta !== null);
                for ($j = 0; $j <= $columns; $j++) {
                    if ($used[$j]) {
                        $u[$row[$j]] = $u[$row[$j]]->plus($delta);
                        $v[$j] = $v[$j]->minus($delta);
                    } elseif ($least[$j] !== null) {
                        $least[$j] = $least[$j]->minus($delta);
                    }
                }
                $column = $next;
            } while ($row[$column] !== 0);
            while ($column !== 0) {
                $row[$column] = $row[$came[$column]];
                $column = $came[$column];
            }
        }
        $result = array_fill(0, $rows, 0); // @pest-mutate-ignore
        for ($j = 1; $j <= $columns; $j++) {
            if ($row[$j] > 0) {
                $result[$row[$j] - 1] = $j - 1;
            }
        }

        return array_values($result);
    }
}
