<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable;

use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\Ids;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\QuestionTable\Mapping\Column;
use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;
use WideQuarry\Interchange\QuestionTable\Mapping\SheetMapping;
use WideQuarry\Interchange\QuestionTable\Mapping\TableMapping;
use WideQuarry\Interchange\QuestionTable\Rows\Cell;
use WideQuarry\Interchange\QuestionTable\Rows\CellProblems;
use WideQuarry\Interchange\QuestionTable\Rows\CellText;
use WideQuarry\Interchange\QuestionTable\Rows\Entry;
use WideQuarry\Interchange\QuestionTable\Rows\RowQuestion;
use WideQuarry\Interchange\QuestionTable\Rows\RowRecord;
use WideQuarry\Interchange\QuestionTable\Rows\SheetEntries;
use WideQuarry\Interchange\QuestionTable\Rows\TableCorrections;
use WideQuarry\Interchange\QuestionTable\Rows\TablePictures;
use WideQuarry\Interchange\QuestionTable\Sheets\CellAddress;
use WideQuarry\Interchange\QuestionTable\Sheets\Sheet;
use WideQuarry\Interchange\QuestionTable\Sheets\Spreadsheet;
use WideQuarry\Interchange\QuestionTable\Sheets\TableType;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\UnreadableFile;

/** Turns a table into questions, a row or a few rows at a time. */
final class TableReader
{
    private const UUID = '/^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/iD';

    /** Rows kept to be mended. */
    private const MOST_WRONG = 200;

    /** Rows shown to who looks at the mapping. */
    private const SHOWN = 12;

    /** @var array<string, array{id: string, parent: string|null, kind: string, title: string, questions: list<string>}> */
    private array $groups = [];

    /** @var array<string, true> identifiers and ids there were */
    private array $taken = [];

    private ?string $passage = null;

    /** @var list<\stdClass> the first rows with something wrong in them */
    private array $wrong = [];

    private int $wrongRows = 0;

    /** Whether several sheets are read, so that each is a group. */
    private bool $namesSheets = false;

    public function __construct(
        private readonly DocumentConverter $converter,
        private readonly TableCorrections $corrections = new TableCorrections,
    ) {
    }

    /**
     * @param  list<SafeZip>  $beside  packages of pictures given with the table
     * @param  array{string, int}|null  $only  sheet and row of the one question wanted
     * @return iterable<\stdClass|Medium|Notice>
     *
     * @throws UnreadableFile
     */
    public function read(Source $source, TableType $type, array $beside = [], ?array $only = null): iterable
    {
        $table = Spreadsheet::open($source, $type, $this->converter);
        $mapping = $this->corrections->mapping === null
            ? TableMapping::guess($table)
            : TableMapping::read($this->corrections->mapping, $table);
        $pictures = new TablePictures([...$type === TableType::Zipped ? [$source->zip()] : [], ...$beside]);
        $several = count(array_filter($mapping->sheets, fn (SheetMapping $one): bool => $one->isRead)) > 1;
        $this->namesSheets = $several;
        foreach ($table->sheets as $i => $sheet) {
            $how = $mapping->sheets[$i];
            if (! $how->isRead) {
                if ($only === null && count($table->sheets) > 1) {
                    $said = new CellProblems($source->name);
                    $said->note('sheet-not-read', null, ['sheet' => $sheet->name]);
                    yield from $said->notices;
                }
            } elseif ($only === null || $only[0] === $sheet->name || ! $several) {
                yield from $this->sheet($sheet, $how, $several ? $sheet->name : '', $source, $pictures, $only[1] ?? null);
            }
        }
        foreach ($only === null ? $this->groups : [] as $group) {
            yield PackageContents::thing('group', (object) $group);
        }
        yield PackageContents::thing('table', $only === null
            ? $this->asRead($table, $mapping)
            : (object) ['mapping' => $mapping, 'wrong' => $this->wrong]);
    }

    /** @return iterable<\stdClass|Medium|Notice> */
    private function sheet(Sheet $sheet, SheetMapping $how, string $name, Source $source, TablePictures $pictures, ?int $only): iterable
    {
        $entries = new SheetEntries($sheet, $how, $this->corrections, $name);
        foreach ($entries->all($source->name) as [$entry, $problems]) {
            if ($only !== null && ! in_array($only, $entry->rows, true)) {
                continue;
            }
            $source->reached(...$sheet->progress());
            yield from $this->question($entry, $how, $source, $problems, $pictures);
        }
        if ($only === null) {
            $said = new CellProblems($source->name, $name);
            $this->tellSheet($sheet, $how, $entries, $said);
            yield from $said->notices;
        }
    }

