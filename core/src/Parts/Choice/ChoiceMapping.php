<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Choice;

use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\Identifiers;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Interchange\Qti30\MappingDefaults;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\PickReader;
use WideQuarry\Interchange\Qti30\PickWriter;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Question\Part;

/** qti-choice-interaction. */
final class ChoiceMapping implements KindMapping
{
    use MappingDefaults;

    public function on(string $value): string
    {
        return $value;
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return $interaction->localName === 'qti-choice-interaction' &&
            ($declaration === null || in_array($declaration->cardinality, ['single', 'multiple'], true));
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass
    {
        $options = array_map(
            fn (\DOMElement $choice): array => array_filter(
                [
                    'id' => $choice->getAttribute('identifier'),
                    'html' => $content($choice),
                    'fixed' => $choice->getAttribute('fixed') === 'true',
                ],
                fn (mixed $value): bool => $value !== false,
            ),
            Xml::children($interaction, 'qti-simple-choice'),
        );
        $max = (int) (Xml::attribute($interaction, 'max-choices') ?? 1);
        $single = $declaration?->cardinality !== 'multiple';
        $classes = explode(' ', $interaction->getAttribute('class'));
        $settings = [
            'options' => $options,
            'min' => max(0, (int) $interaction->getAttribute('min-choices')),
            'max' => $single ? 1 : ($max > 0 ? $max : null),
            'layout' => $interaction->getAttribute('orientation') === 'horizontal' ? 'row' : 'column',
            'labels' => match (true) {
                in_array('qti-labels-none', $classes, true) => 'none',
                in_array('qti-labels-decimal', $classes, true) => '1',
                in_array('qti-labels-lower-alpha', $classes, true) => 'a',
                default => 'A',
            },
            'shuffle' => $interaction->getAttribute('shuffle') === 'true',
        ];

        return (new PickReader)->part('choice', $settings, $declaration, $marking);
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        $settings = $part->settings;
        assert($settings instanceof ChoiceSettings);

        return PlainPart::picks($settings->options, $settings->max, $settings->shuffle);
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $settings = $part->settings;
        assert($settings instanceof ChoiceSettings);
        $choices = implode(
            '',
            array_map(
                fn (array $option): string => '<qti-simple-choice identifier="'.
                    Identifiers::of($option['id']).
                    '"'.
                    ($option['fixed'] ? ' fixed="true"' : '').
                    '>'.
                    $content($option['html']).
                    '</qti-simple-choice>',
                $settings->options,
            ),
        );
        $class = [
            'none' => 'qti-labels-none',
            '1' => 'qti-labels-decimal',
            'a' => 'qti-labels-lower-alpha',
            'A' => 'qti-labels-upper-alpha',
            'i' => 'qti-labels-decimal',
        ][$settings->labels];
        $interaction =
            '<qti-choice-interaction class="'.
            $class.
            '" response-identifier="'.
            $response.
            '" max-choices="'.
            ($settings->max ?? 0).
            '" min-choices="'.
            $settings->min.
            '" shuffle="'.
            ($settings->shuffle ? 'true' : 'false').
            '"'.
            ($settings->layout === 'row' ? ' orientation="horizontal"' : '').
            ">$choices</qti-choice-interaction>";

        return (new PickWriter($part, $settings->ids(), $settings->max))->write($response, $interaction);
    }
}
