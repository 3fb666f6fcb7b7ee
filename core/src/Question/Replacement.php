<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Content\Element;
use WideQuarry\Content\RichText;
use WideQuarry\Content\Serialiser;
use WideQuarry\Json\Json;

/**
 * Words found and replaced within a question: in its title and texts, options, accepted answers and feedback, never in identifiers or markup. A
 * word that is split by markup (half of it in italics) is not found.
 *
 * @phpstan-import-type Step from PathNames
 *
 * @phpstan-type Place array{path: list<Step>, before: string, found: string, after: string}
 */
final class Replacement
{
    /** Fields that hold rich text, and fields that hold plain words. */
    private const RICH = ['body', 'html', 'prompts'];

    private const PLAIN = ['title', 'label', 'placeholder', 'from', 'to', 'value'];

    private const AROUND = 40;

    /** @var list<array{path: list<string>, before: string, found: string, after: string}> */
    private array $places = [];

    /** @param  list<int>|null  $only  numbers of places, from 0; all of them when null */
    private function __construct(private readonly string $pattern, private readonly string $with, private readonly ?array $only)
    {
    }

    /**
     * @param  string  $find  not empty
     * @param  bool  $case  whether capitals matter
     * @param  bool  $whole  whether only whole words are found
     * @param  list<int>|null  $only  which places are replaced; all when null
     * @return array{question: \stdClass, places: list<Place>} the question with the words replaced, and every place they were found at, with what stands around it
     */
    public static function in(\stdClass $question, string $find, string $with, bool $case, bool $whole, ?array $only = null): array
    {
        $words = implode('\s+', array_map(fn (string $word): string => preg_quote($word, '/'), preg_split('/\s+/u', trim($find), -1, PREG_SPLIT_NO_EMPTY) ?: []));
        $pattern = '/'.($whole ? '(?<![\p{L}\p{N}])' : '').$words.($whole ? '(?![\p{L}\p{N}])' : '').'/u'.($case ? '' : 'i');
        $one = new self($pattern, $with, $only);
        $copy = Json::copy($question);
        assert($copy instanceof \stdClass);
        if ($words !== '') {
            $one->walk($copy, []);
        }

        return ['question' => $copy, 'places' => array_map(fn (array $place): array => [...$place, 'path' => PathNames::of($place['path'], $question)], $one->places)];
    }

    /** @param  list<string>  $path */
    private function walk(\stdClass $object, array $path): void
    {
        foreach (Differences::inOrder($object) as $field) {
            $value = $object->{$field};
            if ($field === 'record' && $path === []) {
                continue; // classification and specimens are not the question's words
            }
            $object->{$field} = $this->value($value, $field, [...$path, $field]);
        }
    }

    /** @param  list<string>  $path */
    private function value(mixed $value, string $field, array $path): mixed
    {
        if (is_string($value)) {
            return match (true) {
                in_array($field, self::RICH, true) || ($field === 'text' && in_array('settings', $path, true)) => $this->rich($value, $path),
                in_array($field, self::PLAIN, true) => $this->plain($value, $path),
                default => $value,
            };
        }
        if ($value instanceof \stdClass) {
            $this->walk($value, $path);
        } elseif (is_array($value)) {
            foreach ($value as $i => $thing) {
                if ($thing instanceof \stdClass) {
                    $this->walk($thing, [...$path, PathNames::called($thing, (int) $i)]);
                } elseif (is_string($thing) && ($field === 'text' || $field === 'prompts')) { // accepted answers
                    $value[$i] = $this->plain($thing, $path);
                }
            }
        }

        return $value;
    }

    /** @param  list<string>  $path */
    private function rich(string $html, array $path): string
    {
        $text = RichText::read($html);
        $before = count($this->places);
        $nodes = $this->nodes($text->nodes, $path);

        return count($this->places) === $before ? $html : Serialiser::html($nodes);
    }

    /**
     * @param  list<Element|string>  $nodes
     * @param  list<string>  $path
     * @return list<Element|string>
     */
    private function nodes(array $nodes, array $path): array
    {
        return array_map(fn (Element|string $node): Element|string => is_string($node) ? $this->plain($node, $path) : ($node->name === 'math' ? $node : $node->withChildren($this->nodes($node->children, $path))), $nodes);
    }

    /** @param  list<string>  $path */
    private function plain(string $text, array $path): string
    {
        return (string) preg_replace_callback($this->pattern, function (array $match) use ($text, $path): string {
            [$found, $at] = [(string) $match[0][0], (int) $match[0][1]];
            $number = count($this->places);
            $this->places[] = ['path' => $path, 'before' => self::last(substr($text, 0, $at)), 'found' => $found, 'after' => self::first(substr($text, $at + strlen($found)))];

            return $this->only === null || in_array($number, $this->only, true) ? $this->with : $found;
        }, $text, flags: PREG_OFFSET_CAPTURE);
    }

    private static function first(string $text): string
    {
        return mb_strlen($text) > self::AROUND ? mb_substr($text, 0, self::AROUND - 1).'…' : $text;
    }

    private static function last(string $text): string
    {
        return mb_strlen($text) > self::AROUND ? '…'.mb_substr($text, 1 - self::AROUND) : $text;
    }
}
