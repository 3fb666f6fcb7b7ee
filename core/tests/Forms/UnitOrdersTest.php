<?php

declare(strict_types=1);

use WideQuarry\Forms\UnitOrders;
use WideQuarry\Random\Seed;

/** @return list<string> "small-large" of each two neighbours */
function neighboursIn(array $order): array
{
    $pairs = [];
    for ($i = 1; $i < count($order); $i++) {
        $pairs[] = min($order[$i - 1], $order[$i]).'-'.max($order[$i - 1], $order[$i]);
    }

    return $pairs;
}

it('has no two neighbours twice in as many orders as there can be, and nothing at the same place', function (int $n): void {
    $orders = new UnitOrders($n, Seed::of($n)->stream('test', ''));
    $pairs = $at = [];
    for ($i = 0; $i < max(1, intdiv($n, 2)); $i++) {
        $order = $orders->next();
        $sorted = $order;
        sort($sorted);
        expect($sorted)->toBe(range(0, $n - 1));
        array_push($pairs, ...neighboursIn($order));
        foreach ($order as $place => $thing) {
            $at[] = "$place $thing";
        }
    }
    expect(array_unique($pairs))->toHaveCount(count($pairs))->and(array_unique($at))->toHaveCount(count($at));
})->with([1, 2, 3, 4, 5, 6, 7, 8, 13, 60]);

it('repeats no order as long as there are others', function (int $n, int $all): void {
    $orders = new UnitOrders($n, Seed::of(1)->stream('test', ''));
    $seen = [];
    for ($i = 0; $i < 26; $i++) {
        $seen[implode(' ', $orders->next())] = true;
    }
    expect($seen)->toHaveCount(min(26, $all));
})->with([[1, 1], [2, 2], [3, 6], [4, 24], [5, 120], [9, 362880]]);

it('is empty where there is nothing', function (): void {
    expect((new UnitOrders(0, Seed::of(1)->stream('test', '')))->next())->toBe([]);
});
