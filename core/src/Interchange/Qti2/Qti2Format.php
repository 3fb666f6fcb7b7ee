<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti2;

use WideQuarry\Interchange\DividedFormat;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\PackageParts;
use WideQuarry\Interchange\Qti30\Dialects;
use WideQuarry\Interchange\Qti30\Documents;
use WideQuarry\Interchange\Qti30\Edition;
use WideQuarry\Interchange\Qti30\PackageReader;
use WideQuarry\Interchange\Qti30\PackageWriter;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\WritableFormat;
use WideQuarry\Question\PartKinds;

/** QTI 2.1 or 2.2 of IMS: items and packages. Both are read by either; each is written by one. */
final readonly class Qti2Format implements DividedFormat, WritableFormat
{
    private function __construct(private PartKinds $kinds, private Edition $edition)
    {
    }

    public static function v21(PartKinds $kinds): self
    {
        return new self($kinds, Edition2::v21());
    }

    public static function v22(PartKinds $kinds): self
    {
        return new self($kinds, Edition2::v22());
    }

    public function name(): string
    {
        return $this->edition->format();
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
        $found = $source->isZip() ? Documents::formats($source->zip()) : Dialects::format($source->head());

        return in_array($this->edition->format(), (array) $found, true) ||
            (in_array('qti20', (array) $found, true) && $this->edition->format() === 'qti21');
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
        return (new PackageWriter($this->kinds, $this->edition))->write($content, $file);
    }
}
