<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Json;

/** What a question has and how it is marked: derived, so that it can be looked for, never typed. */
final class Features
{
    public const NAMES = ['figure', 'audio', 'formula', 'table', 'feedback', 'hints', 'rubric', 'values', 'specimens', 'stimulus'];

    public const MARKING = ['itself', 'partly', 'hand'];

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
            'rubric' => str_contains($written, '"rubric":{') || str_contains($written, '"rubric":['),
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
