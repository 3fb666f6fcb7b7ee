<?php

declare(strict_types=1);

namespace WideQuarry\Study;

use WideQuarry\Json\Json;
use WideQuarry\Maths\Formula;
use WideQuarry\Maths\MathsProblem;
use WideQuarry\Question\Question;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;
use WideQuarry\Variables\Worked;

/**
 * Looks at the rolls of a question before a learner does: which values vary, which rolls fail, where the key comes out as a distractor,
 * where a mistake is right by chance. It runs on unfinished questions too.
 */
final class RollStudy
{
    public const ROLLS = 2000;

    /** @var list<array{string, string}> expressions of keys and settings, and where they stand */
    private array $expressions = [];

    /** @var array<string, StudiedPart> by the name of the part */
    private array $parts = [];

    private readonly ShownValues $shown;

    private readonly ScoringContext $in;

    private function __construct(private readonly Question $question)
    {
        $this->shown = ShownValues::of($question);
        $this->in = ScoringContext::of($question, new Roll);
        $this->collect(Json::decode(Json::encode($question->toJson()->parts ?? [])), '/parts');
        foreach ($question->parts as $part) {
            $studied = $part->kind instanceof StudiedKind ? $part->kind->studied($part) : null;
            if ($studied !== null) {
                $this->parts[$part->label === '' ? $part->id : $part->label] = $studied;
            }
        }
    }

    /**
     * @param  int  $rolls  the most that are looked at
     * @param  float  $seconds  after which it tells what it has seen so far
     *
     * @throws RollProblem|\WideQuarry\Question\NotScorable when nothing can be rolled, whatever is drawn
     */
    public static function of(Question $question, int $rolls = self::ROLLS, float $seconds = INF): Study
    {
        return (new self($question))->study(new Rolls($question->variables, $rolls, $seconds));
    }

    private function study(Rolls $rolls): Study
    {
        $record = new StudyRecord($this->question->variables->names());
        foreach ($rolls->each() as $drawn => [$worked, $seed]) {
            $record->add($this->looked($worked, $drawn, $seed, $record), $worked->values);
        }

        return $record->isEmpty() ? throw $rolls->none() : $record->study($this->question->id, $rolls);
    }

    private function looked(Worked $worked, string $drawn, ?int $seed, StudyRecord $record): StudiedRoll
    {
        $roll = $this->question->variables->written($worked, $this->question->language);
        if ($worked->problem !== null) {
            return new StudiedRoll($drawn, $seed, $roll, $worked->problem, [], $this->question->variables->exclusion($roll));
        }
        try {
            $this->expressions($roll);
            $in = new ScoringContext($this->in->language, $this->in->normalise, $roll, $this->in->gaps);
            $marks = [];
            foreach ($this->parts as $name => $part) {
                $record->keys((string) $name, $part->keys($in));
                foreach ($part->coincidences($in) as $coincidence) {
                    $marks[$coincidence->what] = $coincidence->what;
                }
            }
            if ($this->shown->areUgly($roll->values, $roll->written)) {
                $marks[] = StudiedRoll::UGLY;
            }

            return new StudiedRoll(
                $drawn,
                $seed,
                $roll,
                null,
                array_values($marks),
                $this->question->variables->exclusion($roll),
            );
        } catch (RollProblem $problem) {
            return new StudiedRoll($drawn, $seed, $roll, $problem, [], $this->question->variables->exclusion($roll));
        }
    }

    /** @throws RollProblem */
    private function expressions(Roll $roll): void
    {
        foreach ($this->expressions as [$expression, $path]) {
            try {
                $roll->evaluate($expression);
            } catch (MathsProblem $problem) {
                throw RollProblem::expression($problem, $path);
            }
        }
    }

    /**
     * Every {"expr": …} of the parts.
     *
     * @throws RollProblem when one cannot be read
     */
    private function collect(mixed $json, string $path): void
    {
        if ($json instanceof \stdClass && is_string($json->expr ?? null)) {
            try {
                Formula::of($json->expr);
                $this->expressions[] = [$json->expr, $path];
            } catch (MathsProblem $problem) {
                throw RollProblem::expression($problem, $path);
            }
        } elseif (is_array($json) || $json instanceof \stdClass) {
            foreach ((array) $json as $key => $inner) {
                $this->collect($inner, "$path/$key");
            }
        }
    }
}
