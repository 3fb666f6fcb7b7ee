<?php

declare(strict_types=1);

namespace Tests\Machine;

/** What came back. Status 0 means that nothing did. */
final readonly class Answer
{
    public function __construct(public int $status, public string $body, public string $etag, public float $seconds)
    {
    }

    /** @param  string  $path  as in data.id; empty for all */
    public function json(string $path = ''): mixed
    {
        return data_get(json_decode($this->body, true), $path === '' ? null : $path);
    }
}
