<?php

declare(strict_types=1);

use WideQuarry\Media\MediaLimits;
use WideQuarry\Media\Svg;
use WideQuarry\Media\UnusableMedium;

/** A drawing with something in it, and whether anything that acts or loads is left of it. */
function svg(string $inside, string $attributes = ''): string
{
    $names = 'xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink"';

    return "<svg $names viewBox=\"0 0 9 9\"$attributes>$inside</svg>";
}

const ACTS = '/^on|script|^a$|foreign|animate|^set$|iframe|handler|listener|base|cursor|feimage/';

const ATTACKS = [
    'a script' => '<script>alert(1)</script>',
    'a script elsewhere' => '<script href="https://x.example/a.js"/>',
    'a script by xlink' => '<script xlink:href="https://x.example/a.js"/>',
    'a script in CDATA' => '<script><![CDATA[alert(1)]]></script>',
    'a script of HTML' => '<script xmlns="http://www.w3.org/1999/xhtml">alert(1)</script>',
    'a script in capitals' => '<SCRIPT>alert(1)</SCRIPT>',
    'a script in a group' => '<g><defs><script>alert(1)</script></defs></g>',
    'a handler' => '<rect onload="alert(1)" width="3"/>',
    'a handler of clicks' => '<circle onclick="alert(1)" r="3"/>',
    'a handler of focus' => '<g onfocusin="alert(1)" tabindex="1"/>',
    'a handler in capitals' => '<rect ONLOAD="alert(1)"/>',
    'a handler of animation' => '<animate onbegin="alert(1)" attributeName="x" dur="1s"/>',
    'an animated link' => '<a><animate attributeName="href" values="javascript:alert(1)"/><text>x</text></a>',
    'a set link' => '<a><set attributeName="xlink:href" to="javascript:alert(1)"/></a>',
    'a handler that is set' => '<set attributeName="onmouseover" to="alert(1)"/>',
    'motion' => '<animateMotion path="M0 0" onend="alert(1)"/>',
    'animated colours' => '<animateTransform attributeName="transform" onrepeat="alert(1)"/>',
    'a link that runs' => '<a href="javascript:alert(1)"><text>x</text></a>',
    'a link by xlink' => '<a xlink:href="javascript:alert(1)"><text>x</text></a>',
    'a link with a tab in it' => "<a href=\"java\tscript:alert(1)\"><text>x</text></a>",
    'a link as entities' => '<a href="&#106;avascript:alert(1)"><text>x</text></a>',
    'a link to data' => '<a href="data:text/html;base64,PHNjcmlwdD4="><text>x</text></a>',
    'a link away' => '<a href="https://x.example/"><text>x</text></a>',
    'foreign HTML' => '<foreignObject><body xmlns="http://www.w3.org/1999/xhtml"><script>alert(1)</script></body></foreignObject>',
    'a frame' => '<foreignObject><iframe xmlns="http://www.w3.org/1999/xhtml" src="javascript:alert(1)"/></foreignObject>',
    'HTML without a foreign object' => '<img xmlns="http://www.w3.org/1999/xhtml" src="x" onerror="alert(1)"/>',
    'a form' => '<form xmlns="http://www.w3.org/1999/xhtml" action="https://x.example"><input/></form>',
    'an object' => '<object xmlns="http://www.w3.org/1999/xhtml" data="https://x.example"/>',
    'an embedded page' => '<embed xmlns="http://www.w3.org/1999/xhtml" src="javascript:alert(1)"/>',
    'a picture elsewhere' => '<image href="https://x.example/a.png" width="3" height="3"/>',
    'a picture elsewhere by xlink' => '<image xlink:href="https://x.example/a.png"/>',
    'a picture without a scheme' => '<image href="//x.example/a.png"/>',
    'a picture of a file' => '<image href="file:///etc/passwd"/>',
    'a drawing in a drawing' => '<image href="data:image/svg+xml;base64,PHN2Zz48c2NyaXB0Lz48L3N2Zz4="/>',
    'a drawing in a drawing as text' => '<image href="data:image/svg+xml,%3Csvg onload=alert(1)%3E"/>',
    'HTML as a picture' => '<image href="data:text/html,&lt;script&gt;alert(1)&lt;/script&gt;"/>',
    'a part elsewhere' => '<use href="https://x.example/a.svg#b"/>',
    'a part as data' => '<use href="data:image/svg+xml;base64,PHN2Zz4=#b"/>',
    'a part by xlink' => '<use xlink:href="//x.example/a.svg#b"/>',
    'a filter elsewhere' => '<rect filter="url(https://x.example/f.svg#f)"/>',
    'a filter that loads' => '<filter id="f"><feImage href="https://x.example/a.png"/></filter>',
    'a fill elsewhere' => '<rect fill="url(https://x.example/a.svg#b)"/>',
    'a fill with a fallback' => '<rect fill="url(//x.example/a#b) red"/>',
    'a mask elsewhere' => '<rect mask="url(\'https://x.example/a.svg#m\')"/>',
    'a marker elsewhere' => '<path marker-end="url( https://x.example/a.svg#m )" d="M0 0"/>',
    'a clip elsewhere' => "<path clip-path='url(\"https://x.example/a.svg#m\")' d='M0 0'/>",
    'a pointer elsewhere' => '<rect cursor="url(https://x.example/a.cur), auto"/>',
    'a pointer element' => '<cursor href="https://x.example/a.cur"/>',
    'a style that loads' => '<style>rect { fill: url(https://x.example/a) }</style>',
    'a style that imports' => '<style>@import "https://x.example/a.css";</style>',
    'a style that imports by url' => '<style>@import url(https://x.example/a.css);</style>',
    'a font elsewhere' => '<style>@font-face { font-family: x; src: url(https://x.example/a.woff) }</style>',
    'a style in disguise' => '<style>rect { fill: u\72l(https://x.example/a) }</style>',
    'a style with a comment inside' => '<style>@im/**/port "https://x.example/a.css"; rect { fill: u/**/rl(https://x.example) }</style>',
    'a style that ends early' => '<style>&lt;/style&gt;&lt;script&gt;alert(1)&lt;/script&gt;</style>',
    'an expression' => '<rect style="width: expression(alert(1))"/>',
    'a behaviour' => '<rect style="behavior: url(#default#x)"/>',
    'a binding' => '<rect style="-moz-binding: url(https://x.example/a.xml#b)"/>',
    'a style attribute that loads' => '<rect style="fill: red; background: url(https://x.example/a)"/>',
    'a set of pictures' => '<rect style="fill: image-set(\'https://x.example/a.png\' 1x)"/>',
    'a handler element' => '<handler type="application/ecmascript">alert(1)</handler>',
    'a listener' => '<listener event="click" handler="#x" xmlns="http://www.w3.org/2001/xml-events"/>',
    'sound' => '<audio href="https://x.example/a.mp3"/>',
    'film' => '<video href="https://x.example/a.mp4"/>',
    'metadata that loads' => '<metadata><a href="https://x.example"/></metadata>',
    'a glyph elsewhere' => '<font-face-uri href="https://x.example/a.svg"/>',
    'a colour profile' => '<color-profile href="https://x.example/a.icc"/>',
    'an outer path' => '<text><textPath href="https://x.example/a.svg#p">x</textPath></text>',
    'a gradient elsewhere' => '<linearGradient id="g" href="https://x.example/a.svg#g"/>',
    'a base' => '<g xml:base="https://x.example/"><use href="#a"/></g>',
];

