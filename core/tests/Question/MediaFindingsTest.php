<?php

declare(strict_types=1);

use WideQuarry\Finding;
use WideQuarry\Question\MediaFindings;

$content = (object) [
    'body' => '<p>Beds <img alt="Three beds" data-media="m1"/> and <img data-media="m2"/><img data-media="m3" width="4"/></p>',
    'parts' => [
        (object) [
            'settings' => (object) [
                'options' => [(object) ['html' => '<img alt="" data-media="m1"/>'], (object) ['html' => '<img data-media="m4"/>']],
            ],
            'feedback' => (object) ['right' => (object) ['html' => '<p><audio data-media="m5"></audio></p>']],
        ],
    ],
    'background' => (object) ['media' => 'm6'],
];
$at = fn (array $findings): array => array_map(fn (Finding $one): array => [$one->path, $one->isBlocking()], $findings);

it('says where a picture has no alternative text; an empty one is an answer', function () use ($content, $at): void {
    $findings = MediaFindings::undescribed($content);

    expect($at($findings))->toBe([['/body', false], ['/parts/0/settings/options/1/html', false]])
        ->and($findings[0]->message)
        ->toStartWith('2 pictures have no alternative text')
        ->and($findings[1]->message)
        ->toStartWith('A picture has no alternative text');
});

it('says where a medium is named that does not exist', function () use ($content, $at): void {
    expect($at(MediaFindings::missing($content, ['m1', 'm2', 'm3'])))->toBe([
        ['/parts/0/settings/options/1/html', false],
        ['/parts/0/feedback/right/html', false],
        ['/background', false],
    ])->and(MediaFindings::missing($content, ['m1', 'm2', 'm3', 'm4', 'm5', 'm6']))->toBe([]);
});
