<?php

declare(strict_types=1);

// Proposals of statements: how often one of the first three is what the demo's authors chose, each question held out in turn; and how long
// they take with 50,000 classified questions (or --questions=N).

use App\Infrastructure\PostgresArray;
use App\Queries\ClassifiedWords;
use App\Queries\ProposedNodes;
use Database\Seeders\DemoSeeder;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\Bench\Bench;
use Tests\Bench\StandardsBank;
use WideQuarry\Standards\Proposal;
use WideQuarry\Standards\Proposals;

require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const TOP = 3;
const HITS = 75.0; // per cent
const MILLISECONDS = 30;
const ASKED = 100;

$asked = current(array_filter($argv, fn (string $one): bool => str_starts_with($one, '--questions=')));
$count = $asked === false ? 50_000 : (int) substr($asked, 12);
$bench = new Bench;
$good = true;

if (! DB::table('banks')->where('slug', 'rocks')->exists()) {
    config(['queue.default' => 'null']);
    Artisan::call('db:seed', ['--class' => DemoSeeder::class, '--force' => true]);
}
$demo = DB::table('banks')->whereIn('slug', array_map(fn (string $file): string => basename($file, '.json'), glob(__DIR__.'/../../database/demo/*.json') ?: []))->pluck('id')->all();
array_map(ClassifiedWords::count(...), $demo);
foreach (DB::table('frameworks')->where('publisher', 'Fellmoor Schools Partnership')->orderBy('title')->get(['id', 'title', 'version']) as $framework) {
    $proposed = new ProposedNodes('framework', $framework->id, $demo);
    $rows = DB::select(
        <<<'SQL'
            SELECT question_id, array_agg(statement_id) AS chosen FROM question_standards JOIN statements ON statements.id = statement_id
            WHERE framework_id = ? AND NOT touches GROUP BY question_id
            SQL,
        [$framework->id],
    );
    $hits = [1 => 0, TOP => 0, 5 => 0];
    foreach ($rows as $row) {
        $stems = $proposed->stems($row->question_id);
        $nodes = array_map(
            fn (Proposal $one): string => $one->node,
            Proposals::for(array_fill_keys($stems, 1.0), $proposed->nodes($stems, $row->question_id)),
        );
        foreach (array_keys($hits) as $top) {
            $hits[$top] += array_intersect(PostgresArray::read($row->chosen), array_slice($nodes, 0, $top)) === [] ? 0 : 1;
        }
    }
    $rate = array_map(fn (int $hit): float => 100 * $hit / max(1, count($rows)), $hits);
    $isGood = $rate[TOP] >= HITS;
    $good = $good && $isGood;
    $bench->state(
        trim("$framework->title $framework->version"),
        sprintf('%d held out: first %.1f %%, first three %.1f %% of at least %.0f %%, first five %.1f %%   %s', count($rows), $rate[1], $rate[TOP], HITS, $rate[5], $isGood ? 'good' : 'MISSED'),
    );
}

[$bank, , $framework] = StandardsBank::of($count);
if (! DB::table('classified_banks')->where('bank_id', $bank->id)->exists()) {
    $start = hrtime(true);
    ClassifiedWords::count($bank->id);
    $bench->state('counting the words of the bank', sprintf('%.1f s, once, in the background', (hrtime(true) - $start) / 1e9));
}
DB::unprepared('ANALYZE classified_words');
$questions = DB::table('questions')->where('bank_id', $bank->id)->orderBy('id')->limit(ASKED * 50)->pluck('id')->filter(fn (string $id, int $i): bool => $i % 50 === 0)->values()->all();
(new ProposedNodes('framework', $framework, [$bank->id]))->for($questions[0]);
$times = [];
// as the bench asks: a few at once, in a request of their own
foreach (array_chunk($questions, 5) as $some) {
    $start = hrtime(true);
    $proposed = new ProposedNodes('framework', $framework, [$bank->id]);
    array_map($proposed->for(...), $some);
    $times[] = (hrtime(true) - $start) / 1e6 / count($some);
}
sort($times);
[$median, $late] = [$times[intdiv(count($times), 2)], $times[(int) (0.95 * count($times)) - 1]];
$isGood = $median <= MILLISECONDS;
$bench->state(
    'proposals, '.number_format($count).' classified',
    sprintf('median %.1f ms of at most %d, p95 %.1f ms   %s', $median, MILLISECONDS, $late, $isGood ? 'good' : 'MISSED'),
);
exit($good && $isGood ? $bench->end() : 1);
