<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Rows;

use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;
use WideQuarry\Interchange\Typed\Recognition\Vocabulary;

/** What a row says of its question: topics, standards, tags, difficulty and where it comes from. */
final readonly class RowRecord
{
    private const LONGEST = 1000;

    public function __construct(private Entry $entry, private string $decimal, private CellProblems $problems)
    {
    }

    /** @return array<string, mixed> fields of core/schema/record.json, without `origin` */
    public function fields(): array
    {
        $words = [];
        foreach (
            [
                'level' => Meaning::Level, 'source' => Meaning::Source, 'author' => Meaning::Author,
            ] as $field => $meaning
        ) {
            $text = $this->entry->text($meaning);
            if ($text !== '') {
                $words[$field] = mb_substr(CellText::plain($text), 0, self::LONGEST);
            }
        }
        $notes = $this->entry->text(Meaning::Notes);

        return array_filter([
            'topics' => $this->topics(),
            'standards' => array_map(
                fn (string $code): \stdClass => (object) ['framework' => '', 'code' => $code],
                $this->list(Meaning::Standard, 200),
            ),
            'tags' => $this->list(Meaning::Tags, 100),
            'difficulty' => $this->difficulty(),
            'minutes' => $this->minutes(),
            ...$words,
            'notes' => mb_substr($notes, 0, 20_000),
        ], fn (mixed $value): bool => $value !== [] && $value !== null && $value !== '');
    }

    /** @return list<list<string>> */
    private function topics(): array
    {
        $cells = $this->entry->filled(Meaning::Topic);
        $paths = array_map(fn (Cell $cell): array => self::paths($cell->text), $cells);
        // a column for each level, or several topics in one
        if (count($cells) > 1 && array_filter($paths, fn (array $one): bool => count($one) > 1 || count($one[0] ?? []) > 1) === []) {
            return [array_map(fn (array $one): string => $one[0][0] ?? '', $paths)];
        }

        return array_slice(array_merge([], ...$paths), 0, 100);
    }

    /** @return list<non-empty-list<string>> "Rocks > Igneous; Minerals" */
    public static function paths(string $cell): array
    {
        $paths = [];
        foreach (preg_split('/\s*(?:;|\R|\|)\s*/u', trim($cell)) ?: [] as $path) {
            $between = preg_match('/[>›»\x{2192}]|::/u', $path) === 1 ? '/\s*(?:->|[>›»\x{2192}]|::)\s*/u' : '~\s*[/\\\\]\s*~u';
            $names = array_map(
                fn (string $name): string => mb_substr(trim($name), 0, 200),
                preg_split($between, $path) ?: [],
            );
            $names = array_slice(array_values(array_filter($names, fn (string $name): bool => $name !== '')), 0, 20);
            if ($names !== []) {
                $paths[] = $names;
            }
        }

        return $paths;
    }

    /** @return list<string> */
    private function list(Meaning $meaning, int $longest): array
    {
        $all = [];
        foreach ($this->entry->filled($meaning) as $cell) {
            array_push($all, ...array_map(fn (string $one): string => mb_substr($one, 0, $longest), CellList::of($cell->text)));
        }

        return array_slice(array_values(array_unique($all)), 0, 100);
    }

    private function difficulty(): ?int
    {
        $cell = $this->entry->cell(Meaning::Difficulty);
        if ($cell === null || $cell->isEmpty()) {
            return null;
        }
        $text = trim((string) preg_replace('/\s*(?:of|\/)\s*5$/', '', trim($cell->text)));
        $step = Vocabulary::step((string) preg_replace('/^([1-5])[.,]0$/', '$1', $text));
        if ($step === null) {
            $this->problems->wrong('difficulty-unknown', $cell->address, ['difficulty' => $cell->text]);
        }

        return $step;
    }

    private function minutes(): int|float|null
    {
        $cell = $this->entry->cell(Meaning::Minutes);
        if ($cell === null || $cell->isEmpty()) {
            return null;
        }
        $number = CellNumber::of(trim((string) preg_replace('/\s*min(?:utes?|uten)?\.?$/i', '', trim($cell->text))), $this->decimal);
        $minutes = $number === null ? -1.0 : round((float) $number, 4);
        if ($minutes < 0 || $minutes > 10_000) {
            $this->problems->wrong('minutes-unknown', $cell->address, ['minutes' => $cell->text]);

            return null;
        }

        return floor($minutes) === $minutes ? (int) $minutes : $minutes;
    }
}
