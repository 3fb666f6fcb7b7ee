<?php

declare(strict_types=1);

use App\Models\Bank;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

/** An assessment that draws from what some conditions find. */
function drawing(World $world, array $sources, array $more = []): array
{
    test()->actingAs($world->people['writer']);
    $data = ask('POST', '/assessments', ['title' => 'Drawn', 'bank' => 'rocks'])->json('data');

    return withDraw($data, $sources, $more)->assertOk()->json('data');
}

function withDraw(array $data, array $sources, array $more = []): Illuminate\Testing\TestResponse
{
    return store($data, function (stdClass $content) use ($sources, $more): void {
        $content->sections[0]->entries = [(object) ['id' => 'd', 'draw' => 1, 'from' => $sources, ...$more]];
    });
}

function fromBank(World $world, array $conditions, int $draw = 1): array
{
    return ['draw' => $draw, 'conditions' => (object) $conditions, 'banks' => [$world->bank->id]];
}

it('draws from whatever meets its conditions, and grows with the bank', function (): void {
    $world = new World;
    $easy = $world->add('Easy');
    DB::table('questions')->where('id', $easy)->update(['difficulty' => 1]);
    $made = drawing($world, [fromBank($world, ['difficulty' => ['1', '2']]), fromBank($world, ['not-difficulty' => ['1']])]);
    expect($made['content']['sections'][0]['entries'][0]['draw'])
        ->toBe(2)
        ->and(array_column($made['entries']['d']['sources'], 'pool'))
        ->toBe([1, 1])
        ->and($made['totals']['questions'])
        ->toBe(2)
        // what merely meets conditions is not used
        ->and(DB::table('assessment_uses')->where('assessment_id', $made['id'])->count())
        ->toBe(0);

    $more = $world->add('Easier');
    DB::table('questions')->where('id', $more)->update(['difficulty' => 2]);
    $now = ask('GET', "/assessments/{$made['id']}")->json('data');
    expect(array_column($now['entries']['d']['sources'], 'pool'))
        ->toBe([2, 2])
        ->and(json_encode($now['content']))
        ->not->toContain($more);
    $drawn = ask('GET', "/assessments/{$made['id']}/draws/d?seed=4")->json('data');
    expect($drawn['sources'][0])
        ->toBe([$easy, $more])
        ->and($drawn['drawn'])
        ->toHaveCount(2)
        ->and(array_sum(array_column($drawn['pool'], 'often')))
        ->toBe(20);
});

it('stays as it was once it is frozen, and when it was used', function (): void {
    $world = new World;
    $made = drawing($world, [fromBank($world, ['is' => ['complete']])]);
    $frozen = withDraw($made, [[...fromBank($world, ['is' => ['complete']]), 'pool' => [$world->question]]])->assertOk()->json('data');
    $world->add('Later');
    expect(ask('GET', "/assessments/{$made['id']}")->json('data.entries.d.pool'))->toBe(1);

    $grows = withDraw($frozen, [fromBank($world, ['is' => ['complete']])])->json('data');
    expect(ask('GET', "/assessments/{$made['id']}")->json('data.entries.d.pool'))->toBe(2);
    $match = ['If-Match' => "\"{$grows['version']}\""];
    $ready = ask('POST', "/assessments/{$made['id']}/state", ['state' => 'ready'], $match)->assertOk()->json('data');
    $match = ['If-Match' => "\"{$ready['version']}\""];
    ask('POST', "/assessments/{$made['id']}/state", ['state' => 'used', 'date' => '2026-11-30', 'group' => '9b'], $match)->assertOk();
    $world->add('After it was used');
    expect(ask('GET', "/assessments/{$made['id']}")->json('data.entries.d.pool'))->toBe(2);
});

it('says that a topic of its conditions is gone, that a pool is too small, that questions are asked already', function (): void {
    $world = new World;
    $topic = $world->topic('Rocks', 'Slate');
    $made = drawing($world, [fromBank($world, ['topic' => [$topic]])]);
    expect($made['entries']['d']['sources'][0]['names'])
        ->toBe([$topic => 'Slate'])
        ->and($made['entries']['d']['findings'])
        ->toHaveCount(1);
    DB::table('topics')->where('id', $topic)->delete();
    $gone = ask('GET', "/assessments/{$made['id']}")->json('data.entries.d');
    expect($gone['sources'][0]['gone'])->toBe(1)->and(implode(' ', $gone['findings']))->toContain('a topic that is gone');
    // it may stay as it is while something else is changed, and its conditions may not be set so again
    $renamed = store($made, fn (stdClass $content) => ($content->title = 'Renamed'))->assertOk()->json('data');
    withDraw($renamed, [fromBank($world, ['topic' => [$topic], 'difficulty' => ['1']])])->assertStatus(422);

    $everything = fromBank($world, ['is' => ['complete']]);
    $twice = store($renamed, function (stdClass $content) use ($world, $everything): void {
        $content->sections[0]->entries = [
            (object) ['id' => 'e', 'question' => $world->question],
            (object) ['id' => 'd', 'draw' => 1, 'from' => [$everything]],
        ];
    })->json('data');
    expect($twice['entries']['d']['overlaps'])->toBeTrue();
    $apart = store($twice, fn (stdClass $content) => ($content->sections[0]->entries[1]->apart = true))->json('data');
    expect([$apart['entries']['d']['overlaps'], $apart['entries']['d']['pool']])->toBe([false, 0]);
});

