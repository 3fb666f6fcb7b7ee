<?php

declare(strict_types=1);

use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Study\RollStudy;
use WideQuarry\Study\Study;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;

/** @param  array<string, mixed>  $more */
function studied(array $list, array $conditions = [], array $parts = [], string $body = '<p>x</p>', array $more = []): Question
{
    return Question::read(Json::decode(Json::encode([
        'format' => 'wide-quarry/question', 'version' => 1, 'id' => '0192f0c4-0000-7000-8000-0000000000aa', 'language' => 'en-GB',
        'body' => $body, 'parts' => $parts, 'variables' => ['list' => $list, 'conditions' => $conditions], ...$more,
    ])), StandardKinds::all());
}

/** Two digits; their product is right, their sum and their ratio are foreseen mistakes. */
function digits(array $conditions = []): Question
{
    $option = fn (string $id, string $name): array => ['id' => $id, 'html' => "<p><var data-value=\"$name\"></var></p>"];
    $number = fn (string $name, array $more = []): array => ['answer' => 'value', 'value' => ['expr' => $name], ...$more];

    return studied([
        ['name' => 'm', 'kind' => 'integer', 'from' => '0', 'to' => '9'],
        ['name' => 'b', 'kind' => 'integer', 'from' => '0', 'to' => '9'],
        ['name' => 'k', 'kind' => 'list', 'items' => ['3']],
        ['name' => 'product', 'kind' => 'expr', 'expr' => 'm*b'],
        ['name' => 'sum2', 'kind' => 'expr', 'expr' => 'm + b'],
        ['name' => 'ratio', 'kind' => 'expr', 'expr' => 'b/m'],
    ], $conditions, [
        [
            'id' => 'p1', 'kind' => 'choice', 'points' => 1,
            'settings' => ['options' => [$option('a', 'product'), $option('b', 'sum2'), $option('c', 'ratio')], 'max' => 1],
            'key' => ['rules' => [['id' => 'r1', 'on' => 'a', 'credit' => '1']]],
        ],
        [
            'id' => 'p2', 'kind' => 'number', 'label' => 'answer', 'points' => 1, 'settings' => (object) [],
            'key' => ['rules' => [
                ['id' => 'r1', 'on' => $number('product', ['tolerance' => ['kind' => 'absolute', 'width' => '1']]), 'credit' => '1'],
                ['id' => 'r2', 'on' => $number('sum2'), 'credit' => '0'],
            ]],
        ],
    ], '<p><var data-value="m"></var></p><div data-part="p1"></div><p><span data-part="p2"></span></p>');
}

/** @return array<string, int> */
function collisions(Study $study): array
{
    return array_column($study->collisions, 'count', 'what');
}

it('looks at every roll where they are few, and finds what arithmetic says', function (): void {
    $study = RollStudy::of(digits());

    // m = 0 divides by nothing. Of the others: the product is the ratio when m = 1 or b = 0 (18 rolls), and the sum when m = b = 2;
    // it is within 1 of the sum when (m − 1)(b − 1) is 0 or 2: m = 1, b = 1, and (2, 3) either way round.
    expect($study->exhaustive)->toBeTrue()->and($study->rolls)->toBe(100)->and($study->different)->toBe(100)
        ->and($study->constant)->toBe(['k'])->and($study->failing)->toBe(10)
        ->and(array_column($study->reasons, 'count', 'code'))->toBe(['division.by_zero' => 10])
        ->and(collisions($study))->toEqualCanonicalizing(['mistake_accepted' => 20, 'key_equals_option' => 19, 'rules_coincide' => 1])
        ->and($study->isBad())->toBeTrue();
    $ratio = $study->values[5]->summary();
    expect($ratio)->toBe(['name' => 'ratio', 'min' => '0', 'max' => '9', 'distinct' => 56])
        ->and($study->keys[0]->summary())->toBe(['name' => 'answer', 'min' => '0', 'max' => '81', 'distinct' => 37]);
});

