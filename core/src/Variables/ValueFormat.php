<?php

declare(strict_types=1);

namespace WideQuarry\Variables;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
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
    ) {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['as', 'places', 'figures', 'sign', 'unit']);

        return new self(
            $fields->oneOf('as', ['decimal', 'fraction', 'scientific'], 'decimal'),
            $fields->has('places') ? $fields->int('places', 0, 0, 30) : null,
            $fields->has('figures') ? $fields->int('figures', 1, 1, 30) : null,
            $fields->oneOf('sign', ['plain', 'always', 'natural'], 'plain'),
            $fields->string('unit', '', 40),
        );
    }

    public static function plain(): self
    {
        return new self('decimal', null, null, 'plain', '');
    }

    /** A number without a finite decimal is written as a fraction unless places or figures are set. */
    public function write(BigRational|string|bool $value, string $language): string
    {
        if (! ($value instanceof BigRational)) {
            return is_bool($value) ? ($value ? 'true' : 'false') : $value;
        }
        $text = match (true) {
            $this->as === 'scientific' => $this->scientific($value),
            $this->as === 'fraction' => Exact::text($value),
            $this->places !== null => (string) Exact::toPlaces($value, $this->places),
            $this->figures !== null => (string) Exact::toFigures($value, $this->figures),
            default => Exact::decimal($value) ?? Exact::text($value),
        };
        $text = str_replace(['-', '.'], ['−', NumberSymbols::of($language)->decimal], $text);
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
