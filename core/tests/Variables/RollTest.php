<?php

declare(strict_types=1);

use WideQuarry\Json\Json;
use WideQuarry\Maths\MathsProblem;
use WideQuarry\Random\Seed;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;
use WideQuarry\Variables\Variables;

function variables(array $list, array $conditions = [], int $tries = 100): Variables
{
    $json = Json::decode(Json::encode(['list' => $list, 'conditions' => $conditions, 'tries' => $tries]));

    return Variables::read($json, '/variables');
}

/** @return array<string, mixed> values as exact text */
function rolled(Variables $variables, int $seed): array
{
    return array_map(Roll::text(...), $variables->roll(Seed::of($seed), 'en')->values);
}

it('rolls what was recorded, in every version', function (stdClass $case, stdClass $variables): void {
    expect(rolled(Variables::read($variables, '/variables'), $case->seed))->toEqualCanonicalizing((array) $case->values);
})->with(function (): iterable {
    $file = Json::decode((string) file_get_contents(__DIR__.'/../cases/rolls.json'));
    foreach ($file->cases as $case) {
        yield "seed $case->seed" => [$case, $file->variables];
    }
});

it('gives the columns of a row names of their own, and numbers the items of a sample', function (): void {
    $roll = variables([
        ['name' => 't', 'kind' => 'row', 'columns' => ['mineral', 'hardness'], 'rows' => [['calcite', '3']]],
        ['name' => 's', 'kind' => 'sample', 'items' => ['1/2', '2.50'], 'count' => 2],
        ['name' => 'd', 'kind' => 'expr', 'expr' => 's[1] + s[2] + hardness'],
    ])->roll(Seed::of(1), 'en');

    expect($roll->written['mineral'])->toBe('calcite')->and($roll->written['hardness'])->toBe('3')->and($roll->written['d'])->toBe('6')
        ->and([$roll->written['s[1]'], $roll->written['s[2]']])->toEqualCanonicalizing(['0.5', '2.5'])
        ->and($roll->written['s'])->toBe($roll->written['s[1]'].', '.$roll->written['s[2]'])
        ->and($roll->written)->not->toHaveKey('t');
});

it('takes each item of a sample at most once, each order as often', function (): void {
    $variables = variables([['name' => 's', 'kind' => 'sample', 'items' => ['a', 'b', 'c', 'd'], 'count' => 2]]);
    $seen = [];
    for ($seed = 0; $seed < 2400; $seed++) {
        $order = implode('', rolled($variables, $seed)['s']);
        $seen[$order] = ($seen[$order] ?? 0) + 1;
    }
    // 12 orders, 200 each on average; χ² with 11 degrees of freedom is below 31.3 in 999 of 1,000 series, and this one is fixed
    $chi = array_sum(array_map(fn (int $count): float => ($count - 200) ** 2 / 200, $seen));
    expect($seen)->toHaveCount(12)->and($chi)->toBeLessThan(31.3);
});

