<?php

declare(strict_types=1);

namespace WideQuarry\Tests\Support;

use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;

/** The JSON Schemas of core/schema, their examples, and a validator for them. */
final class Schemas
{
    private const ROOT = __DIR__.'/../../schema';

    private static ?Validator $validator = null;

    /** @return list<string> */
    public static function exampleNames(): array
    {
        return array_map(fn (string $file): string => basename($file, '.json'), glob(self::ROOT.'/examples/*.json') ?: []);
    }

    /** @return array<string, array{string, int}> */
    public static function invalidExamples(): array
    {
        $cases = [];
        foreach (self::exampleNames() as $name) {
            foreach (self::example($name)->invalid as $index => $invalid) {
                $cases["$name: {$invalid->why}"] = [$name, $index];
            }
        }

        return $cases;
    }

    public static function example(string $name): \stdClass
    {
        return json_decode((string) file_get_contents(self::ROOT."/examples/$name.json"), false, 64, JSON_THROW_ON_ERROR);
    }

    public static function schema(string $file): \stdClass
    {
        return json_decode((string) file_get_contents(self::ROOT."/$file"), false, 64, JSON_THROW_ON_ERROR);
    }

    /** @return string|null the JSON pointer of the deepest first problem; null when it fits the schema */
    public static function problem(string $schema, mixed $value): ?string
    {
        self::$validator ??= self::validator();
        $error = self::$validator->validate($value, "wide-quarry://schema/$schema")->error();

        return $error === null ? null : self::deepest($error);
    }

    /** @return array<string, mixed> JSON Pointer → value, for everything in a value */
    public static function paths(mixed $value, string $path = ''): array
    {
        $paths = [];
        foreach (is_object($value) ? get_object_vars($value) : (is_array($value) ? $value : []) as $key => $item) {
            $paths += ["$path/$key" => $item] + self::paths($item, "$path/$key");
        }

        return $paths;
    }

    /** @param  list<\stdClass>  $patch operations add, replace, remove of RFC 6902 */
    public static function patched(mixed $value, array $patch): mixed
    {
        $value = unserialize(serialize($value));
        foreach ($patch as $operation) {
            $steps = array_slice(explode('/', $operation->path), 1);
            $last = array_pop($steps);
            $target = &$value;
            foreach ($steps as $step) {
                if (is_array($target)) {
                    $target = &$target[(int) $step];
                } else {
                    $target = &$target->{$step};
                }
            }
            self::apply($target, (string) $last, $operation);
            unset($target);
        }

        return $value;
    }

    private static function apply(mixed &$target, string $last, \stdClass $operation): void
    {
        if ($operation->op === 'remove') {
            if (is_array($target)) {
                array_splice($target, (int) $last, 1);
            } else {
                unset($target->{$last});
            }
        } elseif (is_array($target)) {
            $last === '-' ? ($target[] = $operation->value) : ($target[(int) $last] = $operation->value);
        } else {
            $target->{$last} = $operation->value;
        }
    }

    private static function deepest(ValidationError $error): string
    {
        $best = implode('', array_map(fn (int|string $step): string => "/$step", $error->data()->fullPath()));
        foreach ($error->subErrors() as $sub) {
            $path = self::deepest($sub);
            if (substr_count($path, '/') > substr_count($best, '/')) {
                $best = $path;
            }
        }

        return $best;
    }

    private static function validator(): Validator
    {
        $validator = new Validator;
        $resolver = $validator->resolver();
        assert($resolver !== null);
        $resolver->registerPrefix('wide-quarry://schema/', self::ROOT);

        return $validator;
    }
}
