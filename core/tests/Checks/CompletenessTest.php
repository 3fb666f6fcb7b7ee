<?php

declare(strict_types=1);

use WideQuarry\Checks\Completeness;
use WideQuarry\Finding;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;

/** A choice between slate (right) and schist, with a hint that costs half. */
function withHint(array $more = [], string $body = '<p>Which splits?</p><div data-part="p1"></div>'): Question
{
    $options = [['id' => 'a', 'html' => 'slate'], ['id' => 'b', 'html' => 'schist']];
    $part = [
        'id' => 'p1',
        'kind' => 'choice',
        'points' => 2,
        'settings' => ['options' => $options],
        'key' => ['rules' => [['id' => 'r1', 'on' => 'a', 'credit' => '1']]],
    ];
    $json = [
        'format' => 'wide-quarry/question',
        'version' => 1,
        'id' => '0192f0c4-0000-7000-8000-0000000000ee',
        'language' => 'en-GB',
        'body' => $body,
        'parts' => [$part],
        'hints' => [['id' => 'h1', 'html' => 'Look at it.', 'cost' => '1/2']],
        ...$more,
    ];

    return Question::read(Json::decode(Json::encode($json)), StandardKinds::all());
}

it('marks a specimen with the hints that were taken and the tries before it', function (array $specimen, bool $holds): void {
    $specimen = ['id' => 's1', 'response' => ['p1' => ['chosen' => ['a']]], ...$specimen];
    expect((new Completeness)->failingSpecimens(withHint(['record' => ['specimens' => [$specimen]]])) === [])->toBe($holds);
})->with([
    'no hint, all of it' => [['score' => '2'], true],
    'a hint, all of it' => [['score' => '2', 'hints' => 1], false],
    'a hint, half of it' => [['score' => '1', 'hints' => 1], true],
    'no hint, half of it' => [['score' => '1'], false],
]);

it('misses the part a gap of the text waits for', function (): void {
    $codes = fn (Question $question): array => array_map(
        fn (Finding $finding): string => $finding->code,
        (new Completeness)->findings($question),
    );
    expect($codes(withHint(body: '<p>It is <span data-gap="g1" data-of="p9"></span>.</p><div data-part="p1"></div>')))
        ->toContain('gap.unknown')
        ->and($codes(withHint()))
        ->not->toContain('gap.unknown');
});

it('refuses formulas that take too long at once, in keys as well and where nothing varies', function (): void {
    $formula = implode('+', array_fill(0, 140, 'exp(1)'));
    $rule = fn (int $i): array => ['id' => "r$i", 'on' => ['answer' => 'value', 'value' => ['expr' => $formula]], 'credit' => '1'];
    $part = fn (int $rules): array => [
        'id' => 'p1',
        'kind' => 'number',
        'points' => 2,
        'settings' => (object) [],
        'key' => ['rules' => array_map($rule, range(1, $rules))],
    ];
    $codes = fn (int $rules): array => array_column((new Completeness)->findings(withHint(['parts' => [$part($rules)]])), 'code');

    expect($codes(2))->toBe(['variable.too_much'])->and($codes(1))->not->toContain('variable.too_much');
});
