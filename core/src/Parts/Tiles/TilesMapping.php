<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Tiles;

use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\Identifiers;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Interchange\Qti30\MappingDefaults;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\PairReader;
use WideQuarry\Interchange\Qti30\PairWriter;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Item;
use WideQuarry\Question\Part;

/** qti-gap-match-interaction around the text that has the gaps; drop-downs where other parts stand among them. */
final class TilesMapping implements KindMapping
{
    use MappingDefaults;

    public function shape(): AnswerShape
    {
        return AnswerShape::Pairs;
    }

    public function choices(\stdClass $settings, array $gaps): array
    {
        return [$gaps, self::identifiers($settings, 'tiles')];
    }

    public function mayRepeat(\stdClass $settings): bool
    {
        return false;
    }

    public function isReversed(): bool
    {
        return true;
    }

    public function toResponse(array $given, string $language, \stdClass $settings): \stdClass
    {
        return (object) ['gaps' => (object) array_column(self::pairs($given), 1, 0)];
    }

    public function on(string $value): array
    {
        return (new PairReader(true))->on($value);
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return $interaction->localName === 'qti-gap-match-interaction' &&
            ($declaration === null || $declaration->baseType === 'directedPair');
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass
    {
        $tiles = [];
        foreach (Xml::children($interaction) as $choice) {
            if (in_array($choice->localName, ['qti-gap-text', 'qti-gap-img'], true)) {
                $uses = (int) (Xml::attribute($choice, 'match-max') ?? 1);
                $tiles[] = ['id' => $choice->getAttribute('identifier'), 'html' => $content($choice), 'uses' => $uses > 0 ? $uses : null];
            }
        }
        foreach (iterator_to_array($interaction->getElementsByTagNameNS('*', 'qti-gap'), false) as $gap) {
            $place = ($gap->ownerDocument ?? new \DOMDocument)->createElement('span');
            $place->setAttribute('data-gap', $gap->getAttribute('identifier'));
            $place->setAttribute('data-of', $interaction->getAttribute('response-identifier'));
            $gap->parentNode?->replaceChild($place, $gap);
        }

        return (new PairReader(true))->part(
            'tiles',
            ['tiles' => $tiles, 'shuffle' => $interaction->getAttribute('shuffle') === 'true'],
            $declaration,
            $marking,
        );
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        $settings = $part->settings;
        assert($settings instanceof TilesSettings);

        $limited = array_filter($settings->tiles, fn (Item $tile): bool => $tile->limit !== null) !== [];

        return PlainPart::pairs(
            array_map(fn (string $gap): array => ['id' => $gap, 'html' => ''], $in->gaps->of($part->id)),
            PlainPart::items($settings->tiles),
            false,
            true,
            true,
            $limited ? [['pairs.limits', Message::of('parts.tiles.how-often-tile-may')]] : [],
        );
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $settings = $part->settings;
        assert($settings instanceof TilesSettings);
        $gaps = $in->gaps->of($part->id);
        if (in_array($part->id, $in->scattered, true)) {
            return (new ScatteredGaps($part, $settings->tiles, $gaps))->write($response, $content);
        }
        $tiles = implode(
            '',
            array_map(
                fn (Item $tile): string => '<qti-gap-text identifier="'.
                    Identifiers::of($tile->id).
                    '" match-max="'.
                    ($tile->limit ?? 0).
                    '">'.
                    preg_replace('~^<p>(.*)</p>$~s', '$1', $content($tile->html)).
                    '</qti-gap-text>',
                $settings->tiles,
            ),
        );
        $written = (new PairWriter($part, true, $gaps, array_map(fn (Item $tile): string => $tile->id, $settings->tiles), true))->write(
            $response,
            $tiles,
        );
        $places = [];
        foreach ($gaps as $gap) {
            $places[$gap] = '<qti-gap identifier="'.Identifiers::of($gap).'"/>';
        }

        return new WrittenPart(
            $written->declaration,
            $written->interaction,
            $written->processing,
            $written->losses,
            $written->matches,
            $places,
        );
    }
}
