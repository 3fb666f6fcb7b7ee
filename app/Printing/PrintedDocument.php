<?php

declare(strict_types=1);

namespace App\Printing;

/** One document that holds papers, one after the other. */
final readonly class PrintedDocument
{
    /**
     * @param  string  $body  what stands in it, without what makes it pages
     * @param  non-empty-list<PaperInDocument>  $papers
     * @param  array<string, int>  $revisions  question → the one that is printed
     * @param  array<string, array{shrunk: bool, lines: int}>  $questions  as the document calls them
     */
    public function __construct(
        public string $html,
        public string $body,
        public array $papers,
        public array $revisions,
        public array $questions,
    ) {
    }
}
