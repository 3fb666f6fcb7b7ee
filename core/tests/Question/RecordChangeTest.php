<?php

declare(strict_types=1);

use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Question\RecordChange;

$object = fn (array $json): stdClass => Json::decode($json === [] ? '{}' : Json::encode($json));

it('changes what it names and nothing else', function (array $before, array $change, array $after) use ($object): void {
    $record = $object($before);
    expect(RecordChange::read($object($change), '')->apply($record))
        ->toEqual($object($after))
        ->and($record)
        ->toEqual($object($before));
})->with([
    'drops what was not translated, keeps the rest of the origin' => [
        ['origin' => ['format' => 'qti30', 'processing' => '<x/>']],
        ['processing' => ['set' => null]],
        ['origin' => ['format' => 'qti30']],
    ],
    'and puts it back' => [
        ['origin' => ['format' => 'qti30']],
        ['processing' => ['set' => '<x/>']],
        ['origin' => ['format' => 'qti30', 'processing' => '<x/>']],
    ],
    'nothing to drop' => [['tags' => ['a']], ['processing' => ['set' => null]], ['tags' => ['a']]],
    'adds at the end' => [['tags' => ['a']], ['tags' => ['add' => ['b', 'c']]], ['tags' => ['a', 'b', 'c']]],
    'takes off' => [['tags' => ['a', 'b']], ['tags' => ['remove' => ['a']]], ['tags' => ['b']]],
    'takes off the last one, and the field with it' => [
        ['tags' => ['a'], 'level' => 'x'],
        ['tags' => ['remove' => ['a']]],
        ['level' => 'x'],
    ],
    'the same word in other capitals is there already' => [
        ['tags' => ['Thin section']],
        ['tags' => ['add' => ['thin SECTION', 'new']]],
        ['tags' => ['Thin section', 'new']],
    ],
    'takes off before it adds' => [['tags' => ['a']], ['tags' => ['remove' => ['a'], 'add' => ['a']]], ['tags' => ['a']]],
    'settles spaces' => [[], ['purpose' => ['add' => ["  unit \n test "]]], ['purpose' => ['unit test']]],
    'sets a list whole' => [['tags' => ['a']], ['tags' => ['set' => ['z']]], ['tags' => ['z']]],
    'sets one' => [['difficulty' => 2], ['difficulty' => ['set' => 5]], ['difficulty' => 5]],
    'sets to nothing' => [['difficulty' => 2, 'level' => 'x'], ['difficulty' => ['set' => null], 'level' => ['set' => '']], []],
    'leaves what it does not know of' => [
        ['origin' => ['format' => 'qti30'], 'notes' => 'n'],
        ['status' => ['set' => 'approved']],
        ['origin' => ['format' => 'qti30'], 'notes' => 'n', 'status' => 'approved'],
    ],
    'nothing to do' => [['tags' => ['a']], [], ['tags' => ['a']]],
]);

it('refuses what no record can hold, with the place', function (array $change, string $path) use ($object): void {
    try {
        RecordChange::read($object($change), '/record')->apply(new stdClass());
        test()->fail('It was taken.');
    } catch (Malformed $problem) {
        expect($problem->path)->toBe($path);
    }
})->with([
    'an unknown field' => [['colour' => ['set' => 'red']], '/record/colour'],
    'an unknown way' => [['tags' => ['replace' => ['a']]], '/record/tags/replace'],
    'a value without a way' => [['difficulty' => 3], '/record/difficulty'],
    'nothing set' => [['difficulty' => (object) []], '/record/difficulty'],
    'an empty word' => [['tags' => ['add' => ['a', ' ']]], '/record/tags/add/1'],
    'a word of 101 characters' => [['tags' => ['add' => [str_repeat('x', 101)]]], '/record/tags/add/0'],
    'a difficulty beyond the scale' => [['difficulty' => ['set' => 6]], '/difficulty'],
    'a state that is none' => [['status' => ['set' => 'done']], '/status'],
]);

it(
    'tells the status it sets',
    fn () => expect(RecordChange::read($object(['status' => ['set' => 'approved']]), '')->status())
        ->toBe('approved')
        ->and(RecordChange::read($object(['level' => ['set' => 'x']]), '')->status())
        ->toBeNull()
        ->and(RecordChange::read($object([]), '')->isEmpty())
        ->toBeTrue(),
);
