<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use Illuminate\Routing\Route;
use Illuminate\Routing\Router;
use WideQuarry\Json\Json;

/** OpenAPI 3.1 made from the routes, the attributes of the controllers and the schemas in this folder. */
final readonly class Description
{
    public function __construct(private Router $router)
    {
    }

    /** @return array<string, mixed> */
    public function build(): array
    {
        $paths = [];
        foreach ($this->router->getRoutes()->getRoutes() as $route) {
            $operation = self::operation($route);
            if ($operation !== null) {
                $method = $route->methods()[0];
                $paths[self::path($route)][is_string($method) ? strtolower($method) : ''] = $this->describe($route, $operation);
            }
        }
        ksort($paths);

        return [
            'openapi' => '3.1.0',
            'info' => ['title' => 'Wide Quarry', 'version' => '1'],
            'servers' => [['url' => '/api/v1']],
            'paths' => $paths,
            'components' => ['schemas' => self::schemas()],
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

    /** Where a route is, as the description has it: "/banks/{bank}". */
    public static function path(Route $route): string
    {
        return '/'.preg_replace(['~^api/v1/~', '~\{(\w+)(?::\w+)?\}~'], ['', '{$1}'], $route->uri());
    }

    /** @return array<string, \stdClass> JSON Schema (2020-12) of everything that is named in operations, by name */
    public static function schemas(): array
    {
        $schemas = [];
        foreach (glob(__DIR__.'/schemas/*.json') ?: [] as $file) {
            $schemas[basename($file, '.json')] = Json::object((string) file_get_contents($file));
        }

        return $schemas;
    }

    /** @return array<string, mixed> */
    private function describe(Route $route, Operation $operation): array
    {
        $json = fn (array $schema, string $type = 'application/json'): array => ['content' => [$type => ['schema' => $schema]]];
        $answer = $operation->response === null ? null : FieldTypes::schema($operation->response);

        return [
            'summary' => $operation->summary,
            'parameters' => array_map(
                fn (string $name): array => ['name' => $name, 'in' => 'path', 'required' => true, 'schema' => ['type' => 'string']],
                array_values(array_filter($route->parameterNames(), is_string(...))),
            ),
            ...$operation->body === [] ? [] : ['requestBody' => ['required' => true, ...$json(FieldTypes::schema($operation->body))]],
            'responses' => [
                (string) $operation->status => ['description' => 'Done', ...$answer === null ? [] : $json($answer)],
                'default' => [
                    'description' => 'What stood in the way',
                    ...$json(['$ref' => '#/components/schemas/Problem'], 'application/problem+json'),
                ],
            ],
        ];
    }
}
