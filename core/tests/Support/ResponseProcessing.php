<?php

declare(strict_types=1);

namespace WideQuarry\Tests\Support;

/**
 * An evaluator of QTI 3.0 response processing, written from the standard alone and in floats, so that our reading and
 * writing can be judged by something that shares no code with them. Values are null, or a list of strings or floats.
 */
final class ResponseProcessing
{
    /** @var array<string, list<string|float>|null> */
    private array $values = [];

    /** @var array<string, \DOMElement> */
    private array $declarations = [];

    /** @param  array<string, list<string>>  $responses */
    public static function score(string $xml, array $responses): float
    {
        return (float) (self::evaluated($xml, $responses)->values['SCORE'][0] ?? 0);
    }

    /**
     * The feedback that shows.
     *
     * @param  array<string, list<string>>  $responses
     * @return list<string> its words, sorted
     */
    public static function feedback(string $xml, array $responses): array
    {
        $self = self::evaluated($xml, $responses);
        $document = new \DOMDocument;
        $document->loadXML($xml);
        $shown = [];
        foreach ($document->getElementsByTagName('qti-modal-feedback') as $modal) {
            if (in_array($modal->getAttribute('identifier'), $self->values[$modal->getAttribute('outcome-identifier')] ?? [], true)) {
                $shown[] = trim($modal->textContent);
            }
        }
        sort($shown);

        return $shown;
    }

    /** @param  array<string, list<string>>  $responses */
    private static function evaluated(string $xml, array $responses): self
    {
        $document = new \DOMDocument;
        $document->loadXML($xml);
        $self = new self;
        foreach ($document->documentElement->childNodes as $node) {
            if ($node instanceof \DOMElement && in_array($node->localName, ['qti-response-declaration', 'qti-outcome-declaration'], true)) {
                $id = $node->getAttribute('identifier');
                $self->declarations[$id] = $node;
                $default = $node->getElementsByTagName('qti-default-value')->item(0);
                $self->values[$id] = $node->localName === 'qti-response-declaration' ? (($responses[$id] ?? []) === [] ? null : $responses[$id]) : ($default === null ? null : [(float) $default->textContent]);
            }
        }
        $rules = $document->getElementsByTagName('qti-response-processing')->item(0);
        $rules === null || $self->run($rules);

        return $self;
    }

    private function run(\DOMElement $parent): void
    {
        foreach ($this->children($parent) as $rule) {
            if ($rule->localName === 'qti-set-outcome-value') {
                $this->values[$rule->getAttribute('identifier')] = $this->value($this->children($rule)[0]);
            } elseif ($rule->localName === 'qti-response-condition') {
                foreach ($this->children($rule) as $branch) {
                    if ($branch->localName === 'qti-response-else' || $this->value($this->children($branch)[0]) === ['true']) {
                        $this->run($branch);
                        break;
                    }
                }
            } elseif (! in_array($rule->localName, ['qti-is-null', 'qti-or', 'qti-and', 'qti-string-match', 'qti-substring', 'qti-pattern-match', 'qti-equal', 'qti-equal-rounded', 'qti-gte', 'qti-gt', 'qti-lte', 'qti-lt', 'qti-match', 'qti-member'], true)) {
                throw new \LogicException("Unknown rule $rule->localName");
            }
        }
    }

