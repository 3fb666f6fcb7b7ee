<?php

declare(strict_types=1);

namespace WideQuarry\Variables;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Maths\Approximation;
use WideQuarry\Maths\Arithmetic;
use WideQuarry\Numbers\Exact;
use WideQuarry\Numbers\NumberSymbols;

/** How a value is written where a learner reads it. */
final readonly class ValueFormat
{
    private function __construct(
        private string $as,
        private ?int $places,
        private ?int $figures,
        private string $sign,
        private string $unit,
        private bool $thousands,
    ) {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['as', 'places', 'figures', 'sign', 'unit', 'thousands']);

        return new self(
            $fields->oneOf('as', ['decimal', 'fraction', 'scientific'], 'decimal'),
            $fields->has('places') ? $fields->int('places', 0, 0, 30) : null,
            $fields->has('figures') ? $fields->int('figures', 1, 1, 30) : null,
            $fields->oneOf('sign', ['plain', 'always', 'natural'], 'plain'),
            $fields->string('unit', '', 40),
            $fields->bool('thousands', false),
        );
    }

    public static function plain(): self
    {
        /** @var self|null $plain */
        static $plain = null;

        return $plain ??= new self('decimal', null, null, 'plain', '', false);
    }

    /** Whether what it writes has been shortened, or is to be a fraction: no long number is an accident then. */
    public function isShort(): bool
    {
        return $this->places !== null || $this->figures !== null || $this->as !== 'decimal';
    }

    /** Whether its sign joins a sum before it, and a factor of 1 goes unwritten. */
    public function isNatural(): bool
    {
        return $this->sign === 'natural';
    }

    /**
     * A number without a finite decimal is written as a fraction unless places or figures are set, and one that is not exact with 30
     * figures.
     *
     * @param  mixed  $value  a number, words, true or false, or a list of these
     */
    public function write(mixed $value, string $language): string
    {
        if (is_int($value) && $this === self::plain()) {
            return str_replace('-', '−', (string) $value);
        }
        if (is_array($value)) {
            return implode(', ', array_map(fn (mixed $item): string => $this->write($item, $language), $value));
        }

        return match (true) {
            is_bool($value) => $value ? 'true' : 'false',
            is_string($value) => $value,
            is_int($value), $value instanceof BigRational, $value instanceof Approximation => $this->number($value, $language),
            default => throw new \LogicException('That is no value of a roll.'),
        };
    }

    private function number(int|BigRational|Approximation $given, string $language): string
    {
        $value = Arithmetic::rational($given);
        $text = match (true) {
            $this->as === 'scientific' => $this->scientific($value),
            $this->as === 'fraction' && ! ($given instanceof Approximation) => Exact::text($value),
            $this->places !== null => (string) Exact::toPlaces($value, $this->places),
            $this->figures !== null => (string) Exact::toFigures($value, $this->figures),
            default => Exact::decimal($value) ?? Exact::text($value),
        };
        $symbols = NumberSymbols::of($language);
        if ($this->thousands && preg_match('~^(-?)(\d{4,})(\..*)?$~D', $text, $m) === 1) {
            // a space that does not break where a language has no mark of its own, or a common one
            $group = $symbols->group === ' ' ? "\u{202F}" : $symbols->group;
            $whole = strrev(implode(strrev($group), str_split(strrev($m[2]), 3)));
            $text = $m[1].$whole.str_replace('.', $symbols->decimal, $m[3] ?? '');
        } else {
            $text = str_replace('.', $symbols->decimal, $text);
        }
        $text = str_replace('-', '−', $text);
        $text = $this->sign === 'always' && ! $value->isNegative() ? "+$text" : $text;

        return $this->unit === '' ? $text : "$text\u{A0}$this->unit";
    }

    private function scientific(BigRational $value): string
    {
        $rounded = Exact::toFigures($value, $this->figures ?? ($this->places ?? 2) + 1);
        if ($rounded->isZero()) {
            return '0';
        }
        $digits = (string) $rounded->abs()->getUnscaledValue();
        $exponent = strlen($digits) - 1 - $rounded->getScale();
        $mantissa = BigDecimal::ofUnscaledValue(
            substr(str_pad($digits, $this->figures ?? ($this->places ?? 2) + 1, '0'), 0, $this->figures ?? ($this->places ?? 2) + 1),
            ($this->figures ?? ($this->places ?? 2) + 1) - 1,
        );

        return ($rounded->isNegative() ? '-' : '').
            $mantissa.
            ' × 10'.
            strtr((string) $exponent, [
                '-' => '⁻',
                '0' => '⁰',
                '1' => '¹',
                '2' => '²',
                '3' => '³',
                '4' => '⁴',
                '5' => '⁵',
                '6' => '⁶',
                '7' => '⁷',
                '8' => '⁸',
                '9' => '⁹',
            ]);
    }
}
