<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/**
 * Where parts, gaps, pieces, values, media and remarks stand in rich text.
 *
 * @phpstan-type Found array{parts: list<array{string, bool}>, gaps: list<array{string, string}>, pieces: list<string>,
 *     values: list<string>, media: list<string>, remarks: list<string>}
 */
final readonly class Anchors
{
    /**
     * @param  list<array{string, bool}>  $parts  part id, and whether it stands inside a line; in document order
     * @param  list<array{string, string}>  $gaps  gap id and the part it belongs to
     * @param  list<string>  $pieces
     * @param  list<string>  $values  names of variables, each once
     * @param  list<string>  $media  media ids, each once
     * @param  list<string>  $remarks  ids of remarks on passages, each once
     */
    private function __construct(
        public array $parts,
        public array $gaps,
        public array $pieces,
        public array $values,
        public array $media,
        public array $remarks,
    ) {
    }

    /** @param  list<Element|string>  $nodes */
    public static function in(array $nodes): self
    {
        $found = ['parts' => [], 'gaps' => [], 'pieces' => [], 'values' => [], 'media' => [], 'remarks' => []];
        self::walk($nodes, $found);

        return new self(
            $found['parts'],
            $found['gaps'],
            $found['pieces'],
            array_values(array_unique($found['values'])),
            array_values(array_unique($found['media'])),
            array_values(array_unique($found['remarks'])),
        );
    }

    /**
     * @param  list<Element|string>  $nodes
     * @param  Found  $found
     */
    private static function walk(array $nodes, array &$found): void
    {
        foreach ($nodes as $node) {
            if (is_string($node)) {
                continue;
            }
            $at = $node->attributes;
            if (isset($at['data-part'])) {
                $found['parts'][] = [$at['data-part'], $node->name === 'span'];
            }
            if (isset($at['data-gap'])) {
                $found['gaps'][] = [$at['data-gap'], $at['data-of'] ?? ''];
            }
            if (isset($at['data-piece'])) {
                $found['pieces'][] = $at['data-piece'];
            }
            if (isset($at['data-remark'])) {
                $found['remarks'][] = $at['data-remark'];
            }
            if (isset($at['data-value'])) {
                $found['values'][] = $at['data-value'];
            }
            foreach (['data-media', 'data-captions'] as $name) {
                if (isset($at[$name])) {
                    $found['media'][] = $at[$name];
                }
            }
            if ($node->name === 'annotation' && isset($node->children[0]) && is_string($node->children[0])) {
                preg_match_all('/\\\\val\{([A-Za-z][A-Za-z0-9_]*(?:\[\d+\])?)\}/', $node->children[0], $m);
                array_push($found['values'], ...$m[1]);
            }
            self::walk($node->children, $found);
        }
    }
}
