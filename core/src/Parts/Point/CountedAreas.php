<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Point;

use WideQuarry\Interchange\Qti30\ScoredResponse;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;

/**
 * The schemes for points as response processing. By weights the area mapping gives the points themselves. The others count: each right
 * area is mapped to 1 and everything else to 1000, so that one sum holds both how many are right and how many are not.
 */
final readonly class CountedAreas
{
    private const ELSE = 1000;

    private int $right;

    public function __construct(private Part $part, private string $response)
    {
        $this->right = count(array_filter($part->key->rules, fn (Rule $rule): bool => $rule->credit()->isPositive()));
    }

    public function isMarked(): bool
    {
        return $this->part->scheme !== Scheme::Person && ($this->part->scheme === Scheme::Weights || $this->right > 0);
    }

    public function worth(Rule $rule): string
    {
        return $this->part->scheme === Scheme::Weights
            ? ScoreFloats::float($rule->credit()->multipliedBy($this->part->points()))
            : ($rule->credit()->isPositive() ? '1' : (string) self::ELSE);
    }

    public function elsewhere(): string
    {
        return $this->part->scheme === Scheme::Weights
            ? ScoreFloats::float($this->part->key->default()->multipliedBy($this->part->points()))
            : (string) self::ELSE;
    }

    public function bounds(): string
    {
        if ($this->part->scheme !== Scheme::Weights) {
            return '';
        }
        $bound = fn (string $which): string => ScoreFloats::float($this->part->bound($which)->multipliedBy($this->part->points()));

        return " lower-bound=\"{$bound('low')}\" upper-bound=\"{$bound('high')}\"";
    }

    public function processing(): string
    {
        if ($this->part->scheme === Scheme::Weights) {
            return str_replace(
                '<qti-map-response ',
                '<qti-map-response-point ',
                ScoredResponse::processing($this->part, "SCORE_$this->response", [$this->response]),
            );
        }
        $points = ScoreFloats::float($this->part->points());
        $cost = ScoreFloats::float($this->part->bound('cost'));

        return self::counted($this->response, $this->part->scheme === Scheme::All, $points, $this->right, $cost);
    }

    /** all: points where the sum is n. each: points · max(0, r − cost · max(0, r + x − n)) ÷ n. */
    private static function counted(string $response, bool $all, string $points, int $n, string $cost): string
    {
        $float = fn (string|int $value): string => "<qti-base-value base-type=\"float\">$value</qti-base-value>";
        $set = fn (string $value, string $of = 'SCORE'): string => "<qti-set-outcome-value identifier=\"{$of}_$response\">".
            "$value</qti-set-outcome-value>";
        $sum = "<qti-map-response-point identifier=\"$response\"/>";
        $null = "<qti-response-if><qti-is-null><qti-variable identifier=\"$response\"/></qti-is-null>{$set($float('0'))}</qti-response-if>";
        if ($all) {
            return "<qti-response-condition>$null<qti-response-else-if><qti-equal tolerance-mode=\"exact\">$sum{$float($n)}</qti-equal>".
                "{$set($float($points))}</qti-response-else-if></qti-response-condition>";
        }
        $missed = "<qti-variable identifier=\"MISSED_$response\"/>";
        $hit = "<qti-variable identifier=\"HIT_$response\"/>";
        $over = "<qti-max>{$float(0)}<qti-subtract><qti-sum>$hit$missed</qti-sum>{$float($n)}</qti-subtract></qti-max>";
        $share = "<qti-subtract>$hit<qti-product>{$float($cost)}$over</qti-product></qti-subtract>";

        return "<qti-response-condition>$null<qti-response-else>".
            $set(self::whole("<qti-divide>$sum{$float(self::ELSE)}</qti-divide>"), 'MISSED').
            $set("<qti-subtract>$sum<qti-product>{$float(self::ELSE)}$missed</qti-product></qti-subtract>", 'HIT').
            $set("<qti-divide><qti-product>{$float($points)}<qti-max>{$float(0)}$share</qti-max></qti-product>{$float($n)}</qti-divide>").
            '</qti-response-else></qti-response-condition>';
    }

    private static function whole(string $value): string
    {
        return "<qti-integer-to-float><qti-truncate>$value</qti-truncate></qti-integer-to-float>";
    }

    /** Declarations of what is counted on the way. */
    public function outcomes(): string
    {
        return $this->part->scheme !== Scheme::Each ? '' : implode('', array_map(
            fn (string $name): string => "<qti-outcome-declaration identifier=\"{$name}_$this->response\" ".
                'cardinality="single" base-type="float"/>',
            ['MISSED', 'HIT'],
        ));
    }

    /**
     * What a rule of an item says, where it is one of those written here.
     *
     * @return \stdClass|null points and scoring
     */
    public static function read(\DOMElement $rule, string $response): ?\stdClass
    {
        $values = array_map(fn (\DOMElement $value): string => trim($value->textContent), Xml::all($rule, 'qti-base-value'));
        $isAll = Xml::all($rule, 'qti-equal') !== [];
        [$points, $n] = $isAll ? [$values[2] ?? '', $values[1] ?? ''] : [$values[3] ?? '', $values[count($values) - 1] ?? ''];
        foreach ($isAll ? ['0'] : array_unique($values) as $tried) {
            // the cost is one of its numbers: the one by which the rule is written so
            $written = is_numeric($points) && ctype_digit($n) && is_numeric($tried)
                ? self::counted($response, $isAll, $points, (int) $n, $tried)
                : '';
            if ($written !== '' && Xml::source($rule) === self::source($written)) {
                return (object) [
                    'points' => $points,
                    'scheme' => $isAll ? 'all' : 'each',
                    'n' => (int) $n,
                    ...$isAll ? [] : ['cost' => $tried],
                ];
            }
        }

        return null;
    }

    private static function source(string $xml): string
    {
        $document = new \DOMDocument;
        $document->loadXML($xml);

        return $document->documentElement === null ? '' : Xml::source($document->documentElement);
    }
}
