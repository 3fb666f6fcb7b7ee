<?php

declare(strict_types=1);

namespace App\Infrastructure;

/** A process that answers each line by a line. What it has not taken yet is kept here, so that neither side waits for the other. */
final class LineProcess
{
    private const AT_ONCE = 65_536;

    private readonly PipedProcess $process;

    private string $given = '';

    private string $answered = '';

    private int $shares = 0;

    /**
     * @param  list<string>  $command
     * @param  resource  $err
     *
     * @throws ProcessEnded
     */
    public function __construct(array $command, mixed $err)
    {
        $this->process = PipedProcess::start($command, $err) ?? throw new ProcessEnded;
        stream_set_blocking($this->process->in, false);
        stream_set_chunk_size($this->process->out, self::AT_ONCE);
    }

    /** @return resource to wait for until it takes more */
    public function input(): mixed
    {
        return $this->process->in;
    }

    /** @return resource to wait for until it answers */
    public function output(): mixed
    {
        return $this->process->out;
    }

    public function give(string $lines): void
    {
        $this->given .= $lines;
        $this->shares++;
        $this->push();
    }

    /** How many times it was given lines whose answers are due. */
    public function shares(): int
    {
        return $this->shares;
    }

    /** Whether it has yet to take something. */
    public function isGiven(): bool
    {
        return $this->given !== '';
    }

    /** @throws ProcessEnded */
    public function push(): void
    {
        $written = @fwrite($this->process->in, $this->given);
        $this->given = $written === false ? throw new ProcessEnded : substr($this->given, $written);
    }

    /** @throws ProcessEnded */
    public function pull(): void
    {
        $read = (string) fread($this->process->out, self::AT_ONCE);
        $this->answered .= $read !== '' ? $read : throw new ProcessEnded;
    }

    /** The next answers, once there are so many. */
    public function answers(int $count): ?string
    {
        for ($end = 0; $count > 0; $count--) {
            $break = strpos($this->answered, "\n", $end);
            if ($break === false) {
                return null;
            }
            $end = $break + 1;
        }
        [$answers, $this->answered] = [substr($this->answered, 0, $end), substr($this->answered, $end)];
        $this->shares--;

        return $answers;
    }

    /** Nobody needs its answers any more. */
    public function kill(): void
    {
        $this->process->kill();
    }

    /** Its exit code, once nothing more comes. */
    public function end(): int
    {
        return $this->process->end();
    }
}
