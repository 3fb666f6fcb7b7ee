<?php

declare(strict_types=1);

use Brick\Math\BigRational;
use WideQuarry\Checks\Completeness;
use WideQuarry\Finding;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Tests\Support\Pairs;
use WideQuarry\Tests\Support\Questions;

/** @return list<string> codes of what blocks */
function blocking(Question $question): array
{
    return array_map(
        fn (Finding $finding): string => "$finding->code $finding->path",
        array_values(array_filter((new Completeness)->findings($question), fn (Finding $finding): bool => $finding->isBlocking())),
    );
}

// Worked by hand from docs/developers/scoring.md.
// match, pair by pair: 3 left, 4 right, n = 3 right pairs, w = 12 − 3 = 9 others.
// group and tiles, thing by thing: 3 that belong somewhere, 1 that belongs nowhere: n = 3, w = 1.
$match = fn (array $scoring): Question => Pairs::of(
    'match',
    ['l1', 'l2', 'l3'],
    ['r1', 'r2', 'r3', 'r4'],
    ['l1 r1', 'l2 r2', 'l3 r3'],
    $scoring,
);
$group = fn (array $scoring): Question => Pairs::of(
    'group',
    ['i1', 'i2', 'i3', 'i4'],
    ['g1', 'g2'],
    ['i1 g1', 'i2 g1', 'i3 g2'],
    $scoring,
);
$tiles = fn (array $scoring): Question => Pairs::of(
    'tiles',
    ['a', 'b', 'c', 'd'],
    ['t1', 't2', 't3', 't4'],
    ['a t1', 'b t2', 'c t3'],
    $scoring,
);

it('counts pairs, items and gaps as the formulas say', function (
    Closure $question,
    string $kind,
    array $scoring,
    array $given,
    string $credit,
): void {
    expect(Pairs::credit($question($scoring), $kind, $given))->toBe($credit);
})->with([
    'match all: right' => [$match, 'match', ['scheme' => 'all'], ['l1 r1', 'l2 r2', 'l3 r3'], '1'],
    'match all: one wrong' => [$match, 'match', ['scheme' => 'all'], ['l1 r1', 'l2 r2', 'l3 r4'], '0'],
    'match each: two of three' => [$match, 'match', [], ['l1 r1', 'l2 r2', 'l3 r4'], '2/3'],
    'match balance: 1/3 − 1/9' => [$match, 'match', ['scheme' => 'balance'], ['l1 r1', 'l2 r3'], '2/9'],
    'match judge: (1 + 9 − 1)/12' => [$match, 'match', ['scheme' => 'judge'], ['l1 r1', 'l2 r3'], '3/4'],
    'group all: right, the rest left' => [$group, 'group', ['scheme' => 'all'], ['i1 g1', 'i2 g1', 'i3 g2'], '1'],
    'group all: what belongs nowhere is placed' => [$group, 'group', ['scheme' => 'all'], ['i1 g1', 'i2 g1', 'i3 g2', 'i4 g1'], '0'],
    'group each: one misplaced' => [$group, 'group', [], ['i1 g1', 'i2 g2', 'i3 g2'], '2/3'],
    'group each: four given costs one share' => [$group, 'group', [], ['i1 g1', 'i2 g1', 'i3 g2', 'i4 g2'], '2/3'],
    'group each: at half the cost' => [
        $group,
        'group',
        ['scheme' => 'each', 'cost' => '1/2'],
        ['i1 g1', 'i2 g1', 'i3 g2', 'i4 g2'],
        '5/6',
    ],
    'group balance: a misplaced item is not one of the others' => [$group, 'group', ['scheme' => 'balance'], ['i1 g1', 'i2 g2'], '1/3'],
    'group balance: the other one placed' => [$group, 'group', ['scheme' => 'balance'], ['i1 g1', 'i2 g1', 'i3 g2', 'i4 g1'], '0'],
    'group judge: (2 + 1 − 0)/4' => [$group, 'group', ['scheme' => 'judge'], ['i1 g1', 'i2 g1', 'i3 g1'], '3/4'],
    'tiles each: two of three' => [$tiles, 'tiles', [], ['a t1', 'b t3', 'c t2'], '1/3'],
    'tiles each: the gap that stays empty is filled' => [$tiles, 'tiles', [], ['a t1', 'b t2', 'c t3', 'd t4'], '2/3'],
    'tiles judge: (3 + 1 − 1)/4' => [$tiles, 'tiles', ['scheme' => 'judge'], ['a t1', 'b t2', 'c t3', 'd t4'], '3/4'],
]);

