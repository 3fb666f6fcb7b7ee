<?php

declare(strict_types=1);

namespace WideQuarry\Search;

use WideQuarry\Content\RichText;
use WideQuarry\Question\Feedback;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;

/** The words of a question by what they weigh: title, stem, what is offered and accepted, and the rest. */
final readonly class SearchText
{
    /** Positions that PostgreSQL keeps of one word, and the largest there is (its manual, "Text Search Types"). */
    private const POSITIONS = 255;

    private const LAST = 16383;

    /** @param  list<string>  $identifiers  what it is called by in other systems and in links; found, but never shown as text of it */
    private function __construct(public string $title, public string $stem, public string $answers, public string $rest, private array $identifiers = [])
    {
    }

    public static function of(Question $question): self
    {
        $answers = [];
        $rest = [];
        foreach ($question->parts as $part) {
            array_push($answers, ...($part->kind?->texts($part) ?? []));
            $rest = [...$rest, $part->label, ...self::said($part->feedback), ...self::ofRules($part)];
        }
        $rest = [...$rest, ...self::said($question->feedback)];
        foreach ($question->hints as $hint) {
            $rest[] = $hint->html;
        }
        $record = $question->record;
        $plain = [...$record->tags, ...$record->codes, $record->notes, $record->source, $record->author];

        return new self($question->title, self::plain([$question->body]), self::plain($answers), trim(self::plain($rest)."\n".implode("\n", array_filter($plain, fn (string $text): bool => $text !== ''))), array_filter([$question->id, $record->origin->identifier ?? null], is_string(...)));
    }

    /** Of a text alone, as a stimulus is. */
    public static function ofText(string $title, RichText $text): self
    {
        return new self($title, $text->plain(), '', '');
    }

    /** As a literal of PostgreSQL's type tsvector, so that words are split by us and not by it. */
    public function vector(): string
    {
        $entries = [];
        $position = 0;
        foreach (['A' => $this->title, 'B' => $this->stem, 'C' => $this->answers, 'D' => $this->rest] as $weight => $text) {
            foreach (Splitter::words($text) as $word) {
                $at = min(self::LAST, $position + 1);
                $entries[$word->whole][$at] = $weight;
                foreach ($word->pieces as $i => $piece) {
                    $entries[$piece][min(self::LAST, $at + $i)] ??= $weight;
                }
                $position += count($word->pieces);
            }
            $position++; // no phrase reaches from one field into the next
        }
        foreach ($this->identifiers as $identifier) {
            foreach (Splitter::words($identifier) as $word) { // in one piece alone, so that a query of "3" does not find every identifier with a 3
                $entries[$word->whole] ??= [min(self::LAST, ++$position) => 'D'];
            }
        }
        $literal = '';
        foreach ($entries as $form => $places) {
            $places = array_slice($places, 0, self::POSITIONS, true);
            $literal .= self::quoted((string) $form).':'.implode(',', array_map(fn (int $at, string $weight): string => "$at$weight", array_keys($places), $places)).' ';
        }

        return rtrim($literal);
    }

    public function all(): string
    {
        return implode("\n", [$this->title, $this->stem, $this->answers, $this->rest]);
    }

    public static function quoted(string $form): string
    {
        return "'".strtr($form, ["'" => "''", '\\' => '\\\\'])."'";
    }

    /**
     * @param  array<string, Feedback>  $feedback
     * @return list<string>
     */
    private static function said(array $feedback): array
    {
        return array_values(array_map(fn (Feedback $one): string => $one->html, $feedback));
    }

    /** @return list<string> */
    private static function ofRules(Part $part): array
    {
        $texts = [];
        foreach ($part->key->rules as $rule) {
            if ($rule->feedback !== null) {
                $texts[] = $rule->feedback->html;
            }
        }

        return $texts;
    }

    /** @param  list<string>  $html */
    private static function plain(array $html): string
    {
        return implode("\n", array_filter(array_map(fn (string $one): string => RichText::read($one)->plain(), $html), fn (string $text): bool => $text !== ''));
    }
}
