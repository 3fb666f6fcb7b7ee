<?php

declare(strict_types=1);

use App\Actions\Intake\CommitIntake;
use App\Actions\Intake\OpenIntake;
use App\Actions\Intake\ReadIntake;
use App\Actions\Intake\ReviewIntake;
use App\Indexing\StagedRows;
use App\Infrastructure\OfficePrograms;
use App\Models\Intake;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Feature\World;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;

/** @return list<string> titles of the staged questions, in order */
function stagedTitles(Intake $intake): array
{
    return DB::table('staged_questions')->where('intake_id', $intake->id)->orderBy('number')->pluck('title')->all();
}

/** @param  array<string, mixed>  $corrections */
function corrected(World $world, Intake $intake, array $corrections, array $base = []): Illuminate\Testing\TestResponse
{
    $body = ['corrections' => (object) $corrections, 'base' => (object) $base];

    return another($world, 'writer', 'PUT', $world->correctionsPath($intake), $body);
}

it('shows a document in stretches beside what was made of each', function (): void {
    $world = new World;
    $intake = $world->typed("Rocks\n\nName: ______\n\n1. Which splits?\nA. slate\nB. chalk\nAnswer: A\n\n2. Why?\nAnswer: heat\n");
    $data = another($world, 'writer', 'GET', $world->documentPath($intake))->assertOk()->json('data');

    expect(array_column($data['stretches'], 'is'))->toBe(['heading', 'unused', 'question', 'question'])
        ->and($data['unused'])->toBe([['number' => 3, 'html' => 'Name: ______']])
        ->and(array_column($data['stretches'][2]['lines'], 'option'))->toBe([null, 0, 1, null]);
    $question = $data['questions'][$data['stretches'][2]['id']];
    expect($question['certainty'])->toBe(0.97)
        ->and($question['signs'])->toBe(['number', 'options', 'answer-line'])
        ->and($question['html'])->toContain('<p>1. Which splits?</p><p>A. slate</p>')
        ->and(another($world, 'writer', 'GET', "/intakes/$intake->id")->json('data.documents.0.unused'))->toBe(1);
});

it('reads a document again with what is corrected', function (array $corrections, array $titles): void {
    $world = new World;
    $text = "1. Which splits?\nA. slate\nB. chalk\n\n2. Which fizzes?\nA. slate\nB. chalk\n\nThe last one\n";
    $intake = $world->typed($text);
    expect(stagedTitles($intake))->toBe(['Which splits?', 'Which fizzes?']);
    corrected($world, $intake, $corrections)->assertOk();

    expect(stagedTitles($intake))->toBe($titles);
})->with([
    'a line begins a question' => [['lines' => [9 => 'question']], ['Which splits?', 'Which fizzes?', 'The last one …']],
    'a question goes on with the one before' => [['lines' => [5 => 'more']], ['Which splits? 2. Which fizzes?']],
    'a line is left out' => [['lines' => [5 => 'unused', 6 => 'unused', 7 => 'unused']], ['Which splits?']],
]);

it('keeps what was edited by hand when a document is read again', function (): void {
    $world = new World;
    $intake = $world->typed("1. Which splits?\nA. slate\nB. chalk\n\n2. Which fizzes?\nA. slate\nB. chalk\nAnswer: B\n");
    $staged = $world->staged($intake);
    $question = StagedRows::json(DB::table('staged_questions')->where('id', $staged)->sole());
    $question->title = 'Mine';
    app(ReviewIntake::class)->mend($intake, $staged, $question, 1);
    corrected($world, $intake, ['points' => 3])->assertOk();

    expect(stagedTitles($intake))->toBe(['Mine', 'Which fizzes?'])
        ->and(DB::table('staged_questions')->where('id', $staged)->value('version'))->toBe(2)
        ->and(DB::table('staged_questions')->where('intake_id', $intake->id)->orderBy('number')->pluck('points')->map(floatval(...))->all())
        ->toBe([1.0, 3.0]);
});

