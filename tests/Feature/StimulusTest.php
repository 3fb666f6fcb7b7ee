<?php

declare(strict_types=1);

use App\Actions\ImportQuestions;
use App\Models\Bank;
use App\Storage\MediaStore;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Feature\World;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Pack\PackWriter;
use WideQuarry\Interchange\PackageContents;

/** The world's question, showing some stimuli. */
function showing(string ...$stimuli): object
{
    $question = World::json();
    $question->stimuli = $stimuli;

    return $question;
}

it('is written, found, placed, changed, and keeps every revision', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = (string) Str::uuid7();
    $made = ask('POST', '/banks/rocks/stimuli', [
        'stimulus' => World::stimulus($id),
        'folders' => [['Field week', 'Day 2']],
        'note' => 'new',
    ])
        ->assertStatus(201)
        ->json('data');
    expect($made['folders'])
        ->toBe([['Field week', 'Day 2']])
        ->and($made['uses'])
        ->toBe(['questions' => 0, 'approved' => 0, 'assessments' => [], 'others' => 0]);
    $folder = DB::table('folders')->where('name', 'Field week')->value('id');
    foreach (['words=bed', 'bank=rocks', "folder=$folder", 'only=unused', 'words=sections&bank=rocks'] as $asked) {
        expect(ask('GET', "/stimuli?$asked")->json('data.*.id'))->toBe([$id], $asked);
    }
    foreach (['words=granite', 'words=...', 'only=binned'] as $asked) {
        expect(ask('GET', "/stimuli?$asked")->json('meta.found'))->toBe(0, $asked);
    }
    ask(
        'PUT',
        "/stimuli/$id",
        ['stimulus' => World::stimulus($id, 'The cliff', '<p>Four beds lie in the cliff.</p>'), 'note' => 'one more'],
        ['If-Match' => '"1"'],
    )
        ->assertOk()
        ->assertHeader('ETag', '"2"');
    ask('PUT', "/stimuli/$id", ['stimulus' => World::stimulus($id)], ['If-Match' => '"1"'])
        ->assertStatus(412)
        ->assertJsonPath('current_revision', 2);
    ask('PUT', "/stimuli/$id", ['stimulus' => World::stimulus($id)])->assertStatus(428);
    ask('PUT', "/stimuli/$id", ['stimulus' => World::stimulus($world->question)], ['If-Match' => '"2"'])->assertStatus(422);
    ask('POST', '/banks/rocks/stimuli', ['stimulus' => World::stimulus($id)])->assertStatus(409);
    expect(ask('GET', "/stimuli/$id/revisions")->json('data.*.note'))
        ->toBe(['one more', 'new'])
        ->and(array_map(fn (array $run): string => implode(' ', $run), ask('GET', "/stimuli/$id/revisions/2")->json('differences.1.runs')))
        ->toContain('old Three', 'new Four');
});

it('tells where it is shown, and only counts what one may not read', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = $world->shared();
    ask('PUT', "/questions/$world->question", ['question' => showing($id)], ['If-Match' => '"1"'])->assertOk();
    $assessment = $world->assessment();
    $hidden = Bank::query()->create(['slug' => 'hidden', 'name' => 'Hidden']);
    DB::table('assessments')
        ->where('id', $world->assessment())
        ->update(['bank_id' => $hidden->id]);
    expect(ask('GET', "/stimuli/$id")->json('data.uses'))
        ->toBe(['questions' => 1, 'approved' => 0, 'assessments' => [['id' => $assessment, 'title' => 'Unit test']], 'others' => 1])
        ->and(ask('GET', "/banks/rocks/questions?stimulus=$id")->json('data.*.id'))
        ->toBe([$world->question])
        ->and(ask('GET', '/banks/rocks/facets?of=is')->json('facets.is.4'))
        ->toBe(['value' => 'shares', 'count' => 1])
        ->and(ask('GET', '/banks/rocks/questions?is=shares')->json('meta.found'))
        ->toBe(1);
});

it('is found with the questions that show it, by its words of today', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = $world->shared();
    $found = fn (string $words): array => array_column(ask('GET', "/banks/rocks/questions?words=$words")->json('data'), 'found_in', 'id');
    expect($found('cliff'))->toBe([]);
    ask('PUT', "/questions/$world->question", ['question' => showing($id)], ['If-Match' => '"1"'])->assertOk();
    expect($found('cliff'))
        ->toBe([$world->question => 'stimuli'])
        ->and($found('"lie in the cliff"'))
        ->toHaveCount(1);
    ask(
        'PUT',
        "/stimuli/$id",
        ['stimulus' => World::stimulus($id, 'The section', '<p>A fault cuts the quarry.</p>')],
        ['If-Match' => '"1"'],
    )->assertOk();
    expect($found('cliff'))->toBe([])->and($found('faults'))->toHaveKey($world->question);
    ask('PUT', "/questions/$world->question", ['question' => showing()], ['If-Match' => '"2"'])->assertOk();
    expect($found('faults'))->not->toHaveKey($world->question);
});

