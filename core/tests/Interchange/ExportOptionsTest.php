<?php

declare(strict_types=1);

use WideQuarry\Interchange\ExportOptions;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;

function along(ExportOptions $along): string
{
    $question = Json::decode((string) file_get_contents(dirname(__DIR__, 2).'/schema/examples/text.json'))->valid;
    $question->feedback = (object) ['right' => (object) ['html' => '<p>Said of the whole.</p>', 'show' => 'after']];
    $question->hints = [(object) ['id' => 'h1', 'html' => '<p>A hint.</p>']];
    $question->record = (object) [
        'tags' => ['bedding plane'],
        'notes' => 'for us',
        'author' => 'Tam Brisco',
        'specimens' => [(object) ['id' => 's1', 'response' => (object) ['p1' => (object) ['text' => 'basalt']], 'score' => '1']],
    ];
    $left = $along->of($question);
    Question::read($left, StandardKinds::all()); // still a question

    return Json::encode($left);
}

it('leaves behind what is not to go along, and nothing else', function (ExportOptions $along, array $gone, array $there): void {
    expect($left = along($along))->toContain(...$there);
    foreach ($gone as $words) {
        expect($left)->not->toContain($words);
    }
})->with([
    'without keys' => [
        new ExportOptions(key: false),
        ['"rules"', '"specimens"'],
        ['Said of the whole', 'A hint', 'bedding plane', 'for us'],
    ],
    'without feedback' => [
        new ExportOptions(feedback: false),
        ['Said of the whole', 'A hint', 'Check the spelling'],
        ['"rules"', 'bedding plane'],
    ],
    'without classification' => [new ExportOptions(classification: false), ['bedding plane'], ['for us', 'Tam Brisco', '"rules"']],
    'without notes' => [new ExportOptions(notes: false), ['for us'], ['bedding plane', 'Tam Brisco']],
]);

it('is the whole question otherwise', function (): void {
    expect((new ExportOptions)->everything())
        ->toBeTrue()
        ->and((new ExportOptions(notes: false))->everything())
        ->toBeFalse()
        ->and(along(new ExportOptions))
        ->toContain('"rules"', 'Said of the whole', 'A hint', 'bedding plane', 'for us', '"specimens"');
});
