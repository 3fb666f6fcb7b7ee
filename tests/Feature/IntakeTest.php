<?php

declare(strict_types=1);

use App\Actions\ImportQuestions;
use App\Actions\Intake\CommitIntake;
use App\Actions\Intake\OpenIntake;
use App\Actions\Intake\ReadIntake;
use App\Actions\Intake\RereadSources;
use App\Actions\Intake\UndoIntake;
use App\Actions\SaveQuestion;
use App\Errors\Refused;
use App\Jobs\WorkOnIntake;
use App\Models\Bank;
use App\Models\Intake;
use App\Queries\Topics;
use App\Storage\MediaStore;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Tests\Feature\World;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Pack\PackWriter;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;

const ONE_PIXEL = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';

/** @return list<stdClass> $count different questions */
function several(int $count, array $topics = [['Rocks', 'Slate']]): array
{
    return array_map(function (int $i) use ($topics): stdClass {
        $json = World::json((string) Str::uuid7());
        $json->title = "Question $i";
        $json->body = "<p>What is layer $i made of?</p><div data-part=\"p1\"></div>";
        $json->record = (object) ['topics' => $topics];

        return $json;
    }, range(1, $count));
}

/** @param  list<UploadedFile>  $files */
function give(array $files, array $more = []): Illuminate\Testing\TestResponse
{
    return test()
        ->withHeaders(['Accept' => 'application/json', 'Referer' => 'http://127.0.0.1:8090'])
        ->post('/api/v1/intakes', ['files' => $files, ...$more]);
}

function upload(string $path, string $name = 'given.zip'): UploadedFile
{
    return new UploadedFile($path, $name, null, null, true);
}

/** What a bank holds, without the identifiers that a run gives. */
function holds(string $bank): array
{
    return [
        DB::table('questions')
            ->where('bank_id', $bank)
            ->orderBy('title')
            ->get(['title', 'points', 'status', 'revision', 'fingerprint'])
            ->map(fn ($row) => (array) $row)
            ->all(),
        DB::table('placements')->count(),
        DB::table('question_topics')->count(),
        DB::table('question_search')->count(),
        DB::table('receipts')
            ->where('kind', 'intake')
            ->pluck('body')
            ->map(fn ($body) => array_diff_key(json_decode($body, true), ['files' => 1]))
            ->all(),
    ];
}

/** Ends the work when a statement is made for the n-th time, as if the worker had been killed: what the transaction did is gone. */
function killedAt(string $statement, int $time, callable $work): void
{
    $seen = 0;
    $armed = true;
    DB::listen(function ($query) use ($statement, $time, &$seen, &$armed): void {
        if ($armed && str_contains($query->sql, $statement) && ++$seen === $time) {
            $armed = false;
            throw new RuntimeException('killed');
        }
    });
    expect($work)->toThrow(RuntimeException::class, 'killed');
    $armed = false;
}

it('tells topics of one title apart by where they are, new ones and those that are there', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    Topics::at(['Fossils', 'Age'], $world->bank->id);
    $paths = [['Age'], ['Fossils', 'Age'], ['Rocks', 'Age']];
    foreach (several(2, [...$paths, ['', ' ']]) as $json) {
        $id = give([upload(World::package([$json]))], ['bank' => 'rocks'])->json('data.id');
        expect(ask('POST', "/intakes/$id/commit", new stdClass())->json('data.state'))
            ->toBe('committed')
            ->and(Topics::paths([$json->id])[$json->id])
            ->toEqualCanonicalizing($paths);
    }
    expect(DB::table('topics')->count())->toBe(5);
});

