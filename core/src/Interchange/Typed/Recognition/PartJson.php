<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Words;
use WideQuarry\Interchange\Typed\TypedAnswer;
use WideQuarry\Question\FieldWidth;

/** Parts of our JSON: core/schema/parts. */
final class PartJson
{
    /**
     * @param  list<string>  $html  of each option
     * @param  list<int>  $right
     * @param  array<string, mixed>  $more  settings
     */
    public static function choice(
        string $id,
        int|float $points,
        array $html,
        array $right,
        bool $isSeveral = false,
        array $more = [],
    ): \stdClass {
        $ids = array_map(self::letters(...), array_keys($html));

        return (object) [
            'id' => $id,
            'kind' => 'choice',
            'points' => $points,
            'settings' => (object) [
                'options' => self::named($html, $ids),
                'max' => count($right) > 1 || $isSeveral ? null : 1,
                ...$more,
            ],
            'key' => self::key(array_map(fn (int $i): array => ["r-$ids[$i]", $ids[$i]], $right)),
        ];
    }

    /**
     * @param  list<string>  $html
     * @param  list<int>  $right
     */
    public static function menu(string $id, int|float $points, array $html, array $right): \stdClass
    {
        $ids = array_map(self::letters(...), array_keys($html));

        return (object) [
            'id' => $id,
            'kind' => 'menu',
            'points' => $points,
            'settings' => (object) ['options' => self::named($html, $ids)],
            'key' => self::key(array_map(fn (int $i): array => ["r-$ids[$i]", $ids[$i]], $right)),
        ];
    }

    /**
     * @param  list<string>  $left
     * @param  list<string>  $right
     * @param  list<array{int, int}>  $pairs
     */
    public static function match(string $id, int|float $points, array $left, array $right, array $pairs): \stdClass
    {
        $ids = fn (string $side, array $all): array => array_map(fn (int $i): string => $side.($i + 1), array_keys($all));

        return (object) [
            'id' => $id,
            'kind' => 'match',
            'points' => $points,
            'settings' => (object) ['left' => self::named($left, $ids('l', $left)), 'right' => self::named($right, $ids('r', $right))],
            'key' => self::key(array_map(
                fn (array $pair, int $i): array => ['k'.($i + 1), ['l'.($pair[0] + 1), 'r'.($pair[1] + 1)]],
                $pairs,
                array_keys($pairs),
            )),
        ];
    }

    /**
     * @param  list<string>  $html
     * @param  list<int>|null  $sequence
     */
    public static function order(string $id, int|float $points, array $html, ?array $sequence): \stdClass
    {
        $ids = array_map(self::letters(...), array_keys($html));
        $rules = $sequence === null ? [] : [
            (object) ['id' => 'r1', 'on' => array_map(fn (int $i): array => [$ids[$i]], $sequence), 'credit' => '1'],
        ];

        return (object) [
            'id' => $id,
            'kind' => 'order',
            'points' => $points,
            'settings' => (object) ['items' => self::named($html, $ids)],
            'key' => (object) ['rules' => $rules],
        ];
    }

    /** @return array{\stdClass, string} the part, and the unit to be written after it */
    public static function typed(string $id, int|float $points, string $answer, ?QuestionType $type = null): array
    {
        // "3.14 (accept 3.1)"
        $accept = '/^(.+?)\s*[(\[]\s*(?:also\s+)?accept(?:able|ed)?\s*:?\s+(?!any)(.+?)\s*[)\]]$/iu';
        if (preg_match($accept, $answer, $m) === 1) {
            $answer = "$m[1] / $m[2]";
        }
        $number = $type === QuestionType::Words ? null : self::number($answer);
        if ($number !== null) {
            return [self::keyed($id, 'number', $points, ['width' => 8], $number[0]), $number[1]];
        }

        return [self::words($id, $points, TypedAnswer::words($answer)), ''];
    }

    /** @param  list<string>  $words  that are all right */
    public static function words(string $id, int|float $points, array $words): \stdClass
    {
        return self::keyed($id, 'text', $points, ['width' => FieldWidth::for(...$words)], ['answer' => 'is', 'text' => $words]);
    }

    public static function byHand(string $id, int|float $points, int $gaps): \stdClass
    {
        return (object) [
            'id' => $id,
            'kind' => 'text',
            'points' => $points,
            'settings' => (object) ($gaps > 0 ? ['width' => 20] : ['width' => 60, 'lines' => 4]),
            'scoring' => (object) ['scheme' => 'person'],
        ];
    }

