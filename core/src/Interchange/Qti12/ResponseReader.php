<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Keys\Probe;
use WideQuarry\Interchange\Keys\Response;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Question\FieldWidth;

/** A response element of an item and how it is rendered (QTI 1.2.1 ASI, 3.2 and 3.3), as what may be given there. */
final readonly class ResponseReader
{
    private const MOST_LINES = 40;

    /** @var \ArrayObject<int, string> */
    private \ArrayObject $repeated;

    /** @var \ArrayObject<int, string> */
    private \ArrayObject $placed;

    /** @param  \Closure(string): string  $clean  rich text as we keep it */
    public function __construct(private Processing $processing, private MaterialReader $material, private \Closure $clean)
    {
        $this->repeated = new \ArrayObject;
        $this->placed = new \ArrayObject;
    }

    /** @return list<string> duplicate identifiers */
    public function repeated(): array
    {
        return array_values(array_unique(array_filter((array) $this->repeated, is_string(...))));
    }

    /** The text of an unsupported interaction, for whoever marks it. */
    public function unread(\DOMElement $element): string
    {
        $labels = array_filter(
            array_map(fn (\DOMElement $label): string => $this->material->inside($label), Xml::all($element, 'response_label')),
        );

        return $labels === [] ? '' : '<ul>'.implode('', array_map(fn (string $label): string => "<li>$label</li>", $labels)).'</ul>';
    }

    /** @return Response|null null when it is of a kind that cannot be translated */
    public function read(string $id, \DOMElement $element): ?Response
    {
        $choice = Xml::child($element, 'render_choice');
        $field = Xml::child($element, 'render_fib');
        $slider = Xml::child($element, 'render_slider');
        $hotspot = Xml::child($element, 'render_hotspot');

        return match (true) {
            $element->localName === 'response_grp' => $choice === null ? null : $this->groups($id, $element, $choice),
            $choice !== null && strcasecmp($element->getAttribute('rcardinality'), 'ordered') === 0 => $this->order(
                $id,
                $element,
                $choice,
            ),
            $choice !== null => $this->choice($id, $element, $choice),
            $hotspot !== null && $element->localName === 'response_lid' => $this->hotspot($id, $element, $hotspot),
            $hotspot !== null && $element->localName === 'response_xy' => $this->placed($id, $element, $hotspot),
            $field !== null && count(Xml::children($field, 'response_label')) <= 1 => $this->typed($id, $element, $field),
            $slider !== null && $element->localName === 'response_num' => $this->slider($id, $element, $slider),
            default => null,
        };
    }

    /** @return array<string, string> what can be chosen: identifier → rich text */
    public function labels(\DOMElement $render): array
    {
        $labels = [];
        foreach (Xml::all($render, 'response_label') as $label) {
            $option = $ident = trim($label->getAttribute('ident'));
            for ($n = 2; $option !== '' && isset($labels[$option]); $n++) {
                $option = "$ident-$n"; // kept under a new identifier, with a notice
                $this->repeated->append($ident);
            }
            if ($option !== '') {
                $labels[$option] = ($this->clean)(ItemReader::paragraph($this->material->inside($label)));
            }
        }

        return $labels;
    }

    /** @return list<Probe> */
    public function probes(\DOMElement $element): array
    {
        return $this->processing->probes(trim($element->getAttribute('ident')));
    }

    /** Rich text of what is asked in front of a response. */
    public function prompt(\DOMElement $element): string
    {
        return ($this->clean)(
            implode(
                '',
                array_map(
                    fn (\DOMElement $prompt): string => ItemReader::paragraph($this->material->inside($prompt)),
                    Xml::children($element, 'material'),
                ),
            ),
        );
    }

    private function choice(string $id, \DOMElement $element, \DOMElement $render): ?Response
    {
        $shuffle = strcasecmp($render->getAttribute('shuffle'), 'yes') === 0;
        $fixed = [];
        foreach (Xml::all($render, 'response_label') as $label) {
            $fixed[trim($label->getAttribute('ident'))] ??= $shuffle && strcasecmp($label->getAttribute('rshuffle'), 'no') === 0;
        }
        $options = $ids = [];
        foreach ($this->labels($render) as $option => $html) {
            $ids[] = (string) $option;
            $options[] = (object) ['id' => (string) $option, 'html' => $html, ...$fixed[$option] ?? false ? ['fixed' => true] : []];
        }
        if ($options === []) {
            return null;
        }
        $several = strcasecmp($element->getAttribute('rcardinality'), 'multiple') === 0;
        $inline = ! $several && $this->standsInText($element);
        $most = $render->getAttribute('maxnumber');
        $settings = $inline
            ? (object) [
                'options' => array_map(
                    fn (\stdClass $option): \stdClass => (object) ['id' => $option->id, 'html' => $option->html],
                    $options,
                ),
                'shuffle' => $shuffle,
            ]
            : (object) [
                'options' => $options,
                'max' => $several ? (ctype_digit($most) && (int) $most > 1 ? (int) $most : null) : 1,
                'shuffle' => $shuffle,
            ];

        return new Response($id, $inline ? 'menu' : 'choice', $settings, AnswerShape::Picks, $ids, $several, $this->probes($element));
    }

    /** Areas of a picture that are picked. */
    private function hotspot(string $id, \DOMElement $element, \DOMElement $render): ?Response
    {
        $picture = $this->picture($element, $render);
        $regions = $this->regions($render);
        $ids = array_map(fn (\stdClass $region): string => self::text($region->id), $regions ?? []);
        if ($picture === null || $regions === null || array_unique($ids) !== $ids) {
            return null;
        }
        [$several, $max] = self::most($element, $render);
        $settings = (object) ['picture' => $picture, 'regions' => $regions, 'show' => 'outlined', 'max' => $max];

        return new Response($id, 'spot', $settings, AnswerShape::Picks, $ids, $several, $this->probes($element));
    }

    /** Points that are placed on a picture, tried out as picks of the areas they lie in; ItemReader makes them points again. */
    private function placed(string $id, \DOMElement $element, \DOMElement $render): ?Response
    {
        $picture = $this->picture($element, $render);
        $ident = trim($element->getAttribute('ident'));
        $areas = $this->regions($render) ?? [];
        foreach ($this->processing->areas($ident) as $i => $area) {
            if (array_filter($areas, fn (\stdClass $one): bool => [$one->shape, $one->at] === [$area->shape, $area->at]) === []) {
                $areas[] = (object) ['id' => 'area-'.($i + 1), 'shape' => $area->shape, 'at' => $area->at, 'label' => ''];
            }
        }
        $found = PlacedPoints::find($areas, fn (array $points): BigRational => $this->processing->run([$ident => $points])[0]);
        if ($picture === null || $found === null) {
            return null;
        }
        [$several, $max] = self::most($element, $render);
        $settings = (object) ['picture' => $picture, 'regions' => $found->regions, 'show' => 'outlined', 'max' => $max];
        $ids = array_map(fn (\stdClass $region): string => self::text($region->id), $found->regions);
        $this->placed->append($id);

        return new Response(
            $id,
            'spot',
            $settings,
            AnswerShape::Picks,
            $ids,
            $several,
            [],
            // by its place, and by the label it lies in
            asked: fn (array $given): array => [$id => [...$found->given($given), ...$given]],
        );
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }

    /** @return list<string> parts whose answer is placed on a picture */
    public function placedParts(): array
    {
        return array_values(array_filter((array) $this->placed, is_string(...)));
    }

    /** @return array{bool, int|null} whether several may be given, and at most how many */
    private static function most(\DOMElement $element, \DOMElement $render): array
    {
        $several = strcasecmp($element->getAttribute('rcardinality'), 'multiple') === 0;
        $most = $render->getAttribute('maxnumber');

        return [$several, $several ? (ctype_digit($most) && (int) $most > 1 ? (int) $most : null) : 1];
    }

    /** @return list<\stdClass>|null id, shape, at, label; null where one cannot be read */
    private function regions(\DOMElement $render): ?array
    {
        $regions = [];
        foreach (Xml::all($render, 'response_label') as $label) {
            $area = HotspotAreas::read($label);
            if ($area === null) {
                return null;
            }
            $name = mb_substr(trim(strip_tags($this->material->inside($label))), 0, 1000);
            $regions[] = (object) ['id' => trim($label->getAttribute('ident')), ...$area, 'label' => $name];
        }

        return $regions;
    }

    /** The first picture of its material; one without a size cannot have places. */
    private function picture(\DOMElement $element, \DOMElement $render): ?\stdClass
    {
        $image = Xml::all($render, 'matimage')[0] ?? Xml::all($element, 'matimage')[0] ?? null;
        $size = array_map(fn (string $side): int => (int) ($image?->getAttribute($side) ?? 0), ['width', 'height']);
        $html = $image === null ? '' : $this->material->picture($image);
        $isSized = min($size) >= 1 && max($size) <= 20000;

        return $image === null || preg_match('/data-media="([^"]*)"/', $html, $m) !== 1 || ! $isSized
            ? null
            : (object) [
                'media' => html_entity_decode($m[1], ENT_QUOTES | ENT_HTML5),
                'alt' => mb_substr($image->getAttribute('label'), 0, 1000),
                'width' => $size[0],
                'height' => $size[1],
            ];
    }

    /** Whether words go on behind it, with none of its own before, or others stand beside it: a gap in a sentence. */
    private function standsInText(\DOMElement $element): bool
    {
        $next = $element->nextElementSibling;
        $beside =
            $element->parentNode instanceof \DOMElement && $element->parentNode->localName === 'flow'
                ? Xml::children($element->parentNode)
                : [];
        if (
            count(
                array_filter(
                    $beside,
                    fn (\DOMElement $one): bool => str_starts_with((string) $one->localName, 'response_') &&
                        Xml::children($one, 'material') === [],
                ),
            ) > 1 &&
            count($beside) > 1 &&
            Xml::children($element, 'material') === []
        ) {
            return true;
        }

        return $next?->localName === 'material' &&
            Xml::children($element, 'material') === [] &&
            preg_match('~^\s*(?:$|<(?:p|div|ul|ol|table|h\d|blockquote|pre)\b)~i', $this->material->inside($next)) !== 1;
    }

    private function order(string $id, \DOMElement $element, \DOMElement $render): ?Response
    {
        $labels = $this->labels($render);
        $settings = (object) [
            'items' => array_map(
                fn (int|string $item, string $html): \stdClass => (object) ['id' => (string) $item, 'html' => $html],
                array_keys($labels),
                $labels,
            ),
            'layout' => 'column',
        ];

        return count($labels) < 2
            ? null
            : new Response(
                $id,
                'order',
                $settings,
                AnswerShape::Sequence,
                array_map(strval(...), array_keys($labels)),
                false,
                $this->probes($element),
            );
    }

    /** What is put to what: labels that name those they go to (match_group), and the others. */
    private function groups(string $id, \DOMElement $element, \DOMElement $render): ?Response
    {
        $labels = $this->labels($render);
        $left = [];
        foreach (Xml::all($render, 'response_label') as $label) {
            if ($label->getAttribute('match_group') !== '') {
                $left[trim($label->getAttribute('ident'))] = true;
            }
        }
        $most = [];
        foreach (Xml::all($render, 'response_label') as $label) {
            $most[trim($label->getAttribute('ident'))] =
                ctype_digit($label->getAttribute('match_max')) && (int) $label->getAttribute('match_max') > 0
                    ? (int) $label->getAttribute('match_max')
                    : null;
        }
        $item = fn (int|string $one): \stdClass => (object) [
            'id' => (string) $one,
            'html' => $labels[$one] ?? '',
            'uses' => $most[$one] ?? null,
        ];
        [$firsts, $seconds] = [array_keys(array_intersect_key($labels, $left)), array_keys(array_diff_key($labels, $left))];
        if ($firsts === [] || $seconds === []) {
            return null;
        }
        $settings = (object) [
            'left' => array_map($item, $firsts),
            'right' => array_map($item, $seconds),
            'by' => 'lines',
            'shuffle' => strcasecmp($render->getAttribute('shuffle'), 'yes') === 0,
        ];
        $probes = array_map(
            fn (Probe $probe): Probe => new Probe('equal', (string) preg_replace('/\s*,\s*/', "\t", $probe->value, 1)),
            $this->probes($element),
        );

        $several = array_filter($firsts, fn (int|string $first): bool => ($most[$first] ?? null) !== 1) !== [];
        [$firsts, $seconds] = [array_map(strval(...), $firsts), array_map(strval(...), $seconds)];

        return new Response(
            $id,
            'match',
            $settings,
            AnswerShape::Pairs,
            $firsts,
            $several,
            $probes,
            $seconds,
            fn (array $given): array => [$id => array_map(fn (string $pair): string => str_replace("\t", ',', $pair), $given)],
            null,
            array_filter($most, is_int(...)),
        );
    }

    private function typed(string $id, \DOMElement $element, \DOMElement $field): Response
    {
        $probes = $this->probes($element);
        $compared = array_filter($probes, fn (Probe $probe): bool => $probe->how === 'compare') !== [];
        $number =
            $compared ||
            $element->localName === 'response_num' ||
            in_array(strtolower($field->getAttribute('fibtype')), ['integer', 'decimal', 'scientific'], true);
        $width = $field->getAttribute('columns');

        return new Response(
            $id,
            $number ? 'number' : 'text',
            (object) array_filter([
                'width' => ctype_digit($width) && (int) $width > 0 ? FieldWidth::bounded((int) $width) : 0,
                'lines' => $number ? 0 : self::rows($field),
            ]),
            $number ? AnswerShape::Number : AnswerShape::Words,
            [],
            false,
            $probes,
        );
    }

    /** How many lines a field has; 0 where nothing is said, or one. */
    private static function rows(\DOMElement $field): int
    {
        $rows = $field->getAttribute('rows');

        return ctype_digit($rows) && (int) $rows > 1 ? min(self::MOST_LINES, (int) $rows) : 0;
    }

    private function slider(string $id, \DOMElement $element, \DOMElement $render): ?Response
    {
        [$from, $to, $step] = [
            trim($render->getAttribute('lowerbound')),
            trim($render->getAttribute('upperbound')),
            trim($render->getAttribute('step')) ?: '1',
        ];

        return is_numeric($from) && is_numeric($to) && is_numeric($step) && (float) $to > (float) $from && (float) $step > 0
            ? new Response(
                $id,
                'slider',
                (object) ['from' => $from, 'to' => $to, 'step' => $step],
                AnswerShape::Number,
                [],
                false,
                $this->probes($element),
            )
            : null;
    }
}
