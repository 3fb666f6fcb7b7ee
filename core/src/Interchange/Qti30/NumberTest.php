<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

/** Conditions over a number, read as what a rule asks for; null for those that cannot be told. */
final class NumberTest
{
    /** @return array<string, mixed>|null */
    public static function condition(\DOMElement $test): ?array
    {
        $value = trim(Xml::child($test, 'qti-base-value')->textContent ?? '');
        if ($value === '' && in_array($test->localName, ['qti-equal', 'qti-equal-rounded', 'qti-match'], true)) {
            return null;
        }

        return match ($test->localName) {
            'qti-equal' => self::equal($test, $value),
            'qti-equal-rounded' => [
                'answer' => 'value',
                'value' => $value,
                'tolerance' => (object) [
                    'kind' => $test->getAttribute('rounding-mode') === 'significantFigures' ? 'figures' : 'places',
                    'digits' => (int) $test->getAttribute('figures'),
                ],
            ],
            'qti-match' => ['answer' => 'value', 'value' => $value],
            'qti-gte', 'qti-gt', 'qti-lte', 'qti-lt' => self::range([$test]),
            'qti-and' => self::range(Xml::children($test)),
            'qti-or' => self::set(Xml::children($test)),
            default => null,
        };
    }

    /** @return array<string, mixed>|null */
    private static function equal(\DOMElement $test, string $value): ?array
    {
        $mode = Xml::attribute($test, 'tolerance-mode') ?? 'exact';
        $widths = preg_split('/\s+/', trim($test->getAttribute('tolerance'))) ?: ['0'];
        if ($mode === 'exact') {
            return ['answer' => 'value', 'value' => $value];
        }
        if ($mode === 'relative' && (Xml::children($test)[0] ?? null)?->localName === 'qti-variable') {
            return null; // a share of what is given, not of the key
        }
        if (
            count(array_unique($widths)) > 1 ||
            ! in_array($mode, ['absolute', 'relative'], true) ||
            $test->getAttribute('include-lower-bound') === 'false' ||
            $test->getAttribute('include-upper-bound') === 'false'
        ) {
            return null;
        }

        return [
            'answer' => 'value',
            'value' => $value,
            'tolerance' => (object) ['kind' => $mode === 'absolute' ? 'absolute' : 'percent', 'width' => $widths[0]],
        ];
    }

    /**
     * @param  list<\DOMElement>  $ends
     * @return array<string, mixed>|null
     */
    private static function range(array $ends): ?array
    {
        $range = ['answer' => 'range', 'from' => null, 'to' => null];
        $closed = [];
        foreach ($ends as $end) {
            $name = match ($end->localName) {
                'qti-gte', 'qti-gt' => 'from',
                'qti-lte', 'qti-lt' => 'to',
                default => null,
            };
            if ($name === null || $range[$name] !== null || (Xml::children($end)[0] ?? null)?->localName !== 'qti-variable') {
                return null;
            }
            $range[$name] = trim(Xml::child($end, 'qti-base-value')->textContent ?? '');
            if ($range[$name] === '') {
                return null;
            }
            $closed = in_array($end->localName, ['qti-gte', 'qti-lte'], true) ? [...$closed, $name] : $closed;
        }

        return [
            ...$range,
            'ends' => match (count($closed)) {
                2 => 'both',
                1 => $closed[0],
                default => 'none',
            },
        ];
    }

    /**
     * @param  list<\DOMElement>  $tests
     * @return array<string, mixed>|null
     */
    private static function set(array $tests): ?array
    {
        $each = array_map(self::condition(...), $tests);
        $same = array_unique(
            array_map(fn (?array $on): string => json_encode([$on['answer'] ?? '', $on['tolerance'] ?? null], JSON_THROW_ON_ERROR), $each),
        );
        if (count($same) !== 1 || ($each[0]['answer'] ?? '') !== 'value') {
            return null;
        }

        return array_filter(['answer' => 'set', 'values' => array_column($each, 'value'), 'tolerance' => $each[0]['tolerance'] ?? null]);
    }
}