it('brings in what was given, takes it back, and brings it in again', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = give([upload(World::package(several(5)), 'layers.zip')])
        ->assertStatus(201)
        ->json('data.id');
    $rows = ask('GET', "/intakes/$id/questions")->json('data');
    expect(array_column($rows, 'title'))->toBe(['Question 1', 'Question 2', 'Question 3', 'Question 4', 'Question 5']);

    ask('POST', "/intakes/$id/set", ['ids' => [$rows[1]['id']], 'skipped' => true]);
    ask('POST', "/intakes/$id/set", [
        'filter' => 'show=all',
        'points' => 2.5,
        'record' => ['tags' => ['add' => ['Layers']]],
        'topics' => ['add' => [['Maps']]],
    ])->assertJson(['changed' => 5, 'left' => []]);
    expect(ask('POST', "/intakes/$id/commit", new stdClass())->json('path'))->toBe('/bank');
    ask('PATCH', "/intakes/$id", ['bank' => 'rocks', 'folder' => ['Year 9', 'Layers']])->assertOk();
    expect(ask('POST', "/intakes/$id/commit", new stdClass())->json('data.state'))->toBe('committed');

    $made = fn () => DB::table('questions')->where('bank_id', $world->bank->id)->where('id', '<>', $world->question);
    expect($made()->orderBy('title')->pluck('title')->all())
        ->toBe(['Question 1', 'Question 3', 'Question 4', 'Question 5'])
        ->and((float) $made()->sum('points'))
        ->toBe(10.0)
        ->and(DB::table('placements')->count())
        ->toBe(4)
        ->and(DB::table('question_topics')->count())
        ->toBe(8);
    $receipt = ask('GET', '/intakes/'.$id)->json('data.receipts.0.id');
    expect(ask('GET', "/receipts/$receipt")->json('data.body.result'))
        ->toMatchArray([
            'added' => 4,
            'skipped' => 1,
            'skipped_in_review' => 1,
            'replaced' => 0,
            'points' => '10',
            'kinds' => ['choice' => 4],
        ])
        ->and(json_decode((string) ask('GET', "/receipts/$receipt?download")->content())->questions)
        ->toHaveCount(5);

    expect(ask('POST', "/intakes/$id/undo", new stdClass())->json('data.state'))
        ->toBe('review')
        ->and($made()->count())
        ->toBe(0)
        ->and(DB::table('folders')->count())
        ->toBe(0)
        ->and(DB::table('topics')->count())
        ->toBe(0)
        ->and(DB::table('receipts')->count())
        ->toBe(2);
    expect(ask('POST', "/intakes/$id/commit", new stdClass())->json('data.state'))
        ->toBe('committed')
        ->and($made()->count())
        ->toBe(4);
    expect(collect(ask('GET', '/transfers')->json('data'))->firstWhere('id', $id))->toMatchArray([
        'direction' => 'in',
        'title' => 'layers.zip',
        'questions' => 5,
        'bank' => 'Rocks',
    ]);
});

it('ends as an undisturbed run does, wherever the worker is killed', function (string $statement, int $time): void {
    $world = new World;
    $file = World::package(several(620));
    $open = fn (): Intake => app(OpenIntake::class)->handle(
        [['path' => $file, 'name' => 'many.zip']],
        $world->people['writer'],
        $world->bank,
        ['New'],
    );
    $run = function (Intake $intake) use ($world): void {
        app()->call([new WorkOnIntake($intake->id), 'handle']);
        if ($intake->refresh()->state === 'review') {
            app(CommitIntake::class)->begin($intake, $world->people['writer']);
            app()->call([new WorkOnIntake($intake->id), 'handle']);
        }
    };
    DB::beginTransaction();
    $run($open());
    $wanted = holds($world->bank->id);
    DB::rollBack();

    $intake = $open();
    killedAt($statement, $time, fn () => $run($intake));
    $run($intake->refresh());

    expect(holds($world->bank->id))->toBe($wanted)->and($intake->refresh()->state)->toBe('committed');
})->with([
    'while reading' => ['INSERT INTO staged_questions', 3],
    'while staging, after the rows' => ['update "intake_files" set "things"', 4],
    'in a chunk of the commit' => ['INSERT INTO revisions', 1],
    'between chunks' => ["SET outcome = 'added'", 2],
    'after the commit, before the receipt' => ['insert into "receipts"', 1],
]);

it('lets one of two bring it in', function (): void {
    $world = new World;
    $intake = $world->intake();
    app(CommitIntake::class)->begin($intake, $world->people['writer']);

    expect(fn () => app(CommitIntake::class)->begin($intake, $world->people['keeper']))->toThrow(
        Refused::class,
        'Someone has already imported this.',
    );
    app(CommitIntake::class)->handle($intake->refresh());
    app(CommitIntake::class)->handle($intake->refresh());
    expect(DB::table('questions')->count())
        ->toBe(2)
        ->and(DB::table('receipts')->count())
        ->toBe(1);
});

it('loses nothing when the bank is deleted meanwhile', function (): void {
    $world = new World;
    $intake = app(OpenIntake::class)->handle(
        [['path' => World::package(several(510)), 'name' => 'many.zip']],
        $world->people['writer'],
        $world->bank,
    );
    app(ReadIntake::class)->handle($intake);
    app(CommitIntake::class)->begin($intake->refresh(), $world->people['writer']);
    killedAt("SET outcome = 'added'", 2, fn () => app(CommitIntake::class)->handle($intake->refresh()));
    Bank::query()->whereKey($world->bank->id)->delete();
    app(CommitIntake::class)->handle($intake->refresh());
    expect($intake->refresh()->state)
        ->toBe('review')
        ->and($intake->problem)
        ->toContain('no longer exists')
        ->and($intake->bank_id)
        ->toBeNull();

    $intake->update(['new_bank' => 'Elsewhere']);
    app(CommitIntake::class)->begin($intake, $world->people['writer']);
    app(CommitIntake::class)->handle($intake->refresh());
    expect(DB::table('questions')->count())
        ->toBe(510)
        ->and(Bank::query()->where('slug', 'elsewhere')->exists())
        ->toBeTrue();
});

