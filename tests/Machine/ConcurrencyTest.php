<?php

declare(strict_types=1);

use Tests\Machine\Answer;
use Tests\Machine\Installation;
use Tests\Machine\Questions;

// Requests that arrive at the same moment, at a real server with several processes.

/** @param  list<Answer>  $answers  @return array<int, int> status → how often */
function statuses(array $answers): array
{
    $count = array_count_values(array_map(fn (Answer $answer): int => $answer->status, $answers));
    ksort($count);

    return $count;
}

it('lets one of two moves win that would make a ring of folders', function (): void {
    $ines = Installation::shared()->person('ring');
    $slug = $ines->ask('POST', '/banks', ['name' => 'Rings'])->json('data.slug');
    for ($round = 0; $round < 10; $round++) {
        [$a, $b] = array_map(
            fn (string $name): string => $ines->ask('POST', "/banks/$slug/folders", ['name' => "$name $round"])->json('id'),
            ['A', 'B'],
        );
        $answers = $ines->askAll([
            ['PATCH', "/banks/$slug/folders/$a", ['parent' => $b]],
            ['PATCH', "/banks/$slug/folders/$b", ['parent' => $a]],
        ]);
        expect(statuses($answers))->toBe([204 => 1, 422 => 1]);
        $tree = array_column($ines->ask('GET', "/banks/$slug/trees")->json('folders'), 'parent_id', 'id');
        expect([$tree[$a], $tree[$b]])->toContain(null);
    }
});

it('creates a bank for each of two people who call theirs the same', function (): void {
    $ines = Installation::shared()->person('namesake');
    $answers = $ines->askAll(array_fill(0, 6, ['POST', '/banks', ['name' => 'Fossils']]));
    $slugs = array_map(fn (Answer $answer): mixed => $answer->json('data.slug'), $answers);
    expect(statuses($answers))
        ->toBe([201 => 6])
        ->and(array_unique($slugs))
        ->toHaveCount(6);
});

it('creates a question once, however often it is sent', function (): void {
    $ines = Installation::shared()->person('twice');
    $slug = $ines->ask('POST', '/banks', ['name' => 'Twice'])->json('data.slug');
    $question = ['question' => Questions::one()];
    $answers = $ines->askAll(array_fill(0, 8, ['POST', "/banks/$slug/questions", $question]));
    expect(statuses($answers))
        ->toBe([201 => 1, 409 => 7])
        ->and($answers[array_search(409, array_column($answers, 'status'), true)]->json('detail'))
        ->toBeString();
    $other = ['question' => Questions::one()];
    $answers = $ines->askAll(array_fill(0, 8, ['POST', "/banks/$slug/questions", $other, ['Idempotency-Key' => 'k1']]));
    expect(array_diff(array_keys(statuses($answers)), [201, 409]))
        ->toBe([])
        ->and($ines->ask('GET', "/banks/$slug/questions")->json('meta.found'))
        ->toBe(2);
});

it('stores one of eight saves that were started from the same version', function (): void {
    $ines = Installation::shared()->person('eight');
    $slug = $ines->ask('POST', '/banks', ['name' => 'Eight'])->json('data.slug');
    $question = Questions::one();
    $id = $ines->ask('POST', "/banks/$slug/questions", ['question' => $question])->json('data.id');
    $assessment = $ines->ask('POST', '/assessments', ['title' => 'Test', 'bank' => $slug, 'questions' => [$id]])->json('data');
    $stimulus = $ines
        ->ask('POST', "/banks/$slug/stimuli", [
            'stimulus' => ['id' => Questions::id(), 'title' => 'Cliff', 'language' => 'en-GB', 'body' => '<p>x</p>'],
        ])
        ->json('data.stimulus');
    $intake = $ines->ask('POST', '/intakes', ['text' => Questions::exam(2), 'bank' => $slug])->json('data.id');
    Installation::shared()->until(
        fn (): bool => $ines->ask('GET', "/intakes/$intake")->json('data.state') === 'review',
        'the import to be read',
    );
    $staged = $ines->ask('GET', "/intakes/$intake/questions")->json('data.0.id');
    $mended = $ines->ask('GET', "/intakes/$intake/questions/$staged")->json('data.question');
    $entry = $assessment['content']['sections'][0]['entries'][0]['id'];
    $saves = [
        'question' => ['PUT', "/questions/$id", ['question' => $question], ['If-Match' => '"1"']],
        'stimulus' => ['PUT', "/stimuli/{$stimulus['id']}", ['stimulus' => $stimulus], ['If-Match' => '"1"']],
        'staged question' => [
            'PUT',
            "/intakes/$intake/questions/$staged",
            ['question' => [...$mended, 'record' => (object) $mended['record']]],
            ['If-Match' => '"1"'],
        ],
        'assessment' => [
            'PUT',
            "/assessments/{$assessment['id']}",
            ['content' => $assessment['content']],
            ['If-Match' => "\"{$assessment['version']}\""],
        ],
        'entry' => [
            'PUT',
            "/assessments/{$assessment['id']}/entries/$entry",
            ['question' => $question],
            ['If-Match' => '"'.($assessment['version'] + 1).'"'],
        ],
    ];
    foreach ($saves as $what => $save) {
        $answers = $ines->askAll(array_fill(0, 8, $save));
        expect(statuses($answers))->toBe([200 => 1, 412 => 7], "$what: {$answers[0]->body}");
    }
});