it('is not thrown away while questions show it, and comes back from the bin', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = $world->shared();
    ask('PUT', "/questions/$world->question", ['question' => showing($id)], ['If-Match' => '"1"'])->assertOk();
    ask('PATCH', "/stimuli/$id", ['binned' => true])
        ->assertStatus(422)
        ->assertJsonPath('detail', 'A question uses this stimulus. Remove it there first.');
    ask('PUT', "/questions/$world->question", ['question' => showing()], ['If-Match' => '"2"'])->assertOk();
    ask('PATCH', "/stimuli/$id", ['binned' => true])->assertOk();
    expect(ask('GET', '/stimuli')->json('meta.found'))->toBe(0)->and(ask('GET', '/stimuli?only=binned')->json('meta.found'))->toBe(1);
    // somebody who had it on the desk loses nothing, and is told what to do
    $refused = ask('PUT', "/questions/$world->question", ['question' => showing($id)], ['If-Match' => '"3"'])->assertStatus(422);
    expect($refused->json('detail'))->toContain('“The section” is in the bin')->and($refused->json('path'))->toBe('/question/stimuli/0');
    ask('PATCH', "/stimuli/$id", ['binned' => false])->assertOk();
    ask('PUT', "/questions/$world->question", ['question' => showing($id)], ['If-Match' => '"3"'])->assertOk();
    $gone = (string) Str::uuid7();
    ask('PUT', "/questions/$world->question", ['question' => showing($id, $gone)], ['If-Match' => '"4"'])
        ->assertStatus(422)
        ->assertJsonPath('path', '/question/stimuli/1');
});

it('is read with the questions that show it, and by nobody who only names it', function (): void {
    $world = new World;
    $theirs = Bank::query()->create(['slug' => 'theirs', 'name' => 'Theirs']);
    $secret = $world->shared($theirs, 'Secret');
    $this->actingAs($world->people['writer']);
    ask('PUT', "/questions/$world->question", ['question' => showing($secret)], ['If-Match' => '"1"'])->assertStatus(422);
    ask('POST', '/present', ['question' => showing($secret)])
        ->assertOk()
        ->assertJsonPath('stimuli', []);
    // nor does bringing a question in that names it
    $found = new PackageContents;
    $found->questions = [(object) [...(array) showing($secret), 'id' => (string) Str::uuid7()]];
    $file = (string) tempnam(sys_get_temp_dir(), 'pack');
    (new PackWriter)->write($found, $file);
    app(ImportQuestions::class)->handle($file, 'a.zip', $world->bank, [], $world->people['writer']);
    expect(DB::table('question_stimuli')->count())->toBe(0);
    ask('GET', "/stimuli/$secret")->assertNotFound();

    DB::table('bank_grants')->insert(['bank_id' => $theirs->id, 'user_id' => $world->people['writer']->id, 'role' => 'reader']);
    ask('PUT', "/questions/$world->question", ['question' => showing($secret)], ['If-Match' => '"1"'])->assertOk();
    another($world, 'reader', 'POST', '/present', ['question' => showing($secret)])
        ->assertOk()
        ->assertJsonPath('stimuli.0.title', 'Secret');
    another($world, 'reader', 'GET', "/stimuli/$secret")
        ->assertOk()
        ->assertJsonPath('data.may_write', false);
    // it is read with its question; it does not live or lie in a bank of theirs
    expect(another($world, 'reader', 'GET', '/stimuli')->json('meta.found'))->toBe(0);
});

it('gives its own pictures to who reads it, and no others of its bank', function (): void {
    $world = new World;
    $id = $world->shared(null, 'Fig', '<p><img data-media="m-fig" alt="beds"/></p>');
    foreach (['m-fig', 'm-other'] as $name) {
        app(MediaStore::class)->put($world->bank->id, Medium::of($name, 'image/png', "$name.png", $name));
    }
    $this->actingAs($world->people['reader']);
    expect(
        ask('GET', "/stimuli/$id/media/m-fig")
            ->assertOk()
            ->getContent(),
    )->toBe('m-fig');
    ask('GET', "/stimuli/$id/media/m-other")->assertNotFound();
});

