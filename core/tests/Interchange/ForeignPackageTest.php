<?php

declare(strict_types=1);

use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Tests\Support\Packages;
use WideQuarry\Tests\Support\Questions;

// What packages that nobody here made showed: each test stands for something that was lost or misread once.

$match = 'http://www.imsglobal.org/question/qti_v2p1/rptemplates/match_correct';
$number21 = fn (string $key, string $attributes = ''): string => Packages::item21(
    "<responseDeclaration identifier=\"RESPONSE\" cardinality=\"single\" baseType=\"float\"><correctResponse><value>$key</value>".
        '</correctResponse></responseDeclaration>',
    '<p>How much? <textEntryInteraction responseIdentifier="RESPONSE"/></p>',
    "<responseProcessing template=\"$match\"/>",
    $attributes,
);
$number12 = fn (string $test, string $attributes = ''): string => Packages::document12(
    '<response_num ident="R" numtype="Decimal"><render_fib fibtype="Decimal" rows="1" columns="8"/></response_num>',
    "<resprocessing><outcomes><decvar/></outcomes><respcondition><conditionvar>$test</conditionvar>".
        '<setvar action="Set">2</setvar></respcondition></resprocessing>',
    $attributes,
);
$exactly = '<varequal respident="R">9.807</varequal>';
$between = '<and><vargte respident="R">2.645</vargte><varlte respident="R">2.655</varlte></and>';

it('takes a right number as the language writes it, and in an unknown language either way', function (
    string $xml,
    array $right,
    array $wrong,
): void {
    $found = Packages::document($xml);
    $question = Questions::read($found->questions[0]);
    expect(Packages::codes($found))->not->toContain('qti.key')->not->toContain('qti12.processing');
    foreach ($right as $typed) {
        expect(Questions::score($question, [$question->parts[0]->id => $typed])->state)->toBe('right', $typed);
    }
    foreach ($wrong as $typed) {
        expect(Questions::score($question, [$question->parts[0]->id => $typed])->state)->toBe('wrong', $typed);
    }
})->with([
    '2.1, no language' => [$number21('3.142'), ['3.142', '3,142'], ['3.143', '3142']],
    '2.1, German' => [$number21('3.142', 'xml:lang="de"'), ['3,142'], ['3.142']],
    '1.2.1, no language' => [$number12($exactly), ['9.807', '9,807'], ['9807', '9.8']],
    '1.2.1, German' => [$number12($exactly, 'xml:lang="de"'), ['9,807'], ['9.807']],
    '1.2.1, a range' => [$number12($between), ['2.645', '2.65', '2,655'], ['2.644', '2655']],
    '1.2.1, a range in German' => [$number12($between, 'xml:lang="de"'), ['2,645', '2,65'], ['2.645']],
]);

it('reads every resource of a package by its own version', function (string $other, string $type) use (
    $number12,
    $number21,
    $exactly,
): void {
    $bytes =
        $type === 'imsqti_item_xmlv3p0'
            ? Packages::item30(
                '<qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="string"/>',
                '<p>Say it. <qti-text-entry-interaction response-identifier="RESPONSE"/></p>',
                '',
            )
            : $number21('4');
    foreach ([['a/old.xml', $other], [$other, 'z/old.xml']] as [$first, $second]) {
        [$old, $new] = $first === $other ? [$second, $first] : [$first, $second];
        $found = Packages::read([
            'imsmanifest.xml' => Packages::manifest([
                $first => $first === $other ? $type : 'imsqti_xmlv1p2',
                $second => $second === $other ? $type : 'imsqti_xmlv1p2',
            ]),
            $old => $number12($exactly),
            $new => $bytes,
        ]);
        $formats = array_map(fn (stdClass $question): string => $question->record->origin->format, $found->questions);
        sort($formats);
        expect($formats)->toBe(['qti12', $type === 'imsqti_item_xmlv3p0' ? 'qti30' : 'qti21']);
    }
})->with([['m/new.xml', 'imsqti_item_xmlv2p1'], ['m/new.xml', 'imsqti_item_xmlv3p0']]);

