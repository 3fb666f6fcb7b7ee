<?php

declare(strict_types=1);

use App\Actions\SaveRubric;
use App\Models\Bank;
use App\Models\Rubric;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;
use WideQuarry\Json\Json;

/** A question that follows a rubric. */
function following(World $world, string $rubric, string $title = 'Meanders'): string
{
    return $world->add($title, '<p>Explain.</p><div data-part="p1"></div>', [
        'parts' => [
            [
                'id' => 'p1',
                'kind' => 'essay',
                'points' => 4,
                'key' => ['rubric' => [...World::rubric(), 'link' => ['rubric' => $rubric, 'revision' => 1]]],
            ],
        ],
    ]);
}

function rubricOf(string $question): array
{
    return ask('GET', "/questions/$question")->json('data.question.parts.0.key.rubric');
}

it('keeps a rubric, says where it is used, and changes the questions that follow it in one act with undo', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $kept = ask('POST', '/banks/rocks/rubrics', ['rubric' => World::rubric()])->assertStatus(201)->json('data.id');
    $follows = following($world, $kept);
    $copied = $world->add('A copy', '<p>Explain.</p><div data-part="p1"></div>', [
        'parts' => [['id' => 'p1', 'kind' => 'essay', 'points' => 4, 'key' => ['rubric' => World::rubric()]]],
    ]);
    expect(ask('GET', '/banks/rocks/rubrics')->json('data.0'))->toMatchArray(['title' => 'Explaining a process', 'highest' => '4', 'uses' => 1])
        ->and(ask('GET', "/rubrics/$kept")->json('data.uses.questions.*.id'))->toBe([$follows]);

    $changed = World::rubric('Explaining how it works');
    $changed['criteria'][0]['levels'][0]['html'] = '<p>Both sides, with reasons.</p>';
    $saved = ask('PUT', "/rubrics/$kept", ['rubric' => $changed, 'follow' => true], ['If-Match' => '"1"'])->assertStatus(200);
    expect($saved->json('act.changed'))->toBe(1)
        ->and(rubricOf($follows)['title'])->toBe('Explaining how it works')
        ->and(rubricOf($follows)['link'])->toBe(['rubric' => $kept, 'revision' => 2])
        ->and(rubricOf($copied)['title'])->toBe('Explaining a process');

    ask('POST', '/acts/'.$saved->json('act.act').'/undo', new stdClass())->assertStatus(200);
    expect(rubricOf($follows)['title'])->toBe('Explaining a process')
        ->and(rubricOf($follows)['link']['revision'])->toBe(1)
        ->and(ask('GET', "/rubrics/$kept")->json('data'))
        ->toMatchArray(['title' => 'Explaining a process', 'revision' => 3]);
    // who began from the revision that was undone has not seen that it was
    ask('PUT', "/rubrics/$kept", ['rubric' => World::rubric('Late')], ['If-Match' => '"2"'])->assertStatus(412);
});

it('puts no rubric back for somebody who may not write in its bank', function (): void {
    $world = new World;
    $kept = $world->keptRubric();
    $new = Json::decode(Json::encode(World::rubric('New')));
    app(SaveRubric::class)->revise(Rubric::query()->findOrFail($kept), 'New', $new, 1, false, $world->people['writer']);
    $mine = Bank::query()->create(['slug' => 'mine', 'name' => 'Mine']);
    DB::table('bank_grants')->insert(['bank_id' => $mine->id, 'user_id' => $world->people['stranger']->id, 'role' => 'keeper']);
    $rocks = $world->bank;
    $world->bank = $mine;
    $question = following($world, $kept);
    $world->bank = $rocks;
    $this->actingAs($world->people['stranger']);
    $named = ['id' => $kept, 'revision' => 2, 'rubric' => World::rubric()];
    $act = ask('POST', '/banks/mine/acts', ['ids' => [$question], 'content' => ['rubric' => $named]])->assertOk()->json('act');
    ask('POST', "/acts/$act/undo", new stdClass())->assertOk();
    $stored = DB::table('rubrics')->where('id', $kept)->first();
    expect([$stored->title, $stored->revision])->toBe(['New', 2]);
});

