<?php

declare(strict_types=1);

namespace WideQuarry\Forms;

use WideQuarry\Question\Part;
use WideQuarry\Question\PartKind;
use WideQuarry\Random\Seed;

/** A kind whose parts can differ between the forms of a test. */
interface VaryingKind extends PartKind
{
    /**
     * What it offers, in the order shown with this seed.
     *
     * @return list<string> identifiers; none where nothing stands in an order
     */
    public function shownOrder(Part $part, Seed $seed): array;

    /** The places where its only right option can stand; null where there is not exactly one, or where options have no letters. */
    public function keyPlaces(Part $part): ?KeyPlaces;

    /**
     * The labels of the right options on paper.
     *
     * @param  list<string>  $shown  as shownOrder() gave it
     * @return list<string> none where answers are not letters
     */
    public function keyLabels(Part $part, array $shown): array;
}
