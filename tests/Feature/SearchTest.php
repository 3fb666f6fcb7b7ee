<?php

declare(strict_types=1);

use App\Http\Middleware\StopOvertaken;
use App\Queries\Folders;
use App\Search\Breadth;
use App\Search\Facets;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;
use Tests\Feature\World;

/** The titles a list gives; @return list<string> */
function titles(string $query): array
{
    $response = ask('GET', "/banks/rocks/questions?$query");
    expect($response->status())->toBe(200, (string) $response->content());

    return array_column($response->json('data'), 'title');
}

/** A bank of five questions that differ in everything one can look for. */
function library(): World
{
    $world = new World;
    DB::table('questions')->where('id', $world->question)->delete();
    $choice = fn (string $answer, string $feedback = ''): array => [
        [
            'id' => 'p1',
            'kind' => 'choice',
            'points' => 1,
            'settings' => ['options' => [['id' => 'a', 'html' => "<p>$answer</p>"], ['id' => 'b', 'html' => '<p>mud</p>']], 'max' => 1],
            'key' => [
                'rules' => [
                    [
                        'id' => 'r',
                        'on' => 'a',
                        'credit' => '1',
                        ...$feedback === '' ? [] : ['feedback' => ['html' => "<p>$feedback</p>"]],
                    ],
                ],
            ],
        ],
    ];
    $text = [
        [
            'id' => 'p1',
            'kind' => 'text',
            'points' => 2,
            'key' => ['rules' => [['id' => 'r', 'on' => ['answer' => 'is', 'text' => ['isostasy']], 'credit' => '1']]],
        ],
    ];
    $world->add(
        'Why slate splits',
        more: [
            'parts' => $choice('flat minerals', 'Look at the foliation.'),
            'record' => [
                'tags' => ['thin section'],
                'topics' => [['Metamorphic rocks', 'Foliation']],
                'difficulty' => 2,
                'author' => 'Tam Brisco',
            ],
        ],
    );
    $world->add('Naming an uplift', '<p>The slow rise is <span data-part="p1"></span>.</p>', [
        'parts' => $text,
        'record' => ['topics' => [['Structures']], 'difficulty' => 4, 'notes' => 'seen in the éboulis'],
    ]);
    $world->add('Density of basalt', '<p>In g/cm³, basalt is</p><div data-part="p1"></div>', [
        'parts' => $choice('2.9'),
        'record' => ['tags' => ['density', 'Thin Section 2'], 'topics' => [['Igneous rocks']], 'author' => 'Orla Penhale'],
    ]);
    $world->add('Bed 10', more: ['parts' => $choice('x'), 'record' => ['topics' => [['Metamorphic rocks']]]]);
    $world->add('Bed 9', more: ['parts' => $choice('y')]);
    test()->actingAs($world->people['reader']);

    return $world;
}

it('finds words wherever they stand, by the rules of the query', function (string $words, array $titles): void {
    library();
    $found = titles('sort=title&words='.urlencode($words));
    expect($found)->toBe($titles);
})->with([
    'in the title' => ['slate', ['Why slate splits']],
    'unfinished' => ['sla', ['Why slate splits']],
    'in the stem, whole or in pieces' => ['cm3', ['Density of basalt']],
    'in an answer' => ['isostasy', ['Naming an uplift']],
    'in an option' => ['"flat minerals"', ['Why slate splits']],
    'not that phrase' => ['"minerals flat"', []],
    'in feedback' => ['foliation', ['Why slate splits']],
    'in notes, without the accent' => ['eboulis', ['Naming an uplift']],
    'a tag' => ['"thin section"', ['Density of basalt', 'Why slate splits']],
    'by its stem' => ['mineral', ['Why slate splits']],
    'by its stem, another form' => ['splitting ', ['Why slate splits']],
    'without a word' => ['mud -slate -density', ['Bed 9', 'Bed 10']],
    'nothing but marks' => ['???', []],
    'every word must be there' => ['slate basalt', []],
]);

