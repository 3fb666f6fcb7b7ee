<?php

declare(strict_types=1);

use WideQuarry\Content\Anchors;
use WideQuarry\Content\Filling;
use WideQuarry\Content\RichText;
use WideQuarry\Content\Tree;

it('writes one canonical form', function (string $html, string $canonical): void {
    expect(RichText::read($html)->html())
        ->toBe($canonical)
        ->and(RichText::read($canonical)->html())
        ->toBe($canonical);
})->with([
    'plain words' => ['a < b & c', 'a &lt; b &amp; c'],
    'white space is collapsed and trimmed' => ["<p>\n  a   b\t</p>\n\n<p>c</p>", '<p>a b</p><p>c</p>'],
    'white space is kept where it counts' => ["<pre>a\n  b</pre>", "<pre>a\n  b</pre>"],
    'attributes are sorted' => [
        '<img width="3" data-media="m1" height="2" alt="x">',
        '<img alt="x" data-media="m1" height="2" width="3"/>',
    ],
    'older names' => ['<p><b>a</b> <i>b</i> <strike>c</strike></p><h1>d</h1>', '<p><strong>a</strong> <em>b</em> <s>c</s></p><h3>d</h3>'],
    'loose words between blocks' => ['a<p>b</p>c', '<p>a</p><p>b</p><p>c</p>'],
    'a block inside a paragraph ends it' => ['<p>a<div data-part="p1"></div>b</p>', '<p>a</p><div data-part="p1"></div><p>b</p>'],
    'divisions are only wrappers' => ['<div><div>a</div><div>b</div></div>', '<p>a</p><p>b</p>'],
    'items of a list' => ['<ul>x<li>a</li><li><p>b</p><p>c</p></li></ul>', '<ul><li>x</li><li>a</li><li><p>b</p><p>c</p></li></ul>'],
    'a table without a body' => [
        '<table><tr><th scope="col">a<td>b</table>',
        '<table><tbody><tr><th scope="col">a</th><td>b</td></tr></tbody></table>',
    ],
    'accents are composed' => ["<p>e\u{301}</p>", '<p>é</p>'],
    'empty paragraphs go' => ['<p></p><p> </p><p>a</p>', '<p>a</p>'],
    'anchors are empty' => ['<p>x <span data-part="p1">typed</span></p>', '<p>x <span data-part="p1"></span>typed</p>'],
    'maths keeps TeX' => [
        '<math><semantics><mfrac><mi>m</mi><mi>V</mi></mfrac><annotation encoding="application/x-tex">\frac{m}{V}</annotation>'.
            '</semantics></math>',
        '<math><semantics><mfrac><mi>m</mi><mi>V</mi></mfrac><annotation encoding="application/x-tex">\frac{m}{V}</annotation>'.
            '</semantics></math>',
    ],
    'a figure with a caption of several paragraphs' => [
        '<figure data-align="center"><p><img data-media="m1" alt="x"></p><figcaption><p>a</p><p><b>b</b></p></figcaption></figure>',
        '<figure data-align="center"><img alt="x" data-media="m1"/><figcaption>a<br/><strong>b</strong></figcaption></figure>',
    ],
    'a figure of something else comes apart' => [
        '<figure><table><tr><td>a</table><figcaption>b</figcaption></figure>',
        '<table><tbody><tr><td>a</td></tr></tbody></table><p>b</p>',
    ],
    'a figure of two pictures comes apart' => [
        '<figure><img data-media="m1" alt=""><img data-media="m2" alt=""><figcaption>b</figcaption></figure>',
        '<p><img alt="" data-media="m1"/><img alt="" data-media="m2"/></p><p>b</p>',
    ],
    'a caption alone' => ['<figcaption>a</figcaption>', '<p>a</p>'],
    'a picture nobody described stays so' => ['<img data-media="m1">', '<img data-media="m1"/>'],
    'a line ends what stands before it' => ['<p>a<hr>b</p>', '<p>a</p><hr/><p>b</p>'],
    'a part of a picture' => [
        '<img data-media="m1" alt="" data-view="1 2 3 4 10 20">',
        '<img alt="" data-media="m1" data-view="1 2 3 4 10 20"/>',
    ],
    'all of a picture' => ['<img data-media="m1" alt="" data-view="0 0 10 20 10 20">', '<img alt="" data-media="m1"/>'],
    'lines of a transcript' => [
        "<audio data-media=\"m1\" data-transcript=\"a\r\nb\tc\"></audio>",
        '<audio data-media="m1" data-transcript="a&#10;b c"></audio>',
    ],
    'links' => ['<a href=" https://x.example/?a=1&b=2 ">l</a>', '<a href="https://x.example/?a=1&amp;b=2">l</a>'],
    'named entities' => ['<p>a&nbsp;b &deg;</p>', "<p>a\u{A0}b °</p>"],
]);

it('reads the words alone', function (string $html, string $plain): void {
    expect(RichText::read($html)->plain())->toBe($plain);
})->with([
    'blocks are lines' => ['<p>a</p><ul><li>b</li><li>c</li></ul>', "a\nb\nc"],
    'parts, gaps and values' => ['<p>x <span data-part="p1"></span> is <var data-value="m"></var></p>', 'x … is ⟨m⟩'],
    'a figure and its caption' => [
        '<figure><img data-media="m1" alt="Beds"><figcaption>At Fell Nab</figcaption></figure>',
        "Beds\nAt Fell Nab",
    ],
    'what is said in a recording' => ['<audio data-media="m1" title="Tides" data-transcript="One&#10;two"></audio>', "Tides\nOne\ntwo"],
    'formulas without their TeX' => [
        '<math><semantics><mfrac><mi>m</mi><mi>V</mi></mfrac><annotation encoding="application/x-tex">\frac mV</annotation>'.
            '</semantics></math>',
        'm/V',
    ],
]);

it('finds anchors, values and media in order', function (): void {
    $anchors = Anchors::in(
        RichText::read(
            '<p><span data-part="p2"></span> <var data-value="a"></var><span data-gap="g1" data-of="p3"></span></p>'.
                '<div data-part="p1"></div><img data-media="m1" alt=""><math>'.
                '<annotation encoding="application/x-tex">\val{b}</annotation></math>',
        )->nodes,
    );

    expect($anchors->parts)
        ->toBe([['p2', true], ['p1', false]])
        ->and($anchors->gaps)
        ->toBe([['g1', 'p3']])
        ->and($anchors->values)
        ->toBe(['a', 'b'])
        ->and($anchors->media)
        ->toBe(['m1']);
});

it('fills values into text, formulas and TeX', function (): void {
    $tree = Tree::of(
        '<p>m = <var data-value="m"></var> <math><mi data-value="m"></mi>'.
            '<annotation encoding="application/x-tex">\val{m}g</annotation></math></p>',
        new Filling(['m' => '54']),
    );

    expect(json_encode($tree))->toBe(
        '[["p",{},"m = ","54"," ",["math",{},["mn",{},"54"],["annotation",{"encoding":"application\/x-tex"},"54g"]]]]',
    );
});

it('reads a plain paragraph without a parser as with one', function (string $text): void {
    expect(RichText::read("<p>$text</p>"))->toEqual(RichText::read("<p class=\"x\">$text</p>"));
})->with([
    'words' => ['two  words '],
    'a quote' => ["it's \"so\""],
    'a break' => ["one\ntwo"],
    'nothing but space' => [' '],
    'greater' => ['a > b'],
    'no-break space' => ["a\u{A0} b"],
    'decomposed' => ["e\u{301}"],
]);
