<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Question\Part;

/** How one kind of part stands in QTI 3.0. A kind that can travel has one, in its own folder. */
interface KindMapping
{
    public function kind(): string;

    /**
     * What a rule is about whose value stands so in a test of the standard; null where rules are known by their tests alone.
     *
     * @return string|array{string, string}|null
     */
    public function on(string $value): string|array|null;

    /** Whether an interaction element is one of this kind. */
    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool;

    /**
     * The part an interaction is, its points, settings, key and scoring set; null when it cannot be translated.
     *
     * @param  \Closure(\DOMElement): string  $content  the clean rich text inside an element
     */
    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass;

    /** The part for formats that know little. */
    public function plain(Part $part, WriteContext $in): PlainPart;

    /** @param  \Closure(string): string  $content rich text as it stands in an item */
    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart;
}
