<?php

declare(strict_types=1);

use App\Actions\Assembly\SaveAssessment;
use App\Actions\Bulk\RunOperation;
use App\Actions\MakeBank;
use App\Actions\Standards\StoreFramework;
use App\Models\Assessment;
use App\Models\Bank;
use App\Queries\Folders;
use App\Queries\Topics;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\Feature\World;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Standards\Framework;
use WideQuarry\Standards\Statement;

const OTHER_STATEMENT = '7b1f0c52-3a44-4d7e-9a51-0e0d6f2c2b02';

/** Last year's bank: slate in Rocks, chalk in Drafts; a test that asks slate pinned and draws one of both. */
final class LastYear
{
    public string $slate;

    public string $chalk;

    public string $rocks;

    public string $test;

    public Bank $next;

    public function __construct(public readonly World $world)
    {
        $record = ['record' => (object) [
            'status' => 'approved',
            'standards' => [['framework' => 'Fellmoor Earth Framework', 'code' => 'FEF.1.1', 'statement' => World::STATEMENT]],
        ]];
        $this->slate = $world->add('Slate', more: $record);
        $this->chalk = $world->add('Chalk');
        $this->rocks = (string) Folders::at(['Rocks'], $world->bank->id);
        Topics::put($this->slate, [['Earth', 'Rocks']], $world->bank->id);
        DB::table('placements')->insert([
            ['question_id' => $this->slate, 'folder_id' => $this->rocks],
            ['question_id' => $this->slate, 'folder_id' => Folders::at(['Old drafts'], $world->bank->id)],
            ['question_id' => $this->chalk, 'folder_id' => Folders::at(['Old drafts'], $world->bank->id)],
        ]);
        $json = Document::fresh((string) Str::uuid7(), 'Autumn test');
        $json->sections[0]->entries = [
            (object) ['id' => 'e1', 'question' => $this->slate, 'follow' => 'pinned', 'revision' => 1, 'points' => 3],
            (object) ['id' => 'd1', 'draw' => 1, 'pool' => [$this->slate, $this->chalk]],
        ];
        $this->test = app(SaveAssessment::class)->create($json, $world->bank->id, $world->people['writer'])->id;
        $this->next = app(MakeBank::class)->handle(['name' => 'This year'], $world->people['writer']);
    }

    /** @param  array<string, mixed>  $plan */
    public function carry(array $plan, string $to = ''): TestResponse
    {
        return another($this->world, 'writer', 'POST', "/banks/rocks/carry$to", ['into' => $this->next->slug, ...$plan]);
    }

    /** @return array<string, array{folders: list<list<string>>, topics: list<list<string>>, standards: list<string>}> by titles */
    public function there(): array
    {
        $there = [];
        foreach (DB::table('questions')->where('bank_id', $this->next->id)->whereNull('binned_at')->orderBy('title')->get() as $row) {
            $there[$row->title] = [
                'folders' => Folders::paths([$row->id], $this->next->id)[$row->id] ?? [],
                'topics' => Topics::paths([$row->id])[$row->id] ?? [],
                'standards' => array_column(json_decode($row->record)->standards ?? [], 'code'),
            ];
        }

        return $there;
    }

    /** Another framework in which the same statement has another code; they are the same as an association says. */
    public function framework(): string
    {
        $this->world->framework();
        $new = new Framework('7b1f0c52-3a44-4d7e-9a51-0e0d6f2c2a01', 'Moorland Standards', '2027', [
            new Statement(OTHER_STATEMENT, 'MS.7', 'Orders minerals by hardness.'),
        ]);
        $id = app(StoreFramework::class)->asNew($new, $this->world->people['keeper']);
        $associated = ['from_id' => World::STATEMENT, 'to_id' => OTHER_STATEMENT, 'kind' => 'exact', 'framework_id' => $id];
        DB::table('statement_associations')->insert($associated);

        return $id;
    }
}

it('carries chosen folders and tests over as copies, filed and classified anew, and takes it all back', function (): void {
    $last = new LastYear(new World);
    $new = $last->framework();
    $old = (string) DB::table('frameworks')->where('id', '<>', $new)->value('id');
    $plan = [
        'folders' => [$last->rocks],
        'assessments' => [$last->test],
        'folder' => ['2027'],
        'topics' => [['from' => ['Earth'], 'to' => ['Science', 'Earth']]],
        'frameworks' => (object) [$old => $new],
    ];
    $preview = $last->carry($plan, '/preview')->assertOk()->json('data');
    expect([$preview['questions'], $preview['asked'], $preview['there']])->toBe([2, 1, 0])
        ->and($preview['folders'])->toBe([
            ['path' => ['2027', 'Old drafts'], 'questions' => 1, 'is_new' => true],
            ['path' => ['2027', 'Rocks'], 'questions' => 1, 'is_new' => true],
        ])
        ->and($preview['topics'])->toBe([
            ['from' => ['Earth', 'Rocks'], 'to' => ['Science', 'Earth', 'Rocks'], 'questions' => 1, 'is_new' => true],
        ])
        ->and($preview['frameworks'][0])->toMatchArray(['questions' => 1, 'to' => $new, 'without' => 0])
        ->and($preview['assessments'][0])->toMatchArray(['title' => 'Autumn test', 'pinned' => 1])
        ->and(DB::table('questions')->where('bank_id', $last->next->id)->exists())->toBeFalse();

    $act = $last->carry($plan)->assertCreated()->json('act');
    expect($act)->toMatchArray(['kind' => 'carry', 'state' => 'done', 'changed' => 2, 'may_undo' => true])
        ->and($last->there())->toBe([
            'Chalk' => ['folders' => [['2027', 'Old drafts']], 'topics' => [], 'standards' => []],
            'Slate' => ['folders' => [['2027', 'Rocks']], 'topics' => [['Science', 'Earth', 'Rocks']], 'standards' => ['MS.7']],
        ]);
    $made = Assessment::query()->where('bank_id', $last->next->id)->sole();
    $homes = DB::table('questions')->whereIn('id', $made->document()->questions())->distinct()->pluck('bank_id')->all();
    expect($homes)->toBe([$last->next->id])
        ->and([$made->title, $made->state])->toBe(['Autumn test', 'draft'])
        ->and($made->document()->picks()[0]->follow->value)->toBe('latest')
        ->and($made->document()->draws()[0]->pool)->toHaveCount(2)
        ->and($last->carry($plan, '/preview')->json('data.there'))->toBe(2);

    another($last->world, 'writer', 'POST', "/acts/{$act['act']}/undo", new stdClass)->assertOk();
    expect($last->there())->toBe([])
        ->and(Assessment::query()->where('bank_id', $last->next->id)->exists())->toBeFalse()
        ->and(DB::table('folders')->where('bank_id', $last->next->id)->exists())->toBeFalse()
        ->and(Topics::of($last->next->id)->exists())->toBeFalse()
        ->and(DB::table('questions')->where('bank_id', $last->world->bank->id)->whereNull('binned_at')->count())->toBe(3);
});

