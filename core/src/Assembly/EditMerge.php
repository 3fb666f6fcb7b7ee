<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use WideQuarry\Json\Json;
use WideQuarry\Question\PartKinds;

/**
 * What two people made of one assessment at the same time, put together over the version both began with (three-way merge): thing by thing,
 * where a thing is a field of the whole, a section or an entry. What only one of them changed is as they changed it; what both changed in
 * other ways is a conflict, and somebody says whose is to stand.
 *
 * @phpstan-type Things array<string, mixed>
 * @phpstan-type Conflict array{key: string, mine: list<string>, theirs: list<string>}
 */
final readonly class EditMerge
{
    private const WHOLE = ['title', 'language', 'instructions', 'time_limit', 'standards', 'run', 'blueprint'];

    /** Of an entry: the section it stands in. */
    private const SECTION = 'section ';

    /** @var list<string> entries in the order in which they stand in the end, and some that are gone */
    private array $entries;

    /** @var list<string> sections likewise */
    private array $sections;

    /** @param  array<string, string>  $titles  question → its title */
    public function __construct(
        private Assessment $base,
        private Assessment $mine,
        private Assessment $theirs,
        private array $titles,
        private PartKinds $kinds,
    ) {
        $this->entries = $this->order(self::ids(...));
        $this->sections = $this->order(self::sections(...));
    }

    /** @return list<Conflict> each with what both made of it, in sentences */
    public function conflicts(): array
    {
        [$base, $mine, $theirs] = [self::things($this->base), self::things($this->mine), self::things($this->theirs)];
        $conflicts = [];
        // what an entry stands among: with many conflicts, all the other entries would be looked at for each
        $around = array_filter($base, fn (string $key): bool => ! str_starts_with($key, 'entry '), ARRAY_FILTER_USE_KEY);
        foreach (array_keys($base + $mine + $theirs) as $key) {
            $near = isset($base[$key]) ? [...$around, $key => $base[$key]] : $around;
            [$b, $m, $t] = [$base[$key] ?? null, $mine[$key] ?? null, $theirs[$key] ?? null];
            if (self::merge($b, $m, $t) === null) {
                $conflicts[] = ['key' => $key, 'mine' => $this->said($near, $key, $m), 'theirs' => $this->said($near, $key, $t)];
            }
        }

        return $conflicts;
    }

    /**
     * @param  array<string, 'mine'|'theirs'>  $chosen  conflict → whose stands; theirs where nothing is said
     */
    public function merged(array $chosen): \stdClass
    {
        [$base, $mine, $theirs] = [self::things($this->base), self::things($this->mine), self::things($this->theirs)];
        $things = [];
        foreach (array_keys($base + $mine + $theirs) as $key) {
            [$b, $m, $t] = [$base[$key] ?? null, $mine[$key] ?? null, $theirs[$key] ?? null];
            $things[$key] = (self::merge($b, $m, $t) ?? [($chosen[$key] ?? 'theirs') === 'mine' ? $m : $t])[0];
        }

        return $this->assembled($things);
    }

    /**
     * @return array{mixed}|null what a thing is in the end, null inside where it is gone; null where both changed it in other ways
     */
    private static function merge(mixed $base, mixed $mine, mixed $theirs): ?array
    {
        return match (true) {
            self::same($mine, $theirs), self::same($theirs, $base) => [$mine],
            self::same($mine, $base) => [$theirs],
            ! $base instanceof \stdClass, ! $mine instanceof \stdClass, ! $theirs instanceof \stdClass => null,
            default => self::byField($base, $mine, $theirs),
        };
    }

    /** @return array{\stdClass}|null */
    private static function byField(\stdClass $base, \stdClass $mine, \stdClass $theirs): ?array
    {
        $merged = new \stdClass;
        $names = array_keys((array) $base + (array) $mine + (array) $theirs);
        foreach ($names as $name) {
            [$b, $m, $t] = [$base->{$name} ?? null, $mine->{$name} ?? null, $theirs->{$name} ?? null];
            if (! self::same($m, $t) && ! self::same($m, $b) && ! self::same($t, $b)) {
                return null;
            }
            $value = self::same($m, $b) ? $t : $m;
            if ($value !== null) {
                $merged->{$name} = $value;
            }
        }

        return [$merged];
    }

    private static function same(mixed $a, mixed $b): bool
    {
        return Json::encode($a) === Json::encode($b);
    }

    /** @return Things "field title", "section s1" and "entry e1", each with what it is; an entry says the section it stands in */
    private static function things(Assessment $assessment): array
    {
        $json = $assessment->toJson();
        $things = [];
        foreach (self::WHOLE as $field) {
            $things["field $field"] = $json->{$field} ?? null;
        }
        foreach (is_array($json->sections) ? $json->sections : [] as $section) {
            assert($section instanceof \stdClass && is_string($section->id) && is_array($section->entries));
            $entries = $section->entries;
            unset($section->entries);
            $things["section $section->id"] = $section;
            foreach ($entries as $entry) {
                assert($entry instanceof \stdClass && is_string($entry->id));
                $entry->{self::SECTION} = $section->id;
                $things["entry $entry->id"] = $entry;
            }
        }

        return $things;
    }

    /** @param  Things  $things */
    private function assembled(array $things): \stdClass
    {
        $json = $this->theirs->toJson();
        foreach (self::WHOLE as $field) {
            unset($json->{$field});
            if (($things["field $field"] ?? null) !== null) {
                $json->{$field} = $things["field $field"];
            }
        }
        $json->title ??= $this->theirs->title;
        $entries = [];
        foreach ($this->entries as $id) {
            if (! isset($things["entry $id"])) { // it is gone, or not looked at
                continue;
            }
            $entry = Json::copy($things["entry $id"]);
            assert($entry instanceof \stdClass && is_string($entry->{self::SECTION}));
            $section = $entry->{self::SECTION};
            unset($entry->{self::SECTION});
            $entries[$section][] = $entry;
        }
        $json->sections = [];
        $isThere = fn (string $id): bool => isset($entries[$id]) || ($things["section $id"] ?? null) !== null;
        foreach (array_filter($this->sections, $isThere) as $id) {
            // a section that one took away stays where the other has put something into it
            $section = Json::copy($things["section $id"] ?? $this->sectionOf($id));
            assert($section instanceof \stdClass);
            $section->entries = $entries[$id] ?? [];
            $json->sections[] = $section;
        }

        return $json;
    }

    /**
     * Things in the order of whoever moved some of them; what the other has added stands behind what it stood behind.
     *
     * @param  \Closure(Assessment): list<string>  $of
     * @return list<string>
     */
    private function order(\Closure $of): array
    {
        [$base, $mine, $theirs] = [$of($this->base), $of($this->mine), $of($this->theirs)];
        $isMoved = array_values(array_intersect($mine, $base)) !== array_values(array_intersect($base, $mine));
        [$spine, $other] = $isMoved ? [$mine, $theirs] : [$theirs, $mine];
        $before = null;
        $stands = array_flip($spine);
        foreach ($other as $id) {
            if (! isset($stands[$id])) {
                $at = $before === null ? 0 : (int) array_search($before, $spine, true) + 1;
                array_splice($spine, $at, 0, [$id]);
            }
            $before = $id;
        }

        return $spine;
    }

    /** @return list<string> */
    private static function ids(Assessment $of): array
    {
        $entries = array_merge(...array_map(fn (Section $section): array => $section->entries, $of->sections), ...[[]]);

        return array_map(fn (Pick|Draw $entry): string => $entry->id, $entries);
    }

    /** @return list<string> */
    private static function sections(Assessment $of): array
    {
        return array_map(fn (Section $section): string => $section->id, $of->sections);
    }

    private function sectionOf(string $id): \stdClass
    {
        foreach ([$this->mine, $this->theirs, $this->base] as $one) {
            $section = self::things($one)["section $id"] ?? null;
            if ($section instanceof \stdClass) {
                return $section;
            }
        }

        return (object) ['id' => $id];
    }

    /**
     * @param  Things  $base  of entries that thing alone
     * @return list<string>
     */
    private function said(array $base, string $key, mixed $now): array
    {
        $after = Assessment::read($this->assembled([...$base, $key => $now]), $this->kinds);
        $before = Assessment::read($this->assembled($base), $this->kinds);

        return AssessmentDifferences::between($before, $after, $this->titles);
    }
}
