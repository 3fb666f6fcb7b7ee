<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Point;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Areas;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\GraphicXml;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Interchange\Qti30\KnowsOwnRules;
use WideQuarry\Interchange\Qti30\MappingDefaults;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;

/** qti-select-point-interaction; areas are entries of the area mapping of its response. */
final class PointMapping implements KindMapping, KnowsOwnRules
{
    use MappingDefaults;

    /** What a point is worth is read from the area mapping, or not at all: not every place of a picture can be tried out. */
    public function shape(): ?AnswerShape
    {
        return null;
    }

    public function on(string $value): ?\stdClass
    {
        [$shape, $coords] = [...explode(' ', $value, 2), ''];
        $element = (new \DOMDocument)->createElement('area');
        $element->setAttribute('shape', $shape);
        $element->setAttribute('coords', $coords);
        $area = Areas::read($element, ['width' => 0, 'height' => 0]);

        return $area === null ? null : (object) $area;
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return $interaction->localName === 'qti-select-point-interaction' &&
            ($declaration === null || $declaration->baseType === 'point') &&
            in_array($declaration->cardinality ?? 'single', ['single', 'multiple'], true);
    }

    public function known(array $rules, int $at, Declaration $declaration): ?array
    {
        $own = $declaration->areas === null ? null : CountedAreas::read($rules[$at], $declaration->id);

        return $own === null ? null : [new Marking('own', own: $own), 1];
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass
    {
        $picture = GraphicXml::picture($interaction, $content);
        if ($picture === null) {
            return null;
        }
        $max = (int) (Xml::attribute($interaction, 'max-choices') ?? 1);
        $settings = ['picture' => $picture, 'max' => $declaration?->cardinality !== 'multiple' ? 1 : ($max > 0 ? $max : null)];

        return (new AreaReader($settings))->part($declaration, $marking);
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        return PlainPoints::of($part, self::settings($part), $in->roll);
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $settings = self::settings($part);
        $isSingle = $settings->max === 1;
        $counted = new CountedAreas($part, $response);
        $entries = '';
        foreach ($part->key->rules as $rule) {
            $value = $counted->worth($rule);
            $entries .= '<qti-area-map-entry '.$this->area($rule, $in).' mapped-value="'.$value.'"/>';
        }
        $mapping = $entries === '' || ! $counted->isMarked()
            ? ''
            : "<qti-area-mapping default-value=\"{$counted->elsewhere()}\"{$counted->bounds()}>$entries</qti-area-mapping>";
        $picture = $settings->picture === null ? '' : $content(GraphicXml::html($settings->picture->shown()));
        $most = $settings->max ?? 0;
        $chosen = array_map(
            fn (Rule $rule): array => [
                $rule,
                '<qti-inside '.$this->area($rule, $in)."><qti-variable identifier=\"$response\"/></qti-inside>",
            ],
            $part->key->rules,
        );

        return new WrittenPart(
            "<qti-response-declaration identifier=\"$response\" cardinality=\"".($isSingle ? 'single' : 'multiple').
                "\" base-type=\"point\">{$this->correct($part, $in, $isSingle)}$mapping</qti-response-declaration>",
            "<qti-select-point-interaction response-identifier=\"$response\" max-choices=\"$most\" min-choices=\"0\">$picture".
                '</qti-select-point-interaction>',
            $mapping === '' ? '' : $counted->processing(),
            [],
            $isSingle ? [$chosen] : array_map(fn (array $one): array => [$one], $chosen),
            outcomes: $mapping === '' ? '' : $counted->outcomes(),
        );
    }

    private function area(Rule $rule, WriteContext $in): string
    {
        $area = PointKind::area($rule);

        return Areas::write($area->shape, $area->numbers($in->roll));
    }

    /** A point in each area that earns something; the standard counts points in whole units. */
    private function correct(Part $part, WriteContext $in, bool $isSingle): string
    {
        $values = [];
        foreach ($part->key->rules as $rule) {
            $middle = $rule->credit()->isPositive() ? PointKind::area($rule)->in($in->roll)?->middle() : null;
            if ($middle !== null) {
                $values[] = '<qti-value>'.self::whole($middle->x).' '.self::whole($middle->y).'</qti-value>';
            }
        }
        $values = $isSingle ? array_slice($values, 0, 1) : $values;

        return $values === [] ? '' : '<qti-correct-response>'.implode('', array_unique($values)).'</qti-correct-response>';
    }

    private static function whole(BigRational $number): string
    {
        return (string) $number->toScale(0, \Brick\Math\RoundingMode::HALF_UP);
    }

    private static function settings(Part $part): PointSettings
    {
        assert($part->settings instanceof PointSettings);

        return $part->settings;
    }
}
