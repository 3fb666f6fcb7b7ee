<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Mapping;

use WideQuarry\Interchange\QuestionTable\Sheets\CellAddress;
use WideQuarry\Interchange\QuestionTable\Sheets\Sheet;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** What the columns of one sheet hold, and where its rows begin. */
final readonly class SheetMapping implements \JsonSerializable
{
    /**
     * @param  int  $header  the row of the headings; 0 where there is none
     * @param  int  $first  the first row of questions
     * @param  bool  $perOption  whether a row is an option, not a question
     * @param  list<Column>  $columns
     * @param  string  $decimal  "." or ","
     */
    public function __construct(
        public string $sheet,
        public int $header,
        public int $first,
        public bool $perOption,
        public KeyStyle $keys,
        public string $decimal,
        public array $columns,
        public bool $isRead = true,
    ) {
    }

    /** @param  list<string>  $headings  of the sheet it is to be used for, to find columns that have moved; none to take the letters */
    public static function read(mixed $json, string $path, array $headings = []): self
    {
        $fields = Fields::of($json, $path, ['sheet', 'read', 'header', 'first', 'rows', 'keys', 'decimal', 'columns']);
        $header = $fields->int('header', 1, 0, Sheet::MOST_ROWS);
        $folded = array_map(self::folded(...), $headings);
        $columns = [];
        foreach ($fields->list('columns', Sheet::MOST_COLUMNS) as $i => $one) {
            $columns[] = self::column($one, $fields->at("columns/$i"), $folded);
        }

        return new self(
            $fields->string('sheet', '', 200),
            $header,
            $fields->int('first', $header + 1, 1, Sheet::MOST_ROWS),
            $fields->oneOf('rows', ['question', 'option'], 'question') === 'option',
            KeyStyle::from($fields->oneOf('keys', array_column(KeyStyle::cases(), 'value'), 'letter')),
            $fields->oneOf('decimal', ['.', ','], '.'),
            $columns,
            $fields->bool('read', true),
        );
    }

    /** @param  list<string>  $headings */
    private static function column(mixed $json, string $path, array $headings): Column
    {
        $fields = Fields::of($json, $path, ['column', 'heading', 'is', 'option']);
        $letters = $fields->need('column')->string('column', '', 3);
        $at = CellAddress::column($letters) ?? throw Malformed::notOneOf($fields->at('column'), ['A', 'B', 'C', '…'], $letters);
        $heading = $fields->string('heading', '', 1000);
        $named = $heading === '' ? [] : array_keys($headings, self::folded($heading), true);

        return new Column(
            count($named) === 1 ? $named[0] : $at,
            Meaning::from($fields->need('is')->oneOf('is', array_column(Meaning::cases(), 'value'), 'ignored')),
            $heading,
            $fields->has('option') ? $fields->int('option', 1, 1, 1000) : null,
        );
    }

    public function reading(bool $isRead): self
    {
        return new self(
            $this->sheet,
            $this->header,
            $this->first,
            $this->perOption,
            $this->keys,
            $this->decimal,
            $this->columns,
            $isRead,
        );
    }

    public function called(string $sheet): self
    {
        return new self(
            $sheet,
            $this->header,
            $this->first,
            $this->perOption,
            $this->keys,
            $this->decimal,
            $this->columns,
            $this->isRead,
        );
    }

    /** How a heading is compared with another. */
    public static function folded(string $heading): string
    {
        return mb_strtolower(trim((string) preg_replace('/[\s_\-:.*]+/u', ' ', $heading)));
    }

    /** @return list<Column> */
    public function all(Meaning $meaning): array
    {
        return array_values(array_filter($this->columns, fn (Column $column): bool => $column->is === $meaning));
    }

    public function has(Meaning ...$any): bool
    {
        return array_filter($this->columns, fn (Column $column): bool => in_array($column->is, $any, true)) !== [];
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            'sheet' => $this->sheet,
            'read' => $this->isRead,
            'header' => $this->header,
            'first' => $this->first,
            'rows' => $this->perOption ? 'option' : 'question',
            'keys' => $this->keys->value,
            'decimal' => $this->decimal,
            'columns' => $this->columns,
        ];
    }
}
