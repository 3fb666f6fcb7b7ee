<?php

declare(strict_types=1);

use App\Infrastructure\LineInput;
use App\Infrastructure\LineProcesses;
use App\Infrastructure\ProcessEnded;
use Illuminate\Support\Facades\Process;
use WideQuarry\CommandLine\Streams;

/** A stream that holds a text. @return resource */
function streamOf(string $text): mixed
{
    $stream = tmpfile();
    fwrite($stream, $text);
    rewind($stream);

    return $stream;
}

/** Lines through three processes; those answered here get a star. @return array{int, string} the code and what was answered */
function linesThrough(array $command, string $text): array
{
    $alone = function (Streams $streams): int {
        while (($line = fgets($streams->in)) !== false) {
            $streams->line('*'.rtrim($line, "\n"));
        }

        return 0;
    };
    $out = streamOf('');
    $code = (new LineProcesses($command, 3, $alone, new Streams(streamOf($text), $out, STDERR)))->run();
    rewind($out);

    return [$code, (string) stream_get_contents($out)];
}

function scoringLine(int $n, string $words = ''): string
{
    return json_encode([
        'ref' => $n,
        'question' => [
            'format' => 'wide-quarry/question', 'version' => 1, 'id' => sprintf('0193a1b2-4c00-7000-8000-%012d', $n), 'title' => "Stone $n",
            'language' => 'en-GB', 'body' => "<p>How heavy is a $words stone? <span data-part=\"p1\"></span></p>",
            'parts' => [[
                'id' => 'p1', 'kind' => 'number', 'label' => 'mass', 'points' => 1, 'settings' => ['width' => 8],
                'key' => [
                    'rules' => [['id' => 'r1', 'on' => ['answer' => 'value', 'value' => (string) ($n % 7)], 'credit' => '1']],
                    'default' => '0',
                ],
                'scoring' => ['scheme' => 'weights'],
            ]],
        ],
        'response' => ['p1' => ['text' => (string) ($n % 5)]],
    ]);
}

it('answers in the order of the lines, whoever is done first', function (): void {
    // what is long is answered late
    $slow = [PHP_BINARY, '-r', 'while (($line = fgets(STDIN)) !== false) { usleep(strlen($line) > 9000 ? 3000 : 0); echo $line; }'];
    $lines = array_map(fn (int $n): string => "$n ".str_repeat('x', $n % 10 === 0 ? 9500 : 900), range(1, 600));
    [$code, $answers] = linesThrough($slow, implode("\n", $lines)); // the last does not end as a line does

    expect($code)->toBe(0)->and($answers === implode("\n", $lines)."\n")->toBeTrue();
});

it('answers a few lines itself, and leaves out empty ones', function (): void {
    expect(linesThrough(['false'], "a\n\nb"))->toBe([0, "*a\n*\n*b\n"])->and(linesThrough(['false'], ''))->toBe([0, '']);
    $many = str_repeat(str_repeat('y', 999)."\n \t\n\n", 400);
    $cat = [PHP_BINARY, '-r', 'while (($line = fgets(STDIN)) !== false) { if (trim($line) !== "") { echo $line; } }'];
    expect(linesThrough($cat, $many)[1])->toBe(str_repeat(str_repeat('y', 999)."\n", 400));
});

it('gives every process its share', function (): void {
    $who = [PHP_BINARY, '-r', 'while (fgets(STDIN) !== false) { usleep(500); echo getmypid(), "\n"; }'];
    $answers = array_count_values(explode("\n", trim(linesThrough($who, str_repeat(str_repeat('w', 999)."\n", 1200))[1])));

    expect($answers)->toHaveCount(3)->and(min($answers))->toBeGreaterThan(200);
});

it('reports a process that ended before it had answered', function (array $command, int $lines): void {
    linesThrough($command, str_repeat(str_repeat('z', 999)."\n", $lines));
})->with([
    'at once' => [['false'], 2000],
    'after a line' => [['head', '-n', '1'], 2000],
    'when all were taken' => [[PHP_BINARY, '-r', 'for ($i = 0; $i < 80; $i++) { fgets(STDIN); }'], 280],
])->throws(ProcessEnded::class);

