<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Keys\ItemMarking;
use WideQuarry\Interchange\Qti30\Operators\Values;

/**
 * Response processing that is carried out (QTI 3.0 ASI, 2.11 and 2.12), so that what it does can be seen where its look says nothing.
 * Numbers are exact. What is not understood makes the whole of it not whole: it is never half believed.
 */
final class ResponseProcessor implements ItemMarking
{
    private bool $whole = true;

    /** @var array<string, list<mixed>|null> outcomes and responses of a run */
    private array $values = [];

    private bool $ended = false;

    private readonly Expressions $expressions;

    /** @var list<\Closure(): mixed>|null */
    private ?array $program = null;

    /** @var array<string, Outcome> */
    private readonly array $outcomes;

    /**
     * @param  array<string, Declaration>  $responses
     * @param  \DOMElement  $item  its outcomes and feedback
     */
    public function __construct(
        private readonly \DOMElement $item,
        private readonly ?\DOMElement $processing,
        private readonly array $responses,
    ) {
        $outcomes = [];
        foreach (Xml::children($item, 'qti-outcome-declaration') as $element) {
            $outcomes[$element->getAttribute('identifier')] = Outcome::read($element);
        }
        $this->outcomes = $outcomes;
        $this->expressions = new Expressions($responses, fn (string $id): ?array => $this->values[$id] ?? null);
        $this->whole = $processing !== null && ! $processing->hasAttribute('template') && $item->getAttribute('adaptive') !== 'true';
        if ($this->whole) {
            $this->run([]); // what it does not understand it meets at once or never
            foreach ($processing === null ? [] : Xml::all($processing) as $element) {
                $this->whole =
                    $this->whole &&
                    (Expressions::knows($element) ||
                        in_array(
                            $element->localName,
                            [
                                'qti-response-condition',
                                'qti-response-if',
                                'qti-response-else-if',
                                'qti-response-else',
                                'qti-set-outcome-value',
                                'qti-lookup-outcome-value',
                                'qti-exit-response',
                                'qti-response-processing-fragment',
                            ],
                            true,
                        ));
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
        $this->values['SCORE'] ??= [BigRational::zero()]; // an undeclared SCORE starts at 0 too
        $this->ended = false;
        foreach ($this->responses as $id => $declaration) {
            $values = $given[$id] ?? [];
            $this->values[$id] =
                $values === []
                    ? null
                    : array_map(fn (string $value): mixed => Values::typed($value, $declaration->baseType), $values);
        }
        $this->program ??= $this->processing === null ? [] : $this->compiled($this->processing);
        $this->follow($this->program);
        $score = $this->values['SCORE'][0] ?? null;

        return [$score instanceof BigRational ? $score : BigRational::zero(), $this->shown()];
    }

    /** @param  list<\Closure(): mixed>  $rules */
    private function follow(array $rules): void
    {
        foreach ($rules as $rule) {
            if ($this->ended) {
                return;
            }
            $rule();
        }
    }

    /** @return list<\Closure(): mixed> */
    private function compiled(\DOMElement $parent): array
    {
        $rules = [];
        foreach (Xml::children($parent) as $rule) {
            $id = $rule->getAttribute('identifier');
            $first = Xml::children($rule)[0] ?? null;
            $value =
                $first !== null && in_array($rule->localName, ['qti-set-outcome-value', 'qti-lookup-outcome-value'], true)
                    ? $this->expressions->compiled($first)
                    : fn (): ?array => null;
            $compiled = match ($rule->localName) {
                'qti-set-outcome-value' => fn (): ?array => ($this->values[$id] = $value()),
                'qti-lookup-outcome-value' => fn (): ?array => ($this->values[$id] = ($this->outcomes[$id] ?? null)?->lookedUp($value())),
                'qti-response-condition' => $this->condition($rule),
                'qti-exit-response' => fn (): bool => ($this->ended = true),
                'qti-response-processing-fragment' => $this->fragment($rule),
                default => null, // a test of the condition it stands in
            };
            if ($compiled !== null) {
                $rules[] = $compiled;
            }
        }

        return $rules;
    }

    private function fragment(\DOMElement $fragment): \Closure
    {
        $rules = $this->compiled($fragment);

        return fn () => $this->follow($rules);
    }

    private function condition(\DOMElement $condition): \Closure
    {
        $branches = [];
        foreach (Xml::children($condition) as $branch) {
            $test = Xml::children($branch)[0] ?? null;
            $branches[] = [
                $branch->localName === 'qti-response-else'
                    ? fn (): array => [true]
                    : ($test === null
                        ? fn (): ?array => null
                        : $this->expressions->compiled($test)),
                $this->compiled($branch),
            ];
        }

        return function () use ($branches): void {
            foreach ($branches as [$test, $rules]) {
                if ($test() === [true]) {
                    $this->follow($rules);

                    return;
                }
            }
        };
    }

    /** @return list<string> identifiers of feedback that shows */
    private function shown(): array
    {
        $shown = [];
        foreach (Xml::children($this->item, 'qti-modal-feedback') as $feedback) {
            $named = in_array(
                $feedback->getAttribute('identifier'),
                array_map(
                    fn (mixed $one): string => is_string($one) ? $one : '',
                    $this->values[$feedback->getAttribute('outcome-identifier')] ?? [],
                ),
                true,
            );
            if ($named === ($feedback->getAttribute('show-hide') !== 'hide')) {
                $shown[] = $feedback->getAttribute('identifier');
            }
        }

        return $shown;
    }
}
