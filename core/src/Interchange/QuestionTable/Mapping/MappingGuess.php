<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Mapping;

use WideQuarry\Interchange\QuestionTable\Sheets\Sheet;

/** What the columns of a sheet hold, by their headings in any of several languages, and where those say nothing by what is in them. */
final class MappingGuess
{
    private const SAMPLE = 400;

    /** Rows in which a heading is looked for. */
    private const TOP = 30;

    /** @var array<int, list<string>> row → cells */
    private array $rows;

    /** @var list<string> */
    private array $headings = [];

    /** @var array<int, Column> */
    private array $columns = [];

    private function __construct(private readonly Sheet $sheet, private readonly ?int $known)
    {
        $this->rows = $sheet->first(self::SAMPLE);
    }

    /** @param  int|null  $header  the row of the headings where it is known, 0 for none */
    public static function of(Sheet $sheet, ?int $header = null): SheetMapping
    {
        return (new self($sheet, $header))->mapping();
    }

    private function mapping(): SheetMapping
    {
        [$header, $first] = $this->header();
        $body = array_filter($this->rows, fn (int $row): bool => $row >= $first, ARRAY_FILTER_USE_KEY);
        $this->byHeadings();
        $contents = new ColumnContents($body);
        $this->byContents($contents, $header > 0);
        ksort($this->columns);
        $columns = array_values($this->columns);
        $isPerOption = $this->isPerOption($columns, $body);
        $columns = $this->marks($columns, $contents, $isPerOption);
        $columns = $isPerOption ? $this->feedbackOfOptions($columns, $body) : $columns;
        $columns = $isPerOption ? $columns : $this->listsInCells($columns, $contents);
        $style = $isPerOption ? KeyStyle::Letter : KeyStyles::of($columns, $body);
        $has = fn (Meaning $meaning): bool => array_filter($columns, fn (Column $one): bool => $one->is === $meaning) !== [];

        return new SheetMapping(
            $this->sheet->name,
            $header,
            $first,
            $isPerOption,
            $style,
            $this->decimal($columns, $body),
            $columns,
            $has(Meaning::Stem) && count($columns) > 1,
        );
    }

    /** @return array{int, int} the row of the headings, 0 for none, and the first row of questions */
    private function header(): array
    {
        if ($this->known !== null) {
            $this->headings = $this->rows[$this->known] ?? [];

            return [$this->known, $this->known + 1];
        }
        $best = $bestScore = 0;
        foreach (array_slice($this->rows, 0, self::TOP, true) as $row => $cells) {
            $words = array_filter($cells, fn (string $cell): bool => ! ctype_digit(trim($cell)));
            $known = array_unique(array_filter(array_map(
                fn (string $cell): ?string => ($found = Heading::of($cell)) === null ? null : "{$found->is->value} $found->for",
                $words,
            )));
            $isSure = Heading::isOfQuestions($cells);
            $score = count($known) + ($isSure ? 3 : 0);
            $isMostly = count($known) * 2 >= count(array_filter($words, fn (string $one): bool => $one !== ''));
            if ($score > $bestScore && $score >= 2 && ($isSure || $isMostly)) {
                [$best, $bestScore] = [$row, $score];
            }
        }
        $numbers = array_keys($this->rows);
        if ($best === 0) {
            return [0, $numbers[0] ?? 1];
        }
        $this->headings = $this->rows[$best];
        $next = $numbers[(int) array_search($best, $numbers, true) + 1] ?? $best + 1;
        $before = $numbers[(int) array_search($best, $numbers, true) - 1] ?? 0;
        if ($before === $best - 1 && isset($this->rows[$before]) && $this->isOver($this->rows[$before], $this->headings)) {
            $this->headings = self::joined($this->rows[$before], $this->headings);
        } elseif ($next === $best + 1 && isset($this->rows[$next]) && $this->isUnder($this->rows[$next])) {
            $this->headings = self::joined($this->headings, $this->rows[$next]);

            return [$next, $next + 1];
        }

        return [$best, $best + 1];
    }

