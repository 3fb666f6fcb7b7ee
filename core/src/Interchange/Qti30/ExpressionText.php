<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Numbers\Exact;

/** An expression of QTI over template variables as our own text; null where there is no such one, or chance is in it. */
final readonly class ExpressionText
{
    private const JOINED = [
        'qti-sum' => ' + ',
        'qti-product' => '*',
        'qti-subtract' => ' - ',
        'qti-divide' => '/',
        'qti-power' => '^',
        'qti-lt' => ' < ',
        'qti-lte' => ' <= ',
        'qti-gt' => ' > ',
        'qti-gte' => ' >= ',
        'qti-equal' => ' = ',
        'qti-match' => ' = ',
        'qti-string-match' => ' = ',
    ];

    /** @param  array<string, string>  $names  template variable → as it is called here */
    public function __construct(private array $names)
    {
    }

    public function of(\DOMElement $e): ?string
    {
        $name = (string) $e->localName;
        if ($name === 'qti-base-value') {
            return $this->constant($e);
        }
        if ($name === 'qti-variable') {
            return $this->names[$e->getAttribute('identifier')] ?? null;
        }
        if (! in_array($e->getAttribute('tolerance-mode'), ['', 'exact'], true)) {
            return null;
        }
        $inner = array_map($this->of(...), Xml::children($e));
        if ($inner === [] || in_array(null, $inner, true)) {
            return null;
        }

        return match (true) {
            isset(self::JOINED[$name]) => count($inner) === 1 ? $inner[0] : '('.implode(self::JOINED[$name], $inner).')',
            $name === 'qti-round-to' && $e->getAttribute('rounding-mode') !== 'significantFigures' => "round($inner[0], ".
                (int) $e->getAttribute('figures').
                ')',
            $name === 'qti-round' => "floor($inner[0] + 1/2)",
            $name === 'qti-truncate', $name === 'qti-math-operator' && $e->getAttribute('name') === 'floor' => "floor($inner[0])",
            $name === 'qti-math-operator' && in_array($e->getAttribute('name'), ['ceil', 'abs'], true) => "{$e->getAttribute(
                'name',
            )}($inner[0])",
            $name === 'qti-min', $name === 'qti-max' => substr($name, 4).'('.implode(', ', $inner).')',
            $name === 'qti-integer-divide' && count($inner) === 2 => "floor($inner[0]/$inner[1])",
            $name === 'qti-integer-modulus' && count($inner) === 2 => "($inner[0] - $inner[1]*floor($inner[0]/$inner[1]))",
            $name === 'qti-not' && str_contains($inner[0], ' = ') && substr_count($inner[0], '=') === 1 => str_replace(
                ' = ',
                ' != ',
                $inner[0],
            ),
            $name === 'qti-integer-to-float' => $inner[0],
            default => null,
        };
    }

    private function constant(\DOMElement $e): ?string
    {
        $text = trim($e->textContent);
        if (in_array($e->getAttribute('base-type'), ['float', 'integer'], true)) {
            $value = Exact::read($text);

            return $value === null ? null : Exact::decimal($value) ?? '('.Exact::text($value).')';
        }

        return str_contains($text, '"') ? null : "\"$text\"";
    }
}
