<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Spot;

use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;

/** What the key of a spot says of regions. */
final class SpotKey
{
    public static function rule(Part $part, string $region): ?Rule
    {
        foreach ($part->key->rules as $rule) {
            if ($rule->on === $region) {
                return $rule;
            }
        }

        return null;
    }

    /** @return list<string> regions that earn something; of two rules about one, the first counts */
    public static function right(Part $part): array
    {
        $right = $seen = [];
        foreach ($part->key->rules as $rule) {
            if (! is_string($rule->on) || isset($seen["=$rule->on"])) {
                continue;
            }
            $seen["=$rule->on"] = true;
            try {
                if ($rule->credit()->isPositive()) {
                    $right[] = $rule->on;
                }
            } catch (NotScorable) {
                continue; // found by the check of every key
            }
        }

        return $right;
    }
}
