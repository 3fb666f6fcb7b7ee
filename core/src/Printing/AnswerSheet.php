<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use WideQuarry\CoreException;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Question\Part;

/** A sheet of circles, one for each option of each question; what is written has a line that says where. */
final readonly class AnswerSheet
{
    public function __construct(private Presenter $presenter, private PrintedTest $test)
    {
    }

    public function html(): string
    {
        $rows = '';
        $section = null;
        foreach ($this->test->questions() as $entry => [$item, $of]) {
            if ($of !== $section && $of->title !== '') {
                $rows .= '<h2>'.Paper::text($of->title).'</h2>';
            }
            $section = $of;
            $rows .= $this->question($this->test->label($entry), $item);
        }

        return '<p class="how">'.Paper::text($this->test->words->say('fill'))."</p><div class=\"circles\">$rows</div>";
    }

    private function question(string $label, PrintedQuestion $item): string
    {
        assert($item->question !== null);
        try {
            $shown = $this->presenter->present($item->question, $this->test->settings->seedOf($item->entry))['parts'];
        } catch (CoreException) {
            $shown = []; // the learner's sheet says why
        }
        $lines = [];
        $asked = array_filter($item->question->parts, fn (Part $one): bool => ! $item->question->scoring->isInstead($one->id));
        foreach (array_intersect_key($asked, $shown) as $i => $part) {
            $labels = $part->kind instanceof PrintableKind
                ? $part->kind->answerLabels($part, (array) $shown[$i]['settings'])
                : [];
            $named = count($asked) > 1 ? ($part->label !== '' ? $part->label : '('.($i + 1).')') : '';
            $lines[] = [$named, $labels];
        }
        $isWritten = array_filter($lines, fn (array $line): bool => $line[1] !== []) === [];
        $html = $isWritten
            ? '<span class="written">'.Paper::text($this->test->words->say('written')).'</span>'
            : implode('', array_map(fn (array $line): string => $this->line(...$line), $lines));

        return '<div class="row"><span class="number">'.Paper::text($label).".</span><span class=\"lines\">$html</span></div>";
    }

    /** @param  list<string>  $labels */
    private function line(string $named, array $labels): string
    {
        $circles = implode('', array_map(fn (string $one): string => '<span class="circle">'.Paper::text($one).'</span>', $labels));
        $said = $labels === [] ? '<span class="written">'.Paper::text($this->test->words->say('written')).'</span>' : $circles;

        return '<span class="line">'.($named === '' ? '' : '<span class="part">'.Paper::text($named).'</span>')."$said</span>";
    }
}
