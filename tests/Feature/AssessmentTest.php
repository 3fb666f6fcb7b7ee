<?php

declare(strict_types=1);

use App\Actions\SaveQuestion;
use App\Models\Bank;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;
use WideQuarry\Parts\Parts;
use WideQuarry\Question\Question;

it('picks from several banks, with its own points and totals', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $other = Bank::query()->create(['slug' => 'maps', 'name' => 'Maps']);
    DB::table('bank_grants')->insert(['bank_id' => $other->id, 'user_id' => $world->people['writer']->id, 'role' => 'reader']);
    $second = $world->add('From elsewhere');
    DB::table('questions')->where('id', $second)->update(['bank_id' => $other->id]);
    $hidden = $world->add('Not mine to see');
    DB::table('questions')->where('id', $hidden)->update(['bank_id' => Bank::query()->create(['slug' => 'secret', 'name' => 'Secret'])->id]);
    $made = ask('POST', '/assessments', ['title' => 'Unit test', 'bank' => 'rocks', 'questions' => [$world->question, $second, $hidden, $second]])->assertStatus(201)->json('data');

    expect($made['totals']['questions'])->toBe(2)->and(array_column($made['entries'], 'bank'))->toBe(['rocks', 'maps']);
    $after = store($made, fn ($content) => $content->sections[0]->entries[1]->points = 5.5)->assertOk()->json('data');
    expect($after['version'])->toBe($made['version'] + 1)->and($after['totals']['points'])->toBe($made['totals']['points'] - $made['entries'][array_key_last($made['entries'])]['points'] + 5.5)
        ->and(ask('GET', "/questions/$second")->json('data.uses'))->toBe(['assessments' => [['id' => $made['id'], 'title' => 'Unit test']], 'others' => 0]);
    expect(store($made, fn () => null)->status())->toBe(412);

    // Who may not read the other bank sees that something is there, and no more.
    $this->flushSession()->actingAs($world->people['reader']);
    $seen = array_values(ask('GET', "/assessments/{$made['id']}")->json('data.entries'));
    expect($seen[1]['gone'])->toBeTrue()->and($seen[1]['stem'])->toBe('');
});

it('marks what changed since, keeps it as it was, and copes with what is gone', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $data = ask('GET', '/assessments/'.$world->assessment())->json('data');
    $entry = array_key_first($data['entries']);
    $json = World::json();
    $json->title = 'Reworded';
    app(SaveQuestion::class)->revise(Question::read($json, Parts::standard()), 1, $world->people['writer']);

    expect(ask('GET', "/assessments/{$data['id']}")->json("data.entries.$entry"))->toMatchArray(['changed' => true, 'title' => 'Reworded']);
    $diff = ask('GET', "/assessments/{$data['id']}/entries/$entry")->json('data');
    expect($diff['before']['title'] ?? '')->not->toBe('Reworded')->and($diff['question']['title'])->toBe('Reworded')
        ->and(array_column($diff['changes']['before'][0]['path'], 'name'))->toBe(['title'])->and($diff['changes']['origin'])->toBeNull();
    $kept = store($data, function ($content): void {
        $content->sections[0]->entries[0]->follow = 'pinned';
        $content->sections[0]->entries[0]->revision = 1;
    })->json('data');
    expect($kept['entries'][$entry]['changed'])->toBeFalse()->and(ask('GET', "/assessments/{$data['id']}/entries/$entry")->json('data.question.title') ?? '')->not->toBe('Reworded');

    DB::table('questions')->where('id', $world->question)->delete();
    $gone = ask('GET', "/assessments/{$data['id']}")->assertOk()->json('data');
    expect($gone['entries'][$entry])->toMatchArray(['gone' => true, 'title' => ''])->and($gone['totals']['questions'])->toBe(0);
    expect(store($gone, fn ($content) => $content->title = 'Still mine')->assertOk()->json('data.entries.'.$entry.'.gone'))->toBeTrue();
});

