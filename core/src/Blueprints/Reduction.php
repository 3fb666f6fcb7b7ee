<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use Brick\Math\RoundingMode;
use WideQuarry\Selection\Range;

/** Which questions a blueprint needs to look at: what no cell asks for stays in the database, and of what is the same, enough. */
final class Reduction
{
    /** What tells questions apart beside demands, so that how many are the same is not all there is to know. */
    private const TELLING = ['at_most', 'all_or_none', 'never_together', 'key_spread', 'mean_difficulty'];

    private const LEAST = 20;

    /**
     * So many of what is the same to every demand are as good as all of them: a test from which nothing can be left out takes no more of
     * them than some demand asks for at least.
     */
    public static function enough(Blueprint $blueprint, int $tests): int
    {
        $ranges = [$blueprint->total];
        foreach ($blueprint->tables as $table) {
            foreach ($table->cells as $cell) {
                $ranges[] = $cell->isAll ? ['count' => Range::exactly(Blueprint::QUESTIONS)] : $cell->ranges;
            }
        }
        foreach ($blueprint->rules as $rule) {
            $ranges[] = $rule->ranges;
        }
        $most = self::LEAST;
        foreach ($ranges as $range) {
            foreach ($range as $measure => $one) {
                $min = $measure === 'words' ? null : $one->min;
                $most = $min === null ? $most : max($most, $min->toScale(0, RoundingMode::UP)->toInt());
            }
        }

        return min(Blueprint::QUESTIONS, $most) * $tests;
    }

    /** Whether enough questions may not be enough, since rules tell some of them apart that demands do not. */
    public static function isDaring(Blueprint $blueprint): bool
    {
        return array_filter($blueprint->rules, fn (BlueprintRule $rule): bool => in_array($rule->rule, self::TELLING, true)) !== [];
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
