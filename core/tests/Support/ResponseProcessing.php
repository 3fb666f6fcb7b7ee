<?php

declare(strict_types=1);

namespace WideQuarry\Tests\Support;

/**
 * An evaluator of response processing of QTI 2.1, 2.2 and 3.0, written from the standard alone and in floats, so that our reading and
 * writing can be judged by something that shares no code with them. Names are told without `qti-` and hyphens. Values are null, or a
 * list of strings or floats.
 */
final class ResponseProcessing
{
    /** @var array<string, list<string|float>|null> */
    private array $values = [];

    /** @var array<string, \DOMElement> */
    private array $declarations = [];

    /** @var array<string, list<string|float>|null> right answers that depend on the values */
    private array $right = [];

    private bool $ended = false;

    /**
     * @param  array<string, list<string>>  $responses
     * @param  array<string, string|float>  $drawn  template variable → what chance gave it; the others are worked out here
     */
    public static function score(string $xml, array $responses, array $drawn = []): float
    {
        return (float) (self::evaluated($xml, $responses, $drawn)->values['SCORE'][0] ?? 0);
    }

    /**
     * The feedback that shows.
     *
     * @param  array<string, list<string>>  $responses
     * @param  array<string, string|float>  $drawn
     * @return list<string> its words, sorted
     */
    public static function feedback(string $xml, array $responses, array $drawn = []): array
    {
        $self = self::evaluated($xml, $responses, $drawn);
        $document = new \DOMDocument;
        $document->loadXML($xml);
        $shown = [];
        foreach ($document->getElementsByTagName('*') as $modal) {
            if (
                self::name($modal) === 'modalfeedback' &&
                in_array($modal->getAttribute('identifier'), $self->values[self::get($modal, 'outcomeIdentifier')] ?? [], true)
            ) {
                $shown[] = trim($modal->textContent);
            }
        }
        sort($shown);

        return $shown;
    }

    /**
     * @param  array<string, list<string>>  $responses
     * @param  array<string, string|float>  $drawn
     */
    private static function evaluated(string $xml, array $responses, array $drawn): self
    {
        $document = new \DOMDocument;
        $document->loadXML($xml);
        $self = new self();
        $rules = null;
        foreach (self::children($document->documentElement) as $node) {
            $id = $node->getAttribute('identifier');
            if (in_array(self::name($node), ['responsedeclaration', 'outcomedeclaration'], true)) {
                $self->declarations[$id] = $node;
                $default = self::inside($node, 'defaultvalue');
                $typed = fn (\DOMElement $value): string|float => in_array(self::get($node, 'baseType'), ['float', 'integer'], true)
                    ? (float) $value->textContent
                    : trim($value->textContent);
                $self->values[$id] =
                    self::name($node) === 'responsedeclaration'
                        ? (($responses[$id] ?? []) === []
                            ? null
                            : array_map(
                                fn (string $given): string|float => in_array(self::get($node, 'baseType'), ['float', 'integer'], true)
                                    ? (float) $given
                                    : $given,
                                $responses[$id],
                            ))
                        : ($default === null
                            ? (in_array(self::get($node, 'baseType'), ['float', 'integer'], true)
                                ? [0.0]
                                : null)
                            : array_map($typed, self::children($default)));
            }
            self::name($node) !== 'templateprocessing' || $self->prepare($node, $drawn);
            $rules = self::name($node) === 'responseprocessing' ? $node : $rules;
        }
        if ($rules === null) {
            return $self;
        }
        match (basename($rules->getAttribute('template'), '.xml')) {
            'match_correct' => ($self->values['SCORE'] = [
                $self->same($self->values['RESPONSE'] ?? null, $self->correct('RESPONSE'), 'RESPONSE') ? 1.0 : 0.0,
            ]),
            'map_response' => ($self->values['SCORE'] = ($self->values['RESPONSE'] ?? null) === null ? [0.0] : $self->mapped('RESPONSE')),
            default => $self->run($rules),
        };

        return $self;
    }

