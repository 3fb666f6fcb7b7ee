<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Printing\PaperKind;
use WideQuarry\Printing\PrintedQuestion;
use WideQuarry\Printing\PrintedStimulus;
use WideQuarry\Printing\PrintedTest;
use WideQuarry\Printing\PrintSettings;
use WideQuarry\Printing\Sheet;
use WideQuarry\Question\Question;
use WideQuarry\Tests\Support\LongAnswers;
use WideQuarry\Tests\Support\OnPictures;

/** A question of one part, or of a body of its own. */
function onPaper(string $kind, array $settings, array $rules, string $body = '', array $more = []): Question
{
    static $n = 0;
    $place = in_array($kind, ['choice'], true) ? '<p>Which?</p><div data-part="p1"></div>' : '<p>It is <span data-part="p1"></span>.</p>';
    $json = [
        'format' => 'wide-quarry/question',
        'version' => 1,
        'id' => sprintf('0192f0c4-0000-7000-8000-%012x', ++$n),
        'language' => 'en-GB',
        'body' => $body ?: $place,
        'parts' => [['id' => 'p1', 'kind' => $kind, 'points' => 1, 'settings' => (object) $settings, 'key' => ['rules' => $rules]]],
        ...$more,
    ];

    return Question::read(Json::decode(Json::encode($json)), StandardKinds::all());
}

/** @param  list<Question|null>  $questions */
function sheet(string $which, array $questions, array $settings = [], array $stimuli = [], ?array $sections = null): string
{
    $json = Assessment::fresh('0192f0c4-0000-7000-8000-0000000000aa', 'Unit <3> & “more”');
    $entries = array_map(
        fn (int $i): stdClass => (object) ['id' => "e$i", 'question' => sprintf('0192f0c4-0000-7000-8000-%012x', 500 + $i)],
        array_keys($questions),
    );
    $json->sections =
        $sections === null
            ? [(object) ['id' => 's1', 'entries' => $entries]]
            : array_map(
                fn (string $title, int $i): stdClass => (object) ['id' => "s$i", 'title' => $title, 'entries' => [$entries[$i]]],
                $sections,
                array_keys($sections),
            );
    $items = [];
    foreach ($questions as $i => $question) {
        $items["e$i"] = new PrintedQuestion(
            "e$i",
            $question,
            Exact::of('1'),
            'The lost one',
            array_intersect_key($stimuli, array_flip($question->stimuli ?? [])),
            fn (string $id): ?string => $id === 'm1' ? '/m1.png' : null,
        );
    }

    return (new Sheet(new Presenter))->body(
        PaperKind::from($which),
        new PrintedTest(
            Assessment::read(Json::decode(Json::encode($json)), StandardKinds::all()),
            $items,
            PrintSettings::read(LongAnswers::object($settings), ''),
        ),
    );
}

$options = fn (string ...$texts): array => [
    'options' => array_map(fn (string $text, int $i): array => ['id' => chr(97 + $i), 'html' => $text], $texts, array_keys($texts)),
];

it('stands options in as many columns as they have room for', function (array $texts, array $settings, int $columns) use (
    $options,
): void {
    expect(sheet('learner', [onPaper('choice', [...$options(...$texts), ...$settings], [])]))->toContain("--columns:$columns\"");
})->with([
    'short ones in four' => [['slate', 'schist', 'gneiss', 'marble'], [], 4],
    'three that are longer' => [['a limestone bed', 'a sandstone bed', 'a bed of shale'], [], 3],
    'sentences below one another' => [['It cooled quickly at first, then slowly.', 'It was buried.'], [], 1],
    'a picture takes its line' => [['<img data-media="m1" alt=""/>', 'slate'], [], 1],
    'as its author said' => [['It cooled quickly at first, then slowly.', 'It was buried.'], ['layout' => 'grid', 'columns' => 2], 2],
]);