    private function tellSheet(Sheet $sheet, SheetMapping $how, SheetEntries $entries, CellProblems $said): void
    {
        $entries->tellUnused($said);
        if (! $how->has(Meaning::Stem)) {
            $said->wrong('no-question-column', CellAddress::of(0, max(1, $how->header)));
        }
        if ($sheet->width > Sheet::MOST_COLUMNS) {
            $said->loss('too-wide', CellAddress::of(Sheet::MOST_COLUMNS, max(1, $how->header)), [
                'count' => $sheet->width,
                'most' => Sheet::MOST_COLUMNS,
            ]);
        }
        $merged = array_values(array_filter($sheet->merged, fn (array $one): bool => $one[1] >= $how->first));
        if ($merged !== []) {
            $said->note($how->perOption ? 'merged-options' : 'merged', CellAddress::of($merged[0][0], $merged[0][1]), [
                'count' => count($merged),
            ]);
        }
    }

    /** @return iterable<\stdClass|Medium|Notice> */
    private function question(Entry $entry, SheetMapping $how, Source $source, CellProblems $problems, TablePictures $pictures): iterable
    {
        $json = (new RowQuestion($entry, $how->keys, $how->decimal, $problems))->json();
        if ($json === null) {
            $this->keepWrong($entry, $how, $problems);
            yield from $problems->notices;

            return;
        }
        $new = [];
        $html = $pictures->of($entry, $problems, $new);
        yield from $new;
        [$id, $identifier] = $this->identity($entry, $problems);
        $record = (new RowRecord($entry, $how->decimal, $problems))->fields();
        $record['origin'] = (object) [
            'format' => 'table',
            ...$identifier === '' ? [] : ['identifier' => $identifier],
            'file' => mb_strimwidth($source->name, 0, 500),
            'fields' => (object) [
                'sheet' => $entry->sheet,
                'row' => (string) $entry->row,
                // of a question of ours, what its table says of it: the rest stays as it is
                ...$identifier === $id ? ['columns' => self::meanings($how)] : [],
            ],
        ];
        yield from $this->passage($entry, $id, $json);
        $body = is_string($json['body'] ?? null) ? $json['body'] : '';
        $question = (object) [
            'format' => 'wide-quarry/question',
            'version' => 1,
            'id' => $id,
            ...$json,
            // a picture stands between the question and what is to be done
            'body' => $html === '' ? $body : self::withPicture($body, $html),
            'record' => (object) $record,
        ];
        $this->grouped($entry, $id, $how);
        yield PackageContents::thing('question', $question);
        $this->keepWrong($entry, $how, $problems);
        foreach ($problems->notices as $notice) {
            yield $notice->about($id);
        }
    }

    /** Rows with something wrong in them are kept with the table, to be mended there. */
    private function keepWrong(Entry $entry, SheetMapping $how, CellProblems $problems): void
    {
        $wrong = array_filter($problems->notices, fn (Notice $notice): bool => $notice->severity === 'problem');
        if ($wrong === []) {
            return;
        }
        $this->wrongRows++;
        if (count($this->wrong) >= self::MOST_WRONG) {
            return;
        }
        $headings = [];
        foreach ($how->columns as $column) {
            $headings[CellAddress::letters($column->at)] = $column->heading === '' ? $column->is->value : $column->heading;
        }
        $prefix = $this->namesSheets ? "$entry->sheet!" : '';
        $this->wrong[] = (object) [
            'rows' => array_map(fn (int $row): string => $prefix.$row, array_values(array_unique([$entry->row, ...$entry->rows]))),
            'cells' => array_map(fn (Cell $cell): \stdClass => (object) [
                'address' => $prefix.$cell->address,
                'heading' => $headings[(string) preg_replace('/\d+$/', '', $cell->address)] ?? '',
                'text' => mb_strimwidth($cell->text, 0, 2000, '…'),
            ], $entry->cells),
            'problems' => array_map(
                fn (Notice $one): \stdClass => (object) ['path' => $one->path, 'code' => $one->code, 'message' => $one->message],
                array_values($wrong),
            ),
        ];
    }

