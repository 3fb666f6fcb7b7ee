<?php

declare(strict_types=1);

use App\Actions\ImportQuestions;
use App\Models\Assessment;
use App\Models\Bank;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

const SENT = ['pack', 'qti30', 'qti22', 'qti21', 'qti12', 'cc13'];

it('sends out what was asked for, the same bytes for the same content', function (string $format): void {
    $world = new World;
    $this->actingAs($world->people['reader']);
    $other = $world->add('Another');
    DB::table('placements')->insert(['question_id' => $other, 'folder_id' => $world->folder('Maps')]);
    [$one, $file] = sent(['format' => $format, 'questions' => [$world->question]]);
    [$whole, $second] = sent(['format' => $format, 'bank' => 'rocks']);
    [, $third] = sent(['format' => $format, 'bank' => 'rocks']);
    [$folder, $fourth] = sent(['format' => $format, 'bank' => 'rocks', 'filter' => 'folder='.$world->folder('Maps')]);

    expect($one['state'])
        ->toBe('ready')
        ->and($one['body']['questions'])
        ->toBe(1)
        ->and(array_column(readSent($file)->questions, 'id'))
        ->toBe([$world->question])
        ->and($whole['body']['questions'])
        ->toBe(2)
        ->and(hash_file('sha256', $second))
        ->toBe(hash_file('sha256', $third))
        ->toBe($whole['body']['sha256'])
        ->and(array_column(readSent($fourth)->questions, 'id'))
        ->toBe([$other])
        ->and($folder['title'])
        ->toBe('Rocks');
    expect(ask('GET', "/receipts/{$one['receipt']}")->json('data.kind'))
        ->toBe('dispatch')
        ->and(array_column(ask('GET', '/transfers')->json('data'), 'direction'))
        ->toBe(['out', 'out', 'out', 'out']);
})->with(SENT);

it('sends a question whose values vary as several, where the format has no such values', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $varying = $world->add('Vary', '<p>Which of <var data-value="a"></var>?</p><div data-part="p1"></div>', [
        'variables' => (object) ['list' => [(object) ['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '9']]],
    ]);
    [$data, $file] = sent(['format' => 'qti12', 'questions' => [$varying], 'rolls' => 3]);
    $varies = fn (string $format): int => ask('POST', '/dispatches/losses', ['format' => $format, 'questions' => [$varying]])
        ->json('data.varying');
    [, $plain] = sent(['format' => 'qti30', 'questions' => [$varying], 'rolls' => 3]);
    $said = array_values(array_filter($data['body']['notices'], fn (array $one): bool => $one['code'] === 'values.fixed'));

    expect(array_unique(array_column(readSent($file)->questions, 'body')))->toHaveCount(1)
        ->and(readSent($file)->questions)->toHaveCount(3)
        ->and($said[0]['question'])->toBe($varying)
        ->and($said[0]['message'])->toContain('3 questions')
        ->and(readSent($plain)->questions)->toHaveCount(1)
        ->and([$varies('qti12'), $varies('qti30')])->toBe([1, 0]);
    ask('POST', '/dispatches', ['format' => 'qti12', 'questions' => [$varying], 'rolls' => 51])->assertStatus(422);
});

it('leaves behind what is not to go along', function (string $format): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    ask('POST', '/banks/rocks/acts', [
        'ids' => [$world->question],
        'record' => ['tags' => ['add' => ['Secret tag']], 'notes' => ['set' => 'between colleagues']],
    ]);
    [, $file] = sent([
        'format' => $format,
        'questions' => [$world->question],
        'key' => false,
        'feedback' => false,
        'classification' => false,
        'notes' => false,
    ]);
    $zip = new ZipArchive;
    $zip->open($file);
    $all = '';
    for ($i = 0; $i < $zip->numFiles; $i++) {
        $all .= $zip->getFromIndex($i);
    }
    expect($all)
        ->not->toContain('Secret tag')
        ->not->toContain('between colleagues')
        ->not->toContain('correct-response')
        ->not->toContain('correctResponse')
        ->not->toContain('<setvar')
        ->not->toContain('"rules"')
        ->toContain('<p>');
})->with(SENT);

it('tells the losses before the file is fetched', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = $world->add('With a hint', more: ['hints' => [(object) ['id' => 'h1', 'html' => '<p>Think.</p>']]]);
    [$data] = sent(['format' => 'qti30', 'questions' => [$id]]);
    expect($data['body']['counts']['loss'])
        ->toBeGreaterThan(0)
        ->and($data['body']['notices'][0]['title'])
        ->toBe('With a hint');
});

