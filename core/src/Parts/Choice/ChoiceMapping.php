<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Choice;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Qti30\Credit;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\Scored;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Scoring\Scheme;

/** qti-choice-interaction. */
final class ChoiceMapping implements KindMapping
{
    public function kind(): string
    {
        return 'choice';
    }

    public function on(string $value): string
    {
        return $value;
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return $interaction->localName === 'qti-choice-interaction' && ($declaration === null || in_array($declaration->cardinality, ['single', 'multiple'], true));
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass
    {
        $options = array_map(fn (\DOMElement $choice): array => array_filter(['id' => $choice->getAttribute('identifier'), 'html' => $content($choice), 'fixed' => $choice->getAttribute('fixed') === 'true'], fn (mixed $value): bool => $value !== false), Xml::children($interaction, 'qti-simple-choice'));
        $max = (int) (Xml::attribute($interaction, 'max-choices') ?? 1);
        $single = $declaration?->cardinality !== 'multiple';
        $classes = explode(' ', $interaction->getAttribute('class'));
        $settings = [
            'options' => $options, 'min' => max(0, (int) $interaction->getAttribute('min-choices')), 'max' => $single ? 1 : ($max > 0 ? $max : null),
            'layout' => $interaction->getAttribute('orientation') === 'horizontal' ? 'row' : 'column',
            'labels' => match (true) {
                in_array('qti-labels-none', $classes, true) => 'none',
                in_array('qti-labels-decimal', $classes, true) => '1',
                in_array('qti-labels-lower-alpha', $classes, true) => 'a',
                default => 'A',
            },
            'shuffle' => $interaction->getAttribute('shuffle') === 'true',
        ];
        if ($declaration === null || $marking === null) {
            return $this->part(Exact::one(), $settings, [], ['scheme' => 'person']);
        }

        return $marking->by === 'map' && $declaration->map !== null ? ($marking->added === '0' ? $this->mapped($declaration, $settings) : $this->judged($declaration, $marking, $settings)) : ($marking->by === 'correct' ? $this->matched($declaration, $marking, $settings) : null);
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $settings = $part->settings;
        assert($settings instanceof ChoiceSettings);
        $single = $settings->max === 1;
        $right = array_values(array_filter($part->key->rules, fn (Rule $rule): bool => $rule->credit()->isPositive()));
        $correct = implode('', array_map(fn (Rule $rule): string => '<qti-value>'.Xml::escape($this->id($rule)).'</qti-value>', $single ? array_slice($right, 0, 1) : $right));
        [$map, $constant, $losses] = $this->mapping($part, $settings);
        $declaration = '<qti-response-declaration identifier="'.$response.'" cardinality="'.($single ? 'single' : 'multiple').'" base-type="identifier">'.($correct === '' ? '' : "<qti-correct-response>$correct</qti-correct-response>").$map.'</qti-response-declaration>';
        $choices = implode('', array_map(fn (array $option): string => '<qti-simple-choice identifier="'.Xml::escape($option['id']).'"'.($option['fixed'] ? ' fixed="true"' : '').'>'.$content($option['html']).'</qti-simple-choice>', $settings->options));
        $class = ['none' => 'qti-labels-none', '1' => 'qti-labels-decimal', 'a' => 'qti-labels-lower-alpha', 'A' => 'qti-labels-upper-alpha', 'i' => 'qti-labels-decimal'][$settings->labels];
        $interaction = '<qti-choice-interaction class="'.$class.'" response-identifier="'.$response.'" max-choices="'.($settings->max ?? 0).'" min-choices="'.$settings->min.'" shuffle="'.($settings->shuffle ? 'true' : 'false').'"'.($settings->layout === 'row' ? ' orientation="horizontal"' : '').">$choices</qti-choice-interaction>";

        $chosen = fn (Rule $rule): string => $single ? "<qti-match><qti-variable identifier=\"$response\"/>".$this->value($rule).'</qti-match>' : '<qti-member>'.$this->value($rule)."<qti-variable identifier=\"$response\"/></qti-member>";
        $matches = array_map(fn (Rule $rule): array => [[$rule, $chosen($rule)]], $part->key->rules);

        return new WrittenPart($declaration, $interaction, Scored::processing($part, "SCORE_$response", [$response], $constant), $losses, $matches);
    }

    private function value(Rule $rule): string
    {
        return '<qti-base-value base-type="identifier">'.Xml::escape($this->id($rule)).'</qti-base-value>';
    }

    /** @return array{string, string, list<array{string, string}>} the mapping, what is added to it, losses */
    private function mapping(Part $part, ChoiceSettings $settings): array
    {
        $n = count(array_filter($part->key->rules, fn (Rule $rule): bool => $rule->credit()->isPositive()));
        $w = count($settings->options) - $n;
        if (in_array($part->scheme, [Scheme::All, Scheme::Person], true) || $n === 0) {
            return ['', '', []];
        }
        $points = $part->points();
        $share = fn (int|string $above, int $below): BigRational => BigRational::of($above)->dividedBy($below);
        [$right, $wrong, $added] = match ($part->scheme) {
            Scheme::Each => [$share(1, $n), Exact::zero(), null],
            Scheme::Balance => [$share(1, $n), $w === 0 ? Exact::zero() : $share(-1, $w), null],
            Scheme::Judge => [$share(1, $n + $w), $share(-1, $n + $w), $share($w, $n + $w)],
            default => [null, null, null],
        };
        $losses = $part->scheme === Scheme::Each && ($settings->max === null || $settings->max > $n) && ! $part->bound('cost')->isZero()
            ? [['choice.cost_of_extra', 'The cost of choosing more than there are right ones cannot be said in QTI; choosing too many costs nothing there.']] : [];
        $entries = '';
        $credits = [];
        foreach ($part->key->rules as $rule) {
            $credits[$this->id($rule)] = $rule->credit();
        }
        foreach ($settings->ids() as $id) {
            $credit = $right === null ? ($credits[$id] ?? $part->key->default()) : (($credits[$id] ?? Exact::zero())->isPositive() ? $right : $wrong);
            $entries .= '<qti-map-entry map-key="'.Xml::escape($id).'" mapped-value="'.Credit::float(($credit ?? Exact::zero())->multipliedBy($points)).'"/>';
        }
        $bounds = $added === null ? ' lower-bound="'.Credit::float($part->bound('low')->multipliedBy($points)).'" upper-bound="'.Credit::float($part->bound('high')->multipliedBy($points)).'"' : '';

        return ["<qti-mapping default-value=\"0\"$bounds>$entries</qti-mapping>", $added === null ? '' : Credit::float($added->multipliedBy($points)), $losses];
    }

    /** @param  array<string, mixed>  $settings */
    private function mapped(Declaration $declaration, array $settings): ?\stdClass
    {
        $map = $declaration->map ?? [];
        $reach = array_map(fn (array $entry): BigRational => Exact::read($entry['value']) ?? Exact::zero(), $map);
        usort($reach, fn (BigRational $a, BigRational $b): int => $b->compareTo($a));
        $reach = array_slice($reach, 0, is_int($settings['max']) ? $settings['max'] : null);
        $sum = array_reduce($reach, fn (BigRational $sum, BigRational $value): BigRational => $value->isPositive() ? $sum->plus($value) : $sum, Exact::zero());
        $points = $declaration->upper === null ? $sum : Exact::read($declaration->upper) ?? $sum;
        if (! $points->isPositive()) {
            return null;
        }
        $rules = [];
        foreach ($map as $i => $entry) {
            $rules[] = ['id' => 'r'.($i + 1), 'on' => $entry['key'], 'credit' => Credit::share($entry['value'], $points)];
        }
        $lowest = array_reduce($map, fn (BigRational $low, array $entry): BigRational => ($value = Exact::read($entry['value']) ?? Exact::zero())->isNegative() ? $low->plus($value) : $low, Exact::zero());
        $low = $declaration->lower === null ? Exact::text($lowest->dividedBy($points)) : Credit::share($declaration->lower, $points);
        $high = $declaration->upper === null ? Exact::text($sum->dividedBy($points)) : '1';

        return $this->part($points, $settings, $rules, ['scheme' => 'weights', 'low' => $low, 'high' => $high], Credit::share($declaration->default, $points));
    }

    /**
     * Right ones +v, all others −v, and v for each of the others: every option is judged.
     *
     * @param  array<string, mixed>  $settings
     */
    private function judged(Declaration $declaration, Marking $marking, array $settings): ?\stdClass
    {
        $values = array_map(fn (array $entry): BigRational => Exact::read($entry['value']) ?? Exact::zero(), $declaration->map ?? []);
        $each = ($values[0] ?? Exact::zero())->abs();
        $wrong = count(array_filter($values, fn (BigRational $value): bool => $value->isNegative()));
        $same = array_filter($values, fn (BigRational $value): bool => $value->abs()->minus($each)->abs()->isGreaterThan('1/100000000')) === [];
        if (! $same || $each->isZero() || (Exact::read($marking->added) ?? Exact::zero())->minus($each->multipliedBy($wrong))->abs()->isGreaterThan('1/10000000')) {
            return null;
        }
        $rules = [];
        foreach ($declaration->map ?? [] as $i => $entry) {
            if ($values[$i]->isPositive()) {
                $rules[] = ['id' => 'r'.($i + 1), 'on' => $entry['key'], 'credit' => '1'];
            }
        }

        return $this->part(Exact::of((string) Credit::points($each->multipliedBy(count($values)))), $settings, $rules, ['scheme' => 'judge']);
    }

    /** @param  array<string, mixed>  $settings */
    private function matched(Declaration $declaration, Marking $marking, array $settings): ?\stdClass
    {
        $points = Exact::read($marking->points) ?? Exact::one();
        if ($declaration->correct === [] || ! $points->isPositive()) {
            return null;
        }
        $rules = [];
        foreach ($declaration->correct as $i => $id) {
            $rules[] = ['id' => 'r'.($i + 1), 'on' => $id, 'credit' => '1'];
        }

        return $this->part($points, $settings, $rules, ['scheme' => $declaration->cardinality === 'single' ? 'weights' : 'all']);
    }

    /**
     * @param  array<string, mixed>  $settings
     * @param  list<array<string, mixed>>  $rules
     * @param  array<string, string>  $scoring
     */
    private function part(BigRational $points, array $settings, array $rules, array $scoring, string $default = '0'): \stdClass
    {
        return (object) ['kind' => 'choice', 'points' => Credit::points($points), 'settings' => (object) $settings, 'key' => (object) ['rules' => $rules, 'default' => $default], 'scoring' => (object) $scoring];
    }

    private function id(Rule $rule): string
    {
        return is_string($rule->on) ? $rule->on : '';
    }
}
