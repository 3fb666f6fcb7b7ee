<?php

declare(strict_types=1);

// A sheet of 40 questions as PDF, beside the browser engine printing an empty page through the same confined process.

use App\Actions\Assembly\PrintAssessment;
use App\Actions\Assembly\SaveAssessment;
use App\Actions\ImportQuestions;
use App\Actions\MakeBank;
use App\Infrastructure\Sandbox;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Bench\Bench;
use Tests\Bench\Packages;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Parts\StandardKinds;

require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

$count = 40;
$person = User::query()->firstOrCreate(['email' => 'bench@fellmoor.example'], ['name' => 'Bench', 'password' => 'limestone-7']);
$bank = app(MakeBank::class)->handle(['name' => 'Print bench'], $person);
app(ImportQuestions::class)->handle(Packages::strangers($count), 'bench.zip', $bank, [], $person);
$ids = array_fill_keys(DB::table('questions')->where('bank_id', $bank->id)->pluck('id')->all(), 1);
$assessment = app(SaveAssessment::class)->create(
    Assessment::read(Assessment::fresh((string) Str::uuid7(), 'Bench'), StandardKinds::all())->with($ids),
    $bank->id,
    $person,
);
$bench = new Bench(3);
$made = ['pages' => 0];
foreach (['learner', 'key'] as $which) {
    $bench->compare(
        "print the $which sheet",
        function () use ($assessment, $person, $which, &$made): void {
            DB::table('prints')->where('assessment_id', $assessment->id)->delete();
            $made = app(PrintAssessment::class)->handle($assessment, $person, $which);
        },
        fn () => Sandbox::run(
            ['sheet.html' => '<!doctype html><title>x</title>'],
            PrintAssessment::CHROMIUM,
            fn (string $folder): int => (int) filesize("$folder/out.pdf"),
        ),
        3,
        $count,
    );
    $bench->state('pages', (string) $made['pages']);
}
DB::table('banks')->where('id', $bank->id)->delete();
exit($bench->end());
