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
        foreach ($nodes as $node) {
            if (is_string($node) ? $node !== self::BREAK : ! isset(AllowList::BLOCK[$node->name])) {
                $line[] = $node;

                continue;
            }
            array_push($blocks, ...self::wrapped($line, $wrap, ! $inPhrase));
            $line = [];
            if ($inPhrase || $node !== self::BREAK) {
                $blocks[] = $node;
            }
        }
        array_push($blocks, ...self::wrapped($line, $wrap, ! $inPhrase));

        return $blocks;
    }

    /**
     * @param  list<Element|string>  $line
     * @param  callable(list<Element|string>): Element  $wrap
     * @return list<Element> none where nothing but white space stands there
     */
    private static function wrapped(array $line, callable $wrap, bool $trim): array
    {
        $clean = self::tidy($line, $trim);

        return $clean === [] ? [] : [$wrap($clean)];
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
        $tidy = [];
        $merged = self::merged($line);
        $last = count($merged) - 1;
        foreach ($merged as $i => $node) {
            if (is_string($node)) {
                $node = self::collapsed($node);
                $node = $trim && $i === 0 ? ltrim($node, ' ') : $node;
                $node = $trim && $i === $last ? rtrim($node, ' ') : $node;
            }
            if ($node !== '') {
                $tidy[] = $node;
            }
        }

        return $tidy;
    }

    /** Runs of white space as one space; most texts have none, which is seen sooner than replaced. */
    private static function collapsed(string $text): string
    {
        return strpbrk($text, "\t\r\n\f") === false && ! str_contains($text, '  ')
            ? $text
            : (string) preg_replace('/[ \t\r\n\f]+/', ' ', $text);
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
