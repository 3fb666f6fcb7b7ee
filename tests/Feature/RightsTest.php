<?php

declare(strict_types=1);

use Illuminate\Routing\Route;
use Tests\Feature\World;

/*
 * Every route × every role, on an object that is there. Statuses in the order of World::ROLES:
 * nobody, stranger, reader, writer, keeper, team reader, administrator (who reads no bank without a grant).
 * A route without an entry fails the last test.
 */
$matrix = require __DIR__.'/routes.php';
$open = ['GET stand-ins/receiving', 'GET stand-ins/outbox', 'POST stand-ins/receiving', 'GET api/v1/openapi.json', 'GET {path?}', 'GET up', 'GET up/live', 'GET up/ready', 'GET sanctum/csrf-cookie'];

it('gives each role what is theirs', function (string $route, string $role) use ($matrix): void {
    $world = new World;
    [$statuses, $make] = $matrix[$route];
    [$path, $body, $headers] = [...$make($world), []];
    if (isset($world->people[$role])) {
        $this->actingAs($world->people[$role]);
    }
    // as text, so that empty objects reach the server as objects
    $response = $this->call(explode(' ', $route)[0], "/api/v1$path", [], [], [], $this->transformHeadersToServerVars(['Accept' => 'application/json', 'Content-Type' => 'application/json', 'Referer' => 'http://127.0.0.1:8090', ...$headers]), $body === null ? null : (string) json_encode($body));
    expect($response->baseResponse->getStatusCode())->toBe($statuses[array_search($role, World::ROLES, true)], (string) $response->baseResponse->getContent());
})->with(function () use ($matrix): Generator {
    foreach (array_keys($matrix) as $route) {
        foreach (World::ROLES as $role) {
            yield "$route as $role" => [$route, $role];
        }
    }
});

it('knows every route', function () use ($matrix, $open): void {
    $routes = array_map(fn (Route $route): string => $route->methods()[0].' '.preg_replace('~\{(\w+):\w+\}~', '{$1}', $route->uri()), app('router')->getRoutes()->getRoutes());

    expect(array_values(array_diff($routes, array_keys($matrix), $open)))->toBe([]);
});
