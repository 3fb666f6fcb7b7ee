<?php

declare(strict_types=1);

namespace WideQuarry\Answer;

use WideQuarry\Messages\Message;

/**
 * A shape of answer: a regular expression with no back doors. The step limit stands in the pattern itself and the
 * just-in-time compiler is off, so that it counts the same everywhere.
 */
final readonly class Pattern
{
    private const STEPS = 100000;

    private const LONGEST_PATTERN = 500;

    private const LONGEST_ANSWER = 4000;

    /** Callouts, recursion and subroutine calls, \C, inline verbs: none of them has a place in an answer's shape. */
    private const REFUSED = '/\(\?C|\(\?R|\(\?[+-]?\d|\(\?&|\(\?P>|\(\?P=|\\\\g<|\\\\g\'|\\\\C|\(\*/';

    private function __construct(private string $regex, public ?string $problem)
    {
    }

    public static function of(string $pattern, bool $anchored, bool $ignoreCase): self
    {
        $unescaped = (string) preg_replace('/\\\\\\\\/', '', $pattern);
        $problem = match (true) {
            $pattern === '' => Message::of('answer.shape-empty'),
            mb_strlen($pattern) > self::LONGEST_PATTERN => Message::of('answer.shape-longer-characters', [
                'most' => self::LONGEST_PATTERN,
            ]),
            preg_match(self::REFUSED, $unescaped) === 1 => Message::of('answer.callouts-recursion-c-verbs'),
            default => null,
        };
        $body = $anchored ? "^(?:$pattern)$" : $pattern;
        $regex =
            '/(*LIMIT_MATCH='.self::STEPS.')(*LIMIT_DEPTH=2000)(*NO_JIT)'.self::delimited($body).'/uD'.($ignoreCase ? 'i' : '');
        if ($problem === null && self::quietly($regex, '') === false && preg_last_error() === PREG_INTERNAL_ERROR) {
            $problem = Message::of('answer.shape-not-regular-expression');
        }

        return new self($regex, $problem);
    }

    /** @return bool|null null when the limit of steps was reached: such an answer does not match */
    public function matches(string $answer): ?bool
    {
        if ($this->problem !== null || mb_strlen($answer) > self::LONGEST_ANSWER) {
            return false;
        }
        $result = self::quietly($this->regex, $answer);

        return $result === false ? null : $result === 1;
    }

    /** A pattern that does not compile is an author's slip, not a warning of ours. */
    private static function quietly(string $regex, string $answer): int|false
    {
        set_error_handler(fn (): bool => true);
        try {
            return preg_match($regex, $answer);
        } finally {
            restore_error_handler();
        }
    }

    private static function delimited(string $body): string
    {
        return (string) preg_replace(
            '~(\\\\.)|/~s',
            '$1',
            (string) preg_replace_callback('~\\\\.|/~su', fn (array $m): string => $m[0] === '/' ? '\\x2f' : $m[0], $body),
        );
    }
}
