<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\ZipWriter;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Qti30\Qti30Format;
use WideQuarry\Interchange\Source;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;

/** A package of two questions and a test of both; without(…) leaves our own files out, as another system would. */
function packedTest(bool $own, ?callable $change = null): PackageContents
{
    $content = new PackageContents;
    foreach (['choice', 'text'] as $i => $name) {
        $question = Json::decode((string) file_get_contents(dirname(__DIR__, 2)."/schema/examples/$name.json"))->valid;
        $question->parts[0]->points = 3;
        $content->questions[] = $question;
    }
    $test = Assessment::fresh('0192f0c4-0000-7000-8000-0000000000aa', 'Unit "3" & more');
    $test->instructions = '<p>Use a pencil.</p>';
    $test->sections = [
        (object) [
            'id' => 's1',
            'title' => 'First',
            'instructions' => 'Read well.',
            'entries' => [(object) ['id' => 'e1', 'question' => $content->questions[0]->id, 'points' => 1]],
        ],
        (object) ['id' => 's2', 'title' => '', 'entries' => [(object) ['id' => 'e2', 'question' => $content->questions[1]->id]]],
    ];
    $change !== null && $change($test, $content);
    $content->assessments = [Json::decode(Json::encode($test))];
    $file = (string) tempnam(sys_get_temp_dir(), 'test');
    (new Qti30Format(StandardKinds::all()))->write($content, $file);
    if (! $own) {
        $zip = new ZipArchive;
        $zip->open($file);
        $plain = (string) tempnam(sys_get_temp_dir(), 'test');
        $writer = new ZipWriter($plain);
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $name = (string) $zip->getNameIndex($i);
            str_ends_with($name, '.wide-quarry.json') || $writer->add($name, (string) $zip->getFromIndex($i));
        }
        $writer->close();
        rename($plain, $file);
    }
    $found = PackageContents::collect((new Qti30Format(StandardKinds::all()))->read(new Source($file, 'test.zip')));
    unlink($file);

    return $found;
}

it('gives our own assessment back as it was', function (): void {
    $found = packedTest(true);
    expect($found->assessments)
        ->toHaveCount(1)
        ->and($found->assessments[0]->title)
        ->toBe('Unit "3" & more')
        ->and($found->assessments[0]->sections[0]->entries[0]->points)
        ->toBe(1)
        ->and($found->notices)
        ->toBe([]);
});

it('reads a test that somebody else wrote: sections, instructions, order and points', function (): void {
    $found = packedTest(false);
    $test = Assessment::read($found->assessments[0], StandardKinds::all());

    expect($test->title)
        ->toBe('Unit "3" & more')
        ->and(array_map(fn ($section) => [$section->title, $section->instructions], $test->sections))
        ->toBe([['First', '<p>Use a pencil.</p><p>Read well.</p>'], ['', '']])
        ->and(array_column($found->assessments[0]->sections[0]->entries, 'points'))
        ->toBe([1])
        ->and(array_map(fn ($pick) => $pick->question, $test->picks()))
        ->toBe(array_column($found->questions, 'id'))
        ->and($found->assessments[0]->origin->identifier)
        ->toBe('A-0192f0c4-0000-7000-8000-0000000000aa');
});

it('writes a question that is asked otherwise as an item of its own', function (): void {
    $found = packedTest(false, function (stdClass $test, PackageContents $content): void {
        $test->sections[0]->entries[0]->variation = Json::copy($content->questions[0]);
        $test->sections[0]->entries[0]->variation->body = '<p>Only here?</p><div data-part="p1"></div>';
    });
    $asked = $found->assessments[0]->sections[0]->entries[0]->question;

    expect($found->questions)
        ->toHaveCount(3)
        ->and(array_values(array_filter($found->questions, fn ($q) => $q->id === $asked))[0]->body)
        ->toContain('Only here?');
});

