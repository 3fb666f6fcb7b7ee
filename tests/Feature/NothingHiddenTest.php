<?php

declare(strict_types=1);

use App\Actions\Assembly\MakeFormSet;
use App\Actions\Assembly\SaveAssessment;
use App\Actions\Assembly\SaveBlueprint;
use App\Models\Assessment;
use App\Models\Bank;
use App\Models\User;
use App\Queries\Folders;
use App\Queries\Topics;
use Illuminate\Routing\Middleware\ThrottleRequests;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Feature\World;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Random\Seed;

/*
 * A person reads a bank of their own and touches a hidden one at every seam there is: a question that lay in their tray and
 * assessment before the grant was withdrawn, a stimulus of theirs that hidden questions show, a question of theirs that a hidden
 * assessment asks, a draft begun there. Every word of the hidden bank holds "zirkonit". No answer to any GET may.
 */

/** @return array{World, User, array<string, list<string>>} the person, and what each parameter of a route can be: theirs and hidden */
function seams(): array
{
    $world = new World;
    $world->bank->forceFill(['name' => 'Zirkonit bank', 'purpose' => 'zirkonit'])->save();
    $person = $world->people['stranger'];
    $mine = Bank::query()->create(['slug' => 'mine', 'name' => 'Mine']);
    DB::table('bank_grants')->insert(['bank_id' => $mine->id, 'user_id' => $person->id, 'role' => 'keeper']);
    $stimulus = $world->shared($mine, 'Shared bed', '<p>Beds of mine.</p>');
    $secret = $world->shared(null, 'Zirkonit section', '<p>zirkonit</p>');
    $hidden = $world->add('Zirkonit crystals', '<p>zirkonit</p><div data-part="p1"></div>', [
        'stimuli' => [$stimulus, $secret],
        'record' => [
            'tags' => ['zirkonit'],
            'topics' => [['Zirkonit topic']],
            'standards' => [(object) ['framework' => 'Zirkonit framework', 'code' => 'ZIRKONIT-1']],
            'author' => 'Zirkonit author',
            'level' => 'Zirkonit level',
            'source' => 'Zirkonit source',
            'origin' => ['format' => 'qti', 'identifier' => 'zirkonit-1'],
        ],
    ]);
    DB::table('placements')->insert(['question_id' => $hidden, 'folder_id' => Folders::at(['Zirkonit folder'], $world->bank->id)]);
    Topics::at(['Zirkonit topic', 'Deeper zirkonit'], $world->bank->id);
    $home = $world->bank;
    $world->bank = $mine;
    $own = $world->add('Own question', more: ['stimuli' => [$stimulus], 'record' => ['tags' => ['own'], 'topics' => [['Own topic']]]]);
    $world->bank = $home;
    $save = app(SaveAssessment::class);
    $made = fn (string $title, array $questions, Bank $bank, User $by): string => $save->create(
        Document::read(Document::fresh((string) Str::uuid7(), $title), StandardKinds::all())->with($questions),
        $bank->id,
        $by,
    )->id;
    DB::table('bank_grants')->insert([
        ['bank_id' => $home->id, 'user_id' => $person->id, 'role' => 'writer'],
        ['bank_id' => $mine->id, 'user_id' => $world->people['writer']->id, 'role' => 'reader'],
    ]);
    $assessment = $made('My test', [$own => 1, $hidden => 1], $mine, $person);
    $secretTest = $made('Zirkonit test', [$own => 1, $hidden => 1], $home, $world->people['writer']);
    DB::table('saved_searches')->insert([
        'id' => ($search = (string) Str::uuid7()),
        'bank_id' => $home->id,
        'user_id' => $person->id,
        'shared' => true,
        'name' => 'Zirkonit search',
        'filter' => 'words=zirkonit',
    ]);
    DB::table('autosaves')->insert([
        'user_id' => $person->id,
        'subject' => $hidden,
        'base_revision' => 1,
        'content' => '{"title":"Half zirkonit"}',
    ]);
    test()->actingAs($person);
    ask('PATCH', '/tray', ['add' => [$own, $hidden]])->assertOk();
    $rubric = ask('POST', '/banks/mine/rubrics', ['rubric' => World::rubric()])->assertStatus(201)->json('data.id');
    $secretRubric = ask('POST', '/banks/rocks/rubrics', ['rubric' => ['title' => 'Zirkonit marks'] + World::rubric()])->json('data.id');
    // one in a bank of one's own that names what somebody else could see, and one that cannot be seen at all
    $names = World::blueprintOf((string) Str::uuid7(), $home->id, [
        'banks' => [$home->id, $mine->id],
        'rules' => [['id' => 'r1', 'rule' => 'exclude', 'questions' => [$own, $hidden]]],
    ]);
    $blueprint = app(SaveBlueprint::class)
        ->create(json_decode((string) json_encode($names)), $mine->id, $world->people['writer'])->id;
    $secretBlueprint = $world->blueprint(['title' => 'Zirkonit blueprint']);
    $follows = ['rubric' => ['link' => ['rubric' => $rubric, 'revision' => 1]] + World::rubric()];
    $world->add('Zirkonit essay', '<p>Explain.</p><div data-part="p1"></div>', [
        'parts' => [['id' => 'p1', 'kind' => 'essay', 'points' => 4, 'key' => $follows]],
    ]);
    $act = $world->act();
    $left = ask('POST', '/banks/mine/acts', ['ids' => [$own, $hidden], 'folders' => ['add' => [['Own folder']]]])
        ->assertOk()
        ->json('act'); // the hidden one was left, with its title
    $formsOf = fn (string $id): string => app(MakeFormSet::class)
        ->handle(Assessment::query()->findOrFail($id), $world->people['writer'], 2, Seed::of(1), 4)->id;
    $sets = [$formsOf($assessment), $formsOf($secretTest)];
    DB::table('bank_grants')->where('bank_id', $home->id)->where('user_id', $person->id)->delete();

    $typed = $world->typed("Zirkonit exam\n\n1. Zirkonit or slate?\nA. zirkonit\nB. slate\nAnswer: A\n");
    $table = $world->typed("Question,A,B,Answer\nZirkonit or slate?,zirkonit,slate,A\n", 'table.csv');

    return [
        $world,
        $person,
        [
            'bank' => ['mine', 'rocks'],
            'question' => [$own, $hidden],
            'stimulus' => [$stimulus, $secret],
            'assessment' => [$assessment, $secretTest],
            'other' => [$assessment, $secretTest], // an assessment too
            'number' => ['1'],
            'medium' => ['m1'],
            'entry' => ['e-'.str_replace('-', '', $own), 'e-'.str_replace('-', '', $hidden)],
            'act' => [$act, $left],
            'tree' => ['folders', 'topics'],
            'node' => [
                (string) DB::table('topics')->where('title', 'Own topic')->value('id'),
                (string) DB::table('folders')->where('bank_id', $home->id)->value('id'),
            ],
            'subject' => ['new:mine', 'new:rocks'],
            'page' => ['1'],
            'intake' => [($intake = $world->intake()->id), $typed->id, $table->id],
            'staged' => [(string) DB::table('staged_questions')->where('intake_id', $intake)->value('id')],
            'file' => [
                (string) DB::table('intake_files')->where('intake_id', $typed->id)->value('id'),
                (string) DB::table('intake_files')->where('intake_id', $table->id)->value('id'),
            ],
            'receipt' => [$world->receipt()],
            'rubric' => [$rubric, $secretRubric],
            'blueprint' => [$blueprint, $secretBlueprint],
            'dispatch' => [$world->dispatch()],
            'print' => [(string) Str::uuid7()],
            'set' => $sets,
            'order' => [(string) Str::uuid7()],
            'template' => [$world->template()],
            'upload' => [$world->upload()],
            'kind' => ['all'],
            'type' => ['csv'],
            'mapping' => [$world->mapping()],
            'framework' => [$world->framework()],
            'statement' => [World::STATEMENT],
        ],
    ];
}

