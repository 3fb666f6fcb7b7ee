<?php

declare(strict_types=1);

namespace WideQuarry\Bulk;

use WideQuarry\Json\Json;
use WideQuarry\Standards\Alignment;

/** How questions are filed and classified in the bank that they are carried over to. */
final readonly class CarryOver
{
    /**
     * @param  list<string>  $into  the folder under which everything goes; empty for none
     * @param  list<list<string>>|null  $chosen  folders that were chosen, paths of names; null for all
     * @param  array<string, list<string>|null>  $topics  topic (its path as JSON) → what it is there, null to leave it out; what stands
     *     below goes along
     * @param  array<string, \stdClass|null>  $statements  id → the alignment it is there, null to leave it out; others stay as they are
     */
    public function __construct(
        private array $into,
        private ?array $chosen,
        private array $topics,
        private array $statements,
    ) {
    }

    /**
     * @param  list<list<string>>  $paths  where a question lies
     * @return list<list<string>> where it lies there. Of one in chosen folders and others the others do not count; one in none of them
     *     comes with an assessment and keeps all
     */
    public function folders(array $paths): array
    {
        $within = array_values(array_filter($paths, $this->isChosen(...)));
        $there = array_map(fn (array $path): array => [...$this->into, ...$path], $within === [] ? $paths : $within);

        return $there === [] && $this->into !== [] ? [$this->into] : $there;
    }

    /** @param  list<string>  $path */
    private function isChosen(array $path): bool
    {
        foreach ($this->chosen ?? [] as $folder) {
            if (array_slice($path, 0, count($folder)) === $folder) {
                return true;
            }
        }

        return $this->chosen === null;
    }

    /**
     * @param  list<list<string>>  $paths
     * @return list<list<string>>
     */
    public function topics(array $paths): array
    {
        $there = [];
        foreach ($paths as $path) {
            $path = $this->topic($path);
            if ($path !== null && $path !== []) {
                $there[Json::encode($path)] = $path;
            }
        }

        return array_values($there);
    }

    /**
     * @param  list<string>  $path
     * @return list<string>|null as the nearest topic above that was given a place says
     */
    private function topic(array $path): ?array
    {
        for ($depth = count($path); $depth > 0; $depth--) {
            $key = Json::encode(array_slice($path, 0, $depth));
            if (array_key_exists($key, $this->topics)) {
                $to = $this->topics[$key];

                return $to === null ? null : [...$to, ...array_slice($path, $depth)];
            }
        }

        return $path;
    }

    private function alignment(\stdClass $one): ?\stdClass
    {
        $statement = is_string($one->statement ?? null) ? $one->statement : '';
        $there = array_key_exists($statement, $this->statements) ? $this->statements[$statement] : $one;

        return $there === null || $there === $one || ($one->relation ?? '') !== Alignment::TOUCHES
            ? $there
            : (object) [...get_object_vars($there), 'relation' => Alignment::TOUCHES];
    }

    /** A record, or an assessment, with its standards as they are called there. */
    public function standards(\stdClass $of): \stdClass
    {
        $given = is_array($of->standards ?? null) ? $of->standards : [];
        if ($given === [] || $this->statements === []) {
            return $of;
        }
        $there = [];
        foreach (array_filter($given, fn (mixed $one): bool => $one instanceof \stdClass) as $one) {
            $new = $this->alignment($one);
            if ($new !== null) {
                $there[is_string($new->statement ?? null) ? $new->statement : Json::encode($new)] ??= $new;
            }
        }
        $of = clone $of;
        $of->standards = array_values($there);
        if ($there === []) {
            unset($of->standards);
        }

        return $of;
    }
}
