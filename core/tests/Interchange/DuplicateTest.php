<?php

declare(strict_types=1);

use WideQuarry\Interchange\Duplicate;

it('decides what happens to a question', function (bool $skipped, ?Duplicate $found, ?string $decision, string $usual, string $outcome): void {
    expect(Duplicate::outcome($skipped, $found, $decision, $usual))->toBe($outcome);
})->with([
    'new' => [false, null, null, 'skip', 'added'],
    'new, whatever is usual' => [false, null, null, 'replace', 'added'],
    'taken out' => [true, null, 'add', 'add', 'skipped'],
    'there, as is usual' => [false, Duplicate::Origin, null, 'skip', 'skipped'],
    'there, decided for it' => [false, Duplicate::Words, 'replace', 'skip', 'replaced'],
    'there, added beside' => [false, Duplicate::Identifier, 'add', 'replace', 'added'],
    'a twin has nothing to replace' => [false, Duplicate::Earlier, null, 'replace', 'skipped'],
    'nearly the same, whatever is usual' => [false, Duplicate::Near, null, 'skip', 'added'],
    'nearly the same, decided for it' => [false, Duplicate::Near, 'replace', 'skip', 'replaced'],
    'nearly a twin has nothing to replace' => [false, Duplicate::NearEarlier, 'replace', 'skip', 'skipped'],
    'a twin, added all the same' => [false, Duplicate::Earlier, 'add', 'skip', 'added'],
]);