/**
 * @param  array<string, list<string>>  $values
 * @return list<string> the paths of a route with every combination of what its parameters can be
 */
function paths(Route $route, array $values): array
{
    $paths = [substr($route->uri(), strlen('api/v1'))];
    foreach ($route->parameterNames() as $name) {
        $paths = array_merge(
            ...array_map(
                fn (string $path): array => array_map(
                    fn (string $value): string => str_replace('{'.$name.'}', $value, $path),
                    $values[$name] ?? throw new LogicException("What is a $name?"),
                ),
                $paths,
            ),
        );
    }

    return $paths;
}

it('lets nothing of a bank that one may not read be seen anywhere', function (): void {
    [, $person, $values] = seams();
    // everything is asked for within the minute that limits count
    $this->actingAs($person)->withoutMiddleware([ThrottleRequests::class]);
    $asked = [
        '',
        '?words=zirkonid',
        '?words=zirk&of=bank&of=topic&of=tag&of=author&of=level&of=source&of=by&of=folder',
        '?of=bank&of=kind&of=topic&of=tag&of=author&of=level&of=source&of=folder&bank=rocks',
        '?only=unused',
        '?of=standard&of=framework&of=unmatched&layers=purpose&tree='.$values['framework'][0].'&node='.World::STATEMENT,
        '?topics=rocks&layers=kind',
        '?topics=mine&layers=kind',
    ];
    $seen = [];
    foreach (app('router')->getRoutes()->getRoutes() as $route) {
        if (
            ! in_array('GET', $route->methods(), true) ||
            ! str_starts_with($route->uri(), 'api/v1/') ||
            $route->uri() === 'api/v1/openapi.json'
        ) {
            continue;
        }
        foreach (paths($route, $values) as $path) {
            foreach ($asked as $query) {
                $response = ask('GET', $path.$query);
                $seen[$route->uri()][] = $response->status();
                $body =
                    $response->baseResponse instanceof Symfony\Component\HttpFoundation\StreamedResponse
                        ? $response->streamedContent()
                        : (string) $response->content();
                expect($response->status())
                    ->toBeLessThan(500, "$path$query")
                    ->and(str_contains(mb_strtolower($body), 'zirkonit'))
                    ->toBeFalse("$path$query");
            }
        }
    }
    // and what is theirs is answered, so that there was something to look through
    $answered = array_keys(array_filter($seen, fn (array $statuses): bool => in_array(200, $statuses, true)));
    expect($answered)->toContain(
        'api/v1/questions',
        'api/v1/count',
        'api/v1/facets',
        'api/v1/stimuli/{stimulus}',
        'api/v1/rubrics/{rubric}',
        'api/v1/questions/{question}',
        'api/v1/assessments/{assessment}',
        'api/v1/tray',
        'api/v1/desk',
        'api/v1/banks/{bank}/trees',
        'api/v1/transfers',
        'api/v1/people',
        'api/v1/coverage',
        'api/v1/coverage/node',
        'api/v1/coverage/table',
        'api/v1/questions/{question}/proposals',
    );
});
