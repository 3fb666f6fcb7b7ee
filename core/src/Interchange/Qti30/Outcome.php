<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Qti30\Operators\Values;

/** An outcome declaration: what it begins with, and a table it may be looked up in (QTI 3.0 ASI, qti-outcome-declaration). */
final readonly class Outcome
{
    /**
     * @param  list<mixed>|null  $default
     * @param  list<array{BigRational, mixed, bool}>  $table  from what, to what, whether the limit itself belongs
     */
    private function __construct(
        public string $baseType,
        public ?array $default,
        private bool $exact,
        private array $table,
        private mixed $otherwise,
        public ?string $normalMaximum,
    ) {
    }

    public static function read(\DOMElement $element): self
    {
        $type = Xml::attribute($element, 'base-type') ?? 'identifier';
        $default = null;
        $table = [];
        $otherwise = null;
        $exact = false;
        foreach (Xml::children($element) as $child) {
            if ($child->localName === 'qti-default-value') {
                $default = array_map(
                    fn (\DOMElement $value): mixed => Values::typed($value->textContent, $type),
                    Xml::children($child, 'qti-value'),
                );
            } elseif (in_array($child->localName, ['qti-match-table', 'qti-interpolation-table'], true)) {
                $exact = $child->localName === 'qti-match-table';
                $otherwise = $child->hasAttribute('default-value')
                    ? Values::typed($child->getAttribute('default-value'), $type)
                    : null;
                foreach (Xml::children($child) as $entry) {
                    $from = Values::typed($entry->getAttribute('source-value'), 'float');
                    if ($from instanceof BigRational) {
                        $table[] = [
                            $from,
                            Values::typed($entry->getAttribute('target-value'), $type),
                            $entry->getAttribute('include-boundary') !== 'false',
                        ];
                    }
                }
            }
        }
        // numbers begin at nothing, everything else at null
        $default ??= in_array($type, ['float', 'integer'], true) ? [BigRational::zero()] : null;

        return new self($type, $default === [] ? null : $default, $exact, $table, $otherwise, Xml::attribute($element, 'normal-maximum'));
    }

    /**
     * @param  list<mixed>|null  $source
     * @return list<mixed>|null
     */
    public function lookedUp(?array $source): ?array
    {
        $value = $source[0] ?? null;
        if ($value instanceof BigRational) {
            foreach ($this->table as [$from, $to, $included]) {
                $order = $value->compareTo($from);
                if ($this->exact ? $order === 0 : $order > 0 || ($order === 0 && $included)) {
                    return [$to];
                }
            }
        }

        return $this->otherwise === null ? null : [$this->otherwise];
    }
}
