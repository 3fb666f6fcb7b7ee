<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** What a rule about two things names: gap and tile, left and right, item and group. */
final readonly class PairTarget
{
    private function __construct(public string $first, public string $second)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        if (! is_array($json) || ! array_is_list($json) || count($json) !== 2) {
            throw Malformed::wrongType($path, Message::of('question.pair-identifiers'), $json);
        }

        return new self(Fields::asId($json[0], "$path/0"), Fields::asId($json[1], "$path/1"));
    }

    /**
     * Pairs in the order in which their first (or second) things stand in a list.
     *
     * @param  list<self>  $pairs
     * @param  list<Item>  $items
     * @param  'first'|'second'  $side
     * @return list<self>
     */
    public static function along(array $pairs, array $items, string $side): array
    {
        $at = array_flip(array_map(fn (Item $item): string => "=$item->id", $items));
        usort($pairs, fn (self $a, self $b): int => ($at['='.$a->{$side}] ?? 0) <=> ($at['='.$b->{$side}] ?? 0));

        return $pairs;
    }

    /**
     * The pairs of a part's key that earn something, each once, in the order of the key.
     *
     * @return list<self>
     */
    public static function earning(Part $part): array
    {
        $right = [];
        foreach ($part->key->rules as $rule) {
            if ($rule->on instanceof self && self::earns($rule)) {
                $right[self::key($rule->on->first, $rule->on->second)] ??= $rule->on;
            }
        }

        return array_values($right);
    }

    private static function earns(Rule $rule): bool
    {
        try {
            return $rule->credit()->isPositive();
        } catch (NotScorable) {
            return false;
        }
    }

    /** One text for the pair; identifiers hold no tabs. */
    public static function key(string $first, string $second): string
    {
        return "$first\t$second";
    }
}
