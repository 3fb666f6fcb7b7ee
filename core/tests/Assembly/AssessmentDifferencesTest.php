<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\AssessmentDifferences;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;

const SLATE = '0192f0c4-0000-7000-8000-000000000a01';
const CHALK = '0192f0c4-0000-7000-8000-000000000a02';
const LAVA = '0192f0c4-0000-7000-8000-000000000a03';

/** Two sections: slate and chalk, and a draw of one of both. */
function builtTest(?callable $change = null): Assessment
{
    $json = Assessment::fresh('0192f0c4-0000-7000-8000-0000000000aa', 'Unit 3');
    $json->sections = [
        (object) ['id' => 's1', 'title' => 'First', 'entries' => [
            (object) ['id' => 'e1', 'question' => SLATE],
            (object) ['id' => 'e2', 'question' => CHALK, 'points' => 2],
        ]],
        (object) ['id' => 's2', 'entries' => [(object) ['id' => 'd1', 'draw' => 1, 'pool' => [SLATE, CHALK]]]],
    ];
    $change !== null && $change($json, ...$json->sections);

    return Assessment::read(Json::decode(Json::encode($json)), StandardKinds::all());
}

it('says what was changed', function (callable $change, array $said): void {
    $titles = [SLATE => 'Slate', CHALK => 'Chalk', LAVA => 'Lava'];
    expect(AssessmentDifferences::between(builtTest(), builtTest($change), $titles))->toBe($said);
})->with([
    'nothing' => [fn () => null, []],
    'the whole' => [
        function (stdClass $test): void {
            [$test->title, $test->time_limit, $test->instructions, $test->state] = ['Unit 4', 90, 'Use a pencil.', 'ready'];
        },
        ['The title was “Unit 3” and is “Unit 4”.', 'The instructions changed.', 'The time limit is 2 minutes.', 'It is ready now.'],
    ],
    'a question added' => [
        fn (stdClass $test, stdClass $first) => $first->entries[] = (object) ['id' => 'e3', 'question' => LAVA],
        ['“Lava” was added to “First”.'],
    ],
    'a question that is gone taken out' => [
        function (stdClass $test, stdClass $first): void {
            array_pop($first->entries);
            array_unshift($first->entries, (object) ['id' => 'e4', 'question' => '0192f0c4-0000-7000-8000-000000000a09']);
        },
        ['A question that is gone was added to “First”.', '“Chalk” was removed from “First”.'],
    ],
    'a question moved' => [
        fn (stdClass $test, stdClass $first, stdClass $second) => $second->entries[] = array_pop($first->entries),
        ['“Chalk” moved from “First” to section 2.'],
    ],
    'another order' => [
        fn (stdClass $test, stdClass $first) => $first->entries = array_reverse($first->entries),
        ['The order in “First” changed.'],
    ],
    'an exchange' => [
        fn (stdClass $test, stdClass $first) => $first->entries[0]->question = LAVA,
        ['“Slate” was exchanged for “Lava”.'],
    ],
    'points and a pin' => [
        function (stdClass $test, stdClass $first): void {
            [$first->entries[0]->points, $first->entries[0]->follow, $first->entries[0]->revision] = [3, 'pinned', 2];
            unset($first->entries[1]->points);
        },
        [
            '“Slate”: the points of the question → 3.', '“Slate” is pinned to revision 2.',
            '“Chalk”: points 2 → those of the question.',
        ],
    ],
    'a draw' => [
        function (stdClass $test, stdClass $first, stdClass $second): void {
            [$second->entries[0]->draw, $second->entries[0]->pool] = [2, [SLATE, LAVA]];
        },
        ['The draw draws 2 instead of 1.', 'The draw: one question added, one taken out.'],
    ],
    'sections' => [
        function (stdClass $test, stdClass $first): void {
            [$first->title, $first->shuffle] = ['Rocks', true];
            $test->sections = [(object) ['id' => 's3', 'title' => 'New', 'entries' => []], $test->sections[1], $first];
        },
        ['“New” was added.', '“First” is called “Rocks” now.', 'Shuffling in “Rocks” changed.', 'The sections stand in another order.'],
    ],
]);
