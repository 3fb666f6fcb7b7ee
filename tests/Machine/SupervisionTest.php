<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;
use Tests\Machine\Installation;

// bin/start as whoever runs it sees it: every part comes back when it dies, nothing stays behind, and strangers on the machine get nothing.

it('starts every part again that dies, and leaves nothing behind', function (): void {
    $here = (new Installation('supervision'))->start();
    $here->untilReady();
    foreach (['caddy', 'php-fpm', 'php-fpm-heavy', 'worker-quick', 'worker-any', 'scheduler', 'postgres'] as $part) {
        $name = str_starts_with($part, 'caddy') || str_starts_with($part, 'php') ? "$part-$here->port" : $part;
        $pid = $here->pid($name);
        $here->kill($name);
        $here->until(fn (): bool => $here->pid($name) !== $pid && posix_kill($here->pid($name), 0), "$part to be started again");
    }
    $here->untilReady();
    expect($here->person('ines')->ask('GET', '/me')->status)->toBe(200);

    // what a stranger on the machine could reach
    $mode = fn (string $path): string => substr(sprintf('%o', fileperms("$here->folder/$path")), -3);
    expect([
        $mode('.env'),
        $mode('run/key'),
        $mode('run/postgres.password'),
        $mode("run/web-$here->port/config.php"),
        $mode("run/web-$here->port/php-fpm.sock"),
        $mode("run/web-$here->port/heavy.sock"),
        $mode('run/postgres.socket'),
    ])->toBe(['600', '600', '600', '600', '660', '660', '750']);
    $socket = "$here->folder/run/postgres.socket";
    $as = fn (string ...$who): string => (new Process([
        ...$who,
        'psql',
        '-h',
        $socket,
        '-U',
        'postgres',
        '-d',
        'quarry',
        '-Atc',
        'SELECT 1',
    ]))
        ->mustRun()
        ->getOutput();
    if (posix_geteuid() === 0) {
        expect(fn () => $as('setpriv', '--reuid=nobody', '--regid=nogroup', '--clear-groups'))
            ->toThrow(Exception::class)
            ->and(fn () => $as('setpriv', '--reuid=www-data', '--regid=www-data', '--clear-groups'))
            ->toThrow(Exception::class);
    }
    $get = fn (string $path, string $host): array => [
        (string) @file_get_contents(
            "http://127.0.0.1:$here->port$path",
            false,
            stream_context_create(['http' => ['ignore_errors' => true, 'header' => "Host: $host"]]),
        ),
        (int) explode(' ', $http_response_header[0])[1],
    ];
    expect($get('/', 'evil.example'))
        ->toBe(["This address is not served here. Use http://127.0.0.1:$here->port", 421])
        ->and($get('/.env', '127.0.0.1')[1])
        ->toBe(404)
        ->and($get('/composer.json', '127.0.0.1')[1])
        ->toBe(404)
        ->and($get('/nothing/here', '127.0.0.1')[1])
        ->toBe(404)
        ->and($get('/banks', '127.0.0.1')[1])
        ->toBe(200);

    $here->stop();
    expect($here->processes())->toBe([]);
});

it('ends with whatever started it, even by kill -9', function (): void {
    $here = (new Installation('orphan'))->start();
    $here->stop(SIGKILL);
    $here->until(fn (): bool => $here->processes() === [], 'everything to end');
    expect(true)->toBeTrue();
});

it('refuses to run for a school with the demo in it', function (): void {
    $here = (new Installation('production'))->start();
    $here->quarry('person', 'add', 'orla@fellmoor.example');
    $here->stop();
    $again = $here->start('--production');
    expect($again->isRunning())->toBeFalse()->and($again->said())->toContain('orla@fellmoor.example');
    $here->quarry('person', 'remove', 'orla@fellmoor.example');
});
