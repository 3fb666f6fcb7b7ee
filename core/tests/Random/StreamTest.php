<?php

declare(strict_types=1);

use WideQuarry\Json\Json;
use WideQuarry\Random\Seed;
use WideQuarry\Variables\RollProblem;
use WideQuarry\Variables\Variables;

// From Python: int.from_bytes(hmac.new(b"wq1:1", b"roll|mass|0", "sha256").digest()[:8], "big") % n, and so on.
it('draws the values of HMAC-SHA-256', function (int $seed, string $purpose, string $name, int $count, array $values): void {
    $stream = Seed::of($seed)->stream($purpose, $name);
    expect(array_map(fn (): int => $stream->below($count), $values))->toBe($values);
})->with(json_decode((string) file_get_contents(__DIR__.'/values.json'), true));

it('draws each as often as the others', function (): void {
    $times = array_fill(0, 6, 0);
    $stream = Seed::of(5)->stream('test', 'die');
    for ($i = 0; $i < 6000; $i++) {
        $times[$stream->below(6)]++;
    }
    $chi = array_sum(array_map(fn (int $n): float => ($n - 1000) ** 2 / 1000, $times));
    expect($chi)->toBeLessThan(20.5); // 99.9 % point of chi-squared with 5 degrees of freedom
});

it('shuffles without losing anything', function (): void {
    for ($seed = 0; $seed < 200; $seed++) {
        $shuffled = Seed::of($seed)->stream('shuffle', 'p1')->shuffled(range(1, 7));
        sort($shuffled);
        expect($shuffled)->toBe(range(1, 7));
    }
});

it('refuses seeds beyond 2^53', fn () => Seed::of(2 ** 53))->throws(OutOfRangeException::class);

it('rolls the same for ever, and each variable on its own', function (): void {
    $mass = ['name' => 'mass', 'kind' => 'integer', 'from' => '10', 'to' => '90'];
    $other = ['name' => 'x', 'kind' => 'decimal', 'from' => '0.5', 'to' => '1.5'];
    $roll = fn (array $list, int $seed): array => Variables::read(Json::decode(Json::encode(['list' => $list])), '')->roll(
        Seed::of($seed),
        'en',
    )->written;
    for ($seed = 0; $seed < 50; $seed++) {
        expect($roll([$other, $mass], $seed)['mass'])->toBe($roll([$mass], $seed)['mass']);
    }
});

it('rolls within the definition', function (array $list, array $conditions, callable $holds): void {
    $variables = Variables::read(Json::decode(Json::encode(['list' => $list, 'conditions' => $conditions])), '');
    for ($seed = 0; $seed < 200; $seed++) {
        expect($holds($variables->roll(Seed::of($seed), 'en')->written))->toBeTrue();
    }
})->with([
    'a range with steps and exclusions' => [
        [['name' => 'n', 'kind' => 'integer', 'from' => '10', 'to' => '30', 'step' => '5', 'except' => ['20']]],
        [],
        fn (array $v): bool => in_array($v['n'], ['10', '15', '25', '30'], true),
    ],
    'decimals move by their last place' => [
        [['name' => 'n', 'kind' => 'decimal', 'from' => '0.5', 'to' => '0.8']],
        [],
        fn (array $v): bool => in_array($v['n'], ['0.5', '0.6', '0.7', '0.8'], true),
    ],
    'a list of words' => [
        [['name' => 'n', 'kind' => 'list', 'items' => ['slate', 'shale']]],
        [],
        fn (array $v): bool => in_array($v['n'], ['slate', 'shale'], true),
    ],
    'conditions' => [
        [
            ['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '9'],
            ['name' => 'b', 'kind' => 'integer', 'from' => '1', 'to' => '9'],
        ],
        ['a > b'],
        fn (array $v): bool => (int) $v['a'] > (int) $v['b'],
    ],
    'expressions are shown as asked' => [
        [
            ['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '9'],
            ['name' => 't', 'kind' => 'expr', 'expr' => 'a/3', 'show' => ['places' => 2]],
        ],
        [],
        fn (array $v): bool => $v['t'] === number_format((int) $v['a'] / 3, 2),
    ],
]);

it('says why values cannot be drawn', function (array $variable, array $conditions, string $rule, string $path): void {
    try {
        Variables::read(Json::decode(Json::encode(['list' => [$variable], 'conditions' => $conditions])), '/variables')->roll(
            Seed::of(1),
            'en',
        );
    } catch (RollProblem $problem) {
        expect([$problem->rule, $problem->path])->toBe([$rule, $path]);

        return;
    }
    test()->fail('It was drawn.');
})->with([
    'an unreadable end' => [
        ['name' => 'a', 'kind' => 'integer', 'from' => 'ten', 'to' => '20'],
        [],
        'value.unreadable',
        '/variables/list/0/from',
    ],
    'nothing in the range' => [
        ['name' => 'a', 'kind' => 'integer', 'from' => '9', 'to' => '1'],
        [],
        'variable.empty',
        '/variables/list/0/to',
    ],
    'everything left out' => [
        ['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '1', 'except' => ['1']],
        [],
        'variable.empty',
        '/variables/list/0/except',
    ],
    'no step' => [
        ['name' => 'a', 'kind' => 'decimal', 'from' => '1', 'to' => '2', 'step' => '0'],
        [],
        'variable.step',
        '/variables/list/0/step',
    ],
    'a later name' => [['name' => 'a', 'kind' => 'expr', 'expr' => 'b+1'], [], 'expression.unknown_name', '/variables/list/0/expr'],
    'a condition never met' => [
        ['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '2'],
        ['a > 5'],
        'variable.conditions_not_met',
        '/variables/conditions/0',
    ],
    'a condition that compares nothing' => [
        ['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '2'],
        ['a + 1'],
        'variable.condition',
        '/variables/conditions/0',
    ],
]);
