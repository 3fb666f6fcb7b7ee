<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\PairCheck;
use WideQuarry\Parts\PairOn;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Scoring\Scheme;

/** The declaration and marking of a response of directed pairs. */
final class PairWriter
{
    /**
     * @param  bool  $byFirst  whether a first thing is right or not as one (a gap, an item), not each pair
     * @param  list<string>  $firsts
     * @param  list<string>  $seconds
     * @param  bool  $turned  whether the standard names the second thing first
     */
    public function __construct(private readonly Part $part, private readonly bool $byFirst, private readonly array $firsts, private readonly array $seconds, private readonly bool $turned = false)
    {
    }

    /** @param  string  $interaction  as it stands in the body */
    public function write(string $response, string $interaction): WrittenPart
    {
        $right = PairCheck::right($this->part);
        $correct = $this->part->scheme === Scheme::Person ? [] : $this->correct($right);
        [$mapping, $added, $losses] = $this->part->scheme === Scheme::Person || $right === [] ? ['', '', []] : $this->mapping($right, count($correct));
        $values = implode('', array_map(fn (PairOn $pair): string => '<qti-value>'.$this->pair($pair->first, $pair->second).'</qti-value>', $correct));
        $declaration = "<qti-response-declaration identifier=\"$response\" cardinality=\"multiple\" base-type=\"directedPair\">".($values === '' ? '' : "<qti-correct-response>$values</qti-correct-response>").$mapping.'</qti-response-declaration>';
        $matches = array_map(function (Rule $rule) use ($response): array {
            assert($rule->on instanceof PairOn);

            return [[$rule, '<qti-member><qti-base-value base-type="directedPair">'.$this->pair($rule->on->first, $rule->on->second)."</qti-base-value><qti-variable identifier=\"$response\"/></qti-member>"]];
        }, $this->part->key->rules);

        return new WrittenPart($declaration, $interaction, Scored::processing($this->part, "SCORE_$response", [$response], $added), $losses, $matches);
    }

    public function pair(string $first, string $second): string
    {
        return Xml::escape($this->turned ? Names::of($second).' '.Names::of($first) : Names::of($first).' '.Names::of($second));
    }

    /**
     * One way to have everything right.
     *
     * @param  list<PairOn>  $right
     * @return list<PairOn>
     */
    private function correct(array $right): array
    {
        $correct = [];
        foreach ($right as $pair) {
            $correct[$this->byFirst ? "=$pair->first" : PairOn::key($pair->first, $pair->second)] ??= $pair;
        }

        return array_values($correct);
    }

    /**
     * @param  list<PairOn>  $right
     * @return array{string, string, list<array{string, string}>} the mapping, what is added to it, losses
     */
    private function mapping(array $right, int $n): array
    {
        $part = $this->part;
        $alternatives = $this->byFirst && count($right) > $n;
        if ($part->scheme === Scheme::All) {
            return ['', '', $alternatives ? [['pairs.alternatives', 'Where several answers are right, QTI takes only the first of them when all or nothing counts.']] : []];
        }
        $w = ($this->byFirst ? count($this->firsts) : count($this->firsts) * count($this->seconds)) - $n;
        $share = fn (int $above, int $below): BigRational => BigRational::of($above)->dividedBy(max(1, $below))->multipliedBy($part->points());
        [$good, $bad, $added] = match ($part->scheme) {
            Scheme::Each => [$share(1, $n), Exact::zero(), ''],
            Scheme::Balance => [$share(1, $n), $w > 0 ? $share(-1, $w) : Exact::zero(), ''],
            Scheme::Judge => [$share(1, $n + $w), $share(-1, $n + $w), Credit::float($share($w, $n + $w))],
            default => [null, $part->key->default()->multipliedBy($part->points()), ''],
        };
        $entries = $this->entries($right, $good, $bad);
        $default = $this->byFirst && $good !== null ? '0' : Credit::float($bad);
        $bounds = $part->scheme === Scheme::Judge ? '' : ' lower-bound="'.Credit::float($part->bound('low')->multipliedBy($part->points())).'" upper-bound="'.Credit::float($part->bound('high')->multipliedBy($part->points())).'"';
        $losses = $part->scheme === Scheme::Each && ! $part->bound('cost')->isZero() && $this->mayExceed($n) ? [['pairs.cost_of_extra', 'The cost of giving more answers than are right cannot be said in QTI; it costs nothing there.']] : [];

        return ["<qti-mapping default-value=\"$default\"$bounds>$entries</qti-mapping>", $added, $losses];
    }

    /** @param  list<PairOn>  $right */
    private function entries(array $right, ?BigRational $good, BigRational $bad): string
    {
        $entry = fn (string $first, string $second, BigRational $value): string => '<qti-map-entry map-key="'.$this->pair($first, $second).'" mapped-value="'.Credit::float($value).'"/>';
        $entries = '';
        if ($good === null) {
            foreach ($this->part->key->rules as $rule) {
                $entries .= $rule->on instanceof PairOn ? $entry($rule->on->first, $rule->on->second, $rule->credit()->multipliedBy($this->part->points())) : '';
            }

            return $entries;
        }
        $placed = [];
        foreach ($right as $pair) {
            $entries .= $entry($pair->first, $pair->second, $good);
            $placed["=$pair->first"] = true;
        }
        if ($this->byFirst && ! $bad->isZero()) { // what belongs nowhere costs, wherever it is put
            foreach (array_filter($this->firsts, fn (string $first): bool => ! isset($placed["=$first"])) as $first) {
                $entries .= implode('', array_map(fn (string $second): string => $entry($first, $second, $bad), $this->seconds));
            }
        }

        return $entries;
    }

    /** Whether one can give more than there are right ones. */
    private function mayExceed(int $n): bool
    {
        return ($this->byFirst ? count($this->firsts) : count($this->firsts) * count($this->seconds)) > $n;
    }
}
