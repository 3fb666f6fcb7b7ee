<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Tiles;

use WideQuarry\Finding;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\MaximumMatching;
use WideQuarry\Parts\PairCheck;
use WideQuarry\Question\Item;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;

/** What an author should mend in tiles and their gaps. */
final class TilesCheck
{
    /** More than a learner can look through. */
    private const MANY = 40;

    /**
     * @param  list<Item>  $tiles
     * @param  list<string>  $gaps
     * @return list<Finding>
     */
    public function findings(Part $part, array $tiles, array $gaps): array
    {
        $at = "$part->path/settings/tiles";
        $findings = [
            ...PairCheck::items($tiles, 'tile', PairCheck::named($part)),
            ...PairCheck::key($part, $gaps, array_column($tiles, 'id'), ['gap', 'tile']),
        ];
        $filled = count(Item::filled($tiles));
        if ($filled === 0) {
            $findings[] = Finding::blocking('tiles.none', $at, Message::of('parts.tiles.no-tile-yet'));
        } elseif ($filled > self::MANY) {
            $findings[] = Finding::warning('tiles.many', $at, Message::of('parts.tiles.tiles-more-anybody-can', [
                'filled' => $filled,
            ]));
        }
        if ($gaps === []) {
            return [
                ...$findings,
                Finding::blocking('tiles.no_gaps', $part->path, Message::of('parts.tiles.no-gap-takes-these-tiles')),
            ];
        }
        foreach (array_keys(array_filter(array_count_values($gaps), fn (int $times): bool => $times > 1)) as $gap) {
            $findings[] = Finding::blocking('gap.repeated', $part->path, Message::of('parts.tiles.gap-stands-text-twice', [
                'gap' => $gap,
            ]), [
                'gap' => (string) $gap,
            ]);
        }
        $credits = PairCheck::credits($part);
        $open = array_filter($gaps, fn (string $gap): bool => ! isset($credits["=$gap"]));
        foreach ($part->scheme === Scheme::Person || $credits === [] ? [] : $open as $i => $gap) {
            $findings[] = Finding::warning('gap.no_tile', $part->path, Message::of('parts.tiles.gap-no-right-tile', [
                'i' => $i + 1,
            ]), [
                'gap' => $gap,
            ]);
        }

        return [
            ...$findings,
            ...PairCheck::reach($part, array_map(fn (array $of) => $of[0], array_values($credits))),
            ...MaximumMatching::findings(
                'tiles.not_enough',
                "$part->path/key/rules",
                PairTarget::earning($part),
                $tiles,
                fn (Item $tile, int $needed): string => Message::of('parts.tiles.answer-gaps-may-used', [
                    'words' => PairCheck::words($tile),
                    'needed' => $needed,
                    'limit' => $tile->limit,
                ]),
                Message::of('parts.tiles.not-every-gap-can'),
            ),
        ];
    }
}