it('gives seeds that roll what it found', function (): void {
    $study = RollStudy::of($question = digits());
    $values = fn (int $seed): array => array_map(
        Roll::text(...),
        $question->variables->plan()->worked($question->variables->settled(Seed::of($seed))[0])->values,
    );
    expect($values($study->reasons[0]['seed'])['m'])->toBe('0');
    foreach ($study->collisions as ['what' => $what, 'seed' => $seed]) {
        ['m' => $m, 'b' => $b] = array_map(intval(...), array_intersect_key($values($seed), ['m' => 1, 'b' => 1]));
        expect(match ($what) {
            'rules_coincide' => $m * $b === $m + $b,
            'mistake_accepted' => abs($m * $b - $m - $b) === 1,
            default => $m === 1 || $b === 0 || $m * $b === $m + $b,
        })->toBeTrue();
    }
    foreach ($study->worst as $roll) {
        expect($roll['values']->m['value'])->toBe($values($roll['seed'])['m']);
    }
    expect(array_column($study->worst, 'problem')[0])->not->toBe('')->and($study->worst[39]['problem'])->toBe('');
});

it('finds nothing once conditions forbid it', function (): void {
    $study = RollStudy::of(digits(['m > 1', 'b > 1', 'abs((m - 1)(b - 1) - 1) > 1']));
    expect($study->isBad())->toBeFalse()->and($study->rolls)->toBe(61)->and($study->failing)->toBe(0);
});

