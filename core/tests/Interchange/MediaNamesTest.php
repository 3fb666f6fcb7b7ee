<?php

declare(strict_types=1);

use WideQuarry\Interchange\MediaNames;
use WideQuarry\Json\Json;
use WideQuarry\Question\QuestionMedia;

it('keeps a name for the same bytes and makes one of the bytes for others', function (): void {
    $names = new MediaNames(['map' => str_repeat('a', 64)]);
    expect($names->for('map', str_repeat('a', 64)))
        ->toBe('map')
        ->and($names->for('map', str_repeat('b', 64)))
        ->toBe('m'.str_repeat('b', 31))
        ->and($names->for('plan', str_repeat('c', 64)))
        ->toBe('plan')
        ->and($names->for('plan', str_repeat('d', 64)))
        ->toBe('m'.str_repeat('d', 31));
});

it('calls media by their new names in a content, and touches nothing else', function (): void {
    $content = Json::decode(
        '{"body":"<p>map <img alt=\"map\" data-media=\"map\"/><audio data-captions=\"a&amp;b\" data-media=\"mapped\"/></p>"}',
    );
    assert($content instanceof stdClass);
    expect(QuestionMedia::renamed($content, ['map' => 'plan', 'plan' => 'map', 'a&b' => 'c', 'mapped' => 'mapped'])->body)->toBe(
        '<p>map <img alt="map" data-media="plan"/><audio data-captions="c" data-media="mapped"/></p>',
    );
});
