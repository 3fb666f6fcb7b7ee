<?php

declare(strict_types=1);

use WideQuarry\CommandLine\Offline;
use WideQuarry\CommandLine\RepeatedQuestion;
use WideQuarry\CommandLine\Streams;
use WideQuarry\Json\Fields;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Tests\Support\Schemas;

/**
 * What `quarry score` writes for some lines.
 *
 * @param  list<string>  $lines
 * @return list<string>
 */
function scored(array $lines): array
{
    [$in, $out] = [fopen('php://memory', 'r+'), fopen('php://memory', 'r+')];
    fwrite($in, implode("\n", $lines)."\n");
    rewind($in);
    (new Offline(new Streams($in, $out, $out)))->run('score', []);
    rewind($out);

    return explode("\n", trim((string) stream_get_contents($out)));
}

$json = fn (string $kind): string => (string) json_encode(Schemas::example($kind)->valid, JSON_UNESCAPED_UNICODE);
[$choice, $text] = [$json('choice'), $json('text')];

it('scores lines that repeat a question as it scores each alone', function (array $lines): void {
    expect(scored($lines))->toBe(array_merge(...array_map(fn (string $line): array => scored([$line]), $lines)));
})->with([
    'several answers to one question' => [[
        "{\"question\":$choice,\"response\":{\"p1\":{\"chosen\":[\"a\"]}}}",
        "{\"question\":$choice,\"response\":{\"p1\":{\"chosen\":[\"b\"]}},\"ref\":7}",
        "{\"question\":$choice,\"seed\":4,\"response\":{}}",
        "{\"question\":$choice}",
    ]],
    'another question between' => [[
        "{\"question\":$choice,\"response\":{\"p1\":{\"chosen\":[\"b\"]}}}",
        "{\"question\":$text,\"response\":{\"p1\":{\"text\":\"basalt\"}}}",
        "{\"question\":$choice,\"response\":{\"p1\":{\"chosen\":[\"b\"]}}}",
    ]],
    'a second question in the line, which counts' => [[
        "{\"question\":$choice,\"response\":{\"p1\":{\"text\":\"basalt\"}},\"question\":$text}",
        "{\"question\":$choice,\"response\":{\"p1\":{\"chosen\":[\"b\"]}}}",
        "{\"question\":$choice,\"response\":{\"p1\":{\"text\":\"basalt\"}},\"\\u0071uestion\":$text}",
        "{\"question\":$choice,\"response\":{\"p1\":{\"chosen\":[\"b\"]}}}",
    ]],
    'lines that break off or go on wrongly' => [[
        "{\"question\":$choice,\"response\":{\"p1\":{\"chosen\":[\"b\"]}}}",
        "{\"question\":$choice",
        "{\"question\":$choice,",
        "{\"question\":$choice,}",
        "{\"question\":$choice}}",
        "{\"question\":$choice 1}",
        "{\"question\":$choice,\"response\":{\"p1\":{\"chosen\":[\"b\"]}}} x",
        "{\"question\":$choice,\"unknown\":1}",
        "{\"question\":$choice,\"response\":{\"p1\":{\"chosen\":[\"b\"]}}}",
    ]],
    'a question that cannot be read' => [[
        '{"question":{"parts":[]},"response":{}}',
        '{"question":{"parts":[]},"response":{}}',
        '{"question":[1],"response":{}}',
        '{"question":"}","response":{}}',
    ]],
    'the question last, or after a space' => [[
        "{\"response\":{\"p1\":{\"chosen\":[\"b\"]}},\"question\":$choice}",
        "{\"response\":{\"p1\":{\"chosen\":[\"b\"]}},\"question\":$choice}",
        "{ \"question\": $choice, \"response\": {\"p1\": {\"chosen\": [\"b\"]}}}",
        "{ \"question\": $choice, \"response\": {\"p1\": {\"chosen\": [\"b\"]}}}",
    ]],
]);

it('reads a question that is repeated once', function () use ($choice, $text): void {
    $questions = new RepeatedQuestion(StandardKinds::all());
    $read = function (string $line) use ($questions): object {
        return $questions->of(Fields::of($questions->decoded($line), '', ['question', 'response']));
    };
    $first = $read("{\"question\":$choice,\"response\":{}}");

    expect($read("{\"question\":$choice}"))->toBe($first)
        ->and($read("{\"question\":$text}"))->not->toBe($first)
        ->and($read("{\"question\":$choice}"))->not->toBe($first);
});
