<?php

declare(strict_types=1);

use WideQuarry\Checks\Completeness;
use WideQuarry\Finding;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;

/*
 * Cases that the front end reads, too (resources/js/parts/cases.test.tsx): the part a desk begins with, what an answer is worth, and
 * how it is said. Where the two sides understand a kind differently, one of the tests fails.
 */

/** @return list<array{string, stdClass}> */
function kindCases(): array
{
    $cases = (array) Json::decode((string) file_get_contents(__DIR__.'/../cases/kinds.json'));

    return array_map(fn (string $kind, stdClass $case): array => [$kind, $case], array_keys($cases), $cases);
}

function questionOf(stdClass $part, string $body = ''): stdClass
{
    return (object) [
        'format' => Question::FORMAT,
        'version' => 1,
        'id' => '0192f0c4-0000-7000-8000-00000000ca5e',
        'language' => 'en-GB',
        'body' => $body === '' ? '<p>Which?</p><div data-part="p1"></div>' : $body,
        'parts' => [$part],
    ];
}

it('has a case for every kind', function (): void {
    expect(array_column(kindCases(), 0))->toEqualCanonicalizing(StandardKinds::all()->names());
});

it('gives an answer the points the case says', function (string $kind, stdClass $case): void {
    $example = Json::decode((string) file_get_contents(__DIR__."/../../schema/examples/$kind.json"));
    assert($example instanceof stdClass);
    $question = Question::read(isset($case->part) ? questionOf($case->part) : $example->valid, StandardKinds::all());
    $response = isset($case->response) ? (object) ['p1' => $case->response] : $example->response;
    $result = (new Scorer)->score($question, Attempt::read(Fields::of((object) ['response' => $response], '', ['response'])));

    expect([(string) $result->exact, $result->state])->toBe([$case->score, $case->state]);
})->with(kindCases());

it('reads the part an author begins with and says at its fields what is missing', function (string $kind, stdClass $case): void {
    $question = Question::read(questionOf($case->fresh), StandardKinds::all());
    $findings = (new Completeness)->findings($question);

    expect($findings)->not->toBe([])
        ->and($question->part('p1')?->kindName)->toBe($kind);
    foreach ($findings as $finding) {
        assert($finding instanceof Finding);
        expect($finding->path)->toStartWith('/parts/0');
    }
})->with(kindCases());

it('knows the sign of a credit', function (string $credit, int $sign): void {
    expect(Exact::read($credit)?->getSign())->toBe($sign);
})->with(array_map(
    fn (stdClass $case): array => [$case->credit, $case->sign],
    (array) Json::decode((string) file_get_contents(__DIR__.'/../cases/credits.json')),
));
