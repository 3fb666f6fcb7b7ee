<?php

declare(strict_types=1);

namespace WideQuarry\Rehearsal;

use Brick\Math\BigRational;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\EntrySettings;
use WideQuarry\Assembly\FeedbackTiming;
use WideQuarry\Assembly\Pick;
use WideQuarry\Assembly\Section;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Scorer;

/**
 * An assessment as one learner goes through it: what is asked in which order and under which settings, what is told when, and what it comes
 * to at the end. Nothing of it is kept.
 *
 * @phpstan-type Told array{between: bool, last: bool, report: bool}
 * @phpstan-type PlannedEntry array{entry: string, number: int|null, points: int|float, attempts: int|null, tells: Told}
 * @phpstan-type PlannedSection array{id: string, title: string, instructions: string, time_limit: int|null, weight: string,
 *     new_page: bool, entries: list<PlannedEntry>}
 * @phpstan-type Scored array{entry: string, number: int, score: int|float, max: int|float, state: string, needs_marking: bool,
 *     answered: bool, told: bool, result: \WideQuarry\Scoring\Result}
 */
final readonly class LearnerRun
{
    /** @var array<string, EntrySettings> */
    private array $settings;

    /**
     * @param  Assessment  $assessment  drawn, and arranged as it is asked
     * @param  array<string, Question>  $questions  entry → its question under its settings
     * @param  array<string, BigRational>  $points  entry → what it is worth here
     * @param  bool  $practising  whether the learner chose to practise, where the assessment leaves it to them
     */
    public function __construct(
        public Assessment $assessment,
        private array $questions,
        private array $points,
        public Seed $seed,
        private bool $practising = false,
    ) {
        $this->settings = $assessment->settings();
    }

    /** @return array<string, mixed> */
    public function plan(): array
    {
        $run = $this->assessment->run;
        $number = 0;
        $sections = [];
        foreach ($this->assessment->sections as $section) {
            $sections[] = $this->section($section, $number);
        }

        return [
            'seed' => $this->seed->value,
            'title' => $this->assessment->title,
            'language' => $this->assessment->language,
            'instructions' => $this->assessment->instructions,
            'cover' => $run->cover,
            'purpose' => $run->purpose,
            'practising' => $this->isPractice(),
            'go_back' => $run->goBack,
            'pages' => $run->pages,
            'time_limit' => $this->assessment->timeLimit,
            'questions' => $number,
            'points' => Exact::number($this->total()),
            'sections' => $sections,
        ];
    }

    /** @return PlannedSection */
    private function section(Section $section, int &$number): array
    {
        $entries = [];
        foreach ($section->picks as $pick) {
            $question = $this->questions[$pick->id] ?? null;
            if ($question === null) {
                continue;
            }
            $entries[] = [
                'entry' => $pick->id,
                'number' => $question->parts === [] ? null : ++$number,
                'points' => Exact::number($this->points[$pick->id] ?? Exact::zero()),
                'attempts' => $this->attempts($pick, $question),
                'tells' => $this->tells($pick),
            ];
        }

        return [
            'id' => $section->id,
            'title' => $section->title,
            'instructions' => $section->instructions,
            'time_limit' => $section->timeLimit,
            'weight' => Exact::text($section->weight),
            'new_page' => $section->newPage,
            'entries' => $entries,
        ];
    }

    /** Whoever practises because they like may try as often as they like, and is told each time. */
    private function isPractice(): bool
    {
        return $this->assessment->run->purpose === 'practice' || $this->isByChoice();
    }

    private function isByChoice(): bool
    {
        return $this->practising && $this->assessment->run->purpose === 'choice';
    }

    /** @return int|null null for as many as one likes; one where nothing is told before the end, since nobody could know to try again */
    private function attempts(Pick $pick, Question $question): ?int
    {
        return match (true) {
            $this->isByChoice() => null,
            ! $this->timing($pick)->speaksAfter(true) => 1,
            default => $question->attempts,
        };
    }

    private function timing(Pick $pick): FeedbackTiming
    {
        return $this->isByChoice() ? FeedbackTiming::EachTry : $this->settings[$pick->id]->feedback ?? $this->assessment->run->feedback;
    }

    /** @return Told after a try that is followed by another, after the last, in the report */
    private function tells(Pick $pick): array
    {
        $timing = $this->timing($pick);

        return [
            'between' => $timing->speaksAfter(false),
            'last' => $timing->speaksAfter(true),
            'report' => $timing->isInReport(),
        ];
    }

    private function total(): BigRational
    {
        $total = Exact::zero();
        foreach ($this->assessment->sections as $section) {
            foreach ($section->picks as $pick) {
                $points = isset($this->questions[$pick->id]) ? $this->points[$pick->id] ?? Exact::zero() : Exact::zero();
                $total = $total->plus(Exact::times($section->weight, $points));
            }
        }

        return $total;
    }

    /**
     * What it comes to: each question scored with the points it has here and rounded as it says, sections summed and then counted as
     * often as their weight says, so that the report adds up.
     *
     * @param  array<string, Given>  $given  entry → what the learner gave; what is missing was left blank
     * @return array<string, mixed> {score, max, needs_marking, sections: [{id, title, score, max, weight, entries}]}
     *
     * @throws \WideQuarry\CoreException when a question cannot be scored
     */
    public function report(Scorer $scorer, array $given): array
    {
        [$score, $max] = [Exact::zero(), Exact::zero()];
        $sections = [];
        $number = $unmarked = 0;
        foreach ($this->assessment->sections as $section) {
            [$sum, $of, $entries] = [Exact::zero(), Exact::zero(), []];
            foreach ($section->picks as $pick) {
                $question = $this->questions[$pick->id] ?? null;
                if ($question === null || $question->parts === []) {
                    continue;
                }
                $answer = $given[$pick->id] ?? Given::nothing();
                $result = $scorer->score($question, $answer->attempt($this->seed, $this->points[$pick->id] ?? $question->points()));
                $sum = $sum->plus($result->score);
                $of = $of->plus($result->max);
                $unmarked += $result->needsMarking ? 1 : 0;
                $entries[] = [
                    'entry' => $pick->id,
                    'number' => ++$number,
                    'score' => Exact::number($result->score),
                    'max' => Exact::number($result->max),
                    'state' => $result->state,
                    'needs_marking' => $result->needsMarking,
                    'answered' => $answer->isAnswered(),
                    'told' => $this->timing($pick)->isInReport(),
                    'result' => $result,
                ];
            }
            [$score, $max] = [$score->plus(Exact::times($section->weight, $sum)), $max->plus(Exact::times($section->weight, $of))];
            $sections[] = [
                'id' => $section->id,
                'title' => $section->title,
                'score' => Exact::number($sum),
                'max' => Exact::number($of),
                'weight' => Exact::text($section->weight),
                'entries' => $entries,
            ];
        }

        return [
            'score' => Exact::number($score),
            'max' => Exact::number($max),
            'needs_marking' => $unmarked,
            'sections' => $sections,
        ];
    }
}
