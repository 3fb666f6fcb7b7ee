<?php

declare(strict_types=1);

use Tests\Feature\World;

it('puts the edits of two people together, and says where both changed the same', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $base = ask('POST', '/assessments', [
        'title' => 'T',
        'bank' => 'rocks',
        'questions' => [$world->question, $world->add('Second')],
    ])->json('data');
    $theirs = store($base, function (stdClass $content): void {
        [$content->sections[0]->entries[0]->points, $content->time_limit] = [5, 600];
    })->json('data');
    $mine = json_decode((string) json_encode($base['content']));
    [$mine->title, $mine->sections[0]->entries[0]->points] = ['Mine', 3];
    unset($mine->sections[0]->entries[1]);
    $ask = fn (array $choose): array => ask('POST', "/assessments/{$base['id']}/merge", [
        'base' => $base['content'],
        'mine' => $mine,
        'choose' => (object) $choose,
    ])->assertOk()->json('data');

    $merged = $ask([]);
    $key = "entry {$base['content']['sections'][0]['entries'][0]['id']}";
    expect([$merged['content']['title'], $merged['content']['time_limit'], $merged['version']])
        ->toBe(['Mine', 600, $theirs['version']])
        ->and(array_column($merged['content']['sections'][0]['entries'], 'points'))
        ->toBe([5])
        ->and(array_column($merged['conflicts'], 'key'))
        ->toBe([$key])
        ->and($merged['conflicts'][0]['mine'][0])
        ->toContain('→ 3')
        ->and($ask([$key => 'mine'])['content']['sections'][0]['entries'][0]['points'])
        ->toBe(3)
        ->and(ask('GET', "/assessments/{$base['id']}")->json('data.version'))
        ->toBe($theirs['version']);
    ask('POST', "/assessments/{$base['id']}/merge", ['base' => $base['content'], 'mine' => ['title' => 1]])->assertStatus(422);
    $body = ['base' => $base['content'], 'mine' => $mine, 'choose' => [$key => 'both']];
    ask('POST', "/assessments/{$base['id']}/merge", $body)->assertStatus(422);
});