it('is pinned with a question, followed otherwise, and stands once on the sheet', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = $world->shared();
    ask('PUT', "/questions/$world->question", ['question' => showing($id)], ['If-Match' => '"1"'])->assertOk();
    $assessment = ask('POST', '/assessments', ['title' => 'Unit', 'bank' => 'rocks', 'questions' => [$world->question]])->json('data');
    $sheet = fn (): string => ask('GET', "/assessments/{$assessment['id']}/sheet?which=learner")->json('html');
    expect($sheet())
        ->toContain('Three beds')
        ->and(array_values($assessment['entries'])[0]['stimuli'])
        ->toBe([['id' => $id, 'title' => 'The section']]);
    ask('PUT', "/stimuli/$id", ['stimulus' => World::stimulus($id, 'The cliff', '<p>Four beds</p>')], ['If-Match' => '"1"'])->assertOk();
    expect($sheet())->toContain('Four beds')->not->toContain('Three beds');

    $content = $assessment['content'];
    $content['sections'][0]['entries'][0] = [...$content['sections'][0]['entries'][0], 'follow' => 'pinned', 'revision' => 2];
    $pinned = ask('PUT', "/assessments/{$assessment['id']}", ['content' => $content], ['If-Match' => "\"{$assessment['version']}\""])
        ->assertOk()
        ->json('data.content');
    expect($pinned['sections'][0]['entries'][0]['stimuli'])->toBe([$id => 2]);
    ask('PUT', "/stimuli/$id", ['stimulus' => World::stimulus($id, 'The cliff', '<p>Five beds</p>')], ['If-Match' => '"2"'])->assertOk();
    expect($sheet())->toContain('Four beds')->not->toContain('Five beds');
    unset($pinned['sections'][0]['entries'][0]['follow']);
    ask('PUT', "/assessments/{$assessment['id']}", ['content' => $pinned], ['If-Match' => '"'.($assessment['version'] + 1).'"'])
        ->assertOk()
        ->assertJsonMissingPath('data.content.sections.0.entries.0.stimuli');
    expect($sheet())->toContain('Five beds');
});

it('goes out with its bank, shown or not, but not from the bin', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    [$shown, $binned] = [$world->shared(), $world->shared(null, 'Old')];
    ask('PATCH', "/stimuli/$binned", ['binned' => true])->assertOk();
    [, $whole] = sent(['format' => 'pack', 'bank' => 'rocks']);
    [, $some] = sent(['format' => 'pack', 'bank' => 'rocks', 'filter' => 'kind=choice']);
    expect(array_column(readSent($whole)->stimuli, 'id'))
        ->toBe([$shown])
        ->and(readSent($some)->stimuli)
        ->toBe([]);
});

it('goes out with its questions and figures, from whichever bank, and comes in as it was', function (string $format): void {
    $world = new World;
    $other = Bank::query()->create(['slug' => 'other', 'name' => 'Other']);
    DB::table('bank_grants')->insert(['bank_id' => $other->id, 'user_id' => $world->people['writer']->id, 'role' => 'writer']);
    app(MediaStore::class)->put(
        $other->id,
        Medium::of(
            'm-fig',
            'image/png',
            'fig.png',
            (string) base64_decode(
                'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
                true,
            ),
        ),
    );
    $id = $world->shared($other, 'Fig', '<p>Beds <img alt="beds" data-media="m-fig"/></p>');
    $this->actingAs($world->people['writer']);
    ask('PUT', "/questions/$world->question", ['question' => showing($id)], ['If-Match' => '"1"'])->assertOk();
    [, $file] = sent(['format' => $format, 'questions' => [$world->question]]);

    $there = Bank::query()->create(['slug' => 'there', 'name' => 'There']);
    DB::table('bank_grants')->insert(['bank_id' => $there->id, 'user_id' => $world->people['stranger']->id, 'role' => 'writer']);
    app(ImportQuestions::class)->handle($file, 'out.zip', $there, ['From elsewhere'], $world->people['stranger'], 'add');
    $come = another($world, 'stranger', 'GET', '/stimuli?bank=there')->json('data.0');
    $whole = another($world, 'stranger', 'GET', "/stimuli/{$come['id']}")->json('data');
    expect($come['id'])
        ->not->toBe($id)
        ->and($whole['stimulus']['title'])
        ->toBe('Fig')
        ->and($whole['uses']['questions'])
        ->toBe(1)
        ->and($whole['folders'])
        ->toBe([['From elsewhere']])
        ->and($whole['stimulus']['body'])
        ->toContain('Beds <img alt="beds" data-media=');
    preg_match('/data-media="([^"]+)/', $whole['stimulus']['body'], $m);
    another($world, 'stranger', 'GET', "/stimuli/{$come['id']}/media/$m[1]")->assertOk();
})->with(['pack', 'qti30']);
