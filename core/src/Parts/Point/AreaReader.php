<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Point;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Qti30\Areas;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\PickReader;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Numbers\Exact;

/** Points, key and scoring of a response of points, from its area mapping. */
final readonly class AreaReader
{
    /** @param  array{picture: array{media: string, alt: string, width: int, height: int}, max: int|null}  $settings */
    public function __construct(private array $settings)
    {
    }

    /** @return \stdClass|null null when it cannot be translated */
    public function part(?Declaration $declaration, ?Marking $marking): ?\stdClass
    {
        if ($declaration === null || $marking === null) {
            return $this->made(Exact::one(), [], ['scheme' => 'person']);
        }
        $areas = $this->areas($declaration);
        if ($areas === null || $areas === []) {
            return null;
        }
        if ($marking->own !== null) {
            return $this->counted($areas, $marking->own);
        }

        return $marking->by === 'map' && $marking->added === '0' && $marking->extra === null ? $this->mapped($areas, $declaration) : null;
    }

    /** @return list<array{on: \stdClass, value: string}>|null */
    private function areas(Declaration $declaration): ?array
    {
        $areas = [];
        foreach ($declaration->areas ?? [] as $entry) {
            $area = Areas::read($entry, $this->settings['picture']);
            if ($area === null) {
                return null;
            }
            $areas[] = ['on' => (object) $area, 'value' => $entry->getAttribute('mapped-value')];
        }

        return $areas;
    }

    /** @param  list<array{on: \stdClass, value: string}>  $areas */
    private function counted(array $areas, \stdClass $own): ?\stdClass
    {
        $rules = array_map(fn (array $area): array => [$area['on'], (float) $area['value'] === 1.0 ? '1' : '0'], $areas);
        $right = count(array_filter($rules, fn (array $rule): bool => $rule[1] === '1'));
        $points = Exact::read(is_string($own->points) ? $own->points : '');
        $cost = isset($own->cost) && is_string($own->cost) ? ['cost' => ScoreFloats::share($own->cost, Exact::one())] : [];

        return $points === null || $right !== $own->n
            ? null
            : $this->made($points, $rules, ['scheme' => $own->scheme, ...$cost]);
    }

    /** @param  list<array{on: \stdClass, value: string}>  $areas */
    private function mapped(array $areas, Declaration $declaration): ?\stdClass
    {
        $values = array_map(fn (array $area): BigRational => Exact::read($area['value']) ?? Exact::zero(), $areas);
        $best = array_filter($values, fn (BigRational $value): bool => $value->isPositive());
        usort($best, fn (BigRational $a, BigRational $b): int => $b->compareTo($a));
        $sum = array_reduce(
            array_slice($best, 0, $this->settings['max']),
            fn (BigRational $sum, BigRational $value): BigRational => $sum->plus($value),
            Exact::zero(),
        );
        $points = $declaration->upper === null ? $sum : Exact::read($declaration->upper) ?? $sum;
        if (! $points->isPositive()) {
            return null;
        }
        $map = array_map(fn (array $area): array => ['key' => '', 'value' => $area['value'], 'sensitive' => true], $areas);
        $default = Exact::read($declaration->default) ?? Exact::zero();
        // how many points may lie outside has no end, so that the least is far below where each takes something
        $low = $declaration->lower === null && $default->isNegative() ? '-1000' : PickReader::low($map, $declaration->lower, $points);

        return $this->made(
            $points,
            array_map(fn (array $area): array => [$area['on'], ScoreFloats::share($area['value'], $points)], $areas),
            [
                'scheme' => 'weights',
                'low' => $low,
                'high' => $declaration->upper === null ? Exact::text($sum->dividedBy($points)) : '1',
            ],
            ScoreFloats::share($declaration->default, $points),
        );
    }

    /**
     * @param  list<array{\stdClass, string}>  $rules  area and credit
     * @param  array<string, mixed>  $scoring
     */
    private function made(BigRational $points, array $rules, array $scoring, string $default = '0'): \stdClass
    {
        return (object) [
            'kind' => 'point',
            'points' => ScoreFloats::points($points),
            'settings' => (object) $this->settings,
            'key' => (object) [
                'rules' => array_map(
                    fn (array $rule, int $i): \stdClass => (object) ['id' => 'r'.($i + 1), 'on' => $rule[0], 'credit' => $rule[1]],
                    $rules,
                    array_keys($rules),
                ),
                'default' => $default,
            ],
            'scoring' => (object) $scoring,
        ];
    }
}
