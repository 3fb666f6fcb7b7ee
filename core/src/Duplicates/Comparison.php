<?php

declare(strict_types=1);

namespace WideQuarry\Duplicates;

use WideQuarry\Json\Json;
use WideQuarry\Question\Differences;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/**
 * Two sets of questions side by side: which are the same, which differ and in what, which only one has. Each question is paired at most
 * once: by the identifier it came with, then by its whole content, then by its words alone, then by nearly the same words.
 *
 * @phpstan-import-type Step from \WideQuarry\Question\PathNames
 *
 * @phpstan-type Differing array{int, int, 'identifier'|'content'|'near', list<array{path: list<Step>, runs: list<array{string, string}>}>}
 */
final class Comparison
{
    /** @var array<int, int> places in the first set → in the second */
    private array $pairs = [];

    /** @var array<int, true> places in the second set that have their pair */
    private array $taken = [];

    /** @var list<array{int, int}> places */
    public array $same = [];

    /** @var list<Differing> places, and what differs, with the names people give it */
    public array $differing = [];

    /** @var list<int> places */
    public array $onlyA = [];

    /** @var list<int> places */
    public array $onlyB = [];

    /**
     * @param  list<string>  $a  questions as JSON: as objects, 20,000 of them twice would take gigabytes
     * @param  list<string>  $b
     */
    public function __construct(private readonly array $a, private readonly array $b, private readonly PartKinds $kinds)
    {
        $this->pair('identifier', fn (\stdClass $question): string => self::identifier($question));
        $this->pair('content', fn (\stdClass $question): string => self::bare($question));
        $this->pair('content', fn (\stdClass $question): string => self::content($this->whole($question)));
        $this->pair('content', fn (\stdClass $question): string => Fingerprint::of(Question::read($question, $this->kinds)));
        $this->pairNear();
        $this->onlyA = array_values(array_diff(array_keys($a), array_keys($this->pairs)));
        $this->onlyB = array_values(array_diff(array_keys($b), array_keys($this->taken)));
        sort($this->same);
        sort($this->differing);
    }

    /** The identifier a question came with, or else ours. */
    private static function identifier(\stdClass $question): string
    {
        $origin = ($question->record ?? null) instanceof \stdClass ? $question->record->origin ?? null : null;
        $theirs = $origin instanceof \stdClass ? $origin->identifier ?? '' : '';
        $ours = $question->id ?? '';

        return is_string($theirs) && $theirs !== '' ? $theirs : (is_string($ours) ? $ours : '');
    }

    public function identifierInA(int $place): string
    {
        return self::identifier(self::decoded($this->a[$place]));
    }

    public function identifierInB(int $place): string
    {
        return self::identifier(self::decoded($this->b[$place]));
    }

    /**
     * @param  'identifier'|'content'  $by
     * @param  callable(\stdClass): string  $key  '' for what is like no other
     */
    private function pair(string $by, callable $key): void
    {
        $waiting = [];
        foreach (array_diff_key($this->b, $this->taken) as $j => $json) {
            $waiting[$key(self::decoded($json))][] = $j;
        }
        unset($waiting['']);
        foreach ($waiting === [] ? [] : array_diff_key($this->a, $this->pairs) as $i => $json) {
            $called = $key(self::decoded($json));
            if (($waiting[$called] ?? []) !== []) {
                $this->found($i, array_shift($waiting[$called]), $by);
            }
        }
    }

    /** Each with the one that shares most bands with it; what shares none is not looked at. */
    private function pairNear(): void
    {
        $signature = fn (string $json): array => MinHashSignature::of(Question::read(self::decoded($json), $this->kinds));
        $bands = [];
        foreach (array_diff_key($this->b, $this->taken) as $j => $json) {
            foreach ($signature($json) as $band) {
                $bands[$band][] = $j;
            }
        }
        $shared = [];
        foreach ($bands === [] ? [] : array_diff_key($this->a, $this->pairs) as $i => $json) {
            $count = array_count_values(array_merge(...array_map(fn (int $band): array => $bands[$band] ?? [], $signature($json))));
            foreach ($count as $j => $many) {
                $shared[] = [-$many, $i, $j];
            }
        }
        sort($shared);
        foreach ($shared as [, $i, $j]) {
            if (! isset($this->pairs[$i]) && ! isset($this->taken[$j])) {
                $this->found($i, $j, 'near');
            }
        }
    }

