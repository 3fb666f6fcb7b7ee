<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\TypedAnswer;

/** What somebody typed as the answer to a question with options: letters, numbers, their words, and perhaps a reason. */
final class AnswerText
{
    /**
     * @param  list<Item>  $options
     * @return array{list<int>|null, string} which are right, null when it names none; and what it says besides
     */
    public static function options(string $answer, array $options): array
    {
        $answer = trim(
            (string) preg_replace('/^(?:options?|choices?|letters?|antwort|answer)\s+(?=\(?[A-Za-z0-9]\b)/iu', '', trim($answer)),
            " \t*",
        );
        $texts = array_map(fn (Item $item): string => $item->words->text(), $options);
        $letters = self::letters($options);
        $direct = self::named($answer, $texts, $letters);
        if ($direct !== null) {
            return [$direct, ''];
        }
        // with a reason behind it, or with the words of the option
        if (preg_match(
            '/^\(?([A-Za-z]|\d{1,2}|[ivx]{2,4})(?:[.)\]]+\s*[:–—-]?\s*|\s*[:–—]\s*|\s+-\s+|,?\s+(?=because|since|weil|denn|car|'.
            'parce|porque|perché|omdat|bo\b|ponieważ)|\s+(?=\())(\S.*)$/ius',
            $answer,
            $m,
        ) === 1) {
            $right = self::named($m[1], $texts, $letters);
            if ($right !== null) {
                $rest = trim($m[2]);
                $isSame = Keys::plain(trim($rest, '()')) === Keys::plain($texts[$right[0]]);

                return [$right, $isSame ? '' : $rest];
            }
        }

        return [null, ''];
    }

    /**
     * @param  list<string>  $texts
     * @param  array<string, int>  $letters  letter or number of an option → its place
     * @return list<int>|null
     */
    private static function named(string $answer, array $texts, array $letters): ?array
    {
        $plain = Keys::plain($answer);
        $same = array_keys(array_filter($texts, fn (string $text): bool => Keys::plain($text) === $plain));
        if (count($same) === 1) {
            return $same;
        }
        $names = preg_split(
            '/\s*(?:,|;|\/|&|\+|\band\b|\bund\b|\bet\b|\by\b|\be\b|\ben\b|\bi\b(?=\s+\w)|\s)\s*/u',
            trim((string) preg_replace('/[().]/', ' ', $answer)),
        ) ?: [];
        $names = array_values(array_filter($names, fn (string $name): bool => $name !== ''));
        if (count($names) === 1 &&
            preg_match('/^[A-Z]{2,6}$/', $names[0]) === 1 &&
            count(array_unique(str_split($names[0]))) === strlen($names[0])) {
            $names = str_split($names[0]);
        }
        $right = [];
        foreach ($names as $name) {
            $at = $letters[mb_strtolower($name)] ?? null;
            if ($at === null) {
                return count($texts) > 0 && $letters === []
                    ? TypedAnswer::options($answer, $texts)
                    : self::byPlace($answer, $texts, $letters);
            }
            $right[] = $at;
        }

        return $right === [] ? null : array_values(array_unique($right));
    }

    /**
     * A number names an option by its place, a letter one that has a bullet or a box.
     *
     * @param  list<string>  $texts
     * @param  array<string, int>  $letters
     * @return list<int>|null
     */
    private static function byPlace(string $answer, array $texts, array $letters): ?array
    {
        $isLettered = array_filter(
            array_keys($letters),
            fn (int|string $name): bool => preg_match('/^[a-h]$/', (string) $name) === 1,
        ) !== [];

        return $isLettered && preg_match('/^\(?\d{1,2}\)?\.?$/', $answer) !== 1 ? null : TypedAnswer::options($answer, $texts);
    }

    /**
     * @param  list<Item>  $options
     * @return array<string, int>
     */
    private static function letters(array $options): array
    {
        $letters = [];
        foreach ($options as $i => $option) {
            $label = $option->label;
            if ($label === null || $label->value === 0) {
                continue;
            }
            $name = match ($label->type) {
                'number' => (string) $label->value,
                'roman' => \WideQuarry\Interchange\Typed\Sources\ListNumber::text($label->value, 'i'),
                default => chr(96 + min(26, $label->value)),
            };
            $letters[$name] = $i;
        }

        return $letters;
    }

