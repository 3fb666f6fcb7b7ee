<?php

declare(strict_types=1);

use App\Actions\Standards\ReadFramework;
use App\Actions\Standards\StoreFramework;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\Feature\World;
use WideQuarry\Standards\Framework;
use WideQuarry\Standards\Statement;

const EARTH = '7b1f0c52-3a44-4d7e-9a51-0e0d6f2c1b01';

/** @return array<string, mixed> of a record change */
function aligned(string $statement = World::STATEMENT, string $code = 'FEF.1.1', string ...$more): array
{
    return ['framework' => 'Fellmoor Earth Framework', 'code' => $code, 'statement' => $statement, ...$more];
}

/** @return array{World, string} with a framework, nobody's requests counted */
function framed(): array
{
    $world = new World;
    test()->withoutThrottle();

    return [$world, $world->framework()];
}

/**
 * @param  array<string, mixed>  $change
 * @return array<string, mixed> the act
 */
function realigned(World $world, array $change): array
{
    return another($world, 'writer', 'POST', '/banks/rocks/acts', ['ids' => [$world->question], ...$change])->assertOk()->json();
}

function countOf(World $world, string $query): int
{
    return another($world, 'writer', 'GET', "/banks/rocks/count?$query")->assertOk()->json('found');
}

it('finds and counts by a statement and by all it belongs to, what is assessed and what is only touched', function (): void {
    [$world, $framework] = framed();
    expect(countOf($world, 'no=standard'))->toBe(1);
    $act = realigned($world, ['record' => ['standards' => ['add' => [aligned()]]]]);

    expect(countOf($world, 'no=standard'))->toBe(0)
        ->and(countOf($world, 'standard='.EARTH))->toBe(1)
        ->and(countOf($world, 'assesses='.World::STATEMENT))->toBe(1)
        ->and(countOf($world, "not-framework=$framework"))->toBe(0);
    $facets = another($world, 'writer', 'GET', '/banks/rocks/facets?of=standard&of=framework')->json('facets');
    expect(array_column($facets['standard'], 'count', 'value'))->toEqualCanonicalizing([EARTH => 1, World::STATEMENT => 1])
        ->and($facets['framework'][0]['name'])->toBe('Fellmoor Earth Framework 2026');

    realigned($world, ['record' => ['standards' => ['add' => [aligned(relation: 'touches')]]]]);
    expect(countOf($world, 'standard='.EARTH))->toBe(1)->and(countOf($world, 'assesses='.EARTH))->toBe(0);

    another($world, 'writer', 'POST', "/acts/{$act['act']}/undo", new stdClass())->assertOk();
    expect(countOf($world, 'standard='.EARTH))->toBe(1); // changed since, so undone nowhere
});

it('undoes an alignment with everything that follows it', function (): void {
    [$world, $framework] = framed();
    $act = realigned($world, ['record' => ['standards' => ['add' => [aligned()]]]]);
    another($world, 'writer', 'POST', "/acts/{$act['act']}/undo", new stdClass())->assertOk();
    expect(countOf($world, 'no=standard'))->toBe(1)->and(DB::table('question_standards')->count())->toBe(0);
});

it('keeps a statement that something names: refused with a sentence, retired with nothing lost', function (): void {
    [$world, $framework] = framed();
    realigned($world, ['record' => ['standards' => ['add' => [aligned()]]]]);
    another($world, 'keeper', 'DELETE', "/frameworks/$framework/statements/".EARTH)
        ->assertStatus(422)
        ->assertJsonFragment(['type' => 'urn:wide-quarry:problem:statement.used']);
    another($world, 'keeper', 'DELETE', "/frameworks/$framework")->assertStatus(422);
    another($world, 'keeper', 'PATCH', "/frameworks/$framework/statements/".World::STATEMENT, ['retired' => true])->assertNoContent();

    expect(countOf($world, 'standard='.World::STATEMENT))->toBe(1);
    another($world, 'keeper', 'GET', '/statements?words=hardness')->assertJsonCount(0, 'data'); // not offered any more
    another($world, 'keeper', 'GET', '/statements?id='.World::STATEMENT)->assertJsonPath('data.0.retired', true);
});

