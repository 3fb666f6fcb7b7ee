<?php

declare(strict_types=1);

use WideQuarry\Checks\Completeness;
use WideQuarry\Finding;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Qti2\Edition2;
use WideQuarry\Interchange\Qti30\Edition;
use WideQuarry\Interchange\Qti30\Edition30;
use WideQuarry\Interchange\Qti30\ItemWriter;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Part;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Tests\Support\Dtd12;
use WideQuarry\Tests\Support\ItemShape;
use WideQuarry\Tests\Support\Questions;
use WideQuarry\Tests\Support\ResponseProcessing;

/** @return array<string, string> the documents of QTI 1.2.1 in a package, by their names */
function documentsIn(string $file): array
{
    $zip = new ZipArchive;
    $zip->open($file);
    $documents = [];
    for ($i = 0; $i < $zip->numFiles; $i++) {
        $xml = (string) $zip->getFromIndex($i);
        str_contains(substr($xml, 0, 400), '<questestinterop') && ($documents[(string) $zip->getNameIndex($i)] = $xml);
    }
    $zip->close();
    expect($documents)->not->toBe([]);

    return $documents;
}

$banks = [
    'rocks' => ['rocks'],
    'maps' => ['maps'],
    'water' => ['water'],
    'field maths' => ['field-maths'],
    'measuring' => ['measuring'],
    'hazards' => ['hazards'],
    'field notes' => ['field-notes'],
    'evidence' => ['evidence'],
];

it('gives the same questions after going out and in again, with specimens that still hold', function (string $bank): void {
    $content = demo($bank);
    foreach (['pack', 'qti30', 'qti22', 'qti21', 'qti12', 'cc13'] as $format) {
        $file = written($content, $format);
        $again = written($content, $format);
        expect(hash_file('sha256', $again))->toBe(hash_file('sha256', $file));
        foreach (in_array($format, ['qti12', 'cc13'], true) ? documentsIn($file) : [] as $name => $xml) {
            expect(Dtd12::wrong($xml, $format === 'cc13'))->toBe([], "$bank $format $name");
        }
        $back = readBack($file);
        expect(Json::encode($back->questions))->toBe(Json::encode($content->questions));
        unlink($file);
        unlink($again);
    }
    // what came back is the same text in every format, so its specimens are tried once
    foreach ($content->questions as $json) {
        expect(
            array_map(
                fn (Finding $finding): string => $finding->message,
                (new Completeness)->failingSpecimens(Questions::read($json)),
            ),
        )->toBe([]);
    }
})->with($banks);

it('writes marking that an evaluator of the standard agrees with, and reads it back so', function (string $bank, Edition $edition): void {
    $judged = 0;
    foreach (demo($bank)->questions as $json) {
        $question = Questions::read($json);
        $item = (new ItemWriter([]))->write($question, []);
        $losses = array_diff(array_map(fn (Notice $notice): string => $notice->code, $item->notices), ['qti.hints', 'qti.feedback_time']);
        $xml = $edition->lower($item->xml);
        expect(
            ItemShape::wrong($xml, str_contains($edition->format(), '30') ? '3.0' : ($edition->format() === 'qti22' ? '2.2' : '2.1')),
        )->toBe([], $question->title);
        $stripped = readItem($xml);
        expect($stripped->questions)->toHaveCount(1, json_encode($stripped->notices));
        $read = Questions::read($stripped->questions[0]);
        foreach ($question->record->specimens as $specimen) {
            if ($losses !== [] || $specimen->hints + $specimen->earlierWrong > 0) {
                continue; // what cannot be said there is announced, and not expected to score the same
            }
            [$theirs, $ours] = [[], new stdClass()];
            foreach ($question->parts as $i => $part) {
                $id = 'RESPONSE'.($i === 0 ? '' : $i + 1);
                $given = $specimen->response->{$part->id} ?? null;
                if ($given !== null) {
                    $theirs[$id] = inQti($part->kindName, $given);
                    $ours->{$id} = $given;
                }
            }
            $score = (float) Exact::number(Exact::of($specimen->score));
            $typed = array_filter($question->parts, fn (Part $part): bool => $part->kindName === 'text');
            if ($typed === [] || preg_match('/^[ -~]*$/', json_encode($theirs, JSON_UNESCAPED_UNICODE)) === 1) {
                expect(
                    abs(ResponseProcessing::score($xml, $theirs, Questions::drawn($question, Seed::of($specimen->seed))) - $score),
                )->toBeLessThan(0.006, "$question->title: $specimen->note ".json_encode($theirs));
                $judged++;
            }
            $again = (new Scorer)->score($read, new Attempt($ours, Seed::of($specimen->seed)));
            expect(abs((float) Exact::number($again->exact) - $score))->toBeLessThan(0.006, "$question->title read back");
        }
    }
    expect($judged)->toBeGreaterThan(4);
})
    ->with($banks)
    ->with(['3.0' => [new Edition30], '2.2' => [Edition2::v22()], '2.1' => [Edition2::v21()]]);

