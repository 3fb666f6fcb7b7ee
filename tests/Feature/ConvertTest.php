<?php

declare(strict_types=1);

use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

it('offers what a part can become, with what each would lose, and stores nothing', function (): void {
    $world = new World;
    $this->actingAs($world->people['reader']);
    $offers = ask('POST', '/convert', ['question' => World::json(), 'part' => 'p1'])
        ->assertOk()
        ->json('offers');
    $losses = array_map(count(...), array_column($offers, 'losses'));
    $leastFirst = $losses;
    sort($leastFirst);
    expect(array_column($offers, 'to'))
        ->toEqualCanonicalizing(['menu', 'text', 'number', 'tiles', 'spot'])
        ->and($losses)
        ->toBe($leastFirst)
        ->and($offers[0]['question']['parts'][0]['kind'])
        ->toBe($offers[0]['to'])
        ->and(DB::table('revisions')->count())
        ->toBe(1);
    ask('POST', '/convert', ['question' => World::json(), 'part' => ''])
        ->assertStatus(422)
        ->assertJson(['path' => '/part']);
});

it('makes one list of a run of true–false questions, and questions of a list', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $joined = ask('POST', '/convert/join', ['questions' => [$world->trueFalse(true), $world->trueFalse(false)]])
        ->assertOk()
        ->json();
    expect($joined['question']['parts'][0]['settings']['options'])
        ->toHaveCount(2)
        ->and($joined['question']['parts'][0]['scoring']['scheme'])
        ->toBe('judge')
        ->and($joined['question']['parts'][0]['points'])
        ->toBe(2);
    ask('POST', '/convert/join', ['questions' => [$world->question, $world->question]])
        ->assertStatus(422)
        ->assertJson(['path' => '/questions/0']);

    $before = DB::table('questions')->count();
    ask('POST', '/banks/rocks/split', ['question' => World::statements()])->assertOk();
    expect(DB::table('questions')->count())->toBe($before);
    $ids = ask('POST', '/banks/rocks/split', ['question' => World::statements(), 'store' => true])
        ->assertOk()
        ->json('questions');
    expect($ids)
        ->toHaveCount(2)
        ->and(DB::table('questions')->whereIn('id', $ids)->where('is_complete', true)->where('status', 'draft')->count())
        ->toBe(2)
        ->and((float) DB::table('questions')->whereIn('id', $ids)->sum('points'))
        ->toBe(2.0);
    ask('POST', '/banks/rocks/split', ['question' => World::json(), 'store' => true])->assertStatus(422);
});

it('makes a table of what was pasted', function (): void {
    $this->actingAs((new World)->people['reader']);
    expect(ask('POST', '/cells', ['text' => "rock\thardness\ntalc\t1"])->json('rows'))->toBe([['rock', 'hardness'], ['talc', '1']]);
    $made = ask('POST', '/answer-table', [
        'rows' => [['rock', 'hardness'], ['talc', '1']],
        'answers' => [[1, 1]],
        'kind' => 'number',
        'points' => 0.5,
        'side' => true,
        'taken' => ['p1'],
    ])
        ->assertOk()
        ->json();
    expect($made['parts'][0])->toMatchArray(['id' => 'p2', 'kind' => 'number', 'points' => 0.5, 'label' => 'talc, hardness']);
    ask('POST', '/answer-table', ['rows' => [['a'], ['b', 'c']]])
        ->assertStatus(422)
        ->assertJson(['path' => '/rows/1']);
    ask('POST', '/answer-table', ['rows' => [['a']], 'answers' => [[4, 0]]])
        ->assertStatus(422)
        ->assertJson(['path' => '/answers/0']);
});

it('stores no row that was left empty', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $json = World::statements();
    $json->parts[0]->settings->options[] = (object) ['id' => 'c', 'html' => ''];
    $stored = ask('POST', '/banks/rocks/questions', ['question' => $json])
        ->assertStatus(201)
        ->json('data.question.parts.0.settings.options');
    expect(array_column($stored, 'id'))->toBe(['a', 'b']);
});
