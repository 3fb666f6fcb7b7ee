<?php

declare(strict_types=1);

namespace WideQuarry\Marking;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** The outer shape of stored marks; whether they suit a rubric is found when they are used, for the rubric may change. */
final class MarksShape
{
    /**
     * Part → what was given for it.
     *
     * @throws Malformed
     */
    public static function ofParts(mixed $json, string $path): \stdClass
    {
        $parts = self::object($json, $path);
        foreach (get_object_vars($parts) as $id => $given) {
            $fields = Fields::of($given, "$path/$id", ['criteria', 'points', 'note']);
            $fields->exact('points', '0');
            $fields->string('note', '', PartMarks::MOST_NOTE);
            if ($fields->has('criteria')) {
                self::ofCriteria($fields->raw('criteria'), $fields->at('criteria'));
            }
        }

        return $parts;
    }

    /**
     * Criterion → what was given for it.
     *
     * @throws Malformed
     */
    public static function ofCriteria(mixed $json, string $path): \stdClass
    {
        $criteria = self::object($json, $path);
        foreach (get_object_vars($criteria) as $id => $given) {
            $fields = Fields::of($given, "$path/$id", ['level', 'points']);
            if ($fields->has('level')) {
                $fields->id('level');
            }
            $fields->exact('points', '0');
        }

        return $criteria;
    }

    /** @throws Malformed */
    private static function object(mixed $json, string $path): \stdClass
    {
        return $json instanceof \stdClass ? $json : throw Malformed::wrongType($path, Message::of('marking.marks-of-criteria'), $json);
    }
}
