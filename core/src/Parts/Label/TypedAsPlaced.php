<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Label;

use WideQuarry\Answer\TextMatcher;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Item;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Variables\Value;

/** Labels that are typed, for formats in which labels can only be placed: each accepted answer becomes a label. */
final readonly class TypedAsPlaced
{
    /**
     * @param  Part  $part  whose rules all name target and label
     * @param  list<Item>  $labels
     * @param  list<array{string, string}>  $losses
     */
    private function __construct(public Part $part, public array $labels, public array $losses)
    {
    }

    public static function of(Part $part, LabelSettings $settings, WriteContext $in): self
    {
        $labels = Item::filled($settings->labels);
        $made = [];
        $rules = $part->key->map(function (Rule $rule) use ($settings, $in, &$made): ?Rule {
            $on = $rule->on;
            if ($on instanceof PairTarget) {
                return $rule;
            }
            if (! ($on instanceof TextMatcher) || $on->piece === null || $on->answer !== 'is' || ! $settings->isTyped()) {
                return null;
            }
            $words = array_map(fn (Value $text): string => $text->words($in->roll, $in->language), $on->texts);
            if ($words === []) {
                return null;
            }
            // the same words at two targets are one label that is used twice
            $key = mb_strtolower($words[0]);
            $known = $made[$key] ?? new Item("typed-$rule->id", htmlspecialchars($words[0], ENT_NOQUOTES), 0, $rule->path);
            $made[$key] = new Item($known->id, $known->html, $known->limit + 1, $known->path);

            return $rule->about(PairTarget::read([$on->piece, $known->id], "$rule->path/on"));
        });

        return new self(
            $part->withKey($rules),
            [...$labels, ...array_values($made)],
            $settings->isTyped() ? [['label.typed', Message::of('parts.label.typed-labels-are-placed')]] : [],
        );
    }
}
