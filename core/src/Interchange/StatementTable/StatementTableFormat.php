<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\StatementTable;

use WideQuarry\Documents\DelimitedText;
use WideQuarry\Interchange\Format;
use WideQuarry\Interchange\Source;

/** A framework of standards as a table: a row a statement, its place by a parent, its code, its depth or its indentation. */
final class StatementTableFormat implements Format
{
    public function name(): string
    {
        return 'statements';
    }

    public function family(): string
    {
        return 'statements';
    }

    public function recognises(Source $source): bool
    {
        $columns = self::columns($source);

        return $columns !== null && $columns->areStatements() && ! $columns->couldBeQuestions();
    }

    /** Whether the heading says codes and statements, and something that could be a question too. */
    public function isAmbiguous(Source $source): bool
    {
        $columns = self::columns($source);

        return $columns !== null && $columns->areStatements() && $columns->couldBeQuestions() && ! $columns->areQuestions();
    }

    /** Any text, once it is said to be a framework: where it is no table, it is an outline. */
    public function canRead(Source $source): bool
    {
        return self::columns($source) !== null && preg_match('/^(?:\xEF\xBB\xBF)?\s*[\[{<]/', $source->head()) !== 1;
    }

    public function read(Source $source): iterable
    {
        $bytes = $source->bytes();
        $table = self::columns($source)?->areStatements() === true ? DelimitedText::read($bytes) : StatementOutline::table($bytes);

        return (new StatementTableReader)->read($table, $source->name);
    }

    private static function columns(Source $source): ?Columns
    {
        $head = $source->head();
        $isUtf16 = str_starts_with($head, "\xFF\xFE") || str_starts_with($head, "\xFE\xFF");
        if ($source->isZip() || (str_contains($head, "\0") && ! $isUtf16)) {
            return null;
        }
        $heading = explode("\n", ltrim(DelimitedText::decoded($head), "\n"), 2)[0];

        return Columns::of(DelimitedText::read($heading)->rows[0]['cells'] ?? []);
    }
}
