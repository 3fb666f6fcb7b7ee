<?php

declare(strict_types=1);

use App\Infrastructure\KeptConnector;
use Illuminate\Support\Facades\DB;

it('keeps a connection, and nothing of what was done with it', function (): void {
    $database = config()->array('database.connections.pgsql');
    $dsn = "pgsql:host={$database['host']};port={$database['port']};dbname=".DB::getDatabaseName();
    $open = fn (): PDO => (new KeptConnector)->createConnection($dsn, $database, [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
    $ask = fn (PDO $pdo, string $sql): mixed => $pdo->query($sql)->fetchColumn();

    $first = $open();
    $pid = $ask($first, 'SELECT pg_backend_pid()');
    $first->exec("SET application_name = 'somebody’s list'; SET timezone = 'Asia/Tokyo'; SELECT pg_advisory_lock(4711)");
    $first->beginTransaction();
    $first->exec('CREATE TABLE left_behind (id int)');
    unset($first); // as when a request is ended in the middle
    $second = $open();

    expect($ask($second, 'SELECT pg_backend_pid()'))
        ->toBe($pid)
        ->and($second->inTransaction())
        ->toBeFalse()
        ->and($ask($second, "SELECT to_regclass('left_behind')"))
        ->toBeNull()
        ->and($ask($second, 'SHOW application_name'))
        ->not->toContain('somebody')
        ->and($ask($second, 'SHOW timezone'))
        ->not->toBe('Asia/Tokyo')
        ->and($ask($second, "SELECT count(*) FROM pg_locks WHERE locktype = 'advisory' AND pid = pg_backend_pid()"))
        ->toBe(0);
});