it('writes the key in words', function (string $kind, array $settings, array $rules, string $says) use ($options): void {
    $settings = $kind === 'choice' ? [...$options('slate', 'schist', 'gneiss'), ...$settings] : $settings;
    expect(
        html_entity_decode(
            strip_tags(str_replace(['</li>', '</strong>'], [' | ', ''], sheet('key', [onPaper($kind, $settings, $rules)]))),
        ),
    )->toContain($says);
})->with([
    'a letter' => ['choice', [], [['id' => 'r', 'on' => 'b', 'credit' => '1']], 'B. schist | '],
    'small letters, by credit' => [
        'choice',
        ['labels' => 'a', 'max' => null],
        [['id' => 'r', 'on' => 'a', 'credit' => '1/2'], ['id' => 's', 'on' => 'c', 'credit' => '1']],
        'c. gneiss | a. slate (50 %)',
    ],
    'no letters' => ['choice', ['labels' => 'none'], [['id' => 'r', 'on' => 'b', 'credit' => '1']], 'schist | '],
    'Roman ones' => ['choice', ['labels' => 'i'], [['id' => 'r', 'on' => 'c', 'credit' => '1']], 'iii. gneiss'],
    'nothing that earns nothing' => ['choice', [], [['id' => 'r', 'on' => 'a', 'credit' => '0']], 'marked by a person'],
    'words and variants' => [
        'text',
        [],
        [['id' => 'r', 'on' => ['answer' => 'is', 'text' => ['basalt', 'dolerite']], 'credit' => '1']],
        'basalt / dolerite | ',
    ],
    'with slips, for a third' => [
        'text',
        [],
        [['id' => 'r', 'on' => ['answer' => 'slips', 'text' => ['basalt'], 'slips' => 2], 'credit' => '1/3']],
        'basalt, with up to 2 slips (33.3 %)',
    ],
    'a number and its width' => [
        'number',
        [],
        [
            [
                'id' => 'r',
                'on' => ['answer' => 'value', 'value' => '53/20', 'tolerance' => ['kind' => 'absolute', 'width' => '0.05']],
                'credit' => '1',
            ],
        ],
        '2.65 ± 0.05 | ',
    ],
    'per cent' => [
        'number',
        [],
        [
            [
                'id' => 'r',
                'on' => ['answer' => 'value', 'value' => '8', 'tolerance' => ['kind' => 'percent', 'width' => '5']],
                'credit' => '1',
            ],
        ],
        '8 ± 5 % | ',
    ],
    'to decimals' => [
        'number',
        [],
        [
            [
                'id' => 'r',
                'on' => ['answer' => 'value', 'value' => '8', 'tolerance' => ['kind' => 'places', 'digits' => 1]],
                'credit' => '1',
            ],
        ],
        '8 to 1 decimal | ',
    ],
    'a range' => [
        'number',
        [],
        [['id' => 'r', 'on' => ['answer' => 'range', 'from' => '3', 'to' => '4', 'ends' => 'none'], 'credit' => '1']],
        'from 3 to 4, without the ends',
    ],
    'half a range' => [
        'number',
        [],
        [['id' => 'r', 'on' => ['answer' => 'range', 'from' => null, 'to' => '4'], 'credit' => '1']],
        'up to 4 | ',
    ],
    'one of several' => [
        'number',
        [],
        [['id' => 'r', 'on' => ['answer' => 'set', 'values' => ['2', '-2']], 'credit' => '1']],
        '2 / −2 | ',
    ],
]);

it('puts nothing of the key on the sheet, and everything a learner needs', function () use ($options): void {
    $html = sheet(
        'learner',
        [
            onPaper('choice', $options('slate', 'schist'), [
                ['id' => 'r', 'on' => 'b', 'credit' => '1', 'feedback' => ['html' => '<p>Well seen.</p>', 'show' => 'both']],
            ]),
        ],
        ['school' => 'Fellmoor & co'],
    );
    expect($html)
        ->toContain('Unit &lt;3&gt; &amp; “more”')
        ->toContain('Fellmoor &amp; co')
        ->toContain('Name ')
        ->toContain('of 1<')
        ->toContain('slate')
        ->not->toContain('Well seen')
        ->not->toContain('<strong>');
});

it('leaves out what is not wanted', function () use ($options): void {
    $html = sheet(
        'learner',
        [onPaper('choice', $options('slate', 'schist'), [])],
        ['name' => false, 'date' => false, 'score' => false, 'points' => false],
    );
    expect($html)->not->toContain('Name ')->not->toContain('class="fields"')->not->toContain('class="points"');
});

