<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Printing\Paper;

/** A text on paper whose pieces are underlined lightly, or that is set with room to write between its lines. */
final class PrintedPieces
{
    /** @param  array<mixed>  $presented */
    public static function text(array $presented, Paper $paper, bool $between): string
    {
        $nodes = is_array($presented['text'] ?? null) ? $presented['text'] : [];

        return '<div class="'.
            ($between ? 'amended' : 'picked').
            '">'.
            $paper->html($between ? $nodes : self::marked($nodes)). // @phpstan-ignore argument.type
            '</div>';
    }

    /**
     * @param  array<mixed>  $nodes
     * @return array<mixed>
     */
    private static function marked(array $nodes): array
    {
        return array_map(function (mixed $node): mixed {
            if (! is_array($node)) {
                return $node;
            }
            $attributes = (array) $node[1];
            $children = self::marked(array_slice($node, 2));

            return isset($attributes['data-piece'])
                ? ['span', (object) ['class' => 'piece'], ...$children]
                : [$node[0], $node[1], ...$children];
        }, $nodes);
    }
}