it('places the same questions in the other bank too, where their bank allows it', function (): void {
    $last = new LastYear(new World);
    $plan = ['filter' => '', 'assessments' => [$last->test], 'how' => 'placements', 'folder' => ['2027']];
    expect($last->carry($plan, '/preview')->json('data'))->toMatchArray(['questions' => 3, 'not_lent' => 3, 'unfiled' => 0])
        ->and($last->carry($plan)->assertCreated()->json('act'))->toMatchArray(['changed' => 0, 'left_count' => 3]);
    DB::table('banks')->where('id', $last->world->bank->id)->update(['lends' => true]);
    $act = $last->carry($plan)->assertCreated()->json('act');
    expect($act)->toMatchArray(['changed' => 3, 'left_count' => 0])
        ->and(Folders::paths([$last->slate], $last->next->id)[$last->slate])
        ->toEqualCanonicalizing([['2027', 'Old drafts'], ['2027', 'Rocks']])
        ->and(Assessment::query()->where('bank_id', $last->next->id)->count())->toBe(2);
    another($last->world, 'writer', 'POST', "/acts/{$act['act']}/undo", new stdClass)->assertOk();
    expect(Folders::paths([$last->slate], $last->next->id))->toBe([])
        ->and(DB::table('questions')->whereNotNull('binned_at')->exists())->toBeFalse();
});

it('goes on where a worker was killed, and makes each copy and each test once', function (): void {
    $last = new LastYear(new World);
    $act = $last->carry(['filter' => '', 'assessments' => [$last->test]])->assertCreated()->json('act.act');
    $count = fn (): array => [
        DB::table('questions')->where('bank_id', $last->next->id)->count(),
        Assessment::query()->where('bank_id', $last->next->id)->count(),
    ];
    expect($count())->toBe([3, 1]);
    DB::table('bulk_operations')->where('id', $act)->update(['state' => 'running']); // killed before it could say that it was done
    app(RunOperation::class)->handle($act);
    expect($count())->toBe([3, 1]);
});

it('leaves what somebody changed since when it is undone', function (): void {
    $last = new LastYear(new World);
    $act = $last->carry(['filter' => '', 'assessments' => [$last->test]])->assertCreated()->json('act.act');
    Assessment::query()->where('bank_id', $last->next->id)->update(['version' => 2]);
    Folders::at(['Rocks', 'Slate'], $last->next->id);
    another($last->world, 'writer', 'POST', "/acts/$act/undo", new stdClass)->assertOk();
    expect(Assessment::query()->where('bank_id', $last->next->id)->count())->toBe(1)
        ->and(DB::table('folders')->where('bank_id', $last->next->id)->orderBy('name')->pluck('name')->all())->toBe(['Rocks', 'Slate']);
});

it('refuses a plan that cannot be carried out, and makes no bank for it', function (Closure $plan, string $detail): void {
    $last = new LastYear(new World);
    $banks = DB::table('banks')->count();
    $last->carry($plan($last))->assertStatus(422)->assertJsonPath('detail', $detail);
    expect(DB::table('banks')->count())->toBe($banks);
})->with([
    'nothing chosen' => [fn (): array => [], 'Nothing is chosen, so there is nothing to carry over.'],
    'a bank that is not there' => [
        fn (): array => ['filter' => '', 'into' => 'nowhere'], 'Choose a bank that you can edit.',
    ],
    'the bank it is in' => [
        fn (): array => ['filter' => '', 'into' => 'rocks'], 'Choose another bank: this is the one the questions are in.',
    ],
    'a folder of another bank' => [
        fn (LastYear $last): array => ['folders' => [Folders::at(['X'], $last->next->id)]],
        'One of these folders is not in the bank any more. Reload the page and choose again.',
    ],
    'a test that is not there' => [
        fn (): array => ['assessments' => [(string) Str::uuid7()]],
        'One of these assessments is not in the bank any more. Reload the page and choose again.',
    ],
    'too many frameworks' => [
        fn (): array => ['filter' => '', 'frameworks' => (object) array_fill_keys(range(1, 51), null)],
        'Expected an object of at most 50 frameworks, found an object.',
    ],
    'a framework that is not there' => [
        fn (): array => ['filter' => '', 'frameworks' => (object) [World::STATEMENT => World::STATEMENT]],
        'This framework does not exist any more. Reload the page and choose again.',
    ],
]);
