<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

/** What stands at the top of a sheet. */
final readonly class TitleBlock
{
    public function __construct(private PrintSettings $settings)
    {
    }

    /** @param  'learner'|'key'  $which */
    public function html(string $title, string $which, int|float $total): string
    {
        $school = $this->settings->school === '' ? '' : '<p class="school">'.Paper::text($this->settings->school).'</p>';
        if ($which === 'key') {
            return "<header>$school<h1>".Paper::text($title).'</h1><p class="which">Key</p></header>';
        }
        $fields = '';
        foreach (['name' => 'Name', 'date' => 'Date'] as $field => $label) {
            $fields .= $this->settings->{$field} ? "<span class=\"field $field\">$label <span class=\"line\"></span></span>" : '';
        }
        $fields .= $this->settings->score ? "<span class=\"field score\">Points <span class=\"line\"></span> of $total</span>" : '';

        return "<header>$school<h1>".
            Paper::text($title).
            '</h1>'.
            ($fields === '' ? '' : "<p class=\"fields\">$fields</p>").
            '</header>';
    }
}
