<?php

declare(strict_types=1);

use WideQuarry\Bulk\CarryOver;

it('files under the folder that was named, by the folders that were chosen', function (
    array $into,
    ?array $chosen,
    array $paths,
    array $there,
): void {
    expect((new CarryOver($into, $chosen, [], []))->folders($paths))->toBe($there);
})->with([
    'as it lay' => [[], null, [['Rocks', 'Slate']], [['Rocks', 'Slate']]],
    'under another folder' => [['2027'], null, [['Rocks'], ['Maps']], [['2027', 'Rocks'], ['2027', 'Maps']]],
    'in no folder' => [['2027'], null, [], [['2027']]],
    'in no folder, and none named' => [[], null, [], []],
    'in a chosen folder and another' => [[], [['Rocks']], [['Rocks', 'Slate'], ['Drafts']], [['Rocks', 'Slate']]],
    'a folder whose name only begins alike' => [[], [['Rocks']], [['Rocks 2'], ['Rocks']], [['Rocks']]],
    'only with an assessment' => [['2027'], [['Rocks']], [['Drafts']], [['2027', 'Drafts']]],
]);

it('gives topics the places they have there, with what stands below', function (array $topics, array $paths, array $there): void {
    expect((new CarryOver([], null, $topics, []))->topics($paths))->toBe($there);
})->with([
    'none given a place' => [[], [['Earth', 'Rocks']], [['Earth', 'Rocks']]],
    'one of them' => [['["Earth","Rocks"]' => ['Geology']], [['Earth', 'Rocks'], ['Earth', 'Maps']], [['Geology'], ['Earth', 'Maps']]],
    'what stands below' => [['["Earth"]' => ['Science', 'Earth']], [['Earth', 'Rocks', 'Slate']], [['Science', 'Earth', 'Rocks', 'Slate']]],
    'the nearest above counts' => [
        ['["Earth"]' => ['Science'], '["Earth","Rocks"]' => ['Geology']], [['Earth', 'Rocks', 'Slate']], [['Geology', 'Slate']],
    ],
    'left out, with what stands below' => [['["Earth"]' => null], [['Earth', 'Rocks'], ['Maps']], [['Maps']]],
    'two become one' => [['["A"]' => ['C'], '["B"]' => ['C']], [['A'], ['B']], [['C']]],
]);

it('names standards as the other framework does, and keeps what it was not told of', function (): void {
    $carry = new CarryOver([], null, [], [
        'old-1' => (object) ['framework' => 'New', 'code' => 'N.1', 'statement' => 'new-1'],
        'old-2' => (object) ['framework' => 'New', 'code' => 'N.1', 'statement' => 'new-1'],
        'old-3' => null,
    ]);
    $record = json_decode('{"level":"8","standards":[{"framework":"Old","code":"O.1","statement":"old-1","relation":"touches"},'
        .'{"framework":"Old","code":"O.2","statement":"old-2"},{"framework":"Old","code":"O.3","statement":"old-3"},'
        .'{"framework":"Old","code":"O.9","statement":"old-9"},{"framework":"","code":"loose"}]}');
    expect(json_encode($carry->standards($record)))->toBe('{"level":"8","standards":[{"framework":"New","code":"N.1","statement":"new-1",'
        .'"relation":"touches"},{"framework":"Old","code":"O.9","statement":"old-9"},{"framework":"","code":"loose"}]}')
        ->and($record->standards)->toHaveCount(5)
        ->and($carry->standards(json_decode('{"standards":[{"framework":"Old","code":"O.3","statement":"old-3"}]}')))
        ->toEqual(new stdClass);
});
