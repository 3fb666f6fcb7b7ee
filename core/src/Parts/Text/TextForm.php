<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Text;

use WideQuarry\Converting\AcceptedAnswer;
use WideQuarry\Converting\CellForm;
use WideQuarry\Converting\Draft;
use WideQuarry\Converting\PartJson;
use WideQuarry\Converting\PartPlaces;
use WideQuarry\Messages\Message;
use WideQuarry\Question\FieldWidth;

/** Words that are typed. */
final class TextForm implements CellForm
{
    public function normalises(): bool
    {
        return true;
    }

    public function cell(string $id, string $cell, int|float $points, string $label, array $words): \stdClass
    {
        return PartJson::typedCell($id, 'text', $cell, $points, $label, ['answer' => 'is', 'text' => [$cell]]);
    }

    public function answers(Draft $draft, \stdClass $part, ?string $gap): array
    {
        $answers = [];
        foreach (PartJson::rules($part) as $rule) {
            $on = $rule->on ?? null;
            $how = PartJson::text($on, 'answer');
            $texts = $on instanceof \stdClass && is_array($on->text ?? null) ? $on->text : [];
            $words = array_values(array_filter($texts, is_string(...)));
            if (count($words) < count($texts)) {
                $draft->lose(Message::of('parts.text.answers-worked-out-from-values-cannot-offered-pick'));
            }
            if (! in_array($how, ['is', 'slips', 'holds', 'holds_any', 'holds_all'], true) || $words === []) {
                $draft->lose(
                    $how === 'otherwise'
                        ? Message::of('parts.text.said-any-other-answer')
                        : Message::of('parts.text.answers-known-their-shape'),
                );

                continue;
            }
            if ($how !== 'is') {
                $draft->lose(Message::of('parts.text.answer-may-hold-more'));
            }
            $more = $how === 'holds_all' ? 0 : count($words) - 1;
            if ($more > 0) {
                $draft->lose(Message::of('parts.text.other-wordings-lost', [
                    'words' => $words[0],
                    'list' => implode(', ', array_slice($words, 1)),
                ]));
            }
            $answers[] = new AcceptedAnswer(
                htmlspecialchars($how === 'holds_all' ? implode(' ', $words) : $words[0], ENT_NOQUOTES),
                PartJson::text($rule, 'credit', '0'),
                $rule->feedback ?? null,
            );
        }

        return $answers;
    }

    public function make(Draft $draft, string $place, array $answers, \stdClass $old, int|float $points): void
    {
        $id = PartPlaces::of($place) ?? $draft->freshPart();
        $silent = count(array_filter($answers, fn (AcceptedAnswer $answer): bool => $answer->isSilent()));
        if ($silent > 0) {
            $draft->lose(
                $silent === 1
                    ? Message::of('parts.text.one-wrong-answer-pick-lost-what-typed-none')
                    : Message::of('parts.text.wrong-answers-pick-lost', ['silent' => $silent]),
            );
        }
        $longest = 0;
        $rules = [];
        foreach ($answers as $answer) {
            $words = $answer->words();
            if ($answer->isSilent() || $words === '') {
                continue;
            }
            if (! str_contains(htmlspecialchars_decode($answer->html), $words)) {
                $draft->lose(Message::of('parts.text.loses-form-typed-pictures', ['words' => $words]));
            }
            $longest = max($longest, mb_strlen($words));
            $rules[] = [
                'id' => 'r'.(count($rules) + 1),
                'on' => (object) ['answer' => 'is', 'text' => [$words]],
                'credit' => $answer->credit,
                'feedback' => $answer->feedback,
            ];
        }
        PartPlaces::settle(
            $draft,
            $place,
            $old,
            PartJson::part($id, 'text', $old, $points, ['width' => FieldWidth::bounded($longest + 4)], $rules, ['scheme' => 'weights']),
            true,
        );
    }
}