it('knows what is there already: by identifier, origin and words, and twins within', function (): void {
    $world = new World;
    [$same, $alike, $origin, $fresh] = several(4);
    $origin->record->origin = (object) ['format' => 'qti30', 'identifier' => 'item-7'];
    $import = fn (array $questions, string $how = 'skip') => app(ImportQuestions::class)->handle(
        World::package($questions),
        'a.zip',
        $world->bank,
        [],
        $world->people['writer'],
        $how,
    );
    $import([$same, $alike, $origin]);
    $alike = World::json((string) Str::uuid7());
    $alike->body = '<p>WHAT is layer 2 made of</p><div data-part="p1"></div>';
    $again = several(3)[2];
    $again->body = '<p>Reworded</p><div data-part="p1"></div>';
    $again->record->origin = (object) ['format' => 'qti30', 'identifier' => 'item-7'];
    $twin = Json::copy($fresh);
    $twin->id = (string) Str::uuid7();
    $receipt = $import([$same, $alike, $again, $fresh, $twin]);

    expect(DB::table('staged_questions')->where('intake_id', $receipt->intake)->orderBy('number')->pluck('duplicate_by')->all())
        ->toBe(['identifier', 'words', 'origin', 'near', 'earlier'])
        ->and([$receipt->body->result->added, $receipt->body->result->skipped])
        ->toBe([1, 4]);
    $replaced = $import([$again], 'replace');
    expect($replaced->body->result->replaced)
        ->toBe(1)
        ->and(DB::table('questions')->where('id', $origin->id)->value('revision'))
        ->toBe(2);
    $import([$same, $same], 'add');
    expect(DB::table('questions')->where('title', 'Question 1')->count())->toBe(3);
});

it('takes back only what is unchanged and unused since, and lists the rest', function (): void {
    $world = new World;
    $writer = $world->people['writer'];
    [$kept, $gone, $edited, $filed] = several(4);
    app(SaveQuestion::class)->create(Question::read($kept, StandardKinds::all()), $world->bank->id, $writer);
    $newer = Json::copy($kept);
    $newer->title = 'Newer';
    $receipt = app(ImportQuestions::class)->handle(
        World::package([$newer, $gone, $edited, $filed]),
        'a.zip',
        $world->bank,
        [],
        $writer,
        'replace',
    );
    $intake = Intake::query()->findOrFail($receipt->intake);
    $edited->title = 'Edited since';
    app(SaveQuestion::class)->revise(Question::read($edited, StandardKinds::all()), 1, $writer);
    DB::table('changes')->insert([
        'question_id' => $filed->id,
        'field' => 'level',
        'before' => 'null',
        'after' => '"Year 9"',
        'user_id' => $writer->id,
    ]);
    app(UndoIntake::class)->begin($intake, $writer);
    app(UndoIntake::class)->handle($intake->refresh());

    $titles = DB::table('questions')
        ->where('bank_id', $world->bank->id)
        ->whereNot('id', $world->question)
        ->orderBy('title')
        ->pluck('revision', 'title')
        ->all();
    expect($titles)->toBe(['Edited since' => 2, 'Question 1' => 3, 'Question 4' => 1]);
    $undo = Json::decode((string) DB::table('receipts')->where('kind', 'undo')->value('body'));
    expect((array) $undo->taken_back)
        ->toBe(['added' => 1, 'replaced' => 1])
        ->and(array_column($undo->left, 'title'))
        ->toBe(['Question 3', 'Question 4']);
});

