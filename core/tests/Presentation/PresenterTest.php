<?php

declare(strict_types=1);

use WideQuarry\Json\Json;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Question\NotScorable;
use WideQuarry\Random\Seed;
use WideQuarry\Tests\Support\Questions;

it('shows nothing of the key', function (): void {
    $question = Questions::of(
        [
            Questions::choice(['a' => '1', 'b' => '']),
            Questions::typed('text', [['answer' => 'is', 'text' => ['secret answer']]], 1, 'p2'),
        ],
        ['hints' => [['id' => 'h1', 'html' => 'secret hint']], 'feedback' => ['right' => ['html' => 'secret praise']]],
    );
    $shown = Json::encode((new Presenter)->present($question, Seed::of(1)));

    expect($shown)->not->toContain('secret')->not->toContain('"rules"')->not->toContain('"credit"')
        ->and(Json::decode($shown))->toHaveProperty('hints', 1);
});

it('is the same for the same seed, in any order of asking', function (): void {
    $question = Questions::of([Questions::choice(array_fill_keys(range('a', 'h'), '0'))]);
    $first = Json::encode((new Presenter)->present($question, Seed::of(5)));
    (new Presenter)->present($question, Seed::of(6));

    expect(Json::encode((new Presenter)->present($question, Seed::of(5))))->toBe($first);
});

it('shows the stimuli it is given, in the order of the question, and leaves out the others', function (): void {
    [$one, $two] = ['0192f0c4-0000-7000-8000-000000000001', '0192f0c4-0000-7000-8000-000000000002'];
    $question = Questions::of([Questions::choice(['a' => '1', 'b' => ''])], ['stimuli' => [$two, $one]]);
    $shown = (new Presenter)->present($question, Seed::of(1), [$one => '<p>first</p>', $two => '<p>second</p>']);
    $hidden = (new Presenter)->present($question, Seed::of(1), [$one => '<p>first</p>']);

    expect(Json::encode($shown['stimuli']))->toContain('second', 'first')->and($shown['stimuli'])->toHaveCount(2)
        ->and(strpos(Json::encode($shown['stimuli']), 'second'))->toBeLessThan(strpos(Json::encode($shown['stimuli']), 'first'))
        ->and($hidden['stimuli'])->toHaveCount(1);
});

it('says which of the stimuli it shows come only on request', function (): void {
    [$one, $two, $three] = array_map(fn (int $n): string => "0192f0c4-0000-7000-8000-00000000000$n", [1, 2, 3]);
    $question = Questions::of(
        [Questions::choice(['a' => '1', 'b' => ''])],
        ['stimuli' => [$one, $two], 'tools' => (object) ['ruler' => true, 'sheets' => [$two, $three]]],
    );
    $asked = fn (array $stimuli): array => (new Presenter)->present($question, Seed::of(1), $stimuli);
    $both = $asked([$one => '<p>above</p>', $two => '<p>sheet</p>']);

    expect($both['on_request'])->toBe([1])->and($both['tools'])->toEqual((object) ['ruler' => true])
        ->and($asked([$two => '<p>sheet</p>'])['on_request'])->toBe([0])
        ->and($asked([$one => '<p>above</p>'])['on_request'])->toBe([]);
});

it('says that a kind cannot be shown yet', function (): void {
    $question = Questions::of([['id' => 'p1', 'kind' => 'formula', 'points' => 1]]);

    expect(fn () => (new Presenter)->present($question, Seed::of(1)))->toThrow(NotScorable::class);
});