it('numbers through sections, and says what is gone or cannot be shown', function () use ($options): void {
    $broken = onPaper('choice', $options('slate', 'schist'), [], '', [
        'variables' => ['list' => [['name' => 'x', 'kind' => 'integer', 'from' => '5', 'to' => '1']]],
    ]);
    $html = sheet('learner', [onPaper('choice', $options('slate', 'schist'), []), null, $broken], sections: ['One', '', 'Three']);
    expect($html)
        ->toContain('<h2>One</h2>')
        ->toContain('<h2>Three</h2>')
        ->toContain('>3.</h3>')
        ->toContain('“The lost one” is not in its bank any more.')
        ->toContain('cannot be shown yet');
});

it('prints a stimulus once, above the neighbours that share it, and says where it stood further on', function () use ($options): void {
    $id = '0192f0c4-0000-7000-8000-00000000beef';
    $questions = array_map(fn (bool $with) => onPaper('choice', $options('slate', 'schist'), [], '', $with ? ['stimuli' => [$id]] : []), [
        true,
        true,
        false,
        true,
    ]);
    $shared = [
        $id => new PrintedStimulus(
            $id,
            'Crag <1>',
            'en-GB',
            '<p>Look at the section. <img data-media="s1" alt="beds"/></p>',
            fn (string $medium): string => "/stimuli/$medium",
        ),
    ];
    $html = sheet('learner', $questions, stimuli: $shared);
    expect(substr_count($html, 'Look at the section.'))
        ->toBe(1)
        ->and(strpos($html, 'Look at the'))
        ->toBeLessThan((int) strpos($html, '>1.</h3>'))
        ->and($html)
        ->toContain('For questions 1 and 2')
        ->toContain('Crag &lt;1&gt;')
        ->toContain('src="/stimuli/s1"')
        ->toContain('Look again at “Crag &lt;1&gt;” above question 1.')
        ->and(sheet('key', $questions, stimuli: $shared))
        ->not->toContain('Look');
});

it('gives room to write as the author and the setting say', function (array $settings, string $space, string $holds): void {
    expect(sheet('learner', [onPaper('text', $settings, [])], ['space' => $space]))->toContain($holds);
})->with([
    'a gap' => [['width' => 20], 'usual', 'class="gap" style="width:15.0em"'],
    'a wide gap' => [['width' => 20], 'wide', 'width:24.0em'],
    'no wider than the page' => [['width' => 200], 'wide', 'width:34.0em'],
    'ruled lines' => [['lines' => 3], 'usual', str_repeat('<div class="rule"></div>', 3)],
]);

it('shows pictures where they are, and says so where they are not', function () use ($options): void {
    $html = sheet('learner', [
        onPaper(
            'choice',
            $options('slate', 'schist'),
            [],
            '<p><img data-media="m1" alt="A bed" width="90" height="20"/> <img data-media="m2" alt="Lost"/> <audio data-media="m1">'.
                '</audio></p><div data-part="p1"></div>',
        ),
    ]);
    expect($html)
        ->toContain('<img src="/m1.png" alt="A bed" width="90" height="20">')
        ->toContain('[picture: Lost]')
        ->toContain('[sound]');
});

it('prints a page of text between questions without a number, points or a key', function () use ($options): void {
    $page = Question::read(
        Json::decode(
            Json::encode([
                'format' => 'wide-quarry/question',
                'version' => 1,
                'id' => '0192f0c4-0000-7000-8000-000000000099',
                'title' => 'Before',
                'language' => 'en-GB',
                'body' => '<p>Look closely.</p>',
                'parts' => [],
            ]),
        ),
        StandardKinds::all(),
    );
    $questions = [onPaper('choice', $options('slate', 'schist'), []), $page, onPaper('choice', $options('slate', 'schist'), [])];
    $html = sheet('learner', $questions);
    expect($html)
        ->toContain('<article class="page" id="e1" lang="en-GB"><p>Look closely.</p></article>')
        ->toContain('>2.</h3>')
        ->not->toContain('>3.</h3>')
        ->and(sheet('key', $questions))
        ->not->toContain('Look closely')
        ->toContain('>2.</h3>');
});

