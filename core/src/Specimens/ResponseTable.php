<?php

declare(strict_types=1);

namespace WideQuarry\Specimens;

use WideQuarry\CoreException;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\Specimen;
use WideQuarry\Question\UnreadableResponse;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\ScorableKind;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Scoring\ScoringContext;

/**
 * Responses of learners as a table (one row each: answers to the parts, points given, a note) read as specimens of a question.
 *
 * @phpstan-type Row array{number: int, cells: list<string>, response: \stdClass, stated: string|null, scores: float|int|null, note: string, problem: string|null, known: bool, seed: int}
 */
final class ResponseTable
{
    /** Heads that say what a column holds, in small letters. */
    private const HEADS = [
        'score' => ['score', 'points', 'point', 'marks', 'mark', 'must score'],
        'note' => ['note', 'notes', 'remark', 'remarks', 'comment', 'why'],
        'seed' => ['seed', 'roll'],
        '' => ['name', 'learner', 'student', 'pupil', 'number', 'no', 'no.', 'id'],
    ];

    private const ANSWERS = ['answer', 'answers', 'response', 'responses'];

    /**
     * @param  list<list<string>>  $rows  as Documents\Cells reads them
     * @param  list<string>|null  $columns  what each column holds: the id of a part after "part:", score, note, seed, or '' for nothing;
     *     found out when null
     * @param  bool|null  $head  whether the first row says so; found out when null
     * @return array{columns: list<string>, head: bool, rows: list<Row>} stated: the points given in the table; scores: what it scores
     *     now; known: a specimen with this response is there
     */
    public static function read(Question $question, array $rows, ?array $columns = null, ?bool $head = null): array
    {
        $named = array_map(fn (string $cell): ?string => self::meant($question, $cell), $rows[0] ?? []);
        $head ??= array_filter($named, fn (?string $meant): bool => $meant !== null) !== [];
        $body = $head ? array_slice($rows, 1) : $rows;
        $columns ??= $head ? self::filledUp($question, $named) : self::guessed($question, $body);
        $known = array_map(
            fn (Specimen $specimen): string => Json::encode([$specimen->response, $specimen->seed]),
            $question->record->specimens,
        );
        $read = [];
        foreach ($body as $i => $cells) {
            if (array_filter($cells, fn (string $cell): bool => $cell !== '') !== []) {
                $row = self::row($question, $columns, $cells, $i + ($head ? 2 : 1), $known);
                if ($row['problem'] === null) {
                    $known[] = Json::encode([$row['response'], $row['seed']]);
                }
                $read[] = $row;
            }
        }

        return [
            'columns' => array_slice(array_pad($columns, count($rows[0] ?? []), ''), 0, count($rows[0] ?? [])),
            'head' => $head,
            'rows' => $read,
        ];
    }

    /**
     * @param  list<string>  $columns
     * @param  list<string>  $cells
     * @param  list<string>  $known
     * @return Row
     */
    private static function row(Question $question, array $columns, array $cells, int $number, array $known): array
    {
        $row = [
            'number' => $number,
            'cells' => $cells,
            'response' => new \stdClass(),
            'stated' => null,
            'scores' => null,
            'note' => '',
            'problem' => null,
            'known' => false,
            'seed' => 1,
        ];
        try {
            foreach ($columns as $at => $holds) {
                $cell = $cells[$at] ?? '';
                match (true) {
                    $cell === '' => null,
                    str_starts_with($holds, 'part:') => self::answer($question, $row['response'], substr($holds, 5), $cell),
                    $holds === 'score' => ($row['stated'] = self::points($question, $cell)),
                    $holds === 'note' => ($row['note'] = mb_substr($cell, 0, 1000)),
                    $holds === 'seed' => ($row['seed'] =
                        preg_match('/^\d{1,15}$/D', $cell) === 1
                            ? (int) $cell
                            : throw UnreadableResponse::because(Message::of('specimens.not-a-roll', ['cell' => $cell]))),
                    default => null,
                };
            }
            $row['scores'] = self::scored($question, new Attempt($row['response'], Seed::of($row['seed'])));
            $row['known'] = in_array(Json::encode([$row['response'], $row['seed']]), $known, true);
        } catch (CoreException $problem) {
            $row['problem'] = $problem->getMessage();
        }

        return $row;
    }

