<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\DrawCheck;
use WideQuarry\Assembly\Totals;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Random\Seed;

const QUESTIONS = [
    '0192f0c4-0000-7000-8000-00000000000a',
    '0192f0c4-0000-7000-8000-00000000000b',
    '0192f0c4-0000-7000-8000-00000000000c',
];

function assessment(array $sections): stdClass
{
    $json = Assessment::fresh('0192f0c4-0000-7000-8000-000000000001', 'Unit test');
    $json->sections = $sections;

    return Json::decode(Json::encode($json));
}

it('reads the examples of the schema', function (): void {
    $examples = Json::decode((string) file_get_contents(dirname(__DIR__, 2).'/schema/examples/assessment.json'));
    expect(Assessment::read($examples->valid, StandardKinds::all())->toJson())->toEqual($examples->valid);
});

it('refuses what is no assessment, naming the place', function (array $sections, string $path): void {
    expect(fn () => Assessment::read(assessment($sections), StandardKinds::all()))->toThrow(
        fn (Malformed $problem) => expect($problem->path)->toBe($path),
    );
})->with([
    'an entry twice' => [
        [['id' => 's1', 'entries' => [['id' => 'e1', 'question' => QUESTIONS[0]], ['id' => 'e1', 'question' => QUESTIONS[1]]]]],
        '/sections/0',
    ],
    'no question' => [[['id' => 's1', 'entries' => [['id' => 'e1']]]], '/sections/0/entries/0'],
    'points below nothing' => [
        [['id' => 's1', 'entries' => [['id' => 'e1', 'question' => QUESTIONS[0], 'points' => -1]]]],
        '/sections/0/entries/0/points',
    ],
    'a variation that is no question' => [
        [['id' => 's1', 'entries' => [['id' => 'e1', 'question' => QUESTIONS[0], 'variation' => ['format' => 'x']]]]],
        '',
    ],
]);

it('adds questions at the end of a section, once', function (): void {
    $read = Assessment::read(
        assessment([['id' => 's1', 'entries' => [['id' => 'e1', 'question' => QUESTIONS[0]]]], ['id' => 's2', 'entries' => []]]),
        StandardKinds::all(),
    );
    $entries = fn (stdClass $json, int $section): array => array_column($json->sections[$section]->entries, 'question');

    expect($entries($read->with([QUESTIONS[0] => 1, QUESTIONS[1] => 3]), 1))
        ->toBe([QUESTIONS[1]])
        ->and($entries($read->with([QUESTIONS[1] => 3], 's1'), 0))
        ->toBe([QUESTIONS[0], QUESTIONS[1]])
        ->and($read->with([QUESTIONS[1] => 3])->sections[1]->entries[0]->seen)
        ->toBe(3)
        ->and($read->toJson()->sections[1]->entries)
        ->toBe([]);
});

it('asks questions as they are called elsewhere', function (): void {
    $read = Assessment::read(
        assessment([
            [
                'id' => 's1',
                'entries' => [
                    ['id' => 'e1', 'question' => QUESTIONS[0], 'follow' => 'pinned', 'revision' => 4, 'points' => 2],
                    ['id' => 'e2', 'question' => QUESTIONS[1]],
                ],
            ],
        ]),
        StandardKinds::all(),
    );
    expect(Json::encode($read->asking([QUESTIONS[0] => [QUESTIONS[2], 1]])->sections[0]->entries))->toBe(
        '[{"id":"e1","question":"'.QUESTIONS[2].'","points":2,"seen":1}]',
    );
});

it('marks what changed since it was looked at', function (array $entry, int $now, bool $changed): void {
    $pick = Assessment::read(
        assessment([['id' => 's1', 'entries' => [['id' => 'e1', 'question' => QUESTIONS[0], ...$entry]]]]),
        StandardKinds::all(),
    )->picks()[0];
    expect($pick->changedSince($now))->toBe($changed);
})->with([
    'as it was' => [['seen' => 2], 2, false],
    'newer' => [['seen' => 2], 3, true],
    'never looked at' => [[], 3, false],
    'pinned' => [['seen' => 2, 'follow' => 'pinned', 'revision' => 2], 3, false],
]);

