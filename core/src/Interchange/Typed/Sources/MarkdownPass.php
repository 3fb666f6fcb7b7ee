<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources;

/**
 * Goes over Markdown before it is converted: a converter counts lists by itself, so that a number that was skipped would be lost, and
 * takes what is indented for code. Numbers, letters, bullets and blanks to fill in become plain text; lines end where they end.
 */
final class MarkdownPass
{
    public const EXTENSIONS = '-yaml_metadata_block-citations-example_lists+hard_line_breaks+tex_math_dollars';

    public static function over(string $markdown): string
    {
        $lines = [];
        $fence = null;
        foreach (preg_split('/\R/u', $markdown) ?: [] as $line) {
            if (preg_match('/^\s*(```+|~~~+)/', $line, $m) === 1) {
                $fence = $fence === null ? $m[1][0] : ($fence === $m[1][0] ? null : $fence);
                $lines[] = ltrim($line);
            } else {
                $lines[] = $fence === null ? self::line($line) : $line;
            }
        }

        return implode("\n", $lines);
    }

    private static function line(string $line): string
    {
        $line = ltrim($line, " \t");
        if (preg_match('/^[|+]/', $line) === 1 || preg_match('/^\s*(?:-{3,}|={3,})\s*$/', $line) === 1) {
            return $line; // a table or a rule
        }
        // an identifier of ours
        $line = (string) preg_replace_callback(
            '/<!--\s*wq-?([0-9a-f-]{32,36})\s*-->/',
            fn (array $m): string => Passed::marked('id:wq'.str_replace('-', '', $m[1]), ''),
            $line,
        );
        $line = (string) preg_replace('/^([-+*])(\s)/', '\\\\$1$2', $line);
        $line = (string) preg_replace('/^((?:\\\\[-+*]\s+)?\(?(?:\d+|[A-Za-z]{1,5}|#))([.)])(?=\s|$)/', '$1\\\\$2', $line);
        $line = (string) preg_replace('/\t/', Passed::TAB, $line);
        $line = (string) preg_replace('/(?<=\S) {2,}(?=\S)/', Passed::WIDE, $line);
        $line = (string) preg_replace_callback('/_{3,}/', fn (array $m): string => str_repeat('\\_', strlen($m[0])), $line);
        $line = (string) preg_replace_callback(
            '/==(\S(?:[^=]*\S)?)==/u',
            fn (array $m): string => Passed::marked('highlight:mark', $m[1]),
            $line,
        );

        return (string) preg_replace('/^(\\\\[-+*]\s+)?\[([ xX])\]/', '$1\\\\[$2\\\\]', $line);
    }
}
