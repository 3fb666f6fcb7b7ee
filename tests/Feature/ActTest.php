<?php

declare(strict_types=1);

use App\Actions\Bulk\BulkOperation;
use App\Actions\Bulk\ChangeChunk;
use App\Actions\Bulk\StoredOperation;
use App\Jobs\ChangeMany;
use App\Models\Bank;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Feature\World;
use WideQuarry\Json\Json;

/** @return array<string, mixed> the act */
function act(array $body, string $bank = 'rocks'): array
{
    return ask('POST', "/banks/$bank/acts", $body)
        ->assertOk()
        ->json();
}

function undone(string $act, ?array $questions = null): array
{
    return ask('POST', "/acts/$act/undo", $questions === null ? new stdClass() : ['questions' => $questions])
        ->assertOk()
        ->json();
}

/** Another bank, in which the writer and the keeper write. */
function secondBank(World $world, string $slug = 'maps', bool $lends = false): Bank
{
    $bank = Bank::query()->create(['slug' => $slug, 'name' => ucfirst($slug)]);
    $bank->forceFill(['lends' => $lends])->save();
    foreach (['writer' => 'writer', 'keeper' => 'keeper'] as $person => $role) {
        DB::table('bank_grants')->insert(['bank_id' => $bank->id, 'user_id' => $world->people[$person]->id, 'role' => $role]);
    }

    return $bank->refresh();
}

function listed(string $query, string $bank = 'rocks'): array
{
    return array_column(ask('GET', "/banks/$bank/questions?sort=title&$query")->json('data'), 'title');
}

it('changes contents as revisions, takes approval from them, and undoes both', function (): void {
    $world = new World;
    $ids = [$world->add('A', more: ['record' => ['status' => 'approved']]), $world->add('B')];
    $this->actingAs($world->people['writer']);
    $done = act(['ids' => $ids, 'content' => ['points' => 5, 'attempts' => ['allowed' => 3, 'cost' => '1/5']]]);

    expect([$done['state'], $done['changed'], $done['done'], $done['total']])
        ->toBe(['done', 2, 2, 2])
        ->and(
            DB::table('questions')
                ->whereIn('id', $ids)
                ->orderBy('title')
                ->get(['points', 'revision', 'status'])
                ->map(fn ($row): array => (array) $row)
                ->all(),
        )
        ->toBe([
            ['points' => '5.0000', 'revision' => 2, 'status' => 'draft'],
            ['points' => '5.0000', 'revision' => 2, 'status' => 'draft'],
        ])
        ->and(ask('GET', "/questions/$ids[0]/revisions")->json('data.0.note'))
        ->toBe('changed together with others');
    // somebody who had it open is told, as with any save
    $json = World::json($ids[1]);
    expect(ask('PUT', "/questions/$ids[1]", ['question' => $json], ['If-Match' => '"1"'])->status())->toBe(412);
    $back = undone($done['act']);
    expect([$back['changed'], $back['left_count']])
        ->toBe([2, 0])
        ->and(
            DB::table('questions')
                ->whereIn('id', $ids)
                ->orderBy('title')
                ->get(['points', 'revision', 'status', 'approved_revision'])
                ->map(fn ($row): array => array_values((array) $row))
                ->all(),
        )
        ->toBe([['2.0000', 3, 'approved', 3], ['2.0000', 3, 'draft', null]])
        ->and(DB::scalar('SELECT count(DISTINCT content) FROM revisions WHERE question_id = ? AND number IN (1, 3)', [$ids[0]]))
        ->toBe(1);
});

