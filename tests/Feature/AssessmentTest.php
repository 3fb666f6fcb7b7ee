<?php

declare(strict_types=1);

use App\Actions\SaveQuestion;
use App\Models\Bank;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;

it('picks from several banks, with its own points and totals', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $other = Bank::query()->create(['slug' => 'maps', 'name' => 'Maps']);
    DB::table('bank_grants')->insert(['bank_id' => $other->id, 'user_id' => $world->people['writer']->id, 'role' => 'reader']);
    $second = $world->add('From elsewhere');
    DB::table('questions')
        ->where('id', $second)
        ->update(['bank_id' => $other->id]);
    $hidden = $world->add('Not mine to see');
    DB::table('questions')
        ->where('id', $hidden)
        ->update(['bank_id' => Bank::query()->create(['slug' => 'secret', 'name' => 'Secret'])->id]);
    $made = ask('POST', '/assessments', [
        'title' => 'Unit test',
        'bank' => 'rocks',
        'questions' => [$world->question, $second, $hidden, $second],
    ])
        ->assertStatus(201)
        ->json('data');

    expect($made['totals']['questions'])
        ->toBe(2)
        ->and(array_column($made['entries'], 'bank'))
        ->toBe(['rocks', 'maps']);
    $after = store($made, fn ($content) => ($content->sections[0]->entries[1]->points = 5.5))->assertOk()->json('data');
    expect($after['version'])
        ->toBe($made['version'] + 1)
        ->and($after['totals']['points'])
        ->toBe($made['totals']['points'] - $made['entries'][array_key_last($made['entries'])]['points'] + 5.5)
        ->and(ask('GET', "/questions/$second")->json('data.uses'))
        ->toBe(['assessments' => [['id' => $made['id'], 'title' => 'Unit test']], 'others' => 0]);
    expect(store($made, fn () => null)->status())->toBe(412);

    // Who may not read the other bank sees that something is there and what it is worth, and no more; such an assessment is not printed or
    // exported.
    $this->flushSession()->actingAs($world->people['reader']);
    $whole = ask('GET', "/assessments/{$made['id']}")->json('data');
    $seen = array_values($whole['entries']);
    expect($seen[1])
        ->toMatchArray(['hidden' => true, 'gone' => false, 'title' => '', 'stem' => '', 'bank' => null, 'kinds' => []])
        ->and($whole['totals']['questions'])
        ->toBe(2)
        ->and($whole['totals']['points'])
        ->toBe($after['totals']['points']);
    foreach (
        [
            ["/assessments/{$made['id']}/prints", ['which' => 'learner']],
            ['/dispatches', ['format' => 'qti30', 'assessment' => $made['id']]],
            ['/dispatches/losses', ['format' => 'qti30', 'assessment' => $made['id']]],
        ] as [$path, $body]
    ) {
        $this->flushSession()->actingAs($world->people['reader']);
        $refused = ask('POST', $path, $body)->assertStatus(422);
        expect($refused->json('type'))
            ->toContain('assessment.missing')
            ->and($refused->json('detail'))
            ->toContain('Question 2: you cannot view its bank.');
    }
});

