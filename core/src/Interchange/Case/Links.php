<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Case;

use WideQuarry\Messages\Message;
use WideQuarry\Standards\Association;
use WideQuarry\Standards\Statement;

/** What the associations of a package say: which statement belongs to which, in what order, and how else they stand to one another. */
final class Links
{
    /** @var list<Association> those that are no hierarchy, each once; one end at least is in the file */
    public array $associations = [];

    /** @var list<array{string, string}> code and sentence */
    public array $notes = [];

    /** @var array<string, string|null> statement → the one it belongs to; null at the top */
    private array $parents = [];

    /** @var array<string, int> statement → its sequence number */
    private array $order = [];

    /**
     * @param  string  $framework  of the document itself, which may be named as a parent
     * @param  array<string, int>  $places  the statements of the file
     */
    private function __construct(private readonly string $framework, private readonly array $places)
    {
    }

    /**
     * @param  list<mixed>  $given  CFAssociations
     * @param  array<string, int>  $places
     * @param  callable(mixed): string  $end  a LinkGenURI → identifier, "" where it has none
     */
    public static function read(array $given, string $framework, array $places, callable $end): self
    {
        $links = new self($framework, $places);
        $claims = $others = [];
        foreach ($given as $association) {
            $association = $association instanceof \stdClass ? $association : new \stdClass;
            $type = is_string($association->associationType ?? null) ? $association->associationType : '';
            $from = $end($association->originNodeURI ?? null);
            $to = $end($association->destinationNodeURI ?? null);
            if ($type === '' || $from === '' || $to === '') {
                $links->notes[] = ['case.association', Message::of('interchange.case.association-without-ends')];
            } elseif ($type === AssociationType::CHILD && isset($places[$from])) {
                $sequence = $association->sequenceNumber ?? null;
                $claims[$from][] = [is_numeric($sequence) ? (int) $sequence : PHP_INT_MAX, $to];
            } else {
                $others[] = new Association($from, $to, AssociationType::kind(mb_substr($type, 0, 100)));
            }
        }
        array_push($others, ...$links->hierarchy($claims));
        $links->keep($others);
        $loose = count(array_diff_key($places, $links->parents));
        if ($links->parents !== [] && $loose > 0) {
            $links->notes[] = ['case.loose', Message::of('interchange.case.loose', ['count' => $loose])];
        }

        return $links;
    }

    /**
     * @param  list<Statement>  $statements  in the order of the file
     * @return list<Statement> each below its parent, siblings in the order they are to have; what has a successor is retired
     */
    public function ordered(array $statements): array
    {
        $replaced = [];
        foreach ($this->associations as $one) {
            $replaced[$one->from] = ($replaced[$one->from] ?? false) || $one->kind === Association::REPLACED_BY;
        }
        $given = [];
        foreach ($statements as $i => $one) {
            $one = $one->under($this->parents[$one->id] ?? null);
            $given[] = [$this->order[$one->id] ?? PHP_INT_MAX, $i, $replaced[$one->id] ?? false ? $one->retire() : $one];
        }
        usort($given, fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);

        return array_column($given, 2);
    }

    /**
     * @param  array<string, non-empty-list<array{int, string}>>  $claims  statement → sequence number and parent, for each that is named
     * @return list<Association> the parents after the first
     */
    private function hierarchy(array $claims): array
    {
        $others = [];
        foreach ($claims as $child => $above) {
            $child = (string) $child;
            [$sequence, $to] = $above[0];
            $this->order[$child] = $sequence;
            $this->parents[$child] = $to === $this->framework ? null : $to;
            foreach (array_slice($above, 1) as [, $second]) {
                if ($second !== $to && $second !== $this->framework) {
                    $others[] = new Association($child, $second, AssociationType::CHILD);
                    $this->notes[] = ['case.two_parents', Message::of('interchange.case.two-parents')];
                }
            }
        }

        return $others;
    }

    /** @param  list<Association>  $associations */
    private function keep(array $associations): void
    {
        $kept = [];
        foreach ($associations as $one) {
            $here = (int) isset($this->places[$one->from]) + (int) isset($this->places[$one->to]);
            if ($here < 2) {
                $this->notes[] = [
                    'case.outside',
                    Message::of('interchange.case.outside', [
                        'from' => $one->from,
                        'to' => $one->to,
                        'kind' => AssociationType::type($one->kind),
                    ]),
                ];
            }
            if ($here > 0) {
                $kept["$one->from $one->to $one->kind"] = $one;
            }
        }
        $this->associations = array_values($kept);
    }
}
