<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed;

/** The signs by which a line of a typed exam tells what it is. None of them is a notation of ours: they are how people type. */
final class LineMarkers
{
    private const QUESTION = '/^(?:question\s+|q\.?\s*)?\(?(\d{1,4})(?:(\))\s*|\s*([.:])\s+|\s*[.:)]?\s*$|\s*(\])\s*)(.*)$/iu';

    /** A number without punctuation counts only before a capital letter. */
    private const BARE = '/^(\d{1,3})\s+(\p{Lu}\S*\s.*)$/u';

    private const KEY_HEADING = '/^(?:answer\s+key|answers?|key|solutions?|marking\s+key)\s*:?$/iu';

    private const KEY_LINE = '/^(?:answer\s+key|answers?|key|solutions?)\s*:\s*(.+)$/iu';

    private const ANSWER = '/^(?:correct\s+answers?|answers?|ans|key|solution)\s*[.:=]\s*(.*)$/iu';

    private const FEEDBACK = '/^(?:feedback|explanation|because|reason|rationale)\s*:\s*(.+)$/iu';

    private const POINTS = '/\s*[(\[]\s*(\d+(?:\.\d{1,4})?)\s*(?:marks?|points?|pts?\.?)\s*[)\]]\s*/iu';

    private const BULLET = '/^(?:[•●○▪▫◦‣⁃∙]|[-–*](?=\s))\s*(\S.*)$/u';

    private const BOX = '/^(?:([☐☑☒✓✔])|\[([ xX✓]?)\])\s*(\S.*)$/u';

    /** @return array{int, string, string}|null number, what follows it on the line, and the mark between: ")", ".", ":", "]" or '' */
    public static function question(string $line): ?array
    {
        return preg_match(self::QUESTION, $line, $m) === 1 ? [(int) $m[1], trim($m[5]), $m[2].$m[3].$m[4]] : null;
    }

    /** @return array{int, string}|null a number without a mark, and the sentence that follows it */
    public static function bareNumber(string $line): ?array
    {
        return preg_match(self::BARE, $line, $m) === 1 ? [(int) $m[1], trim($m[2])] : null;
    }

    public static function isKeyHeading(string $line): bool
    {
        return preg_match(self::KEY_HEADING, $line) === 1;
    }

    /** A whole key on one line: "Key: 1 C 2 A". */
    public static function keyLine(string $line): ?string
    {
        return preg_match(self::KEY_LINE, $line, $m) === 1 && count(KeySection::read([$m[1]])) > 1 ? $m[1] : null;
    }

    public static function answer(string $line): ?string
    {
        return preg_match(self::ANSWER, $line, $m) === 1 ? trim($m[1]) : null;
    }

    public static function feedback(string $line): ?string
    {
        return preg_match(self::FEEDBACK, $line, $m) === 1 ? trim($m[1]) : null;
    }

    /** @return array{string, string|null} the line without its points, and the points */
    public static function points(string $line): array
    {
        return preg_match(self::POINTS, $line, $m) === 1
            ? [trim((string) preg_replace(self::POINTS, ' ', $line, 1)), $m[1]]
            : [$line, null];
    }

    /** @return array{string, bool}|null what follows a bullet or box, and whether the box is ticked */
    public static function bullet(string $line): ?array
    {
        if (preg_match(self::BOX, $line, $m) === 1) {
            return [$m[3], in_array($m[1], ['☑', '☒', '✓', '✔'], true) || in_array($m[2], ['x', 'X', '✓'], true)];
        }

        if (preg_match(self::BULLET, $line, $m) !== 1) {
            return null;
        }

        return preg_match(self::BOX, $m[1]) === 1 ? self::bullet($m[1]) : [$m[1], false]; // a list of tasks: "- [x] basalt"
    }

    /**
     * Options with a box of their own behind the letter: "A. [x] basalt".
     *
     * @param  list<string>  $options
     * @return array{list<string>, list<int>} without boxes, and which are ticked
     */
    public static function boxed(array $options): array
    {
        $ticked = [];
        foreach ($options as $i => $option) {
            if (preg_match(self::BOX, $option) === 1) {
                [$options[$i], $isTicked] = self::bullet($option) ?? [$option, false];
                if ($isTicked) {
                    $ticked[] = $i;
                }
            }
        }

        return [$options, $ticked];
    }

    /**
     * Lettered options on one line, one or several: "A. Granite   B. Basalt".
     *
     * @param  int  $from  the letter expected first, 0 for A
     * @return array{string, list<string>} what stands before the first, and the options
     */
    public static function options(string $line, int $from): array
    {
        $options = [];
        $before = $line;
        $rest = $line;
        for ($i = $from; $i < 26; $i++) {
            $letter = chr(65 + $i);
            $start = $options === [] ? '(?:^|\s{2,}|\t|(?<=[?.:])\s+)' : '\s+';
            // after the first, "(b)" or "b)" or "B." with a space
            if (preg_match("/$start\\(?$letter(?:\\)\\s*|[.:]\\s+)(?=\\S)/iu", $rest, $m, PREG_OFFSET_CAPTURE) !== 1) {
                break;
            }
            [$mark, $at] = $m[0];
            if ($options === []) {
                $before = substr($rest, 0, $at);
            } else {
                $options[count($options) - 1] = substr($rest, 0, $at);
            }
            $rest = substr($rest, $at + strlen($mark));
            $options[] = $rest;
        }
        $options = array_map(trim(...), $options);

        // letters inside a sentence are options only when there are at least two
        return trim($before) !== '' && count($options) < 2 ? [$line, []] : [trim($before), $options];
    }
}
