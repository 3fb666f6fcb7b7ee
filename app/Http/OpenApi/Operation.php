<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

/** What a controller's method does, for the API description. */
#[\Attribute(\Attribute::TARGET_METHOD)]
final readonly class Operation
{
    /**
     * @param  class-string<Shape>|null  $response
     * @param  bool  $list  whether the response is a list of them
     * @param  array<string, string>  $body  fields of the request, as in Shape; ? where they may be left out
     */
    public function __construct(
        public string $summary,
        public ?string $response = null,
        public bool $list = false,
        public array $body = [],
        public int $status = 200,
    ) {
    }
}
