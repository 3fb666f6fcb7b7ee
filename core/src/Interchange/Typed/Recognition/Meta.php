<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

/** A line that says by a word and a colon what it is: an answer, an explanation, a difficulty. */
final readonly class Meta
{
    private const KINDS = [
        'model' => Vocabulary::MODEL,
        'scheme' => Vocabulary::SCHEME,
        'answer' => Vocabulary::ANSWER,
        'feedback' => Vocabulary::FEEDBACK,
        'hint' => Vocabulary::HINT,
        'difficulty' => Vocabulary::DIFFICULTY,
        'standard' => Vocabulary::STANDARD,
        'topic' => Vocabulary::TOPIC,
    ];

    /**
     * @param  string  $kind  as in KINDS, or `points`
     * @param  int  $length  of the word with its colon, in bytes
     */
    private function __construct(public string $kind, public int $length)
    {
    }

    /** @param  array<string, string>  $own  words of this document → what they mean */
    public static function of(string $text, array $own = []): ?self
    {
        foreach ($own as $word => $kind) {
            if (preg_match('/^'.preg_quote($word, '/').'\s*[:.=]?\s*/iu', $text, $m) === 1) {
                return new self($kind, strlen($m[0]));
            }
        }
        if (preg_match('/^(?:the\s+)?(?:correct\s+|right\s+)?answers?\s+(?:is|are)\s+(?=\S)/iu', $text, $m) === 1) {
            return new self('answer', strlen($m[0]));
        }
        foreach (self::KINDS as $kind => $words) {
            $colon = $kind === 'answer' ? '[.:=–—]' : ':';
            if (preg_match("/^[\[(*→>]{0,2}\s*(?:$words)\s*(?:$colon|-(?=\s))\s*/iu", $text, $m) === 1) {
                return new self($kind, strlen($m[0]));
            }
        }
        if (preg_match('/^(?:'.Vocabulary::POINTS_WORD.')\s*:\s*(?=\d)/iu', $text, $m) === 1) {
            return new self('points', strlen($m[0]));
        }

        return null;
    }

    /** Where such a line begins in the middle of another: "C. slate   Answer: B". */
    public static function within(string $text): ?int
    {
        $words = Vocabulary::ANSWER;
        $is = "/(?:\t|\s{2,}|(?<=[.?!)])\s+|\s+(?=[\[(]))[\[(]?(?:$words)\s*(?::|\s[–—-]\s)\s*(?=\S)/iu";

        return preg_match($is, $text, $m, PREG_OFFSET_CAPTURE) === 1 && $m[0][1] > 0 ? $m[0][1] : null;
    }
}
