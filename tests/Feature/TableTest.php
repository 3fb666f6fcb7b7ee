<?php

declare(strict_types=1);

use App\Actions\Intake\CommitIntake;
use App\Actions\Intake\OpenIntake;
use App\Actions\Intake\ReadIntake;
use App\Jobs\WorkOnIntake;
use App\Models\Intake;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Tests\Feature\World;
use WideQuarry\Tests\Support\Typed;

const ROWS = "Question,A,B,Answer,Points\nWhich splits?,slate,chalk,A,1\nWhich floats?,pumice,slate,C,one\nWhich fizzes?,chalk,slate,A,1\n";

/** @param  array<string, mixed>  $corrections */
function mended(World $world, Intake $intake, array $corrections, array $base = []): Illuminate\Testing\TestResponse
{
    $body = ['corrections' => (object) $corrections, 'base' => (object) $base];

    return another($world, 'writer', 'PUT', $world->correctionsPath($intake), $body);
}

/** @return list<string> titles of the questions there are, with their points */
function rowsOf(Intake $intake): array
{
    return DB::table('staged_questions')->where('intake_id', $intake->id)->orderBy('number')->get()
        ->map(fn (stdClass $row): string => "$row->title ".(float) $row->points)->all();
}

it('shows a table with its mapping and the rows that have something wrong in them', function (): void {
    $world = new World;
    $intake = $world->typed(ROWS, 'rocks.csv');
    $data = another($world, 'writer', 'GET', $world->tablePath($intake))->assertOk()->json('data');
    expect(array_column($data['mapping']['sheets'][0]['columns'], 'is'))->toBe(['question', 'option', 'option', 'answer', 'points'])
        ->and($data['sheets'][0]['rows'][1])->toBe(['row' => 2, 'cells' => ['Which splits?', 'slate', 'chalk', 'A', '1']])
        ->and(array_column($data['wrong'][0]['problems'], 'path'))->toBe(['D3', 'E3'])
        ->and($data['wrong'][0]['rows'])->toBe(['3'])
        ->and($data['wrong'][0]['cells'][3])->toEqual(['address' => 'D3', 'heading' => 'Answer', 'text' => 'C'])
        ->and(another($world, 'writer', 'GET', "/intakes/$intake->id")->json('data.tables.0.wrong'))->toBe(1);
});

it('mends cells, leaves out rows, and changes what a column is', function (): void {
    $world = new World;
    $intake = $world->typed(ROWS, 'rocks.csv');
    mended($world, $intake, ['cells' => ['D3' => 'A', 'E3' => '2']])->assertOk();
    expect(rowsOf($intake))->toBe(['Which splits? 1', 'Which floats? 2', 'Which fizzes? 1']);

    $next = ['cells' => ['D3' => 'A', 'E3' => '2'], 'skipped' => ['4']];
    mended($world, $intake, $next, ['cells' => ['D3' => 'A', 'E3' => '2']])->assertOk();
    expect(rowsOf($intake))->toBe(['Which splits? 1', 'Which floats? 2'])
        ->and(another($world, 'writer', 'GET', $world->tablePath($intake))->json('data.wrong'))->toBe([]);

    $mapping = another($world, 'writer', 'GET', $world->tablePath($intake))->json('data.mapping');
    $mapping['sheets'][0]['columns'][4]['is'] = 'ignored';
    mended($world, $intake, [...$next, 'mapping' => $mapping], $next)->assertOk();
    expect(rowsOf($intake))->toBe(['Which splits? 1', 'Which floats? 1']);
});

it('reads a large table again in the background, and holds to what was before when it cannot be read so', function (): void {
    $world = new World;
    $rows = array_map(fn (int $i): string => "Is $i even?,yes,no,A,2\n", range(1, 1001));
    $intake = $world->typed("Question,A,B,Answer,Points\n".implode('', $rows), 'rocks.csv');
    Queue::fake([WorkOnIntake::class]);
    $work = function () use ($intake): string {
        Queue::assertPushed(WorkOnIntake::class);
        (new WorkOnIntake($intake->id))->handle();

        return $intake->refresh()->state;
    };
    $points = fn (): int => DB::table('staged_questions')->where('intake_id', $intake->id)->where('points', 2)->count();
    $mapping = another($world, 'writer', 'GET', $world->tablePath($intake))->json('data.mapping');
    $mapping['sheets'][0]['columns'][4]['is'] = 'ignored';
    expect(mended($world, $intake, ['mapping' => $mapping])->assertOk()->json('state'))->toBe('correcting')
        ->and($points())->toBe(1001);
    mended($world, $intake, [], ['mapping' => $mapping])->assertStatus(422); // one after the other
    expect($work())->toBe('review')->and($points())->toBe(0)->and($intake->problem)->toBeNull();

    $wrong = $mapping;
    $wrong['sheets'][0]['columns'][0]['is'] = 'weather';
    mended($world, $intake, ['mapping' => $wrong], ['mapping' => $mapping])->assertOk();
    expect($work())->toBe('review')->and($intake->problem)->toContain('weather')->and($points())->toBe(0)
        ->and(another($world, 'writer', 'GET', $world->tablePath($intake))->json('data.corrections.mapping'))->toEqual($mapping);
});

