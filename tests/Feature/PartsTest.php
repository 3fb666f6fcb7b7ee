<?php

declare(strict_types=1);

use App\Jobs\WorkOnIntake;
use App\Models\Intake;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Testing\TestResponse;
use Tests\Feature\World;

/** @param  array<string, list<string>>  $parts */
function choosing(World $world, Intake $intake, array $parts): TestResponse
{
    return another($world, 'writer', 'PUT', "/intakes/$intake->id/parts", ['parts' => (object) $parts]);
}

/** @return list<string> */
function titlesRead(Intake $intake): array
{
    return DB::table('staged_questions')->where('intake_id', $intake->id)->orderBy('number')->pluck('title')->all();
}

it('asks what of a package to read, and reads that', function (): void {
    $world = new World;
    Queue::fake([WorkOnIntake::class]);
    $this->actingAs($world->people['writer']);
    $file = UploadedFile::fake()->createWithContent('quizzes.xml', World::quizzes('Tides', 'Rocks', 'Maps'));
    $made = $this->post('/api/v1/intakes', ['files' => [$file], 'choose' => '1'], ['Accept' => 'application/json'])->assertCreated();
    $intake = Intake::query()->findOrFail($made->json('data.id'));
    (new WorkOnIntake($intake->id))->handle();
    expect($intake->refresh()->state)->toBe('choosing')->and(titlesRead($intake))->toBe([]);
    $listed = another($world, 'writer', 'GET', "/intakes/$intake->id/parts")->assertOk()->json('data.0');
    expect(array_column($listed['parts'], 'questions', 'title'))->toBe(['Tides' => 2, 'Rocks' => 2, 'Maps' => 2]);

    choosing($world, $intake, [$listed['id'] => [$listed['parts'][1]['id']]])->assertOk()->assertJsonPath('data.state', 'reading');
    (new WorkOnIntake($intake->id))->handle();
    expect($intake->refresh()->state)->toBe('review')->and(titlesRead($intake))->toBe(['Rocks 1', 'Rocks 2']);
    $shown = another($world, 'writer', 'GET', "/intakes/$intake->id");
    expect($shown->json('data.assessments'))->toBe(['Rocks'])
        ->and($shown->json('data.notices.0.message'))->toBe('2 parts were not read, as chosen: Tides, Maps (4 questions).');
});

it('does not ask where there is nothing to choose, or nobody wants to', function (string $bytes, string $name): void {
    expect((new World)->choosing($bytes, $name)->state)->toBe('review');
})->with([
    'one quiz' => [World::quizzes('Tides'), 'quiz.xml'],
    'a typed text' => ["1. Which splits?\nA. slate\nB. chalk\nAnswer: A", 'exam.txt'],
]);

it('says in the import why a file that cannot be read has no parts', function (): void {
    $intake = (new World)->choosing('<questestinterop><assessment>', 'cut.xml');
    expect($intake->state)->toBe('failed')->and($intake->problem)->toContain('not well-formed XML');
});

it('refuses a choice that is none, and one that comes too late', function (): void {
    $world = new World;
    $intake = $world->choosing(World::quizzes('Tides', 'Rocks'));
    $file = (string) DB::table('intake_files')->where('intake_id', $intake->id)->value('id');
    $other = $world->choosing(World::quizzes('Tides', 'Rocks', 'Maps'));
    $foreign = (string) DB::table('intake_files')->where('intake_id', $other->id)->value('id');
    choosing($world, $intake, [$file => ['quizzes.xml#7']])
        ->assertStatus(422)
        ->assertJsonPath('detail', 'There is no part "quizzes.xml#7" in this file.');
    choosing($world, $intake, [$file => []])->assertStatus(422)->assertJsonPath('detail', 'Choose at least one part to read.');
    choosing($world, $intake, [$foreign => ['quizzes.xml#1']])->assertStatus(422);
    expect($intake->refresh()->state)->toBe('choosing');
    Queue::fake([WorkOnIntake::class]);
    choosing($world, $intake, [$file => ['quizzes.xml#1', 'quizzes.xml#2']])->assertOk();
    choosing($world, $intake, [$file => ['quizzes.xml#1']])
        ->assertStatus(422)
        ->assertJsonPath('type', 'urn:wide-quarry:problem:intake.state');
    (new WorkOnIntake($intake->id))->handle();
    expect(titlesRead($intake))->toHaveCount(4)->and(DB::table('intake_files')->where('id', $file)->value('chosen'))->toBeNull();
});

it('can be thrown away while it waits for the choice', function (): void {
    $world = new World;
    $intake = $world->choosing(World::quizzes('Tides', 'Rocks'));
    another($world, 'writer', 'DELETE', "/intakes/$intake->id")->assertNoContent();
    expect(Intake::query()->find($intake->id))->toBeNull();
});

it('ends an import that was stopped before its parts were listed', function (): void {
    $world = new World;
    Queue::fake([WorkOnIntake::class]);
    $this->actingAs($world->people['writer']);
    $file = UploadedFile::fake()->createWithContent('quizzes.xml', World::quizzes('Tides', 'Rocks'));
    $made = $this->post('/api/v1/intakes', ['files' => [$file], 'choose' => '1'], ['Accept' => 'application/json'])->assertCreated();
    $intake = Intake::query()->findOrFail($made->json('data.id'));
    another($world, 'writer', 'DELETE', "/intakes/$intake->id")->assertNoContent();
    (new WorkOnIntake($intake->id))->handle();
    expect($intake->refresh()->state)->toBe('cancelled');
});
