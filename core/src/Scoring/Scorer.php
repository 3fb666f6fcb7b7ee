<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use Brick\Math\BigRational;
use WideQuarry\Content\Tree;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Feedback;
use WideQuarry\Question\Key;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\Rule;

/**
 * Scores a response. Pure: the same question, seed and response give the same result in any process.
 * The steps are those of docs/developers/scoring.md.
 */
final class Scorer
{
    /**
     * @throws Malformed when the response does not belong to the question
     * @throws NotScorable|\WideQuarry\Variables\RollProblem when the question cannot be scored as it stands
     */
    public function score(Question $question, Attempt $attempt): Result
    {
        $this->refuseStrangers($question, $attempt);
        $byHand = new ByHand($question, $attempt->marks);
        $byHand->refuseStrangers();
        $in = ScoringContext::of($question, $question->variables->roll($attempt->seed, $question->language));
        $outcomes = [];
        foreach ($question->parts as $part) {
            $key = SharedRules::keyFor($question, $part);
            $outcomes[$part->id] = $byHand->settle($part, $key, $this->outcome($part, $key, $attempt, $in));
        }
        $parts = $this->results($question, Alternatives::settle($question, SharedRules::settle($question, $outcomes)), $in);
        $total = new Total($question, $attempt, $parts);
        $states = array_column(array_filter($parts, fn (PartResult $part): bool => $part->state !== 'unscored'), 'state');
        $needsMarking = in_array('needs_marking', $states, true);
        $counts = $states !== [] && ! in_array('unreadable', $states, true) && array_diff($states, ['unanswered']) !== [];
        $state = $this->state($total, $states);

        return new Result(
            $total->score,
            $total->exact,
            $total->max,
            $state,
            $counts,
            $needsMarking,
            $parts,
            $this->feedbackOf($question, $state, $in),
            $total->trace,
        );
    }

    private function refuseStrangers(Question $question, Attempt $attempt): void
    {
        foreach (array_map(strval(...), array_keys(get_object_vars($attempt->response))) as $id) {
            if ($question->part($id) === null) {
                throw Malformed::unknownField("/response/$id", $id);
            }
        }
        if ($attempt->hints > count($question->hints)) {
            throw Malformed::outOfRange('/hints', Message::of('scoring.most', ['count' => count($question->hints)]), $attempt->hints);
        }
    }

    private function outcome(Part $part, Key $key, Attempt $attempt, ScoringContext $in): PartOutcome
    {
        $kind = $part->kind;
        if (! ($kind instanceof ScorableKind)) {
            throw NotScorable::kindUnavailable($part->kindName, "$part->path/kind");
        }
        $response = $attempt->response->{$part->id} ?? null;

        return match (true) {
            $response === null => PartOutcome::unanswered(),
            $response instanceof \stdClass => $kind->score($part, $key, $response, $in),
            default => PartOutcome::unreadable('response.shape', Message::of('scoring.response-part-object')),
        };
    }

    /**
     * @param  array<string, PartOutcome>  $outcomes
     * @return list<PartResult>
     */
    private function results(Question $question, array $outcomes, ScoringContext $in): array
    {
        $credits = [];
        foreach ($question->parts as $part) {
            $credits[$part->id] = $this->clamped($part, $outcomes[$part->id]);
        }
        $right = array_values(
            array_filter(
                array_map(fn (Part $part): string => $part->id, $question->parts),
                fn (string $id): bool => Exact::isAll($credits[$id][0]),
            ),
        );
        $closed = Gates::closed($question, $right);
        $results = [];
        foreach ($question->parts as $part) {
            $outcome = $outcomes[$part->id];
            [$credit, $trace] = $credits[$part->id];
            if (isset($closed[$part->id])) {
                $credit = Exact::zero();
                $trace[] = ['step' => 'gate.closed', 'needs' => $closed[$part->id]];
            }
            $state = $this->partState($part, $outcome, $credit);
            $results[] = new PartResult(
                $part->id,
                $state,
                $credit,
                Exact::times($part->points(), $credit),
                $part->points(),
                array_map(fn (Rule $rule): string => $rule->id, $outcome->matched),
                $trace,
                $this->feedbackOfPart($part, $outcome, $state, $in),
                $outcome->marking,
            );
        }

        return $results;
    }

    /** @return array{BigRational, list<array<string, mixed>>} */
    private function clamped(Part $part, PartOutcome $outcome): array
    {
        if ($outcome->state !== 'given') {
            return [Exact::zero(), $outcome->trace];
        }
        $credit = Exact::within($outcome->credit, $part->bound('low'), $part->bound('high'));
        $trace = $outcome->trace;
        if ($credit !== $outcome->credit) {
            $trace[] = ['step' => 'credit.clamped', 'from' => Exact::text($outcome->credit), 'to' => Exact::text($credit)];
        }

        return [Exact::simplified($credit), $trace];
    }

    private function partState(Part $part, PartOutcome $outcome, BigRational $credit): string
    {
        return match (true) {
            $outcome->state !== 'given' => $outcome->state,
            Exact::isAll($credit) => 'right',
            $credit->isPositive() => 'partly',
            default => 'wrong',
        };
    }

    /** @param  array<int, string>  $states of the parts that can be scored */
    private function state(Total $total, array $states): string
    {
        return match (true) {
            $total->max->isZero() => 'unscored',
            $states !== [] && array_diff($states, ['unanswered']) === [] => 'unanswered',
            in_array('unreadable', $states, true) => 'unreadable',
            in_array('needs_marking', $states, true) => 'needs_marking',
            Exact::compare($total->raw, $total->points) >= 0 => 'right',
            $total->raw->isPositive() => 'partly',
            default => 'wrong',
        };
    }

    /** @return list<array<string, mixed>> */
    private function feedbackOfPart(Part $part, PartOutcome $outcome, string $state, ScoringContext $in): array
    {
        $shown = [];
        foreach ($outcome->matched as $rule) {
            if ($rule->feedback !== null) {
                $shown[] = $this->shown("rule:$rule->id", $rule->feedback, $in);
            }
        }
        foreach ($outcome->remarks as $of => $feedback) {
            $shown[] = $this->shown($of, $feedback, $in);
        }
        if (isset($part->feedback[$state])) {
            $shown[] = $this->shown($state, $part->feedback[$state], $in);
        }

        return $shown;
    }

    /** @return list<array<string, mixed>> */
    private function feedbackOf(Question $question, string $state, ScoringContext $in): array
    {
        $shown = [];
        foreach (array_unique([$state, 'general']) as $of) {
            if (isset($question->feedback[$of]) && ! in_array($state, ['unanswered', 'unreadable'], true)) {
                $shown[] = $this->shown($of, $question->feedback[$of], $in);
            }
        }

        return $shown;
    }

    /** @return array<string, mixed> */
    private function shown(string $of, Feedback $feedback, ScoringContext $in): array
    {
        return ['of' => $of, 'show' => $feedback->show, 'body' => Tree::of($feedback->html, $in->roll->filling())];
    }
}
