<?php

declare(strict_types=1);

namespace App\Console;

use App\Infrastructure\Cbc;
use App\Infrastructure\LineProcesses;
use App\Infrastructure\OfficePrograms;
use App\Infrastructure\ProcessEnded;
use App\Infrastructure\Stopwatch;
use Fidry\CpuCoreCounter\CpuCoreCounter;
use WideQuarry\CommandLine\Arguments;
use WideQuarry\CommandLine\Offline;
use WideQuarry\CommandLine\OutputClosed;
use WideQuarry\CommandLine\Problem;
use WideQuarry\CommandLine\Streams;
use WideQuarry\Json\Json;

/** The commands of the core, without Laravel. Those that answer line by line run on every processor. */
final readonly class OfflineConsole
{
    public function __construct(private string $program, private Streams $streams)
    {
    }

    /** @param  list<string>  $given without the command itself */
    public function run(string $command, array $given): int
    {
        $arguments = Arguments::parse($given);
        $isShared = in_array($command, Offline::BY_LINE, true) && $arguments->unknown(['processes']) === [];
        $count = $isShared ? self::processes($arguments->options['processes'] ?? null) : 1;
        if ($count < 2) {
            return self::offline($this->streams)->run($command, $given);
        }
        $alone = fn (Streams $streams): int => self::offline($streams)->run($command, []);
        try {
            return (new LineProcesses([PHP_BINARY, $this->program, $command, '--processes=1'], $count, $alone, $this->streams))->run();
        } catch (ProcessEnded $ended) {
            fwrite($this->streams->err, Json::encode(Problem::of($ended))."\n");

            return 1;
        } catch (OutputClosed) {
            return OutputClosed::CODE;
        }
    }

    private static function offline(Streams $streams): Offline
    {
        return new Offline($streams, new OfficePrograms, new Cbc, fn (float $seconds): Stopwatch => new Stopwatch($seconds));
    }

    /** As many as there are processors, unless it is said; 0 for what is no such number, which Offline refuses. */
    private static function processes(?string $given): int
    {
        return $given === null
            ? min(Offline::MOST_PROCESSES, (new CpuCoreCounter)->getCountWithFallback(1))
            : Offline::processes($given) ?? 0;
    }
}
