<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Question\Feedback;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;

/**
 * Feedback as modal feedback of an item: an outcome FEEDBACK that collects identifiers, a condition for each rule that matched and
 * for right, partly and wrong by the scores (QTI 3.0 ASI, qti-modal-feedback).
 */
final class FeedbackWriter
{
    private string $modals = '';

    private string $conditions = '';

    private bool $timed = false;

    /** @param  \Closure(string): string  $content  rich text as it stands in an item */
    public function __construct(private readonly \Closure $content)
    {
    }

    /** @param  string  $taken  when an answer has been given elsewhere already and counts as none of the rules; '' for never */
    public function part(Part $part, string $response, WrittenPart $written, int $i, string $taken = ''): void
    {
        $null = "<qti-is-null><qti-variable identifier=\"$response\"/></qti-is-null>";
        foreach ($written->matches as $chain) {
            $branches = [];
            $otherwise = '';
            foreach ($chain as [$rule, $test]) {
                $branches[] = [
                    $test,
                    $rule->feedback === null
                        ? ''
                        : $this->shown("F{$i}_".count($branches).'_'.substr(hash('sha256', $rule->id), 0, 8), $rule->feedback),
                ];
                $otherwise = $test === '' ? $branches[count($branches) - 1][1] : $otherwise;
            }
            $this->chain($null, [...$taken === '' ? [] : [[$taken, $otherwise]], ...$branches]);
        }
        if ($written->processing !== '') {
            $this->states("F{$i}", $part->feedback, $null, "SCORE_$response", $part->points(), $written->isAddedUp());
        }
    }

    /**
     * @param  list<string>  $responses
     * @param  bool  $isAddedUp  whether the score may be out by what floats are out by
     */
    public function question(Question $question, array $responses, bool $isAddedUp): void
    {
        $nulls = implode(
            '',
            array_map(fn (string $response): string => "<qti-is-null><qti-variable identifier=\"$response\"/></qti-is-null>", $responses),
        );
        $none = count($responses) === 1 ? $nulls : "<qti-and>$nulls</qti-and>";
        $this->states('F', $question->feedback, $none, 'SCORE', $question->points(), $isAddedUp);
        if (isset($question->feedback['general'])) {
            $this->chain($none, [['', $this->shown('F_general', $question->feedback['general'])]]);
        }
    }

    public function declaration(): string
    {
        return $this->modals === ''
            ? ''
            : '<qti-outcome-declaration identifier="FEEDBACK" cardinality="multiple" base-type="identifier"/>';
    }

    public function conditions(): string
    {
        return $this->conditions;
    }

    public function modals(): string
    {
        return $this->modals;
    }

    /** Whether some feedback was to show at one time only, which modal feedback cannot say. */
    public function losesTime(): bool
    {
        return $this->timed;
    }

    /** @param  array<string, Feedback>  $feedback */
    private function states(string $id, array $feedback, string $null, string $outcome, BigRational $points, bool $isAddedUp): void
    {
        $given = fn (string $state): string => isset($feedback[$state]) ? $this->shown("{$id}_$state", $feedback[$state]) : '';
        if (array_intersect_key($feedback, ['right' => 1, 'partly' => 1, 'wrong' => 1]) === []) {
            return;
        }
        $test = fn (
            string $how,
            string $value,
        ): string => "<qti-$how><qti-variable identifier=\"$outcome\"/><qti-base-value base-type=\"float\">$value</qti-base-value>".
            "</qti-$how>";
        $this->chain($null, [
            [$test('gte', $isAddedUp ? ScoreFloats::full($points) : ScoreFloats::float($points)), $given('right')],
            [$test('gt', $isAddedUp ? ScoreFloats::HAIR : '0'), $given('partly')],
            ['', $given('wrong')],
        ]);
    }

    /** @param  list<array{string, string}>  $branches  test and what it sets; '' for what no test catches */
    private function chain(string $null, array $branches): void
    {
        if (array_filter(array_column($branches, 1)) === []) {
            return;
        }
        $this->conditions .= "<qti-response-condition><qti-response-if>$null</qti-response-if>";
        foreach ($branches as [$test, $set]) {
            $this->conditions .=
                $test === ''
                    ? ($set === ''
                        ? ''
                        : "<qti-response-else>$set</qti-response-else>")
                    : "<qti-response-else-if>$test$set</qti-response-else-if>";
        }
        $this->conditions .= '</qti-response-condition>';
    }

    private function shown(string $id, Feedback $feedback): string
    {
        $this->timed = $this->timed || $feedback->show !== 'both';
        $this->modals .=
            "<qti-modal-feedback outcome-identifier=\"FEEDBACK\" show-hide=\"show\" identifier=\"$id\"><qti-content-body>".
            ($this->content)($feedback->html).
            '</qti-content-body></qti-modal-feedback>';

        return '<qti-set-outcome-value identifier="FEEDBACK"><qti-multiple><qti-variable identifier="FEEDBACK"/>'.
            "<qti-base-value base-type=\"identifier\">$id</qti-base-value></qti-multiple></qti-set-outcome-value>";
    }
}
