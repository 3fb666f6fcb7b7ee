<?php

declare(strict_types=1);

// A list of questions by words and by conditions, in a bank of 50,000, beside the same SQL by hand without rights, counts of
// dimensions or marks. A stated mix: half of the queries find at most 1,000, a third at most 10,000, the rest more.

use App\Models\Bank;
use App\Models\User;
use App\Search\Facets;
use App\Search\QuestionFilter;
use App\Search\QuestionRows;
use App\Search\QuestionSearch;
use App\Support\QuestionIndex;
use Database\Seeders\LargeBankSeeder;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Tests\Bench\Bench;

require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const COUNT = 50_000;
const QUERIES = [
    // at most 1,000
    ['words', 'slate cleavage '], ['words', 'fellmoor schist '], ['words', '"granite at harrow"'], ['words', 'porosity marble'], ['words', 'chalk uplift -silt'], ['words', '1234 '],
    // at most 10,000
    ['words', 'slate '], ['tag', 'basalt'], ['words', 'dens'], ['words', '"block of chalk"'],
    // more
    ['kind', 'choice'], ['words', 'studied '],
];

$bank = Bank::query()->where('slug', 'large-'.COUNT)->first();
if ($bank === null) {
    fwrite(STDERR, 'Making '.number_format(COUNT)." questions…\n");
    $keeper = User::query()->firstOrCreate(['email' => 'bench@fellmoor.example'], ['name' => 'Bench', 'password' => 'limestone-7']);
    (new LargeBankSeeder)->make(COUNT, 1, $keeper->id);
    $bank = Bank::query()->where('slug', 'large-'.COUNT)->firstOrFail();
}
if (in_array('--prepare', $argv, true)) {
    exit(0);
}
$search = new QuestionSearch;
$filters = array_map(fn (array $query): QuestionFilter => QuestionFilter::fromQuery('sort=title&'.$query[0].'='.urlencode($query[1])), QUERIES);

function byHand(string $bankId, string $how, string $value, QuestionFilter $filter): void
{
    $columns = 'q.id, q.title, q.stem, q.kinds, q.points, q.difficulty, q.status, q.revision, q.has_variables, q.is_complete, q.tags, q.author, q.updated_at';
    [$from, $binding] = match ($how) {
        'words' => ["questions q JOIN question_search s ON s.question_id = q.id WHERE q.bank_id = ? AND s.words @@ to_tsquery('simple', ?)", $filter->words->tsquery()],
        'tag' => ['questions q WHERE q.bank_id = ? AND q.tags && ?::text[]', QuestionIndex::array([$value])],
        default => ['questions q WHERE q.bank_id = ? AND q.kinds && ?::text[]', QuestionIndex::array([$value])],
    };
    DB::select("SELECT $columns FROM $from ORDER BY q.title, q.id LIMIT 61", [$bankId, $binding]);
    DB::select("SELECT count(*) FROM $from", [$bankId, $binding]);
}

$bench = new Bench;
$bench->compare('list of 50,000, by 12 queries', function () use ($search, $filters, $bank): void {
    foreach ($filters as $filter) {
        $found = $search->count($bank->id, $filter);
        QuestionRows::of($search->page($bank->id, $filter, null, $found)[0], $filter->words);
    }
}, function () use ($filters, $bank): void {
    foreach ($filters as $i => $filter) {
        byHand($bank->id, ...[...QUERIES[$i], $filter]);
    }
}, 2, count(QUERIES));
$times = [];
foreach ($filters as $filter) {
    $start = hrtime(true);
    foreach (['kind', 'status', 'difficulty', 'topic', 'tag', 'author'] as $dimension) {
        (new Facets)->of($dimension, $bank->id, $filter);
    }
    $times[] = (hrtime(true) - $start) / 1e6;
}
sort($times);
$bench->state('six facets', sprintf('%.0f ms in the middle, %.0f ms at most', $times[intdiv(count($times), 2)], end($times)));
exit($bench->end());