it('marks what changed since, keeps it as it was, and copes with what is gone', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $data = ask('GET', '/assessments/'.$world->assessment())->json('data');
    $entry = array_key_first($data['entries']);
    $json = World::json();
    $json->title = 'Reworded';
    app(SaveQuestion::class)->revise(Question::read($json, StandardKinds::all()), 1, $world->people['writer']);

    expect(ask('GET', "/assessments/{$data['id']}")->json("data.entries.$entry"))->toMatchArray([
        'changed' => true,
        'title' => 'Reworded',
    ]);
    $diff = ask('GET', "/assessments/{$data['id']}/entries/$entry")->json('data');
    expect($diff['before']['title'] ?? '')
        ->not->toBe('Reworded')
        ->and($diff['question']['title'])
        ->toBe('Reworded')
        ->and(array_column($diff['changes']['before'][0]['path'], 'name'))
        ->toBe(['title'])
        ->and($diff['changes']['origin'])
        ->toBeNull();
    $kept = store($data, function ($content): void {
        $content->sections[0]->entries[0]->follow = 'pinned';
        $content->sections[0]->entries[0]->revision = 1;
    })->json('data');
    expect($kept['entries'][$entry]['changed'])
        ->toBeFalse()
        ->and(ask('GET', "/assessments/{$data['id']}/entries/$entry")->json('data.question.title') ?? '')
        ->not->toBe('Reworded');

    DB::table('questions')->where('id', $world->question)->delete();
    $gone = ask('GET', "/assessments/{$data['id']}")
        ->assertOk()
        ->json('data');
    expect($gone['entries'][$entry])
        ->toMatchArray(['gone' => true, 'title' => ''])
        ->and($gone['totals']['questions'])
        ->toBe(0);
    expect(
        store($gone, fn ($content) => ($content->title = 'Still mine'))
            ->assertOk()
            ->json('data.entries.'.$entry.'.gone'),
    )->toBeTrue();
});

it('varies a question only here, and takes it back', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $path = $world->entryPath();
    $mine = World::json();
    $mine->title = 'Only here';
    $mine->body = '<p onclick="x">Only here?</p><div data-part="p1"></div>';
    $varied = ask('PUT', $path, ['question' => $mine], ['If-Match' => '"1"'])
        ->assertOk()
        ->json('data');
    expect(array_values($varied['entries'])[0])
        ->toMatchArray(['varied' => true, 'title' => 'Only here'])
        ->and(DB::table('questions')->value('title'))
        ->not->toBe('Only here')
        ->and(ask('GET', $path)->json('data.question.body'))
        ->toBe('<p>Only here?</p><div data-part="p1"></div>');
    expect(array_values(ask('PUT', $path, ['question' => null], ['If-Match' => '"2"'])->json('data.entries'))[0]['varied'])->toBeFalse();
});

it('makes another like it', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = $world->assessment();
    $copy = ask('POST', '/assessments', ['title' => 'Second go', 'bank' => 'rocks', 'like' => $id])->json('data');
    expect($copy['id'])
        ->not->toBe($id)
        ->and($copy['totals']['questions'])
        ->toBe(1)
        ->and(ask('GET', "/questions/$world->question")->json('data.uses.assessments'))
        ->toHaveCount(2);
});

it('keeps a tray across banks, for its owner only', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    [$a, $b] = [$world->add('A'), $world->add('B')];
    ask('PATCH', '/tray', ['add' => [$b, $a, $b]]);
    expect(array_column(ask('GET', '/tray')->json('data'), 'title'))->toBe(['B', 'A']);
    expect(array_column(ask('PATCH', '/tray', ['remove' => [$b], 'add' => [$world->question]])->json('data'), 'id'))->toBe([
        $a,
        $world->question,
    ]);
    expect(ask('PATCH', '/tray', ['clear' => true, 'add' => [$b]])->json('data'))->toHaveCount(1);
    $this->flushSession()->actingAs($world->people['stranger']);
    expect(ask('PATCH', '/tray', ['add' => [$a]])->json('data'))->toBe([]);
});

it('says when the tray is full', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $row = (array) DB::table('questions')->first();
    DB::statement(
        <<<'SQL'
            INSERT INTO questions (id, bank_id, revision, title, stem, kinds, points, has_variables, is_complete)
                SELECT gen_random_uuid(), ?, 1, 'Q', '', '{}', 1, false, true FROM generate_series(1, 501)
            SQL,
        [$row['bank_id']],
    );
    expect(ask('PATCH', '/tray', ['add' => DB::table('questions')->pluck('id')->all()])->json('detail'))->toContain('at most 500');
});

