<?php

declare(strict_types=1);

// Tables of 20,000 rows to their review, a cell corrected, 20,000 questions compared with 20,000, and 5,000 flat questions regrouped with
// their draws rebuilt. Reading stands beside fgetcsv on the same rows, comparing beside hashing the same texts.

use App\Actions\Intake\CommitIntake;
use App\Actions\Intake\CorrectFile;
use App\Actions\Intake\OpenIntake;
use App\Actions\MakeBank;
use App\Models\Intake;
use App\Models\User;
use App\Queries\SourceQuestions;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Tests\Bench\Bench;
use WideQuarry\Duplicates\Comparison;
use WideQuarry\Interchange\QuestionTable\Written\XlsxFile;
use WideQuarry\Json\Json;
use WideQuarry\Migration\StatedDraw;
use WideQuarry\Parts\StandardKinds;

require __DIR__.'/../../vendor/autoload.php';
ini_set('memory_limit', '2G');
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

$count = 20_000;
$person = User::query()->firstOrCreate(['email' => 'bench@fellmoor.example'], ['name' => 'Bench', 'password' => 'limestone-7']);
$bench = new Bench(1);
$heading = ['ID', 'Quiz', 'Question', 'A', 'B', 'C', 'D', 'Correct', 'Points', 'Topic', 'Tags', 'Feedback'];
$rows = [];
for ($i = 0; $i < $count; $i++) {
    $rows[] = [
        "q$i", 'Quiz '.intdiv($i, 250), "How much is $i and ".($i % 7).'?', "$i", (string) ($i + $i % 7 + 1), (string) ($i + 20), 'none', $i === 5 ? 'Z' : 'B', '1', // one names an option that is not there
        'Sums > Part '.($i % 40), 'sum; '.($i % 9), 'Add the two numbers.',
    ];
}
$csv = (string) tempnam(sys_get_temp_dir(), 'table');
$stream = fopen($csv, 'w');
assert($stream !== false);
foreach ([$heading, ...$rows] as $row) {
    fputcsv($stream, $row, ',', '"', '');
}
fclose($stream);
$xlsx = (string) tempnam(sys_get_temp_dir(), 'table');
XlsxFile::write($xlsx, $heading, $rows);
unset($rows);

/** Seconds to the review, and how much memory a process of its own took for it. */
$review = function (string $file, string $name) use ($person): array {
    $intake = app(OpenIntake::class)->handle([['path' => $file, 'name' => $name]], $person);
    $start = hrtime(true);
    $code = 'require $argv[1]."/vendor/autoload.php"; $app = require $argv[1]."/bootstrap/app.php"; '.
        '$app->make(Illuminate\\Contracts\\Console\\Kernel::class)->bootstrap(); app(App\\Actions\\Intake\\ReadIntake::class)->handle('.
        'App\\Models\\Intake::query()->findOrFail($argv[2])); echo memory_get_peak_usage(true);';
    $peak = (int) shell_exec(implode(' ', array_map(
        escapeshellarg(...),
        [PHP_BINARY, '-d', 'memory_limit=512M', '-r', $code, dirname(__DIR__, 2), $intake->id],
    )));

    return [$intake, (hrtime(true) - $start) / 1e9, $peak / 1e6];
};
foreach (['CSV' => [$csv, 'rows.csv', 15], 'XLSX' => [$xlsx, 'rows.xlsx', 40]] as $what => [$file, $name, $most]) {
    [$intake, $seconds, $megabytes] = $review($file, $name);
    $found = DB::table('staged_questions')->where('intake_id', $intake->id)->count();
    $bench->state("20,000 rows of $what to review", sprintf('%d questions, %.1f s of at most %d, %.0f MB', $found, $seconds, $most, $megabytes));
}
$file = (string) DB::table('intake_files')->where('intake_id', $intake->id)->value('id');
$start = hrtime(true);
app(CorrectFile::class)->handle($intake->refresh(), $file, (object) ['cells' => (object) ['H7' => 'A'], 'skipped' => []], new stdClass);
$state = $intake->refresh()->state;
$bench->state('a cell of them corrected', sprintf('%.1f s, then in %s', (hrtime(true) - $start) / 1e9, $state));

$texts = DB::table('staged_questions')->where('intake_id', $intake->id)->orderBy('number')->pluck('content')->map(strval(...))->all();
$others = array_map(
    fn (string $json, int $i): string => $i % 5 === 0 ? str_replace('How much is', 'What is', $json) : $json,
    $texts,
    array_keys($texts),
);
$bench->compare(
    '20,000 compared with 20,000',
    fn (): Comparison => new Comparison($texts, $others, StandardKinds::all()),
    function () use ($texts, $others): void {
        foreach ([...$texts, ...$others] as $text) {
            hash('xxh128', Json::encode(Json::decode($text)));
        }
    },
    60,
    $count,
);
unset($texts, $others);

DB::table('staged_questions')->where('intake_id', $intake->id)->where('number', '>', 5000)->delete();
$bank = app(MakeBank::class)->handle(['name' => 'Regroup bench'], $person);
$intake->update(['bank_id' => $bank->id, 'pattern' => '{quiz} › {kind}']);
$lines = array_map(fn (int $i): StatedDraw => new StatedDraw("Quiz $i", 'multiple choice', 10, 250, '2'), range(0, 19));
$start = hrtime(true);
$intake->update(['statements' => Json::encode($lines)]);
$agree = count(array_filter(SourceQuestions::tally($intake->refresh())->lines, fn ($line): bool => $line->agrees()));
$bench->state('5,000 regrouped and tallied', sprintf('%.1f s, %d of 20 lines agree', (hrtime(true) - $start) / 1e9, $agree));
$start = hrtime(true);
app(CommitIntake::class)->begin($intake->refresh(), $person);
app(CommitIntake::class)->handle($intake->refresh());
$bench->state('imported with folders and draws', sprintf(
    '%.1f s, %d folders, %d assessments',
    (hrtime(true) - $start) / 1e9,
    DB::table('folders')->where('bank_id', $bank->id)->count(),
    DB::table('assessments')->where('bank_id', $bank->id)->count(),
));
Intake::query()->where('user_id', $person->id)->delete();
$bank->delete();
unlink($csv);
unlink($xlsx);
exit($bench->end());