it('refuses conditions that cannot be some, or that look where the person may not', function (array $source, string $at): void {
    $world = new World;
    $made = drawing($world, [fromBank($world, [])]);
    $given = [...fromBank($world, []), ...$source];
    $refused = withDraw($made, [$given])->assertStatus(422);
    expect(json_encode($refused->json(), JSON_UNESCAPED_SLASHES))->toContain($at);
})->with([
    'no dimension' => [['conditions' => ['colour' => ['red']]], 'from/0/conditions/colour'],
    'no kind' => [['conditions' => ['kind' => ['riddle']]], 'from/0/conditions/kind'],
    'the bin' => [['conditions' => ['is' => ['binned']]], 'from/0/conditions/is'],
    'no amounts' => [['conditions' => ['points' => ['many']]], 'from/0/conditions/points'],
    'a bank that is not there' => [['banks' => ['0192f0c4-0000-7000-8000-00000000dead']], 'from/0/banks/0'],
]);

it('shows who may not read a bank how many there are, and nothing of them', function (): void {
    $world = new World;
    $secret = Bank::query()->create(['slug' => 'secret', 'name' => 'Secret']);
    DB::table('bank_grants')->insert(['bank_id' => $secret->id, 'user_id' => $world->people['writer']->id, 'role' => 'reader']);
    DB::table('questions')->where('id', $world->add('Hidden words'))->update(['bank_id' => $secret->id]);
    $conditions = ['words' => ['hidden']];
    $made = drawing($world, [['draw' => 1, 'conditions' => $conditions, 'banks' => [$secret->id]]]);

    $asKeeper = fn () => test()->flushSession()->actingAs($world->people['keeper']);
    $asKeeper();
    $seen = ask('GET', "/assessments/{$made['id']}")->json('data');
    expect([$seen['entries']['d']['pool'], $seen['entries']['d']['sources'][0]['open'], $seen['entries']['d']['sources'][0]['banks']])
        ->toBe([1, false, []]);
    $asKeeper();
    expect(ask('GET', "/assessments/{$made['id']}/draws/d")->json('data.pool'))->toBe([]);
    // conditions that stand may stay; others over that bank are refused, or a count would tell what is in it
    $asKeeper();
    $kept = store($seen, fn (stdClass $content) => ($content->title = 'Renamed'))->assertOk()->json('data');
    $asKeeper();
    withDraw($kept, [['draw' => 1, 'conditions' => ['words' => ['guess']], 'banks' => [$secret->id]]])->assertStatus(422);
    $asKeeper();
    ask('POST', '/dispatches', ['format' => 'qti30', 'assessment' => $made['id']])->assertStatus(422);
});

it('asks the database as often for thirty draws as for two', function (): void {
    $world = new World;
    $count = function (int $draws) use ($world): int {
        $made = drawing($world, [fromBank($world, ['kind' => ['choice']])]);
        $many = store($made, function (stdClass $content) use ($world, $draws): void {
            $content->sections[0]->entries = array_map(
                fn (int $i): object => (object) [
                    'id' => "d$i",
                    'draw' => 1,
                    'from' => [fromBank($world, ['difficulty' => [(string) ($i % 5 + 1)], 'words' => ["word$i"]])],
                ],
                range(1, $draws),
            );
        })->assertOk()->json('data');
        DB::enableQueryLog();
        ask('GET', "/assessments/{$many['id']}")->assertOk();
        $asked = count(DB::getQueryLog());
        DB::flushQueryLog();
        DB::disableQueryLog();

        return $asked;
    };
    expect($count(30))->toBe($count(2));
});

it('does not keep questions from the bin that merely meet its conditions, and says which assessments binning touches', function (): void {
    $world = new World;
    $made = drawing($world, [fromBank($world, ['is' => ['complete']])]);
    $asked = ask('POST', '/assessments', ['title' => 'Asks it', 'bank' => 'rocks', 'questions' => [$world->question]])->json('data');
    $free = $world->add('Only drawn');
    store(ask('GET', "/assessments/{$made['id']}")->json('data'), fn (stdClass $content) => ($content->title = 'Draws all'))->assertOk();
    $preview = ask('POST', '/banks/rocks/acts/preview', ['ids' => [$world->question, $free], 'bin' => true])->assertOk()->json();
    expect(array_column($preview['uses']['assessments'], 'questions', 'title'))
        ->toBe(['Asks it' => 1])
        ->and(array_column($preview['left'], 'id'))
        ->toBe([$world->question]);

    // what only an assessment in the bin asks can go too, and is asked again when that is restored
    ask('DELETE', "/assessments/{$asked['id']}")->assertStatus(204);
    expect(DB::table('questions')->where('id', $world->question)->value('uses'))->toBe(0);
    ask('POST', "/assessments/{$asked['id']}/restore", new stdClass)->assertOk();
    expect(DB::table('questions')->where('id', $world->question)->value('uses'))->toBe(1);
});
