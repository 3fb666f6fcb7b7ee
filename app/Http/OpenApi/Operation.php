<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

/** What a controller's method does, takes and answers, for the API description. */
#[\Attribute(\Attribute::TARGET_METHOD)]
final readonly class Operation
{
    /**
     * A field is string, uuid, integer, number, boolean, object, any, or the name of a schema in this folder; with [] for a list of them
     * and |null where it may be null.
     *
     * @param  string|array<string, string>|null  $response  the schema of the answer, or its fields; null when it has no JSON
     * @param  array<string, string>  $body  fields of the request; ? at the end where they may be left out or null
     */
    public function __construct(
        public string $summary,
        public string|array|null $response = null,
        public array $body = [],
        public int $status = 200,
    ) {
    }
}
