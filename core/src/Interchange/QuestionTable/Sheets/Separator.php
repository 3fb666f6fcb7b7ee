<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Sheets;

/** What stands between the cells of a table that is text: that by which most rows have the same number of cells, and more than one. */
final class Separator
{
    private const ALL = ["\t", ';', ',', '|'];

    private const ROWS = 40;

    public static function of(string $text): string
    {
        return self::found($text)[0] ?? ',';
    }

    /** @return array{string, int, float}|null the separator, how many cells most rows have, and the share of rows that do */
    public static function found(string $text): ?array
    {
        $best = null;
        $most = 0.0;
        foreach (self::ALL as $separator) {
            $counts = self::counts($text, $separator);
            if ($counts === []) {
                continue;
            }
            $times = array_count_values($counts);
            arsort($times);
            $usual = (int) array_key_first($times);
            $share = $times[$usual] / count($counts);
            $score = $usual < 2 ? 0.0 : $share * min(12, $usual) ** 0.5;
            if ($score > $most) {
                [$best, $most] = [[$separator, $usual, $share], $score];
            }
        }

        return $best;
    }

    /** @return list<int> cells of the first rows that have any */
    private static function counts(string $text, string $separator): array
    {
        $stream = fopen('php://memory', 'r+');
        assert($stream !== false);
        fwrite($stream, substr($text, 0, 200_000));
        rewind($stream);
        $counts = [];
        while (count($counts) < self::ROWS && ($cells = fgetcsv($stream, null, $separator, '"', '')) !== false) {
            if (trim(implode('', $cells)) !== '' && (count($counts) < 2 || ! feof($stream))) {
                $counts[] = count($cells);
            }
        }
        fclose($stream);

        return $counts;
    }
}