it('reads an item of a later version that lies in a cartridge', function () use ($number21, $number12, $exactly): void {
    $manifest = str_replace(
        '<resources>',
        '<metadata><schema>IMS Common Cartridge</schema><schemaversion>1.3.0</schemaversion></metadata><resources>',
        Packages::manifest(['q/q.xml' => 'imsqti_xmlv1p2/imscc_xmlv1p3/question-bank', 'new.xml' => 'imsqti_item_xmlv2p1']),
    );
    $found = Packages::read(['imsmanifest.xml' => $manifest, 'q/q.xml' => $number12($exactly), 'new.xml' => $number21('4')]);
    expect(array_map(fn (stdClass $question): string => $question->record->origin->format, $found->questions))
        ->toBe(['cc', 'qti21'])
        ->and(Packages::codes($found))
        ->not->toContain('cartridge.others');
});

$passage = [
    'id' => '0192f0c4-0000-7000-8000-00000000aaaa',
    'title' => 'A core',
    'language' => 'en-GB',
    'body' => '<p>Sand lies over clay at 40 m.</p>',
];
$asking = fn (): PackageContents => (function () use ($passage): PackageContents {
    $content = new PackageContents;
    $content->stimuli = [(object) $passage];
    $content->questions = [
        Questions::of([Questions::choice(['a' => '1', 'b' => ''], [], 1, 'p1', 1)], ['stimuli' => [$passage['id']]])->toJson(),
    ];

    return $content;
})();

it('reads the passages of its own packages back', function (string $format) use ($asking, $passage): void {
    $file = (string) tempnam(sys_get_temp_dir(), 'own');
    Formats::standard(StandardKinds::all())->named($format)->write($asking(), $file);
    $found = Packages::of($file);
    expect($found->questions[0]->stimuli)
        ->toBe([$passage['id']])
        ->and(array_map(fn (stdClass $stimulus): array => [$stimulus->id, $stimulus->body], $found->stimuli))
        ->toBe([[$passage['id'], $passage['body']]]);

    // as our own files of 2026-11 and before stand: nothing of the passage beside the item
    $zip = new ZipArchive;
    $zip->open($file);
    foreach (range(0, $zip->numFiles - 1) as $i) {
        $name = (string) $zip->getNameIndex($i);
        if (str_contains($name, 'wide-quarry.json')) {
            $zip->addFromString($name, (string) preg_replace('/"stimuli":\[\{.*?\}\],/', '', (string) $zip->getFromName($name)));
        }
    }
    $zip->close();
    $older = Packages::of($file);
    $ids = array_map(fn (stdClass $stimulus): string => $stimulus->id, $older->stimuli);
    expect(json_encode([$older->questions[0]->body, $older->stimuli]))
        ->toContain('Sand lies over clay')
        ->and(array_diff($older->questions[0]->stimuli ?? [], $ids))
        ->toBe([]);
    unlink($file);
})->with(['qti30', 'qti22', 'qti21', 'qti12', 'cc13', 'pack']);

it('reads groups of 1.2.1 in which each thing has one partner', function (string $most, string $of): void {
    $label = fn (string $id, string $mates): string => "<response_label ident=\"$id\" ".
        ($mates === '' ? '' : "match_group=\"$mates\"").
        (str_contains($of, $id) ? " match_max=\"$most\"" : '').
        "><material><mattext>$id</mattext></material></response_label>";
    $labels = implode('', array_map($label, ['x', 'y', 'z', 'a', 'b', 'c'], ['a,b,c', 'a,b,c', 'a,b,c', '', '', '']));
    $if = fn (
        string $pair,
    ): string => "<respcondition continue=\"Yes\"><conditionvar><varsubset respident=\"R\">$pair</varsubset></conditionvar>".
        '<setvar action="Add">1</setvar></respcondition>';
    $found = Packages::document(
        Packages::document12(
            "<response_grp ident=\"R\" rcardinality=\"Multiple\"><render_choice>$labels</render_choice></response_grp>",
            '<resprocessing><outcomes><decvar/></outcomes>'.$if('x,b').$if('y,a').$if('z,c').'</resprocessing>',
        ),
    );
    $question = Questions::read($found->questions[0]);
    $score = fn (array $pairs): string => (string) Questions::score($question, ['R' => (object) ['pairs' => $pairs]])->score;
    expect(Packages::codes($found))
        ->toBe([])
        ->and($question->parts[0]->kindName)
        ->toBe('match')
        ->and($score([['x', 'b'], ['y', 'a'], ['z', 'c']]))
        ->toBe('3')
        ->and($score([['x', 'a'], ['y', 'b'], ['z', 'c']]))
        ->toBe('1')
        ->and($score([]))
        ->toBe('0');
})->with([
    'one for each on the left' => ['1', 'xyz'],
    'one for each on both sides' => ['1', 'xyzabc'],
    'one for each on the right' => ['1', 'abc'],
    'as many as one likes' => ['', ''],
]);