it('shows beforehand exactly what it then does', function (array $change): void {
    $world = new World;
    $ids = [
        $world->question,
        $world->add('Copy (2)', '<p>Why does slate split?</p><div data-part="p1"></div>', [
            'record' => ['tags' => ['old'], 'level' => 'Year 9'],
        ]),
        $world->add('No key', more: ['parts' => [['id' => 'p1', 'kind' => 'choice', 'points' => 1]]]),
    ];
    $this->actingAs($world->people['writer']);
    $preview = ask('POST', '/banks/rocks/acts/preview', ['ids' => $ids, ...$change])
        ->assertOk()
        ->json();
    $done = act(['ids' => $ids, ...$change]);

    expect([$preview['count'], $preview['looked']])
        ->toBe([3, 3])
        ->and($done['changed'])
        ->toBe($preview['changes'])
        ->and($done['left_count'])
        ->toBe(count($preview['left']));
    $logged = collect(ask('GET', "/acts/{$done['act']}/changes")->json('data'))->keyBy('id');
    foreach ($preview['sample'] as $one) {
        $fields = array_filter($logged[$one['id']]['fields'], fn (array $field): bool => $field['field'] !== 'revision');
        expect(array_values($fields))->toEqualCanonicalizing($one['fields']);
    }
    expect(DB::table('changes')->where('operation_id', $done['act'])->where('field', 'revision')->count())->toBe(
        count(array_filter($preview['sample'], fn (array $one): bool => $one['differences'] !== [])),
    );
})->with([
    'tags and level' => [['record' => ['tags' => ['add' => ['new'], 'remove' => ['old']], 'level' => ['set' => 'Year 9']]]],
    'approval' => [['record' => ['status' => ['set' => 'approved']]]],
    'places' => [['topics' => ['add' => [['Rocks', 'Slate']]], 'folders' => ['set' => [['Year 9']]]]],
    'points' => [['content' => ['points' => 3]]],
    'names' => [['content' => ['names' => true]]],
    'words' => [['content' => ['replace' => ['find' => 'slate', 'with' => 'schist']]]],
    'the bin' => [['bin' => true]],
]);

it('replaces words at every place shown, but for those that are left out', function (): void {
    $world = new World;
    $id = $world->add('Slate and slate', '<p>Slate splits. Why does slate split?</p><div data-part="p1"></div>');
    $this->actingAs($world->people['writer']);
    $replace = ['find' => 'slate', 'with' => 'schist', 'whole' => true, 'case' => false];
    $places = ask('POST', '/banks/rocks/acts/places', ['ids' => [$id], 'content' => ['replace' => $replace]])->json('questions.0.places');
    $kept = array_keys(array_filter($places, fn (array $place): bool => str_contains($place['after'], 'splits.')));
    act(['ids' => [$id], 'content' => ['replace' => [...$replace, 'skip' => [['id' => $id, 'places' => $kept]]]]]);

    expect(count($places))
        ->toBeGreaterThanOrEqual(4)
        ->and($kept)
        ->toHaveCount(1)
        ->and(ask('GET', "/questions/$id")->json('data.question.body'))
        ->toBe('<p>Slate splits. Why does schist split?</p><div data-part="p1"></div>')
        ->and(ask('GET', "/questions/$id")->json('data.name'))
        ->toBe('schist and schist')
        ->and(listed('words=schist'))
        ->toBe(['schist and schist']);
});

it('goes on where a worker was killed, and does nothing twice', function (): void {
    $world = new World;
    for ($i = 0; $i < ChangeChunk::SIZE + 30; $i++) {
        $world->add("Q $i");
    }
    $this->actingAs($world->people['writer']);
    $done = act(['filter' => '', 'record' => ['tags' => ['add' => ['swept']]]]);
    expect([$done['state'], $done['changed']])->toBe(['done', ChangeChunk::SIZE + 31]);
    // the same as it stands when a worker died after its first chunk
    $ids = DB::table('questions')->orderBy('id')->pluck('id')->all();
    DB::table('changes')->where('operation_id', $done['act'])->where('question_id', '>', $ids[ChangeChunk::SIZE - 1])->delete();
    DB::update("UPDATE questions SET tags = '{}', record = '{}' WHERE id > ?", [$ids[ChangeChunk::SIZE - 1]]);
    DB::table('bulk_operations')
        ->where('id', $done['act'])
        ->update([
            'state' => 'running',
            'last' => $ids[ChangeChunk::SIZE - 1],
            'done' => ChangeChunk::SIZE,
            'changed' => ChangeChunk::SIZE,
        ]);
    app()->call([new ChangeMany($done['act']), 'handle']);

    $act = StoredOperation::find($done['act']);
    expect([$act->state, $act->done, $act->changed])
        ->toBe(['done', ChangeChunk::SIZE + 31, ChangeChunk::SIZE + 31])
        ->and(DB::table('changes')->where('operation_id', $done['act'])->count())
        ->toBe(ChangeChunk::SIZE + 31)
        ->and(undone($done['act'])['changed'])
        ->toBe(ChangeChunk::SIZE + 31)
        ->and(DB::table('questions')->where('tags', '<>', '{}')->count())
        ->toBe(0);
});

