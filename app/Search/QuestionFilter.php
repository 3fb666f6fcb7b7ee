<?php

declare(strict_types=1);

namespace App\Search;

use WideQuarry\Json\Malformed;
use WideQuarry\Parts\Parts;
use WideQuarry\Search\Query;

/**
 * Every condition on questions there is, as it stands in an address: ?words=slate&kind=choice&kind=text&topic=ID.
 * The same object is the list, its chips, its facets and the target of a bulk change.
 */
final readonly class QuestionFilter
{
    public const DIMENSIONS = ['kind', 'status', 'difficulty', 'topic', 'tag', 'author', 'folder', 'stimulus', 'no', 'is'];

    public const SORTS = ['title', '-title', 'updated', '-updated', 'difficulty', '-difficulty', 'points', '-points', 'best'];

    /** Questions without parts, among the kinds. */
    public const PAGE = 'page';

    private const STATUS = ['draft', 'in_review', 'approved', 'retired'];

    private const MOST = 200;

    /** @param  array<string, list<string>>  $values  by dimension */
    private function __construct(public string $typed, public Query $words, public array $values, public string $sort)
    {
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
        $values = [];
        foreach (self::DIMENSIONS as $name) {
            $values[$name] = self::checked($name, array_values(array_unique($given[$name] ?? [])));
        }
        $typed = $given['words'][0] ?? '';
        $words = Query::parse($typed);
        $sort = $given['sort'][0] ?? ($words->isEmpty() ? 'title' : 'best');
        if (! in_array($sort, self::SORTS, true)) {
            throw Malformed::notOneOf('/sort', self::SORTS, $sort);
        }

        return new self($typed, $words, $values, $sort === 'best' && $words->isEmpty() ? 'title' : $sort);
    }

    public function isEmpty(): bool
    {
        return $this->words->isEmpty() && array_filter($this->values) === [];
    }

    /** The same without one condition. */
    public function without(string $dimension): self
    {
        return $dimension === 'words' ? new self('', Query::parse(''), $this->values, 'title') : new self($this->typed, $this->words, [...$this->values, $dimension => []], $this->sort);
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
            'kind' => [...Parts::NAMES, self::PAGE],
            'status' => self::STATUS,
            'difficulty' => ['1', '2', '3', '4', '5'],
            'no' => ['topic', 'tag', 'difficulty', 'folder', 'author'],
            'is' => ['varies', 'incomplete', 'complete', 'shares', 'specimens', 'failing'],
            default => null,
        };
        foreach ($values as $value) {
            if ($allowed !== null && ! in_array($value, $allowed, true)) {
                throw Malformed::notOneOf("/$name", $allowed, $value);
            }
            if (in_array($name, ['topic', 'folder', 'stimulus'], true) && preg_match('/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/D', $value) !== 1) {
                throw Malformed::outOfRange("/$name", 'an identifier', $value);
            }
        }

        return $values;
    }
}
