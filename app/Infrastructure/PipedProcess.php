<?php

declare(strict_types=1);

namespace App\Infrastructure;

/** A program beside this one that is written to and read from. When this process is killed, its input ends, and it ends too. */
final readonly class PipedProcess
{
    /**
     * @param  resource  $process
     * @param  resource  $in
     * @param  resource  $out
     */
    private function __construct(private mixed $process, public mixed $in, public mixed $out)
    {
    }

    /**
     * @param  list<string>  $command
     * @param  resource|array{string, string, string}  $err  where its errors go, as proc_open takes it
     * @return self|null null where it cannot be started
     */
    public static function start(array $command, mixed $err, ?string $folder = null): ?self
    {
        $process = @proc_open($command, [['pipe', 'r'], ['pipe', 'w'], $err], $pipes, $folder);

        return is_resource($process) ? new self($process, $pipes[0], $pipes[1]) : null;
    }

    /** Nobody needs what it is at. */
    public function kill(): void
    {
        @fclose($this->in);
        @fclose($this->out);
        proc_terminate($this->process, SIGKILL);
        proc_close($this->process);
    }

    /** Its exit code, once it has seen the end of its input. */
    public function end(): int
    {
        fclose($this->in);

        return proc_close($this->process);
    }
}
