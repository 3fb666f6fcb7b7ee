<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Mapping;

use WideQuarry\Interchange\QuestionTable\Rows\CellList;

/** Finds out how a table names the right options, over all its rows: "2" may be the second option, or the option that says 2. */
final class KeyStyles
{
    /**
     * @param  list<Column>  $columns
     * @param  array<int, list<string>>  $body
     */
    public static function of(array $columns, array $body): KeyStyle
    {
        $of = fn (Meaning ...$any): array => array_values(array_filter($columns, fn (Column $one): bool => in_array($one->is, $any, true)));
        $fits = ['words' => 0, 'letter' => 0, 'position' => 0, 'position from 0' => 0];
        $hasZero = false;
        foreach ($body as $cells) {
            $options = [];
            foreach ($of(Meaning::Option) as $column) {
                $options[] = trim($cells[$column->at] ?? '');
            }
            foreach ($of(Meaning::Options) as $column) {
                array_push($options, ...CellList::of($cells[$column->at] ?? ''));
            }
            while ($options !== [] && $options[count($options) - 1] === '') {
                array_pop($options);
            }
            foreach ($options === [] ? [] : $of(Meaning::Answer, Meaning::Right) as $column) {
                $key = trim($cells[$column->at] ?? '');
                foreach ($key === '' ? [] : self::fitting($key, $options) as $style) {
                    $fits[$style]++;
                }
                $hasZero = $hasZero || preg_match('/(?<!\d)0(?!\d)/', $key) === 1;
            }
        }
        if (! $hasZero) {
            $fits['position from 0'] = 0;
        }
        $best = max($fits);

        return $best === 0 ? KeyStyle::Letter : KeyStyle::from((string) array_search($best, $fits, true));
    }

    /**
     * @param  list<string>  $options
     * @return list<string>
     */
    private static function fitting(string $key, array $options): array
    {
        $count = count($options);
        $folded = array_map(mb_strtolower(...), $options);
        $has = fn (string $words): bool => in_array(mb_strtolower(trim($words)), $folded, true);
        $each = CellList::of($key);
        $numbers = preg_match('/^\d{1,2}(?:[\s,;|&]+\d{1,2})*$/', $key) === 1
            ? array_map(intval(...), preg_split('/\D+/', $key) ?: [])
            : [];
        $letters = preg_match('/^[A-Za-z](?:[\s,;|&]*[A-Za-z])*$/', $key) === 1 &&
            strlen((string) preg_replace('/[^A-Za-z]/', '', $key)) <= $count
            ? array_map(fn (string $one): int => ord(strtolower($one)) - 97, str_split((string) preg_replace('/[^A-Za-z]/', '', $key)))
            : [];

        return array_keys(array_filter([
            'words' => $has($key) || array_filter($each, $has) === $each,
            'letter' => $letters !== [] && max($letters) < $count,
            'position' => $numbers !== [] && min($numbers) > 0 && max($numbers) <= $count,
            'position from 0' => $numbers !== [] && max($numbers) < $count,
        ]));
    }
}
