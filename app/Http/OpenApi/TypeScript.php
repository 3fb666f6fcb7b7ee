<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

/** The TypeScript types of the API's resources, made from its description. */
final class TypeScript
{
    /** @param  array<string, mixed>  $description OpenAPI 3.1 */
    public static function of(array $description): string
    {
        $types = "// Made from the API description by `php artisan api:types`; do not edit.\n";
        foreach ($description['components']['schemas'] as $name => $schema) {
            $fields = '';
            foreach ($schema['properties'] as $field => $property) {
                $fields .= "  $field: ".self::type($property)."\n";
            }
            $types .= "\nexport type $name = {\n$fields}\n";
        }

        return $types;
    }

    /** @param  array<string, mixed>  $schema */
    private static function type(array $schema): string
    {
        $names = array_map(
            fn (string $type): string => match ($type) {
                'integer' => 'number',
                'object' => 'Record<string, unknown>',
                'array' => isset($schema['items']['prefixItems'])
                    ? '['.implode(', ', array_map(self::type(...), $schema['items']['prefixItems'])).'][]'
                    : self::type($schema['items']).'[]',
                default => $type,
            },
            (array) $schema['type'],
        );

        return implode(' | ', $names);
    }
}
