<?php

declare(strict_types=1);

namespace App\Infrastructure;

use WideQuarry\CommandLine\OutputClosed;
use WideQuarry\CommandLine\Streams;

/**
 * A command that answers each line by a line, run by several processes at once; answers keep the order of the lines. A few lines, or lines
 * that come one by one from somebody who waits for each answer, are not worth a process: these are answered here.
 */
final class LineProcesses
{
    /** As many bytes of lines as it takes to be worth starting processes, which takes as long as some 200 lines. */
    private const MANY = 262_144;

    /** Lines a process has at once: those it works on, and the next. */
    private const SHARES = 2;

    /** @var list<LineProcess> */
    private array $processes = [];

    /** @var list<array{LineProcess, int}> who answers next, and how many lines */
    private array $due = [];

    private bool $isFailed = false;

    /**
     * @param  list<string>  $command  how one process is started
     * @param  \Closure(Streams): int  $alone  the same command in this process
     */
    public function __construct(
        private readonly array $command,
        private readonly int $count,
        private readonly \Closure $alone,
        private readonly Streams $streams,
    ) {
    }

    /**
     * @return int 1 where a line could not be answered, else 0
     *
     * @throws ProcessEnded|OutputClosed
     */
    public function run(): int
    {
        $input = new LineInput($this->streams->in);
        do {
            $lines = $input->atOnce(self::MANY);
            if (strlen($lines) < self::MANY) {
                $this->answer($lines);
            } else {
                $this->shareOrKill($lines, $input);
            }
        } while (! $input->hasEnded());

        return $this->isFailed ? 1 : 0;
    }

    /** @throws OutputClosed */
    private function answer(string $lines): void
    {
        /** @var resource $in */
        $in = fopen('php://memory', 'r+');
        fwrite($in, $lines);
        rewind($in);
        $code = ($this->alone)(new Streams($in, $this->streams->out, $this->streams->err));
        if ($code === OutputClosed::CODE) {
            throw new OutputClosed;
        }
        $this->isFailed = $this->isFailed || $code !== 0;
    }

    /** @throws ProcessEnded|OutputClosed after the others were ended, whose answers nobody waits for any more */
    private function shareOrKill(string $lines, LineInput $input): void
    {
        try {
            $this->share($lines, $input);
        } catch (ProcessEnded|OutputClosed $ended) {
            foreach ($this->processes as $process) {
                $process->kill();
            }
            throw $ended;
        }
        $this->end();
    }

    /** @throws ProcessEnded|OutputClosed */
    private function share(string $lines, LineInput $input): void
    {
        for ($i = 0; $i < $this->count; $i++) {
            $this->processes[] = new LineProcess($this->command, $this->streams->err);
        }
        foreach (LineInput::shares($lines, self::MANY / $this->count / self::SHARES) as $share) {
            $this->give($share);
        }
        while ($this->due !== [] || ! $input->hasEnded()) {
            $this->exchange($input);
        }
    }

    private function end(): void
    {
        foreach ($this->processes as $process) {
            $code = $process->end();
            $this->isFailed = $this->isFailed || $code !== 0;
        }
    }

    private function give(string $lines): void
    {
        $count = LineInput::count($lines);
        if ($count > 0) {
            $process = $this->leastBusy();
            $process->give($lines);
            $this->due[] = [$process, $count];
        }
    }

    private function leastBusy(): LineProcess
    {
        $least = $this->processes[0];
        foreach ($this->processes as $process) {
            $least = $process->shares() < $least->shares() ? $process : $least;
        }

        return $least;
    }

    /**
     * Waits until something can be read or written, and does that.
     *
     * @throws ProcessEnded|OutputClosed
     */
    private function exchange(LineInput $input): void
    {
        $busy = array_filter($this->processes, fn (LineProcess $process): bool => $process->shares() > 0);
        $read = array_map(fn (LineProcess $process): mixed => $process->output(), $busy);
        $given = array_filter($busy, fn (LineProcess $process): bool => $process->isGiven());
        $write = array_map(fn (LineProcess $process): mixed => $process->input(), $given);
        $isFree = array_filter($this->processes, fn (LineProcess $process): bool => $process->shares() < self::SHARES) !== [];
        if ($isFree && ! $input->hasEnded()) {
            $read['input'] = $this->streams->in;
        }
        $none = [];
        stream_select($read, $write, $none, null);
        foreach (array_keys($write) as $i) {
            $this->processes[$i]->push();
        }
        foreach (array_keys($read) as $i) {
            if (is_int($i)) {
                $this->processes[$i]->pull();
            } else {
                $this->give($input->next());
            }
        }
        while ($this->due !== [] && ($answers = $this->due[0][0]->answers($this->due[0][1])) !== null) {
            $this->streams->write($answers);
            array_shift($this->due);
        }
    }
}
