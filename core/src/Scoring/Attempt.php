<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Specimen;
use WideQuarry\Random\Seed;

/** One response to a question, with what came before it. */
final readonly class Attempt
{
    /**
     * @param  \stdClass  $response  part id → response; a part left out is blank
     * @param  int  $hints  how many were taken, in their order
     * @param  BigRational|null  $points  what an assessment gives instead of the question's own
     * @param  \stdClass  $marks  part id → what a person gave for it
     */
    public function __construct(
        public \stdClass $response,
        public Seed $seed,
        public int $earlierWrong = 0,
        public int $hints = 0,
        public ?BigRational $points = null,
        public \stdClass $marks = new \stdClass(),
    ) {
    }

    public static function ofSpecimen(Specimen $specimen): self
    {
        return new self(
            $specimen->response,
            Seed::of($specimen->seed),
            $specimen->earlierWrong,
            $specimen->hints,
            marks: $specimen->marks,
        );
    }

    /**
     * From the fields of a request: response, marks, seed, earlier_wrong, hints, points.
     *
     * @throws Malformed
     */
    public static function read(Fields $fields): self
    {
        $response = $fields->need('response')->raw('response');
        if (! ($response instanceof \stdClass)) {
            throw Malformed::wrongType($fields->at('response'), Message::of('scoring.object-part-id-given'), $response);
        }
        $marks = $fields->raw('marks') ?? new \stdClass();
        if (! ($marks instanceof \stdClass)) {
            throw Malformed::wrongType($fields->at('marks'), Message::of('scoring.object-part-id-marks'), $marks);
        }

        return new self(
            $response,
            Seed::of($fields->int('seed', 1, 0, Seed::MAX)),
            $fields->int('earlier_wrong', 0, 0, 1000),
            $fields->int('hints', 0, 0, 100),
            $fields->raw('points') === null ? null : Exact::of($fields->decimal('points', '100000')),
            $marks,
        );
    }
}
