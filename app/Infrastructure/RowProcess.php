<?php

declare(strict_types=1);

namespace App\Infrastructure;

use App\Indexing\PreparedChunk;
use App\Indexing\QuestionChunk;

/**
 * A process beside this one that prepares rows, a line in and a line out. It is at one chunk at a time, so neither waits for the other to
 * read. When this process is killed, its input ends, and it ends too.
 */
final class RowProcess
{
    private ?QuestionChunk $at = null;

    /**
     * @param  resource  $process
     * @param  resource  $in
     * @param  resource  $out
     */
    private function __construct(private readonly mixed $process, private readonly mixed $in, private readonly mixed $out)
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
            $process = @proc_open($command, [['pipe', 'r'], ['pipe', 'w'], ['file', '/dev/null', 'w']], $pipes, base_path());
            if (is_resource($process)) {
                $started[] = new self($process, $pipes[0], $pipes[1]);
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
        [$read, $write, $except] = [array_map(fn (self $process): mixed => $process->out, $processes), null, null];
        @stream_select($read, $write, $except, null); // one that dies has an end to read

        return $processes[(int) array_key_first($read)];
    }

    /** @return bool false when it has died */
    public function begin(QuestionChunk $chunk): bool
    {
        $line = $chunk->asked();
        $isTaken = @fwrite($this->in, $line) === strlen($line) && @fflush($this->in);
        $this->at = $isTaken ? $chunk : null;

        return $isTaken;
    }

    /** @return QuestionChunk|null what it was at, made where it came to an end */
    public function finish(): ?QuestionChunk
    {
        [$chunk, $this->at] = [$this->at, null];
        if ($chunk !== null) {
            $line = @fgets($this->out);
            $chunk->made = is_string($line) && str_ends_with($line, "\n") ? PreparedChunk::read($line) : null;
        }

        return $chunk;
    }

    public function end(): void
    {
        @fclose($this->in);
        @fclose($this->out);
        @proc_terminate($this->process, SIGKILL);
        @proc_close($this->process);
    }
}
