<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable;

use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\Format;
use WideQuarry\Interchange\NoConverter;
use WideQuarry\Interchange\QuestionTable\Rows\TableCorrections;
use WideQuarry\Interchange\QuestionTable\Sheets\TableType;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\UnreadableFile;

/** Questions in a table: CSV, TSV, XLSX, ODS, or a ZIP of one with its pictures. */
final readonly class QuestionTableFormat implements Format
{
    public function __construct(
        private DocumentConverter $converter = new NoConverter,
        private TableCorrections $corrections = new TableCorrections,
    ) {
    }

    public function name(): string
    {
        return 'table';
    }

    public function family(): string
    {
        return 'table';
    }

    public function recognises(Source $source): bool
    {
        return TableType::of($source) !== null;
    }

    public function read(Source $source): iterable
    {
        $type = TableType::of($source) ?? throw UnreadableFile::unknownFormat($source->name);

        return (new TableReader($this->converter, $this->corrections))->read($source, $type, $source->beside);
    }
}