it('counts stimuli, assessments and criteria as uses of a statement too', function (string $table): void {
    [$world, $framework] = framed();
    $standards = json_encode([aligned()]);
    if ($table === 'stimuli') {
        DB::table('stimuli')->where('id', $world->shared(null, 'Section', '<p>x</p>'))->update(['standards' => $standards]);
    } elseif ($table === 'assessments') {
        $assessment = another($world, 'writer', 'POST', '/assessments', ['bank' => 'rocks', 'title' => 'Test'])
            ->json('data');
        ask('PUT', "/assessments/{$assessment['id']}", ['content' => [...$assessment['content'], 'standards' => [aligned()]]], [
            'If-Match' => "\"{$assessment['version']}\"",
        ])->assertOk();
    } else {
        $criterion = ['id' => 'c1', 'title' => 'Order', 'levels' => [['id' => 'l1', 'title' => 'All', 'html' => '', 'points' => 1]], 'standards' => [aligned()]];
        another($world, 'writer', 'POST', '/banks/rocks/rubrics', ['rubric' => ['title' => 'R', 'criteria' => [$criterion]]])
            ->assertCreated();
    }
    another($world, 'keeper', 'DELETE', "/frameworks/$framework/statements/".World::STATEMENT)
        ->assertStatus(422);
})->with(['stimuli', 'assessments', 'rubrics']);

it('edits the tree of statements: nothing into itself, no code twice, an order of its own', function (): void {
    [$world, $framework] = framed();
    $base = "/frameworks/$framework/statements";
    another($world, 'keeper', 'POST', $base, ['code' => 'fef. 1.1', 'text' => 'Again'])->assertStatus(422)->assertJsonFragment(['path' => '/code']);
    another($world, 'keeper', 'POST', $base, ['code' => 'FEF.9'])->assertStatus(422)->assertJsonFragment(['path' => '/text']);
    another($world, 'keeper', 'PATCH', "$base/".EARTH, ['parent' => World::STATEMENT])->assertStatus(422);
    $id = another($world, 'keeper', 'POST', $base, ['code' => 'FEF.1.0', 'text' => 'First', 'parent' => EARTH])->assertCreated()->json('id');
    another($world, 'keeper', 'PATCH', "$base/$id", ['before' => World::STATEMENT])->assertNoContent();
    // the form sends the parent along: that is no move
    another($world, 'keeper', 'PATCH', "$base/$id", ['text' => 'First of all', 'parent' => EARTH])->assertNoContent();

    $codes = array_column(another($world, 'keeper', 'GET', "/frameworks/$framework")->json('data.statements'), 'code');
    expect($codes)->toBe(['FEF.1', 'FEF.1.0', 'FEF.1.1']);
    $above = DB::table('statements')->where('id', $id)->value('above');
    expect($above)->toBe('{'.EARTH.",$id}");
});

it('brings a framework in: what it would do first, then new, over or beside the one that is here', function (): void {
    [$world, $framework] = framed();
    realigned($world, ['record' => ['standards' => ['add' => [aligned()]]]]);
    $json = (string) json_encode([
        'CFDocument' => ['identifier' => '7b1f0c52-3a44-4d7e-9a51-0e0d6f2c1a01', 'title' => 'Fellmoor Earth Framework', 'version' => '2027'],
        'CFItems' => [
            ['identifier' => EARTH, 'humanCodingScheme' => 'FEF.1', 'fullStatement' => 'Earth materials'],
            ['identifier' => 'c0000000-0000-4000-8000-000000000001', 'humanCodingScheme' => 'FEF.2', 'fullStatement' => 'Deep time'],
        ],
        'CFAssociations' => [],
    ]);
    $give = fn (array $more = []): TestResponse => test()->flushSession()->actingAs($world->people['keeper'])->post(
        '/api/v1/frameworks',
        ['file' => UploadedFile::fake()->createWithContent('fef.json', $json), ...$more],
        ['Accept' => 'application/json'],
    );
    $read = $give()->assertOk()->json('read.0');
    expect($read['how'])->toBe('beside')
        ->and($read['alike'][0]['difference'])->toMatchArray([
            'same' => 1,
            'added' => ['count' => 1, 'first' => ['FEF.2']],
            'gone' => ['count' => 1, 'first' => ['FEF.1.1']],
        ])
        ->and(DB::table('frameworks')->count())->toBe(1);

    $beside = $give(['how' => 'beside', 'framework' => $framework])->assertOk()->json('stored.0');
    $statements = another($world, 'keeper', 'GET', "/frameworks/$beside")->json('data.statements');
    expect(array_column($statements, 'code'))->toBe(['FEF.1', 'FEF.2'])
        ->and($statements[0]['id'])->not->toBe(EARTH) // taken by the version that is here
        ->and(DB::table('statement_associations')->get(['from_id', 'to_id', 'kind'])->all())->toEqual([
            (object) ['from_id' => EARTH, 'to_id' => $statements[0]['id'], 'kind' => 'exact'],
        ]);

    $give(['how' => 'over', 'framework' => $framework])->assertOk();
    $here = another($world, 'keeper', 'GET', "/frameworks/$framework")->json('data.statements');
    expect(array_column($here, 'retired', 'code'))->toBe(['FEF.1' => false, 'FEF.1.1' => true, 'FEF.2' => false])
        ->and(countOf($world, 'standard='.World::STATEMENT))->toBe(1);
});