    /**
     * Words that span several columns, above their headings.
     *
     * @param  list<string>  $over
     * @param  list<string>  $headings
     */
    private function isOver(array $over, array $headings): bool
    {
        $words = array_filter($over, fn (string $cell): bool => trim($cell) !== '');

        return count($words) >= 2 && count($words) < count(array_filter($headings, fn (string $one): bool => trim($one) !== ''));
    }

    /**
     * A second row of headings: "A", "B", "C" below "Options".
     *
     * @param  list<string>  $cells
     */
    private function isUnder(array $cells): bool
    {
        $filled = array_filter($cells, fn (string $cell): bool => trim($cell) !== '');
        $known = array_filter($filled, fn (string $cell): bool => Heading::of($cell) !== null);
        $stem = $this->columnOf(Meaning::Stem);
        $empty = array_filter($this->headings, fn (string $one): bool => trim($one) === '');

        return count($known) >= 2 &&
            count($known) === count($filled) &&
            $empty !== [] &&
            ($stem === null || trim($cells[$stem] ?? '') === '');
    }

    private function columnOf(Meaning $meaning): ?int
    {
        foreach ($this->headings as $at => $words) {
            if (Heading::of($words)?->is === $meaning) {
                return $at;
            }
        }

        return null;
    }

    /**
     * @param  list<string>  $over
     * @param  list<string>  $under
     * @return list<string>
     */
    private static function joined(array $over, array $under): array
    {
        $joined = [];
        $last = '';
        for ($at = 0; $at < max(count($over), count($under)); $at++) {
            $above = trim($over[$at] ?? '');
            $below = trim($under[$at] ?? '');
            $last = $above === '' ? $last : $above;
            $both = trim("$last $below");
            $joined[] = match (true) {
                $below === '' => $above,
                $above === '' && Heading::of($both) === null => $below,
                default => $both,
            };
        }

        return $joined;
    }

    private function byHeadings(): void
    {
        $taken = [];
        $options = array_filter($this->headings, fn (string $words): bool => (Heading::of($words)?->is) === Meaning::Option);
        foreach ($this->headings as $at => $words) {
            $found = Heading::of($words);
            if ($found === null && trim($words) !== '') {
                $found = Heading::of((string) preg_replace('/\s*\([^)]*\)\s*$/u', '', $words)); // "Marks (total)"
            }
            // a lone "1" or "A" over a column is no option
            if ($found === null || ($found->is === Meaning::Option && count($options) < 2 && mb_strlen(trim($words)) < 3)) {
                continue;
            }
            if (! $found->is->isRepeated() && isset($taken[$found->is->value])) {
                $found = null;
            }
            if ($found !== null) {
                $taken[$found->is->value] = true;
                $this->columns[$at] = new Column($at, $found->is, trim($words), $found->for);
            }
        }
        $this->withFollowing();
    }

    /** "Correct?" or "Feedback" behind each option belongs to that option. */
    private function withFollowing(): void
    {
        $option = 0;
        $count = count(array_filter($this->columns, fn (Column $column): bool => $column->is === Meaning::Option));
        foreach ($this->columns as $at => $column) {
            if ($column->is === Meaning::Option) {
                $option++;
                // "Option A" is the first of them wherever it stands; columns are counted as they stand
                $this->columns[$at] = new Column($at, $column->is, $column->heading, $option);
            } elseif ($column->for === null && $count > 1 && in_array($column->is, [Meaning::Mark, Meaning::OptionFeedback], true)) {
                $this->columns[$at] = new Column($at, $column->is, $column->heading, max(1, $option));
            }
        }
    }

    private function byContents(ColumnContents $contents, bool $hasHeader): void
    {
        $free = array_values(array_filter($contents->columns(), fn (int $at): bool => ! isset($this->columns[$at])));
        foreach ($contents->guess($free, array_values($this->columns), $hasHeader) as $at => [$meaning, $for]) {
            $this->columns[$at] = new Column($at, $meaning, trim($this->headings[$at] ?? ''), $for);
        }
        foreach ($free as $at) {
            $this->columns[$at] ??= new Column($at, Meaning::Ignored, trim($this->headings[$at] ?? ''));
        }
    }

