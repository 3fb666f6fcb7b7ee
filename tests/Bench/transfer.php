<?php

declare(strict_types=1);

// 5,000 questions of a QTI 3.0 package on their way through the application: staged, brought in, sent out; and of every other format in
// and out. Staging stands beside parsing the same XML, bringing in beside COPY of the same rows into copies of the tables with their
// indexes, sending out beside zipping the same bytes.

use App\Actions\Dispatch\OpenDispatch;
use App\Actions\Dispatch\WriteDispatch;
use App\Actions\Intake\CommitIntake;
use App\Actions\Intake\OpenIntake;
use App\Actions\Intake\ReadIntake;
use App\Actions\MakeBank;
use App\Models\Intake;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Tests\Bench\Bench;
use Tests\Bench\Packages;
use WideQuarry\Json\Fields;

require __DIR__.'/../../vendor/autoload.php';
ini_set('memory_limit', '2G');
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const TABLES = [
    'questions' => 'bank_id = ?',
    'revisions' => 'question_id IN (SELECT id FROM questions WHERE bank_id = ?)',
    'question_search' => 'question_id IN (SELECT id FROM questions WHERE bank_id = ?)',
    'question_topics' => 'question_id IN (SELECT id FROM questions WHERE bank_id = ?)',
    'placements' => 'question_id IN (SELECT id FROM questions WHERE bank_id = ?)',
];
$count = 5_000;
$person = User::query()->firstOrCreate(['email' => 'bench@fellmoor.example'], ['name' => 'Bench', 'password' => 'limestone-7']);
$bank = app(MakeBank::class)->handle(['name' => 'Transfer bench'], $person);
$file = Packages::strangers($count);
$documents = Packages::documents($file);
$bench = new Bench(3);
$bench->state(
    'package',
    sprintf('%s questions, %.1f MB of XML', number_format($count), array_sum(array_map(strlen(...), $documents)) / 1e6),
);

if (in_array('--large', $argv, true)) {
    // memory of the staging alone, in a process that may have 512 MB
    $large = Packages::strangers(20_000);
    $intake = app(OpenIntake::class)->handle([['path' => $large, 'name' => 'large.zip']], $person, $bank);
    $code =
        '$app = require $argv[1]."/bootstrap/app.php"; $app->make(Illuminate\\Contracts\\Console\\Kernel::class)->bootstrap(); '.
            'app(App\\Actions\\Intake\\ReadIntake::class)->handle(App\\Models\\Intake::query()->findOrFail($argv[2])); echo '.
            'memory_get_peak_usage(true);';
    $peak = (int) shell_exec(
        escapeshellarg(PHP_BINARY).
            ' -d memory_limit=512M -r '.
            escapeshellarg('require $argv[1]."/vendor/autoload.php"; '.$code).
            ' '.
            escapeshellarg(dirname(__DIR__, 2)).
            ' '.
            escapeshellarg($intake->id),
    );
    $bench->state(
        '20,000 staged',
        sprintf(
            '%s questions, %.0f MB at most',
            number_format(DB::table('staged_questions')->where('intake_id', $intake->id)->count()),
            $peak / 1e6,
        ),
    );
    $intake->delete();
    unlink($large);
}

$staged = null;
$stage = function () use (&$file, $person, $bank, &$staged): void {
    Intake::query()->where('user_id', $person->id)->delete();
    $staged = app(OpenIntake::class)->handle([['path' => $file, 'name' => 'bench.zip']], $person, $bank, ['Bench']);
    app(ReadIntake::class)->handle($staged);
};
$bench->compare(
    'read and stage',
    $stage,
    function () use ($documents): void {
        foreach ($documents as $xml) {
            (new DOMDocument)->loadXML($xml);
        }
    },
    100,
    $count,
);