it('takes no two frameworks for one, none deeper than it can hold, and lets a code that came twice be kept', function (): void {
    [$world, $framework] = framed();
    $id = fn (int $i): string => sprintf('d0000000-0000-4000-8000-%012d', $i);
    $case = fn (int $items, bool $deep, string $code = ''): array => [
        'CFDocument' => ['identifier' => $id(900_000 + $items), 'title' => "Deep $items"],
        'CFItems' => array_map(fn (int $i): array => [
            'identifier' => $id($i),
            'humanCodingScheme' => $code ?: "D.$i",
            'fullStatement' => "Says $i",
        ], range(1, $items)),
        'CFAssociations' => $deep ? array_map(fn (int $i): array => [
            'associationType' => 'isChildOf',
            'originNodeURI' => ['identifier' => $id($i)],
            'destinationNodeURI' => ['identifier' => $id($i - 1)],
        ], range(2, $items)) : [],
    ];
    $give = fn (array $json, array $more): TestResponse => test()->flushSession()->actingAs($world->people['keeper'])->post(
        '/api/v1/frameworks',
        ['file' => UploadedFile::fake()->createWithContent('d.json', (string) json_encode($json)), ...$more],
        ['Accept' => 'application/json'],
    );
    $give([$case(2, false), $case(3, false)], ['how' => 'over', 'framework' => $framework])
        ->assertStatus(422)
        ->assertJsonFragment(['path' => '/how']);
    $give($case(5000, true), ['how' => 'new'])->assertStatus(422)->assertJsonFragment(['path' => '/file']);
    expect(DB::table('frameworks')->count())->toBe(1);

    $twice = $give($case(2, false, 'D.7'), ['how' => 'new'])->assertOk()->json('stored.0');
    $base = "/frameworks/$twice/statements";
    another($world, 'keeper', 'PATCH', "$base/".$id(1), ['code' => 'D.7', 'text' => 'Says more'])->assertNoContent();
    another($world, 'keeper', 'PATCH', "$base/".$id(1), ['code' => 'D.8'])->assertNoContent();
    another($world, 'keeper', 'PATCH', "$base/".$id(1), ['code' => 'D.7'])->assertStatus(422);
});

it('refuses what is no framework with a sentence at the file, and stores nothing', function (string $name, string $bytes): void {
    [$world, $framework] = framed();
    test()->actingAs($world->people['keeper'])->post('/api/v1/frameworks', ['file' => UploadedFile::fake()->createWithContent($name, $bytes), 'how' => 'new'], [
        'Accept' => 'application/json',
    ])->assertStatus(422);
    expect(DB::table('frameworks')->count())->toBe(1);
})->with([
    'broken JSON' => ['a.json', '{"CFDocument": {'],
    'another JSON' => ['a.json', '{"questions": []}'],
    'a zip' => ['a.zip', "PK\x03\x04broken"],
    'nothing' => ['a.csv', ''],
    'a heading alone' => ['a.csv', "Code,Statement\n"],
]);

