<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use WideQuarry\Forms\Form;
use WideQuarry\Forms\FormEntry;
use WideQuarry\Forms\FormSet;

/** The keys of all forms beside one another, a line for each question of the assessment: its number and its letters on each form. */
final readonly class KeyTable
{
    public function __construct(private PrintedTest $test)
    {
    }

    public function html(?FormSet $forms): string
    {
        if ($forms === null) {
            return '';
        }
        $head = implode('', array_map(fn (Form $form): string => '<th scope="col">'.Paper::text(
            $this->test->words->say('form', ['letter' => $form->letter]),
        ).'</th>', $forms->forms));
        $question = Paper::text($this->test->words->say('question'));
        $rows = '';
        foreach (self::byMaster($forms) as $master => $entries) {
            $cells = implode('', array_map(fn (Form $form): string => self::cell($entries[$form->letter] ?? null), $forms->forms));
            $rows .= "<tr><th scope=\"row\">$master.</th>$cells</tr>";
        }

        return "<table class=\"key-table\"><thead><tr><th scope=\"col\">$question</th>$head</tr></thead><tbody>$rows</tbody></table>";
    }

    /** @return array<int, array<string, FormEntry>> number in the assessment → form → its entry there */
    private static function byMaster(FormSet $forms): array
    {
        $rows = [];
        foreach ($forms->forms as $form) {
            foreach ($form->entries as $entry) {
                if ($entry->master !== null) {
                    $rows[$entry->master][$form->letter] = $entry;
                }
            }
        }
        ksort($rows);

        return $rows;
    }

    private static function cell(?FormEntry $entry): string
    {
        if ($entry === null) {
            return '<td></td>';
        }
        $letters = implode('; ', array_map(fn (array $key): string => implode(', ', $key), $entry->key));

        return "<td>$entry->number.".($letters === '' ? '' : ' <strong>'.Paper::text($letters).'</strong>').'</td>';
    }
}