    /**
     * @param  list<Words>  $models
     * @param  list<Words>  $scheme
     */
    public static function essay(string $id, int|float $points, int $lines, array $models, array $scheme): \stdClass
    {
        $key = [];
        if ($scheme !== []) {
            $key['rubric'] = SchemeLines::rubric($scheme);
        }
        if ($models !== []) {
            $key['models'] = [(object) ['id' => 'm1', 'html' => (new Body)->paragraphs($models)->html()]];
        }

        return (object) [
            'id' => $id,
            'kind' => 'essay',
            'points' => $points,
            'settings' => (object) ['lines' => min(400, max(1, $lines)), 'format' => 'plain'],
            ...$key === [] ? [] : ['key' => (object) $key],
            'scoring' => (object) ['scheme' => 'person'],
        ];
    }

    /** Whether an answer is a number, a range of numbers, or a number with a tolerance. */
    public static function isNumber(string $answer): bool
    {
        return self::number($answer) !== null;
    }

    /** @return array{array<string, mixed>, string}|null what is right, and the unit */
    private static function number(string $answer): ?array
    {
        $answer = trim((string) preg_replace('/^(?:about|approximately|approx\.?|ca\.?|circa|≈|~|=)\s*/iu', '', trim($answer)));
        if (preg_match(
            '/^(?:between\s+)?([-−]?\d+(?:[.,]\d+)?)\s*(?:–|—|\bto\b|\band\b|\bbis\b)\s*([-−]?\d+(?:[.,]\d+)?)\s*((?:%|‰|°|'.
            '[\p{L}µΩ]).{0,29})?$/u',
            $answer,
            $m,
        ) === 1) {
            [$from, $to] = [TypedAnswer::number($m[1])['value'] ?? null, TypedAnswer::number($m[2])['value'] ?? null];
            if ($from !== null && $to !== null && (float) str_replace(',', '.', $m[1]) < (float) str_replace(',', '.', $m[2])) {
                return [['answer' => 'range', 'from' => $from, 'to' => $to], trim($m[3] ?? '')];
            }
        }
        // a tolerance in brackets, before or behind a unit
        $answer = (string) preg_replace(
            '/^(.*?\d)\s*(\p{L}[^±()]*?)?\s*\(\s*((?:±|\+\/-)[^)]*?)\s*\)\s*(.*)$/u',
            '$1 $3 $2$4',
            $answer,
        );
        $isPercent = preg_match('/(?:±|\+\/-|\+-)\s*([\d.,]+)\s*%\s*$/u', $answer, $m) === 1;
        $plain = $isPercent ? trim(substr($answer, 0, -strlen($m[0]))) : $answer;
        $number = TypedAnswer::number($plain) ?? TypedAnswer::number(str_replace(',', '.', $plain));
        if ($number === null) {
            return null;
        }
        $width = $isPercent ? TypedAnswer::number($m[1])['value'] ?? null : $number['width'];

        return [
            [
                'answer' => 'value',
                'value' => $number['value'],
                ...$width === null ? [] : ['tolerance' => (object) ['kind' => $isPercent ? 'percent' : 'absolute', 'width' => $width]],
            ],
            $number['unit'],
        ];
    }

    /**
     * @param  array<string, mixed>  $settings
     * @param  array<string, mixed>  $on
     */
    private static function keyed(string $id, string $kind, int|float $points, array $settings, array $on): \stdClass
    {
        return (object) [
            'id' => $id,
            'kind' => $kind,
            'points' => $points,
            'settings' => (object) $settings,
            'key' => self::key([['r1', (object) $on]]),
        ];
    }

    /** @param  list<array{string, mixed}>  $rules */
    private static function key(array $rules): \stdClass
    {
        return (object) [
            'rules' => array_map(fn (array $rule): \stdClass => (object) ['id' => $rule[0], 'on' => $rule[1], 'credit' => '1'], $rules),
            'default' => '0',
        ];
    }

    /**
     * @param  list<string>  $html
     * @param  list<string>  $ids
     * @return list<\stdClass>
     */
    private static function named(array $html, array $ids): array
    {
        return array_map(fn (string $one, string $id): \stdClass => (object) ['id' => $id, 'html' => $one], $html, $ids);
    }

    private static function letters(int $i): string
    {
        return $i < 26 ? chr(97 + $i) : chr(96 + intdiv($i, 26)).'x'.chr(97 + ($i % 26));
    }
}
