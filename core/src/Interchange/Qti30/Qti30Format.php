<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Interchange\DividedFormat;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\PackageParts;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\WritableFormat;
use WideQuarry\Question\PartKinds;

/** QTI 3.0 of 1EdTech: items and packages. */
final readonly class Qti30Format implements DividedFormat, WritableFormat
{
    public const NAMESPACE = 'http://www.imsglobal.org/xsd/imsqtiasi_v3p0';

    public function __construct(private PartKinds $kinds)
    {
    }

    public function name(): string
    {
        return 'qti30';
    }

    public function family(): string
    {
        return 'qti2';
    }

    public function canVary(): bool
    {
        return true;
    }

    public function recognises(Source $source): bool
    {
        return in_array('qti30', $source->isZip() ? Documents::formats($source->zip()) : [Dialects::format($source->head())], true);
    }

    public function read(Source $source): iterable
    {
        return (new PackageReader($this->kinds))->read($source);
    }

    public function parts(Source $source): PackageParts
    {
        return (new PackageReader($this->kinds))->parts($source);
    }

    public function write(PackageContents $content, string $file): array
    {
        return (new PackageWriter($this->kinds, new Edition30))->write($content, $file);
    }
}