    /** @param  array<string, string|float>  $drawn */
    private function prepare(\DOMElement $processing, array $drawn): void
    {
        foreach (self::children($processing) as $rule) {
            [$id, $value] = [$rule->getAttribute('identifier'), self::children($rule)[0]];
            $chance = preg_match('/<[\w:-]*random/i', (string) $rule->ownerDocument?->saveXML($rule)) === 1;
            match (self::name($rule)) {
                'settemplatevalue' => ($this->values[$id] = $chance ? [$drawn[$id]] : $this->value($value)),
                'setcorrectresponse' => ($this->right[$id] = $this->value($value)),
                'templatecondition' => $this->prepareBranch($rule, $drawn),
                'templateconstraint' => $this->value($value) === ['true'] ||
                    throw new \LogicException('A constraint does not hold: '.$rule->ownerDocument?->saveXML($rule)),
                default => throw new \LogicException('Unknown template rule '.self::name($rule)),
            };
        }
    }

    /** @param  array<string, string|float>  $drawn */
    private function prepareBranch(\DOMElement $condition, array $drawn): void
    {
        foreach (self::children($condition) as $branch) {
            $inner = self::children($branch);
            $isElse = self::name($branch) === 'templateelse';
            if ($isElse || $this->value($inner[0]) === ['true']) {
                $rules = $branch->ownerDocument->createElement('rules');
                foreach ($isElse ? $inner : array_slice($inner, 1) as $rule) {
                    $rules->appendChild($rule->cloneNode(true));
                }
                $this->prepare($rules, $drawn);

                return;
            }
        }
    }

    private function run(\DOMElement $parent): void
    {
        foreach (self::children($parent) as $rule) {
            if ($this->ended) {
                return;
            }
            match (self::name($rule)) {
                'setoutcomevalue' => ($this->values[$rule->getAttribute('identifier')] = $this->value(self::children($rule)[0])),
                'lookupoutcomevalue' => ($this->values[$rule->getAttribute('identifier')] = $this->lookedUp($rule)),
                'responsecondition' => $this->condition($rule),
                'exitresponse' => ($this->ended = true),
                'responseprocessingfragment' => $this->run($rule),
                default => throw new \LogicException('Unknown rule '.self::name($rule)),
            };
        }
    }

    private function condition(\DOMElement $condition): void
    {
        foreach (self::children($condition) as $branch) {
            $inner = self::children($branch);
            if (self::name($branch) === 'responseelse' || $this->value($inner[0]) === ['true']) {
                $rules = $branch->ownerDocument->createElement('rules');
                foreach (self::name($branch) === 'responseelse' ? $inner : array_slice($inner, 1) as $rule) {
                    $rules->appendChild($rule->cloneNode(true));
                }
                $this->run($rules);

                return;
            }
        }
    }