    /** @return float|int|null null while the question itself cannot be scored */
    private static function scored(Question $question, Attempt $attempt): float|int|null
    {
        try {
            return Exact::number((new Scorer)->score($question, $attempt)->score);
        } catch (CoreException) {
            return null;
        }
    }

    private static function answer(Question $question, \stdClass $response, string $id, string $cell): void
    {
        $part = $question->part($id);
        if ($part?->kind instanceof ScorableKind) {
            $response->{$id} = $part->kind->written(
                $part,
                $cell,
                ScoringContext::of($question, $question->variables->roll(Seed::of(1), $question->language)),
            );
        }
    }

    /** Points as written by hand: 1.5, 1,5 or 75 %. */
    private static function points(Question $question, string $cell): string
    {
        $plain = strtr(trim($cell), [',' => '.', '−' => '-']);
        $share = preg_match('/^([\d.]+)\s*%$/D', $plain, $m) === 1 ? Exact::read($m[1]) : null;
        $points = $share === null ? Exact::read($plain) : $question->points()->multipliedBy($share)->dividedBy(100);

        return (string) Exact::number($points ?? throw UnreadableResponse::because(Message::of('specimens.not-points', [
            'cell' => $cell,
        ])));
    }

    /** What a head says its column holds; null when it says nothing that is known. */
    private static function meant(Question $question, string $cell): ?string
    {
        $head = mb_strtolower(trim($cell));
        foreach (self::HEADS as $holds => $words) {
            if (in_array($head, $words, true)) {
                return $holds;
            }
        }
        if (in_array($head, self::ANSWERS, true)) {
            return 'part:'.($question->parts[0]->id ?? '');
        }
        foreach ($question->parts as $i => $part) {
            $called = [
                mb_strtolower($part->label),
                mb_strtolower($part->id),
                'part '.($i + 1),
                'answer '.($i + 1),
                '('.($i + 1).')',
            ];
            if ($head !== '' && in_array($head, $called, true)) {
                return "part:$part->id";
            }
        }

        return null;
    }

    /**
     * Columns whose heads say nothing hold the parts that none names, in order.
     *
     * @param  list<string|null>  $named
     * @return list<string>
     */
    private static function filledUp(Question $question, array $named): array
    {
        $left = array_values(
            array_diff(array_map(fn (Part $part): string => "part:$part->id", $question->parts), array_filter($named, is_string(...))),
        );

        return array_map(function (?string $meant) use (&$left): string {
            return $meant ?? (array_shift($left) ?? '');
        }, $named);
    }

    /**
     * Without heads: the parts in order, then points where all are numbers, then a note.
     *
     * @param  list<list<string>>  $body
     * @return list<string>
     */
    private static function guessed(Question $question, array $body): array
    {
        $columns = [];
        $parts = array_map(fn (Part $part): string => "part:$part->id", $question->parts);
        for ($at = 0; $at < count($body[0] ?? []); $at++) {
            $cells = array_filter(array_map(fn (array $row): string => $row[$at] ?? '', $body), fn (string $cell): bool => $cell !== '');
            $numbers = array_filter($cells, fn (string $cell): bool => preg_match('/^\d+([.,]\d+)?\s*%?$/D', $cell) !== 1) === [];
            $columns[] = match (true) {
                $parts !== [] => array_shift($parts),
                $numbers && ! in_array('score', $columns, true) => 'score',
                ! in_array('note', $columns, true) => 'note',
                default => '',
            };
        }

        return $columns;
    }
}
