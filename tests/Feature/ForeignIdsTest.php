<?php

declare(strict_types=1);

use App\Actions\Assembly\SaveAssessment;
use App\Http\OpenApi\Description;
use App\Models\Bank;
use App\Queries\Folders;
use App\Queries\Topics;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Feature\World;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Parts\StandardKinds;

/*
 * The second half of the rights test: ids of a bank one may not read, put into every id-shaped place of every body of every route. The
 * bodies are those of routes.php, made richer here where they hold objects; what the API description calls a uuid is walked even when
 * no example names it. Every word of the hidden bank is "zirkonit": no answer may hold it, and the bank may not change.
 */

const ANY_UUID = '/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/D';

/** @return array<string, string> what kind of thing → its id, in a bank that nobody but the stranger reads */
function hiddenThings(World $world): array
{
    $rocks = $world->bank;
    $writer = $world->people['writer'];
    $world->bank = Bank::query()->create(['slug' => 'hidden', 'name' => 'Zirkonit bank']);
    DB::table('bank_grants')->insert(['bank_id' => $world->bank->id, 'user_id' => $world->people['stranger']->id, 'role' => 'keeper']);
    $world->people['writer'] = $world->people['stranger'];
    $stimulus = $world->shared(null, 'Zirkonit section', '<p>zirkonit</p>');
    $question = $world->add('Zirkonit crystals', '<p>zirkonit</p><div data-part="p1"></div>', [
        'stimuli' => [$stimulus],
        'record' => ['tags' => ['zirkonit'], 'topics' => [['Zirkonit topic']]],
    ]);
    $folder = (string) Folders::at(['Zirkonit folder'], $world->bank->id);
    DB::table('placements')->insert(['question_id' => $question, 'folder_id' => $folder]);
    $test = Document::read(Document::fresh((string) Str::uuid7(), 'Zirkonit test'), StandardKinds::all())->with([$question => 1]);
    $things = [
        'question' => $question,
        'stimulus' => $stimulus,
        'folder' => $folder,
        'topic' => (string) Topics::at(['Zirkonit topic'], $world->bank->id),
        'bank' => $world->bank->id,
        'assessment' => app(SaveAssessment::class)->create($test, $world->bank->id, $world->people['stranger'])->id,
    ];
    $world->bank = $rocks;
    $world->people['writer'] = $writer;

    return $things;
}

/** What of the hidden bank could be changed, as one hash. */
function hiddenState(string $bank): string
{
    $rows = [];
    foreach (
        [
            'SELECT * FROM banks WHERE id = ?',
            'SELECT bank_id, user_id, team_id, role FROM bank_grants WHERE bank_id = ?',
            'SELECT * FROM questions WHERE bank_id = ?',
            'SELECT * FROM stimuli WHERE bank_id = ?',
            'SELECT * FROM folders WHERE bank_id = ?',
            'SELECT * FROM topics WHERE bank_id = ?',
            'SELECT * FROM assessments WHERE bank_id = ?',
            'SELECT * FROM blueprints WHERE bank_id = ?',
            'SELECT id, kind FROM bulk_operations WHERE bank_id = ?',
            'SELECT revisions.* FROM revisions JOIN questions ON id = question_id WHERE bank_id = ?',
            'SELECT placements.* FROM placements JOIN folders ON id = folder_id WHERE bank_id = ?',
            'SELECT placements.* FROM placements JOIN questions ON id = question_id WHERE bank_id = ?',
            'SELECT question_topics.* FROM question_topics JOIN topics ON id = topic_id WHERE bank_id = ?',
        ] as $query
    ) {
        $rows[] = DB::select("$query ORDER BY 1, 2", [$bank]);
    }

    return hash('sha256', (string) json_encode($rows));
}

