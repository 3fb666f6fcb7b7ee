<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

/**
 * Which question is drawn from which pool, so that none comes twice. Pools may share questions: a pool that finds all of its own taken gets
 * one from a pool that can do without it (augmenting paths in a bipartite graph, Kuhn 1955), so that as many are drawn as can be at all.
 */
final class Drawing
{
    /** @var array<string, int> question → the pool it is drawn from */
    private array $from = [];

    /** @var array<int, int> pool → how far along it everything is taken */
    private array $next = [];

    /** @param  list<list<string>>  $pools  each in the order in which it is drawn from */
    private function __construct(private readonly array $pools)
    {
    }

    /**
     * @param  list<list<string>>  $pools
     * @param  list<int>  $counts  how many of each
     * @return array<string, int> question → the pool it is drawn from; fewer than asked for where there are no more
     */
    public static function of(array $pools, array $counts): array
    {
        $drawing = new self($pools);
        foreach ($counts as $pool => $count) {
            for ($i = 0; $i < $count && $drawing->take($pool, [$pool => true]); $i++);
        }

        return $drawing->from;
    }

    /** @param  array<int, true>  $asked  pools that look for one already */
    private function take(int $pool, array $asked): bool
    {
        $questions = $this->pools[$pool];
        for ($at = $this->next[$pool] ?? 0; $at < count($questions); $at++) {
            if (! isset($this->from[$questions[$at]])) {
                $this->next[$pool] = $at + 1;
                $this->from[$questions[$at]] = $pool;

                return true;
            }
        }
        $this->next[$pool] = count($questions);
        foreach ($questions as $question) {
            $other = $this->from[$question];
            if (isset($asked[$other])) {
                continue;
            }
            $asked[$other] = true;
            if ($this->take($other, $asked)) {
                $this->from[$question] = $pool;

                return true;
            }
        }

        return false;
    }
}
