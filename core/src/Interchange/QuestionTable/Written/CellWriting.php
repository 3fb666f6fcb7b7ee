<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Written;

use WideQuarry\Interchange\QuestionTable\Rows\CellText;

/** Rich text and lists as cells, so that Rows\CellText and Rows\CellList read them back. */
final class CellWriting
{
    /** Plain where nothing is lost by it, HTML otherwise. */
    public static function of(string $html): string
    {
        $rest = (string) preg_replace('~</?p>|<br ?/?>~', '', $html);
        if (! str_contains($rest, '<')) {
            $text = str_replace(['</p><p>', '<p>', '</p>'], ["\n\n", '', ''], (string) preg_replace('~<br ?/?>~', "\n", $html));
            $text = html_entity_decode($text, ENT_QUOTES | ENT_HTML5);

            // words that look like markup would be taken for it
            return CellText::isMarkup($text) || trim($text) !== $text ? $html : $text;
        }

        return $html;
    }

    /** @param  list<string>  $all */
    public static function list(array $all): string
    {
        if (count($all) === 1) {
            // a lone thing with a comma in it is not several
            return preg_match('/[,;|]|\s\/\s/', $all[0]) === 1 ? "$all[0];" : $all[0];
        }
        $between = preg_grep('/[;|\n]/', $all) === [] ? '; ' : "\n";

        return implode($between, $all);
    }

    /** @param  list<string>  $all  what may be typed instead of each other */
    public static function variants(array $all): string
    {
        $isPlain = preg_grep('~[|;\n]|\s/\s~', $all) === [];
        $isLone = count($all) === 1 && ! $isPlain;

        return implode($isPlain ? ' | ' : "\n", $all).($isLone ? "\n" : '');
    }
}
