<?php

declare(strict_types=1);

namespace WideQuarry\Migration;

use WideQuarry\Documents\DelimitedText;
use WideQuarry\Messages\Message;

/**
 * Statements as people have them: a table with a row for each draw (quiz, of, draw, pool, points, known), or sentences, a quiz a line:
 * "Quiz 1: drew 6 of the map questions, 2 points each; 3 of the density questions".
 */
final class StatementText
{
    private const HEADINGS = [
        'quiz' => '/^(?:quiz|test|assessment|exam|title|name)$/',
        'of' => '/^(?:of|from|pool|questions?|group|folder|kind|section|what)$/',
        'draw' => '/^(?:draws?|drawn|drew|select(?:s|ed)?|choose|count|number|how many)$/',
        'pool' => '/^(?:pool size|size|available|out of|there (?:are|were)|questions in (?:the )?pool|in (?:the )?pool)$/',
        'points' => '/^(?:points?|marks?|points each|each|worth|value)$/',
        'known' => '/^(?:known|certain|sure|status|certainty|how (?:sure|certain))$/',
    ];

    private const SENTENCE = '/^(?:it\s+)?(?:drew|draws?|selects?|selected|chose|choose|took|takes?|asks?|asked)?\s*(?<draw>\d{1,4})\s+'.
        '(?:of|from|out\s+of)\s+(?:the\s+)?(?:(?<pool>\d{1,5})\s+)?(?<of>.*?)'.
        '(?:\s*,?\s*(?:at|for|with|worth)?\s*(?<points>\d+(?:[.,]\d+)?)\s*(?:points?|marks?|pts?)(?:\s+each)?)?\s*[.?]?$/iu';

    /** @var list<string> sentences about what could not be understood */
    public array $problems = [];

    /** @var list<StatedDraw> */
    public array $draws = [];

    public static function read(string $text): self
    {
        $table = DelimitedText::read(DelimitedText::decoded($text));
        $rows = array_column($table->rows, 'cells', 'line');
        $read = self::ofRows($rows);
        if ($read !== null) {
            return $read;
        }
        $read = new self;
        foreach (explode("\n", DelimitedText::decoded($text)) as $i => $line) {
            $read->line(trim($line), $i + 1);
        }

        return $read;
    }

    /**
     * @param  iterable<int, list<string>>  $rows  line → cells, the first with the headings
     * @return ?self null when the headings are others
     */
    public static function ofRows(iterable $rows): ?self
    {
        $read = new self;
        $columns = null;
        foreach ($rows as $line => $cells) {
            if ($columns !== null) {
                $read->row($cells, $columns, $line);

                continue;
            }
            $columns = self::columns($cells);
            if (! isset($columns['quiz'], $columns['draw'])) {
                return null;
            }
        }

        return $columns === null ? null : $read;
    }

    /**
     * @param  list<string>  $heading
     * @return array<string, int>
     */
    private static function columns(array $heading): array
    {
        $columns = [];
        foreach ($heading as $at => $words) {
            $words = mb_strtolower(trim((string) preg_replace('/[\s_]+/u', ' ', $words), " :.\u{FEFF}"));
            foreach (self::HEADINGS as $what => $pattern) {
                if (! isset($columns[$what]) && preg_match($pattern, $words) === 1) {
                    $columns[$what] = $at;
                    break;
                }
            }
        }

        return $columns;
    }

    /**
     * @param  list<string>  $cells
     * @param  array<string, int>  $columns
     */
    private function row(array $cells, array $columns, int $line): void
    {
        $cell = fn (string $what): string => isset($columns[$what]) ? trim($cells[$columns[$what]] ?? '') : '';
        $points = str_replace(',', '.', $cell('points'));
        if ($cell('quiz') === '' || preg_match('/^\d{1,4}$/', $cell('draw')) !== 1 || ($points !== '' && ! is_numeric($points))) {
            $this->problems[] = Message::of('migration.row-unread', ['line' => $line]);

            return;
        }
        $this->draws[] = new StatedDraw(
            mb_substr($cell('quiz'), 0, 500),
            mb_substr($cell('of'), 0, 500),
            (int) $cell('draw'),
            preg_match('/^\d{1,5}$/', $cell('pool')) === 1 ? (int) $cell('pool') : null,
            $points === '' ? null : $points,
            preg_match('/^(?:assumed|guess(?:ed)?|probably|no|0|false|unsure|\?)/i', $cell('known')) !== 1,
        );
    }

    private function line(string $line, int $number): void
    {
        if ($line === '') {
            return;
        }
        [$quiz, $rest] = [...explode(':', $line, 2), ''];
        $understood = [];
        foreach (preg_split('/\s*;\s*/u', trim($rest)) ?: [] as $part) {
            if (preg_match(self::SENTENCE, trim($part), $m) !== 1) {
                $this->problems[] = Message::of('migration.line-unread', ['line' => $number, 'words' => mb_strimwidth($line, 0, 100, '…')]);

                return;
            }
            $of = trim((string) preg_replace('/\s*\bquestions?$/iu', '', trim($m['of'], ' ,.')));
            $points = str_replace(',', '.', $m['points'] ?? '');
            $understood[] = new StatedDraw(
                trim($quiz),
                $of,
                (int) $m['draw'],
                $m['pool'] === '' ? null : (int) $m['pool'],
                $points === '' ? null : $points,
                ! str_contains($part, '?'),
            );
        }
        array_push($this->draws, ...$understood);
    }
}
