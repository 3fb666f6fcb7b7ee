<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Content\RichText;
use WideQuarry\Documents\WordDiff;

/**
 * What differs between two revisions of a question, thing by thing, as people name things: by part, option, rule, not by place in a list.
 *
 * @phpstan-import-type Step from PathNames
 */
final class Differences
{
    /** What says nothing to an author. */
    private const SILENT = ['format', 'version', 'id', 'record'];

    /** Fields in the order in which a question is read; all others follow by name, so that the order of a store says nothing. */
    private const ORDER = ['title', 'body', 'parts', 'label', 'points', 'html', 'settings', 'key', 'scheme', 'on', 'credit'];

    /** Fields that hold rich text. */
    private const RICH = ['body', 'html', 'text', 'prompts', 'start', 'remarks', 'missing', 'alternatives'];

    /**
     * @return list<array{path: list<Step>, runs: list<array{string, string}>}> path: names from the question down; a thing of a list by
     *     its number and in its words
     */
    public static function between(\stdClass $before, \stdClass $after): array
    {
        [$old, $new] = [self::flat($before), self::flat($after)];
        $differences = [];
        foreach (self::keys($old, $new) as $key) {
            [$a, $b] = [$old[$key] ?? '', $new[$key] ?? ''];
            if ($a !== $b) {
                $path = explode("\t", $key);
                $differences[] = [
                    'path' => PathNames::of($path, isset($new[$key]) ? $after : $before),
                    'runs' => str_ends_with($key, 'credit') ? WordDiff::whole($a, $b) : WordDiff::of($a, $b),
                ];
            }
        }

        return $differences;
    }

    /**
     * Those of the new in their order, each old one that is gone after the one it stood behind.
     *
     * @param  array<string, string>  $old
     * @param  array<string, string>  $new
     * @return list<string>
     */
    private static function keys(array $old, array $new): array
    {
        $keys = array_map(strval(...), array_keys($new));
        $last = -1;
        foreach (array_map(strval(...), array_keys($old)) as $key) {
            $at = array_search($key, $keys, true);
            if ($at === false) {
                array_splice($keys, ++$last, 0, [$key]);
            } else {
                $last = $at;
            }
        }

        return $keys;
    }

    /** @return array<string, string> path with tabs between its names → what stands there, in words */
    public static function flat(\stdClass $content): array
    {
        $flat = [];
        self::walk($content, [], $flat);

        return $flat;
    }

    /**
     * @param  list<string>  $path
     * @param  array<string, string>  $flat
     */
    private static function walk(mixed $value, array $path, array &$flat): void
    {
        $name = end($path);
        if ($value instanceof \stdClass) {
            foreach (array_diff(self::inOrder($value), self::SILENT) as $field) {
                self::walk($value->{$field}, [...$path, $field], $flat);
            }

            return;
        }
        if (is_array($value) && $value !== [] && $value[0] instanceof \stdClass) {
            foreach ($value as $i => $thing) {
                self::walk($thing, [...$path, PathNames::called($thing, (int) $i)], $flat);
            }

            return;
        }
        if (is_string($value) && in_array($name, self::RICH, true) && ($media = self::media($value)) !== '') {
            $flat[implode("\t", [...$path, 'media'])] = $media;
        }
        $words = self::words($value, is_string($name) ? $name : '');
        if ($words !== '') {
            $flat[implode("\t", $path)] = $words;
        }
    }

    /** The pictures and recordings of a text, which its words do not tell apart: each by the beginning of its id, and its width. */
    private static function media(string $html): string
    {
        preg_match_all('/<(?:img|audio|video)\b[^>]*>/', str_contains($html, 'data-media') ? $html : '', $tags);
        $said = array_map(function (string $tag): string {
            preg_match('/data-media="([^"]{1,8})/', $tag, $id);
            preg_match('/ width="(\d+)"/', $tag, $width);

            return ($id[1] ?? '').(isset($width[1]) ? " ($width[1] px)" : '');
        }, $tags[0]);

        return implode(', ', $said);
    }

    /** @return list<string> the fields of an object in the order in which a question is read */
    public static function inOrder(\stdClass $value): array
    {
        $fields = array_map(strval(...), array_keys(get_object_vars($value)));
        sort($fields, SORT_STRING);

        return [...array_values(array_intersect(self::ORDER, $fields)), ...array_values(array_diff($fields, self::ORDER))];
    }

    /** What stands in a field, in plain words. */
    public static function words(mixed $value, string $field): string
    {
        return match (true) {
            is_string($value) => in_array($field, self::RICH, true) ? trim(RichText::read($value)->plain()) : $value,
            is_bool($value) => $value ? 'yes' : 'no',
            is_int($value), is_float($value) => (string) $value,
            is_array($value) => implode(
                ' / ',
                array_map(
                    fn (mixed $one): string => is_array($one)
                        ? implode(' = ', array_map(fn (mixed $inner): string => self::words($inner, ''), $one))
                        : self::words($one, ''),
                    $value,
                ),
            ),
            default => '',
        };
    }
}