it('says what of a test could not come along', function (): void {
    $lost = packedTest(
        false,
        fn (stdClass $test) => ($test->sections[1]->entries[] = (object) [
            'id' => 'e3',
            'question' => '0192f0c4-0000-7000-8000-00000000dead',
        ]),
    );
    expect($lost->assessments[0]->sections[1]->entries)->toHaveCount(1);

    $found = strangersTest(
        '<qti-ordering shuffle="true"/><qti-assessment-item-ref identifier="a" href="gone.xml"/><qti-branch-rule target="x"/>',
    );
    $said = implode("\n", array_map(fn (Notice $notice): string => $notice->message, $found->notices));
    expect($said)
        ->toContain('gone.xml')
        ->toContain('A rule of the test')
        ->and($found->assessments[0]->sections[0]->shuffle)
        ->toBeTrue();
});

/** A test of one section over four items, as somebody else's system writes it. */
function strangersTest(string $section, string $words = 'plain'): PackageContents
{
    $file = (string) tempnam(sys_get_temp_dir(), 'test');
    $zip = new ZipWriter($file);
    $lower = fn (string $xml): string => $words === 'plain' ? $xml : WideQuarry\Interchange\Qti2\Edition2::v21()->lower($xml);
    foreach ([1, 2, 3, 4] as $i) {
        $zip->add(
            "$i.xml",
            $lower(
                "<qti-assessment-item xmlns=\"http://www.imsglobal.org/xsd/imsqtiasi_v3p0\" identifier=\"i$i\" title=\"Q$i\">".
                    '<qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="string">'.
                    '<qti-correct-response><qti-value>x</qti-value></qti-correct-response></qti-response-declaration><qti-item-body>'.
                    '<p>Type x: <qti-text-entry-interaction response-identifier="RESPONSE"/></p></qti-item-body>'.
                    '<qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml"/>'.
                    '</qti-assessment-item>',
            ),
        );
    }
    $zip->add(
        't.xml',
        $lower(
            '<qti-assessment-test xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="t" title="T">'.
                '<qti-test-part identifier="p">'.
                "<qti-assessment-section identifier=\"s\" title=\"S\" visible=\"true\">$section</qti-assessment-section>".
                '</qti-test-part></qti-assessment-test>',
        ),
    );
    $zip->close(); // without a manifest: what is there is found
    $found = PackageContents::collect(
        WideQuarry\Interchange\Formats::standard(StandardKinds::all())
            ->for($source = new Source($file, 'test.zip'))
            ->read($source),
    );
    unlink($file);

    return $found;
}

$refs = fn (string $inside = '', string $attributes = ''): string => implode(
    '',
    array_map(
        fn (int $i): string => "<qti-assessment-item-ref identifier=\"r$i\" href=\"$i.xml\"".
            ($i === 1 ? $attributes : '').
            ">$inside</qti-assessment-item-ref>",
        [1, 2, 3, 4],
    ),
);

it("reads strangers' draws", function (string $section, array $picks, array $draws, array $losses): void {
    foreach (['plain', '2.1'] as $words) {
        $found = strangersTest($section, $words);
        $test = Assessment::read($found->assessments[0], StandardKinds::all());
        expect(count($test->picks()))
            ->toBe($picks[0])
            ->and(
                array_map(
                    fn ($draw): array => [
                        $draw->count,
                        count($draw->pool),
                        $draw->title,
                        (string) $draw->points(WideQuarry\Numbers\Exact::one()),
                    ],
                    $test->draws(),
                ),
            )
            ->toBe($draws)
            ->and(
                array_values(
                    array_map(
                        fn (Notice $notice): string => $notice->code,
                        array_filter($found->notices, fn (Notice $notice): bool => $notice->severity === 'loss'),
                    ),
                ),
            )
            ->toBe($losses);
    }
})->with([
    'two of four' => ['<qti-selection select="2"/>'.$refs(), [0], [[2, 4, '', '1']], []],
    'two of four at three points each' => [
        '<qti-selection select="2"/>'.$refs('<qti-weight identifier="W" value="3"/>'),
        [0],
        [[2, 4, '', '3']],
        [],
    ],
    'one that must be asked, and one of the others' => [
        '<qti-selection select="2"/>'.$refs('', ' required="true"'),
        [1],
        [[1, 3, '', '1']],
        [],
    ],
    'all there are' => ['<qti-selection select="4"/>'.$refs(), [4], [], []],
    'a section inside' => [
        '<qti-assessment-item-ref identifier="q" href="1.xml"/><qti-assessment-section identifier="d" title="Maps" visible="false">'.
            '<qti-selection select="1"/><qti-assessment-item-ref identifier="a" href="2.xml"/>'.
            '<qti-assessment-item-ref identifier="b" href="3.xml"/></qti-assessment-section>',
        [1],
        [[1, 2, 'Maps', '1']],
        [],
    ],
    'of sections, not questions' => [
        '<qti-selection select="1"/><qti-assessment-section identifier="x" title="X">'.
            '<qti-assessment-item-ref identifier="a" href="2.xml"/></qti-assessment-section>'.
            '<qti-assessment-section identifier="y" title="Y"><qti-assessment-item-ref identifier="b" href="3.xml"/>'.
            '</qti-assessment-section>',
        [2],
        [],
        ['qti.test_selection'],
    ],
    'again and again' => [
        '<qti-selection select="2" with-replacement="true"/>'.$refs(),
        [0],
        [[2, 4, '', '1']],
        ['qti.test_replacement'],
    ],
]);

