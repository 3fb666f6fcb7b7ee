<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Finding;
use WideQuarry\Messages\Message;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;

/** What every key of a typed answer must have. */
final class TypedKeyCheck
{
    /** @return list<Finding> */
    public static function findings(Part $part): array
    {
        $best = null;
        foreach ($part->key->rules as $rule) {
            try {
                $best = $best === null || $rule->credit()->isGreaterThan($best) ? $rule->credit() : $best;
            } catch (NotScorable) {
                continue; // found by the check of every key
            }
        }
        if ($part->scheme === Scheme::Person) {
            return [];
        }
        if ($best === null || ! $best->isPositive()) {
            return [Finding::blocking('key.nothing_right', "$part->path/key/rules", Message::of('parts.no-answer-earns-credit'))];
        }

        return $best->isLessThan(1)
            ? [Finding::warning('key.full_credit_out_of_reach', "$part->path/key/rules", Message::of('parts.no-answer-earns-all-points'))]
            : [];
    }
}