$open = fn (string $interaction, string $declaration = '', string $outcomes = ''): string => Packages::item30(
    $declaration.$outcomes,
    $interaction,
    '<qti-response-processing><qti-set-outcome-value identifier="SCORE"><qti-map-response-point identifier="R"/>'.
        '</qti-set-outcome-value></qti-response-processing>',
);

it('keeps what it has no kind for as a part that a person marks, worth what the source says', function (
    string $xml,
    int|float $points,
    string $kept,
): void {
    $found = Packages::document($xml);
    $question = Questions::read($found->questions[0]);
    expect(count($question->parts))
        ->toBe(1)
        ->and($question->parts[0]->kindName)
        ->toBe('essay')
        ->and($question->parts[0]->scheme->value)
        ->toBe('person')
        ->and($found->questions[0]->parts[0]->points)
        ->toEqual($points)
        ->and($question->body)
        ->toContain($kept)
        ->toContain('data-part=')
        ->and($question->record->provenance->origin->processing)
        ->toContain('R')
        ->and(array_intersect(['qti.kind', 'qti12.kind'], Packages::codes($found)))
        ->not->toBe([]);
})->with([
    'a point in a picture' => [
        str_replace(
            'identifier="SCORE"',
            'identifier="SCORE" normal-maximum="4"',
            $open(
                '<qti-select-point-interaction response-identifier="R" max-choices="1"><qti-prompt><p>Mark the vent.</p>'.
                    '</qti-prompt></qti-select-point-interaction>',
                '<qti-response-declaration identifier="R" cardinality="single" base-type="point"/>',
            ),
        ),
        4,
        'Mark the vent.',
    ],
    'pictures to be put in places' => [
        $open(
            '<qti-graphic-gap-match-interaction response-identifier="R"><qti-prompt><p>Label it.</p></qti-prompt>'.
                '<qti-gap-text identifier="a" match-max="1">mantle</qti-gap-text></qti-graphic-gap-match-interaction>',
            '',
            '<qti-outcome-declaration identifier="MAXSCORE" cardinality="single" base-type="float"><qti-default-value>'.
                '<qti-value>2.5</qti-value></qti-default-value></qti-outcome-declaration>',
        ),
        2.5,
        '<li>mantle</li>',
    ],
    'a drawing, no maximum' => [
        $open('<qti-drawing-interaction response-identifier="R"><qti-prompt><p>Draw it.</p></qti-prompt></qti-drawing-interaction>'),
        1,
        'Draw it.',
    ],
    'a place in a picture, 1.2.1' => [
        Packages::document12(
            '<response_xy ident="R" rcardinality="Single"><render_hotspot><response_label ident="a" rarea="Ellipse"><material>'.
                '<mattext>the crater</mattext></material></response_label></render_hotspot></response_xy>',
            '<resprocessing><outcomes><decvar varname="SCORE" maxvalue="3"/></outcomes><respcondition><conditionvar>'.
                '<varinside respident="R" areatype="Ellipse">10,10,2,2</varinside></conditionvar><setvar>3</setvar></respcondition>'.
                '</resprocessing>',
        ),
        3,
        'the crater</p></li>',
    ],
]);

it('gives an item that a person marks the maximum its source states', function (): void {
    $essay = '<qti-extended-text-interaction response-identifier="R"/>';
    $xml = str_replace(
        'identifier="SCORE"',
        'identifier="SCORE" normal-maximum="12"',
        Packages::item30('<qti-response-declaration identifier="R" cardinality="single" base-type="string"/>', $essay, ''),
    );
    expect(Packages::document($xml)->questions[0]->parts[0]->points)->toEqual(12);
    $two = str_replace(
        $essay,
        $essay.str_replace('"R"', '"S"', $essay).str_replace('"R"', '"T"', $essay),
        str_replace(
            '<qti-outcome',
            '<qti-response-declaration identifier="S" cardinality="single" base-type="string"/>'.
                '<qti-response-declaration identifier="T" cardinality="single" base-type="string"/><qti-outcome',
            str_replace('"12"', '"10"', $xml),
        ),
    );
    expect(array_sum(array_map(fn (stdClass $part): float => $part->points, Packages::document($two)->questions[0]->parts)))->toEqual(
        10.0,
    );
});

