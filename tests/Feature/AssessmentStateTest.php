<?php

declare(strict_types=1);

use App\Actions\Assembly\SaveAssessment;
use App\Models\Assessment;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\Feature\World;

/** @param  array<string, mixed>  $change */
function stateOf(World $world, string $id, array $change): TestResponse
{
    $version = Assessment::query()->findOrFail($id)->version;

    return another($world, 'writer', 'POST', "/assessments/$id/state", $change, ['If-Match' => "\"$version\""]);
}

it('makes ready only what was checked, and a draft again of what is changed', function (): void {
    $world = new World;
    $id = $world->assessment();
    DB::table('questions')->where('id', $world->question)->update(['is_complete' => false]);
    $findings = another($world, 'writer', 'GET', "/assessments/$id/check")->json('data');
    expect($findings[0])->toMatchArray(['code' => 'entry.incomplete', 'severity' => 'blocking']);
    stateOf($world, $id, ['state' => 'ready'])->assertStatus(422)->assertJsonPath('detail', $findings[0]['message']);

    DB::table('questions')->where('id', $world->question)->update(['is_complete' => true]);
    stateOf($world, $id, ['state' => 'ready'])->assertOk()->assertJsonPath('data.state', 'ready');
    $now = another($world, 'writer', 'GET', "/assessments/$id")->json('data');
    $content = [...$now['content'], 'title' => 'Other'];
    another($world, 'writer', 'PUT', "/assessments/$id", ['content' => $content], ['If-Match' => "\"{$now['version']}\""])
        ->assertOk()
        ->assertJsonPath('data.state', 'draft');
});

it('keeps what was used as it was then', function (): void {
    $world = new World;
    $id = $world->assessment();
    DB::table('questions')->where('id', $world->question)->update(['is_complete' => true]);
    stateOf($world, $id, ['state' => 'used', 'date' => '2026-13-01', 'group' => '9b'])->assertStatus(422);
    stateOf($world, $id, ['state' => 'used', 'date' => '2026-11-30', 'group' => ' '])->assertStatus(422);
    $used = stateOf($world, $id, ['state' => 'used', 'date' => '2026-11-30', 'group' => '9b'])->assertOk()->json('data');
    expect($used)->toMatchArray(['state' => 'used', 'may_write' => false])
        ->and($used['occasions'])->toBe([['used_on' => '2026-11-30', 'with_whom' => '9b', 'person' => $world->people['writer']->name]])
        ->and($used['content']['sections'][0]['entries'][0])->toMatchArray(['follow' => 'pinned', 'revision' => 1])
        ->and(json_decode((string) DB::table('assessment_occasions')->value('asked'), true)[0])
        ->toMatchArray(['question' => $world->question, 'revision' => 1]);

    another($world, 'writer', 'PUT', "/assessments/$id", ['content' => $used['content']], ['If-Match' => "\"{$used['version']}\""])
        ->assertForbidden()
        ->assertJsonPath('detail', 'This assessment was used, so it stays as it is. Duplicate it to change it.');
    stateOf($world, $id, ['state' => 'draft'])->assertStatus(422);
    stateOf($world, $id, ['state' => 'used', 'date' => '2026-12-01', 'group' => '9c'])->assertOk()->assertJsonCount(2, 'data.occasions');
    stateOf($world, $id, ['state' => 'archived'])->assertOk()->assertJsonPath('data.state', 'archived');
    stateOf($world, $id, ['state' => 'draft'])->assertOk()->assertJsonPath('data.state', 'used');
    stateOf($world, $id, ['state' => 'unused'])->assertOk()->assertJsonPath('data.state', 'draft')->assertJsonCount(0, 'data.occasions');
});

it('does not change the state of what somebody else has changed since', function (): void {
    $world = new World;
    $id = $world->assessment();
    another($world, 'writer', 'POST', "/assessments/$id/state", ['state' => 'archived'], ['If-Match' => '"7"'])->assertStatus(412);
    another($world, 'writer', 'POST', "/assessments/$id/state", ['state' => 'archived'])->assertStatus(428);
    stateOf($world, $id, ['state' => 'lost'])->assertStatus(422);
    expect(Assessment::query()->findOrFail($id)->state)->toBe('draft');
});

it('refuses a change that was begun before it was used, and leaves what is ready so when a question is kept', function (): void {
    $world = new World;
    $id = $world->assessment();
    DB::table('questions')->where('id', $world->question)->update(['is_complete' => true]);
    $save = app(SaveAssessment::class);
    $json = Assessment::query()->findOrFail($id)->document()->toJson();
    $stale = Assessment::query()->findOrFail($id);
    DB::table('assessments')->where('id', $id)->update(['state' => 'used']);
    expect($save->revise($stale, $json, 1, $world->people['writer']))->toBeFalse();
    DB::table('assessments')->where('id', $id)->update(['state' => 'draft']);
    stateOf($world, $id, ['state' => 'ready'])->assertOk();
    another($world, 'writer', 'POST', "/questions/$world->question/keep", ['revision' => 1])->assertOk()->assertJsonPath('data.kept', 1);
    expect(Assessment::query()->findOrFail($id)->state)->toBe('ready');
});

it('is found and left out by when it was asked, in search and in draws', function (): void {
    $world = new World;
    $id = $world->assessment();
    $other = $world->add('Never asked');
    DB::table('questions')->where('id', $world->question)->update(['is_complete' => true]);
    stateOf($world, $id, ['state' => 'used', 'date' => '2026-06-22', 'group' => '9b'])->assertOk();
    $asWriter = fn (string $path): mixed => another($world, 'writer', 'GET', $path)->json('data');
    $found = fn (string $query): array => array_column($asWriter("/banks/rocks/questions?$query"), 'id');

    expect($found('used=2026-06-01..2026-06-30'))
        ->toBe([$world->question])
        ->and($found('used=2026-06-23..'))
        ->toBe([])
        ->and($found('not_used=2026-01-01..'))
        ->toBe([$other])
        ->and($found('not_used=2026-07-01..'))
        ->toHaveCount(2);
    another($world, 'writer', 'GET', '/banks/rocks/questions?used=last')->assertStatus(422);
    stateOf($world, $id, ['state' => 'unused'])->assertOk();
    expect($found('used=..2030-01-01'))->toBe([]);
});