    /** @return list<string> */
    private static function meanings(SheetMapping $how): array
    {
        return array_values(array_unique(array_map(fn (Column $one): string => $one->is->value, $how->columns)));
    }

    private static function withPicture(string $body, string $html): string
    {
        $at = strpos($body, '<div data-part=');

        return $at === false ? $html.$body : substr($body, 0, $at).$html.substr($body, $at);
    }

    /**
     * What a question is called, so that the same table read again is known: its identifier, or else its words.
     *
     * @return array{string, string} id of ours and identifier
     */
    private function identity(Entry $entry, CellProblems $problems): array
    {
        $cell = $entry->cell(Meaning::Identifier);
        $identifier = mb_substr(trim($cell->text ?? ''), 0, 1000);
        if ($identifier !== '' && $cell !== null) {
            $id = preg_match(self::UUID, $identifier) === 1 ? strtolower($identifier) : Ids::of('table', $identifier);
            if (! isset($this->taken[$id])) {
                $this->taken[$id] = true;

                return [$id, $identifier];
            }
            $problems->wrong('identifier-twice', $cell->address, ['identifier' => $identifier]);
        }
        $words = mb_strtolower((string) preg_replace('/\s+/u', ' ', CellText::plain($entry->text(Meaning::Stem))));
        for ($time = 0; true; $time++) {
            $id = Ids::of('table', $words, (string) $time);
            if (! isset($this->taken[$id])) {
                $this->taken[$id] = true;

                return [$id, ''];
            }
        }
    }

    /**
     * @param  array<string, mixed>  $json
     * @return iterable<\stdClass>
     */
    private function passage(Entry $entry, string $id, array &$json): iterable
    {
        $text = $entry->text(Meaning::Passage);
        if ($text === '') {
            return;
        }
        $passage = Ids::of('table', 'passage', $text);
        if ($this->passage !== $passage && ! isset($this->taken[$passage])) {
            $this->taken[$passage] = true;
            yield PackageContents::thing('stimulus', (object) [
                'id' => $passage, 'title' => '', 'language' => 'und', 'body' => CellText::html($text),
            ]);
        }
        $this->passage = $passage;
        $json['stimuli'] = [$passage];
    }

    private function grouped(Entry $entry, string $question, SheetMapping $how): void
    {
        $path = array_merge([], ...array_map(
            fn ($cell): array => RowRecord::paths($cell->text)[0] ?? [],
            $entry->filled(Meaning::Folder),
        ));
        if ($path === [] && $this->namesSheets) {
            $path = [$how->sheet];
        }
        $parent = null;
        foreach ($path as $depth => $name) {
            $id = 'g-'.substr(hash('sha256', implode("\n", array_slice($path, 0, $depth + 1))), 0, 12);
            $this->groups[$id] ??= [
                'id' => $id,
                'parent' => $parent,
                'kind' => 'folder',
                'title' => mb_substr($name, 0, 200),
                'questions' => [],
            ];
            $parent = $id;
        }
        if ($parent !== null) {
            $this->groups[$parent]['questions'][] = $question;
        }
    }

    /** The table as it was read, for who looks at its mapping: the first rows of each sheet, and what each column was taken for. */
    private function asRead(Spreadsheet $table, TableMapping $mapping): \stdClass
    {
        $sheets = [];
        foreach ($table->sheets as $i => $sheet) {
            $rows = [];
            $header = $mapping->sheets[$i]->header;
            foreach ($sheet->first($header + self::SHOWN) as $row => $cells) {
                if ($row < $header - 3 || count($rows) > self::SHOWN + 3) {
                    continue;
                }
                $rows[] = (object) [
                    'row' => $row,
                    'cells' => array_map(fn (string $cell): string => mb_strimwidth(trim($cell), 0, 300, '…'), $cells),
                ];
            }
            $sheets[] = (object) ['name' => $sheet->name, 'rows' => $rows];
        }

        return (object) [
            'type' => $table->type->value,
            'mapping' => $mapping,
            'sheets' => $sheets,
            'wrong' => $this->wrong,
            'wrong_rows' => $this->wrongRows,
        ];
    }
}
