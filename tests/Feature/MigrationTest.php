<?php

declare(strict_types=1);

use App\Actions\Intake\CommitIntake;
use App\Actions\Intake\UndoIntake;
use App\Models\Intake;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

/** Two flat quizzes of two kinds each, as a table names them. */
function flat(World $world): Intake
{
    $rows = "Quiz,Question,A,B,Answer\n";
    foreach (['Maps' => 5, 'Density' => 4] as $quiz => $count) {
        for ($i = 1; $i <= $count; $i++) {
            $rows .= "$quiz,Which $quiz number $i?,right $i,wrong $i,A\n$quiz,Name $quiz thing $i.,,,thing$i\n";
        }
    }

    return $world->typed($rows, 'flat.csv');
}

function migration(World $world, Intake $intake, ?array $change = null): Illuminate\Testing\TestResponse
{
    return another($world, 'writer', $change === null ? 'GET' : 'PUT', "/intakes/$intake->id/migration", $change);
}

function bringIn(World $world, Intake $intake): string
{
    app(CommitIntake::class)->begin($intake->refresh(), $world->people['writer']);
    app(CommitIntake::class)->handle($intake->refresh());

    return (string) DB::table('receipts')->where('intake_id', $intake->id)->orderByDesc('id')->value('id');
}

it('shows folders by a pattern before it is chosen, and refuses one it cannot follow', function (): void {
    $world = new World;
    $intake = flat($world);
    $data = another($world, 'writer', 'GET', "/intakes/$intake->id/migration?pattern=".urlencode('{quiz} › {kind}'))->json('data');
    expect(array_map(fn (array $row): string => "{$row['name']} {$row['questions']}", $data['tree']))
        ->toBe(['Maps 10', 'multiple choice 5', 'short text 5', 'Density 8', 'multiple choice 4', 'short text 4'])
        ->and(migration($world, $intake)->json('data.pattern'))->toBe('');
    migration($world, $intake, ['pattern' => '{colour}'])->assertStatus(422);
    another($world, 'writer', 'GET', "/intakes/$intake->id/migration?pattern={")->assertStatus(422);
});

it('makes the folders, the draws and a receipt that lists what is assumed; and takes them back', function (): void {
    $world = new World;
    $intake = flat($world);
    $lines = [
        ['quiz' => 'Maps', 'of' => 'multiple choice', 'draw' => 3, 'pool' => 5, 'points' => 2, 'known' => true],
        ['quiz' => 'Maps', 'of' => 'short text', 'draw' => 2, 'known' => false],
        ['quiz' => 'Density', 'of' => 'multiple choice', 'draw' => 9, 'known' => true],
    ];
    $data = migration($world, $intake, ['pattern' => '{quiz} › {kind}', 'names' => ['Maps › short text' => 'Typed'], 'lines' => $lines])
        ->assertOk()->json('data');
    expect(array_column($data['tally'], 'agrees'))->toBe([false, false, true, true])
        ->and($data['tally'][0]['says'][0]['what'])->toBe('9 are to be drawn, and only 4 are here.')
        ->and($data['quizzes'][0])->toEqual(['title' => 'Maps', 'questions' => 10, 'draws' => 2, 'asked' => 5, 'points' => 8]);

    $receipt = bringIn($world, $intake);
    $folders = DB::table('folders')->where('bank_id', $world->bank->id)->whereIn('name', ['Maps', 'Typed', 'Density', 'short text'])
        ->orderBy('name')->pluck('name')->all();
    expect($folders)->toBe(['Density', 'Maps', 'Typed', 'short text']);
    $placed = DB::table('placements')->join('folders', 'folders.id', '=', 'folder_id')->where('folders.name', 'Typed')->count();
    $content = json_decode((string) DB::table('assessments')->where('title', 'Maps')->value('content'), true);
    $entries = $content['sections'][0]['entries'];
    usort($entries, fn (array $a, array $b): int => $a['draw'] <=> $b['draw']);
    expect($placed)->toBe(5)
        ->and(array_map(fn (array $one): array => [$one['draw'], count($one['pool'])], $entries))->toBe([[2, 5], [3, 5]]);
    $told = another($world, 'writer', 'GET', "/receipts/$receipt")->assertOk()->json('data');
    expect(array_column($told['assumptions'], 'number'))->toBe([1])
        ->and(count($told['body']['migration']['lines']))->toBe(4);

    app(UndoIntake::class)->begin($intake->refresh(), $world->people['writer']);
    app(UndoIntake::class)->handle($intake->refresh());
    expect(DB::table('assessments')->where('title', 'Maps')->exists())->toBeFalse()
        ->and(DB::table('folders')->where('bank_id', $world->bank->id)->where('name', 'Typed')->exists())->toBeFalse();
});

