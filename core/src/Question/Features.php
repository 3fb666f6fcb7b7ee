<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Json;

/** What a question has and how it is marked: derived, so that it can be looked for, never typed. */
final class Features
{
    public const NAMES = [
        'figure',
        'audio',
        'formula',
        'table',
        'feedback',
        'hints',
        'rubric',
        'models',
        'values',
        self::BAD_ROLLS,
        'specimens',
        'stimulus',
    ];

    /** Told by a study of its rolls, which is not done here. */
    public const BAD_ROLLS = 'bad_rolls';

    public const MARKING = ['itself', 'partly', 'hand'];

    private const WORDS_A_MINUTE = 200;

    private const MINUTES_A_CRITERION = 0.25;

    /** @return list<string> of NAMES, in their order */
    public static function of(Question $question): array
    {
        $content = $question->content();
        $written = Json::encode($content);
        $has = [
            'figure' => str_contains($written, '<img '),
            'audio' => str_contains($written, '<audio ') || str_contains($written, '<video '),
            'formula' => str_contains($written, '<math'),
            'table' => str_contains($written, '<table'),
            'feedback' => self::feedback($content),
            'hints' => $question->hints !== [],
            'rubric' => array_filter($question->parts, fn (Part $part): bool => ($part->key->rubric->criteria ?? []) !== []) !== [],
            'models' => array_filter($question->parts, fn (Part $part): bool => $part->key->models !== []) !== [],
            'values' => $question->variables->list !== [],
            'specimens' => $question->record->specimens !== [],
            'stimulus' => $question->stimuli !== [],
        ];

        return array_keys(array_filter($has));
    }

    /** @return 'itself'|'partly'|'hand'|'' whether it marks itself, in part, or by hand; '' where there is nothing to mark */
    public static function marking(Question $question): string
    {
        $marked = array_filter($question->parts, fn (Part $part): bool => $part->kind?->isMarked() !== false);
        $hand = array_filter($marked, fn (Part $part): bool => $part->scheme === Scheme::Person);

        return match (true) {
            $marked === [] => '',
            $hand === [] => 'itself',
            count($hand) === count($marked) => 'hand',
            default => 'partly',
        };
    }

    /** The letter of its key, "A" to "Z", where it is one part with one right option among options that keep their order; else "". */
    public static function keyLetter(Question $question): string
    {
        $place = count($question->parts) === 1 ? $question->parts[0]->kind?->keyPlace($question->parts[0]) : null;

        return $place === null || $place > 25 ? '' : chr(ord('A') + $place);
    }

    /** How many words a learner reads, what is offered included: an estimate that needs no roll, so that many can be added up. */
    public static function readingWords(Question $question): int
    {
        $texts = array_merge([$question->body], ...array_map(
            fn (Part $part): array => $part->kind?->hasRules() === true ? $part->kind->texts($part) : [],
            $question->parts,
        ));

        $words = fn (string $text): int => (int) preg_match_all('/[\p{L}\p{N}]+(?:[\'’.,-][\p{L}\p{N}]+)*/u', strip_tags($text));

        return array_sum(array_map($words, $texts));
    }

    /**
     * How long a person needs to mark one response, in minutes: reading it at 200 words a minute, and a quarter of a minute for each
     * criterion, or for the part where there is no rubric. An estimate, so that a pile of papers can be planned.
     */
    public static function markingMinutes(Question $question): float
    {
        $minutes = 0.0;
        foreach ($question->parts as $part) {
            if ($part->kind === null || $part->scheme !== Scheme::Person || $question->scoring->isInstead($part->id)) {
                continue;
            }
            $criteria = count($part->key->rubric?->marked() ?? []);
            $minutes += $part->kind->expectedWords($part->settings) / self::WORDS_A_MINUTE + max(1, $criteria) * self::MINUTES_A_CRITERION;
        }

        return round($minutes, 1);
    }

    /** Whether something is said to learners anywhere: {"html": "…"} in a feedback, also of a rule or an option. */
    private static function feedback(mixed $value, bool $inside = false): bool
    {
        if ($value instanceof \stdClass) {
            foreach (get_object_vars($value) as $field => $inner) {
                if (
                    ($inside && $field === 'html' && is_string($inner) && $inner !== '') ||
                    self::feedback($inner, $inside || str_ends_with((string) $field, 'feedback'))
                ) {
                    return true;
                }
            }
        } elseif (is_array($value)) {
            foreach ($value as $inner) {
                if (self::feedback($inner, $inside)) {
                    return true;
                }
            }
        }

        return false;
    }
}
