<?php

declare(strict_types=1);

// The coverage of 50,000 questions (or --questions=N) against 1,000 statements, by difficulty, beside SQL written by hand that knows
// neither rights nor conditions. And a framework of 20,000 statements read from CASE JSON, in a process of its own.

use App\Queries\CoverageOf;
use App\Search\CoverageCounts;
use App\Search\QuestionFilter;
use App\Search\Scope;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Tests\Bench\Bench;
use Tests\Bench\StandardsBank;
use WideQuarry\CommandLine\Streams;
use WideQuarry\Interchange\Case\CaseWriter;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Standards\Framework;
use WideQuarry\Standards\NameUuid;
use WideQuarry\Standards\Statement;

require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const GATE = 2.0;
const READ_SECONDS = 10;
const READ_MEGABYTES = 256;

$asked = current(array_filter($argv, fn (string $one): bool => str_starts_with($one, '--questions=')));
$count = $asked === false ? 50_000 : (int) substr($asked, 12);
[$bank, $person, $framework] = StandardsBank::of($count);
$bench = new Bench;
$bench->compare(
    number_format($count).' against 1,000 statements',
    fn () => (new CoverageOf(
        new CoverageCounts(Scope::readableBy($person), QuestionFilter::fromQuery("bank=$bank->slug"), 'framework', $framework),
        'framework',
        $framework,
        'difficulty',
        3,
        true,
        99,
    ))->describe(),
    fn () => DB::select(
        <<<'SQL'
            SELECT node, difficulty, count(*), count(*) FILTER (WHERE status = 'approved'), sum(points) FROM (
                SELECT DISTINCT unnest(above) AS node, question_id FROM question_standards JOIN statements ON statements.id = statement_id
                WHERE framework_id = ? AND NOT touches) AS each
            JOIN questions ON questions.id = question_id AND bank_id = ? AND binned_at IS NULL GROUP BY 1, 2
            SQL,
        [$framework, $bank->id],
    ),
    GATE,
    $count,
);

// reading: the framework is written first, so that only reading is timed
$statements = [];
for ($n = 0; $n < 20_000; $n++) {
    $id = NameUuid::of($framework, "$n");
    $parent = $n < 10 ? null : NameUuid::of($framework, (string) (intdiv($n, 10) - 1));
    $statements[] = new Statement($id, "R.$n", "Describes how rock number $n was formed, moved, changed and laid bare, and how old it is.", $parent);
}
$found = new PackageContents;
$found->frameworks[] = (new Framework($framework, 'Large', '1', $statements))->toJson();
$file = (string) tempnam(sys_get_temp_dir(), 'case');
(new CaseWriter)->write($found, $file);
$start = hrtime(true);
exec('/usr/bin/env bash -c '.escapeshellarg('php -r '.escapeshellarg(
    'require "vendor/autoload.php"; $out = fopen("/dev/null", "w"); (new WideQuarry\CommandLine\Offline(new '.Streams::class.
        '(STDIN, $out, STDERR)))->run("read", ["'.$file.'"]); echo memory_get_peak_usage(true);',
)), $said);
$seconds = (hrtime(true) - $start) / 1e9;
$megabytes = (int) end($said) / 1e6;
unlink($file);
$good = $seconds <= READ_SECONDS && $megabytes > 0 && $megabytes <= READ_MEGABYTES;
$bench->state('20,000 statements from CASE', sprintf('%.1f s of at most %d, %.0f MB of at most %d   %s', $seconds, READ_SECONDS, $megabytes, READ_MEGABYTES, $good ? 'good' : 'MISSED'));
exit($good ? $bench->end() : 1);
