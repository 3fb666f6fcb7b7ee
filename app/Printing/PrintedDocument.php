<?php

declare(strict_types=1);

namespace App\Printing;

use WideQuarry\Printing\PaperKind;

/** One document that holds papers, one after the other. */
final readonly class PrintedDocument
{
    /**
     * @param  string  $body  what stands in it, without what makes it pages
     * @param  list<array{which: PaperKind, form: string|null, id: string, prefix: string, entries: list<string>}>  $papers  id: of its
     *     beginning; entries: those that stand on it, whose identifiers begin with the prefix
     * @param  array<string, int>  $revisions  question → the one that is printed
     */
    public function __construct(public string $html, public string $body, public array $papers, public array $revisions)
    {
    }
}
