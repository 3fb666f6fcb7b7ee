<?php

declare(strict_types=1);

use WideQuarry\Question\Approval;

it('refuses approval with the reason that helps most', function (bool $isComplete, int $failing, ?string $why): void {
    expect(Approval::refusal($isComplete, $failing))->toBe($why);
})->with([
    [true, 0, null],
    [false, 0, 'It is not complete, so it cannot be approved.'],
    [false, 1, 'One of its specimens does not score as stated, so it cannot be approved.'],
    [false, 3, '3 of its specimens do not score as stated, so it cannot be approved.'],
]);

it('ends an approval when the content changes, and no other status', function (array $record, array $after): void {
    $json = (object) $record;
    Approval::withdraw($json);

    expect((array) $json)->toBe($after);
})->with([
    'approved' => [['status' => 'approved', 'level' => 'A'], ['status' => 'draft', 'level' => 'A']],
    'in review' => [['status' => 'in_review'], ['status' => 'in_review']],
    'retired' => [['status' => 'retired'], ['status' => 'retired']],
    'none' => [['level' => 'A'], ['level' => 'A']],
]);

it('remembers the last revision that was approved', function (): void {
    expect(Approval::revision((object) ['status' => 'approved'], 4, 2))->toBe(4)
        ->and(Approval::revision((object) ['status' => 'draft'], 4, 2))->toBe(2)
        ->and(Approval::revision((object) [], 4, null))->toBeNull();
});
