<?php

declare(strict_types=1);

namespace WideQuarry\Presentation;

/** How many words a learner reads: the question, what is offered in it, what is said beside its answers. */
final class ReadingLoad
{
    /** Names under which a presented part has text; all else is identifiers and numbers. */
    private const TEXTS = ['body', 'text', 'prompts', 'label', 'caption', 'start', 'title', 'alt'];

    /** @param  array<string, mixed>  $presentation  as core/schema/presentation.json, without its stimuli */
    public static function words(array $presentation): int
    {
        return self::inTree($presentation['body'] ?? []) + self::inSettings($presentation['parts'] ?? []);
    }

    /** Of rich text that was drawn as a tree: text, or [name, attributes, ...children]. */
    public static function inTree(mixed $nodes): int
    {
        if (is_string($nodes)) {
            return (int) preg_match_all('/[\p{L}\p{N}]+(?:[\'’.,-][\p{L}\p{N}]+)*/u', $nodes);
        }
        if (! is_array($nodes)) {
            return 0;
        }
        // an element begins with its name and its attributes; a list of nodes does not
        $isElement = is_string($nodes[0] ?? null) && ($nodes[1] ?? null) instanceof \stdClass;

        return array_sum(array_map(self::inTree(...), $isElement ? array_slice($nodes, 2) : $nodes));
    }

    private static function inSettings(mixed $of): int
    {
        $words = 0;
        foreach ($of instanceof \stdClass ? get_object_vars($of) : (is_array($of) ? $of : []) as $name => $value) {
            $words += in_array($name, self::TEXTS, true) ? self::inTree($value) : self::inSettings($value);
        }

        return $words;
    }
}
