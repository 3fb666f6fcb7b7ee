<?php

declare(strict_types=1);

use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\Feature\World;

function madeIn(array $folder, string $title = 'T', array $more = []): array
{
    $body = ['title' => $title, 'bank' => 'rocks', 'folder' => $folder, ...$more];

    return ask('POST', '/assessments', $body)->assertStatus(201)->json('data');
}

function row(string $id): array
{
    return array_column(ask('GET', '/assessments')->json('data'), null, 'id')[$id];
}

it('lies in a folder of its bank, for a course and a term, and says what it comes to', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $more = ['course' => 'Earth science', 'term' => 'Autumn 2026', 'questions' => [$world->question]];
    $made = madeIn([' Year 9 ', 'Autumn'], 'Rocks', $more);
    expect([$made['folder'], $made['course'], $made['term']])
        ->toBe([['Year 9', 'Autumn'], 'Earth science', 'Autumn 2026'])
        ->and(row($made['id']))
        ->toMatchArray(['folder' => ['Year 9', 'Autumn'], 'points' => 2, 'strata' => ['choice' => 1], 'used' => [], 'opened_at' => null]);
    $moved = ask('PATCH', "/assessments/{$made['id']}/place", ['folder' => [], 'term' => 'Spring'])->assertOk()->json('data');
    expect([$moved['folder'], $moved['course'], $moved['term'], $moved['version']])
        ->toBe([[], 'Earth science', 'Spring', $made['version']]);
});

it('goes along when its folder is moved or renamed, and no other does', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $ids = array_map(
        fn (array $folder): string => madeIn($folder)['id'],
        [['Year 9'], ['Year 9', 'Autumn'], ['Year 9b', 'Autumn'], [], ['x', 'Year 9']],
    );
    $body = ['bank' => 'rocks', 'from' => ['Year 9'], 'to' => ['Old', 'Year 9']];
    expect(ask('PATCH', '/assessment-folders', $body)->assertOk()->json('moved'))
        ->toBe(2)
        ->and(array_map(fn (string $id): array => row($id)['folder'], $ids))
        ->toBe([['Old', 'Year 9'], ['Old', 'Year 9', 'Autumn'], ['Year 9b', 'Autumn'], [], ['x', 'Year 9']]);
});

it('never lies deeper than a folder may', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = madeIn(['a', ...array_fill(0, 11, 'x')])['id'];
    $move = fn (array $to): TestResponse => ask('PATCH', '/assessment-folders', ['bank' => 'rocks', 'from' => ['a'], 'to' => $to]);
    $move(['a', 'b'])->assertStatus(422)->assertJsonPath('path', '/to');
    expect(row($id)['folder'])->toHaveCount(12)->and($move(['b'])->assertOk()->json('moved'))->toBe(1);
});

it('refuses a place that is none', function (mixed $folder): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    ask('PATCH', '/assessments/'.$world->assessment().'/place', ['folder' => $folder])->assertStatus(422);
    ask('PATCH', '/assessment-folders', ['bank' => 'rocks', 'from' => [], 'to' => ['x']])->assertStatus(422);
})->with([
    'no list' => ['Year 9'],
    'a blank name' => [['Year 9', ' ']],
    'a number' => [[9]],
    'too long a name' => [[str_repeat('x', 201)]],
    'too deep' => [array_fill(0, 13, 'x')],
]);

it('comes first in the list of whoever opened it last', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    [$a, $b] = [madeIn([], 'A')['id'], madeIn([], 'B')['id']];
    $order = fn (): array => array_column(ask('GET', '/assessments')->json('data'), 'id');
    expect($order())->toBe([$b, $a]);
    ask('PUT', "/assessments/$a/opened")->assertStatus(204);
    expect($order())->toBe([$a, $b]);
    another($world, 'keeper', 'PUT', "/assessments/$b/opened")->assertStatus(204);
    expect(array_column(another($world, 'writer', 'GET', '/assessments')->json('data'), 'id'))->toBe([$a, $b]);
});

it('is duplicated with its rolls and revisions, or without', function (array $asked, ?string $follow, int $seed): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $made = madeIn(['Year 9'], 'Original', ['questions' => [$world->question]]);
    store($made, function (stdClass $content): void {
        [$content->sections[0]->entries[0]->follow, $content->sections[0]->entries[0]->revision] = ['pinned', 1];
    })->assertOk();
    DB::table('assessments')->where('id', $made['id'])->update(['print' => '{"seed": 7}']);
    $body = ['title' => 'Copy', 'bank' => 'rocks', 'like' => $made['id'], ...$asked];
    $copy = ask('POST', '/assessments', $body)->assertStatus(201)->json('data');

    expect([$copy['content']['sections'][0]['entries'][0]['follow'] ?? null, $copy['print']['seed'] ?? 1, $copy['folder']])
        ->toBe([$follow, $seed, ['Year 9']]);
})->with([
    'as it is, rolled anew' => [[], 'pinned', 1],
    'with its rolls' => [['rolls' => true], 'pinned', 7],
    'following the bank' => [['revisions' => 'follow'], null, 1],
    'pinned as the questions are now' => [['revisions' => 'pin'], 'pinned', 1],
]);

it('says what assessments are about, of questions one may view', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    DB::table('question_topics')->insert(['question_id' => $world->question, 'topic_id' => $world->topic('Rocks', 'Slate')]);
    $made = madeIn([], 'T', ['questions' => [$world->question]]);
    expect(ask('GET', '/assessments/topics')->json('data'))->toBe([['id' => $made['id'], 'topic' => 'Rocks', 'questions' => 1]]);
    expect(another($world, 'stranger', 'GET', '/assessments/topics')->json('data'))->toBe([]);
});
