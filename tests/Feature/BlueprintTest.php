<?php

declare(strict_types=1);

use App\Actions\Dispatch\ExportCollector;
use App\Infrastructure\Cbc;
use App\Models\Assessment;
use App\Models\Bank;
use App\Queries\BlueprintValues;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;
use WideQuarry\Interchange\ExportOptions;
use WideQuarry\Selection\Solver;

/** Twelve questions: three of each difficulty from 1 to 4, of which the last of each is a draft. @return array<string, list<string>> */
function quarryOf(World $world, ?string $topic = null): array
{
    $ids = [];
    foreach (['1', '2', '3', '4'] as $difficulty) {
        for ($i = 0; $i < 3; $i++) {
            $ids[$difficulty][] = $id = $world->add("Q$difficulty$i");
            DB::table('questions')->where('id', $id)->update(
                ['difficulty' => $difficulty, 'status' => $i === 2 ? 'draft' : 'approved', 'points' => $i + 1, 'minutes' => 2],
            );
            if ($topic !== null) {
                DB::table('question_topics')->insert(['question_id' => $id, 'topic_id' => $topic]);
            }
        }
    }

    return $ids;
}

/** A blueprint of one row of topics by difficulty. */
function byDifficulty(World $world, string $topic, array $counts, array $more = []): string
{
    $columns = $cells = [];
    foreach ($counts as $difficulty => $count) {
        $columns[] = ['id' => "c$difficulty", 'title' => "Difficulty $difficulty", 'where' => ['difficulty' => [(string) $difficulty]]];
        $cells[] = ['row' => 'r1', 'column' => "c$difficulty", 'count' => ['min' => $count, 'max' => $count]];
    }
    $rows = [
        ['id' => 'r1', 'title' => 'Slate', 'where' => ['topic' => [$topic]]],
        ['id' => 'r2', 'title' => 'No topic', 'where' => ['no' => ['topic']]],
    ];

    return $world->blueprint(['tables' => [['id' => 't1', 'rows' => $rows, 'columns' => $columns, 'cells' => $cells]], ...$more]);
}

it('says for every place how many there are, approved and not used lately', function (): void {
    $world = new World;
    $this->actingAs($world->people['reader']);
    $topic = $world->topic('Rocks', 'Slate');
    quarryOf($world, $topic);
    $path = '/blueprints/'.byDifficulty($world, $topic, ['1' => 1, '2' => 1]);
    $places = ask('GET', "$path/availability")->assertOk()->json('data.places');

    expect($places['t1|r1|c1'])->toBe(['have' => 3, 'usable' => 3, 'approved' => 2, 'unused' => 3, 'points' => '6'])
        ->and($places['t1|r1|']['have'])->toBe(12)
        ->and($places['t1||c1']['have'])->toBe(3)
        ->and($places['t1|r2|']['have'])->toBe(1) // the question of the world has no topic
        ->and($places['total']['have'])->toBe(13);
});

it('gives a test that meets the demands, the same again, and another', function (): void {
    $world = new World;
    $this->actingAs($world->people['reader']);
    $topic = $world->topic('Rocks', 'Slate');
    $ids = quarryOf($world, $topic);
    $path = '/blueprints/'.byDifficulty($world, $topic, ['1' => 1, '2' => 2], ['total' => ['points' => ['min' => 5]]]);
    $solve = fn (array|stdClass $body): array => ask('POST', "$path/assemble", $body)->assertOk()->json('data');
    $questions = fn (array $found): array => array_column($found['tests'][0]['questions'], 'id');
    $first = $solve(new stdClass);

    expect($first['possible'])->toBeTrue()
        ->and($first['tests'][0]['totals']['count'])->toBe(3)
        ->and($first['tests'][0]['totals']['points'])->toBeGreaterThanOrEqual(5)
        ->and($first['tests'][0]['places']['t1|r1|c2']['count'])->toBe(2)
        ->and($questions($solve(new stdClass)))->toBe($questions($first));
    $other = $questions($solve(['apart' => $questions($first)]));
    expect(count(array_intersect($other, $questions($first))))->toBe(1); // two of three of difficulty 2, twice
    $kept = $ids['1'][0];
    expect($questions($solve(['kept' => [$kept]])))->toContain($kept)
        ->and($questions($solve(['without' => [$questions($first)[0]]])))->not->toContain($questions($first)[0]);
});

