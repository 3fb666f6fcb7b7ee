<?php

declare(strict_types=1);

use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Tests\Support\Schemas;

/*
 * Parts as the editors of the front end leave them (resources/js/parts/editors.test.tsx does the edits): each can be read, and gives
 * answers the points that whoever made the edit would expect.
 */

/** @return array<string, array{string, stdClass}> */
function editCases(): array
{
    $edits = [];
    foreach ((array) Json::decode((string) file_get_contents(__DIR__.'/../cases/edits.json')) as $kind => $each) {
        foreach ($each as $edit) {
            $edits["$kind: $edit->edit"] = [$kind, $edit];
        }
    }

    return $edits;
}

/** The question of a kind with its part as an edit leaves it. */
function questionAfter(string $kind, stdClass $edit): stdClass
{
    $cases = Json::decode((string) file_get_contents(__DIR__.'/../cases/kinds.json'));
    $question = Schemas::example($kind)->valid;
    foreach ($question->parts as $i => $part) {
        if ($part->kind !== $kind) {
            continue;
        }
        $part = $cases->{$kind}->part ?? $part;
        foreach ((array) ($edit->settings ?? []) as $name => $value) {
            $part->settings->{$name} = $value;
        }
        if (isset($edit->rules)) {
            $part->key->rules = $edit->rules;
        }
        $question->parts[$i] = $part;
    }

    return $question;
}

it('reads what an edit leaves, and gives answers their points', function (string $kind, stdClass $edit): void {
    $json = questionAfter($kind, $edit);
    $question = Question::read($json, StandardKinds::all());
    expect(Schemas::problem('question.json', $json))->toBeNull();

    foreach ($edit->answers ?? [] as $answer) {
        $response = (object) ['response' => (object) ['p1' => $answer->response]];
        $result = (new Scorer)->score($question, Attempt::read(Fields::of($response, '', ['response'])));
        expect((string) $result->exact)->toBe($answer->score, (string) json_encode($answer->response));
    }
})->with(editCases());