it('goes to a question by its identifier, here or where it came from, and by the beginning of it', function (): void {
    $world = library();
    $world->add('From elsewhere', more: ['record' => ['origin' => ['format' => 'qti', 'identifier' => 'Item_0042-b']]]);
    $id = (string) DB::table('questions')->where('title', 'Bed 9')->value('id');

    expect(titles("words=$id"))
        ->toBe(['Bed 9'])
        ->and(titles('words='.strtoupper($id)))
        ->toBe(['Bed 9'])
        ->and(titles('words=item_0042-b'))
        ->toBe(['From elsewhere'])
        ->and(titles('words=item_004'))
        ->toBe(['From elsewhere'])
        ->and(titles('words=item_9042'))
        ->toBe([])
        ->and(array_column(ask('GET', "/questions?words=$id")->json('data'), 'title'))
        ->toBe(['Bed 9']);
});

it('narrows by every dimension, and names sort as people count', function (string $query, array $titles): void {
    $world = library();
    $query = str_replace('@meta', $world->topic('Metamorphic rocks'), $query);
    expect(titles("sort=title&$query"))->toBe($titles);
})->with([
    'nothing lists all' => ['', ['Bed 9', 'Bed 10', 'Density of basalt', 'Naming an uplift', 'Why slate splits']],
    'kind' => ['kind=text', ['Naming an uplift']],
    'two kinds' => ['kind=text&kind=number', ['Naming an uplift']],
    'difficulty' => ['difficulty=2&difficulty=4', ['Naming an uplift', 'Why slate splits']],
    'a branch of topics with its twigs' => ['topic=@meta', ['Bed 10', 'Why slate splits']],
    'no topic' => ['no=topic', ['Bed 9']],
    'a tag with a space' => ['tag=thin+section', ['Why slate splits']],
    'author and words' => ['author=Orla+Penhale&words=basalt', ['Density of basalt']],
    'none of a kind' => ['not-kind=choice', ['Naming an uplift']],
    'none of a difficulty, and those without one' => ['not-difficulty=2', ['Bed 9', 'Bed 10', 'Density of basalt', 'Naming an uplift']],
    'none of a branch' => ['not-topic=@meta&not-tag=density', ['Bed 9', 'Naming an uplift']],
    'in and out at once' => ['kind=choice&not-author=Tam+Brisco&not-no=topic', ['Bed 10', 'Density of basalt']],
    'from so many points' => ['points=2..', ['Naming an uplift']],
    'up to so many' => ['points=..1.5&difficulty=2', ['Why slate splits']],
    'made since' => ['created=2020-01-01..', ['Bed 9', 'Bed 10', 'Density of basalt', 'Naming an uplift', 'Why slate splits']],
    'changed before' => ['changed=..2020-01-01', []],
    'with feedback' => ['has=feedback', ['Why slate splits']],
    'marked by the machine, with notes missing' => ['marks=itself&no=difficulty&no=tag', ['Bed 9', 'Bed 10']],
    'in no assessment' => ['is=unused&kind=text', ['Naming an uplift']],
    'in one' => ['is=used', []],
    'conditions together' => ['topic=@meta&difficulty=4', []],
]);

it('finds what people mark: by hand, with a rubric, with example answers, by the minutes it takes, and by their words', function (): void {
    $world = library();
    $essay = fn (string $title, array $key, int $lines): string => $world->add($title, '<p>Explain.</p><div data-part="p1"></div>', [
        'parts' => [['id' => 'p1', 'kind' => 'essay', 'points' => 4, 'settings' => ['lines' => $lines], 'key' => $key]],
    ]);
    $essay('Long', ['rubric' => World::rubric('Weighing moraines')], 80); // 4 minutes to read, a quarter for the criterion
    $essay('Short', ['models' => [['id' => 'm1', 'html' => '<p>Because of solifluction.</p>']]], 20);
    expect(titles('sort=title&marks=hand'))->toBe(['Long', 'Short'])
        ->and(titles('has=rubric'))->toBe(['Long'])
        ->and(titles('has=models'))->toBe(['Short'])
        ->and(titles('marks=hand&marker_minutes=2..'))->toBe(['Long'])
        ->and(titles('marks=hand&marker_minutes=..4.2'))->toBe(['Short'])
        ->and(titles('words=moraines'))->toBe(['Long'])
        ->and(titles('words=solifluction'))->toBe(['Short']);
});