it('says in words what is short, and what asking for less gives', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $topic = $world->topic('Rocks', 'Slate');
    quarryOf($world, $topic);
    $id = byDifficulty($world, $topic, ['4' => 6, '1' => 1], ['statuses' => ['approved']]);
    $found = ask('POST', "/blueprints/$id/assemble", new stdClass)->assertOk()->json('data');

    expect($found['possible'])->toBeFalse()
        ->and($found['reasons'])->toHaveCount(1)
        ->and($found['reasons'][0]['sentence'])
        ->toBe('Slate, Difficulty 4 asks for 6; the banks have 3, of which 1 has a status that may not be taken.')
        ->and(array_column($found['reasons'][0]['offers'], 'label'))->toBe(['Ask for 2', 'Ask for 3, with the draft'])
        ->and($found['tests'][0]['short'][0])->toMatchArray(['place' => 't1|r1|c4', 'found' => 2, 'missing' => 4]);
    $twice = ask('POST', "/blueprints/$id/assemble", (object) ['tests' => 2])->json('data.reasons.0.sentence');
    expect($twice)->toStartWith('Slate, Difficulty 4 asks for 6 in each of 2 tests, without common questions; the banks have 3');
    foreach ($found['reasons'][0]['offers'] as $i => $offer) {
        $version = $i + 1;
        ask('PUT', "/blueprints/$id", ['content' => $offer['blueprint']], ['If-Match' => "\"$version\""])->assertOk();
        expect(ask('POST', "/blueprints/$id/assemble", new stdClass)->json('data.possible'))->toBeTrue();
    }
});

it('makes assessments that know their blueprint, in sections, and says what is short later', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $topic = $world->topic('Rocks', 'Slate');
    quarryOf($world, $topic);
    $id = byDifficulty($world, $topic, ['2' => 1, '1' => 1], ['into' => ['sections' => 'columns']]);
    $tests = ask('POST', "/blueprints/$id/assemble", ['tests' => 2])->assertOk()->json('data.tests');
    $given = array_map(fn (array $test): array => array_column($test['questions'], 'id'), $tests);
    expect(array_intersect(...$given))->toBe([]);
    $made = ask('POST', "/blueprints/$id/assessments", ['title' => 'Unit 3', 'bank' => 'rocks', 'tests' => $given, 'course' => 'Earth'])
        ->assertStatus(201)
        ->json('data');
    expect(array_column($made, 'title'))->toBe(['Unit 3 A', 'Unit 3 B']);
    $content = ask('GET', "/assessments/{$made[0]['id']}")->assertOk()->json('data.content');
    expect(array_column($content['sections'], 'title'))->toBe(['Difficulty 2', 'Difficulty 1'])
        ->and($content['blueprint']['id'])->toBe($id)
        ->and(ask('GET', "/assessments/{$made[0]['id']}/blueprint")->assertOk()->json('data.short'))->toBe([]);
    // it names banks and topics of this place only, so it does not go out
    $exported = app(ExportCollector::class)->assessment(
        Assessment::query()->findOrFail($made[0]['id']),
        $world->people['writer'],
        new ExportOptions,
    );
    expect($exported->assessments[0])->not->toHaveProperty('blueprint');
    $content['sections'][0]['entries'] = [];
    ask('PUT', "/assessments/{$made[0]['id']}", ['content' => $content], ['If-Match' => '"1"'])->assertOk();
    expect(ask('GET', "/assessments/{$made[0]['id']}/blueprint")->json('data.short.0'))
        ->toMatchArray(['place' => 't1|r1|c2', 'found' => 0, 'missing' => 1])
        ->and(json_encode(ask('GET', "/assessments/{$made[0]['id']}/check")->assertOk()->json('data')))
        ->toContain('Slate, Difficulty 2: the blueprint asks for 1, this has 0.');
});

