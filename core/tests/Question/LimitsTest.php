<?php

declare(strict_types=1);

use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Stimulus\Stimulus;
use WideQuarry\Tests\Support\Bounds;
use WideQuarry\Tests\Support\Schemas;

$kinds = StandardKinds::all()->names();

it('reads what the schema of questions allows, up to every bound', function (string $example): void {
    $read = fn (stdClass $json) => Question::read($json, StandardKinds::all());
    $within = $example === 'question' ? '' : '/parts'; // the rest is the same for all

    expect(Bounds::disagreements('question.json', Schemas::example($example)->valid, $read, $within))->toBe([]);
})->with(array_values(array_intersect(Schemas::exampleNames(), [...$kinds, 'question'])));

it('reads what the schema of stimuli allows, up to every bound', function (): void {
    expect(Bounds::disagreements('stimulus.json', Schemas::example('stimulus')->valid, Stimulus::read(...)))->toBe([]);
});
