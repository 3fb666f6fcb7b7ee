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

    public function html(string $title, PaperKind $which, int|float $total): string
    {
        $school = $this->settings->school === '' ? '' : '<p class="school">'.Paper::text($this->settings->school).'</p>';
        if ($which !== PaperKind::Learner) {
            $named = Paper::text(self::named($which));

            return "<header>$school<h1>".Paper::text($title)."</h1><p class=\"which\">$named</p></header>";
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

    /** What a paper is called at its top and in its footer; nothing of the learner's. */
    public static function named(PaperKind $which): string
    {
        return match ($which) {
            PaperKind::Learner => '',
            PaperKind::Key => Message::of('printing.key'),
            PaperKind::Scheme => Message::of('printing.mark-scheme'),
            PaperKind::Notes => Message::of('printing.markers-notes'),
        };
    }
}
