<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use WideQuarry\Content\RichText;

/** What a source says to whoever marks: with the rubric of the part that a person marks, or else in the notes of the question. */
final class MarkerGuidance
{
    private const MOST_NOTES = 20_000;

    private const MOST_GUIDANCE = 400_000;

    /** @param  list<string>  $texts  rich text */
    public static function place(\stdClass $question, array $texts): void
    {
        $html = implode('', array_filter($texts));
        if ($html === '') {
            return;
        }
        $part = self::byHand($question);
        if ($part !== null && mb_strlen($html) <= self::MOST_GUIDANCE) {
            $key = $part->key instanceof \stdClass ? $part->key : new \stdClass();
            $key->rubric = (object) ['html' => $html, 'criteria' => []];
            $part->key = $key;

            return;
        }
        assert($question->record instanceof \stdClass);
        $question->record->notes = mb_substr(RichText::read($html)->plain(), 0, self::MOST_NOTES);
    }

    /**
     * Solutions of a source become model answers of the part that a person marks.
     *
     * @param  list<string>  $texts  rich text
     * @return bool whether there is such a part
     */
    public static function models(\stdClass $question, array $texts): bool
    {
        $part = self::byHand($question);
        if ($part === null) {
            return false;
        }
        $key = $part->key instanceof \stdClass ? $part->key : new \stdClass();
        $models = is_array($key->models ?? null) ? $key->models : [];
        foreach ($texts as $html) {
            $models[] = (object) ['id' => 'm'.(count($models) + 1), 'html' => $html];
        }
        $key->models = $models;
        $part->key = $key;

        return true;
    }

    /** The first part that a person marks. */
    private static function byHand(\stdClass $question): ?\stdClass
    {
        foreach (is_array($question->parts) ? $question->parts : [] as $part) {
            if ($part instanceof \stdClass && $part->scoring instanceof \stdClass && ($part->scoring->scheme ?? null) === 'person') {
                return $part;
            }
        }

        return null;
    }
}
