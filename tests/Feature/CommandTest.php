<?php

declare(strict_types=1);

use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;
use Tests\Feature\World;
use WideQuarry\Parts\StandardKinds;

/** Runs a program of bin/ as somebody would; @param  array<string, string|false>  $environment */
function program(array $command, array $environment = []): Illuminate\Contracts\Process\ProcessResult
{
    return Process::path(base_path())->env($environment)->timeout(60)->run($command);
}

it('says so when the database cannot be reached', function (): void {
    $package = Database\Seeders\DemoSeeder::package('maps', StandardKinds::all());
    $result = program(['bin/quarry', 'import', $package, '--bank=rocks'], ['DB_PORT' => '1']);
    unlink($package);

    expect($result->exitCode())
        ->toBe(1)
        ->and($result->output())
        ->toBe('')
        ->and(json_decode($result->errorOutput())->detail)
        ->toContain('bin/start');
});

it('answers with a sentence and 503 when the database is away', function (string $path): void {
    config([
        'database.connections.away' => [...config('database.connections.pgsql'), 'port' => 1],
        'database.default' => 'away',
        'session.driver' => 'database',
    ]);
    $response = $this->get($path, [
        'Accept' => str_starts_with($path, '/api') ? 'application/json' : 'text/html',
        'Referer' => 'http://127.0.0.1:8090',
    ]);
    config(['database.default' => 'pgsql']);

    expect($response->status())->toBe(503)->and($response->content())->toContain('database');
})->with(['/api/v1/me', '/banks']);

it('imports and exports by name, with the problems of a command in one sentence', function (array $command, string $says): void {
    $result = program(['bin/quarry', ...$command], ['DB_DATABASE' => DB::getDatabaseName()]);

    expect($result->exitCode())
        ->toBe(1)
        ->and($result->output())
        ->toBe('')
        ->and(json_decode($result->errorOutput())->detail)
        ->toContain($says);
})->with([
    'an unknown command' => [['polish'], 'The commands are'],
    'a file that is not there' => [['import', '/nowhere.zip', '--bank=rocks'], 'nowhere.zip'],
    'a bank that is not there' => [['import', 'composer.json', '--bank=gone'], 'no bank'],
    'an unknown way with duplicates' => [['import', 'composer.json', '--bank=rocks', '--duplicates=maybe'], 'skip|add|replace'],
    'specimens of a bank that is not there' => [['specimens', '--bank=gone'], 'quarry specimens'],
    'no format' => [['export', '--bank=rocks', '--out=/tmp/x.zip'], 'quarry export'],
    'an address that is none' => [['person', 'add', 'orla'], 'person add EMAIL'],
]);

it('adds the first person, who may then sign in', function (): void {
    $console = app(App\Console\QuarryConsole::class);
    ob_start();
    $code = $console->run(['person', 'add', 'Head@fellmoor.example', '--administrator']);
    $made = json_decode((string) ob_get_clean());

    expect($code)
        ->toBe(0)
        ->and(User::query()->firstOrFail()->is_administrator)
        ->toBeTrue()
        ->and(ask('POST', '/session', ['email' => 'head@fellmoor.example', 'password' => $made->password])->status())
        ->toBe(200);
});

it('skips, adds or replaces what is there already', function (string $duplicates, array $counts, int $times, int $revision): void {
    $world = new World;
    $package = Database\Seeders\DemoSeeder::package('maps', StandardKinds::all());
    $all = count(json_decode((string) file_get_contents(database_path('demo/maps.json')))->questions);
    $import = fn (string $how): stdClass => app(App\Actions\ImportQuestions::class)->handle(
        $package,
        'maps.zip',
        $world->bank,
        [],
        $world->people['keeper'],
        $how,
    )->body->result;
    $import('skip');
    $tally = $import($duplicates);
    unlink($package);

    expect([$tally->added, $tally->replaced, $tally->skipped])
        ->toBe(array_map(fn (int $share): int => $share * $all, $counts))
        ->and(DB::table('questions')->count())
        ->toBe($times * $all + 1)
        ->and(DB::table('questions')->max('revision'))
        ->toBe($revision);
})->with(['skip' => ['skip', [0, 0, 1], 1, 1], 'add' => ['add', [1, 0, 0], 2, 1], 'replace' => ['replace', [0, 1, 0], 1, 2]]);

it('refuses to start on a port in use, or with a flag it does not know', function (array $flags, string $says): void {
    $socket = stream_socket_server('tcp://127.0.0.1:0');
    $port = explode(':', (string) stream_socket_get_name($socket, false))[1];
    $result = program(['bin/start', ...array_map(fn (string $flag): string => str_replace('PORT', $port, $flag), $flags)]);
    fclose($socket);

    expect($result->exitCode())->toBe(1)->and($result->errorOutput())->toContain($says);
})->with([[['--port=PORT'], 'is in use'], [['--port=door'], '--port wants a number'], [['--fast'], 'no flag --fast']]);

it('prints the one command to run when packages are missing and it is not root', function (): void {
    $script = '. bin/lib/common.sh; id() { echo 1000; }; PACKAGES="no-such-package"; install_packages';
    $result = program(['bash', '-c', $script]);

    expect($result->exitCode())->toBe(1)->and($result->errorOutput())->toContain('sudo apt-get')->toContain('no-such-package');
});
