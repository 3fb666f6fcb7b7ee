<?php

declare(strict_types=1);

use WideQuarry\Interchange\Lom;
use WideQuarry\Interchange\Package\SafeXml;

function lom(string $inside): Lom
{
    return Lom::read(SafeXml::parse("<metadata>$inside</metadata>", 'x'));
}

it('reads what a record has a place for, and keeps the rest by its path', function (
    string $xml,
    string $title,
    array $record,
    array $fields,
): void {
    $lom = lom($xml);
    expect($lom->title)->toBe($title)->and((array) $lom->record)->toEqual($record)->and($lom->fields)->toBe($fields);
})->with([
    'IEEE binding' => [
        '<lom xmlns="http://ltsc.ieee.org/xsd/LOM"><general><title><string language="en">Slate</string></title><keyword>'.
            '<string>cleavage</string></keyword><keyword><string>fold</string></keyword></general><educational><difficulty>'.
            '<source>LOMv1.0</source><value>very difficult</value></difficulty><typicalLearningTime><duration>PT1M30S</duration>'.
            '</typicalLearningTime></educational></lom>',
        'Slate',
        ['tags' => ['cleavage', 'fold'], 'difficulty' => 5, 'minutes' => 1.5],
        [],
    ],
    'the older binding' => [
        '<lom xmlns="http://www.imsglobal.org/xsd/imsmd_v1p2"><general><title><langstring>Slate</langstring></title></general></lom>',
        'Slate',
        [],
        [],
    ],
    'a second title is kept' => [
        '<lom><general><title>One</title><title>Two</title></general></lom>',
        'One',
        [],
        ['lom.general.title' => 'Two'],
    ],
    'a difficulty of another scale is kept' => [
        '<lom><educational><difficulty><value>Level 4</value></difficulty></educational></lom>',
        '',
        [],
        ['lom.educational.difficulty.value' => 'Level 4'],
    ],
    'a duration that cannot be told is kept' => [
        '<lom><educational><typicalLearningTime><duration>P1Y</duration></typicalLearningTime></educational></lom>',
        '',
        [],
        ['lom.educational.typicalLearningTime.duration' => 'P1Y'],
    ],
    'other metadata is kept, repeated ones joined' => [
        '<qtiMetadata><interactionType>choice</interactionType><interactionType>text</interactionType></qtiMetadata>',
        '',
        [],
        ['qtiMetadata.interactionType' => 'choice; text'],
    ],
    'a keyword twice counts once' => [
        '<lom><general><keyword>a</keyword><keyword>a</keyword></general></lom>',
        '',
        ['tags' => ['a']],
        [],
    ],
    'an author, who else took part' => [
        '<lom><general><language>cy</language></general><lifeCycle><contribute><role><source>LOMv1.0</source><value>author</value>'.
            '</role><entity>BEGIN:VCARD&#10;VERSION:3.0&#10;N:Penrose;Orla&#10;FN:Orla Penrose&#10;END:VCARD</entity><date>'.
            '<dateTime>2024-03-02</dateTime></date></contribute><contribute><role><source>LOMv1.0</source><value>editor</value></role>'.
            '<entity>Ned Farr</entity></contribute></lifeCycle></lom>',
        '',
        ['author' => 'Orla Penrose'],
        [
            'lom.lifeCycle.contribute.date' => '2024-03-02',
            'lom.lifeCycle.contribute.role.source' => 'LOMv1.0',
            'lom.lifeCycle.contribute.role.value' => 'editor',
            'lom.lifeCycle.contribute.entity' => 'Ned Farr',
        ],
    ],
    'topics' => [
        '<lom><classification><purpose><source>LOMv1.0</source><value>discipline</value></purpose><taxonPath><source>'.
            '<string>Ours</string></source><taxon><id>2</id><entry><string>Rocks</string></entry></taxon><taxon><entry>'.
            '<string>Slate</string></entry></taxon></taxonPath><taxonPath><taxon><entry><string>Maps</string></entry></taxon>'.
            '</taxonPath></classification></lom>',
        '',
        ['topics' => [['Rocks', 'Slate'], ['Maps']]],
        [],
    ],
    'the older binding nests taxa' => [
        '<lom><classification><purpose><value><langstring>Discipline</langstring></value></purpose><taxonpath><taxon><entry>'.
            '<langstring>Rocks</langstring></entry><taxon><entry><langstring>Slate</langstring></entry></taxon></taxon></taxonpath>'.
            '</classification></lom>',
        '',
        ['topics' => [['Rocks', 'Slate']]],
        [],
    ],
    'a standard by its code' => [
        '<lom><classification><purpose><source>LOMv1.0</source><value>educational objective</value></purpose><taxonPath><source>'.
            '<string>Framework of Fenmoor</string></source><taxon><id>ES.3</id></taxon><taxon><id>ES.3.2</id><entry>'.
            '<string>Tells rocks apart</string></entry></taxon></taxonPath></classification></lom>',
        '',
        ['standards' => [(object) ['framework' => 'Framework of Fenmoor', 'code' => 'ES.3.2']]],
        [],
    ],
    'a classification of another purpose is kept' => [
        '<lom><classification><purpose><value>security level</value></purpose><taxonPath><taxon><id>7</id></taxon></taxonPath>'.
            '</classification></lom>',
        '',
        [],
        ['lom.classification.purpose.value' => 'security level', 'lom.classification.taxonPath.taxon.id' => '7'],
    ],
    'nothing' => ['', '', [], []],
]);

it('writes what it reads', function (array $record): void {
    $lom = lom((string) preg_replace('~^<metadata>|</metadata>$~', '', Lom::write('A & <b>', (object) $record)));
    expect($lom->title)->toBe('A & <b>')->and((array) $lom->record)->toEqual($record)->and($lom->fields)->toBe([]);
})->with([
    'all' => [['tags' => ['one', 'two & "three"'], 'difficulty' => 1, 'minutes' => 12, 'licence' => 'CC-BY-4.0']],
    'classified, by an author' => [
        [
            'author' => 'Penrose, Orla',
            'topics' => [['Rocks', 'Slate & shale'], ['Maps']],
            'standards' => [(object) ['framework' => 'Framework of Fenmoor', 'code' => 'ES.3.2']],
        ],
    ],
    'half minutes' => [['minutes' => 0.5]],
    'nothing' => [[]],
]);

it('keeps at most a hundred fields, each of bounded length', function (): void {
    $many = implode('', array_map(fn (int $i): string => "<f$i>".str_repeat('x', 900)."</f$i>", range(1, 300)));
    $lom = lom($many);

    expect($lom->fields)->toHaveCount(100)->and(max(array_map(strlen(...), $lom->fields)))->toBe(500);
});
