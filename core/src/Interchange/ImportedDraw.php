<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** A selection of a test as a draw: so many of what stands in a section, those that must be asked apart. */
final class ImportedDraw
{
    /**
     * @param  int  $select  how many are asked in all
     * @param  list<\stdClass>  $entries  picks as they would be asked one by one
     * @param  list<bool>  $required  whether each is asked of everybody
     * @param  array<string, BigRational>  $points  of each question that is there
     * @return array{list<\stdClass>, bool} entries, and whether some would be worth less or more than others
     */
    public static function of(string $id, string $title, int $select, array $entries, array $required, array $points): array
    {
        $always = array_values(array_filter($entries, fn (int $i): bool => $required[$i] ?? false, ARRAY_FILTER_USE_KEY));
        $pool = array_values(array_filter($entries, fn (int $i): bool => ! ($required[$i] ?? false), ARRAY_FILTER_USE_KEY));
        $count = $select - count($always);
        if ($pool === [] || $count <= 0) {
            return [$always, false];
        }
        if ($count >= count($pool)) {
            return [$entries, false];
        }
        $worth = array_map(
            fn (\stdClass $entry): string => (string) (is_int($entry->points ?? null) || is_float($entry->points ?? null)
                ? Exact::of((string) $entry->points)
                : $points[is_string($entry->question) ? $entry->question : ''] ?? Exact::zero()),
            $pool,
        );
        $own = array_filter($pool, fn (\stdClass $entry): bool => isset($entry->points)) === [];
        $same = count(array_unique($worth)) === 1;
        $draw = (object) [
            'id' => $id,
            'title' => mb_substr($title, 0, 500),
            'draw' => min(2000, $count),
            'pool' => array_values(
                array_unique(array_map(fn (\stdClass $entry): string => is_string($entry->question) ? $entry->question : '', $pool)),
            ),
        ];
        if (! $own && $same) {
            $draw->points = $pool[0]->points ?? Exact::number(Exact::of($worth[0]));
        }

        return [[...$always, $draw], ! $own && ! $same];
    }
}
