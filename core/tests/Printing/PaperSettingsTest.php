<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Printing\EditableDocument;
use WideQuarry\Printing\OptionLabels;
use WideQuarry\Printing\PaperKind;
use WideQuarry\Printing\PrintedQuestion;
use WideQuarry\Printing\PrintedTest;
use WideQuarry\Printing\PrintedWords;
use WideQuarry\Printing\PrintSettings;
use WideQuarry\Printing\QuestionsOnPaper;
use WideQuarry\Printing\Sheet;
use WideQuarry\Question\Question;
use WideQuarry\Tests\Support\LongAnswers;
use WideQuarry\Tests\Support\Questions;

function choiceOfRocks(): Question
{
    $options = [
        ['id' => 'a', 'html' => '<p>Schiefer</p>'],
        ['id' => 'b', 'html' => '<p>Kreide</p>'],
        ['id' => 'c', 'html' => '<p>Gneis</p>'],
    ];

    return Questions::of([[
        'id' => 'p1', 'kind' => 'choice', 'points' => 1, 'settings' => ['options' => $options],
        'key' => ['rules' => [['id' => 'r1', 'on' => 'b', 'credit' => '1']]],
    ]]);
}

/** Two sections, of two choices and of one written answer, in German. */
function paper(string $which, array $settings = [], ?string $form = null, string $language = 'de', ?Question $choice = null): string
{
    $choice ??= choiceOfRocks();
    $essay = Questions::of([['id' => 'p1', 'kind' => 'essay', 'points' => 4, 'settings' => ['lines' => 3]]]);
    $json = Assessment::fresh('0192f0c4-0000-7000-8000-0000000000aa', 'Gesteine');
    $json->language = $language;
    $json->time_limit = 2700;
    $entry = fn (string $id): stdClass => (object) ['id' => $id, 'question' => '0192f0c4-0000-7000-8000-000000000001'];
    $json->sections = [
        (object) ['id' => 's1', 'title' => 'Erkennen', 'entries' => [$entry('e1'), $entry('e2')]],
        (object) ['id' => 's2', 'title' => 'Schreiben', 'entries' => [$entry('e3')]],
    ];
    $items = [];
    foreach (['e1' => $choice, 'e2' => $choice, 'e3' => $essay] as $id => $question) {
        $topics = $id === 'e3' ? [] : ['Gesteine › Sediment'];
        $items[$id] = new PrintedQuestion($id, $question, $question->points(), '', [], fn (string $one): null => null, ['1.2'], $topics);
    }
    $assessment = Assessment::read(Json::decode(Json::encode($json)), StandardKinds::all());
    $test = new PrintedTest($assessment, $items, PrintSettings::read(LongAnswers::object($settings), ''), $form);

    return (new Sheet(new Presenter))->body(PaperKind::from($which), $test);
}

/** The words of markup, with a space between elements. */
function saidBy(string $html): string
{
    return trim((string) preg_replace('/\s+/u', ' ', html_entity_decode(strip_tags(str_replace('<', ' <', $html)))));
}

it('has the same words in every language, each of them whole', function (string $language): void {
    $words = PrintedWords::patterns($language);
    expect(array_keys($words))->toBe(array_keys(PrintedWords::patterns('en')));
    $values = [
        'letter' => 'B', 'line' => '_', 'total' => 9, 'n' => '2', 'one' => 'no', 'page' => 1, 'pages' => 3, 'aids' => 'x', 'first' => 1, 'last' => 3,
        'named' => 'no', 'title' => '', 'of' => 2, 'minutes' => 5, 'seconds' => 30, 'times' => '2',
    ];
    foreach ($words as $name => $pattern) {
        $said = (string) (new MessageFormatter($language, $pattern))->format($values);
        expect($said)->not->toBe('')->not->toMatch('/[{}]/', "$language: $name");
    }
})->with(PrintedWords::LANGUAGES);

