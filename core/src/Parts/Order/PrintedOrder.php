<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Order;

use WideQuarry\Numbers\Exact;
use WideQuarry\Printing\Paper;
use WideQuarry\Printing\PrintedAnswer;

/** A line for a number beside each item; what is given has its number. */
final class PrintedOrder
{
    /** @param  array<mixed>  $presented */
    public function part(array $presented, Paper $paper): string
    {
        $rows = '';
        foreach (self::items($presented) as $i => $item) {
            $mark = $item['given'] ? '<strong>'.($i + 1).'</strong>' : Paper::line(2);
            $rows .= "<li><span class=\"rank\">$mark</span><span class=\"option\">".$paper->inline($item['body']).'</span></li>';
        }
        $caption = is_object($presented['caption'] ?? null) ? get_object_vars($presented['caption']) : [];
        [$from, $to] = [
            is_string($caption['from'] ?? null) ? $caption['from'] : '',
            is_string($caption['to'] ?? null) ? $caption['to'] : '',
        ];
        $ends =
            $from.$to === ''
                ? ''
                : '<p class="ends">1 = '.
                    Paper::text($from).
                    ($to === '' ? '' : ', '.count(self::items($presented)).' = '.Paper::text($to)).
                    '</p>';

        return "$ends<ul class=\"order\">$rows</ul>";
    }

    /**
     * @param  array<mixed>  $presented
     * @return list<PrintedAnswer>
     */
    public function answers(Ranks $ranks, array $presented, Paper $paper): array
    {
        $bodies = [];
        foreach (self::items($presented) as $item) {
            $bodies['='.$item['id']] = $paper->inline($item['body']);
        }
        $said = array_filter(
            array_map(
                fn (array $rank): string => implode(
                    ' = ',
                    array_filter(array_map(fn (string $id): ?string => $bodies["=$id"] ?? null, $rank)),
                ),
                $ranks->ranks,
            ),
        );

        return $said === [] ? [] : [new PrintedAnswer(implode(' → ', $said), Exact::one())];
    }

    /**
     * @param  array<mixed>  $presented
     * @return list<array{id: string, body: list<string|array<int, mixed>>, given: bool}>
     */
    private static function items(array $presented): array
    {
        return is_array($presented['items'] ?? null) ? $presented['items'] : []; // @phpstan-ignore return.type
    }
}
