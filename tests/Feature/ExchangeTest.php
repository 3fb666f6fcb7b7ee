<?php

declare(strict_types=1);

use App\Models\Bank;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

it('offers the nearest questions one may read that are not asked yet', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $topic = $world->topic('Rocks', 'Slate');
    $other = $world->topic('Maps');
    $about = function (string $id, string $topic, array $columns = []): string {
        DB::table('question_topics')->insert(['question_id' => $id, 'topic_id' => $topic]);
        DB::table('questions')->where('id', $id)->update(['difficulty' => 2, ...$columns]);

        return $id;
    };
    $about($world->question, $topic);
    $near = $about($world->add('Near'), $topic);
    $harder = $about($world->add('Harder'), $topic, ['difficulty' => 4]);
    $elsewhere = $about($world->add('Elsewhere'), $other);
    $secret = Bank::query()->create(['slug' => 'secret', 'name' => 'Secret'])->id;
    $about($world->add('Hidden'), $topic, ['bank_id' => $secret]);
    $about($world->add('Retired'), $topic, ['status' => 'retired']);
    $about($world->add('Unfinished'), $topic, ['is_complete' => false]);
    $asked = $about($world->add('Asked'), $topic);
    $made = ask('POST', '/assessments', ['title' => 'T', 'bank' => 'rocks', 'questions' => [$world->question, $asked]])->json('data');
    $entry = array_key_first($made['entries']);

    $others = ask('GET', "/assessments/{$made['id']}/entries/$entry/others")->assertOk()->json('data');
    expect(array_column($others, 'id'))
        ->toBe([$near, $harder, $elsewhere])
        ->and(array_column($others, 'differs'))
        ->toBe([[], ['difficulty'], ['topic']]);
});

it('offers nothing for a question that is gone, and none but an entry', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $made = ask('POST', '/assessments', ['title' => 'T', 'bank' => 'rocks', 'questions' => [$world->question]])->json('data');
    $entry = array_key_first($made['entries']);
    ask('GET', "/assessments/{$made['id']}/entries/none/others")->assertStatus(404);
    DB::table('questions')->where('id', $world->question)->update(['binned_at' => now()]);
    expect(ask('GET', "/assessments/{$made['id']}/entries/$entry/others")->assertOk()->json('data'))->toBe([]);
});