it('draws from a pool: counted, used, looked at, printed', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $pool = array_map(fn (int $i): string => $world->add("Pool $i"), range(1, 3));
    $made = ask('POST', '/assessments', ['title' => 'Drawn', 'bank' => 'rocks', 'questions' => [$world->question]])->json('data');
    $own = $made['totals']['points'];
    $after = store(
        $made,
        fn ($content) => ($content->sections[0]->entries[] = (object) [
            'id' => 'd1',
            'title' => 'Either',
            'draw' => 2,
            'pool' => $pool,
            'points' => 4,
        ]),
    )
        ->assertOk()
        ->json('data');

    expect($after['totals'])
        ->toMatchArray(['questions' => 3, 'points' => $own + 8])
        ->and($after['entries']['d1'])
        ->toMatchArray(['title' => 'Either', 'pool' => 3, 'points' => 4, 'findings' => [], 'gone' => false])
        ->and(ask('GET', '/assessments')->json('data.0.questions'))
        ->toBe(3)
        ->and(ask('GET', "/questions/$pool[0]")->json('data.uses.assessments'))
        ->toHaveCount(1);
    $drawing = ask('GET', "/assessments/{$made['id']}/draws/d1?seed=3")
        ->assertOk()
        ->json('data');
    expect(array_column($drawing['pool'], 'id'))
        ->toBe($pool)
        ->and($drawing['drawn'])
        ->toHaveCount(2)
        ->and(ask('GET', "/assessments/{$made['id']}/draws/nosuch")->status())
        ->toBe(404);
    $sheet = ask('GET', "/assessments/{$made['id']}/sheet?which=learner")->json('html');
    expect(substr_count($sheet, '<article class="question"'))->toBe(3)->and($sheet)->toContain('id="d1 2"');

    $short = store($after, fn ($content) => ($content->sections[0]->entries[1]->draw = 5))->json('data');
    expect($short['entries']['d1']['findings'][0])->toContain('fewer than the 5');
    DB::table('questions')->whereIn('id', $pool)->delete();
    expect(ask('GET', "/assessments/{$made['id']}")->json('data.totals.questions'))->toBe(1);
});

it('keeps assessments at the revision before a change, when asked', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $following = $world->assessment();
    $json = World::json();
    $json->title = 'Reworded';
    ask('PUT', "/questions/$world->question", ['question' => $json], ['If-Match' => '"1"'])->assertOk();
    expect(ask('GET', "/questions/$world->question/followers")->json('data'))
        ->toBe([['id' => $following, 'title' => ask('GET', "/assessments/$following")->json('data.title'), 'may_write' => true]])
        ->and(
            ask('POST', "/questions/$world->question/keep", ['revision' => 1])
                ->assertOk()
                ->json('data.kept'),
        )
        ->toBe(1)
        ->and(ask('GET', "/questions/$world->question/followers")->json('data'))
        ->toBe([])
        ->and(ask('POST', "/questions/$world->question/keep", ['revision' => 3])->status())
        ->toBe(422);
    $entry = ask('GET', "/assessments/$following")->json('data.content.sections.0.entries.0');
    expect($entry)->toMatchArray(['follow' => 'pinned', 'revision' => 1]);
});

it('exports a varied question once, as it is here', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $made = ask('GET', '/assessments/'.$world->assessment())->json('data');
    $entry = array_key_first($made['entries']);
    $varied = World::json();
    $varied->title = 'Only here';
    ask(
        'PUT',
        "/assessments/{$made['id']}/entries/$entry",
        ['question' => $varied],
        ['If-Match' => "\"{$made['version']}\""],
    )->assertOk();
    foreach (['pack', 'qti30', 'qti21', 'qti12', 'cc13'] as $format) {
        [$data, $file] = sent(['format' => $format, 'assessment' => $made['id']]);
        $found = readSent($file);
        expect(array_column($found->questions, 'title'))
            ->toBe(['Only here'], $format)
            ->and($data['body']['questions'])
            ->toBe(1)
            ->and(WideQuarry\Assembly\Assessment::read($found->assessments[0], StandardKinds::all())->questions())
            ->toBe([$found->questions[0]->id], $format);
    }
});

