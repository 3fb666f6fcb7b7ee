<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Highlight;

use WideQuarry\Content\Pieces;
use WideQuarry\Finding;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\PieceCheck;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;

/** What an author should mend in words that are picked. */
final class HighlightCheck
{
    /** @return list<Finding> */
    public function findings(Part $part, HighlightSettings $settings): array
    {
        $findings = PieceCheck::findings($settings->text, "$part->path/settings/text", 2);
        $pieces = array_column(Pieces::of($settings->text), 'id');
        $right = 0;
        $seen = [];
        foreach ($part->key->rules as $rule) {
            $on = is_string($rule->on) ? $rule->on : '';
            if (! in_array($on, $pieces, true)) {
                $findings[] = Finding::blocking(
                    'key.unknown',
                    "$rule->path/on",
                    Message::of('parts.highlight.key-names-piece-not-in-text', ['on' => $on]),
                    ['gone' => $on],
                );
            } elseif (isset($seen["=$on"])) {
                $findings[] = Finding::blocking('key.listed_twice', "$rule->path/on", Message::of('parts.highlight.two-rules-name-piece'));
            }
            $seen["=$on"] = true;
            try {
                $right += $rule->credit()->isPositive() ? 1 : 0;
            } catch (NotScorable) {
                continue; // found by the check of every key
            }
        }
        if ($part->scheme !== Scheme::Person && $right === 0) {
            $findings[] = Finding::blocking(
                'key.nothing_right',
                "$part->path/key/rules",
                Message::of('parts.highlight.no-piece-marked-right'),
            );
        }
        if ($settings->max !== null && $settings->min > $settings->max) {
            $findings[] = Finding::blocking(
                'highlight.min_above_max',
                "$part->path/settings/min",
                Message::of('parts.highlight.least-most-cannot-both', ['min' => $settings->min, 'max' => $settings->max]),
            );
        } elseif ($settings->max !== null && $right > $settings->max && $part->scheme !== Scheme::Weights) {
            $findings[] = Finding::blocking(
                'highlight.more_right_than_max',
                "$part->path/settings/max",
                Message::of('parts.highlight.pieces-right-most-may', ['right' => $right, 'max' => $settings->max]),
            );
        }

        return $findings;
    }
}
