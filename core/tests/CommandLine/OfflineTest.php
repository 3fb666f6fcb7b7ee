<?php

declare(strict_types=1);

use WideQuarry\CommandLine\Offline;
use WideQuarry\CommandLine\Streams;
use WideQuarry\Tests\Support\LongAnswers;
use WideQuarry\Tests\Support\Questions;
use WideQuarry\Tests\Support\Schemas;

/** @return array{int, list<mixed>, mixed} exit code, lines of standard output, the problem on standard error */
function quarry(string $command, array $given = [], string $in = ''): array
{
    [$stdin, $stdout, $stderr] = array_map(fn (): mixed => fopen('php://memory', 'r+'), [1, 2, 3]);
    fwrite($stdin, $in);
    rewind($stdin);
    $code = (new Offline(new Streams($stdin, $stdout, $stderr)))->run($command, $given);
    rewind($stdout);
    rewind($stderr);
    $lines = array_values(array_filter(explode("\n", (string) stream_get_contents($stdout)), fn (string $line): bool => $line !== ''));

    return [
        $code,
        array_map(fn (string $line): mixed => json_decode($line, false, 512, JSON_THROW_ON_ERROR), $lines),
        json_decode((string) stream_get_contents($stderr)),
    ];
}

function scratch(string $name, string $bytes): string
{
    $folder = sys_get_temp_dir().'/quarry-'.bin2hex(random_bytes(4));
    mkdir($folder);
    file_put_contents("$folder/$name", $bytes);

    return "$folder/$name";
}

$rocks = __DIR__.'/../../../database/demo/rocks.json';
$count = count(json_decode((string) file_get_contents($rocks))->questions);
$question = fn (string $kind = 'choice'): stdClass => Schemas::example($kind)->valid;

it('scores marks given by hand, says what is still to be marked, and names a mark that does not fit', function (): void {
    $line = fn (mixed $marks): string => (string) json_encode([
        'question' => LongAnswers::essay(LongAnswers::rubric())->toJson(),
        'response' => LongAnswers::ANSWER,
        ...$marks === null ? [] : ['marks' => ['p1' => ['criteria' => $marks, 'note' => 'read twice']]],
    ]);
    [$code, $lines] = quarry('score', [], implode("\n", [
        $line(null),
        $line(['process' => ['level' => 'full']]),
        $line(['process' => ['level' => 'full'], 'terms' => ['points' => '1.5']]),
        $line(['process' => ['level' => 'superb']]),
    ]));
    expect($code)->toBe(1)
        ->and([$lines[0]->state, $lines[0]->parts[0]->marking->open])->toBe(['needs_marking', ['process', 'terms']])
        ->and([$lines[1]->needs_marking, $lines[1]->parts[0]->marking->open])->toBe([true, ['terms']])
        ->and([$lines[2]->exact, $lines[2]->needs_marking, $lines[2]->parts[0]->marking->note])->toBe(['11/2', false, 'read twice'])
        ->and(array_column($lines[2]->parts[0]->trace, 'step'))
        ->toBe(['words.counted', 'criterion.marked', 'criterion.marked', 'rubric.summed'])
        ->and($lines[3]->problem->path)->toBe('/marks/p1/criteria/process/level');
});

it('scores line by line: order kept, refs echoed, a bad line does not stop the others', function () use ($question): void {
    $good = $question();
    [$code, $lines] = quarry(
        'score',
        [],
        implode("\n", [
            json_encode([
                'ref' => 'one',
                'question' => $good,
                'response' => ['p1' => ['chosen' => [$good->parts[0]->key->rules[0]->on]]],
            ]),
            '{"ref": 2, "question": ',
            json_encode(['ref' => 3, 'question' => $good, 'response' => new stdClass(), 'colour' => 'red']),
            '',
            json_encode(['ref' => null, 'question' => $good, 'response' => new stdClass()]),
        ]),
    );

    expect($code)
        ->toBe(1)
        ->and($lines)
        ->toHaveCount(4)
        ->and([$lines[0]->ref, $lines[0]->state])
        ->toBe(['one', 'right'])
        ->and([$lines[1]->problem->type, $lines[1]->ref])
        ->toBe(['urn:wide-quarry:problem:json.syntax', null])
        ->and([$lines[2]->problem->path, $lines[2]->ref])
        ->toBe(['/colour', 3])
        ->and($lines[3]->state)
        ->toBe('unanswered')
        ->and(Schemas::problem('result.json', json_decode((string) json_encode(array_diff_key((array) $lines[0], ['ref' => 1])))))
        ->toBeNull();
});

