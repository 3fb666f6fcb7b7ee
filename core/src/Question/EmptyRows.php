<?php

declare(strict_types=1);

namespace WideQuarry\Question;

/**
 * Drops rows that an author left empty and no rule needs. A row is an object with `id` and `html` in a list of a part's settings: an
 * option, a tile, an item.
 */
final class EmptyRows
{
    /** Takes them out of a well-formed question. */
    public static function drop(\stdClass $question): void
    {
        foreach (is_array($question->parts ?? null) ? $question->parts : [] as $part) {
            if ($part instanceof \stdClass && ($part->settings ?? null) instanceof \stdClass) {
                self::ofPart($part, $part->settings);
            }
        }
    }

    private static function ofPart(\stdClass $part, \stdClass $settings): void
    {
        $empty = [];
        foreach (array_filter(get_object_vars($settings), is_array(...)) as $list) {
            foreach ($list as $item) {
                if (
                    $item instanceof \stdClass &&
                    is_string($item->id ?? null) &&
                    is_string($item->html ?? null) &&
                    trim($item->html) === ''
                ) {
                    $empty["=$item->id"] = true;
                }
            }
        }
        $key = ($part->key ?? null) instanceof \stdClass ? $part->key : new \stdClass();
        $rules = is_array($key->rules ?? null) ? $key->rules : [];
        if ($empty === []) {
            return;
        }
        $kept = array_values(
            array_filter(
                $rules,
                fn (mixed $rule): bool => self::named($rule) === [] ||
                    array_diff(self::named($rule), array_keys($empty)) !== [] ||
                    count(self::named($rule)) === 1,
            ),
        );
        foreach (array_merge([], ...array_map(self::named(...), $kept)) as $named) {
            unset($empty[$named]);
        }
        if (count($kept) < count($rules)) {
            $key->rules = $kept;
        }
        $isLeft = fn (mixed $item): bool => ! ($item instanceof \stdClass && is_string($item->id ?? null) && isset($empty["=$item->id"]));
        foreach (array_filter(get_object_vars($settings), is_array(...)) as $name => $list) {
            $settings->{$name} = array_values(array_filter($list, $isLeft));
        }
    }

    /** @return list<string> the identifiers a rule is about, each behind "=" */
    private static function named(mixed $rule): array
    {
        $on = $rule instanceof \stdClass ? $rule->on ?? null : null;

        return array_map(
            fn (string $id): string => "=$id",
            is_string($on) ? [$on] : (is_array($on) ? array_values(array_filter($on, is_string(...))) : []),
        );
    }
}
