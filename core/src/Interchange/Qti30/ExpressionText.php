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
        'qti-and' => ' and ',
        'qti-or' => ' or ',
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
        if ($name === 'qti-math-constant') {
            return in_array($e->getAttribute('name'), ['pi', 'e'], true) ? $e->getAttribute('name') : null;
        }
        if (! in_array($e->getAttribute('tolerance-mode'), ['', 'exact'], true)) {
            return null;
        }
        $inner = array_map($this->of(...), Xml::children($e));
        if ($inner === [] || in_array(null, $inner, true)) {
            return null;
        }

        return isset(self::JOINED[$name])
            ? (count($inner) === 1 ? $inner[0] : '('.implode(self::JOINED[$name], $inner).')')
            : $this->function($name, $e, $inner);
    }

    /** @param  non-empty-list<string>  $of */
    private function function(string $name, \DOMElement $e, array $of): ?string
    {
        $x = $of[0];
        $figures = (int) $e->getAttribute('figures');

        return match ($name) {
            'qti-round-to' => $e->getAttribute('rounding-mode') === 'significantFigures' ? "figures($x, $figures)" : "round($x, $figures)",
            'qti-round' => "floor($x + 1/2)",
            'qti-truncate' => "(sign($x)*floor(abs($x)))",
            'qti-math-operator' => self::maths($e->getAttribute('name'), $x),
            'qti-stats-operator' => $e->getAttribute('name') === 'mean' ? "mean($x)" : null,
            'qti-min', 'qti-max', 'qti-gcd', 'qti-lcm' => substr($name, 4).'('.implode(', ', $of).')',
            'qti-integer-divide' => count($of) === 2 ? "floor($x/$of[1])" : null,
            'qti-integer-modulus' => count($of) === 2 ? "mod($x, $of[1])" : null,
            'qti-multiple', 'qti-ordered' => '['.implode(', ', $of).']',
            'qti-member' => count($of) === 2 ? "($x in $of[1])" : null,
            'qti-index' => $this->item($e->getAttribute('n'), $x),
            'qti-not' => str_contains($x, ' = ') && substr_count($x, '=') === 1 && preg_match('/ (and|or|in) /', $x) !== 1
                ? str_replace(' = ', ' != ', $x)
                : "(not $x)",
            'qti-integer-to-float' => $x,
            default => null,
        };
    }

    /** An angle of degrees is one of radians there: sin(toRadians(x)). */
    private static function maths(string $name, string $x): ?string
    {
        if (preg_match('/^(sin|cos|tan)$/', $name) === 1 && preg_match('/^\((.*)\*pi\/180\)$/', $x, $m) === 1) {
            return "{$name}d($m[1])";
        }

        return match ($name) {
            'sin', 'cos', 'tan', 'asin', 'acos', 'atan', 'exp', 'ln', 'log', 'abs', 'floor', 'ceil' => "$name($x)",
            'sec' => "(1/cos($x))",
            'csc' => "(1/sin($x))",
            'cot' => "(1/tan($x))",
            'signum' => "sign($x)",
            'toRadians' => "($x*pi/180)",
            'toDegrees' => preg_match('/^(asin|acos|atan)\((.*)\)$/', $x, $m) === 1 ? "$m[1]d($m[2])" : "($x*180/pi)",
            default => null,
        };
    }

    /** An item by a number, or by a variable that numbers it. */
    private function item(string $n, string $list): ?string
    {
        $place = preg_match('/^[1-9]\d*$/', $n) === 1 ? $n : $this->names[$n] ?? null;

        return $place === null ? null : "{$list}[$place]";
    }

    private function constant(\DOMElement $e): ?string
    {
        $text = trim($e->textContent);
        if (in_array($e->getAttribute('base-type'), ['float', 'integer'], true)) {
            $value = Exact::read($text);

            return $value === null ? null : Exact::decimal($value) ?? '('.Exact::text($value).')';
        }

        return '"'.str_replace('"', '""', $text).'"';
    }
}
