<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use WideQuarry\Finding;
use WideQuarry\Question\Key;
use WideQuarry\Question\Part;
use WideQuarry\Question\PartKind;
use WideQuarry\Question\UnreadableResponse;

/** A kind whose responses are scored, and whose key can be checked. */
interface ScorableKind extends PartKind
{
    /**
     * @param  Key  $key  the part's own, or the one it shares with others
     *
     * @throws \WideQuarry\Question\NotScorable|\WideQuarry\Variables\RollProblem
     */
    public function score(Part $part, Key $key, \stdClass $response, ScoringContext $in): PartOutcome;

    /**
     * What keeps the part from being complete, and what an author may have overlooked.
     *
     * @return list<Finding>
     */
    public function check(Part $part, ScoringContext $in): array;

    /**
     * A response as people write one into a cell of a table: "B", "slate; schist", "2.65 g/cm3", "left = right; left = right".
     *
     * @param  string  $written  not empty
     * @return \stdClass the response to the part
     *
     * @throws UnreadableResponse
     */
    public function written(Part $part, string $written, ScoringContext $in): \stdClass;
}
