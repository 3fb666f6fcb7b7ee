<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Slider;

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
use WideQuarry\Parts\TypedChain;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;

/** qti-slider-interaction. */
final class SliderMapping implements KindMapping
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

    public function toResponse(array $given, string $language, \stdClass $settings): \stdClass
    {
        return (object) ['value' => $given[0] ?? ''];
    }

    public function on(string $value): ?string
    {
        return null;
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return $interaction->localName === 'qti-slider-interaction';
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass
    {
        $settings = (object) [
            'from' => $interaction->getAttribute('lower-bound'),
            'to' => $interaction->getAttribute('upper-bound'),
            'step' => Xml::attribute($interaction, 'step') ?? '1',
        ];
        if ($declaration === null || $marking === null) {
            return (object) [
                'kind' => 'slider',
                'points' => 1,
                'settings' => $settings,
                'key' => (object) ['rules' => []],
                'scoring' => (object) ['scheme' => 'person'],
            ];
        }
        $part = match ($marking->by) {
            'correct' => $declaration->correct === []
                ? null
                : (object) [
                    'kind' => 'slider',
                    'points' => ScoreFloats::points(Exact::read($marking->points) ?? Exact::one()),
                    'key' => (object) [
                        'rules' => [
                            ['id' => 'r1', 'on' => (object) ['answer' => 'value', 'value' => $declaration->correct[0]], 'credit' => '1'],
                        ],
                        'default' => '0',
                    ],
                    'scoring' => (object) ['scheme' => 'weights'],
                ],
            'chain' => TypedChain::read('slider', $marking, NumberTest::condition(...)),
            default => null,
        };
        if ($part !== null) {
            $part->settings = $settings;
        }

        return $part;
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        $settings = $part->settings;
        assert($settings instanceof SliderSettings);

        $scale = Scale::of($settings, $in->roll, $part->path);

        return PlainPart::number(0, [ScoreFloats::float($scale->from), ScoreFloats::float($scale->to), ScoreFloats::float($scale->step)]);
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $settings = $part->settings;
        assert($settings instanceof SliderSettings);
        $scale = Scale::of($settings, $in->roll, $part->path);
        $test = fn (Rule $rule): ?string => $rule->on instanceof NumberMatcher
            ? (new NumberConditions($in->roll))->of($rule->on, "<qti-variable identifier=\"$response\"/>")
            : null;
        $first = null;
        foreach ($part->key->rules as $rule) {
            $first ??=
                $rule->on instanceof NumberMatcher &&
                $rule->credit()->isPositive() &&
                in_array($rule->on->answer, ['value', 'set'], true) &&
                $rule->on->values() !== []
                    ? $rule->on->values()[0]->number($in->roll)
                    : null;
        }
        $correct =
            $first === null
                ? ''
                : '<qti-correct-response><qti-value>'.ScoreFloats::float($first).'</qti-value></qti-correct-response>';
        $losses = $settings->low.$settings->high === '' ? [] : [['slider.captions', Message::of('parts.slider.captions-not-written')]];

        return new WrittenPart(
            "<qti-response-declaration identifier=\"$response\" cardinality=\"single\" ".
                "base-type=\"float\">$correct</qti-response-declaration>",
            "<qti-slider-interaction response-identifier=\"$response\" lower-bound=\"".
                ScoreFloats::float($scale->from).
                '" upper-bound="'.
                ScoreFloats::float($scale->to).
                '" step="'.
                ScoreFloats::float($scale->step).
                '"/>',
            TypedChain::write($part, $response, $test),
            $losses,
            TypedChain::matches($part, $test),
        );
    }
}
