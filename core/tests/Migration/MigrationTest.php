<?php

declare(strict_types=1);

use WideQuarry\Migration\NamePattern;
use WideQuarry\Migration\PatternProblem;
use WideQuarry\Migration\RebuiltDraws;
use WideQuarry\Migration\Regrouping;
use WideQuarry\Migration\SourceQuestion;
use WideQuarry\Migration\StatedDraw;
use WideQuarry\Migration\StatementText;
use WideQuarry\Migration\Tally;
use WideQuarry\Migration\TallyLine;

/**
 * Quizzes as an older migration left them: everything that could be drawn stands in them in a row.
 *
 * @return list<SourceQuestion>
 */
function flatQuizzes(): array
{
    $questions = [];
    foreach (['Maps' => ['choice' => 10, 'text' => 4], 'Density' => ['choice' => 6, 'number' => 5]] as $quiz => $kinds) {
        foreach ($kinds as $kind => $count) {
            for ($i = 1; $i <= $count; $i++) {
                $questions[] = new SourceQuestion(
                    "$quiz-$kind-$i",
                    count($questions) + 1,
                    [$quiz, "Part $kind"],
                    [$kind],
                    $kind === 'number' ? '2' : '1',
                    ['Earth', $quiz],
                    "Question $i",
                    "$quiz $kind $i",
                );
            }
        }
    }

    return $questions;
}

function regrouped(string $pattern = '{quiz} › {kind}', array $names = []): Regrouping
{
    return Regrouping::of(flatQuizzes(), NamePattern::read($pattern), $names);
}

it('names folders by a pattern', function (string $pattern, array $paths): void {
    $found = array_map(
        fn (array $row): string => str_repeat('  ', $row['depth'])."{$row['name']} {$row['questions']}",
        regrouped($pattern)->tree(),
    );
    expect($found)->toBe($paths);
})->with([
    'by quiz and kind' => ['{quiz} › {kind}', [
        'Maps 14', '  multiple choice 10', '  short text 4', 'Density 11', '  multiple choice 6', '  number 5',
    ]],
    'by kind' => ['{kind}', ['multiple choice 16', 'short text 4', 'number 5']],
    'by points' => ['{points}', ['1 point 20', '2 points 5']],
    'by heading' => ['All > {heading}', ['All 25', '  Part choice 16', '  Part text 4', '  Part number 5']],
    'by topic' => ['{topic}', ['Earth, Maps 14', 'Earth, Density 11']],
    'words around a value' => ['Old {quiz} ({kind})', [
        'Old Maps (multiple choice) 10', 'Old Maps (short text) 4', 'Old Density (multiple choice) 6', 'Old Density (number) 5',
    ]],
    'nothing' => ['', []],
]);

it('calls folders as somebody wants them, and passes through those without a name', function (): void {
    $grouped = regrouped(names: ['Maps › short text' => 'typed', 'Density' => '']);
    $paths = array_map(fn (SourceQuestion $one): string => implode('/', $grouped->path($one)), flatQuizzes());
    expect(array_count_values($paths))->toBe(['Maps/multiple choice' => 10, 'Maps/typed' => 4, 'multiple choice' => 6, 'number' => 5]);
});

it('refuses a pattern it cannot follow', function (string $pattern, string $rule): void {
    expect(fn () => NamePattern::read($pattern))->toThrow(function (PatternProblem $problem) use ($rule): void {
        expect($problem->rule)->toBe($rule)->and($problem->getMessage())->not->toBe('');
    });
})->with([
    'an unknown name' => ['{colour}', 'pattern.unknown'],
    'a brace alone' => ['{quiz', 'pattern.unclosed'],
    'too many levels' => [implode(' › ', array_fill(0, 11, 'a')), 'pattern.deep'],
]);

it('leaves out a level that a question has no value for', function (): void {
    $question = new SourceQuestion('q', 1, [], ['choice'], '1');
    expect(NamePattern::read('{quiz} › {kind} › {topic}')->path($question))->toBe(['multiple choice']);
});

it('understands what the old system had, as a table or as sentences', function (string $text, array $draws): void {
    $read = StatementText::read($text);
    $said = array_map(
        fn (StatedDraw $one): string => "$one->quiz: $one->draw of $one->of ".($one->pool ?? '-').' '.($one->points ?? '-').($one->isKnown ? '' : ' ?'),
        $read->draws,
    );
    expect($said)->toBe($draws)->and($read->problems)->toBe([]);
})->with([
    'a table' => [
        "Quiz,Of,Draw,Pool size,Points each,Known\nMaps,multiple choice,6,10,2,known\nMaps,short text,3,,,assumed\n",
        ['Maps: 6 of multiple choice 10 2', 'Maps: 3 of short text - - ?'],
    ],
    'with semicolons and a comma' => ["quiz;questions;drew;points\nMaps;maps;6;1,5\n", ['Maps: 6 of maps - 1.5']],
    'sentences' => [
        "Maps: drew 6 of the map questions, 2 points each; 3 of the 12 density questions\nRocks: selects 5 from multiple choice worth 1 mark",
        ['Maps: 6 of map - 2', 'Maps: 3 of density 12 -', 'Rocks: 5 of multiple choice - 1'],
    ],
]);

