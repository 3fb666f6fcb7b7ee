<?php

declare(strict_types=1);

namespace WideQuarry\Checks;

use WideQuarry\Content\Anchors;
use WideQuarry\Content\RichText;
use WideQuarry\Finding;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Hint;
use WideQuarry\Question\MediaFindings;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\QuestionMedia;
use WideQuarry\Question\Rule;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Gates;
use WideQuarry\Scoring\ScorableKind;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Scoring\ScoringContext;

/** Whether a question can be approved, and what stands in the way: a question is complete when nothing blocking is found. */
final class Completeness
{
    /** Fields of a record that completeness depends on. */
    public const RECORD_FIELDS = ['specimens', 'origin'];

    /** Rolls that are looked at while somebody writes, and where nobody says how many. */
    public const ROLLS = 200;

    public const SECONDS = 2.0;

    /**
     * @param  int  $rolls  the most that are looked at
     * @param  float  $seconds  after which no more are: somebody waits
     * @return list<Finding>
     */
    public function findings(Question $question, int $rolls = self::ROLLS, float $seconds = self::SECONDS): array
    {
        $tooMuch = RollCheck::tooMuch($question);
        if ($tooMuch !== null) {
            return [$tooMuch]; // nothing of it can be worked out in time
        }
        $findings = RollCheck::findings($question, $rolls, $seconds);
        $in = ScoringContext::of($question, $question->variables->anyRoll($question->language));
        foreach ($question->parts as $part) {
            $shares =
                array_filter($question->scoring->once, fn (array $list): bool => in_array($part->id, array_slice($list, 1), true)) !== [];
            array_push(
                $findings,
                ...array_values(
                    array_filter(
                        $this->part($part, $in),
                        fn (Finding $finding): bool => ! ($shares && $finding->code === 'key.nothing_right') &&
                            ! ($finding->code === 'picture.by_sight_alone' && $question->scoring->insteadOf($part->id) !== null),
                    ),
                ),
            );
        }

        return [
            ...$findings,
            ...$this->body($question),
            ...$this->scoring($question),
            ...$this->origin($question),
            ...self::media($question),
            ...ModelCheck::ofQuestion($question),
        ];
    }

    /** @return list<Finding> */
    private static function media(Question $question): array
    {
        $content = $question->content();

        return QuestionMedia::in($content) === [] // as most have none
            ? []
            : [...MediaFindings::undescribed($content), ...MediaFindings::unheard($content)];
    }