$associate = fn (string $marking, string $processing): string => Packages::item30(
    "<qti-response-declaration identifier=\"RESPONSE\" cardinality=\"multiple\" base-type=\"pair\">$marking</qti-response-declaration>",
    '<qti-associate-interaction response-identifier="RESPONSE" max-associations="3" shuffle="false">'.
        implode(
            '',
            array_map(
                fn (
                    string $id,
                ): string => "<qti-simple-associable-choice identifier=\"$id\" match-max=\"1\">$id</qti-simple-associable-choice>",
                ['A', 'B', 'C', 'D', 'E', 'F'],
            ),
        ).
        '</qti-associate-interaction>',
    "<qti-response-processing template=\"https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/$processing.xml\"/>",
);
$pairs = fn (string ...$pairs): stdClass => (object) ['pairs' => array_map(fn (string $pair): array => explode(' ', $pair), $pairs)];

it('reads one list to be paired with itself as two columns', function () use ($associate, $pairs): void {
    $found = Packages::document(
        $associate('<qti-correct-response><qti-value>A D</qti-value><qti-value>E B</qti-value></qti-correct-response>', 'match_correct'),
    );
    $question = Questions::read($found->questions[0]);
    expect(Packages::codes($found))
        ->toBe(['qti.associate'])
        ->and(array_column($question->parts[0]->settings->left, 'id'))
        ->toBe(['A', 'E'])
        ->and(array_column($question->parts[0]->settings->right, 'id'))
        ->toBe(['B', 'C', 'D', 'F'])
        ->and(Questions::score($question, ['RESPONSE' => $pairs('A D', 'E B')])->state)
        ->toBe('right')
        ->and(Questions::score($question, ['RESPONSE' => $pairs('A D', 'E C')])->state)
        ->toBe('wrong');
    $mapped = Packages::document(
        $associate(
            '<qti-mapping default-value="0"><qti-map-entry map-key="A D" mapped-value="2"/>'.
                '<qti-map-entry map-key="D B" mapped-value="1"/></qti-mapping>',
            'map_response',
        ),
    );
    expect((string) Questions::score(Questions::read($mapped->questions[0]), ['RESPONSE' => $pairs('A D')])->score)->toBe('2');
    $ring = Packages::document(
        $associate(
            '<qti-correct-response><qti-value>A B</qti-value><qti-value>B C</qti-value><qti-value>C A</qti-value></qti-correct-response>',
            'match_correct',
        ),
    );
    expect(Packages::codes($ring))->toContain('qti.kind')->and($ring->questions[0]->body)->toContain('<li>F</li>');
});

it('leaves a damaged picture out, not its question', function (string $item, string $document, string $type): void {
    $file = Packages::zip([
        'imsmanifest.xml' => Packages::manifest([$item => $type]),
        $item => $document,
        'pictures/core.png' => base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==').
            str_repeat("\0", 200),
    ]);
    $bytes = (string) file_get_contents($file);
    file_put_contents($file, substr_replace($bytes, 'XXXX', (int) strpos($bytes, 'pictures/core.png') + 30, 4));
    $found = Packages::of($file);
    unlink($file);
    expect(count($found->questions))
        ->toBe(1)
        ->and($found->media)
        ->toBe([])
        ->and(Packages::codes($found))
        ->toContain('media.damaged')
        ->not->toContain('media.missing')
        ->not->toContain('package.broken');
})->with([
    '3.0' => ['i.xml', Packages::item30('', '<p>What is it? <img src="pictures/core.png" alt="a core"/></p>', ''), 'imsqti_item_xmlv3p0'],
    '1.2.1' => ['q.xml', Packages::document12('<material><matimage uri="pictures/core.png"/></material>', ''), 'imsqti_xmlv1p2'],
]);

