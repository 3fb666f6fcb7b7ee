<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Written;

use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;

/** What is said of a question, as cells. */
final class RecordOf
{
    public static function into(WrittenRow $row, \stdClass $json): void
    {
        $record = ($json->record ?? null) instanceof \stdClass ? $json->record : new \stdClass;
        $paths = array_map(
            fn (mixed $path): string => implode(' > ', is_array($path) ? array_filter($path, is_string(...)) : []),
            is_array($record->topics ?? null) ? $record->topics : [],
        );
        $row->put(Meaning::Topic, implode("\n", $paths));
        $codes = array_map(
            fn (mixed $one): mixed => $one instanceof \stdClass ? $one->code ?? '' : '',
            is_array($record->standards ?? null) ? $record->standards : [],
        );
        $row->put(Meaning::Standard, CellWriting::list(self::words($codes)));
        $row->put(Meaning::Tags, CellWriting::list(self::words($record->tags ?? null)));
        $row->put(Meaning::Difficulty, is_int($record->difficulty ?? null) ? (string) $record->difficulty : '');
        $minutes = $record->minutes ?? null;
        $row->put(Meaning::Minutes, is_int($minutes) || is_float($minutes) ? (string) $minutes : '');
        foreach ([
            'level' => Meaning::Level,
            'source' => Meaning::Source,
            'author' => Meaning::Author,
            'notes' => Meaning::Notes,
        ] as $field => $meaning) {
            $row->put($meaning, is_string($record->{$field} ?? null) ? $record->{$field} : '');
        }
    }

    /** @return list<string> */
    private static function words(mixed $all): array
    {
        return array_values(array_filter(is_array($all) ? $all : [], fn (mixed $one): bool => is_string($one) && $one !== ''));
    }
}
