<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Mapping;

use WideQuarry\Interchange\QuestionTable\Sheets\Sheet;
use WideQuarry\Interchange\QuestionTable\Sheets\Spreadsheet;
use WideQuarry\Json\Fields;

/** How a whole table is to be read: guessed, or set by somebody and kept. */
final readonly class TableMapping implements \JsonSerializable
{
    /** @param  list<SheetMapping>  $sheets  as the table has them */
    private function __construct(public array $sheets, private string $separator, private string $encoding)
    {
    }

    public static function guess(Spreadsheet $table): self
    {
        $sheets = array_map(fn (Sheet $sheet): SheetMapping => MappingGuess::of($sheet), $table->sheets);
        // a sheet of notes beside one of questions
        if (array_filter($sheets, fn (SheetMapping $one): bool => $one->isRead) === [] && $sheets !== []) {
            $sheets[0] = $sheets[0]->reading(true);
        }

        return new self($sheets, $table->sheets[0]->separator ?? ',', $table->encoding);
    }

    /**
     * One that was kept, for this table: sheets go by their name, or else by their order; columns by their heading, or
     * else by their letter.
     *
     * @throws \WideQuarry\Json\Malformed
     */
    public static function read(mixed $json, Spreadsheet $table): self
    {
        $fields = Fields::of($json, '', ['separator', 'encoding', 'sheets']);
        $given = $fields->list('sheets', 200);
        $named = [];
        foreach ($given as $i => $one) {
            $named[SheetMapping::read($one, $fields->at("sheets/$i"))->sheet] = $i;
        }
        $sheets = [];
        foreach ($table->sheets as $i => $sheet) {
            $at = $named[$sheet->name] ?? (isset($given[$i]) && count($given) === count($table->sheets) ? $i : null);
            $at ??= count($given) === 1 && $i === 0 ? 0 : null;
            if ($at === null) {
                $sheets[] = MappingGuess::of($sheet)->reading(false);

                continue;
            }
            $read = SheetMapping::read($given[$at], $fields->at("sheets/$at"));
            $header = $read->header;
            if ($read->columns === []) {
                $sheets[] = MappingGuess::of($sheet, $header)->reading($read->isRead); // only its heading is known

                continue;
            }
            $headings = $sheet->first(max(1, $header + 1))[$header] ?? [];
            $sheets[] = SheetMapping::read($given[$at], $fields->at("sheets/$at"), $headings)->called($sheet->name);
        }

        return new self($sheets, $table->sheets[0]->separator ?? ',', $table->encoding);
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return ['separator' => $this->separator, 'encoding' => $this->encoding, 'sheets' => $this->sheets];
    }
}
