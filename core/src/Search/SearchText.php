<?php

declare(strict_types=1);

namespace WideQuarry\Search;

use WideQuarry\Content\RichText;
use WideQuarry\Question\Feedback;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\Record;

/** The words of a question by what they weigh: title, stem, what is offered and accepted, and the rest. */
final readonly class SearchText
{
    /** Positions that PostgreSQL keeps of one word, and the largest there is (its manual, "Text Search Types"). */
    private const POSITIONS = 255;

    private const LAST = 16383;

    /** Fields of a record whose words are searched. */
    public const RECORD_FIELDS = ['tags', 'standards', 'notes', 'source', 'author', 'origin'];

    /** @param  array<string>  $identifiers  what it is called by in other systems and in links; found, but never shown as text of it */
    private function __construct(
        public string $title,
        public string $stem,
        public string $answers,
        public string $rest,
        private array $identifiers = [],
    ) {
    }

    public static function of(Question $question): self
    {
        $answers = [];
        $rest = [];
        foreach ($question->parts as $part) {
            array_push($answers, ...$part->kind?->texts($part) ?? []);
            $rest = [...$rest, $part->label, ...self::said($part->feedback), ...self::ofRules($part), ...self::ofMarking($part)];
        }
        $rest = [...$rest, ...self::said($question->feedback)];
        foreach ($question->hints as $hint) {
            $rest[] = $hint->html;
        }

        return new self(
            $question->title,
            self::plain([$question->body]),
            self::plain($answers),
            trim(self::plain($rest)."\n".self::ofRecord($question->record)),
            self::identifiers($question->id, $question->record),
        );
    }

    /**
     * What markers read of a part: its rubric and its example answers.
     *
     * @return list<string>
     */
    private static function ofMarking(Part $part): array
    {
        $rubric = $part->key->rubric;
        $texts = $rubric === null ? [] : [self::escaped($rubric->title), $rubric->html];
        foreach ($rubric->criteria ?? [] as $criterion) {
            array_push($texts, self::escaped($criterion->title), $criterion->html, ...array_column($criterion->levels, 'html'));
            array_push($texts, ...array_map(self::escaped(...), [...$criterion->accept, ...array_column($criterion->levels, 'title')]));
        }
        foreach ($part->key->models as $model) {
            array_push($texts, self::escaped($model->title), $model->html, $model->remarks, $model->missing, $model->alternatives);
            array_push($texts, ...array_column($model->passages, 'html'));
        }

        return $texts;
    }

    private static function escaped(string $words): string
    {
        return htmlspecialchars($words, ENT_NOQUOTES);
    }

    /**
     * The same question under another record, from what was stored of it: the parts are not read again, which is most of the work.
     *
     * @param  string  $answers  as it was
     * @param  string  $rest  as it was, under the record before
     */
    public static function underRecord(
        string $id,
        string $title,
        string $body,
        string $answers,
        string $rest,
        Record $before,
        Record $after,
    ): self {
        $said = self::ofRecord($before);
        $content = $said !== '' && str_ends_with($rest, $said) ? substr($rest, 0, -strlen($said)) : $rest;

        return new self(
            $title,
            self::plain([$body]),
            $answers,
            trim(rtrim($content, "\n")."\n".self::ofRecord($after)),
            self::identifiers($id, $after),
        );
    }

    private static function ofRecord(Record $record): string
    {
        return implode(
            "\n",
            array_filter(
                [
                    ...$record->classification->tags,
                    ...$record->classification->codes,
                    $record->notes,
                    $record->provenance->source,
                    $record->provenance->author,
                ],
                fn (string $text): bool => $text !== '',
            ),
        );
    }

    /** @return array<string> */
    private static function identifiers(string $id, Record $record): array
    {
        return array_filter([$id, $record->provenance->origin->identifier ?? null], is_string(...));
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
            foreach (Splitter::words($identifier) as $word) {
                // in one piece alone, so that a query of "3" does not find every identifier with a 3
                $entries[$word->whole] ??= [min(self::LAST, ++$position) => 'D'];
            }
        }
        $literal = '';
        foreach ($entries as $form => $places) {
            $places = array_slice($places, 0, self::POSITIONS, true);
            $literal .=
                self::quoted((string) $form).
                ':'.
                implode(',', array_map(fn (int $at, string $weight): string => "$at$weight", array_keys($places), $places)).
                ' ';
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
        return implode(
            "\n",
            array_filter(
                array_map(fn (string $one): string => RichText::read($one)->plain(), $html),
                fn (string $text): bool => $text !== '',
            ),
        );
    }
}