it('refuses corrections that go on from others, or say what there is not', function (): void {
    $world = new World;
    $intake = $world->typed(ROWS, 'rocks.csv');
    mended($world, $intake, ['cells' => ['D3' => 'A']])->assertOk();
    mended($world, $intake, ['cells' => ['E3' => '2']])->assertStatus(422)->assertJsonPath('type', 'urn:wide-quarry:problem:intake.corrected');
    foreach ([['cells' => ['Z' => 'A']], ['cells' => ['D3' => 7]], ['colour' => 'red'], ['mapping' => 'all'], ['skipped' => [7]]] as $wrong) {
        mended($world, $intake, $wrong, ['cells' => ['D3' => 'A']])->assertStatus(422);
    }
});

it('keeps what was edited by hand when the table is read again', function (): void {
    $world = new World;
    $intake = $world->typed(ROWS, 'rocks.csv');
    $id = DB::table('staged_questions')->where('intake_id', $intake->id)->where('title', 'Which splits?')->value('id');
    $question = another($world, 'writer', 'GET', "/intakes/$intake->id/questions/$id")->json('data.question');
    $question['title'] = 'Splitting';
    ask('PUT', "/intakes/$intake->id/questions/$id", ['question' => $question], ['If-Match' => '"1"'])->assertOk();
    mended($world, $intake, ['cells' => ['D3' => 'A']])->assertOk();
    expect(rowsOf($intake)[0])->toBe('Splitting 1');
});

it('takes the pictures that a table names out of a ZIP given with it', function (): void {
    $world = new World;
    $picture = (string) base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', true);
    $files = [];
    foreach (
        [
            'rocks.csv' => "Question,A,B,Answer,Picture\nWhich?,slate,chalk,A,slate.png\n",
            'pictures.zip' => Typed::zip(['slate.png' => $picture]),
        ] as $name => $bytes
    ) {
        $path = (string) tempnam(sys_get_temp_dir(), 'given');
        file_put_contents($path, $bytes);
        $files[] = ['path' => $path, 'name' => $name];
    }
    $intake = app(OpenIntake::class)->handle($files, $world->people['writer'], $world->bank);
    app(ReadIntake::class)->handle($intake);
    $media = DB::table('staged_things')->where('intake_id', $intake->id)->where('type', 'medium')->count();
    $states = DB::table('intake_files')->where('intake_id', $intake->id)->orderBy('position')->pluck('state')->all();
    expect($media)->toBe(1)->and($states)->toBe(['read', 'read']);
    mended($world, $intake->refresh(), ['cells' => ['B2' => 'shale']])->assertOk();
    expect(DB::table('staged_things')->where('intake_id', $intake->id)->where('type', 'medium')->count())->toBe(1);
});

it('offers the same table, changed, as revisions', function (string $columns, array $verdicts): void {
    $world = new World;
    $rows = fn (string $option): string => str_replace('#', $option, $columns);
    $first = $world->typed($rows('chalk'), 'rocks.csv');
    app(CommitIntake::class)->begin($first, $world->people['writer']);
    app(CommitIntake::class)->handle($first->refresh());
    $again = $world->typed($rows('marble'), 'rocks.csv');
    expect(DB::table('staged_questions')->where('intake_id', $again->id)->orderBy('number')->pluck('duplicate_by')->all())->toBe($verdicts);
})->with([
    'by identifier' => ["ID,Question,A,B,Answer\nr1,Which splits #?,slate,#,A\nr2,Which fizzes?,chalk,slate,A\n", ['identifier', 'identifier']],
    'by its words' => ["Question,A,B,Answer\nWhich splits?,slate,#,A\nWhich fizzes?,chalk,slate,A\n", ['identifier', 'identifier']],
]);

it('keeps a mapping under a name and offers it for a table like that', function (): void {
    $world = new World;
    $intake = $world->typed(ROWS, 'rocks.csv');
    $mapping = another($world, 'writer', 'GET', $world->tablePath($intake))->json('data.mapping');
    $keep = fn (string $name, mixed $kept) => another($world, 'writer', 'POST', '/table-mappings', ['name' => $name, 'mapping' => $kept]);
    $keep('Rocks', $mapping)->assertCreated();
    $keep('Rocks', $mapping)->assertCreated();
    $keep('Other', ['sheets' => []])->assertCreated();
    $keep('  ', $mapping)->assertStatus(422);
    $keep('Bad', ['sheets' => [['columns' => [['column' => 'A', 'is' => 'gold']]]]])->assertStatus(422);
    $kept = another($world, 'writer', 'GET', $world->tablePath($intake))->json('data.kept');
    expect(array_column($kept, 'alike', 'name'))->toBe(['Rocks' => true, 'Other' => false]);
    another($world, 'writer', 'DELETE', "/table-mappings/{$kept[0]['id']}")->assertNoContent();
    another($world, 'writer', 'DELETE', "/table-mappings/{$kept[0]['id']}")->assertNotFound();
});

it('gives tables to fill in', function (): void {
    $world = new World;
    another($world, 'writer', 'GET', '/table-templates/all/csv')->assertOk()->assertHeader('Content-Type', 'text/csv; charset=UTF-8');
    another($world, 'writer', 'GET', '/table-templates/riddle/csv')->assertNotFound();
    another($world, 'writer', 'GET', '/table-templates/all/pdf')->assertNotFound();
});