it('takes its own points, or those of the question', function (): void {
    $picks = Assessment::read(
        assessment([
            [
                'id' => 's1',
                'entries' => [['id' => 'e1', 'question' => QUESTIONS[0], 'points' => 2.5], ['id' => 'e2', 'question' => QUESTIONS[1]]],
            ],
        ]),
        StandardKinds::all(),
    )->picks();
    expect(array_map(fn ($pick) => (string) $pick->points(Exact::of('4')), $picks))
        ->toBe(['5/2', '4'])
        ->and((string) $picks[1]->points(null))
        ->toBe('0');
});

it('adds up exactly, by kind, topic, standard and difficulty', function (): void {
    $entry = fn (string $points, array $kinds, array $topics, ?int $difficulty, ?string $minutes = null): array => [
        'points' => Exact::of($points),
        'kinds' => $kinds,
        'topics' => $topics,
        'difficulty' => $difficulty,
        'minutes' => $minutes === null ? null : Exact::of($minutes),
    ];
    $totals = Totals::of([
        [
            ...$entry('0.1', ['choice'], [['Rocks'], ['Maps', 'Scale']], 2, '1.5'),
            'standards' => ['E.2 Rocks', 'E.10 Maps'],
            'section' => 'Warm up',
            'purposes' => ['recall'],
            'marking' => 'itself',
        ],
        [...$entry('0.2', ['choice'], [['Rocks']], null), 'section' => 'Warm up', 'marking' => 'itself'],
        [...$entry('3', ['text', 'number', 'text'], [], 10, '2'), 'section' => 'Main part', 'marking' => 'hand'],
    ]);
    $json = json_decode(Json::encode($totals), true);

    expect($json)->toBe([
        'questions' => 3,
        'points' => 3.3,
        'minutes' => 3.5,
        'kinds' => [['name' => 'choice', 'questions' => 2, 'points' => 0.3], ['name' => 'text+number', 'questions' => 1, 'points' => 3]],
        'topics' => [
            ['name' => 'Maps › Scale', 'questions' => 1, 'points' => 0.1],
            ['name' => 'Rocks', 'questions' => 2, 'points' => 0.3],
            ['name' => '', 'questions' => 1, 'points' => 3],
        ],
        'standards' => [
            ['name' => 'E.2 Rocks', 'questions' => 1, 'points' => 0.1],
            ['name' => 'E.10 Maps', 'questions' => 1, 'points' => 0.1],
            ['name' => '', 'questions' => 2, 'points' => 3.2],
        ],
        'difficulties' => [
            ['name' => '2', 'questions' => 1, 'points' => 0.1],
            ['name' => '10', 'questions' => 1, 'points' => 3],
            ['name' => '', 'questions' => 1, 'points' => 0.2],
        ],
        // in the order of the assessment
        'sections' => [['name' => 'Warm up', 'questions' => 2, 'points' => 0.3], ['name' => 'Main part', 'questions' => 1, 'points' => 3]],
        'purposes' => [['name' => 'recall', 'questions' => 1, 'points' => 0.1], ['name' => '', 'questions' => 2, 'points' => 3.2]],
        'markings' => [['name' => 'hand', 'questions' => 1, 'points' => 3], ['name' => 'itself', 'questions' => 2, 'points' => 0.3]],
    ]);
});

it('draws the same for the same seed, every question as likely, and in the order of the pool', function (): void {
    $pool = array_map(fn (int $i): string => sprintf('0192f0c4-0000-7000-8000-0000000001%02d', $i), range(1, 6));
    $read = Assessment::read(
        assessment([
            [
                'id' => 's1',
                'entries' => [['id' => 'e1', 'question' => QUESTIONS[0]], ['id' => 'd1', 'draw' => 2, 'pool' => $pool, 'points' => 1.5]],
            ],
        ]),
        StandardKinds::all(),
    );
    $met = array_fill_keys($pool, 0);
    foreach (range(1, 600) as $seed) {
        $drawn = $read->draws()[0]->drawn(Seed::of($seed));
        expect($drawn)
            ->toBe($read->draws()[0]->drawn(Seed::of($seed)))
            ->toHaveCount(2)
            ->and($drawn[0] < $drawn[1])
            ->toBeTrue();
        foreach ($drawn as $one) {
            $met[$one]++;
        }
    }
    // 200 each, of which 50 is more than four standard deviations
    expect(min($met))->toBeGreaterThan(150)->and(max($met))->toBeLessThan(250);

    $paper = $read->drawn(Seed::of(7), StandardKinds::all());
    expect($paper->draws())
        ->toBe([])
        ->and(array_map(fn ($pick): string => $pick->question, $paper->picks()))
        ->toBe([QUESTIONS[0], ...$read->draws()[0]->drawn(Seed::of(7))])
        ->and((string) $paper->picks()[1]->points(null))
        ->toBe('3/2')
        ->and($read->length())
        ->toBe(3)
        ->and($read->questions())
        ->toHaveCount(7);
});

