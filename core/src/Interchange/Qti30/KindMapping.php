<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Question\Part;

/** How one kind of part stands in QTI 3.0. A kind that can travel has one, in its own folder. */
interface KindMapping
{
    /**
     * What a rule is about whose value stands so in a test of the standard; null where rules are known by their tests alone.
     *
     * @param  string  $value  an identifier, a pair of them, or a shape and its coordinates
     * @return string|array{string, string}|\stdClass|null
     */
    public function on(string $value): string|array|\stdClass|null;

    /** Whether an interaction element is one of this kind. */
    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool;

    /**
     * The part an interaction is, its points, settings, key and scoring set; null when it cannot be translated.
     *
     * @param  \Closure(\DOMElement): string  $content  the clean rich text inside an element
     */
    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass;

    /** What an answer is made of; null where nothing but a person can tell what it is worth. */
    public function shape(): ?AnswerShape;

    /**
     * What may be given: things to pick or to put in order; of pairs, the first things and the second.
     *
     * @param  list<string>  $gaps  of the question's text
     * @return array{list<string>, list<string>} identifiers
     */
    public function choices(\stdClass $settings, array $gaps): array;

    /** Whether the first thing of a pair may be given several times; of picks, null: the declaration says so. */
    public function mayRepeat(\stdClass $settings): ?bool;

    /** Whether the standard names the second thing of our pairs first. */
    public function isReversed(): bool;

    /** Whether the numbers of its key may be expressions over template variables. */
    public function canKeyVary(): bool;

    /**
     * A response as this kind takes it.
     *
     * @param  list<string>  $given  identifiers, typed texts, or pairs of identifiers with a tab between
     * @param  \stdClass  $settings  of the part
     */
    public function toResponse(array $given, string $language, \stdClass $settings): \stdClass;

    /** The part for formats that know little. */
    public function plain(Part $part, WriteContext $in): PlainPart;

    /** @param  \Closure(string): string  $content rich text as it stands in an item */
    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart;
}
