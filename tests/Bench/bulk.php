<?php

declare(strict_types=1);

// Changes of many questions in a bank of 200,000 (or --questions=N): 10,000 records and 2,000 contents, and their undoing, beside the
// same rows changed and logged by SQL in one go, without judging any of them.

use App\Actions\Bulk\BeginOperation;
use App\Actions\Bulk\RunOperation;
use App\Actions\Bulk\StoredOperation;
use App\Models\Bank;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Tests\Bench\Bench;

require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const RECORDS = 10_000;
const CONTENTS = 2_000;
const SECONDS = 10;

$asked = current(array_filter($argv, fn (string $one): bool => str_starts_with($one, '--questions=')));
$count = $asked === false ? 200_000 : (int) substr($asked, 12);
$bank =
    Bank::query()
        ->where('slug', "large-$count")
        ->first() ?? exit("Run bin/bench search --questions=$count first: it makes the bank.\n");
$person = User::query()
    ->whereKey(
        DB::table('bank_grants')->where(['bank_id' => $bank->id, 'role' => 'keeper'])->value('user_id'),
    )
    ->firstOrFail();
config(['queue.default' => 'null']); // the work is done here, where it is timed

/** @param  list<string>  $ids */
function act(Bank $bank, array $ids, array $change, User $person): string
{
    $act = app(BeginOperation::class)->change($bank, $ids, json_decode((string) json_encode($change)), $person);
    app(RunOperation::class)->handle($act);

    return $act;
}

function undo(string $act, User $person): string
{
    $undo = app(BeginOperation::class)->undo($act, $person);
    app(RunOperation::class)->handle($undo);

    return $undo;
}

/** @param  callable(): string  $work  @return array{float, string} seconds, and the act */
function timed(callable $work): array
{
    $start = hrtime(true);
    $act = $work();

    return [(hrtime(true) - $start) / 1e9, $act];
}

$ids = DB::table('questions')
    ->where('bank_id', $bank->id)
    ->whereNull('binned_at')
    ->orderBy('id')
    ->limit(RECORDS)
    ->pluck('id')
    ->all();
$few = array_slice($ids, 0, CONTENTS);
$bench = new Bench;
$missed = 0;

// by hand: the same rows and the same number of log entries, in two statements
$list = '{'.implode(',', $ids).'}';
[$byHand] = timed(function () use ($list): string {
    DB::transaction(function () use ($list): void {
        DB::insert(
            <<<'SQL'
                INSERT INTO changes (question_id, field, before, after) SELECT id, 'bench', to_jsonb(level), to_jsonb(difficulty)
                    FROM questions CROSS JOIN generate_series(1, 2) WHERE id = ANY (?::uuid[])
                SQL,
            [$list],
        );
        DB::update(
            "UPDATE questions SET record = record || '{\"work\": \"Bench\"}', work = 'Bench', updated_at = now() WHERE id = ANY ".
                '(?::uuid[])',
            [$list],
        );
        DB::update("UPDATE questions SET record = record - 'work', work = '', updated_at = now() WHERE id = ANY (?::uuid[])", [$list]);
        DB::delete("DELETE FROM changes WHERE field = 'bench'");
    });

    return '';
});
$bench->state('by hand, there and back', sprintf('%.1f s for %s', $byHand, number_format(RECORDS)));
foreach (
    [
        ['records: level and difficulty', $ids, ['record' => ['level' => ['set' => 'Year 99'], 'difficulty' => ['set' => 3]]]],
        ['records: a tag, which is searched', $ids, ['record' => ['tags' => ['add' => ['bench']]]]],
        ['places: a topic and a folder', $ids, ['topics' => ['add' => [['Bench', 'Below']]], 'folders' => ['add' => [['Bench']]]]],
        ['content: points', $few, ['content' => ['points' => 7]]],
        [
            'content: words replaced',
            $few,
            ['content' => ['replace' => ['find' => 'the', 'with' => 'that', 'whole' => true, 'case' => false]]],
        ],
    ] as [$name, $some, $change]
) {
    [$there, $act] = timed(fn (): string => act($bank, $some, $change, $person));
    $changed = StoredOperation::find($act)->changed;
    [$back] = timed(fn (): string => undo($act, $person));
    $limit = count($some) === RECORDS ? SECONDS : SECONDS * 2;
    $good = $there <= $limit && $back <= $limit * 1.2;
    $missed += $good ? 0 : 1;
    $bench->state(
        $name,
        sprintf(
            '%s of %s changed in %.1f s, undone in %.1f s, of at most %d s   %s',
            number_format($changed),
            number_format(count($some)),
            $there,
            $back,
            $limit,
            $good ? 'good' : 'MISSED',
        ),
    );
}
exit($missed === 0 ? 0 : 1);
