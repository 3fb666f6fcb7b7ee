<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Content\RichText;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Item;
use WideQuarry\Question\UnreadableResponse;

/** Things as people call them in writing: by their words, by letter or number of their place, or by identifier. */
final readonly class WrittenNames
{
    private const BETWEEN = ['/\s*[;|\n]\s*/u', '/\s*(?:→|->|>)\s*/u', '/\s*,\s*/u'];

    /** What stands between the two sides of a pair, the surest first. */
    private const JOINS = ['→', '->', ' = ', '=', ' – ', ' — ', ' - ', ': ', ':', '–'];

    /** @param  list<array{string, string}>  $things  identifier and words, in the order in which they stand */
    public function __construct(private array $things)
    {
    }

    /** @param  list<Item>  $items */
    public static function items(array $items): self
    {
        return new self(array_map(fn (Item $item): array => [$item->id, RichText::read($item->html)->plain()], Item::filled($items)));
    }

    /** @throws UnreadableResponse */
    public function one(string $called): string
    {
        $folded = self::folded($called);
        $same = array_values(array_filter($this->things, fn (array $thing): bool => self::folded($thing[1]) === $folded));
        if (count($same) > 1) {
            throw UnreadableResponse::because(Message::of('parts.more-one-called', ['called' => $called]));
        }
        $place = match (true) {
            preg_match('/^\(?([a-z])[.):]?$/i', trim($called), $m) === 1 => ord(strtolower($m[1])) - ord('a'),
            preg_match('/^\(?([1-9]\d?)[.):]?$/', trim($called), $m) === 1 => (int) $m[1] - 1,
            default => -1,
        };
        $named = array_values(array_filter($this->things, fn (array $thing): bool => $thing[0] === trim($called)));

        return $same[0][0] ??
            ($this->things[$place][0] ??
                ($named[0][0] ?? throw UnreadableResponse::because(Message::of('parts.nothing-called', ['called' => $called]))));
    }

    /**
     * @return list<string> none for an empty text
     *
     * @throws UnreadableResponse
     */
    public function several(string $called): array
    {
        if (trim($called) === '') {
            return [];
        }
        $whole = null;
        foreach (['/(?!)/', ...self::BETWEEN] as $between) {
            $pieces = array_values(
                array_filter((array) preg_split($between, trim($called)), fn (mixed $piece): bool => is_string($piece) && $piece !== ''),
            );
            try {
                return array_map($this->one(...), $pieces);
            } catch (UnreadableResponse $problem) {
                $whole = $whole === null || count($pieces) > 1 ? $problem : $whole;
            }
        }
        try {
            return preg_match('/^[a-z]{2,26}$/i', trim($called)) === 1
                ? array_map($this->one(...), str_split(trim($called)))
                : throw $whole; // ACD
        } catch (UnreadableResponse) {
            throw $whole;
        }
    }

    /**
     * Two things joined, such as "slate = metamorphic" or "A2".
     *
     * @return array{string, string}
     *
     * @throws UnreadableResponse
     */
    public function pairWith(self $other, string $written): array
    {
        foreach (self::JOINS as $join) {
            for ($at = mb_strpos($written, $join); $at !== false; $at = mb_strpos($written, $join, $at + 1)) {
                try {
                    return [$this->one(mb_substr($written, 0, $at)), $other->one(mb_substr($written, $at + mb_strlen($join)))];
                } catch (UnreadableResponse) {
                    continue;
                }
            }
        }
        if (preg_match('/^\s*([a-z])\s*(\d{1,2})\s*$/i', $written, $m) === 1) {
            return [$this->one($m[1]), $other->one($m[2])];
        }
        throw UnreadableResponse::because(Message::of('parts.not-a-pair', ['written' => $written]));
    }

    /** @return list<string> what stands between ; | or line breaks, without what is empty */
    public static function pieces(string $written): array
    {
        return array_values(
            array_filter(
                (array) preg_split(self::BETWEEN[0], trim($written)),
                fn (mixed $piece): bool => is_string($piece) && $piece !== '',
            ),
        );
    }

    /**
     * The two sides of the first sign that joins.
     *
     * @param  non-empty-string  $join
     * @return array{string, string}
     *
     * @throws UnreadableResponse with a sentence when it is not there
     */
    public static function sides(string $written, string $join, string $sentence): array
    {
        $sides = explode($join, $written, 2);

        return isset($sides[1]) ? [$sides[0], $sides[1]] : throw UnreadableResponse::because($sentence);
    }

    private static function folded(string $words): string
    {
        $plain = \Normalizer::normalize($words, \Normalizer::FORM_KC);

        return mb_strtolower(
            (string) preg_replace(['/[\p{Z}\s]+/u', '/^[ .]+|[ .]+$/u'], [' ', ''], is_string($plain) ? $plain : $words),
        );
    }
}