it('draws from all questions that meet the same demands', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $topic = $world->topic('Rocks', 'Slate');
    $ids = quarryOf($world, $topic);
    $id = byDifficulty($world, $topic, ['1' => 2, '2' => 3], ['into' => ['as' => 'draws']]);
    $test = ask('POST', "/blueprints/$id/assemble", new stdClass)->assertOk()->json('data.tests.0.questions');
    $made = ask('POST', "/blueprints/$id/assessments", ['title' => 'T', 'bank' => 'rocks', 'tests' => [array_column($test, 'id')]])
        ->assertStatus(201)
        ->json('data.0.id');
    $entries = ask('GET', "/assessments/$made")->json('data.content.sections.0.entries');
    expect($entries[0])->toMatchArray(['draw' => 2, 'title' => 'Slate, Difficulty 1'])
        ->and($entries[0]['pool'])->toEqualCanonicalizing($ids['1'])
        ->and(array_column($entries, 'question'))->toEqualCanonicalizing($ids['2']);
});

it('is made like an assessment, without its questions', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $topic = $world->topic('Rocks', 'Slate');
    $ids = quarryOf($world, $topic);
    $asks = [$ids['1'][0], $ids['1'][1], $ids['3'][0]];
    $asked = ask('POST', '/assessments', ['title' => 'T', 'bank' => 'rocks', 'questions' => $asks])->json('data.id');
    $made = ask('POST', '/blueprints', ['title' => 'Like T', 'bank' => 'rocks', 'assessment' => $asked])->assertStatus(201)->json('data');
    expect(array_column($made['content']['tables'][0]['columns'], 'title'))->toBe(['1', '3']);
    $found = ask('POST', "/blueprints/{$made['id']}/assemble", new stdClass)->json('data');
    // of difficulty 1 only one is left, so it says so
    expect($found['possible'])->toBeFalse()->and(array_column($found['reasons'], 'id'))->toBe(['t1|r1|c1', 'r1']);
});

it('counts nothing of banks one cannot view, and says so', function (): void {
    $world = new World;
    $secret = Bank::query()->create(['slug' => 'secret', 'name' => 'Secret']);
    $id = $world->blueprint();
    DB::table('questions')->where('id', $world->add('Hidden'))->update(['bank_id' => $secret->id]);
    DB::table('blueprints')->where('id', $id)->update(['content' => json_encode(World::blueprintOf($id, $secret->id))]);
    $this->actingAs($world->people['writer']);

    expect(ask('GET', "/blueprints/$id/availability")->json('data'))->toMatchArray(['hidden_banks' => 1])
        ->and(ask('GET', "/blueprints/$id/availability")->json('data.places.total.have'))->toBe(0)
        ->and(ask('GET', "/blueprints/$id/questions?place=total")->json('data'))->toBe([])
        ->and(ask('POST', "/blueprints/$id/assemble", new stdClass)->json('data.possible'))->toBeFalse();
    // what stood there may stay when something else is changed
    $content = [...World::blueprintOf($id, $secret->id), 'title' => 'Renamed'];
    ask('PUT', "/blueprints/$id", ['content' => $content], ['If-Match' => '"1"'])->assertOk();
});

it('says that the solver is missing', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $this->app->instance(Solver::class, new Cbc('/nowhere/cbc'));
    $answer = ask('POST', "/blueprints/{$world->blueprint()}/assemble", new stdClass);
    expect($answer->status())->toBe(422)->and($answer->json('detail'))->toContain('is not installed');
});

