<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Label;

use WideQuarry\Answer\TextMatcher;
use WideQuarry\Content\RichText;
use WideQuarry\Parts\PairScoring;
use WideQuarry\Question\Item;
use WideQuarry\Question\Key;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Scoring\TextRuleMatcher;
use WideQuarry\Scoring\TypedOutcome;

/** Labels that were typed, each judged by the rules of its target; then they count like labels that were placed. */
final readonly class TypedLabels
{
    public function __construct(private Part $part, private LabelSettings $settings, private ScoringContext $in)
    {
    }

    /**
     * @param  list<array{string, string}>  $given  target and words
     *
     * @throws \WideQuarry\Question\NotScorable|\WideQuarry\Variables\RollProblem
     */
    public function outcome(array $given): PartOutcome
    {
        $key = $this->typedKey();
        $normalise = $this->in->normalise->overriddenBy($this->settings->normalise);
        $earning = $matched = [];
        foreach ($key->rules as $rule) {
            if ($rule->credit()->isPositive()) {
                $earning['='.self::target($rule)] = true;
            }
        }
        foreach ($given as [$target, $typed]) {
            $own = $key->only(fn (Rule $rule): bool => self::target($rule) === $target);
            [$matching] = (new TextRuleMatcher($normalise, $this->in->language, $this->in->roll))->match($typed, $own);
            $rule = $matching === [] ? null : TypedOutcome::of($matching, $own, [])->matched[0] ?? null;
            if ($rule !== null) {
                $matched[PairTarget::key($target, $typed)] = $rule;
            }
        }

        return PairScoring::typed($this->part, $given, $this->settings->ids(), $matched, $earning);
    }

    /** The key with each label as the words it holds. */
    private function typedKey(): Key
    {
        return $this->part->key->map(function (Rule $rule): ?Rule {
            if (! ($rule->on instanceof PairTarget)) {
                return $rule;
            }
            $label = Item::find($this->settings->labels, $rule->on->second);
            $words = $label === null ? '' : RichText::read($label->html)->plain();

            return $words === '' ? null : $rule->about(
                TextMatcher::read((object) ['answer' => 'is', 'text' => [$words], 'piece' => $rule->on->first], "$rule->path/on"),
            );
        });
    }

    private static function target(Rule $rule): ?string
    {
        return $rule->on instanceof TextMatcher ? $rule->on->piece : null;
    }
}
