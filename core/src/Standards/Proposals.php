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
        $classified = 0;
        $branches = [];
        foreach ($nodes as $node) {
            $classified += $node->questions;
            if (count($node->above) > 1) {
                $branches[$node->above[count($node->above) - 2]] = true;
            }
        }
        $scores = [];
        foreach ($nodes as $node) {
            // a heading that nothing is classified under itself is one, once anything is classified at all
            $isHeading = isset($branches[$node->id]) && $node->questions === 0 && $classified > 0;
            if (! $node->isOffered || $isHeading || ($node->wording === [] && $node->classified === [])) {
                continue;
            }
            $score = array_sum(self::gains($question, self::levels($node, $counts, $sizes), $all, $total));
            if ($score > 0) {
                $scores[$node->id] = $score + self::PRIOR * log(($node->questions + 1) / ($classified + count($nodes)));
            }
        }
        uksort($scores, fn (string $a, string $b): int => $scores[$b] <=> $scores[$a] ?: strcmp($a, $b));
        $named = array_column($nodes, null, 'id');
        $proposals = [];
        foreach (array_slice($scores, 0, $most) as $id => $score) {
            $gains = self::gains($question, self::levels($named[$id], $counts, $sizes), $all, $total);
            arsort($gains);
            $proposals[] = new Proposal($id, $score, array_map(strval(...), array_keys(array_slice(array_filter($gains), 0, self::WORDS))));
        }

        return $proposals;
    }

    /**
     * @param  array<string, float>  $question
     * @param  list<array{float, array<string, float>, float}>  $levels
     * @param  array<string, float>  $all
     * @return array<string, float> stem → how much likelier it is here than in the whole tree, as a logarithm
     */
    private static function gains(array $question, array $levels, array $all, float $total): array
    {
        $gains = [];
        foreach ($question as $stem => $weight) {
            $here = 0.0;
            foreach ($levels as [$share, $in, $size]) {
                if (isset($in[$stem])) {
                    $here += $share * $in[$stem] / $size;
                }
            }
            $gains[$stem] = $here === 0.0 ? 0.0 : $weight * log(1 + $here * ($total + 1) / (self::TREE * (($all[$stem] ?? 0) + 0.5)));
        }

        return $gains;
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
            $own = $node->classified;
            foreach ($node->wording as $stem) {
                $own[$stem] = ($own[$stem] ?? 0) + self::WORDING;
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