it('says which lines it does not understand', function (string $text, int $problems): void {
    expect(StatementText::read($text)->problems)->toHaveCount($problems);
})->with([
    ["Maps: some of them\nMaps: 3 of the map questions\nwhatever", 2],
    ["Quiz,Draw\nMaps,many\n,3\nMaps,3\n", 2],
]);

it('adds up what was stated against what was found, what differs first', function (array $draw, array $says): void {
    $tally = Tally::of(regrouped(), [new StatedDraw(...$draw)]);
    $line = array_values(array_filter($tally->lines, fn (TallyLine $one): bool => $one->stated !== null))[0];
    expect(array_column($line->says, 0))->toBe($says);
})->with([
    'that agrees' => [['Maps', 'multiple choice', 6, 10, '2'], []],
    'by words of it' => [['maps', 'multiple-choice questions', 6], []],
    'the whole quiz' => [['Maps', '', 6, 14], []],
    'by its heading' => [['Maps', 'Part text', 4, 4], []],
    'a pool that is too small' => [['Maps', 'short text', 6], ['6 are to be drawn, and only 4 are here.']],
    'a question missing' => [['Maps', 'multiple choice', 6, 11], ['11 were stated to draw from, and 10 are here: one is missing.']],
    'some more' => [['Maps', 'multiple choice', 6, 8], ['8 were stated to draw from, and 10 are here: 2 more.']],
    'points that differ' => [['Density', '', 3], ['The questions are worth 1, 2 points, so those who draw get different totals.']],
    'no such quiz' => [['Rivers', 'map', 3], ['There is no quiz "Rivers" here.']],
    'nothing of that' => [['Maps', 'essays', 3], ['Nothing in "Maps" is called "essays".']],
]);

it('counts what is left out and what is there twice', function (): void {
    $questions = flatQuizzes();
    $questions[0] = new SourceQuestion('x', 1, ['Maps', ''], ['choice'], '1', fingerprint: 'Maps choice 2');
    $questions[2] = new SourceQuestion('y', 3, ['Maps', ''], ['choice'], '1', isLeftOut: true);
    $tally = Tally::of(Regrouping::of($questions, NamePattern::read('{quiz} › {kind}')), [new StatedDraw('Maps', 'multiple choice', 6, 10)]);
    expect($tally->lines[0]->says)->toBe([
        ['10 were stated to draw from, and 9 are here: one is missing.',
            'One question of it is left out of this import: take them in again if they belong.'],
        ['One question is there twice.', 'Leave out one of each, so that nobody is asked the same twice.'],
    ]);
});

it('names what nobody stated, and totals each quiz', function (): void {
    $tally = Tally::of(regrouped(), [new StatedDraw('Maps', 'multiple choice', 6, 10, '2')]);
    expect(array_map(fn (TallyLine $one): bool => $one->agrees(), $tally->lines))->toBe([false, true])
        ->and($tally->lines[0]->says[0][0])->toBe('Nothing is stated about 4 questions of "Maps › short text".')
        ->and(json_decode((string) json_encode($tally->quizzes), true))->toEqual([
            ['title' => 'Maps', 'questions' => 14, 'draws' => 1, 'asked' => 6, 'points' => 12],
            ['title' => 'Density', 'questions' => 11, 'draws' => 0, 'asked' => 0, 'points' => 0],
        ]);
});

it('builds the draws of a quiz over its folders, and keeps what the flat one said', function (): void {
    $tally = Tally::of(regrouped(), [new StatedDraw('Maps', 'multiple choice', 6, 10, '2'), new StatedDraw('Maps', 'short text', 9)]);
    $flat = (object) ['id' => '0192f0c4-0000-7000-8000-0000000000a1', 'instructions' => '<p>Hurry.</p>', 'time_limit' => 600];
    $made = RebuiltDraws::of('Maps', $tally, $flat);
    $draws = array_map(fn (stdClass $one): array => [$one->title, $one->draw, count($one->pool), $one->points ?? null], $made->sections[0]->entries);
    sort($draws);
    expect($draws)->toBe([['multiple choice', 6, 10, 2.0], ['short text', 4, 4, null]])
        ->and([$made->id, $made->instructions, $made->time_limit])->toBe([$flat->id, '<p>Hurry.</p>', 600])
        ->and(RebuiltDraws::of('Density', $tally, null))->toBeNull();
});
