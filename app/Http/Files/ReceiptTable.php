<?php

declare(strict_types=1);

namespace App\Http\Files;

/** A receipt as CSV (RFC 4180): counts, then questions, then notices. */
final class ReceiptTable
{
    /**
     * @param  \stdClass  $body  of a receipt of any kind
     * @param  list<\stdClass>  $questions  number, title, outcome of an import
     */
    public static function csv(string $title, string $at, \stdClass $body, array $questions): string
    {
        $rows = [['Receipt', $title], ['Date', $at]];
        foreach (get_object_vars($body) as $name => $value) {
            if (is_scalar($value)) {
                $rows[] = [self::words($name), $value];
            }
        }
        foreach (['source', 'result', 'counts', 'paragraphs', 'notices'] as $name) {
            foreach (($body->{$name} ?? null) instanceof \stdClass ? get_object_vars($body->{$name}) : [] as $what => $value) {
                if (is_scalar($value)) {
                    $rows[] = [self::words($name).': '.self::words($what), $value];
                }
            }
        }
        if ($questions !== []) {
            array_push(
                $rows,
                [],
                ['Number', 'Question', 'Outcome', 'Identifier'],
                ...array_map(
                    fn (\stdClass $one): array => [$one->number, $one->title, $one->outcome, $one->question_id ?? ''],
                    $questions,
                ),
            );
        }
        $notices = is_array($body->losses ?? null) ? $body->losses : (is_array($body->notices ?? null) ? $body->notices : []);
        if ($notices !== []) {
            array_push(
                $rows,
                [],
                ['Kind', 'Question', 'What', 'Code'],
                ...array_map(
                    fn (mixed $one): array => $one instanceof \stdClass
                        ? [$one->severity ?? '', $one->title ?? '', $one->message ?? '', $one->code ?? '']
                        : [],
                    $notices,
                ),
            );
        }

        return "\u{FEFF}".implode('', array_map(self::line(...), $rows));
    }

    private static function words(string $name): string
    {
        return ucfirst(str_replace('_', ' ', $name));
    }

    /** @param  array<mixed>  $cells */
    private static function line(array $cells): string
    {
        return implode(
            ',',
            array_map(function (mixed $cell): string {
                $text = is_scalar($cell) ? (string) $cell : '';
                // prevents formula injection (CWE-1236)
                $text = preg_match('/^[=+\-@\t\r]/', $text) === 1 && ! is_numeric($text) ? "'$text" : $text;

                return preg_match('/[",\r\n]/', $text) === 1 ? '"'.str_replace('"', '""', $text).'"' : $text;
            }, $cells),
        )."\r\n";
    }
}