it('counts what each value would leave, its own condition aside, and what to drop when nothing is left', function (): void {
    $world = library();
    $meta = $world->topic('Metamorphic rocks');
    $facets = ask('GET', "/banks/rocks/facets?of=kind&of=topic&of=no&kind=text&topic=$meta")->json();

    expect($facets['facets']['kind'])
        ->toBe([['value' => 'choice', 'count' => 2]])
        ->and(array_column($facets['facets']['topic'], 'count', 'value')[$world->topic('Structures')])
        ->toBe(1)
        ->and($facets['without'])
        ->toEqual(['kind' => 2, 'topic' => 1]);
    $more = ask('GET', '/banks/rocks/facets?of=has&of=marks&of=by&of=no&of=language&points=9..')->json();
    expect($more['without'])
        ->toBe(['points' => 5])
        ->and($more['facets']['has'])
        ->toBe([]);
    $all = ask('GET', '/banks/rocks/facets?of=has&of=marks&of=language&of=no')->json('facets');
    expect($all['has'])
        ->toBe([['value' => 'feedback', 'count' => 1]])
        ->and($all['marks'])
        ->toBe([['value' => 'itself', 'count' => 5]])
        ->and(array_column($all['no'], 'count', 'value'))
        ->toMatchArray(['level' => 5, 'difficulty' => 3, 'author' => 3]);
});

it('says what cannot be a condition', function (string $query, string $path): void {
    library();
    $response = ask('GET', "/banks/rocks/questions?$query");
    expect([$response->status(), $response->json('path')])->toBe([422, $path]);
})->with([
    ['kind=poem', '/kind'],
    ['topic=x', '/topic'],
    ['sort=luck', '/sort'],
    ['cursor=x', '/cursor'],
    ['difficulty=9', '/difficulty'],
    ['not-kind=poem', '/kind'],
    ['points=many', '/points'],
    ['points=..', '/points'],
    ['created=2026-02-30..', '/created'],
    ['has=luck', '/has'],
    ['by=orla', '/by'],
]);

it('takes a search of 2,000 words and any bytes', function (): void {
    library();
    expect(titles('words='.urlencode(implode(' ', array_fill(0, 2000, 'slate')))))
        ->toBe(['Why slate splits'])
        ->and(
            ask(
                'GET',
                '/banks/rocks/questions?words='.urlencode(implode(' ', array_map(fn (int $i): string => "w$i", range(1, 2000)))),
            )->json('meta.cut'),
        )
        ->toBeTrue()
        ->and(titles('words=%FF%00%27%3A%2A%5C&kind=choice'))
        ->toBe([]);
});

it('marks what was found, and shows the place when it is neither title nor stem', function (): void {
    library();
    expect(ask('GET', '/banks/rocks/questions?words=slate')->json('data.0.title_marks'))->toBe([
        ['Why ', false],
        ['slate', true],
        [' splits', false],
    ]);
    $row = ask('GET', '/banks/rocks/questions?words=isostasy')->json('data.0');
    expect([$row['found_in'], $row['found_marks']])->toBe(['answers', [['isostasy', true]]]);
});

it('asks the database as often for many questions as for a few', function (string $path): void {
    $world = library();
    $asked = function () use ($path): int {
        DB::flushQueryLog();
        DB::enableQueryLog();
        ask('GET', $path)->assertOk();

        return count(DB::getQueryLog());
    };
    $asked(); // what does not change is kept from the first time, as stems are
    $few = $asked();
    foreach (range(1, 20) as $i) {
        $world->add("Slate $i", more: ['record' => ['tags' => ["tag $i"], 'topics' => [["Topic $i"]]]]);
    }
    expect($asked())->toBe($few);
})->with([
    '/banks/rocks/questions?sort=title',
    '/banks/rocks/questions?words=slate',
    '/banks/rocks/facets?of=tag&of=topic&of=kind',
    '/questions?words=slate',
    '/desk',
]);

it('pages through every order without missing or repeating a question', function (string $sort): void {
    $world = new World;
    test()->actingAs($world->people['reader']);
    foreach (range(1, 150) as $i) {
        $world->add('Rock '.$i % 7, more: ['record' => ['difficulty' => ($i % 5) + 1]]);
    }
    $seen = [];
    $cursor = '';
    do {
        $page = ask('GET', "/banks/rocks/questions?sort=$sort&words=".($sort === 'best' ? 'rock' : '').$cursor)->json();
        $seen = [...$seen, ...array_column($page['data'], 'id')];
        $cursor = '&cursor='.$page['meta']['next_cursor'];
    } while ($page['meta']['next_cursor'] !== null);
    expect(count($seen))
        ->toBe(count(array_unique($seen)))
        ->toBe($sort === 'best' ? 150 : 151);
})->with(App\Search\QuestionFilter::SORTS);

