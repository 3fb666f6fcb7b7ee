<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use WideQuarry\Answer\EditDistance;
use WideQuarry\Answer\NormaliseOptions;
use WideQuarry\Answer\Normaliser;
use WideQuarry\Answer\Pattern;
use WideQuarry\Answer\TextMatcher;
use WideQuarry\Question\Key;
use WideQuarry\Question\Rule;
use WideQuarry\Variables\Roll;

/** Judges a typed answer by the rules of a key. */
final class TextRuleMatcher
{
    /** @var list<array<string, mixed>> */
    private array $trace = [];

    public function __construct(
        private readonly NormaliseOptions $options,
        private readonly string $language,
        private readonly Roll $roll,
    ) {
    }

    /**
     * Every rule that matches, in the order of the key.
     *
     * @return array{list<Rule>, list<array<string, mixed>>} and what happened on the way
     *
     * @throws \WideQuarry\Variables\RollProblem
     */
    public function match(string $answer, Key $key): array
    {
        $this->trace = [['step' => 'answer.normalised', 'before' => $answer, 'after' => $this->form($answer, null)]];
        $matched = array_values(
            array_filter(
                $key->rules,
                fn (Rule $rule): bool => $rule->on instanceof TextMatcher && $this->matches($answer, $rule, $rule->on, $key),
            ),
        );

        return [$matched, $this->trace];
    }

    private function matches(string $answer, Rule $rule, TextMatcher $on, Key $key): bool
    {
        $given = $this->form($answer, $on->case);
        $texts = array_filter(
            array_map(fn ($text): string => $this->form($text->words($this->roll, $this->language), $on->case), $on->texts),
            fn (string $text): bool => $text !== '',
        );

        return match ($on->answer) {
            'is' => in_array($given, $texts, true),
            'holds', 'holds_any' => array_filter($texts, fn (string $text): bool => $this->holds($given, $text)) !== [],
            'holds_all' => $texts !== [] && array_filter($texts, fn (string $text): bool => ! $this->holds($given, $text)) === [],
            'slips' => $this->within($given, array_values($texts), $rule, $on, $key),
            'shape' => $this->hasShape($given, $rule, $on),
            default => true,
        };
    }

    private function holds(string $given, string $text): bool
    {
        return preg_match('/(?<![\p{L}\p{N}\p{M}])'.preg_quote($text, '/').'(?![\p{L}\p{N}\p{M}])/u', $given) === 1;
    }

    /** @param  list<string>  $texts */
    private function within(string $given, array $texts, Rule $rule, TextMatcher $on, Key $key): bool
    {
        $distances = array_filter(
            array_map(fn (string $text): ?int => EditDistance::between($given, $text, $on->slips), $texts),
            fn (?int $edits): bool => $edits !== null,
        );
        if ($distances === []) {
            return false;
        }
        $nearest = min($distances);
        foreach ($key->rules as $other) {
            if ($other->id !== $rule->id && $other->on instanceof TextMatcher && in_array($other->on->answer, ['is', 'slips'], true)) {
                foreach ($other->on->texts as $text) {
                    $form = $this->form($text->words($this->roll, $this->language), $on->case);
                    $nearer = ! in_array($form, $texts, true) && $nearest > 0 ? EditDistance::between($given, $form, $nearest - 1) : null;
                    if ($nearer !== null) {
                        $this->trace[] = [
                            'step' => 'slips.nearer_to_another',
                            'rule' => $rule->id,
                            'other' => $other->id,
                            'slips' => $nearest,
                            'other_slips' => $nearer,
                        ];

                        return false;
                    }
                }
            }
        }
        $this->trace[] = ['step' => 'slips.counted', 'rule' => $rule->id, 'slips' => $nearest];

        return true;
    }

    private function hasShape(string $given, Rule $rule, TextMatcher $on): bool
    {
        $result = Pattern::of(
            $on->pattern,
            $on->anchored,
            $on->case === null ? $this->options->is('case', 'ignore') : $on->case === 'ignore',
        )->matches($given);
        if ($result === null) {
            $this->trace[] = ['step' => 'pattern.limit', 'rule' => $rule->id];
        }

        return $result === true;
    }

    private function form(string $text, ?string $case): string
    {
        return (new Normaliser($case === null ? $this->options : $this->options->withCase($case), $this->language))->apply($text);
    }
}
