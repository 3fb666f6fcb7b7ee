<?php

declare(strict_types=1);

namespace WideQuarry\Tests\Support;

use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Result;
use WideQuarry\Scoring\Scorer;

/** Small questions for tests, said in as few words as they need. */
final class Questions
{
    /**
     * @param  list<array<string, mixed>>  $parts
     * @param  array<string, mixed>  $more
     */
    public static function of(array $parts, array $more = []): Question
    {
        $anchors = implode(
            '',
            array_map(
                fn (array $part): string => in_array($part['kind'], ['choice', 'tiles', 'match', 'group'], true)
                    ? "<div data-part=\"$part[id]\"></div>"
                    : "<p><span data-part=\"$part[id]\"></span></p>",
                $parts,
            ),
        );

        return self::read([
            'format' => 'wide-quarry/question',
            'version' => 1,
            'id' => '0192f0c4-0000-7000-8000-000000000001',
            'title' => 'T',
            'language' => 'en-GB',
            'body' => "<p>Q</p>$anchors",
            'parts' => $parts,
            ...$more,
        ]);
    }

    /** @return array<string, string|float> what chance gave each variable, as an evaluator elsewhere takes it */
    public static function drawn(Question $question, Seed $seed): array
    {
        return array_map(
            fn (mixed $value): string|float => is_string($value)
                ? $value
                : (float) (string) \WideQuarry\Maths\Arithmetic::rational($value)->toScale(12, \Brick\Math\RoundingMode::HALF_UP),
            array_filter(
                $question->variables->roll($seed, $question->language)->values,
                fn (mixed $value): bool => ! is_array($value) && ! is_bool($value),
            ),
        );
    }

    /**
     * What chance gives a package's template variables: the numbers of rows and of items, as our writer calls them.
     *
     * @return array<string, string|float>
     */
    public static function chance(Question $question, Seed $seed): array
    {
        $chance = self::drawn($question, $seed);
        [$outcomes] = $question->variables->settled($seed);
        foreach ($question->variables->plan()->drawn as $i => $variable) {
            if ($variable->kind === 'row') {
                $chance[$variable->name] = (float) $outcomes[$i] + 1;
            } elseif ($variable->kind === 'sample') {
                $left = range(1, 100);
                foreach (explode('.', (string) $outcomes[$i]) as $at => $pick) {
                    $chance["$variable->name.n".($at + 1)] = (float) array_splice($left, (int) $pick, 1)[0];
                }
            }
        }

        return $chance;
    }

    public static function read(mixed $json): Question
    {
        return Question::read(Json::decode(Json::encode($json)), StandardKinds::all());
    }

    /**
     * @param  array<string, string>  $options  id → credit; "" for no rule
     * @param  array<string, mixed>  $scoring
     * @return array<string, mixed>
     */
    public static function choice(array $options, array $scoring = [], int|float $points = 1, string $id = 'p1', ?int $max = null): array
    {
        $rules = [];
        foreach ($options as $option => $credit) {
            if ($credit !== '') {
                $rules[] = ['id' => "r$option", 'on' => (string) $option, 'credit' => $credit];
            }
        }

        return [
            'id' => $id,
            'kind' => 'choice',
            'points' => $points,
            'settings' => [
                'options' => array_map(
                    fn (int|string $option): array => ['id' => (string) $option, 'html' => "<p>$option</p>"],
                    array_keys($options),
                ),
                'max' => $max,
            ],
            'key' => ['rules' => $rules],
            ...$scoring === [] ? [] : ['scoring' => $scoring],
        ];
    }

    /**
     * @param  list<array<string, mixed>>  $rules
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    public static function typed(string $kind, array $rules, int|float $points = 1, string $id = 'p1', array $more = []): array
    {
        return [
            'id' => $id,
            'kind' => $kind,
            'points' => $points,
            'key' => [
                'rules' => array_map(
                    fn (int $i, array $rule): array => [
                        'id' => $rule['id'] ?? 'r'.($i + 1),
                        'credit' => $rule['credit'] ?? '1',
                        'on' => array_diff_key($rule, ['id' => 1, 'credit' => 1]),
                    ],
                    array_keys($rules),
                    $rules,
                ),
            ],
            ...$more,
        ];
    }

    /** @param  array<string, list<string>|string|\stdClass>  $response part id → what was chosen, typed, or given in full */
    public static function score(
        Question $question,
        array $response,
        int $seed = 1,
        int $earlierWrong = 0,
        int $hints = 0,
        ?string $points = null,
    ): Result {
        $given = new \stdClass();
        foreach ($response as $id => $one) {
            $given->{$id} = match (true) {
                is_array($one) => (object) ['chosen' => $one],
                is_string($one) => (object) ['text' => $one],
                default => $one,
            };
        }

        return (new Scorer)->score(
            $question,
            new Attempt($given, Seed::of($seed), $earlierWrong, $hints, $points === null ? null : \Brick\Math\BigRational::of($points)),
        );
    }
}
