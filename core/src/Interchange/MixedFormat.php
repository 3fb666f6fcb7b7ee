<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/** Reads a package that mixes versions: each resource goes to the reader of its version. */
final readonly class MixedFormat implements DividedFormat
{
    /** @param  non-empty-list<Format>  $formats  one per family */
    public function __construct(private array $formats)
    {
    }

    public function name(): string
    {
        return $this->formats[0]->name();
    }

    public function family(): string
    {
        return $this->formats[0]->family();
    }

    public function recognises(Source $source): bool
    {
        return array_filter($this->formats, fn (Format $format): bool => ! $format->recognises($source)) === [];
    }

    public function read(Source $source): iterable
    {
        foreach ($this->formats as $format) {
            yield from $format->read($source);
        }
    }

    public function parts(Source $source): PackageParts
    {
        return array_reduce(
            $this->formats,
            fn (PackageParts $all, Format $format): PackageParts => $format instanceof DividedFormat
                ? $all->with($format->parts($source))
                : $all,
            new PackageParts([]),
        );
    }
}
