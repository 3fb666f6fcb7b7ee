<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Mapping;

/** How alike two mappings are by the headings of their tables: the share of all headings that both have (Jaccard). */
final class Likeness
{
    public static function of(mixed $one, mixed $other): float
    {
        [$mine, $theirs] = [self::headings($one), self::headings($other)];
        $all = count(array_unique([...$mine, ...$theirs]));

        return $all === 0 ? 0.0 : count(array_intersect($mine, $theirs)) / $all;
    }

    /** @return list<string> */
    private static function headings(mixed $mapping): array
    {
        $found = [];
        foreach ($mapping instanceof \stdClass && is_array($mapping->sheets ?? null) ? $mapping->sheets : [] as $sheet) {
            $isRead = $sheet instanceof \stdClass && ($sheet->read ?? true) === true;
            foreach ($isRead && is_array($sheet->columns ?? null) ? $sheet->columns : [] as $column) {
                $heading = $column instanceof \stdClass && is_string($column->heading ?? null) ? $column->heading : '';
                if ($heading !== '') {
                    $found[] = SheetMapping::folded($heading);
                }
            }
        }

        return array_values(array_unique($found));
    }
}
