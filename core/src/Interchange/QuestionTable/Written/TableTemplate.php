<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Written;

/** A table to fill in: headings that are read without being told, and an example of each kind of question (examples.csv). */
final readonly class TableTemplate
{
    public const ALL = 'all';

    /**
     * @param  list<string>  $heading
     * @param  list<list<string>>  $rows
     */
    private function __construct(private array $heading, private array $rows)
    {
    }

    /** @return list<string> */
    public static function names(): array
    {
        return [self::ALL, ...array_map(fn (array $row): string => $row[0], array_slice(self::examples(), 1))];
    }

    public static function of(string $name): ?self
    {
        $examples = self::examples();
        $rows = array_values(array_filter(
            array_slice($examples, 1),
            fn (array $row): bool => in_array($name, [self::ALL, $row[0]], true),
        ));

        return $rows === [] ? null : new self(
            array_slice($examples[0], 1),
            array_map(fn (array $row): array => array_slice($row, 1), $rows),
        );
    }

    /** @return non-empty-list<non-empty-list<string>> the headings, then a row for each */
    private static function examples(): array
    {
        $lines = file(__DIR__.'/examples.csv', FILE_IGNORE_NEW_LINES);
        $rows = [];
        foreach ($lines === false ? [] : $lines as $line) {
            $rows[] = array_map(strval(...), str_getcsv($line, ',', '"', ''));
        }

        return $rows === [] ? throw new \LogicException('examples.csv is missing.') : $rows;
    }

    /** @param  'csv'|'xlsx'  $type */
    public function bytes(string $type): string
    {
        if ($type === 'csv') {
            return CsvFile::bytes($this->heading, $this->rows);
        }
        $file = (string) tempnam(sys_get_temp_dir(), 'template');
        try {
            XlsxFile::write($file, $this->heading, $this->rows);

            return (string) file_get_contents($file);
        } finally {
            unlink($file);
        }
    }
}
