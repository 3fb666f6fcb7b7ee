<?php

declare(strict_types=1);

use WideQuarry\Interchange\Package\SafeXml;
use WideQuarry\Interchange\Qti30\Xml;

it('finds elements at any depth, in the order of the document', function (): void {
    $root = SafeXml::parse('<a>t<b i="1"><c i="2"/>u<b i="3">v</b></b><!-- x --><c i="4"><b i="5"/></c></a>', 'x.xml');
    $ids = fn (array $elements): array => array_map(fn (DOMElement $one): string => $one->getAttribute('i'), $elements);

    expect($ids(Xml::all($root)))->toBe(['1', '2', '3', '4', '5'])
        ->and($ids(Xml::all($root, 'b')))->toBe(['1', '3', '5'])
        ->and($ids(Xml::children($root)))->toBe(['1', '4'])
        ->and($ids(Xml::children($root, 'c')))->toBe(['4'])
        ->and(Xml::child($root, 'c')?->getAttribute('i'))->toBe('4')
        ->and(Xml::child($root, 'd'))->toBeNull();
});

it('tells elements that say the same', function (string $other, bool $isSame): void {
    $one = SafeXml::parse('<and><match id="R" base="string">Slate</match><null/></and>', 'x.xml');

    expect(Xml::same($one, SafeXml::parse($other, 'y.xml')))->toBe($isSame);
})->with([
    'written otherwise' => ["<and>\n  <match base='string' id='R'> Slate </match>\n  <null></null>\n</and>", true],
    'another name' => ['<or><match id="R" base="string">Slate</match><null/></or>', false],
    'another value' => ['<and><match id="S" base="string">Slate</match><null/></and>', false],
    'an attribute less' => ['<and><match id="R">Slate</match><null/></and>', false],
    'another text' => ['<and><match id="R" base="string">Shale</match><null/></and>', false],
    'another order' => ['<and><null/><match id="R" base="string">Slate</match></and>', false],
    'an element less' => ['<and><match id="R" base="string">Slate</match></and>', false],
    'an element more' => ['<and><match id="R" base="string">Slate</match><null/><null/></and>', false],
    'nothing within' => ['<and/>', false],
]);
