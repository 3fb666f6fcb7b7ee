<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Spot;

use WideQuarry\Geometry\Shape;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Plain\PlainPicture;
use WideQuarry\Interchange\Qti30\Areas;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\GraphicXml;
use WideQuarry\Interchange\Qti30\Identifiers;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Interchange\Qti30\MappingDefaults;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\PickReader;
use WideQuarry\Interchange\Qti30\PickWriter;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Pictures\PlainRegions;
use WideQuarry\Pictures\Region;
use WideQuarry\Question\Part;
use WideQuarry\Variables\Roll;

/** qti-hotspot-interaction; regions that are hidden until they are picked are told by the standard's class for it. */
final class SpotMapping implements KindMapping
{
    use MappingDefaults;

    private const HIDDEN = 'qti-unselected-hidden';

    public function choices(\stdClass $settings, array $gaps): array
    {
        return [self::identifiers($settings, 'regions'), []];
    }

    public function on(string $value): string
    {
        return $value;
    }

    /** Hidden regions are answered by a place in each. */
    public function toResponse(array $given, string $language, \stdClass $settings): \stdClass
    {
        $read = SpotSettings::read(Json::decode(Json::encode($settings)), '');
        if (! $read->isHidden) {
            return (object) ['spots' => $given];
        }
        $shapes = [];
        foreach ($read->regions as $region) {
            $shapes[$region->id] = $region->in(new Roll);
        }
        $shapes = array_filter(array_map(fn (string $id): ?Shape => $shapes[$id] ?? null, $given));

        return (object) [
            'at' => array_map(
                fn (Shape $shape): array => [Exact::number($shape->middle()->x), Exact::number($shape->middle()->y)],
                array_values($shapes),
            ),
        ];
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return $interaction->localName === 'qti-hotspot-interaction' &&
            ($declaration === null || in_array($declaration->cardinality, ['single', 'multiple'], true));
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass
    {
        $picture = GraphicXml::picture($interaction, $content);
        $regions = [];
        if ($picture === null) {
            return null;
        }
        foreach (Xml::children($interaction, 'qti-hotspot-choice') as $choice) {
            $area = Areas::read($choice, $picture);
            if ($area === null) {
                return null;
            }
            $regions[] = [
                'id' => $choice->getAttribute('identifier'),
                ...$area,
                'label' => mb_substr(trim($choice->getAttribute('hotspot-label')), 0, 1000),
            ];
        }
        $max = (int) (Xml::attribute($interaction, 'max-choices') ?? 1);
        $isSingle = $declaration?->cardinality !== 'multiple';

        return (new PickReader)->part('spot', [
            'picture' => $picture,
            'regions' => $regions,
            'show' => in_array(self::HIDDEN, explode(' ', $interaction->getAttribute('class')), true) ? 'hidden' : 'outlined',
            'min' => max(0, (int) $interaction->getAttribute('min-choices')),
            'max' => $isSingle ? 1 : ($max > 0 ? $max : null),
        ], $declaration, $marking);
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        $settings = self::settings($part);
        $picture = PlainRegions::picture($settings->picture);
        $areas = [];
        foreach ($settings->regions as $region) {
            $areas[$region->id] = ['shape' => $region->area->shape, 'at' => $region->area->numbers($in->roll)];
        }

        return PlainPart::picks(
            array_map(
                fn (Region $region, int $i): array => ['id' => $region->id, 'html' => PlainRegions::name($region->label, $i)],
                $settings->regions,
                array_keys($settings->regions),
            ),
            $settings->max,
            false,
            false,
            $picture,
            $settings->isHidden ? [['spot.hidden', Message::of('parts.spot.hidden-is-not-said')]] : [],
            $settings->picture === null ? null : new PlainPicture($picture, $areas),
        );
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $settings = self::settings($part);
        $written = new PickWriter($part, $settings->ids(), $settings->max);
        $picture = $settings->picture === null ? '' : $content(GraphicXml::html($settings->picture->shown()));
        $choices = implode('', array_map(
            fn (Region $region): string => '<qti-hotspot-choice identifier="'.Identifiers::of($region->id).'" '.
                Areas::write($region->area->shape, $region->area->numbers($in->roll)).
                ($region->label === '' ? '' : ' hotspot-label="'.Xml::escape($region->label).'"').
                '/>',
            $settings->regions,
        ));
        $class = $settings->isHidden ? ' class="'.self::HIDDEN.'"' : '';
        $losses = $settings->isHidden && ! $part->key->default()->isZero()
            ? [['spot.outside', Message::of('parts.spot.places-outside-count-nothing')]]
            : [];

        return $written->write(
            $response,
            "<qti-hotspot-interaction response-identifier=\"$response\"$class max-choices=\"".($settings->max ?? 0).
                "\" min-choices=\"$settings->min\">$picture$choices</qti-hotspot-interaction>",
        )->losing($losses);
    }

    private static function settings(Part $part): SpotSettings
    {
        assert($part->settings instanceof SpotSettings);

        return $part->settings;
    }
}
