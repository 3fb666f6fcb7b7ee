<?php

declare(strict_types=1);

// Scoring, JSON in and out: every specimen of the demo, by kind, beside reading and writing the same lines.

use Tests\Bench\Bench;
use WideQuarry\CommandLine\Offline;
use WideQuarry\CommandLine\Streams;

require __DIR__.'/../../vendor/autoload.php';

const LINES = 2000;
const GATES = ['choice' => 15, 'text' => 30, 'number' => 30];

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

$bench = new Bench;
foreach (specimenLines() as $kind => $specimens) {
    $lines = [];
    for ($i = 0; $i < LINES; $i++) {
        $lines[] = $specimens[$i % count($specimens)];
    }
    $bench->compare(
        "score $kind",
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
        GATES[$kind] ?? 30,
        LINES,
    );
}
exit($bench->end());
