<?php

declare(strict_types=1);

namespace App\Indexing;

use App\Infrastructure\RowProcess;
use WideQuarry\Question\PartKinds;

/**
 * Prepares the rows of many questions in processes beside this one, which meanwhile reads the next and stores the last. Few questions are
 * not worth starting them; where none can be started, or one dies, its part is done here.
 */
final class RowPipeline
{
    /** So many are prepared here first: starting takes as long as some 200 of them. */
    private const FIRST = 500;

    /** For two cores; more would only take them from whoever works at a screen. */
    private const PROCESSES = 2;

    /** @var list<RowProcess> */
    private array $processes = [];

    public function __construct(private readonly PartKinds $kinds)
    {
    }

    /**
     * @param  iterable<QuestionChunk>  $chunks
     * @return \Generator<array{PreparedChunk, QuestionChunk}> in their order
     */
    public function prepared(iterable $chunks): \Generator
    {
        $seen = 0;
        /** @var list<QuestionChunk> $queue */
        $queue = [];
        try {
            foreach ($chunks as $chunk) {
                $isBeginning = $seen <= self::FIRST;
                $seen += count($chunk->given);
                if ($isBeginning && $seen > self::FIRST) {
                    $this->processes = RowProcess::start(self::PROCESSES);
                }
                $this->give($chunk);
                for ($queue[] = $chunk; $queue !== [] && $queue[0]->made !== null; array_shift($queue)) {
                    yield [$queue[0]->made, $queue[0]];
                }
            }
            foreach ($this->processes as $process) {
                $process->finish();
            }
            foreach ($queue as $chunk) {
                yield [$chunk->prepare($this->kinds), $chunk];
            }
        } finally {
            foreach ($this->processes as $process) {
                $process->end();
            }
            $this->processes = [];
        }
    }

    /** To a process that is free, or the first that is; prepared here where there is none. */
    private function give(QuestionChunk $chunk): void
    {
        while ($this->processes !== []) {
            $process = RowProcess::firstFree($this->processes);
            $wasAt = $process->finish();
            if ($wasAt?->made === null) {
                $wasAt?->prepare($this->kinds); // it died over these
            }
            if ($process->begin($chunk)) {
                return;
            }
            $process->end();
            $this->processes = array_values(array_filter($this->processes, fn (RowProcess $one): bool => $one !== $process));
        }
        $chunk->prepare($this->kinds);
    }
}
