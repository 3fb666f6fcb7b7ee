<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Printing\PaperKind;
use WideQuarry\Printing\PrintedQuestion;
use WideQuarry\Printing\PrintedTest;
use WideQuarry\Printing\PrintSettings;
use WideQuarry\Printing\Sheet;
use WideQuarry\Question\Detail;
use WideQuarry\Question\Question;
use WideQuarry\Tests\Support\LongAnswers;
use WideQuarry\Tests\Support\Questions;

/** A bed of quartzite: a choice with something to say about a mistake, and a speed with a unit. */
function detailed(): Question
{
    $said = fn (string $html): array => ['html' => "<p>$html</p>", 'show' => 'both'];

    return Questions::of([
        [
            'id' => 'p1', 'kind' => 'choice', 'points' => 1, 'label' => 'a',
            'settings' => ['options' => [['id' => 'a', 'html' => '<p>Quartzite</p>'], ['id' => 'b', 'html' => '<p>Marble</p>']]],
            'key' => ['rules' => [
                ['id' => 'r1', 'on' => 'a', 'credit' => '1'],
                ['id' => 'r2', 'on' => 'b', 'credit' => '0', 'feedback' => $said('Acid would make it fizz.')],
            ]],
            'feedback' => ['right' => $said('Grains of quartz.')],
        ],
        [
            'id' => 'p2', 'kind' => 'number', 'points' => 2, 'label' => 'b',
            'settings' => ['units' => ['policy' => 'required', 'unit' => 'm/s', 'missing_feedback' => $said('Metres a what?')]],
            'key' => ['rules' => [['id' => 'r1', 'on' => ['answer' => 'value', 'value' => '5800'], 'credit' => '1']]],
        ],
    ], [
        'feedback' => ['general' => $said('Read <var data-value="v"></var> again.')],
        'hints' => [['id' => 'h1', 'html' => '<p>Scratch it.</p>']],
        'variables' => ['list' => [['name' => 'v', 'kind' => 'integer', 'from' => '3', 'to' => '3']]],
        'record' => ['difficulty' => 4, 'source' => 'Fell notes <2>', 'status' => 'in_review'],
    ]);
}

/** The rows of the author's paper: what each is called, and its words. @return array<string, string> */
function detailRows(array $settings, string $which = 'author'): array
{
    $json = Assessment::fresh('0192f0c4-0000-7000-8000-0000000000aa', 'Rocks');
    $entry = (object) ['id' => 'e1', 'question' => '0192f0c4-0000-7000-8000-000000000001'];
    $json->sections = [(object) ['id' => 's1', 'entries' => [$entry]]];
    $item = new PrintedQuestion(
        'e1',
        detailed(),
        detailed()->points(),
        '',
        [],
        fn (string $id): null => null,
        ['G-2.1', 'G-2.4'],
        ['Rocks › Metamorphic'],
        ['Unit <4>'],
    );
    $test = new PrintedTest(
        Assessment::read(Json::decode(Json::encode($json)), StandardKinds::all()),
        ['e1' => $item],
        PrintSettings::read(LongAnswers::object($settings), ''),
    );
    $html = (new Sheet(new Presenter))->body(PaperKind::from($which), $test);
    preg_match_all('~<tr><th scope="row">([^<]*)</th><td>(.*?)</td></tr>~s', $html, $found);
    $words = function (string $cell): string {
        $text = html_entity_decode(strip_tags(str_replace('<', ' <', $cell)));

        return trim((string) preg_replace('/\s+/u', ' ', $text));
    };

    return array_combine($found[1], array_map($words, $found[2]));
}

it('says beside a question what its author wants to know of it', function (): void {
    expect(detailRows([]))->toBe([
        'Key' => 'a A. Quartzite b 5800 m/s',
        'Feedback' => 'a, B. Marble Acid would make it fizz. a, Right Grains of quartz. b, Unit left out Metres a what? '.
            'Always Read 3 again. Hint Scratch it.',
        'Standards' => 'G-2.1, G-2.4',
        'Difficulty' => '4',
        'Place' => 'Unit <4> Rocks › Metamorphic',
        'Source' => 'Fell notes <2>',
        'State' => 'In review',
    ]);
});

it('says no more than that, and nothing on the sheet of learners', function (): void {
    expect(array_keys(detailRows(['details' => ['state', 'key']])))->toBe(['Key', 'State'])
        ->and(detailRows(['details' => []]))->toBe([])
        ->and(detailRows([], 'learner'))->toBe([])
        ->and(detailRows([], 'key'))->toBe([]);
});

it('refuses a detail there is none of', function (): void {
    $read = fn (array $names): array => Detail::list(Fields::of((object) ['details' => $names], '', ['details']), 'details');
    expect($read(['state', 'key', 'key']))->toBe([Detail::Key, Detail::State])
        ->and(fn () => $read(['key', 'colour']))->toThrow(Malformed::class, 'colour')
        ->and(fn () => $read(['key', 1]))->toThrow(Malformed::class)
        ->and(fn () => $read(array_fill(0, 8, 'key')))->toThrow(Malformed::class);
});