it('refuses bad lines with a sentence and the place', function (callable $spoil, string $rule, ?string $path) use ($question): void {
    $line = json_decode((string) json_encode(['question' => $question('number'), 'response' => ['p1' => ['text' => '2.7']]]));
    $spoil($line);
    [$code, $lines] = quarry('score', [], (string) json_encode($line));

    expect($code)
        ->toBe(1)
        ->and($lines[0]->problem->type)
        ->toBe("urn:wide-quarry:problem:$rule")
        ->and($lines[0]->problem->path)
        ->toBe($path)
        ->and(strlen($lines[0]->problem->detail))
        ->toBeGreaterThan(20);
})->with([
    'an unknown field deep inside' => [
        fn (stdClass $line) => ($line->question->parts[0]->settings->colour = 'red'),
        'field.unknown',
        '/parts/0/settings/colour',
    ],
    'a number that is none' => [
        function (stdClass $line): void {
            $line->question->variables = null;
            $line->question->parts[0]->key->rules = [
                (object) ['id' => 'r1', 'on' => (object) ['answer' => 'value', 'value' => 'much'], 'credit' => '1'],
            ];
        },
        'value.unreadable',
        '/parts/0/key/rules/0/on/value',
    ],
    'points as text' => [fn (stdClass $line) => ($line->question->parts[0]->points = '2'), 'field.type', '/parts/0/points'],
    'a response to a part that is not there' => [
        fn (stdClass $line) => ($line->response->p9 = new stdClass()),
        'field.unknown',
        '/response/p9',
    ],
    'a seed too large' => [fn (stdClass $line) => ($line->seed = 2 ** 53), 'field.range', '/seed'],
    'more hints than there are' => [fn (stdClass $line) => ($line->hints = 9), 'field.range', '/hints'],
    'no question at all' => [
        function (stdClass $line): void {
            unset($line->question);
        },
        'field.missing',
        '',
    ],
]);

it('ends patterns without end, and says so in the trace', function (): void {
    $json = Questions::of([Questions::typed('text', [['answer' => 'shape', 'pattern' => '(a+)+(b|c)']])])->toJson();
    $start = hrtime(true);
    [$code, $lines] = quarry(
        'score',
        [],
        (string) json_encode(['question' => $json, 'response' => ['p1' => ['text' => str_repeat('a', 3000)]]]),
    );

    expect($code)
        ->toBe(0)
        ->and((hrtime(true) - $start) / 1e9)
        ->toBeLessThan(5)
        ->and(array_column($lines[0]->parts[0]->trace, 'step'))
        ->toContain('pattern.limit')
        ->and($lines[0]->state)
        ->toBe('wrong');
});

it('presents without a word of the key', function () use ($question): void {
    [$code, $lines] = quarry('present', [], (string) json_encode(['question' => $question(), 'seed' => 4]));

    expect($code)
        ->toBe(0)
        ->and(Schemas::problem('presentation.json', $lines[0]))
        ->toBeNull()
        ->and($lines[0]->seed)
        ->toBe(4)
        ->and(json_encode($lines[0]))
        ->not->toContain('credit');
});

it('rolls the same values for the same seed', function () use ($rocks): void {
    $questions = json_decode((string) file_get_contents(dirname($rocks).'/field-maths.json'))->questions;
    $varying = array_values(array_filter($questions, fn (stdClass $one): bool => ($one->variables->list ?? []) !== []))[0];
    $file = scratch('q.json', (string) json_encode($varying));
    [$code, $five] = quarry('rolls', [$file, '--count=5', '--seed=7']);
    [, $one] = quarry('rolls', [$file, '--count=1', '--seed=11']);

    expect($code)->toBe(0)->and($five)->toHaveCount(5)->and($five[4])->toEqual($one[0])->and($five[0]->seed)->toBe(7);
});

it('checks every question of a file, and fails when one is not complete', function () use ($question, $rocks, $count): void {
    [$code, $lines] = quarry('check', [$rocks]);
    expect($code)->toBe(0)->and($lines)->toHaveCount($count);

    $spoiled = $question();
    $spoiled->parts[0]->key->rules = [];
    [$code, $lines] = quarry('check', [scratch('q.json', (string) json_encode($spoiled))]);
    expect($code)->toBe(1)->and(array_column($lines[0]->findings, 'path'))->toContain('/parts/0/key/rules');
});

it('reads what it wrote: the same questions, media as files by hash, one type a line', function () use ($rocks, $count): void {
    $package = dirname(scratch('x', '')).'/out.zip';
    [$code, [$written]] = quarry('write', ['qti30', $rocks, "--out=$package"]);
    expect($code)->toBe(0)->and($written->sha256)->toBe(hash_file('sha256', $package));

    [$code, [$read]] = quarry('read', [$package]);
    expect($code)
        ->toBe(0)
        ->and($read->questions)
        ->toEqual(json_decode((string) file_get_contents($rocks))->questions)
        ->and(Schemas::problem('read.json', $read))
        ->toBeNull();

    [, $lines] = quarry('read', [$package, '--lines']);
    expect(array_count_values(array_column($lines, 'type'))['question'])->toBe($count);

    [, [$piped]] = quarry('read', ['-'], (string) file_get_contents($package));
    expect($piped->questions)->toEqual($read->questions);
});

