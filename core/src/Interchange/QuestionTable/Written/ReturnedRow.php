<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Written;

use WideQuarry\Json\Json;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/**
 * A question of ours that went out in a table and came back: what reads as it did when it was written stays as it was, and so does what
 * no column of the table says.
 */
final readonly class ReturnedRow
{
    private const FIELDS = ['title', 'language', 'body', 'parts', 'feedback', 'hints', 'stimuli'];

    /** Fields of the record → the column that says them. */
    private const RECORD = [
        'topics' => 'topic', 'standards' => 'standard', 'tags' => 'tags', 'difficulty' => 'difficulty', 'level' => 'level',
        'minutes' => 'minutes', 'source' => 'source', 'author' => 'author', 'notes' => 'notes',
    ];

    public function __construct(private PartKinds $kinds)
    {
    }

    /**
     * @param  \stdClass  $original  as it is stored, with its record
     * @param  list<string>  $columns  meanings of the columns the table has
     * @return \stdClass the original with what was edited
     */
    public function merged(\stdClass $original, \stdClass $read, array $columns): \stdClass
    {
        $row = RowOf::of(Question::read($original, $this->kinds), $original, [], new PictureNames([]));
        $merged = Json::copy($original);
        if ($row === null || ! $merged instanceof \stdClass) {
            return $read;
        }
        $sent = ReadBack::of($row, $columns);
        foreach (self::FIELDS as $field) {
            self::take($merged, $read->{$field} ?? null, $sent->{$field} ?? null, $field);
        }
        $record = ($merged->record ?? null) instanceof \stdClass ? $merged->record : new \stdClass;
        $now = ($read->record ?? null) instanceof \stdClass ? $read->record : new \stdClass;
        $was = ($sent->record ?? null) instanceof \stdClass ? $sent->record : new \stdClass;
        foreach (self::RECORD as $field => $column) {
            if (in_array($column, $columns, true)) {
                self::take($record, $now->{$field} ?? null, $was->{$field} ?? null, $field);
            }
        }
        $merged->record = $record;

        return $merged;
    }

    private static function take(\stdClass $into, mixed $now, mixed $sent, string $field): void
    {
        if (self::plain($now) === self::plain($sent)) {
            return;
        }
        if ($now === null) {
            unset($into->{$field});
        } else {
            $into->{$field} = $now;
        }
    }

    /** Pictures have other names in a table, and spaces are no edit. */
    private static function plain(mixed $json): string
    {
        return (string) preg_replace(['~<p>(?:<img[^>]*>)+</p>|<img[^>]*>~', '/\s+/'], ['', ' '], Json::encode($json));
    }
}
