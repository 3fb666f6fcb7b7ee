<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Merge;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;

/** @param  list<stdClass>  $sections */
function oneOfSeveral(string $title, array $sections): Assessment
{
    $json = Assessment::fresh('0192f0c4-0000-7000-8000-0000000000aa', $title);
    $json->sections = $sections;

    return Assessment::read(Json::decode(Json::encode($json)), StandardKinds::all());
}

it('puts assessments one after the other, with each question once', function (): void {
    [$slate, $chalk, $lava] = array_map(fn (int $n): string => "0192f0c4-0000-7000-8000-00000000000$n", [1, 2, 3]);
    $autumn = oneOfSeveral('Autumn', [
        (object) ['id' => 's1', 'title' => 'Rocks', 'shuffle' => true, 'entries' => [
            (object) ['id' => 'e1', 'question' => $slate, 'points' => 3], (object) ['id' => 'e2', 'question' => $chalk],
        ]],
        (object) ['id' => 's2', 'title' => 'Maps', 'instructions' => 'Read first.', 'entries' => []],
    ]);
    $spring = oneOfSeveral('Spring', [
        (object) ['id' => 's1', 'title' => 'Everything', 'entries' => [
            (object) ['id' => 'e1', 'question' => $chalk], (object) ['id' => 'd1', 'draw' => 1, 'pool' => [$slate, $lava]],
        ]],
        (object) ['id' => 's2', 'entries' => []],
    ]);
    $merge = new Merge;
    $whole = $merge->of([$autumn, $spring], '0192f0c4-0000-7000-8000-0000000000ab', 'Final exam');
    $read = Assessment::read(Json::decode(Json::encode($whole)), StandardKinds::all());
    expect(array_column($read->sections, 'title'))->toBe(['Autumn: Rocks', 'Autumn: Maps', 'Spring: Everything'])
        ->and(array_column($read->picks(), 'question'))->toBe([$slate, $chalk])
        ->and($read->draws()[0]->pool)->toBe([$slate, $lava])
        ->and($merge->left)->toBe(1)
        ->and($whole->sections[0])->toMatchObject(['shuffle' => true])
        ->and($whole->sections[0]->entries[0]->points)->toBe(3);
    expect((new Merge)->of([oneOfSeveral('Only', [(object) ['id' => 's1', 'title' => 'Part', 'entries' => [
        (object) ['id' => 'e1', 'question' => $lava],
    ]]])], '0192f0c4-0000-7000-8000-0000000000ab', 'Final exam')->sections[0]->title)->toBe('Only')
        ->and((new Merge)->of([], '0192f0c4-0000-7000-8000-0000000000ab', 'Final exam')->sections[0]->entries)->toBe([]);
});