it('leads from a misspelt word to those that are there', function (string $typed, ?array $meant): void {
    library();
    expect(ask('GET', '/banks/rocks/facets?words='.urlencode($typed))->json('meant'))->toBe($meant);
})->with([
    'two letters exchanged' => ['salte', ['words' => 'slate', 'count' => 1]],
    'a letter missing' => ['folation', ['words' => 'foliation', 'count' => 1]],
    'a letter too many, with a word that is right' => ['density balsalt', ['words' => 'density basalt', 'count' => 1]],
    'inside a phrase' => ['"flatt mineralls"', ['words' => '"flat minerals"', 'count' => 1]],
    'nothing like it' => ['xylophone', null],
    'words that are right, but in no question together' => ['basalt isostasy', null],
    'a word that is found' => ['basalt', null],
]);

it('narrows to one folder alone, to a topic by its title anywhere, to who changed it, and to names that say nothing', function (): void {
    $world = library();
    $id = fn (string $title): string => (string) DB::table('questions')->where('title', $title)->value('id');
    foreach ([['Bed 9', ['Year 9']], ['Bed 10', ['Year 9', 'Unit 1']]] as [$title, $path]) {
        DB::table('placements')->insert(['question_id' => $id($title), 'folder_id' => Folders::at($path, $world->bank->id)]);
    }
    DB::table('revisions')->insert([
        'question_id' => $id('Bed 9'),
        'number' => 2,
        'content' => '{}',
        'author_id' => $world->people['writer']->id,
    ]);
    $year = (string) DB::table('folders')->where('name', 'Year 9')->value('id');
    $places = collect(ask('GET', '/banks/rocks/facets?of=place')->json('facets.place'))->pluck('count')->all();

    expect(titles("folder=$year"))
        ->toBe(['Bed 9', 'Bed 10'])
        ->and(titles("place=$year"))
        ->toBe(['Bed 9'])
        ->and($places)
        ->toBe([1, 1])
        ->and(titles('titled=Foliation'))
        ->toBe(['Why slate splits'])
        ->and(titles('titled=Metamorphic rocks'))
        ->toBe(['Bed 10', 'Why slate splits'])
        ->and(titles('editor='.$world->people['writer']->id))
        ->toBe(['Bed 9'])
        ->and(ask('GET', '/banks/rocks/facets?of=editor')->json('facets.editor.0'))
        ->toMatchArray(['name' => 'writer', 'count' => 1])
        ->and(titles('no=name'))
        ->toBe([])
        ->and(collect(ask('GET', '/facets?of=titled')->json('facets.titled'))->firstWhere('value', 'Metamorphic rocks')['count'])
        ->toBe(2);
});

it('puts titles first, then the most relevant or, of many, the newest, and leaves nothing out in any order', function (
    int $many,
    float $common,
    bool $isFew,
    string $sort = 'best',
): void {
    $world = library();
    mt_srand(7);
    foreach (range(1, 150) as $i) {
        $stem = '<p>'.str_repeat('A gneiss. ', mt_rand(1, 4)).'</p><div data-part="p1"></div>';
        $id = $world->add(mt_rand(1, 10) === 1 ? "Gneiss $i" : "Bands $i", $stem);
        // Some at the same moment, so that identifiers decide.
        DB::table('questions')->where('id', $id)->update(['updated_at' => '2026-11-'.mt_rand(1, 28).' 12:00:00+00']);
    }
    DB::statement('ANALYZE question_search'); // as PostgreSQL does by itself
    app()->bind(Breadth::class, fn (): Breadth => new Breadth($many, $common));
    $order = match (true) {
        $sort !== 'best' => $sort,
        $isFew => "title LIKE 'Gneiss %' DESC, ts_rank(words, 'gneiss'::tsquery) DESC",
        default => "title LIKE 'Gneiss %' DESC, updated_at DESC",
    };
    $right = DB::table('questions')->join('question_search', 'question_id', '=', 'id')
        ->whereRaw("title LIKE 'Gneiss %' OR title LIKE 'Bands %'")
        ->orderByRaw("$order, id")
        ->pluck('id')
        ->all();

    $found = [];
    $cursor = '';
    do {
        $page = ask('GET', "/banks/rocks/questions?words=gneiss&sort=$sort$cursor")->json();
        // broad words are counted by a request of their own
        expect($page['meta']['found'])->toBe($cursor === '' && $isFew ? 150 : null);
        $found = [...$found, ...array_column($page['data'], 'id')];
        $cursor = "&cursor={$page['meta']['next_cursor']}";
    } while ($page['meta']['next_cursor'] !== null);

    expect($found)->toBe($right)->and(count($found))->toBe(150);
})->with([
    'few are ranked' => [1000, 0.02, true],
    'many, few of them in titles' => [100, 0.2, false],
    'many, also in titles' => [5, 0.02, false],
    'few, sorted' => [1000, 0.02, true, 'title'],
    // more than the root of 61 rows times all questions
    'many, sorted' => [5, 0.02, false, 'title'],
]);

