<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Keys\Probe;
use WideQuarry\Interchange\Keys\Response;
use WideQuarry\Interchange\Keys\Shape;
use WideQuarry\Interchange\Keys\Translation;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\Parts;

/** Where the look of response processing says nothing, it is tried out (decision 19). */
final readonly class Trial
{
    private const SHAPES = ['choice' => Shape::Picks, 'menu' => Shape::Picks, 'highlight' => Shape::Picks, 'text' => Shape::Words, 'number' => Shape::Number, 'slider' => Shape::Number, 'order' => Shape::Sequence, 'match' => Shape::Pairs, 'group' => Shape::Pairs, 'tiles' => Shape::Pairs];

    /** @param  array<string, Declaration>  $declarations */
    public function __construct(private \DOMElement $item, private ?\DOMElement $processing, private array $declarations, private Parts $kinds)
    {
    }

    /**
     * @param  list<\stdClass>  $parts  without keys
     * @param  list<string>  $gaps  of the text, for tiles
     * @return Translation|null null when there is something in it that is not understood here
     */
    public function of(array $parts, array $gaps): ?Translation
    {
        $machine = new Machine($this->item, $this->processing, $this->declarations);
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

        return new Translation($responses, $machine, $this->kinds);
    }

    /** @param  list<string>  $gaps */
    private function response(\stdClass $part, array $gaps): ?Response
    {
        assert(is_string($part->id) && is_string($part->kind) && $part->settings instanceof \stdClass);
        $shape = self::SHAPES[$part->kind] ?? null;
        $declaration = $this->declarations[$part->id] ?? null;
        if ($shape === null || $declaration === null) {
            return null;
        }
        $settings = $part->settings;
        $ids = fn (string $of): array => array_values(array_filter(array_map(fn (mixed $one): mixed => ((array) $one)['id'] ?? null, is_array($settings->{$of} ?? null) ? $settings->{$of} : []), is_string(...)));
        $turned = $part->kind === 'tiles';
        [$options, $seconds] = match ($part->kind) {
            'match' => [$ids('left'), $ids('right')],
            'group' => [$ids('items'), $ids('groups')],
            'tiles' => [$gaps, $ids('tiles')],
            'order' => [$ids('items'), []],
            'highlight' => [$this->pieces($settings), []],
            'slider' => [[], []],
            default => [$ids('options'), []],
        };
        $id = $part->id;
        $asked = $shape === Shape::Pairs ? fn (array $given): array => self::held($id, $given, $turned) : null; // @phpstan-ignore argument.type

        return new Response($id, $part->kind, $settings, $shape, $options, $shape === Shape::Pairs ? $part->kind === 'match' && self::mayRepeat($settings) : $declaration->cardinality === 'multiple', $this->probes($id, $declaration, $shape, $turned), $seconds, $asked);
    }

    /**
     * @param  list<string>  $given
     * @return array<string, list<string>> pairs as the standard writes them
     */
    private static function held(string $id, array $given, bool $turned): array
    {
        $pairs = [];
        foreach ($given as $pair) {
            [$first, $second] = [...explode("\t", $pair, 2), ''];
            $pairs[] = $turned ? "$second $first" : "$first $second";
        }

        return [$id => $pairs];
    }

    /** Whether something on the left may be joined more than once. */
    private static function mayRepeat(\stdClass $settings): bool
    {
        return array_filter(is_array($settings->left ?? null) ? $settings->left : [], fn (mixed $left): bool => (((array) $left)['uses'] ?? null) !== 1) !== [];
    }

    /** @return list<string> */
    private function pieces(\stdClass $settings): array
    {
        preg_match_all('/data-piece="([^"]+)"/', is_string($settings->text ?? null) ? $settings->text : '', $m);

        return array_map(fn (string $id): string => html_entity_decode($id, ENT_QUOTES | ENT_HTML5), $m[1]);
    }

    /** @return list<Probe> what the response is compared with, wherever it is */
    private function probes(string $id, Declaration $declaration, Shape $shape, bool $turned): array
    {
        $probes = array_map(fn (string $value): Probe => new Probe('equal', $value, true), $declaration->correct);
        foreach ($declaration->map ?? [] as $entry) {
            $probes[] = new Probe('equal', $entry['key'], $entry['sensitive']);
        }
        foreach ($this->processing === null ? [] : Xml::all($this->processing) as $variable) {
            $test = $variable->parentNode;
            if ($variable->localName !== 'qti-variable' || $variable->getAttribute('identifier') !== $id || ! $test instanceof \DOMElement) {
                continue;
            }
            foreach (Xml::all($test) as $value) {
                if ($value->localName === 'qti-base-value') {
                    array_push($probes, ...$this->compared($test, trim($value->textContent), $shape));
                } elseif ($value->localName === 'qti-correct' && $shape === Shape::Number) {
                    array_push($probes, ...array_merge(...array_map(fn (string $correct): array => $this->compared($test, $correct, $shape), $declaration->correct)));
                }
            }
        }

        return $shape !== Shape::Pairs ? $probes : array_map(function (Probe $probe) use ($turned): Probe {
            [$first, $second] = [...(preg_split('/\s+/', $probe->value) ?: []), '', ''];

            return new Probe('equal', $turned ? "$second\t$first" : "$first\t$second", true);
        }, $probes);
    }

    /** @return list<Probe> */
    private function compared(\DOMElement $test, string $value, Shape $shape): array
    {
        $case = $test->getAttribute('case-sensitive') !== 'false';
        if ($shape !== Shape::Number) {
            return [new Probe($test->localName === 'qti-substring' || $test->getAttribute('substring') === 'true' ? 'contains' : 'equal', $value, $case)];
        }
        $number = Exact::read($value);

        return $number === null ? [] : array_map(fn (BigRational $limit): Probe => new Probe('compare', Exact::text($limit)), [$number, ...$this->limits($test, $number)]);
    }

    /** @return list<BigRational> where a test of equality begins and ends to hold */
    private function limits(\DOMElement $test, BigRational $number): array
    {
        if ($test->localName === 'qti-equal-rounded') {
            $figures = max(0, min(12, (int) $test->getAttribute('figures')));
            $half = BigRational::of('1/2')->multipliedBy(BigRational::of(1)->dividedBy(BigRational::of(10)->power($test->getAttribute('rounding-mode') === 'significantFigures' ? max(0, $figures - 1 - (int) floor(log10(max(1e-12, abs($number->toFloat()))))) : $figures)));

            return [$number->minus($half), $number->plus($half)];
        }
        if ($test->localName !== 'qti-equal' || ! in_array($test->getAttribute('tolerance-mode'), ['absolute', 'relative'], true)) {
            return [];
        }
        [$low, $high] = Expressions::widths($test, $number);
        if ($test->getAttribute('tolerance-mode') === 'absolute' || (Xml::children($test)[0] ?? null)?->localName !== 'qti-variable') {
            return [$number->minus($low), $number->plus($high), $number->minus($high), $number->plus($low)];
        }
        $share = fn (BigRational $width): BigRational => $number->isZero() ? BigRational::zero() : $width->dividedBy($number->abs());

        // the interval lies around what is given: where that reaches the number
        return [$number->dividedBy($share($high)->plus(1)), ...($share($low)->isEqualTo(1) ? [] : [$number->dividedBy(BigRational::of(1)->minus($share($low)))])];
    }
}
