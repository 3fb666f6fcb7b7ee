<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Content\Anchors;
use WideQuarry\Content\RichText;
use WideQuarry\Json\Json;

/**
 * Finds and renames the media of a question or stimulus; nothing else knows where they are. Rich text names them in data-media and
 * data-captions, settings in a field `media` (core/schema/common.json, picture).
 */
final class QuestionMedia
{
    private const ATTRIBUTES = ['data-media', 'data-captions'];

    /** @return list<string> ids, each once */
    public static function of(Question $question): array
    {
        return self::in($question->content());
    }

    /**
     * @param  mixed  $content  decoded JSON
     * @return list<string> ids, each once
     */
    public static function in(mixed $content): array
    {
        $ids = [];
        self::collect($content, $ids);

        return array_values(array_unique($ids));
    }

    /**
     * Where a question shows a medium.
     *
     * @param  \stdClass  $content  decoded JSON
     * @return list<'text'|'answers'|'feedback'|'hints'> each once
     */
    public static function places(\stdClass $content, string $medium): array
    {
        $places = [];
        foreach ((array) $content as $field => $value) {
            foreach ($field === 'parts' && is_array($value) ? $value : [$value] as $part) {
                foreach ($part instanceof \stdClass && $field === 'parts' ? (array) $part : [$field => $part] as $name => $inner) {
                    if (in_array($medium, self::in($inner), true)) {
                        $places[] = match (true) {
                            $name === 'hints' => 'hints',
                            $name === 'feedback' || $name === 'key' => 'feedback',
                            $name === 'settings' => 'answers',
                            default => 'text',
                        };
                    }
                }
            }
        }

        return array_values(array_unique($places));
    }

    /**
     * Content in which media have new names.
     *
     * @param  array<string, string>  $names  old → new
     */
    public static function renamed(\stdClass $content, array $names): \stdClass
    {
        $references = self::references($names);
        if ($references === []) {
            return $content;
        }
        $json = Json::decode(strtr(Json::encode($content), $references));
        assert($json instanceof \stdClass);

        return $json;
    }

    /**
     * How references to media read in JSON, old → new, for replacing text. Names that stay are left out.
     *
     * @param  array<string, string>  $names  old → new
     * @return array<string, string>
     */
    public static function references(array $names): array
    {
        $references = [];
        foreach ($names as $old => $new) {
            if ((string) $old === $new) {
                continue;
            }
            foreach (self::ATTRIBUTES as $attribute) {
                $references[self::attribute($attribute, (string) $old)] = self::attribute($attribute, $new);
            }
            foreach (['"media":', '"media": '] as $field) {
                // as written here, and as PostgreSQL writes jsonb
                $references[$field.Json::encode((string) $old)] = $field.Json::encode($new);
            }
        }

        return $references;
    }

    /** @param  list<string>  $ids */
    private static function collect(mixed $value, array &$ids): void
    {
        if (is_string($value)) {
            if (str_contains($value, self::ATTRIBUTES[0]) || str_contains($value, self::ATTRIBUTES[1])) {
                array_push($ids, ...Anchors::in(RichText::read($value)->nodes)->media);
            }

            return;
        }
        if ($value instanceof \stdClass && is_string($value->media ?? null)) {
            $ids[] = $value->media;
        }
        foreach (is_array($value) || $value instanceof \stdClass ? (array) $value : [] as $inner) {
            self::collect($inner, $ids);
        }
    }

    /** An attribute of rich text inside a JSON string. */
    private static function attribute(string $attribute, string $name): string
    {
        return substr(
            Json::encode("$attribute=\"".strtr($name, ['&' => '&amp;', '<' => '&lt;', '>' => '&gt;', '"' => '&quot;']).'"'),
            1,
            -1,
        );
    }
}
