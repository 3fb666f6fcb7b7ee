<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/** The pieces of a text that can be picked: <span data-piece="w4">. */
final class Pieces
{
    private const WORD = '/[\p{L}\p{N}\p{M}]+(?:[\'’.,:‐-][\p{L}\p{N}\p{M}]+)*(?:\s?[%°])?/u';

    /**
     * @return list<array{id: string, words: string, inside: bool}> in the order of the text; inside: within another piece
     */
    public static function of(string $html): array
    {
        $pieces = [];
        self::walk(RichText::read($html)->nodes, false, $pieces);

        return $pieces;
    }

    /** The text with every word outside the pieces it has made a piece of its own. */
    public static function everyWord(string $html): string
    {
        $nodes = RichText::read($html)->nodes;
        $taken = Anchors::in($nodes)->pieces;
        $next = 1;

        return Serialiser::html(self::split($nodes, $taken, $next));
    }

    /**
     * @param  list<Element|string>  $nodes
     * @param  list<array{id: string, words: string, inside: bool}>  $pieces
     */
    private static function walk(array $nodes, bool $inside, array &$pieces): void
    {
        foreach ($nodes as $node) {
            if (is_string($node)) {
                continue;
            }
            $id = $node->attribute('data-piece');
            if ($id !== null) {
                $pieces[] = ['id' => $id, 'words' => trim(PlainText::of([$node])), 'inside' => $inside];
            }
            self::walk($node->children, $inside || $id !== null, $pieces);
        }
    }

    /**
     * @param  list<Element|string>  $nodes
     * @param  list<string>  $taken
     * @return list<Element|string>
     */
    private static function split(array $nodes, array $taken, int &$next): array
    {
        $out = [];
        foreach ($nodes as $node) {
            if (is_string($node)) {
                array_push($out, ...self::words($node, $taken, $next));
            } elseif ($node->attribute('data-piece') !== null || in_array($node->name, ['math', 'pre', 'code', 'img'], true)) {
                $out[] = $node;
            } else {
                $out[] = $node->withChildren(self::split($node->children, $taken, $next));
            }
        }

        return $out;
    }

    /**
     * @param  list<string>  $taken
     * @return list<Element|string>
     */
    private static function words(string $text, array $taken, int &$next): array
    {
        $out = [];
        $at = 0;
        preg_match_all(self::WORD, $text, $found, PREG_OFFSET_CAPTURE);
        foreach ($found[0] as [$word, $from]) {
            if ($from > $at) {
                $out[] = substr($text, $at, $from - $at);
            }
            while (in_array("w$next", $taken, true)) {
                $next++;
            }
            $out[] = new Element('span', ['data-piece' => 'w'.$next++], [$word]);
            $at = $from + strlen($word);
        }
        if ($at < strlen($text)) {
            $out[] = substr($text, $at);
        }

        return $out;
    }
}
