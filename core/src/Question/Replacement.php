<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Content\Element;
use WideQuarry\Content\RichText;
use WideQuarry\Content\Serialiser;
use WideQuarry\Json\Json;

/**
 * Words found and replaced within a question: in its title and texts, options, accepted answers and feedback, never in identifiers or
 * markup. What is split by markup (half of it in italics) is found too, and replaced in the style that most of it has.
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

    /** Inline elements, which do not separate words. */
    private const INLINE = ['strong', 'em', 'u', 's', 'sub', 'sup', 'code', 'a'];

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
     * @return array{question: \stdClass, places: list<Place>} the question with the words replaced, and every place they were found at,
     *     with what stands around it
     */
    public static function in(\stdClass $question, string $find, string $with, bool $case, bool $whole, ?array $only = null): array
    {
        $words = implode(
            '\s+',
            array_map(
                fn (string $word): string => preg_quote($word, '/'),
                preg_split('/\s+/u', trim($find), -1, PREG_SPLIT_NO_EMPTY) ?: [],
            ),
        );
        $pattern = '/'.($whole ? '(?<![\p{L}\p{N}])' : '').$words.($whole ? '(?![\p{L}\p{N}])' : '').'/u'.($case ? '' : 'i');
        $one = new self($pattern, $with, $only);
        $copy = Json::copy($question);
        assert($copy instanceof \stdClass);
        if ($words !== '') {
            $one->walk($copy, []);
        }

        return [
            'question' => $copy,
            'places' => array_map(
                fn (array $place): array => [...$place, 'path' => PathNames::of($place['path'], $question)],
                $one->places,
            ),
        ];
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
                in_array($field, self::RICH, true) || ($field === 'text' && in_array('settings', $path, true)) => $this->rich(
                    $value,
                    $path,
                ),
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
                } elseif (is_string($thing) && ($field === 'text' || $field === 'prompts')) {
                    // accepted answers
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
        $words = $this->words($text->nodes, $path);
        $nodes = self::withWords($text->nodes, $words);

        return count($this->places) === $before ? $html : Serialiser::html($nodes);
    }

    /**
     * Every string of a text in document order, after replacing.
     *
     * @param  list<Element|string>  $nodes
     * @param  list<string>  $path
     * @return list<string>
     */
    private function words(array $nodes, array $path): array
    {
        $words = [];
        foreach (self::runs($nodes) as $run) {
            array_push($words, ...$this->run($run, $path));
        }

        return $words;
    }

    /**
     * Groups strings that read as one run of text: those of a paragraph, up to the next block or part.
     *
     * @param  list<Element|string>  $nodes
     * @return list<list<string>>
     */
    private static function runs(array $nodes): array
    {
        $runs = [[]];
        foreach ($nodes as $node) {
            if (is_string($node)) {
                $runs[count($runs) - 1][] = $node;
            } elseif ($node->name !== 'math') {
                $inside = self::runs($node->children);
                if (self::isInline($node)) {
                    // continues the run before it, and is continued by what follows
                    array_push($runs[count($runs) - 1], ...array_shift($inside) ?? []);
                    array_push($runs, ...$inside);
                } else {
                    array_push($runs, ...$inside, ...[[]]);
                }
            } else {
                $runs[] = [];
            }
        }

        return $runs;
    }

    private static function isInline(Element $node): bool
    {
        return in_array($node->name, self::INLINE, true) || ($node->name === 'span' && $node->children !== []);
    }

    /**
     * @param  list<string>  $run
     * @param  list<string>  $path
     * @return list<string>
     */
    private function run(array $run, array $path): array
    {
        $text = implode('', $run);
        if ($text === '' || preg_match_all($this->pattern, $text, $matches, PREG_OFFSET_CAPTURE) === 0) {
            return $run;
        }
        $starts = [];
        $at = 0;
        foreach ($run as $string) {
            $starts[] = $at;
            $at += strlen($string);
        }
        foreach (array_reverse($this->picked($text, $matches[0], $path)) as [$from, $length]) {
            $run = $this->replaced($run, $starts, $from, $length);
        }

        return $run;
    }

    /**
     * @param  array<array{string, int}>  $matches
     * @param  list<string>  $path
     * @return list<array{int, int}> byte offset and length of those that are replaced
     */
    private function picked(string $text, array $matches, array $path): array
    {
        $picked = [];
        foreach ($matches as [$found, $at]) {
            $number = count($this->places);
            $this->places[] = [
                'path' => $path,
                'before' => self::last(substr($text, 0, $at)),
                'found' => $found,
                'after' => self::first(substr($text, $at + strlen($found))),
            ];
            if ($found !== '' && ($this->only === null || in_array($number, $this->only, true))) {
                $picked[] = [$at, strlen($found)];
            }
        }

        return $picked;
    }

    /**
     * Puts the replacement into the string that held most of the match.
     *
     * @param  list<string>  $run
     * @param  list<int>  $starts  of the strings as they were; those before $from still are
     * @return list<string>
     */
    private function replaced(array $run, array $starts, int $from, int $length): array
    {
        $shares = [];
        foreach ($starts as $i => $start) {
            $end = $starts[$i + 1] ?? PHP_INT_MAX;
            $share = min($from + $length, $end) - max($from, $start);
            if ($share > 0) {
                $shares[$i] = $share;
            }
        }
        arsort($shares); // stable, so the first of equals wins
        $most = array_key_first($shares);
        foreach ($shares as $i => $share) {
            $run[$i] = substr_replace($run[$i], $i === $most ? $this->with : '', max($from, $starts[$i]) - $starts[$i], $share);
        }

        return array_values($run);
    }

    /**
     * @param  list<Element|string>  $nodes
     * @param  list<string>  $words  consumed from the front
     * @return list<Element|string>
     */
    private static function withWords(array $nodes, array &$words): array
    {
        $made = [];
        foreach ($nodes as $node) {
            if (is_string($node)) {
                $made[] = (string) array_shift($words);
            } elseif ($node->name === 'math') {
                $made[] = $node;
            } else {
                $inside = self::withWords($node->children, $words);
                // drop an element that became empty
                $isEmpty =
                    self::isInline($node) &&
                    $node->children !== [] &&
                    array_filter($inside, fn (Element|string $one): bool => $one !== '') === [];
                if (! $isEmpty) {
                    $made[] = $node->withChildren($inside);
                }
            }
        }

        return $made;
    }

    /** @param  list<string>  $path */
    private function plain(string $text, array $path): string
    {
        return implode('', $this->run([$text], $path));
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
