<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Content\RichText;
use WideQuarry\Messages\Message;

/** Names that say nothing of the question, as copying, old systems and haste leave them; and a better one from its words. */
final class UnhelpfulTitle
{
    private const LONGEST = 60;

    /** What stands for a thing, not for what it asks. */
    private const THING = '(?:questions?|items?|tasks?|problems?|exercises?|tests?|quiz(?:zes)?|entry|entries|pages?|q|qu|no|nr|number|multiple '.
        'choice|true or false|true\/false|short answer|fill in|gaps?|calc(?:ulation)?s?|word '.
        'problems?|essay|matching)';

    /** What stands before or behind: a copy, a version, a number. */
    private const MARK = '(?:copy|copies|new|untitled|unnamed|no '.
        'name|noname|title|draft|final|version|v|old|imported|import|temp|tmp|test|xxx?|todo|tbd|asdf\w*)';

    /** What a question is called in lists and sentences: its title, or else its first words. */
    public static function of(string $title, string $body): string
    {
        $words = $title === '' ? trim((string) preg_replace('/\s+/u', ' ', RichText::read($body)->plain(false))) : '';

        return match (true) {
            $title !== '' => $title,
            $words === '' => Message::of('question.question-without-words'),
            default => mb_strimwidth($words, 0, self::LONGEST, '…'),
        };
    }

    public static function saysNothing(string $title): bool
    {
        $title = trim((string) preg_replace('/\s+/u', ' ', strtr($title, ['_' => ' ', '-' => ' ', '–' => ' '])));
        if ($title === '' || preg_match('/\p{L}/u', $title) !== 1) {
            return true;
        }
        $word = '(?:'.self::THING.'|'.self::MARK.'|of|the|a|an|\(|\)|[#.:,]|\d+|[a-z]?\d+[a-z]?|[ivx]+)';

        return preg_match("/^(?:$word\\s*)+$/iuD", $title) === 1 || preg_match('/^[0-9a-f]{8,}(?: ?[0-9a-f]{4,}){0,4}$/iD', $title) === 1;
    }

    /** @return string|null the beginning of what it says, to the end of a sentence or a word; null when it has no words */
    public static function proposal(Question $question): ?string
    {
        $texts = [RichText::read($question->body)->plain()];
        foreach ($question->parts as $part) {
            array_push(
                $texts,
                ...array_map(fn (string $html): string => RichText::read($html)->plain(), $part->kind?->texts($part) ?? []),
            );
        }
        foreach ($texts as $text) {
            $words = trim((string) preg_replace('/[\s_…]+/u', ' ', $text));
            if (preg_match('/\p{L}{2}/u', $words) === 1) {
                return self::shortened($words);
            }
        }

        return null;
    }

    private static function shortened(string $words): string
    {
        if (preg_match('/^(.{12,'.self::LONGEST.'}?[.?!])(?:\s|$)/u', $words, $sentence) === 1) {
            return rtrim($sentence[1], '.');
        }
        if (mb_strlen($words) <= self::LONGEST) {
            return rtrim($words, ' .:,;');
        }
        $cut = mb_substr($words, 0, self::LONGEST - 1);
        $space = mb_strrpos($cut, ' ');

        return rtrim($space === false || $space < self::LONGEST / 2 ? $cut : mb_substr($cut, 0, $space), ' .:,;(').'…';
    }
}