    /**
     * "Correct" over crosses or yes and no does not name the right option, it marks it.
     *
     * @param  list<Column>  $columns
     * @return list<Column>
     */
    private function marks(array $columns, ColumnContents $contents, bool $isPerOption): array
    {
        $options = array_filter($columns, fn (Column $one): bool => $one->is === Meaning::Option);

        return array_map(fn (Column $one): Column => match (true) {
            $isPerOption &&
                $one->is === Meaning::Answer &&
                $contents->areMarks($one->at) => new Column($one->at, Meaning::Mark, $one->heading),
            count($options) > 1 &&
                $one->is === Meaning::Right &&
                $one->for !== null &&
                $contents->areMarks($one->at) => new Column($one->at, Meaning::Mark, $one->heading, $one->for),
            default => $one,
        }, $columns);
    }

    /**
     * Where the options of a question have different feedback, it is theirs.
     *
     * @param  list<Column>  $columns
     * @param  array<int, list<string>>  $body
     * @return list<Column>
     */
    private function feedbackOfOptions(array $columns, array $body): array
    {
        $at = fn (Meaning $meaning): int => array_values(
            array_filter($columns, fn (Column $one): bool => $one->is === $meaning),
        )[0]->at ?? -1;
        [$stem, $feedback] = [$at(Meaning::Stem), $at(Meaning::Feedback)];
        $said = [];
        $question = '';
        foreach ($body as $cells) {
            $words = trim($cells[$stem] ?? '');
            $question = $words === '' ? $question : $words;
            $said[$question][] = trim($cells[$feedback] ?? '');
        }
        $differ = array_filter(
            $said,
            fn (array $one): bool => count(array_unique(array_filter($one, fn (string $x): bool => $x !== ''))) > 1,
        );

        return $differ === [] ? $columns : array_map(
            fn (Column $one): Column => $one->is === Meaning::Feedback
                ? new Column($one->at, Meaning::OptionFeedback, $one->heading)
                : $one,
            $columns,
        );
    }

    /**
     * @param  list<Column>  $columns
     * @param  array<int, list<string>>  $body
     */
    private function isPerOption(array $columns, array $body): bool
    {
        $of = fn (Meaning $meaning): array => array_values(array_filter($columns, fn (Column $one): bool => $one->is === $meaning));
        if (count($of(Meaning::Option)) !== 1 || $of(Meaning::Options) !== [] || $of(Meaning::Wrong) !== []) {
            return false;
        }
        $stem = $of(Meaning::Stem)[0] ?? null;
        $last = null;
        $continued = 0;
        foreach ($body as $cells) {
            $words = trim($cells[$stem->at ?? 0] ?? '');
            $continued += $words === '' || $words === $last ? 1 : 0;
            $last = $words === '' ? $last : $words;
        }

        return $stem !== null && $continued * 10 >= count($body) * 3 && $continued > 0;
    }

    /**
     * One column of options, a row a question: all are in its cells.
     *
     * @param  list<Column>  $columns
     * @return list<Column>
     */
    private function listsInCells(array $columns, ColumnContents $contents): array
    {
        $options = array_filter($columns, fn (Column $one): bool => $one->is === Meaning::Option);
        if (count($options) !== 1) {
            return $columns;
        }

        return array_map(
            fn (Column $one): Column => $one->is === Meaning::Option && $contents->holdsLists($one->at)
                ? new Column($one->at, Meaning::Options, $one->heading)
                : $one,
            $columns,
        );
    }

    /**
     * @param  list<Column>  $columns
     * @param  array<int, list<string>>  $body
     */
    private function decimal(array $columns, array $body): string
    {
        $numeric = [Meaning::Answer, Meaning::Right, Meaning::Points, Meaning::Tolerance, Meaning::Option, Meaning::Mark, Meaning::Minutes];
        $points = $commas = 0;
        foreach ($columns as $column) {
            foreach (in_array($column->is, $numeric, true) ? $body : [] as $cells) {
                $cell = trim($cells[$column->at] ?? '');
                $points += preg_match('/^[-−+]?\d+\.\d+(?:\s|$|±)/u', $cell);
                $commas += preg_match('/^[-−+]?\d+,\d+(?:\s|$|±)/u', $cell);
            }
        }

        return $commas > $points || ($commas === $points && $this->sheet->separator === ';') ? ',' : '.';
    }
}
