<?php

declare(strict_types=1);

namespace App\Infrastructure;

use App\Errors\Refused;
use Symfony\Component\Process\Exception\ProcessSignaledException;
use Symfony\Component\Process\Process;
use WideQuarry\Messages\Message;

/**
 * Runs another program on one file in a folder of its own: no network where the kernel allows it, an empty environment, limits
 * on time, output and files, ended as a group.
 */
final class Sandbox
{
    private const SECONDS = 60;

    private const OUTPUT = 200_000_000;

    private static ?bool $unshares = null;

    /**
     * @template Result
     *
     * @param  array<string, string>  $files  name → bytes, put into the folder first
     * @param  list<string>  $command  in which {} stands for the folder
     * @param  callable(string): Result  $take  takes what was made out of the folder
     * @return Result
     *
     * @throws Refused when the program fails
     */
    public static function run(array $files, array $command, callable $take): mixed
    {
        return self::within($files, function (string $folder) use ($command, $take): mixed {
            $process = self::process($folder, $command, null);
            if (! $process->isSuccessful()) {
                logger()->error('A confined program failed.', [
                    'command' => $command[0],
                    'code' => $process->getExitCode(),
                    'said' => mb_strimwidth($process->getErrorOutput(), 0, 2000),
                ]);
                throw Refused::because(
                    'print.failed',
                    $process->getExitCode() === 124
                        ? Message::of('app.infrastructure.took-longer-minute-stopped')
                        : Message::of('app.infrastructure.pages-could-not-be-made'),
                );
            }

            return $take($folder);
        });
    }

    /**
     * Runs programs one after the other on files that may be anything: that one fails is no error of ours.
     *
     * @template Result
     *
     * @param  array<string, string>  $files  name → bytes
     * @param  list<list<string>>  $commands  in which {} stands for the folder
     * @param  callable(string): Result  $take
     * @param  int  $memory  bytes that each may have
     * @return Result|null null when one failed
     */
    public static function try(array $files, array $commands, callable $take, int $memory): mixed
    {
        return self::within($files, function (string $folder) use ($commands, $take, $memory): mixed {
            foreach ($commands as $command) {
                if (! self::process($folder, $command, $memory)->isSuccessful()) {
                    return null;
                }
            }

            return $take($folder);
        });
    }

    /**
     * Runs a program and says how it ended, with what it printed, and one file it wrote.
     *
     * @param  array<string, string>  $files  name → bytes
     * @param  list<string>  $command  in which {} stands for the folder
     * @param  int  $seconds  after which it is ended
     * @return array{code: int|null, printed: string, wrote: string|null} code: null when a signal ended it
     */
    public static function ask(array $files, array $command, string $file, int $memory, int $seconds): array
    {
        return self::within($files, function (string $folder) use ($command, $file, $memory, $seconds): array {
            $process = self::process($folder, $command, $memory, $seconds);
            $wrote = is_file("$folder/$file") ? file_get_contents("$folder/$file") : false;

            return ['code' => $process->getExitCode(), 'printed' => $process->getOutput(), 'wrote' => $wrote === false ? null : $wrote];
        });
    }

    /**
     * @template Result
     *
     * @param  array<string, string>  $files
     * @param  callable(string): Result  $work
     * @return Result
     */
    private static function within(array $files, callable $work): mixed
    {
        $folder = sys_get_temp_dir().'/quarry-confined-'.bin2hex(random_bytes(8));
        mkdir($folder, 0700);
        try {
            foreach ($files as $name => $bytes) {
                if (@file_put_contents("$folder/$name", $bytes) !== strlen($bytes)) {
                    throw Refused::because(
                        'storage.full',
                        Message::of('app.infrastructure.server-could-not-write-pages'),
                    );
                }
            }

            return $work($folder);
        } finally {
            self::remove($folder);
        }
    }

    /** @param  list<string>  $command */
    private static function process(string $folder, array $command, ?int $memory, int $seconds = self::SECONDS): Process
    {
        $limits = ['prlimit', '--core=0', '--nofile=4096', '--fsize='.self::OUTPUT, "--cpu=$seconds"];
        $process = new Process(
            [
                ...['timeout', '--kill-after=2', (string) $seconds],
                ...['env', '-i', 'PATH=/usr/bin:/bin', "HOME=$folder", "TMPDIR=$folder", 'LANG=C.UTF-8', 'SOURCE_DATE_EPOCH=315532800'],
                ...self::unshares() ? ['unshare', '--user', '--map-root-user', '--net'] : [],
                ...$limits,
                ...$memory === null ? [] : ["--data=$memory"],
                ...array_map(fn (string $word): string => str_replace('{}', $folder, $word), $command),
            ],
            $folder,
            timeout: $seconds + 5,
        );
        try {
            $process->run();
        } catch (ProcessSignaledException) {
            // ended by one of its limits, such as how much it may write
        }

        return $process;
    }

    private static function unshares(): bool
    {
        return self::$unshares ??= (new Process(['unshare', '--user', '--map-root-user', '--net', 'true']))->run() === 0;
    }

    private static function remove(string $folder): void
    {
        foreach (
            new \RecursiveIteratorIterator(
                new \RecursiveDirectoryIterator($folder, \FilesystemIterator::SKIP_DOTS),
                \RecursiveIteratorIterator::CHILD_FIRST,
            ) as $file
        ) {
            assert($file instanceof \SplFileInfo);
            if ($file->isDir() && ! $file->isLink()) {
                rmdir($file->getPathname());
            } else {
                unlink($file->getPathname());
            }
        }
        rmdir($folder);
    }
}
