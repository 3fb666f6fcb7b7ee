<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Case;

use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\WritableFormat;

/** Frameworks of standards: the JSON of CASE 1.0 and 1.1 (Competencies and Academic Standards Exchange, 1EdTech). */
final class CaseFormat implements WritableFormat
{
    public function name(): string
    {
        return 'case';
    }

    public function family(): string
    {
        return 'case';
    }

    public function canVary(): bool
    {
        return true; // it has no questions
    }

    public function recognises(Source $source): bool
    {
        return preg_match('/^(?:\xEF\xBB\xBF)?\s*[{\[]/', $source->head()) === 1 && self::names($source);
    }

    /** Whether one of the names of CASE stands in it; the items may come before the document, so more than the head is looked at. */
    private static function names(Source $source): bool
    {
        return preg_match('/"CF(Document|Items|Associations|Package|Packages)"\s*:/', $source->head()) === 1
            || preg_match('/"CF(Document|Items|Associations)"\s*:/', $source->bytes()) === 1;
    }

    public function read(Source $source): iterable
    {
        return (new CaseReader)->read($source);
    }

    public function write(PackageContents $content, string $file): array
    {
        return (new CaseWriter)->write($content, $file);
    }
}
