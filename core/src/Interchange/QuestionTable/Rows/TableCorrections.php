<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Rows;

use WideQuarry\Interchange\QuestionTable\Sheets\CellAddress;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** What somebody set right of a table: how it is read, what single cells should say, and which rows are none of it. */
final readonly class TableCorrections implements \JsonSerializable
{
    public const MOST = 20_000;

    /**
     * @param  mixed  $mapping  as JSON; null to guess
     * @param  array<string, string>  $cells  "C7", or "Rivers!C7" where several sheets are read → what it should say
     * @param  array<string, true>  $skipped  "7" or "Rivers!7"
     */
    public function __construct(public mixed $mapping = null, public array $cells = [], public array $skipped = [])
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json): self
    {
        $fields = Fields::of($json, '', ['mapping', 'cells', 'skipped']);
        $cells = [];
        $given = $fields->raw('cells');
        foreach ($given instanceof \stdClass ? get_object_vars($given) : [] as $address => $text) {
            $address = (string) $address;
            if (! is_string($text) || CellAddress::read(self::within($address)) === null || count($cells) >= self::MOST) {
                throw Malformed::wrongType("/cells/$address", 'text', $text);
            }
            $cells[$address] = $text;
        }

        return new self($fields->raw('mapping'), $cells, array_fill_keys($fields->strings('skipped', self::MOST), true));
    }

    /** The address without its sheet. */
    public static function within(string $address): string
    {
        $at = strrpos($address, '!');

        return $at === false ? $address : substr($address, $at + 1);
    }

    public function cell(string $sheet, string $address): ?string
    {
        return $this->cells[$sheet === '' ? $address : "$sheet!$address"] ?? null;
    }

    public function skips(string $sheet, int $row): bool
    {
        return isset($this->skipped[$sheet === '' ? (string) $row : "$sheet!$row"]);
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            ...$this->mapping === null ? [] : ['mapping' => $this->mapping],
            'cells' => (object) $this->cells,
            'skipped' => array_map(strval(...), array_keys($this->skipped)),
        ];
    }
}
