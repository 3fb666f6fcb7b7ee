<?php

declare(strict_types=1);

namespace WideQuarry\Marking;

use WideQuarry\Documents\SpreadsheetCells;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/**
 * Cells of a spreadsheet as criteria and levels. A row is a criterion: its title, then what an answer at each level is like. A first row
 * may name the levels and their points ("Secure 4", "3–4"); points may stand at the start of a cell as well ("2: names both"). On a
 * checklist a row is a point: its words, how many points, what to accept and what not, wordings between semicolons.
 */
final class RubricTable
{
    private const NUMBER = '-?\d+(?:[.,]\d{1,4})?';

    /**
     * @return \stdClass {criteria: […]} as it stands in a rubric
     *
     * @throws Malformed when there are more criteria or levels than a rubric has
     */
    public static function read(string $pasted, RubricScheme $scheme): \stdClass
    {
        $rows = SpreadsheetCells::read($pasted, true);
        if ($rows === []) {
            throw Malformed::outOfRange('/pasted', Message::of('marking.cells'), $pasted);
        }
        $criteria = $scheme === RubricScheme::Checklist ? self::checklist($rows) : self::levels($rows);
        if (count($criteria) > Rubric::MOST_CRITERIA) {
            throw Malformed::outOfRange('/pasted', Message::of('marking.most-rows', ['most' => Rubric::MOST_CRITERIA]), count($criteria));
        }

        return (object) ['criteria' => $criteria];
    }

    /**
     * @param  list<list<string>>  $rows
     * @return list<\stdClass>
     *
     * @throws Malformed
     */
    private static function levels(array $rows): array
    {
        $heads = self::heads($rows);
        $body = $heads === [] ? $rows : array_slice($rows, 1);
        $criteria = [];
        foreach ($body as $row) {
            if (implode('', $row) === '') {
                continue;
            }
            $levels = [];
            foreach (array_slice($row, 1) as $i => $cell) {
                $head = $heads[$i] ?? ['title' => '', 'points' => null];
                [$points, $words] = self::atStart($cell);
                if ($cell !== '' || $head['points'] !== null) {
                    $levels[] = (object) [
                        'id' => 'l'.(count($levels) + 1),
                        'title' => $head['title'],
                        'points' => $points ?? $head['points'],
                        'html' => $words === '' ? '' : '<p>'.htmlspecialchars($words, ENT_NOQUOTES).'</p>',
                    ];
                }
            }
            if (count($levels) > Criterion::MOST_LEVELS) {
                $most = Message::of('marking.most-columns', ['most' => Criterion::MOST_LEVELS]);
                throw Malformed::outOfRange('/pasted', $most, count($levels));
            }
            $criteria[] = (object) ['id' => 'c'.(count($criteria) + 1), 'title' => mb_substr($row[0], 0, 1000), 'levels' => $levels];
        }

        return $criteria;
    }

    /**
     * The first row where it names levels: its first cell is empty or every other cell has points.
     *
     * @param  list<list<string>>  $rows
     * @return list<array{title: string, points: int|float|\stdClass|null}>
     */
    private static function heads(array $rows): array
    {
        $cells = array_slice($rows[0], 1);
        $heads = array_map(self::head(...), $cells);
        $named = array_filter($cells, fn (string $cell): bool => $cell !== '');
        $withPoints = array_filter($heads, fn (array $head): bool => $head['points'] !== null);

        return count($rows) > 1 && $named !== [] && ($rows[0][0] === '' || count($withPoints) === count($cells)) ? $heads : [];
    }

    /** @return array{title: string, points: int|float|\stdClass|null} */
    private static function head(string $cell): array
    {
        $range = '/\(?\s*('.self::NUMBER.')\s*(?:[–-]\s*('.self::NUMBER.'))?\s*(?:points?|marks?|pts?\.?)?\s*\)?\s*$/ui';
        if (preg_match($range, $cell, $m) !== 1) {
            return ['title' => $cell, 'points' => null];
        }
        $title = trim((string) preg_replace('/[\s:(–-]+$/u', '', mb_substr($cell, 0, mb_strlen($cell) - mb_strlen($m[0]))));

        return [
            'title' => $title,
            'points' => isset($m[2]) ? (object) ['from' => self::number($m[1]), 'to' => self::number($m[2])] : self::number($m[1]),
        ];
    }

    /** @return array{int|float|null, string} points at the start of a cell, and the rest */
    private static function atStart(string $cell): array
    {
        return preg_match('/^\(?('.self::NUMBER.')\)?\s*[:)=–]\s*(.*)$/us', $cell, $m) === 1
            ? [self::number($m[1]), $m[2]]
            : (preg_match('/^'.self::NUMBER.'$/u', $cell) === 1
                ? [self::number($cell), '']
                : [null, $cell]);
    }

    /**
     * @param  list<list<string>>  $rows
     * @return list<\stdClass>
     */
    private static function checklist(array $rows): array
    {
        $criteria = [];
        foreach ($rows as $row) {
            if ($row[0] === '') {
                continue;
            }
            $rest = array_slice($row, 1);
            $hasPoints = preg_match('/^'.self::NUMBER.'$/u', $rest[0] ?? '') === 1;
            $points = $hasPoints ? self::number($rest[0]) : 1;
            $words = $hasPoints ? array_slice($rest, 1) : $rest;
            $criteria[] = (object) [
                'id' => 'c'.(count($criteria) + 1),
                'title' => mb_substr($row[0], 0, 1000),
                'levels' => [(object) ['id' => 'l1', 'points' => $points, 'html' => '']],
                'accept' => self::wordings($words[0] ?? ''),
                'reject' => self::wordings($words[1] ?? ''),
            ];
        }

        return $criteria;
    }

    /** @return list<string> */
    private static function wordings(string $cell): array
    {
        $wordings = array_map(trim(...), preg_split('/[;\n]+/u', $cell) ?: []);

        return array_slice(array_values(array_filter($wordings, fn (string $one): bool => $one !== '')), 0, Criterion::MOST_WORDINGS);
    }

    private static function number(string $text): int|float
    {
        $number = (float) strtr($text, ',', '.');

        return $number === floor($number) ? (int) $number : $number;
    }
}