it('fails where one of the processes does', function (): void {
    $ends = [PHP_BINARY, '-r', '$code = 0;
        while (($line = fgets(STDIN)) !== false) { echo $line; $code |= $line === "bad\n"; } exit($code);'];
    $line = str_repeat('z', 999)."\n";
    expect(linesThrough($ends, str_repeat($line, 700))[0])->toBe(0)
        ->and(linesThrough($ends, str_repeat($line, 350)."bad\n".str_repeat($line, 350))[0])->toBe(1);
});

it('cuts shares at the ends of lines', function (string $lines, float $bytes, array $shares): void {
    expect(iterator_to_array(LineInput::shares($lines, $bytes)))->toBe($shares);
})->with([
    ["ab\ncd\nef\n", 1, ["ab\n", "cd\n", "ef\n"]],
    ["ab\ncd\nef\n", 3, ["ab\ncd\n", "ef\n"]],
    ["ab\ncd\nef\n", 100, ["ab\ncd\nef\n"]],
    ["abcdef\ng", 2, ["abcdef\n", 'g']],
    ['', 5, []],
]);

it('scores the same with one process and with several', function (): void {
    $lines = array_map(fn (int $n): string => match (true) {
        $n % 50 === 0 => '{"ref":'.$n.',"question":{}}',
        $n % 70 === 0 => '',
        default => scoringLine(intdiv($n, 3), str_repeat('grey ', 200)),
    }, range(1, 500));
    $score = fn (int $processes): Illuminate\Contracts\Process\ProcessResult => Process::path(base_path())->timeout(60)
        ->input(implode("\n", $lines))->run(['bin/quarry', 'score', "--processes=$processes"]);
    [$one, $several] = [$score(1), $score(2)];

    expect(substr_count($one->output(), '"problem"'))->toBe(10)
        ->and(substr_count($one->output(), "\n"))->toBe(494)
        ->and($several->output() === $one->output())->toBeTrue()
        ->and([$one->exitCode(), $several->exitCode(), $several->errorOutput()])->toBe([1, 1, '']);
});

it('answers a line to somebody who waits for it before the next, also after many came at once', function (): void {
    $process = proc_open(['bin/quarry', 'score', '--processes=2'], [['pipe', 'r'], ['pipe', 'w'], STDERR], $pipes, base_path());
    stream_set_timeout($pipes[1], 30);
    $ask = function (int ...$refs) use ($pipes): array {
        fwrite($pipes[0], implode("\n", array_map(fn (int $ref): string => scoringLine($ref, str_repeat('grey ', 800)), $refs))."\n");

        return array_map(fn (): ?int => json_decode((string) fgets($pipes[1]))?->ref, $refs);
    };

    expect($ask(1))->toBe([1])
        ->and($ask(...range(2, 100)))->toBe(range(2, 100))
        ->and($ask(101))->toBe([101])
        ->and($ask(102))->toBe([102]);
    fclose($pipes[0]);
    expect(proc_close($process))->toBe(0);
});

it('refuses a number of processes that cannot be', function (string $given): void {
    $result = Process::path(base_path())->input('')->run(['bin/quarry', 'score', "--processes=$given"]);

    expect($result->exitCode())->toBe(1)->and(json_decode($result->errorOutput())->detail)->toContain('from 1 to 64');
})->with(['0', '65', 'many', '']);

it('ends quietly when nobody reads on', function (string $option): void {
    $file = tempnam(sys_get_temp_dir(), 'lines');
    file_put_contents($file, implode("\n", array_map(scoringLine(...), range(1, 1200))));
    $ran = Process::path(base_path())->run(['bash', '-c', "bin/quarry score $option < $file | head -n 1 | wc -l; echo \${PIPESTATUS[0]}"]);
    unlink($file);

    expect($ran->output())->toBe("1\n141\n")->and($ran->errorOutput())->toBe('');
})->with(['', '--processes=1', '--processes=3']);
