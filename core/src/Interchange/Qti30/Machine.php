<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Keys\Marks;

/**
 * Response processing that is carried out (QTI 3.0 ASI, 2.11 and 2.12), so that what it does can be seen where its look says nothing. Numbers are
 * exact. What is not understood makes the whole of it not whole: it is never half believed.
 */
final class Machine implements Marks
{
    private bool $whole = true;

    /** @var array<string, list<mixed>|null> outcomes and responses of a run */
    private array $values = [];

    private bool $ended = false;

    private readonly Expressions $expressions;

    /** @var array<string, Outcome> */
    private readonly array $outcomes;

    /**
     * @param  array<string, Declaration>  $responses
     * @param  \DOMElement  $item  its outcomes and feedback
     */
    public function __construct(private readonly \DOMElement $item, private readonly ?\DOMElement $processing, private readonly array $responses)
    {
        $outcomes = [];
        foreach (Xml::children($item, 'qti-outcome-declaration') as $element) {
            $outcomes[$element->getAttribute('identifier')] = Outcome::read($element);
        }
        $this->outcomes = $outcomes;
        $this->expressions = new Expressions($responses, fn (string $id): ?array => $this->values[$id] ?? null);
        $this->whole = $processing !== null && ! $processing->hasAttribute('template') && $item->getAttribute('adaptive') !== 'true';
        if ($this->whole) {
            $this->run([]); // what it does not understand it meets at once or never
            foreach ($processing?->getElementsByTagName('*') ?? [] as $element) {
                $this->whole = $this->whole && (Expressions::knows($element) || in_array($element->localName, ['qti-response-condition', 'qti-response-if', 'qti-response-else-if', 'qti-response-else', 'qti-set-outcome-value', 'qti-lookup-outcome-value', 'qti-exit-response', 'qti-response-processing-fragment'], true));
            }
        }
    }

    public function isWhole(): bool
    {
        return $this->whole;
    }

    public function isEmpty(): bool
    {
        return $this->processing === null || Xml::children($this->processing) === [];
    }

    public function run(array $given): array
    {
        $this->values = array_map(fn (Outcome $outcome): ?array => $outcome->default, $this->outcomes);
        $this->ended = false;
        foreach ($this->responses as $id => $declaration) {
            $values = $given[$id] ?? [];
            $this->values[$id] = $values === [] ? null : array_map(fn (string $value): mixed => Expressions::typed($value, $declaration->baseType), $values);
        }
        $this->processing === null || $this->rules($this->processing);
        $score = $this->values['SCORE'][0] ?? null;

        return [$score instanceof BigRational ? $score : BigRational::zero(), $this->shown()];
    }

    private function rules(\DOMElement $parent): void
    {
        foreach (Xml::children($parent) as $rule) {
            if ($this->ended) {
                return;
            }
            $id = $rule->getAttribute('identifier');
            match ($rule->localName) {
                'qti-set-outcome-value' => $this->values[$id] = isset(Xml::children($rule)[0]) ? $this->expressions->value(Xml::children($rule)[0]) : null,
                'qti-lookup-outcome-value' => $this->values[$id] = isset(Xml::children($rule)[0]) ? ($this->outcomes[$id] ?? null)?->lookedUp($this->expressions->value(Xml::children($rule)[0])) : null,
                'qti-response-condition' => $this->condition($rule),
                'qti-exit-response' => $this->ended = true,
                'qti-response-processing-fragment' => $this->rules($rule),
                default => null, // a test of the condition it stands in
            };
        }
    }

    private function condition(\DOMElement $condition): void
    {
        foreach (Xml::children($condition) as $branch) {
            $test = Xml::children($branch)[0] ?? null;
            if ($branch->localName === 'qti-response-else' || ($test !== null && $this->expressions->value($test) === [true])) {
                $this->rules($branch);

                return;
            }
        }
    }

    /** @return list<string> identifiers of feedback that shows */
    private function shown(): array
    {
        $shown = [];
        foreach (Xml::children($this->item, 'qti-modal-feedback') as $feedback) {
            $named = in_array($feedback->getAttribute('identifier'), array_map(fn (mixed $one): string => is_string($one) ? $one : '', $this->values[$feedback->getAttribute('outcome-identifier')] ?? []), true);
            if ($named === ($feedback->getAttribute('show-hide') !== 'hide')) {
                $shown[] = $feedback->getAttribute('identifier');
            }
        }

        return $shown;
    }
}