it('refuses what is no blueprint, at its place', function (array $more, string $path): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = $world->blueprint();
    $content = [...World::blueprintOf($id, $world->bank->id), ...$more];
    $answer = ask('PUT', "/blueprints/$id", ['content' => $content], ['If-Match' => '"1"']);
    expect($answer->status())->toBe(422)->and($answer->json('path'))->toBe($path);
})->with(fn (): array => [
    'a range upside down' => [['total' => ['points' => ['min' => 4, 'max' => 3]]], '/total/points'],
    'a cell of no row' => [['tables' => [['id' => 't1', 'cells' => [['row' => 'x', 'column' => null]]]]], '/tables/0/cells/0/row'],
    'three levels' => [
        ['tables' => [['id' => 't1', 'rows' => [['id' => 'a', 'lines' => [['id' => 'b', 'lines' => [['id' => 'c']]]]]]]]],
        '/tables/0/rows/0/lines/0/lines',
    ],
    'a condition that is none' => [
        ['tables' => [['id' => 't1', 'rows' => [['id' => 'a', 'where' => ['colour' => ['red']]]]]]],
        '/tables/0/rows/0/where/colour',
    ],
    'too many cells' => [
        ['tables' => [['id' => 't1', 'cells' => array_fill(0, 1001, ['row' => null, 'column' => null])]]],
        '/tables/0/cells',
    ],
    'an unknown rule' => [['rules' => [['id' => 'r1', 'rule' => 'none_at_all']]], '/rules/0/rule'],
]);

it('lists the values of every attribute that can become rows', function (): void {
    $world = new World;
    $this->actingAs($world->people['reader']);
    $topic = $world->topic('Rocks', 'Slate');
    quarryOf($world, $topic);
    $id = $world->blueprint();
    $values = fn (string $of): array => ask('GET', "/blueprints/$id/values?of=$of")->assertOk()->json('data');
    foreach (BlueprintValues::ATTRIBUTES as $attribute) {
        $values($attribute);
    }
    expect(array_map(fn (array $one): array => [$one['title'], $one['depth'], $one['count']], $values('topic')))
        ->toBe([['Rocks', 0, 12], ['Slate', 1, 12]])
        ->and(array_column($values('difficulty'), 'value'))->toBe(['1', '2', '3', '4', '5'])
        ->and(array_column($values('points'), 'where'))->toContain(['points' => ['2..2']]);
    ask('GET', "/blueprints/$id/values?of=colour")->assertStatus(422);
});

it('offers for exchange those of the same cell first', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $topic = $world->topic('Rocks', 'Slate');
    $ids = quarryOf($world, $topic);
    $id = byDifficulty($world, $topic, ['1' => 1, '2' => 1]);
    $test = ask('POST', "/blueprints/$id/assemble", new stdClass)->json('data.tests.0.questions');
    $made = ask('POST', "/blueprints/$id/assessments", ['title' => 'T', 'bank' => 'rocks', 'tests' => [array_column($test, 'id')]])
        ->json('data.0.id');
    $first = array_values(array_intersect(array_column($test, 'id'), $ids['1']))[0];
    // the nearest of another cell differs in less than those of the same: points and minutes
    DB::table('questions')->whereIn('id', array_diff($ids['1'], [$first]))->update(['points' => 9, 'minutes' => 9]);
    DB::table('questions')->whereIn('id', $ids['2'])->update(['difficulty' => 2]);
    $others = ask('GET', "/assessments/$made/entries/e-".str_replace('-', '', $first).'/others')->assertOk()->json('data');

    expect(array_slice(array_column($others, 'id'), 0, 2))->toEqualCanonicalizing(array_values(array_diff($ids['1'], [$first])))
        ->and($others[2]['differs'])->toContain('cell');
});

