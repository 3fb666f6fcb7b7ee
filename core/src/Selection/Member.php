<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

/** What a test has to meet: a demand or a rule. A problem that cannot be met is explained by naming members. */
interface Member
{
    public function id(): string;

    /** Adds rows that hold it. */
    public function constrain(Formulation $formulation): void;

    /** Adds rows that hold it as nearly as can be, at a cost; nothing where it can only be dropped. */
    public function loosen(Formulation $formulation): void;

    /**
     * Looks at the questions themselves, not at rows: solutions are checked by it.
     *
     * @param  list<Candidate>  $taken
     * @param  list<Candidate>  $pool
     */
    public function isMetBy(array $taken, array $pool): bool;

    /**
     * How it would have to read for these tests to meet it.
     *
     * @param  list<list<Candidate>>  $tests
     * @param  list<Candidate>  $pool
     * @return array<string, mixed> the fields that change, or ['drop' => true]
     */
    public function relaxedTo(array $tests, array $pool): array;

    /** In words. */
    public function said(): string;
}
