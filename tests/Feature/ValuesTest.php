<?php

declare(strict_types=1);

use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

/** A question in which 12/n is asked, with n from a list. */
function shares(array $items, array $conditions = []): stdClass
{
    $json = World::json();
    $json->body = '<p>Share 12 among <var data-value="n"></var>: <span data-part="p1"></span></p>';
    $json->parts = [(object) [
        'id' => 'p1', 'kind' => 'number', 'points' => 1, 'settings' => new stdClass,
        'key' => (object) ['rules' => [
            (object) ['id' => 'r1', 'on' => (object) ['answer' => 'value', 'value' => (object) ['expr' => '12/n']], 'credit' => '1'],
        ]],
    ]];
    $json->variables = (object) [
        'list' => [(object) ['name' => 'n', 'kind' => 'list', 'items' => $items]],
        'conditions' => $conditions,
    ];

    return $json;
}

it('studies a question that is not saved', function (): void {
    $this->actingAs((new World)->people['writer']);
    ask('POST', '/study', ['question' => shares(['0', '2', '3'])])->assertOk()
        ->assertJson(['rolls' => 3, 'exhaustive' => true, 'failing' => 1, 'different' => 3])
        ->assertJsonPath('reasons.0.code', 'division.by_zero')
        ->assertJsonPath('worst.0.exclusion', 'n != 0');
    ask('POST', '/study', ['question' => shares([])])->assertStatus(422)->assertJsonPath('path', '/variables/list/0/items');
});

it('reads values while they are written, with problems at their places', function (): void {
    $this->actingAs((new World)->people['reader']);
    $variables = fn (string $expr): array => ['variables' => ['list' => [
        ['name' => 'a', 'kind' => 'integer', 'from' => '4', 'to' => '4'],
        ['name' => 'b', 'kind' => 'expr', 'expr' => $expr],
    ], 'conditions' => ['b > a']], 'language' => 'de'];
    ask('POST', '/values', $variables('a/8 + 10'))->assertOk()
        ->assertJsonPath('values.1.examples', ['b' => '10,5'])
        ->assertJsonPath('values.1.typeset', '<math><mfrac><mi>a</mi><mn>8</mn></mfrac><mo>+</mo><mn>10</mn></math>')
        ->assertJsonPath('conditions.0.problem', null);
    ask('POST', '/values', $variables('a/8 +'))->assertOk()->assertJsonPath('values.1.problem.offset', 5)
        ->assertJsonPath('values.1.problem.path', '/variables/list/1/expr');
    ask('POST', '/values', $variables('a - 8'))->assertOk()->assertJsonPath('conditions.0.problem.path', '/variables/conditions/0');
});

it('renames a value and lets a number vary', function (): void {
    $this->actingAs((new World)->people['reader']);
    $renamed = ask('POST', '/values/rename', ['question' => shares(['2']), 'from' => 'n', 'to' => 'people'])->assertOk()->json('question');
    expect($renamed['body'])->toContain('data-value="people"')
        ->and($renamed['parts'][0]['key']['rules'][0]['on']['value']['expr'])->toBe('12/people');
    ask('POST', '/values/rename', ['question' => shares(['2']), 'from' => 'n', 'to' => 'pi'])->assertStatus(422);
    ask('POST', '/values/vary', ['question' => shares(['2']), 'number' => '12'])->assertOk()
        ->assertJsonPath('name', 'a')->assertJsonPath('places', 1);
    ask('POST', '/values/vary', ['question' => shares(['2']), 'number' => 'twelve'])->assertStatus(422);
});

it('tells how a number with a unit is read', function (string $text, ?string $understood, ?string $problem): void {
    $this->actingAs((new World)->people['reader']);
    $answer = ask('POST', '/understood', ['text' => $text, 'language' => 'en-GB'])->assertOk();
    expect($answer->json('understood'))->toBe($understood)->and($answer->json('problem'))
        ->{$problem === null ? 'toBeNull' : 'toContain'}($problem ?? '');
})->with([
    ['2.5 kilometres', "2.5\u{A0}km", null],
    ['2.5', '2.5', null],
    ['2.5 KM', null, 'Did you mean “km”?'],
    ['far', null, 'far'],
]);

it('shows what is found in a question whose values cannot be worked out, and why', function (): void {
    $this->actingAs((new World)->people['writer']);
    $shown = ask('POST', '/present', ['question' => shares(['2'], ['n > 5'])])->assertOk();
    expect($shown->json('presentation'))->toBeNull()->and($shown->json('problem'))->toContain('n > 5')
        ->and(array_column($shown->json('findings'), 'code'))->toContain('variable.conditions_not_met');
});

it('marks a question with bad rolls when it is saved, and finds it by that', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $put = fn (stdClass $json, int $base) => ask('PUT', "/questions/$world->question", ['question' => $json], ['If-Match' => "\"$base\""]);
    $found = fn (): array => array_column(ask('GET', '/banks/rocks/questions?has=bad_rolls')->assertOk()->json('data'), 'id');
    $json = shares(['0', '2']);
    $json->id = $world->question;
    $put($json, 1)->assertOk();
    expect($found())->toBe([$world->question]);
    $json->variables->conditions = ['n != 0'];
    $put($json, 2)->assertOk();
    expect($found())->toBe([]);
});

it('studies every roll of a bank, and sees what saving did not', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $json = shares(['0', '2']);
    $json->id = $world->question;
    ask('PUT', "/questions/$world->question", ['question' => $json], ['If-Match' => '"1"'])->assertOk();
    DB::table('questions')->where('id', $world->question)->update(['has' => '{values}', 'is_complete' => true]);
    ask('POST', '/banks/rocks/specimen-runs')->assertStatus(202);
    expect(ask('GET', '/banks/rocks/specimen-runs')->json('data'))->toMatchArray(['varying' => 1, 'bad' => 1, 'changed' => 1])
        ->and(DB::table('questions')->where('id', $world->question)->first(['has', 'is_complete']))
        ->toEqual((object) ['has' => '{values,bad_rolls}', 'is_complete' => false]);
});
