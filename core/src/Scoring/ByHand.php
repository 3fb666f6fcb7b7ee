<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use Brick\Math\BigRational;
use WideQuarry\Json\Malformed;
use WideQuarry\Marking\PartMarks;
use WideQuarry\Marking\RubricScore;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Key;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\Scheme;

/** Parts that a person marks: what the marks given are worth, and what is still to be marked. */
final readonly class ByHand
{
    public function __construct(private Question $question, private \stdClass $marks)
    {
    }

    /**
     * Marks belong to parts that a person marks.
     *
     * @throws Malformed
     */
    public function refuseStrangers(): void
    {
        foreach (array_map(strval(...), array_keys(get_object_vars($this->marks))) as $id) {
            $part = $this->question->part($id) ?? throw Malformed::unknownField("/marks/$id", $id);
            if ($part->scheme !== Scheme::Person) {
                throw Malformed::outOfRange("/marks/$id", Message::of('scoring.marked-by-its-key'), $this->marks->{$id});
            }
        }
    }

    /**
     * A part that was left blank can be marked too: its answer may be on paper.
     *
     * @throws Malformed when the marks do not suit the rubric
     */
    public function settle(Part $part, Key $key, PartOutcome $outcome): PartOutcome
    {
        $given = get_object_vars($this->marks)[$part->id] ?? null;
        $isAsked = $outcome->state === 'needs_marking' || ($outcome->state === 'unanswered' && $given !== null);
        if ($part->scheme !== Scheme::Person || ! $isAsked) {
            return $outcome;
        }
        $worth = $this->worth($part);
        $rubric = $key->rubric?->criteria === [] ? null : $key->rubric;
        $marks = $given === null ? PartMarks::none() : PartMarks::read($given, "/marks/$part->id", $rubric, $worth);
        $score = $rubric === null ? null : RubricScore::of($rubric, $marks);
        $points = $score instanceof RubricScore ? $score->points : $marks->points;
        $marking = new PartMarking($score->criteria ?? [], $score->open ?? [], $marks->points, $marks->note);
        $credit = match (true) {
            $points === null || $marking->open !== [] => null,
            $worth->isZero() => Exact::zero(),
            default => $points->dividedBy($worth),
        };

        return PartOutcome::marked($credit, self::trace($outcome, $score, $points, $credit !== null), $marking);
    }

    /** @return list<array<string, mixed>> what was said of the answer itself, and what the marks came to */
    private static function trace(PartOutcome $outcome, ?RubricScore $score, ?BigRational $points, bool $isMarked): array
    {
        $isSaid = fn (array $step): bool => ! $isMarked || $step['step'] !== 'answer.for_a_person';
        $given = $points === null ? [] : [['step' => 'points.given', 'points' => Exact::text($points)]];

        return [
            ...$outcome->state === 'needs_marking' ? array_values(array_filter($outcome->trace, $isSaid)) : [],
            ...$score->trace ?? $given,
        ];
    }

    /** What the part is marked out of: its points, or those of the part it is answered instead of. */
    private function worth(Part $part): BigRational
    {
        $for = $this->question->scoring->insteadOf($part->id);

        return $part->points()->isZero() && $for !== null
            ? $this->question->part($for)?->points() ?? Exact::zero()
            : $part->points();
    }
}
