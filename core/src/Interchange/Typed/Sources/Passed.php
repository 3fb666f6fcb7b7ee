<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources;

/**
 * What a converter would drop is written into the text before it, between characters of the private use area, and read again after it.
 * A named character style would do the same, but takes the place of one that a run has already.
 */
final class Passed
{
    private const OPEN = "\u{E5D0}";

    private const NAMED = "\u{E5D1}";

    private const CLOSE = "\u{E5D2}";

    public const TAB = "\u{E5D3}";

    /** Several spaces, which part columns. */
    public const WIDE = "\u{E5D4}";

    /** Of a paragraph without words. */
    public const EMPTY = "\u{E5D5}";

    /** What stands outside of the text → what is said of it. */
    public const LEFT = [
        'header' => 'interchange.typed.in-header',
        'footer' => 'interchange.typed.in-footer',
        'comments' => 'interchange.typed.in-comments',
    ];

    public const ANY = '/[\x{E5D0}-\x{E5D5}]/u';

    private const TOKEN = '/\x{E5D0}([^\x{E5D0}-\x{E5D2}]*)\x{E5D1}|(\x{E5D2})/u';

    /** Nothing, or nothing but the number of a page. */
    public static function isPageNumber(string $words): bool
    {
        $of = '(?:\W*(?:of|von|sur|de|di|van|z|\/)?\W*\d+)?';

        return preg_match('/^\W*(?:page|seite|pagina|página|strona|p|s)?\W*\d*'.$of.'\W*$/iu', $words) === 1;
    }

    public static function marked(string $name, string $text): string
    {
        return self::OPEN.$name.self::NAMED.$text.self::CLOSE;
    }

    /** Text of the document, with wide gaps kept and without characters of ours. */
    public static function text(string $text): string
    {
        return (string) preg_replace([self::ANY, '/ {2,}/'], ['', self::WIDE], $text);
    }

    public static function column(string $text): string
    {
        return str_replace([self::TAB, self::WIDE, self::EMPTY], ["\t", '  ', ''], $text);
    }

    /**
     * @param  list<string>  $open  names that are open, kept from one call to the next
     * @return list<array{string, list<string>}> texts, each with the names it stands in
     */
    public static function parts(string $text, array &$open): array
    {
        $parts = [];
        $at = 0;
        preg_match_all(self::TOKEN, $text, $found, PREG_OFFSET_CAPTURE | PREG_SET_ORDER);
        foreach ($found as $token) {
            $parts[] = [substr($text, $at, $token[0][1] - $at), $open];
            if (isset($token[2]) || ! isset($token[1])) {
                array_pop($open);
            } else {
                $open[] = $token[1][0];
                $parts[] = ['', $open]; // a name may stand alone
            }
            $at = $token[0][1] + strlen($token[0][0]);
        }
        $parts[] = [substr($text, $at), $open];

        return $parts;
    }
}