/** A test with every place that names something: a pinned entry with its stimuli, a variation, a draw. */
function richAssessment(World $world): array
{
    $id = explode('/', $world->entryPath())[2];
    $stimulus = $world->shared();
    $variation = World::json();
    $variation->stimuli = [$stimulus];

    return [
        "/assessments/$id",
        [
            'content' => [
                'format' => 'wide-quarry/assessment',
                'version' => 1,
                'id' => $id,
                'title' => 'T',
                'sections' => [
                    [
                        'id' => 's1',
                        'entries' => [
                            [
                                'id' => 'e1',
                                'question' => $world->question,
                                'follow' => 'pinned',
                                'revision' => 1,
                                'stimuli' => [$stimulus => 1],
                            ],
                            ['id' => 'e2', 'question' => $world->question, 'variation' => $variation],
                            ['id' => 'd1', 'draw' => 1, 'pool' => [$world->question]],
                            [
                                'id' => 'd2',
                                'draw' => 2,
                                'from' => [
                                    [
                                        'draw' => 1,
                                        'conditions' => ['folder' => [$world->folder()], 'not-topic' => [$world->topic()]],
                                        'banks' => [$world->bank->id],
                                    ],
                                    ['draw' => 1, 'pool' => [$world->question]],
                                ],
                            ],
                        ],
                    ],
                ],
            ],
        ],
        ['If-Match' => '"1"'],
    ];
}

/** @return array<string, callable(World): array> richer requests than those of routes.php */
function richRequests(): array
{
    $shown = function (World $world): stdClass {
        $json = World::json();
        $json->stimuli = [$world->shared()];

        return $json;
    };

    return [
        'PUT api/v1/assessments/{assessment}' => richAssessment(...),
        'PUT api/v1/blueprints/{blueprint}' => fn (World $w): array => [
            '/blueprints/'.($id = $w->blueprint()),
            ['content' => World::blueprintOf($id, $w->bank->id, [
                'conditions' => ['topic' => [$w->topic()]],
                'rules' => [
                    ['id' => 'a', 'rule' => 'must_include', 'questions' => [$w->question]],
                    ['id' => 'b', 'rule' => 'not_in', 'assessments' => [$w->assessment()]],
                    ['id' => 'c', 'rule' => 'some', 'where' => ['folder' => [$w->folder()]], 'count' => ['min' => 1]],
                ],
                'wishes' => [['id' => 'w', 'where' => ['stimulus' => [$w->shared()]]]],
            ])],
            ['If-Match' => '"1"'],
        ],
        'PUT api/v1/questions/{question}' => fn (World $w): array => [
            "/questions/$w->question",
            ['question' => $shown($w)],
            ['If-Match' => '"1"'],
        ],
        'POST api/v1/present' => fn (World $w): array => ['/present', ['question' => $shown($w)]],
        'POST api/v1/starts' => fn (World $w): array => ['/starts', ['name' => 'Mine', 'question' => $shown($w)]],
        'POST api/v1/banks/{bank}/acts' => fn (World $w): array => [
            '/banks/rocks/acts',
            ['ids' => [$w->question], 'record' => ['tags' => ['add' => ['x']]], 'folders' => ['add' => [['F']]]],
        ],
        'PUT api/v1/banks/{bank}/grants' => fn (World $w): array => [
            '/banks/rocks/grants',
            ['grants' => [['person' => $w->people['keeper']->id, 'role' => 'keeper']]],
        ],
    ];
}

/**
 * @return list<mixed> the body again and again, each time with the hidden id in another place: a value, a key, or an entry of a list
 */
function withForeign(mixed $body, string $foreign): array
{
    if (is_string($body)) {
        return preg_match(ANY_UUID, $body) === 1 ? [$foreign] : [];
    }
    $bodies = [];
    foreach (is_iterable($body) ? $body : [] as $key => $value) {
        foreach (withForeign($value, $foreign) as $changed) {
            $bodies[] = array_replace($body, [$key => $changed]);
        }
        if (is_string($key) && preg_match(ANY_UUID, $key) === 1) {
            $bodies[] = [...array_diff_key($body, [$key => 1]), $foreign => $value];
        }
    }

    return $bodies;
}

/** @return array<string, string> fields that the description calls ids: uuid or uuid[] */
function idFields(string $route): array
{
    foreach (app('router')->getRoutes()->getRoutes() as $one) {
        assert($one instanceof Route);
        if ($one->methods()[0].' '.preg_replace('~\{(\w+):\w+\}~', '{$1}', $one->uri()) === $route) {
            return array_filter(Description::operation($one)->body ?? [], fn (string $type): bool => str_starts_with($type, 'uuid'));
        }
    }

    return [];
}