it('lets a second act in the same bank wait its turn, and one that was stopped go on', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    DB::table('bulk_operations')->insert([
        'id' => ($first = (string) Str::uuid7()),
        'user_id' => $world->people['keeper']->id,
        'kind' => 'change',
        'bank_id' => $world->bank->id,
        'state' => 'running',
        'what' => Json::encode(['ids' => [], 'change' => new stdClass()]),
    ]);
    config(['queue.default' => 'null']);
    $second = act(['ids' => [$world->question], 'record' => ['level' => ['set' => 'Year 9']]]);
    expect([$second['state'], $second['changed'], DB::table('questions')->value('level')])->toBe(['waiting', 0, '']);
    expect(ask('POST', "/acts/{$second['act']}/undo", new stdClass())->json('type'))->toEndWith('act.running');
    ask('DELETE', "/acts/{$second['act']}")->assertNoContent();
    app()->call([new ChangeMany($second['act']), 'handle']);
    expect(DB::table('questions')->value('level'))->toBe('');
    config(['queue.default' => 'sync']);
    BulkOperation::ended($first, 'done');
    expect(ask('POST', "/acts/{$second['act']}/resume", new stdClass())->json('state'))
        ->toBe('done')
        ->and(DB::table('questions')->value('level'))
        ->toBe('Year 9');
});

it('undoes one by one what was changed since', function (): void {
    $world = new World;
    $ids = [$world->add('A'), $world->add('B')];
    $this->actingAs($world->people['writer']);
    $done = act(['ids' => $ids, 'record' => ['level' => ['set' => 'Year 9']]]);
    act(['ids' => [$ids[0]], 'record' => ['level' => ['set' => 'Year 10']]]);
    $back = undone($done['act']);
    expect([$back['changed'], $back['left_count'], $back['left'][0]['title'], $back['left'][0]['why']])->toBe([
        1,
        1,
        'A',
        'It was changed again since.',
    ]);
    expect(undone($done['act'], [$ids[0]])['changed'])
        ->toBe(1)
        ->and(DB::table('questions')->whereIn('id', $ids)->pluck('level')->unique()->all())
        ->toBe(['']);
});

it('leaves alone what somebody saved since, also where only the content was changed', function (): void {
    $world = new World;
    $ids = [$world->add('A'), $world->add('B')];
    $this->actingAs($world->people['writer']);
    $done = act(['ids' => $ids, 'content' => ['points' => 5]]);
    $json = World::json($ids[0]);
    $json->title = 'Saved since';
    ask('PUT', "/questions/$ids[0]", ['question' => $json], ['If-Match' => '"2"'])->assertOk();
    $back = undone($done['act']);

    expect([$back['changed'], $back['left_count'], $back['left'][0]['title']])
        ->toBe([1, 1, 'Saved since'])
        ->and(ask('GET', "/questions/$ids[0]")->json('data.question.title'))
        ->toBe('Saved since')
        ->and(ask('GET', "/questions/$ids[0]")->json('data.revision'))
        ->toBe(3)
        ->and(DB::table('questions')->where('id', $ids[1])->value('points'))
        ->toBe('2.0000');
});

it('lets who placed a question that they only read take it back again, and places nothing that is lent no more', function (): void {
    $world = new World;
    $world->bank->forceFill(['lends' => true])->save();
    $maps = secondBank($world);
    DB::table('bank_grants')->insert(['bank_id' => $maps->id, 'user_id' => $world->people['reader']->id, 'role' => 'writer']);
    $this->actingAs($world->people['reader']);
    $done = act(['ids' => [$world->question], 'folders' => ['add' => [['Borrowed']]]], 'maps');
    expect(undone($done['act'])['changed'])->toBe(1)->and(listed('', 'maps'))->toBe([]);
    // and the other way round: taken out, and not put back once it is not lent
    act(['ids' => [$world->question], 'folders' => ['add' => [['Borrowed']]]], 'maps');
    $out = act(['ids' => [$world->question], 'folders' => ['remove' => [['Borrowed']]]], 'maps');
    $world->bank->forceFill(['lends' => false])->save();
    expect(undone($out['act'])['left'][0]['why'])
        ->toContain('does not lend')
        ->and(listed('', 'maps'))
        ->toBe([]);
});

