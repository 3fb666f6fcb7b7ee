<?php

declare(strict_types=1);

use WideQuarry\Content\Serialiser;
use WideQuarry\Maths\Parser;
use WideQuarry\Maths\Typeset;

it('shows an expression as it was understood', function (string $expression, string $shown): void {
    $html = Serialiser::html([Typeset::maths(Parser::parse($expression))]);
    // elements that only hold something are left out, so that the eye finds the rest
    $short = strtr($html, ['<mi>' => '', '</mi>' => '', '<mn>' => '', '</mn>' => '', '<mo>' => '', '</mo>' => '', "\u{2062}" => '⋅',
        '<mtext>' => '', '</mtext>' => '', '<math>' => '', '</math>' => '', "\u{A0}" => ' ']);
    expect($short)->toBe($shown);
})->with([
    ['1/2x', '<mfrac>12</mfrac>⋅x'],
    ['a - (b - c)', 'a−(b−c)'],
    ['a - b + c', 'a−b+c'],
    ['a*(b+c)', 'a⋅(b+c)'],
    ['2*3', '2×3'],
    ['d*volume', 'd·volume'],
    ['2mass', '2·mass'],
    ['-x^2', '−<msup>x2</msup>'],
    ['(-x)^2', '<msup><mrow>(−x)</mrow>2</msup>'],
    ['(a/b)^2', '<msup><mrow>(<mfrac>ab</mfrac>)</mrow>2</msup>'],
    ['sqrt(a^2+b^2)', '<msqrt><msup>a2</msup>+<msup>b2</msup></msqrt>'],
    ['root(x,3)', '<mroot>x3</mroot>'],
    ['abs(x-1)', '|x−1|'],
    ['log(x,2)', '<msub>log2</msub>(x)'],
    ['a_1 + pi', '<msub>a1</msub>+π'],
    ['(n+1)!', '(n+1)!'],
    ['a=1 or b!=2 and not (c>3)', 'a=1 or b≠2 and not c&gt;3'],
    ['x in [1,2]', 'x∈[1,2]'],
    ['s[2]', '<msub>s2</msub>'],
    ['2^3^2', '<msup>2<msup>32</msup></msup>'],
    ['(2^3)^2', '<msup><mrow>(<msup>23</msup>)</mrow>2</msup>'],
    ['exp(2x)', '<msup>e<mrow>2⋅x</mrow></msup>'],
]);
