<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Answer\NormaliseOptions;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** What new questions of a bank begin with. Whatever is not set is as the kinds have it. */
final readonly class Defaults
{
    private function __construct(private \stdClass $json)
    {
    }

    /**
     * @param  mixed  $json  {"language","points","shuffle","show","attempts":{"allowed","cost"},"normalise","tools","time_limit"}
     *
     * @throws Malformed naming the path of what cannot be one
     */
    public static function read(mixed $json): self
    {
        $fields = Fields::of($json, '', ['language', 'points', 'shuffle', 'show', 'attempts', 'normalise', 'tools', 'time_limit']);
        $fields->object('tools', Tools::FOR_MANY);
        Tools::read($fields);
        $fields->intOrNull('time_limit', null, 1, 86400);
        $fields->language();
        if ($fields->has('points')) {
            $fields->decimal('points', '1000');
        }
        if ($fields->has('shuffle')) {
            $fields->bool('shuffle', true);
        }
        if ($fields->has('show')) {
            $fields->oneOf('show', ['during', 'after', 'both'], 'both');
        }
        $attempts = $fields->object('attempts', ['allowed', 'cost']);
        $attempts->intOrNull('allowed', null, 1, 100);
        $cost = Exact::read($attempts->exact('cost', '0'));
        if ($cost === null || $cost->isNegative() || $cost->isGreaterThan(1)) {
            throw Malformed::outOfRange('/attempts/cost', Message::of('question.share-between-0-1'), $attempts->raw('cost'));
        }
        NormaliseOptions::read($fields->has('normalise') ? $fields->raw('normalise') : new \stdClass(), '/normalise');
        $copy = Json::copy($json);
        assert($copy instanceof \stdClass);

        return new self($copy);
    }

    public function toJson(): \stdClass
    {
        $copy = Json::copy($this->json);
        assert($copy instanceof \stdClass);

        return $copy;
    }
}
