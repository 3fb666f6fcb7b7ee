<?php

declare(strict_types=1);

namespace WideQuarry\Standards;

/**
 * Which statements or topics a question may be about, by multinomial naive Bayes with shrinkage along the tree (A. McCallum, R. Rosenfeld,
 * T. Mitchell, A. Ng: Improving Text Classification by Shrinkage in a Hierarchy of Classes, ICML 1998). Each node is a distribution of
 * stems: its wording, counted WORDING times, and the questions classified under it. A node with little to go by leans on those above it,
 * and all lean on the whole tree; so a framework that nothing is classified under yet proposes by its wording alone. Stems count once a
 * question. Nothing is proposed that shares no stem with the question.
 */
final class Proposals
{
    /** How many questions the wording of a statement weighs as much as. */
    private const WORDING = 3.0;

    /** Weights of the mixture: a node itself, the one above it, those further up together, the whole tree. */
    private const OWN = 0.55;

    private const PARENT = 0.2;

    private const FURTHER = 0.1;

    private const TREE = 0.15;

    /** How much it counts that much is classified under a node already; the full prior drowns statements that are rarely asked. */
    private const PRIOR = 0.3;

    private const WORDS = 5;

    /**
     * @param  array<string, float>  $question  stem → weight, 1 for one that stands in it
     * @param  list<NodeModel>  $nodes  of the tree
     * @return list<Proposal> the best first
     */
    public static function for(array $question, array $nodes, int $most = 5): array
    {
        [$counts, $sizes, $all, $total] = self::pooled($nodes);
        $classified = array_sum(array_map(fn (NodeModel $node): int => $node->questions, $nodes));
        $branches = array_flip(array_merge([], ...array_map(fn (NodeModel $node): array => array_slice($node->above, 0, -1), $nodes)));
        $proposals = [];
        foreach ($nodes as $node) {
            // a heading that nothing is classified under itself is one, once anything is classified at all
            $isHeading = isset($branches[$node->id]) && $node->questions === 0 && $classified > 0;
            if (! $node->isOffered || $isHeading || ($node->wording === [] && $node->classified === [])) {
                continue;
            }
            $levels = self::levels($node, $counts, $sizes);
            $gains = [];
            foreach ($question as $stem => $weight) {
                $background = self::TREE * (($all[$stem] ?? 0) + 0.5) / ($total + 1);
                $own = 0.0;
                foreach ($levels as [$share, $in, $size]) {
                    $own += $share * ($in[$stem] ?? 0) / $size;
                }
                $gain = $weight * log(1 + $own / $background);
                if ($gain > 0) {
                    $gains[$stem] = $gain;
                }
            }
            if ($gains !== []) {
                arsort($gains);
                $prior = self::PRIOR * log(($node->questions + 1) / ($classified + count($nodes)));
                $proposals[] = new Proposal(
                    $node->id,
                    array_sum($gains) + $prior,
                    array_map(strval(...), array_slice(array_keys($gains), 0, self::WORDS)),
                );
            }
        }
        usort($proposals, fn (Proposal $a, Proposal $b): int => $b->score <=> $a->score ?: strcmp($a->node, $b->node));

        return array_slice($proposals, 0, $most);
    }

    /**
     * Each node with all that is below it.
     *
     * @param  list<NodeModel>  $nodes
     * @return array{array<string, array<string, float>>, array<string, float>, array<string, float>, float} node → stem → count,
     *     node → size, stem → count in the whole tree, its size
     */
    private static function pooled(array $nodes): array
    {
        $counts = $sizes = $all = [];
        $total = 0.0;
        foreach ($nodes as $node) {
            $own = array_fill_keys($node->wording, self::WORDING);
            foreach ($node->classified as $stem => $count) {
                $own[$stem] = ($own[$stem] ?? 0) + $count;
            }
            $size = self::WORDING * $node->length + $node->stems;
            foreach ($node->above as $above) {
                $sizes[$above] = ($sizes[$above] ?? 0) + $size;
                foreach ($own as $stem => $count) {
                    $counts[$above][$stem] = ($counts[$above][$stem] ?? 0) + $count;
                }
            }
            foreach ($own as $stem => $count) {
                $all[$stem] = ($all[$stem] ?? 0) + $count;
            }
            $total += $size;
        }

        return [$counts, $sizes, $all, $total];
    }

    /**
     * @param  array<string, array<string, float>>  $counts
     * @param  array<string, float>  $sizes
     * @return list<array{float, array<string, float>, float}> share, stems, size
     */
    private static function levels(NodeModel $node, array $counts, array $sizes): array
    {
        $path = array_reverse($node->above);
        $levels = [];
        foreach ($path as $i => $id) {
            $share = match ($i) {
                0 => self::OWN,
                1 => self::PARENT,
                default => self::FURTHER / max(1, count($path) - 2),
            };
            $levels[] = [$share, $counts[$id] ?? [], max(1.0, $sizes[$id] ?? 1.0)];
        }

        return $levels;
    }
}