    /** @return list<Finding> with what each specimen scored instead */
    public function failingSpecimens(Question $question): array
    {
        $findings = [];
        foreach ($question->record->specimens as $specimen) {
            try {
                $result = (new Scorer)->score(
                    $question,
                    Attempt::ofSpecimen($specimen),
                );
                $wanted = \WideQuarry\Numbers\Exact::read($specimen->score);
                if ($wanted === null || ! $result->score->isEqualTo($wanted)) {
                    $findings[] = Finding::blocking(
                        'specimen.failed',
                        $specimen->path,
                        Message::of('checks.specimen-must-score-scores', [
                            'score' => $specimen->score,
                            'score2' => \WideQuarry\Numbers\Exact::number($result->score),
                        ]),
                        [
                            'specimen' => $specimen->id,
                            'note' => $specimen->note,
                            'scored' => \WideQuarry\Numbers\Exact::number($result->score),
                        ],
                    );
                }
            } catch (\WideQuarry\CoreException $problem) {
                $findings[] = Finding::blocking(
                    'specimen.failed',
                    $specimen->path,
                    Message::of('checks.specimen-cannot-scored', ['why' => $problem->getMessage()]),
                    ['specimen' => $specimen->id],
                );
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function part(Part $part, ScoringContext $in): array
    {
        $kind = $part->kind;
        if (! ($kind instanceof ScorableKind)) {
            return [
                Finding::blocking(
                    'part.kind_unavailable',
                    "$part->path/kind",
                    Message::of('checks.parts-kind-cannot-shown', ['kind' => $part->kindName]),
                ),
            ];
        }
        $numbers = [
            $part->key->default(...),
            ...array_map(fn (Rule $rule): \Closure => $rule->credit(...), $part->key->rules),
            ...array_map(fn (string $bound): \Closure => fn () => $part->bound($bound), [
                'cost',
                'low',
                'high',
                ...array_diff(array_keys($kind->extras()), ['cost']),
            ]),
        ];

        return [...$this->unreadable($numbers), ...$kind->check($part, $in), ...RubricCheck::ofPart($part), ...ModelCheck::ofPart($part)];
    }

    /**
     * @param  list<\Closure>  $numbers
     * @return list<Finding>
     */
    private function unreadable(array $numbers): array
    {
        $findings = [];
        foreach ($numbers as $number) {
            try {
                $number();
            } catch (NotScorable $problem) {
                $findings[] = Finding::blocking($problem->rule, $problem->path, $problem->getMessage());
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function body(Question $question): array
    {
        $text = RichText::read($question->body);
        $anchors = Anchors::in($text->nodes);
        $findings = array_map(
            fn ($dropped): Finding => Finding::warning('content.dropped', '/body', $dropped->sentence()),
            $text->dropped,
        );
        $at = array_count_values(array_map(fn (array $anchor): string => "=$anchor[0]", $anchors->parts));
        foreach ($question->parts as $part) {
            $times = $at["=$part->id"] ?? 0;
            if ($times !== 1) {
                $findings[] = Finding::blocking(
                    $times === 0 ? 'anchor.missing' : 'anchor.repeated',
                    '/body',
                    $times === 0
                        ? Message::of('checks.part-without-place', ['id' => $part->id])
                        : Message::of('checks.part-stands-text-times', ['id' => $part->id, 'times' => $times]),
                    ['part' => $part->id],
                );
            }
        }
        foreach ($anchors->parts as [$id, $inline]) {
            $part = $question->part($id);
            if ($part === null) {
                $findings[] = Finding::blocking(
                    'anchor.unknown',
                    '/body',
                    Message::of('checks.text-place-part-does-not-exist', ['id' => $id]),
                    ['part' => $id],
                );
            } elseif ($inline && $part->kind?->isInline() === false) {
                $findings[] = Finding::blocking('anchor.inline', '/body', Message::of('checks.part-cannot-stand-inside', [
                    'id' => $id,
                ]), [
                    'part' => $id,
                ]);
            }
        }
        foreach ($anchors->gaps as [$gap, $of]) {
            if ($question->part($of)?->kind?->fillsGaps() !== true) {
                $findings[] = Finding::blocking(
                    'gap.unknown',
                    '/body',
                    Message::of('checks.gap-text-waits-tiles', ['of' => $of]),
                    ['gap' => $gap, 'part' => $of],
                );
            }
        }
        $shown = array_unique(array_map(fn (string $name): string => explode('[', $name)[0], $anchors->values));
        foreach (array_diff($shown, $question->variables->names()) as $name) {
            $findings[] = Finding::blocking(
                'value.unknown',
                '/body',
                Message::of('checks.text-shows-value-no-such-variable', ['name' => $name]),
                ['name' => $name],
            );
        }
        if (trim($text->plain()) === '') {
            $findings[] = Finding::blocking('body.empty', '/body', Message::of('checks.question-empty'));
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function alternatives(Question $question): array
    {
        $findings = [];
        $used = [];
        foreach ($question->scoring->instead as $i => ['part' => $id, 'for' => $for]) {
            $part = $question->part($id);
            if ($part === null || $question->part($for) === null || $id === $for || isset($used[$id]) || isset($used[$for])) {
                $findings[] = Finding::blocking('instead.part', "/scoring/instead/$i", Message::of('checks.instead-of-what'));
            } elseif (! $part->points()->isZero()) {
                $findings[] = Finding::blocking('instead.points', "$part->path/points", Message::of('checks.instead-has-no-points', [
                    'called' => self::called($question, $for),
                ]));
            }
            $used += [$id => true, $for => true];
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function scoring(Question $question): array
    {
        $scoring = $question->scoring;
        $findings = $this->unreadable([
            $scoring->low(...),
            $scoring->high(...),
            $scoring->step(...),
            $question->attemptCost(...),
            ...array_map(fn (Hint $hint): \Closure => $hint->cost(...), $question->hints),
        ]);
        $used = [];
        foreach ($scoring->once as $i => $list) {
            foreach ($list as $id) {
                $part = $question->part($id);
                if ($part === null || isset($used[$id]) || $part->kind?->canShareAnswers() !== true) {
                    $findings[] = Finding::blocking(
                        'once.part',
                        "/scoring/once/$i",
                        Message::of('checks.cannot-share-answers-must', ['called' => self::called($question, $id)]),
                    );
                } elseif ($id !== $list[0] && $part->key->rules !== []) {
                    $findings[] = Finding::warning(
                        'once.own_rules',
                        "/scoring/once/$i",
                        Message::of('checks.answers-not-used-shares', [
                            'called' => self::called($question, $id),
                            'other' => self::called($question, $list[0]),
                        ]),
                    );
                }
                $used[$id] = true;
            }
        }
        $all = array_map(fn (Part $part): string => $part->id, $question->parts);
        foreach ($scoring->gates as $i => $gate) {
            foreach (array_diff([$gate['part'], ...$gate['needs']], $all) as $id) {
                $findings[] = Finding::blocking('gate.part', "/scoring/gates/$i", Message::of('checks.there-is-no-part', ['id' => $id]));
            }
        }
        array_push($findings, ...self::alternatives($question));
        if (Gates::closed($question, $all) !== []) {
            $findings[] = Finding::blocking(
                'gate.ring',
                '/scoring/gates',
                Message::of('checks.parts-wait-for-one-another'),
            );
        }

        return $findings;
    }

    /** How an author knows a part: by its name, or by its place in the text. */
    private static function called(Question $question, string $id): string
    {
        $part = $question->part($id);
        if ($part === null) {
            return Message::of('checks.part-not-there', ['id' => $id]);
        }
        $order = array_column(Anchors::in(RichText::read($question->body)->nodes)->parts, 0);
        $at = array_search($id, $order, true);

        return match (true) {
            $part->label !== '' => "“{$part->label}”",
            $at === false => "\"$id\"",
            default => Message::of('checks.part', ['place' => $at + 1]),
        };
    }

    /** @return list<Finding> */
    private function origin(Question $question): array
    {
        return isset($question->record->provenance->origin->processing)
            ? [
                Finding::blocking(
                    'origin.untranslated',
                    '/record/origin/processing',
                    Message::of('checks.something-source-could-not-be-translated'),
                ),
            ]
            : [];
    }
}
