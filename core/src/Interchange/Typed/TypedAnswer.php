<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed;

use WideQuarry\Answer\NumberReader;
use WideQuarry\Numbers\Exact;

/** What somebody typed as an answer, as a key: letters of options, true or false, a number with its tolerance, words with variants. */
final class TypedAnswer
{
    /**
     * @param  list<string>  $options
     * @return list<int>|null which are right; null when the answer names none of them
     */
    public static function options(string $answer, array $options): ?array
    {
        if (
            preg_match('/^\(?(\d{1,2})\)?$/', trim($answer, ' .'), $m) === 1 &&
            (int) $m[1] >= 1 &&
            (int) $m[1] <= count($options) &&
            ! in_array($m[1], $options, true)
        ) {
            return [(int) $m[1] - 1]; // by position, unless an option is that number
        }
        if (preg_match('/^\(?([A-Za-z])(?:[.)]\s*.*)?$/u', $answer, $m) === 1 && ord(strtolower($m[1])) - 97 < count($options)) {
            return [ord(strtolower($m[1])) - 97];
        }
        if (
            preg_match('/^[A-Za-z](?:\s*(?:,|;|\/|&|and)?\s*[A-Za-z])+$/u', $answer) === 1 &&
            preg_match('/[A-Za-z]{2}/', (string) preg_replace('/\band\b/i', ',', $answer)) !== 1
        ) {
            preg_match_all('/[A-Za-z]/', (string) preg_replace('/\band\b/i', ',', $answer), $letters);
            $right = array_map(fn (string $letter): int => ord(strtolower($letter)) - 97, $letters[0]);

            return max([0, ...$right]) < count($options) ? array_values(array_unique($right)) : null;
        }
        $plain = fn (string $text): string => mb_strtolower(rtrim(trim($text), '.'));
        $same = array_keys(
            array_filter(
                $options,
                fn (string $option): bool => $plain($option) === $plain($answer) ||
                    (($plain($option)[0] ?? '') === $plain($answer) && in_array($plain($option), ['true', 'false', 'yes', 'no'], true)),
            ),
        );

        return count($same) === 1 ? $same : null;
    }

    /** @return bool|null null when it is neither */
    public static function truth(string $answer): ?bool
    {
        return match (mb_strtolower(rtrim(trim($answer), '.'))) {
            'true', 't' => true,
            'false', 'f' => false,
            default => null,
        };
    }

    /**
     * @return array{value: string, width: string|null, unit: string}|null the number, how far from it is still right, and what follows it
     */
    public static function number(string $answer): ?array
    {
        // a unit may stand before the tolerance as well: "12.5 m ± 0.5 m"
        $answer = (string) preg_replace(
            '/^([-−+]?[\d.,\s]*\d)\s*(\p{L}[^±;|]{0,14}?)\s*(±|\+\/-|\+-)\s*([\d.,]+)\s*\2$/u',
            '$1 $3 $4 $2',
            trim($answer),
        );
        if (
            preg_match(
                '/^([-−+]?[\d.,\s×^⁰¹²³⁴-⁹⁻\/]*\d[⁰¹²³⁴-⁹]*)\s*(?:(?:±|\+\/-|\+-)\s*([\d.,]*\d))?\s*((?:%|‰|°|[\p{L}µΩ])[^;|]{0,29})?$/u',
                trim($answer),
                $m,
            ) !== 1
        ) {
            return null;
        }
        $unit = trim($m[3] ?? '');
        $percent = in_array($unit, ['%', '‰'], true) ? '' : $unit; // a share is part of the number's meaning for who types it
        $value = (new NumberReader('en'))->read($m[1])->value;
        $width = ($m[2] ?? '') === '' ? null : (new NumberReader('en'))->read($m[2])->value;

        return $value === null || (($m[2] ?? '') !== '' && $width === null)
            ? null
            : [
                'value' => Exact::text($value),
                'width' => $width === null ? null : Exact::text($width),
                'unit' => $percent === '' ? $unit : $percent,
            ];
    }

    /** @return list<string> accepted words, the first as the one shown */
    public static function words(string $answer): array
    {
        $words = array_map(trim(...), preg_split('~\s*(?:/|;|\bor\b)\s*~u', $answer) ?: []);

        return array_values(array_unique(array_filter($words, fn (string $word): bool => $word !== '')));
    }
}