it('varies a question only here, and takes it back', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $path = $world->entryPath();
    $mine = World::json();
    $mine->title = 'Only here';
    $mine->body = '<p onclick="x">Only here?</p><div data-part="p1"></div>';
    $varied = ask('PUT', $path, ['question' => $mine], ['If-Match' => '"1"'])->assertOk()->json('data');
    expect(array_values($varied['entries'])[0])->toMatchArray(['varied' => true, 'title' => 'Only here'])->and(DB::table('questions')->value('title'))->not->toBe('Only here')
        ->and(ask('GET', $path)->json('data.question.body'))->toBe('<p>Only here?</p><div data-part="p1"></div>');
    expect(array_values(ask('PUT', $path, ['question' => null], ['If-Match' => '"2"'])->json('data.entries'))[0]['varied'])->toBeFalse();
});

it('makes another like it', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = $world->assessment();
    $copy = ask('POST', '/assessments', ['title' => 'Second go', 'bank' => 'rocks', 'like' => $id])->json('data');
    expect($copy['id'])->not->toBe($id)->and($copy['totals']['questions'])->toBe(1)->and(ask('GET', "/questions/$world->question")->json('data.uses.assessments'))->toHaveCount(2);
});

it('keeps a tray across banks, for its owner only', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    [$a, $b] = [$world->add('A'), $world->add('B')];
    ask('PATCH', '/tray', ['add' => [$b, $a, $b]]);
    expect(array_column(ask('GET', '/tray')->json('data'), 'title'))->toBe(['B', 'A']);
    expect(array_column(ask('PATCH', '/tray', ['remove' => [$b], 'add' => [$world->question]])->json('data'), 'id'))->toBe([$a, $world->question]);
    expect(ask('PATCH', '/tray', ['clear' => true, 'add' => [$b]])->json('data'))->toHaveCount(1);
    $this->flushSession()->actingAs($world->people['stranger']);
    expect(ask('PATCH', '/tray', ['add' => [$a]])->json('data'))->toBe([]);
});

it('says when the tray is full', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $row = (array) DB::table('questions')->first();
    DB::statement("INSERT INTO questions (id, bank_id, revision, title, stem, kinds, points, has_variables, is_complete) SELECT gen_random_uuid(), ?, 1, 'Q', '', '{}', 1, false, true FROM generate_series(1, 501)", [$row['bank_id']]);
    expect(ask('PATCH', '/tray', ['add' => DB::table('questions')->pluck('id')->all()])->json('detail'))->toContain('at most 500');
});

it('draws from a pool: counted, used, looked at, printed', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $pool = array_map(fn (int $i): string => $world->add("Pool $i"), range(1, 3));
    $made = ask('POST', '/assessments', ['title' => 'Drawn', 'bank' => 'rocks', 'questions' => [$world->question]])->json('data');
    $own = $made['totals']['points'];
    $after = store($made, fn ($content) => $content->sections[0]->entries[] = (object) ['id' => 'd1', 'title' => 'Either', 'draw' => 2, 'pool' => $pool, 'points' => 4])->assertOk()->json('data');

    expect($after['totals'])->toMatchArray(['questions' => 3, 'points' => $own + 8])
        ->and($after['entries']['d1'])->toMatchArray(['title' => 'Either', 'pool' => 3, 'points' => 4, 'findings' => [], 'gone' => false])
        ->and(ask('GET', '/assessments')->json('data.0.questions'))->toBe(3)
        ->and(ask('GET', "/questions/$pool[0]")->json('data.uses.assessments'))->toHaveCount(1);
    $drawing = ask('GET', "/assessments/{$made['id']}/draws/d1?seed=3")->assertOk()->json('data');
    expect(array_column($drawing['pool'], 'id'))->toBe($pool)->and($drawing['drawn'])->toHaveCount(2)
        ->and(ask('GET', "/assessments/{$made['id']}/draws/nosuch")->status())->toBe(404);
    $sheet = ask('GET', "/assessments/{$made['id']}/sheet?which=learner")->json('html');
    expect(substr_count($sheet, '<article class="question"'))->toBe(3)->and($sheet)->toContain('id="d1 2"');

    $short = store($after, fn ($content) => $content->sections[0]->entries[1]->draw = 5)->json('data');
    expect($short['entries']['d1']['findings'][0])->toContain('fewer than the 5');
    DB::table('questions')->whereIn('id', $pool)->delete();
    expect(ask('GET', "/assessments/{$made['id']}")->json('data.totals.questions'))->toBe(1);
});
