<?php

declare(strict_types=1);

namespace WideQuarry\Standards;

/** Which statement of one framework is which of another: as associations say, or else by a code that stands once in each. */
final class Crosswalk
{
    /**
     * @param  array<string, string>  $from  id of a statement → its code
     * @param  array<string, string>  $to  the same of the other framework, without statements that are retired
     * @param  list<Association>  $associations  any; those between the two count
     * @return array<string, string> statement → the one it is there
     */
    public static function between(array $from, array $to, array $associations): array
    {
        $same = $successors = [];
        foreach ($associations as $one) {
            if ($one->kind === Association::EXACT && isset($from[$one->from], $to[$one->to])) {
                $same[$one->from] ??= $one->to;
            } elseif ($one->kind === Association::EXACT && isset($to[$one->from], $from[$one->to])) {
                $same[$one->to] ??= $one->from;
            } elseif ($one->kind === Association::REPLACED_BY && isset($from[$one->from], $to[$one->to])) {
                $successors[$one->from] ??= $one->to;
            }
        }

        return $same + $successors + self::byCode($from, $to);
    }

    /**
     * @param  array<string, string>  $from
     * @param  array<string, string>  $to
     * @return array<string, string>
     */
    private static function byCode(array $from, array $to): array
    {
        $there = self::once($to);

        return array_filter(array_map(
            fn (string $code): ?string => $there[$code] ?? null,
            array_flip(self::once($from)),
        ));
    }

    /**
     * @param  array<string, string>  $codes
     * @return array<string, string> folded code that stands once → its statement
     */
    private static function once(array $codes): array
    {
        $folded = array_filter(array_map(StatementCode::folded(...), $codes), fn (string $code): bool => $code !== '');
        $once = array_filter(array_count_values($folded), fn (int $times): bool => $times === 1);

        return array_intersect_key(array_flip($folded), $once);
    }
}
