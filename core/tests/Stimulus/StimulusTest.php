<?php

declare(strict_types=1);

use WideQuarry\Finding;
use WideQuarry\Json\Malformed;
use WideQuarry\Stimulus\Stimulus;
use WideQuarry\Stimulus\StimulusRuns;

$read = fn (array $more): Stimulus => Stimulus::read(
    (object) [
        'id' => '0192f0c4-0000-7000-8000-0000000000aa',
        'title' => '',
        'language' => 'en-GB',
        'body' => '<p>Three beds.</p>',
        ...$more,
    ],
);

it('is called by its title, or else by its first words', function (array $more, string $name) use ($read): void {
    expect($read($more)->name())->toBe($name);
})->with([
    [['title' => ' The cliff '], 'The cliff'],
    [[], 'Three beds.'],
    [
        ['body' => '<p>A cliff of three beds, seen from the beach</p><p>at low water in April of last year.</p>'],
        'A cliff of three beds, seen from the beach at low water in …',
    ],
    [['body' => '<p><img data-media="m1" alt="beds in a cliff"/></p>'], 'beds in a cliff'],
    [['body' => '<p><img data-media="m1" alt=""/></p>'], 'A stimulus without words'],
]);

it('keeps its text in the canonical form and says what was left out', function () use ($read): void {
    $stimulus = $read(['body' => '<P onclick="x()">Three <b>beds</b><script>1</script>']);
    expect($stimulus->toJson()->body)
        ->toBe('<p>Three <strong>beds</strong></p>')
        ->and(array_column($stimulus->findings(), 'code'))
        ->toContain('content.dropped');
});

it('says what cannot be in it', function (array $more, array $codes) use ($read): void {
    expect(array_map(fn (Finding $finding): string => $finding->code, $read($more)->findings()))->toBe($codes);
})->with([
    'nothing' => [['body' => '<p> </p>'], ['stimulus.empty']],
    'a picture alone' => [['body' => '<p><img data-media="m1" alt="beds"/></p>'], []],
    'a place for an answer' => [['body' => '<p>Rock: <span data-part="p1"></span></p>'], ['stimulus.answers']],
    'a value' => [['body' => '<p><var data-value="mass"></var> g</p>'], ['stimulus.values']],
]);

it('refuses what is no stimulus, with the place', function (array $more, string $path) use ($read): void {
    expect(fn () => $read($more))->toThrow(fn (Malformed $problem) => expect($problem->path)->toBe($path));
})->with([
    [['id' => 'x'], '/id'],
    [['language' => 'in English'], '/language'],
    [['title' => str_repeat('a', 501)], '/title'],
    [['parts' => []], '/parts'],
]);

it('stands once above the neighbours that share it', function (array $sections, array $expected): void {
    $brief = fn (array $place): string => implode(' ', [
        ...array_map(fn (array $one): string => "$one[id]-$one[last]", $place['begins']),
        ...array_map(fn (array $one): string => "$one[id]<$one[of]", $place['again']),
    ]);
    expect(array_map(fn (array $places): array => array_map($brief, $places), StimulusRuns::of($sections)))->toBe($expected);
})->with([
    'three neighbours' => [[[['a'], ['a'], ['a']]], [['a-3', '', '']]],
    'two that overlap' => [[[['a'], ['a', 'b'], ['b']]], [['a-2', 'b-3', '']]],
    'one further on' => [[[['a'], [], ['a'], ['a']]], [['a-1', '', 'a<1', '']]],
    'a run ends with its section' => [[[['a']], [['a'], []]], [['a-1'], ['a<1', '']]],
    'a page of text is not numbered and parts them' => [[[null, ['a'], ['a'], null, ['a']]], [['', 'a-2', '', '', 'a<1']]],
    'named twice' => [[[['a', 'a']]], [['a-1']]],
    'nothing shared' => [[[[], []], []], [['', ''], []]],
]);
