<?php

declare(strict_types=1);

namespace WideQuarry\Tests\Support;

use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;

/** Questions of two lists that are brought together, said in as few words as they need. */
final class Pairs
{
    /**
     * A question with one part of pairs, from lists of identifiers: "l1 r1" is a right pair.
     *
     * @param  list<string>  $right
     */
    public static function of(string $kind, array $firsts, array $seconds, array $right, array $scoring = [], array $more = []): Question
    {
        $item = fn (string $id): array => ['id' => $id, 'html' => "<p>$id</p>", ...$more[$id] ?? []];
        $settings = match ($kind) {
            'match' => ['left' => array_map($item, $firsts), 'right' => array_map($item, $seconds)],
            'group' => ['items' => array_map($item, $firsts), 'groups' => array_map($item, $seconds)],
            'tiles' => ['tiles' => array_map($item, $seconds)],
        };
        $rules = array_map(
            fn (int $i, string $pair): array => [
                'id' => "k$i",
                'on' => explode(' ', explode(':', $pair)[0]),
                'credit' => explode(':', $pair)[1] ?? '1',
            ],
            array_keys($right),
            $right,
        );
        $gaps =
            $kind === 'tiles'
                ? implode(' ', array_map(fn (string $gap): string => "<span data-gap=\"$gap\" data-of=\"p1\"></span>", $firsts))
                : '';

        return Questions::of(
            [
                [
                    'id' => 'p1',
                    'kind' => $kind,
                    'points' => 1,
                    'settings' => $settings,
                    'key' => ['rules' => $rules, 'default' => $more['default'] ?? '0'],
                    ...$scoring === [] ? [] : ['scoring' => $scoring],
                ],
            ],
            ['body' => "<p>Q $gaps</p><div data-part=\"p1\"></div>"],
        );
    }

    public static function given(string $kind, array $pairs): \stdClass
    {
        $response = new \stdClass();
        $pairs = array_map(fn (string $pair): array => explode(' ', $pair), $pairs);
        if ($kind === 'match') {
            $response->pairs = $pairs;
        } elseif ($kind === 'tiles') {
            $response->gaps = (object) array_column($pairs, 1, 0);
        } else {
            $response->groups = new \stdClass();
            foreach ($pairs as [$item, $group]) {
                $response->groups->{$group} = [...$response->groups->{$group} ?? [], $item];
            }
        }

        return (object) ['p1' => $response];
    }

    public static function credit(Question $question, string $kind, array $pairs): string
    {
        return (string) (new Scorer)->score($question, new Attempt(self::given($kind, $pairs), Seed::of(1)))->parts[0]->credit;
    }
}
