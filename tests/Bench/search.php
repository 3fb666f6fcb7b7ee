<?php

declare(strict_types=1);

// Lists by words and by conditions in a bank of 200,000 (or --questions=N), by relevance and by title, beside the same SQL by hand
// without rights, counts of dimensions or marks. A stated mix: half of the queries find at most 1,000, a third at most 10,000, the rest
// more. --json prints figures only, --each every query.

use App\Indexing\QuestionIndex;
use App\Models\Bank;
use App\Models\User;
use App\Search\Facets;
use App\Search\QuestionFilter;
use App\Search\QuestionRows;
use App\Search\QuestionSearch;
use App\Search\Scope;
use Database\Seeders\LargeBankSeeder;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;

require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const GATE = 2;
const GATE_MS = 120;
const GATE_FACETS_MS = 250;
const FACETS = ['kind', 'status', 'difficulty', 'topic', 'tag', 'has'];
const QUERIES = [
    // at most 1,000
    ['words', '"slate at harrow"'],
    ['words', 'schist porosity foreshore'],
    ['words', '"granite at harrow beck"'],
    ['words', 'porosity marble borehole'],
    ['words', 'chalk uplift -silt -year'],
    ['words', '1234 '],
    // at most 10,000
    ['words', 'slate cleavage '],
    ['tag', 'basalt'],
    ['words', '"block of chalk"'],
    ['words', 'lund dolerite'],
    // more
    ['kind', 'choice'],
    ['words', 'studied '],
];
$asked = current(array_filter($argv, fn (string $one): bool => str_starts_with($one, '--questions=')));
$count = $asked === false ? 200_000 : (int) substr($asked, 12);
$json = in_array('--json', $argv, true);

$bank = Bank::query()
    ->where('slug', "large-$count")
    ->first();
if ($bank === null) {
    fwrite(STDERR, 'Making '.number_format($count)." questions…\n");
    $keeper = User::query()->firstOrCreate(['email' => 'bench@fellmoor.example'], ['name' => 'Bench', 'password' => 'limestone-7']);
    (new LargeBankSeeder)->make($count, 1, $keeper->id);
    $bank = Bank::query()
        ->where('slug', "large-$count")
        ->firstOrFail();
}
if (in_array('--prepare', $argv, true)) {
    // Those of bin/bench crowd.
    for ($i = 1; $i <= 20; $i++) {
        $person = User::query()->firstOrCreate(
            ['email' => "crowd-$i@fellmoor.example"],
            ['name' => "Crowd $i", 'password' => 'limestone-7'],
        );
        DB::table('bank_grants')->insertOrIgnore(['bank_id' => $bank->id, 'user_id' => $person->id, 'role' => 'writer']);
    }
    exit(0);
}
$search = new QuestionSearch;
$filters = $queries = [];
foreach (QUERIES as [$how, $value]) {
    foreach ($how === 'words' ? ['best', 'title'] : ['title'] as $sort) {
        $queries[] = [$how, $value];
        $filters[] = QuestionFilter::fromQuery("sort=$sort&$how=".urlencode($value));
    }
}

function byHand(string $bankId, string $how, string $value, QuestionFilter $filter): void
{
    $columns =
        'q.id, q.title, q.stem, q.kinds, q.points, q.difficulty, q.status, q.revision, q.has_variables, q.is_complete, q.tags, '.
            'q.author, q.updated_at';
    [$from, $binding] = match ($how) {
        'words' => [
            'questions q JOIN question_search s ON s.question_id = q.id WHERE q.bank_id = ? AND s.words @@ ?::tsquery',
            $filter->words->tsquery(),
        ],
        'tag' => ['questions q WHERE q.bank_id = ? AND q.tags && ?::text[]', QuestionIndex::array([$value])],
        default => ['questions q WHERE q.bank_id = ? AND q.kinds && ?::text[]', QuestionIndex::array([$value])],
    };
    if ($filter->sort === 'best') {
        DB::select("SELECT $columns FROM $from ORDER BY ts_rank(s.words, ?::tsquery) DESC, q.id LIMIT 61", [$bankId, $binding, $binding]);
    } else {
        DB::select("SELECT $columns FROM $from ORDER BY q.title, q.id LIMIT 61", [$bankId, $binding]);
    }
    DB::select("SELECT count(*) FROM $from", [$bankId, $binding]);
}

/** @param  callable(): mixed  $work */
function milliseconds(callable $work): float
{
    $start = hrtime(true);
    $work();

    return (hrtime(true) - $start) / 1e6;
}

/** @param  list<float>  $times */
function percentile(array $times, float $share): float
{
    sort($times);

    return $times[(int) ceil($share * count($times)) - 1];
}

$reader = User::query()->where('email', 'bench@fellmoor.example')->firstOrFail();
$list = function (QuestionFilter $filter) use ($bank, $reader): void {
    $search = new QuestionSearch; // as every request has its own
    [$rows, $next, $found] = $search->page(Scope::bank($bank->id), $filter, null);
    if ($next !== null && $found === null) {
        $search->countQuickly(Scope::bank($bank->id), $filter, 1_000);
    }
    $search->countUpTo(Scope::bank($bank->id), QuestionFilter::fromQuery(''), 1_000);
    QuestionRows::of($rows, $filter->words, $reader);
};
$ours = $theirs = $facets = $found = $each = [];
foreach ($filters as $i => $filter) {
    // warm, and see that the mix is as it says
    $list($filter);
    $found[] = $search->count(Scope::bank($bank->id), $filter);
    byHand($bank->id, ...[...$queries[$i], $filter]);
}
for ($round = 0; $round < 5; $round++) {
    foreach ($filters as $i => $filter) {
        $ours[] = $each[$i][] = milliseconds(fn () => $list($filter));
        $theirs[] = milliseconds(fn () => byHand($bank->id, ...[...$queries[$i], $filter]));
    }
}
foreach ($filters as $filter) {
    foreach (FACETS as $dimension) {
        $facets[] = milliseconds(
            fn () => ($one = new Facets)->of(
                $dimension,
                Scope::bank($bank->id),
                $filter,
                $one->isSampled(Scope::bank($bank->id), $filter),
            ),
        );
    }
}
if (in_array('--each', $argv, true)) {
    foreach ($each as $i => $times) {
        printf("    %8.1f ms  %s %s by %s\n", percentile($times, 0.5), $queries[$i][0], $queries[$i][1], $filters[$i]->sort);
    }
}
$figures = [
    'ratio_to_sql' => round(array_sum($ours) / array_sum($theirs), 2),
    'p50_ms' => round(percentile($ours, 0.5), 1),
    'p95_ms' => round(percentile($ours, 0.95), 1),
    'facets_p95_ms' => round(percentile($facets, 0.95), 1),
    'questions' => $count,
];
if ($json) {
    echo json_encode($figures, JSON_THROW_ON_ERROR)."\n";
} else {
    printf("list of %s, queries finding %s\n", number_format($count), implode(', ', array_map(number_format(...), $found)));
    printf(
        "    ratio to SQL by hand %.2f of at most %g   %.0f ms in the middle, %.0f ms at 95 %% (%d)   a facet %.0f ms at 95 %% (%d)\n",
        $figures['ratio_to_sql'],
        GATE,
        $figures['p50_ms'],
        $figures['p95_ms'],
        GATE_MS,
        $figures['facets_p95_ms'],
        GATE_FACETS_MS,
    );
}
exit($figures['ratio_to_sql'] <= GATE && $figures['p95_ms'] <= GATE_MS && $figures['facets_p95_ms'] <= GATE_FACETS_MS ? 0 : 1);
