<?php

declare(strict_types=1);

namespace WideQuarry\Forms;

use WideQuarry\CoreException;
use WideQuarry\Json\Json;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;

/** A question under one seed or another: what is shown in which order, and where its keys stand. */
final readonly class VaryingQuestion
{
    /** @var array<string, array{Part, VaryingKind}> by part; those asked only instead of others are left out */
    private array $parts;

    /** @var array<string, KeyPlaces> part → where its only right option can stand */
    public array $keys;

    public function __construct(public Question $question)
    {
        $parts = $keys = [];
        foreach ($question->parts as $part) {
            if ($part->kind instanceof VaryingKind && ! $question->scoring->isInstead($part->id)) {
                $parts[$part->id] = [$part, $part->kind];
                $keys[$part->id] = $part->kind->keyPlaces($part);
            }
        }
        $this->parts = $parts;
        $this->keys = array_filter($keys);
    }

    /** In how many ways its keys can stand. */
    public function combinations(): int
    {
        return (int) min(PHP_INT_MAX, array_product(array_map(fn (KeyPlaces $key): int => count($key->places), $this->keys)));
    }

    /** @return array<string, int> part → the place of its only right option */
    public function places(Seed $seed): array
    {
        $place = function (KeyPlaces $key, string $id) use ($seed): int {
            [$part, $kind] = $this->parts[$id];

            return (int) array_search($key->right, $kind->shownOrder($part, $seed), true);
        };
        $ids = array_keys($this->keys);

        return array_combine($ids, array_map($place, $this->keys, $ids));
    }

    /** @return array<string, list<string>> part → what it offers, in shown order */
    public function options(Seed $seed): array
    {
        return array_filter(array_map(fn (array $one): array => $one[1]->shownOrder($one[0], $seed), $this->parts));
    }

    /** @return array<string, list<string>> part → labels of the right options */
    public function labels(Seed $seed): array
    {
        return array_filter(
            array_map(fn (array $one): array => $one[1]->keyLabels($one[0], $one[1]->shownOrder($one[0], $seed)), $this->parts),
        );
    }

    /** What tells one showing from another, orders and values; null where its values cannot be rolled so. */
    public function look(Seed $seed): ?string
    {
        try {
            $roll = $this->question->variables->varies() ? $this->question->variables->roll($seed, $this->question->language) : null;
        } catch (CoreException) {
            return null;
        }

        return Json::encode([$roll, $this->options($seed)]);
    }
}
