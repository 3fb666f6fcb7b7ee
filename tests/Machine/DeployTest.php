<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;
use Tests\Machine\Installation;

// The files of deploy/ tried as they are, with only names and ports of this machine put in.

/** A PostgreSQL of one's own with deploy/postgres/quarry.conf, as the system's postgres user (or this one). */
final class KeptPostgres
{
    public readonly int $port;

    private ?Process $server = null;

    public function __construct(private readonly string $folder)
    {
        $this->port = Installation::freePort();
    }

    public function run(string ...$command): string
    {
        $as = posix_geteuid() === 0 ? ['setpriv', '--reuid=postgres', '--regid=postgres', '--init-groups'] : [];

        $programs = ['env', 'PATH='.Installation::postgresBin().':/usr/bin:/bin', ...$command];

        return (new Process([...$as, ...$programs], '/', timeout: Installation::PATIENCE))
            ->mustRun()
            ->getOutput();
    }

    public function sql(string $statements, string $database = 'postgres'): string
    {
        return trim(
            $this->run('psql', '-h', $this->folder, '-p', (string) $this->port, '-U', 'admin', '-d', $database, '-Atqc', $statements),
        );
    }

    public function start(string $data): void
    {
        $as = posix_geteuid() === 0 ? ['setpriv', '--reuid=postgres', '--regid=postgres', '--init-groups'] : [];
        $this->server = new Process(
            [
                ...$as,
                Installation::postgresBin().'/postgres',
                '-D',
                $data,
                '-c',
                "port=$this->port",
                '-c',
                'listen_addresses=127.0.0.1',
                '-c',
                "unix_socket_directories=$this->folder",
                '-c',
                'shared_buffers=64MB',
            ],
            '/',
            timeout: null,
        );
        $this->server->start();
        for ($until = microtime(true) + Installation::PATIENCE; ; usleep(100_000)) {
            try {
                if ($this->sql('SELECT pg_is_in_recovery()') === 'f') {
                    return;
                }
            } catch (Exception $problem) {
                microtime(true) < $until || throw new RuntimeException($this->server->getErrorOutput().$problem->getMessage());
            }
        }
    }

    public function stop(): void
    {
        $this->server?->signal(SIGINT);
        $this->server?->wait();
    }
}

