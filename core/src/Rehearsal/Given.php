<?php

declare(strict_types=1);

namespace WideQuarry\Rehearsal;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;

/** What a learner gave for one question, with the tries and hints before it. */
final readonly class Given
{
    private function __construct(private \stdClass $response, private int $earlierWrong, private int $hints)
    {
    }

    public static function nothing(): self
    {
        return new self(new \stdClass, 0, 0);
    }

    /** @param  mixed  $json  {"response": {part: …}, "earlier_wrong": 1, "hints": 0} @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['response', 'earlier_wrong', 'hints'])->need('response');
        $response = $fields->raw('response');

        return new self(
            $response instanceof \stdClass
                ? $response
                : throw Malformed::wrongType($fields->at('response'), Message::of('rehearsal.response'), $response),
            $fields->int('earlier_wrong', 0, 0, 1000),
            $fields->int('hints', 0, 0, 100),
        );
    }

    public function isAnswered(): bool
    {
        return (array) $this->response !== [];
    }

    public function attempt(Seed $seed, BigRational $points): Attempt
    {
        return new Attempt($this->response, $seed, $this->earlierWrong, $this->hints, $points);
    }
}
