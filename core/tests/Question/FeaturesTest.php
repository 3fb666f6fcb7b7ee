<?php

declare(strict_types=1);

use WideQuarry\Question\Features;
use WideQuarry\Tests\Support\Questions;

it('says what a question has', function (array $more, array $has): void {
    expect(Features::of(Questions::of([Questions::choice(['a' => '1', 'b' => ''])], $more)))->toBe($has);
})->with([
    'nothing special' => [[], []],
    'a picture and a table' => [
        ['body' => '<p><img data-media="m1" alt="x"/></p><table><tbody><tr><td>1</td></tr></tbody></table><div data-part="p1"></div>'],
        ['figure', 'table'],
    ],
    'a formula and a sound' => [
        ['body' => '<p><math><mi>x</mi></math><audio data-media="m2"></audio></p><div data-part="p1"></div>'],
        ['audio', 'formula'],
    ],
    'feedback that says nothing' => [['feedback' => ['right' => '', 'wrong' => ['html' => '']]], []],
    'feedback' => [['feedback' => ['wrong' => ['html' => '<p>No.</p>', 'show' => 'both']]], ['feedback']],
    'hints, values, a stimulus and specimens' => [
        [
            'hints' => [['id' => 'h1', 'html' => 'Look.']],
            'variables' => ['list' => [['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '2']]],
            'stimuli' => ['0192f0c4-0000-7000-8000-0000000000aa'],
            'record' => ['specimens' => [['id' => 's1', 'response' => new stdClass(), 'score' => '0']]],
        ],
        ['hints', 'values', 'specimens', 'stimulus'],
    ],
]);

it('finds feedback of a rule', function (): void {
    $part = Questions::choice(['a' => '1', 'b' => '0']);
    $part['key']['rules'][1]['feedback'] = ['html' => 'Think again.', 'show' => 'both'];
    expect(Features::of(Questions::of([$part])))->toBe(['feedback']);
});

it('says how it is marked', function (array $schemes, string $marking): void {
    $parts = array_map(
        fn (string $scheme, int $i): array => $scheme === 'survey'
            ? ['id' => "p$i", 'kind' => 'survey', 'points' => 0, 'settings' => ['scale' => ['from' => 1, 'to' => 5]]]
            : Questions::choice(['a' => '1', 'b' => ''], ['scheme' => $scheme], 1, "p$i", 1),
        $schemes,
        array_keys($schemes),
    );
    expect(Features::marking(Questions::of($parts)))->toBe($marking);
})->with([
    [['weights'], 'itself'],
    [['person'], 'hand'],
    [['weights', 'person'], 'partly'],
    [['survey'], ''],
    [['person', 'survey'], 'hand'],
    [[], ''],
]);
