<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

/** What an item's response processing says of one response. */
final class Marking
{
    /** @var list<array{\DOMElement, string}> conditions in order with the value each sets */
    public array $chain = [];

    /**
     * @var array{int, string}|null to a mapping: so many things may be given, each one more costs points, and no less than nothing is
     * earned
     */
    public ?array $extra = null;

    /**
     * @param  'correct'|'map'|'chain'|'own'  $by
     * @param  string  $added  to a mapping whenever something was answered
     * @param  string  $points  set when right, for `correct`; what no condition catches, for `chain`
     * @param  \stdClass|null  $own  key and scoring as the kind itself has them, for `own`
     */
    public function __construct(
        public readonly string $by,
        public string $points = '1',
        public string $added = '0',
        public readonly ?\stdClass $own = null,
    ) {
    }
}
