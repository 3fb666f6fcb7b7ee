<?php

declare(strict_types=1);

namespace WideQuarry\Question;

/**
 * What people call a place in a question: not options, #x7, html, but the text of option 3, 'Granite'.
 *
 * @phpstan-type Step array{name: string, number?: int, words?: string, kind?: string}
 */
final class PathNames
{
    private const EXCERPT = 60;

    /** Which fields name a thing of a list, the first that is there. */
    private const NAMING = ['title', 'html', 'label', 'text', 'value'];

    /** What a thing of a list is told apart by, with # before it: its id, its name, or else its place. */
    public static function called(mixed $thing, int $at): string
    {
        $called = $thing instanceof \stdClass ? $thing->id ?? ($thing->name ?? $at) : $at;

        return '#'.(is_string($called) || is_int($called) ? $called : $at);
    }

    /**
     * @param  list<string>  $path  names of fields, and things of lists as called() has them
     * @return list<Step>
     */
    public static function of(array $path, \stdClass $content): array
    {
        /** @var list<Step> $named */
        $named = [];
        $at = $content;
        $words = [];
        foreach ($path as $i => $step) {
            if (! is_array($at)) {
                $at = $at instanceof \stdClass ? $at->{$step} ?? null : null;
                if (! is_array($at) || ! str_starts_with($path[$i + 1] ?? '', '#')) {
                    $named[] = ['name' => $step];
                }

                continue;
            }
            foreach (array_values($at) as $place => $thing) {
                if ($thing instanceof \stdClass && self::called($thing, $place) === $step) {
                    $kind = $thing->kind ?? null;
                    $words = is_string($kind) ? self::things($thing) : $words;
                    $called = ['name' => $path[$i - 1], 'number' => $place + 1, 'words' => self::excerpt($thing, $words)];
                    $named[] = is_string($kind) ? [...$called, 'kind' => $kind] : $called;
                    $at = $thing;
                    break;
                }
            }
        }

        return $named;
    }

    /**
     * What the things of a part are called, for rules that speak of them.
     *
     * @return array<string, string> id → words
     */
    private static function things(\stdClass $part): array
    {
        $words = [];
        $settings = $part->settings ?? null;
        foreach ($settings instanceof \stdClass ? get_object_vars($settings) : [] as $list) {
            foreach (is_array($list) ? $list : [] as $thing) {
                if ($thing instanceof \stdClass && is_string($thing->id ?? null)) {
                    $words[$thing->id] = self::excerpt($thing, []);
                }
            }
        }

        return $words;
    }

    /** @param  array<string, string>  $words */
    private static function excerpt(\stdClass $thing, array $words): string
    {
        foreach (self::NAMING as $field) {
            if (is_string($thing->{$field} ?? null)) {
                $said = Differences::words($thing->{$field}, $field);

                return mb_strlen($said) > self::EXCERPT ? mb_substr($said, 0, self::EXCERPT - 1).'…' : $said;
            }
        }
        $on = $thing->on ?? null;
        $ids = match (true) {
            $on instanceof \stdClass => array_values(get_object_vars($on)),
            is_array($on) => $on,
            default => [$on],
        };

        return implode(
            ', ',
            array_filter(
                array_map(fn (mixed $one): string => is_string($one) ? $words[$one] ?? $one : Differences::words($one, ''), $ids),
                fn (string $one): bool => $one !== '',
            ),
        );
    }
}
