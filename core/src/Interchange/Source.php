<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use WideQuarry\Interchange\Package\SafeZip;

/** A file to be read, opened once. */
final class Source
{
    private ?SafeZip $zip = null;

    private ?string $head = null;

    /** @var array{int, int} */
    private array $reached = [0, 1];

    /** @param  list<SafeZip>  $beside  packages of pictures that were given with it */
    public function __construct(
        public readonly string $file,
        public readonly string $name,
        public readonly array $beside = [],
        public readonly PartChoice $choice = new PartChoice,
    ) {
    }

    public function isZip(): bool
    {
        return str_starts_with($this->head(), "PK\x03\x04") || str_starts_with($this->head(), "PK\x05\x06");
    }

    /** @throws UnreadableFile */
    public function zip(): SafeZip
    {
        return $this->zip ??= SafeZip::open($this->file, null, $this->name);
    }

    /** The first 4,000 bytes. */
    public function head(): string
    {
        return $this->head ??=
            is_file($this->file) && is_readable($this->file)
                ? (string) file_get_contents($this->file, false, null, 0, 4000)
                : throw UnreadableFile::notFound($this->name);
    }

    public function bytes(): string
    {
        return filesize($this->file) > 200_000_000 ? throw UnreadableFile::tooLarge(200) : (string) file_get_contents($this->file);
    }

    /** Said by readers of files that are no packages. */
    public function reached(int $done, int $of): void
    {
        $this->reached = [$done, max(1, $of)];
    }

    /**
     * How far a reader has come: unpacked bytes of a package, bytes of another file.
     *
     * @return array{int, int} read, of how many; never more than there are
     */
    public function progress(): array
    {
        $size = (int) filesize($this->file);

        return $this->zip !== null
            ? [min($this->zip->taken(), $this->zip->bytes), $this->zip->bytes]
            : [(int) ($size * min(1, $this->reached[0] / $this->reached[1])), $size];
    }
}