it('runs behind a proxy with a PostgreSQL of its own, which can be put back to any moment', function (): void {
    $root = dirname(__DIR__, 2);
    $folder = '/tmp/quarry-kept-'.getmypid();
    mkdir($folder);
    posix_geteuid() === 0 && chown($folder, 'postgres');
    $kept = new KeptPostgres($folder);
    $here = null;
    $proxy = null;
    try {
        $kept->run(
            'initdb',
            '-D',
            "$folder/data",
            '-E',
            'UTF8',
            '--locale=C.UTF-8',
            '--auth-local=trust',
            '--auth-host=scram-sha-256',
            '-U',
            'admin',
        );
        $conf = strtr((string) file_get_contents("$root/deploy/postgres/quarry.conf"), [
            '/srv/wide-quarry' => $root,
            '/var/backups/quarry-wal' => "$folder/wal",
            '1GB' => '64MB',
        ]);
        file_put_contents("$folder/data/postgresql.conf", $conf, FILE_APPEND);
        $kept->start("$folder/data");
        $kept->sql("CREATE ROLE quarry LOGIN PASSWORD 's3cret/word'");
        $kept->sql('CREATE DATABASE quarry OWNER quarry');

        $port = $kept->port;
        $here = new Installation('deployed');
        $tls = Installation::freePort();
        $here->start(
            '--production',
            "--url=https://localhost:$tls",
            '--database=postgres://quarry:'.rawurlencode('s3cret/word')."@127.0.0.1:$port/quarry",
        );
        expect($here->isRunning())->toBeTrue($here->said())->and(is_dir("$here->folder/postgres"))->toBeFalse();
        $caddy = strtr((string) file_get_contents("$root/deploy/proxy/Caddyfile"), [
            'questions.school.example' => "https://localhost:$tls",
            '127.0.0.1:8080' => "127.0.0.1:$here->port",
            'encode gzip' => "tls internal\n\tencode gzip",
        ]);
        file_put_contents(
            "$here->folder/proxy.Caddyfile",
            "{\n\tadmin off\n\tskip_install_trust\n\tauto_https disable_redirects\n\thttp_port ".Installation::freePort()."\n}\n$caddy",
        );
        $proxy = new Process(
            ['caddy', 'run', '--adapter', 'caddyfile', '--config', "$here->folder/proxy.Caddyfile"],
            null,
            ['XDG_DATA_HOME' => "$here->folder/proxy", 'XDG_CONFIG_HOME' => "$here->folder/proxy", 'HOME' => $here->folder],
            timeout: null,
        );
        $proxy->start();
        $get = function (string $path, string ...$more) use ($tls): string {
            $process = new Process(['curl', '-ksi', '--max-time', '60', "https://localhost:$tls$path", ...$more]);
            $process->run();

            return $process->getOutput();
        };
        $here->until(fn (): bool => str_contains($get('/up'), '"ready":true'), 'the proxy');
        $page = $get('/sign-in');
        expect($page)
            ->toContain('strict-transport-security: max-age=31536000')
            ->and(strtolower($page))
            ->toMatch('/set-cookie: __host-wide_quarry_session=[^\n]*; secure/')
            ->and($page)
            ->not->toContain('limestone')
            ->and((new Process(['curl', '-si', "http://127.0.0.1:$here->port/", '-H', 'Host: evil.example']))->mustRun()->getOutput())
            ->toContain("Use https://localhost:$tls");
        // the address that is noted is the one the proxy saw, whatever the client says of itself
        $here->quarry('person', 'add', 'ines@school.example');
        $jar = "$here->folder/cookies";
        $get('/sanctum/csrf-cookie', '-c', $jar);
        preg_match('/XSRF-TOKEN\s+(\S+)/', (string) file_get_contents($jar), $token);
        $get(
            '/api/v1/session',
            '-b',
            $jar,
            '-H',
            'X-XSRF-TOKEN: '.urldecode($token[1]),
            '-H',
            "Referer: https://localhost:$tls",
            '-H',
            'X-Forwarded-For: 203.0.113.9',
            '-H',
            'Content-Type: application/json',
            '-d',
            '{"email":"ines@school.example","password":"x"}',
        );
        expect($kept->sql("SELECT address FROM security_log WHERE kind = 'sign_in_failed'", 'quarry'))->toBeIn(['127.0.0.1', '::1']);

        // to a moment between two changes
        $backup = trim(
            $kept->run('sh', "$root/deploy/postgres/base-backup.sh", "$folder/base", '-h', $folder, '-p', (string) $port, '-U', 'admin'),
        );
        $kept->sql("INSERT INTO teams (id, name) VALUES ('0192f0c4-0000-7000-8000-000000000001', 'kept')", 'quarry');
        usleep(1_100_000);
        $moment = $kept->sql('SELECT now()');
        usleep(1_100_000);
        $kept->sql('DELETE FROM teams', 'quarry');
        $kept->sql('SELECT pg_switch_wal()');
        $here->until(
            fn (): bool => (int) $kept->sql(
                'SELECT count(*) FROM pg_stat_archiver WHERE last_archived_wal >= pg_walfile_name(pg_current_wal_lsn() - 16777216)',
            ) > 0,
            'the archive',
        );
        $here->stop();
        $kept->stop();
        $kept->run('sh', "$root/deploy/postgres/restore-to.sh", $backup, "$folder/wal", $moment, "$folder/restored");
        $kept->start("$folder/restored");
        expect($kept->sql('SELECT name FROM teams', 'quarry'))->toBe('kept');
    } finally {
        $proxy?->stop();
        $here?->stop();
        $kept->stop();
        (new Process(['rm', '-rf', $folder]))->run();
    }
});

it('has units that systemd understands, which start what is there', function (): void {
    $root = dirname(__DIR__, 2);
    $units = glob("$root/deploy/systemd/*.{service,timer}", GLOB_BRACE) ?: [];
    $settings =
        parse_ini_string(
            (string) preg_replace('/^#.*$/m', '', (string) file_get_contents("$root/deploy/wide-quarry.env")),
            false,
            INI_SCANNER_RAW,
        ) ?:
        [];
    foreach ($units as $unit) {
        preg_match_all('/^ExecStart=(\S+)(.*)$/m', (string) file_get_contents($unit), $starts, PREG_SET_ORDER);
        foreach ($starts as [, $program, $flags]) {
            expect(is_executable($root.substr($program, strlen('/srv/wide-quarry'))))->toBeTrue("$unit starts $program");
            preg_match_all('/\$\{(\w+)\}/', $flags, $names);
            expect(array_diff($names[1], array_keys($settings)))->toBe([], "$unit names settings that wide-quarry.env lacks");
            preg_match_all('/--(\w+)/', $flags, $asked);
            $help = (new Process(['bash', "$root/bin/start", '--help']))->mustRun()->getOutput();
            foreach (str_ends_with($program, 'bin/start') ? $asked[1] : [] as $flag) {
                expect($help)->toContain("--$flag");
            }
        }
    }
    // all directives are known: checked by systemd itself where it is installed
    $analyze = new Process(['sh', '-c', 'command -v systemd-analyze']);
    if ($analyze->run() === 0) {
        $said = new Process(['systemd-analyze', 'verify', '--man=no', ...$units]);
        $said->run();
        expect($said->getErrorOutput())->not->toContain('Unknown')->not->toContain('Failed to parse');
    }
});
