<?php

declare(strict_types=1);

namespace WideQuarry\Random;

/**
 * Values of one purpose: value i is the first 64 bits of HMAC-SHA-256 (RFC 2104) keyed with the seed over "purpose|name|i".
 * Streams do not touch one another, so adding an option to one part moves nothing in another.
 */
final class Stream
{
    private int $next = 0;

    public function __construct(private readonly string $key, private readonly string $label)
    {
    }

    /** A whole number from 0 to $count − 1, each as likely (by rejection). $count is 1 to 2^31. */
    public function below(int $count): int
    {
        if ($count < 1 || $count > 2 ** 31) {
            throw new \LogicException("A range of $count values cannot be drawn from.");
        }
        $wrap = (2 ** 32 % $count) ** 2 % $count; // 2^64 mod $count
        do {
            [$high, $low] = $this->pair();
            $rejected = $wrap > 0 && $high === 0xFFFFFFFF && $low > 0xFFFFFFFF - $wrap; // the last 2^64 mod count values
        } while ($rejected);

        return (($high % $count) * (2 ** 32 % $count) + $low) % $count;
    }

    /**
     * Fisher and Yates, as in Durstenfeld (1964), Communications of the ACM 7, 420.
     *
     * @template T
     *
     * @param  list<T>  $things
     * @return list<T>
     */
    public function shuffled(array $things): array
    {
        for ($i = count($things) - 1; $i > 0; $i--) {
            $j = $this->below($i + 1);
            [$things[$i], $things[$j]] = [$things[$j], $things[$i]];
        }

        return array_values($things);
    }

    /** @return array{int, int} the high and the low 32 bits */
    private function pair(): array
    {
        $bytes = hash_hmac('sha256', $this->label.'|'.$this->next++, $this->key, true);
        /** @var array{high: int, low: int} $halves */
        $halves = unpack('Nhigh/Nlow', $bytes);

        return [$halves['high'], $halves['low']];
    }
}