it('refuses hostile and broken files with a sentence, leaving nothing behind', function (
    string $name,
    callable $make,
    string $says,
): void {
    Storage::fake('local');
    $world = new World;
    $this->actingAs($world->people['writer']);
    $file = (string) tempnam(sys_get_temp_dir(), 'hostile');
    $make($file);
    $reply = give([upload($file, $name)]);
    $intake = $reply->json('data');

    expect($reply->status())
        ->toBe(201)
        ->and($intake['state'])
        ->toBe('failed')
        ->and($intake['problem'])
        ->toContain($says)
        ->and(DB::table('staged_questions')->count())
        ->toBe(0)
        ->and(Storage::disk('local')->allFiles())
        ->toBe([]);
})->with([
    'a path that leads out' => [
        'a.zip',
        function (string $file): void {
            $zip = new ZipArchive;
            $zip->open($file, ZipArchive::CREATE | ZipArchive::OVERWRITE);
            $zip->addFromString('../../etc/cron.d/x', 'x');
            $zip->close();
        },
        'leads out of the package',
    ],
    'a bomb' => [
        'b.zip',
        function (string $file): void {
            $zip = new ZipArchive;
            $zip->open($file, ZipArchive::CREATE | ZipArchive::OVERWRITE);
            $zip->addFromString('imsmanifest.xml', str_repeat("\0", 50_000_000));
            $zip->close();
        },
        'packed tighter',
    ],
    'entities' => [
        'c.xml',
        fn (string $file) => file_put_contents(
            $file,
            '<!DOCTYPE qti-assessment-item [<!ENTITY x SYSTEM "file:///etc/passwd">]><qti-assessment-item>&x;</qti-assessment-item>',
        ),
        'document type',
    ],
    'half a package' => [
        'd.zip',
        fn (string $file) => file_put_contents($file, substr((string) file_get_contents(World::package(several(3))), 0, 400)),
        'not a whole ZIP',
    ],
    'a program' => [
        'e.exe',
        fn (string $file) => file_put_contents($file, "MZ\x90\0".random_bytes(3000)),
        'in no open format that can be read here',
    ],
]);

it('brings in the good files of several, and says what is wrong with the others', function (): void {
    $this->actingAs((new World)->people['writer']);
    $bad = (string) tempnam(sys_get_temp_dir(), 'bad');
    file_put_contents($bad, "\0\1\2");
    $intake = give([upload($bad, 'bad.bin'), upload(World::package(several(2)), 'good.zip')])->json('data');

    expect($intake['state'])
        ->toBe('review')
        ->and($intake['found'])
        ->toBe(2)
        ->and($intake['title'])
        ->toBe('bad.bin and 1 more')
        ->and($intake['files'][0]['problem'])
        ->toContain('bad.bin');
});

it('reads pasted questions, which go the same way', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = give([], ['text' => (string) file_get_contents(base_path('demo/files/minerals-test.txt')), 'bank' => 'rocks'])->json('data.id');
    $intake = ask('POST', "/intakes/$id/commit", new stdClass())->json('data');

    expect($intake['state'])
        ->toBe('committed')
        ->and($intake['title'])
        ->toBe('Minerals: a short test')
        ->and(DB::table('questions')->where('is_complete', true)->count())
        ->toBe(7)
        ->and((float) DB::table('staged_questions')->sum('points'))
        ->toBe(8.0);
});

it('says where a framework of standards goes, and takes a table that could be either as questions', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $given = fn (UploadedFile $file): array => give([$file], ['bank' => 'rocks'])->json('data');
    $framework = $given(upload(base_path('demo/files/field-numeracy-ladder.json'), 'ladder.json'));
    $table = $given(UploadedFile::fake()->createWithContent('aims.csv', "Code,Statement\nA.1,Names three rocks\nA.2,Names a mineral\n"));
    $both = "Code,Statement,Question,Answer\nA.1,Names a rock,Which rock?,slate\n";
    $either = $given(UploadedFile::fake()->createWithContent('both.csv', $both));
    $question = $world->add('A', '<p>Which rock?</p><div data-part="p1"></div>');

    expect($framework)
        ->toMatchArray(['state' => 'failed', 'found' => 0])
        ->and($framework['problem'])
        ->toBe('ladder.json is a framework of standards, not a file of questions. Bring it in under Coverage, Frameworks.')
        ->and($table['problem'])
        ->toContain('aims.csv is a framework of standards')
        ->and($either['problem'] ?? '')
        ->not->toContain('framework')
        ->and(ask('POST', '/dispatches', ['format' => 'case', 'questions' => [$question]])->assertStatus(422)->json('path'))
        ->toBe('/format');
});

it('makes folders of the groups of a source, as they are named anew', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = give([upload(base_path('demo/files/old-quizzes-with-pools-1.2.zip'), 'old.zip')], ['bank' => 'rocks'])->json('data.id');
    $groups = collect(ask('GET', "/intakes/$id")->json('data.groups'));
    $pools = $groups->where('kind', 'pool');
    expect($pools->count())->toBeGreaterThan(1);
    $first = $pools->first();
    ask('PATCH', "/intakes/$id", [
        'bank' => 'rocks',
        'folder' => ['Old'],
        'duplicates' => 'add',
        'regroup' => true,
        'group_names' => [$first['id'] => 'Named anew'],
    ])->assertOk();
    ask('POST', "/intakes/$id/commit", new stdClass())->assertOk();
    $held = fn (string $name): int => DB::table('placements')
        ->join('folders', 'folders.id', '=', 'placements.folder_id')
        ->where('folders.name', $name)
        ->count();
    expect($held('Named anew'))
        ->toBe($first['questions'])
        ->and($held($pools->last()['title']))
        ->toBe($pools->last()['questions'])
        ->and(DB::table('folders')->where('name', 'Old')->whereNull('parent_id')->count())
        ->toBe(1);
});

