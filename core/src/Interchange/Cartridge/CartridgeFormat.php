<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Cartridge;

use WideQuarry\Interchange\DividedFormat;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\PackageParts;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\WritableFormat;
use WideQuarry\Question\PartKinds;

/** Common Cartridge of IMS: question banks and assessments of 1.0 to 1.3 are read, 1.3 is written. */
final readonly class CartridgeFormat implements DividedFormat, WritableFormat
{
    public function __construct(private PartKinds $kinds)
    {
    }

    public function name(): string
    {
        return 'cc13';
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
        return $source->isZip() &&
            $source->zip()->has('imsmanifest.xml') &&
            preg_match(
                '~<(?:\w+:)?schema>\s*IMS (?:Thin )?(?:Common Cartridge|CC)|imscc_xmlv1p\d/(?:assessment|question-bank)~i',
                $source->zip()->read('imsmanifest.xml'),
            ) === 1;
    }

    public function read(Source $source): iterable
    {
        return (new CartridgeReader($this->kinds))->read($source);
    }

    public function parts(Source $source): PackageParts
    {
        return (new CartridgeReader($this->kinds))->parts($source);
    }

    public function write(PackageContents $content, string $file): array
    {
        return (new CartridgeWriter($this->kinds))->write($content, $file);
    }
}
