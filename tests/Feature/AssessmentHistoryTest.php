<?php

declare(strict_types=1);

use App\Models\Assessment;
use App\Models\Bank;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\Feature\World;

/** Stores a change of what is there now. */
function edited(World $world, string $id, callable $change, string $person = 'writer'): void
{
    $now = another($world, $person, 'GET', "/assessments/$id")->json('data');
    $content = json_decode(json_encode($now['content']));
    $change($content);
    another($world, $person, 'PUT', "/assessments/$id", ['content' => $content], ['If-Match' => "\"{$now['version']}\""])->assertOk();
}

/** @return list<array<string, mixed>> */
function historyOf(World $world, string $id): array
{
    return another($world, 'writer', 'GET', "/assessments/$id/revisions")->assertOk()->json('data');
}

function broughtBack(World $world, string $id, int $number): TestResponse
{
    $version = Assessment::query()->findOrFail($id)->version;

    return another($world, 'writer', 'POST', "/assessments/$id/revisions/$number/restore", new stdClass, ['If-Match' => "\"$version\""]);
}

it('keeps what an assessment was like, says what was changed, and brings it back', function (): void {
    $world = new World;
    $id = $world->assessment();
    $title = DB::table('questions')->where('id', $world->question)->value('title');
    edited($world, $id, fn (stdClass $test) => $test->title = 'Unit 4');
    edited($world, $id, fn (stdClass $test) => $test->title = 'Unit 5'); // a moment later: the same revision
    edited($world, $id, fn (stdClass $test) => $test->sections[0]->entries = [], 'keeper');
    $history = historyOf($world, $id);
    expect(array_column($history, 'number'))->toBe([3, 2, 1])
        ->and($history[0])->toMatchArray(['changes' => ["“{$title}” was removed from section 1."], 'is_now' => true])
        ->and($history[1]['changes'])->toBe(['The title was “Unit test” and is “Unit 5”.'])
        ->and($history[2]['changes'])->toBe([]);

    expect(broughtBack($world, $id, 1)->assertOk()->json('data.title'))->toBe('Unit test');
    $history = historyOf($world, $id);
    expect($history[0])->toMatchArray(['number' => 4, 'brought_back' => 1])
        ->and(DB::table('assessment_uses')->where('assessment_id', $id)->count())->toBe(1);
    broughtBack($world, $id, 9)->assertNotFound();
    another($world, 'writer', 'POST', "/assessments/$id/revisions/1/restore", new stdClass, ['If-Match' => '"1"'])->assertStatus(412);
});

it('begins the history of one that is older than histories with what it was', function (): void {
    $world = new World;
    $id = $world->assessment();
    DB::table('assessment_revisions')->delete();
    edited($world, $id, fn (stdClass $test) => $test->title = 'Unit 4');
    expect(historyOf($world, $id)[0]['changes'])->toBe(['The title was “Unit test” and is “Unit 4”.']);
});

it('brings back questions that whoever brings them back may not read', function (): void {
    $world = new World;
    $id = $world->assessment();
    edited($world, $id, fn (stdClass $test) => $test->sections[0]->entries = [], 'keeper');
    DB::table('questions')->where('id', $world->question)
        ->update(['bank_id' => Bank::query()->create(['slug' => 'secret', 'name' => 'Secret'])->id]);
    broughtBack($world, $id, 1)->assertOk();
    expect(historyOf($world, $id)[0]['changes'])->toBe(['A question that is gone was added to section 1.']);
});

it('puts an assessment into the bin and takes it out as it was', function (): void {
    $world = new World;
    $id = $world->assessment();
    another($world, 'writer', 'DELETE', "/assessments/$id")->assertNoContent();
    $listed = fn (string $query = ''): array => another($world, 'writer', 'GET', "/assessments$query")->json('data');
    expect(array_column($listed(), 'id'))->toBe([])
        ->and(array_column($listed('?is=binned'), 'id'))->toBe([$id])
        ->and(another($world, 'reader', 'GET', '/assessments?is=binned')->json('data'))->toBe([])
        ->and(another($world, 'writer', 'GET', "/questions/$world->question")->json('data.uses.assessments'))->toBe([]);
    $shown = another($world, 'writer', 'GET', "/assessments/$id")->assertOk();
    expect($shown->json('data'))->toMatchArray(['may_write' => false, 'may_restore' => true]);
    another($world, 'writer', 'PUT', "/assessments/$id", ['content' => $shown->json('data.content')], ['If-Match' => '"1"'])
        ->assertForbidden()
        ->assertJsonPath('detail', 'This assessment is in the bin. Restore it before you change it.');
    broughtBack($world, $id, 1)->assertForbidden();

    another($world, 'writer', 'POST', "/assessments/$id/restore", new stdClass)->assertOk()->assertJsonPath('data.may_write', true);
    expect(array_column($listed(), 'id'))->toBe([$id])->and($listed('?is=binned'))->toBe([]);
});