/** A response as a delivery system would hold it; @return list<string> */
function inQti(string $kind, stdClass $given): array
{
    return match ($kind) {
        'choice', 'menu', 'highlight', 'survey' => $given->chosen,
        'order' => $given->sequence,
        'slider' => [(string) (float) $given->value],
        'tiles' => array_map(
            fn (string $tile, string $gap): string => "$tile $gap",
            array_values((array) $given->gaps),
            array_keys((array) $given->gaps),
        ),
        'match' => array_map(fn (array $pair): string => implode(' ', $pair), $given->pairs),
        'group' => array_merge(
            ...array_map(
                fn (array $items, string $group): array => array_map(fn (string $item): string => "$item $group", $items),
                array_values((array) $given->groups),
                array_keys((array) $given->groups),
            ),
        ),
        'number' => [(string) numberTyped($given->text)],
        default => [trim($given->text)],
    };
}

$wrap = fn (
    string $declaration,
    string $body,
    string $processing,
): string => '<qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="i1" title="T" xml:lang="en">'.
    '<qti-response-declaration identifier="RESPONSE" '.
    $declaration.
    '</qti-response-declaration><qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"/><qti-item-body>'.
    $body.
    '</qti-item-body>'.
    $processing.
    '</qti-assessment-item>';
$choices =
    '<qti-choice-interaction response-identifier="RESPONSE" max-choices="0"><qti-prompt>Which?</qti-prompt>'.
        '<qti-simple-choice identifier="A">a</qti-simple-choice><qti-simple-choice identifier="B">b</qti-simple-choice>'.
        '<qti-simple-choice identifier="C">c</qti-simple-choice></qti-choice-interaction>';
$template = fn (
    string $name,
): string => "<qti-response-processing template=\"https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/$name.xml\"/>";
$map =
    'cardinality="multiple" base-type="identifier"><qti-mapping default-value="-0.5"><qti-map-entry map-key="A" mapped-value="1"/>'.
        '<qti-map-entry map-key="B" mapped-value="2"/></qti-mapping>';

