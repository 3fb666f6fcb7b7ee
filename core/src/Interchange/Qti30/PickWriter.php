<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;

/** The declaration and marking of a response of things that are picked: options, pieces. */
final readonly class PickWriter
{
    /**
     * @param  list<string>  $ids  everything that can be picked
     * @param  int|null  $max  null: as many as there are
     */
    public function __construct(private Part $part, private array $ids, private ?int $max)
    {
    }

    /** @param  string  $interaction  as it stands in the body */
    public function write(string $response, string $interaction): WrittenPart
    {
        $single = $this->max === 1;
        $rules = $this->part->key->rules;
        $right = array_values(array_filter($rules, fn (Rule $rule): bool => $rule->credit()->isPositive()));
        $correct = implode(
            '',
            array_map(
                fn (Rule $rule): string => '<qti-value>'.$this->name($this->id($rule)).'</qti-value>',
                $single ? array_slice($right, 0, 1) : $right,
            ),
        );
        [$map, $constant] = $this->mapping();
        $declaration =
            '<qti-response-declaration identifier="'.
            $response.
            '" cardinality="'.
            ($single ? 'single' : 'multiple').
            '" base-type="identifier">'.
            ($correct === '' ? '' : "<qti-correct-response>$correct</qti-correct-response>").
            $map.
            '</qti-response-declaration>';
        $value = fn (Rule $rule): string => '<qti-base-value base-type="identifier">'.
            $this->name($this->id($rule)).
            '</qti-base-value>';
        $chosen = fn (Rule $rule): string => $single
            ? "<qti-match><qti-variable identifier=\"$response\"/>".$value($rule).'</qti-match>'
            : '<qti-member>'.$value($rule)."<qti-variable identifier=\"$response\"/></qti-member>";

        return new WrittenPart(
            $declaration,
            $interaction,
            ScoredResponse::processing($this->part, "SCORE_$response", [$response], $constant, null, $this->costly($response)),
            [],
            array_map(fn (Rule $rule): array => [[$rule, $chosen($rule)]], $rules),
        );
    }

    public function name(string $id): string
    {
        return Identifiers::of($id);
    }

    /** @return array{string, string} the mapping, what is added to it */
    private function mapping(): array
    {
        $part = $this->part;
        $n = $this->right();
        $w = count($this->ids) - $n;
        if (in_array($part->scheme, [Scheme::All, Scheme::Person], true) || $n === 0) {
            return ['', ''];
        }
        $points = $part->points();
        $share = fn (int|string $above, int $below): BigRational => BigRational::of($above)->dividedBy($below);
        [$right, $wrong, $added] = match ($part->scheme) {
            Scheme::Each => [$share(1, $n), Exact::zero(), null],
            Scheme::Balance => [$share(1, $n), $w === 0 ? Exact::zero() : $share(-1, $w), null],
            Scheme::Judge => [$share(1, $n + $w), $share(-1, $n + $w), $share($w, $n + $w)],
            default => [null, null, null],
        };
        $entries = '';
        $credits = [];
        foreach ($part->key->rules as $rule) {
            $credits[$this->id($rule)] = $rule->credit();
        }
        foreach ($this->ids as $id) {
            $credit =
                $right === null
                    ? $credits[$id] ?? $part->key->default()
                    : (($credits[$id] ?? Exact::zero())->isPositive()
                        ? $right
                        : $wrong);
            $entries .=
                '<qti-map-entry map-key="'.
                $this->name($id).
                '" mapped-value="'.
                ScoreFloats::float(($credit ?? Exact::zero())->multipliedBy($points)).
                '"/>';
        }
        $bounds =
            $added === null
                ? ' lower-bound="'.
                    ScoreFloats::float($part->bound('low')->multipliedBy($points)).
                    '" upper-bound="'.
                    ScoreFloats::float($part->bound('high')->multipliedBy($points)).
                    '"'
                : '';

        return [
            "<qti-mapping default-value=\"0\"$bounds>$entries</qti-mapping>",
            $added === null ? '' : ScoreFloats::float($added->multipliedBy($points)),
        ];
    }

    /** Where more can be picked than are right, and that costs. */
    private function costly(string $response): string
    {
        $n = $this->right();
        $cost = $this->part->bound('cost');

        return $this->part->scheme !== Scheme::Each || $n === 0 || $cost->isZero() || ($this->max !== null && $this->max <= $n)
            ? ''
            : ScoredResponse::costly("SCORE_$response", $response, $n, $cost->multipliedBy($this->part->points())->dividedBy($n));
    }

    private function right(): int
    {
        return count(array_filter($this->part->key->rules, fn (Rule $rule): bool => $rule->credit()->isPositive()));
    }

    private function id(Rule $rule): string
    {
        return is_string($rule->on) ? $rule->on : '';
    }
}
