<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

/** Which questions a blueprint needs to look at: what no cell asks for stays in the database, and of what is the same, enough. */
final class Reduction
{
    /** Of questions that are the same, so many times as could be taken, for the rules that tell them apart all the same. */
    private const SPARE = 4;

    /**
     * @param  list<string>  $keys  of the conditions that some questions meet
     * @return int how many of them, of each amount of points and minutes, are enough; 0 where none may be taken
     */
    public static function enough(Blueprint $blueprint, array $keys, int $tests): int
    {
        foreach ($blueprint->tables as $table) {
            if (self::isOutside($table, $keys)) {
                return 0;
            }
        }
        $most = Blueprint::QUESTIONS;
        foreach ($blueprint->tables as $table) {
            foreach ($table->cells as $cell) {
                $max = ($cell->ranges['count'] ?? null)?->max;
                if ($max !== null && array_diff($table->needs($cell->row, $cell->column), $keys) === []) {
                    $most = min($most, $max->toInt());
                }
            }
        }
        $isTold = array_filter($blueprint->rules, fn (BlueprintRule $rule): bool => $rule->rule !== 'some') !== [];

        return $most * $tests * ($isTold ? self::SPARE : 1) + ($isTold ? self::SPARE : 0);
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