it('gives a topic back also to questions of the team that the person does not read', function (): void {
    $world = new World;
    $hidden = Bank::query()->create(['slug' => 'hidden', 'name' => 'Hidden']);
    DB::table('banks')->update(['team_id' => DB::table('teams')->value('id')]);
    $json = World::json((string) Str::uuid7());
    $json->record = (object) ['topics' => [['Rocks', 'Slate']]];
    app(App\Actions\SaveQuestion::class)->create(
        WideQuarry\Question\Question::read(Json::decode(Json::encode($json)), WideQuarry\Parts\StandardKinds::all()),
        $hidden->id,
        null,
    );
    $this->actingAs($world->people['writer']);
    $topics = fn (): array => App\Queries\Topics::paths([$json->id])[$json->id] ?? [];
    $done = ask('DELETE', '/banks/rocks/topics/'.DB::table('topics')->where('title', 'Rocks')->value('id'))
        ->assertOk()
        ->json();
    expect($topics())->toBe([])->and(json_encode($done))->not->toContain($json->title);
    undone($done['act']);
    expect($topics())->toBe([['Rocks', 'Slate']]);
});

it('keeps what is in the bin out of everything but the bin, and gives it back', function (): void {
    $world = new World;
    $id = $world->add('Gneiss', more: ['record' => ['topics' => [['Rocks']], 'tags' => ['banded']]]);
    $this->actingAs($world->people['writer']);
    ask('PATCH', '/tray', ['add' => [$id]]);
    $topic = (string) DB::table('topics')->value('id');
    $seen = fn (): array => [
        listed('words=gneiss'),
        ask('GET', '/banks/rocks/questions')->json('meta.of'),
        count(ask('GET', '/questions?words=gneiss')->json('data')),
        count(ask('GET', '/tray')->json('data')),
        ask('GET', '/banks/rocks')->json('data.question_count'),
        collect(ask('GET', '/banks/rocks/facets?of=tag')->json('facets.tag'))->contains('value', 'banded'),
        count(ask('GET', '/banks/rocks/tags')->json('data')),
        ask('GET', "/banks/rocks/topics/$topic/uses")->json('banks.0.below'),
    ];
    expect($seen())->toBe([['Gneiss'], 2, 1, 1, 2, true, 1, 1]);
    $done = act(['ids' => [$id], 'bin' => true]);
    expect($seen())
        ->toBe([[], 1, 0, 0, 1, false, 0, null])
        ->and(listed('is=binned'))
        ->toBe(['Gneiss'])
        ->and(ask('GET', "/questions/$id")->json('data.binned'))
        ->toBeTrue()
        ->and(act(['ids' => [$id], 'record' => ['level' => ['set' => 'Year 9']]])['changed'])
        ->toBe(0);
    expect(act(['filter' => 'is=binned', 'bin' => false])['changed'])
        ->toBe(1)
        ->and($seen())
        ->toBe([['Gneiss'], 2, 1, 1, 2, true, 1, 1]);
    // what an assessment asks stays
    DB::table('assessment_uses')->insert([
        'assessment_id' => $world->assessment(),
        'entry' => 'e9',
        'question_id' => $id,
        'position' => 9,
    ]);
    expect(act(['ids' => [$id], 'bin' => true])['left'][0]['why'])
        ->toContain('assessment')
        ->and(listed('sort=-uses')[0])
        ->toBe('Gneiss');
    // and who only reads sees nothing of the bin
    $other = $world->add('Schist');
    act(['ids' => [$other], 'bin' => true]);
    foreach (['reader', 'team reader'] as $role) {
        expect(another($world, $role, 'GET', '/banks/rocks/questions?is=binned')->status())
            ->toBe(403)
            ->and(another($world, $role, 'GET', "/questions/$other")->status())
            ->toBe(404)
            ->and(another($world, $role, 'GET', '/questions?is=binned')->json('data'))
            ->toBe([]);
    }
});

