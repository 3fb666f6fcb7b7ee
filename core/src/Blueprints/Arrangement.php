<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use WideQuarry\Selection\Candidate;
use WideQuarry\Selection\Group;

/**
 * The sections of an assessment that a test becomes. As draws, questions that the blueprint cannot tell apart are drawn from all there
 * are of them, so that every learner gets another selection that meets the same demands.
 *
 * @phpstan-type Entry array{question: string}|array{draw: int, title: string, pool: list<string>}
 */
final class Arrangement
{
    /** Enough for every learner to get another selection; every question of a pool counts as used. */
    public const POOL = 200;

    /**
     * @param  list<Candidate>  $taken
     * @param  list<Group>  $groups  of the whole pool, where draws are made of it
     * @param  array<string, string>  $topics  question → where its topic comes in an order of topics
     * @return list<array{title: string, entries: list<Entry>}>
     */
    public static function of(Blueprint $blueprint, array $taken, array $groups = [], array $topics = []): array
    {
        $table = $blueprint->tables[0] ?? null;
        $keys = [];
        foreach ($taken as $candidate) {
            [$row, $column] = [self::line($table, 'r', $candidate), self::line($table, 'c', $candidate)];
            $order = match ($blueprint->layout->order) {
                'difficulty' => [(int) ($candidate->values('difficulty')[0] ?? 6), $row, $column],
                'topic' => [$topics[$candidate->id] ?? "\u{10FFFF}", $row, $column],
                default => [$row, $column],
            };
            $section = match ($blueprint->layout->sections) {
                'rows' => $row,
                'columns' => $column,
                default => 0,
            };
            $keys[$candidate->id] = [$section, ...$order, $candidate->id];
        }
        usort($taken, fn (Candidate $a, Candidate $b): int => $keys[$a->id] <=> $keys[$b->id]);
        $sections = [];
        foreach ($taken as $candidate) {
            $sections[$keys[$candidate->id][0]][] = $candidate;
        }
        $drawn = self::drawn($taken, $groups);

        return array_map(
            fn (int $at): array => [
                'title' => self::title($blueprint, $at),
                'entries' => self::entries($blueprint, $sections[$at], $drawn),
            ],
            array_keys($sections),
        );
    }

    /** Which of the lines of a side a question is in first; after all of them where it is in none. */
    private static function line(?Table $table, string $side, Candidate $candidate): int
    {
        if ($table === null) {
            return 0;
        }
        $flat = Table::flat($side === 'r' ? $table->rows : $table->columns);
        foreach ($flat as $i => ['line' => $line, 'within' => $within]) {
            $isParted = $line->lines !== [] && $within === null;
            $needs = ["$table->id/$side/$line->id", ...$within === null ? [] : ["$table->id/$side/$within->id"]];
            if (! $isParted && array_diff($needs, array_keys($candidate->attributes)) === []) {
                return $i;
            }
        }

        return count($flat);
    }

    private static function title(Blueprint $blueprint, int $at): string
    {
        $table = $blueprint->tables[0] ?? null;
        $flat = match ($table === null ? 'one' : $blueprint->layout->sections) {
            'rows' => Table::flat($table->rows ?? []),
            'columns' => Table::flat($table->columns ?? []),
            default => [],
        };
        $line = $flat[$at] ?? null;
        $titles = $line === null ? [] : [$line['within']->title ?? '', $line['line']->title];

        return implode(', ', array_filter($titles, fn (string $title): bool => $title !== ''));
    }

    /**
     * @param  list<Candidate>  $taken
     * @param  list<Group>  $groups
     * @return array<string, Group> question → the group it is drawn from
     */
    private static function drawn(array $taken, array $groups): array
    {
        $ids = [];
        foreach ($taken as $candidate) {
            $ids[$candidate->id] = true;
        }
        $drawn = [];
        foreach ($groups as $group) {
            $here = array_filter($group->members, fn (Candidate $one): bool => isset($ids[$one->id]));
            foreach (count($here) < $group->size() ? $here : [] as $candidate) {
                $drawn[$candidate->id] = $group;
            }
        }

        return $drawn;
    }

    /**
     * @param  list<Candidate>  $candidates
     * @param  array<string, Group>  $drawn
     * @return list<Entry>
     */
    private static function entries(Blueprint $blueprint, array $candidates, array $drawn): array
    {
        $entries = [];
        $counts = array_count_values(array_filter(array_map(
            fn (Candidate $one): string => ($drawn[$one->id] ?? null)->signature ?? '',
            $candidates,
        ), fn (string $signature): bool => $signature !== ''));
        $done = [];
        foreach ($candidates as $candidate) {
            $group = $drawn[$candidate->id] ?? null;
            if ($group === null) {
                $entries[] = ['question' => $candidate->id];
            } elseif (! isset($done[$group->signature])) {
                $done[$group->signature] = true;
                $entries[] = [
                    'draw' => $counts[$group->signature],
                    'title' => self::place($blueprint, $candidate),
                    'pool' => array_map(fn (Candidate $one): string => $one->id, array_slice($group->members, 0, self::POOL)),
                ];
            }
        }

        return $entries;
    }

    /** What the cell is called that a question was taken for. */
    private static function place(Blueprint $blueprint, Candidate $candidate): string
    {
        foreach ($blueprint->tables as $table) {
            foreach ($table->cells as $cell) {
                $needs = $table->needs($cell->row, $cell->column);
                if ($needs !== [] && $cell->isWanted() && array_diff($needs, array_keys($candidate->attributes)) === []) {
                    return $table->name($cell->row, $cell->column);
                }
            }
        }

        return '';
    }
}
