<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Finding;
use WideQuarry\Printing\Answer;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Key;
use WideQuarry\Question\Part;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Circumstances;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\Scheme;

/** One kind of part: what the author sets, what the learner gets, how it is scored. One folder each. */
interface PartKind
{
    public function name(): string;

    /** Whether it may stand inside a line of text. */
    public function isInline(): bool;

    /** @throws \WideQuarry\Json\Malformed */
    public function readSettings(mixed $json, string $path): object;

    /**
     * What a rule compares with.
     *
     * @throws \WideQuarry\Json\Malformed
     */
    public function readOn(mixed $json, string $path): object|string;

    /** @return list<Scheme> */
    public function schemes(): array;

    /** The scheme that holds when none is named. */
    public function usualScheme(object $settings): Scheme;

    /**
     * Numbers of its scoring beside low and high, such as the cost of what is picked too much, with what holds when none is given.
     *
     * @return array<string, string>
     */
    public function extras(): array;

    /**
     * @param  Key  $key  the part's own, or the one it shares with others
     *
     * @throws \WideQuarry\Question\Unready|\WideQuarry\Variables\RollProblem
     */
    public function score(Part $part, Key $key, \stdClass $response, Circumstances $in): PartOutcome;

    /**
     * What the learner needs, in shown order; nothing of the key.
     *
     * @return array<string, mixed>
     */
    public function present(Part $part, Circumstances $in, Seed $seed): array;

    /**
     * How it stands on paper: what the learner ticks or writes on.
     *
     * @param  array<mixed>  $presented  as present() gave it
     */
    public function onPaper(Part $part, array $presented, Paper $paper): string;

    /**
     * What earns points, in words and signs of the sheet, the best first.
     *
     * @param  array<mixed>  $presented  as present() gave it
     * @return list<Answer>
     *
     * @throws \WideQuarry\Question\Unready|\WideQuarry\Variables\RollProblem
     */
    public function answers(Part $part, array $presented, Circumstances $in, Paper $paper): array;

    /**
     * What keeps the part from being complete, and what an author may have overlooked.
     *
     * @return list<Finding>
     */
    public function check(Part $part, Circumstances $in): array;

    /**
     * What is offered and what is accepted, for search.
     *
     * @return list<string> rich text or plain
     */
    public function texts(Part $part): array;

    /**
     * A response as people write one into a cell of a table: "B", "slate; schist", "2.65 g/cm3", "left = right; left = right".
     *
     * @param  string  $written  not empty
     * @return \stdClass the response to the part
     *
     * @throws NotUnderstood
     */
    public function written(Part $part, string $written, Circumstances $in): \stdClass;
}
