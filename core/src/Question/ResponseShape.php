<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** The outer shape of a stored response; whether it suits its part is found when it is scored. */
final class ResponseShape
{
    private const OBJECTS = ['gaps', 'groups', 'labels', 'amends'];

    private const LISTS = ['chosen', 'pairs', 'sequence', 'spots', 'at', 'points', 'figures', 'files'];

    /** An essay of 20,000 words has some 130,000 characters. */
    private const MOST_CHARACTERS = 200_000;

    /** @throws Malformed */
    public static function check(\stdClass $response, string $path): void
    {
        foreach (get_object_vars($response) as $id => $given) {
            $at = "$path/$id";
            $fields = Fields::of($given, $at, ['text', 'value', ...self::OBJECTS, ...self::LISTS]);
            $name = array_key_first(get_object_vars((object) $given));
            if (count(get_object_vars((object) $given)) !== 1) {
                throw Malformed::wrongType($at, Message::of('question.object-one-field-such'), $given);
            }
            match (true) {
                in_array($name, self::LISTS, true) => array_map(
                    fn (mixed $one): mixed => $name === 'chosen' ? Fields::asId($one, "$at/chosen") : $one,
                    $fields->list($name),
                ),
                in_array($name, self::OBJECTS, true) => $fields->raw($name) instanceof \stdClass
                    ? null
                    : throw Malformed::wrongType("$at/$name", Message::of('question.object'), $fields->raw($name)),
                default => $fields->string((string) $name, '', self::MOST_CHARACTERS),
            };
        }
    }
}
