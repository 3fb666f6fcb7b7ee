<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Rows;

use WideQuarry\Content\RichText;

/** What somebody wrote in a cell, as rich text. Cells hold plain words, or HTML where one was exported from elsewhere. */
final class CellText
{
    private const MARKUP = '~</?(?:p|br|b|strong|i|em|u|sub|sup|ul|ol|li|span|div|code|pre|table|tr|td|th|math|h[1-6])(?:\s[^<>]*)?/?>~i';

    /** Blocks of their own. */
    public static function html(string $cell): string
    {
        $cell = trim($cell);
        if (self::isMarkup($cell)) {
            return RichText::read($cell)->html();
        }
        $paragraphs = preg_split('/\n\s*\n/u', str_replace("\r", '', $cell)) ?: [];

        return implode('', array_map(fn (string $one): string => '<p>'.self::lines($one).'</p>', $paragraphs));
    }

    /** Within a line, for options. */
    public static function inline(string $cell): string
    {
        $cell = trim($cell);
        if (! self::isMarkup($cell)) {
            return self::lines($cell);
        }
        $html = RichText::read($cell)->html();

        return preg_match('~^<p>((?:(?!</?p\b).)*)</p>$~s', $html, $m) === 1 ? $m[1] : $html;
    }

    public static function plain(string $cell): string
    {
        return self::isMarkup($cell) ? trim(RichText::read($cell)->plain()) : trim($cell);
    }

    public static function isMarkup(string $cell): bool
    {
        return preg_match(self::MARKUP, $cell) === 1;
    }

    private static function lines(string $text): string
    {
        return str_replace("\n", '<br>', htmlspecialchars(trim($text), ENT_NOQUOTES | ENT_SUBSTITUTE));
    }
}
