<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Mapping;

/** A column of a table and what it holds. */
final readonly class Column implements \JsonSerializable
{
    /**
     * @param  int  $at  from 0
     * @param  int|null  $for  of marks and feedback: which option it belongs to, from 1
     */
    public function __construct(public int $at, public Meaning $is, public string $heading = '', public ?int $for = null)
    {
    }

    /** @return array{column: string, heading: string, is: string, option?: int} */
    public function jsonSerialize(): array
    {
        return [
            'column' => \WideQuarry\Interchange\QuestionTable\Sheets\CellAddress::letters($this->at),
            'heading' => $this->heading,
            'is' => $this->is->value,
            ...$this->for === null ? [] : ['option' => $this->for],
        ];
    }
}