it('knows how many there are from a page that has them all, however broad the words', function (): void {
    library();
    app()->bind(Breadth::class, fn (): Breadth => new Breadth(0));
    $page = ask('GET', '/banks/rocks/questions?words=slate&difficulty=4')->json();

    expect($page['meta']['found'])
        ->toBe(count($page['data']))
        ->and($page['meta']['found'])
        ->toBe(ask('GET', '/banks/rocks/count?words=slate&difficulty=4')->json('found'));
});

it('counts several dimensions at once as it counts each alone', function (string $filter): void {
    library();
    $dimensions = ['kind', 'status', 'difficulty', 'topic', 'tag', 'has', 'no', 'is', 'place', 'folder', 'by'];
    $together = ask('GET', "/banks/rocks/facets?$filter&".implode('&', array_map(fn (string $of): string => "of=$of", $dimensions)));

    foreach ($dimensions as $of) {
        expect($together->json("facets.$of"))->toBe(ask('GET', "/banks/rocks/facets?$filter&of=$of")->json("facets.$of"), $of);
    }
})->with(['', 'kind=choice', 'kind=choice&difficulty=2&words=slate', 'words=mud']);

it('reckons counts of many from a sample, and counts them all when asked', function (): void {
    $world = library();
    foreach (range(0, 63) as $i) {
        DB::table('questions')
            ->where('id', $world->add("Drift $i"))
            ->update(['difficulty' => 1 + ($i % 2)]);
    }
    DB::statement('ANALYZE questions'); // as PostgreSQL does by itself
    app()->bind(Facets::class, fn (): Facets => new Facets(exactUpTo: 50));
    $sampled = DB::table('questions')->whereRaw('get_byte(uuid_send(id), 15) < 16')->where('difficulty', 1)->count() * 16;
    $facets = ask('GET', '/banks/rocks/facets?of=difficulty')->json();
    $exact = ask('GET', '/banks/rocks/facets?of=difficulty&exact=1')->json();

    expect($facets['sampled'])
        ->toBeTrue()
        ->and(collect($facets['facets']['difficulty'])->firstWhere('value', '1')['count'] ?? 0)
        ->toBe($sampled > 99 ? (int) round($sampled, -1) : $sampled)
        ->and($exact['sampled'])
        ->toBeFalse()
        ->and(collect($exact['facets']['difficulty'])->firstWhere('value', '1')['count'])
        ->toBe(32)
        ->and(ask('GET', '/banks/rocks/facets?of=difficulty&words=density')->json('sampled'))
        ->toBeFalse();
});

/** A search that takes long, as another request of a list would run it. */
function longSearch(string $name): Process
{
    $database = config()->array('database.connections.pgsql');
    $script = <<<'PHP'
        [, $dsn, $user, $password, $name] = $argv;
        $pdo = new PDO($dsn, $user, $password);
        $pdo->exec("SET application_name = '$name'");
        fwrite(STDOUT, "runs\n");
        $pdo->query('SELECT pg_sleep(60)');
        PHP;
    $dsn = "pgsql:host={$database['host']};port={$database['port']};dbname=".DB::getDatabaseName();
    $process = new Process([PHP_BINARY, '-r', $script, '--', $dsn, $database['username'], $database['password'], $name], timeout: 90);
    $process->start();
    $process->waitUntil(fn (string $type, string $said): bool => str_contains($said, 'runs'));
    usleep(300_000); // the statement behind the word

    return $process;
}

