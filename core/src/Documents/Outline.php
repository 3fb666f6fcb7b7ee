<?php

declare(strict_types=1);

namespace WideQuarry\Documents;

/**
 * An outline as people write one: a name a line, deeper by indentation (tabs or spaces), by bullets, by numbers ("1.2.3 Basalt"), by
 * marks of headings ("## Basalt"), or a whole path in a line ("Rocks > Igneous > Basalt").
 */
final class Outline
{
    public const MOST = 2000;

    private const LONGEST = 200;

    private const DEEPEST = 12;

    /**
     * @return list<array{name: string, depth: int}> from top to bottom; depth 0 stands at the top, and each is at most one deeper than
     * the one before
     */
    public static function read(string $text): array
    {
        $lines = array_values(
            array_filter(
                explode("\n", str_replace(["\r\n", "\r", "\u{A0}"], ["\n", "\n", ' '], mb_scrub($text, 'UTF-8'))),
                fn (string $line): bool => trim($line) !== '',
            ),
        );
        $lines = array_slice($lines, 0, self::MOST);
        $paths = array_filter($lines, fn (string $line): bool => preg_match('/\S\s+[>›»→|]\s+\S/u', $line) === 1);

        return count($paths) * 2 > count($lines) ? self::paths($lines) : self::indented($lines);
    }

    /**
     * @param  list<string>  $lines
     * @return list<array{name: string, depth: int}>
     */
    private static function paths(array $lines): array
    {
        $nodes = [];
        $before = [];
        foreach ($lines as $line) {
            $path = array_slice(
                array_values(
                    array_filter(
                        array_map(self::named(...), preg_split('/\s+[>›»→|]\s+/u', $line) ?: []),
                        fn (string $name): bool => $name !== '',
                    ),
                ),
                0,
                self::DEEPEST,
            );
            $same = 0;
            while ($same < count($path) && ($before[$same] ?? null) === $path[$same]) {
                $same++;
            }
            for ($depth = min($same, count($path) - 1); $depth >= 0 && $depth < count($path); $depth++) {
                $nodes[] = ['name' => $path[$depth], 'depth' => $depth];
            }
            $before = $path;
        }

        return array_values(
            array_filter($nodes, fn (array $node, int $i): bool => $i === 0 || $node !== $nodes[$i - 1], ARRAY_FILTER_USE_BOTH),
        );
    }

    /**
     * @param  list<string>  $lines
     * @return list<array{name: string, depth: int}>
     */
    private static function indented(array $lines): array
    {
        $nodes = [];
        // only beside "1.1 Igneous" is "1 Rocks" a number of a chapter
        $chapters = preg_grep('/^\s*\d+(?:\.\d+)+\.?\s+\S/u', $lines) !== [];
        $open = []; // how far in each line stands that the next may lie below
        foreach ($lines as $line) {
            [$in, $name] = self::measured($line, $chapters);
            if ($name === '') {
                continue;
            }
            while ($open !== [] && $open[count($open) - 1] >= $in) {
                array_pop($open);
            }
            $nodes[] = ['name' => $name, 'depth' => min(count($open), self::DEEPEST - 1)];
            $open[] = $in;
        }

        return $nodes;
    }

    /** @return array{int, string} how far in a line stands, and what it says without its marks */
    private static function measured(string $line, bool $chapters): array
    {
        $space = substr($line, 0, strspn($line, "\t "));
        $in = 4 * substr_count($space, "\t") + substr_count($space, ' ');
        $rest = ltrim($line);
        if (preg_match('/^(#{1,6})\s+(.+)$/u', $rest, $m) === 1) {
            return [$in + 4 * strlen($m[1]), self::named($m[2])];
        }
        if (preg_match('/^(\d+(?:\.\d+)+)\.?\s+(.+)$/u', $rest, $m) === 1) {
            return [$in + 4 * substr_count($m[1], '.') + 4, self::named($m[2])];
        }
        if (preg_match($chapters ? '/^\d+[.)]?\s+(.+)$/u' : '/^\d+[.)]\s+(.+)$/u', $rest, $m) === 1) {
            return [$in + 4, self::named($m[1])];
        }

        return [$in + 4, self::named((string) preg_replace('/^[-*•–+]\s+/u', '', $rest))];
    }

    private static function named(string $name): string
    {
        return mb_substr(trim((string) preg_replace('/\s+/u', ' ', $name)), 0, self::LONGEST);
    }
}
