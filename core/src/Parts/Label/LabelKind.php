<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Label;

use WideQuarry\Answer\TextMatcher;
use WideQuarry\Content\RichText;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\KindDefaults;
use WideQuarry\Parts\LabelAndFields;
use WideQuarry\Parts\LabelAndMatch;
use WideQuarry\Parts\PairScoring;
use WideQuarry\Parts\ShuffledItems;
use WideQuarry\Parts\WrittenNames;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Item;
use WideQuarry\Question\Key;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;
use WideQuarry\Question\UnreadableResponse;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;

/**
 * The learner puts labels on a picture: places them, picks them from a drop-down, or types them. Response: {"labels": {"t1": "x3"}}, with
 * the words typed in place of the label. A rule names target and label; where labels are typed, a label's words are one accepted answer,
 * and rules for typed answers with the target as their `piece` may stand beside.
 */
final class LabelKind implements Kind
{
    use KindDefaults;

    public function name(): string
    {
        return 'label';
    }

    public function isInline(): bool
    {
        return false;
    }

    public function readSettings(mixed $json, string $path): LabelSettings
    {
        return LabelSettings::read($json, $path);
    }

    public function readOn(mixed $json, string $path): PairTarget|TextMatcher
    {
        return $json instanceof \stdClass ? TextMatcher::read($json, $path) : PairTarget::read($json, $path);
    }

    public function schemes(): array
    {
        return Scheme::FOR_SEVERAL;
    }

    public function usualScheme(object $settings): Scheme
    {
        return Scheme::Each;
    }

    public function extras(): array
    {
        return ['cost' => '1'];
    }

    public function score(Part $part, Key $key, \stdClass $response, ScoringContext $in): PartOutcome
    {
        $settings = self::settings($part);
        $labels = $response->labels ?? null;
        if (! ($labels instanceof \stdClass)) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.label.response-labels'));
        }
        $given = [];
        $targets = array_flip(array_map(fn (string $id): string => "=$id", $settings->ids()));
        foreach (get_object_vars($labels) as $target => $label) {
            $target = (string) $target;
            if (! isset($targets["=$target"])) {
                return PartOutcome::unreadable('label.unknown_target', Message::of('parts.label.no-target', ['target' => $target]));
            }
            if (! is_string($label)) {
                return PartOutcome::unreadable('response.shape', Message::of('parts.label.response-labels'));
            }
            if (! $settings->isTyped() || trim($label) !== '') {
                $given[] = [$target, trim($label)];
            }
        }
        $problem = $settings->isTyped() ? null : $this->misplaced($settings, $given);

        return match (true) {
            $problem !== null => $problem,
            $given === [] => PartOutcome::unanswered(),
            $settings->isTyped() => $this->named((new TypedLabels($part, $settings, $in))->outcome($given), $settings),
            default => $this->named(PairScoring::byFirst($part, $given, $settings->ids()), $settings),
        };
    }

    /** The outcome with what was right and what was not in words, in the order of the targets. */
    private function named(PartOutcome $outcome, LabelSettings $settings): PartOutcome
    {
        $judged = $outcome->trace[0] ?? [];
        $said = [];
        foreach ($settings->targets as $i => $target) {
            foreach (['right' => true, 'wrong' => false] as $verdict => $isRight) {
                foreach (is_array($judged[$verdict] ?? null) ? $judged[$verdict] : [] as $pair) {
                    [$at, $label] = is_array($pair) ? [...$pair, '', ''] : ['', ''];
                    if ($at === $target->id && is_string($label)) {
                        $item = Item::find($settings->labels, $label);
                        $said[] = [
                            'step' => 'label.judged',
                            'target' => $target->label === '' ? (string) ($i + 1) : ($i + 1)." ($target->label)",
                            'label' => $item === null ? $label : RichText::read($item->html)->plain(),
                            'right' => $isRight,
                        ];
                    }
                }
            }
        }

        return $said === [] ? $outcome : PartOutcome::given($outcome->credit, $outcome->matched, [
            ...array_slice($outcome->trace, 0, 1),
            ...$said,
            ...array_slice($outcome->trace, 1),
        ]);
    }

    /** @param  list<array{string, string}>  $given */
    private function misplaced(LabelSettings $settings, array $given): ?PartOutcome
    {
        $times = [];
        foreach ($given as [, $id]) {
            $label = Item::find($settings->labels, $id);
            if ($label === null) {
                return PartOutcome::unreadable('label.unknown_label', Message::of('parts.label.no-label', ['id' => $id]));
            }
            $times["=$id"] = ($times["=$id"] ?? 0) + 1;
            if ($label->limit !== null && $times["=$id"] > $label->limit) {
                return PartOutcome::unreadable('label.used_up', Message::of('parts.label.label-may-used-times', [
                    'id' => $id,
                    'limit' => $label->limit,
                ]));
            }
        }

        return null;
    }

    public function shownOrder(Part $part, Seed $seed): array
    {
        return array_column($this->shown($part, $seed), 'id');
    }

    /** @return list<Item> */
    private function shown(Part $part, Seed $seed): array
    {
        $settings = self::settings($part);
        $labels = $settings->isTyped() ? [] : Item::filled($settings->labels);

        return $settings->shuffle ? ShuffledItems::away($seed, $part->id, $labels, PairTarget::earning($part)) : $labels;
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        $settings = self::settings($part);
        $labels = $this->shown($part, $seed);

        return [
            'picture' => $settings->picture?->filled($in->roll->filling())->shown(),
            'targets' => array_map(fn (Target $target): array => $target->shown($in->roll), $settings->targets),
            'labels' => array_map(fn (Item $label): array => [...$label->shown($in->roll->filling()), 'uses' => $label->limit], $labels),
            'by' => $settings->by,
        ];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        return (new PrintedLabel)->part(self::settings($part), $presented, $paper);
    }

    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        return (new PrintedLabel)->answers($part, self::settings($part), $in, $paper);
    }

    public function check(Part $part, ScoringContext $in): array
    {
        return (new LabelCheck)->findings($part, self::settings($part), $in);
    }

    public function texts(Part $part): array
    {
        $texts = array_column(self::settings($part)->labels, 'html');
        foreach ($part->key->rules as $rule) {
            foreach ($rule->on instanceof TextMatcher ? $rule->on->texts : [] as $text) {
                $texts[] = htmlspecialchars($text->source());
            }
        }

        return $texts;
    }

    public function conversions(): array
    {
        return [
            'match' => LabelAndMatch::toMatch(...),
            'menu' => LabelAndFields::toMenus(...),
            'text' => LabelAndFields::toTexts(...),
        ];
    }

    public function mapping(): KindMapping
    {
        return new LabelMapping;
    }

    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        $settings = self::settings($part);
        $targets = $settings->targets;
        $given = array_map(trim(...), explode(str_contains($written, ';') || count($targets) === 1 ? ';' : ',', $written));
        if (count($given) > count($targets)) {
            throw UnreadableResponse::because(
                Message::of('parts.label.labels-written', ['count' => count($given), 'targets' => count($targets)]),
            );
        }
        $labels = [];
        foreach ($given as $i => $label) {
            if ($label !== '' && $label !== '-') {
                $labels[$targets[$i]->id] = $settings->isTyped() ? $label : WrittenNames::items($settings->labels)->one($label);
            }
        }

        return (object) ['labels' => (object) $labels];
    }

    private static function settings(Part $part): LabelSettings
    {
        assert($part->settings instanceof LabelSettings);

        return $part->settings;
    }
}
