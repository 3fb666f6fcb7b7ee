<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Graph;

use Brick\Math\BigRational;
use WideQuarry\Converting\Draft;
use WideQuarry\Converting\PartJson;
use WideQuarry\CoreException;
use WideQuarry\Graph\Compare\Path;
use WideQuarry\Graph\FigureWords;
use WideQuarry\Graph\Grid;
use WideQuarry\Graph\WrittenFigure;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\NumberLineAnswers;
use WideQuarry\Variables\Roll;

/** A drawn function, line or parabola as a table of values: x is given, y is typed. */
final class TypedValues
{
    private const MOST = 4;

    /** Decimals that can be asked for. */
    private const PLACES = 3;

    /** Decimals of points that are stored. */
    private const OF_POINTS = 4;

    /** A graph as numbers: a curve as a table, a point of a number line as itself. */
    public static function toNumbers(Draft $draft, \stdClass $part): void
    {
        $values = self::values($part);
        if (count($values) < 2) {
            NumberLineAnswers::toNumber($draft, $part);

            return;
        }
        $draft->lose(Message::of('parts.graph.drawing-becomes-values'));
        if (count(PartJson::rules($part)) > 1) {
            $draft->lose(Message::of('parts.graph.only-first-answer-kept'));
        }
        $id = PartJson::text($part, 'id');
        $ids = self::ids($draft, $id, count($values));
        $share = Exact::toPlaces(PartJson::points($part)->dividedBy(count($values)), self::OF_POINTS)->toBigRational();
        $sum = $share->multipliedBy(count($values));
        if (Exact::compare($sum, PartJson::points($part)) !== 0) {
            $draft->lose(Message::of('parts.graph.points-not-even', [
                'sum' => Exact::number($sum),
                'points' => Exact::number(PartJson::points($part)),
            ]));
        }
        $silent = clone $part;
        unset($silent->feedback); // said once, by the first
        $old = fn (string $one): \stdClass => $one === $id ? $part : $silent;
        $parts = array_map(fn (string $one, array $value): \stdClass => PartJson::part($one, 'number', $old($one), Exact::number($share), ['width' => 6], [
            ['id' => 'r1', 'on' => (object) ['answer' => 'value', 'value' => Exact::text($value[1])], 'credit' => '1'],
        ], ['scheme' => 'weights']), $ids, $values);
        $draft->put(Draft::blockPlace($id), '<table><tbody>'.
            self::row('x', array_map(fn (array $value): string => FigureWords::number($value[0]), $values)).
            self::row('y', array_map(Draft::inlinePlace(...), $ids)).'</tbody></table>');
        $draft->replace($id, $parts);
    }

    /** @param  list<string>  $cells */
    private static function row(string $head, array $cells): string
    {
        return "<tr><th scope=\"row\">$head</th>".implode('', array_map(fn (string $cell): string => "<td>$cell</td>", $cells)).'</tr>';
    }

    /**
     * Whole steps of the grid at which the first right curve has a value that can be typed.
     *
     * @return list<array{BigRational, BigRational}> x and y; none where there is no such curve
     */
    private static function values(\stdClass $part): array
    {
        $on = PartJson::rules($part)[0]->on ?? null;
        $figure = $on instanceof \stdClass ? $on->figure ?? null : null;
        try {
            $grid = GraphSettings::read(PartJson::settings($part), '')->grid(new Roll);
            $path = $figure === null ? null : Path::of(WrittenFigure::read($figure, '')->in(new Roll));
        } catch (CoreException) {
            return []; // while it is being written, or where values vary in it
        }

        return $path === null ? [] : self::ofPath($path, $grid);
    }

    /** @return list<array{BigRational, BigRational}> */
    private static function ofPath(Path $path, Grid $grid): array
    {
        $values = [];
        foreach ($grid->x->lines() as $x) {
            $y = $path->at($x);
            $isTypable = $y !== null && Exact::compare(Exact::toPlaces($y, self::PLACES)->toBigRational(), $y) === 0;
            if ($y !== null && $isTypable && $grid->y?->holds($y) === true) {
                $values[] = [$x, $y];
            }
        }
        $every = max(1, (int) ceil(count($values) / self::MOST));

        return array_values(array_filter($values, fn (int $i): bool => $i % $every === 0, ARRAY_FILTER_USE_KEY));
    }

    /** @return list<string> the first keeps the identifier of the part, so that what waits for it still does */
    private static function ids(Draft $draft, string $id, int $count): array
    {
        $taken = array_map(fn (\stdClass $part): string => PartJson::text($part, 'id'), $draft->parts());
        $ids = [$id];
        for ($n = 1; count($ids) < $count; $n++) {
            if (! in_array("p$n", $taken, true)) {
                $ids[] = "p$n";
            }
        }

        return $ids;
    }
}
