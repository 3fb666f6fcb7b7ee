<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Package;

/** Writes a ZIP whose bytes depend on its content alone: no clock, no owner, entries in the order given. */
final class ZipWriter
{
    private \ZipArchive $zip;

    public function __construct(private readonly string $file)
    {
        $this->zip = new \ZipArchive;
        if ($this->zip->open($file, \ZipArchive::CREATE | \ZipArchive::OVERWRITE) !== true) {
            throw new \RuntimeException("$file cannot be written.");
        }
    }

    public function add(string $name, string $bytes, bool $compress = true): void
    {
        $this->zip->addFromString($name, $bytes);
        $this->zip->setMtimeName($name, 315532800); // 1 January 1980, the first day a ZIP can name
        $this->zip->setCompressionName($name, $compress ? \ZipArchive::CM_DEFLATE : \ZipArchive::CM_STORE);
        $this->zip->setExternalAttributesName($name, \ZipArchive::OPSYS_UNIX, 0100644 << 16);
    }

    public function close(): void
    {
        if (! $this->zip->close()) {
            throw new \RuntimeException("$this->file cannot be written.");
        }
    }
}
