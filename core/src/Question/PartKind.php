<?php

declare(strict_types=1);

namespace WideQuarry\Question;

/**
 * One kind of part as the question model knows it: its settings, the targets of its rules, its schemes. What else a kind can do is said
 * by the interfaces that extend this one (ScorableKind, PresentableKind, PrintableKind, MappedKind), each in the module that asks for it.
 */
interface PartKind
{
    public function name(): string;

    /** Whether it may stand inside a line of text. */
    public function isInline(): bool;

    /** @throws \WideQuarry\Json\Malformed */
    public function readSettings(mixed $json, string $path): object;

    /**
     * What a rule compares with.
     *
     * @throws \WideQuarry\Json\Malformed
     */
    public function readOn(mixed $json, string $path): object|string;

    /** @return list<Scheme> */
    public function schemes(): array;

    /** The scheme that holds when none is named. */
    public function usualScheme(object $settings): Scheme;

    /**
     * Numbers of its scoring beside low and high, such as the cost of what is picked too much, with what holds when none is given.
     *
     * @return array<string, string>
     */
    public function extras(): array;

    /**
     * What is offered and what is accepted, for search.
     *
     * @return list<string> rich text or plain
     */
    public function texts(Part $part): array;

    /** Whether rules can tell what a response is worth; otherwise only a person can. */
    public function hasRules(): bool;

    /** How many words a response is likely to have: what a marker reads. */
    public function expectedWords(object $settings): int;

    /** Whether several parts of it can share one key, each answer earning points once. */
    public function canShareAnswers(): bool;

    /** Whether gaps in the question's text belong to it. */
    public function fillsGaps(): bool;

    /** The place of the only right option among options that keep their order, from 0; null where there is no such option. */
    public function keyPlace(Part $part): ?int;

    /**
     * What learners can be told beside the feedback of rules and of the part.
     *
     * @return array<string, Feedback> in words what it is about → what is said
     */
    public function remarks(Part $part): array;

    /** Whether there is anything to mark: false for opinions. */
    public function isMarked(): bool;
}
