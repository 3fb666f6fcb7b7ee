<?php

declare(strict_types=1);

namespace WideQuarry\Study;

use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Scoring\ScoringContext;

/** Options, tiles, or things to join: two that look the same cannot be told apart. */
final readonly class StudiedOptions implements StudiedPart
{
    /**
     * @param  array<string, ShownText>  $options
     * @param  list<string>  $right
     */
    private function __construct(private array $options, private array $right)
    {
    }

    /**
     * @param  array<string, string>  $options  id → rich text
     * @param  list<string>  $right  ids of those that are right; none where that depends on where they go
     */
    public static function of(array $options, array $right = []): ?self
    {
        $filled = array_filter($options, fn (string $html): bool => $html !== '');
        $shown = array_map(fn (string $html): ShownText => new ShownText($html), $filled);

        return count($shown) < 2 ? null : new self($shown, $right);
    }

    /** @return list<string> options that earn something */
    public static function right(Part $part): array
    {
        $right = array_filter($part->key->rules, fn (Rule $rule): bool => is_string($rule->on) && $rule->credit()->isPositive());

        return array_values(array_map(fn (Rule $rule): string => is_string($rule->on) ? $rule->on : '', $right));
    }

    public function coincidences(ScoringContext $in): array
    {
        $filling = $in->roll->filling();
        $first = $found = [];
        foreach ($this->options as $id => $option) {
            $shown = $option->in($filling);
            if (! isset($first[$shown])) {
                $first[$shown] = (string) $id;

                continue;
            }
            $isKey = in_array((string) $id, $this->right, true) !== in_array($first[$shown], $this->right, true);
            $found[] = new Coincidence(
                $isKey ? Coincidence::KEY_EQUALS_OPTION : Coincidence::OPTIONS_EQUAL,
                $first[$shown],
                (string) $id,
            );
        }

        return $found;
    }

    public function keys(ScoringContext $in): array
    {
        return [];
    }
}
