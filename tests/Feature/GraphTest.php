<?php

declare(strict_types=1);

use Tests\Feature\World;

// A grid as it is being drawn on: what is sent back is drawn and said by the core, with values rolled; nothing is stored.

it('draws a grid and figures on it, in words, with what is wrong of each by itself', function (): void {
    $this->actingAs((new World)->people['reader']);
    $drawn = ask('POST', '/graphs', [
        'settings' => ['x' => ['from' => '0', 'to' => ['expr' => '2a']], 'tools' => ['line']],
        'variables' => ['list' => [['name' => 'a', 'kind' => 'list', 'items' => ['4']]]],
        'figures' => [
            ['figure' => 'line', 'points' => [['0', ['expr' => 'a - 3']], ['2', '5']]],
            ['figure' => 'line', 'points' => [['0', '1'], ['0', '1']]],
            ['figure' => 'spiral'],
        ],
        'wanted' => [['asks' => [['property' => 'slope', 'value' => '2']]]],
    ])->assertOk();

    expect($drawn->json('shown.x.to'))->toBe('8')
        ->and($drawn->json('figures.0'))->toMatchArray(['words' => 'the line through (0, 1) and (2, 5)', 'problem' => null])
        ->and($drawn->json('figures.0.svg'))->toStartWith('<path d="M')
        ->and($drawn->json('figures.1'))->toBe(['words' => '', 'svg' => '', 'problem' => 'Two points of the figure are the same.'])
        ->and($drawn->json('figures.2.problem'))->toContain('spiral')
        ->and($drawn->json('wanted.0.words'))->toBe('any figure of slope 2');
});

it('says what is wrong with a grid instead of drawing it', function (): void {
    $this->actingAs((new World)->people['reader']);
    $point = ['figure' => 'point', 'points' => [['1', '1']]];
    ask('POST', '/graphs', ['settings' => ['x' => ['from' => '5', 'to' => '5']], 'figures' => [$point]])
        ->assertOk()
        ->assertJsonPath('shown.problem', 'An axis cannot run from 5 to 5. Its end must be greater than its start.')
        ->assertJsonPath('figures', []);
    ask('POST', '/graphs', ['settings' => ['x' => 7]])->assertStatus(422)->assertJsonPath('path', '/settings/x');
    ask('POST', '/graphs', ['settings' => (object) [], 'figures' => array_fill(0, 500, (object) [])])->assertStatus(422);
});

it('shows a question of a grid as a small picture in lists, to who may read it', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $example = json_decode((string) file_get_contents(__DIR__.'/../../core/schema/examples/graph.json'))->valid;
    $id = ask('POST', '/banks/rocks/questions', ['question' => $example])->assertCreated()->json('data.id');
    $rows = ask('GET', '/banks/rocks/questions')->json('data');
    $picture = $this->get("/api/v1/questions/$id/thumbnail")->assertOk()->assertHeader('Content-Type', 'image/svg+xml');

    expect(array_column($rows, 'has_thumbnail', 'id')[$id])->toBeTrue()
        ->and($picture->getContent())->toStartWith('<svg')->toContain('#0e6a5b')
        ->and(array_filter(array_column($rows, 'has_thumbnail')))->toHaveCount(1);
    $this->actingAs($world->people['stranger'])->get("/api/v1/questions/$id/thumbnail")->assertNotFound();
});

it('draws no more formulas than it can in time, as figures, as answers and from the start', function (): void {
    $this->actingAs((new World)->people['reader']);
    $six = array_fill(0, 6, ['figure' => 'function', 'expression' => 'x^x']);
    $drawn = ask('POST', '/graphs', [
        'settings' => (object) [],
        'figures' => $six,
        'wanted' => array_map(fn (array $one): array => ['figure' => $one], $six),
    ])->assertOk();
    $problem = 'At most 5 formulas can be drawn.';
    expect(array_column($drawn->json('figures'), 'problem'))->toBe([null, null, null, null, null, $problem])
        ->and(array_column($drawn->json('wanted'), 'problem'))->toBe([null, null, null, null, null, $problem]);
    ask('POST', '/graphs', ['settings' => ['given' => $six]])->assertOk()->assertJsonPath('shown.problem', $problem);
});