it('shows a question in folders of other banks, where its own bank lets it', function (): void {
    $world = new World;
    $maps = secondBank($world);
    $this->actingAs($world->people['writer']);
    DB::table('bank_grants')->insert(['bank_id' => $maps->id, 'user_id' => $world->people['stranger']->id, 'role' => 'reader']);
    $place = ['ids' => [$world->question], 'folders' => ['add' => [['Borrowed']]]];
    expect(act($place, 'maps')['left'][0]['why'])->toContain('does not lend');
    $world->bank->forceFill(['lends' => true])->save();
    $done = act($place, 'maps');
    expect($done['changed'])
        ->toBe(1)
        ->and(listed('', 'maps'))
        ->toBe(['Why slate splits'])
        ->and(
            collect(ask('GET', "/questions/$world->question")->json('data.places'))
                ->pluck('bank')
                ->all(),
        )
        ->toBe(['maps'])
        ->and(act(['ids' => [$world->question], 'record' => ['level' => ['set' => 'x']]], 'maps')['changed'])
        ->toBe(0);
    // at home its folders stay as they are
    act(['ids' => [$world->question], 'folders' => ['add' => [['At home']]]]);
    expect(act(['ids' => [$world->question], 'folders' => ['remove' => [['Borrowed']]]], 'maps')['changed'])
        ->toBe(1)
        ->and(ask('GET', "/questions/$world->question")->json('data.folders'))
        ->toBe([['At home']]);
    // who reads that bank reads it, but does not write it
    act($place, 'maps');
    expect(another($world, 'stranger', 'GET', "/questions/$world->question")->json('data.may_write'))->toBeFalse();
});

it('moves questions to another home and back, with their topics, folders and pictures', function (): void {
    $world = new World;
    $maps = secondBank($world);
    $id = $world->add('With a picture', '<p><img data-media="m1" alt="A section"></p><div data-part="p1"></div>', [
        'record' => ['topics' => [['Rocks', 'Slate']]],
    ]);
    $this->actingAs($world->people['writer']);
    act(['ids' => [$id], 'folders' => ['add' => [['Year 9', 'Unit 2']]]]);
    $done = act(['ids' => [$id], 'home' => true, 'folders' => ['add' => [['Arrived']]]], 'maps');
    $now = ask('GET', "/questions/$id")->json('data');
    expect([$done['changed'], $now['bank']['slug'], $now['folders'], $now['question']['record']['topics']])
        ->toBe([1, 'maps', [['Arrived']], [['Rocks', 'Slate']]])
        ->and(DB::table('media')->where('bank_id', $maps->id)->pluck('id')->all())
        ->toBe(['m1'])
        ->and(
            DB::table('question_topics')
                ->join('topics', 'topics.id', '=', 'topic_id')
                ->where('question_id', $id)
                ->value('topics.bank_id'),
        )
        ->toBe($maps->id)
        ->and(listed('words=picture'))
        ->toBe([]);
    undone($done['act']);
    $now = ask('GET', "/questions/$id")->json('data');
    expect([$now['bank']['slug'], $now['folders'], $now['question']['record']['topics']])
        ->toBe(['rocks', [['Year 9', 'Unit 2']], [['Rocks', 'Slate']]])
        ->and(DB::table('placements')->where('question_id', $id)->count())
        ->toBe(1);
    // a name that stands for another picture there
    DB::table('media')
        ->where('bank_id', $maps->id)
        ->update(['sha256' => str_repeat('1', 64)]);
    expect(act(['ids' => [$id], 'home' => true], 'maps')['left'][0]['why'])->toContain('a.png');
    // and nobody takes what they may not write
    DB::table('bank_grants')->insert(['bank_id' => $maps->id, 'user_id' => $world->people['reader']->id, 'role' => 'writer']);
    expect(
        another($world, 'reader', 'POST', '/banks/maps/acts', ['ids' => [$world->question], 'home' => true])->json('left.0.why'),
    )->toContain('cannot edit');
});

