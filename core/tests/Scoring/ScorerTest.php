<?php

declare(strict_types=1);

use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\NotScorable;
use WideQuarry\Scoring\Assignment;
use WideQuarry\Tests\Support\Questions;

/** Two typed parts, 1 and 2 points, right with "a" and "b". */
function twoParts(array $more = []): WideQuarry\Question\Question
{
    return Questions::of(
        [
            Questions::typed('text', [['answer' => 'is', 'text' => ['a']], ['answer' => 'is', 'text' => ['h'], 'credit' => '1/2']]),
            Questions::typed('text', [['answer' => 'is', 'text' => ['b']]], 2, 'p2'),
        ],
        $more,
    );
}

// Steps 1 to 7 of docs/developers/scoring.md, each worked by hand.
it('combines parts', function (array $more, array $response, array $rest, string $exact, int|float $score, string $state): void {
    $result = Questions::score(twoParts($more), $response, ...$rest);

    expect(Exact::text($result->exact))
        ->toBe($exact)
        ->and(Exact::number($result->score))
        ->toBe($score)
        ->and($result->state)
        ->toBe($state);
})->with([
    'sum of both' => [[], ['p1' => 'a', 'p2' => 'b'], [], '3', 3, 'right'],
    'half of the first' => [[], ['p1' => 'h', 'p2' => 'x'], [], '1/2', 0.5, 'partly'],
    'a blank part earns nothing' => [[], ['p2' => 'b'], [], '2', 2, 'partly'],
    'nothing at all' => [[], [], [], '0', 0, 'unanswered'],
    'all or nothing: all' => [['scoring' => ['combine' => 'all']], ['p1' => 'a', 'p2' => 'b'], [], '3', 3, 'right'],
    'all or nothing: not all' => [['scoring' => ['combine' => 'all']], ['p1' => 'h', 'p2' => 'b'], [], '0', 0, 'wrong'],
    'a hint costs a tenth of 3' => [
        ['hints' => [['id' => 'h', 'html' => '<p>x</p>', 'cost' => '1/10']]],
        ['p1' => 'a', 'p2' => 'b'],
        [1, 0, 1],
        '27/10',
        2.7,
        'right',
    ],
    'two earlier tries cost two fifths' => [['attempts' => ['cost' => '1/5']], ['p1' => 'a', 'p2' => 'b'], [1, 2], '9/5', 1.8, 'right'],
    'hints and tries add up' => [
        ['attempts' => ['cost' => '1/5'], 'hints' => [['id' => 'h', 'html' => '', 'cost' => '1/2']]],
        ['p1' => 'a', 'p2' => 'b'],
        [1, 1, 1],
        '9/10',
        0.9,
        'right',
    ],
    'costs stop at nothing' => [['attempts' => ['cost' => '1']], ['p1' => 'a'], [1, 3], '0', 0, 'partly'],
    'an upper bound' => [['scoring' => ['high' => '1/2']], ['p1' => 'a', 'p2' => 'b'], [], '3/2', 1.5, 'right'],
    'a lower bound lifts' => [['scoring' => ['low' => '1/3']], ['p1' => 'x', 'p2' => 'x'], [], '1', 1, 'wrong'],
    'other points in an assessment' => [[], ['p1' => 'a', 'p2' => 'x'], [1, 0, 0, '2'], '2/3', 0.67, 'partly'],
    'rounded once, to its own step' => [
        ['scoring' => ['step' => '1/2']],
        ['p1' => 'a', 'p2' => 'x'],
        [1, 0, 0, '4'],
        '4/3',
        1.5,
        'partly',
    ],
    'half away from zero' => [['scoring' => ['step' => '1']], ['p1' => 'h', 'p2' => 'x'], [], '1/2', 1, 'partly'],
]);

it('lets negative totals stand, and costs do not deepen them', function (): void {
    $part = Questions::choice(['a' => '1', 'b' => '-1'], ['scheme' => 'weights', 'low' => '-1'], 2);
    $question = Questions::of([$part], ['scoring' => ['low' => '-1'], 'attempts' => ['cost' => '1/2']]);

    expect(Exact::text(Questions::score($question, ['p1' => ['b']])->exact))
        ->toBe('-2')
        ->and(Exact::text(Questions::score($question, ['p1' => ['b']], 1, 3)->exact))
        ->toBe('-2');
});

it('opens a gate only for what is right', function (array $response, string $exact, array $states): void {
    $parts = array_map(
        fn (string $id): array => Questions::typed(
            'text',
            [['answer' => 'is', 'text' => ['a']], ['answer' => 'is', 'text' => ['h'], 'credit' => '1/2']],
            1,
            $id,
        ),
        ['p1', 'p2', 'p3'],
    );
    $result = Questions::score(
        Questions::of($parts, ['scoring' => ['gates' => [['part' => 'p2', 'needs' => ['p1']], ['part' => 'p3', 'needs' => ['p2']]]]]),
        $response,
    );

    expect(Exact::text($result->exact))->toBe($exact)->and(array_column($result->parts, 'state'))->toBe($states);
})->with([
    'all right' => [['p1' => 'a', 'p2' => 'a', 'p3' => 'a'], '3', ['right', 'right', 'right']],
    'half right does not open' => [['p1' => 'h', 'p2' => 'a', 'p3' => 'a'], '1/2', ['partly', 'wrong', 'wrong']],
    'the second gate stays closed behind the first' => [['p1' => 'x', 'p2' => 'a', 'p3' => 'a'], '0', ['wrong', 'wrong', 'wrong']],
    'half right behind an open gate counts' => [['p1' => 'a', 'p2' => 'h', 'p3' => 'a'], '3/2', ['right', 'partly', 'wrong']],
]);