it('moves questions over to what statements have become, keeps how they stood to them, and takes it back', function (): void {
    [$world, $framework] = framed();
    realigned($world, ['record' => ['standards' => ['add' => [aligned(relation: 'touches')]]]]);
    $next = new Framework('d0000000-0000-4000-8000-00000000000a', 'Next', '', [
        new Statement('d0000000-0000-4000-8000-000000000001', 'N.1', 'Minerals'),
        new Statement('d0000000-0000-4000-8000-000000000002', 'N.2', 'Hardness'),
    ]);
    app(StoreFramework::class)->asNew($next, $world->people['keeper']);
    $to = fn (int $n): array => ['framework' => 'Next', 'code' => "N.$n", 'statement' => "d0000000-0000-4000-8000-00000000000$n"];
    $act = realigned($world, ['record' => ['standards' => ['move' => [
        ['from' => World::STATEMENT, 'to' => $to(1)],
        ['from' => World::STATEMENT, 'to' => $to(2)],
    ]]]]);
    $read = fn (): array => another($world, 'writer', 'GET', "/questions/{$world->question}")->json('data.standards');
    expect(array_column($read(), 'code'))->toBe(['N.1', 'N.2'])->and(array_column($read(), 'touches'))->toBe([true, true]);
    another($world, 'writer', 'POST', "/acts/{$act['act']}/undo", new stdClass())->assertOk();
    expect(array_column($read(), 'code'))->toBe(['FEF.1.1']);
});

it('shows a statement under the name it has now, also in what goes out', function (): void {
    [$world, $framework] = framed();
    realigned($world, ['record' => ['standards' => ['add' => [aligned()]]]]);
    another($world, 'keeper', 'PATCH', "/frameworks/$framework/statements/".World::STATEMENT, ['code' => 'FEF.1.7'])
        ->assertNoContent();
    another($world, 'keeper', 'GET', "/questions/{$world->question}")
        ->assertJsonPath('data.question.record.standards.0.code', 'FEF.1.7')
        ->assertJsonPath('data.standards.0.code', 'FEF.1.7');
});

it('matches codes that come with a package where it is sure, lists the others and matches them in one act', function (): void {
    [$world, $framework] = framed();
    $json = World::json((string) \Illuminate\Support\Str::uuid7());
    $json->body = '<p>Another</p><div data-part="p1"></div>';
    $json->record = (object) [
        'standards' => [
            (object) ['framework' => 'Fellmoor Earth Framework', 'code' => 'fef.1.1'],
            (object) ['framework' => 'Northern Board', 'code' => 'NB 4'],
        ],
    ];
    $writer = $world->people['writer'];
    $package = World::package([$json]);
    app(\App\Actions\ImportQuestions::class)->handle($package, 'one.zip', $world->bank, [], $writer);

    expect(countOf($world, 'standard='.World::STATEMENT))->toBe(1)->and(countOf($world, 'unmatched=NB 4'))->toBe(1);
    $unmatched = another($world, 'writer', 'GET', '/banks/rocks/facets?of=unmatched')->json('facets.unmatched');
    expect($unmatched)->toBe([['value' => 'NB 4', 'count' => 1, 'name' => 'Northern Board']]);
    another($world, 'writer', 'POST', '/banks/rocks/acts', ['filter' => 'unmatched=NB%204', 'record' => ['standards' => [
        'remove' => [['framework' => 'Northern Board', 'code' => 'NB 4']],
        'add' => [aligned(EARTH, 'FEF.1')],
    ]]])->assertOk()->assertJsonPath('changed', 1);
    expect(countOf($world, 'unmatched=NB 4'))->toBe(0);
});

it('covers, tells what is thin and what stands under nothing, and shows nothing of banks one may not read', function (): void {
    [$world, $framework] = framed();
    realigned($world, ['record' => ['standards' => ['add' => [aligned()]], 'difficulty' => ['set' => 2]]]);
    $ask = fn (string $role, string $more = ''): array => another($world, $role, 'GET', "/coverage?tree=$framework$more")
        ->assertOk()
        ->json('data');
    $mine = $ask('reader');
    expect($mine['nodes'][0]['cells'])->toBe(['2' => ['questions' => 1, 'approved' => 0, 'points' => 2]])
        ->and($mine['totals'])->toMatchArray(['all' => 1, 'without' => 0])
        ->and($mine['thin'])->toBe([['node' => World::STATEMENT, 'none' => false, 'missing' => ['1', '3', '4', '5'], 'short' => 4]]);
    $theirs = $ask('stranger');
    expect($theirs['nodes'][0]['cells'])->toBe([])->and($theirs['totals']['all'])->toBe(0);

    expect($ask('reader', '&approved=1')['thin'][0]['missing'])->toBe(['1', '2', '3', '4', '5'])
        ->and($ask('reader', '&bank=rocks&status=approved')['totals']['all'])->toBe(0);
    realigned($world, ['record' => ['standards' => ['add' => [aligned(relation: 'touches')]]]]);
    expect($ask('reader')['totals']['without'])->toBe(1)->and($ask('reader', '&touches=1')['totals']['without'])->toBe(0);
});

