<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Written;

use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;
use WideQuarry\Interchange\QuestionTable\QuestionTableFormat;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\WritableFormat;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;

/** Questions out as a table; what is written here is read by QuestionTableFormat. */
final readonly class TableFile implements WritableFormat
{
    /**
     * @param  'csv'|'xlsx'  $type
     * @param  list<Meaning>|null  $columns  null for all that hold something
     */
    private function __construct(
        private PartKinds $kinds,
        private DocumentConverter $converter,
        private string $type,
        private ?array $columns = null,
    ) {
    }

    /** @return list<self> */
    public static function all(PartKinds $kinds, DocumentConverter $converter): array
    {
        return [new self($kinds, $converter, 'csv'), new self($kinds, $converter, 'xlsx')];
    }

    /** @return list<string> what columns may hold, in their order */
    public static function columns(): array
    {
        return array_map(fn (Meaning $one): string => $one->value, Headings::ORDER);
    }

    /** @param  list<string>  $columns  what they hold; the question itself always comes along */
    public function choosing(array $columns): self
    {
        $with = ['feedback' => ['feedback when right', 'feedback when wrong'], 'picture' => ['alternative text']];
        foreach (array_intersect_key($with, array_flip($columns)) as $more) {
            array_push($columns, ...$more);
        }
        $chosen = array_values(array_filter(
            Headings::ORDER,
            fn (Meaning $one): bool => $one === Meaning::Stem || in_array($one->value, $columns, true),
        ));

        return new self($this->kinds, $this->converter, $this->type, $chosen);
    }

    public function name(): string
    {
        return $this->type;
    }

    public function family(): string
    {
        return 'table';
    }

    public function recognises(Source $source): bool
    {
        return false;
    }

    public function read(Source $source): iterable
    {
        return (new QuestionTableFormat($this->converter))->read($source);
    }

    public function canVary(): bool
    {
        return false;
    }

    public function write(PackageContents $content, string $file): array
    {
        $table = QuestionTable::of($content, $this->kinds, $this->columns);
        if ($this->type === 'csv') {
            file_put_contents($file, CsvFile::bytes($table->heading, $table->rows));

            return $table->notices;
        }
        XlsxFile::write($file, $table->heading, $table->rows);
        $long = array_filter($table->rows, fn (array $row): bool => max([0, ...array_map(mb_strlen(...), $row)]) > XlsxFile::LONGEST);

        return $long === [] ? $table->notices : [
            ...$table->notices,
            Notice::loss('table.cell_cut', Message::of('interchange.questionTable.cell-cut', ['count' => count($long)])),
        ];
    }
}