it('keeps two choices of one identifier, and has a person mark them', function (string $xml, string $code): void {
    $found = Packages::document($xml);
    $question = Questions::read($found->questions[0]);
    $options = $question->parts[0]->settings->options;
    expect(Packages::codes($found))
        ->toBe([$code])
        ->and(array_column($options, 'id'))
        ->toBe(['A', 'A-2', 'B'])
        ->and(implode(' ', array_column($options, 'html')))
        ->toContain('slate')
        ->toContain('chalk')
        ->and($question->parts[0]->scheme->value)
        ->toBe('person')
        ->and($question->parts[0]->key->rules)
        ->toBe([]);
})->with([
    '3.0' => [
        Packages::item30(
            '<qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="identifier"><qti-correct-response>'.
                '<qti-value>A</qti-value></qti-correct-response></qti-response-declaration>',
            '<qti-choice-interaction response-identifier="RESPONSE" max-choices="1">'.
                '<qti-simple-choice identifier="A">slate</qti-simple-choice><qti-simple-choice identifier="A">chalk</qti-simple-choice>'.
                '<qti-simple-choice identifier="B">clay</qti-simple-choice></qti-choice-interaction>',
            '<qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml"/>',
        ),
        'qti.same_identifier',
    ],
    '1.2.1' => [
        Packages::document12(
            '<response_lid ident="R" rcardinality="Single"><render_choice>'.
                implode(
                    '',
                    array_map(
                        fn (
                            string $id,
                            string $text,
                        ): string => "<response_label ident=\"$id\"><material><mattext>$text</mattext></material></response_label>",
                        ['A', 'A', 'B'],
                        ['slate', 'chalk', 'clay'],
                    ),
                ).
                '</render_choice></response_lid>',
            '<resprocessing><outcomes><decvar/></outcomes><respcondition><conditionvar><varequal respident="R">A</varequal>'.
                '</conditionvar><setvar>1</setvar></respcondition></resprocessing>',
        ),
        'qti12.same_identifier',
    ],
]);

it('reads the standards that a manifest of 3.0 names', function (): void {
    $csm =
        '<metadata><csm:curriculumStandardsMetadataSet xmlns:csm="http://ltsc.ieee.org/xsd/csm">'.
            '<csm:curriculumStandardsMetadata providerId="Northern Board"><csm:setOfGUIDs><csm:labelledGUID>'.
            '<csm:label>ES.4.2</csm:label><csm:GUID>b1</csm:GUID></csm:labelledGUID><csm:labelledGUID><csm:GUID>b2</csm:GUID>'.
            '</csm:labelledGUID></csm:setOfGUIDs></csm:curriculumStandardsMetadata></csm:curriculumStandardsMetadataSet></metadata>';
    $found = Packages::read([
        'imsmanifest.xml' => Packages::manifest(['i.xml' => 'imsqti_item_xmlv3p0'], $csm),
        'i.xml' => Packages::item30('', '<p>Read on.</p>', ''),
    ]);
    expect(json_encode($found->questions[0]->record->standards))->toBe(
        '[{"framework":"Northern Board","code":"ES.4.2"},{"framework":"Northern Board","code":"b2"}]',
    );
});

it('reads the category of a cartridge as a topic', function (): void {
    $field =
        '<itemmetadata><qtimetadata><qtimetadatafield><fieldlabel>cc_question_category</fieldlabel>'.
            '<fieldentry>Rocks > Igneous</fieldentry></qtimetadatafield></qtimetadata></itemmetadata>';
    $found = Packages::document(str_replace('<presentation>', "$field<presentation>", Packages::document12('', '')));
    expect($found->questions[0]->record->topics)->toBe([['Rocks', 'Igneous']]);
});

it('takes the time limits of test parts together, and tells of those it cannot keep', function (
    string $inside,
    ?int $seconds,
    array $codes,
    string $version,
): void {
    $test = '<qti-assessment-test xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="t" '.
        "title=\"T\">$inside</qti-assessment-test>";
    $test =
        $version === '3.0'
            ? $test
            : str_replace(
                [
                    'qti-assessment-test',
                    'http://www.imsglobal.org/xsd/imsqtiasi_v3p0',
                    'qti-test-part',
                    'qti-time-limits',
                    'max-time',
                    'qti-assessment-section',
                    'qti-assessment-item-ref',
                ],
                [
                    'assessmentTest',
                    'http://www.imsglobal.org/xsd/imsqti_v2p1',
                    'testPart',
                    'timeLimits',
                    'maxTime',
                    'assessmentSection',
                    'assessmentItemRef',
                ],
                $test,
            );
    $item = Packages::item30('', '<p>Read on.</p>', '');
    $found = Packages::read([
        'imsmanifest.xml' => Packages::manifest([
            'i.xml' => 'imsqti_item_xmlv3p0',
            't.xml' => $version === '3.0' ? 'imsqti_test_xmlv3p0' : 'imsqti_test_xmlv2p1',
        ]),
        'i.xml' => $item,
        't.xml' => $test,
    ]);
    expect($found->assessments[0]->time_limit ?? null)
        ->toBe($seconds)
        ->and(array_values(array_filter(Packages::codes($found), fn (string $code): bool => $code === 'qti.test_time')))
        ->toBe($codes);
})
    ->with([
        'of the test' => [
            '<qti-time-limits max-time="3600"/><qti-test-part><qti-assessment-section title="S">'.
                '<qti-assessment-item-ref identifier="i" href="i.xml"/></qti-assessment-section></qti-test-part>',
            3600,
            [],
        ],
        'of its one part' => [
            '<qti-test-part><qti-time-limits max-time="1800.0"/><qti-assessment-section title="S">'.
                '<qti-assessment-item-ref identifier="i" href="i.xml"/></qti-assessment-section></qti-test-part>',
            1800,
            [],
        ],
        'of two parts' => [
            '<qti-test-part><qti-time-limits max-time="600"/></qti-test-part><qti-test-part><qti-time-limits max-time="900"/>'.
                '</qti-test-part>',
            1500,
            ['qti.test_time'],
        ],
        'of one of two parts' => [
            '<qti-test-part><qti-time-limits max-time="600"/></qti-test-part><qti-test-part/>',
            null,
            ['qti.test_time'],
        ],
        'of a section, which keeps it' => [
            '<qti-test-part><qti-assessment-section title="S"><qti-time-limits max-time="60"/></qti-assessment-section></qti-test-part>',
            null,
            [],
        ],
    ])
    ->with(['3.0', '2.1']);

