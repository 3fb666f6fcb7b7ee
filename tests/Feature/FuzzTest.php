<?php

declare(strict_types=1);

use App\Http\OpenApi\Description;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

/*
 * Requests that no client of ours sends, to every route of the API description: seeded, so that a failure can be run again. None may end
 * in a 500, and every refusal says why. 2,000 requests; 50,000 with bin/test --long.
 */

const NASTY = [
    null,
    true,
    -1,
    0,
    9_223_372_036_854_775_807,
    1e308,
    99999999999999999999,
    '',
    ' ',
    "\0",
    "a\u{202E}b",
    "'; DROP TABLE users; --",
    '../../etc/passwd',
    '%00',
    '%',
    '\\',
    '{}',
    '[]',
    'next monday',
    '-infinity',
    '2026-02-30',
    '00000000-0000-0000-0000-000000000000',
    '01890000-0000-7000-8000-00000000000g',
    'NaN',
    '١٢٣',
    '1e999999',
    '<script>',
    '\ud800',
    [],
    [[]],
    [null],
    ['a' => ['b' => ['c' => 1]]],
];

/**
 * @return list<array{string, string, mixed, array<string, string>, string}> method, path, body, headers, route: one that works for each
 * route
 */
function workingRequests(World $world): array
{
    $known = require __DIR__.'/routes.php';
    $requests = [];
    foreach (app('router')->getRoutes()->getRoutes() as $route) {
        assert($route instanceof Route);
        $name = $route->methods()[0].' '.preg_replace('~\{(\w+):\w+\}~', '{$1}', $route->uri());
        if (Description::operation($route) !== null) {
            [$path, $body, $headers] = [...$known[$name][1]($world), []];
            $requests[] = [
                $route->methods()[0],
                $path,
                $body === null ? null : json_decode((string) json_encode($body), true),
                $headers,
                $name,
            ];
        }
    }

    return $requests;
}

/** Sends a working request changed in one to three places. */
final class Fuzzer
{
    private int $step = 0;

    public function __construct(private readonly int $seed)
    {
    }

    public function pick(int $of): int
    {
        return (int) (hexdec(substr(hash('sha256', $this->seed.':'.$this->step++), 0, 7)) % $of);
    }

    /**
     * @param  array{string, string, mixed, array<string, string>, string}  $request
     * @return array{string, string, string|null, array<string, string>}
     */
    public function change(array $request): array
    {
        [$method, $path, $body, $headers] = $request;
        $text = $body === null ? null : (string) json_encode($body === [] ? new stdClass() : $body);
        for ($times = 1 + $this->pick(3); $times > 0; $times--) {
            match ($this->pick(7)) {
                0 => ($path = $this->inPath($path)),
                1 => ($path .= (str_contains($path, '?') ? '&' : '?').$this->query()),
                2 => ($headers[
                    ['If-Match', 'Idempotency-Key', 'Authorization', 'Accept-Language', 'Content-Type', 'Range'][$this->pick(6)]
                ] = [
                    '"99999999999999999999"',
                    'Bearer x',
                    "\"1\xff\"",
                    '*',
                    'multipart/form-data; boundary=x',
                    'bytes=0-',
                    str_repeat('x', 5000),
                ][$this->pick(7)]),
                3 => ($text = [
                    '',
                    '[]',
                    'null',
                    '"x"',
                    '{"a":',
                    str_repeat('[', 600),
                    '{"question":{"body":"\u0000\ud800"}}',
                    "\xff\xfe",
                    '1e400',
                ][$this->pick(9)]),
                default => ($text = $body === null ? $text : (string) json_encode($this->inBody($body), JSON_PARTIAL_OUTPUT_ON_ERROR)),
            };
        }

        return [$method, $path, $text, $headers];
    }

    private function nasty(): mixed
    {
        return $this->pick(12) === 0 ? str_repeat('ab ', 70_000) : NASTY[$this->pick(count(NASTY))];
    }

    private function inPath(string $path): string
    {
        [$path, $query] = [...explode('?', $path, 2), ''];
        $steps = explode('/', $path);
        $value = $this->nasty();
        $steps[1 + $this->pick(count($steps) - 1)] = is_scalar($value) ? rawurlencode(mb_strcut((string) $value, 0, 300)) : 'x';

        return implode('/', $steps).($query === '' ? '' : "?$query");
    }

    private function query(): string
    {
        $name = [
            'cursor',
            'before',
            'after',
            'since',
            'seed',
            'sort',
            'of',
            'words',
            'folder',
            'only',
            'is',
            'points',
            'bank',
            'which',
            'topic',
            'place',
            'not-tag',
            'minutes',
            'show',
            'kind',
            'exact',
            'page',
        ][$this->pick(22)];
        $value = $this->nasty();
        $made = is_scalar($value) ? (string) $value : base64_encode((string) json_encode([$value, $this->nasty()]));

        return $name.['', '', '', '[]', '[a]'][$this->pick(5)].'='.rawurlencode(mb_strcut($made, 0, 2000));
    }