it('leaves nothing that acts or loads', function (string $inside): void {
    $clean = Svg::clean(svg($inside))->bytes;
    $document = new DOMDocument;
    $document->loadXML($clean);
    foreach ((new DOMXPath($document))->query('//* | //@*') ?: [] as $node) {
        expect(strtolower($node->nodeName))->not->toMatch(ACTS)
            ->and($node->namespaceURI)
            ->toBeIn([null, '', 'http://www.w3.org/2000/svg']);
        $value = (string) preg_replace('/\s+/', '', $node instanceof DOMAttr || $node->nodeName === 'style' ? $node->textContent : '');
        expect($value)->not->toMatch('~x\.example|script:|file:|data:text|svg\+xml|url\((?![\'"]?#)|import|expression|\\\\~i');
    }
    expect(Svg::clean($clean)->bytes)->toBe($clean);
})->with(array_map(fn (string $inside): array => [$inside], ATTACKS));

it('knows at least sixty of them', fn () => expect(count(ATTACKS))->toBeGreaterThanOrEqual(60));

it('keeps a drawing as it is', function (): void {
    $inside =
        '<title>Three beds</title><defs><linearGradient id="g"><stop offset="0" stop-color="#eee"/></linearGradient>'.
            '<style>.bed { fill: url(#g); stroke: #333 }</style></defs><g transform="translate(1 2)" class="bed">'.
            '<path d="M0 0h9v3z"/><use href="#b" x="2"/><text x="1" y="2" font-size="2">silt &amp; sand</text></g>'.
            '<image href="data:image/png;base64,AAAA" width="1" height="1"/>';
    $clean = Svg::clean(svg($inside));

    expect($clean->bytes)->toContain($inside)->and($clean->dropped)->toBe([]);
});