it('adds the credits of pairs under weights, and the default for what no rule lists', function (array $given, string $credit): void {
    $question = Pairs::of(
        'match',
        ['l1', 'l2'],
        ['r1', 'r2', 'r3'],
        ['l1 r1:1/2', 'l1 r2:1/4', 'l2 r3:1/2'],
        ['scheme' => 'weights'],
        ['default' => '-1/4'],
    );
    expect(Pairs::credit($question, 'match', $given))->toBe($credit);
})->with([[['l1 r1', 'l2 r3'], '1'], [['l1 r2', 'l2 r3'], '3/4'], [['l1 r3', 'l2 r1'], '0'], [['l1 r1', 'l2 r2'], '1/4']]);

it('takes any right answer of several', function (): void {
    $question = Pairs::of('group', ['i1', 'i2'], ['g1', 'g2'], ['i1 g1', 'i1 g2', 'i2 g2']);
    expect(Pairs::credit($question, 'group', ['i1 g2', 'i2 g2']))
        ->toBe('1')
        ->and(Pairs::credit($question, 'group', ['i1 g1', 'i2 g2']))
        ->toBe('1');
});

it('refuses a response that cannot be meant, and names what is gone', function (string $kind, mixed $response, string $reason): void {
    $question = match ($kind) {
        'match' => Pairs::of('match', ['l1', 'l2'], ['r1', 'r2'], ['l1 r1', 'l2 r2']),
        'group' => Pairs::of('group', ['i1', 'i2'], ['g1', 'g2'], ['i1 g1', 'i2 g2'], [], ['g1' => ['max' => 1]]),
        'tiles' => Pairs::of('tiles', ['a', 'b'], ['t1', 't2'], ['a t1', 'b t2']),
        'menu' => Questions::of([
            [
                'id' => 'p1',
                'kind' => 'menu',
                'points' => 1,
                'settings' => ['options' => [['id' => 'a', 'html' => 'x'], ['id' => 'b', 'html' => 'y']]],
                'key' => ['rules' => [['id' => 'r1', 'on' => 'a', 'credit' => '1']]],
            ],
        ]),
    };
    $result = (new Scorer)->score($question, new Attempt((object) ['p1' => json_decode(json_encode($response))], Seed::of(1)));
    expect($result->parts[0]->state)
        ->toBe('unreadable')
        ->and($result->parts[0]->trace[0]['reason'])
        ->toBe($reason)
        ->and($result->counts)
        ->toBeFalse();
})->with([
    'a left that is gone' => ['match', ['pairs' => [['l9', 'r1']]], 'match.unknown'],
    'a right that is gone' => ['match', ['pairs' => [['l1', 'r9']]], 'match.unknown'],
    'joined twice' => ['match', ['pairs' => [['l1', 'r1'], ['l1', 'r2']]], 'match.too_often'],
    'half a pair' => ['match', ['pairs' => [['l1']]], 'response.shape'],
    'no pairs at all' => ['match', ['pairs' => 'l1 r1'], 'response.shape'],
    'a group that is gone' => ['group', ['groups' => ['g9' => ['i1']]], 'group.unknown_group'],
    'an item that is gone' => ['group', ['groups' => ['g1' => ['i9']]], 'group.unknown_item'],
    'an item in two groups' => ['group', ['groups' => ['g1' => ['i1'], 'g2' => ['i1']]], 'group.twice'],
    'a group that is full' => ['group', ['groups' => ['g1' => ['i1', 'i2']]], 'group.full'],
    'a gap that is gone' => ['tiles', ['gaps' => ['z' => 't1']], 'tiles.unknown_gap'],
    'a tile that is gone' => ['tiles', ['gaps' => ['a' => 't9']], 'tiles.unknown_tile'],
    'a tile used twice' => ['tiles', ['gaps' => ['a' => 't1', 'b' => 't1']], 'tiles.used_up'],
    'an option that is gone' => ['menu', ['chosen' => ['z']], 'menu.unknown_option'],
    'two options' => ['menu', ['chosen' => ['a', 'b']], 'response.shape'],
]);

