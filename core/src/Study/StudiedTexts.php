<?php

declare(strict_types=1);

namespace WideQuarry\Study;

use WideQuarry\Answer\TextMatcher;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Scoring\ScoringContext;

/** Rules about words: compared as they are written. */
final readonly class StudiedTexts implements StudiedPart
{
    /** @param  list<array{Rule, TextMatcher}>  $rules */
    private function __construct(private array $rules)
    {
    }

    public static function of(Part $part): ?self
    {
        $rules = [];
        foreach ($part->key->rules as $rule) {
            if ($rule->on instanceof TextMatcher && $rule->on->answer === 'is' && $rule->on->texts !== []) {
                $rules[] = [$rule, $rule->on];
            }
        }

        return count($rules) < 2 ? null : new self($rules);
    }

    public function coincidences(ScoringContext $in): array
    {
        $first = $found = [];
        foreach ($this->rules as [$rule, $on]) {
            foreach ($on->texts as $text) {
                $words = ($on->piece ?? '').' '.mb_strtolower(trim($text->words($in->roll, $in->language)));
                $first[$words] ??= $rule->id;
                if ($first[$words] !== $rule->id) {
                    $found[] = new Coincidence(Coincidence::RULES_COINCIDE, $first[$words], $rule->id);
                }
            }
        }

        return $found;
    }

    public function keys(ScoringContext $in): array
    {
        return [];
    }
}
