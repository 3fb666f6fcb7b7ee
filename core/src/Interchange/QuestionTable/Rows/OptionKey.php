<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Rows;

use WideQuarry\Interchange\QuestionTable\Mapping\KeyStyle;
use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;

/** Which options of a row are right, and for what share of the points. */
final class OptionKey
{
    private const YES = '/^(?:x|✓|✔|☑|☒|1|1[.,]0+|100|100\s*%|y|yes|t|true|right|correct|ok|\*|\+|ja|j|richtig|wahr|korrekt|oui|o|'.
        'vrai|juste|sí|si|'.
        's|verdadero|correcta?|sì|vero|corretta?|waar|juist|goed|tak|prawda|p|sim|verdadeiro|cert[ao]|corret[ao])$/iu';

    private const NO = '/^(?:0|0[.,]0+|0\s*%|n|no|f|false|wrong|incorrect|-|–|☐|✗|✘|nein|falsch|non|faux|falso|incorrecta?|errata?|'.
        'sbagliata?|nee|onwaar|onjuist|fout|nie|fałsz|não|nao|errad[ao])$/iu';

    /** @var array<int, string> option, from 0 → credit, exact */
    public array $credits = [];

    public bool $isWeighted = false;

    private function __construct(
        private readonly RowOptions $options,
        private readonly KeyStyle $style,
        private readonly string $decimal,
        private readonly CellProblems $problems,
    ) {
    }

    public static function of(Entry $entry, RowOptions $options, KeyStyle $style, string $decimal, CellProblems $problems): self
    {
        $key = new self($options, $style, $decimal, $problems);
        foreach ($options->right as $i) {
            $key->credits[$i] = '1';
        }
        $key->marks($entry);
        foreach ($options->isParted ? [] : $entry->filled(Meaning::Answer, Meaning::Right) as $cell) {
            $key->named($cell);
        }
        if ($key->right() === []) {
            $cell = $entry->cell(Meaning::Answer) ?? $entry->cell(Meaning::Right) ?? $entry->cell(Meaning::Mark);
            if (! $problems->hasAt($cell?->address)) {
                $problems->wrong('key-missing', $cell->address ?? $entry->first);
            }
        }

        return $key;
    }

    /** Whether a cell says of an option that it is right, or that it is wrong. */
    public static function isMark(string $cell): bool
    {
        return preg_match(self::YES, trim($cell)) === 1 || preg_match(self::NO, trim($cell)) === 1;
    }

    /** @return list<int> those that earn something */
    public function right(): array
    {
        $right = array_keys(array_filter($this->credits, fn (string $credit): bool => ! str_starts_with($credit, '-') && $credit !== '0'));
        sort($right);

        return $right;
    }

    private function marks(Entry $entry): void
    {
        $numbers = [];
        foreach ($entry->all(Meaning::Mark) as $i => $cell) {
            $option = $this->options->places[$cell->for ?? $i + 1] ?? null;
            $text = trim($cell->text);
            if ($option === null) {
                if ($text !== '' && preg_match(self::NO, $text) !== 1) {
                    $this->problems->wrong('mark-without-option', $cell->address, ['mark' => $text]);
                }

                continue;
            }
            $number = CellNumber::of(rtrim($text, '% '), $this->decimal);
            match (true) {
                $text === '', preg_match(self::NO, $text) === 1 => null,
                preg_match(self::YES, $text) === 1 => $numbers[$option] = '1',
                $number !== null && abs((float) $number) <= 100 => $numbers[$option] = $number,
                default => $this->problems->wrong('mark-unknown', $cell->address, ['mark' => $text]),
            };
        }
        $highest = max([0.0, ...array_map(floatval(...), array_values($numbers))]);
        foreach ($numbers as $option => $number) {
            // shares of a hundred, unless none is more than one
            $this->credits[$option] = $number === '1' ? '1' : self::share((float) $number / ($highest > 1 ? 100 : 1));
            $this->isWeighted = $this->isWeighted || $this->credits[$option] !== '1';
        }
    }

    /** Shares are written with few digits: 33.333 % is a third. */
    private static function share(float $share): string
    {
        foreach ([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12] as $under) {
            $over = (int) round($share * $under);
            if (abs($share - $over / $under) < 0.00005 || ($under === 3 && abs($share - $over / 3) < 0.004)) {
                return $under === 1 ? (string) $over : "$over/$under";
            }
        }

        return rtrim(rtrim(sprintf('%.5f', $share), '0'), '.');
    }

    private function named(Cell $cell): void
    {
        $found = $this->find(trim($cell->text));
        if (is_string($found)) {
            $this->problems->wrong('key-out-of-range', $cell->address, ['key' => $found, 'count' => count($this->options->texts)]);

            return;
        }
        foreach ($found as $option) {
            $this->credits[$option] = '1';
        }
    }

    /** @return list<int>|string options, or what names none of them */
    private function find(string $key): array|string
    {
        $whole = $this->one($key);
        if ($whole !== null) {
            return [$whole];
        }
        $each = match (true) {
            preg_match('/^[A-Za-z](?:[\s,;|&\/+]*[A-Za-z])*$/', $key) === 1 && preg_match('/[A-Za-z]{5,}/', $key) !== 1 &&
                $this->areLetters($key) => str_split((string) preg_replace('/[^A-Za-z]/', '', $key)),
            default => count(CellList::of($key)) > 1
                ? CellList::of($key)
                : (preg_split('/\s*(?:[,;|&+]|\band\b|\bund\b|\bet\b|\by\b)\s*/u', $key, -1, PREG_SPLIT_NO_EMPTY) ?: []),
        };
        $found = [];
        foreach ($each as $part) {
            $option = $this->one($part);
            if ($option === null) {
                return count($each) > 1 ? $part : $key;
            }
            $found[] = $option;
        }

        return $found === [] ? $key : array_values(array_unique($found));
    }

    /** Letters run together ("AC") name options only where there are that many. */
    private function areLetters(string $key): bool
    {
        $letters = str_split(strtolower((string) preg_replace('/[^A-Za-z]/', '', $key)));

        return count($letters) === count(array_unique($letters)) && count($letters) <= count($this->options->texts);
    }

    private function one(string $name): ?int
    {
        $name = trim($name, " \t.()[]");
        $folded = array_map(fn (string $text): string => mb_strtolower(trim(CellText::plain($text), ' .')), $this->options->texts);
        $words = array_keys($folded, mb_strtolower(CellText::plain($name)), true);
        $letter = preg_match('/^(?:(?:option|answer|choice)\s+)?([A-Za-z])$/', $name, $m) === 1 ? ord(strtolower($m[1])) - 96 : null;
        $number = preg_match('/^(?:(?:option|answer|choice)\s+)?(\d{1,3})(?:[.,]0+)?$/', $name, $m) === 1 ? (int) $m[1] : null;
        $byLetter = $letter === null ? null : $this->options->places[$letter] ?? null;
        $byNumber = $number === null ? null : $this->options->places[$this->style === KeyStyle::FromZero ? $number + 1 : $number] ?? null;
        $byWords = count($words) === 1 ? $words[0] : null;

        return match ($this->style) {
            KeyStyle::Words => $byWords ?? $byLetter ?? $byNumber,
            KeyStyle::Letter => $byLetter ?? $byWords ?? $byNumber,
            default => $byNumber ?? $byWords ?? $byLetter,
        };
    }
}