it('says what is wrong with a draw', function (array $entries, array $points, array $codes): void {
    $read = Assessment::read(assessment([['id' => 's1', 'entries' => $entries]]), StandardKinds::all());
    expect(
        array_map(fn ($finding): string => $finding->code, DrawCheck::of($read->draws()[0], $read, array_map(Exact::of(...), $points))),
    )->toBe($codes);
})->with([
    'nothing' => [[['id' => 'd', 'draw' => 1, 'pool' => [QUESTIONS[0], QUESTIONS[1]]]], [QUESTIONS[0] => '2', QUESTIONS[1] => '2'], []],
    'too small' => [
        [['id' => 'd', 'draw' => 3, 'pool' => [QUESTIONS[0], QUESTIONS[1]]]],
        [QUESTIONS[0] => '2', QUESTIONS[1] => '2'],
        ['draw.small'],
    ],
    'one is gone' => [[['id' => 'd', 'draw' => 1, 'pool' => [QUESTIONS[0], QUESTIONS[1]]]], [QUESTIONS[0] => '2'], ['draw.gone']],
    'unequal' => [
        [['id' => 'd', 'draw' => 1, 'pool' => [QUESTIONS[0], QUESTIONS[1]]]],
        [QUESTIONS[0] => '2', QUESTIONS[1] => '3'],
        ['draw.unequal'],
    ],
    'made equal' => [
        [['id' => 'd', 'draw' => 1, 'pool' => [QUESTIONS[0], QUESTIONS[1]], 'points' => 1]],
        [QUESTIONS[0] => '2', QUESTIONS[1] => '3'],
        [],
    ],
    'asked elsewhere' => [
        [['id' => 'd', 'draw' => 1, 'pool' => [QUESTIONS[0], QUESTIONS[1]]], ['id' => 'e', 'question' => QUESTIONS[1]]],
        [QUESTIONS[0] => '2', QUESTIONS[1] => '2'],
        ['draw.overlap'],
    ],
]);

it('asks the pool as it is called elsewhere, without what is not there', function (): void {
    $read = Assessment::read(
        assessment([['id' => 's1', 'entries' => [['id' => 'd', 'draw' => 1, 'pool' => [QUESTIONS[0], QUESTIONS[1]]]]]]),
        StandardKinds::all(),
    );
    expect($read->asking([QUESTIONS[0] => [QUESTIONS[2], 1]])->sections[0]->entries[0]->pool)->toBe([QUESTIONS[2]]);
});

it('counts a draw by what all of its pool have in common', function (): void {
    $one = fn (string $points, string $kind, array $topics): array => [
        'points' => Exact::of($points),
        'kinds' => [$kind],
        'topics' => $topics,
        'difficulty' => 2,
        'minutes' => null,
    ];
    $totals = json_decode(
        Json::encode(
            Totals::of(
                Totals::drawn(2, [
                    $one('1', 'choice', [['Maps'], ['Scale']]),
                    $one('2', 'text', [['Maps']]),
                    $one('3', 'choice', [['Maps']]),
                ]),
            ),
        ),
        true,
    );
    expect($totals)->toMatchArray([
        'questions' => 2,
        'points' => 4,
        'kinds' => [['name' => 'draw', 'questions' => 2, 'points' => 4]],
        'topics' => [['name' => 'Maps', 'questions' => 2, 'points' => 4]],
        'difficulties' => [['name' => '2', 'questions' => 2, 'points' => 4]],
    ]);
});
