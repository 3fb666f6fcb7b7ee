<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Match;

use Brick\Math\BigRational;
use WideQuarry\Finding;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\PairCheck;
use WideQuarry\Question\Item;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;

/** What an author should mend in two lists that are joined. */
final class MatchCheck
{
    /** @return list<Finding> */
    public function findings(Part $part, MatchSettings $settings): array
    {
        $named = PairCheck::named($part);
        $findings = [
            ...PairCheck::items($settings->left, 'row', $named),
            ...PairCheck::items($settings->right, 'partner', $named),
            ...PairCheck::key($part, array_column($settings->left, 'id'), array_column($settings->right, 'id'), ['row', 'partner']),
        ];
        foreach (['left' => 1, 'right' => 2] as $side => $least) {
            if (count(Item::filled($settings->{$side})) < $least) {
                $findings[] = Finding::blocking(
                    'match.too_few',
                    "$part->path/settings/$side",
                    $side === 'left' ? Message::of('parts.match.nothing-join-yet') : Message::of('parts.match.fewer-two-partners-nothing'),
                );
            }
        }
        $right = PairTarget::earning($part);
        $credits = PairCheck::credits($part);
        if ($right === [] || $part->scheme === Scheme::Person) {
            return $findings;
        }
        foreach (Item::filled($settings->left) as $item) {
            if (! isset($credits["=$item->id"])) {
                $findings[] = Finding::blocking(
                    'match.no_partner',
                    "$item->path/html",
                    Message::of('parts.match.no-partner', ['words' => PairCheck::words($item)]),
                );
            }
        }

        return [
            ...$findings,
            ...$part->scheme === Scheme::Weights ? $this->reach($part, $settings, $credits) : $this->limits($settings, $right),
        ];
    }

    /**
     * Where every right pair counts, each has to be possible beside the others.
     *
     * @param  list<PairTarget>  $right
     * @return list<Finding>
     */
    private function limits(MatchSettings $settings, array $right): array
    {
        $findings = [];
        foreach ([[$settings->left, 'first'], [$settings->right, 'second']] as [$items, $side]) {
            foreach ($items as $item) {
                $needed = count(array_filter($right, fn (PairTarget $pair): bool => $pair->{$side} === $item->id));
                if ($item->limit !== null && $needed > $item->limit) {
                    $findings[] = Finding::blocking(
                        'match.joined_too_often',
                        "$item->path/uses",
                        Message::of('parts.match.right-partners-may-joined', [
                            'words' => PairCheck::words($item),
                            'needed' => $needed,
                            'limit' => $item->limit,
                        ]),
                    );
                }
            }
        }

        return $findings;
    }

    /**
     * @param  array<string, list<BigRational>>  $credits
     * @return list<Finding>
     */
    private function reach(Part $part, MatchSettings $settings, array $credits): array
    {
        $best = [];
        foreach ($settings->left as $item) {
            $best[] = array_reduce(
                array_slice($credits["=$item->id"] ?? [], 0, $item->limit),
                fn (BigRational $sum, BigRational $credit): BigRational => $sum->plus($credit),
                Exact::zero(),
            );
        }

        return PairCheck::reach($part, $best);
    }
}