$commit = function () use ($person, &$staged): void {
    app(CommitIntake::class)->begin($staged->refresh(), $person);
    app(CommitIntake::class)->handle($staged->refresh());
};
$reset = function () use ($bank, &$staged): void {
    DB::table('questions')->where('bank_id', $bank->id)->delete();
    DB::table('folders')->where('bank_id', $bank->id)->delete();
    DB::table('staged_questions')
        ->where('intake_id', $staged->id)
        ->update(['outcome' => null, 'question_id' => null, 'revision' => null]);
    $staged->update(['state' => 'review', 'made' => '{}', 'operation_id' => null]);
    DB::statement('VACUUM ANALYZE staged_questions');
};
$commit();
$pdo = DB::connection()->getPdo();
$rows = [];
foreach (TABLES as $table => $where) {
    DB::statement("DROP TABLE IF EXISTS copy_$table");
    DB::statement("CREATE TABLE copy_$table (LIKE $table INCLUDING ALL)");
    $which = str_replace('?', $pdo->quote($bank->id), $where);
    DB::statement("CREATE TEMPORARY TABLE of_$table AS SELECT * FROM $table WHERE $which");
    $rows[$table] = (string) tempnam(sys_get_temp_dir(), 'copy');
    $pdo->pgsqlCopyToFile("of_$table", $rows[$table]); // @phpstan-ignore method.notFound
}
$copy = function () use ($rows, $pdo): void {
    DB::transaction(function () use ($rows, $pdo): void {
        foreach ($rows as $table => $from) {
            $pdo->pgsqlCopyFromFile("copy_$table", $from); // @phpstan-ignore method.notFound
        }
    });
};
$clear = function () use ($rows): void {
    foreach (array_keys($rows) as $table) {
        DB::statement("TRUNCATE copy_$table");
    }
};
$bench->compare('bring in', $commit, $copy, 4, $count, function () use ($reset, $clear): void {
    $reset();
    $clear();
});
$brought = DB::table('questions')->where('bank_id', $bank->id)->count();
if ($brought !== $count) {
    throw new LogicException("$brought of $count were brought in.");
}

$path = null;
foreach (['qti30', 'qti22', 'qti21', 'qti12', 'cc13', 'pack'] as $format) {
    $send = function () use ($bank, $person, $format, &$path): void {
        $id = app(OpenDispatch::class)->handle(
            Fields::of((object) ['format' => $format, 'bank' => $bank->slug], '', ['format', 'bank']),
            $person,
        );
        app(WriteDispatch::class)->handle($id);
        $path = app(App\Storage\FileStore::class)->path((string) DB::table('dispatches')->where('id', $id)->value('sha256'));
    };
    $send();
    $bytes = Packages::entries((string) $path);
    $bench->compare(
        "send out as $format",
        $send,
        function () use ($bytes): void {
            $out = (string) tempnam(sys_get_temp_dir(), 'zip');
            $zip = new WideQuarry\Interchange\Package\ZipWriter($out);
            foreach ($bytes as $name => $content) {
                $zip->add($name, $content);
            }
            $zip->close();
            unlink($out);
        },
        30,
        $count,
    ); // what is asked for is 30 s for 5,000; zipping the bytes alone takes about one
}

// The other formats on their way in, once each; the keys of 1.2.1 and of cartridges are all tried out (decision 19).
$once = new Bench(1);
foreach (['qti22', 'qti21', 'qti12', 'cc13', 'pack'] as $format) {
    unlink($file);
    $file = Packages::strangers($count, $format);
    $documents = Packages::documents($file);
    $once->compare(
        "read and stage $format",
        $stage,
        function () use ($documents): void {
            foreach ($documents as $document) {
                str_starts_with($document, '<')
                    ? (new DOMDocument)->loadXML($document)
                    : array_map(json_decode(...), explode("\n", rtrim($document)));
            }
        },
        in_array($format, ['qti12', 'cc13'], true) ? 200 : 100,
        $count,
    );
}

DB::table('banks')->where('id', $bank->id)->delete();
Intake::query()->where('user_id', $person->id)->delete();
foreach ($rows as $table => $from) {
    DB::statement("DROP TABLE copy_$table");
    unlink($from);
}
unlink($file);
exit(max($bench->end(), $once->end()));
