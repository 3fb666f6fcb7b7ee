<?php

declare(strict_types=1);

namespace App\Printing;

use WideQuarry\Printing\PaperKind;
use WideQuarry\Printing\PrintedTest;

/** One of the papers that a document holds, and what of it can be linked to. */
final readonly class PaperInDocument
{
    /**
     * @param  string|null  $form  its letter
     * @param  string  $id  of its beginning
     * @param  string  $prefix  what the identifiers of its entries begin with
     * @param  array<string, string>  $entries  those that stand on it → their numbers as printed; '' of a page of text
     * @param  int  $columns  it is set in
     * @param  list<string>  $facing  identifiers of shared texts that are to stand on left pages
     */
    public function __construct(
        public PaperKind $which,
        public ?string $form,
        public string $id,
        public string $prefix,
        public array $entries,
        public array $facing,
        public int $columns = 1,
    ) {
    }

    public static function of(PaperKind $which, PrintedTest $test, string $id, string $prefix): self
    {
        $labels = [];
        foreach ($test->assessment->picks() as $pick) {
            $labels[$pick->id] = $test->label($pick->id);
        }

        return new self(
            $which,
            $which->isOfForm() ? $test->form : null,
            $id,
            $prefix,
            $labels,
            $which === PaperKind::Learner ? $test->facing() : [],
            $which === PaperKind::Learner ? $test->settings->columns : 1,
        );
    }
}