it('speaks the language of the test, another one, or that of its author', function (array $settings, string $language, string $said): void {
    expect(saidBy(paper('learner', $settings, 'B', $language)))->toContain($said);
})->with([
    'of the test' => [[], 'de-AT', 'Fassung B Gesteine Name Datum Punkte von 6'],
    'another' => [['language' => 'fr'], 'de', 'Version B Gesteine Nom Date Points sur 6'],
    'one there are no words in' => [[], 'fi', 'Form B Gesteine Name Date'],
    'by hand' => [['words' => ['name' => 'Wer?']], 'de', 'Wer? Datum'],
    'what is allowed' => [['aids' => 'Lineal'], 'de', 'Erlaubt: Lineal'],
    'school, course and group' => [
        ['school' => 'Moorschule', 'course' => 'Erde 9', 'group' => true], 'de', 'Moorschule · Erde 9 Gesteine Name Klasse Datum',
    ],
]);

it('numbers through or by section, with what stands before', function (array $settings, array $numbers): void {
    preg_match_all('~<h3 class="number">([^<]*)</h3>~', paper('learner', $settings), $found);
    expect($found[1])->toBe($numbers);
})->with([
    'through' => [[], ['1.', '2.', '3.']],
    'by section' => [['numbering' => 'section'], ['1.', '2.', '1.']],
    'with a letter' => [['prefix' => 'A<', 'numbering' => 'section'], ['A&lt;1.', 'A&lt;2.', 'A&lt;1.']],
]);

it('puts points where they are wanted', function (array $settings, array $has, array $lacks): void {
    $html = paper('learner', $settings);
    foreach ($has as $one) {
        expect($html)->toContain($one);
    }
    foreach ($lacks as $one) {
        expect($html)->not->toContain($one);
    }
})->with([
    'in the margin' => [[], ['<span class="points">4 Punkte</span>'], ['points-after', 'score-box']],
    'after the question' => [['points_at' => 'after'], ['<p class="points-after">(4 Punkte)</p>'], ['<span class="points">']],
    'a box each' => [['boxes' => true], ['<span class="score-box"></span>4 Punkte'], []],
    'boxes alone' => [['boxes' => true, 'points' => false], ['<span class="score-box"></span></span>'], ['Punkte</span>']],
    'none' => [['points' => false], [], ['Punkte</span>', 'score-box']],
    'a page break' => [['spaces' => [['entry' => 'e2', 'break' => true]]], ['class="question breaks" id="e2"'], ['breaks" id="e1"']],
]);

it('calls options otherwise than their questions do, on sheet, key and answer sheet', function (string $style, string $second): void {
    $question = OptionLabels::on(choiceOfRocks(), $style, StandardKinds::all());
    expect(saidBy(paper('learner', [], null, 'de', $question)))->toContain(trim("$second Kreide"))
        ->and(saidBy(paper('key', [], null, 'de', $question)))->toContain(trim("$second Kreide"));
})->with([
    'as it says' => ['', 'B.'], 'a' => ['a', 'b.'], '1' => ['1', '2.'], 'i' => ['i', 'ii.'], 'none' => ['none', ''],
]);

it('gives no labels to what has none: learners write numbers beside it', function (): void {
    $ordered = Questions::of([[
        'id' => 'p1', 'kind' => 'order', 'points' => 1, 'key' => ['rules' => []],
        'settings' => ['items' => [['id' => 'a', 'html' => 'Slate'], ['id' => 'b', 'html' => 'Chalk']]],
    ]]);
    expect(OptionLabels::on($ordered, '1', StandardKinds::all()))->toBe($ordered);
});

it('has a circle for each option, and says what is written elsewhere', function (): void {
    $html = paper('answers', [], 'C');
    expect(substr_count($html, 'class="circle"'))->toBe(6)
        ->and(saidBy($html))->toContain('Fassung C', 'Antwortbogen', '1. A B C 2. A B C', '3. Auf dem Aufgabenblatt beantwortet');
});