it('gives a question a new id, in its content too, where another bank has that id', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $other = Bank::query()->create(['slug' => 'other', 'name' => 'Other']);
    DB::table('bank_grants')->insert(['bank_id' => $other->id, 'user_id' => $world->people['writer']->id, 'role' => 'writer']);
    $package = World::package($questions = several(2));
    $ids = fn (Bank $bank): array => DB::table('questions')
        ->join('revisions', 'question_id', 'questions.id')
        ->where('bank_id', $bank->id)
        ->whereNot('questions.id', $world->question)
        ->orderBy('title')
        ->selectRaw("questions.id, content->>'id' AS inside")
        ->pluck('inside', 'id')
        ->all();
    foreach (['rocks', 'other'] as $bank) {
        $id = give([upload($package)], ['bank' => $bank])->json('data.id');
        expect(ask('POST', "/intakes/$id/commit", new stdClass())->json('data.state'))->toBe('committed');
    }

    expect($ids($world->bank))->toBe(array_column($questions, 'id', 'id'))->and($ids($other))->toHaveCount(2);
    foreach ($ids($other) as $id => $inside) {
        expect($inside)->toBe($id)->not->toBeIn(array_column($questions, 'id'));
    }
});

it('brings pictures and stimuli along, and names a stimulus anew where its name is taken', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $found = new PackageContents;
    $question = World::json((string) Str::uuid7());
    $stimulus = (string) Str::uuid7();
    $question->body = '<p>Look. <img data-media="m7" alt="A bed"/> Which?</p><div data-part="p1"></div>';
    $question->stimuli = [$stimulus];
    $found->questions = [$question];
    $found->stimuli = [(object) ['id' => $stimulus, 'title' => 'Section', 'language' => 'en-GB', 'body' => '<p>Three beds.</p>']];
    $found->media = [
        Medium::of(
            'm7',
            'image/png',
            'bed.png',
            (string) base64_decode(ONE_PIXEL, true),
        ),
    ];
    $file = (string) tempnam(sys_get_temp_dir(), 'pictures');
    (new PackWriter)->write($found, $file);
    $other = Bank::query()->create(['slug' => 'other', 'name' => 'Other']);
    DB::table('stimuli')->insert([
        'id' => $stimulus,
        'bank_id' => $other->id,
        'title' => 'Theirs',
        'language' => 'en-GB',
        'body' => '<p>Not this.</p>',
    ]);
    $id = give([upload($file)], ['bank' => 'rocks'])->json('data.id');

    // in review it is shown as it came, whatever another bank has by that name
    expect(ask('POST', '/present', ['question' => $question])->json('stimuli.0'))->toMatchArray([
        'title' => 'Section',
        'media' => "/api/v1/intakes/$id/media",
    ]);
    expect(ask('GET', "/intakes/$id/media/m7")->headers->get('Content-Type'))->toBe('image/png');
    $this->post("/api/v1/intakes/$id/commit", [], ['Accept' => 'application/json', 'Referer' => 'http://127.0.0.1:8090'])->assertOk();
    $here = ask('GET', "/questions/$question->id")->json('data.question.stimuli.0');
    expect(ask('GET', '/banks/rocks/media/m7')->headers->get('Content-Type'))
        ->toBe('image/png')
        ->and(ask('GET', '/banks/rocks/media/m7/about')->json('data'))
        ->toMatchArray(['width' => 1, 'height' => 1, 'alt' => 'A bed', 'uses' => 1])
        ->and($here)
        ->not->toBe($stimulus)
        ->and(DB::table('stimuli')->where('id', $here)->value('body'))
        ->toBe('<p>Three beds.</p>')
        ->and(DB::table('stimuli')->where('id', $here)->value('bank_id'))
        ->toBe($world->bank->id);
    ask('POST', "/intakes/$id/undo", new stdClass())->assertOk();
    expect(DB::table('stimuli')->pluck('id')->all())->toBe([$stimulus]);
});

