<?php

declare(strict_types=1);

use App\Indexing\QuestionChunk;
use App\Indexing\RowPipeline;
use Illuminate\Support\Str;
use Tests\Feature\World;
use WideQuarry\Parts\StandardKinds;

/** @return list<QuestionChunk> seven of a hundred questions; one of them is none, and one says more than there is a place for */
function chunksOfQuestions(): array
{
    $chunks = [];
    foreach (range(0, 6) as $c) {
        $given = [];
        foreach (range(1, 100) as $i) {
            $position = $c * 100 + $i;
            $question = World::json(sprintf('0192f0c4-0000-7000-8000-%012d', $position));
            $question->title = "Question $position";
            if ($position === 650) {
                $question->parts = 'none';
            } elseif ($position === 651) {
                $question->body .= '<blink>Look</blink><img data-media="m1" alt="A shore">';
            }
            $place = ['intake_id' => World::STATEMENT, 'file_id' => World::STATEMENT, 'position' => $position, 'number' => $position];
            $given[] = ['question' => $question, 'place' => ['id' => (string) Str::uuid7(), ...$place]];
        }
        $chunks[] = new QuestionChunk('rocks.csv', $given, ['m1' => 'm2'], [], $c);
    }

    return $chunks;
}

/** @param  iterable<QuestionChunk>  $chunks */
function preparedRows(iterable $chunks): array
{
    $rows = $notices = [];
    foreach ((new RowPipeline(StandardKinds::all()))->prepared($chunks) as [$made, $chunk]) {
        foreach (json_decode($made->rows) as $row) {
            unset($row->id);
            $rows[] = $row;
        }
        array_push($notices, ...$made->notices);
    }

    return [$rows, $notices];
}

it('prepares rows in other processes as it does here, in their order', function (): void {
    $here = [[], []];
    foreach (chunksOfQuestions() as $chunk) { // one after the other, so that no process is worth it
        $made = preparedRows([$chunk]);
        $here = [[...$here[0], ...$made[0]], [...$here[1], ...$made[1]]];
    }
    [$rows, $notices] = preparedRows(chunksOfQuestions());
    expect($rows)->toEqual($here[0])->toHaveCount(699)
        ->and($notices)->toBe($here[1])
        ->and(array_column($notices, 'position'))->toBe([-65000, -65100])
        ->and($rows[649]->media)->toBe(['m2']);
});

it('prepares the rest here when the other processes are killed', function (): void {
    $chunks = (function (): Generator {
        foreach (chunksOfQuestions() as $i => $chunk) {
            yield $chunk;
            if ($i === 5) {
                shell_exec('pkill -KILL -P '.getmypid().' -f [b]ootstrap/rows.php; sleep 0.1');
            }
        }
    })();
    expect(preparedRows($chunks)[0])->toHaveCount(699);
});
