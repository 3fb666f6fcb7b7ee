<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Content\DroppedContent;
use WideQuarry\Content\RichText;
use WideQuarry\Json\Json;

/** All rich text of a question through the allow-list, in the canonical serialisation: what is stored, whoever sent it. */
final class Canonical
{
    /** Fields that hold rich text wherever they stand in a question's content. */
    private const FIELDS = ['body', 'html', 'prompts', 'start', 'remarks', 'missing', 'alternatives'];

    /**
     * @return array{\stdClass, list<array{string, DroppedContent}>} a copy, and what was left out where (JSON Pointer)
     */
    public static function of(\stdClass $question): array
    {
        $dropped = [];
        $copy = Json::copy($question);
        assert($copy instanceof \stdClass);
        EmptyRows::drop($copy);
        foreach (get_object_vars($copy) as $field => $value) {
            if ($field !== 'record') {
                // specimens and provenance hold what others typed, as they typed it
                $copy->{$field} = self::clean($value, "/$field", (string) $field, $dropped);
            }
        }

        return [$copy, $dropped];
    }

    /** @param  list<array{string, DroppedContent}>  $dropped */
    private static function clean(mixed $value, string $path, string $field, array &$dropped): mixed
    {
        if (is_array($value)) {
            foreach ($value as $i => $item) {
                $value[$i] = self::clean($item, "$path/$i", $field === 'prompts' ? 'html' : '', $dropped);
            }

            return $value;
        }
        if ($value instanceof \stdClass) {
            foreach (get_object_vars($value) as $name => $item) {
                $isText = $name === 'text' && isset($value->text) && is_string($value->text) && str_ends_with($path, '/settings');
                $value->{$name} = self::clean($item, "$path/$name", $isText ? 'html' : (string) $name, $dropped);
            }

            return $value;
        }
        if (! is_string($value) || ! in_array($field, self::FIELDS, true)) {
            return $value;
        }
        $text = RichText::read($value); // whoever reads the question next asks for the same text
        foreach ($text->dropped as $lost) {
            $dropped[] = [$path, $lost];
        }

        return $text->html();
    }
}
