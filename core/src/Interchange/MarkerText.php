<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use WideQuarry\Marking\ModelText;
use WideQuarry\Marking\RubricText;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\Scheme;

/** Rubrics and model answers as rich text, for formats that have words for markers but no rubrics. */
final class MarkerText
{
    /** @return array<string, string> part → what it is marked by; parts without a rubric are left out */
    public static function rubrics(Question $question): array
    {
        $rubrics = [];
        foreach (self::byHand($question) as $id => $part) {
            if ($part->key->rubric !== null) {
                $rubrics[$id] = self::heading($question, $part).(new RubricText($part->key->rubric))->html();
            }
        }

        return array_filter($rubrics);
    }

    /** @return array<string, list<string>> part → its model answers */
    public static function models(Question $question): array
    {
        $models = [];
        foreach (self::byHand($question) as $id => $part) {
            foreach ($part->key->models as $i => $model) {
                $number = count($part->key->models) > 1 ? $i + 1 : null;
                $models[$id][] = self::heading($question, $part).(new ModelText($model, $part->key->rubric))->html($number);
            }
        }

        return $models;
    }

    /** Whether anything of it cannot come back as what it was. */
    public static function isIn(Question $question): bool
    {
        return self::rubrics($question) !== [] || self::models($question) !== [];
    }

    /** @return array<string, Part> */
    private static function byHand(Question $question): array
    {
        $parts = [];
        foreach ($question->parts as $part) {
            if ($part->scheme === Scheme::Person && ! $question->scoring->isInstead($part->id)) {
                $parts[$part->id] = $part;
            }
        }

        return $parts;
    }

    /** Which part it is about, where there are several. */
    private static function heading(Question $question, Part $part): string
    {
        if (count($question->parts) < 2) {
            return '';
        }
        $place = array_search($part, $question->parts, true);
        $name = $part->label !== '' ? $part->label : Message::of('interchange.part-number', ['place' => (int) $place + 1]);

        return '<p><strong>'.htmlspecialchars($name, ENT_NOQUOTES).'</strong></p>';
    }
}
