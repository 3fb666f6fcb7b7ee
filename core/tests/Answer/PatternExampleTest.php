<?php

declare(strict_types=1);

use WideQuarry\Answer\Pattern;
use WideQuarry\Answer\PatternExample;

it('makes an answer that has the shape, or none', function (string $pattern, ?string $expected): void {
    expect(PatternExample::of($pattern, true, true))->toBe($expected);
    $expected === null || expect(Pattern::of($pattern, true, true)->matches($expected))->toBeTrue();
})->with([
    'four digits' => ['[0-9]{4}', '1234'],
    'digits by their sign' => ['\d{2}:\d{2}', '12:34'],
    'a code' => ['[A-Z]{2}-\d{3}', 'AB-345'],
    'one of two words' => ['gran(?:it|odior)ite?', 'granitit'],
    'something optional' => ['colou?r', 'color'],
    'any number' => ['\d+(?:\.\d+)?', '1'],
    'a sign of its own' => ['3\.14', '3.14'],
    'a set of marks' => ['A[-.]B', 'A-B'],
    'a set of one other sign' => ['[é]a', 'éa'],
    'more signs than there are letters' => ['.{28}', 'abcdefghijklmnopqrstuvwxyzab'],
    'accents' => ['né[vw]é', 'névé'],
    'looking ahead' => ['(?=a)\w+', null],
    'nothing' => ['', null],
    'broken' => ['[0-9', null],
]);
