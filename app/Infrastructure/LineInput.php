<?php

declare(strict_types=1);

namespace App\Infrastructure;

/** Whole lines of a stream, as many as come together. */
final class LineInput
{
    private const AT_ONCE = 65_536;

    /** Whoever writes lines as fast as possible writes again within this time. */
    private const PATIENCE_MS = 5;

    private string $rest = '';

    private bool $hasEnded = false;

    /** @param  resource  $stream */
    public function __construct(private readonly mixed $stream)
    {
        stream_set_chunk_size($stream, self::AT_ONCE);
    }

    public function hasEnded(): bool
    {
        return $this->hasEnded;
    }

    /** The lines that are there or come now; waits until there is something. The last line of a stream need not end as a line does. */
    public function next(): string
    {
        $read = (string) fread($this->stream, self::AT_ONCE);
        $this->hasEnded = $read === '' && feof($this->stream);
        $end = strrpos($read, "\n");
        if ($end === false) {
            $this->rest .= $read;

            return $this->hasEnded && $this->rest !== '' ? $this->lastLine() : '';
        }
        $lines = $this->rest.substr($read, 0, $end + 1);
        $this->rest = substr($read, $end + 1);

        return $lines;
    }

    /** Lines of at least so many bytes, or fewer where the next are not there yet. */
    public function atOnce(int $bytes): string
    {
        $lines = '';
        do {
            $lines .= $this->next();
            $isMore = ! $this->hasEnded && ($lines === '' || $this->isThere());
        } while ($isMore && strlen($lines) < $bytes);

        return $lines;
    }

    /**
     * Lines in portions of about so many bytes.
     *
     * @return iterable<string>
     */
    public static function shares(string $lines, float $bytes): iterable
    {
        for ($at = 0; $at < strlen($lines); $at = $end) {
            $break = strpos($lines, "\n", (int) min($at + $bytes, strlen($lines) - 1));
            $end = $break === false ? strlen($lines) : $break + 1;
            yield substr($lines, $at, $end - $at);
        }
    }

    /** How many lines have something in them. */
    public static function count(string $lines): int
    {
        return (int) preg_match_all('/[^ \t\r\x0B\x00\n][^\n]*+/', $lines);
    }

    private function isThere(): bool
    {
        [$read, $write, $except] = [[$this->stream], [], []];

        return stream_select($read, $write, $except, 0, self::PATIENCE_MS * 1000) > 0;
    }

    private function lastLine(): string
    {
        [$line, $this->rest] = ["$this->rest\n", ''];

        return $line;
    }
}
