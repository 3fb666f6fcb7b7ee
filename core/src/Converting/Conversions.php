<?php

declare(strict_types=1);

namespace WideQuarry\Converting;

use Brick\Math\BigRational;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Part;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** Turns a part into another kind without typing again. What cannot be carried is named, so that an author can decide first. */
final class Conversions
{
    /** @var array<string, AnswerForm> kinds that ask for one answer at a time can become one another */
    private array $forms = [];

    public function __construct(private readonly PartKinds $kinds)
    {
        foreach ($kinds->all() as $kind) {
            $form = $kind instanceof ConvertibleKind ? $kind->answerForm() : null;
            if ($form !== null) {
                $this->forms[$kind->name()] = $form;
            }
        }
    }

    /**
     * Kinds a part can become.
     *
     * @return list<string>
     */
    public function offers(string $kind): array
    {
        $known = $this->kinds->find($kind);
        $others = isset($this->forms[$kind]) ? array_diff(array_keys($this->forms), [$kind]) : [];

        return [...array_values($others), ...array_keys($known instanceof ConvertibleKind ? $known->conversions() : [])];
    }

    /**
     * Everything a part can become, what loses least first.
     *
     * @return array<string, ConvertedQuestion> by the name of the kind
     *
     * @throws Malformed when there is no such part
     */
    public function all(Question $question, string $id): array
    {
        $all = [];
        foreach ($this->offers($question->part($id)->kindName ?? '') as $to) {
            $all[$to] = $this->convert($question, $id, $to);
        }
        uasort($all, fn (ConvertedQuestion $a, ConvertedQuestion $b): int => count($a->losses) <=> count($b->losses));

        return $all;
    }

    /** @throws Malformed when there is no such part, or no such way */
    public function convert(Question $question, string $id, string $to): ConvertedQuestion
    {
        $part = $question->part($id) ?? throw Malformed::outOfRange('/part', Message::of('converting.identifier-part'), $id);
        if (! in_array($to, $this->offers($part->kindName), true)) {
            throw Malformed::outOfRange('/to', implode(', ', $this->offers($part->kindName)) ?: 'nothing', $to);
        }
        $draft = new Draft($question);
        $this->ties($draft, $question, $part, $to);
        $json = $draft->part($id);
        $own = $part->kind instanceof ConvertibleKind ? $part->kind->conversions()[$to] ?? null : null;
        if ($own !== null) {
            $own($draft, $json);
        } elseif ($part->kind?->fillsGaps() === true) {
            $this->eachGap($draft, $json, $this->forms[$part->kindName], $this->forms[$to]);
        } else {
            $answers = $this->forms[$part->kindName]->answers($draft, $json, null);
            $this->forms[$to]->make($draft, PartPlaces::find($draft, $id), $answers, $json, Exact::number($part->points()));
        }
        if (isset(PartJson::settings($json)->normalise) && ($this->forms[$to] ?? null)?->normalises() !== true) {
            $draft->lose(Message::of('converting.said-capitals-spaces-accents'));
        }

        return new ConvertedQuestion($draft->json, $draft->losses);
    }

    /** Every gap becomes a part of its own, with its share of the points; the tiles go. */
    private function eachGap(Draft $draft, \stdClass $part, AnswerForm $from, AnswerForm $to): void
    {
        $id = PartJson::text($part, 'id');
        $gaps = $draft->gaps($id);
        if ($gaps === []) {
            $to->make($draft, Draft::blockPlace($id), [], $part, Exact::number(PartJson::points($part)));

            return;
        }
        $share = $this->share($draft, $part, count($gaps));
        foreach ($gaps as $gap) {
            $answers = $from->answers($draft, $part, $gap);
            $alone = clone $part;
            unset($alone->feedback);
            $to->make($draft, Draft::gapPlace($gap, $id), $answers, $alone, $share);
        }
        if (isset($part->feedback)) {
            $draft->lose(Message::of('converting.feedback-tiles-whole-lost'));
        }
        $draft->put(Draft::blockPlace($id), '');
        $draft->replace($id, []);
    }

    private function share(Draft $draft, \stdClass $part, int $gaps): int|float
    {
        $points = PartJson::points($part);
        $share = $points->dividedBy($gaps);
        $stored = Exact::toPlaces($share, 4)->toBigRational();
        if (! $stored->isEqualTo($share)) {
            $draft->lose(
                Message::of('converting.points-cannot-shared-out', [
                    'gaps' => $gaps,
                    'percent' => Exact::number($stored->multipliedBy(BigRational::of($gaps))),
                    'points' => Exact::number($points),
                ]),
            );
        }

        return Exact::number($stored);
    }

    /** Rules that are shared with other parts, or that others wait for. */
    private function ties(Draft $draft, Question $question, Part $part, string $to): void
    {
        $scoring = $draft->json->scoring ?? null;
        if (! ($scoring instanceof \stdClass)) {
            return;
        }
        $id = $part->id;
        if ($this->kinds->find($to)?->canShareAnswers() !== true) {
            $once = array_values(array_filter($question->scoring->once, fn (array $list): bool => ! in_array($id, $list, true)));
            if (count($once) < count($question->scoring->once)) {
                $draft->lose(Message::of('converting.shares-answers-other-places'));
                $scoring->once = $once;
            }
        }
        $tied = array_filter(
            $question->scoring->gates,
            fn (array $gate): bool => $gate['part'] === $id || in_array($id, $gate['needs'], true),
        );
        if ($tied !== [] && ($part->kind?->fillsGaps() === true || $this->kinds->find($to)?->fillsGaps() === true)) {
            $draft->lose(Message::of('converting.parts-wait-one-another'));
            $scoring->gates = array_values(
                array_filter($question->scoring->gates, fn (array $gate): bool => ! in_array($gate, $tied, true)),
            );
        }
    }
}
