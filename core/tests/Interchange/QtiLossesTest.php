<?php

declare(strict_types=1);

use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Qti12;
use WideQuarry\Interchange\Qti30;
use WideQuarry\Tests\Support\Questions;

// What neither standard can say, or not within reason, is told; what stands beside it in the list is said whole and told nowhere.

$order = function (int $n, string $scheme, array $given = [], bool $tied = false): array {
    $ids = array_map(fn (int $i): string => "i$i", range(1, $n));
    $ranks = $tied
        ? [[$ids[0], $ids[1]], ...array_map(fn (string $id): array => [$id], array_slice($ids, 2))]
        : array_map(fn (string $id): array => [$id], $ids);

    return [
        [
            [
                'id' => 'p1',
                'kind' => 'order',
                'points' => 2,
                'settings' => [
                    'items' => array_map(
                        fn (string $id): array => ['id' => $id, 'html' => $id, 'given' => in_array($id, $given, true)],
                        $ids,
                    ),
                ],
                'key' => ['rules' => [['id' => 'r1', 'on' => $ranks, 'credit' => '1']]],
                'scoring' => ['scheme' => $scheme],
            ],
        ],
        ['body' => '<p>Q</p><div data-part="p1"></div>'],
    ];
};
$typed = fn (string $id, array ...$rules): array => Questions::typed('text', $rules, 1, $id);
$is = fn (string ...$words): array => ['answer' => 'is', 'text' => $words];
$sheet = '0192f0c4-0000-7000-8000-000000000001';
$byHand = ['id' => 'p2', 'kind' => 'text', 'points' => 1, 'key' => ['rules' => []], 'scoring' => ['scheme' => 'person']];

it('tells what cannot be said', function (array $made, array $in30, array $in12): void {
    $question = Questions::of($made[0], $made[1] ?? []);
    $codes = fn (array $notices): array => array_values(array_unique(array_map(fn (Notice $notice): string => $notice->code, $notices)));
    $old = new Qti12\ItemWriter([]);
    $old->write($question, 'i1');

    expect($codes((new Qti30\ItemWriter([]))->write($question, [])->notices))->toBe($in30)->and($codes($old->notices()))->toBe($in12);
})->with([
    'a sequence of twelve' => [$order(12, 'pairs'), [], ['order.scheme']],
    'a sequence of thirteen' => [$order(13, 'pairs'), ['order.scheme'], ['order.scheme']],
    'of one rank, one of them given' => [$order(4, 'positions', ['i1'], true), [], ['order.given']],
    'of one rank, another one given' => [$order(4, 'positions', ['i4'], true), ['order.scheme'], ['order.given', 'order.scheme']],
    'of one rank, all or nothing, one given' => [
        $order(4, 'all', ['i4'], true),
        ['order.equal_ranks'],
        ['order.given', 'order.equal_ranks'],
    ],
    'a part that waits' => [
        [[$typed('p1', $is('ice')), $typed('p2', $is('ash'))], ['scoring' => ['gates' => [['part' => 'p2', 'needs' => ['p1']]]]]],
        [],
        [],
    ],
    'parts that wait for each other' => [
        [
            [$typed('p1', $is('ice')), $typed('p2', $is('ash'))],
            ['scoring' => ['gates' => [['part' => 'p2', 'needs' => ['p1']], ['part' => 'p1', 'needs' => ['p2']]]]],
        ],
        ['qti.gates'],
        ['qti12.gates'],
    ],
    'a part that waits for one marked by hand' => [
        [[$typed('p1', $is('ice')), $byHand], ['scoring' => ['gates' => [['part' => 'p1', 'needs' => ['p2']]]]]],
        ['qti.gates'],
        ['qti12.gates'],
    ],
    'tools, and how much time there is' => [
        [[$typed('p1', $is('ice'))], [
            'tools' => (object) ['calculator' => 'basic', 'scratch' => true, 'sheets' => [$sheet]],
            'stimuli' => [$sheet],
            'time_limit' => 90,
        ]],
        ['tools.scratch', 'tools.sheets', 'time_limit'],
        ['tools.left_out', 'tools.scratch', 'tools.sheets', 'time_limit'],
    ],
    'answers that count once' => [
        [[$typed('p1', $is('ice', 'frost'), $is('ash')), $typed('p2')], ['scoring' => ['once' => [['p1', 'p2']]]]],
        [],
        [],
    ],
    'answers that fit two shared rules' => [
        [[$typed('p1', $is('ice', 'Ash'), $is('ash')), $typed('p2')], ['scoring' => ['once' => [['p1', 'p2']]]]],
        ['qti.once'],
        ['qti12.once'],
    ],
    'a shape' => [[[$typed('p1', ['answer' => 'shape', 'pattern' => '\d+(?:\.\d+)?'])]], [], ['text.pattern']],
    'a shape that looks ahead' => [[[$typed('p1', ['answer' => 'shape', 'pattern' => '(?=a)\w+'])]], ['text.pattern'], ['text.pattern']],
    'words within slips' => [[[$typed('p1', ['answer' => 'slips', 'text' => ['ash'], 'slips' => 1])]], ['text.slips'], ['text.slips']],
]);