    /** @return list<string|float>|null */
    private function value(\DOMElement $e): ?array
    {
        $args = self::children($e);
        $of = fn (int $i): ?array => $this->value($args[$i]);
        $number = fn (int $i): float => (float) ($of($i)[0] ?? 0);
        $none = fn (): bool => array_filter($args, fn (\DOMElement $arg): bool => $this->value($arg) === null) !== [];
        $truth = fn (bool $value): array => [$value ? 'true' : 'false'];
        $exact = self::get($e, 'caseSensitive') !== 'false';
        $text = fn (int $i): string => $exact ? (string) ($of($i)[0] ?? '') : mb_strtolower((string) ($of($i)[0] ?? ''));

        return match (self::name($e)) {
            'variable' => $this->values[$e->getAttribute('identifier')] ?? null,
            'basevalue' => [
                in_array(self::get($e, 'baseType'), ['float', 'integer'], true) ? (float) $e->textContent : trim($e->textContent),
            ],
            'correct' => $this->correct($e->getAttribute('identifier')),
            'default' => null,
            'null' => null,
            'mapresponse' => $this->mapped($e->getAttribute('identifier')),
            'mapresponsepoint' => $this->mappedPoints($e->getAttribute('identifier')),
            'inside' => [
                array_filter($of(0) ?? [], fn (string|float $point): bool => $this->lies($e, (string) $point)) === [] ? 'false' : 'true',
            ],
            'multiple', 'ordered' => array_merge(...array_map(fn (\DOMElement $arg): array => $this->value($arg) ?? [], $args)) ?: null,
            'containersize' => [(float) count($of(0) ?? [])],
            'index' => isset(($of(0) ?? [])[$this->place($e) - 1]) ? [$of(0)[$this->place($e) - 1]] : null,
            'member' => $none() ? null : $truth(in_array($of(0)[0], $of(1), false)),
            'contains' => $none() ? null : $truth(array_diff($of(1), $of(0)) === []),
            'isnull' => $truth($of(0) === null),
            'not' => $of(0) === null ? null : $truth($of(0) === ['false']),
            'and' => in_array(['false'], array_map($this->value(...), $args), true) ? ['false'] : ($none() ? null : ['true']),
            'or' => in_array(['true'], array_map($this->value(...), $args), true) ? ['true'] : ($none() ? null : ['false']),
            'anyn' => $truth(
                ($held = count(array_filter($args, fn (\DOMElement $arg): bool => $this->value($arg) === ['true']))) >=
                    (int) $e->getAttribute('min') && $held <= (int) $e->getAttribute('max'),
            ),
            'match' => $none() ? null : $truth($this->same($of(0), $of(1), $args[0]->getAttribute('identifier'))),
            'sum' => $none()
                ? null
                : [
                    array_sum(
                        array_merge(...array_map(fn (\DOMElement $arg): array => array_map(floatval(...), $this->value($arg)), $args)),
                    ),
                ],
            'product' => $none()
                ? null
                : [
                    array_product(
                        array_merge(...array_map(fn (\DOMElement $arg): array => array_map(floatval(...), $this->value($arg)), $args)),
                    ),
                ],
            'subtract' => $none() ? null : [$number(0) - $number(1)],
            'divide' => $none() || $number(1) === 0.0 ? null : [$number(0) / $number(1)],
            'max' => $none() ? null : [max(array_map(fn (\DOMElement $arg): float => (float) $this->value($arg)[0], $args))],
            'min' => $none() ? null : [min(array_map(fn (\DOMElement $arg): float => (float) $this->value($arg)[0], $args))],
            'stringmatch' => $none()
                ? null
                : $truth(self::get($e, 'substring') === 'true' ? str_contains($text(0), $text(1)) : $text(0) === $text(1)),
            'substring' => $none() ? null : $truth(str_contains($text(1), $text(0))),
            'patternmatch' => $none()
                ? null
                : $truth(
                    SchemaPattern::matches($e->getAttribute('pattern'), (string) $of(0)[0]) ??
                        throw new \LogicException('No pattern: '.$e->getAttribute('pattern')),
                ),
            'equal' => $none() ? null : $truth($this->equal($e, $number(0), $number(1))),
            'equalrounded' => $none() ? null : $truth($this->rounded($e, $number(0)) === $this->rounded($e, $number(1))),
            'gte' => $none() ? null : $truth($number(0) >= $number(1)),
            'gt' => $none() ? null : $truth($number(0) > $number(1)),
            'lte' => $none() ? null : $truth($number(0) <= $number(1)),
            'lt' => $none() ? null : $truth($number(0) < $number(1)),
            'truncate' => $none() ? null : [(float) (int) $number(0)],
            'round' => $none() ? null : [floor($number(0) + 0.5)],
            'integertofloat' => $of(0),
            'power' => $none() ? null : [$number(0) ** $number(1)],
            'roundto' => $none() ? null : [(float) $this->rounded($e, $number(0))],
            'mathconstant' => [['pi' => M_PI, 'e' => M_E][$e->getAttribute('name')]],
            'gcd' => [(float) array_reduce(array_map(fn (\DOMElement $arg): int => (int) $this->value($arg)[0], $args), self::gcd(...), 0)],
            'lcm' => [(float) array_reduce(
                array_map(fn (\DOMElement $arg): int => (int) $this->value($arg)[0], $args),
                fn (int $a, int $b): int => intdiv(abs($a * $b), max(1, self::gcd($a, $b))),
                1,
            )],
            'statsoperator' => [array_sum($of(0) ?? []) / max(1, count($of(0) ?? []))],
            'integermodulus' => [$number(0) - $number(1) * floor($number(0) / $number(1))],
            'integerdivide' => [floor($number(0) / $number(1))],
            'mathoperator' => $none()
                ? null
                : [
                    match ($e->getAttribute('name')) {
                        'floor' => floor($number(0)),
                        'ceil' => ceil($number(0)),
                        'abs' => abs($number(0)),
                        'signum' => (float) ($number(0) <=> 0),
                        'ln' => log($number(0)),
                        'log' => log10($number(0)),
                        'toRadians' => deg2rad($number(0)),
                        'toDegrees' => rad2deg($number(0)),
                        'exp' => exp($number(0)),
                        'sin' => sin($number(0)),
                        'cos' => cos($number(0)),
                        'tan' => tan($number(0)),
                        'asin' => asin($number(0)),
                        'acos' => acos($number(0)),
                        'atan' => atan($number(0)),
                    },
                ],
            default => throw new \LogicException('Unknown expression '.self::name($e)),
        };
    }

