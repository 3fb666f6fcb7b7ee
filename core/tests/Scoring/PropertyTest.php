<?php

declare(strict_types=1);

use Brick\Math\BigRational;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Tests\Support\Questions;

$rounds = getenv('QUARRY_LONG') ? 3000 : 150;

/** A choice with some right ones, as the seed of mt_rand has it. */
function randomChoice(string $scheme): array
{
    $ids = array_slice(['a', 'b', 'c', 'd', 'e', 'f'], 0, mt_rand(2, 6));
    $options = [];
    foreach ($ids as $i => $id) {
        $options[$id] = $i === 0 || mt_rand(0, 1) === 1 ? '1' : '';
    }

    return [
        Questions::choice($options, ['scheme' => $scheme, 'cost' => ['0', '1/2', '1'][mt_rand(0, 2)]], mt_rand(1, 5)),
        array_keys(array_filter($options)),
        $ids,
    ];
}

function randomSubset(array $ids): array
{
    return array_values(array_filter($ids, fn (): bool => mt_rand(0, 1) === 1));
}

$schemes = ['all' => ['all'], 'each' => ['each'], 'balance' => ['balance'], 'judge' => ['judge']];

it('keeps scores within bounds, gives the key full marks, and never less for one more right', function (string $scheme) use (
    $rounds,
): void {
    mt_srand(crc32($scheme));
    for ($round = 0; $round < $rounds; $round++) {
        [$part, $right, $ids] = randomChoice($scheme);
        $question = Questions::of([$part]);
        $given = randomSubset($ids);
        $score = Questions::score($question, ['p1' => $given])->exact;
        expect($score->isLessThan(0) || $score->isGreaterThan($part['points']))
            ->toBeFalse()
            ->and(Questions::score($question, ['p1' => $right])->exact->isEqualTo($part['points']))
            ->toBeTrue();
        // Under `each`, picking one more right thing while holding too many may only cost what it earns; it must not lose.
        $more = array_values(array_diff($right, $given))[0] ?? null;
        if ($more !== null && $given !== []) {
            expect(Questions::score($question, ['p1' => [...$given, $more]])->exact->isLessThan($score))->toBeFalse(
                "$scheme ".json_encode([$part, $given, $more]),
            );
        }
    }
})->with($schemes);

it('does not mind renaming or permuting', function (string $scheme) use ($rounds): void {
    mt_srand(crc32("names $scheme"));
    for ($round = 0; $round < $rounds; $round++) {
        [$part, , $ids] = randomChoice($scheme);
        $given = randomSubset($ids);
        $names = array_combine($ids, array_map(fn (string $id): string => "option $id/".mt_rand(), $ids));
        $other = $part;
        shuffle($other['settings']['options']);
        shuffle($other['key']['rules']);
        $other['settings']['options'] = array_map(
            fn (array $option): array => ['id' => $names[$option['id']], 'html' => $option['html']],
            $other['settings']['options'],
        );
        $other['key']['rules'] = array_map(fn (array $rule): array => [...$rule, 'on' => $names[$rule['on']]], $other['key']['rules']);
        $renamed = array_map(fn (string $id): string => $names[$id], $given);
        shuffle($renamed);
        expect((string) Questions::score(Questions::of([$other]), ['p1' => $renamed])->exact)->toBe(
            (string) Questions::score(Questions::of([$part]), ['p1' => $given])->exact,
        );
    }
})->with($schemes);

it('never shows anything that depends on the key', function () use ($rounds): void {
    mt_srand(11);
    $present = fn (Question $question, int $seed): string => json_encode(
        (new Presenter)->present($question, Seed::of($seed)),
        JSON_THROW_ON_ERROR,
    );
    for ($round = 0; $round < $rounds; $round++) {
        [$part] = randomChoice('all');
        $part['settings']['shuffle'] = true;
        $other = $part;
        $other['key'] = [
            'rules' => [
                [
                    'id' => 'other',
                    'on' => $part['settings']['options'][array_rand($part['settings']['options'])]['id'],
                    'credit' => '1',
                    'feedback' => ['html' => '<p>secret</p>'],
                    'note' => 'secret',
                ],
            ],
            'default' => '-1',
        ];
        $other['scoring'] = ['scheme' => 'judge'];
        $other['feedback'] = ['right' => ['html' => '<p>secret</p>']];
        $seed = mt_rand();
        expect(
            $present(Questions::of([$other], ['title' => 'secret', 'feedback' => ['wrong' => ['html' => '<p>secret</p>']]]), $seed),
        )->toBe($present(Questions::of([$part]), $seed));
    }
});

it('scores the same in any order of asking', function (): void {
    $question = Questions::of([Questions::choice(['a' => '1', 'b' => '1/3', 'c' => ''], ['scheme' => 'weights'], 3)]);
    $first = json_encode(Questions::score($question, ['p1' => ['b']]));
    Questions::score($question, ['p1' => ['a']]);

    expect(json_encode(Questions::score($question, ['p1' => ['b']])))
        ->toBe($first)
        ->and(Questions::score($question, ['p1' => ['b']])->exact->isEqualTo(BigRational::of(1)))
        ->toBeTrue();
});
