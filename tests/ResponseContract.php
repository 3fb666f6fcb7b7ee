<?php

declare(strict_types=1);

namespace Tests;

use App\Http\OpenApi\Description;
use Illuminate\Foundation\Http\Events\RequestHandled;
use Illuminate\Routing\Route;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Assert;

/** Every answer of the API that any test gets is as the API description says. */
final class ResponseContract
{
    private const ID = 'https://wide-quarry.example/openapi';

    private static ?Validator $validator = null;

    /** @var array<string, \stdClass> schemas of answers, by method and route */
    private static array $answers = [];

    public static function check(RequestHandled $handled): void
    {
        $route = $handled->request->route();
        $response = $handled->response;
        $hasNoJson = $response->getStatusCode() === 204 || $response->headers->has('Content-Disposition');
        if (! $route instanceof Route || ! $response->isSuccessful() || $hasNoJson || Description::operation($route)?->response === null) {
            return;
        }
        $operation = strtolower($handled->request->method()).' '.Description::path($route);
        self::load();
        $result = self::$validator?->validate(json_decode((string) $response->getContent()), self::$answers[$operation]);
        $error = $result?->error();
        $said = $error === null ? '' : json_encode((new ErrorFormatter)->format($error), JSON_PRETTY_PRINT);
        Assert::assertNull($error, "$operation does not answer as described: $said");
    }

    private static function load(): void
    {
        if (self::$validator !== null) {
            return;
        }
        $description = self::closed(json_decode((string) json_encode(app(Description::class)->build())));
        self::$validator = new Validator;
        self::$validator->resolver()?->registerRaw((object) ['components' => $description->components], self::ID);
        foreach ((array) $description->paths as $path => $methods) {
            foreach ((array) $methods as $method => $operation) {
                foreach ((array) $operation->responses as $response) {
                    $schema = $response->content->{'application/json'}->schema ?? null;
                    if ($schema !== null) {
                        self::$answers["$method $path"] = self::absolute($schema);
                    }
                }
            }
        }
    }

    /** Fields that a schema does not name are not sent: what nobody described may be what somebody should not see. */
    private static function closed(mixed $schema): mixed
    {
        if (is_array($schema)) {
            return array_map(self::closed(...), $schema);
        }
        if (! $schema instanceof \stdClass) {
            return $schema;
        }
        $closed = (object) array_map(self::closed(...), (array) $schema);
        if (($schema->properties ?? null) instanceof \stdClass && ! isset($schema->additionalProperties)) {
            $closed->additionalProperties = false;
        }

        return $closed;
    }

    /** References into the description as references to it by its address, since an answer's schema is validated on its own. */
    private static function absolute(\stdClass $schema): \stdClass
    {
        $json = (string) json_encode($schema, JSON_UNESCAPED_SLASHES);

        return json_decode(str_replace('"#/components', '"'.self::ID.'#/components', $json), flags: JSON_THROW_ON_ERROR);
    }
}
