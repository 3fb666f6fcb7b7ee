<?php

declare(strict_types=1);

namespace App\Infrastructure;

use App\Indexing\PreparedChunk;
use App\Indexing\QuestionChunk;

/**
 * A process beside this one that prepares rows, a line in and a line out. It is at one chunk at a time, so neither waits for the other to
 * read.
 */
final class RowProcess
{
    private ?QuestionChunk $at = null;

    private function __construct(private readonly PipedProcess $process)
    {
    }

    /** @return list<self> as many as can be started; none in a web request, which is too short for them */
    public static function start(int $wanted): array
    {
        if (PHP_SAPI !== 'cli') {
            return []; // PHP_BINARY is the server then
        }
        $started = [];
        $command = [PHP_BINARY, '-d', 'memory_limit=256M', base_path('bootstrap/rows.php')];
        for ($i = 0; $i < $wanted; $i++) {
            $process = PipedProcess::start($command, ['file', '/dev/null', 'w'], base_path());
            if ($process !== null) {
                $started[] = new self($process);
            }
        }

        return $started;
    }

    /**
     * One that is at nothing, or the first of all to have an answer, or to have died.
     *
     * @param  non-empty-list<self>  $processes
     */
    public static function firstFree(array $processes): self
    {
        foreach ($processes as $process) {
            if ($process->at === null) {
                return $process;
            }
        }
        [$read, $write, $except] = [array_map(fn (self $process): mixed => $process->process->out, $processes), null, null];
        @stream_select($read, $write, $except, null); // one that dies has an end to read

        return $processes[(int) array_key_first($read)];
    }

    /** @return bool false when it has died */
    public function begin(QuestionChunk $chunk): bool
    {
        $line = $chunk->asked();
        $isTaken = @fwrite($this->process->in, $line) === strlen($line) && @fflush($this->process->in);
        $this->at = $isTaken ? $chunk : null;

        return $isTaken;
    }

    /** @return QuestionChunk|null what it was at, made where it came to an end */
    public function finish(): ?QuestionChunk
    {
        [$chunk, $this->at] = [$this->at, null];
        if ($chunk !== null) {
            $line = @fgets($this->process->out);
            $chunk->made = is_string($line) && str_ends_with($line, "\n") ? PreparedChunk::read($line) : null;
        }

        return $chunk;
    }

    public function end(): void
    {
        $this->process->kill();
    }
}