it('has a cover, and contents by topic and standard', function (): void {
    expect(saidBy(paper('cover', ['school' => 'Moorschule'], 'A')))->toContain('Moorschule Gesteine Fassung A Zeit: 45 Minuten 6 Punkte')
        ->and(saidBy(paper('contents')))->toContain('Gesteine › Sediment 1, 2 2 None 3 4', '1.2 1, 2, 3 6');
});

it('refuses settings there are not', function (array $settings, string $path): void {
    expect(fn (): PrintSettings => PrintSettings::read(LongAnswers::object($settings), ''))
        ->toThrow(fn (Malformed $problem) => expect($problem->path)->toBe($path));
})->with([
    [['look' => 'fancy'], '/look'],
    [['language' => 'xx'], '/language'],
    [['words' => ['page' => 'P']], '/words/page'],
    [['words' => ['name' => str_repeat('x', 201)]], '/words/name'],
    [['prefix' => str_repeat('Q', 21)], '/prefix'],
    [['spaces' => [['entry' => 'e1', 'break' => 'yes']]], '/spaces/0/break'],
    [['numbering' => 'roman'], '/numbering'],
]);

it('sees in the markup what is made smaller, and how many lines there are', function (): void {
    $picture = '<img src="data:image/gif;base64,'.base64_encode("GIF89a\xE8\x03\x01\x00\x00\x00\x00").'" alt="">'; // 1000 × 1
    $article = fn (string $id, string $html): string => "<article class=\"question\" id=\"$id\"><h3 class=\"number\">1.</h3>$html</article>";
    $body = $article('p0-e1', $picture).$article('p0-e2', '<img src="/x" width="300">').$article('p0-e3', str_repeat('<div class="rule"></div>', 4));
    $settings = fn (int $columns): PrintSettings => PrintSettings::read(LongAnswers::object(['columns' => $columns]), '');
    expect(QuestionsOnPaper::in($body, $settings(1)))->toBe([
        'p0-e1' => ['shrunk' => true, 'lines' => 0], 'p0-e2' => ['shrunk' => false, 'lines' => 0], 'p0-e3' => ['shrunk' => false, 'lines' => 4],
    ])->and(QuestionsOnPaper::in($body, $settings(2))['p0-e2']['shrunk'])->toBeTrue();
});

it('becomes lists, lines and tables for a word processor', function (): void {
    $html = EditableDocument::of(paper('learner', ['points_at' => 'margin']), 'de', fn (array $drawings): array => $drawings);
    expect($html)->toContain('<html lang="de">', '<ol start="1"><li>', '<ol type="A"><li><p>Schiefer</p></li>', '<ol start="3"><li>')
        ->toContain('(1 Punkt)', 'Name ________________')
        ->not->toContain('class="box"')
        ->not->toContain('class="end"');
    expect(substr_count($html, 'data-custom-style="Answer Line"'))->toBe(3);
    // with words before them, numbers are text
    expect(EditableDocument::of(paper('learner', ['prefix' => 'Q']), 'de', fn (array $drawings): array => $drawings))
        ->toContain('<strong>Q1. </strong>')->not->toContain('<ol start');
    // a circle for every letter, in a table
    expect(saidBy(EditableDocument::of(paper('answers'), 'de', fn (array $drawings): array => $drawings)))->toContain('1. ○ A ○ B ○ C');
});

it('has drawings made into pictures, and names those that cannot be', function (): void {
    $svg = '<svg aria-label="A grid" width="400" viewBox="0 0 4 4"><path d="M0 0h4"/></svg>';
    $seen = [];
    $draw = function (array $drawings) use (&$seen): array {
        $seen = $drawings;

        return ['data:image/png;base64,AA==', null];
    };
    $html = EditableDocument::of("<p>$svg</p><p>$svg</p>", 'en', $draw);
    expect($seen)->toHaveCount(2)->and($seen[0])->toContain('xmlns="http://www.w3.org/2000/svg"')
        ->and($html)->toContain('<img src="data:image/png;base64,AA==" alt="A grid" width="400">', '[A grid]');
});
