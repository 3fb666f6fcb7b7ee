<?php

declare(strict_types=1);

use WideQuarry\Duplicates\DuplicateMatch;

it('decides what happens to a question of an import', function (bool $skipped, ?DuplicateMatch $found, ?string $decision, string $usual, string $outcome): void {
    expect(DuplicateMatch::outcome($skipped, $found, $decision, $usual))->toBe($outcome);
})->with([
    'new' => [false, null, null, 'skip', 'added'],
    'taken out in the review' => [true, null, 'add', 'add', 'skipped'],
    'known, by default skipped' => [false, DuplicateMatch::Words, null, 'skip', 'skipped'],
    'known, by default replaced' => [false, DuplicateMatch::Origin, null, 'replace', 'replaced'],
    'the decision beats the default' => [false, DuplicateMatch::Identifier, 'add', 'skip', 'added'],
    'similar is new unless decided' => [false, DuplicateMatch::Near, null, 'skip', 'added'],
    'similar, and decided' => [false, DuplicateMatch::Near, 'replace', 'skip', 'replaced'],
    'an earlier question of this import cannot be replaced' => [false, DuplicateMatch::Earlier, 'replace', 'add', 'skipped'],
    'nor one that is similar' => [false, DuplicateMatch::NearEarlier, 'replace', 'add', 'skipped'],
]);

it('takes our own identifier for surer than anything else, and similar words for least', function (): void {
    $ranks = array_map(fn (DuplicateMatch $match): int => $match->rank(), [
        DuplicateMatch::Identifier,
        DuplicateMatch::Origin,
        DuplicateMatch::Words,
        DuplicateMatch::Earlier,
        DuplicateMatch::Near,
    ]);
    $sorted = $ranks;
    sort($sorted);

    expect($ranks)->toBe($sorted)->and(array_unique($ranks))->toHaveCount(5);
});