it('stops a search that the next words overtake, and nobody else’s', function (): void {
    $world = library();
    $me = $world->people['reader']->id;
    $overtaken = longSearch(StopOvertaken::name($me, 'tab-list').';6');
    $others = array_map(longSearch(...), [
        'another list of the same person' => StopOvertaken::name($me, 'tab-facets').';6',
        'the same list of another person' => StopOvertaken::name($world->people['writer']->id, 'tab-list').';6',
        'the same list, asked for later and handled before' => StopOvertaken::name($me, 'tab-list').';10',
    ]);

    ask('GET', '/banks/rocks/questions?words=slate', null, [StopOvertaken::HEADER => 'tab-list;7'])->assertStatus(200);

    expect($overtaken->wait())
        ->not->toBe(0)
        ->and($overtaken->getOutput().$overtaken->getErrorOutput())
        ->toContain('due to user request');
    foreach ($others as $which => $other) {
        expect($other->isRunning())->toBeTrue($which);
        $other->stop(1);
    }
});

it('keeps searches under a name, for oneself or for all readers of the bank', function (): void {
    $world = library(); // signed in as a reader
    ask('POST', '/banks/rocks/searches', ['name' => 'Mine', 'filter' => 'kind=text'])->assertStatus(201);
    ask('POST', '/banks/rocks/searches', ['name' => 'All', 'filter' => 'sort=title'])
        ->assertStatus(422)
        ->assertJsonPath('path', '/filter');
    ask('POST', '/banks/rocks/searches', ['name' => ' ', 'filter' => 'kind=text'])
        ->assertStatus(422)
        ->assertJsonPath('path', '/name');
    ask('POST', '/banks/rocks/searches', ['name' => 'Bad', 'filter' => 'kind=poem'])->assertStatus(422);
    $world->search();
    expect(
        array_map(
            fn (array $one): array => [$one['name'], $one['person'], $one['may_remove']],
            ask('GET', '/banks/rocks/searches')->json('data'),
        ),
    )->toBe([['Drafts', 'writer', false], ['Mine', null, true]]);
    expect(array_column(another($world, 'keeper', 'GET', '/banks/rocks/searches')->json('data'), 'may_remove', 'name'))->toBe([
        'Drafts' => true,
    ]);
});

it('looks through every bank one may read, and says nothing of others', function (): void {
    $world = library();
    $hidden = App\Models\Bank::query()->create(['slug' => 'hidden', 'name' => 'Hidden']);
    $other = App\Models\Bank::query()->create(['slug' => 'other', 'name' => 'Other rocks']);
    DB::table('bank_grants')->insert(['bank_id' => $other->id, 'user_id' => $world->people['reader']->id, 'role' => 'reader']);
    foreach ([[$hidden, 'Slate of the hidden'], [$other, 'Slate of the other']] as [$bank, $title]) {
        $question = World::json((string) Illuminate\Support\Str::uuid7());
        $question->title = $title;
        app(App\Actions\SaveQuestion::class)->create(
            WideQuarry\Question\Question::read($question, WideQuarry\Parts\StandardKinds::all()),
            $bank->id,
            null,
        );
    }
    $found = ask('GET', '/questions?words=slate&sort=title')->json();
    expect(array_column($found['data'], 'bank_name', 'title'))
        ->toBe(['Slate of the other' => 'Other rocks', 'Why slate splits' => 'Rocks'])
        ->and($found['meta'])
        ->toMatchArray(['found' => 2, 'of' => 6]);
    expect(ask('GET', '/facets?of=bank&of=kind&of=topic')->json('facets'))->toMatchArray([
        'bank' => [['value' => 'rocks', 'count' => 5, 'name' => 'Rocks'], ['value' => 'other', 'count' => 1, 'name' => 'Other rocks']],
        'topic' => [],
    ]);
    expect(ask('GET', '/questions?bank=hidden')->json('meta.found'))
        ->toBe(0)
        ->and(ask('GET', '/questions?not-bank=rocks')->json('data.*.title'))
        ->toBe(['Slate of the other'])
        ->and(ask('GET', '/facets?words=hiden')->json('meant'))
        ->toBeNull();
});
