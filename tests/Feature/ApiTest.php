<?php

declare(strict_types=1);

use App\Actions\ExportBank;
use App\Actions\ImportQuestions;
use App\Http\OpenApi\Description;
use App\Models\User;
use Database\Seeders\DemoSeeder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Feature\World;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;

it('signs in and out, with one sentence for every refusal, and slows down guessing', function (): void {
    new World;
    expect(ask('POST', '/session', ['email' => 'writer@fellmoor.example', 'password' => 'limestone-7'])->status())
        ->toBe(200)
        ->and(ask('POST', '/session', ['email' => 'nobody@fellmoor.example', 'password' => 'x'])->json('detail'))
        ->toBe(ask('POST', '/session', ['email' => 'writer@fellmoor.example', 'password' => 'x'])->json('detail'));
    for ($i = 0; $i < 12; $i++) {
        $last = ask('POST', '/session', ['email' => 'keeper@fellmoor.example', 'password' => "guess $i"]);
    }
    expect($last->status())->toBe(429)->and($last->headers->get('Content-Type'))->toBe('application/problem+json');
});

it('answers problems with a sentence and the place', function (mixed $body, string $type, ?string $path): void {
    $this->actingAs((new World)->people['reader']);
    $response = ask('POST', '/present', $body);

    expect($response->status())
        ->toBe(422)
        ->and($response->headers->get('Content-Type'))
        ->toBe('application/problem+json')
        ->and($response->json('type'))
        ->toBe("urn:wide-quarry:problem:$type")
        ->and($response->json('path'))
        ->toBe($path);
})->with([
    'no JSON' => ['{"question": ', 'json.syntax', ''],
    'an unknown field' => [['question' => (object) [], 'colour' => 1], 'field.unknown', '/colour'],
    'nothing to present' => [(object) [], 'field.missing', ''],
    'a question without a body' => [
        [
            'question' => (function (): stdClass {
                $json = json_decode((string) file_get_contents(__DIR__.'/../../core/schema/examples/choice.json'))->valid;
                unset($json->body);

                return $json;
            })(),
        ],
        'field.missing',
        '',
    ],
    'a question of a kind that comes later' => [
        ['question' => json_decode((string) file_get_contents(__DIR__.'/../../core/schema/examples/formula.json'))->valid],
        'part.kind_unavailable',
        '/parts/0/kind',
    ],
]);

it('saves revisions, names the newer one, and keeps what was sent', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $json = World::json();
    $json->title = 'Changed';
    $json->body = '<p onclick="x">Which?</p><div data-part="p1"></div>';
    $first = ask('PUT', "/questions/$world->question", ['question' => $json], ['If-Match' => '"1"']);
    expect($first->status())
        ->toBe(200)
        ->and($first->headers->get('ETag'))
        ->toBe('"2"')
        ->and($first->json('data.question.body'))
        ->toBe('<p>Which?</p><div data-part="p1"></div>')
        ->and(ask('PUT', "/questions/$world->question", ['question' => $json], ['If-Match' => '"1"'])->status())
        ->toBe(412)
        ->and(ask('PUT', "/questions/$world->question", ['question' => $json])->status())
        ->toBe(428)
        ->and(DB::table('revisions')->where('question_id', $world->question)->count())
        ->toBe(2)
        ->and(DB::table('questions')->value('title'))
        ->toBe('Changed');
    expect(fn () => DB::table('revisions')->update(['content' => '{}']))->toThrow(Illuminate\Database\QueryException::class);
});

it('tells the revisions of a question, and what each changed', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $json = World::json();
    $json->title = 'Two rocks';
    ask('PUT', "/questions/$world->question", ['question' => $json, 'note' => 'A title'], ['If-Match' => '"1"']);
    $json->parts[0]->points = 7;
    ask('PUT', "/questions/$world->question", ['question' => $json], ['If-Match' => '"2"']);
    $places = fn (string $path): array => array_map(
        fn (array $one): string => implode(' ', array_column($one['path'], 'name')),
        ask('GET', "/questions/$world->question/revisions$path")->json('differences'),
    );
    $all = ask('GET', "/questions/$world->question/revisions")->json('data');
    expect(array_map(fn (array $one): array => [$one['number'], $one['note'], $one['person']], $all))
        ->toBe([[3, '', 'writer'], [2, 'A title', 'writer'], [1, '', null]])
        ->and($places('/1'))
        ->toBe([])
        ->and($places('/2'))
        ->toBe(['title'])
        ->and($places('/3'))
        ->toBe(['parts points'])
        ->and($places('/3?since=1'))
        ->toBe(['title', 'parts points'])
        ->and(ask('GET', "/questions/$world->question/revisions/2")->json('content.title'))
        ->toBe('Two rocks')
        ->and(ask('GET', "/questions/$world->question/revisions/9")->status())
        ->toBe(404);
});

