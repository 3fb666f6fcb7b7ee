<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use WideQuarry\Messages\Message;

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
            $which = Paper::text(Message::of('printing.key'));

            return "<header>$school<h1>".Paper::text($title)."</h1><p class=\"which\">$which</p></header>";
        }
        $fields = '';
        foreach (['name', 'date'] as $field) {
            $label = Paper::text(Message::of("printing.$field"));
            $fields .= $this->settings->{$field} ? "<span class=\"field $field\">$label <span class=\"line\"></span></span>" : '';
        }
        $points = Message::of('printing.points-of', ['line' => '<span class="line"></span>', 'total' => (string) $total]);
        $fields .= $this->settings->score ? "<span class=\"field score\">$points</span>" : '';

        return "<header>$school<h1>".
            Paper::text($title).
            '</h1>'.
            ($fields === '' ? '' : "<p class=\"fields\">$fields</p>").
            '</header>';
    }
}
