<?php

declare(strict_types=1);

namespace WideQuarry\Variables;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** One set of values of a question's variables. */
final readonly class Roll implements \JsonSerializable
{
    /**
     * @param  array<string, BigRational|string|bool>  $values
     * @param  array<string, string>  $written  how each is written where it is shown
     */
    public function __construct(public array $values = [], public array $written = [])
    {
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        $shown = [];
        foreach ($this->values as $name => $value) {
            $shown[$name] = ['value' => $value instanceof BigRational ? Exact::text($value) : $value, 'written' => $this->written[$name]];
        }

        return ['values' => (object) $shown];
    }
}