it('says at the field what keeps a part from being complete', function (Question $question, string $finding): void {
    expect(blocking($question))->toContain($finding);
})->with([
    'two gaps, one tile, no reuse' => [
        Pairs::of('tiles', ['a', 'b'], ['t1', 't2'], ['a t1', 'b t1']),
        'tiles.not_enough /parts/0/settings/tiles/0',
    ],
    'three gaps, two tiles between them' => [
        Pairs::of('tiles', ['a', 'b', 'c'], ['t1', 't2'], ['a t1', 'a t2', 'b t1', 'b t2', 'c t1', 'c t2']),
        'tiles.not_enough /parts/0/key/rules',
    ],
    'equal tiles' => [
        Pairs::of('tiles', ['a'], ['t1', 't2'], ['a t1'], [], ['t2' => ['html' => '<p>t1</p>']]),
        'tile.equal /parts/0/settings/tiles/1/html',
    ],
    'no tile' => [Pairs::of('tiles', ['a'], [], []), 'tiles.none /parts/0/settings/tiles'],
    'a rule for a gap that is gone' => [Pairs::of('tiles', ['a'], ['t1'], ['a t1', 'z t1']), 'key.unknown /parts/0/key/rules/1/on'],
    'a pair with a missing end' => [
        Pairs::of('match', ['l1', 'l2'], ['r1', 'r2'], ['l1 r1', 'l2 r2'], [], ['r2' => ['html' => '']]),
        'partner.empty /parts/0/settings/right/1/html',
    ],
    'a row without a partner' => [
        Pairs::of('match', ['l1', 'l2'], ['r1', 'r2'], ['l1 r1']),
        'match.no_partner /parts/0/settings/left/1/html',
    ],
    'joined more often than it may' => [
        Pairs::of('match', ['l1', 'l2'], ['r1', 'r2'], ['l1 r1', 'l2 r1']),
        'match.joined_too_often /parts/0/settings/right/0/uses',
    ],
    'one partner only' => [Pairs::of('match', ['l1'], ['r1'], ['l1 r1']), 'match.too_few /parts/0/settings/right'],
    'equal rows' => [
        Pairs::of('match', ['l1', 'l2'], ['r1', 'r2'], ['l1 r1', 'l2 r2'], [], ['l2' => ['html' => ' <p>l1 </p>']]),
        'row.equal /parts/0/settings/left/1/html',
    ],
    'a group that holds too few' => [
        Pairs::of('group', ['i1', 'i2'], ['g1', 'g2'], ['i1 g1', 'i2 g1'], [], ['g1' => ['max' => 1]]),
        'group.too_small /parts/0/settings/groups/0',
    ],
    'one group' => [Pairs::of('group', ['i1'], ['g1'], ['i1 g1']), 'group.too_few_groups /parts/0/settings/groups'],
    'nothing right' => [Pairs::of('group', ['i1'], ['g1', 'g2'], ['i1 g1:0']), 'key.nothing_right /parts/0/key/rules'],
    'the same pair twice' => [Pairs::of('group', ['i1'], ['g1', 'g2'], ['i1 g1', 'i1 g1']), 'key.listed_twice /parts/0/key/rules/1/on'],
]);

it('takes tiles in any number, and says when they are too many to look through', function (): void {
    $tiles = array_map(fn (int $n): string => "t$n", range(1, 300));
    $question = Pairs::of('tiles', ['a'], $tiles, ['a t7']);
    expect(blocking($question))
        ->toBe([])
        ->and(Pairs::credit($question, 'tiles', ['a t7']))
        ->toBe('1')
        ->and(array_map(fn (Finding $finding): string => $finding->message, (new Completeness)->findings($question)))
        ->toBe(['300 tiles are more than anybody can look through.']);
});