it('never opens a ring of gates', function (): void {
    $parts = array_map(fn (string $id): array => Questions::typed('text', [['answer' => 'is', 'text' => ['a']]], 1, $id), ['p1', 'p2']);
    $result = Questions::score(
        Questions::of($parts, ['scoring' => ['gates' => [['part' => 'p1', 'needs' => ['p2']], ['part' => 'p2', 'needs' => ['p1']]]]]),
        ['p1' => 'a', 'p2' => 'a'],
    );

    expect(Exact::text($result->exact))->toBe('0');
});

it('gives each shared rule once, by the best assignment', function (array $response, string $exact, array $matched): void {
    $rules = [
        ['answer' => 'is', 'text' => ['basalt']],
        ['answer' => 'holds', 'text' => ['rock'], 'credit' => '1/2'],
        ['answer' => 'is', 'text' => ['gabbro', 'basalt']],
        ['answer' => 'otherwise', 'credit' => '0'],
    ];
    $question = Questions::of(
        [Questions::typed('text', $rules), Questions::typed('text', [], 1, 'p2')],
        ['scoring' => ['once' => [['p1', 'p2']]]],
    );
    $result = Questions::score($question, $response);

    expect(Exact::text($result->exact))->toBe($exact)->and(array_map(fn ($part): array => $part->matched, $result->parts))->toBe($matched);
})->with([
    'two different ones' => [['p1' => 'gabbro', 'p2' => 'basalt'], '2', [['r3'], ['r1']]],
    'the greedy choice would lose' => [['p1' => 'basalt', 'p2' => 'gabbro'], '2', [['r1'], ['r3']]],
    'one rule, two places' => [['p1' => 'rock', 'p2' => 'a rock'], '1/2', [['r2'], ['r4']]],
    'a word that two rules list may stand twice' => [['p1' => 'basalt', 'p2' => 'basalt'], '2', [['r1'], ['r3']]],
    'one left blank' => [['p1' => 'gabbro'], '1', [['r3'], []]],
    'otherwise is never used up' => [['p1' => 'x', 'p2' => 'y'], '0', [['r4'], ['r4']]],
]);

it('assigns best among all assignments', function (): void {
    mt_srand(7);
    for ($round = 0; $round < 60; $round++) {
        $gain = array_map(
            fn (): array => array_map(fn (): Brick\Math\BigRational => Brick\Math\BigRational::of(mt_rand(-3, 9)), range(1, 4)),
            range(1, 3),
        );
        $best = null;
        foreach ([0, 1, 2, 3] as $a) {
            foreach (array_diff([0, 1, 2, 3], [$a]) as $b) {
                foreach (array_diff([0, 1, 2, 3], [$a, $b]) as $c) {
                    $sum = $gain[0][$a]->plus($gain[1][$b])->plus($gain[2][$c]);
                    $best = $best === null || $sum->isGreaterThan($best) ? $sum : $best;
                }
            }
        }
        [$a, $b, $c] = Assignment::best($gain);
        expect($gain[0][$a]->plus($gain[1][$b])->plus($gain[2][$c])->isEqualTo($best))->toBeTrue();
    }
});

it('does not count blank or unreadable responses as tries', function (array $response, bool $counts, string $state): void {
    $result = Questions::score(Questions::of([Questions::typed('number', [['answer' => 'value', 'value' => '2']])]), $response);

    expect($result->counts)->toBe($counts)->and($result->state)->toBe($state);
})->with([
    'blank' => [['p1' => '  '], false, 'unanswered'],
    'left out' => [[], false, 'unanswered'],
    'unreadable' => [['p1' => 'two'], false, 'unreadable'],
    'wrong' => [['p1' => '3'], true, 'wrong'],
]);

it('leaves to a person what a person marks', function (): void {
    $result = Questions::score(Questions::of([Questions::typed('text', [], 1, 'p1', ['scoring' => ['scheme' => 'person']])]), [
        'p1' => 'long',
    ]);

    expect($result->needsMarking)->toBeTrue()->and($result->state)->toBe('needs_marking');
});

it(
    'scores a question without points as unscored',
    fn () => expect(
        Questions::score(Questions::of([Questions::typed('text', [['answer' => 'otherwise']], 0)]), ['p1' => 'x'])->state,
    )->toBe('unscored'),
);

it('refuses a response to a part that is not there', fn () => Questions::score(twoParts(), ['p9' => 'a']))->throws(Malformed::class, 'p9');
it('refuses more hints than there are', fn () => Questions::score(twoParts(), [], 1, 0, 1))->throws(Malformed::class);
it('names the place of an unreadable number', function (): void {
    try {
        Questions::score(Questions::of([Questions::typed('text', [['answer' => 'otherwise', 'credit' => 'half']])]), ['p1' => 'x']);
    } catch (NotScorable $problem) {
        expect($problem->path)->toBe('/parts/0/key/rules/0/credit');

        return;
    }
    test()->fail('It was scored.');
});