it('says what is wrong with a command and leaves nothing behind', function (string $command, array $given, string $in, string $rule) use (
    $rocks,
): void {
    $folder = dirname(scratch('x', ''));
    $given = array_map(fn (string $one): string => strtr($one, ['@' => $folder, '#' => $rocks]), $given);
    [$code, $lines, $problem] = quarry($command, $given, $in);

    expect($code)
        ->toBe(1)
        ->and($lines)
        ->toBe([])
        ->and($problem->type)
        ->toBe("urn:wide-quarry:problem:$rule")
        ->and(strlen($problem->detail))
        ->toBeGreaterThan(15)
        ->and(array_values(array_diff(scandir($folder), ['.', '..'])))
        ->toBe(['x']);
})->with([
    'no file' => ['read', [], '', 'usage'],
    'a file that is not there' => ['read', ['@/gone.zip'], '', 'file.not_found'],
    'a folder' => ['read', ['@'], '', 'file.not_found'],
    'a text file' => ['read', ['-'], 'Dear all', 'text.no_questions'],
    'an unknown option' => ['read', ['#', '--colour=red'], '', 'usage'],
    'an unknown format' => ['write', ['papyrus', '#', '--out=@/x.zip'], '', 'usage'],
    'no place to write' => ['write', ['pack', '#', '--out=@/gone/x.zip'], '', 'usage'],
    'no JSON to write' => ['write', ['pack', '-', '--out=@/y.zip'], '{"questions": [', 'json.syntax'],
    'a question that is none' => [
        'write',
        ['pack', '-', '--out=@/y.zip'],
        '{"questions": [{"format": "wide-quarry/question"}]}',
        'field.missing',
    ],
    'too many rolls' => ['rolls', ['#', '--count=99999999'], '', 'usage'],
]);

it('compares two files that can be read, or the output of read', function () use ($rocks): void {
    $changed = json_decode((string) file_get_contents($rocks));
    $changed->questions[1]->title = 'Another title';
    array_splice($changed->questions, 2, 1);
    $here = json_decode((string) file_get_contents($rocks))->questions;
    [$code, $lines] = quarry('compare', [$rocks, scratch('changed.json', (string) json_encode($changed))]);
    $typed = "1. Which splits?\nA. slate\nB. chalk\nAnswer: A\n";
    [, $alike] = quarry('compare', [scratch('a.txt', $typed), scratch('b.txt', str_replace('slate', 'shale', $typed))]);

    expect($code)->toBe(0)
        ->and(count($lines[0]->same))->toBe(count($here) - 2)
        ->and($lines[0]->differing)->toEqual([
            (object) [
                'a' => $here[1]->id,
                'b' => $here[1]->id,
                'by' => 'identifier',
                'changes' => ["title: {$here[1]->title} → Another title"],
            ],
        ])
        ->and([$lines[0]->only_a, $lines[0]->only_b])->toBe([[$here[2]->id], []])
        ->and([count($alike[0]->only_a), count($alike[0]->only_b)])->toBe([1, 1])
        ->and(quarry('compare', [$rocks])[2]->detail)->toBe('Name two files to compare: quarry compare A B. One of them may be -.')
        ->and(quarry('compare', [$rocks, '/nowhere'])[0])->toBe(1);
});

it('lists the parts of a package and reads those that are named', function (): void {
    $item = fn (string $id): string => "<item ident=\"$id\"><presentation><material><mattext>What is $id?</mattext></material>"
        .'<response_str ident="r"><render_fib/></response_str></presentation></item>';
    $file = scratch('two, quizzes.xml', "<questestinterop><assessment title=\"Tides\"><section>{$item('a')}{$item('b')}</section></assessment>"
        ."<assessment title=\"Rocks\"><section>{$item('c')}</section></assessment></questestinterop>");
    [$code, $lines] = quarry('parts', [$file]);
    expect($code)->toBe(0)->and(array_column($lines[0]->parts, 'questions', 'title'))->toBe(['Tides' => 2, 'Rocks' => 1]);
    $id = json_encode([$lines[0]->parts[1]->id]);
    [$code, $lines] = quarry('read', [$file, "--parts=$id"]);
    expect($code)->toBe(0)->and($lines[0]->questions)->toHaveCount(1)->and($lines[0]->assessments[0]->title)->toBe('Rocks');
    expect(quarry('read', [$file, '--parts=elsewhere.xml'])[2]->detail)->toBe('There is no part "elsewhere.xml" in this file.')
        ->and(quarry('parts', [])[2]->detail)->toContain('quarry parts FILE');
});

it('reads a table as another one was read', function (): void {
    $table = scratch('plain.csv', "Question,Answer\nWhat is a tide?,The rise and fall of the sea\n");
    [, $lines] = quarry('read', [$table, '--as=questions']);
    $mapping = $lines[0]->mapping;
    expect($mapping->sheets[0]->columns[1]->is)->toBe('answer');
    $mapping->sheets[0]->columns[1]->is = 'title';
    [$code, $lines] = quarry('read', [$table, '--as=questions', '--mapping='.scratch('mapping.json', json_encode($mapping))]);
    expect($code)->toBe(0)->and($lines[0]->questions[0]->title)->toBe('The rise and fall of the sea');
});
