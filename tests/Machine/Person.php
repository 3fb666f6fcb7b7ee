<?php

declare(strict_types=1);

namespace Tests\Machine;

/** Somebody who is signed in, as a browser would be; asks one thing after the other, or many at the same moment. */
final class Person
{
    private string $cookies = '';

    private string $token = '';

    public function __construct(private readonly string $base, string $email, string $password)
    {
        $this->request('GET', '/sanctum/csrf-cookie');
        $this->ask('POST', '/session', ['email' => $email, 'password' => $password])->status === 200 ||
            throw new \RuntimeException("$email cannot sign in.");
    }

    /** @param  array<string, string>  $headers */
    public function ask(string $method, string $path, mixed $body = null, array $headers = []): Answer
    {
        return $this->request($method, "/api/v1$path", $body, $headers);
    }

    /**
     * @param  list<array{0: string, 1: string, 2?: mixed, 3?: array<string, string>}>  $requests
     * @return list<Answer> in their order
     */
    public function askAll(array $requests): array
    {
        $multi = curl_multi_init();
        $handles = [];
        foreach ($requests as $request) {
            $handles[] = $handle = $this->handle($request[0], "/api/v1$request[1]", $request[2] ?? null, $request[3] ?? []);
            curl_multi_add_handle($multi, $handle);
        }
        do {
            curl_multi_exec($multi, $running);
            $running > 0 && curl_multi_select($multi, 0.05);
        } while ($running > 0);

        return array_map(fn (\CurlHandle $handle): Answer => $this->answer($handle, (string) curl_multi_getcontent($handle)), $handles);
    }

    /** @param  array<string, string>  $headers */
    private function request(string $method, string $path, mixed $body = null, array $headers = []): Answer
    {
        $handle = $this->handle($method, $path, $body, $headers);

        return $this->answer($handle, (string) curl_exec($handle));
    }

    /** @param  array<string, string>  $headers */
    private function handle(string $method, string $path, mixed $body, array $headers): \CurlHandle
    {
        $handle = curl_init($this->base.$path) ?: throw new \RuntimeException;
        $headers = [
            'Accept' => 'application/json',
            'Content-Type' => 'application/json',
            'Referer' => $this->base,
            'Cookie' => $this->cookies,
            'X-XSRF-TOKEN' => $this->token,
            ...$headers,
        ];
        $form = self::form($body);
        if ($form !== null) {
            unset($headers['Content-Type']);
        }
        curl_setopt_array($handle, [
            CURLOPT_CUSTOMREQUEST => $method,
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_HEADER => true,
            CURLOPT_TIMEOUT => 120,
            CURLOPT_HTTPHEADER => array_map(fn (string $name, string $value): string => "$name: $value", array_keys($headers), $headers),
        ]);
        $body === null ||
            curl_setopt(
                $handle,
                CURLOPT_POSTFIELDS,
                $form ?? (is_string($body) ? $body : (string) json_encode($body)),
            );

        return $handle;
    }

    /** @return array<string, mixed>|null fields of a form: a file for an import, or [name, bytes] of a medium; null for JSON */
    private static function form(mixed $body): ?array
    {
        return match (true) {
            is_array($body) && isset($body['files']) => ['files[]' => $body['files']],
            is_array($body) && isset($body['medium']) => ['file' => new \CURLStringFile($body['medium'][1], $body['medium'][0])],
            default => null,
        };
    }

    private function answer(\CurlHandle $handle, string $whole): Answer
    {
        $size = (int) curl_getinfo($handle, CURLINFO_HEADER_SIZE);
        $head = substr($whole, 0, $size);
        preg_match_all('/^set-cookie:\s*([^=]+)=([^;]*)/mi', $head, $set, PREG_SET_ORDER);
        $known = [];
        foreach (array_filter(explode('; ', $this->cookies)) as $pair) {
            [$name, $value] = explode('=', $pair, 2);
            $known[$name] = $value;
        }
        foreach ($set as [, $name, $value]) {
            $known[$name] = $value;
        }
        if ($set !== []) {
            $this->cookies = implode(
                '; ',
                array_map(fn (string $name, string $value): string => "$name=$value", array_keys($known), $known),
            );
            $this->token = urldecode($known['XSRF-TOKEN'] ?? '');
        }
        preg_match('/^etag:\s*"?([^"\r\n]+)/mi', $head, $etag);

        return new Answer(
            (int) curl_getinfo($handle, CURLINFO_RESPONSE_CODE),
            substr($whole, $size),
            $etag[1] ?? '',
            (float) curl_getinfo($handle, CURLINFO_TOTAL_TIME),
        );
    }
}
