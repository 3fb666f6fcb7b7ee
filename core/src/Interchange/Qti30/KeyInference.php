<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Keys\KeySearch;
use WideQuarry\Interchange\Keys\Probe;
use WideQuarry\Interchange\Keys\Response;
use WideQuarry\Interchange\Qti30\Operators\Numeric;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\PartKinds;

/** Where the look of response processing says nothing, it is tried out (decision 19). */
final readonly class KeyInference
{
    /** @param  array<string, Declaration>  $declarations */
    public function __construct(
        private \DOMElement $item,
        private ?\DOMElement $processing,
        private array $declarations,
        private PartKinds $kinds,
    ) {
    }

    /**
     * @param  list<\stdClass>  $parts  without keys
     * @param  list<string>  $gaps  of the text, for tiles
     * @return KeySearch|null null when there is something in it that is not understood here
     */
    public function of(array $parts, array $gaps): ?KeySearch
    {
        $machine = new ResponseProcessor($this->item, $this->processing, $this->declarations);
        if (! $machine->isWhole() || $machine->isEmpty() || $parts === []) {
            return null;
        }
        $responses = [];
        foreach ($parts as $part) {
            $response = $this->response($part, $gaps);
            if ($response === null) {
                return null;
            }
            $responses[] = $response;
        }

        return new KeySearch($responses, $machine, $this->kinds);
    }

    /** @param  list<string>  $gaps */
    private function response(\stdClass $part, array $gaps): ?Response
    {
        assert(is_string($part->id) && is_string($part->kind) && $part->settings instanceof \stdClass);
        $mapping = Mappings::of($this->kinds->find($part->kind));
        $shape = $mapping?->shape();
        $declaration = $this->declarations[$part->id] ?? null;
        if ($mapping === null || $shape === null || $declaration === null) {
            return null;
        }
        [$options, $seconds] = $mapping->choices($part->settings, $gaps);
        $id = $part->id;
        $isReversed = $mapping->isReversed();
        $several = $mapping->mayRepeat($part->settings) ?? $declaration->cardinality === 'multiple';
        $probes = $this->probes($id, $declaration, $shape, $isReversed);
        $asked = null;
        if ($shape === AnswerShape::Pairs) {
            $asked = /** @param  list<string>  $given */ fn (array $given): array => self::held($id, $given, $isReversed);
        }

        return new Response($id, $part->kind, $part->settings, $shape, $options, $several, $probes, $seconds, $asked);
    }

    /**
     * @param  array<mixed>  $given
     * @return array<string, list<string>> pairs as the standard writes them
     */
    private static function held(string $id, array $given, bool $turned): array
    {
        $pairs = [];
        foreach ($given as $pair) {
            [$first, $second] = [...explode("\t", is_string($pair) ? $pair : '', 2), ''];
            $pairs[] = $turned ? "$second $first" : "$first $second";
        }

        return [$id => $pairs];
    }

    /** @return list<Probe> what the response is compared with, wherever it is */
    private function probes(string $id, Declaration $declaration, AnswerShape $shape, bool $turned): array
    {
        $probes = array_map(fn (string $value): Probe => new Probe('equal', $value, true), $declaration->correct);
        foreach ($declaration->map ?? [] as $entry) {
            $probes[] = new Probe('equal', $entry['key'], $entry['sensitive']);
        }
        foreach ($this->processing === null ? [] : Xml::all($this->processing) as $variable) {
            $test = $variable->parentNode;
            if (
                $variable->localName !== 'qti-variable' ||
                $variable->getAttribute('identifier') !== $id ||
                ! ($test instanceof \DOMElement)
            ) {
                continue;
            }
            foreach (Xml::all($test) as $value) {
                if ($value->localName === 'qti-base-value') {
                    array_push($probes, ...$this->compared($test, trim($value->textContent), $shape));
                } elseif ($value->localName === 'qti-correct' && $shape === AnswerShape::Number) {
                    array_push(
                        $probes,
                        ...array_merge(
                            ...array_map(fn (string $correct): array => $this->compared($test, $correct, $shape), $declaration->correct),
                        ),
                    );
                }
            }
        }

        return $shape !== AnswerShape::Pairs
            ? $probes
            : array_map(function (Probe $probe) use ($turned): Probe {
                [$first, $second] = [...preg_split('/\s+/', $probe->value) ?: [], '', ''];

                return new Probe('equal', $turned ? "$second\t$first" : "$first\t$second", true);
            }, $probes);
    }

    /** @return list<Probe> */
    private function compared(\DOMElement $test, string $value, AnswerShape $shape): array
    {
        $case = $test->getAttribute('case-sensitive') !== 'false';
        if ($shape !== AnswerShape::Number) {
            return [
                new Probe(
                    $test->localName === 'qti-substring' || $test->getAttribute('substring') === 'true' ? 'contains' : 'equal',
                    $value,
                    $case,
                ),
            ];
        }
        $number = Exact::read($value);

        return $number === null
            ? []
            : array_map(fn (BigRational $limit): Probe => new Probe('compare', Exact::text($limit)), [
                $number,
                ...$this->limits($test, $number),
            ]);
    }

    /** @return list<BigRational> where a test of equality begins and ends to hold */
    private function limits(\DOMElement $test, BigRational $number): array
    {
        if ($test->localName === 'qti-equal-rounded') {
            $figures = max(0, min(12, (int) $test->getAttribute('figures')));
            $half = BigRational::of('1/2')->multipliedBy(
                BigRational::of(1)->dividedBy(
                    BigRational::of(10)->power(
                        $test->getAttribute('rounding-mode') === 'significantFigures'
                            ? max(0, $figures - 1 - (int) floor(log10(max(1e-12, abs($number->toFloat())))))
                            : $figures,
                    ),
                ),
            );

            return [$number->minus($half), $number->plus($half)];
        }
        if ($test->localName !== 'qti-equal' || ! in_array($test->getAttribute('tolerance-mode'), ['absolute', 'relative'], true)) {
            return [];
        }
        [$low, $high] = Numeric::widths($test, $number);
        if ($test->getAttribute('tolerance-mode') === 'absolute' || (Xml::children($test)[0] ?? null)?->localName !== 'qti-variable') {
            return [$number->minus($low), $number->plus($high), $number->minus($high), $number->plus($low)];
        }
        $share = fn (BigRational $width): BigRational => $number->isZero() ? BigRational::zero() : $width->dividedBy($number->abs());

        // the interval lies around what is given: where that reaches the number
        return [
            $number->dividedBy($share($high)->plus(1)),
            ...$share($low)->isEqualTo(1) ? [] : [$number->dividedBy(BigRational::of(1)->minus($share($low)))],
        ];
    }
}
