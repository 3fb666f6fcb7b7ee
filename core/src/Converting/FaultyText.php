<?php

declare(strict_types=1);

namespace WideQuarry\Converting;

use WideQuarry\Content\Pieces;
use WideQuarry\Documents\CorrectedText;

/** A text to mend, made of the faulty and the right text. */
final class FaultyText
{
    /**
     * @param  string  $faulty  plain text, paragraphs between line breaks
     * @return array{string, list<\stdClass>} the text with every word a piece, and the rules that mend its faults
     */
    public static function make(string $faulty, string $right): array
    {
        $faulty = trim(str_replace(["\r\n", "\r"], "\n", mb_scrub($faulty, 'UTF-8')));
        $right = trim(str_replace(["\r\n", "\r"], "\n", mb_scrub($right, 'UTF-8')));
        $html = '';
        $rules = [];
        $at = 0;
        foreach (CorrectedText::faults($faulty, $right) as $n => [$from, $length, $words]) {
            $id = 'f'.($n + 1);
            $html .=
                self::plain(substr($faulty, $at, $from - $at)).
                "<span data-piece=\"$id\">".
                self::plain(substr($faulty, $from, $length)).
                '</span>';
            $rules[] = (object) [
                'id' => 'r'.($n + 1),
                'on' => (object) ['answer' => 'is', 'text' => [$words], 'piece' => $id],
                'credit' => '1',
            ];
            $at = $from + $length;
        }
        $html .= self::plain(substr($faulty, $at));

        return [Pieces::everyWord('<p>'.(string) preg_replace('/\n+/', '</p><p>', $html).'</p>'), $rules];
    }

    private static function plain(string $text): string
    {
        return htmlspecialchars($text, ENT_NOQUOTES);
    }
}
