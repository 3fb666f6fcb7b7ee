<?php

declare(strict_types=1);

use WideQuarry\Checks\Completeness;
use WideQuarry\Finding;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Question\Canonical;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Tests\Support\Questions;
use WideQuarry\Tests\Support\Schemas;

$ours = ['choice', 'text', 'number', 'question', 'text-page'];
$questions = array_values(array_filter(Schemas::exampleNames(), fn (string $name): bool => ! isset(Schemas::example($name)->schema)));

it('reads every valid example and gives it back unchanged', function (string $name): void {
    $json = Schemas::example($name)->valid;
    expect(Json::encode(Question::read($json, StandardKinds::all())->toJson()))->toBe(Json::encode($json));
})->with($questions);

it('refuses what the schema refuses, at the same place', function (string $name, int $index): void {
    $example = Schemas::example($name);
    $broken = Schemas::patched($example->valid, $example->invalid[$index]->patch);
    try {
        Question::read($broken, StandardKinds::all());
    } catch (Malformed $problem) {
        expect(
            str_starts_with($problem->path, $example->invalid[$index]->path) ||
                str_starts_with($example->invalid[$index]->path, $problem->path),
        )->toBeTrue($problem->path);

        return;
    }
    test()->fail("It was read although it has {$example->invalid[$index]->why}.");
})->with(array_filter(Schemas::invalidExamples(), fn (array $case): bool => in_array($case[0], $ours, true)));

it('agrees with the schema about every single field taken away or spoilt', function (string $name): void {
    $valid = Schemas::example($name)->valid;
    foreach (pathsIn($valid) as $path) {
        foreach (
            [
                ['op' => 'remove'],
                ['op' => 'replace', 'value' => []],
                ['op' => 'replace', 'value' => 7],
                ['op' => 'replace', 'value' => null],
            ] as $change
        ) {
            $spoilt = Schemas::patched($valid, [(object) [...$change, 'path' => $path]]);
            $fits = Schemas::problem('question.json', $spoilt) === null;
            try {
                Question::read($spoilt, StandardKinds::all());
                $read = true;
            } catch (Malformed) {
                $read = false;
            }
            expect($read)->toBe($fits, "$path ".json_encode($change));
        }
    }
})->with($ours);

/** JSON Pointers of everything in a value. @return list<string> */
function pathsIn(mixed $value, string $path = ''): array
{
    $paths = [];
    foreach (is_object($value) ? get_object_vars($value) : (is_array($value) ? $value : []) as $key => $item) {
        $paths = [...$paths, "$path/$key", ...pathsIn($item, "$path/$key")];
    }

    return $paths;
}

it('presents what the schema of presentations allows', function (string $name): void {
    $json = Schemas::example($name)->valid;
    if (isset($json->variables->list)) {
        array_splice($json->variables->list, 4, 2); // rows and samples are not drawn yet
    }
    $presentation = (new Presenter)->present(Question::read($json, StandardKinds::all()), Seed::of(3));
    expect(Schemas::problem('presentation.json', Json::decode(Json::encode($presentation))))->toBeNull();
})->with($ours);

it('gives results as their schema says', function (): void {
    $result = Questions::score(Question::read(Schemas::example('question')->valid, StandardKinds::all()), ['p1' => ['a']], 1, 1, 1);
    expect(Schemas::problem('result.json', Json::decode(Json::encode($result))))->toBeNull();
});

