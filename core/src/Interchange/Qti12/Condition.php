<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Geometry\Shape;
use WideQuarry\Geometry\Shapes;
use WideQuarry\Interchange\Keys\Probe;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Numbers\Exact;

/**
 * What a conditionvar says of responses (QTI 1.2.1 ASI, 3.5): tests joined by and, or, not.
 */
final readonly class Condition
{
    /** So many forms of texts are kept. */
    private const KEPT = 2000;

    private const JOINS = ['and', 'or', 'not', 'conditionvar'];

    private const TESTS = [
        'varequal',
        'varsubstring',
        'vargt',
        'vargte',
        'varlt',
        'varlte',
        'varsubset',
        'varinside',
        'unanswered',
        'other',
    ];

    /**
     * @param  string  $name  of a join or a test
     * @param  list<self>  $inner
     * @param  int  $place  of an answer given in steps, from 1; 0 for any
     * @param  \stdClass|null  $area  that a point is to lie in: shape, at
     */
    private function __construct(
        public string $name,
        public array $inner,
        public string $response,
        public string $value,
        public bool $case,
        private string $how,
        private int $place = 0,
        public ?\stdClass $area = null,
        private ?Shape $shape = null,
    ) {
    }

    /** @return self|null null when something in it is not understood here */
    public static function read(\DOMElement $element): ?self
    {
        $name = (string) $element->localName;
        if (in_array($name, self::JOINS, true)) {
            $inner = [];
            foreach (Xml::children($element) as $child) {
                $one = self::read($child);
                if ($one === null) {
                    return null;
                }
                $inner[] = $one;
            }

            return new self($name, $inner, '', '', false, '');
        }
        $place = $element->getAttribute('index');
        if (! in_array($name, self::TESTS, true) || ($place !== '' && ! ctype_digit($place))) {
            return null;
        }

        $area = $name === 'varinside' ? HotspotAreas::of($element->getAttribute('areatype'), $element->textContent) : null;
        $shape = $area === null ? null : Shapes::of($area['shape'], array_map(Exact::of(...), $area['at']));
        if ($name === 'varinside' && $shape === null) {
            return null;
        }

        return new self(
            $name,
            [],
            $element->getAttribute('respident'),
            trim($element->textContent),
            strcasecmp($element->getAttribute('case'), 'yes') === 0,
            $element->getAttribute('setmatch'),
            (int) $place,
            $area === null ? null : (object) $area,
            $shape,
        );
    }

    /** @param  array<string, list<string>>  $given  response → what was chosen or typed; nothing when it was left blank */
    public function holds(array $given): bool
    {
        $values = $given[$this->response] ?? [];
        $values = $this->place === 0 ? $values : array_slice($values, $this->place - 1, 1);

        return match ($this->name) {
            'and', 'conditionvar' => ! $this->anyIs(false, $given),
            'or' => $this->anyIs(true, $given),
            'not' => ! $this->anyIs(true, $given),
            'other' => true,
            'unanswered' => $values === [],
            'varsubset' => $this->subset($values),
            'varsubstring' => array_filter(
                $values,
                fn (string $value): bool => str_contains($this->folded($value), $this->folded($this->value)),
            ) !== [],
            'varinside' => array_filter($values, $this->isInside(...)) !== [],
            'varequal' => array_filter($values, fn (string $value): bool => $this->equals($value)) !== [],
            default => array_filter($values, fn (string $value): bool => $this->compares($value)) !== [],
        };
    }

    /** @param  array<string, list<string>>  $given */
    private function anyIs(bool $held, array $given): bool
    {
        foreach ($this->inner as $one) {
            if ($one->holds($given) === $held) {
                return true;
            }
        }

        return false;
    }

    /** @return list<self> every test in it */
    public function tests(): array
    {
        return $this->inner === [] ? [$this] : array_merge(...array_map(fn (self $one): array => $one->tests(), $this->inner));
    }

    private function isInside(string $value): bool
    {
        $point = PlacedPoints::point($value);

        return $point !== null && $this->shape?->holds($point) === true;
    }

    private function equals(string $value): bool
    {
        return $this->form(trim($value)) === $this->form($this->value);
    }

    /** What is compared of a text: asked for again and again while an item is tried out. */
    private function form(string $text): string
    {
        /** @var array<string, string> $forms */
        static $forms = [];
        $key = ($this->case ? '=' : '~').$text;
        $forms = count($forms) > self::KEPT ? [] : $forms;

        return $forms[$key] ??= self::paired($this->folded($text));
    }

    private function compares(string $value): bool
    {
        [$given, $limit] = [Exact::read(trim($value)), Exact::read($this->value)];
        $order = $given === null || $limit === null ? null : Exact::compare($given, $limit);

        return $order !== null &&
            match ($this->name) {
                'vargt' => $order > 0,
                'vargte' => $order >= 0,
                'varlt' => $order < 0,
                default => $order <= 0,
            };
    }

    /** @param  list<string>  $values */
    private function subset(array $values): bool
    {
        if (array_filter($values, fn (string $value): bool => self::paired($value) === self::paired($this->value)) !== []) {
            return true; // of a response in pairs, one pair
        }
        $wanted = array_values(array_filter(array_map(trim(...), explode(',', $this->value)), fn (string $one): bool => $one !== ''));
        $met = count(array_intersect($wanted, $values));

        return strcasecmp($this->how, 'partial') === 0 ? $met > 0 : $met === count($wanted) && count($values) === count($wanted);
    }

    /** Two identifiers of a pair, whatever stands around the comma between them. */
    private static function paired(string $value): string
    {
        return (string) preg_replace('/\s*,\s*/', ',', $value);
    }

    /** What it compares with. */
    public function probe(): Probe
    {
        return new Probe(
            match ($this->name) {
                'varequal', 'varsubset' => 'equal',
                'varsubstring' => 'contains',
                default => 'compare',
            },
            $this->value,
            $this->case,
        );
    }

    private function folded(string $text): string
    {
        return $this->case ? $text : mb_convert_case($text, MB_CASE_FOLD_SIMPLE, 'UTF-8');
    }
}