it('lets an author say how a key is marked, for all alike', function (): void {
    $world = new World;
    $marked = "1. Q?\n\n- **a**\n- b\n\n2. R?\n\n- a\n- **b**\n\n";
    $intake = $world->typed($marked."3. S?\n\n- a\n- b\n\n4. T?\n\n- a\n- b\n\n5. U?\n\n- c\n- d\n", 'exam.md');
    $certainties = fn (): array => DB::table('staged_questions')->where('intake_id', $intake->id)->orderBy('number')->pluck('record')
        ->map(fn (string $record): float => (float) Json::decode($record)->origin->fields->certainty)->all();
    expect($certainties())->toBe([0.0, 0.0, 0.0, 0.0, 0.0]); // two of five are bold words
    corrected($world, $intake, ['looks' => ['bold' => 'key']])->assertOk();

    expect($certainties())->toBe([1.0, 1.0, 0.0, 0.0, 0.0]);
});

it('counts in the receipt what was not used', function (): void {
    $world = new World;
    $intake = $world->typed("Name: ______\n\n1. Which splits?\nA. slate\nB. chalk\nAnswer: A\n");
    app(CommitIntake::class)->begin($intake, $world->people['writer']);
    app(CommitIntake::class)->handle($intake->refresh());
    $body = Json::decode((string) DB::table('receipts')->where('intake_id', $intake->id)->value('body'));

    expect((array) $body->paragraphs)->toBe(['all' => 5, 'unused' => 1]);
});

it('refuses a correction of what another window has corrected, and of what is no document', function (): void {
    $world = new World;
    $intake = $world->typed("1. A?\nAnswer: x");
    corrected($world, $intake, ['points' => 2])->assertOk();
    corrected($world, $intake, ['points' => 4])
        ->assertUnprocessable()
        ->assertJsonPath('type', 'urn:wide-quarry:problem:intake.corrected');
    corrected($world, $intake, ['points' => 4], ['points' => 2])->assertOk();
    corrected($world, $world->intake(), [])->assertUnprocessable();
    another($world, 'writer', 'GET', $world->documentPath($world->intake()))->assertNotFound();
    another($world, 'writer', 'GET', "/intakes/$intake->id/documents/".Str::uuid7())->assertNotFound();
});

it('offers what comes back in a document as a revision, and loses nothing a document cannot say', function (): void {
    $world = new World;
    $parts = World::json()->parts;
    $parts[0]->feedback = (object) ['right' => (object) ['html' => '<p>Well seen.</p>', 'show' => 'both']];
    $body = '<p>Which rock splits into sheets?</p><div data-part="p1"></div>';
    $id = $world->add('A name no document has', $body, ['parts' => $parts]);
    $saved = Json::decode((string) DB::table('revisions')->where('question_id', $id)->value('content'));
    $content = new PackageContents;
    $content->questions = [$saved];
    $file = tempnam(sys_get_temp_dir(), 'sent').'.docx';
    Formats::standard(StandardKinds::all(), new OfficePrograms)->named('docx')?->write($content, $file);
    $edited = new ZipArchive;
    $edited->open($file);
    $xml = (string) $edited->getFromName('word/document.xml');
    $edited->addFromString('word/document.xml', str_replace('Which rock splits into sheets?', 'Which rock splits into thin sheets?', $xml));
    $edited->close();
    $back = [['path' => $file, 'name' => 'back.docx']];
    $intake = app(OpenIntake::class)->handle($back, $world->people['writer'], $world->bank);
    app(ReadIntake::class)->handle($intake);
    unlink($file);
    $row = DB::table('staged_questions')->where('intake_id', $intake->id)->sole();
    $json = Json::decode($row->content);

    expect($row->duplicate_by)->toBe('identifier')
        ->and($row->duplicate_of)->toBe($saved->id)
        ->and($json->title)->toBe('A name no document has')
        ->and($json->body)->toBe('<p>Which rock splits into thin sheets?</p><div data-part="p1"></div>')
        ->and($json->parts[0]->feedback->right->html)->toBe('<p>Well seen.</p>');
});
