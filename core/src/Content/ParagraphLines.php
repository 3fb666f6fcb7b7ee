<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/** Puts runs of phrases into paragraphs and settles the white space around them. */
final class ParagraphLines
{
    /** Stands between two things that may not share a line; U+0000 cannot come from outside. */
    public const BREAK = "\0";

    /**
     * @param  list<Element|string>  $nodes
     * @param  bool  $bare  leave a single run of phrases without a paragraph around it
     * @return list<Element|string>
     */
    public static function paragraphs(array $nodes, bool $bare): array
    {
        $blocks = self::split($nodes, fn (array $line): Element => new Element('p', [], $line));
        if ($bare && count($blocks) === 1 && $blocks[0] instanceof Element && $blocks[0]->name === 'p' && ! self::holdsBlock($nodes)) {
            return $blocks[0]->children;
        }

        return $blocks;
    }

    /**
     * Wraps each run of phrases between blocks; blocks stay as they are.
     *
     * @param  list<Element|string>  $nodes
     * @param  callable(list<Element|string>): Element  $wrap
     * @return list<Element|string>
     */
    public static function split(array $nodes, callable $wrap): array
    {
        $inPhrase = ! isset(AllowList::BLOCK[$wrap([])->name]);
        $blocks = [];
        $line = [];
        $flush = function () use (&$line, &$blocks, $wrap, $inPhrase): void {
            $clean = self::tidy($line, ! $inPhrase);
            if ($clean !== []) {
                $blocks[] = $wrap($clean);
            }
            $line = [];
        };
        foreach ($nodes as $node) {
            if ($node === self::BREAK || ($node instanceof Element && isset(AllowList::BLOCK[$node->name]))) {
                $flush();
                $blocks[] = $node;
            } else {
                $line[] = $node;
            }
        }
        $flush();

        return $inPhrase ? $blocks : array_values(array_filter($blocks, fn (Element|string $block): bool => $block !== self::BREAK));
    }

    /**
     * White space as it is, for preformatted text.
     *
     * @param  list<Element|string>  $nodes
     * @return list<Element|string>
     */
    public static function kept(array $nodes): array
    {
        $kept = [];
        foreach ($nodes as $node) {
            if ($node instanceof Element && isset(AllowList::BLOCK[$node->name])) {
                array_push($kept, ...$node->children);
            } elseif ($node !== self::BREAK) {
                $kept[] = $node;
            }
        }

        return self::merged($kept);
    }

    /**
     * @param  list<Element|string>  $line
     * @return list<Element|string>
     */
    private static function tidy(array $line, bool $trim): array
    {
        $line = self::collapsed(
            array_map(
                fn (Element|string $node): Element|string => is_string($node)
                    ? (string) preg_replace('/[ \t\r\n\f]+/', ' ', $node)
                    : $node,
                $line,
            ),
        );
        if ($trim && $line !== []) {
            if (is_string($line[0])) {
                $line[0] = ltrim($line[0], ' ');
            }
            $last = count($line) - 1;
            if (is_string($line[$last])) {
                $line[$last] = rtrim($line[$last], ' ');
            }
        }

        return array_values(array_filter($line, fn (Element|string $node): bool => $node !== ''));
    }

    /**
     * @param  list<Element|string>  $nodes
     * @return list<Element|string>
     */
    private static function collapsed(array $nodes): array
    {
        return array_map(
            fn (Element|string $node): Element|string => is_string($node) ? (string) preg_replace('/ {2,}/', ' ', $node) : $node,
            self::merged($nodes),
        );
    }

    /**
     * Runs of text in one.
     *
     * @param  list<Element|string>  $nodes
     * @return list<Element|string>
     */
    private static function merged(array $nodes): array
    {
        $joined = [];
        foreach ($nodes as $node) {
            $last = count($joined) - 1;
            if (is_string($node) && $last >= 0 && is_string($joined[$last])) {
                $joined[$last] .= $node;
            } else {
                $joined[] = $node;
            }
        }

        return $joined;
    }

    /** @param  list<Element|string>  $nodes */
    private static function holdsBlock(array $nodes): bool
    {
        foreach ($nodes as $node) {
            if ($node === self::BREAK || ($node instanceof Element && isset(AllowList::BLOCK[$node->name]))) {
                return true;
            }
        }

        return false;
    }
}