it('takes a link away and keeps what it was around', function (): void {
    $clean = Svg::clean(svg('<a href="https://x.example/"><path d="M0 0h9"/></a>'));

    expect($clean->bytes)->toContain('<g><path d="M0 0h9"/></g>')->and($clean->dropped)->toBe(['href']);
});

it('says what it left out, but not what nobody misses', function (): void {
    $clean = Svg::clean(svg('<metadata/><script/><rect onclick="x" data-note="x"/>', ' id="s"'));

    expect($clean->dropped)->toBe(['script', 'onclick']);
});

it('knows how large it is', function (string $attributes, array $size): void {
    $clean = Svg::clean("<svg xmlns=\"http://www.w3.org/2000/svg\" $attributes/>");

    expect([$clean->width, $clean->height])->toBe($size)->and($clean->bytes)->toContain('viewBox=');
})->with([
    'in pixels' => ['width="40" height="30"', [40, 30]],
    'in millimetres' => ['width="25.4mm" height="1in"', [96, 96]],
    'by its view box' => ['viewBox="0 0 640 480"', [640, 480]],
    'by its view box and one side' => ['viewBox="0 0 640 480" width="320"', [320, 240]],
    'in shares of what is around it' => ['viewBox="0 0 64 48" width="100%" height="100%"', [64, 48]],
    'not at all' => ['', [300, 150]],
    'beyond all measure' => ['width="9999999" height="2"', [MediaLimits::SIDE, 2]],
]);

it('refuses', function (string $bytes): void {
    Svg::clean($bytes);
})
    ->throws(UnusableMedium::class)
    ->with([
        'entities' => ['<!DOCTYPE svg [<!ENTITY x "y">]><svg xmlns="http://www.w3.org/2000/svg"><text>&x;</text></svg>'],
        'outer entities' => ['<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]><svg xmlns="http://www.w3.org/2000/svg">&x;</svg>'],
        'what is cut off' => ['<svg xmlns="http://www.w3.org/2000/svg"><g>'],
        'what is no drawing' => ['<html><svg/></html>'],
        'a billion shapes' => [svg('<g id="a0"><path d="M0 0"/></g>'.implode('', array_map(
            fn (int $i): string => "<g id=\"a$i\">".str_repeat('<use href="#a'.($i - 1).'"/>', 10).'</g>',
            range(1, 9),
        )).'<use href="#a9"/>')],
        'too many elements' => [svg(str_repeat('<path/>', MediaLimits::ELEMENTS + 1))],
        'text that is not UTF-8' => ["<svg xmlns=\"http://www.w3.org/2000/svg\"><text>\xE9</text></svg>"],
    ]);

it('takes a plain document type, as older programs write it', function (): void {
    $type = '<?xml version="1.0"?><!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd">';

    expect(Svg::clean($type.svg('<path d="M0 0"/>'))->bytes)->toContain('<path d="M0 0"/>');
});