it('says when credits do not come to everything', function (array $right, ?string $message): void {
    $found = array_map(
        fn (Finding $finding): string => $finding->message,
        (new Completeness)->findings(Pairs::of('group', ['i1', 'i2'], ['g1', 'g2'], $right, ['scheme' => 'weights'])),
    );
    expect($found)->toBe($message === null ? [] : [$message]);
})->with([
    'three quarters' => [['i1 g1:1/4', 'i2 g2:1/2'], 'The best answer earns only 75% of the points.'],
    'too much' => [['i1 g1:3/4', 'i2 g2:1/2'], 'The credits of the best answer add up to 125%; anything above 100% is ignored.'],
    'only the better of two ways counts' => [['i1 g1:1/2', 'i1 g2:1/4', 'i2 g2:1/2'], null],
]);

it('never shows the order of the key where another can be drawn, and nothing of the key', function (string $kind): void {
    $firsts = ['a', 'b', 'c'];
    $seconds = $kind === 'group' ? ['x', 'y'] : ['x', 'y', 'z'];
    $right = $kind === 'group' ? ['a x', 'b x', 'c y'] : ['a x', 'b y', 'c z'];
    $question = Pairs::of($kind, $firsts, $seconds, $right);
    $other = Pairs::of($kind, $firsts, $seconds, $kind === 'group' ? ['a y', 'b y', 'c x'] : ['a z', 'b y', 'c x']);
    $list = ['match' => 'right', 'group' => 'items', 'tiles' => 'tiles'][$kind];
    $same = 0;
    for ($seed = 1; $seed <= 200; $seed++) {
        $shown = (new Presenter)->present($question, Seed::of($seed));
        $order = implode('', array_column($shown['parts'][0]['settings']->{$list}, 'id'));
        expect($order)
            ->not->toBe($kind === 'group' ? 'abc' : 'xyz')
            ->and($kind === 'group' && $order === 'bac')
            ->toBeFalse();
        $same += json_encode($shown) === json_encode((new Presenter)->present($other, Seed::of($seed))) ? 1 : 0;
    }
    // Two keys differ in what is shown only where the order drawn first is one of theirs: for two of three seeds at most.
    expect($same)->toBeGreaterThan(50);
})->with(['match', 'group', 'tiles']);

it('never scores less for one more right pair, and gives the key everything', function (string $scheme, string $kind): void {
    mt_srand(crc32("$scheme $kind"));
    for ($round = 0; $round < (getenv('QUARRY_LONG') ? 2000 : 120); $round++) {
        $n = mt_rand(1, 5);
        $firsts = array_map(fn (int $i): string => "f$i", range(1, $n + mt_rand(0, 2)));
        $seconds = array_map(fn (int $i): string => "s$i", range(1, $n + mt_rand(1, 2)));
        $right = array_map(fn (int $i): string => "f$i s$i", range(1, $n));
        $free = array_fill_keys([...$firsts, ...$seconds], $kind === 'group' ? [] : ['uses' => null]);
        $question = Pairs::of(
            $kind,
            $firsts,
            $seconds,
            $right,
            ['scheme' => $scheme],
            $kind === 'match' || $kind === 'tiles' ? array_diff_key($free, $kind === 'tiles' ? array_flip($firsts) : []) : [],
        );
        expect(Pairs::credit($question, $kind, $right))->toBe('1');
        $wrong = array_filter(
            array_map(
                fn (string $first): string => "$first ".$seconds[array_rand($seconds)],
                array_slice($firsts, 0, mt_rand(0, count($firsts))),
            ),
            fn (string $pair): bool => ! in_array($pair, $right, true),
        );
        $before = $wrong === [] ? BigRational::of(0) : BigRational::of(Pairs::credit($question, $kind, array_values($wrong)));
        $first = explode(' ', $right[0])[0];
        $after = BigRational::of(
            Pairs::credit($question, $kind, [
                ...array_values(array_filter($wrong, fn (string $pair): bool => $kind === 'match' || explode(' ', $pair)[0] !== $first)),
                $right[0],
            ]),
        );
        $worth = $scheme === 'each' && $kind === 'match' ? $after->isGreaterThanOrEqualTo(0) : $after->isGreaterThanOrEqualTo($before);
        expect($worth)->toBeTrue("$scheme $kind ".json_encode([$firsts, $seconds, $right, $wrong]));
    }
})->with(['all', 'each', 'balance', 'judge'], ['match', 'group', 'tiles']);
