<?php

declare(strict_types=1);

use WideQuarry\Standards\Association;
use WideQuarry\Standards\Crosswalk;

it('finds the statement of another framework', function (array $from, array $to, array $associations, array $found): void {
    $associations = array_map(fn (array $one): Association => new Association(...$one), $associations);
    expect(Crosswalk::between($from, $to, $associations))->toBe($found);
})->with([
    'by code, however it is written' => [['a' => 'FEF.2.3', 'b' => 'FEF.9'], ['x' => 'fef. 2.3'], [], ['a' => 'x']],
    'not by a code that stands twice there' => [['a' => '1'], ['x' => '1', 'y' => '1'], [], []],
    'not by a code that stands twice here' => [['a' => '1', 'b' => '1'], ['x' => '1'], [], []],
    'not without a code' => [['a' => ''], ['x' => ''], [], []],
    'as is said, either way' => [
        ['a' => '1', 'b' => '2'], ['x' => '9', 'y' => '8'],
        [['a', 'x', 'exact'], ['y', 'b', 'exact']], ['a' => 'x', 'b' => 'y'],
    ],
    'the same before a successor, a successor before the code' => [
        ['a' => '1', 'b' => '2'], ['x' => '1', 'y' => '2', 'z' => '3'],
        [['a', 'y', 'replaced_by'], ['a', 'z', 'exact'], ['b', 'x', 'replaced_by']], ['a' => 'z', 'b' => 'x'],
    ],
    'not by what is only related, or leads elsewhere' => [
        ['a' => '1'], ['x' => '2'], [['a', 'x', 'related'], ['a', 'x', 'broader'], ['a', 'q', 'exact'], ['x', 'a', 'replaced_by']], [],
    ],
]);
