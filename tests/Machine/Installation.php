<?php

declare(strict_types=1);

namespace Tests\Machine;

use Symfony\Component\Process\Process;

/** A whole installation of its own, started by bin/start as a user would, in a folder of its own; whatever is done to it stays in there. */
final class Installation
{
    /** The folder of the PostgreSQL programs that the scripts use. */
    public static function postgresBin(): string
    {
        $root = dirname(__DIR__, 2);

        return (new Process(['bash', '-c', '. bin/lib/common.sh; find_postgres'], $root))->mustRun()->getOutput();
    }

    /** Seconds to wait for what takes a moment on a quiet machine: others may be using this one. */
    public const PATIENCE = 240;

    public const PASSWORD = 'four plain garden words';

    public readonly string $folder;

    public readonly int $port;

    private ?Process $process = null;

    /** @var array<string, string> */
    private array $environment;

    /** One for all tests that do not mind the others; it ends with them. */
    public static function shared(): self
    {
        static $shared = null;
        if ($shared === null) {
            $shared = (new self('shared'))->start();
            register_shutdown_function(fn () => $shared->stop());
        }
        $shared->untilReady();

        return $shared;
    }

    /** @param  array<string, string>  $environment */
    public function __construct(string $name, array $environment = [])
    {
        $this->folder = dirname(__DIR__, 2)."/var/machine/$name";
        $this->port = self::freePort();
        // what bin/test told its own application is nothing to this one
        $kept = array_intersect_key(getenv(), array_flip(['PATH', 'HOME', 'LANG', 'CI', 'TMPDIR']));
        $this->environment = [...array_map(fn (): bool => false, getenv()), ...$kept, 'QUARRY_VAR' => $this->folder, ...$environment];
        (new Process(['rm', '-rf', $this->folder]))->mustRun();
        mkdir($this->folder, 0755, true);
    }

    public function start(string ...$flags): self
    {
        $flags = $flags === [] ? ['--empty'] : $flags;
        $this->process = new Process(
            ['bash', 'bin/start', "--port=$this->port", ...$flags],
            dirname(__DIR__, 2),
            $this->environment,
            timeout: null,
        );
        $this->process->start();
        $this->until(fn (): bool => str_contains($this->said(), 'Ctrl-C') || ! ($this->process?->isRunning() ?? false), 'starting');

        return $this;
    }

    public function said(): string
    {
        return ($this->process?->getErrorOutput() ?? '').($this->process?->getOutput() ?? '');
    }

    public function isRunning(): bool
    {
        return $this->process?->isRunning() ?? false;
    }

    public function stop(int $signal = SIGTERM): void
    {
        $this->process?->isRunning() === true && $this->process->signal($signal);
        $this->process?->wait();
    }

    /** bin/quarry in this installation. @return array<string, mixed> what it printed */
    public function quarry(string ...$words): array
    {
        $process = new Process(['bin/quarry', ...$words], dirname(__DIR__, 2), $this->environment, timeout: 300);
        $process->run();

        return json_decode($process->getOutput() === '' ? $process->getErrorOutput() : $process->getOutput(), true) ?? [
            'code' => $process->getExitCode(),
            'said' => $process->getErrorOutput(),
        ];
    }

    /** What psql prints for some statements, as the application's role. */
    public function sql(string $statements): string
    {
        $process = new Process(
            ['psql', '-h', "$this->folder/run/postgres.socket", '-U', 'quarry', '-d', 'quarry', '-Atq', '-v', 'ON_ERROR_STOP=1'],
            null,
            ['PGPASSWORD' => (string) file_get_contents("$this->folder/run/postgres.password")],
            $statements,
            120,
        );

        return $process->mustRun()->getOutput();
    }

    /** @return Person somebody with an account, signed in */
    public function person(string $name, bool $isAdministrator = false): Person
    {
        $made = $this->quarry('person', 'add', "$name@school.example", ...$isAdministrator ? ['--administrator'] : []);

        return new Person(
            "http://127.0.0.1:$this->port",
            "$name@school.example",
            is_string($made['password'] ?? null) ? $made['password'] : throw new \RuntimeException(json_encode($made) ?: ''),
        );
    }

    public function pid(string $part): int
    {
        return (int) @file_get_contents("$this->folder/run/$part.pid");
    }

    public function kill(string $part, int $signal = SIGKILL): void
    {
        posix_kill($this->pid($part), $signal);
    }

    /** @return array<string, mixed>|null what /up says; null when nothing answers */
    public function health(): ?array
    {
        $said = @file_get_contents(
            "http://127.0.0.1:$this->port/up",
            false,
            stream_context_create(['http' => ['ignore_errors' => true, 'timeout' => 5]]),
        );

        return $said === false ? null : json_decode($said, true);
    }

    public function untilReady(): void
    {
        $this->until(fn (): bool => ($this->health()['ready'] ?? false) === true, 'being ready');
    }

    /** @return list<int> processes that belong to it, whoever their parent is */
    public function processes(): array
    {
        exec('grep -lsa -- '.escapeshellarg($this->folder).' /proc/[0-9]*/environ /proc/[0-9]*/cmdline', $files);
        $pids = array_values(array_unique(array_map(fn (string $file): int => (int) explode('/', $file)[2], $files)));

        return array_values(
            array_filter(
                $pids,
                fn (int $pid): bool => is_dir("/proc/$pid") && ! str_contains((string) @file_get_contents("/proc/$pid/cmdline"), 'grep'),
            ),
        );
    }

    /** @param  callable(): bool  $holds */
    public function until(callable $holds, string $what, int $seconds = self::PATIENCE): void
    {
        $until = microtime(true) + $seconds;
        while (! $holds()) {
            microtime(true) < $until || throw new \RuntimeException("Waited $seconds s for $what. {$this->said()}");
            usleep(50_000);
        }
    }

    /** Below the ports that outgoing connections are given (32768 and up): one of those would be in the way of a server started later. */
    public static function freePort(): int
    {
        for ($tries = 0; $tries < 100; $tries++) {
            $port = random_int(20_000, 32_000);
            $socket = @stream_socket_server("tcp://127.0.0.1:$port");
            if ($socket !== false) {
                fclose($socket);

                return $port;
            }
        }
        throw new \RuntimeException('No port is free.');
    }
}