    /** @param  'identifier'|'content'|'near'  $by */
    private function found(int $i, int $j, string $by): void
    {
        $this->pairs[$i] = $j;
        $this->taken[$j] = true;
        [$a, $b] = [self::decoded($this->a[$i]), self::decoded($this->b[$j])];
        // most are the same as they are written, and need no reading
        $isSame = $this->a[$i] === $this->b[$j] || self::bare($a) === self::bare($b);
        $differences = $isSame ? [] : self::differences($this->whole($a), $this->whole($b));
        if ($differences === []) {
            $this->same[] = [$i, $j];
        } else {
            $this->differing[] = [$i, $j, $by, $differences];
        }
    }

    /** With everything that goes without saying, so that it can be compared whoever wrote it. */
    private function whole(\stdClass $question): \stdClass
    {
        return Question::read($question, $this->kinds)->toJson();
    }

    /** A question as it is written, without what it is called and where it comes from. */
    private static function bare(\stdClass $question): string
    {
        $fields = array_diff_key(get_object_vars($question), ['id' => true, 'record' => true]);

        return hash('xxh128', Json::encode($fields), true);
    }

    private static function decoded(string $json): \stdClass
    {
        $question = Json::decode($json);

        return $question instanceof \stdClass ? $question : new \stdClass;
    }

    /**
     * Where a question was copied, its things are told apart by their identifiers; where it was typed again, by their places.
     *
     * @return list<array{path: list<Step>, runs: list<array{string, string}>}>
     */
    private static function differences(\stdClass $a, \stdClass $b): array
    {
        $byIdentifier = Differences::between($a, $b);
        if (count($byIdentifier) < 2) {
            return $byIdentifier;
        }
        $byPlace = Differences::between(self::numbered($a), self::numbered($b));

        return count($byIdentifier) <= count($byPlace) ? $byIdentifier : $byPlace;
    }

    /** All an author sees of a question, whatever its things are called inside. */
    private static function content(\stdClass $question): string
    {
        return hash('xxh128', Json::encode(Differences::flat(self::numbered($question))), true);
    }

    /** A copy whose parts, options and all else that has an identifier are called by their places. */
    private static function numbered(\stdClass $question): \stdClass
    {
        $copy = array_diff_key(get_object_vars($question), ['record' => true]);
        $parts = [];
        $named = [];
        foreach (is_array($question->parts ?? null) ? array_values($question->parts) : [] as $at => $part) {
            $names = [];
            self::name((array) $part, 'part', $names); // two parts may both have an option a
            $id = $part instanceof \stdClass && is_string($part->id ?? null) ? $part->id : '';
            $named[$id] = $names[$id] = 'part '.($at + 1);
            $parts[] = (object) self::renamed((array) $part, $names);
        }
        $copy['parts'] = $parts;
        $copy['body'] = preg_replace_callback(
            '/(data-(?:part|gap)=")([^"]*)"/',
            fn (array $m): string => $m[1].($named[$m[2]] ?? $m[2]).'"',
            is_string($question->body ?? null) ? $question->body : '',
        );

        return (object) $copy;
    }

    /**
     * @param  array<array-key, mixed>  $values
     * @param  array<array-key, string>  $names  identifier → the list it stands in, and its place there
     */
    private static function name(array $values, string $list, array &$names): void
    {
        foreach ($values as $field => $one) {
            $id = $one instanceof \stdClass ? $one->id ?? null : null;
            if (is_string($id) && is_int($field)) {
                $names[$id] ??= "$list ".($field + 1);
            }
            if (is_array($one) || $one instanceof \stdClass) {
                self::name((array) $one, is_int($field) ? $list : $field, $names);
            }
        }
    }

    /**
     * @param  array<array-key, mixed>  $values
     * @param  array<array-key, string>  $names
     * @return array<array-key, mixed>
     */
    private static function renamed(array $values, array $names): array
    {
        $renamed = [];
        foreach ($values as $field => $one) {
            $renamed[is_string($field) ? $names[$field] ?? $field : $field] = match (true) {
                is_array($one) => self::renamed($one, $names),
                $one instanceof \stdClass => (object) self::renamed((array) $one, $names),
                default => is_string($one) && ! self::isText($field) ? $names[$one] ?? $one : $one,
            };
        }

        return $renamed;
    }

    /** What people read may be spelt like an identifier and is none. */
    private static function isText(int|string $field): bool
    {
        return in_array($field, ['html', 'title', 'text', 'label', 'value', 'body', 'unit', 'points', 'credit', 'kind'], true);
    }
}
