<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\StatementTable;

use WideQuarry\Documents\DelimitedText;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Messages\Message;
use WideQuarry\Standards\Association;
use WideQuarry\Standards\Framework;
use WideQuarry\Standards\NameUuid;
use WideQuarry\Standards\Statement;
use WideQuarry\Standards\StatementCode;
use WideQuarry\Standards\StatementTree;

/**
 * Reads statements from a table. Where a row belongs is said by its parent, or else by its depth, or else by how far its code or its words
 * are indented, or else by its code ("FEF.2.3.b" below "FEF.2.3").
 */
final class StatementTableReader
{
    private const SPACE = '5f0a9d6c-7a86-4f55-8c0e-5f7b5e9b3a52';

    private const TRUE = '/^(1|x|y|yes|true|retired|withdrawn|deprecated|obsolete)$/iD';

    /** @var list<Notice> */
    private array $notices = [];

    /** @return iterable<\stdClass|Notice> */
    public function read(DelimitedText $table, string $file): iterable
    {
        $heading = $table->rows[0]['cells'] ?? [];
        $columns = Columns::of($heading);
        $rows = array_slice($table->rows, 1, Framework::MOST_STATEMENTS);
        if (! $columns->areStatements() || $rows === []) {
            yield Notice::problem('statements.columns', Message::of('interchange.statementTable.columns'), $file);

            return;
        }
        if (count($table->rows) - 1 > Framework::MOST_STATEMENTS) {
            yield Notice::problem(
                'statements.too_many',
                Message::of('interchange.statementTable.too-many', ['most' => Framework::MOST_STATEMENTS]),
                $file,
            );
        }
        $title = (string) preg_replace('/\.[A-Za-z0-9]{1,5}$/D', '', basename($file));
        $id = NameUuid::of(self::SPACE, $title);
        [$statements, $associations] = $this->statements($rows, $columns, $id, $file);
        $tree = StatementTree::of($statements);
        yield PackageContents::thing('framework', (new Framework($id, $title, '', $tree->statements, $associations))->toJson());
        yield from $this->notices;
        foreach ($tree->notes as [$code, $sentence]) {
            yield Notice::note($code, $sentence, $file);
        }
    }

    /**
     * @param  list<array{line: int, cells: list<string>}>  $rows
     * @return array{list<Statement>, list<Association>}
     */
    private function statements(array $rows, Columns $columns, string $framework, string $file): array
    {
        $ids = $read = $statements = $associations = $open = [];
        foreach ($rows as ['line' => $line, 'cells' => $cells]) {
            $statement = $this->statement($cells, $line, $columns, $framework, $file);
            if ($statement === null) {
                continue;
            }
            $statement = isset($read[$statement->id])
                ? $statement->called(NameUuid::of($framework, "$line $statement->code"))
                : $statement;
            foreach ([$statement->code, trim($columns->cell($cells, 'id'))] as $name) {
                if ($name !== '') {
                    $ids[StatementCode::folded($name)] ??= $statement->id;
                }
            }
            $read[$statement->id] = [$statement, $cells, $line];
        }
        $how = $this->how($columns, array_column($read, 1));
        foreach ($read as [$statement, $cells, $line]) {
            $parent = match ($how) {
                'parent' => $this->byName(trim($columns->cell($cells, 'parent')), $ids, $framework),
                'code' => $this->byCode($statement->code, $ids, $statement->id),
                'depth' => $this->byDepth((float) $columns->cell($cells, 'depth'), $statement->id, $open),
                'indent' => $this->byDepth(self::indent($cells, $columns), $statement->id, $open),
            };
            $statements[] = $statement->under($parent);
            array_push($associations, ...$this->successors($statement, trim($columns->cell($cells, 'replaced')), $ids, $file, $line));
        }

        return [$statements, $associations];
    }

