<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Cartridge;

use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use WideQuarry\Answer\NumberMatcher;
use WideQuarry\Numbers\Exact;
use WideQuarry\Numbers\NumberSymbols;
use WideQuarry\Variables\Roll;

/** Lists the ways to type the numbers a rule accepts, for formats that compare strings. */
final readonly class SpelledNumbers
{
    private const MOST = 60;

    private const PLACES = 6;

    private string $decimalSign;

    public function __construct(string $language)
    {
        $this->decimalSign = NumberSymbols::of($language)->decimal;
    }

    /** @return list<string> empty when there are too many or infinitely many */
    public function of(NumberMatcher $on, Roll $roll): array
    {
        if (! in_array($on->answer, ['value', 'set', 'range'], true)) {
            return [];
        }
        $spelled = [];
        foreach ($on->values() as $value) {
            $number = $value->number($roll);
            $places[] = $this->places($number);
            if ($on->answer !== 'range' && $on->accepts($number, $roll)) {
                array_push($spelled, ...$this->exactly($number));
            }
        }
        foreach ($on->intervals($roll) as [$from, $to, $ends]) {
            if ($from === null || $to === null) {
                return [];
            }
            array_push($spelled, ...$from->isEqualTo($to) ? [] : $this->within($from, $to, $ends, max([0, ...$places ?? []])));
        }

        return array_values(array_unique($spelled));
    }

    /** @return list<string> as a decimal, a fraction, per cent */
    private function exactly(BigRational $number): array
    {
        $decimal = Exact::decimal($number);
        $percent = Exact::decimal($number->multipliedBy(100));
        $whole = $number->simplified()->getDenominator()->isEqualTo(1);

        return [
            ...$decimal === null ? [] : $this->signed($decimal),
            ...$whole ? [] : [Exact::text($number)],
            ...$whole || $percent === null
                ? []
                : array_merge(...array_map(fn (string $one): array => ["$one%", "$one %"], $this->signed($percent))),
        ];
    }

    /**
     * Every decimal with this many places, or fewer when that would be too many.
     *
     * @param  'both'|'from'|'to'|'none'  $ends
     * @return list<string>
     */
    private function within(BigRational $from, BigRational $to, string $ends, int $places): array
    {
        for (; $places >= 0; $places--) {
            $ten = BigInteger::ten()->power($places);
            $first = $from->multipliedBy($ten)->toScale(0, RoundingMode::CEILING)->toBigInteger();
            $last = $to->multipliedBy($ten)->toScale(0, RoundingMode::FLOOR)->toBigInteger();
            if ($last->minus($first)->isGreaterThanOrEqualTo(self::MOST)) {
                continue;
            }
            $spelled = [];
            for ($at = $first; $at->isLessThanOrEqualTo($last); $at = $at->plus(1)) {
                $number = BigRational::nd($at, $ten);
                $isEnd =
                    ($number->isEqualTo($from) && ! in_array($ends, ['both', 'from'], true)) ||
                    ($number->isEqualTo($to) && ! in_array($ends, ['both', 'to'], true));
                if (! $isEnd) {
                    array_push(
                        $spelled,
                        ...$this->signed((string) $number->toScale($places)),
                        ...$this->signed(Exact::decimal($number) ?? ''),
                    );
                }
            }

            return $spelled;
        }

        return [];
    }

    private function places(BigRational $number): int
    {
        $decimal = Exact::decimal($number) ?? '';

        return str_contains($decimal, '.') ? min(self::PLACES, strlen($decimal) - (int) strpos($decimal, '.') - 1) : 0;
    }

    /** @return list<string> with the decimal sign of the language, and with a point */
    private function signed(string $decimal): array
    {
        return array_values(array_unique([str_replace('.', $this->decimalSign, $decimal), $decimal]));
    }
}
