<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Label;

use WideQuarry\Answer\TextMatcher;
use WideQuarry\Content\RichText;
use WideQuarry\Finding;
use WideQuarry\Geometry\Point;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\MaximumMatching;
use WideQuarry\Parts\PairCheck;
use WideQuarry\Pictures\PictureCheck;
use WideQuarry\Question\Item;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Variables\RollProblem;

/** What an author should mend in labels and the places they go to. */
final class LabelCheck
{
    /** @return list<Finding> */
    public function findings(Part $part, LabelSettings $settings, ScoringContext $in): array
    {
        $path = "$part->path/settings";
        $findings = [
            ...(new PictureCheck($settings->picture, $in->roll))->picture($path),
            ...$this->targets($part, $settings, $in),
            ...PairCheck::items($settings->labels, 'label', PairCheck::named($part)),
            ...PairCheck::key($part, $settings->ids(), array_column($settings->labels, 'id'), ['target', 'label']),
            ...$settings->isTyped() ? $this->typed($part, $settings) : $this->placed($part, $settings),
        ];

        return $settings->targets === []
            ? [...$findings, Finding::blocking('targets.none', "$path/targets", Message::of('parts.label.no-target-yet'))]
            : $findings;
    }

    /** @return list<Finding> */
    private function targets(Part $part, LabelSettings $settings, ScoringContext $in): array
    {
        $findings = $names = [];
        $right = $this->wordsByTarget($part, $settings);
        $open = array_diff($settings->ids(), array_map(fn (string $id): string => substr($id, 1), array_keys($right)));
        foreach ($settings->targets as $i => $target) {
            array_push($findings, ...$this->places($target, $settings, $in));
            $name = mb_strtolower(trim($target->label));
            if ($name !== '' && isset($names["=$name"])) {
                $findings[] = Finding::warning('target.same_name', "$target->path/label", Message::of('parts.label.targets-same-name', [
                    'name' => $target->label,
                ]), ['same_as' => $names["=$name"]]);
            } elseif ($name !== '' && in_array($name, $right["=$target->id"] ?? [], true)) {
                $findings[] = Finding::warning('target.tells', "$target->path/label", Message::of('parts.label.name-is-the-answer'));
            }
            $names["=$name"] ??= $target->id;
            if ($part->scheme !== Scheme::Person && $right !== [] && in_array($target->id, $open, true)) {
                $findings[] = Finding::warning('target.no_label', $target->path, Message::of('parts.label.target-no-right-label', [
                    'number' => $i + 1,
                ]), ['target' => $target->id]);
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function places(Target $target, LabelSettings $settings, ScoringContext $in): array
    {
        try {
            $places = array_filter([$target->at($in->roll), $target->box($in->roll)]);
        } catch (RollProblem $problem) {
            return [Finding::blocking('region.number', $problem->path, $problem->getMessage())];
        }
        $box = $settings->picture?->box();

        return $box !== null && array_filter($places, fn (Point $place): bool => ! $box->holds($place)) !== []
            ? [Finding::blocking('target.outside', "$target->path/at", Message::of('parts.label.target-outside'))]
            : [];
    }

    /** @return list<Finding> */
    private function placed(Part $part, LabelSettings $settings): array
    {
        $findings = [];
        if (Item::filled($settings->labels) === []) {
            $findings[] = Finding::blocking('labels.none', "$part->path/settings/labels", Message::of('parts.label.no-label-yet'));
        }
        foreach ($part->key->rules as $rule) {
            if ($rule->on instanceof TextMatcher) {
                $findings[] = Finding::warning('rule.typed_only', "$rule->path/on", Message::of('parts.label.rule-for-typed-labels'));
            }
        }

        return [
            ...$findings,
            ...PairCheck::reach($part, array_map(fn (array $of) => $of[0], array_values(PairCheck::credits($part)))),
            ...MaximumMatching::findings(
                'labels.not_enough',
                "$part->path/key/rules",
                PairTarget::earning($part),
                $settings->labels,
                fn (Item $label, int $needed): string => Message::of('parts.label.label-of-several-targets', [
                    'words' => PairCheck::words($label),
                    'needed' => $needed,
                    'limit' => $label->limit,
                ]),
                Message::of('parts.label.not-every-target-can'),
            ),
        ];
    }

    /** @return list<Finding> */
    private function typed(Part $part, LabelSettings $settings): array
    {
        $findings = [];
        foreach ($part->key->rules as $rule) {
            $on = $rule->on;
            if ($on instanceof TextMatcher && ! in_array($on->piece, $settings->ids(), true)) {
                $findings[] = Finding::blocking('key.unknown', "$rule->path/on", Message::of('parts.label.rule-names-no-target'), [
                    'gone' => $on->piece,
                ]);
            } elseif ($on instanceof TextMatcher && ! in_array($on->answer, ['otherwise', 'shape'], true) && $on->texts === []) {
                $findings[] = Finding::blocking('rule.empty', "$rule->path/on/text", Message::of('parts.label.say-what-is-right'));
            }
        }

        return $findings;
    }

    /** @return array<string, list<string>> target behind "=" → what is right there, in small letters */
    private function wordsByTarget(Part $part, LabelSettings $settings): array
    {
        $words = [];
        foreach (PairTarget::earning($part) as $pair) {
            $label = Item::find($settings->labels, $pair->second);
            $words["=$pair->first"][] = $label === null ? '' : mb_strtolower(RichText::read($label->html)->plain());
        }
        foreach ($settings->isTyped() ? $part->key->rules : [] as $rule) {
            if ($rule->on instanceof TextMatcher && $rule->on->piece !== null) {
                $texts = array_map(fn ($text): string => mb_strtolower($text->source()), $rule->on->texts);
                $words["={$rule->on->piece}"] = [...$words["={$rule->on->piece}"] ?? [], ...$texts];
            }
        }

        return $words;
    }
}
