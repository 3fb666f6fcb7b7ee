<?php

declare(strict_types=1);

use Illuminate\Routing\Route;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

/*
 * Every route × every role, on an object that is there. Statuses in the order of World::ROLES:
 * nobody, stranger, reader, writer, keeper, team reader, administrator (who reads no bank without a grant).
 * A route without an entry fails the last test.
 */
$matrix = require __DIR__.'/routes.php';
$open = [
    'GET stand-ins/receiving',
    'GET stand-ins/sending',
    'GET stand-ins/sending/{file}',
    'GET stand-ins/outbox',
    'POST stand-ins/receiving',
    'GET api/v1/openapi.json',
    'GET {path?}',
    'GET up',
    'GET up/live',
    'GET up/ready',
    'GET sanctum/csrf-cookie',
];

it('gives each role what is theirs', function (string $route) use ($matrix): void {
    $world = new World;
    [$statuses, $make] = $matrix[$route];
    foreach (World::ROLES as $i => $role) {
        DB::beginTransaction();
        $this->withoutThrottle();
        [$path, $body, $headers] = [...$make($world), []];
        app('auth')->forgetGuards();
        $this->flushSession();
        isset($world->people[$role]) && $this->actingAs($world->people[$role]->fresh());
        // as text, so that empty objects reach the server as objects
        $response = ask(explode(' ', $route)[0], $path, $body === null ? null : (string) json_encode($body), $headers);
        expect($response->baseResponse->getStatusCode())->toBe($statuses[$i], "$role: {$response->baseResponse->getContent()}");
        while (DB::transactionLevel() > 1) {
            DB::rollBack();
        }
    }
})->with(array_combine(array_keys($matrix), array_map(fn (string $route): array => [$route], array_keys($matrix))));

it('knows every route', function () use ($matrix, $open): void {
    $routes = array_map(
        fn (Route $route): string => $route->methods()[0].' '.preg_replace('~\{(\w+):\w+\}~', '{$1}', $route->uri()),
        app('router')->getRoutes()->getRoutes(),
    );

    expect(array_values(array_diff($routes, array_keys($matrix), $open)))->toBe([]);
});
