<?php

declare(strict_types=1);

use WideQuarry\Assembly\Follow;

it('asks the revision that an entry follows', function (Follow $follow, ?int $approved, ?int $pinned, int $asked): void {
    expect($follow->revision(7, $approved, $pinned))->toBe($asked);
})->with([
    'the latest' => [Follow::Latest, 5, 3, 7],
    'the last approved' => [Follow::Approved, 5, 3, 5],
    'approved, but none was' => [Follow::Approved, null, 3, 7],
    'pinned' => [Follow::Pinned, 5, 3, 3],
    'pinned to nothing' => [Follow::Pinned, 5, null, 7],
]);