it('goes on where a worker was killed in the middle of rebuilding, and makes nothing twice', function (): void {
    $world = new World;
    $intake = flat($world);
    migration($world, $intake, [
        'pattern' => '{quiz} › {kind}',
        'lines' => [['quiz' => 'Maps', 'of' => 'multiple choice', 'draw' => 3], ['quiz' => 'Density', 'of' => '', 'draw' => 2]],
    ]);
    app(CommitIntake::class)->begin($intake->refresh(), $world->people['writer']);
    // the second assessment cannot be written: the transaction that makes them is lost, as with a worker that is killed in it
    $made = 0;
    DB::listen(function ($query) use (&$made): void {
        if (str_starts_with($query->sql, 'insert into "assessments"') && ++$made === 2) {
            throw new RuntimeException('killed');
        }
    });
    expect(fn () => app(CommitIntake::class)->handle($intake->refresh()))->toThrow(RuntimeException::class);
    expect(DB::table('assessments')->whereIn('title', ['Maps', 'Density'])->count())->toBe(0)
        ->and($intake->refresh()->state)->toBe('committing');
    $made = 10;
    app(CommitIntake::class)->handle($intake->refresh());
    expect(DB::table('assessments')->whereIn('title', ['Maps', 'Density'])->count())->toBe(2)
        ->and(DB::table('placements')->count())->toBe(18)
        ->and($intake->refresh()->state)->toBe('committed');
});

it('recalls what the old system had from words, a table and another export', function (): void {
    $world = new World;
    $intake = flat($world);
    $read = another($world, 'writer', 'POST', "/intakes/$intake->id/migration/recall", ['text' => "Maps: drew 3 of the 5 map questions\nand so on"]);
    expect($read->json('lines.0'))->toEqual(['quiz' => 'Maps', 'of' => 'map', 'draw' => 3, 'pool' => 5, 'points' => null, 'known' => true])
        ->and($read->json('problems'))->toHaveCount(1);
    $table = Illuminate\Http\UploadedFile::fake()->createWithContent('truth.csv', "Quiz,Of,Draw\nMaps,multiple choice,3\n");
    $this->actingAs($world->people['writer']);
    $this->post("/api/v1/intakes/$intake->id/migration/recall", ['file' => $table], ['Accept' => 'application/json'])
        ->assertOk()->assertJsonPath('lines.0.draw', 3);
    $xlsx = (string) tempnam(sys_get_temp_dir(), 'truth');
    WideQuarry\Interchange\QuestionTable\Written\XlsxFile::write($xlsx, ['Quiz', 'Of', 'Draw', 'Points'], [['Maps', 'multiple choice', '4', '1.5']]);
    $workbook = Illuminate\Http\UploadedFile::fake()->createWithContent('truth.xlsx', (string) file_get_contents($xlsx));
    unlink($xlsx);
    $this->post("/api/v1/intakes/$intake->id/migration/recall", ['file' => $workbook], ['Accept' => 'application/json'])
        ->assertOk()->assertJsonPath('lines.0.draw', 4)->assertJsonPath('lines.0.points', 1.5);
});

it('refuses a folder name that is too long instead of dropping it', function (): void {
    $world = new World;
    $intake = flat($world);
    $names = ['Maps' => str_repeat('a', 201)];
    migration($world, $intake, ['names' => $names])->assertStatus(422)->assertJsonPath('path', '/names/Maps/name');
    $body = ['filter' => '', 'pattern' => '{kind}', 'names' => $names];
    another($world, 'writer', 'POST', '/banks/rocks/regroup/preview', $body)->assertStatus(422);
    another($world, 'writer', 'PATCH', "/intakes/$intake->id", ['group_names' => $names])->assertStatus(422);
});

it('puts the flat quizzes of the sending desk right by an older export of it, as its truth says', function (): void {
    $world = new World;
    $desk = new StandIns\SendingDesk\Desk;
    $intake = $world->typed($desk->export(true), 'flat.zip');
    $this->actingAs($world->people['writer']);
    $older = Illuminate\Http\UploadedFile::fake()->createWithContent('draws.zip', $desk->export(false));
    $recalled = $this->post("/api/v1/intakes/$intake->id/migration/recall", ['file' => $older], ['Accept' => 'application/json'])
        ->assertOk()->json('lines');
    $truth = WideQuarry\Migration\StatementText::read($desk->truth())->draws;
    expect($recalled)->toEqual(json_decode((string) json_encode($truth), true));
    $data = migration($world, $intake, ['pattern' => '{quiz} › {kind}', 'lines' => $recalled])->json('data');
    expect(array_unique(array_column($data['tally'], 'agrees')))->toBe([true])
        ->and(count(array_filter($data['tree'], fn (array $row): bool => $row['depth'] === 1)))->toBe(15)
        ->and(array_column($data['quizzes'], 'asked'))->toBe([11, 10, 9, 11, 9]);
});

