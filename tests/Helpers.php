<?php

declare(strict_types=1);

use Tests\Feature\World;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Parts\StandardKinds;

// What the HTTP tests ask with, loaded by Pest before any of them.

/** A request with JSON as text, so that {} stays {}. */
function ask(string $method, string $path, mixed $body = null, array $headers = []): Illuminate\Testing\TestResponse
{
    return test()->call(
        $method,
        "/api/v1$path",
        [],
        [],
        [],
        test()->transformHeadersToServerVars([
            'Accept' => 'application/json',
            'Content-Type' => 'application/json',
            'Referer' => 'http://127.0.0.1:8090',
            ...$headers,
        ]),
        is_string($body) ? $body : ($body === null ? null : (string) json_encode($body)),
    );
}

/** The same as ask(), by somebody else than before. */
function another(World $world, string $role, string $method, string $path, mixed $body = null, array $headers = []): Illuminate\Testing\TestResponse
{
    test()->flushSession()->actingAs($world->people[$role]);

    return ask($method, $path, $body, $headers);
}

/** @return array{array<string, mixed>, string} the dispatch, and its file */
function sent(array $what): array
{
    $data = ask('POST', '/dispatches', $what)->assertStatus(201)->json('data');
    $file = (string) tempnam(sys_get_temp_dir(), 'sent');
    file_put_contents(
        $file,
        ask('GET', "/dispatches/{$data['id']}/file")
            ->assertOk()
            ->streamedContent(),
    );

    return [$data, $file];
}

function readSent(string $file): PackageContents
{
    $source = new Source($file, 'sent.zip');

    return PackageContents::collect(Formats::standard(StandardKinds::all())->for($source)->read($source));
}

function classify(array $body): Illuminate\Testing\TestResponse
{
    return ask('POST', '/banks/rocks/acts', $body);
}

/** Stores an assessment's content as it is after a change. */
function store(array $data, callable $change): Illuminate\Testing\TestResponse
{
    $content = json_decode((string) json_encode($data['content']));
    $change($content);

    return ask('PUT', "/assessments/{$data['id']}", ['content' => $content], ['If-Match' => "\"{$data['version']}\""]);
}
