<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;

/** The declaration and marking of a response of directed pairs. */
final class PairWriter
{
    /**
     * @param  bool  $byFirst  whether a first thing is right or not as one (a gap, an item), not each pair
     * @param  list<string>  $firsts
     * @param  list<string>  $seconds
     * @param  bool  $turned  whether the standard names the second thing first
     */
    public function __construct(
        private readonly Part $part,
        private readonly bool $byFirst,
        private readonly array $firsts,
        private readonly array $seconds,
        private readonly bool $turned = false,
    ) {
    }

    /** @param  string  $interaction  as it stands in the body */
    public function write(string $response, string $interaction): WrittenPart
    {
        $right = PairTarget::earning($this->part);
        $correct = $this->part->scheme === Scheme::Person ? [] : $this->correct($right);
        [$mapping, $added] = $this->part->scheme === Scheme::Person || $right === [] ? ['', ''] : $this->mapping($right, count($correct));
        $values = implode(
            '',
            array_map(
                fn (PairTarget $pair): string => '<qti-value>'.$this->pair($pair->first, $pair->second).'</qti-value>',
                $correct,
            ),
        );
        $declaration =
            "<qti-response-declaration identifier=\"$response\" cardinality=\"multiple\" base-type=\"directedPair\">".
            ($values === '' ? '' : "<qti-correct-response>$values</qti-correct-response>").
            $mapping.
            '</qti-response-declaration>';
        $matches = array_map(function (Rule $rule) use ($response): array {
            assert($rule->on instanceof PairTarget);

            return [
                [
                    $rule,
                    '<qti-member><qti-base-value base-type="directedPair">'.
                    $this->pair($rule->on->first, $rule->on->second).
                    "</qti-base-value><qti-variable identifier=\"$response\"/></qti-member>",
                ],
            ];
        }, $this->part->key->rules);

        return new WrittenPart($declaration, $interaction, $this->processing($response, $right, count($correct), $added), [], $matches);
    }

    /** @param  list<PairTarget>  $right */
    private function processing(string $response, array $right, int $n, string $added): string
    {
        $cost = $this->part->bound('cost');
        if ($this->part->scheme === Scheme::All && $this->byFirst && count($right) > $n) {
            return $this->anyRight($response, $right, $n);
        }
        $costly = $this->part->scheme === Scheme::Each && $n > 0 && ! $cost->isZero() && $this->mayExceed($n);

        return ScoredResponse::processing(
            $this->part,
            "SCORE_$response",
            [$response],
            $added,
            null,
            $costly
                ? ScoredResponse::costly("SCORE_$response", $response, $n, $cost->multipliedBy($this->part->points())->dividedBy($n))
                : '',
        );
    }

    /**
     * All or nothing where a gap or an item has several that are right.
     *
     * @param  list<PairTarget>  $right
     */
    private function anyRight(string $response, array $right, int $n): string
    {
        $of = [];
        foreach ($right as $pair) {
            $of["=$pair->first"][] =
                '<qti-member><qti-base-value base-type="directedPair">'.
                $this->pair($pair->first, $pair->second).
                "</qti-base-value><qti-variable identifier=\"$response\"/></qti-member>";
        }
        $tests = implode(
            '',
            array_map(
                fn (array $members): string => count($members) === 1 ? $members[0] : '<qti-or>'.implode('', $members).'</qti-or>',
                $of,
            ),
        );

        return '<qti-response-condition><qti-response-if><qti-and><qti-equal tolerance-mode="exact"><qti-container-size>'.
            "<qti-variable identifier=\"$response\"/></qti-container-size><qti-base-value base-type=\"integer\">$n</qti-base-value>".
            "</qti-equal>$tests</qti-and><qti-set-outcome-value identifier=\"SCORE_$response\"><qti-base-value base-type=\"float\">".
            ScoreFloats::float($this->part->points()).
            '</qti-base-value></qti-set-outcome-value></qti-response-if></qti-response-condition>';
    }

    public function pair(string $first, string $second): string
    {
        return Xml::escape(
            $this->turned
                ? Identifiers::of($second).' '.Identifiers::of($first)
                : Identifiers::of($first).' '.Identifiers::of($second),
        );
    }

    /**
     * One way to have everything right.
     *
     * @param  list<PairTarget>  $right
     * @return list<PairTarget>
     */
    private function correct(array $right): array
    {
        $correct = [];
        foreach ($right as $pair) {
            $correct[$this->byFirst ? "=$pair->first" : PairTarget::key($pair->first, $pair->second)] ??= $pair;
        }

        return array_values($correct);
    }

    /**
     * @param  list<PairTarget>  $right
     * @return array{string, string} the mapping, what is added to it
     */
    private function mapping(array $right, int $n): array
    {
        $part = $this->part;
        if ($part->scheme === Scheme::All) {
            return ['', ''];
        }
        $w = ($this->byFirst ? count($this->firsts) : count($this->firsts) * count($this->seconds)) - $n;
        $share = fn (int $above, int $below): BigRational => BigRational::of($above)
            ->dividedBy(max(1, $below))
            ->multipliedBy($part->points());
        [$good, $bad, $added] = match ($part->scheme) {
            Scheme::Each => [$share(1, $n), Exact::zero(), ''],
            Scheme::Balance => [$share(1, $n), $w > 0 ? $share(-1, $w) : Exact::zero(), ''],
            Scheme::Judge => [$share(1, $n + $w), $share(-1, $n + $w), ScoreFloats::float($share($w, $n + $w))],
            default => [null, $part->key->default()->multipliedBy($part->points()), ''],
        };
        $entries = $this->entries($right, $good, $bad);
        $default = $this->byFirst && $good !== null ? '0' : ScoreFloats::float($bad);
        $bounds =
            $part->scheme === Scheme::Judge
                ? ''
                : ' lower-bound="'.
                    ScoreFloats::float($part->bound('low')->multipliedBy($part->points())).
                    '" upper-bound="'.
                    ScoreFloats::float($part->bound('high')->multipliedBy($part->points())).
                    '"';

        return ["<qti-mapping default-value=\"$default\"$bounds>$entries</qti-mapping>", $added];
    }

    /** @param  list<PairTarget>  $right */
    private function entries(array $right, ?BigRational $good, BigRational $bad): string
    {
        $entry = fn (string $first, string $second, BigRational $value): string => '<qti-map-entry map-key="'.
            $this->pair($first, $second).
            '" mapped-value="'.
            ScoreFloats::float($value).
            '"/>';
        $entries = '';
        if ($good === null) {
            foreach ($this->part->key->rules as $rule) {
                $entries .=
                    $rule->on instanceof PairTarget
                        ? $entry($rule->on->first, $rule->on->second, $rule->credit()->multipliedBy($this->part->points()))
                        : '';
            }

            return $entries;
        }
        $placed = [];
        foreach ($right as $pair) {
            $entries .= $entry($pair->first, $pair->second, $good);
            $placed["=$pair->first"] = true;
        }
        if ($this->byFirst && ! $bad->isZero()) {
            // what belongs nowhere costs, wherever it is put
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
