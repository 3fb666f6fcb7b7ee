<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\User;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Pick;
use WideQuarry\Blueprints\Availability;
use WideQuarry\Blueprints\Blueprint;
use WideQuarry\Blueprints\FoundAt;

/** An assessment beside the blueprint it was made from. */
final class BlueprintCheck
{
    /**
     * What an assessment has of what a blueprint asks for. Of a draw as many of its pool count as it draws.
     *
     * @return array{places: array<string, array{count: int, points: int|float}>, questions: array<string, list<string>>,
     *     available: Availability,
     *     short: list<array{place: string, name: string, measure: string, asked: string, found: int|float, missing: int|float}>}
     */
    public static function of(Blueprint $blueprint, Assessment $assessment, User $person): array
    {
        $questions = BlueprintQuestions::of($blueprint, $person);
        $ids = array_map(fn (Pick $pick): string => $pick->question, $assessment->picks());
        foreach ($assessment->draws() as $draw) {
            array_push($ids, ...array_slice($draw->pool, 0, $draw->count));
        }
        $taken = $questions->named($ids);
        $available = Availability::of($blueprint, $questions->tallies());
        $cells = [];
        foreach ($taken as $candidate) {
            $cells[$candidate->id] = FoundAt::of($blueprint, $candidate);
        }

        return [
            'places' => FoundAt::places($blueprint, $taken),
            'questions' => $cells,
            'available' => $available,
            'short' => FoundAt::short($blueprint, $taken, $available),
        ];
    }
}