    /** @param  list<string>  $cells */
    private function statement(array $cells, int $line, Columns $columns, string $framework, string $file): ?Statement
    {
        $given = $columns->cell($cells, 'code');
        $code = mb_substr(StatementCode::trimmed($given), 0, Statement::LONGEST_CODE);
        $text = trim($columns->cell($cells, 'text'));
        $title = mb_substr(trim($columns->cell($cells, 'title')), 0, 1000);
        if ($code === '' && $text === '' && $title === '') {
            return null;
        }
        if (mb_strlen($text) > Statement::LONGEST_TEXT) {
            $said = Message::of('interchange.statementTable.text-cut', ['code' => $code, 'most' => Statement::LONGEST_TEXT]);
            $this->notices[] = Notice::loss('statements.text', $said, $file, $line);
            $text = mb_substr($text, 0, Statement::LONGEST_TEXT);
        }
        if ($code === '') {
            $said = Message::of('interchange.statementTable.no-code', ['text' => mb_strimwidth($text, 0, 60, '…')]);
            $this->notices[] = Notice::note('statements.no_code', $said, $file, $line);
        } elseif ($code !== $given) {
            $said = Message::of('interchange.statementTable.code-tidied', ['code' => $code]);
            $this->notices[] = Notice::note('statements.code', $said, $file, $line);
        }
        $identifier = trim($columns->cell($cells, 'id'));

        return new Statement(
            $identifier === ''
                ? NameUuid::of($framework, $code === '' ? "$line $text" : StatementCode::folded($code))
                : NameUuid::from($identifier, $framework),
            $code,
            $text === '' ? $title : $text,
            null,
            preg_match(self::TRUE, trim($columns->cell($cells, 'retired'))) === 1 || trim($columns->cell($cells, 'replaced')) !== '',
            $text === '' ? '' : $title,
            mb_substr(trim($columns->cell($cells, 'level')), 0, 1000),
            mb_substr(trim($columns->cell($cells, 'notes')), 0, Statement::LONGEST_TEXT),
        );
    }

    /**
     * @param  array<string, string>  $ids  folded code → statement
     * @return list<Association>
     */
    private function successors(Statement $statement, string $named, array $ids, string $file, int $line): array
    {
        $associations = [];
        foreach (preg_split('/[;,]\s*/', $named, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $successor) {
            $to = $ids[StatementCode::folded($successor)] ?? null;
            if ($to === null) {
                $this->notices[] = Notice::note('statements.successor', Message::of('interchange.statementTable.no-successor', [
                    'code' => $statement->code,
                    'successor' => $successor,
                ]), $file, $line);
            } else {
                $associations[] = new Association($statement->id, $to, Association::REPLACED_BY);
            }
        }

        return $associations;
    }

    /**
     * @param  list<list<string>>  $rows
     * @return 'parent'|'depth'|'indent'|'code'
     */
    private function how(Columns $columns, array $rows): string
    {
        $has = fn (string $what): bool => array_filter($rows, fn (array $cells): bool => trim($columns->cell($cells, $what)) !== '') !== [];
        if ($has('parent')) {
            return 'parent';
        }
        if ($has('depth')) {
            return 'depth';
        }

        return array_filter($rows, fn (array $cells): bool => self::indent($cells, $columns) > 0) !== [] ? 'indent' : 'code';
    }

    /** @param  array<string, string>  $ids */
    private function byName(string $name, array $ids, string $framework): ?string
    {
        if ($name === '') {
            return null;
        }

        // one that is not there is said with the tree
        return $ids[StatementCode::folded($name)] ?? NameUuid::of($framework, "missing $name");
    }

    /** @param  array<string, string>  $ids */
    private function byCode(string $code, array $ids, string $child): ?string
    {
        for ($above = StatementCode::above($code); $above !== null; $above = StatementCode::above($above)) {
            $id = $ids[StatementCode::folded($above)] ?? null;
            if ($id !== null && $id !== $child) {
                return $id;
            }
        }

        return null;
    }

    /** @param  list<array{float, string}>  $open  depth and statement, from the top down to the last one read */
    private function byDepth(float $depth, string $id, array &$open): ?string
    {
        while ($open !== [] && $open[count($open) - 1][0] >= $depth) {
            array_pop($open);
        }
        $parent = $open === [] ? null : $open[count($open) - 1][1];
        $open[] = [$depth, $id];

        return $parent;
    }

    /** @param  list<string>  $cells */
    private static function indent(array $cells, Columns $columns): float
    {
        $most = 0;
        foreach (['code', 'text', 'title'] as $what) {
            $cell = str_replace("\u{A0}", ' ', $columns->cell($cells, $what));
            $space = substr($cell, 0, strspn($cell, "\t "));
            $most = max($most, 4 * substr_count($space, "\t") + substr_count($space, ' '));
        }

        return (float) $most;
    }
}
