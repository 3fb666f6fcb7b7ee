<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Numbers\Exact;

/**
 * What a conditionvar says of responses (QTI 1.2.1 ASI, 3.5): tests joined by and, or, not.
 */
final readonly class Condition
{
    private const JOINS = ['and', 'or', 'not', 'conditionvar'];

    private const TESTS = ['varequal', 'varsubstring', 'vargt', 'vargte', 'varlt', 'varlte', 'varsubset', 'unanswered', 'other'];

    /**
     * @param  string  $name  of a join or a test
     * @param  list<self>  $inner
     */
    private function __construct(public string $name, public array $inner, public string $response, public string $value, public bool $case, private string $how)
    {
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
        // the order of a response given in steps is another matter
        if (! in_array($name, self::TESTS, true) || $element->hasAttribute('index')) {
            return null;
        }

        return new self($name, [], $element->getAttribute('respident'), trim($element->textContent), strcasecmp($element->getAttribute('case'), 'yes') === 0, $element->getAttribute('setmatch'));
    }

    /** @param  array<string, list<string>>  $given  response → what was chosen or typed; nothing when it was left blank */
    public function holds(array $given): bool
    {
        $values = $given[$this->response] ?? [];

        return match ($this->name) {
            'and', 'conditionvar' => array_filter($this->inner, fn (self $one): bool => ! $one->holds($given)) === [],
            'or' => array_filter($this->inner, fn (self $one): bool => $one->holds($given)) !== [],
            'not' => array_filter($this->inner, fn (self $one): bool => $one->holds($given)) === [],
            'other' => true,
            'unanswered' => $values === [],
            'varsubset' => $this->subset($values),
            'varsubstring' => array_filter($values, fn (string $value): bool => str_contains($this->folded($value), $this->folded($this->value))) !== [],
            'varequal' => array_filter($values, fn (string $value): bool => $this->equals($value)) !== [],
            default => array_filter($values, fn (string $value): bool => $this->compares($value)) !== [],
        };
    }

    /** @return list<self> every test in it */
    public function tests(): array
    {
        return $this->inner === [] ? [$this] : array_merge(...array_map(fn (self $one): array => $one->tests(), $this->inner));
    }

    private function equals(string $value): bool
    {
        return $this->folded(trim($value)) === $this->folded($this->value);
    }

    private function compares(string $value): bool
    {
        [$given, $limit] = [Exact::read(trim($value)), Exact::read($this->value)];
        $order = $given === null || $limit === null ? null : $given->compareTo($limit);

        return $order !== null && match ($this->name) {
            'vargt' => $order > 0,
            'vargte' => $order >= 0,
            'varlt' => $order < 0,
            default => $order <= 0,
        };
    }

    /** @param  list<string>  $values */
    private function subset(array $values): bool
    {
        $wanted = array_values(array_filter(array_map(trim(...), explode(',', $this->value)), fn (string $one): bool => $one !== ''));
        $met = count(array_intersect($wanted, $values));

        return strcasecmp($this->how, 'partial') === 0 ? $met > 0 : $met === count($wanted) && count($values) === count($wanted);
    }

    private function folded(string $text): string
    {
        return $this->case ? $text : mb_convert_case($text, MB_CASE_FOLD_SIMPLE, 'UTF-8');
    }
}