it('creates once for one key', function (): void {
    $this->actingAs((new World)->people['writer']);
    $body = ['question' => World::json((string) Str::uuid7())];
    $headers = ['Idempotency-Key' => 'k1'];
    $first = ask('POST', '/banks/rocks/questions', $body, $headers);
    $again = ask('POST', '/banks/rocks/questions', $body, $headers);

    expect([$first->status(), $again->status()])
        ->toBe([201, 201])
        ->and($again->content())
        ->toBe($first->content())
        ->and(DB::table('questions')->count())
        ->toBe(2)
        ->and(ask('POST', '/banks/rocks/questions', ['question' => World::json((string) Str::uuid7())], $headers)->status())
        ->toBe(422);
});

it('pages by cursor without missing or repeating a question', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    foreach (range(1, 120) as $i) {
        $json = World::json((string) Str::uuid7());
        $json->title = 'Same title '.$i % 7;
        app(App\Actions\SaveQuestion::class)->create(
            WideQuarry\Question\Question::read($json, StandardKinds::all()),
            $world->bank->id,
            null,
        );
    }
    $seen = [];
    $cursor = null;
    do {
        $page = ask('GET', '/banks/rocks/questions'.($cursor === null ? '' : "?cursor=$cursor"));
        $seen = [...$seen, ...array_column($page->json('data'), 'id')];
        $cursor = $page->json('meta.next_cursor');
    } while ($cursor !== null);
    expect($seen)->toHaveCount(121)->and(array_unique($seen))->toHaveCount(121);
});

it('reads a list of banks with one query for all of them', function (): void {
    $this->actingAs((new World)->people['reader']);
    DB::enableQueryLog();
    ask('GET', '/banks');
    expect(DB::getQueryLog())->toHaveCount(1);
});

it('shows a question placed elsewhere to readers of that bank', function (): void {
    $world = new World;
    $other = App\Models\Bank::query()->create(['slug' => 'other', 'name' => 'Other']);
    DB::table('bank_grants')->insert(['bank_id' => $other->id, 'user_id' => $world->people['stranger']->id, 'role' => 'writer']);
    $folder = (string) Str::uuid7();
    DB::table('folders')->insert(['id' => $folder, 'bank_id' => $other->id, 'name' => 'F', 'path' => 'f']);
    DB::table('placements')->insert(['question_id' => $world->question, 'folder_id' => $folder]);
    $this->actingAs($world->people['stranger']);

    expect(ask('GET', "/questions/$world->question")->status())
        ->toBe(200)
        ->and(ask('PUT', "/questions/$world->question", ['question' => World::json()], ['If-Match' => '"1"'])->status())
        ->toBe(403);
});

it('describes itself as it is', function (): void {
    $description = app(Description::class)->build();
    $routes = array_filter(
        app('router')->getRoutes()->getRoutes(),
        fn ($route): bool => str_starts_with($route->uri(), 'api/v1/') && $route->uri() !== 'api/v1/openapi.json',
    );
    $json = (string) json_encode($description);
    $unused = fn (string $name): bool => ! str_contains($json, '"#\/components\/schemas\/'.$name.'"');

    expect(count($routes))
        ->toBe(array_sum(array_map(count(...), $description['paths'])))
        ->and(array_filter(array_keys($description['components']['schemas']), $unused))
        ->toBe([]);
});

it('loads the demo, and sends a bank out and back without loss', function (): void {
    $this->seed(DemoSeeder::class);
    $bank = App\Models\Bank::query()->where('slug', 'rocks')->firstOrFail();
    $orla = User::query()->where('email', 'orla@fellmoor.example')->firstOrFail();
    foreach (['pack', 'qti30'] as $format) {
        $file = (string) tempnam(sys_get_temp_dir(), 'out');
        $sent = app(ExportBank::class)->handle($bank, $format, $file, $orla)->body;
        $other = App\Models\Bank::query()->create(['slug' => "copy-$format", 'name' => 'Copy']);
        DB::table('bank_grants')->insert(['bank_id' => $other->id, 'user_id' => $orla->id, 'role' => 'keeper']);
        DB::table('questions')->where('bank_id', $bank->id)->delete();
        $tally = app(ImportQuestions::class)->handle($file, 'out.zip', $other, [], $orla)->body->result;
        $again = (string) tempnam(sys_get_temp_dir(), 'out');
        app(ExportBank::class)->handle($other, $format, $again, $orla);
        expect($tally->added)->toBe($sent->questions)->and(hash_file('sha256', $again))->toBe(hash_file('sha256', $file));
        $skipped = app(ImportQuestions::class)->handle($file, 'out.zip', $other, [], $orla)->body->result;
        expect([$skipped->added, $skipped->skipped])->toBe([0, $sent->questions]);
        $bank = $other;
        unlink($file);
        unlink($again);
    }
    // one is left unfinished on purpose, for the study of its rolls to find
    expect(DB::table('questions')->where('is_complete', false)->pluck('title')->all())->toBe(['Draft: rock per person']);
});

