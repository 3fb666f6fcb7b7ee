<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use WideQuarry\Messages\Message;
use WideQuarry\Selection\Demand;
use WideQuarry\Selection\Outcome;
use WideQuarry\Selection\Problem;

/** Why a blueprint cannot be met, in words with numbers, with what can be done about it. */
final class Explained
{
    /** @return list<array{id: string, sentence: string, offers: list<array{label: string, blueprint: \stdClass}>}> */
    public static function of(Blueprint $blueprint, Problem $problem, Outcome $outcome, Availability $availability): array
    {
        $relaxations = array_column($outcome->relaxations, null, 'id');
        $reasons = [];
        foreach ($outcome->conflict as $id) {
            $reasons[] = [
                'id' => $id,
                'sentence' => self::sentence($problem, $id, $availability),
                'offers' => self::offers($blueprint, $id, $relaxations[$id] ?? null, $availability),
            ];
        }

        return $reasons;
    }

    /**
     * @param  array<string, mixed>|null  $relaxation
     * @return list<array{label: string, blueprint: \stdClass}>
     */
    private static function offers(Blueprint $blueprint, string $id, ?array $relaxation, Availability $availability): array
    {
        $offers = [
            $relaxation === null ? null : Relaxed::of($blueprint, $relaxation),
            Relaxed::withDrafts($blueprint, $id, $availability),
        ];

        return array_values(array_filter($offers, fn (?array $offer): bool => $offer !== null));
    }

    private static function sentence(Problem $problem, string $id, Availability $availability): string
    {
        $member = $problem->member($id);
        if (! $member instanceof Demand) {
            return $id === BlueprintProblem::KEPT ? Message::of('blueprints.kept') : $member->said();
        }
        if (! $availability->knows($id) || $id === Places::TOTAL) {
            return self::other($member, $availability);
        }
        ['have' => $have, 'usable' => $usable, 'points' => $points] = $availability->at($id);
        $asked = [];
        foreach ($member->ranges as $measure => $range) {
            $asked[] = Message::of('blueprints.asked', ['range' => $range->said(), 'what' => $measure]);
        }

        return Message::of('blueprints.asks-for', [
            'name' => $member->title,
            'asked' => implode(', ', $asked),
            'have' => $have,
            'drafts' => $have - $usable,
            'points' => isset($member->ranges['points']) ? $points : 'none',
            'tests' => $problem->tests,
            'common' => $problem->common,
        ]);
    }

    /** A demand that is none of a table. */
    private static function other(Demand $demand, Availability $availability): string
    {
        $there = $availability->knows("rule/$demand->id") ? $availability->at("rule/$demand->id")['usable'] : null;
        $isNone = ($demand->ranges['count'] ?? null)?->max?->isZero() === true;

        return match (true) {
            $isNone => Message::of('blueprints.left-out', ['name' => $demand->title, 'n' => $there ?? -1]),
            $there !== null => Message::of('blueprints.sentence-there', ['what' => $demand->said(), 'n' => $there]),
            default => Message::of('blueprints.sentence', ['what' => $demand->said()]),
        };
    }
}
