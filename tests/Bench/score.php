<?php

declare(strict_types=1);

// Scoring every specimen of the demo, by kind: JSON in and out, beside reading and writing the same lines; and through the core alone,
// beside reading them.

use Tests\Bench\Bench;
use WideQuarry\CommandLine\Offline;
use WideQuarry\CommandLine\Streams;
use WideQuarry\Json\Fields;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;

require __DIR__.'/../../vendor/autoload.php';

const LINES = 2000;
const GATES = ['choice' => 30, 'text' => 30, 'number' => 30];
const GATES_OF_ONE = ['choice' => 15, 'text' => 15, 'number' => 15];

/** @return array<string, list<string>> kind → lines for `quarry score` */
function specimenLines(): array
{
    $lines = [];
    foreach (glob(__DIR__.'/../../database/demo/*.json') ?: [] as $file) {
        foreach (json_decode((string) file_get_contents($file))->questions as $question) {
            $kinds = array_values(array_unique(array_map(fn (stdClass $part): string => $part->kind, $question->parts)));
            foreach ($question->record->specimens ?? [] as $specimen) {
                $lines[count($kinds) === 1 ? $kinds[0] : 'several'][] = json_encode(
                    ['question' => $question, 'response' => $specimen->response, 'seed' => $specimen->seed ?? 1],
                    JSON_UNESCAPED_UNICODE,
                );
            }
        }
    }
    ksort($lines);

    return $lines;
}

/** @param  list<string>  $lines */
function compare(Bench $bench, string $name, array $lines, float $gate): void
{
    $bench->compare(
        $name,
        function () use ($lines): void {
            $in = fopen('php://memory', 'r+');
            fwrite($in, implode("\n", $lines));
            rewind($in);
            if ((new Offline(new Streams($in, fopen('php://memory', 'w'), STDERR)))->run('score', []) !== 0) {
                throw new LogicException('A specimen could not be scored.');
            }
        },
        function () use ($lines): void {
            foreach ($lines as $line) {
                json_encode(json_decode($line));
            }
        },
        $gate,
        count($lines),
    );
}

/** Through the core alone: the question is read once, and the responses are those of a class. */
function through(Bench $bench, string $kind, string $line): void
{
    $given = Fields::of(json_decode($line), '', ['question', 'response', 'seed']);
    $question = Question::read($given->raw('question'), StandardKinds::all());
    $lines = array_fill(0, LINES, $line);
    $bench->compare(
        "core $kind, one question",
        function () use ($question, $given): void {
            for ($i = 0; $i < LINES; $i++) {
                (new Scorer)->score($question, Attempt::read($given));
            }
        },
        fn () => array_map(json_decode(...), $lines),
        GATES_OF_ONE[$kind] ?? 30,
        LINES,
    );
}

$bench = new Bench;
foreach (specimenLines() as $kind => $specimens) {
    // Another question in every line, and one question in all: a class has answered it.
    $mixed = $same = [];
    for ($i = 0; $i < LINES; $i++) {
        $mixed[] = $specimens[$i * 7 % count($specimens)];
        $same[] = $specimens[0];
    }
    through($bench, $kind, $specimens[0]);
    compare($bench, "score $kind", $mixed, GATES[$kind] ?? 30);
    compare($bench, "score $kind, one question", $same, GATES_OF_ONE[$kind] ?? 30);
}
exit($bench->end());