/** Everything that could show what a request stored. */
function answersAfterwards(World $world): string
{
    $paths = [
        '/tray',
        '/assessments',
        '/desk',
        '/transfers',
        '/banks/rocks/questions',
        '/banks/rocks/trees',
        '/banks/rocks/acts',
        '/stimuli',
        '/starts',
        '/blueprints',
    ];
    foreach (
        DB::table('assessments')
            ->where('bank_id', $world->bank->id)
            ->get(['id', 'content']) as $assessment
    ) {
        array_push($paths, "/assessments/$assessment->id", "/assessments/$assessment->id/sheet?which=key");
        foreach (json_decode($assessment->content)->sections as $section) {
            array_push(
                $paths,
                ...array_map(
                    fn (stdClass $entry): string => "/assessments/$assessment->id/".
                        (isset($entry->pool) ? 'draws' : 'entries').
                        "/$entry->id",
                    $section->entries,
                ),
            );
        }
    }
    foreach (DB::table('questions')->where('bank_id', $world->bank->id)->pluck('id') as $id) {
        $paths[] = "/questions/$id";
    }
    foreach (DB::table('dispatches')->pluck('id') as $id) {
        $paths[] = "/dispatches/$id";
    }

    return implode("\n", array_map(fn (string $path): string => "$path: ".ask('GET', $path)->content(), $paths));
}

$routes = array_filter(
    require __DIR__.'/routes.php',
    fn (string $route): bool => ! str_starts_with($route, 'GET ') && ! str_starts_with($route, 'DELETE '),
    ARRAY_FILTER_USE_KEY,
);

it('takes no id of a hidden bank in any body', function (string $route) use ($routes): void {
    $world = new World;
    $hidden = hiddenThings($world);
    [$statuses, $make] = $routes[$route];
    $make = richRequests()[$route] ?? $make;
    $role = $statuses[3] < 300 ? 'writer' : 'keeper';
    [$path, $body, $headers] = [...$make($world), []];
    $this->actingAs($world->people[$role]);
    $body = $body === null ? [] : json_decode((string) json_encode($body), true);
    $before = hiddenState($hidden['bank']);
    foreach ($hidden as $what => $id) {
        $bodies = withForeign($body, $id);
        foreach (idFields($route) as $field => $type) {
            $bodies[] = [...$body, $field => str_contains($type, '[]') ? [$id] : $id];
        }
        foreach ($bodies as $changed) {
            DB::beginTransaction();
            $response = ask(explode(' ', $route)[0], $path, (string) json_encode($changed), $headers);
            $seen =
                $response->baseResponse instanceof Symfony\Component\HttpFoundation\StreamedResponse
                    ? $response->streamedContent()
                    : (string) $response->content();
            $where = "$route with a $what: ".json_encode($changed);
            expect($response->status())
                ->toBeLessThan(500, $where)
                ->and(str_contains(mb_strtolower($seen), 'zirkonit'))
                ->toBeFalse($where)
                ->and(hiddenState($hidden['bank']))
                ->toBe($before, $where);
            if ($response->status() < 300) {
                expect(str_contains(mb_strtolower(answersAfterwards($world)), 'zirkonit'))->toBeFalse("afterwards: $where");
            }
            DB::rollBack();
        }
    }
    expect(true)->toBeTrue(); // bodies without ids have nothing to put one into
})->with(array_combine(array_keys($routes), array_map(fn (string $route): array => [$route], array_keys($routes))));

