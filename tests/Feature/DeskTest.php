<?php

declare(strict_types=1);

use App\Actions\SaveQuestion;
use App\Models\Bank;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Feature\World;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;

it('shows what was begun, saved, waits and was changed, each leading to exactly that', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $draft = World::json();
    $draft->title = 'Half a thought';
    ask('PUT', '/autosaves/new:rocks', ['content' => $draft])->assertStatus(204);
    ask('PUT', "/autosaves/$world->question", ['base_revision' => 1, 'content' => World::json()])->assertStatus(204);
    ask('PUT', '/autosaves/new:rocks:with:'.($stimulus = $world->shared()), ['content' => $draft])->assertStatus(204);
    ask('PUT', "/questions/$world->question", ['question' => World::json(), 'note' => 'shorter'], ['If-Match' => '"1"'])->assertOk();
    $desk = ask('GET', '/desk')->assertOk()->json();
    expect(array_column($desk['begun'], 'to'))
        ->toEqualCanonicalizing(['/banks/rocks/write', "/banks/rocks/write?stimulus=$stimulus"])
        ->and($desk['begun'][0]['title'])
        ->toBe('Half a thought')
        ->and(array_column($desk['recent'], 'id'))
        ->toBe([$world->question])
        ->and($desk['changed'])
        ->toBe([]);
    $waiting = $desk['waiting'][0];
    expect($waiting)
        ->toMatchArray(['slug' => 'rocks', 'drafts' => 1, 'in_review' => 0, 'untopiced' => 1])
        ->and(ask('GET', '/banks/rocks/questions?status=draft&is=complete')->json('meta.found'))
        ->toBe($waiting['drafts'])
        ->and(ask('GET', '/banks/rocks/questions?no=topic')->json('meta.found'))
        ->toBe($waiting['untopiced']);

    // many at once are one line for others, not many
    $many = [$world->add('A'), $world->add('B')];
    ask('POST', '/banks/rocks/acts', ['ids' => $many, 'content' => ['points' => 4]])->assertOk();
    $theirs = another($world, 'keeper', 'GET', '/desk')->json();
    expect(array_map(fn (array $act): array => [$act['kind'], $act['changed'], $act['person']], $theirs['acts']))->toBe([
        ['change', 2, 'writer'],
    ]);
    expect(array_column($theirs['changed'], 'note'))
        ->toBe(['shorter'])
        ->and($theirs['begun'])
        ->toBe([])
        ->and($theirs['recent'])
        ->toBe([]);
    expect(another($world, 'reader', 'GET', '/desk')->json('waiting'))->toBe([]); // who only reads has nothing to put in order
});

it('shows nothing of a bank one may not read any more', function (): void {
    $world = new World;
    $hidden = Bank::query()->create(['slug' => 'hidden', 'name' => 'Hidden']);
    $question = Question::read(World::json((string) Str::uuid7()), StandardKinds::all());
    app(SaveQuestion::class)->create($question, $hidden->id, $world->people['writer']);
    DB::table('autosaves')->insert([
        'user_id' => $world->people['writer']->id,
        'subject' => $question->id,
        'base_revision' => 1,
        'content' => '{"title":"Mine"}',
    ]);
    $this->actingAs($world->people['writer']);
    $desk = ask('GET', '/desk')->json();
    expect([$desk['begun'], $desk['recent'], $desk['changed'], $desk['acts']])
        ->toBe([[], [], [], []])
        ->and(array_column($desk['waiting'], 'slug'))
        ->toBe(['rocks']);
});

it('writes a question into folders, made where they are missing, and says which name cannot be one', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $write = fn (array $folders) => ask('POST', '/banks/rocks/questions', [
        'question' => World::json((string) Str::uuid7()),
        'folders' => $folders,
    ]);
    expect(
        $write([['Year 9', 'Rivers'], ['Year 9']])
            ->assertStatus(201)
            ->json('data.folders'),
    )->toBe([['Year 9'], ['Year 9', 'Rivers']]);
    $count = DB::table('questions')->count();
    $write([['Year 9', ' ']])
        ->assertStatus(422)
        ->assertJsonPath('path', '/folders/0/1')
        ->assertJsonPath('detail', 'Expected a name of 1 to 200 characters, found " ".');
    $write([['Year 9'], []])
        ->assertStatus(422)
        ->assertJsonPath('path', '/folders/1');
    $write([array_fill(0, 21, 'deeper')])
        ->assertStatus(422)
        ->assertJsonPath('path', '/folders/0');
    expect(DB::table('questions')->count())->toBe($count);
});
