<?php

declare(strict_types=1);

namespace App\Search;

use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Features;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Status;
use WideQuarry\Search\Query;

/**
 * Every condition on questions there is, as it stands in an address: ?words=slate&kind=choice&kind=text&not-tag=old&points=2..5.
 * Values of one dimension are alternatives, dimensions add up, not- leaves out. The same object is the list, its chips, its facets and the
 * target of a bulk change.
 */
final readonly class QuestionFilter
{
    public const DIMENSIONS = [
        'kind',
        'status',
        'difficulty',
        'topic',
        'standard',
        'assesses',
        'covers',
        'framework',
        'unmatched',
        'tag',
        'author',
        'folder',
        'place',
        'titled',
        'stimulus',
        'medium',
        'level',
        'purpose',
        'licence',
        'language',
        'source',
        'work',
        'has',
        'marks',
        'by',
        'editor',
        'bank',
        'no',
        'is',
    ];

    /** Dimensions of amounts and days, each from..to; either end may be open. */
    public const RANGES = ['points', 'minutes', 'marker_minutes', 'created', 'changed', 'used', 'not_used'];

    /** Those of them that are days; used and not_used: asked of learners in an assessment on one of them, or on none. */
    public const DAYS = ['created', 'changed', 'used', 'not_used'];

    public const SORTS = [
        'title',
        '-title',
        'updated',
        '-updated',
        '-created',
        'difficulty',
        '-difficulty',
        'points',
        '-points',
        '-uses',
        'own',
        'best',
    ];

    /** Questions without parts, among the kinds. */
    public const PAGE = 'page';

    /** What may be missing. */
    public const MISSING = [
        'topic',
        'standard',
        'tag',
        'difficulty',
        'folder',
        'author',
        'level',
        'purpose',
        'licence',
        'source',
        'minutes',
        'name',
    ];

    private const IDENTIFIERS = [
        'topic', 'standard', 'assesses', 'covers', 'framework', 'folder', 'place', 'stimulus', 'by', 'editor',
    ];

    private const MOST = 200;

    /**
     * @param  array<string, list<string>>  $values  by dimension
     * @param  array<string, list<string>>  $not  by dimension, those left out
     * @param  array<string, array{string|null, string|null}>  $ranges  by name: from and to, both counted in
     */
    private function __construct(
        public string $typed,
        public Query $words,
        public array $values,
        public array $not,
        public array $ranges,
        public string $sort,
    ) {
    }

    /** @throws Malformed naming the condition that cannot be one */
    public static function fromQuery(string $query): self
    {
        $given = [];
        foreach (explode('&', $query) as $pair) {
            [$name, $value] = [...explode('=', $pair, 2), ''];
            $value = mb_scrub(str_replace("\0", '', urldecode($value)), 'UTF-8');
            $name = rtrim(urldecode($name), '[]');
            if ($value !== '' && count($given[$name] ?? []) < self::MOST) {
                $given[$name][] = $value;
            }
        }
        $values = $not = $ranges = [];
        foreach (self::DIMENSIONS as $name) {
            $values[$name] = self::checked($name, array_values(array_unique($given[$name] ?? [])));
            $not[$name] = self::checked($name, array_values(array_unique($given["not-$name"] ?? [])));
        }
        foreach (self::RANGES as $name) {
            if (isset($given[$name])) {
                $ranges[$name] = self::range($name, $given[$name][0]);
            }
        }
        $typed = $given['words'][0] ?? '';
        $words = Query::parse($typed);
        $sort = $given['sort'][0] ?? ($words->isEmpty() ? 'title' : 'best');
        if (! in_array($sort, self::SORTS, true)) {
            throw Malformed::notOneOf('/sort', self::SORTS, $sort);
        }

        // an order made by hand is that of one folder
        $usable = match ($sort) {
            'best' => ! $words->isEmpty(),
            'own' => count($values['place'] ?? []) === 1,
            default => true,
        };

        return new self($typed, $words, $values, $not, $ranges, $usable ? $sort : 'title');
    }

    /** Whether a condition is called so, as it stands in an address. */
    public static function knows(string $name): bool
    {
        $plain = str_starts_with($name, 'not-') ? substr($name, 4) : $name;

        return $name === 'words' || in_array($plain, self::DIMENSIONS, true) || in_array($name, self::RANGES, true);
    }

    public function isEmpty(): bool
    {
        return $this->words->isEmpty() && $this->names() === [];
    }

    /** @return list<string> the dimensions and ranges that are asked for, as they stand in an address */
    public function names(): array
    {
        $not = array_map(fn (string $name): string => "not-$name", array_keys(array_filter($this->not)));

        return [...array_keys(array_filter($this->values)), ...$not, ...array_keys($this->ranges)];
    }

    /** Whether what lies in the bin is meant; everything else leaves it out. */
    public function inBin(): bool
    {
        return in_array('binned', $this->values['is'], true);
    }

    /** The same with other words. */
    public function saying(string $words): self
    {
        return new self($words, Query::parse($words), $this->values, $this->not, $this->ranges, $this->sort);
    }

    /** The same without one condition, by its name in an address. */
    public function without(string $name): self
    {
        if ($name === 'words') {
            return new self('', Query::parse(''), $this->values, $this->not, $this->ranges, 'title');
        }
        $not = str_starts_with($name, 'not-') ? [...$this->not, substr($name, 4) => []] : $this->not;

        return new self(
            $this->typed,
            $this->words,
            isset($this->values[$name]) ? [...$this->values, $name => []] : $this->values,
            $not,
            array_diff_key($this->ranges, [$name => true]),
            $this->sort,
        );
    }

    /**
     * @param  list<string>  $values
     * @return list<string>
     *
     * @throws Malformed
     */
    private static function checked(string $name, array $values): array
    {
        $allowed = match ($name) {
            'kind' => [...PartKinds::NAMES, self::PAGE],
            'status' => Status::values(),
            'difficulty' => ['1', '2', '3', '4', '5'],
            'has' => Features::NAMES,
            'marks' => Features::MARKING,
            'no' => self::MISSING,
            'is' => ['varies', 'incomplete', 'complete', 'shares', 'specimens', 'failing', 'unseen', 'used', 'unused', 'binned'],
            default => null,
        };
        foreach ($values as $value) {
            if ($allowed !== null && ! in_array($value, $allowed, true)) {
                throw Malformed::notOneOf("/$name", $allowed, $value);
            }
            if (
                in_array($name, self::IDENTIFIERS, true) &&
                preg_match('/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/D', $value) !== 1
            ) {
                throw Malformed::outOfRange("/$name", Message::of('app.search.identifier'), $value);
            }
        }

        return $values;
    }

    /**
     * @return array{string|null, string|null}
     *
     * @throws Malformed
     */
    private static function range(string $name, string $given): array
    {
        $day = in_array($name, self::DAYS, true);
        $one = $day ? '\d{4}-\d{2}-\d{2}' : '\d{1,6}(?:\.\d{1,4})?';
        $ends = preg_match("/^($one)?\.\.($one)?$/D", $given, $m) === 1 ? [$m[1] ?? '' ?: null, $m[2] ?? '' ?: null] : null;
        if (
            $ends === null ||
            ($ends[0] === null && $ends[1] === null) ||
            ($day &&
                array_filter(
                    $ends,
                    fn (?string $end): bool => $end !== null &&
                        ! checkdate((int) substr($end, 5, 2), (int) substr($end, 8, 2), (int) substr($end, 0, 4)),
                ) !== [])
        ) {
            throw Malformed::outOfRange(
                "/$name",
                $day ? Message::of('app.search.days-such-2026-01') : Message::of('app.search.amounts-such-2-5'),
                $given,
            );
        }

        return $ends;
    }
}
