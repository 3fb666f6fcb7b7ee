<?php

declare(strict_types=1);

namespace WideQuarry\Migration;

/** Questions in folders by a pattern of names, some of which somebody called otherwise. */
final class Regrouping
{
    private const BETWEEN = "\u{1F}";

    /** @var array<string, array{path: list<string>, questions: list<SourceQuestion>}> folder as the pattern calls it → what is in it */
    private array $folders = [];

    /** Folders that are given names. */
    public const MOST_NAMES = 2_000;

    /** @param  array<string, string>  $names  path of a folder, joined by " › " → what its last name is to be; '' for none of its own */
    private function __construct(private readonly NamePattern $pattern, private readonly array $names)
    {
    }

    /**
     * @param  iterable<SourceQuestion>  $questions
     * @param  array<string, string>  $names
     */
    public static function of(iterable $questions, NamePattern $pattern, array $names = []): self
    {
        $grouped = new self($pattern, $names);
        foreach ($questions as $question) {
            $own = $pattern->path($question);
            $key = implode(self::BETWEEN, $own);
            $grouped->folders[$key] ??= ['path' => $own, 'questions' => []];
            $grouped->folders[$key]['questions'][] = $question;
        }

        return $grouped;
    }

    /** @return list<string> names of folders from the top, as somebody wants them */
    public function path(SourceQuestion $question): array
    {
        return $this->renamed($this->pattern->path($question));
    }

    /**
     * The tree to look at, in the order its questions came: folders that only hold others as well.
     *
     * @return list<array{path: list<string>, name: string, depth: int, questions: int, kinds: array<string, int>}>
     */
    public function tree(): array
    {
        $rows = $below = [];
        foreach ($this->folders as $folder) {
            foreach (array_keys($folder['path']) as $depth) {
                $path = array_slice($folder['path'], 0, $depth + 1);
                $key = implode(self::BETWEEN, $path);
                if (! isset($rows[$key])) {
                    $name = $this->names[implode(' › ', $path)] ?? $path[$depth];
                    $rows[$key] = ['path' => $path, 'name' => $name, 'depth' => $depth, 'questions' => 0, 'kinds' => []];
                    $below[implode(self::BETWEEN, array_slice($path, 0, $depth))][] = $key;
                }
                $rows[$key]['questions'] += count($folder['questions']);
                foreach ($folder['questions'] as $question) {
                    $kind = $question->kind();
                    $rows[$key]['kinds'][$kind] = ($rows[$key]['kinds'][$kind] ?? 0) + 1;
                }
            }
        }
        $tree = [];
        $next = array_reverse($below[''] ?? []);
        while ($next !== []) {
            $key = array_pop($next);
            $tree[] = $rows[$key];
            array_push($next, ...array_reverse($below[$key] ?? []));
        }

        return $tree;
    }

    /** @return list<array{path: list<string>, questions: list<SourceQuestion>}> folders as the pattern calls them, with what is in them */
    public function folders(): array
    {
        return array_values($this->folders);
    }

    /**
     * @param  list<string>  $path
     * @return list<string>
     */
    private function renamed(array $path): array
    {
        $renamed = [];
        foreach (array_keys($path) as $depth) {
            $name = $this->names[implode(' › ', array_slice($path, 0, $depth + 1))] ?? $path[$depth];
            if (trim($name) !== '') {
                $renamed[] = trim($name);
            }
        }

        return $renamed;
    }
}
