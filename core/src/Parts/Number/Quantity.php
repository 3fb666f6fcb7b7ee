<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Number;

use WideQuarry\Answer\NumberReader;
use WideQuarry\Answer\NumberReading;
use WideQuarry\Numbers\Exact;
use WideQuarry\Units\Unit;
use WideQuarry\Units\UnitReader;

/** A number and perhaps a unit, as a learner typed them together: "2.5 km", "1.2e3 m", "5 cm³". */
final readonly class Quantity
{
    /** What a unit may begin with. */
    private const BEGINS = '/[\p{L}°\x{2126}\x{212B}℃℉′″\'"]/u';

    private function __construct(public NumberReading $number, public string $digits, public ?Unit $unit)
    {
    }

    /**
     * The unit begins at the last place before which a number stands.
     *
     * @param  string|null  $chosen  a unit that was chosen beside the number
     *
     * @throws \WideQuarry\Units\UnitProblem
     */
    public static function read(string $typed, ?string $chosen, NumberReader $reader): self
    {
        $whole = $reader->read($typed);
        if ($whole->value !== null) {
            $unit = $chosen === null || $chosen === '' ? null : UnitReader::read($chosen);

            return new self($whole, trim($typed), $unit);
        }
        preg_match_all(self::BEGINS, $typed, $found, PREG_OFFSET_CAPTURE);
        foreach (array_reverse($found[0]) as [, $at]) {
            // "1/s" and "/kg" begin with a stroke
            $before = rtrim(substr($typed, 0, (int) $at));
            foreach ([$before, rtrim($before, '/'), rtrim(preg_replace('~1/$~', '', $before) ?? '')] as $digits) {
                $number = $digits === '' ? null : $reader->read($digits);
                if ($number?->value !== null) {
                    return new self($number, trim($digits), UnitReader::read(trim(substr($typed, strlen($digits)))));
                }
            }
        }

        return new self($whole, trim($typed), null);
    }

    /** A number without a unit. */
    public static function alone(NumberReading $number, string $digits): self
    {
        return new self($number, trim($digits), null);
    }

    /** The same with one reading of its number. */
    public function meaning(NumberReading $number): self
    {
        return new self($number, $this->digits, $this->unit);
    }

    /** As it was understood: "2.5 km". */
    public function understood(): string
    {
        $number = str_replace('-', '−', $this->digits);

        return $this->unit === null ? $number : "$number\u{A0}{$this->unit->symbol}";
    }

    /** The same number in another unit of the same dimension. */
    public function in(Unit $unit): NumberReading
    {
        $value = $this->number->value ?? Exact::zero();

        return $this->unit === null || $this->unit->isSame($unit)
            ? $this->number->alone()
            : $this->number->as($this->unit->convert($value, $unit), $this->number->notation, null);
    }
}