it('copies questions, and the originals into the bin where that is asked for; undone, it is the other way round', function (): void {
    $world = new World;
    secondBank($world);
    $id = $world->add('Original', more: ['record' => ['status' => 'approved', 'tags' => ['t'], 'topics' => [['Rocks']]]]);
    $this->actingAs($world->people['writer']);
    $done = ask('POST', '/banks/maps/copies', ['ids' => [$id], 'folder' => ['Copies'], 'bin' => true])->json();
    $copy = ask('GET', '/banks/maps/questions?tag=t')->json('data.0');
    expect([$done['state'], $copy['title'], $copy['status'], listed('words=original')])
        ->toBe(['done', 'Original', 'draft', []])
        ->and($copy['id'])
        ->not->toBe($id)
        ->and(ask('GET', "/questions/{$copy['id']}")->json('data.folders'))
        ->toBe([['Copies']])
        ->and(ask('GET', "/questions/{$copy['id']}")->json('data.question.record.topics'))
        ->toBe([['Rocks']]);
    undone($done['act']);
    expect(listed('words=original'))
        ->toBe(['Original'])
        ->and(listed('words=original', 'maps'))
        ->toBe([])
        ->and(listed('is=binned', 'maps'))
        ->toBe(['Original']);
});

it('copies no copies when it goes on after a kill', function (): void {
    $world = new World;
    $ids = [$world->question, $world->add('B')];
    DB::table('questions')->update(['created_at' => '2026-01-01']);
    sort($ids);
    $this->actingAs($world->people['writer']);
    config(['queue.default' => 'null']);
    DB::table('bulk_operations')->insert([
        'id' => ($other = (string) Str::uuid7()),
        'kind' => 'change',
        'bank_id' => $world->bank->id,
        'state' => 'running',
    ]); // so that it waits
    $act = ask('POST', '/banks/rocks/copies', ['filter' => ''])->json('act');
    BulkOperation::ended($other, 'done');
    DB::table('bulk_operations')
        ->where('id', $act)
        ->update(['created_at' => '2026-02-01', 'state' => 'running', 'last' => $ids[0]]); // killed after the first
    DB::table('questions')
        ->where('id', $world->add('A copy of the first'))
        ->update(['created_at' => '2026-03-01']);
    app()->call([new ChangeMany($act), 'handle']);

    expect(StoredOperation::find($act)->changed)
        ->toBe(1)
        ->and(DB::table('questions')->count())
        ->toBe(4);
});

it('lists what was done in as many queries for many acts as for one', function (): void {
    $world = new World;
    $ids = [$world->question, $world->add('B')];
    $this->actingAs($world->people['writer']);
    $count = function (): int {
        DB::enableQueryLog();
        DB::flushQueryLog();
        ask('GET', '/banks/rocks/acts')->assertOk();

        return count(DB::getQueryLog());
    };
    act(['ids' => $ids, 'record' => ['level' => ['set' => 'Year 1']]]);
    $one = $count();
    foreach (range(2, 6) as $i) {
        act(['ids' => $ids, 'record' => ['level' => ['set' => "Year $i"]]]);
    }
    expect($count())->toBe($one)->and(array_column(ask('GET', '/banks/rocks/acts')->json('data'), 'changed'))->toBe(array_fill(0, 6, 2));
});

it('copies a bank whole', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    act(['ids' => [$world->question], 'folders' => ['add' => [['Year 9', 'Unit 2']]], 'topics' => ['add' => [['Rocks', 'Slate']]]]);
    $copy = another($world, 'reader', 'POST', '/banks/rocks/copy', ['name' => 'Rocks for next year'])
        ->assertStatus(201)
        ->json();
    $theirs = fn (string $path): array => another($world, 'reader', 'GET', $path)->assertOk()->json('data');
    $question = $theirs("/banks/{$copy['slug']}/questions")[0]['id'];
    expect($theirs("/banks/{$copy['slug']}")['my_role'])
        ->toBe('keeper')
        ->and($theirs("/questions/$question")['folders'])
        ->toBe([['Year 9', 'Unit 2']])
        ->and($theirs("/questions/$question")['question']['record']['topics'])
        ->toBe([['Rocks', 'Slate']]);
});