it('lists the same losses before anything is written, each with the question by its name', function (string $format): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $hint = ['hints' => [(object) ['id' => 'h1', 'html' => '<p>Think.</p>']]];
    $ids = [$world->add('With a hint', more: $hint), $world->add('', '<p>Which bed is the oldest?</p><div data-part="p1"></div>', $hint)];
    $before = ask('POST', '/dispatches/losses', ['format' => $format, 'questions' => $ids])
        ->assertOk()
        ->json('data');
    expect(DB::table('dispatches')->count())
        ->toBe(0)
        ->and($before['checked'])
        ->toBe(2)
        ->and(array_column($before['losses'][0]['questions'], 'title'))
        ->toBe(['With a hint', 'Which bed is the oldest?']);
    [$data] = sent(['format' => $format, 'questions' => $ids]);
    expect($data['body']['counts']['loss'])
        ->toBe(array_sum(array_column($before['losses'], 'count')))
        ->and(array_column($data['body']['notices'], 'title'))
        ->toContain('Which bed is the oldest?');
})->with(['qti30', 'qti12', 'cc13']);

it('sends an assessment out and brings it back the same, elsewhere', function (string $format): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $second = $world->add('Second');
    $made = ask('POST', '/assessments', ['title' => 'Unit test', 'bank' => 'rocks', 'questions' => [$world->question, $second]])->json(
        'data',
    );
    store($made, function ($content): void {
        $content->instructions = '<p>Use a pencil.</p>';
        $content->sections[0]->entries[1]->points = 7;
    })->assertOk();
    [$data, $file] = sent(['format' => $format, 'assessment' => $made['id']]);
    expect($data['body']['assessments'])->toBe(1);

    $copy = Bank::query()->create(['slug' => 'copy', 'name' => 'Copy']);
    DB::table('bank_grants')->insert(['bank_id' => $copy->id, 'user_id' => $world->people['writer']->id, 'role' => 'keeper']);
    $receipt = app(ImportQuestions::class)->handle($file, 'unit.zip', $copy, [], $world->people['writer']);
    expect($receipt->body->result->added)->toBe(2)->and($receipt->body->result->assessments)->toBe(1);
    $there = ask('GET', '/assessments/'.Assessment::query()->where('bank_id', $copy->id)->firstOrFail()->id)->json('data');
    expect($there['title'])
        ->toBe('Unit test')
        ->and(array_column($there['entries'], 'bank'))
        ->toBe(['copy', 'copy'])
        ->and($there['entries'][array_key_last($there['entries'])]['points'])
        ->toBe(7)
        ->and($there['content']['instructions'])
        ->toBe('<p>Use a pencil.</p>');

    // Taking the intake back takes its assessment too, since nobody has changed it.
    ask('POST', "/intakes/$receipt->intake/undo", new stdClass())->assertOk();
    expect(DB::table('questions')->where('bank_id', $copy->id)->count())
        ->toBe(0)
        ->and(Assessment::query()->where('bank_id', $copy->id)->count())
        ->toBe(0);
})->with(SENT);

it('says so when there is nothing to send', function (array $what): void {
    $this->actingAs((new World)->people['stranger']);
    expect(ask('POST', '/dispatches', ['format' => 'pack', ...$what])->status())->toBe(422);
})->with([
    [['questions' => []]],
    [['bank' => 'rocks']],
    [['assessment' => '0192f0c4-0000-7000-8000-000000000001']],
    [['format' => 'paper', 'bank' => 'rocks']],
]);

it('hands a dispatch to the receiving desk, which counts for itself', function (string $format, array $counted): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $second = $world->add('Second');
    $made = ask('POST', '/assessments', ['title' => 'Unit test', 'bank' => 'rocks', 'questions' => [$world->question, $second]])->json(
        'data',
    );
    [$data] = sent(['format' => $format, 'assessment' => $made['id']]);
    // it is a stand-in of the demo, and not there otherwise
    config(['app.demo' => false]);
    expect(ask('POST', "/dispatches/{$data['id']}/deliver", new stdClass())->status())->toBe(404);
    config(['app.demo' => true]);
    $arrived = ask('POST', "/dispatches/{$data['id']}/deliver", new stdClass())
        ->assertOk()
        ->json('data');
    expect([$arrived['refused'] === null, $arrived['items'], $arrived['points'], array_column($arrived['tests'], 'points')])->toBe(
        $counted,
        json_encode($arrived),
    );
    // whoever may not see the dispatch may not hand it on
    expect(another($world, 'stranger', 'POST', "/dispatches/{$data['id']}/deliver", new stdClass())->status())->toBe(404);
})->with([['qti30', [true, 2, 4, [4]]], ['qti21', [true, 2, 4, [4]]], 'a version it does not know' => ['qti12', [false, 0, 0, []]]]);

it('has a receiving desk in the demo alone', function (bool $demo, int $status): void {
    config(['app.demo' => $demo]);
    expect($this->get('/stand-ins/receiving')->status())->toBe($status);
})->with([[false, 404], [true, 200]]);