it('keeps quotation marks inside attributes of the markup', function () use ($options): void {
    $question = onPaper(
        'choice',
        $options('slate', 'schist'),
        [],
        '<p><img data-media="m1" alt="a &quot;fold&quot; in the quarry\'s face"/></p><div data-part="p1"></div>',
    );
    expect(sheet('learner', [$question]))->toContain('alt="a &quot;fold&quot; in the quarry&#039;s face"');
});

it('writes a share in percent, with one place where it has no end', function (string $credit, string $shown) use ($options): void {
    $rules = [['id' => 'r1', 'on' => 'a', 'credit' => '1'], ['id' => 'r2', 'on' => 'b', 'credit' => $credit]];
    expect(sheet('key', [onPaper('choice', $options('slate', 'schist'), $rules)]))->toContain("($shown %)");
})->with([['1/3', '33.3'], ['2/3', '66.7'], ['0.125', '12.5'], ['0.5', '50']]);

it('draws places that vary where the roll has them, and says the picture with its values', function (): void {
    $targets = [['id' => 't1', 'at' => [['expr' => 'a*10'], '50'], 'label' => 'here']];
    $question = OnPictures::label(['targets' => $targets, 'picture' => [...OnPictures::PICTURE, 'alt' => '\\val{a} cliffs']]);
    $json = $question->toJson();
    $json->variables = (object) ['list' => [(object) ['name' => 'a', 'kind' => 'list', 'items' => ['7']]]];
    $varying = Question::read(Json::decode(Json::encode($json)), StandardKinds::all());

    expect(sheet('learner', [$varying]))->toContain('<circle cx="70" cy="50"', 'aria-label="7 cliffs"');
    expect(sheet('key', [$varying]))->toContain('<circle cx="70" cy="50"', 'aria-label="7 cliffs"');
});

it('draws the key of a picture, and on the sheet only what learners may see', function (
    Question $question,
    array $asked,
    array $notAsked,
    array $key,
): void {
    $sheet = sheet('learner', [$question]);
    expect($sheet)->toContain('<svg', '<image href="/m1.png"', ...$asked);
    foreach ($notAsked as $hidden) {
        expect($sheet)->not->toContain($hidden);
    }
    expect(sheet('key', [$question]))->toContain('<svg', ...$key);
})->with([
    'outlined regions, without their names' => [
        OnPictures::spot(['s1' => '1'], ['max' => 1]),
        ['<rect x="0" y="0" width="100" height="100"', '<circle cx="100" cy="50" r="50"', '<polygon points="300 0 400 0 350 100"'],
        ['the vent'],
        ['<rect x="0" y="0" width="100" height="100"', 'the vent'],
    ],
    'hidden regions are on the key alone' => [
        OnPictures::spot(['s1' => '1'], ['max' => 1, 'show' => 'hidden']),
        [],
        ['<rect', '<polygon', 'the vent'],
        ['<rect x="0" y="0" width="100" height="100"', 'the vent'],
    ],
    'areas for points' => [
        OnPictures::point([
            [['shape' => 'ellipse', 'at' => ['120', '80', '10', '5']], '1'],
            [['shape' => 'circle', 'at' => ['120', '80', '40']], '1/2'],
        ]),
        [],
        ['<ellipse', 'cx="120"'],
        ['<ellipse cx="120" cy="80" rx="10" ry="5"', '<circle cx="120" cy="80" r="40"', '50 %'],
    ],
    'labels to write at their places' => [
        OnPictures::label(),
        ['crater', 'moraine'],
        [],
        ['crater', 'chamber'],
    ],
]);

/** An essay with a rubric and an example answer. */
function longAnswer(array $settings = [], array $more = []): Question
{
    $key = [
        'rubric' => LongAnswers::rubric(['html' => '<p>Mark the reason, not the spelling.</p>']),
        'models' => [
            [
                'id' => 'm1',
                'title' => 'Full',
                'html' => '<p>The <span data-remark="r1">water is fast</span> outside.</p>',
                'criteria' => ['process' => ['level' => 'full'], 'terms' => ['points' => '1.5']],
                'passages' => [['id' => 'r1', 'html' => '<p>Says why.</p>']],
                'missing' => '<p>The inside.</p>',
            ],
        ],
    ];

    return LongAnswers::essay(null, 6, ['key' => $key, 'settings' => (object) $settings], $more);
}

