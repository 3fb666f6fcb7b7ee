<?php

declare(strict_types=1);

namespace WideQuarry\CommandLine;

/**
 * One difference between two questions in a line: where it is, what stood there and what stands there now.
 *
 * @phpstan-import-type Step from \WideQuarry\Question\PathNames
 */
final class SaidDifference
{
    private const LONGEST = 200;

    /** @param  array{path: list<Step>, runs: list<array{string, string}>}  $difference */
    public static function of(array $difference): string
    {
        $steps = array_map(function (array $step): string {
            $words = array_filter([
                $step['name'],
                isset($step['number']) ? (string) $step['number'] : '',
                ($step['words'] ?? '') === '' ? '' : '"'.$step['words'].'"',
            ], fn (string $word): bool => $word !== '');

            return implode(' ', $words);
        }, $difference['path']);

        return implode(', ', $steps).': '.self::side($difference['runs'], 'old').' → '.self::side($difference['runs'], 'new');
    }

    /** @param  list<array{string, string}>  $runs */
    private static function side(array $runs, string $side): string
    {
        $text = trim(implode('', array_map(fn (array $run): string => in_array($run[0], ['same', $side], true) ? $run[1] : '', $runs)));

        return match (true) {
            $text === '' => 'nothing',
            mb_strlen($text) > self::LONGEST => mb_substr($text, 0, self::LONGEST).' …',
            default => $text,
        };
    }
}
