<?php

declare(strict_types=1);

namespace WideQuarry\Tests\Support;

/**
 * An evaluator of the response processing of QTI 1.2.1, written from the standard (ASI information model, 3.4 to 3.6) and in floats,
 * sharing nothing with readers and writers.
 */
final class ResponseConditions
{
    /** @param  array<string, list<string>>  $responses */
    public static function score(string $item, array $responses): float
    {
        return self::run($item, $responses)[0];
    }

    /**
     * @param  array<string, list<string>>  $responses
     * @return list<string> the words that show, sorted
     */
    public static function feedback(string $item, array $responses): array
    {
        $document = self::item($item);
        $shown = self::run($item, $responses)[1];
        $words = [];
        foreach ($document->getElementsByTagName('itemfeedback') as $feedback) {
            if (in_array($feedback->getAttribute('ident'), $shown, true)) {
                $words[] = trim(strip_tags($feedback->textContent));
            }
        }
        sort($words);

        return $words;
    }

    private static function item(string $item): \DOMElement
    {
        $document = new \DOMDocument;
        $document->loadXML($item) || throw new \LogicException('Not well-formed.');

        return $document->getElementsByTagName('item')->item(0) ?? throw new \LogicException('No item.');
    }

    /**
     * @param  array<string, list<string>>  $responses
     * @return array{float, list<string>}
     */
    private static function run(string $item, array $responses): array
    {
        $element = self::item($item);
        $variable = $element->getElementsByTagName('decvar')->item(0);
        $score = (float) ($variable?->getAttribute('defaultval') ?: 0);
        $shown = [];
        foreach ($element->getElementsByTagName('respcondition') as $condition) {
            if (! self::holds($condition->getElementsByTagName('conditionvar')->item(0), $responses)) {
                continue;
            }
            foreach ($condition->getElementsByTagName('setvar') as $set) {
                $value = (float) $set->textContent;
                $score = match (strtolower($set->getAttribute('action') ?: 'set')) {
                    'set' => $value,
                    'add' => $score + $value,
                    'subtract' => $score - $value,
                    'multiply' => $score * $value,
                    'divide' => $score / $value,
                };
            }
            foreach ($condition->getElementsByTagName('displayfeedback') as $feedback) {
                $shown[] = $feedback->getAttribute('linkrefid');
            }
            if (strtolower($condition->getAttribute('continue')) !== 'yes') {
                break;
            }
        }
        if ($variable !== null && $variable->hasAttribute('minvalue')) {
            $score = max($score, (float) $variable->getAttribute('minvalue'));
        }
        if ($variable !== null && $variable->hasAttribute('maxvalue')) {
            $score = min($score, (float) $variable->getAttribute('maxvalue'));
        }

        return [$score, $shown];
    }

    /** A rectangle by its corner and size, an ellipse by its middle and size, anything else by its corners (ASI 1.2.1, rarea). */
    private static function lies(\DOMElement $test, string $at): bool
    {
        $n = array_map(floatval(...), explode(',', $test->textContent));
        [$x, $y] = array_map(floatval(...), explode(' ', $at));

        return match ($test->getAttribute('areatype')) {
            'Rectangle' => Places::lies('rectangle', [$n[0], $n[1], $n[0] + $n[2], $n[1] + $n[3]], $x, $y),
            'Ellipse' => Places::lies('ellipse', [$n[0], $n[1], $n[2] / 2, $n[3] / 2], $x, $y),
            default => Places::lies('polygon', $n, $x, $y),
        };
    }

    /** @param  array<string, list<string>>  $responses */
    private static function holds(\DOMElement $test, array $responses): bool
    {
        $inner = array_values(
            array_filter(iterator_to_array($test->childNodes), fn (\DOMNode $node): bool => $node instanceof \DOMElement),
        );
        $each = fn (): array => array_map(fn (\DOMElement $one): bool => self::holds($one, $responses), $inner);
        $given = $responses[$test->getAttribute('respident')] ?? [];
        $given = $test->hasAttribute('index') ? array_slice($given, (int) $test->getAttribute('index') - 1, 1) : $given;
        $folded = fn (string $text): string => strtolower($test->getAttribute('case')) === 'yes'
            ? trim($text)
            : mb_strtolower(trim($text));
        $wanted = $folded($test->textContent);
        $number = fn (\Closure $compare): bool => $given !== [] &&
            is_numeric($given[0]) &&
            $compare((float) $given[0], (float) $test->textContent);

        return match ($test->localName) {
            'conditionvar', 'and' => ! in_array(false, $each(), true),
            'or' => in_array(true, $each(), true),
            'not' => ! in_array(true, $each(), true),
            'other' => true,
            'unanswered' => $given === [],
            'varequal' => in_array($wanted, array_map($folded, $given), true),
            'varinside' => array_filter($given, fn (string $at): bool => self::lies($test, $at)) !== [],
            'varsubstring' => array_filter($given, fn (string $one): bool => str_contains($folded($one), $wanted)) !== [],
            'vargte' => $number(fn (float $a, float $b): bool => $a >= $b - 1e-9),
            'vargt' => $number(fn (float $a, float $b): bool => $a > $b + 1e-12),
            'varlte' => $number(fn (float $a, float $b): bool => $a <= $b + 1e-9),
            'varlt' => $number(fn (float $a, float $b): bool => $a < $b - 1e-12),
        };
    }
}
