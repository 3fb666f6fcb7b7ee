<?php

declare(strict_types=1);

namespace WideQuarry\Duplicates;

use WideQuarry\Content\Anchors;
use WideQuarry\Content\RichText;
use WideQuarry\Json\Json;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Search\Splitter;

/**
 * Says of two questions whether they are the same in their words: what is asked, and what is offered or accepted, in any order.
 * Identifiers, markup, capitals, points, feedback and classification do not count. Pictures, stimuli and variables do: a question
 * that differs in them alone is another question, and taking it for the same would lose it.
 */
final class Fingerprint
{
    /** @return string 64 hexadecimal digits; empty for a question without words, which is like no other */
    public static function of(Question $question): string
    {
        $text = RichText::read($question->body);
        $stem = self::folded($text->plain());
        if ($stem === '') {
            return '';
        }
        $parts = array_map(function (Part $part): array {
            $texts = array_map(
                fn (string $html): string => self::folded(RichText::read($html)->plain()).
                    implode(' ', Anchors::in(RichText::read($html)->nodes)->media),
                $part->kind?->texts($part) ?? [],
            );
            sort($texts, SORT_STRING);

            return [$part->kindName, $texts];
        }, $question->parts);

        return hash(
            'sha256',
            Json::encode([$stem, $parts, Anchors::in($text->nodes)->media, $question->stimuli, $question->toJson()->variables ?? []]),
        );
    }

    /** Without capitals and accents, spaces settled, no stop at the end; signs stay, since 3 + 4 is not 3 × 4. */
    private static function folded(string $text): string
    {
        return rtrim(trim((string) preg_replace('/[\s\p{Z}]+/u', ' ', Splitter::fold(mb_scrub($text, 'UTF-8')))), ' .?:');
    }
}
