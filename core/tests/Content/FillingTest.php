<?php

declare(strict_types=1);

use WideQuarry\Content\Filling;
use WideQuarry\Content\Reader;
use WideQuarry\Content\Serialiser;

it('writes a value as people write sums', function (string $html, array $values, string $filled): void {
    $filling = new Filling($values, ['a', 'b']);
    expect(Serialiser::html($filling->nodes(Reader::read($html)->nodes)))->toBe($filled);
})->with([
    'a negative number after a plus' => ['<p>x + <var data-value="b"></var></p>', ['b' => '−3'], '<p>x − 3</p>'],
    'after a minus' => ['<p>x − <var data-value="b"></var></p>', ['b' => '−3'], '<p>x + 3</p>'],
    'a positive one' => ['<p>x + <var data-value="b"></var></p>', ['b' => '3'], '<p>x + 3</p>'],
    'at the beginning' => ['<p><var data-value="b"></var> + x</p>', ['b' => '−3'], '<p>−3 + x</p>'],
    'one times' => ['<p>y = <var data-value="a"></var>x</p>', ['a' => '1'], '<p>y = x</p>'],
    'minus one times' => ['<p>y = <var data-value="a"></var>x</p>', ['a' => '−1'], '<p>y = −x</p>'],
    'minus one times after a plus' => ['<p>2 + <var data-value="a"></var>x</p>', ['a' => '−1'], '<p>2 − x</p>'],
    'one of something, with a space' => ['<p><var data-value="a"></var> m</p>', ['a' => '1'], '<p>1 m</p>'],
    'several times' => ['<p><var data-value="a"></var>x + <var data-value="b"></var></p>', ['a' => '4', 'b' => '−1'], '<p>4x − 1</p>'],
    'one whose sign is plain' => ['<p>x + <var data-value="c"></var></p>', ['c' => '−3'], '<p>x + −3</p>'],
    'a name without a value' => ['<p><var data-value="d"></var></p>', ['c' => '1'], '<p><var data-value="d"></var></p>'],
    'in a formula' => [
        '<p><math><mi data-value="a"></mi><mi>x</mi><mo>+</mo><mi data-value="b"></mi></math></p>',
        ['a' => '−1', 'b' => '−3'],
        '<p><math><mo>−</mo><mi>x</mi><mo>−</mo><mn>3</mn></math></p>',
    ],
    'before a power' => [
        '<p><math><mi data-value="a"></mi><msup><mi>x</mi><mn>2</mn></msup></math></p>',
        ['a' => '1'],
        '<p><math><msup><mi>x</mi><mn>2</mn></msup></math></p>',
    ],
    'in TeX' => [
        '<p><math><mi>x</mi><annotation encoding="application/x-tex">\val{a}x+\val{b}</annotation></math></p>',
        ['a' => '1', 'b' => '−3'],
        '<p><math><mi>x</mi><annotation encoding="application/x-tex">x−3</annotation></math></p>',
    ],
    'in the alternative of a picture' => [
        '<p><img alt="A base of \val{b} cm" data-media="m1" height="10" width="10" /></p>',
        ['b' => '4'],
        '<p><img alt="A base of 4 cm" data-media="m1" height="10" width="10"/></p>',
    ],
    'an item of a list' => ['<p><var data-value="s[2]"></var></p>', ['s[1]' => '4', 's[2]' => '5'], '<p>5</p>'],
]);
