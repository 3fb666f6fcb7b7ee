<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Rows;

/** Numbers as spreadsheets show them. */
final class CellNumber
{
    /** A number a spreadsheet took for a date: "03-Apr", "2027-04-03", "3.4.2027". */
    private const DATE = '~^(?:\d{1,2}[-. /](?:jan|feb|mar|mär|apr|may|mai|jun|jul|aug|sep|oct|okt|nov|dec|dez)\w*\.?(?:[-. /]\d{2,4})?|'.
        '(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)\w*[-. /]\d{2,4}|\d{4}-\d{2}-\d{2}(?:[ T]\d{2}:\d{2}(?::\d{2})?)?|'.
        '\d{1,2}([./])\d{1,2}\1\d{2,4})$~iu';

    public static function isDate(string $cell): bool
    {
        return preg_match(self::DATE, trim($cell)) === 1;
    }

    /** @return string|null the number with a full stop, null when it is none */
    public static function of(string $cell, string $decimal): ?string
    {
        $text = str_replace(["\u{2212}", "\u{A0}", "\u{202F}", ' ', "'"], ['-', '', '', '', ''], trim($cell));
        $group = $decimal === ',' ? '\.' : ',';
        if (preg_match("/^[-+]?\d{1,3}(?:$group\d{3})+(?:".preg_quote($decimal, '/').'\d+)?$/', $text) === 1) {
            $text = str_replace($decimal === ',' ? '.' : ',', '', $text);
        }
        $text = ltrim(str_replace(',', '.', $text), '+');
        if (preg_match('/^-?(?:\d+(?:\.\d*)?|\.\d+)(?:[eE][-+]?\d{1,3})?$/', $text) !== 1) {
            return null;
        }

        return str_starts_with(ltrim($text, '-'), '.') ? str_replace('.', '0.', $text) : rtrim($text, '.');
    }

    /** @return int|float|null points of ours: "2", "1,5", "2 marks", "½", "1/2" */
    public static function points(string $cell, string $decimal): int|float|null
    {
        $text = strtr(trim(
            (string) preg_replace('/\s*(?:marks?|points?|pts?|punkte?|p\.?|pkt\.?|puntos?|punti|punten|pontos?)\.?$/iu', '', $cell),
        ), [
            '½' => '.5', '¼' => '.25', '¾' => '.75',
        ]);
        $number = preg_match('~^(\d{1,4})\s*/\s*([1-9]\d{0,3})$~', $text, $m) === 1
            ? (string) ((int) $m[1] / (int) $m[2])
            : self::of($text, $decimal);
        $points = $number === null ? -1.0 : (float) $number;
        if ($points < 0 || $points > 100_000 || abs($points * 10_000 - round($points * 10_000)) > 1e-6) {
            return null;
        }

        return floor($points) === $points ? (int) $points : round($points, 4);
    }
}
