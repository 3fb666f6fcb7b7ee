<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\Rule;

/** From the outcomes of parts to the score: what others say of a part, the sum or all together, bounds. */
final class ScoreWriter
{
    private string $declarations = '';

    private string $processing = '';

    /** @var array<string, array{string, string}> part → its outcome, and what that reaches when it is right */
    private array $worth = [];

    /** @var array<string, list<array{Rule, string}>> part → its rules and when they match */
    private array $tests = [];

    private bool $addedUp = false;

    public function __construct(private readonly Question $question)
    {
    }

    /** A part that is marked by somebody adds nothing. */
    public function add(Part $part, string $response, WrittenPart $written): void
    {
        if ($written->processing === '') {
            return;
        }
        $this->declarations .= "<qti-outcome-declaration identifier=\"SCORE_$response\" cardinality=\"single\" base-type=\"float\">".
            '<qti-default-value><qti-value>0</qti-value></qti-default-value>'.
            "</qti-outcome-declaration>$written->outcomes";
        $this->processing .= $written->processing;
        $this->worth[$part->id] = [
            "SCORE_$response",
            $written->isAddedUp() ? ScoreFloats::full($part->points()) : ScoreFloats::float($part->points()),
        ];
        $this->tests[$part->id] = $written->matches[0] ?? [];
        $this->addedUp = $this->addedUp || $written->isAddedUp();
    }

    /** Whether the score is a sum of floats, not one that is set. */
    public function isAddedUp(): bool
    {
        return $this->addedUp || count($this->worth) > 1;
    }

    /** @return array<string, string> part → when its answer has been given already */
    public function taken(): array
    {
        return SharedAnswersWriter::taken($this->question, $this->tests);
    }

    public function saysGates(): bool
    {
        return GateWriter::rules($this->question, $this->worth) !== null;
    }

    public function declarations(): string
    {
        return $this->declarations;
    }

    public function rules(): string
    {
        if ($this->worth === []) {
            return '';
        }
        $parts =
            $this->processing.
            SharedAnswersWriter::rules($this->question, $this->taken(), $this->worth).
            (GateWriter::rules($this->question, $this->worth) ?? '');
        $sum = implode('', array_map(fn (array $one): string => "<qti-variable identifier=\"$one[0]\"/>", $this->worth));

        return $parts.
            (count($this->worth) > 1 && $this->question->scoring->all
                ? $this->together()
                : "<qti-set-outcome-value identifier=\"SCORE\"><qti-sum>$sum</qti-sum></qti-set-outcome-value>".$this->bounds());
    }

    /** All the points when every part has all of its own. */
    private function together(): string
    {
        $max = ScoreFloats::float($this->question->points());
        $tests = implode(
            '',
            array_map(
                fn (
                    array $one,
                ): string => "<qti-gte><qti-variable identifier=\"$one[0]\"/>".
                    "<qti-base-value base-type=\"float\">$one[1]</qti-base-value></qti-gte>",
                $this->worth,
            ),
        );

        return "<qti-response-condition><qti-response-if><qti-and>$tests</qti-and><qti-set-outcome-value identifier=\"SCORE\">".
            "<qti-base-value base-type=\"float\">$max</qti-base-value></qti-set-outcome-value></qti-response-if>".
            '</qti-response-condition>';
    }

    /** Conditions that keep the score within the bounds of the question, where its parts may leave them. */
    private function bounds(): string
    {
        $question = $this->question;
        $points = $question->points();
        $xml = '';
        foreach (['low' => 'qti-lt', 'high' => 'qti-gt'] as $which => $test) {
            $limit = ($which === 'low' ? $question->scoring->low() : $question->scoring->high())->multipliedBy($points);
            $reach = array_reduce(
                $question->parts,
                fn (BigRational $sum, Part $part): BigRational => $sum->plus($part->bound($which)->multipliedBy($part->points())),
                BigRational::zero(),
            );
            if ($which === 'low' ? $reach->isLessThan($limit) : $reach->isGreaterThan($limit)) {
                $value = '<qti-base-value base-type="float">'.ScoreFloats::float($limit).'</qti-base-value>';
                $xml .= "<qti-response-condition><qti-response-if><$test><qti-variable identifier=\"SCORE\"/>$value</$test>".
                    "<qti-set-outcome-value identifier=\"SCORE\">$value</qti-set-outcome-value></qti-response-if>".
                    '</qti-response-condition>';
            }
        }

        return $xml;
    }
}
