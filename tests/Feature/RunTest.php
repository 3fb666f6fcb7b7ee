<?php

declare(strict_types=1);

use App\Models\Assessment;
use App\Printing\SheetPage;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;
use WideQuarry\Printing\PaperKind;

/** An assessment of two questions, changed. */
function rehearsed(World $world, callable $change): array
{
    test()->actingAs($world->people['writer']);
    $made = ask('POST', '/assessments', [
        'title' => 'Rehearsal',
        'bank' => 'rocks',
        'questions' => [$world->question, $world->add('Second')],
    ])->json('data');

    return store($made, $change)->assertOk()->json('data');
}

function papersOf(array $data, World $world): string
{
    $assessment = Assessment::query()->findOrFail($data['id']);

    $settings = SheetPage::settings($assessment);

    return app(SheetPage::class)->html($assessment, $world->people['writer'], [PaperKind::Learner], $settings, false)->html;
}

it('is rehearsed as a learner would go through it, and comes to what the entries are worth', function (): void {
    $world = new World;
    $data = rehearsed($world, function (stdClass $content): void {
        $content->run = (object) ['feedback' => 'at_once', 'cover' => '<p>Read this first.</p>', 'go_back' => false];
        $content->time_limit = 2400;
        $content->sections[0]->weight = '2';
        $content->sections[0]->override = (object) ['attempts' => (object) ['allowed' => 4]];
        $content->sections[0]->entries[0]->points = 6;
        $content->sections[0]->entries[1]->override = (object) ['feedback' => 'never'];
    });
    [$first, $second] = array_keys($data['entries']);
    $plan = ask('GET', "/assessments/{$data['id']}/run?seed=3")->assertOk()->json('data');
    expect([$plan['seed'], $plan['time_limit'], $plan['go_back'], $plan['cover']])
        ->toBe([3, 2400, false, '<p>Read this first.</p>'])
        ->and(array_column($plan['sections'][0]['entries'], 'attempts'))
        ->toBe([4, 1])
        ->and($plan['sections'][0]['entries'][1]['tells'])
        ->toBe(['between' => false, 'last' => false, 'report' => false])
        ->and($plan['asked'][$first]['question']['attempts']['allowed'])
        ->toBe(4);

    $before = DB::table('assessments')->count() + DB::table('autosaves')->count();
    $report = ask('POST', "/assessments/{$data['id']}/run", [
        'seed' => 3,
        'given' => [$first => ['response' => ['p1' => ['chosen' => ['b']]]]],
    ])->assertOk()->json('data');
    expect([$report['score'], $report['max'] - 2 * $data['entries'][$second]['points']])
        ->toBe([12, 12])
        ->and(array_column($report['sections'][0]['entries'], 'answered'))
        ->toBe([true, false])
        ->and(array_column($report['sections'][0]['entries'], 'told'))
        ->toBe([true, false])
        ->and(DB::table('assessments')->count() + DB::table('autosaves')->count())
        ->toBe($before);
});

it('refuses what it does not ask, and what the person may not view', function (): void {
    $world = new World;
    $data = rehearsed($world, fn (stdClass $content) => ($content->title = 'R'));
    ask('POST', "/assessments/{$data['id']}/run", ['seed' => 1, 'given' => ['e9' => ['response' => new stdClass]]])->assertStatus(422);
    ask('POST', "/assessments/{$data['id']}/run", ['seed' => 1, 'given' => [1, 2]])->assertStatus(422);
    ask('POST', "/assessments/{$data['id']}/run", ['seed' => -1, 'given' => new stdClass])->assertStatus(422);
    DB::table('questions')->where('id', $world->question)->update(['binned_at' => now()]);
    $refused = ask('GET', "/assessments/{$data['id']}/run")->assertStatus(422);
    expect($refused->json('type'))->toContain('assessment.missing');
});

it('stands on paper as the settings say', function (): void {
    $world = new World;
    $data = rehearsed($world, function (stdClass $content): void {
        $content->run = (object) ['cover' => '<p>Read this first.</p>'];
        $content->sections[0]->weight = '3/2';
        $content->sections[0]->time_limit = 600;
        $content->sections[0]->new_page = true;
        $content->sections[0]->shuffle = true;
        $content->sections[0]->entries[0]->place = 'last';
        $content->sections[0]->entries[1]->override = (object) ['tools' => (object) ['calculator' => 'basic']];
    });
    $paper = papersOf($data, $world);
    [$first, $second] = array_keys($data['entries']);
    expect($paper)
        ->toContain('<section class="cover"><p>Read this first.</p></section>')
        ->toContain('class="new-page"')
        ->toContain('Time: 10 minutes.')
        ->toContain('count 1.5 times')
        ->toContain('calculator')
        ->and(strpos($paper, "id=\"$second\""))
        ->toBeLessThan(strpos($paper, "id=\"$first\""))
        ->and($data['totals']['points'])
        ->toEqual(1.5 * array_sum(array_column($data['entries'], 'points')));
});

it('says which settings of an entry its question cannot have', function (): void {
    $world = new World;
    $data = rehearsed($world, function (stdClass $content): void {
        $content->sections[0]->entries[0]->override = (object) ['rubric' => (object) ['criteria' => []], 'minutes' => 7];
    });
    expect(array_column($data['entries'], 'idle'))->toBe([['rubric'], []]);
    $content = json_decode((string) json_encode($data['content']));
    $content->sections[0]->entries[0]->override = (object) ['colour' => 'red'];
    $refused = ask('PUT', "/assessments/{$data['id']}", ['content' => $content], ['If-Match' => "\"{$data['version']}\""]);
    expect($refused->assertStatus(422)->json('errors.0.path') ?? json_encode($refused->json()))->toContain('override');
});

it('counts the words that are read', function (): void {
    $world = new World;
    $data = rehearsed($world, fn (stdClass $content) => ($content->title = 'R'));
    $reading = ask('GET', "/assessments/{$data['id']}/reading")->assertOk()->json('data');
    expect($reading['words'])->toBeGreaterThan(4)->and($reading['sections'][0]['words'])->toBe($reading['words'] - $reading['stimuli']);
});
