<?php

declare(strict_types=1);

use WideQuarry\Duplicates\DuplicateMatch;

it('decides what happens to a question', function (
    bool $skipped,
    ?DuplicateMatch $found,
    ?string $decision,
    string $usual,
    string $outcome,
): void {
    expect(DuplicateMatch::outcome($skipped, $found, $decision, $usual))->toBe($outcome);
})->with([
    'new' => [false, null, null, 'skip', 'added'],
    'new, whatever is usual' => [false, null, null, 'replace', 'added'],
    'taken out' => [true, null, 'add', 'add', 'skipped'],
    'there, as is usual' => [false, DuplicateMatch::Origin, null, 'skip', 'skipped'],
    'there, decided for it' => [false, DuplicateMatch::Words, 'replace', 'skip', 'replaced'],
    'there, added beside' => [false, DuplicateMatch::Identifier, 'add', 'replace', 'added'],
    'a twin has nothing to replace' => [false, DuplicateMatch::Earlier, null, 'replace', 'skipped'],
    'nearly the same, whatever is usual' => [false, DuplicateMatch::Near, null, 'skip', 'added'],
    'nearly the same, decided for it' => [false, DuplicateMatch::Near, 'replace', 'skip', 'replaced'],
    'nearly a twin has nothing to replace' => [false, DuplicateMatch::NearEarlier, 'replace', 'skip', 'skipped'],
    'a twin, added all the same' => [false, DuplicateMatch::Earlier, 'add', 'skip', 'added'],
]);
