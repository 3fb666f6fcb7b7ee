<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use WideQuarry\Numbers\Exact;

/** What stands at the top of a paper. */
final readonly class TitleBlock
{
    public function __construct(private PrintedTest $test)
    {
    }

    public function html(PaperKind $which): string
    {
        $form = $this->test->form === null
            ? ''
            : '<p class="form-letter">'.Paper::text($this->test->words->say('form', ['letter' => $this->test->form])).'</p>';
        $named = $which === PaperKind::Learner ? '' : '<p class="which">'.Paper::text($this->test->words->say($which->word())).'</p>';
        $isFilled = in_array($which, [PaperKind::Learner, PaperKind::Answers], true);

        return "<header>$form{$this->school()}<h1>".
            Paper::text($this->test->assessment->title).
            "</h1>$named".
            ($isFilled ? $this->fields($which === PaperKind::Learner) : '').
            ($which === PaperKind::Learner ? $this->aids() : '').
            '</header>';
    }

    /** The school and the course, on a line. */
    public function school(): string
    {
        $settings = $this->test->settings;
        $named = implode(' · ', array_filter([$settings->school, $settings->course]));

        return $named === '' ? '' : '<p class="school">'.Paper::text($named).'</p>';
    }

    /** Lines for whoever answers, and for their points. */
    public function fields(bool $withScore): string
    {
        $settings = $this->test->settings;
        $fields = '';
        foreach (array_filter(['name' => $settings->name, 'group' => $settings->group, 'date' => $settings->date]) as $field => $isShown) {
            $label = Paper::text($this->test->words->say($field));
            $fields .= "<span class=\"field $field\">$label <span class=\"line\"></span></span>";
        }
        if ($withScore && $settings->score) {
            $said = Paper::text($this->test->words->say('score', [
                'line' => "\u{FFFC}",
                'total' => (string) Exact::number($this->test->total()),
            ]));
            $fields .= '<span class="field score">'.str_replace("\u{FFFC}", '<span class="line"></span>', $said).'</span>';
        }

        return $fields === '' ? '' : "<p class=\"fields\">$fields</p>";
    }

    public function aids(): string
    {
        $aids = trim($this->test->settings->aids);

        return $aids === '' ? '' : '<p class="aids">'.Paper::text($this->test->words->say('allowed', ['aids' => $aids])).'</p>';
    }
}