it('leaves nothing behind of a package that fails halfway', function (): void {
    $world = new World;
    $file = (string) tempnam(sys_get_temp_dir(), 'bad');
    file_put_contents($file, substr((string) file_get_contents(DemoSeeder::package('maps', StandardKinds::all())), 0, 900));
    $before = DB::table('questions')->count();
    expect(fn () => app(ImportQuestions::class)->handle($file, 'bad.zip', $world->bank, [], $world->people['keeper']))->toThrow(
        App\Errors\Refused::class,
        'not a whole ZIP package',
    );
    expect(DB::table('questions')->count())->toBe($before);
});

it('keeps what was typed for the one who typed it', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    ask('PUT', '/autosaves/new:rocks', '{"content":{"settings":{}},"base_revision":null}');
    expect(Json::encode(Json::decode((string) ask('GET', '/autosaves/new:rocks')->content())->content))->toBe('{"settings":{}}');
    $this->flushSession()->actingAs($world->people['keeper']);
    expect(ask('GET', '/autosaves/new:rocks')->status())->toBe(204);
});

it('has an untidy package that is as it is made', function (): void {
    $made = (string) tempnam(sys_get_temp_dir(), 'untidy');
    Database\Seeders\UntidyPackage::write($made);
    $same = hash_file('sha256', $made) === hash_file('sha256', base_path('demo/files/quarry-visit.zip'));
    unlink($made);

    expect($same)->toBeTrue();
});

it('has demo packages that hold the demo as it is', function (string $bank): void {
    $made = DemoSeeder::package($bank, StandardKinds::all());
    $same = hash_file('sha256', $made) === hash_file('sha256', base_path("demo/files/$bank.zip"));
    unlink($made);

    expect($same)->toBeTrue("Run bin/quarry write pack database/demo/$bank.json --out=demo/files/$bank.zip");
})->with(['rocks', 'maps', 'water', 'field-maths', 'measuring', 'hazards', 'field-notes', 'evidence']);

it('keeps what new questions of a bank begin with, and says what cannot be that', function (): void {
    $world = new World;
    $this->actingAs($world->people['keeper']);
    $defaults = [
        'points' => 2,
        'shuffle' => false,
        'show' => 'after',
        'attempts' => ['allowed' => 2, 'cost' => '1/4'],
        'normalise' => ['case' => 'keep'],
    ];
    $changed = ask('PATCH', '/banks/rocks', ['defaults' => $defaults])
        ->assertOk()
        ->json('data');
    expect($changed['defaults'])->toEqual($defaults)->and($changed['name'])->toBe('Rocks');
    ask('PATCH', '/banks/rocks', ['defaults' => ['attempts' => ['cost' => '2']]])
        ->assertStatus(422)
        ->assertJsonPath('path', '/defaults/attempts/cost');
    expect(ask('GET', '/banks/rocks')->json('data.defaults.points'))->toBe(2);
});

it('keeps beginnings of questions for one person, without what was only of that question', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $question = World::json();
    $question->record = (object) ['notes' => 'secret'];
    $id = ask('POST', '/starts', ['name' => ' Four rocks ', 'question' => $question])
        ->assertStatus(201)
        ->json('id');
    $kept = ask('GET', '/starts')->json('data.0');
    expect($kept['name'])
        ->toBe('Four rocks')
        ->and($kept['question']['title'])
        ->toBe('')
        ->and($kept['question'])
        ->not->toHaveKey('record')
        ->and($kept['question']['parts'][0]['settings']['options'])
        ->toHaveCount(3);
    ask('POST', '/starts', ['name' => ' ', 'question' => $question])
        ->assertStatus(422)
        ->assertJsonPath('path', '/name');
    ask('DELETE', "/starts/$id")->assertStatus(204);
    expect(ask('GET', '/starts')->json('data'))->toBe([]);
});

it('keeps what was typed with characters that cannot be stored, and says that they were removed', function (): void {
    $this->actingAs((new World)->people['writer']);
    $answer = ask('PUT', '/autosaves/new:rocks', '{"content":{"body":"sl\u0000ate\ud83d, 🪨"}}');
    expect($answer->status())
        ->toBe(204)
        ->and($answer->headers->get('Quarry-Removed-Characters'))
        ->toBe('2')
        ->and(ask('GET', '/autosaves/new:rocks')->json('content.body'))
        ->toBe('slate, 🪨')
        ->and(ask('PUT', '/autosaves/new:rocks', '{"content":{}}')->headers->has('Quarry-Removed-Characters'))
        ->toBeFalse();
});

