<?php

declare(strict_types=1);

use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

it('classifies many in one act, logs each field, and undoes only what is still as it was left', function (): void {
    $world = new World;
    $ids = array_map(fn (int $i): string => $world->add("Q $i", more: ['record' => ['tags' => ['old', 'Keep']]]), range(1, 3));
    $this->actingAs($world->people['writer']);
    $act = classify([
        'ids' => $ids,
        'record' => ['tags' => ['add' => ['new', 'KEEP'], 'remove' => ['old']], 'difficulty' => ['set' => 3]],
        'topics' => ['add' => [['Rocks', 'Basalt']]],
        'folders' => ['add' => [['Year 9']]],
    ])->json();

    expect($act['changed'])
        ->toBe(3)
        ->and(DB::table('questions')->whereIn('id', $ids)->pluck('tags')->unique()->all())
        ->toBe(['{Keep,new}'])
        ->and(DB::table('changes')->where('operation_id', $act['act'])->count())
        ->toBe(12)
        ->and(ask('GET', "/questions/$ids[0]")->json('data.question.record.topics'))
        ->toBe([['Rocks', 'Basalt']])
        ->and(ask('GET', '/banks/rocks/questions?words=new')->json('meta.found'))
        ->toBe(3);
    classify(['ids' => [$ids[2]], 'record' => ['difficulty' => ['set' => 5]]]);
    $undone = ask('POST', "/acts/$act[act]/undo", new stdClass())->json();

    expect([$undone['changed'], $undone['left_count'], $undone['left'][0]['why']])
        ->toBe([3, 1, 'Some of it was changed again since, and that stays.'])
        ->and(DB::table('questions')->whereIn('id', $ids)->orderBy('title')->pluck('difficulty')->all())
        ->toBe([null, null, 5])
        ->and(DB::table('questions')->whereIn('id', $ids)->pluck('tags')->unique()->all())
        ->toBe(['{old,Keep}'])
        ->and(DB::table('question_topics')->count() + DB::table('placements')->count())
        ->toBe(0)
        ->and(ask('POST', "/acts/$act[act]/undo", new stdClass())->json('type'))
        ->toEndWith('act.undone');
});

it('changes everything that matches a filter, never a list of ids', function (): void {
    $world = new World;
    foreach (range(1, 230) as $i) {
        $world->add("Q $i");
    }
    $this->actingAs($world->people['writer']);
    $done = classify(['filter' => 'no=tag', 'record' => ['tags' => ['add' => ['swept']]]])->json();

    expect($done['changed'])->toBe(231)->and(ask('GET', '/banks/rocks/questions?tag=swept')->json('meta.found'))->toBe(231);
});

it('approves only what is complete, and says which was left', function (): void {
    $world = new World;
    $bare = $world->add('No key', more: ['parts' => [['id' => 'p1', 'kind' => 'choice', 'points' => 1]]]);
    $this->actingAs($world->people['keeper']);
    $done = classify(['ids' => [$bare, $world->question], 'record' => ['status' => ['set' => 'approved']]])->json();

    expect($done['changed'])
        ->toBe(1)
        ->and($done['left'][0]['title'])
        ->toBe('No key')
        ->and(DB::table('questions')->where('id', $world->question)->value('approved_revision'))
        ->toBe(1);
    // A later save sets draft and keeps which revision was approved.
    $json = World::json();
    $json->title = 'Changed';
    ask('PUT', "/questions/$world->question", ['question' => $json], ['If-Match' => '"1"']);
    $row = DB::table('questions')->where('id', $world->question)->first();
    expect([$row->status, $row->approved_revision, $row->revision])->toBe(['draft', 1, 2]);
});

it('saves content without undoing a classification made meanwhile', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    classify(['ids' => [$world->question], 'record' => ['tags' => ['add' => ['meanwhile']]]]);
    $json = World::json();
    $json->record = (object) ['tags' => ['stale']];
    ask('PUT', "/questions/$world->question", ['question' => $json], ['If-Match' => '"1"']);

    expect(ask('GET', "/questions/$world->question")->json('data.question.record.tags'))
        ->toContain('meanwhile')
        ->not->toContain('stale');
});

it('refuses what no record can hold, and changes nothing', function (array $body, string $path): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $response = classify(['ids' => [$world->question], ...$body]);

    expect([$response->status(), $response->json('path')])
        ->toBe([422, $path])
        ->and(DB::table('changes')->count())
        ->toBe(0);
})->with([
    'an unknown field' => [['record' => ['colour' => ['set' => 'red']]], '/record/colour'],
    'a difficulty of 9' => [['record' => ['difficulty' => ['set' => 9]]], '/difficulty'],
    'an empty tag' => [['record' => ['tags' => ['add' => [' ']]]], '/record/tags/add/0'],
    'a topic that is no path' => [['topics' => ['add' => ['Rocks']]], '/topics/add/0'],
]);

