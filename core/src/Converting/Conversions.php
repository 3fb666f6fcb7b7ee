<?php

declare(strict_types=1);

namespace WideQuarry\Converting;

use Brick\Math\BigRational;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Question;

/** Turns a part into another kind without typing again. What cannot be carried is named, so that an author can decide first. */
final class Conversions
{
    /** @var array<string, AnswerForm> kinds that ask for one answer can become one another */
    private array $forms = [];

    public function __construct()
    {
        foreach ([new OptionForm('choice'), new OptionForm('menu'), new TypedForm, new NumberForm, new TileForm] as $form) {
            $this->forms[$form->kind()] = $form;
        }
    }

    /**
     * Kinds a part can become.
     *
     * @return list<string>
     */
    public function offers(string $kind): array
    {
        return match (true) {
            isset($this->forms[$kind]) => array_values(array_diff(array_keys($this->forms), [$kind])),
            $kind === 'match' => ['group'],
            $kind === 'group' => ['match'],
            default => [],
        };
    }

    /** @throws Malformed when there is no such part, or no such way */
    public function convert(Question $question, string $id, string $to): Converted
    {
        $part = $question->part($id) ?? throw Malformed::outOfRange('/part', 'the identifier of a part', $id);
        if (! in_array($to, $this->offers($part->kindName), true)) {
            throw Malformed::outOfRange('/to', implode(', ', $this->offers($part->kindName)) ?: 'nothing', $to);
        }
        $draft = new Draft($question);
        $this->ties($draft, $question, $id, $part->kindName, $to);
        $json = $draft->part($id);
        match (true) {
            $to === 'group' => Sorting::toGroups($draft, $json),
            $to === 'match' => Sorting::toPairs($draft, $json),
            $part->kindName === 'tiles' => $this->eachGap($draft, $json, $to),
            default => $this->forms[$to]->make($draft, Places::find($draft, $id), $this->forms[$part->kindName]->answers($draft, $json, null), $json, Exact::number($part->points())),
        };
        if (isset(PartJson::settings($json)->normalise) && $to !== 'text') {
            $draft->lose('What was said of capitals, spaces and accents is lost.');
        }

        return new Converted($draft->json, $draft->losses);
    }

    /** Every gap becomes a part of its own, with its share of the points; the tiles go. */
    private function eachGap(Draft $draft, \stdClass $part, string $to): void
    {
        $id = PartJson::text($part, 'id');
        $gaps = $draft->gaps($id);
        if ($gaps === []) {
            $this->forms[$to]->make($draft, Draft::blockPlace($id), [], $part, Exact::number(PartJson::points($part)));

            return;
        }
        $share = $this->share($draft, $part, count($gaps));
        foreach ($gaps as $gap) {
            $answers = $this->forms['tiles']->answers($draft, $part, $gap);
            $alone = clone $part;
            unset($alone->feedback);
            $this->forms[$to]->make($draft, Draft::gapPlace($gap, $id), $answers, $alone, $share);
        }
        if (isset($part->feedback)) {
            $draft->lose('Feedback on the tiles as a whole is lost.');
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
            $draft->lose('The points cannot be shared out evenly over '.$gaps.' gaps: together they come to '.Exact::number($stored->multipliedBy(BigRational::of($gaps))).' instead of '.Exact::number($points).'.');
        }

        return Exact::number($stored);
    }

    /** Rules that are shared with other parts, or that others wait for. */
    private function ties(Draft $draft, Question $question, string $id, string $from, string $to): void
    {
        $scoring = $draft->json->scoring ?? null;
        if (! $scoring instanceof \stdClass) {
            return;
        }
        if (! in_array($to, ['text', 'number'], true)) {
            $once = array_values(array_filter($question->scoring->once, fn (array $list): bool => ! in_array($id, $list, true)));
            if (count($once) < count($question->scoring->once)) {
                $draft->lose('That it shares its answers with other places is lost.');
                $scoring->once = $once;
            }
        }
        $tied = array_filter($question->scoring->gates, fn (array $gate): bool => $gate['part'] === $id || in_array($id, $gate['needs'], true));
        if ($tied !== [] && ($from === 'tiles' || $to === 'tiles')) {
            $draft->lose('That parts wait for one another is lost where this one is concerned.');
            $scoring->gates = array_values(array_filter($question->scoring->gates, fn (array $gate): bool => ! in_array($gate, $tied, true)));
        }
    }
}
