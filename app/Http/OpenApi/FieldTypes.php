<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

/** The short types of Operation as JSON Schema. */
final class FieldTypes
{
    private const PLAIN = ['string', 'integer', 'number', 'boolean', 'object'];

    /**
     * @param  string|array<string, string>  $type  one type, or those of an object's fields
     * @return array<string, mixed>
     */
    public static function schema(string|array $type): array
    {
        if (is_string($type)) {
            return self::one($type);
        }

        return [
            'type' => 'object',
            'required' => array_keys(array_filter($type, fn (string $one): bool => ! str_ends_with($one, '?'))),
            'properties' => array_map(self::one(...), $type),
        ];
    }

    /** @return array<string, mixed> */
    private static function one(string $type): array
    {
        foreach (['?', '|null'] as $end) {
            if (str_ends_with($type, $end)) {
                return self::orNull(self::one(substr($type, 0, -strlen($end))));
            }
        }
        if (str_ends_with($type, '[]')) {
            return ['type' => 'array', 'items' => self::one(substr($type, 0, -2))];
        }

        return match (true) {
            $type === 'any' => [],
            $type === 'uuid' => ['type' => 'string', 'format' => 'uuid'],
            in_array($type, self::PLAIN, true) => ['type' => $type],
            is_file(__DIR__."/schemas/$type.json") => ['$ref' => "#/components/schemas/$type"],
            default => throw new \LogicException("There is no schema $type in ".__DIR__.'/schemas.'),
        };
    }

    /**
     * @param  array<string, mixed>  $schema
     * @return array<string, mixed>
     */
    private static function orNull(array $schema): array
    {
        return is_string($schema['type'] ?? null)
            ? [...$schema, 'type' => [$schema['type'], 'null']]
            : ['anyOf' => [$schema, ['type' => 'null']]];
    }
}
