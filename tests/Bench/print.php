<?php

declare(strict_types=1);

// A sheet of 40 questions as PDF, beside the browser engine printing an empty page through the same confined process.

use App\Actions\Assembly\MakeFormSet;
use App\Actions\Assembly\PrintAssessment;
use App\Actions\Assembly\SaveAssessment;
use App\Actions\Assembly\WriteDocument;
use App\Actions\ImportQuestions;
use App\Actions\MakeBank;
use App\Actions\SaveQuestion;
use App\Http\Controllers\PrintController;
use App\Infrastructure\Sandbox;
use App\Models\User;
use App\Printing\SheetPage;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Bench\Bench;
use Tests\Bench\Packages;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Printing\PaperKind;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;

require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const ESSAYS = 30;
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
foreach ([PaperKind::Learner, PaperKind::Key] as $which) {
    $bench->compare(
        "print the $which->value",
        function () use ($assessment, $person, $which, &$made): void {
            DB::table('prints')->where('assessment_id', $assessment->id)->delete();
            $made = app(PrintAssessment::class)->handle($assessment, $person, [$which]);
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

// a mark scheme of 60 questions, half of them essays with a rubric and two example answers, beside the key of the same
$rubric = ['criteria' => array_map(fn (int $i): array => [
    'id' => "c$i",
    'title' => "Criterion $i",
    'levels' => array_map(fn (int $j): array => [
        'id' => "l$j",
        'points' => 3 - $j,
        'html' => '<p>What an answer at this level is like, in a sentence or two.</p>',
    ], [1, 2, 3]),
], [1, 2, 3])];
$model = fn (string $id): array => ['id' => $id, 'html' => '<p>'.str_repeat('The water is fastest on the outside of the bend. ', 12).'</p>'];
$essays = [];
for ($i = 0; $i < ESSAYS; $i++) {
    $json = Json::decode(Json::encode([
        'format' => Question::FORMAT,
        'version' => 1,
        'id' => (string) Str::uuid7(),
        'title' => "Essay $i",
        'language' => 'en-GB',
        'body' => '<p>Explain how a meander grows.</p><div data-part="p1"></div>',
        'parts' => [['id' => 'p1', 'kind' => 'essay', 'points' => 6, 'key' => ['rubric' => $rubric, 'models' => [$model('m1'), $model('m2')]]]],
    ]));
    app(SaveQuestion::class)->create(Question::read($json, StandardKinds::all()), $bank->id, $person);
    $essays[] = $json->id;
}
$sixty = app(SaveAssessment::class)->create(
    Assessment::read(Assessment::fresh((string) Str::uuid7(), 'Sixty'), StandardKinds::all())->with(
        array_slice($ids, 0, ESSAYS, true) + array_fill_keys($essays, 1),
    ),
    $bank->id,
    $person,
);
$pages = 0;
$print = function (PaperKind $kind) use ($sixty, $person, &$pages): void {
    DB::table('prints')->where('assessment_id', $sixty->id)->delete();
    $pages = app(PrintAssessment::class)->handle($sixty, $person, [$kind])['pages'];
};
$bench->compare('mark scheme of 60 beside its key', fn () => $print(PaperKind::Scheme), fn () => $print(PaperKind::Key), 3, 60);
$print(PaperKind::Scheme);
$bench->state('pages of the mark scheme', (string) $pages);

// ten forms of 60 shuffled choices, without paper; then what an exam needs: four forms with key and scheme in one file
$options = array_map(fn (string $id): array => ['id' => $id, 'html' => "<p>Option $id of this question</p>"], ['a', 'b', 'c', 'd']);
$choices = [];
for ($i = 0; $i < 60; $i++) {
    $json = Json::decode(Json::encode([
        'format' => Question::FORMAT, 'version' => 1, 'id' => (string) Str::uuid7(), 'title' => "Choice $i", 'language' => 'en-GB',
        'body' => "<p>Which of these rocks cooled most slowly, question $i?</p><div data-part=\"p1\"></div>",
        'parts' => [['id' => 'p1', 'kind' => 'choice', 'points' => 1, 'settings' => ['options' => $options, 'shuffle' => true],
            'key' => ['rules' => [['id' => 'r1', 'on' => 'a', 'credit' => '1']]]]],
    ]));
    app(SaveQuestion::class)->create(Question::read($json, StandardKinds::all()), $bank->id, $person);
    $choices[] = $json->id;
}
$exam = Assessment::read(Assessment::fresh((string) Str::uuid7(), 'Exam'), StandardKinds::all())->with(array_fill_keys($choices, 1));
$exam->sections[0]->shuffle = true;
$exam = app(SaveAssessment::class)->create($exam, $bank->id, $person);
$bench->within('ten forms of 60 questions', fn () => app(MakeFormSet::class)->handle($exam, $person, 10, Seed::of(1), 4), 1.0);
$set = app(MakeFormSet::class)->handle($exam, $person, 4, Seed::of(1), 4);
[$forms, $of] = PrintController::forms($exam, $set->id, '');
$papers = [PaperKind::Learner, PaperKind::Key, PaperKind::Scheme];
$made = [];
$bench->within('four forms of 60 with key and scheme', function () use ($exam, $person, $papers, $forms, $of, &$made): void {
    DB::table('prints')->where('assessment_id', $exam->id)->delete();
    $made = app(PrintAssessment::class)->handle($exam, $person, $papers, $forms, $of);
}, 15.0);
$bench->state('pages of the four forms', (string) $made['pages']);

// the same HTML through the bare browser
$settings = SheetPage::settings($sixty);
$html = app(SheetPage::class)->html($sixty, $person, [PaperKind::Learner], $settings, true);
$bare = function () use ($html): void {
    $folder = sys_get_temp_dir().'/bare-'.bin2hex(random_bytes(6));
    mkdir($folder);
    file_put_contents("$folder/sheet.html", $html->html);
    $words = array_map(fn (string $word): string => escapeshellarg(str_replace('{}', $folder, $word)), PrintAssessment::CHROMIUM);
    exec(implode(' ', $words).' 2>/dev/null');
    exec('rm -rf '.escapeshellarg($folder));
};
$bench->compare('PDF beside the bare browser', fn () => $print(PaperKind::Learner), $bare, 1.4, 60);
$bench->state('pages', (string) $pages);
foreach (['docx', 'odt'] as $format) {
    $bench->within("learner’s sheet of 60 as $format", fn () => app(WriteDocument::class)->handle($html->body, 'en-GB', $format), 5.0);
}
DB::table('banks')->where('id', $bank->id)->delete();
exit($bench->end());