it('keeps pictures apart that have one name, in the bank and among the files', function (): void {
    $world = new World;
    $picture = function (string $colour): string {
        $image = imagecreatetruecolor(8, 8);
        imagefill($image, 0, 0, (int) imagecolorallocate($image, ...sscanf($colour, '%02x%02x%02x')));
        ob_start();
        imagepng($image);

        return (string) ob_get_clean();
    };
    $package = function (string $colour) use ($picture): string {
        $found = new PackageContents;
        $json = World::json((string) Str::uuid7());
        $json->title = $colour;
        $json->body = "<p>What is this, $colour? <img alt=\"a bed\" data-media=\"bed\"/></p><div data-part=\"p1\"></div>";
        $found->questions = [$json];
        $found->media = [Medium::of('bed', 'image/png', 'bed.png', $picture($colour))];
        $file = (string) tempnam(sys_get_temp_dir(), 'beds');
        (new PackWriter)->write($found, $file);

        return $file;
    };
    app(MediaStore::class)->put($world->bank->id, Medium::of('bed', 'image/png', 'bed.png', $picture('101010')));
    $intake = app(OpenIntake::class)->handle(
        [['path' => $package('aa0000'), 'name' => 'red.zip'], ['path' => $package('00aa00'), 'name' => 'green.zip']],
        $world->people['writer'],
        $world->bank,
    );
    app(ReadIntake::class)->handle($intake);
    app(CommitIntake::class)->begin($intake->refresh(), $world->people['writer']);
    app()->call([new WorkOnIntake($intake->id), 'handle']);
    foreach (['aa0000', '00aa00'] as $colour) {
        $body = DB::table('revisions')
            ->join('questions', 'questions.id', 'revisions.question_id')
            ->where('title', $colour)
            ->value(DB::raw("content->>'body'"));
        preg_match('/data-media="([^"]+)"/', (string) $body, $named);
        $sha = DB::table('media')->where('bank_id', $world->bank->id)->where('id', $named[1])->value('sha256');
        expect($sha)->toBe(hash('sha256', $picture($colour)), $colour);
    }
    expect(DB::table('media')->where('bank_id', $world->bank->id)->where('id', 'bed')->value('sha256'))->toBe(
        hash('sha256', $picture('101010')),
    );
});

it('treats media of a package as those that are uploaded, and says which are missing', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    // a JPEG with Exif (orientation, then nothing), and a PNG that claims what no program should draw
    ob_start();
    imagejpeg(imagecreatetruecolor(60, 40));
    $jpeg = (string) ob_get_clean();
    $exif = "Exif\0\0MM".pack('nN', 42, 8).pack('n', 1).pack('nnNnn', 0x0112, 3, 1, 6, 0).pack('N', 0);
    $photograph = "\xFF\xD8\xFF\xE1".pack('n', strlen($exif) + 2).$exif.substr($jpeg, 2);
    ob_start();
    imagepng(imagecreatetruecolor(2, 2));
    $png = (string) ob_get_clean();
    $head = 'IHDR'.pack('NN', 100_000, 100_000).substr($png, 24, 5);
    $bomb = substr($png, 0, 12).$head.pack('N', crc32($head)).substr($png, 33);
    $content = new PackageContents;
    $content->media = [Medium::of('photo', 'image/jpeg', 'photo.jpg', $photograph), Medium::of('bomb', 'image/png', 'bomb.png', $bomb)];
    $content->questions = several(2);
    $content->questions[0]->body = '<p>See <img alt="a" data-media="photo"/></p><div data-part="p1"></div>';
    $content->questions[1]->body = '<p>See <img alt="a" data-media="bomb"/></p><div data-part="p1"></div>';
    $file = (string) tempnam(sys_get_temp_dir(), 'media');
    (new PackWriter)->write($content, $file);
    give([upload($file)], ['bank' => 'rocks'])->assertStatus(201);
    $things = DB::table('staged_things')->orderBy('position')->get(['type', 'question', 'value']);
    $media = $things->where('type', 'medium')->map(fn (stdClass $thing): mixed => Json::decode($thing->value))->values();
    $said = $things
        ->where('type', 'notice')
        ->mapWithKeys(fn (stdClass $thing): array => [Json::decode($thing->value)->code => $thing->question]);

    expect($media->pluck('name')->all())->toBe(['photo.jpg'])
        ->and(getimagesizefromstring((string) app(MediaStore::class)->bytes($media[0]->sha256))[0])
        ->toBe(40)
        ->and((string) app(MediaStore::class)->bytes($media[0]->sha256))
        ->not->toContain('Exif')
        ->and($said->all())
        ->toBe(['media.missing' => $content->questions[1]->id, 'media.pixels' => null]);
});