it('tells what of an item has no place here', function (string $more, string $body, array $codes): void {
    $found = Packages::document(
        str_replace(
            '</qti-assessment-item>',
            "$more</qti-assessment-item>",
            Packages::item30(
                '<qti-response-declaration identifier="RESPONSE" cardinality="multiple" base-type="directedPair">'.
                    '<qti-correct-response><qti-value>a x</qti-value></qti-correct-response></qti-response-declaration>',
                $body,
                '<qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml"/>',
            ),
        ),
    );
    expect(count($found->questions))->toBe(1)->and(Packages::codes($found))->toBe($codes);
})->with([
    'an element of a vendor' => ['<acme:tracking xmlns:acme="urn:acme" id="7">x</acme:tracking>', '<p>Q</p>', ['qti.unknown_element']],
    'one in the text' => ['', '<p>Q <acme:dial xmlns:acme="urn:acme"/></p>', ['content.dropped']],
    'tools' => ['<qti-companion-materials-info/>', '<p>Q</p>', ['qti.left_out']],
    'a choice that stays' => [
        '',
        '<qti-match-interaction response-identifier="RESPONSE" shuffle="true" class="qti-match-tabular"><qti-simple-match-set>'.
            '<qti-simple-associable-choice identifier="a" fixed="true">a</qti-simple-associable-choice>'.
            '<qti-simple-associable-choice identifier="b">b</qti-simple-associable-choice></qti-simple-match-set><qti-simple-match-set>'.
            '<qti-simple-associable-choice identifier="x">x</qti-simple-associable-choice></qti-simple-match-set>'.
            '</qti-match-interaction>',
        ['qti.fixed'],
    ],
    'rows that are mixed' => [
        '',
        '<qti-match-interaction response-identifier="RESPONSE" shuffle="true"><qti-simple-match-set>'.
            '<qti-simple-associable-choice identifier="a">a</qti-simple-associable-choice></qti-simple-match-set><qti-simple-match-set>'.
            '<qti-simple-associable-choice identifier="x">x</qti-simple-associable-choice></qti-simple-match-set>'.
            '</qti-match-interaction>',
        ['qti.shuffle_rows'],
    ],
]);

it('tells when an entry is not of the size the package declares', function () use ($asking): void {
    $file = (string) tempnam(sys_get_temp_dir(), 'own');
    Formats::standard(StandardKinds::all())->named('pack')->write($asking(), $file);
    $zip = new ZipArchive;
    $zip->open($file);
    $size = (int) $zip->statName('questions.jsonl')['size'];
    $zip->close();
    $bytes = (string) file_get_contents($file);
    foreach (["PK\x03\x04" => [26, 22, 30], "PK\x01\x02" => [28, 24, 46]] as $mark => [$length, $at, $name]) {
        for ($i = strpos($bytes, $mark); $i !== false; $i = strpos($bytes, $mark, $i + 4)) {
            if (substr($bytes, $i + $name, 15) === 'questions.jsonl') {
                $bytes = substr_replace($bytes, pack('V', $size - 7), $i + $at, 4);
            }
        }
    }
    file_put_contents($file, $bytes);
    $found = Packages::of($file);
    unlink($file);
    expect(count($found->questions))
        ->toBe(1)
        ->and(Packages::codes($found))
        ->toBe(['package.size_differs']);
});
