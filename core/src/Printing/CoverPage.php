<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use WideQuarry\Content\RichText;

/** A first page: what it is, for whom, how long, what for, and what is allowed. */
final readonly class CoverPage
{
    public function __construct(private PrintedTest $test)
    {
    }

    public function html(): string
    {
        $title = new TitleBlock($this->test);
        $said = [];
        if ($this->test->form !== null) {
            $said[] = '<p class="form-letter">'.Paper::text($this->test->words->say('form', ['letter' => $this->test->form])).'</p>';
        }
        $limit = $this->test->assessment->timeLimit;
        if ($limit !== null) {
            $said[] = '<p>'.Paper::text($this->test->words->say('minutes', ['minutes' => (int) ceil($limit / 60)])).'</p>';
        }
        if (! $this->test->total()->isZero()) {
            $said[] = '<p>'.Paper::text($this->test->points($this->test->total())).'</p>';
        }
        $instructions = RichText::read($this->test->assessment->instructions)->html();

        return '<section class="cover-page">'.
            $title->school().
            '<h1>'.Paper::text($this->test->assessment->title).'</h1>'.
            implode('', $said).
            $title->fields(true).
            $title->aids().
            ($instructions === '' ? '' : "<div class=\"instructions\">$instructions</div>").
            '</section>';
    }
}
