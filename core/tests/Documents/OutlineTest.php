<?php

declare(strict_types=1);

use WideQuarry\Documents\Outline;

$rocks = [['Rocks', 0], ['Igneous', 1], ['Basalt', 2], ['Sedimentary', 1], ['Maps', 0]];

it('reads an outline however it is written', function (string $text, array $nodes): void {
    expect(array_map(fn (array $node): array => [$node['name'], $node['depth']], Outline::read($text)))->toBe($nodes);
})->with([
    'tabs' => ["Rocks\n\tIgneous\n\t\tBasalt\n\tSedimentary\nMaps", $rocks],
    'spaces, and empty lines' => ["Rocks\r\n  Igneous\r\n    Basalt\r\n\r\n  Sedimentary\r\nMaps\r\n", $rocks],
    'bullets' => ["- Rocks\n  - Igneous\n    * Basalt\n  - Sedimentary\n- Maps", $rocks],
    'numbers' => ["1 Rocks\n1.1 Igneous\n1.1.1 Basalt\n1.2 Sedimentary\n2 Maps", $rocks],
    'numbers with stops' => ["1. Rocks\n1.1. Igneous\n1.1.1. Basalt\n1.2. Sedimentary\n2. Maps", $rocks],
    'headings' => ["# Rocks\n## Igneous\n### Basalt\n## Sedimentary\n# Maps", $rocks],
    'paths' => ["Rocks > Igneous > Basalt\nRocks > Sedimentary\nMaps", $rocks],
    'paths that repeat' => [
        "Rocks › Igneous\nRocks › Igneous › Basalt\nRocks › Sedimentary\nMaps › Scale",
        [['Rocks', 0], ['Igneous', 1], ['Basalt', 2], ['Sedimentary', 1], ['Maps', 0], ['Scale', 1]],
    ],
    'steps of several sizes' => ["A\n      B\n   C\n         D", [['A', 0], ['B', 1], ['C', 1], ['D', 2]]],
    'right to left, and pictures of faces' => ["صخور\n\tنارية\n🪨 Rocks", [['صخور', 0], ['نارية', 1], ['🪨 Rocks', 0]]],
    'a year is no number of a chapter' => ['2026 Fieldwork', [['2026 Fieldwork', 0]]],
    'nothing' => ["\n \n", []],
]);

it('keeps to what a tree can hold', function (): void {
    $deep = implode("\n", array_map(fn (int $i): string => str_repeat("\t", $i)."n$i", range(0, 30)));
    expect(max(array_column(Outline::read($deep), 'depth')))
        ->toBe(11)
        ->and(mb_strlen(Outline::read(str_repeat('ö', 10_000))[0]['name']))
        ->toBe(200)
        ->and(count(Outline::read(implode("\n", array_map(strval(...), range(1, 5000))))))
        ->toBe(2000);
    // each is at most one deeper than the one before
    $last = -1;
    foreach (Outline::read("\t\t\tA\n\t\t\t\t\t\tB\nC") as $node) {
        expect($node['depth'])->toBeLessThanOrEqual($last + 1);
        $last = $node['depth'];
    }
});
