<?php

declare(strict_types=1);

namespace WideQuarry\Standards;

use WideQuarry\Messages\Message;

/**
 * Statements in tree order. What cannot be a tree is made one, and said: a statement whose parent is not there stands at the top, a
 * circle is opened at the statement that comes first, and two statements of one identifier are told apart.
 */
final readonly class StatementTree
{
    public const DEPTH = 30;

    /**
     * @param  list<Statement>  $statements
     * @param  list<array{string, string}>  $notes  code and sentence of what was made a tree of
     */
    private function __construct(public array $statements, public array $notes)
    {
    }

    /** @param  list<Statement>  $given  siblings in the order they are to have */
    public static function of(array $given): self
    {
        $notes = self::sameCodes($given);
        $byId = self::told($given, $notes);
        $below = [];
        foreach ($byId as $id => $statement) {
            if ($statement->parent !== null && ! isset($byId[$statement->parent])) {
                $notes[] = ['statement.parent_missing', Message::of('standards.parent-missing', ['name' => $statement->name()])];
                $byId[$id] = $statement->under(null);
            }
            $below[$byId[$id]->parent ?? ''][] = (string) $id;
        }
        $ordered = [];
        self::walk($below, '', $byId, $ordered);
        foreach ($byId as $id => $statement) {
            if (! isset($ordered[$id])) {
                $notes[] = ['statement.circle', Message::of('standards.circle', ['name' => $statement->name()])];
                $ordered[$id] = $statement->under(null);
                self::walk($below, (string) $id, $byId, $ordered);
            }
        }

        return new self(array_values($ordered), $notes);
    }

    /** @param  list<Statement>  $statements  in tree order */
    public static function depth(array $statements): int
    {
        $depths = [];
        foreach ($statements as $one) {
            $depths[$one->id] = ($one->parent === null ? 0 : $depths[$one->parent] ?? 0) + 1;
        }

        return $depths === [] ? 0 : max($depths);
    }

    /**
     * @param  list<Statement>  $given
     * @return list<array{string, string}>
     */
    private static function sameCodes(array $given): array
    {
        $codes = [];
        foreach ($given as $statement) {
            if ($statement->code !== '') {
                $codes[StatementCode::folded($statement->code)][] = $statement->code;
            }
        }
        $twice = array_filter($codes, fn (array $same): bool => count($same) > 1);

        return array_values(
            array_map(
                fn (array $same): array => [
                    'statement.code_twice',
                    Message::of('standards.code-twice', ['code' => $same[0], 'count' => count($same)]),
                ],
                $twice,
            ),
        );
    }

    /**
     * @param  list<Statement>  $given
     * @param  list<array{string, string}>  $notes
     * @return array<string, Statement> by identifier
     */
    private static function told(array $given, array &$notes): array
    {
        $byId = [];
        foreach ($given as $statement) {
            if (isset($byId[$statement->id])) {
                $statement = $statement->called(self::another($statement, count($byId)));
                $notes[] = ['statement.identifier_twice', Message::of('standards.identifier-twice', ['name' => $statement->name()])];
            }
            $byId[$statement->id] = $statement;
        }

        return $byId;
    }

    /**
     * @param  array<string, list<string>>  $below  parent → children
     * @param  array<string, Statement>  $byId
     * @param  array<string, Statement>  $ordered
     */
    private static function walk(array $below, string $from, array $byId, array &$ordered): void
    {
        // a stack of its own, as a chain may be as long as the framework
        $open = array_reverse($below[$from] ?? []);
        while ($open !== []) {
            $id = array_pop($open);
            if (isset($ordered[$id])) {
                continue;
            }
            $ordered[$id] = $byId[$id];
            foreach (array_reverse($below[$id] ?? []) as $child) {
                $open[] = $child;
            }
        }
    }

    private static function another(Statement $statement, int $place): string
    {
        return NameUuid::of($statement->id, "$place $statement->code $statement->text");
    }
}