it('gives nothing away of a question that could be read when it was put into an assessment', function (): void {
    $world = new World;
    $hidden = hiddenThings($world);
    DB::table('bank_grants')->insert(['bank_id' => $hidden['bank'], 'user_id' => $world->people['writer']->id, 'role' => 'reader']);
    $this->actingAs($world->people['writer']);
    $id = ask('POST', '/assessments', ['title' => 'Mine', 'bank' => 'rocks', 'questions' => [$hidden['question'], $world->question]])
        ->assertStatus(201)
        ->json('data.id');
    $print = DB::table('prints')->insert([
        'id' => ($print = (string) Str::uuid7()),
        'assessment_id' => $id,
        'user_id' => $world->people['writer']->id,
        'which' => 'key',
        'source' => 'x',
        'sha256' => str_repeat('0', 64),
        'pages' => 1,
        'questions' => '{'.$hidden['question'].'}',
    ])
        ? $print
        : '';
    $file = ask('POST', '/dispatches', ['format' => 'pack', 'assessment' => $id])->json('data.id');
    $questions = ask('POST', '/dispatches', ['format' => 'pack', 'questions' => [$hidden['question']]])->json('data.id');
    ask('GET', "/dispatches/$file/file")->assertOk();
    DB::table('bank_grants')->where('bank_id', $hidden['bank'])->where('user_id', $world->people['writer']->id)->delete();

    // what stood there may stay, and the entry can be varied; the original is not shown with it
    $whole = ask('GET', "/assessments/$id")
        ->assertOk()
        ->json('data');
    $entry = $whole['content']['sections'][0]['entries'][0]['id'];
    ask('PUT', "/assessments/$id/entries/$entry", ['question' => World::json()], ['If-Match' => '"2"'])->assertOk();
    $shown = ask('GET', "/assessments/$id/entries/$entry")
        ->assertOk()
        ->json('data');
    expect($shown['origin'])
        ->toBeNull()
        ->and($shown['before'])
        ->toBeNull()
        ->and($shown['uses'])
        ->toBe(['assessments' => [], 'others' => 0])
        ->and($whole['entries'][$entry])
        ->toMatchArray(['hidden' => true, 'title' => '', 'stem' => '', 'bank' => null])
        // a person's own receipts keep what they sent out when they could
        ->and(
            array_values(
                array_filter(
                    explode("\n", mb_strtolower(answersAfterwards($world))),
                    fn (string $line): bool => str_contains($line, 'zirkonit') &&
                        ! str_starts_with($line, '/transfers') &&
                        ! str_starts_with($line, '/dispatches'),
                ),
            ),
        )
        ->toBe([])
        ->and(ask('GET', "/dispatches/$file/file")->status())
        ->toBe(404)
        ->and(ask('GET', "/dispatches/$questions/file")->status())
        ->toBe(404)
        ->and(ask('GET', "/assessments/$id/prints/$print")->status())
        ->toBe(404);
    DB::table('assessments')->where('id', $hidden['assessment'])->delete();
    // their use no longer counts: the owner may delete the question
    expect(
        another($world, 'stranger', 'POST', '/banks/hidden/acts', ['ids' => [$hidden['question']], 'bin' => true])->json(),
    )->toMatchArray(['changed' => 1, 'left' => []]);
});

it('does not confirm that an id exists elsewhere', function (): void {
    $world = new World;
    $hidden = hiddenThings($world);
    DB::table('questions')->where('id', $hidden['question'])->exists() || throw new LogicException;
    $this->actingAs($world->people['writer']);
    $old = '01890000-0000-7000-8000-000000000001'; // made in 2023
    DB::table('questions')->where('bank_id', $world->bank->id)->count();
    $create = fn (string $id): Illuminate\Testing\TestResponse => ask('POST', '/banks/rocks/questions', ['question' => World::json($id)]);
    $this->travel(2)->hours();
    [$taken, $free] = [$create($hidden['question']), $create($old)];
    expect([$taken->status(), $free->status()])
        ->toBe([201, 201])
        ->and($taken->json('data.id'))
        ->not->toBe($hidden['question'])
        ->and($free->json('data.id'))
        ->not->toBe($old)
        ->and($create($world->question)->status())
        ->toBe(409);
    [$taken, $free] = [
        ask('POST', '/banks/rocks/stimuli', ['stimulus' => World::stimulus($hidden['stimulus'])]),
        ask('POST', '/banks/rocks/stimuli', ['stimulus' => World::stimulus($old)]),
    ];
    expect([$taken->status(), $free->status()])
        ->toBe([201, 201])
        ->and($taken->json('data.id'))
        ->not->toBe($hidden['stimulus'])
        ->and($free->json('data.id'))
        ->not->toBe($old);
});
