<?php

declare(strict_types=1);

use Tests\Machine\Installation;
use Tests\Machine\Person;
use Tests\Machine\Questions;

// One person does the worst that is allowed; what another one waits for.

/** @return float the longest of some requests, in seconds */
function slowest(Person $person, int $times): float
{
    $longest = 0.0;
    for ($i = 0; $i < $times; $i++) {
        $answer = $person->ask('GET', '/me');
        expect($answer->status)->toBe(200);
        $longest = max($longest, $answer->seconds);
    }

    return $longest;
}

it('answers others while one person draws the worst questions that fit', function (): void {
    $here = Installation::shared();
    [$heavy, $other] = [$here->person('heavy'), $here->person('other')];
    $bodies = array_map(
        function (string $markup): array {
            $question = Questions::one();

            return ['question' => [...$question, 'body' => $markup.$question['body']]];
        },
        [
            str_repeat('<div>', 40_000),
            str_repeat('<b>x</b>', 19_000),
            str_repeat('<p>x</p>', 19_000),
            '<table>'.str_repeat('<tr><td>x</td></tr>', 9000).'</table>',
        ],
    );
    // sent by another process, so that this one can go on asking
    $child = pcntl_fork();
    if ($child === 0) {
        for ($until = microtime(true) + 8; microtime(true) < $until;) {
            $heavy->askAll(
                array_map(
                    fn (int $i): array => [
                        'POST',
                        ['/present', '/score'][$i % 2],
                        [...$bodies[$i % 4], ...$i % 2 === 1 ? ['response' => new stdClass()] : []],
                    ],
                    range(0, 7),
                ),
            );
        }
        posix_kill(posix_getpid(), SIGKILL); // nothing of this copy is to run at its end
    }
    usleep(500_000);
    $longest = slowest($other, 40);
    pcntl_waitpid($child, $status);
    fwrite(STDERR, sprintf("\n    the slowest of 40 /me beside it: %d ms\n", $longest * 1000));
    expect($longest)->toBeLessThan(2.0); // printed above: about 100 ms; a busy machine may take its time
    $refused = array_filter(
        $heavy->askAll(array_fill(0, 12, ['POST', '/present', $bodies[1]])),
        fn ($answer): bool => ! in_array($answer->status, [200, 429], true),
    );
    expect($refused)->toBe([]);
});

it('gives a small import its turn while large ones wait, and stops one when asked', function (): void {
    $here = Installation::shared();
    [$heavy, $other] = [$here->person('large'), $here->person('small')];
    $large = array_map(
        fn (int $i): string => $heavy
            ->ask('POST', '/intakes', ['text' => Questions::exam(990, str_repeat("old stone $i ", 110))])
            ->json('data.id'),
        range(1, 3),
    );
    $small = $other->ask('POST', '/intakes', ['text' => Questions::exam(3)])->json('data.id');
    $here->until(fn (): bool => $other->ask('GET', "/intakes/$small")->json('data.state') === 'review', 'the small import');
    expect(array_filter($large, fn (string $id): bool => $heavy->ask('GET', "/intakes/$id")->json('data.state') === 'reading'))->not->toBe(
        [],
    );
    foreach ($large as $id) {
        $heavy->ask('DELETE', "/intakes/$id");
    }
    $here->until(
        fn (): bool => array_filter(
            $large,
            fn (string $id): bool => $heavy->ask('GET', "/intakes/$id")->json('data.state') === 'reading',
        ) === [],
        'the large imports to stop',
    );
});
