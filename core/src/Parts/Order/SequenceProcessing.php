<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Order;

use WideQuarry\Interchange\Qti30\Identifiers;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;

/**
 * A sequence marked by response processing (QTI 3.0 ASI, 2.11 and 2.12): the rank of what stands in each place becomes an outcome, and
 * the scheme counts over the ranks. Ranks begin with 1; 0 is where nothing stands that was to be put in order.
 */
final readonly class SequenceProcessing
{
    /** Of more, the conditions would be many thousands. */
    private const MOST = 12;

    /** @var list<string> what is to be put in order */
    private array $loose;

    /** @var array<string, int> loose item → rank from 1 */
    private array $of;

    /** @var list<int> places from 1 in which loose items stand when all is right; empty when the key does not say */
    private array $places;

    public function __construct(private Part $part, private string $response, private Ranks $ranks, private OrderSettings $settings)
    {
        $this->loose = $settings->loose();
        $this->of = array_map(fn (int $rank): int => $rank + 1, $ranks->of($this->loose));
        $flat = $ranks->flat();
        $this->places =
            count($flat) === count($settings->items)
                ? array_map(fn (int $i): int => $i + 1, array_keys(array_filter($flat, fn (string $id): bool => isset($this->of[$id]))))
                : [];
    }

    /**
     * A sequence whose rules are those that are written here: what they rank and what they are worth is taken from them, and with one
     * of the schemes just these rules come out again.
     *
     * @param  list<\DOMElement>  $rules
     * @param  list<string>  $correct
     * @return array{\stdClass, int}|null points, key and scoring, and how many rules they are
     */
    public static function read(array $rules, int $at, string $response, array $correct): ?array
    {
        $ranks = self::ranksIn($rules[$at], $response);
        if ($ranks === [] || count($correct) > self::MOST) {
            return null;
        }
        $order = [];
        foreach ($correct as $i => $id) {
            $with = $i > 0 && isset($ranks["=$id"], $ranks["={$correct[$i - 1]}"]) && $ranks["=$id"] === $ranks["={$correct[$i - 1]}"];
            if ($with) {
                $order[count($order) - 1][] = $id;
            } else {
                $order[] = [$id];
            }
        }
        $items = array_map(
            fn (string $id): \stdClass => (object) ['id' => $id, 'html' => $id, 'given' => ! isset($ranks["=$id"])],
            $correct,
        );
        $written = implode('', array_map(Xml::source(...), array_slice($rules, $at, 4 * count($correct) ** 2)));
        preg_match('~<qti-product><qti-base-value base-type="float">([\d.]+)</qti-base-value><qti-divide>~', $written, $m);
        foreach (Scheme::FOR_SEQUENCES as $scheme) {
            $json = (object) [
                'id' => $response,
                'kind' => 'order',
                'points' => ScoreFloats::points(Exact::of($m[1] ?? '1')),
                'settings' => (object) ['items' => $items],
                'key' => (object) ['rules' => [(object) ['id' => 'r1', 'on' => $order, 'credit' => '1']]],
                'scoring' => (object) ['scheme' => $scheme->value],
            ];
            $part = Part::read($json, '', StandardKinds::all());
            assert($part->settings instanceof OrderSettings);
            $expected = $scheme === Scheme::Person ? '' : (new self($part, $response, Ranks::read($order, ''), $part->settings))->rules();
            if ($expected !== '' && str_starts_with($written, $expected)) {
                return [$json, substr_count($expected, '<qti-response-condition>')];
            }
        }

        return null;
    }

    /** @return array<string, string> what a condition gives a rank to by standing in one place, and the rank */
    private static function ranksIn(\DOMElement $condition, string $response): array
    {
        $ranks = [];
        foreach (Xml::children($condition) as $branch) {
            [$test, $set] = [...Xml::children($branch), null, null];
            $id = $test?->localName === 'qti-match' ? trim(Xml::child($test, 'qti-base-value')->textContent ?? '') : '';
            if ($id === '' || $set === null || ! str_starts_with($set->getAttribute('identifier'), "RANK_{$response}_")) {
                return [];
            }
            $ranks["=$id"] = trim($set->textContent);
        }

        return $ranks;
    }

    /** Whether it says all that the scheme says; otherwise the whole order is right or wrong. */
    public function isWhole(): bool
    {
        $tied = count(array_unique($this->of)) < count($this->of);
        $known = $this->places !== [] && ! ($tied && $this->settings->given !== []); // a given item of the same rank has a place of its own

        return match ($this->part->scheme) {
            Scheme::Person => true,
            Scheme::All => ! $tied || ($known && $this->isFew()),
            Scheme::Positions, Scheme::Joins => $known && $this->isFew(),
            default => $this->isFew(),
        };
    }

    /** Whether the standard's own match of the whole order is enough. */
    public function isMatch(): bool
    {
        return ! $this->isWhole() || ($this->part->scheme === Scheme::All && count(array_unique($this->of)) === count($this->of));
    }

    /** Outcomes besides the score. */
    public function outcomes(): string
    {
        $names = array_map(fn (int $place): string => $this->rank($place), $this->asked());
        if ($this->part->scheme === Scheme::Chain) {
            array_push($names, ...array_map(fn (int $place): string => $this->run($place), $this->asked()));
        }

        return implode(
            '',
            array_map(
                fn (
                    string $name,
                ): string => "<qti-outcome-declaration identifier=\"$name\" cardinality=\"single\" base-type=\"integer\">".
                    '<qti-default-value><qti-value>0</qti-value></qti-default-value></qti-outcome-declaration>',
                [...$names, $this->count()],
            ),
        );
    }

    public function rules(): string
    {
        $ranks = implode('', array_map($this->ranked(...), $this->asked()));
        [$counted, $of] = match ($this->part->scheme) {
            Scheme::Pairs => [$this->pairs(), $this->orderedPairs()],
            Scheme::Joins => [$this->joins(), count($this->loose) - 1],
            Scheme::Chain => [$this->chain(), count($this->loose) - 1],
            Scheme::Positions => [$this->inPlace(), count($this->loose)],
            default => [$this->allInPlace(), 1],
        };
        $worth = $this->part->points()->multipliedBy($this->part->key->rules[0]->credit());
        $share =
            '<qti-product><qti-base-value base-type="float">'.
            ScoreFloats::float($worth).
            "</qti-base-value><qti-divide>{$this->variable($this->count())}{$this->whole($of)}</qti-divide></qti-product>";

        return $ranks.
            $counted.
            self::when("<qti-gt>{$this->variable($this->count())}{$this->whole(0)}</qti-gt>", "SCORE_$this->response", $share);
    }

    private function isFew(): bool
    {
        return count($this->settings->items) <= self::MOST;
    }

    /** @return list<int> places that are looked at */
    private function asked(): array
    {
        return $this->places === [] ? range(1, count($this->settings->items)) : $this->places;
    }

    /** The rank of what stands in a place. */
    private function ranked(int $place): string
    {
        $branches = '';
        foreach ($this->of as $id => $rank) {
            $name = $branches === '' ? 'qti-response-if' : 'qti-response-else-if';
            $branches .=
                "<$name><qti-match><qti-index n=\"$place\">{$this->variable(
                    $this->response,
                )}</qti-index><qti-base-value base-type=\"identifier\">".
                Identifiers::of((string) $id).
                "</qti-base-value></qti-match><qti-set-outcome-value identifier=\"{$this->rank($place)}\">{$this->whole(
                    $rank,
                )}</qti-set-outcome-value></$name>";
        }

        return "<qti-response-condition>$branches</qti-response-condition>";
    }

    /** Pairs in their order less pairs against it. */
    private function pairs(): string
    {
        $xml = '';
        $places = $this->asked();
        foreach ($places as $i => $place) {
            foreach (array_slice($places, $i + 1) as $later) {
                [$one, $other] = [$this->variable($this->rank($place)), $this->variable($this->rank($later))];
                $xml .=
                    self::when(
                        "<qti-and><qti-gt>$one{$this->whole(0)}</qti-gt><qti-lt>$one$other</qti-lt></qti-and>",
                        $this->count(),
                        $this->more(1),
                    ).
                    self::when(
                        "<qti-and><qti-gt>$other{$this->whole(0)}</qti-gt><qti-gt>$one$other</qti-gt></qti-and>",
                        $this->count(),
                        $this->more(-1),
                    );
            }
        }

        return $xml;
    }

    private function orderedPairs(): int
    {
        $all = 0;
        foreach (array_count_values($this->of) as $size) {
            $all += $size * (count($this->of) - $size);
        }

        return max(1, intdiv($all, 2));
    }

    /** Neighbours of equal or next rank. */
    private function joins(): string
    {
        $xml = '';
        foreach (array_slice($this->places, 1) as $i => $next) {
            [$one, $other] = [$this->variable($this->rank($this->places[$i])), $this->variable($this->rank($next))];
            $xml .= self::when(
                "<qti-and><qti-gt>$one{$this->whole(0)}</qti-gt><qti-or>".
                    self::equal($other, $one).
                    self::equal($other, "<qti-sum>$one{$this->whole(1)}</qti-sum>").
                    '</qti-or></qti-and>',
                $this->count(),
                $this->more(1),
            );
        }

        return $xml;
    }

    /** The longest run that never goes back: of each place, the longest that ends there. */
    private function chain(): string
    {
        $xml = '';
        $places = $this->asked();
        foreach ($places as $i => $place) {
            [$rank, $run] = [$this->variable($this->rank($place)), $this->variable($this->run($place))];
            $xml .= self::when("<qti-gt>$rank{$this->whole(0)}</qti-gt>", $this->run($place), $this->whole(1));
            foreach (array_slice($places, 0, $i) as $before) {
                [$earlier, $length] = [$this->variable($this->rank($before)), $this->variable($this->run($before))];
                $xml .= self::when(
                    "<qti-and><qti-gt>$earlier{$this->whole(
                        0,
                    )}</qti-gt><qti-gte>$rank$earlier</qti-gte><qti-gte>$length$run</qti-gte></qti-and>",
                    $this->run($place),
                    "<qti-sum>$length{$this->whole(1)}</qti-sum>",
                );
            }
            $xml .= self::when(
                "<qti-gt>$run<qti-sum>{$this->variable($this->count())}{$this->whole(1)}</qti-sum></qti-gt>",
                $this->count(),
                "<qti-subtract>$run{$this->whole(1)}</qti-subtract>",
            );
        }

        return $xml;
    }

    private function inPlace(): string
    {
        return implode('', array_map(fn (string $test): string => self::when($test, $this->count(), $this->more(1)), $this->placed()));
    }

    private function allInPlace(): string
    {
        return self::when('<qti-and>'.implode('', $this->placed()).'</qti-and>', $this->count(), $this->whole(1));
    }

    /** @return list<string> for each place, whether what stands there is of the rank that belongs there */
    private function placed(): array
    {
        $flat = $this->ranks->flat();

        return array_map(
            fn (int $place): string => self::equal($this->variable($this->rank($place)), $this->whole($this->of[$flat[$place - 1]])),
            $this->places,
        );
    }

    private function rank(int $place): string
    {
        return "RANK_{$this->response}_$place";
    }

    private function run(int $place): string
    {
        return "RUN_{$this->response}_$place";
    }

    private function count(): string
    {
        return "COUNT_$this->response";
    }

    private function variable(string $name): string
    {
        return "<qti-variable identifier=\"$name\"/>";
    }

    private function whole(int $number): string
    {
        return "<qti-base-value base-type=\"integer\">$number</qti-base-value>";
    }

    private function more(int $by): string
    {
        return "<qti-sum>{$this->variable($this->count())}{$this->whole($by)}</qti-sum>";
    }

    private static function equal(string $one, string $other): string
    {
        return "<qti-equal tolerance-mode=\"exact\">$one$other</qti-equal>";
    }

    private static function when(string $test, string $outcome, string $value): string
    {
        return '<qti-response-condition>'.
            "<qti-response-if>$test<qti-set-outcome-value identifier=\"$outcome\">$value</qti-set-outcome-value></qti-response-if>".
            '</qti-response-condition>';
    }
}
