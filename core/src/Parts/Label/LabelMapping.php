<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Label;

use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Areas;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\GraphicXml;
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
use WideQuarry\Pictures\PlainRegions;
use WideQuarry\Question\Item;
use WideQuarry\Question\Part;
use WideQuarry\Variables\Roll;

/** qti-graphic-gap-match-interaction; a qti-graphic-order-interaction becomes numbers to put on the picture. */
final class LabelMapping implements KindMapping
{
    use MappingDefaults;

    private const GAPS = 'qti-graphic-gap-match-interaction';

    private const ORDER = 'qti-graphic-order-interaction';

    public function shape(): AnswerShape
    {
        return AnswerShape::Pairs;
    }

    public function choices(\stdClass $settings, array $gaps): array
    {
        return [self::identifiers($settings, 'targets'), self::identifiers($settings, 'labels')];
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
        $labels = array_column(self::pairs($given), 1, 0);
        if (($settings->by ?? null) === 'typing') {
            $words = [];
            foreach (is_array($settings->labels ?? null) ? $settings->labels : [] as $label) {
                if ($label instanceof \stdClass && is_string($label->id) && is_string($label->html)) {
                    $words[$label->id] = \WideQuarry\Content\RichText::read($label->html)->plain();
                }
            }
            $labels = array_map(fn (string $id): string => $words[$id] ?? $id, $labels);
        }

        return (object) ['labels' => (object) $labels];
    }

    public function on(string $value): array
    {
        return (new PairReader(true))->on($value);
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return ($interaction->localName === self::GAPS && ($declaration === null || $declaration->baseType === 'directedPair')) ||
            ($interaction->localName === self::ORDER && $declaration?->cardinality === 'ordered');
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass
    {
        $picture = GraphicXml::picture($interaction, $content);
        $targets = $picture === null ? null : ReadTargets::of($interaction, $picture);
        if ($picture === null || $targets === null || $targets === []) {
            return null;
        }
        if ($interaction->localName === self::ORDER) {
            return $this->numbered($picture, $targets, $declaration, $marking);
        }
        $labels = [];
        foreach (Xml::children($interaction) as $choice) {
            if (in_array($choice->localName, ['qti-gap-text', 'qti-gap-img'], true)) {
                $uses = (int) (Xml::attribute($choice, 'match-max') ?? 1);
                $labels[] = [
                    'id' => $choice->getAttribute('identifier'),
                    'html' => WordPictures::words($choice) ?? $content($choice),
                    'uses' => $uses > 0 ? $uses : null,
                ];
            }
        }
        $by = $interaction->getAttribute('data-by');

        return (new PairReader(true))->part('label', [
            'picture' => $picture,
            'targets' => $targets,
            'labels' => $labels,
            'by' => in_array($by, ['menu', 'typing'], true) ? $by : 'placing',
            'shuffle' => in_array('true', [$interaction->getAttribute('shuffle'), $interaction->getAttribute('data-shuffle')], true),
        ], $declaration, $marking);
    }

    /**
     * Places to put in order as places that take the numbers from 1 on.
     *
     * @param  array{media: string, alt: string, width: int, height: int}  $picture
     * @param  list<array<string, mixed>>  $targets
     */
    private function numbered(array $picture, array $targets, ?Declaration $declaration, ?Marking $marking): ?\stdClass
    {
        $labels = array_map(
            fn (int $i): array => ['id' => 'n'.($i + 1), 'html' => (string) ($i + 1), 'uses' => 1],
            array_keys($targets),
        );
        $settings = ['picture' => $picture, 'targets' => $targets, 'labels' => $labels, 'by' => 'menu', 'shuffle' => false];
        $pairs = array_map(
            fn (string $target, int $i): string => 'n'.($i + 1)." $target",
            $declaration->correct ?? [],
            array_keys($declaration->correct ?? []),
        );

        return $marking !== null && $marking->by !== 'correct'
            ? null
            : (new PairReader(true))->part('label', $settings, $declaration?->asPairs($pairs), $marking);
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        $settings = self::settings($part);
        $losses = [['label.names', Message::of('parts.label.targets-written-as-names')]];
        if (array_filter($settings->labels, fn (Item $label): bool => $label->limit !== null) !== []) {
            $losses[] = ['pairs.limits', Message::of('parts.label.how-often-label-may')];
        }
        $typed = TypedAsPlaced::of($part, $settings, $in);

        return PlainPart::pairs(
            array_map(
                fn (Target $target, int $i): array => ['id' => $target->id, 'html' => PlainRegions::name($target->label, $i)],
                $settings->targets,
                array_keys($settings->targets),
            ),
            PlainPart::items($typed->labels),
            false,
            true,
            false,
            [...$losses, ...$typed->losses],
            PlainRegions::picture($settings->picture),
            $typed->part,
        );
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $settings = self::settings($part);
        $typed = TypedAsPlaced::of($part, $settings, $in);
        $labels = '';
        foreach ($typed->labels as $label) {
            $inside = preg_replace('~^<p>(.*)</p>$~s', '$1', $content($label->html));
            $name = preg_match('/^\s*<(?:img|object)\b[^>]*>\s*$/', (string) $inside) === 1 ? 'qti-gap-img' : 'qti-gap-text';
            $labels .= "<$name identifier=\"".Identifiers::of($label->id).'" match-max="'.($label->limit ?? 0)."\">$inside</$name>";
        }
        $targets = implode('', array_map(
            fn (Target $target): string => self::hotspot($target, $settings, $in->roll),
            $settings->targets,
        ));
        $picture = $settings->picture === null ? '' : $content(GraphicXml::html($settings->picture->shown()));
        $by = $settings->by === 'placing' ? '' : " data-by=\"$settings->by\"";
        $order = $settings->shuffle ? ' data-shuffle="true"' : '';

        return (new PairWriter($typed->part, true, $settings->ids(), array_column($typed->labels, 'id'), true))->write(
            $response,
            '<'.self::GAPS." response-identifier=\"$response\" max-associations=\"0\"$by$order>$picture$labels$targets</".self::GAPS.'>',
        )->losing($typed->losses);
    }

    /** A place to drop a label on: where the box of the target stands, with what its line leads to beside it. */
    private static function hotspot(Target $target, LabelSettings $settings, Roll $roll): string
    {
        $box = $target->box($roll);
        $at = $target->at($roll);
        $middle = $box ?? $at;
        $radius = max(12, (int) round(max($settings->picture->width ?? 0, $settings->picture->height ?? 0) / 40));
        $to = $box === null ? '' : ' data-to="'.Areas::number($at->x).','.Areas::number($at->y).'"';

        return '<qti-associable-hotspot identifier="'.Identifiers::of($target->id).'" '.
            Areas::write('circle', [$middle->x, $middle->y, \Brick\Math\BigRational::of($radius)]).
            ' match-max="1"'.
            ($target->label === '' ? '' : ' hotspot-label="'.Xml::escape($target->label).'"').
            "$to/>";
    }

    private static function settings(Part $part): LabelSettings
    {
        assert($part->settings instanceof LabelSettings);

        return $part->settings;
    }
}