    private function inBody(mixed $body): mixed
    {
        if (! is_array($body) || $body === [] || $this->pick(4) === 0) {
            return $this->nasty();
        }
        $key = array_keys($body)[$this->pick(count($body))];
        match ($this->pick(8)) {
            0 => ($body = array_diff_key($body, [$key => 1])),
            1 => ($body['unheard of'] = $this->nasty()),
            default => ($body[$key] = $this->inBody($body[$key])),
        };

        return $body;
    }
}

it('refuses with a sentence what once ended in a 500', function (
    string $method,
    string $path,
    ?string $body,
    array $headers,
    int $status,
): void {
    $world = new World;
    $signedIn = ! isset($headers['Authorization']) && $path !== '/session';
    $signedIn && $this->actingAs($world->people['keeper']);
    $response = ask($method, str_replace('QUESTION', $world->question, $path), $body, $headers);
    expect([$response->status(), is_string($response->json('detail'))])->toBe([$status, true], (string) $response->content());
})->with([
    'a token that is none' => ['GET', '/me', null, ['Authorization' => 'Bearer x'], 401],
    'signing in without an origin' => [
        'POST',
        '/session',
        '{"email":"keeper@fellmoor.example","password":"limestone-7"}',
        ['Referer' => ''],
        400,
    ],
    'a forged cursor' => ['GET', '/banks/rocks/questions?cursor=W251bGwsIngiXQ==', null, [], 422],
    'a cursor of another order' => ['GET', '/banks/rocks/questions?sort=points&cursor='.base64_encode('["x","y"]'), null, [], 422],
    'a time that is none' => ['GET', '/transfers?before=next+monday', null, [], 422],
    'a revision beyond integers' => ['GET', '/questions/QUESTION/revisions/99999999999999999999', null, [], 404],
    'a version beyond integers' => ['PUT', '/questions/QUESTION', '{"question":{}}', ['If-Match' => '"99999999999999999999"'], 428],
    'a list where a word belongs' => ['POST', '/banks', '{"name":["x"]}', [], 422],
    'a name of nothing but NUL' => ['POST', '/banks', '{"name":"\u0000"}', [], 422],
    'an id that is none' => ['GET', '/questions/x', null, [], 404],
]);

it('answers anything with a sentence, never with a 500', function (): void {
    $count = (int) (getenv('QUARRY_FUZZ') ?: (getenv('QUARRY_LONG') ? 50_000 : 2000));
    $seed = (int) (getenv('QUARRY_SEED') ?: 20261128);
    config(['app.debug' => false]);
    $world = new World;
    $this->actingAs($world->people['keeper']);
    $fuzzer = new Fuzzer($seed);
    $requests = workingRequests($world);
    $broken = [];
    $statuses = [];
    for ($i = 0; $i < $count; $i++) {
        $request = $requests[$i % count($requests)];
        [$method, $path, $text, $headers] = $fuzzer->change($request);
        $this->withoutThrottle();
        $fuzzer->pick(10) === 0 ? app('auth')->forgetGuards() : $this->actingAs($world->people['keeper']); // now and then by nobody
        DB::beginTransaction();
        $response = ask($method, $path, $text, $headers);
        while (DB::transactionLevel() > 1) {
            DB::rollBack();
        }
        $status = $response->status();
        $statuses[intdiv($status, 100)] = ($statuses[intdiv($status, 100)] ?? 0) + 1;
        $says =
            $status < 400 ||
            ! str_starts_with($path, '/') ||
            ! ($response->baseResponse instanceof Illuminate\Http\JsonResponse) ||
            is_string($response->json('detail'));
        if ($status >= 500 || ! $says) {
            $broken[] =
                "$i: $status $method ".
                mb_strcut($path, 0, 200).
                ' '.
                mb_strcut((string) $text, 0, 300).
                ' '.
                json_encode($headers).
                ' '.
                mb_strcut($response->exception?->getMessage() ?? '', 0, 300).
                ' '.
                ($response->exception?->getFile().':'.$response->exception?->getLine());
        }
    }
    expect(implode("\n", array_slice($broken, 0, 40)))->toBe('', count($broken)." of $count, seed $seed");
    expect($statuses[4] ?? 0)
        ->toBeGreaterThan($count / 5)
        ->and($statuses[2] ?? 0)
        ->toBeGreaterThan($count / 20);
});