it('makes one of two branches, all the way down, and two again', function (string $tree, string $of): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    [$a, $b] = [$world->add('A'), $world->add('B')];
    act(['ids' => [$a], $tree => ['add' => [['Old', 'Slate', 'Cleavage'], ['Old']]]]);
    act(['ids' => [$b], $tree => ['add' => [['Rocks', 'Slate'], ['Old', 'Only here']]]]);
    $node = fn (string $name): string => (string) DB::table($tree)
        ->where($tree === 'folders' ? 'name' : 'title', $name)
        ->whereNull('parent_id')
        ->value('id');
    // an empty branch in it, and an order by hand
    ask('POST', "/banks/rocks/$tree", ['name' => 'Empty', 'parent' => $node('Old')])->assertStatus(201);
    $label = $tree === 'folders' ? 'name' : 'title';
    DB::table($tree)
        ->where($label, 'Empty')
        ->update(['position' => 2]);
    $shape = fn (): array => array_map(
        fn (stdClass $row): string => "$row->path $row->position",
        DB::select(
            <<<SQL
                SELECT (SELECT string_agg(above.$label, '/' ORDER BY nlevel(above.path)) FROM $tree AS above
                    WHERE node.path <@ above.path) AS path, position FROM $tree AS node ORDER BY 1
                SQL,
        ),
    );
    $before = $shape();
    $paths = fn (string $id): array => collect(
        $tree === 'folders'
            ? ask('GET', "/questions/$id")->json('data.folders')
            : ask('GET', "/questions/$id")->json('data.question.record.topics'),
    )
        ->map(fn (array $path): string => implode('/', $path))
        ->sort()
        ->values()
        ->all();
    expect(
        ask('POST', "/banks/rocks/$tree/{$node('Rocks')}/merge", [
            'into' => (string) DB::table($tree)->where('parent_id', $node('Rocks'))->value('id'),
        ])->json('type'),
    )->toEndWith('tree.into_itself');
    $done = ask('POST', "/banks/rocks/$tree/{$node('Old')}/merge", ['into' => $node('Rocks')])
        ->assertOk()
        ->json();

    expect([$done['state'], $paths($a), $paths($b)])
        ->toBe(['done', ['Rocks', 'Rocks/Slate/Cleavage'], ['Rocks/Only here', 'Rocks/Slate']])
        ->and($node('Old'))
        ->toBe('');
    undone($done['act']);
    expect($paths($a))
        ->toBe(['Old', 'Old/Slate/Cleavage'])
        ->and($paths($b))
        ->toBe(['Old/Only here', 'Rocks/Slate'])
        ->and($shape())
        ->toBe($before);
})->with([['folders', 'folder'], ['topics', 'topic']]);

it('takes a branch away from everything that had it, also in other banks, and gives it back', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $team = (string) DB::table('teams')->value('id');
    $maps = secondBank($world);
    DB::table('banks')->update(['team_id' => $team]);
    $elsewhere = (string) Str::uuid7();
    $json = World::json($elsewhere);
    app(App\Actions\SaveQuestion::class)->create(
        WideQuarry\Question\Question::read($json, WideQuarry\Parts\StandardKinds::all()),
        $maps->id,
        null,
    );
    act(['ids' => [$world->question], 'topics' => ['add' => [['Rocks'], ['Rocks', 'Slate'], ['Maps']]]]);
    act(['ids' => [$elsewhere], 'topics' => ['add' => [['Rocks', 'Slate']]]], 'maps');
    $topics = fn (string $id): array => ask('GET', "/questions/$id")->json('data.question.record.topics') ?? [];
    $rocks = (string) DB::table('topics')->where('title', 'Rocks')->value('id');
    expect(ask('GET', "/banks/rocks/topics/$rocks/uses")->json('banks.*.below'))->toBe([1, 1]);
    $done = ask('DELETE', "/banks/rocks/topics/$rocks")
        ->assertOk()
        ->json();

    expect([$done['state'], $topics($world->question), $topics($elsewhere), DB::table('topics')->pluck('title')->all()])->toBe([
        'done',
        [['Maps']],
        [],
        ['Maps'],
    ]);
    undone($done['act']);
    expect($topics($elsewhere))
        ->toBe([['Rocks', 'Slate']])
        ->and($topics($world->question))
        ->toEqualCanonicalizing([['Rocks'], ['Rocks', 'Slate'], ['Maps']]);
});

it('keeps an order made by hand', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $ids = array_map(fn (string $name): string => $world->add($name), ['A', 'B', 'C', 'D']);
    act(['ids' => $ids, 'folders' => ['add' => [['Unit 2']]]]);
    $folder = (string) DB::table('folders')->value('id');
    $order = fn (): array => array_column(ask('GET', "/banks/rocks/questions?place=$folder&sort=own")->json('data'), 'title');
    ask('PUT', "/banks/rocks/folders/$folder/order", ['question' => $ids[3], 'before' => $ids[1]])->assertNoContent();
    ask('PUT', "/banks/rocks/folders/$folder/order", ['question' => $ids[0], 'before' => null])->assertNoContent();
    expect($order())->toBe(['D', 'B', 'C', 'A']);
    $last = $world->add('E');
    act(['ids' => [$last], 'folders' => ['add' => [['Unit 2']]]]);
    expect($order())
        ->toBe(['D', 'B', 'C', 'A', 'E'])
        ->and(ask('PUT', "/banks/rocks/folders/$folder/order", ['question' => $world->question, 'before' => null])->json('type'))
        ->toEndWith('folder.not_there');
});