it('arranges folders: nothing twice in one place, nothing into itself, questions stay', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $make = fn (string $name, ?string $parent = null): Illuminate\Testing\TestResponse => ask('POST', '/banks/rocks/folders', [
        'name' => $name,
        'parent' => $parent,
    ]);
    $year = $make('Year 9')->json('id');
    $cycle = $make('Rock cycle', $year)->json('id');
    $other = $make('Fieldwork')->json('id');
    classify(['ids' => [$world->question], 'folders' => ['add' => [['Year 9', 'Rock cycle']]]]);

    expect($make('Year 9')->json('type'))
        ->toEndWith('tree.name_taken')
        ->and(ask('PATCH', "/banks/rocks/folders/$year", ['parent' => $cycle])->json('type'))
        ->toEndWith('tree.into_itself')
        ->and($make('  ')->json('type'))
        ->toEndWith('tree.no_name')
        ->and(ask('PATCH', "/banks/rocks/folders/$cycle", ['parent' => $other])->status())
        ->toBe(204)
        ->and(ask('GET', "/banks/rocks/questions?folder=$other")->json('meta.found'))
        ->toBe(1)
        ->and(ask('GET', "/banks/rocks/questions?folder=$year")->json('meta.found'))
        ->toBe(0);
    ask('DELETE', "/banks/rocks/folders/$other");
    expect(DB::table('folders')->pluck('id')->all())
        ->toBe([$year])
        ->and(DB::table('questions')->where('id', $world->question)->exists())
        ->toBeTrue();
});

it('renames and moves a folder in one step, or not at all', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $year = ask('POST', '/banks/rocks/folders', ['name' => 'Year 9'])->json('id');
    $cycle = ask('POST', '/banks/rocks/folders', ['name' => 'Rock cycle', 'parent' => $year])->json('id');

    expect(ask('PATCH', "/banks/rocks/folders/$year", ['name' => 'Year 10', 'parent' => $cycle])->json('type'))
        ->toEndWith('tree.into_itself')
        ->and(DB::table('folders')->where('id', $year)->value('name'))
        ->toBe('Year 9')
        ->and(ask('PATCH', "/banks/rocks/folders/$cycle", ['name' => 'Cycle', 'parent' => null])->status())
        ->toBe(204)
        ->and((array) DB::table('folders')->where('id', $cycle)->first(['name', 'parent_id']))
        ->toBe(['name' => 'Cycle', 'parent_id' => null]);
});

it('shares a bank, but never so that nobody keeps it', function (): void {
    $world = new World;
    $keeper = $world->people['keeper'];
    $this->actingAs($keeper);
    $put = fn (array $grants): Illuminate\Testing\TestResponse => ask('PUT', '/banks/rocks/grants', ['grants' => $grants]);

    expect($put([['person' => $keeper->id, 'role' => 'reader']])->json('type'))
        ->toEndWith('grant.no_keeper')
        ->and($put([['person' => $keeper->id, 'role' => 'keeper'], ['person' => $keeper->id, 'role' => 'reader']])->json('path'))
        ->toBe('/grants/1')
        ->and(
            $put([
                ['person' => $keeper->id, 'role' => 'keeper'],
                ['person' => $world->people['stranger']->id, 'role' => 'writer'],
            ])->status(),
        )
        ->toBe(200);
    $this->flushSession()->actingAs($world->people['stranger']);
    expect(ask('GET', '/banks/rocks')->json('data.my_role'))->toBe('writer');
});

it('makes a bank with an address of its own, kept by who made it', function (): void {
    $world = new World;
    $this->actingAs($world->people['stranger']);
    $first = ask('POST', '/banks', ['name' => 'Rocks'])->json('data');

    expect([$first['slug'], $first['my_role'], $first['keepers']])
        ->toBe(['rocks-2', 'keeper', ['stranger']])
        ->and(ask('POST', '/banks', ['name' => ' '])->json('path'))
        ->toBe('/name')
        ->and(ask('POST', '/banks', ['name' => '岩石'])->json('data.slug'))
        ->toMatch('/^[a-z0-9-]+$/');
});

it('changes a record that is not stored as it would a stored one', function (): void {
    $this->actingAs((new World)->people['reader']);
    $change = [
        'record' => ['tags' => ['add' => ['Slate', 'slate', 'schist']], 'difficulty' => ['set' => 3]],
        'topics' => ['add' => [['Rocks', 'Slate']]],
    ];
    $after = ask('POST', '/record', ['record' => ['tags' => ['SLATE'], 'topics' => [['Maps']]], 'change' => $change])->json('record');
    expect($after)
        ->toEqual(['tags' => ['SLATE', 'schist'], 'difficulty' => 3, 'topics' => [['Maps'], ['Rocks', 'Slate']]])
        ->and(ask('POST', '/record', ['record' => new stdClass(), 'change' => ['record' => ['difficulty' => ['set' => 9]]]])->status())
        ->toBe(422);
});

it('takes a question as finished by hand, and takes that back', function (): void {
    $world = new World;
    $id = $world->add(
        'From elsewhere',
        more: ['record' => ['origin' => ['format' => 'qti30', 'identifier' => 'i1', 'processing' => '<x/>']]],
    );
    $this->actingAs($world->people['writer']);
    $codes = fn (): array => array_column(ask('GET', "/questions/$id")->json('data.findings'), 'code');
    expect($codes())->toContain('origin.untranslated');
    $act = ask('POST', '/banks/rocks/acts', ['ids' => [$id], 'record' => ['processing' => ['set' => null]]])->json('act');
    expect($codes())
        ->not->toContain('origin.untranslated')
        ->and(DB::table('questions')->where('id', $id)->value('is_complete'))
        ->toBeTrue()
        ->and(ask('GET', "/questions/$id")->json('data.question.record.origin.identifier'))
        ->toBe('i1');
    expect(ask('POST', "/acts/$act/undo", new stdClass())->json('changed'))
        ->toBe(1)
        ->and($codes())
        ->toContain('origin.untranslated');
});