it('makes an assessment ask the question that stands for its twin', function (): void {
    $world = new World;
    [$first, $second] = several(2);
    $twin = Json::copy($first);
    $twin->id = (string) Str::uuid7();
    $found = new PackageContents;
    $found->questions = [$first, $twin, $second];
    $found->assessments = [
        Document::read(Document::fresh((string) Str::uuid7(), 'Layers'), StandardKinds::all())->with([$twin->id => 1, $second->id => 1]),
    ];
    $file = (string) tempnam(sys_get_temp_dir(), 'twins');
    (new PackWriter)->write($found, $file);
    $intake = app(OpenIntake::class)->handle([['path' => $file, 'name' => 'twins.zip']], $world->people['writer'], $world->bank);
    app(ReadIntake::class)->handle($intake);
    app(CommitIntake::class)->begin($intake->refresh(), $world->people['writer']);
    app()->call([new WorkOnIntake($intake->id), 'handle']);
    $made = Json::decode((string) DB::table('assessments')->where('title', 'Layers')->value('content'));
    expect(array_column($made->sections[0]->entries, 'question'))->toBe([$first->id, $second->id]);
});

it('asks nothing of a bank for who may not write there', function (): void {
    $world = new World;
    $this->actingAs($world->people['reader']);
    $id = give([upload(World::package(several(1)))])->json('data.id');
    expect(ask('PATCH', "/intakes/$id", ['bank' => 'rocks'])->json('path'))
        ->toBe('/bank')
        ->and(give([upload(World::package(several(1)))], ['bank' => 'rocks'])->status())
        ->toBe(422)
        ->and(ask('PATCH', "/intakes/$id", ['new_bank' => '  '])->json('path'))
        ->toBe('/new_bank')
        ->and(ask('PATCH', "/intakes/$id", ['new_bank' => 'Mine', 'folder' => ['A', ' ', 'B']])->json('data.folder'))
        ->toBe(['A', 'B']);
    expect(ask('POST', "/intakes/$id/commit", new stdClass())->json('data.state'))
        ->toBe('committed')
        ->and(Bank::query()->where('slug', 'mine')->exists())
        ->toBeTrue();
    ask('POST', "/intakes/$id/undo", new stdClass())->assertOk();
    expect(Bank::query()->where('slug', 'mine')->exists())->toBeFalse();
});

it('stops reading when asked, and keeps nothing of it', function (): void {
    $world = new World;
    $intake = app(OpenIntake::class)->handle([['path' => World::package(several(150)), 'name' => 'many.zip']], $world->people['writer']);
    $intake->update(['stop_asked' => true]);
    app()->call([new WorkOnIntake($intake->id), 'handle']);

    expect($intake->refresh()->state)
        ->toBe('cancelled')
        ->and(DB::table('staged_questions')->count())
        ->toBe(0);
});

it('keeps what was mended, and notices two who mend the same', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $path = $world->stagedPath();
    $question = World::json();
    $question->title = 'Mended';
    expect(ask('PUT', $path, ['question' => $question], ['If-Match' => '"1"'])->json('data.version'))
        ->toBe(2)
        ->and(ask('PUT', $path, ['question' => $question], ['If-Match' => '"1"'])->status())
        ->toBe(412)
        ->and(ask('GET', $path)->json('data.question.title'))
        ->toBe('Mended');
    // neither complete nor with a record
    unset($question->record);
    $question->parts[0]->key->rules = [];
    ask('PUT', $path, ['question' => $question], ['If-Match' => '"2"'])->assertOk();
});

it('gives up after three tries that came to no end, and begins again when asked', function (): void {
    $world = new World;
    $intake = app(OpenIntake::class)->handle(
        [['path' => World::package(several(2)), 'name' => 'two.zip']],
        $world->people['writer'],
        $world->bank,
    );
    for ($i = 0; $i < 3; $i++) {
        // a worker that is killed leaves its try behind
        DB::statement(
            'INSERT INTO work_tries (thing, tries) VALUES (?, 1) ON CONFLICT (thing) DO UPDATE SET tries = work_tries.tries + 1',
            [$intake->id],
        );
    }
    app()->call([new WorkOnIntake($intake->id), 'handle']);
    $this->actingAs($world->people['writer']);
    expect($intake->refresh()->state)
        ->toBe('failed')
        ->and($intake->problem)
        ->toContain('3 times')
        ->and(ask('GET', '/work')->json('data.0'))
        ->toMatchArray(['kind' => 'intake', 'id' => $intake->id, 'title' => 'two.zip']);
    expect(another($world, 'administrator', 'GET', '/work')->json('data.0'))
        ->toMatchArray(['title' => '', 'problem' => 'Only whoever began it sees the reason.'])
        ->and(another($world, 'stranger', 'GET', '/work')->json('data'))
        ->toBe([]);
    another($world, 'writer', 'POST', "/work/intake/$intake->id/retry", new stdClass())->assertNoContent();
    expect($intake->refresh()->state)
        ->toBe('review')
        ->and(DB::table('work_tries')->count())
        ->toBe(0);
});

