<?php

declare(strict_types=1);

use WideQuarry\CommandLine\ReadJson;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Question\Record;
use WideQuarry\Search\SearchText;
use WideQuarry\Tests\Support\Questions;

it('gives the same under another record, whether it is read anew or from what was stored, for every question of the demo', function (
    array $before,
    array $after,
): void {
    $kinds = StandardKinds::all();
    [$old, $new] = array_map(fn (array $record): stdClass => Json::decode((string) json_encode((object) $record)), [$before, $after]);
    $seen = 0;
    foreach (glob(__DIR__.'/../../../database/demo/*.json') ?: [] as $file) {
        foreach ((new ReadJson($kinds))->found(Json::decode((string) file_get_contents($file)), null)->questions as $json) {
            $json->record = $old;
            $was = SearchText::of(Question::read($json, $kinds));
            $json->record = $new;
            $question = Question::read($json, $kinds);
            $is = SearchText::of($question);
            $under = SearchText::underRecord(
                $question->id,
                $question->title,
                $question->body,
                $was->answers,
                $was->rest,
                Record::read($old, ''),
                Record::read($new, ''),
            );
            expect([$under->all(), $under->vector()])->toBe([$is->all(), $is->vector()]);
            $seen++;
        }
    }
    expect($seen)->toBeGreaterThan(160);
})->with([
    'a tag more' => [['tags' => ['old']], ['tags' => ['old', 'new']]],
    'the first' => [[], ['tags' => ['new'], 'author' => 'Tam Brisco']],
    'none left' => [['tags' => ['old'], 'notes' => "Two lines\nof notes"], []],
    'others' => [['source' => 'Field book'], ['source' => 'Penhale papers', 'notes' => '']],
    'the same' => [['notes' => 'x'], ['notes' => 'x']],
]);

it('names the fields of a record that are searched, and no others', function (string $field, mixed $value): void {
    $question = Questions::of([Questions::choice(['a' => '1', 'b' => ''])]);
    $json = $question->toJson();
    $json->record = (object) [$field => $value];
    $isSearched = SearchText::of(Question::read($json, StandardKinds::all()))->vector() !== SearchText::of($question)->vector();

    expect($isSearched)->toBe(in_array($field, SearchText::RECORD_FIELDS, true));
})->with([
    ['tags', ['word']],
    ['standards', [(object) ['framework' => 'f', 'code' => 'word']]],
    ['notes', 'word'],
    ['source', 'word'],
    ['author', 'word'],
    ['origin', (object) ['identifier' => 'word']],
    ['level', 'word'],
    ['licence', 'word'],
    ['topics', [['word']]],
    ['purpose', ['word']],
    ['difficulty', 3],
]);
