<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Fields;
use WideQuarry\Marking\MarksShape;
use WideQuarry\Messages\Message;
use WideQuarry\Random\Seed;

/** A test response with the score it must get. */
final readonly class Specimen
{
    private const MOST_MARKINGS = 20;

    /**
     * @param  \stdClass  $marks  part id → what a person gave for it; empty where rules mark the question
     * @param  list<array{by: string, marks: \stdClass}>  $markings  what others gave, to compare with
     */
    private function __construct(
        public string $id,
        public \stdClass $response,
        public string $score,
        public int $seed,
        public int $earlierWrong,
        public int $hints,
        public string $note,
        public \stdClass $marks,
        public array $markings,
        public string $path,
    ) {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['id', 'response', 'score', 'seed', 'earlier_wrong', 'hints', 'note', 'marks', 'markings'])
            ->need('response')
            ->need('score');
        $response = $fields->raw('response');
        if (! ($response instanceof \stdClass)) {
            throw \WideQuarry\Json\Malformed::wrongType($fields->at('response'), Message::of('question.object'), $response);
        }
        ResponseShape::check($response, $fields->at('response'));

        return new self(
            $fields->id(),
            $response,
            $fields->exact('score', '0'),
            $fields->int('seed', 1, 0, Seed::MAX),
            $fields->int('earlier_wrong', 0, 0, 1000),
            $fields->int('hints', 0, 0, 100),
            $fields->string('note'),
            self::marks($fields),
            self::markings($fields),
            $path,
        );
    }

    /** @throws \WideQuarry\Json\Malformed */
    private static function marks(Fields $fields): \stdClass
    {
        return $fields->has('marks') ? MarksShape::ofParts($fields->raw('marks'), $fields->at('marks')) : new \stdClass();
    }

    /**
     * @return list<array{by: string, marks: \stdClass}>
     *
     * @throws \WideQuarry\Json\Malformed
     */
    private static function markings(Fields $fields): array
    {
        $markings = [];
        foreach ($fields->list('markings', self::MOST_MARKINGS) as $i => $json) {
            $marking = Fields::of($json, $fields->at("markings/$i"), ['by', 'marks'])->need('by')->need('marks');
            $markings[] = ['by' => $marking->string('by', '', 200), 'marks' => self::marks($marking)];
        }

        return $markings;
    }
}