it('takes turns by person in each queue', function (): void {
    config(['queue.default' => 'database']);
    $world = new World;
    [$first, $second] = [$world->people['writer']->id, $world->people['reader']->id];
    $run = fn () => Illuminate\Support\Facades\Artisan::call('queue:work', ['--once' => true, '--queue' => 'quick', '--sleep' => 0]);
    $waiting = fn (string $person): int => DB::table('jobs')
        ->whereRaw("payload::jsonb->>'person' = ?", [$person])
        ->count();
    foreach ([$first, $first, $first, $second] as $person) {
        App\Jobs\WriteOut::dispatch((string) Str::uuid7(), $person); // of nothing that is there: done at once
    }
    $run();
    $run(); // the first person was just served, so theirs is put back
    $run();
    expect([$waiting($first), $waiting($second)])->toBe([2, 1]);
    $run();
    expect($waiting($second))->toBe(0);
});

it('reads kept sources again, as new revisions of what can be translated by now', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    expect(ask('POST', '/banks/rocks/reread', new stdClass())->assertStatus(422)->json('detail'))->toContain('everything was translated');

    $bytes = (string) base64_decode(ONE_PIXEL, true);
    $medium = substr(hash('sha256', $bytes), 0, 32); // as an intake names it
    app(MediaStore::class)->put($world->bank->id, Medium::of($medium, 'image/png', 'bed.png', $bytes));
    $item = fn (string $interaction): string => <<<XML
        <qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="bed" title="Beds" time-dependent="false">
        <qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="identifier">
        <qti-correct-response><qti-value>A</qti-value></qti-correct-response></qti-response-declaration>
        <qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"/>
        <qti-item-body>$interaction</qti-item-body>
        <qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml"/>
        </qti-assessment-item>
        XML;
    $hotspot = '<qti-hotspot-interaction response-identifier="RESPONSE" max-choices="1"><qti-prompt>Where is the fault?</qti-prompt>'.
        '<img src="../pictures/scan%2017.png" alt="Beds" width="400" height="300"/>'.
        '<qti-hotspot-choice identifier="A" shape="rect" coords="10,10,60,60"/>'.
        '<qti-hotspot-choice identifier="B" shape="rect" coords="100,10,160,60"/></qti-hotspot-interaction>';
    $kept = fn (string $xml): array => [
        'record' => (object) ['origin' => (object) ['format' => 'qti30', 'identifier' => 'bed', 'processing' => $xml]],
    ];
    $picture = "<p>Where is the fault? <img data-media=\"$medium\" alt=\"Beds\"/></p><div data-part=\"p1\"></div>";
    $translated = $world->add('Beds', $picture, $kept($item($hotspot)));
    $unread = $world->add('Tool', '<p>Use it.</p><div data-part="p1"></div>', $kept($item(
        '<qti-portable-custom-interaction response-identifier="RESPONSE" module="m" custom-interaction-type-identifier="x"/>',
    )));

    $intake = ask('POST', '/banks/rocks/reread', new stdClass())->assertStatus(201)->json('data');
    expect($intake['duplicates'])->toBe('replace');
    expect(array_column(ask('GET', "/intakes/$intake[id]/questions")->json('data'), 'title'))->toBe(['Beds']);
    expect(ask('POST', "/intakes/$intake[id]/commit", new stdClass())->json('data.state'))->toBe('committed');
    $now = fn (string $id): array => ask('GET', "/questions/$id")->json('data');
    expect($now($translated)['question']['parts'][0]['kind'])
        ->toBe('spot')
        ->and($now($translated)['question']['parts'][0]['settings']['picture']['media'])
        ->toBe($medium)
        ->and($now($translated)['question']['record']['origin'])
        ->not->toHaveKey('processing')
        ->and($now($translated)['revision'])
        ->toBe(2)
        ->and($now($unread)['revision'])
        ->toBe(1);

    // what nobody can read yet stays as it is, and is said
    $again = ask('POST', '/banks/rocks/reread', new stdClass())->assertStatus(201)->json('data.id');
    expect(ask('GET', "/intakes/$again")->json('data'))
        ->toMatchArray(['state' => 'failed', 'problem' => 'One question has kept its source, but it still cannot be translated.']);
    ask('POST', "/intakes/$intake[id]/undo", new stdClass())->assertOk();
    expect($now($translated)['question']['parts'][0]['kind'])->toBe('choice');

    // asked to stop while it gathers, it leaves nothing
    $stopped = app(RereadSources::class)->open($world->bank, $world->people['writer']);
    $stopped->update(['stop_asked' => true]);
    app()->call([new WorkOnIntake($stopped->id), 'handle']);
    expect($stopped->refresh()->state)
        ->toBe('cancelled')
        ->and(DB::table('intake_files')->where('intake_id', $stopped->id)->count())
        ->toBe(0);
});
