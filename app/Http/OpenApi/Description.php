<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use Illuminate\Routing\Route;
use Illuminate\Routing\Router;

/** OpenAPI 3.1 made from the routes, the attributes of the controllers and the shapes of the resources. */
final readonly class Description
{
    public function __construct(private Router $router)
    {
    }

    /** @return array<string, mixed> */
    public function build(): array
    {
        $paths = [];
        $schemas = [
            'Problem' => $this->object([
                'type' => 'string',
                'title' => 'string',
                'status' => 'integer',
                'detail' => 'string',
                'path' => 'string?',
            ]),
        ];
        foreach ($this->router->getRoutes()->getRoutes() as $route) {
            $operation = self::operation($route);
            if ($operation === null) {
                continue;
            }
            if ($operation->response !== null) {
                $schemas[self::name($operation->response)] = $this->object($operation->response::shape());
            }
            $path = '/'.preg_replace(['~^api/v1/~', '~\{(\w+)(?::\w+)?\}~'], ['', '{$1}'], $route->uri());
            $paths[$path][strtolower($route->methods()[0])] = $this->describe($route, $operation);
        }
        ksort($paths);
        ksort($schemas);

        return [
            'openapi' => '3.1.0',
            'info' => ['title' => 'Wide Quarry', 'version' => '1'],
            'servers' => [['url' => '/api/v1']],
            'paths' => $paths,
            'components' => ['schemas' => $schemas],
        ];
    }

    public static function operation(Route $route): ?Operation
    {
        $class = $route->getControllerClass();
        if ($class === null || ! str_starts_with($route->uri(), 'api/v1/')) {
            return null;
        }
        $method = $route->getActionMethod() === $class ? '__invoke' : $route->getActionMethod();
        $attribute = (new \ReflectionMethod($class, $method))->getAttributes(Operation::class)[0] ?? null;

        return $attribute?->newInstance();
    }

    /** @return array<string, mixed> */
    private function describe(Route $route, Operation $operation): array
    {
        $one = $operation->response === null ? null : ['$ref' => '#/components/schemas/'.self::name($operation->response)];
        $data = $operation->list ? ['type' => 'array', 'items' => $one] : $one;
        $schema = $one === null ? ['type' => 'object'] : ['type' => 'object', 'required' => ['data'], 'properties' => ['data' => $data]];
        $request =
            $operation->body === []
                ? []
                : [
                    'requestBody' => [
                        'required' => true,
                        'content' => ['application/json' => ['schema' => $this->object($operation->body)]],
                    ],
                ];

        return [
            'summary' => $operation->summary,
            'parameters' => array_map(
                fn (string $name): array => ['name' => $name, 'in' => 'path', 'required' => true, 'schema' => ['type' => 'string']],
                array_values(array_filter($route->parameterNames())),
            ),
            ...$request,
            'responses' => [
                (string) $operation->status => [
                    'description' => 'Done',
                    ...$operation->status === 204 ? [] : ['content' => ['application/json' => ['schema' => $schema]]],
                ],
                'default' => [
                    'description' => 'What stood in the way',
                    'content' => ['application/problem+json' => ['schema' => ['$ref' => '#/components/schemas/Problem']]],
                ],
            ],
        ];
    }

    /**
     * @param  array<string, string>  $shape
     * @return array<string, mixed>
     */
    private function object(array $shape): array
    {
        $properties = [];
        foreach ($shape as $name => $type) {
            $plain = rtrim($type, '?[]');
            $properties[$name] = $this->schema($plain, str_contains($type, '[]'), str_ends_with($type, '?'));
        }

        return [
            'type' => 'object',
            'required' => array_keys(array_filter($shape, fn (string $type): bool => ! str_ends_with($type, '?'))),
            'properties' => $properties,
        ];
    }

    /** @return array<string, mixed> */
    private function schema(string $plain, bool $list, bool $nullable): array
    {
        $type = fn (string $name): string|array => $nullable ? [$name, 'null'] : $name;

        return match (true) {
            $plain === 'marks' => [
                'type' => $type('array'),
                'items' => ['type' => 'array', 'prefixItems' => [['type' => 'string'], ['type' => 'boolean']]],
            ],
            $plain === 'paths' => ['type' => 'array', 'items' => ['type' => 'array', 'items' => ['type' => 'string']]],
            $plain === 'uuid' && $list => ['type' => 'array', 'items' => ['type' => 'string', 'format' => 'uuid']],
            $plain === 'uuid' => ['type' => $type('string'), 'format' => 'uuid'],
            $list => ['type' => 'array', 'items' => ['type' => $plain]],
            default => ['type' => $type($plain)],
        };
    }

    private static function name(string $class): string
    {
        return str_replace('Resource', '', class_basename($class));
    }
}