it('counts through crosswalks what says the same, what has come after and what is broader, and not what is only related', function (
    string $kind,
    bool $isForth,
    int $count,
): void {
    [$world, $framework] = framed();
    realigned($world, ['record' => ['standards' => ['add' => [aligned()]]]]);
    $next = new Framework('d0000000-0000-4000-8000-00000000000a', 'Next', '', [
        new Statement('d0000000-0000-4000-8000-000000000001', 'N.1', 'Minerals'),
    ]);
    $id = app(StoreFramework::class)->asNew($next, $world->people['keeper']);
    $ends = [World::STATEMENT, 'd0000000-0000-4000-8000-000000000001'];
    [$from, $to] = $isForth ? $ends : array_reverse($ends);
    DB::table('statement_associations')->insert(['from_id' => $from, 'to_id' => $to, 'kind' => $kind, 'framework_id' => $id]);

    another($world, 'reader', 'GET', "/coverage?tree=$id&through=1")
        ->assertJsonPath('data.totals.without', 1 - $count);
    expect(countOf($world, 'covers=d0000000-0000-4000-8000-000000000001'))->toBe($count);
})->with([
    ['exact', true, 1],
    ['exact', false, 1],
    ['replaced_by', true, 1],
    ['replaced_by', false, 0],
    ['broader', true, 1],
    ['broader', false, 0],
    ['related', true, 0],
    ['precedes', true, 0],
]);

it('writes coverage as a table that a spreadsheet takes for text', function (): void {
    [$world, $framework] = framed();
    another($world, 'keeper', 'PATCH', "/frameworks/$framework/statements/".World::STATEMENT, ['code' => '=1+1'])
        ->assertNoContent();
    $csv = another($world, 'keeper', 'GET', "/coverage/table?tree=$framework")->assertOk()->getContent();
    expect($csv)->toContain("'=1+1")->toContain('Earth materials')->toContain("\r\n");
});

it('hands different questions to several people, with proposals and the words that decided', function (): void {
    [$world, $framework] = framed();
    $soft = $world->add('Scratch test', '<p>Which minerals scratch glass? Judge by hardness.</p><div data-part="p1"></div>');
    $ask = fn (string $role, array $past = []): array => another($world, $role, 'POST', '/banks/rocks/tagging', ['framework' => $framework, 'take' => 1, 'past' => $past])
        ->assertOk()
        ->json();
    $first = $ask('writer');
    $second = $ask('keeper');
    $both = [$first['data'][0]['question'], $second['data'][0]['question']];
    expect($both)->toEqualCanonicalizing([$world->question, $soft])
        ->and($first['left'])->toBe(2)
        ->and($second['elsewhere'])->toBe(1)
        ->and($ask('writer', [$both[0]])['data'])->toBe([]);

    $proposals = another($world, 'writer', 'GET', "/questions/$soft/proposals?framework=$framework")->json('data');
    expect($proposals[0]['node'])->toBe(World::STATEMENT)->and($proposals[0]['words'])->toContain('hardness', 'minerals');
});

it('proposes nothing from questions of banks one may not read', function (): void {
    [$world, $framework] = framed();
    $rocks = $world->bank;
    $world->bank = \App\Models\Bank::query()->create(['slug' => 'hidden', 'name' => 'Hidden']);
    DB::table('bank_grants')->insert([
        'bank_id' => $world->bank->id,
        'user_id' => $world->people['stranger']->id,
        'role' => 'keeper',
    ]);
    $world->add('Zirkonit', '<p>Zirkonit zirkonit</p><div data-part="p1"></div>', [
        'record' => ['standards' => [(object) aligned(EARTH, 'FEF.1')]],
    ]);
    $world->bank = $rocks;
    $asked = $world->add('Zirkonit again', '<p>Zirkonit</p><div data-part="p1"></div>');

    another($world, 'writer', 'GET', "/questions/$asked/proposals?framework=$framework")
        ->assertOk()
        ->assertJsonMissing(['node' => EARTH])
        ->assertDontSee('zirkonit');
});

it('reads every framework of the demo', function (): void {
    [$world, $framework] = framed();
    foreach (glob(base_path('demo/files/*framework*.json')) ?: [] as $file) {
        [$frameworks] = app(ReadFramework::class)->handle($file, basename($file));
        expect(count($frameworks[0]->statements))->toBeGreaterThan(139);
    }
});
