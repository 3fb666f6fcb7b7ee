<?php

declare(strict_types=1);

namespace WideQuarry\CommandLine;

/** Where a command reads and writes. */
final readonly class Streams
{
    /**
     * @param  resource  $in
     * @param  resource  $out
     * @param  resource  $err
     */
    public function __construct(public mixed $in, public mixed $out, public mixed $err)
    {
    }

    /** @throws OutputClosed */
    public function line(string $text): void
    {
        $this->write($text."\n");
    }

    /** @throws OutputClosed */
    public function write(string $bytes): void
    {
        if (@fwrite($this->out, $bytes) === false) {
            throw new OutputClosed;
        }
    }

    /** A named file, or standard input for "-". */
    public function contents(string $file): ?string
    {
        $bytes =
            $file === '-' ? stream_get_contents($this->in) : (! is_dir($file) && is_readable($file) ? file_get_contents($file) : false);

        return $bytes === false ? null : $bytes;
    }
}
