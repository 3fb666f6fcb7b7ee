<?php

declare(strict_types=1);

use WideQuarry\Duplicates\Fingerprint;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;

function printed(callable $change): string
{
    $json = Json::decode((string) file_get_contents(dirname(__DIR__, 2).'/schema/examples/choice.json'))->valid;
    $json->body = '<p>What is 3 + 4?</p><div data-part="p1"></div>';
    $change($json, $json->parts[0]->settings->options);

    return Fingerprint::of(Question::read($json, StandardKinds::all()));
}

it('knows the same question', function (callable $change, bool $same): void {
    expect(printed($change) === printed(fn () => null))->toBe($same);
})->with([
    'another identifier' => [fn ($q) => ($q->id = '00000000-0000-7000-8000-000000000000'), true],
    'other markup, capitals and spaces' => [fn ($q) => ($q->body = '<p><em>WHAT</em>  is 3 + 4</p><div data-part="p1"></div>'), true],
    'options in another order' => [fn ($q, $options) => ($q->parts[0]->settings->options = array_reverse($options)), true],
    'other points and title' => [
        function ($q): void {
            $q->parts[0]->points = 5;
            $q->title = 'Sums';
        },
        true,
    ],
    'another sign' => [fn ($q) => ($q->body = '<p>What is 3 × 4?</p><div data-part="p1"></div>'), false],
    'another option' => [fn ($q, $options) => ($options[0]->html = 'Something else'), false],
    'another picture' => [fn ($q) => ($q->body = '<p>What is 3 + 4?<img data-media="m9" alt=""/></p><div data-part="p1"></div>'), false],
    'another stimulus' => [fn ($q) => ($q->stimuli = ['00000000-0000-7000-8000-000000000001']), false],
]);

it('is like no other without words', function (): void {
    expect(printed(fn ($q) => ($q->body = '<div data-part="p1"></div>')))->toBe('');
});
