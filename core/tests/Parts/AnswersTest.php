<?php

declare(strict_types=1);

use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Tests\Support\Schemas;

/*
 * Parts as learners see them, and what they answer by keys and clicks (resources/js/parts/learners.alone.test.tsx answers them): the
 * core shows the same, and gives the answers their points.
 */

/** @return list<array{string, stdClass}> */
function answerCases(): array
{
    $cases = (array) Json::decode((string) file_get_contents(__DIR__.'/../cases/answers.json'));

    return array_map(fn (string $kind, stdClass $case): array => [$kind, $case], array_keys($cases), $cases);
}

it('shows what learners answer, and gives it its points', function (string $kind, stdClass $case): void {
    $parts = Json::decode((string) file_get_contents(__DIR__.'/../cases/kinds.json'));
    $json = Schemas::example($kind)->valid;
    foreach ($json->parts as $i => $part) {
        if ($part->kind === $kind) {
            $json->parts[$i] = $parts->{$kind}->part ?? $part;
        }
    }
    $question = Question::read($json, StandardKinds::all());
    $shown = Json::decode(Json::encode((object) (new Presenter)->present($question, Seed::of(1))));
    assert($shown instanceof stdClass);
    $part = array_values(array_filter($shown->parts, fn (stdClass $one): bool => $one->kind === $kind))[0];
    expect(Json::encode($part))->toBe(Json::encode($case->shown));

    foreach ($case->answers as $answer) {
        $response = (object) ['response' => (object) [$part->id => $answer->response]];
        $result = (new Scorer)->score($question, Attempt::read(Fields::of($response, '', ['response'])));
        expect((string) $result->exact)->toBe($answer->score, $answer->how);
    }
})->with(answerCases());
