<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Number;

use WideQuarry\Converting\AcceptedAnswer;
use WideQuarry\Converting\CellForm;
use WideQuarry\Converting\Draft;
use WideQuarry\Converting\PartJson;
use WideQuarry\Converting\PartPlaces;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** A number that is typed. */
final class NumberForm implements CellForm
{
    public function normalises(): bool
    {
        return false;
    }

    public function cell(string $id, string $cell, int|float $points, string $label, array $words): \stdClass
    {
        return PartJson::typedCell($id, 'number', $cell, $points, $label, [
            'answer' => 'value',
            'value' => strtr($cell, ['−' => '-']),
        ]);
    }

    public function answers(Draft $draft, \stdClass $part, ?string $gap): array
    {
        $answers = [];
        foreach (PartJson::rules($part) as $rule) {
            $on = $rule->on ?? null;
            $value = $on instanceof \stdClass ? $on->value ?? null : null;
            if (PartJson::text($on, 'answer') !== 'value' || ! is_string($value)) {
                $draft->lose(Message::of('parts.number.answers-ranges-sets-worked'));

                continue;
            }
            if (isset($on->tolerance)) {
                $draft->lose(Message::of('parts.number.how-near-answer-lost'));
            }
            $answers[] = new AcceptedAnswer(
                htmlspecialchars($value, ENT_NOQUOTES),
                PartJson::text($rule, 'credit', '0'),
                $rule->feedback ?? null,
            );
        }

        return $answers;
    }

    public function make(Draft $draft, string $place, array $answers, \stdClass $old, int|float $points): void
    {
        $id = PartPlaces::of($place) ?? $draft->freshPart();
        $rules = [];
        foreach ($answers as $answer) {
            $number = strtr($answer->words(), ['−' => '-']);
            if (Exact::read($number) === null) {
                $draft->lose(Message::of('parts.number.not-a-number-lost', ['words' => $answer->words()]));
            } elseif (! $answer->isSilent()) {
                $rules[] = [
                    'id' => 'r'.(count($rules) + 1),
                    'on' => (object) ['answer' => 'value', 'value' => $number],
                    'credit' => $answer->credit,
                    'feedback' => $answer->feedback,
                ];
            }
        }
        PartPlaces::settle(
            $draft,
            $place,
            $old,
            PartJson::part($id, 'number', $old, $points, ['width' => 10], $rules, ['scheme' => 'weights']),
            true,
        );
    }
}
