<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Rehearsal\Given;
use WideQuarry\Rehearsal\LearnerRun;
use WideQuarry\Scoring\Scorer;

/** "Granite?" for so many points; right is o1. */
function choiceOf(int $points, array $more = []): Question
{
    return Question::read(
        Json::decode(
            Json::encode([
                'format' => 'wide-quarry/question',
                'version' => 1,
                'id' => '0192f0c4-0000-7000-8000-00000000000a',
                'body' => '<p>Granite?</p><div data-part="p1"></div>',
                'parts' => [
                    [
                        'id' => 'p1',
                        'kind' => 'choice',
                        'points' => $points,
                        'settings' => ['options' => [['id' => 'o1', 'html' => 'yes'], ['id' => 'o2', 'html' => 'no']]],
                        'key' => ['rules' => [['id' => 'r1', 'on' => 'o1', 'credit' => '1']]],
                    ],
                ],
                ...$more,
            ]),
        ),
        StandardKinds::all(),
    );
}

/** Two sections of one question each, the second counting twice; points of the entries: 3 and 5, of the questions: 2. */
function runOf(array $run = [], array $override = [], array $question = [], bool $practising = false): LearnerRun
{
    $json = Assessment::fresh('0192f0c4-0000-7000-8000-0000000000a1', 'Rehearsal');
    $entry = fn (string $id, array $more): array => ['id' => $id, 'question' => '0192f0c4-0000-7000-8000-00000000000a', ...$more];
    $json->sections = [
        ['id' => 's1', 'entries' => [$entry('e1', ['points' => 3, ...$override === [] ? [] : ['override' => $override]])]],
        ['id' => 's2', 'weight' => '2', 'entries' => [$entry('e2', ['points' => 5])]],
    ];
    $json->run = (object) $run;
    $read = Assessment::read(Json::decode(Json::encode($json)), StandardKinds::all());
    $asked = choiceOf(2, $question);

    return new LearnerRun(
        $read,
        ['e1' => $asked, 'e2' => $asked],
        ['e1' => Exact::of('3'), 'e2' => Exact::of('5')],
        Seed::of(1),
        $practising,
    );
}

function givenFor(string $option, int $wrong = 0): Given
{
    return Given::read((object) ['response' => (object) ['p1' => (object) ['chosen' => [$option]]], 'earlier_wrong' => $wrong], '');
}

it('adds up: points of the entries, sections counted by their weight', function (array $options, array $sections, int $score): void {
    $given = array_map(givenFor(...), $options);
    $report = runOf()->report(new Scorer, $given);

    expect(array_column($report['sections'], 'score'))
        ->toBe($sections)
        ->and([$report['score'], $report['max']])
        ->toBe([$score, 3 + 2 * 5]);
})->with([
    'all right' => [['e1' => 'o1', 'e2' => 'o1'], [3, 5], 13],
    'one right' => [['e1' => 'o1', 'e2' => 'o2'], [3, 0], 3],
    'the other, which counts twice' => [['e2' => 'o1'], [0, 5], 10],
    'nothing given' => [[], [0, 0], 0],
]);

it('takes off what earlier tries cost', function (): void {
    $run = runOf(['feedback' => 'each_try'], question: ['attempts' => ['allowed' => 3, 'cost' => '1/4']]);
    $report = $run->report(new Scorer, ['e2' => givenFor('o1', 2)]);

    expect($report['sections'][1]['score'])->toBe(2.5); // 5 × (1 − 2 × 1/4)
});

it('tells what the settings say, when they say it', function (
    array $run,
    array $override,
    bool $practising,
    array $tells,
    ?int $tries,
): void {
    $made = runOf($run, $override, ['attempts' => ['allowed' => 3]], $practising);
    $entry = $made->plan()['sections'][0]['entries'][0];

    expect([array_values($entry['tells']), $entry['attempts']])->toBe([$tells, $tries]);
})->with([
    // between tries, after the last, in the report
    'unless it says something, at the end' => [[], [], false, [false, false, true], 1],
    'never' => [['feedback' => 'never'], [], false, [false, false, false], 1],
    'at once' => [['feedback' => 'at_once'], [], false, [false, true, true], 3],
    'an entry otherwise than the whole' => [['feedback' => 'never'], ['feedback' => 'each_try'], false, [true, true, true], 3],
    'practice tells each time' => [['purpose' => 'practice'], [], false, [true, true, true], 3],
    'who chose to practise may try as often as they like' => [['purpose' => 'choice'], [], true, [true, true, true], null],
    'who did not is marked' => [['purpose' => 'choice'], [], false, [false, false, true], 1],
    'nobody practises what is marked' => [[], [], true, [false, false, true], 1],
]);

it('numbers questions through all sections, and says what they are worth together', function (): void {
    $plan = runOf()->plan();

    expect([$plan['questions'], $plan['points'], $plan['sections'][1]['entries'][0]['number']])->toBe([2, 13, 2]);
});