it('makes a tree from an outline, and what is there stays', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $world->topic('Rocks', 'Slate');
    $text = "Rocks\n\tSlate\n\tصخور 🪨\nMaps\n\tScale";
    $seen = ask('POST', '/banks/rocks/topics/outline', ['text' => $text])->json();
    expect([count($seen['lines']), $seen['done'], DB::table('topics')->count()])->toBe([5, null, 2]);
    expect(ask('POST', '/banks/rocks/topics/outline', ['text' => $text, 'go' => true])->json('done'))
        ->toBe(['made' => 3, 'there' => 2])
        ->and(ask('POST', '/banks/rocks/topics/outline', ['text' => $text, 'go' => true])->json('done'))
        ->toBe(['made' => 0, 'there' => 5]);
    // order by hand among siblings, and by name again
    $maps = (string) DB::table('topics')->where('title', 'Maps')->value('id');
    $rocks = (string) DB::table('topics')->where('title', 'Rocks')->value('id');
    $tops = fn (): array => collect(ask('GET', '/banks/rocks/trees')->json('topics'))
        ->whereNull('parent_id')
        ->pluck('name')
        ->values()
        ->all();
    ask('PATCH', "/banks/rocks/topics/$rocks", ['before' => $maps])->assertNoContent();
    expect($tops())->toBe(['Rocks', 'Maps']);
});

it('says in words what it cannot take, and changes nothing', function (
    string $method,
    string $path,
    mixed $body,
    int $status,
    string $words,
): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $response = ask($method, "/banks/rocks$path", $body);
    expect($response->status())
        ->toBe($status)
        ->and($response->json('detail'))
        ->toContain($words)
        ->and(DB::table('changes')->count())
        ->toBe(0)
        ->and(DB::table('folders')->count())
        ->toBe(0);
})->with([
    'a folder of 10,000 letters' => ['POST', '/folders', ['name' => str_repeat('ö', 10_000)], 422, 'at most 200 characters'],
    'a folder of spaces' => ['POST', '/folders', ['name' => " \t "], 422, 'name'],
    'a folder that is only a mark of direction' => ['POST', '/folders', ['name' => "\u{200F}\u{200E}"], 422, 'name'],
    'a folder below nothing' => ['POST', '/folders', ['name' => 'F', 'parent' => '0192f0c4-0000-7000-8000-00000000dead'], 404, ''],
    'ids that are none' => ['POST', '/acts', ['ids' => ['1; DROP TABLE'], 'bin' => true], 422, 'UUID'],
    'a filter made by hand' => ['POST', '/acts', ['filter' => 'kind=teapot', 'bin' => true], 422, 'teapot'],
    'a path made by hand' => ['POST', '/acts', ['filter' => '', 'folders' => ['add' => [[['x']]]]], 422, 'path of names'],
    'a tag of 10,000 letters' => [
        'POST',
        '/acts',
        ['filter' => '', 'record' => ['tags' => ['add' => [str_repeat('a', 10_000)]]]],
        422,
        '1 to 100 characters',
    ],
]);

it('looks for 2,000 words, only marks, faces and right-to-left text without a fault', function (string $words): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    foreach (['/banks/rocks/questions?words=', '/questions?words=', '/banks/rocks/facets?of=topic&words='] as $path) {
        ask('GET', $path.urlencode($words))->assertOk();
    }
})->with([
    '2,000 words' => [implode(' ', array_map(fn (int $i): string => "word$i", range(1, 2000)))],
    'marks' => ['?!… "" --'],
    'faces' => ['🪨 👩🏽‍🔬'],
    'right to left' => ['صخور نارية'],
    'a long word' => [str_repeat('x', 20_000)],
    'bytes that are no text' => ["\xff\xfe slate"],
]);
