<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\SettingsLost;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;

it('names the settings that a format has no place for', function (array $known, array $said): void {
    $json = Assessment::fresh('0192f0c4-0000-7000-8000-0000000000aa', 'Settings');
    $json->run = (object) ['purpose' => 'practice', 'shuffle' => true];
    $json->sections[0]->weight = '3/2';
    $json->sections[0]->entries = [
        (object) ['id' => 'e', 'question' => '0192f0c4-0000-7000-8000-00000000000a', 'override' => (object) ['minutes' => 2]],
    ];
    $lost = SettingsLost::of(Assessment::read(Json::decode(Json::encode($json)), StandardKinds::all()), $known);

    expect(array_map(fn (Notice $notice): string => $notice->message, $lost))->toBe($said);
})->with([
    'all' => [
        [],
        ['This format has no place for these settings of the assessment: what it is for, questions shuffled, weights of sections, '.
            'minutes of single questions.'],
    ],
    'some' => [
        ['weight', 'order', 'purpose'],
        ['This format has no place for these settings of the assessment: minutes of single questions.'],
    ],
    'none' => [['weight', 'order', 'purpose', 'minutes'], []],
]);