it('takes a key over from a request that died, and keeps nothing of that', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $send = fn (): Illuminate\Testing\TestResponse => ask('POST', '/banks', ['name' => 'Once'], ['Idempotency-Key' => 'k9']);
    $body = (string) json_encode(['name' => 'Once']);
    DB::table('idempotency_keys')->insert([
        'user_id' => $world->people['writer']->id,
        'key' => 'k9',
        'fingerprint' => hash('sha256', 'POST'.'api/v1/banks'.$body),
        'created_at' => now()->subMinute(),
    ]);
    expect($send()->status())->toBe(409); // it may still be at work
    DB::table('idempotency_keys')->update(['created_at' => now()->subMinutes(3)]);
    expect($send()->status())
        ->toBe(201)
        ->and($send()->status())
        ->toBe(201)
        ->and(DB::table('banks')->where('name', 'Once')->count())
        ->toBe(1);
});

it('prunes what nobody needs, and nothing else', function (): void {
    $world = new World;
    $store = new App\Storage\StoredFiles('files');
    foreach (['kept' => 2, 'unused' => 2, 'fresh' => 0] as $text => $days) {
        $store->putBytes(hash('sha256', $text), $text);
        touch($store->path(hash('sha256', $text)), time() - $days * 86_400);
    }
    $dispatch = $world->failedDispatch();
    DB::table('dispatches')
        ->where('id', $dispatch)
        ->update(['sha256' => hash('sha256', 'kept'), 'state' => 'ready']);
    DB::table('idempotency_keys')->insert([
        ['user_id' => $world->people['writer']->id, 'key' => 'old', 'fingerprint' => '', 'created_at' => now()->subDays(2)],
        ['user_id' => $world->people['writer']->id, 'key' => 'new', 'fingerprint' => '', 'created_at' => now()],
    ]);
    app(App\Actions\Prune::class)->handle();
    expect(array_map(fn (string $text): bool => $store->isWhole(hash('sha256', $text)), ['kept', 'unused', 'fresh']))
        ->toBe([true, false, true])
        ->and(DB::table('idempotency_keys')->pluck('key')->all())
        ->toBe(['new']);
    DB::table('dispatches')->update(['updated_at' => now()->subDays(31)]);
    app(App\Actions\Prune::class)->handle();
    expect($store->isWhole(hash('sha256', 'kept')))
        ->toBeFalse()
        ->and(DB::table('dispatches')->where('id', $dispatch)->exists())
        ->toBeTrue();
});

it('never shows questions in the log', function (): void {
    $world = new World;
    $log = Illuminate\Support\Facades\Log::spy();
    $problem = new Illuminate\Database\QueryException(
        'pgsql',
        'INSERT INTO revisions (content) VALUES (?)',
        ['zirkonit'],
        new PDOException("SQLSTATE[23514]: Check violation: 7 ERROR:  new row violates check\nDETAIL:  Failing row contains (zirkonit)."),
    );
    report($problem);
    $log->shouldHaveReceived('error')
        ->once()
        ->withArgs(fn (string $message, array $context): bool => ! str_contains((string) json_encode([$message, $context]), 'zirkonit'));
});

it('says apart whether it is live and ready', function (): void {
    expect($this->get('/up/live')->json())
        ->toBe(['live' => true])
        ->and($this->get('/up')->status())
        ->toBe(503);
    DB::table('workers')->insert(['name' => 'w', 'beat_at' => now()]);
    expect($this->get('/up/ready')->json())->toBe(['ready' => true, 'database' => true, 'disk' => true, 'worker' => true]);
    DB::table('workers')->update(['beat_at' => now()->subMinute()]);
    expect($this->get('/up/ready')->json('worker'))->toBeFalse();
    DB::table('workers')->update(['job' => 'ReadIntake']); // busy with a long one
    expect($this->get('/up/ready')->json('worker'))->toBeTrue();
});

it('serves a page only for addresses that there are', function (string $path, int $status): void {
    expect($this->get($path)->status())->toBe($status);
})->with(function (): array {
    preg_match_all("~screen\(\s*'(/[^']*)'~", (string) file_get_contents(dirname(__DIR__, 2).'/resources/js/screens.ts'), $screens);

    return [
        ...array_map(fn (string $path): array => [(string) preg_replace('~:\w+~', 'x', $path), 200], $screens[1]),
        ...array_map(fn (string $path): array => [$path, 404], ['/nothing', '/.env', '/config.json', '/wp/login.php']),
    ];
});

it('stores that the language is not known where none is named', function (): void {
    $this->actingAs((new World)->people['writer']);
    $json = World::json((string) Str::uuid7());
    unset($json->language);
    $stored = ask('POST', '/banks/rocks/questions', ['question' => $json])->assertCreated();
    expect($stored->json('data.question.language'))->toBe('und');
});
