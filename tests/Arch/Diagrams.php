<?php

declare(strict_types=1);

namespace Tests\Arch;

/** Diagrams in docs/developers/architecture.md, drawn from code. Set QUARRY_DRAW=1 to write them anew. */
final class Diagrams
{
    private const FILE = __DIR__.'/../../docs/developers/architecture.md';

    /** Whether the page shows what is drawn; with QUARRY_DRAW=1 it is written there first. */
    public static function isCurrent(string $name, string $drawn): bool
    {
        $page = (string) file_get_contents(self::FILE);
        $block = "<!-- $name -->\n```mermaid\n$drawn\n```\n<!-- /$name -->";
        $new = (string) preg_replace_callback("/<!-- $name -->.*<!-- \/$name -->/s", fn (): string => $block, $page);
        if (getenv('QUARRY_DRAW') === '1') {
            file_put_contents(self::FILE, $new);
        }

        return $new === $page || getenv('QUARRY_DRAW') === '1';
    }

    /**
     * @param  list<list<string>>  $rows  names that may use those of the rows before
     * @param  array<string, list<string>>  $uses
     */
    public static function layers(array $rows, array $uses): string
    {
        $lines = ['flowchart BT'];
        foreach ($rows as $i => $names) {
            $lines[] = '  subgraph row'.$i.'[" "]';
            $lines[] = '    direction LR';
            foreach ($names as $name) {
                $lines[] = "    {$name}[$name]";
            }
            $lines[] = '  end';
        }
        ksort($uses);
        foreach ($uses as $from => $targets) {
            sort($targets);
            foreach ($targets as $to) {
                $lines[] = "  $from --> $to";
            }
        }

        return implode("\n", $lines);
    }

    /** @param  list<array{string, string}>  $keys  table and the table its foreign key names */
    public static function data(array $keys): string
    {
        $lines = array_map(fn (array $key): string => "  $key[1] ||--o{ $key[0] : \"\"", $keys);
        sort($lines);

        return "erDiagram\n".implode("\n", array_unique($lines));
    }
}