it('finds what keeps a question from being complete', function (array $part, array $more, string $code): void {
    $codes = array_map(
        fn (Finding $finding): string => $finding->code,
        array_filter((new Completeness)->findings(Questions::of([$part], $more)), fn (Finding $finding): bool => $finding->isBlocking()),
    );
    expect($codes)->toContain($code);
})->with([
    'no right option' => [Questions::choice(['a' => '0', 'b' => '']), [], 'key.nothing_right'],
    'one option' => [Questions::choice(['a' => '1']), [], 'choice.too_few_options'],
    'equal options' => [
        [
            'id' => 'p1',
            'kind' => 'choice',
            'points' => 1,
            'settings' => ['options' => [['id' => 'a', 'html' => '<p>x</p>'], ['id' => 'b', 'html' => '<p> x </p>']]],
            'key' => ['rules' => [['id' => 'r', 'on' => 'a', 'credit' => '1']]],
        ],
        [],
        'choice.equal_options',
    ],
    'an empty option' => [
        [
            'id' => 'p1',
            'kind' => 'choice',
            'points' => 1,
            'settings' => ['options' => [['id' => 'a', 'html' => ''], ['id' => 'b', 'html' => 'x']]],
            'key' => ['rules' => [['id' => 'r', 'on' => 'a', 'credit' => '1']]],
        ],
        [],
        'choice.empty_option',
    ],
    'a key to an option that is gone' => [
        Questions::choice(['a' => '1', 'b' => '']),
        [
            'parts' => [
                [...Questions::choice(['a' => '1', 'b' => '']), 'key' => ['rules' => [['id' => 'r', 'on' => 'z', 'credit' => '1']]]],
            ],
        ],
        'key.unknown_option',
    ],
    'unreadable credit' => [Questions::choice(['a' => 'half', 'b' => '1']), [], 'value.unreadable'],
    'an unreadable number' => [Questions::typed('number', [['answer' => 'value', 'value' => 'two']]), [], 'value.unreadable'],
    'an expression that cannot be worked out' => [
        Questions::typed('number', [['answer' => 'value', 'value' => ['expr' => 'sqrt(-2)']]]),
        [],
        'root.of_negative',
    ],
    'a rule without words' => [Questions::typed('text', [['answer' => 'is', 'text' => []]]), [], 'rule.empty'],
    'a shape that cannot be read' => [Questions::typed('text', [['answer' => 'shape', 'pattern' => '(']]), [], 'shape.unreadable'],
    'no place in the text' => [Questions::typed('text', [['answer' => 'otherwise']]), ['body' => '<p>x</p>'], 'anchor.missing'],
    'two places in the text' => [
        Questions::typed('text', [['answer' => 'otherwise']]),
        ['body' => '<p><span data-part="p1"></span><span data-part="p1"></span></p>'],
        'anchor.repeated',
    ],
    'a block inside a line' => [
        Questions::choice(['a' => '1', 'b' => '']),
        ['body' => '<p>x <span data-part="p1"></span></p>'],
        'anchor.inline',
    ],
    'a value that no variable gives' => [
        Questions::typed('text', [['answer' => 'otherwise']]),
        ['body' => '<p><var data-value="m"></var><span data-part="p1"></span></p>'],
        'value.unknown',
    ],
    'a gate to nowhere' => [
        Questions::typed('text', [['answer' => 'otherwise']]),
        ['scoring' => ['gates' => [['part' => 'p1', 'needs' => ['p7']]]]],
        'gate.part',
    ],
    'a step of nothing' => [Questions::typed('text', [['answer' => 'otherwise']]), ['scoring' => ['step' => '0']], 'scoring.step'],
    'units, which come later' => [
        Questions::typed('number', [['answer' => 'value', 'value' => '1']], 1, 'p1', [
            'settings' => ['units' => ['policy' => 'required']],
        ]),
        [],
        'number.unit',
    ],
]);

it('names the line and column of broken JSON', function (string $text, string $place): void {
    expect(fn () => Json::decode($text))->toThrow(Malformed::class, $place);
})->with([
    'a missing comma' => ["{\"a\": 1\n \"b\": 2}", 'line 2, column 2'],
    'a trailing comma' => ['[1, ]', 'line 1, column 5'],
    'cut off' => ['{"a": [1, 2', 'near the end'],
    'a single quote' => ["{'a': 1}", 'column 2'],
    'too deep' => [str_repeat('[', 500), 'deeper'],
]);

it('cleans rich text wherever it stands, and says where', function (): void {
    $json = Schemas::example('choice')->valid;
    $json->parts[0]->settings->options[0]->html = '<p onclick="x">a</p>';
    $json->body .= '<script>x</script>';
    [$clean, $dropped] = Canonical::of($json);

    expect($clean->parts[0]->settings->options[0]->html)
        ->toBe('<p>a</p>')
        ->and(array_column($dropped, 0))
        ->toBe(['/body', '/parts/0/settings/options/0/html']);
});

it('is called by its title, or else by its first words', function (string $title, string $body, string $name): void {
    $json = Questions::of([Questions::choice(['a' => '1'])])->toJson();
    [$json->title, $json->body] = [$title, $body.'<div data-part="p1"></div>'];
    expect(Questions::read($json)->name())->toBe($name);
})->with([
    'its title' => ['Slate', '<p>What is it?</p>', 'Slate'],
    'its words, in one line' => ['', '<p>What splits</p><p>in <em>sheets</em>?</p>', 'What splits in sheets?'],
    'no more than fit' => ['', '<p>'.str_repeat('abcd ', 20).'</p>', mb_substr(str_repeat('abcd ', 20), 0, 59).'…'],
    'no words' => ['', '', 'A question without words'],
]);