it('looks at 2,000 rolls where there are more, the same each time', function (): void {
    $question = studied([
        ['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '1000'],
        ['name' => 'b', 'kind' => 'decimal', 'from' => '0', 'to' => '10', 'step' => '0.1'],
    ]);
    $study = RollStudy::of($question);
    expect([$study->exhaustive, $study->rolls])->toBe([false, 2000])
        ->and(Json::encode(RollStudy::of($question)))->toBe(Json::encode($study))
        ->and(RollStudy::of($question, 50)->rolls)->toBe(50);
    $bars = $study->values[0]->jsonSerialize()['bars'];
    expect($bars)->toHaveCount(12)->and(array_sum(array_column($bars, 'count')))->toBe(2000);
});

it('finds what cannot be worked out in a key, a tolerance or a distractor', function (): void {
    $number = ['id' => 'p1', 'kind' => 'number', 'points' => 1, 'settings' => (object) [], 'key' => ['rules' => [[
        'id' => 'r1', 'credit' => '1',
        'on' => ['answer' => 'value', 'value' => '1', 'tolerance' => ['kind' => 'absolute', 'width' => ['expr' => 'sqrt(a)']]],
    ]]]];
    $study = RollStudy::of(studied([['name' => 'a', 'kind' => 'integer', 'from' => '-2', 'to' => '2']], [], [$number]));
    expect($study->failing)->toBe(2)->and($study->reasons[0]['code'])->toBe('root.of_negative');
});

it('takes a wider tolerance that earns less for what it is, and one that can never speak for a mistake', function (
    string $wide,
    string $narrow,
    array $found,
): void {
    $rule = fn (string $id, string $width, string $credit): array => ['id' => $id, 'credit' => $credit, 'on' => [
        'answer' => 'value', 'value' => ['expr' => 'a/3'], 'tolerance' => ['kind' => 'absolute', 'width' => $width],
    ]];
    $part = ['id' => 'p1', 'kind' => 'number', 'points' => 1, 'settings' => (object) [], 'key' => ['rules' => [
        $rule('r1', $narrow, '1'), $rule('r2', $wide, '1/2'),
    ]]];
    expect(collisions(RollStudy::of(studied([['name' => 'a', 'kind' => 'list', 'items' => ['1', '2']]], [], [$part]))))->toBe($found);
})->with([['0.5', '0.1', []], ['0.1', '0.5', ['rules_coincide' => 2]], ['0.1', '0.1', ['rules_coincide' => 2]]]);

it('calls a value ugly that is shown too long and that nothing shortens', function (array $show, string $expr, int $ugly): void {
    $study = RollStudy::of(studied([
        ['name' => 'a', 'kind' => 'list', 'items' => ['7', '8']],
        ['name' => 'x', 'kind' => 'expr', 'expr' => $expr, 'show' => (object) $show],
        ['name' => 'hidden', 'kind' => 'expr', 'expr' => 'sqrt(a)'],
    ], [], [], '<p><var data-value="x"></var></p>'));
    expect($study->ugly)->toBe($ugly);
})->with([
    'nothing beyond 6 decimals' => [[], 'a/64', 0], // 0.109375 and 0.125
    '7 decimals' => [[], 'a/128', 1], // 0.0546875 and 0.0625
    'a root' => [[], 'sqrt(a)', 2],
    'a root, shortened' => [['places' => 8], 'sqrt(a)', 0],
    'a short fraction' => [[], 'a/9', 0],
    '10 digits' => [[], 'a*1000000007', 2],
    '9 digits' => [[], 'a*10000007', 0],
]);

it('counts what is the same, not how it was drawn', function (): void {
    $study = RollStudy::of(studied([['name' => 'a', 'kind' => 'list', 'items' => ['1', '1.0', '2']]]));
    expect([$study->rolls, $study->different, $study->values[0]->distinct()])->toBe([3, 2, 2]);
});

it('gives for each roll the condition that forbids it', function (): void {
    $list = [
        ['name' => 't', 'kind' => 'row', 'columns' => ['rock', 'hard'], 'rows' => [['talc', false], ['quartz', true]]],
        ['name' => 's', 'kind' => 'sample', 'items' => ['1', '2', '1/3'], 'count' => 2],
        ['name' => 'n', 'kind' => 'integer', 'from' => '-1', 'to' => '1'],
    ];
    $study = RollStudy::of(studied($list));
    expect($study->rolls)->toBe(36);
    foreach (array_slice($study->worst, 0, 5) as $roll) {
        expect(RollStudy::of(studied($list, [$roll['exclusion']]))->rolls)->toBe(35);
    }
});

it('studies words, truths and lists', function (): void {
    $study = RollStudy::of(studied([
        ['name' => 't', 'kind' => 'row', 'columns' => ['rock', 'hard'], 'rows' => [['talc', false], ['quartz', true]]],
        ['name' => 's', 'kind' => 'sample', 'items' => ['1', '2', '3'], 'count' => 2],
    ]));
    expect(array_map(fn ($value): array => $value->summary(), $study->values))->toBe([
        ['name' => 'rock', 'min' => null, 'max' => null, 'distinct' => 2],
        ['name' => 'hard', 'min' => null, 'max' => null, 'distinct' => 2],
        ['name' => 's', 'min' => null, 'max' => null, 'distinct' => 6],
    ])->and($study->rolls)->toBe(12);
});

it('says why nothing can be rolled', function (array $list, array $conditions, string $rule): void {
    expect(fn () => RollStudy::of(studied($list, $conditions)))->toThrow(
        fn (RollProblem $problem) => expect($problem->rule)->toBe($rule),
    );
})->with([
    'conditions that exclude one another' => [
        [['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '9']],
        ['a > 5', 'a < 3'],
        'variable.conditions_not_met',
    ],
    'the same over many values' => [
        [['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '99999']],
        ['a < 0'],
        'variable.conditions_not_met',
    ],
    'a circle' => [[['name' => 'a', 'kind' => 'expr', 'expr' => 'a']], [], 'variable.circular'],
]);

it('works out ranges of keys that are not exact', function (): void {
    $part = ['id' => 'p1', 'kind' => 'number', 'points' => 1, 'settings' => (object) [], 'key' => ['rules' => [
        ['id' => 'r1', 'on' => ['answer' => 'value', 'value' => ['expr' => 'sqrt(a)']], 'credit' => '1'],
    ]]];
    $study = RollStudy::of(studied([['name' => 'a', 'kind' => 'list', 'items' => ['2', '4']]], [], [$part]));
    $key = $study->keys[0]->summary();
    expect($key['max'])->toBe('2')->and(Exact::decimal(Exact::of((string) $key['min'])))->toBe('1.41421356237309504880168872421');
});

it('tells what it has seen when its time is up', function (string $last): void {
    $study = RollStudy::of(studied([['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => $last]]), 2000, 0.0);

    expect([$study->exhaustive, $study->rolls])->toBe([false, 1]);
})->with(['of few' => '9', 'of many' => '9000']);
