<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30\Operators;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Qti30\Declaration;

/** The points a mapping gives to a response (QTI 3.0 ASI, mapResponse): each value once, within the mapping's bounds. */
final readonly class MappedResponse
{
    /**
     * @param  array<string, BigRational>  $exact  key of a value → its points
     * @param  array<string, BigRational>  $folded  text without case → its points
     */
    private function __construct(
        private array $exact,
        private array $folded,
        private BigRational $default,
        private ?BigRational $low,
        private ?BigRational $high,
    ) {
    }

    public static function of(?Declaration $declaration): self
    {
        $exact = $folded = [];
        foreach ($declaration->map ?? [] as $entry) {
            $value = Values::read($entry['value']) ?? BigRational::zero();
            $exact[Values::key(Values::typed($entry['key'], $declaration->baseType ?? 'string'))] ??= $value;
            if (! $entry['sensitive']) {
                $folded[mb_convert_case($entry['key'], MB_CASE_FOLD, 'UTF-8')] ??= $value;
            }
        }

        return new self(
            $exact,
            $folded,
            Values::read($declaration->default ?? '0') ?? BigRational::zero(),
            $declaration?->lower === null ? null : Values::read($declaration->lower),
            $declaration?->upper === null ? null : Values::read($declaration->upper),
        );
    }

    /** @param  list<mixed>  $response */
    public function points(array $response): BigRational
    {
        $sum = BigRational::zero();
        $met = [];
        foreach ($response as $given) {
            $key = Values::key($given);
            if (! isset($met[$key])) {
                $met[$key] = true;
                $sum = $sum->plus($this->exact[$key] ?? $this->withoutCase($given) ?? $this->default);
            }
        }
        $sum = $this->low !== null && $sum->isLessThan($this->low) ? $this->low : $sum;

        return $this->high !== null && $sum->isGreaterThan($this->high) ? $this->high : $sum;
    }

    private function withoutCase(mixed $given): ?BigRational
    {
        return is_string($given) ? $this->folded[mb_convert_case($given, MB_CASE_FOLD, 'UTF-8')] ?? null : null;
    }
}
