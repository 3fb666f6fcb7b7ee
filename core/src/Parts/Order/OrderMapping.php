<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Order;

use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\Identifiers;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Interchange\Qti30\KnowsOwnRules;
use WideQuarry\Interchange\Qti30\MappingDefaults;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\ScoredResponse;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Item;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;

/** qti-order-interaction; items that are given are fixed choices there. */
final class OrderMapping implements KindMapping, KnowsOwnRules
{
    use MappingDefaults;

    public function shape(): AnswerShape
    {
        return AnswerShape::Sequence;
    }

    public function choices(\stdClass $settings, array $gaps): array
    {
        return [self::identifiers($settings, 'items'), []];
    }

    public function toResponse(array $given, string $language, \stdClass $settings): \stdClass
    {
        return (object) ['sequence' => $given];
    }

    public function on(string $value): ?string
    {
        return null;
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return $interaction->localName === 'qti-order-interaction' && ($declaration === null || $declaration->cardinality === 'ordered');
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass
    {
        $items = array_map(
            fn (\DOMElement $choice): array => [
                'id' => $choice->getAttribute('identifier'),
                'html' => $content($choice),
                ...$choice->getAttribute('fixed') === 'true' ? ['given' => true] : [],
            ],
            Xml::children($interaction, 'qti-simple-choice'),
        );
        $made = fn (int|float $points, array $rules, string $scheme): \stdClass => (object) [
            'kind' => 'order',
            'points' => $points,
            'settings' => (object) [
                'items' => $items,
                'layout' => $interaction->getAttribute('orientation') === 'horizontal' ? 'row' : 'column',
            ],
            'key' => (object) ['rules' => $rules],
            'scoring' => (object) ['scheme' => $scheme],
        ];
        if ($declaration !== null && $marking?->own !== null) {
            $marking->own->settings = $made(1, [], '')->settings;

            return $marking->own;
        }
        if ($declaration === null || $marking === null || $marking->by !== 'correct' || $declaration->correct === []) {
            return $declaration === null || $marking === null ? $made(1, [], 'person') : null;
        }
        $points = Exact::read($marking->points) ?? Exact::one();

        return $points->isPositive()
            ? $made(
                ScoreFloats::points($points),
                [(object) ['id' => 'r1', 'on' => array_map(fn (string $id): array => [$id], $declaration->correct), 'credit' => '1']],
                'all',
            )
            : null;
    }

    public function known(array $rules, int $at, Declaration $declaration): ?array
    {
        $known =
            $declaration->cardinality === 'ordered' && count($declaration->correct) > 1
                ? SequenceProcessing::read($rules, $at, $declaration->id, $declaration->correct)
                : null;

        return $known === null ? null : [new Marking('own', own: $known[0]), $known[1]];
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        $settings = $part->settings;
        assert($settings instanceof OrderSettings);

        $on = ($part->key->rules[0] ?? null)?->on;

        return PlainPart::sequence(
            PlainPart::items($settings->items),
            $on instanceof Ranks ? $on->ranks : [],
            $settings->given,
            $settings->given === [] ? [] : [['order.given', Message::of('parts.order.items-given-put-their')]],
        );
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $settings = $part->settings;
        assert($settings instanceof OrderSettings);
        $on = ($part->key->rules[0] ?? null)?->on;
        $ranks = $on instanceof Ranks ? $on : Ranks::read([], '');
        $processing = new SequenceProcessing($part, $response, $ranks, $settings);
        $losses = $processing->isWhole()
            ? []
            : ($part->scheme === Scheme::All
                ? [['order.equal_ranks', Message::of('parts.order.items-equal-rank-one')]]
                : [
                    [
                        'order.scheme',
                        Message::of('parts.order.parts-order-earn-nothing'),
                    ],
                ]);
        if ($settings->from.$settings->to !== '') {
            $losses[] = ['order.caption', Message::of('parts.order.captions-not-written')];
        }
        $correct =
            $part->scheme === Scheme::Person || $ranks->flat() === []
                ? ''
                : '<qti-correct-response>'.
                    implode(
                        '',
                        array_map(fn (string $id): string => '<qti-value>'.Identifiers::of($id).'</qti-value>', $ranks->flat()),
                    ).
                    '</qti-correct-response>';
        $choices = implode(
            '',
            array_map(
                fn (Item $item): string => '<qti-simple-choice identifier="'.
                    Identifiers::of($item->id).
                    '"'.
                    (in_array($item->id, $settings->given, true) ? ' fixed="true"' : '').
                    '>'.
                    $content($item->html).
                    '</qti-simple-choice>',
                $settings->items,
            ),
        );
        $across = in_array($settings->layout, ['row', 'sentence'], true) ? ' orientation="horizontal"' : '';

        return new WrittenPart(
            "<qti-response-declaration identifier=\"$response\" cardinality=\"ordered\" ".
                "base-type=\"identifier\">$correct</qti-response-declaration>",
            "<qti-order-interaction response-identifier=\"$response\" shuffle=\"true\"$across>$choices</qti-order-interaction>",
            $correct === ''
                ? ''
                : ($processing->isMatch()
                    ? ScoredResponse::processing($part, "SCORE_$response", [$response], '', Scheme::All)
                    : $processing->rules()),
            $losses,
            outcomes: $correct === '' || $processing->isMatch() ? '' : $processing->outcomes(),
        );
    }
}
