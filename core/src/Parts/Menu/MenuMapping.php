<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Menu;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\Identifiers;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Interchange\Qti30\MappingDefaults;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\ScoredResponse;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Item;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;

/** qti-inline-choice-interaction. */
final class MenuMapping implements KindMapping
{
    use MappingDefaults;

    public function on(string $value): string
    {
        return $value;
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return $interaction->localName === 'qti-inline-choice-interaction' &&
            ($declaration === null || $declaration->cardinality === 'single');
    }

    /** @param  list<array{key: string, value: string, sensitive: bool}>  $map */
    private static function best(array $map): BigRational
    {
        $best = Exact::zero();
        foreach ($map as $entry) {
            $value = Exact::read($entry['value']) ?? Exact::zero();
            $best = $value->isGreaterThan($best) ? $value : $best;
        }

        return $best;
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass
    {
        $options = array_map(
            fn (\DOMElement $choice): array => ['id' => $choice->getAttribute('identifier'), 'html' => $content($choice)],
            Xml::children($interaction, 'qti-inline-choice'),
        );
        $made = fn (BigRational $points, array $rules, string $scheme = 'weights', string $default = '0'): \stdClass => (object) [
            'kind' => 'menu',
            'points' => ScoreFloats::points($points),
            'settings' => (object) ['options' => $options, 'shuffle' => $interaction->getAttribute('shuffle') === 'true'],
            'key' => (object) ['rules' => self::rules($rules), 'default' => $default],
            'scoring' => (object) ['scheme' => $scheme],
        ];
        if ($declaration === null || $marking === null) {
            return $made(Exact::one(), [], 'person');
        }
        if ($marking->by === 'correct') {
            $points = Exact::read($marking->points) ?? Exact::one();

            return $declaration->correct === [] || ! $points->isPositive() ? null : $made($points, [[$declaration->correct[0], '1']]);
        }
        $map = $declaration->map ?? [];
        $best = self::best($map);
        $points = $declaration->upper === null ? $best : Exact::read($declaration->upper) ?? $best;

        return $marking->by !== 'map' || $marking->added !== '0' || ! $points->isPositive()
            ? null
            : $made(
                $points,
                array_map(fn (array $entry): array => [$entry['key'], ScoreFloats::share($entry['value'], $points)], $map),
                'weights',
                ScoreFloats::share($declaration->default, $points),
            );
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        $settings = $part->settings;
        assert($settings instanceof MenuSettings);

        return PlainPart::picks(PlainPart::items($settings->options), 1, $settings->shuffle, true);
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $settings = $part->settings;
        assert($settings instanceof MenuSettings);
        $points = $part->points();
        $best = null;
        $entries = '';
        foreach ($part->key->rules as $rule) {
            $best = $best === null || $rule->credit()->isGreaterThan($best->credit()) ? $rule : $best;
            $entries .=
                '<qti-map-entry map-key="'.
                $this->name($rule).
                '" mapped-value="'.
                ScoreFloats::float($rule->credit()->multipliedBy($points)).
                '"/>';
        }
        $marked = $part->scheme !== Scheme::Person && $best !== null;
        $mapping = $marked
            ? '<qti-mapping default-value="'.
                ScoreFloats::float($part->key->default()->multipliedBy($points)).
                '" lower-bound="'.
                ScoreFloats::float($part->bound('low')->multipliedBy($points)).
                '" upper-bound="'.
                ScoreFloats::float($part->bound('high')->multipliedBy($points)).
                "\">$entries</qti-mapping>"
            : '';
        $correct = $marked ? '<qti-correct-response><qti-value>'.$this->name($best).'</qti-value></qti-correct-response>' : '';
        $choices = implode(
            '',
            array_map(
                fn (Item $option): string => '<qti-inline-choice identifier="'.
                    Identifiers::of($option->id).
                    '">'.
                    preg_replace('~^<p>(.*)</p>$~s', '$1', $content($option->html)).
                    '</qti-inline-choice>',
                $settings->options,
            ),
        );

        return new WrittenPart(
            "<qti-response-declaration identifier=\"$response\" cardinality=\"single\" ".
                "base-type=\"identifier\">$correct$mapping</qti-response-declaration>",
            "<qti-inline-choice-interaction response-identifier=\"$response\" shuffle=\"".
                ($settings->shuffle ? 'true' : 'false').
                "\">$choices</qti-inline-choice-interaction>",
            $marked ? ScoredResponse::processing($part, "SCORE_$response", [$response]) : '',
            [],
            array_map(
                fn (Rule $rule): array => [
                    [
                        $rule,
                        "<qti-match><qti-variable identifier=\"$response\"/><qti-base-value base-type=\"identifier\">".
                        $this->name($rule).
                        '</qti-base-value></qti-match>',
                    ],
                ],
                $part->key->rules,
            ),
        );
    }

    private function name(Rule $rule): string
    {
        return Identifiers::of(is_string($rule->on) ? $rule->on : '');
    }

    /**
     * @param  array<mixed>  $pairs  option and credit
     * @return list<\stdClass>
     */
    private static function rules(array $pairs): array
    {
        $rules = [];
        foreach ($pairs as $pair) {
            [$on, $credit] = is_array($pair) ? [...array_values($pair), null, null] : [null, null];
            $rules[] = (object) ['id' => 'r'.(count($rules) + 1), 'on' => $on, 'credit' => $credit];
        }

        return $rules;
    }
}
