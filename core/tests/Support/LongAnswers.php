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

/** Questions that a person marks. */
final class LongAnswers
{
    public const ANSWER = ['p1' => ['text' => 'The water is fastest on the outside of the bend.']];

    /**
     * An essay marked by a rubric.
     *
     * @param  array<string, mixed>|null  $rubric
     * @param  array<string, mixed>  $part
     */
    public static function essay(?array $rubric, int|float $points = 6, array $part = [], array $more = []): Question
    {
        return self::question([
            'id' => 'p1',
            'kind' => 'essay',
            'points' => $points,
            'key' => $rubric === null ? new \stdClass() : ['rubric' => $rubric],
            ...$part,
        ], $more);
    }

    /** @param  array<string, mixed>  $part */
    public static function question(array $part, array $more = []): Question
    {
        return Question::read(
            Json::decode(
                Json::encode([
                    'format' => 'wide-quarry/question',
                    'version' => 1,
                    'id' => '0192f0c4-0000-7000-8000-0000000000ef',
                    'language' => 'en-GB',
                    'body' => '<p>Explain how a meander grows.</p><div data-part="p1"></div>',
                    'parts' => [$part],
                    ...$more,
                ]),
            ),
            StandardKinds::all(),
        );
    }

    /**
     * Two criteria of 0, 2, 4 and of 0 to 2 points.
     *
     * @return array<string, mixed>
     */
    public static function rubric(array $more = []): array
    {
        return [
            'scheme' => 'analytic',
            'criteria' => [
                [
                    'id' => 'process',
                    'title' => 'Process',
                    'levels' => [
                        ['id' => 'full', 'points' => 4, 'html' => '<p>Erosion outside, deposition inside, and why.</p>'],
                        ['id' => 'half', 'points' => 2, 'html' => '<p>One of the two.</p>'],
                        ['id' => 'none', 'points' => 0, 'html' => '<p>Neither.</p>'],
                    ],
                ],
                [
                    'id' => 'terms',
                    'title' => 'Terms',
                    'levels' => [
                        ['id' => 'good', 'points' => ['from' => 1, 'to' => 2], 'html' => '<p>Used well.</p>'],
                        ['id' => 'poor', 'points' => 0, 'html' => '<p>Not used.</p>'],
                    ],
                ],
            ],
            ...$more,
        ];
    }

    /**
     * Five points to be made, each worth one.
     *
     * @return array<string, mixed>
     */
    public static function checklist(array $more = [], array $criteria = []): array
    {
        return [
            'scheme' => 'checklist',
            'criteria' => array_map(fn (int $i): array => [
                'id' => "c$i",
                'title' => "Point $i",
                'levels' => [['id' => 'l1', 'points' => 1, 'html' => '']],
                ...$criteria["c$i"] ?? [],
            ], [1, 2, 3, 4, 5]),
            ...$more,
        ];
    }

    /** @param  array<string, mixed>  $marks  of the one part, by criterion */
    public static function marked(Question $question, array $marks, ?array $response = self::ANSWER): Result
    {
        return (new Scorer)->score(
            $question,
            new Attempt(self::object($response ?? []), Seed::of(1), marks: self::object(['p1' => ['criteria' => (object) $marks]])),
        );
    }

    /** @param  array<mixed>  $value */
    public static function object(array $value): \stdClass
    {
        $object = Json::decode(Json::encode((object) $value));
        assert($object instanceof \stdClass);

        return $object;
    }
}