it("reads strangers' items", function (string $xml, array $responses): void {
    $found = readItem($xml);
    $question = Questions::read($found->questions[0]);
    expect(array_filter($found->notices, fn (Notice $notice): bool => $notice->severity !== 'note'))->toBe([]);
    foreach ($responses as [$given, $score]) {
        $response = (object) [
            'RESPONSE' => $question->parts[0]->kindName === 'choice' ? (object) ['chosen' => $given] : (object) ['text' => $given[0]],
        ];
        expect(Exact::number((new Scorer)->score($question, new Attempt($response, Seed::of(1)))->score))->toBe(
            $score,
            json_encode($given),
        );
    }
})->with([
    'match correct, single' => [
        $wrap(
            'cardinality="single" base-type="identifier"><qti-correct-response><qti-value>B</qti-value></qti-correct-response>',
            str_replace('max-choices="0"', 'max-choices="1"', $choices),
            $template('match_correct'),
        ),
        [[['B'], 1], [['A'], 0]],
    ],
    'match correct, several' => [
        $wrap(
            'cardinality="multiple" base-type="identifier"><qti-correct-response><qti-value>A</qti-value><qti-value>C</qti-value>'.
                '</qti-correct-response>',
            $choices,
            $template('match_correct'),
        ),
        [[['C', 'A'], 1], [['A'], 0], [['A', 'B', 'C'], 0]],
    ],
    'map response with a default and no bound' => [
        $wrap($map, $choices, $template('map_response')),
        [[['A', 'B'], 3], [['A'], 1], [['A', 'C'], 0.5]],
    ],
    'an upper bound is the points' => [
        $wrap(
            str_replace('default-value="-0.5"', 'default-value="0" lower-bound="0" upper-bound="2"', $map),
            $choices,
            $template('map_response'),
        ),
        [[['A', 'B'], 2], [['A'], 1]],
    ],
    'typed words with cases' => [
        $wrap(
            'cardinality="single" base-type="string"><qti-mapping default-value="0">'.
                '<qti-map-entry map-key="York" mapped-value="1"/>'.
                '<qti-map-entry map-key="leeds" mapped-value="0.5" case-sensitive="false"/></qti-mapping>',
            '<p>x <qti-text-entry-interaction response-identifier="RESPONSE"/></p>',
            $template('map_response'),
        ),
        [[['York'], 1], [['york'], 0], [['LEEDS'], 0.5]],
    ],
    'a float' => [
        $wrap(
            'cardinality="single" base-type="float"><qti-correct-response><qti-value>2.5</qti-value></qti-correct-response>',
            '<p><qti-text-entry-interaction response-identifier="RESPONSE"/></p>',
            $template('match_correct'),
        ),
        [[['2.50'], 1], [['5/2'], 1], [['3'], 0]],
    ],
    'a condition written out' => [
        $wrap(
            'cardinality="single" base-type="identifier"><qti-correct-response><qti-value>B</qti-value></qti-correct-response>',
            str_replace('max-choices="0"', 'max-choices="1"', $choices),
            '<qti-response-processing><qti-response-condition><qti-response-if><qti-match><qti-variable identifier="RESPONSE"/>'.
                '<qti-correct identifier="RESPONSE"/></qti-match><qti-set-outcome-value identifier="SCORE">'.
                '<qti-base-value base-type="float">4</qti-base-value></qti-set-outcome-value></qti-response-if>'.
                '</qti-response-condition></qti-response-processing>',
        ),
        [[['B'], 4], [['C'], 0]],
    ],
]);

it('never guesses a key, and keeps the source of what it cannot translate', function (string $xml, string $code): void {
    $found = readItem($xml);
    $question = Questions::read($found->questions[0]);

    expect(
        array_map(
            fn (Notice $notice): string => $notice->code,
            array_filter($found->notices, fn (Notice $notice): bool => $notice->severity === 'loss'),
        ),
    )
        ->toContain($code)
        ->and($question->record->provenance->origin->processing)
        ->toBe($xml)
        ->and(array_map(fn (Finding $finding): string => $finding->code, (new Completeness)->findings($question)))
        ->toContain('origin.untranslated');
    foreach ($question->parts as $part) {
        expect($part->scheme->value)->toBe('person');
    }
})->with([
    'a kind that comes later' => [
        $wrap(
            'cardinality="ordered" base-type="identifier">',
            '<qti-drawing-interaction response-identifier="RESPONSE"><object data="a.png" type="image/png"/></qti-drawing-interaction>',
            $template('match_correct'),
        ),
        'qti.kind',
    ],
    'marking of its own' => [
        $wrap(
            'cardinality="single" base-type="identifier">',
            $choices,
            '<qti-response-processing><qti-set-outcome-value identifier="SCORE"><qti-random-integer min="0" max="1"/>'.
                '</qti-set-outcome-value></qti-response-processing>',
        ),
        'qti.processing',
    ],
    'an unknown template' => [
        $wrap('cardinality="single" base-type="identifier">', $choices, $template('something_else')),
        'qti.processing',
    ],
    'no marking at all' => [$wrap('cardinality="single" base-type="identifier">', $choices, ''), 'qti.key'],
    'points of nothing' => [
        $wrap(
            'cardinality="multiple" base-type="identifier"><qti-mapping default-value="0">'.
                '<qti-map-entry map-key="A" mapped-value="-1"/></qti-mapping>',
            $choices,
            $template('map_response'),
        ),
        'qti.key',
    ],
]);

it('reads the item as it is when it was changed after we wrote it', function (): void {
    $file = written(demo('maps'), 'qti30');
    $zip = new ZipArchive;
    $zip->open($file);
    $name = 'items/'.demo('maps')->questions[0]->id.'.xml';
    $zip->addFromString($name, str_replace('a steep slope', 'a very steep slope', (string) $zip->getFromName($name)));
    $zip->close();
    $back = readBack($file);
    unlink($file);

    expect(Json::encode($back->questions[0]))
        ->toContain('a very steep slope')
        ->and(array_map(fn (Notice $notice): string => $notice->code, $back->notices))
        ->toContain('extension.changed');
});

