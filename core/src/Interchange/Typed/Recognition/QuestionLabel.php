<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

/** The number a question begins with, and what may stand before it: a blank to write the answer in, or the answer. */
final readonly class QuestionLabel
{
    private const LEAD = '(?<lead>_{2,}\s*[A-Za-z]{0,8}\s*_{0,}|_\s*[A-Za-z]{1,8}\s*_+|\(\s{0,8}[A-Za-z]?\s{0,8}\)|'.
        '\[\s{0,8}[A-Za-z]?\s{0,8}\]|T\s*[\/|]\s*F|T\s{1,4}F)\s*';

    /**
     * @param  string  $mark  what stands around the number: `.`, `)`, `:`, `]`, a word, or nothing
     * @param  string  $sub  the letter of a part that follows the number: "3a"
     * @param  string  $lead  an answer that stands before the number
     * @param  int  $length  of all this, in bytes
     */
    private function __construct(
        public int $number,
        public string $mark,
        public string $sub,
        public string $lead,
        public bool $hasBlank,
        public int $length,
    ) {
    }

    public static function at(string $text): ?self
    {
        $lead = preg_match('/^'.self::LEAD.'(?=\(?\d{1,4}\s*[.)\]:])/u', $text, $m) === 1 ? $m[0] : '';
        $rest = substr($text, strlen($lead));
        $words = Vocabulary::QUESTION;
        $found = null;
        if (preg_match("/^(?:$words)\s*[.:#]?\s*\(?(\d{1,4})(?:\s*([.):\]]|[–—-](?=\s))\s*|\s+|\s*$)/iu", $rest, $m) === 1) {
            $found = [$m[1], 'word'.($m[2] ?? ''), ''];
        } elseif (preg_match('/^(\d{1,3})\s?\(?([a-h])(?:\)\s*|[.:]\s+)(?=\S)/u', $rest, $m) === 1) {
            $found = [$m[1], '', $m[2]];
        } elseif (preg_match(
            '/^\(?(\d{1,4})(?:([.:]?\))\s*|\s*([.:])(?:[-–]?\s+|(?=\p{Lu}))|\s*[.:)]?\s*$|\s*(\])\s*|\s?([–—-])\s+)/u',
            $rest,
            $m,
        ) === 1) {
            $found = [$m[1], ($m[2] ?? '').($m[3] ?? '').($m[4] ?? '').($m[5] ?? ''), ''];
        }
        if ($found === null) {
            return null;
        }
        $said = trim($lead, "_ ()[]\t");

        return new self(
            (int) $found[0],
            $found[1],
            $found[2],
            preg_match('/^T\s*[\/| ]?\s*F$/', $said) === 1 ? '' : $said,
            $lead !== '',
            strlen($lead) + strlen($m[0]),
        );
    }

    /** A number without a mark, and the sentence that follows it: only before a capital letter. */
    public static function bare(string $text): ?self
    {
        return preg_match('/^(\d{1,3})(?:\s+(?=\p{Lu}\S*\s)|\t\s*(?=\S))/u', $text, $m) === 1
            ? new self((int) $m[1], '', '', '', false, strlen($m[0]))
            : null;
    }
}
