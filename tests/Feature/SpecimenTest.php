<?php

declare(strict_types=1);

use App\Actions\RunSpecimens;
use App\Actions\SaveQuestion;
use App\Jobs\RunAllSpecimens;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Tests\Feature\World;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;

/** The world's question: option a right, one point; with specimens that state some scores for it. */
function stating(string ...$scores): object
{
    $question = World::json();
    $question->record = (object) [
        'specimens' => array_map(
            fn (string $score, int $i): array => ['id' => "s$i", 'response' => ['p1' => ['chosen' => ['a']]], 'score' => $score],
            $scores,
            array_keys($scores),
        ),
    ];

    return $question;
}

it('runs with every change, stands in lists and facets, and keeps a question from being approved', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $classify = fn (array $record): array => ask('POST', '/banks/rocks/acts', ['ids' => [$world->question], 'record' => $record])
        ->assertOk()
        ->json();
    $right = (string) ask('POST', '/score', ['question' => World::json(), 'response' => ['p1' => ['chosen' => ['a']]]])->json('score');
    $classify(['specimens' => ['set' => stating($right, '0.1', '0.2')->record->specimens]]);
    expect(ask('GET', '/banks/rocks/questions?is=failing')->json('data.0'))->toMatchArray([
        'id' => $world->question,
        'specimens' => 3,
        'specimens_failing' => 2,
        'is_complete' => false,
    ]);
    $facets = ask('GET', '/banks/rocks/facets?of=is')->json('facets.is');
    expect(array_column($facets, 'count', 'value'))->toMatchArray(['specimens' => 1, 'failing' => 1, 'incomplete' => 1]);
    expect($classify(['status' => ['set' => 'approved']])['left'][0]['why'])->toBe(
        '2 of its specimens do not score as stated, so it cannot be approved.',
    );
    $findings = ask('GET', "/questions/$world->question")->json('data.findings');
    expect(array_column(array_column($findings, 'details'), 'scored'))->toEqual([(float) $right, (float) $right]);
    $classify(['specimens' => ['set' => stating($right)->record->specimens]]);
    expect($classify(['status' => ['set' => 'approved']])['left'])
        ->toBe([])
        ->and(ask('GET', '/banks/rocks/questions?is=specimens')->json('meta.found'))
        ->toBe(1)
        ->and(ask('GET', '/banks/rocks/questions?is=failing')->json('meta.found'))
        ->toBe(0);
});

it('runs over a bank as a job that goes on where it was, one at a time', function (): void {
    Queue::fake();
    $world = new World;
    $this->actingAs($world->people['writer']);
    $right = (string) ask('POST', '/score', ['question' => World::json(), 'response' => ['p1' => ['chosen' => ['a']]]])->json('score');
    for ($i = 0; $i < 3; $i++) {
        $question = stating($i === 1 ? '0.1' : $right);
        $question->id = sprintf('0192f0c4-0000-7000-8000-0000000001%02d', $i);
        app(SaveQuestion::class)->create(
            Question::read(Json::decode(Json::encode($question)), StandardKinds::all()),
            $world->bank->id,
            null,
        );
    }
    // as if scoring had changed since they were saved
    DB::table('questions')->update(['is_complete' => true, 'specimens_failing' => 0]);
    $run = ask('POST', '/banks/rocks/specimen-runs')->assertStatus(202)->json('data');
    expect($run['state'])
        ->toBe('running')
        ->and($run['total'])
        ->toBe(3)
        ->and(ask('POST', '/banks/rocks/specimen-runs')->json('data.id'))
        ->toBe($run['id']);
    Queue::assertPushed(RunAllSpecimens::class);
    // a worker was killed after the first
    DB::table('specimen_runs')->update(['done' => 1, 'specimens' => 1, 'last' => '0192f0c4-0000-7000-8000-000000000100']);
    app(RunSpecimens::class)->handle($run['id']);
    expect(ask('GET', '/banks/rocks/specimen-runs')->json('data'))
        ->toMatchArray(['state' => 'done', 'done' => 3, 'specimens' => 3, 'failing' => 1, 'changed' => 1])
        ->and(ask('GET', '/banks/rocks/questions?is=failing')->json('data.*.id'))
        ->toBe(['0192f0c4-0000-7000-8000-000000000101']);

    $next = ask('POST', '/banks/rocks/specimen-runs')->json('data.id');
    ask('DELETE', "/specimen-runs/$next")->assertStatus(204);
    app(RunSpecimens::class)->handle($next);
    expect(ask('GET', '/banks/rocks/specimen-runs')->json('data'))->toMatchArray(['id' => $next, 'state' => 'stopped', 'done' => 0]);
});

it('reads a table of responses for a question that is not saved', function (): void {
    $this->actingAs((new World)->people['reader']);
    $read = ask('POST', '/responses', ['question' => World::json(), 'text' => "Answer\tPoints\nA\t1\nQ\t0"])
        ->assertOk()
        ->json();
    expect($read['columns'])
        ->toBe(['part:p1', 'score'])
        ->and($read['rows'][0])
        ->toMatchArray(['stated' => '1', 'problem' => null, 'response' => ['p1' => ['chosen' => ['a']]]])
        ->and($read['rows'][1]['problem'])
        ->toContain('“Q”');
});
