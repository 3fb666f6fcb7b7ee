<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Pack;

use WideQuarry\Interchange\DividedFormat;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\PackageParts;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\WritableFormat;
use WideQuarry\Question\PartKinds;

/** Our own package: lossless, everything but access rights. core/schema/package.json says what is in it. */
final readonly class PackFormat implements DividedFormat, WritableFormat
{
    public function __construct(private PartKinds $kinds)
    {
    }

    public function name(): string
    {
        return 'pack';
    }

    public function family(): string
    {
        return 'pack';
    }

    public function canVary(): bool
    {
        return true;
    }

    public function recognises(Source $source): bool
    {
        return $source->isZip() && $source->zip()->has('package.json') && $source->zip()->has('questions.jsonl');
    }

    public function read(Source $source): iterable
    {
        $things = (new PackReader($this->kinds))->read($source->zip());

        return $source->choice->isEverything() ? $things : Division::of($source->zip(), $this->kinds)->chosen($source->choice, $things);
    }

    public function parts(Source $source): PackageParts
    {
        return Division::of($source->zip(), $this->kinds)->parts();
    }

    public function write(PackageContents $content, string $file): array
    {
        return (new PackWriter)->write($content, $file);
    }
}