    /** A number, or a variable that holds one. */
    private function place(\DOMElement $e): int
    {
        $n = $e->getAttribute('n');

        return (int) (is_numeric($n) ? $n : ($this->values[$n][0] ?? 0));
    }

    private static function gcd(int $a, int $b): int
    {
        return $b === 0 ? abs($a) : self::gcd($b, $a % $b);
    }

    /** @return list<string|float>|null */
    private function correct(string $id): ?array
    {
        $declaration = $this->declarations[$id] ?? throw new \LogicException("No $id");
        if (isset($this->right[$id])) {
            return $this->right[$id];
        }
        $correct = self::inside($declaration, 'correctresponse');
        $numeric = in_array(self::get($declaration, 'baseType'), ['float', 'integer'], true);

        return $correct === null
            ? null
            : array_map(
                fn (\DOMElement $v): string|float => $numeric ? (float) $v->textContent : trim($v->textContent),
                self::children($correct),
            );
    }

    /** @return list<float> */
    private function mapped(string $id): array
    {
        $map = self::inside($this->declarations[$id], 'mapping') ?? throw new \LogicException('no mapping');
        $sum = 0.0;
        foreach (array_unique($this->values[$id] ?? []) as $given) {
            $value = (float) self::get($map, 'defaultValue');
            foreach (self::children($map) as $entry) {
                $key = self::get($entry, 'mapKey');
                $same =
                    self::get($entry, 'caseSensitive') === 'false'
                        ? mb_strtolower($key) === mb_strtolower((string) $given)
                        : (is_float($given)
                            ? (float) $key === $given
                            : $key === $given);
                if ($same) {
                    $value = (float) self::get($entry, 'mappedValue');
                    break;
                }
            }
            $sum += $value;
        }

        return [$this->bounded($map, $sum)];
    }

    /** @return list<float> an area counts once, the first in the document's order where they overlap */
    private function mappedPoints(string $id): array
    {
        $map = self::inside($this->declarations[$id], 'areamapping') ?? throw new \LogicException('no area mapping');
        $sum = 0.0;
        $met = [];
        foreach ($this->values[$id] ?? [] as $point) {
            [$x, $y] = array_map(floatval(...), explode(' ', (string) $point));
            $area = null;
            foreach (self::children($map) as $i => $entry) {
                $coords = array_map(floatval(...), explode(',', $entry->getAttribute('coords')));
                if (Places::lies($entry->getAttribute('shape'), $coords, $x, $y)) {
                    $area = $i;
                    break;
                }
            }
            $sum +=
                $area === null
                    ? (float) self::get($map, 'defaultValue')
                    : (isset($met[$area])
                        ? 0
                        : (float) self::get(self::children($map)[$area], 'mappedValue'));
            $area === null || ($met[$area] = true);
        }

        return [$this->bounded($map, $sum)];
    }

    private function lies(\DOMElement $area, string $point): bool
    {
        [$x, $y] = array_map(floatval(...), explode(' ', $point));

        return Places::lies($area->getAttribute('shape'), array_map(floatval(...), explode(',', $area->getAttribute('coords'))), $x, $y);
    }

