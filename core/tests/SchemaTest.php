<?php

declare(strict_types=1);

use WideQuarry\Tests\Support\Schemas;

it('accepts the valid example and its response', function (string $name): void {
    $example = Schemas::example($name);

    expect(Schemas::problem($example->schema ?? 'question.json', $example->valid))->toBeNull();
    if (isset($example->response)) {
        expect(Schemas::problem('response.json', $example->response))->toBeNull();
    }
})->with(Schemas::exampleNames());

it('refuses each invalid example at the place it names', function (string $name, int $index): void {
    $example = Schemas::example($name);
    $invalid = $example->invalid[$index];
    $broken = Schemas::patched($example->valid, $invalid->patch);

    $place = Schemas::problem($example->schema ?? 'question.json', $broken);
    expect($place)
        ->not->toBeNull()
        ->and(
            str_starts_with((string) $place, $invalid->path) ||
                (string) $place === dirname($invalid->path, 1) ||
                ($place === '' && substr_count($invalid->path, '/') === 1),
        )
        ->toBeTrue("{$invalid->why}: $place");
})->with(Schemas::invalidExamples());

it('has an example of every kind that the question schema names', function (): void {
    $schema = Schemas::schema('question.json');
    $kinds = $schema->{'$defs'}->part->properties->kind->enum;

    expect(array_diff($kinds, Schemas::exampleNames()))
        ->toBe([])
        ->and(array_filter($kinds, fn (string $kind): bool => count(Schemas::example($kind)->invalid) < 3))
        ->toBe([]);
});
