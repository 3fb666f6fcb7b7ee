<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Tiles;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Qti30\Identifiers;
use WideQuarry\Interchange\Qti30\ScoredResponse;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Item;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;

/**
 * Gaps of tiles among answers of other kinds: no interaction of QTI may stand inside another, so each gap becomes a drop-down
 * of all tiles, which keeps words, key and marking, but not how often a tile may be used.
 */
final readonly class ScatteredGaps
{
    /**
     * @param  list<Item>  $tiles
     * @param  list<string>  $gaps
     */
    public function __construct(private Part $part, private array $tiles, private array $gaps)
    {
    }

    /** @param  \Closure(string): string  $content */
    public function write(string $response, \Closure $content): WrittenPart
    {
        $options = implode(
            '',
            array_map(
                fn (Item $tile): string => '<qti-inline-choice identifier="'.
                    Identifiers::of($tile->id).
                    '">'.
                    preg_replace('~^<p>(.*)</p>$~s', '$1', $content($tile->html)).
                    '</qti-inline-choice>',
                $this->tiles,
            ),
        );
        $right = PairTarget::earning($this->part);
        $n = count(array_unique(array_map(fn (PairTarget $pair): string => $pair->first, $right)));
        $losses = [
            [
                'tiles.scattered',
                Message::of('parts.tiles.tiles-whose-gaps-stand'),
            ],
        ];
        $scheme = $this->part->scheme;
        if (in_array($scheme, [Scheme::Balance, Scheme::Judge], true)) {
            $losses[] = [
                'tiles.scattered_scheme',
                Message::of('parts.tiles.how-gaps-filled-wrongly'),
            ];
            $scheme = Scheme::Each;
        }
        $declarations = '';
        $places = $responses = $matches = [];
        foreach ($this->gaps as $i => $gap) {
            $id = $i === 0 ? $response : "{$response}_".($i + 1);
            $responses[] = $id;
            $places[
                $gap
            ] = "<qti-inline-choice-interaction response-identifier=\"$id\" shuffle=\"false\">$options</qti-inline-choice-interaction>";
            $declarations .= $this->declaration($id, $gap, $scheme, $right, max(1, $n));
            foreach ($this->part->key->rules as $rule) {
                if ($rule->on instanceof PairTarget && $rule->on->first === $gap) {
                    $matches[] = [
                        [
                            $rule,
                            "<qti-match><qti-variable identifier=\"$id\"/><qti-base-value base-type=\"identifier\">".
                            Identifiers::of($rule->on->second).
                            '</qti-base-value></qti-match>',
                        ],
                    ];
                }
            }
        }

        return new WrittenPart(
            $declarations,
            '',
            $responses === [] ? '' : ScoredResponse::processing($this->part, "SCORE_$response", $responses, '', $scheme),
            $losses,
            $matches,
            $places,
        );
    }

    /** @param  list<PairTarget>  $right */
    private function declaration(string $id, string $gap, Scheme $scheme, array $right, int $n): string
    {
        $here = array_values(array_filter($right, fn (PairTarget $pair): bool => $pair->first === $gap));
        $correct =
            $here === [] || $scheme === Scheme::Person
                ? ''
                : '<qti-correct-response><qti-value>'.Identifiers::of($here[0]->second).'</qti-value></qti-correct-response>';
        $points = $this->part->points();
        $value = fn (Rule $rule): BigRational => $scheme === Scheme::Weights
            ? $rule->credit()->multipliedBy($points)
            : ($rule->credit()->isPositive()
                ? $points->dividedBy($n)
                : Exact::zero());
        $entries = implode(
            '',
            array_map(
                fn (Rule $rule): string => $rule->on instanceof PairTarget && $rule->on->first === $gap
                    ? '<qti-map-entry map-key="'.
                        Identifiers::of($rule->on->second).
                        '" mapped-value="'.
                        ScoreFloats::float($value($rule)).
                        '"/>'
                    : '',
                $this->part->key->rules,
            ),
        );
        $default = $scheme === Scheme::Weights ? ScoreFloats::float($this->part->key->default()->multipliedBy($points)) : '0';
        $mapping = $scheme === Scheme::Person || $entries === '' ? '' : "<qti-mapping default-value=\"$default\">$entries</qti-mapping>";

        return "<qti-response-declaration identifier=\"$id\" cardinality=\"single\" ".
            "base-type=\"identifier\">$correct$mapping</qti-response-declaration>";
    }
}
