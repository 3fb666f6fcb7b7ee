<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Json\Malformed;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Tests\Support\Bounds;
use WideQuarry\Tests\Support\Schemas;

/** An assessment with something in every field that one can have. */
function wholeAssessment(): stdClass
{
    $json = Schemas::example('assessment')->valid;
    $json->sections[0]->entries[0]->seen = 3;
    $json->sections[0]->entries[1]->title = 'A pool';
    $json->sections[0]->entries[] = (object) [
        'id' => 'e3',
        'question' => '0192f0c4-0000-7000-8000-000000000009',
        'follow' => 'pinned',
        'revision' => 4,
        'stimuli' => (object) ['0192f0c4-0000-7000-8000-00000000000c' => 2],
    ];
    $json->sections[0]->entries[] = (object) [
        'id' => 'd2',
        'draw' => 3,
        'from' => [
            (object) [
                'title' => 'Easy',
                'draw' => 2,
                'conditions' => (object) ['difficulty' => ['1', '2']],
                'banks' => ['0192f0c4-0000-7000-8000-0000000000b1'],
            ],
            (object) ['draw' => 1, 'pool' => ['0192f0c4-0000-7000-8000-00000000000d']],
        ],
        'apart' => true,
        'points' => 2,
        'place' => 'last',
        'override' => (object) [
            'attempts' => (object) ['allowed' => 2, 'cost' => '1/5'],
            'feedback' => 'at_once',
            'tools' => (object) ['calculator' => 'basic', 'ruler' => true, 'protractor' => false, 'scratch' => true],
            'minutes' => 2.5,
            'shuffle' => false,
            'rubric' => (object) ['criteria' => []],
        ],
    ];
    $json->sections[0]->time_limit = 600;
    $json->sections[0]->new_page = true;
    $json->sections[0]->override = (object) ['minutes' => 3];
    $json->run = (object) [
        'purpose' => 'practice',
        'feedback' => 'each_try',
        'attempts' => (object) ['allowed' => null],
        'shuffle' => true,
        'go_back' => false,
        'pages' => 'all',
        'cover' => '<p>Read this first.</p>',
    ];

    return $json;
}

it('reads what the schema allows, up to every bound', function (): void {
    $read = fn (stdClass $json) => Assessment::read($json, StandardKinds::all());

    expect(Bounds::disagreements('assessment.json', wholeAssessment(), $read))->toBe([]);
});

/** @return list<stdClass> so many entries, each of another question */
function manyEntries(int $count): array
{
    return array_map(
        fn (int $i): stdClass => (object) ['id' => "e$i", 'question' => sprintf('0192f0c4-0000-7000-8000-%012d', $i)],
        range(1, $count),
    );
}

it('reads as many sections, entries and pooled questions as the schema allows', function (array $sections, bool $isRead): void {
    $json = Assessment::fresh('0192f0c4-0000-7000-8000-0000000000a1', 'Long');
    $json->sections = $sections;
    $read = fn () => Assessment::read($json, StandardKinds::all());

    expect(Schemas::problem('assessment.json', $json) === null)->toBe($isRead);
    $isRead ? expect($read()->sections)->toHaveCount(count($sections)) : expect($read)->toThrow(Malformed::class);
})->with(function (): Generator {
    foreach ([200 => true, 201 => false] as $count => $fits) {
        yield "$count sections" => [array_map(fn (int $i): stdClass => (object) ['id' => "s$i", 'entries' => []], range(1, $count)), $fits];
    }
    foreach ([2000 => true, 2001 => false] as $count => $fits) {
        yield "$count entries" => [[(object) ['id' => 's1', 'entries' => manyEntries($count)]], $fits];
    }
    foreach ([20_000 => true, 20_001 => false] as $count => $fits) {
        $draw = (object) ['id' => 'd', 'draw' => 1, 'pool' => array_column(manyEntries($count), 'question')];
        yield "a pool of $count" => [[(object) ['id' => 's1', 'entries' => [$draw]]], $fits];
    }
});

it('refuses a section that is called like an entry or another section', function (array $sections): void {
    $json = Assessment::fresh('0192f0c4-0000-7000-8000-0000000000a1', 'Twice');
    $json->sections = $sections;

    expect(fn () => Assessment::read($json, StandardKinds::all()))->toThrow(Malformed::class);
})->with([
    'another section' => [[(object) ['id' => 'x', 'entries' => []], (object) ['id' => 'x', 'entries' => []]]],
    'an entry of its own' => [[(object) ['id' => 'e1', 'entries' => manyEntries(1)]]],
]);