it('gives a long answer its lines, its prompts and how long it may be', function (): void {
    $settings = ['lines' => 7, 'words' => ['min' => 80, 'max' => 200], 'prompts' => ['<p>Where is it fastest?</p>']];
    $html = sheet('learner', [longAnswer($settings)]);
    expect(substr_count($html, 'class="rule"'))->toBe(7)
        ->and($html)->toContain('Where is it fastest?', 'Write 80 to 200 words.')
        ->not->toContain('Erosion outside')
        ->not->toContain('water is fast');
});

it('puts the space an author set below a question, whatever its kind', function (array $space, string $has, int $times): void {
    $asked = ['spaces' => [['entry' => 'e0', ...$space]]];
    $choice = onPaper('choice', ['options' => [['id' => 'a', 'html' => 'slate']]], [['id' => 'r1', 'on' => 'a', 'credit' => '1']]);
    foreach ([longAnswer(['lines' => 30]), $choice] as $question) {
        expect(substr_count(sheet('learner', [$question], $asked), $has))->toBe($times);
    }
})->with([
    'lines' => [['as' => 'lines', 'lines' => 4], 'class="rule"', 4],
    'a box' => [['as' => 'box', 'lines' => 4], 'box-space" style="height:34.0mm"', 1],
    'nothing printed' => [['as' => 'blank', 'lines' => 2], 'class="space" style="height:17.0mm"', 1],
    'squares of 5 mm' => [['as' => 'squared', 'lines' => 4], 'width="5mm"', 1],
    'graph paper' => [['as' => 'graph', 'lines' => 4], 'width="10mm"', 1],
    'none at all' => [['as' => 'lines', 'lines' => 0], 'class="rule"', 0],
]);

it('prints the rubric on the mark scheme, and the example answers with remarks on the notes', function (): void {
    $question = longAnswer([], ['record' => ['notes' => 'Accept “current”.']]);
    $scheme = sheet('scheme', [$question]);
    $notes = sheet('notes', [$question]);
    expect($scheme)
        ->toContain('Mark scheme', 'Mark the reason, not the spelling.', 'Erosion outside, deposition inside, and why.', 'Accept “current”.')
        ->not->toContain('water is fast')
        ->and($notes)
        ->toContain('<u>water is fast</u><sup>[1]</sup>', 'Says why.', 'Full – earns 5.5', 'Process: 4', 'The inside.')
        ->not->toContain('Erosion outside');
});

it('prints rules, their accepted variants, and foreseen mistakes with what is said to them', function (): void {
    $rules = [
        ['id' => 'r1', 'on' => ['answer' => 'is', 'text' => ['slate', 'a slate']], 'credit' => '1', 'note' => 'Any spelling.'],
        ['id' => 'r2', 'on' => ['answer' => 'is', 'text' => ['shale']], 'credit' => '1/2'],
        [
            'id' => 'r3',
            'on' => ['answer' => 'is', 'text' => ['schist']],
            'credit' => '0',
            'feedback' => ['html' => '<p>Too coarse.</p>', 'show' => 'both'],
        ],
    ];
    $html = sheet('scheme', [onPaper('text', [], $rules)]);
    $words = (string) preg_replace('/\s+/', ' ', strip_tags(str_replace(['<li>', '</p>'], [' | ', ' '], $html)));
    expect($words)->toContain('| slate / a slate Any spelling. | shale (50 %)', 'No points for these mistakes: | schist Too coarse.');
});

it('says which papers are asked for, in their order', function (string $asked, ?array $kinds): void {
    expect(PaperKind::list($asked))->toBe($kinds);
})->with([
    ['learner', [PaperKind::Learner]],
    ['notes,scheme', [PaperKind::Scheme, PaperKind::Notes]],
    ['key,key', null],
    ['essay', null],
    ['', null],
]);
