<?php

declare(strict_types=1);

use Brick\Math\BigRational;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Keys\KnownKeys;
use WideQuarry\Interchange\Keys\Response;
use WideQuarry\Interchange\Source;
use WideQuarry\Parts\StandardKinds;

function forgetKeys(): void
{
    (new ReflectionProperty(KnownKeys::class, 'known'))->setValue(null, []);
}

/** Questions of a file of the demo, and what was said of them. @return list<string> */
function readThings(string $file, ?callable $before = null): array
{
    $source = new Source($file, 'things.zip');
    $things = [];
    foreach (Formats::standard(StandardKinds::all())->for($source)->read($source) as $thing) {
        $things[] = (string) json_encode($thing, JSON_INVALID_UTF8_SUBSTITUTE); // media among them
        $before === null || $before();
    }

    return $things;
}

it('reads an item with a key that is known as one with a key that is not', function (string $file): void {
    forgetKeys();
    $each = readThings($file, forgetKeys(...)); // nothing is known for any item
    forgetKeys();

    expect(readThings($file))
        ->toBe($each)
        ->and(readThings($file)) // all of it is known
        ->toBe($each);
})->with(fn (): array => array_combine(
    $files = glob(__DIR__.'/../../../demo/files/*.{zip,xml,imscc}', GLOB_BRACE) ?: [],
    array_map(fn (string $file): array => [$file], $files),
));

/** A choice of two that earns a point for its second; @return array{KnownKeys, stdClass} with a key for one of the options */
function choiceOfTwo(string $first, string $second, string $right, string $language = 'en', string $score = '1'): array
{
    $options = [['id' => $first, 'html' => "<p>The $first</p>"], ['id' => $second, 'html' => '<p>Another</p>']];
    $settings = (object) ['options' => array_map(fn (array $one): object => (object) $one, $options), 'max' => 1];
    $responses = [new Response("part-$first", 'choice', $settings, AnswerShape::Picks, [$first, $second], false, [])];
    $rows = [];
    foreach ([[], [$first], [$second]] as $given) {
        $rows[] = ['given' => ["part-$first" => $given], 'score' => BigRational::of($given === [$second] ? $score : '0'), 'shows' => []];
    }
    $keyed = (object) [
        'language' => $language,
        'parts' => [
            (object) [
                'points' => 1,
                'key' => (object) ['rules' => [(object) ['id' => 'r1', 'on' => $right, 'credit' => '1']]],
                'scoring' => (object) ['scheme' => 'weights'],
            ],
        ],
        'scoring' => (object) ['combine' => 'sum'],
    ];

    return [new KnownKeys($responses, $rows, $keyed), $keyed];
}

it('knows a key again under other identifiers and words, and no other key', function (): void {
    forgetKeys();
    [$known, $keyed] = choiceOfTwo('a', 'b', 'b');
    expect($known->how())->toBeNull();
    $known->remember($keyed, 'sum', 'weights', ['rules' => ["part-a\tr1" => [2]], 'credits' => ['part-a' => ['0', '0', '1']]]);

    [$again, $same] = choiceOfTwo('x1', 'b2', 'b2');
    expect($again->how())
        ->toMatchArray(['combine' => 'sum', 'scheme' => 'weights'])
        ->and($again->outcomes($same))
        ->toBe(['rules' => ["part-x1\tr1" => [2]], 'credits' => ['part-x1' => ['0', '0', '1']]])
        ->and($again->outcomes(choiceOfTwo('x1', 'b2', 'x1')[1])) // the other option
        ->toBeNull()
        ->and(choiceOfTwo('a', 'b', 'b', language: 'de')[0]->how())
        ->toBeNull()
        ->and(choiceOfTwo('a', 'b', 'b', score: '2')[0]->how())
        ->toBeNull();
});
