<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Interchange\DividedFormat;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\PackageParts;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\WritableFormat;
use WideQuarry\Question\PartKinds;

/** QTI 1.2.1 of IMS: one document, or a package of several. */
final readonly class Qti12Format implements DividedFormat, WritableFormat
{
    public function __construct(private PartKinds $kinds)
    {
    }

    public function name(): string
    {
        return 'qti12';
    }

    public function family(): string
    {
        return 'qti1';
    }

    public function canVary(): bool
    {
        return false;
    }

    public function recognises(Source $source): bool
    {
        return $source->isZip()
            ? PackageReader::documents($source->zip()) !== []
            : preg_match('/<(?:\w+:)?questestinterop[\s>]/i', str_replace("\0", '', $source->head())) === 1;
    }

    public function read(Source $source): iterable
    {
        return (new PackageReader($this->kinds))->read($source);
    }

    public function parts(Source $source): PackageParts
    {
        return new PackageParts((new PackageReader($this->kinds))->parts($source));
    }

    public function write(PackageContents $content, string $file): array
    {
        return (new PackageWriter($this->kinds))->write($content, $file);
    }
}
