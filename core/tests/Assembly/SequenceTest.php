<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Sequence;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Random\Seed;

/** Entries e1 to e6; e1 is asked first, e6 last, and e4 stays behind e3. */
function orderOf(array $section, int $seed, array $run = []): array
{
    $json = Assessment::fresh('0192f0c4-0000-7000-8000-0000000000a1', 'Order');
    $places = [1 => ['place' => 'first'], 6 => ['place' => 'last']];
    $json->sections = [
        [
            'id' => 's1',
            ...$section,
            'entries' => array_map(
                fn (int $i): array => ['id' => "e$i", 'question' => sprintf('0192f0c4-0000-7000-8000-%012d', $i), ...$places[$i] ?? []],
                [6, 2, 3, 4, 5, 1],
            ),
        ],
    ];
    $json->run = $run === [] ? new stdClass : $run;
    $read = Assessment::read(Json::decode(Json::encode($json)), StandardKinds::all());

    return Sequence::of($read, Seed::of($seed), ['e4' => true])['s1'];
}

it('keeps the order that was made where nothing is shuffled', function (): void {
    expect(orderOf([], 3))->toBe(['e6', 'e2', 'e3', 'e4', 'e5', 'e1']);
});

it('shuffles a section, what belongs together as one, and keeps first and last', function (array $section, array $run): void {
    $orders = [];
    for ($seed = 0; $seed < 60; $seed++) {
        $order = orderOf($section, $seed, $run);
        expect([$order[0], $order[5]])
            ->toBe(['e1', 'e6'])
            ->and(array_search('e4', $order, true))
            ->toBe(array_search('e3', $order, true) + 1)
            ->and($order)
            ->toBe(orderOf($section, $seed, $run));
        $orders[implode(' ', $order)] = true;
    }
    expect($orders)->toHaveCount(6); // e2, e3 with e4, and e5 in each of their orders
})->with([
    'by the section' => [['shuffle' => true], []],
    'by the whole' => [[], ['shuffle' => true]],
]);

it('keeps what is fixed in its place, and what belongs together beside it', function (): void {
    $json = Assessment::fresh('0192f0c4-0000-7000-8000-0000000000a1', 'Order');
    $more = [3 => ['fixed' => true], 8 => ['place' => 'first']];
    $json->sections = [['id' => 's1', 'shuffle' => true, 'entries' => array_map(
        fn (int $i): array => ['id' => "e$i", 'question' => sprintf('0192f0c4-0000-7000-8000-%012d', $i), ...$more[$i] ?? []],
        range(1, 8),
    )]];
    $read = Assessment::read(Json::decode(Json::encode($json)), StandardKinds::all());
    $orders = [];
    for ($seed = 0; $seed < 60; $seed++) {
        $order = Sequence::of($read, Seed::of($seed), ['e6' => true])['s1'];
        expect($order[2])->toBe('e3')->and($order[0])->toBe('e8');
        expect(array_search('e6', $order, true))->toBe(array_search('e5', $order, true) + 1);
        $sorted = $order;
        sort($sorted);
        expect($sorted)->toBe(['e1', 'e2', 'e3', 'e4', 'e5', 'e6', 'e7', 'e8']);
        $orders[implode(' ', $order)] = true;
    }
    expect(count($orders))->toBeGreaterThan(3);
});
