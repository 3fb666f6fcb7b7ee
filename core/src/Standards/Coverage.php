<?php

declare(strict_types=1);

namespace WideQuarry\Standards;

/**
 * What questions cover of a tree of statements or topics, and where it is thin. A place is thin when one of the values that are looked at
 * has fewer questions than wanted; only places without others below them are judged, or those that are not looked into any further, as a
 * branch is what its leaves are.
 *
 * @phpstan-type Cell array{questions: int, approved: int, points: float}
 */
final readonly class Coverage
{
    /**
     * @param  array<string, string|null>  $parents  node → the one it belongs to, in tree order
     * @param  array<string, array<string, Cell>>  $cells  node → value → what there is, with everything below
     * @param  list<string>  $values  those that are wanted, such as difficulties 1 to 5
     */
    public function __construct(private array $parents, private array $cells, private array $values)
    {
    }

    /**
     * @param  int  $least  questions of each value
     * @param  bool  $approved  whether only approved ones count
     * @param  list<string>  $spared  nodes that need none, such as retired statements
     * @param  int  $levels  how many are looked at; those of the last are judged with all that is below them
     * @return list<array{node: string, none: bool, missing: list<string>, short: int}> empty places first, then those that lack most
     */
    public function thin(int $least, bool $approved, array $spared = [], int $levels = PHP_INT_MAX): array
    {
        $branches = array_flip(array_filter($this->parents, fn (?string $parent): bool => $parent !== null));
        $spared = array_flip($spared);
        $thin = $depths = [];
        foreach (array_keys($this->parents) as $i => $node) {
            $node = (string) $node;
            $parent = $this->parents[$node];
            $depths[$node] = $parent === null ? 1 : ($depths[$parent] ?? 0) + 1;
            $isOpen = $depths[$node] < $levels && isset($branches[$node]);
            if ($isOpen || $depths[$node] > $levels || isset($spared[$node])) {
                continue;
            }
            [$missing, $short] = $this->lacking($node, $least, $approved);
            if ($missing !== []) {
                $none = array_sum(array_column($this->cells[$node] ?? [], 'questions')) === 0;
                $thin[] = [['node' => $node, 'none' => $none, 'missing' => $missing, 'short' => $short], $i];
            }
        }
        usort($thin, fn (array $a, array $b): int => [$b[0]['none'], $b[0]['short'], $a[1]] <=> [$a[0]['none'], $a[0]['short'], $b[1]]);

        return array_column($thin, 0);
    }

    /** @return array{list<string>, int} values that lack questions, and how many all together */
    private function lacking(string $node, int $least, bool $approved): array
    {
        $missing = [];
        $short = 0;
        foreach ($this->values as $value) {
            $lacks = $least - $this->count($node, $value, $approved);
            if ($lacks > 0) {
                $missing[] = $value;
                $short += $lacks;
            }
        }

        return [$missing, $short];
    }

    private function count(string $node, string $value, bool $approved): int
    {
        return $this->cells[$node][$value][$approved ? 'approved' : 'questions'] ?? 0;
    }
}
