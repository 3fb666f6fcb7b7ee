<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use Brick\Math\RoundingMode;
use WideQuarry\Numbers\Exact;
use WideQuarry\Selection\Measure;
use WideQuarry\Selection\Range;

/** Which questions a blueprint needs to look at: what no cell asks for stays in the database, and of what is the same, enough. */
final class Reduction
{
    /** Rules that a test may break by leaving out a question. */
    private const DARING = ['all_or_none', 'key_spread', 'mean_difficulty'];

    private const LEAST = 20;

    /**
     * So much of what is the same to every demand and rule is as good as all of it, by measure: a test from which nothing can be left out
     * takes no more of it than some demand asks for at least. Wishes are for more, up to what demands allow.
     *
     * @return array{count: int, points: string, minutes: string, words: string}
     */
    public static function enough(Blueprint $blueprint, int $tests): array
    {
        $ranges = [$blueprint->total, ...array_map(fn (BlueprintRule $rule): array => $rule->ranges, $blueprint->rules)];
        foreach ($blueprint->tables as $table) {
            array_push($ranges, ...array_map(self::ranges(...), $table->cells));
        }
        $most = array_fill_keys(array_column(Measure::cases(), 'value'), Exact::zero());
        foreach ($ranges as $range) {
            foreach ($range as $measure => $one) {
                $most[$measure] = $one->min?->isGreaterThan($most[$measure]) === true ? $one->min : $most[$measure];
            }
        }
        $text = fn (string $measure): string => Exact::decimal($most[$measure]->multipliedBy($tests)) ?? '0';
        $count = $blueprint->wishes === []
            ? max(self::LEAST, $most['count']->toScale(0, RoundingMode::UP)->toInt())
            : self::allowed($blueprint);

        return [
            'count' => min(Blueprint::QUESTIONS, $count) * $tests,
            'points' => $text('points'),
            'minutes' => $text('minutes'),
            'words' => $text('words'),
        ];
    }

    /** @return array<string, Range> */
    private static function ranges(Cell $cell): array
    {
        return $cell->isAll ? ['count' => Range::exactly(Blueprint::QUESTIONS)] : $cell->ranges;
    }

    /** No more of one group can be taken than the largest cell of a table allows that lets nothing else in. */
    private static function allowed(Blueprint $blueprint): int
    {
        foreach ($blueprint->tables as $table) {
            $wanted = array_filter($table->cells, fn (Cell $cell): bool => $cell->isWanted());
            $most = array_map(fn (Cell $cell): ?int => (self::ranges($cell)['count'] ?? null)?->max?->toInt(), $wanted);
            if ($table->isOnly && $most !== [] && ! in_array(null, $most, true)) {
                return max(self::LEAST, ...array_values($most));
            }
        }

        return Blueprint::QUESTIONS;
    }

    /** Whether enough questions may not be enough, since a test may need more than demands ask for. */
    public static function isDaring(Blueprint $blueprint): bool
    {
        return array_filter($blueprint->rules, fn (BlueprintRule $rule): bool => in_array($rule->rule, self::DARING, true)) !== [];
    }

    /**
     * Whether a question may be taken at all.
     *
     * @param  list<string>  $keys  of the conditions it meets
     */
    public static function isCandidate(Blueprint $blueprint, array $keys): bool
    {
        foreach ($blueprint->tables as $table) {
            if (self::isOutside($table, $keys)) {
                return false;
            }
        }

        return true;
    }

    /**
     * Whether a table keeps questions out because none of its cells asks for them.
     *
     * @param  list<string>  $keys
     */
    public static function isOutside(Table $table, array $keys): bool
    {
        if (! $table->isOnly) {
            return false;
        }
        $isAsked = false;
        foreach ($table->cells as $cell) {
            $isAsked = $isAsked || $cell->isWanted();
            if ($cell->isWanted() && array_diff($table->needs($cell->row, $cell->column), $keys) === []) {
                return false;
            }
        }

        return $isAsked;
    }
}