it('carries stimuli, media and metadata, with our own files and without', function (): void {
    $png = base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==');
    $content = new PackageContents;
    $content->media = [WideQuarry\Interchange\Medium::of('m1', 'image/png', 'a.png', $png)];
    $content->stimuli = [
        (object) [
            'id' => '0192f0c4-0000-7000-8000-0000000000aa',
            'title' => 'The section',
            'language' => 'en-GB',
            'body' => '<p>See <img alt="a bed" data-media="m1" height="9" width="9"/></p>',
        ],
    ];
    $content->questions = [
        Questions::of(
            [Questions::choice(['a' => '1', 'b' => ''], [], 1, 'p1', 1)],
            [
                'body' => '<p>Look: <img alt="the bed" data-media="m1"/></p><div data-part="p1"></div>',
                'stimuli' => ['0192f0c4-0000-7000-8000-0000000000aa'],
                'record' => [
                    'tags' => ['beds', 'a & b'],
                    'difficulty' => 4,
                    'minutes' => 2.5,
                    'licence' => 'CC-BY-4.0',
                    'status' => 'draft',
                ],
            ],
        )->toJson(),
    ];
    $file = written($content, 'qti30');
    $own = readBack($file);
    $zip = new ZipArchive;
    $zip->open($file);
    $zip->deleteName("items/{$content->questions[0]->id}.wide-quarry.json");
    $zip->addFromString(
        'imsmanifest.xml',
        str_replace(
            '<educational>',
            '<educational><intendedEndUserRole><value>learner</value></intendedEndUserRole>',
            (string) $zip->getFromName('imsmanifest.xml'),
        ),
    );
    $zip->close();
    $stranger = readBack($file);
    unlink($file);

    expect($own->questions)
        ->toEqual($content->questions)
        ->and($own->media[0]->bytes)
        ->toBe($png)
        ->and($own->stimuli[0]->body)
        ->toContain('data-media="'.$own->media[0]->id.'"')
        ->and($stranger->questions[0]->record)
        ->toMatchObject(['tags' => ['beds', 'a & b'], 'difficulty' => 4, 'minutes' => 2.5, 'licence' => 'CC-BY-4.0'])
        ->and($stranger->questions[0]->record->origin->fields)
        ->toEqual((object) ['lom.educational.intendedEndUserRole.value' => 'learner'])
        ->and($stranger->questions[0]->stimuli)
        ->toBe([$stranger->stimuli[0]->id])
        ->and($stranger->questions[0]->body)
        ->toContain('data-media="'.$stranger->media[0]->id.'"')
        ->and(array_filter($stranger->notices, fn (Notice $notice): bool => $notice->severity !== 'note'))
        ->toBe([]);
});

it('shows the same feedback there as here, and reads it back', function (string $bank): void {
    $judged = 0;
    foreach (demo($bank)->questions as $json) {
        $question = Questions::read($json);
        $item = (new ItemWriter([]))->write($question, []);
        $losses = array_diff(array_map(fn (Notice $notice): string => $notice->code, $item->notices), ['qti.hints', 'qti.feedback_time']);
        if ($losses !== [] || ! str_contains($item->xml, 'qti-modal-feedback')) {
            continue;
        }
        $found = readItem($item->xml);
        $read = Questions::read($found->questions[0]);
        expect(array_filter($found->notices, fn (Notice $notice): bool => $notice->code === 'qti.feedback'))->toBe([], $question->title);
        foreach ($question->record->specimens as $specimen) {
            [$theirs, $again] = [[], new stdClass()];
            foreach ($question->parts as $i => $part) {
                $id = 'RESPONSE'.($i === 0 ? '' : $i + 1);
                $given = $specimen->response->{$part->id} ?? null;
                if ($given !== null) {
                    $theirs[$id] = inQti($part->kindName, $given);
                    $again->{$id} = $given;
                }
            }
            $here = shownHere($question, $specimen->response);
            if (
                array_filter(
                    (array) $specimen->response,
                    fn (stdClass $one): bool => trim($one->text ?? 'x') === '' || preg_match('/[^ -~]/', $one->text ?? '') === 1,
                ) === []
            ) {
                expect(ResponseProcessing::feedback($item->xml, $theirs, Questions::drawn($question, Seed::of(1))))->toBe(
                    $here,
                    "$question->title: ".json_encode($theirs),
                );
                $judged++;
            }
            expect(shownHere($read, $again))->toBe($here, "$question->title read back");
        }
    }
    expect($judged)->toBeGreaterThan(0);
})->with($banks);

