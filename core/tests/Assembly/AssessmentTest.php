<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Totals;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\Parts;

const QUESTIONS = ['0192f0c4-0000-7000-8000-00000000000a', '0192f0c4-0000-7000-8000-00000000000b', '0192f0c4-0000-7000-8000-00000000000c'];

function assessment(array $sections): stdClass
{
    $json = Assessment::fresh('0192f0c4-0000-7000-8000-000000000001', 'Unit test');
    $json->sections = $sections;

    return Json::decode(Json::encode($json));
}

it('reads the examples of the schema', function (): void {
    $examples = Json::decode((string) file_get_contents(dirname(__DIR__, 2).'/schema/examples/assessment.json'));
    expect(Assessment::read($examples->valid, Parts::standard())->toJson())->toEqual($examples->valid);
});

it('refuses what is no assessment, naming the place', function (array $sections, string $path): void {
    expect(fn () => Assessment::read(assessment($sections), Parts::standard()))->toThrow(fn (Malformed $problem) => expect($problem->path)->toBe($path));
})->with([
    'an entry twice' => [[['id' => 's1', 'entries' => [['id' => 'e1', 'question' => QUESTIONS[0]], ['id' => 'e1', 'question' => QUESTIONS[1]]]]], '/sections/0'],
    'no question' => [[['id' => 's1', 'entries' => [['id' => 'e1']]]], '/sections/0/entries/0'],
    'points below nothing' => [[['id' => 's1', 'entries' => [['id' => 'e1', 'question' => QUESTIONS[0], 'points' => -1]]]], '/sections/0/entries/0/points'],
    'a variation that is no question' => [[['id' => 's1', 'entries' => [['id' => 'e1', 'question' => QUESTIONS[0], 'variation' => ['format' => 'x']]]]], ''],
]);

it('adds questions at the end of a section, once', function (): void {
    $read = Assessment::read(assessment([['id' => 's1', 'entries' => [['id' => 'e1', 'question' => QUESTIONS[0]]]], ['id' => 's2', 'entries' => []]]), Parts::standard());
    $entries = fn (stdClass $json, int $section): array => array_column($json->sections[$section]->entries, 'question');

    expect($entries($read->with([QUESTIONS[0] => 1, QUESTIONS[1] => 3]), 1))->toBe([QUESTIONS[1]])
        ->and($entries($read->with([QUESTIONS[1] => 3], 's1'), 0))->toBe([QUESTIONS[0], QUESTIONS[1]])
        ->and($read->with([QUESTIONS[1] => 3])->sections[1]->entries[0]->seen)->toBe(3)
        ->and($read->toJson()->sections[1]->entries)->toBe([]);
});

it('asks questions as they are called elsewhere', function (): void {
    $read = Assessment::read(assessment([['id' => 's1', 'entries' => [['id' => 'e1', 'question' => QUESTIONS[0], 'follow' => 'pinned', 'revision' => 4, 'points' => 2], ['id' => 'e2', 'question' => QUESTIONS[1]]]]]), Parts::standard());
    expect(Json::encode($read->asking([QUESTIONS[0] => [QUESTIONS[2], 1]])->sections[0]->entries))->toBe('[{"id":"e1","question":"'.QUESTIONS[2].'","points":2,"seen":1}]');
});

it('marks what changed since it was looked at', function (array $entry, int $now, bool $changed): void {
    $pick = Assessment::read(assessment([['id' => 's1', 'entries' => [['id' => 'e1', 'question' => QUESTIONS[0], ...$entry]]]]), Parts::standard())->picks()[0];
    expect($pick->changedSince($now))->toBe($changed);
})->with([
    'as it was' => [['seen' => 2], 2, false], 'newer' => [['seen' => 2], 3, true], 'never looked at' => [[], 3, false], 'pinned' => [['seen' => 2, 'follow' => 'pinned', 'revision' => 2], 3, false],
]);

it('takes its own points, or those of the question', function (): void {
    $picks = Assessment::read(assessment([['id' => 's1', 'entries' => [['id' => 'e1', 'question' => QUESTIONS[0], 'points' => 2.5], ['id' => 'e2', 'question' => QUESTIONS[1]]]]]), Parts::standard())->picks();
    expect(array_map(fn ($pick) => (string) $pick->points(Exact::of('4')), $picks))->toBe(['5/2', '4'])->and((string) $picks[1]->points(null))->toBe('0');
});

it('adds up exactly, by kind, topic and difficulty', function (): void {
    $entry = fn (string $points, array $kinds, array $topics, ?int $difficulty, ?string $minutes = null): array => ['points' => Exact::of($points), 'kinds' => $kinds, 'topics' => $topics, 'difficulty' => $difficulty, 'minutes' => $minutes === null ? null : Exact::of($minutes)];
    $totals = Totals::of([$entry('0.1', ['choice'], [['Rocks'], ['Maps', 'Scale']], 2, '1.5'), $entry('0.2', ['choice'], [['Rocks']], null), $entry('3', ['text', 'number', 'text'], [], 10, '2')]);
    $json = json_decode(Json::encode($totals), true);

    expect($json)->toBe([
        'questions' => 3, 'points' => 3.3, 'minutes' => 3.5,
        'kinds' => [['name' => 'choice', 'questions' => 2, 'points' => 0.3], ['name' => 'text+number', 'questions' => 1, 'points' => 3]],
        'topics' => [['name' => 'Maps › Scale', 'questions' => 1, 'points' => 0.1], ['name' => 'Rocks', 'questions' => 2, 'points' => 0.3], ['name' => '', 'questions' => 1, 'points' => 3]],
        'difficulties' => [['name' => '2', 'questions' => 1, 'points' => 0.1], ['name' => '10', 'questions' => 1, 'points' => 3], ['name' => '', 'questions' => 1, 'points' => 0.2]],
    ]);
});
