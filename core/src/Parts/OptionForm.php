<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Converting\AcceptedAnswer;
use WideQuarry\Converting\CellForm;
use WideQuarry\Converting\Draft;
use WideQuarry\Converting\PartJson;
use WideQuarry\Converting\PartPlaces;
use WideQuarry\Messages\Message;

/** Options to pick one of: a choice below the text, or a drop-down in it. */
final readonly class OptionForm implements CellForm
{
    /** @param  'choice'|'menu'  $kind */
    public function __construct(private string $kind)
    {
    }

    public function normalises(): bool
    {
        return false;
    }

    public function cell(string $id, string $cell, int|float $points, string $label, array $words): \stdClass
    {
        $options = array_map(
            fn (int $i, string $word): \stdClass => (object) ['id' => 'o'.($i + 1), 'html' => htmlspecialchars($word, ENT_NOQUOTES)],
            array_keys($words),
            $words,
        );
        $at = array_search($cell, $words, true);
        $rules = $at === false ? [] : [['id' => 'r1', 'on' => 'o'.($at + 1), 'credit' => '1']];

        return PartJson::part(
            $id,
            $this->kind,
            (object) ['label' => $label],
            $points,
            ['options' => $options, 'shuffle' => false],
            $rules,
            ['scheme' => 'weights'],
        );
    }

    public function answers(Draft $draft, \stdClass $part, ?string $gap): array
    {
        $settings = PartJson::settings($part);
        if ($this->kind === 'choice' && (property_exists($settings, 'max') ? $settings->max : 1) !== 1) {
            $draft->lose(Message::of('parts.several-options-may-chosen'));
        }
        $default = PartJson::text($part->key ?? null, 'default', '0');
        $rules = [];
        foreach (PartJson::rules($part) as $rule) {
            $rules['='.(is_string($rule->on ?? null) ? $rule->on : '')] ??= $rule;
        }

        return array_map(
            fn (\stdClass $option): AcceptedAnswer => new AcceptedAnswer(
                PartJson::text($option, 'html'),
                PartJson::text($rules['='.PartJson::text($option, 'id')] ?? null, 'credit', $default),
                $rules['='.PartJson::text($option, 'id')]->feedback ?? null,
            ),
            PartJson::list($part->settings ?? null, 'options'),
        );
    }

    public function make(Draft $draft, string $place, array $answers, \stdClass $old, int|float $points): void
    {
        $id = PartPlaces::of($place) ?? $draft->freshPart();
        $options = $rules = [];
        foreach ($answers as $i => $answer) {
            $option = $this->kind === 'choice' ? ($i < 26 ? chr(97 + $i) : 'o'.($i + 1)) : 'o'.($i + 1);
            $options[] = (object) [
                'id' => $option,
                'html' => $this->kind === 'choice' && ! str_starts_with($answer->html, '<') ? "<p>$answer->html</p>" : $answer->html,
            ];
            if (! $answer->isSilent() || $answer->credit !== '0') {
                $rules[] = [
                    'id' => 'r'.(count($rules) + 1),
                    'on' => $option,
                    'credit' => $answer->credit,
                    'feedback' => $answer->feedback,
                ];
            }
        }
        $shuffle = (PartJson::settings($old)->shuffle ?? true) === true;
        $settings =
            $this->kind === 'choice'
                ? ['options' => $options, 'min' => 0, 'max' => 1, 'layout' => 'column', 'labels' => 'A', 'shuffle' => $shuffle]
                : ['options' => $options, 'shuffle' => $shuffle];
        PartPlaces::settle(
            $draft,
            $place,
            $old,
            PartJson::part($id, $this->kind, $old, $points, $settings, $rules, ['scheme' => 'weights']),
            $this->kind === 'menu',
        );
    }
}
