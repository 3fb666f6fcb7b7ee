<?php

declare(strict_types=1);

namespace WideQuarry\Converting;

/** Options to pick one of: a choice below the text, or a drop-down in it. */
final readonly class OptionForm implements AnswerForm
{
    /** @param  'choice'|'menu'  $kind */
    public function __construct(private string $kind)
    {
    }

    public function kind(): string
    {
        return $this->kind;
    }

    public function answers(Draft $draft, \stdClass $part, ?string $gap): array
    {
        $settings = PartJson::settings($part);
        if ($this->kind === 'choice' && (property_exists($settings, 'max') ? $settings->max : 1) !== 1) {
            $draft->lose('Several options may be chosen here; afterwards only one can be.');
        }
        $default = PartJson::text($part->key ?? null, 'default', '0');
        $rules = [];
        foreach (PartJson::rules($part) as $rule) {
            $rules['='.(is_string($rule->on ?? null) ? $rule->on : '')] ??= $rule;
        }

        return array_map(fn (\stdClass $option): Accepted => new Accepted(PartJson::text($option, 'html'), PartJson::text($rules['='.PartJson::text($option, 'id')] ?? null, 'credit', $default), $rules['='.PartJson::text($option, 'id')]->feedback ?? null), PartJson::list($part->settings ?? null, 'options'));
    }

    public function make(Draft $draft, string $place, array $answers, \stdClass $old, int|float $points): void
    {
        $id = Places::of($place) ?? $draft->freshPart();
        $options = $rules = [];
        foreach ($answers as $i => $answer) {
            $option = $this->kind === 'choice' ? ($i < 26 ? chr(97 + $i) : 'o'.($i + 1)) : 'o'.($i + 1);
            $options[] = (object) ['id' => $option, 'html' => $this->kind === 'choice' && ! str_starts_with($answer->html, '<') ? "<p>$answer->html</p>" : $answer->html];
            if (! $answer->isSilent() || $answer->credit !== '0') {
                $rules[] = ['id' => 'r'.(count($rules) + 1), 'on' => $option, 'credit' => $answer->credit, 'feedback' => $answer->feedback];
            }
        }
        $shuffle = (PartJson::settings($old)->shuffle ?? true) === true;
        $settings = $this->kind === 'choice' ? ['options' => $options, 'min' => 0, 'max' => 1, 'layout' => 'column', 'labels' => 'A', 'shuffle' => $shuffle] : ['options' => $options, 'shuffle' => $shuffle];
        Places::settle($draft, $place, $old, PartJson::part($id, $this->kind, $old, $points, $settings, $rules, ['scheme' => 'weights']), $this->kind === 'menu');
    }
}