it('sends a draw out as a selection, and reads it back', function (): void {
    $found = packedTest(
        false,
        fn (stdClass $test, PackageContents $content) => ($test->sections[0]->entries = [
            (object) ['id' => 'd1', 'title' => 'Either', 'draw' => 1, 'pool' => array_column($content->questions, 'id'), 'points' => 6],
        ]),
    );
    $draw = Assessment::read($found->assessments[0], StandardKinds::all())->draws()[0];
    expect([$draw->id, $draw->title, $draw->count, $draw->pool, (string) $draw->points(null)])->toBe([
        'd1',
        'Either',
        1,
        array_column($found->questions, 'id'),
        '6',
    ]);
});

it('sends out what keeps its place between shuffled questions, and reads it back', function (): void {
    $found = packedTest(false, function (stdClass $test): void {
        [$one, $other] = [$test->sections[0]->entries[0]->question, $test->sections[1]->entries[0]->question];
        $test->sections[0]->shuffle = true;
        $test->sections[0]->entries = [
            (object) ['id' => 'f1', 'question' => $one],
            (object) ['id' => 'f2', 'question' => $other, 'fixed' => true],
            (object) ['id' => 'd1', 'draw' => 1, 'pool' => [$one, $other], 'fixed' => true],
            (object) ['id' => 'f4', 'question' => $one],
        ];
    });
    $fixed = array_map(fn (stdClass $entry): bool => $entry->fixed ?? false, $found->assessments[0]->sections[0]->entries);
    expect($fixed)->toBe([false, true, true, false]);
});

it('sends settings out where QTI has a place for them, reads them back, and tells what is lost', function (): void {
    $change = function (stdClass $test): void {
        $test->run = (object) ['attempts' => (object) ['allowed' => 2], 'go_back' => false, 'cover' => '<p>Cover</p>'];
        $test->sections[0]->time_limit = 600;
        $test->sections[0]->shuffle = true;
        $test->sections[0]->override = (object) ['attempts' => (object) ['allowed' => null]];
        $test->sections[0]->entries[] = (object) [
            'id' => 'e3',
            'question' => $test->sections[1]->entries[0]->question,
            'override' => (object) ['attempts' => (object) ['allowed' => 5], 'tools' => (object) ['ruler' => true]],
            'place' => 'last',
        ];
        $test->sections[1]->weight = '2';
    };
    $found = packedTest(false, $change);
    $test = $found->assessments[0];
    expect([$test->run->attempts->allowed, $test->run->go_back, $test->sections[0]->time_limit])
        ->toBe([2, false, 600])
        ->and([$test->sections[0]->override->attempts->allowed, $test->sections[0]->entries[1]->override->attempts->allowed])
        ->toBe([null, 5])
        ->and([$test->sections[0]->entries[0]->place ?? 'anywhere', $test->sections[0]->entries[1]->place])
        ->toBe(['anywhere', 'last'])
        // the weight of a section is in the points of its questions
        ->and($test->sections[1]->entries[0]->points)
        ->toBe(6);
    $whole = packedTest(true, $change);
    expect($whole->assessments[0]->run->cover)->toBe('<p>Cover</p>');
});
