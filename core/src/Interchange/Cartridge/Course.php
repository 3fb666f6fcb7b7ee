<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Cartridge;

use WideQuarry\Interchange\Qti30\Xml;

/** Where the resources of a cartridge stand in its course: the one organization of its manifest (Common Cartridge 1.3, 4.3). */
final class Course
{
    private const DEEPEST = 8;

    /** @var array<string, array{path: list<string>, title: string}> resource → its place */
    private array $places = [];

    private function __construct()
    {
    }

    public static function of(\DOMElement $manifest): self
    {
        $course = new self;
        foreach (Xml::children(Xml::child($manifest, 'organizations') ?? $manifest, 'organization') as $organization) {
            $course->items($organization, []);
        }

        return $course;
    }

    /** @return array{path: list<string>, title: string} */
    public function place(string $resource): array
    {
        return $this->places[$resource] ?? ['path' => [], 'title' => ''];
    }

    /**
     * In the order of the course; what has no place in it comes last.
     *
     * @param  list<string>  $resources
     * @return list<string>
     */
    public function sorted(array $resources): array
    {
        $order = array_flip(array_map(strval(...), array_keys($this->places)));
        usort($resources, fn (string $a, string $b): int => ($order[$a] ?? PHP_INT_MAX) <=> ($order[$b] ?? PHP_INT_MAX));

        return $resources;
    }

    /** @param  list<string>  $path */
    private function items(\DOMElement $within, array $path): void
    {
        foreach (count($path) > self::DEEPEST ? [] : Xml::children($within, 'item') as $item) {
            $title = mb_substr(trim((string) preg_replace('/\s+/u', ' ', Xml::child($item, 'title')->textContent ?? '')), 0, 200);
            $resource = $item->getAttribute('identifierref');
            if ($resource !== '') {
                $this->places[$resource] ??= ['path' => $path, 'title' => $title];
            }
            $this->items($item, $title === '' ? $path : [...$path, $title]);
        }
    }
}