it('works out values in whatever order they stand', function (): void {
    $list = [
        ['name' => 'c', 'kind' => 'expr', 'expr' => 'b + a'],
        ['name' => 'b', 'kind' => 'expr', 'expr' => '2a'],
        ['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '9'],
    ];
    foreach (range(1, 20) as $seed) {
        ['a' => $a, 'b' => $b, 'c' => $c] = rolled(variables($list), $seed);
        expect([(int) $b, (int) $c])->toBe([2 * (int) $a, 3 * (int) $a])
            ->and(rolled(variables(array_reverse($list)), $seed))->toEqualCanonicalizing(rolled(variables($list), $seed));
    }
});

it('meets its conditions in every roll, and a condition forbids what could not be worked out', function (): void {
    $variables = variables([
        ['name' => 'a', 'kind' => 'integer', 'from' => '-3', 'to' => '3'],
        ['name' => 'b', 'kind' => 'integer', 'from' => '0', 'to' => '3'],
        ['name' => 'q', 'kind' => 'expr', 'expr' => 'a/b'],
        ['name' => 'r', 'kind' => 'expr', 'expr' => 'sqrt(q)'],
    ], ['b != 0', 'a >= 0 and a != b']);
    foreach (range(1, 300) as $seed) {
        ['a' => $a, 'b' => $b] = rolled($variables, $seed);
        expect($b)->not->toBe('0')->and((int) $a)->toBeGreaterThanOrEqual(0)->and($a)->not->toBe($b);
    }
});

it('says for a roll what cannot be worked out in it', function (): void {
    $variables = variables([
        ['name' => 'b', 'kind' => 'list', 'items' => ['0']],
        ['name' => 'q', 'kind' => 'expr', 'expr' => '1/b'],
        ['name' => 'r', 'kind' => 'expr', 'expr' => 'q + 1'],
    ]);
    expect(fn () => rolled($variables, 1))->toThrow(
        fn (RollProblem $problem) => expect([$problem->rule, $problem->path, $problem->offset])
            ->toBe(['division.by_zero', '/variables/list/1/expr', 1]),
    );
});

it('keeps an approximate value as a decimal of 30 figures', function (): void {
    $roll = variables([['name' => 'r', 'kind' => 'expr', 'expr' => 'sqrt(2)', 'show' => ['places' => 3]]])->roll(Seed::of(1), 'de');
    expect(Json::decode(Json::encode($roll)))->toEqual((object) ['values' => (object) ['r' => (object) [
        'value' => '1.41421356237309504880168872421',
        'written' => '1,414',
    ]]]);
});

it('renames a value without changing what it is worth', function (): void {
    $of = fn (string $sum): Variables => variables([
        ['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '50'],
        ['name' => $sum, 'kind' => 'expr', 'expr' => 'a^2 + 1'],
    ], ["$sum > 10"]);
    foreach (range(1, 50) as $seed) {
        expect(rolled($of('area'), $seed)['area'])->toBe(rolled($of('surface'), $seed)['surface']);
    }
});

it('says why values cannot be worked out, whatever is drawn', function (array $list, array $conditions, string $rule, string $path): void {
    try {
        variables($list, $conditions)->roll(Seed::of(1), 'en');
    } catch (RollProblem $problem) {
        expect([$problem->rule, $problem->path])->toBe([$rule, $path])->and($problem->getMessage())->not->toBe('');

        return;
    }
    test()->fail('It was drawn.');
})->with([
    'round in a circle' => [
        [['name' => 'a', 'kind' => 'expr', 'expr' => 'b + 1'], ['name' => 'b', 'kind' => 'expr', 'expr' => 'a - 1']],
        [],
        'variable.circular',
        '/variables/list/0/expr',
    ],
    'too much work' => [
        array_map(
            fn (int $i): array => ['name' => "x$i", 'kind' => 'expr', 'expr' => implode('+', array_fill(0, 10, "sin($i)"))],
            range(1, 21),
        ),
        [],
        'variable.too_much',
        '/variables/list',
    ],
    'from itself' => [[['name' => 'a', 'kind' => 'expr', 'expr' => 'a + 1']], [], 'variable.circular', '/variables/list/0/expr'],
    'a name that is a function' => [
        [['name' => 'sqrt', 'kind' => 'integer', 'from' => '1', 'to' => '2']],
        [],
        'variable.reserved',
        '/variables/list/0/name',
    ],
    'a column that is a constant' => [
        [['name' => 't', 'kind' => 'row', 'columns' => ['a', 'pi'], 'rows' => [['1', '2']]]],
        [],
        'variable.reserved',
        '/variables/list/0/columns/1',
    ],
    'two of one name' => [
        [
            ['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '2'],
            ['name' => 't', 'kind' => 'row', 'columns' => ['a'], 'rows' => [['1']]],
        ],
        [],
        'variable.repeated',
        '/variables/list/1/columns/0',
    ],
    'a table with ragged rows' => [
        [['name' => 't', 'kind' => 'row', 'columns' => ['a', 'b'], 'rows' => [['1', '2'], ['3']]]],
        [],
        'variable.ragged',
        '/variables/list/0/rows/1',
    ],
    'a list without entries' => [[['name' => 'a', 'kind' => 'list', 'items' => []]], [], 'variable.empty', '/variables/list/0/items'],
    'a table without rows' => [
        [['name' => 't', 'kind' => 'row', 'columns' => ['a'], 'rows' => []]],
        [],
        'variable.empty',
        '/variables/list/0/rows',
    ],
    'more than there is' => [
        [['name' => 's', 'kind' => 'sample', 'items' => ['1', '2'], 'count' => 3]],
        [],
        'variable.sample',
        '/variables/list/0/count',
    ],
    'conditions that can never hold: the one that fails most' => [
        [['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '9']],
        ['a > 1', 'a > 20'],
        'variable.conditions_not_met',
        '/variables/conditions/1',
    ],
    'an expression with a mistake' => [
        [['name' => 'a', 'kind' => 'expr', 'expr' => '2 +* 3']],
        [],
        'expression.syntax',
        '/variables/list/0/expr',
    ],
    'a number of endless size' => [
        [['name' => 'a', 'kind' => 'expr', 'expr' => '10^9^9']],
        [],
        'expression.too_large',
        '/variables/list/0/expr',
    ],
]);

it('refuses more values than anybody needs', function (): void {
    $list = array_map(fn (int $i): array => ['name' => "a$i", 'kind' => 'integer', 'from' => '1', 'to' => '2'], range(1, 1000));
    expect(fn () => variables($list))->toThrow(WideQuarry\Json\Malformed::class);
});

it('draws again less often where each time takes long, and says how often', function (string $expression, string $tries): void {
    $variables = Variables::read(Json::decode(Json::encode([
        'list' => [['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '9'], ['name' => 'b', 'kind' => 'expr', 'expr' => $expression]],
        'conditions' => ['a + b < 0'],
        'tries' => 1000,
    ])), '/variables');

    expect(fn () => $variables->roll(Seed::of(1), 'en'))->toThrow(RollProblem::class, "In $tries tries");
})->with([['a', '1000'], [implode('+', array_fill(0, 140, 'exp(a)')), '10']]);

it('works an expression out once for all who ask, and tells each of them where it cannot', function (): void {
    $roll = new Roll(['m' => 5, 'v' => 0]);
    $other = new Roll(['m' => 7, 'v' => 0]);

    expect($roll->evaluate('m / 3'))
        ->toBe($roll->evaluate('m / 3'))
        ->and(Roll::text($roll->evaluate('m / 3')))
        ->toBe('5/3')
        ->and(Roll::text($other->evaluate('m / 3')))
        ->toBe('7/3')
        ->and(fn () => $roll->evaluate('m / v'))
        ->toThrow(MathsProblem::class)
        ->and(fn () => $roll->evaluate('m / v'))
        ->toThrow(MathsProblem::class);
});