    /**
     * "a) quartz b) 2.65", one answer for each part.
     *
     * @return array<string, string> letter → answer; empty when it is not so
     */
    public static function ofParts(string $answer, int $parts): array
    {
        $found = [];
        $first = Label::at(trim($answer))[0] ?? null;
        if ($first === null || $first->value !== 1) {
            return [];
        }
        foreach (Label::at(trim($answer)) as $label) {
            $items = $label->split(
                \WideQuarry\Interchange\Typed\Document\Words::plain(
                    (string) preg_replace('/[,;]\s+(?=\(?[a-hivx]{1,3}[.)])/u', '  ', trim($answer)),
                ),
            );
            if (count($items) >= min(2, $parts)) {
                foreach ($items as [$one, $words]) {
                    $found[chr(96 + max(1, $one->value))] = trim($words->text(), ' ,;');
                }

                return $found;
            }
        }

        return [];
    }

    /**
     * Pairs of a matching question: "1-B, 2-A", "a: iii", or only "B, A, C" in the order of the left side.
     *
     * @param  list<Item>  $left
     * @param  list<Item>  $right
     * @return list<array{int, int}>|null
     */
    public static function pairs(string $answer, array $left, array $right): ?array
    {
        [$ofLeft, $ofRight] = [self::letters($left), self::letters($right)];
        $ofLeft = $ofLeft ?: self::places(count($left), false);
        $ofRight = $ofRight ?: self::places(count($right), true);
        preg_match_all(
            '/\(?([A-Za-z]|\d{1,2}|[ivx]{1,4})\)?\s*(?:[-–—=:.→>)]+\s*|\s+|(?<=\d)(?=[A-Za-z])|(?<=[A-Za-z])(?=\d))\(?([A-Za-z]|'.
            '\d{1,2}|[ivx]{1,4})\)?(?=[\s,;|.]|$)/iu',
            $answer,
            $found,
            PREG_SET_ORDER,
        );
        $pairs = [];
        foreach ($found as $m) {
            $a = $ofLeft[mb_strtolower($m[1])] ?? null;
            $b = $ofRight[mb_strtolower($m[2])] ?? null;
            if ($a === null || $b === null) {
                [$a, $b] = [$ofLeft[mb_strtolower($m[2])] ?? null, $ofRight[mb_strtolower($m[1])] ?? null];
            }
            if ($a === null || $b === null) {
                $pairs = [];
                break;
            }
            $pairs[] = [$a, $b];
        }
        if (count($pairs) === count($left)) {
            return $pairs;
        }
        $names = preg_split('/[\s,;|]+/u', trim($answer, " .\t")) ?: [];
        $places = array_map(fn (string $name): ?int => $ofRight[mb_strtolower(trim($name, '().'))] ?? null, $names);

        return count($places) === count($left) && ! in_array(null, $places, true)
            ? array_map(fn (int $place, int $i): array => [$i, $place], array_values(array_filter($places, is_int(...))), array_keys($left))
            : null;
    }

    /** @return array<string, int> */
    private static function places(int $count, bool $isLettered): array
    {
        $names = [];
        for ($i = 0; $i < min(26, $count); $i++) {
            $names[$isLettered ? chr(97 + $i) : (string) ($i + 1)] = $i;
        }

        return $names;
    }

    /**
     * The sequence of an ordering question: "C, A, D, B", "3-1-4-2", or the words with arrows.
     *
     * @param  list<Item>  $items
     * @return list<int>|null
     */
    public static function sequence(string $answer, array $items): ?array
    {
        $texts = array_map(fn (Item $item): string => Keys::plain($item->words->text()), $items);
        $letters = self::letters($items) ?: self::places(count($items), true);
        foreach (['/\s*(?:→|->|>|<|;|,|–|—|\bthen\b)\s*/u', '/[\s,;–—>→-]+/u'] as $between) {
            $order = [];
            $names = array_values(
                array_filter(preg_split($between, trim($answer, " .\t")) ?: [], fn (string $name): bool => trim($name) !== ''),
            );
            foreach ($names as $name) {
                $at = $letters[mb_strtolower(trim($name, '(). '))] ?? array_search(Keys::plain($name), $texts, true);
                $order[] = $at === false ? null : $at;
            }
            if (count($order) === count($items) && count(array_unique($order)) === count($items) && ! in_array(null, $order, true)) {
                return $order;
            }
        }
        $run = trim($answer, ' .');
        if (preg_match('/^[A-Za-z]+$/', $run) === 1 && strlen($run) === count($items)) {
            return self::sequence(implode(',', str_split($run)), $items);
        }

        return null;
    }
}