it('leaves the questions as they are when only the rubric is to change', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $kept = $world->keptRubric();
    $follows = following($world, $kept);
    $saved = ask('PUT', "/rubrics/$kept", ['rubric' => World::rubric('Another name')], ['If-Match' => '"1"'])->assertStatus(200);
    expect($saved->json('act'))->toBeNull()
        ->and($saved->json('data.revision'))->toBe(2)
        ->and(rubricOf($follows)['link']['revision'])->toBe(1);
});

it('keeps what somebody else saved meanwhile, and says so', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $kept = $world->keptRubric();
    ask('PUT', "/rubrics/$kept", ['rubric' => World::rubric('Mine')], ['If-Match' => '"1"'])->assertStatus(200);
    $late = ask('PUT', "/rubrics/$kept", ['rubric' => World::rubric('Yours')], ['If-Match' => '"1"'])->assertStatus(412);
    expect($late->json('detail'))->toContain('saved this rubric')
        ->and(ask('GET', "/rubrics/$kept")->json('data.title'))->toBe('Mine');
    ask('PUT', "/rubrics/$kept", ['rubric' => World::rubric('Yours')])->assertStatus(428);
});

it('refuses rubrics that cannot be found again or are too large, at their place', function (array $rubric, string $path, string $words): void {
    $this->actingAs((new World)->people['writer']);
    $refused = ask('POST', '/banks/rocks/rubrics', ['rubric' => $rubric])->assertStatus(422);
    expect($refused->json('path'))->toBe($path)->and($refused->json('detail'))->toContain($words);
})->with([
    'no name' => [['criteria' => []], '/rubric/title', 'Give the rubric a name'],
    '200 criteria' => [
        ['title' => 'x', 'criteria' => array_map(fn (int $i): array => ['id' => "c$i", 'title' => '', 'levels' => []], range(1, 200))],
        '/rubric/criteria',
        'at most 50 entries',
    ],
    'a level without points' => [
        ['title' => 'x', 'criteria' => [['id' => 'c', 'title' => '', 'levels' => [['id' => 'l', 'html' => '']]]]],
        '/rubric/criteria/0/levels/0',
        'points',
    ],
]);

it('leaves questions whole whose rubric one may no longer read, or that was deleted', function (): void {
    $world = new World;
    $kept = $world->keptRubric();
    $follows = following($world, $kept);
    $this->actingAs($world->people['writer']);
    ask('DELETE', "/rubrics/$kept")->assertStatus(204);
    ask('GET', "/rubrics/$kept")->assertStatus(404);
    expect(rubricOf($follows)['criteria'])->toHaveCount(1)->and(rubricOf($follows)['link']['rubric'])->toBe($kept);
    $question = json_decode((string) ask('GET', "/questions/$follows")->getContent())->data->question;
    $scored = ask('POST', '/score', [
        'question' => $question,
        'response' => ['p1' => ['text' => 'The water is fast.']],
        'marks' => ['p1' => ['criteria' => ['c1' => ['level' => 'l1']]]],
    ]);
    expect($scored->json('score'))->toBe(4);
});

it('tells how far markers agree, from what is stored with the specimens', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $marks = fn (string $level): array => ['p1' => ['criteria' => ['c1' => ['level' => $level]]]];
    $specimen = fn (string $id, string $level, string $other): array => [
        'id' => $id,
        'response' => ['p1' => ['text' => 'x']],
        'score' => $level === 'l1' ? '4' : '0',
        'marks' => $marks($level),
        'markings' => [['by' => 'Ines', 'marks' => $marks($other)]],
    ];
    $question = [
        'format' => 'wide-quarry/question',
        'version' => 1,
        'id' => '0192f0c4-0000-7000-8000-0000000000aa',
        'body' => '<p>Explain.</p><div data-part="p1"></div>',
        'parts' => [['id' => 'p1', 'kind' => 'essay', 'points' => 4, 'key' => ['rubric' => World::rubric()]]],
        'record' => ['specimens' => [$specimen('s1', 'l1', 'l1'), $specimen('s2', 'l2', 'l1'), $specimen('s3', 'l2', 'gone')]],
    ];
    expect(ask('POST', '/agreement', ['question' => $question])->json('data'))->toBe([
        // p₀ = 1/2, pₑ = 1/2 · 1 + 1/2 · 0 = 1/2
        ['by' => 'Ines', 'specimens' => 2, 'criteria' => 2, 'exact' => '1/2', 'within_one' => '1', 'kappa' => '0', 'outdated' => 1],
    ]);
});
