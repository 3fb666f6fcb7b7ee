<?php

declare(strict_types=1);

use WideQuarry\Assembly\EntrySettings;
use WideQuarry\Assembly\FeedbackTiming;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Tests\Support\Schemas;

function settingsOf(array $json): EntrySettings
{
    return EntrySettings::read(Json::decode(Json::encode((object) $json)), '');
}

it('takes what is not set from the next above', function (): void {
    $entry = settingsOf(['shuffle' => false]);
    $section = settingsOf(['shuffle' => true, 'minutes' => 2]);
    $whole = settingsOf(['feedback' => 'at_end', 'minutes' => 5]);
    $holds = $entry->under($section)->under($whole);

    expect([$holds->shuffle, $holds->minutes, $holds->feedback])
        ->toBe([false, '2', FeedbackTiming::AtEnd])
        ->and($entry->set())
        ->toBe(['shuffle'])
        ->and(EntrySettings::none()->isEmpty())
        ->toBeTrue();
});

it('asks a question otherwise, and leaves the question as it is', function (): void {
    $question = Question::read(Schemas::example('question')->valid, StandardKinds::all());
    $before = Json::encode($question->toJson());
    $asked = settingsOf([
        'attempts' => ['allowed' => 3, 'cost' => '1/4'],
        'tools' => ['calculator' => 'scientific'],
    ])->on($question, StandardKinds::all());

    expect([$asked->attempts, $asked->tools->calculator])
        ->toBe([3, 'scientific'])
        ->and(Json::encode($question->toJson()))
        ->toBe($before)
        ->and(EntrySettings::none()->on($question, StandardKinds::all()))
        ->toBe($question);
});

it('says what a question cannot have', function (): void {
    $question = fn (array $parts): Question => Question::read(
        Json::decode(
            Json::encode([
                'format' => 'wide-quarry/question',
                'version' => 1,
                'id' => '0192f0c4-0000-7000-8000-000000000001',
                'body' => '<p>Which?</p>',
                'parts' => $parts,
            ]),
        ),
        StandardKinds::all(),
    );
    $text = $question([['id' => 'p1', 'kind' => 'text', 'points' => 1, 'settings' => (object) [], 'key' => ['rules' => []]]]);
    $settings = settingsOf(['shuffle' => true, 'rubric' => ['criteria' => []], 'minutes' => 2]);

    expect($settings->idleOn($text, StandardKinds::all()))->toBe(['shuffle', 'rubric']);
});

it('refuses what is no setting', function (array $json, string $path): void {
    expect(fn () => settingsOf($json))->toThrow(fn (Malformed $problem) => expect($problem->path)->toBe($path));
})->with([
    'no attempt at all' => [['attempts' => ['allowed' => 0]], '/attempts/allowed'],
    'a timing nobody knows' => [['feedback' => 'sometimes'], '/feedback'],
    'sheets, which are of one question' => [['tools' => ['sheets' => []]], '/tools/sheets'],
    'another field' => [['points' => 2], '/points'],
]);

it('speaks when it is to', function (FeedbackTiming $timing, bool $between, bool $last, bool $report): void {
    expect([$timing->speaksAfter(false), $timing->speaksAfter(true), $timing->isInReport()])->toBe([$between, $last, $report]);
})->with([
    [FeedbackTiming::AtOnce, false, true, true],
    [FeedbackTiming::EachTry, true, true, true],
    [FeedbackTiming::AtEnd, false, false, true],
    [FeedbackTiming::Never, false, false, false],
]);