it('warns who shares a bank of questions that others cannot view', function (): void {
    $world = new World;
    $this->actingAs($world->people['keeper']);
    $hidden = $world->add('Hidden later');
    $made = ask('POST', '/assessments', ['title' => 'Unit test', 'bank' => 'rocks', 'questions' => [$world->question, $hidden]])->json(
        'data',
    );
    DB::table('questions')
        ->where('id', $hidden)
        ->update(['bank_id' => Bank::query()->create(['slug' => 'mine', 'name' => 'Mine'])->id]);
    DB::table('bank_grants')->insert([
        'bank_id' => Bank::query()->where('slug', 'mine')->value('id'),
        'user_id' => $world->people['keeper']->id,
        'role' => 'keeper',
    ]);
    $grants = [
        ['person' => $world->people['keeper']->id, 'role' => 'keeper'],
        ['person' => $world->people['reader']->id, 'role' => 'reader'],
    ];
    expect(
        ask('PUT', '/banks/rocks/grants', ['grants' => $grants])
            ->assertOk()
            ->json('hidden'),
    )->toBe([['assessment' => $made['id'], 'title' => 'Unit test', 'person' => $world->people['reader']->name, 'questions' => 1]]);
});

it('merges several into one, of what one may read', function (): void {
    $world = new World;
    [$first, $second] = [$world->assessment(), $world->assessment()];
    $body = fn (array $merge): array => ['title' => 'Final exam', 'bank' => 'rocks', 'merge' => $merge];
    $made = another($world, 'writer', 'POST', '/assessments', $body([$first, $second]))->assertCreated()->json('data');
    expect($made['totals']['questions'])->toBe(1) // both ask the same
        ->and(array_column($made['content']['sections'], 'title'))->toBe(['Unit test'])
        ->and($made['state'])->toBe('draft');
    $secret = Bank::query()->create(['slug' => 'secret', 'name' => 'Secret'])->id;
    DB::table('assessments')->where('id', $second)->update(['bank_id' => $secret]);
    another($world, 'writer', 'POST', '/assessments', $body([$first, $second]))->assertNotFound();
    another($world, 'writer', 'POST', '/assessments', $body(['lost']))->assertStatus(422);
});

it('compares two: what both ask, what one asks, and what is nearly the same', function (): void {
    $world = new World;
    $words = '<p>Which rock of the upper quarry splits into thin sheets when it is struck with a hammer%s?</p><div data-part="p1"></div>';
    [$one, $twin] = [$world->add('One', sprintf($words, '')), $world->add('Twin', sprintf($words, ' twice'))];
    $make = fn (array $questions): string => another($world, 'writer', 'POST', '/assessments', [
        'title' => 'Unit test', 'bank' => 'rocks', 'questions' => $questions,
    ])->json('data.id');
    [$here, $there] = [$make([$world->question, $one]), $make([$world->question, $twin])];
    $found = another($world, 'reader', 'GET', "/assessments/$here/compare/$there")->assertOk()->json('data');
    expect(array_column($found['both'], 'id'))->toBe([$world->question])
        ->and($found['only_here'])->toBe([['id' => $one, 'title' => 'One']])
        ->and($found['only_there'])->toBe([['id' => $twin, 'title' => 'Twin']])
        ->and($found['near'])->toBe([['here' => $one, 'there' => $twin]]);
    DB::table('assessments')
        ->where('id', $there)
        ->update(['bank_id' => Bank::query()->create(['slug' => 'secret', 'name' => 'Secret'])->id]);
    another($world, 'writer', 'GET', "/assessments/$here/compare/$there")->assertNotFound();
});
