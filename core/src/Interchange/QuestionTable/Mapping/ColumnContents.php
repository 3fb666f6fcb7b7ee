<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Mapping;

use WideQuarry\Interchange\QuestionTable\Rows\CellList;
use WideQuarry\Interchange\QuestionTable\Rows\KindName;
use WideQuarry\Interchange\QuestionTable\Rows\OptionKey;
use WideQuarry\Interchange\Typed\Recognition\Vocabulary;

/** What columns without a telling heading hold, by the cells of the first rows. */
final class ColumnContents
{
    /** @var array<int, list<string>> column → its cells with something in them */
    private array $cells = [];

    private int $rows;

    /** @param  array<int, list<string>>  $body */
    public function __construct(array $body)
    {
        $this->rows = count($body);
        foreach ($body as $cells) {
            foreach ($cells as $at => $cell) {
                if (trim($cell) !== '') {
                    $this->cells[$at][] = trim($cell);
                }
            }
        }
        ksort($this->cells);
    }

    /** @return list<int> those with something in them */
    public function columns(): array
    {
        return array_keys($this->cells);
    }

    /**
     * @param  list<int>  $free  columns nobody has said anything of
     * @param  list<Column>  $known
     * @return array<int, array{Meaning, int|null}>
     */
    public function guess(array $free, array $known, bool $hasHeader): array
    {
        $has = fn (Meaning ...$any): bool => array_filter($known, fn (Column $one): bool => in_array($one->is, $any, true)) !== [];
        $guessed = [];
        if (! $has(Meaning::Stem)) {
            $stem = $this->stem($free);
            if ($stem !== null) {
                $guessed[$stem] = [Meaning::Stem, null];
            }
        }
        $free = array_values(array_diff($free, array_keys($guessed)));
        $answers = [Meaning::Option, Meaning::Options, Meaning::Answer, Meaning::Right, Meaning::Wrong, Meaning::Mark];
        if ($hasHeader && $has(...$answers)) {
            return $guessed;
        }
        foreach ($free as $i => $at) {
            $meaning = match (true) {
                ! $has(Meaning::Kind) && $this->share($at, fn (string $cell): bool => KindName::of($cell) !== null) > 0.8 => Meaning::Kind,
                ! $has(Meaning::Answer) && $this->areKeys($at) => Meaning::Answer,
                default => null,
            };
            if ($meaning !== null && ! in_array([$meaning, null], $guessed, true)) {
                $guessed[$at] = [$meaning, null];
                unset($free[$i]);
            }
        }
        if ($hasHeader) {
            return $guessed;
        }

        return $guessed + $this->options(array_values($free), $guessed);
    }

    public function holdsLists(int $at): bool
    {
        return $this->share($at, fn (string $cell): bool => count(CellList::of($cell)) > 1) > 0.5;
    }

    /** Crosses, yes and no, ones and noughts, shares. */
    public function areMarks(int $at): bool
    {
        return $this->share($at, fn (string $cell): bool => OptionKey::isMark($cell) ||
            preg_match('/^-?\d+(?:[.,]\d+)?\s*%?$/', $cell) === 1) > 0.9;
    }

    /** @param  list<int>  $free */
    private function stem(array $free): ?int
    {
        $best = null;
        $most = 0.0;
        foreach ($free as $at) {
            $cells = $this->cells[$at];
            $length = array_sum(array_map(mb_strlen(...), $cells)) / count($cells);
            $asks = $this->share($at, fn (string $cell): bool => preg_match('/[?:]$|_{3,}/u', $cell) === 1);
            $score = min(120.0, $length) * (1 + 2 * $asks) * (count($cells) / max(1, $this->rows));
            if ($length > 8 && $score > $most) {
                [$best, $most] = [$at, $score];
            }
        }

        return $best;
    }

    private function areKeys(int $at): bool
    {
        $isKey = fn (string $cell): bool => preg_match('/^[A-H](?:\s*[,;&]?\s*[A-H])*$/i', $cell) === 1 ||
            preg_match('/^[1-9](?:\s*[,;]\s*[1-9])*$/', $cell) === 1 || Vocabulary::pairOf($cell) !== null;

        return $this->share($at, $isKey) > 0.7 && count(array_unique($this->cells[$at])) > 1;
    }

    /**
     * Where nothing is said, columns of words are options, and a column of small numbers behind them points.
     *
     * @param  list<int>  $free
     * @param  array<int, array{Meaning, int|null}>  $guessed
     * @return array<int, array{Meaning, int|null}>
     */
    private function options(array $free, array $guessed): array
    {
        $stem = array_key_first(array_filter($guessed, fn (array $one): bool => $one[0] === Meaning::Stem));
        if ($stem === null) {
            return [];
        }
        $key = array_key_first(array_filter($guessed, fn (array $one): bool => $one[0] === Meaning::Answer));
        $found = [];
        $words = array_values(array_filter($free, fn (int $at): bool => $at > $stem && count($this->cells[$at]) * 4 >= $this->rows));
        $isSmall = fn (int $at): bool => $this->share(
            $at,
            fn (string $cell): bool => preg_match('/^\d{1,2}(?:[.,]5)?$/', $cell) === 1,
        ) > 0.9;
        if ($key === null && count($words) === 1) {
            return [$words[0] => [Meaning::Answer, null]];
        }
        foreach ($words as $at) {
            if ($key !== null && $at > $key && $isSmall($at)) {
                $found[$at] = [Meaning::Points, null];
            } elseif ($key === null || $at < $key) {
                $found[$at] = [Meaning::Option, count($found) + 1];
            }
        }

        return $found;
    }

    /** @param  callable(string): bool  $is */
    private function share(int $at, callable $is): float
    {
        $cells = $this->cells[$at] ?? [];

        return $cells === [] ? 0.0 : count(array_filter($cells, $is)) / count($cells);
    }
}
