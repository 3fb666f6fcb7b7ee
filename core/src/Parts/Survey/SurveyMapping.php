<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Survey;

use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\Identifiers;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Interchange\Qti30\MappingDefaults;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Question\Item;
use WideQuarry\Question\Part;

/** qti-choice-interaction without a correct response; data-opinion tells ours from a choice whose key is missing. */
final class SurveyMapping implements KindMapping
{
    use MappingDefaults;

    private const DASH = ' – ';

    public function shape(): null
    {
        return null;
    }

    public function on(string $value): string
    {
        return $value;
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return $interaction->localName === 'qti-choice-interaction' &&
            in_array($interaction->getAttribute('data-opinion'), ['options', 'scale'], true);
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): \stdClass
    {
        $choices = Xml::children($interaction, 'qti-simple-choice');
        $settings =
            $interaction->getAttribute('data-opinion') === 'scale'
                ? self::scale($choices)
                : self::options($choices, (int) (Xml::attribute($interaction, 'max-choices') ?? 1), $content);

        return (object) [
            'kind' => 'survey',
            'points' => 0,
            'settings' => (object) $settings,
            'key' => (object) ['rules' => []],
            'scoring' => new \stdClass(),
        ];
    }

    /**
     * @param  list<\DOMElement>  $choices
     * @return array<string, mixed>
     */
    private static function scale(array $choices): array
    {
        $numbers = array_map(
            fn (\DOMElement $choice): int => (int) strtr($choice->getAttribute('identifier'), ['n_' => '-', 'n' => '']),
            $choices,
        );
        $numbers = $numbers === [] ? [0] : $numbers;
        $captions = ['from' => self::caption($choices[0] ?? null), 'to' => self::caption(array_slice($choices, -1)[0] ?? null)];

        return [
            'options' => [],
            'scale' => (object) ['from' => min($numbers), 'to' => max($numbers), 'captions' => (object) $captions],
            'max' => 1,
        ];
    }

    /**
     * @param  list<\DOMElement>  $choices
     * @param  \Closure(\DOMElement): string  $content
     * @return array<string, mixed>
     */
    private static function options(array $choices, int $max, \Closure $content): array
    {
        return [
            'options' => array_map(
                fn (\DOMElement $choice): array => ['id' => $choice->getAttribute('identifier'), 'html' => $content($choice)],
                $choices,
            ),
            'scale' => null,
            'max' => $max > 0 ? $max : null,
        ];
    }

    /** What an end of a scale means stands after its number, so that learners elsewhere read it too. */
    private static function caption(?\DOMElement $choice): string
    {
        return trim(explode(self::DASH, trim($choice->textContent ?? ''), 2)[1] ?? '');
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        $settings = $part->settings;
        assert($settings instanceof SurveySettings);

        $captions =
            $settings->scale === null
                ? []
                : [$settings->ids()[0] => $settings->scale[2], array_slice($settings->ids(), -1)[0] => $settings->scale[3]];
        $said = fn (string $id): string => $id.(($captions[$id] ?? '') === '' ? '' : self::DASH.htmlspecialchars($captions[$id]));
        $options =
            $settings->scale === null
                ? PlainPart::items($settings->options)
                : array_map(fn (string $id): array => ['id' => $id, 'html' => $said($id)], $settings->ids());

        return PlainPart::picks($options, $settings->scale === null ? $settings->max : 1, false);
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $settings = $part->settings;
        assert($settings instanceof SurveySettings);
        $max = $settings->scale === null ? $settings->max : 1;
        if ($settings->scale !== null) {
            $ends = [$settings->ids()[0] => $settings->scale[2], array_slice($settings->ids(), -1)[0] => $settings->scale[3]];
            $choices = implode(
                '',
                array_map(
                    fn (string $number): string => '<qti-simple-choice identifier="'.
                        (str_starts_with($number, '-') ? 'n_'.substr($number, 1) : "n$number").
                        "\">$number".
                        (($ends[$number] ?? '') === '' ? '' : self::DASH.Xml::escape($ends[$number])).
                        '</qti-simple-choice>',
                    $settings->ids(),
                ),
            );
            $about = ' data-opinion="scale" orientation="horizontal"';
        } else {
            $choices = implode(
                '',
                array_map(
                    fn (Item $option): string => '<qti-simple-choice identifier="'.
                        Identifiers::of($option->id).
                        '">'.
                        $content($option->html).
                        '</qti-simple-choice>',
                    $settings->options,
                ),
            );
            $about = ' data-opinion="options"';
        }

        return new WrittenPart(
            "<qti-response-declaration identifier=\"$response\" cardinality=\"".
                ($max === 1 ? 'single' : 'multiple').
                '" base-type="identifier"/>',
            "<qti-choice-interaction response-identifier=\"$response\" max-choices=\"".
                ($max ?? 0).
                "\" shuffle=\"false\"$about>$choices</qti-choice-interaction>",
            '',
        );
    }
}
