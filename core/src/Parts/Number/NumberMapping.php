<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Number;

use WideQuarry\Answer\NumberMatcher;
use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Interchange\Qti30\MappingDefaults;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\NumberConditions;
use WideQuarry\Interchange\Qti30\NumberTest;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Numbers\NumberSymbols;
use WideQuarry\Parts\TypedChain;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;

/** qti-text-entry-interaction over a float or an integer. */
final class NumberMapping implements KindMapping
{
    use MappingDefaults;

    public function shape(): AnswerShape
    {
        return AnswerShape::Number;
    }

    public function choices(\stdClass $settings, array $gaps): array
    {
        return [[], []];
    }

    public function canKeyVary(): bool
    {
        return true;
    }

    public function toResponse(array $given, string $language, \stdClass $settings): \stdClass
    {
        return (object) ['text' => str_replace('.', NumberSymbols::of($language)->decimal, $given[0] ?? '')];
    }

    public function on(string $value): ?string
    {
        return null;
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return $interaction->localName === 'qti-text-entry-interaction' &&
            in_array($declaration?->baseType, ['float', 'integer'], true) &&
            $declaration->cardinality === 'single';
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass
    {
        if ($declaration === null || $marking === null) {
            return (object) [
                'kind' => 'number',
                'points' => 1,
                'settings' => new \stdClass(),
                'key' => (object) ['rules' => []],
                'scoring' => (object) ['scheme' => 'person'],
            ];
        }
        $part = match ($marking->by) {
            'correct' => $declaration->correct === []
                ? null
                : (object) [
                    'kind' => 'number',
                    'points' => ScoreFloats::points(Exact::read($marking->points) ?? Exact::one()),
                    'settings' => new \stdClass(),
                    'key' => (object) [
                        'rules' => [
                            ['id' => 'r1', 'on' => (object) ['answer' => 'value', 'value' => $declaration->correct[0]], 'credit' => '1'],
                        ],
                        'default' => '0',
                    ],
                    'scoring' => (object) ['scheme' => 'weights'],
                ],
            'chain' => TypedChain::read('number', $marking, NumberTest::condition(...)),
            default => null,
        };
        if ($part !== null && (int) $interaction->getAttribute('expected-length') > 0) {
            $part->settings = (object) ['width' => min(200, (int) $interaction->getAttribute('expected-length'))];
        }

        return $part;
    }

    /** @return array<string, array{string, string}> */
    private static function lostSettings(NumberSettings $settings): array
    {
        return [
            ...$settings->units->isAsked() ? ['units' => ['number.units', Message::of('parts.number.units-not-in-qti', [
                'unit' => $settings->units->unit,
            ])]] : [],
            ...$settings->figures !== null ? ['figures' => ['number.figures', Message::of('parts.number.figures-not-in-qti')]] : [],
        ];
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        $settings = $part->settings;
        assert($settings instanceof NumberSettings);

        return PlainPart::number($settings->width);
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $settings = $part->settings;
        assert($settings instanceof NumberSettings);
        $losses = self::lostSettings($settings);
        $test = function (Rule $rule) use ($response, $in, &$losses): ?string {
            assert($rule->on instanceof NumberMatcher);
            if ($rule->on->asksForWriting()) {
                $losses['written'] = ['number.written', Message::of('parts.number.number-typed-many-digits')];
            }

            return (new NumberConditions($in->roll, $in->templates))->of($rule->on, "<qti-variable identifier=\"$response\"/>");
        };
        $processing = TypedChain::write($part, $response, $test);
        $first = null;
        foreach ($part->key->rules as $rule) {
            $first ??=
                $rule->on instanceof NumberMatcher &&
                $rule->credit()->isPositive() &&
                in_array($rule->on->answer, ['value', 'set'], true) &&
                $rule->on->values() !== []
                    ? $rule->on->values()[0]
                    : null;
        }
        $varies = $in->templates !== null && $first?->isExpression() === true;
        if ($varies) {
            $in->templates->correct($response, $first);
        }
        $correct =
            $first === null || $varies
                ? ''
                : '<qti-correct-response><qti-value>'.
                    ScoreFloats::float($first->number($in->roll)).
                    '</qti-value></qti-correct-response>';

        return new WrittenPart(
            "<qti-response-declaration identifier=\"$response\" cardinality=\"single\" ".
                "base-type=\"float\">$correct</qti-response-declaration>",
            "<qti-text-entry-interaction response-identifier=\"$response\" expected-length=\"$settings->width\"/>".
                // the number alone is typed there, so the unit stands after it
                ($settings->units->isAsked() ? "\u{A0}".Xml::escape($settings->units->unit) : ''),
            $processing,
            array_values($losses),
            TypedChain::matches($part, $test),
        );
    }
}