it('copies what is stated of one quiz to those like it, as assumed', function (): void {
    $world = new World;
    $intake = flat($world);
    $lines = [['quiz' => 'Maps', 'of' => 'multiple choice', 'draw' => 3], ['quiz' => 'Maps', 'of' => 'short text', 'draw' => 2]];
    $data = migration($world, $intake, ['lines' => $lines, 'copy' => 'Maps'])->json('data');
    expect(array_map(fn (array $one): array => [$one['quiz'], $one['draw'], $one['known']], $data['lines']))
        ->toBe([['Maps', 3, true], ['Maps', 2, true], ['Density', 3, false], ['Density', 2, false]]);
});

it('has assumptions confirmed by who knows the old system', function (): void {
    $world = new World;
    $intake = flat($world);
    migration($world, $intake, ['lines' => [['quiz' => 'Maps', 'of' => '', 'draw' => 3, 'known' => false]]]);
    $receipt = bringIn($world, $intake);
    $ask = fn (string $email) => another($world, 'writer', 'POST', "/receipts/$receipt/assumptions", ['email' => $email, 'words' => 'You built it.']);
    another($world, 'stranger', 'GET', "/receipts/$receipt")->assertNotFound();
    $ask('nobody@fellmoor.example')->assertStatus(422);
    $ask($world->people['stranger']->email)->assertNoContent();
    expect(DB::table('notifications')->where('user_id', $world->people['stranger']->id)->where('kind', 'assumptions')->count())->toBe(1)
        ->and(another($world, 'stranger', 'GET', "/receipts/$receipt")->assertOk()->json('data.assumptions.0.mine'))->toBeTrue();
    another($world, 'reader', 'POST', "/receipts/$receipt/assumptions/0")->assertNotFound();
    another($world, 'stranger', 'POST', "/receipts/$receipt/assumptions/0")->assertNoContent();
    $told = another($world, 'writer', 'GET', "/receipts/$receipt")->json('data.assumptions.0');
    expect($told['confirmed'])->toBe($world->people['stranger']->name)->and($told['mine'])->toBeFalse();
    $ask($world->people['stranger']->email)->assertStatus(422);
});

it('gives titles from the words of what has none, and by a pattern what has no words', function (): void {
    $world = new World;
    $intake = flat($world);
    DB::table('staged_questions')->where('intake_id', $intake->id)->where('number', 1)
        ->update(['content' => DB::raw("jsonb_set(content, '{title}', '\"Question 1\"')"), 'title' => 'Question 1']);
    $set = another($world, 'writer', 'POST', "/intakes/$intake->id/set", ['filter' => '', 'titles' => '{quiz}, question {number}'])->assertOk();
    expect($set->json('changed'))->toBe(18)
        ->and(DB::table('staged_questions')->where('intake_id', $intake->id)->where('number', 1)->value('title'))->toBe('Which Maps number 1?');
});

it('regroups what is in a bank already, in one act that can be undone', function (): void {
    $world = new World;
    $intake = flat($world);
    migration($world, $intake, ['pattern' => 'Import']);
    bringIn($world, $intake);
    $body = ['filter' => 'words=Maps', 'pattern' => '{topic} › {kind}', 'names' => ['short text' => 'typed']];
    $preview = another($world, 'writer', 'POST', '/banks/rocks/regroup/preview', $body)->assertOk()->json();
    $tree = array_map(fn (array $row): string => "{$row['name']} {$row['questions']}", $preview['tree']);
    sort($tree);
    expect($tree)->toBe(['multiple choice 5', 'typed 5']);
    another($world, 'writer', 'POST', '/banks/rocks/regroup', [...$body, 'pattern' => '{colour}'])->assertStatus(422);
    $act = another($world, 'writer', 'POST', '/banks/rocks/regroup', $body)->assertOk()->json('act');
    $in = fn (string $name): int => DB::table('placements')->join('folders', 'folders.id', '=', 'folder_id')->where('name', $name)->count();
    expect([$in('multiple choice'), $in('typed'), $in('Import')])->toBe([5, 5, 8]);
    another($world, 'writer', 'POST', "/acts/$act/undo", new stdClass)->assertOk();
    expect([$in('multiple choice'), $in('typed'), $in('Import')])->toBe([0, 0, 18]);
});
