<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/** The groups of a source as folders: a group without a name is passed through, one named as the group around it is that group. */
final readonly class Grouping
{
    private const DEEPEST = 20;

    /**
     * @param  array<string, \stdClass>  $groups  by their identifiers: id, parent, kind, title, questions
     * @param  array<string, string>  $names  what some are to be called; '' for no folder of its own
     */
    private function __construct(private array $groups, private array $names)
    {
    }

    /**
     * @param  list<\stdClass>  $groups
     * @param  array<string, string>  $names
     */
    public static function of(array $groups, array $names = []): self
    {
        $by = [];
        foreach ($groups as $group) {
            if (is_string($group->id ?? null)) {
                $by[$group->id] ??= $group;
            }
        }

        return new self($by, $names);
    }

    /** @return list<string> names of folders from the top */
    public function path(string $group): array
    {
        $path = [];
        $met = [];
        for (
            $id = $group;
            isset($this->groups[$id]) && ! isset($met[$id]) && count($met) < self::DEEPEST;
            $id = is_string($this->groups[$id]->parent ?? null) ? $this->groups[$id]->parent : ''
        ) {
            $met[$id] = true;
            $name = mb_substr(
                trim($this->names[$id] ?? (is_string($this->groups[$id]->title ?? null) ? $this->groups[$id]->title : '')),
                0,
                200,
            );
            if ($name !== '' && ($path[0] ?? null) !== $name) {
                array_unshift($path, $name);
            }
        }

        return $path;
    }

    /** @return list<string> a group and all that stand in it */
    public function within(string $group): array
    {
        $within = [$group];
        for ($i = 0; $i < count($within); $i++) {
            foreach ($this->groups as $id => $one) {
                if (($one->parent ?? null) === $within[$i] && ! in_array((string) $id, $within, true)) {
                    $within[] = (string) $id;
                }
            }
        }

        return $within;
    }

    /**
     * @return list<array{id: string, depth: int, kind: string, title: string, name: string, questions: int}> in the order of a tree;
     * empty ones without anything in them are left out
     */
    public function tree(?string $under = null, int $depth = 0): array
    {
        $rows = [];
        foreach ($this->groups as $id => $group) {
            $parent = is_string($group->parent ?? null) && isset($this->groups[$group->parent]) ? $group->parent : null;
            if ($parent !== $under || $depth > self::DEEPEST) {
                continue;
            }
            $below = $this->tree((string) $id, $depth + 1);
            $questions = is_array($group->questions ?? null) ? count($group->questions) : 0;
            if ($questions === 0 && $below === []) {
                continue;
            }
            $title = is_string($group->title ?? null) ? $group->title : '';
            $rows[] = [
                'id' => (string) $id,
                'depth' => $depth,
                'kind' => is_string($group->kind ?? null) ? $group->kind : 'section',
                'title' => $title,
                'name' => $this->names[(string) $id] ?? $title,
                'questions' => $questions,
            ];
            array_push($rows, ...$below);
        }

        return $rows;
    }
}
