<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Match;

use WideQuarry\Printing\Paper;
use WideQuarry\Printing\PrintedAnswer;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;

/** Two columns to join with lines or to give letters, or a table to tick. */
final class PrintedMatch
{
    /** @param  array<mixed>  $presented */
    public function part(array $presented, Paper $paper): string
    {
        [$left, $right] = [self::side($presented, 'left'), self::side($presented, 'right')];
        if (($presented['by'] ?? '') === 'grid') {
            return $this->grid($left, $right, $paper);
        }
        $lines = ($presented['by'] ?? '') === 'lines';
        $rows = '';
        foreach ($left as $i => $item) {
            $mark = $lines ? '<span class="dot"></span>' : Paper::line(2.2);
            $rows .=
                '<li><span class="letter">'.
                ($i + 1).
                '.</span><span class="option">'.
                $paper->inline($item['body']).
                "</span>$mark</li>";
        }
        $partners = '';
        foreach ($right as $i => $item) {
            $partners .=
                '<li>'.
                ($lines ? '<span class="dot"></span>' : '').
                '<span class="letter">'.
                self::letter($i).
                '</span><span class="option">'.
                $paper->inline($item['body']).
                '</span></li>';
        }

        return "<div class=\"join\"><ul>$rows</ul><ul>$partners</ul></div>";
    }

    /**
     * @param  array<mixed>  $presented
     * @return list<PrintedAnswer>
     */
    public function answers(Part $part, array $presented, Paper $paper): array
    {
        $answers = [];
        [$left, $right] = [self::side($presented, 'left'), self::side($presented, 'right')];
        foreach ($left as $i => $item) {
            foreach ($right as $j => $partner) {
                foreach ($part->key->rules as $rule) {
                    if (
                        $rule->on instanceof PairTarget &&
                        $rule->on->first === $item['id'] &&
                        $rule->on->second === $partner['id'] &&
                        $rule->credit()->isPositive()
                    ) {
                        $signs =
                            ($presented['by'] ?? '') === 'grid'
                                ? $paper->inline($item['body']).' – '.$paper->inline($partner['body'])
                                : '<strong>'.($i + 1).' – '.self::letter($j).'</strong> '.$paper->inline($partner['body']);
                        $answers[] = new PrintedAnswer($signs, $rule->credit());
                    }
                }
            }
        }

        return $answers;
    }

    /**
     * @param  list<array{id: string, body: list<string|array<int, mixed>>}>  $left
     * @param  list<array{id: string, body: list<string|array<int, mixed>>}>  $right
     */
    private function grid(array $left, array $right, Paper $paper): string
    {
        $head = implode('', array_map(fn (array $partner): string => '<th>'.$paper->inline($partner['body']).'</th>', $right));
        $rows = implode(
            '',
            array_map(
                fn (array $item): string => '<tr><th>'.
                    $paper->inline($item['body']).
                    '</th>'.
                    str_repeat('<td><span class="box"></span></td>', count($right)).
                    '</tr>',
                $left,
            ),
        );

        return "<table class=\"grid\"><thead><tr><td></td>$head</tr></thead><tbody>$rows</tbody></table>";
    }

    private static function letter(int $at): string
    {
        return ($at >= 26 ? chr(64 + intdiv($at, 26)) : '').chr(65 + ($at % 26));
    }

    /**
     * @param  array<mixed>  $presented
     * @return list<array{id: string, body: list<string|array<int, mixed>>}>
     */
    private static function side(array $presented, string $side): array
    {
        return is_array($presented[$side] ?? null) ? $presented[$side] : []; // @phpstan-ignore return.type
    }
}