    /** @return list<string|float>|null */
    private function value(\DOMElement $e): ?array
    {
        $args = $this->children($e);
        $of = fn (int $i): ?array => $this->value($args[$i]);
        $truth = fn (bool $value): array => [$value ? 'true' : 'false'];

        return match ($e->localName) {
            'qti-variable' => $this->values[$e->getAttribute('identifier')] ?? null,
            'qti-base-value' => [$e->getAttribute('base-type') === 'float' ? (float) $e->textContent : $e->textContent],
            'qti-correct' => array_map(fn (\DOMNode $v): string => $v->textContent, iterator_to_array($this->declarations[$e->getAttribute('identifier')]->getElementsByTagName('qti-value'))),
            'qti-map-response' => $this->mapped($e->getAttribute('identifier')),
            'qti-multiple' => array_merge(...array_map(fn (\DOMElement $arg): array => $this->value($arg) ?? [], $args)),
            'qti-member' => $truth(in_array($of(0)[0] ?? null, $of(1) ?? [], false)),
            'qti-is-null' => $truth($of(0) === null),
            'qti-and' => $truth(! in_array(['false'], array_map($this->value(...), $args), true)),
            'qti-or' => $truth(in_array(['true'], array_map($this->value(...), $args), true)),
            'qti-match' => $truth($this->isOrdered($args[0]) ? $of(0) === $of(1) : $this->sorted($of(0)) === $this->sorted($of(1))),
            'qti-sum' => [array_sum(array_map(fn (\DOMElement $arg): float => (float) ($this->value($arg)[0] ?? 0), $args))],
            'qti-string-match' => $truth($e->getAttribute('case-sensitive') === 'false' ? mb_strtolower((string) $of(0)[0]) === mb_strtolower((string) $of(1)[0]) : $of(0) === $of(1)),
            'qti-substring' => $truth(str_contains($e->getAttribute('case-sensitive') === 'false' ? mb_strtolower((string) $of(1)[0]) : (string) $of(1)[0], $e->getAttribute('case-sensitive') === 'false' ? mb_strtolower((string) $of(0)[0]) : (string) $of(0)[0])),
            'qti-pattern-match' => $truth(preg_match('~^(?:'.$e->getAttribute('pattern').')$~uD', (string) $of(0)[0]) === 1),
            'qti-equal' => $truth($this->equal($e, (float) $of(0)[0], (float) $of(1)[0])),
            'qti-equal-rounded' => $truth($this->rounded($e, (float) $of(0)[0]) === $this->rounded($e, (float) $of(1)[0])),
            'qti-gte' => $truth((float) $of(0)[0] >= (float) $of(1)[0]), 'qti-gt' => $truth((float) $of(0)[0] > (float) $of(1)[0]),
            'qti-lte' => $truth((float) $of(0)[0] <= (float) $of(1)[0]), 'qti-lt' => $truth((float) $of(0)[0] < (float) $of(1)[0]),
            default => throw new \LogicException("Unknown expression $e->localName"),
        };
    }

    /** @return list<float> */
    private function mapped(string $id): array
    {
        $map = $this->declarations[$id]->getElementsByTagName('qti-mapping')->item(0) ?? throw new \LogicException('no mapping');
        $sum = 0.0;
        foreach (array_unique($this->values[$id] ?? []) as $given) {
            $value = (float) $map->getAttribute('default-value');
            foreach ($this->children($map) as $entry) {
                $same = $entry->getAttribute('case-sensitive') === 'false' ? mb_strtolower($entry->getAttribute('map-key')) === mb_strtolower((string) $given) : $entry->getAttribute('map-key') === $given;
                if ($same) {
                    $value = (float) $entry->getAttribute('mapped-value');
                    break;
                }
            }
            $sum += $value;
        }
        $sum = $map->hasAttribute('lower-bound') ? max($sum, (float) $map->getAttribute('lower-bound')) : $sum;

        return [$map->hasAttribute('upper-bound') ? min($sum, (float) $map->getAttribute('upper-bound')) : $sum];
    }

    private function equal(\DOMElement $e, float $one, float $other): bool
    {
        $width = (float) $e->getAttribute('tolerance');

        return match ($e->getAttribute('tolerance-mode')) {
            'absolute' => abs($one - $other) <= $width + 1e-9,
            'relative' => abs($one - $other) <= abs($other) * $width / 100 + 1e-9,
            default => abs($one - $other) < 1e-9,
        };
    }

    private function rounded(\DOMElement $e, float $value): string
    {
        $figures = (int) $e->getAttribute('figures');

        return $e->getAttribute('rounding-mode') === 'significantFigures' ? sprintf('%.'.($figures - 1).'e', $value) : number_format($value, $figures, '.', '');
    }

    private function isOrdered(\DOMElement $e): bool
    {
        return ($this->declarations[$e->getAttribute('identifier')] ?? null)?->getAttribute('cardinality') === 'ordered';
    }

    /** @param  list<string|float>|null  $values */
    private function sorted(?array $values): ?array
    {
        $values === null || sort($values);

        return $values;
    }

    /** @return list<\DOMElement> */
    private function children(\DOMElement $e): array
    {
        return array_values(array_filter(iterator_to_array($e->childNodes), fn (\DOMNode $node): bool => $node instanceof \DOMElement));
    }
}
