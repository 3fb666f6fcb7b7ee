<?php

declare(strict_types=1);

use WideQuarry\CommandLine\Offline;
use WideQuarry\CommandLine\Streams;

/**
 * @param  array<string, mixed>|string  $given
 * @param  list<string>  $options
 * @return array{int, mixed, mixed} exit code, what was printed, the problem on standard error
 */
function quarryForms(array|string $given, array $options = []): array
{
    [$in, $out, $err] = array_map(fn (): mixed => fopen('php://memory', 'r+'), [1, 2, 3]);
    fwrite($in, is_string($given) ? $given : (string) json_encode($given));
    rewind($in);
    $code = (new Offline(new Streams($in, $out, $err)))->run('forms', ['-', ...$options]);
    rewind($out);
    rewind($err);

    return [$code, json_decode((string) stream_get_contents($out), true), json_decode((string) stream_get_contents($err), true)];
}

/** What read gives of a test of six questions: five choices and a text between. */
function rocksTest(): array
{
    $id = fn (int $i): string => sprintf('0192f0c4-0000-7000-8000-%012d', $i);
    $question = fn (int $i, string $body, array $parts): array => [
        'format' => 'wide-quarry/question', 'version' => 1, 'id' => $id($i), 'body' => $body, 'parts' => $parts,
    ];
    $choice = fn (int $i): array => $question($i, '<p>Which?</p><div data-part="p1"></div>', [[
        'id' => 'p1', 'kind' => 'choice', 'points' => 2,
        'settings' => ['shuffle' => true, 'options' => array_map(
            fn (string $name): array => ['id' => $name, 'html' => $name],
            ['slate', 'chalk', 'basalt', 'gneiss'],
        )],
        'key' => ['rules' => [['id' => 'r1', 'on' => 'chalk', 'credit' => '1']]],
    ]]);
    $assessment = fn (string $last): array => [
        'format' => 'wide-quarry/assessment', 'version' => 1, 'id' => "0192f0c4-0000-7000-8000-0000000000$last", 'title' => 'Rocks',
        'sections' => [['id' => 's1', 'shuffle' => true, 'entries' => array_map(
            fn (int $i): array => ['id' => "e$i", 'question' => $id($i)],
            range(1, 6),
        )]],
    ];

    return [
        'questions' => [...array_map($choice, range(1, 5)), $question(6, '<p>Name a rock: <span data-part="p1"></span></p>', [[
            'id' => 'p1', 'kind' => 'text', 'points' => 1, 'settings' => new stdClass,
            'key' => ['rules' => [['id' => 'r1', 'on' => ['answer' => 'is', 'text' => ['slate']], 'credit' => '1']]],
        ]])],
        'assessments' => [$assessment('a1')],
    ];
}

it('gives forms, balance and limits', function (): void {
    [$code, $made] = quarryForms(rocksTest(), ['--count=3', '--seed=5']);
    expect($code)->toBe(0)->and(array_keys($made))->toBe(['forms', 'balance', 'limits'])
        ->and(array_column($made['forms'], 'letter'))->toBe(['A', 'B', 'C'])
        ->and(array_keys($made['balance']))->toBe(['A', 'B', 'C'])
        ->and($made['limits'])->toBe([]);
    foreach ($made['forms'] as $form) {
        expect(array_column($form['entries'], 'number'))->toBe([1, 2, 3, 4, 5, 6])
            ->and(array_sum(array_column($form['entries'], 'points')))->toBe(11)
            ->and(array_sum($made['balance'][$form['letter']]))->toBe(5);
        foreach ($form['entries'] as $entry) {
            $right = array_search('chalk', $entry['options']['p1'] ?? [], true);
            expect($entry['key'])->toBe($entry['entry'] === 'e6' ? [] : ['p1' => ['ABCD'[$right]]]);
        }
    }
});

it('takes nothing else', function (array|string $given, array $options, string $problem): void {
    [$code, , $said] = quarryForms($given, $options);
    expect($code)->toBe(1)->and($said['detail'])->toContain($problem);
})->with([
    'too many' => [rocksTest(), ['--count=27'], 'N from 1 to 26'],
    'none' => [rocksTest(), ['--count=0'], 'N from 1 to 26'],
    'no number' => [rocksTest(), ['--seed=x'], 'quarry forms FILE.json'],
    'no run' => [rocksTest(), ['--run=0'], 'R (keys in a row) from 1 to 100'],
    'another option' => [rocksTest(), ['--letters=4'], 'There is no option --letters'],
    'no assessment' => [['questions' => []], [], 'one assessment'],
    'two assessments' => [['assessments' => [...rocksTest()['assessments'], ...rocksTest()['assessments']]], [], 'one assessment'],
    'another assessment' => [rocksTest(), ['--assessment=x'], 'one assessment'],
    'no JSON' => ['{', [], ''],
    'fixed is no truth' => [['assessments' => [[...rocksTest()['assessments'][0], 'sections' => [
        ['id' => 's1', 'entries' => [['id' => 'e1', 'question' => '0192f0c4-0000-7000-8000-000000000001', 'fixed' => 'yes']]],
    ]]]], [], 'Expected true or false'],
]);
