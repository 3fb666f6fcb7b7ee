<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Messages\Message;
use WideQuarry\Printing\Paper;

/** Words in a box, to be written where they belong. */
final class PrintedBank
{
    /** @param  mixed  $items  as present() gave them: {"body": tree, "uses": number or null} */
    public static function of(mixed $items, Paper $paper): string
    {
        $html = '';
        foreach (is_array($items) ? $items : [] as $item) {
            if (is_array($item) && is_array($item['body'] ?? null)) {
                $times = $item['uses'] ?? null;
                $html .= '<li>'.
                    $paper->inline($item['body']). // @phpstan-ignore argument.type
                    ($times === 1 ? '' : ' <span class="times">'.self::times(is_int($times) ? $times : null).'</span>').
                    '</li>';
            }
        }

        return $html === '' ? '' : "<ul class=\"bank\">$html</ul>";
    }

    private static function times(?int $uses): string
    {
        return $uses === null ? Paper::text(Message::of('parts.any-number')) : "×&#8239;$uses";
    }
}
