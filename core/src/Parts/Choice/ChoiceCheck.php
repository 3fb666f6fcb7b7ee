<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Choice;

use WideQuarry\Content\RichText;
use WideQuarry\Finding;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;

/** What an author should mend in a choice. */
final class ChoiceCheck
{
    /** @return list<Finding> */
    public function findings(Part $part, ChoiceSettings $settings): array
    {
        $at = "$part->path/settings/options";
        $findings = [];
        $named = array_map(fn (Rule $rule): string => is_string($rule->on) ? $rule->on : '', $part->key->rules);
        if (
            count(
                array_filter(
                    $settings->options,
                    fn (array $option): bool => $option['html'] !== '' || in_array($option['id'], $named, true),
                ),
            ) < 2
        ) {
            $findings[] = Finding::blocking('choice.too_few_options', $at, Message::of('parts.choice.choice-needs-least-two'));
        }
        $words = [];
        foreach ($settings->options as $i => $option) {
            $text = RichText::read($option['html'])->html();
            if ($text === '' && ! in_array($option['id'], $named, true)) {
                continue; // a row left empty is dropped when it is stored
            }
            if ($text === '') {
                $findings[] = Finding::blocking('choice.empty_option', "$at/$i/html", Message::of('parts.choice.option-empty-add-text'));
            } elseif (isset($words[$text])) {
                $findings[] = Finding::blocking(
                    'choice.equal_options',
                    "$at/$i/html",
                    Message::of('parts.choice.option-same-another-one'),
                    [
                        'same_as' => $words[$text],
                    ],
                );
            }
            $words[$text] ??= $option['id'];
        }
        if ($settings->max !== null && $settings->min > $settings->max) {
            $findings[] = Finding::blocking(
                'choice.min_above_max',
                "$part->path/settings/min",
                Message::of('parts.choice.least-most-cannot-both', ['min' => $settings->min, 'max' => $settings->max]),
            );
        }

        return [...$findings, ...$this->key($part, $settings)];
    }

    /** @return list<Finding> */
    private function key(Part $part, ChoiceSettings $settings): array
    {
        $findings = [];
        $best = Exact::zero();
        $right = 0;
        $seen = [];
        foreach ($part->key->rules as $rule) {
            $on = is_string($rule->on) ? $rule->on : '';
            if (! in_array($on, $settings->ids(), true)) {
                $findings[] = Finding::blocking(
                    'key.unknown_option',
                    "$rule->path/on",
                    Message::of('parts.choice.key-names-no-option', ['on' => $on]),
                );
            } elseif (isset($seen["=$on"])) {
                $findings[] = Finding::blocking(
                    'key.listed_twice',
                    "$rule->path/on",
                    Message::of('parts.choice.two-rules-name-option'),
                );
            }
            $seen["=$on"] = true;
            try {
                $credit = $rule->credit();
            } catch (NotScorable) {
                continue; // found by the check of every key
            }
            $right += $credit->isPositive() ? 1 : 0;
            $best =
                $settings->max === 1
                    ? ($credit->isGreaterThan($best)
                        ? $credit
                        : $best)
                    : ($credit->isPositive()
                        ? $best->plus($credit)
                        : $best);
        }
        $path = "$part->path/key/rules";
        if ($part->scheme !== Scheme::Person && $right === 0) {
            $findings[] = Finding::blocking('key.nothing_right', $path, Message::of('parts.choice.no-option-marked-right'));
        } elseif ($part->scheme === Scheme::Weights && $best->isLessThan(1)) {
            $findings[] = Finding::warning('key.full_credit_out_of_reach', $path, Message::of('parts.choice.no-answer-earns-all-points'), [
                'best' => Exact::text($best),
            ]);
        } elseif ($settings->max !== null && $right > $settings->max && $part->scheme !== Scheme::Weights) {
            $findings[] = Finding::blocking(
                'choice.more_right_than_max',
                "$part->path/settings/max",
                Message::of('parts.choice.options-right-most-may', ['right' => $right, 'max' => $settings->max]),
            );
        }

        return $findings;
    }
}
