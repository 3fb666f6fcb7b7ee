<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;

/** Words for a learner, and when they show. */
final readonly class Feedback
{
    private function __construct(public string $html, public string $show)
    {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json, string $path): ?self
    {
        if ($json === '' || $json === null) {
            return $json === null ? throw \WideQuarry\Json\Malformed::wrongType($path, Message::of('question.object-html'), $json) : null;
        }
        $fields = Fields::of($json, $path, ['html', 'show'])->need('html');

        return new self($fields->string('html', '', 400000), $fields->oneOf('show', ['during', 'after', 'both'], 'both'));
    }

    /**
     * @param  list<string>  $names
     * @return array<string, self>
     *
     * @throws \WideQuarry\Json\Malformed
     */
    public static function readSet(Fields $fields, array $names): array
    {
        $set = [];
        foreach ($names as $name) {
            $feedback = $fields->has($name) ? self::read($fields->raw($name), $fields->at($name)) : null;
            if ($feedback !== null && $feedback->html !== '') {
                $set[$name] = $feedback;
            }
        }

        return $set;
    }
}
