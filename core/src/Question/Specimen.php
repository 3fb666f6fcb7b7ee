<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;
use WideQuarry\Random\Seed;

/** A test response with the score it must get. */
final readonly class Specimen
{
    private function __construct(
        public string $id,
        public \stdClass $response,
        public string $score,
        public int $seed,
        public int $earlierWrong,
        public int $hints,
        public string $note,
        public string $path,
    ) {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['id', 'response', 'score', 'seed', 'earlier_wrong', 'hints', 'note'])
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
            $path,
        );
    }
}