it('keeps every rule', function (array $rule, callable $holds): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $topic = $world->topic('Rocks', 'Slate');
    $ids = quarryOf($world, $topic);
    DB::table('questions')->whereIn('id', $ids['1'])->update(['key_letter' => 'A', 'reading_words' => 50, 'tags' => '{dating}']);
    DB::table('questions')->whereIn('id', $ids['2'])->update(['key_letter' => 'B', 'reading_words' => 10, 'has' => '{figure}']);
    $stimulus = $world->shared();
    foreach ([$ids['1'][0], $ids['1'][1], $ids['2'][0]] as $id) {
        DB::table('question_stimuli')->insertOrIgnore(['question_id' => $id, 'stimulus_id' => $stimulus]);
    }
    $asked = ask('POST', '/assessments', ['title' => 'T', 'bank' => 'rocks', 'questions' => $ids['2']])->json('data.id');
    $fill = function (mixed $value) use (&$fill, $ids, $asked): mixed {
        return match (true) {
            is_array($value) => array_map($fill, $value),
            $value === 'ASKED' => $asked,
            is_string($value) && preg_match('/^Q(\d)(\d)$/', $value, $m) === 1 => $ids[$m[1]][(int) $m[2]],
            default => $value,
        };
    };
    $more = isset($rule['rule']) ? ['rules' => [['id' => 'q1', ...$fill($rule)]]] : $rule;
    $id = $world->blueprint(['tables' => [], 'conditions' => ['topic' => [$topic]], ...$more, 'total' => [
        'count' => ['min' => 4, 'max' => 4],
        ...$more['total'] ?? [],
    ]]);
    $data = ask('POST', "/blueprints/$id/assemble", new stdClass)->assertOk()->json('data');
    expect($data['possible'])->toBeTrue(json_encode($data['reasons']));
    $taken = array_column($data['tests'][0]['questions'], 'id');
    $of = fn (string $difficulty): int => count(array_intersect($taken, $ids[$difficulty]));
    expect($holds($of, fn (string $d, int $i): bool => in_array($ids[$d][$i], $taken, true), $data['tests'][0]))->toBeTrue();
})->with(fn (): array => [
    'at most of a tag' => [
        ['rule' => 'at_most', 'attribute' => 'tag', 'n' => 1], fn (callable $of): bool => $of('1') <= 1,
    ],
    'all of a stimulus or none' => [
        ['rule' => 'all_or_none'], fn (callable $of, callable $has): bool => $has('1', 0) === $has('1', 1) && $has('1', 0) === $has('2', 0),
    ],
    'never together' => [
        ['rule' => 'never_together', 'questions' => ['Q10', 'Q20']],
        fn (callable $of, callable $has): bool => ! ($has('1', 0) && $has('2', 0)),
    ],
    'must include' => [
        ['rule' => 'must_include', 'questions' => ['Q31', 'Q42']], fn (callable $of, callable $has): bool => $has('3', 1) && $has('4', 2),
    ],
    'leave out' => [
        ['rule' => 'exclude', 'questions' => ['Q10', 'Q11', 'Q12']], fn (callable $of): bool => $of('1') === 0,
    ],
    'not of an assessment' => [['rule' => 'not_in', 'assessments' => ['ASKED']], fn (callable $of): bool => $of('2') === 0],
    'with pictures' => [
        ['rule' => 'some', 'where' => ['has' => ['figure']], 'count' => ['min' => 3]], fn (callable $of): bool => $of('2') === 3,
    ],
    'key letters' => [['rule' => 'key_spread', 'n' => 0], fn (callable $of): bool => $of('1') === $of('2')],
    'mean difficulty' => [
        ['rule' => 'mean_difficulty', 'min' => 3.5],
        fn (callable $of): bool => $of('1') + 2 * $of('2') + 3 * $of('3') + 4 * $of('4') >= 14,
    ],
    'words to read' => [
        ['total' => ['words' => ['min' => 150]]], fn (callable $of): bool => 50 * $of('1') + 10 * $of('2') >= 150,
    ],
    'a wish' => [['wishes' => [['id' => 'w', 'where' => ['difficulty' => ['3']]]]], fn (callable $of): bool => $of('3') === 3],
]);

it('counts 500 cells, and solves over none', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $lines = fn (string $letter, int $count): array => array_map(
        fn (int $i): array => ['id' => "$letter$i", 'title' => "$letter$i", 'where' => ['tag' => ["$letter$i"]]],
        range(1, $count),
    );
    $cells = [];
    foreach (range(1, 25) as $r) {
        foreach (range(1, 20) as $c) {
            $cells[] = ['row' => "r$r", 'column' => "c$c", 'count' => ['max' => 1]];
        }
    }
    $id = $world->blueprint(['tables' => [['id' => 't1', 'rows' => $lines('r', 25), 'columns' => $lines('c', 20), 'cells' => $cells]]]);

    expect(ask('GET', "/blueprints/$id/availability")->assertOk()->json('data.places'))->toHaveCount(26 * 21 + 45 + 1)
        ->and(ask('POST', "/blueprints/$id/assemble", new stdClass)->assertOk()->json('data.possible'))->toBeTrue();
});