    private function bounded(\DOMElement $map, float $sum): float
    {
        $sum = self::get($map, 'lowerBound') !== '' ? max($sum, (float) self::get($map, 'lowerBound')) : $sum;

        return self::get($map, 'upperBound') !== '' ? min($sum, (float) self::get($map, 'upperBound')) : $sum;
    }

    /** @return list<float> */
    private function lookedUp(\DOMElement $rule): array
    {
        $source = (float) ($this->value(self::children($rule)[0])[0] ?? 0);
        $declaration = $this->declarations[$rule->getAttribute('identifier')];
        foreach (($table = self::inside($declaration, 'matchtable')) === null ? [] : self::children($table) as $entry) {
            if ((float) self::get($entry, 'sourceValue') === $source) {
                return [(float) self::get($entry, 'targetValue')];
            }
        }
        foreach (($steps = self::inside($declaration, 'interpolationtable')) === null ? [] : self::children($steps) as $entry) {
            $limit = (float) self::get($entry, 'sourceValue');
            if ($source > $limit || ($source === $limit && self::get($entry, 'includeBoundary') !== 'false')) {
                return [(float) self::get($entry, 'targetValue')];
            }
        }

        return [(float) self::get($table ?? ($steps ?? $declaration), 'defaultValue')];
    }

    private function equal(\DOMElement $e, float $one, float $other): bool
    {
        [$low, $high] = [...array_map(floatval(...), preg_split('/\s+/', trim(self::get($e, 'tolerance'))) ?: []), null, null];
        $high ??= $low;
        if (! in_array(self::get($e, 'toleranceMode'), ['absolute', 'relative'], true)) {
            return abs($one - $other) < 1e-9;
        }
        [$low, $high] =
            self::get($e, 'toleranceMode') === 'absolute' ? [$low, $high] : [(abs($one) * $low) / 100, (abs($one) * $high) / 100];
        [$from, $to] = [$one - $low, $one + $high];

        return (self::get($e, 'includeLowerBound') === 'false' ? $other > $from + 1e-12 : $other >= $from - 1e-9) &&
            (self::get($e, 'includeUpperBound') === 'false' ? $other < $to - 1e-12 : $other <= $to + 1e-9);
    }

    private function rounded(\DOMElement $e, float $value): string
    {
        $figures = (int) $e->getAttribute('figures');

        return number_format(
            round(
                $value,
                self::get($e, 'roundingMode') === 'significantFigures' ? $figures - 1 - (int) floor(log10(abs($value) ?: 1)) : $figures,
            ),
            12,
            '.',
            '',
        );
    }

    /**
     * @param  list<string|float>|null  $one
     * @param  list<string|float>|null  $other
     */
    private function same(?array $one, ?array $other, string $id): bool
    {
        if ($one === null || $other === null || count($one) !== count($other)) {
            return false;
        }
        if (! isset($this->declarations[$id]) || $this->declarations[$id]->getAttribute('cardinality') !== 'ordered') {
            sort($one);
            sort($other);
        }

        return $one == $other;
    }

    private static function name(\DOMElement $e): string
    {
        return strtolower(str_replace(['qti-', '-'], '', $e->localName));
    }

    /** An attribute by its name in 2.x. */
    private static function get(\DOMElement $e, string $name): string
    {
        $hyphens = strtolower((string) preg_replace('/(?<!^)(?=[A-Z])/', '-', $name));

        return $e->hasAttribute($name) ? $e->getAttribute($name) : $e->getAttribute($hyphens);
    }

    private static function inside(\DOMElement $e, string $name): ?\DOMElement
    {
        return array_values(array_filter(self::children($e), fn (\DOMElement $child): bool => self::name($child) === $name))[0] ?? null;
    }

    /** @return list<\DOMElement> */
    private static function children(\DOMElement $e): array
    {
        return array_values(array_filter(iterator_to_array($e->childNodes), fn (\DOMNode $node): bool => $node instanceof \DOMElement));
    }
}
