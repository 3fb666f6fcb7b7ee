<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Group;

use WideQuarry\Numbers\Exact;
use WideQuarry\Printing\Paper;
use WideQuarry\Printing\PrintedAnswer;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;

/** The items in a box, and a column for each group to write them in. */
final class PrintedGroup
{
    /** @param  array<mixed>  $presented */
    public function part(array $presented, Paper $paper): string
    {
        [$items, $groups] = [self::list($presented, 'items'), self::list($presented, 'groups')];
        $bank = implode('', array_map(fn (array $item): string => '<li>'.$paper->inline($item['body']).'</li>', $items));
        $heads = implode('', array_map(fn (array $group): string => '<th>'.$paper->inline($group['body']).'</th>', $groups));
        $height = number_format(max(3, 1.2 + ((1.5 * count($items)) / max(1, count($groups))) * $paper->settings->room()), 1, '.', '');

        return "<ul class=\"bank\">$bank</ul><table class=\"grid sort\"><thead><tr>$heads</tr></thead><tbody><tr>".
            str_repeat("<td style=\"height:{$height}em\"></td>", count($groups)).
            '</tr></tbody></table>';
    }

    /**
     * Each group with what belongs in it.
     *
     * @param  array<mixed>  $presented
     * @return list<PrintedAnswer>
     */
    public function answers(Part $part, array $presented, Paper $paper): array
    {
        $answers = [];
        foreach (self::list($presented, 'groups') as $group) {
            $in = [];
            foreach (self::list($presented, 'items') as $item) {
                foreach ($part->key->rules as $rule) {
                    if (
                        $rule->on instanceof PairTarget &&
                        $rule->on->first === $item['id'] &&
                        $rule->on->second === $group['id'] &&
                        $rule->credit()->isPositive()
                    ) {
                        $in[] = $paper->inline($item['body']);
                    }
                }
            }
            $answers[] = new PrintedAnswer(
                '<strong>'.$paper->inline($group['body']).'</strong> '.($in === [] ? '–' : implode('; ', $in)),
                Exact::one(),
            );
        }

        return $answers;
    }

    /**
     * @param  array<mixed>  $presented
     * @return list<array{id: string, body: list<string|array<int, mixed>>}>
     */
    private static function list(array $presented, string $name): array
    {
        return is_array($presented[$name] ?? null) ? $presented[$name] : []; // @phpstan-ignore return.type
    }
}