it('notices an item that is not as the standard has it', function (string $broken, string $says): void {
    $item =
        '<assessmentItem xmlns="http://www.imsglobal.org/xsd/imsqti_v2p1" identifier="i1" title="T" adaptive="false" timeDependent="false">'.
            '<responseDeclaration identifier="RESPONSE" cardinality="single" baseType="identifier"/>'.
            '<outcomeDeclaration identifier="SCORE" cardinality="single" baseType="float"/><itemBody>'.
            '<choiceInteraction responseIdentifier="RESPONSE" shuffle="false" maxChoices="1">'.
            '<simpleChoice identifier="A">a</simpleChoice></choiceInteraction></itemBody></assessmentItem>';
    [$from, $to] = explode(' → ', $broken);
    expect(ItemShape::wrong($item, '2.1'))
        ->toBe([])
        ->and(ItemShape::wrong(str_replace($from, $to, $item), '2.1'))
        ->toBe([$says]);
})->with([
    ['shuffle="false"  → ', 'choiceInteraction lacks shuffle!'],
    ['maxChoices="1" → maxChoices="1" orientation="vertical"', 'choiceInteraction has orientation'],
    ['shuffle=" → data-x="1" shuffle="', 'choiceInteraction has data-x'],
    ['</simpleChoice> → </simpleChoice><simpleChoice identifier="A">b</simpleChoice>', 'one identifier twice'],
    ['="RESPONSE" shuffle → ="OTHER" shuffle', 'choiceInteraction refers to OTHER'],
    ['identifier="A" → identifier="1 A"', 'identifier 1 A'],
    [
        '<responseDeclaration → <modalFeedback outcomeIdentifier="SCORE" showHide="show" identifier="f"/><responseDeclaration',
        'children of the item out of order',
    ],
    ['<itemBody> → <itemBody><em>x</em>', 'em in itemBody'],
    ['simpleChoice identifier="A">a → simpleChoice identifier="A"><u>a</u>', 'unknown: u'],
]);

it('notices a document of QTI 1.2.1 that is not as the standard has it', function (string $inside, string $says): void {
    expect(
        implode(' ', Dtd12::wrong("<questestinterop xmlns=\"http://www.imsglobal.org/xsd/ims_qtiasiv1p2\">$inside</questestinterop>")),
    )->toContain($says);
})->with([
    'an empty bank' => ['<objectbank ident="b"/>', 'objectbank content does not follow the DTD'],
    'a flow beside material' => [
        '<item ident="i"><presentation><material><mattext>x</mattext></material><flow><material><mattext>y</mattext></material>'.
            '</flow></presentation></item>',
        'presentation content',
    ],
    'no identifier' => ['<item title="x"/>', 'item does not carry attribute ident'],
    'a condition that says nothing' => [
        '<item ident="i"><resprocessing><outcomes><decvar/></outcomes></resprocessing></item>',
        'resprocessing content',
    ],
]);

it('writes tests of every version as the standard has them', function (string $format): void {
    $content = demo('rocks');
    $ids = array_map(fn (stdClass $one): string => $one->id, array_slice($content->questions, 0, 6));
    $assessment = Json::decode(
        Json::encode([
            'format' => 'wide-quarry/assessment',
            'version' => 1,
            'id' => '0192f0c4-0000-7000-8000-0000000000aa',
            'title' => 'Unit',
            'instructions' => '<p>Use a pencil.</p>',
            'time_limit' => 1800,
            'sections' => [
                [
                    'id' => 's1',
                    'title' => 'One',
                    'entries' => [
                        ['id' => 'e1', 'question' => $ids[0]],
                        ['id' => 'e2', 'question' => $ids[1], 'points' => 7],
                        ['id' => 'd1', 'title' => 'Pool', 'draw' => 2, 'points' => 3, 'pool' => array_slice($ids, 2)],
                    ],
                ],
            ],
        ]),
    );
    $content->assessments = [$assessment];
    $file = written($content, $format);
    foreach (documentsIn($file) as $name => $xml) {
        expect(Dtd12::wrong($xml, $format === 'cc13'))->toBe([], $name);
    }
    expect(implode('', documentsIn($file)))->toContain('<assessment ');
})->with(['qti12', 'cc13']);
