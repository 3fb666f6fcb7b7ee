<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Interchange\Found;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\ZipWriter;
use WideQuarry\Interchange\Qti30\Qti30Format;
use WideQuarry\Interchange\Source;
use WideQuarry\Json\Json;
use WideQuarry\Parts\Parts;

/** A package of two questions and a test of both; without(…) leaves our own files out, as another system would. */
function packedTest(bool $own, ?callable $change = null): Found
{
    $content = new Found;
    foreach (['choice', 'text'] as $i => $name) {
        $question = Json::decode((string) file_get_contents(dirname(__DIR__, 2)."/schema/examples/$name.json"))->valid;
        $question->parts[0]->points = 3;
        $content->questions[] = $question;
    }
    $test = Assessment::fresh('0192f0c4-0000-7000-8000-0000000000aa', 'Unit "3" & more');
    $test->instructions = '<p>Use a pencil.</p>';
    $test->sections = [
        (object) ['id' => 's1', 'title' => 'First', 'instructions' => 'Read well.', 'entries' => [(object) ['id' => 'e1', 'question' => $content->questions[0]->id, 'points' => 1]]],
        (object) ['id' => 's2', 'title' => '', 'entries' => [(object) ['id' => 'e2', 'question' => $content->questions[1]->id]]],
    ];
    $change !== null && $change($test, $content);
    $content->assessments = [Json::decode(Json::encode($test))];
    $file = (string) tempnam(sys_get_temp_dir(), 'test');
    (new Qti30Format(Parts::standard()))->write($content, $file);
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
    $found = Found::collect((new Qti30Format(Parts::standard()))->read(new Source($file, 'test.zip')));
    unlink($file);

    return $found;
}

it('gives our own assessment back as it was', function (): void {
    $found = packedTest(true);
    expect($found->assessments)->toHaveCount(1)->and($found->assessments[0]->title)->toBe('Unit "3" & more')->and($found->assessments[0]->sections[0]->entries[0]->points)->toBe(1)->and($found->notices)->toBe([]);
});

it('reads a test that somebody else wrote: sections, instructions, order and points', function (): void {
    $found = packedTest(false);
    $test = Assessment::read($found->assessments[0], Parts::standard());

    expect($test->title)->toBe('Unit "3" & more')->and(array_map(fn ($section) => [$section->title, $section->instructions], $test->sections))->toBe([['First', '<p>Use a pencil.</p><p>Read well.</p>'], ['', '']])
        ->and(array_column($found->assessments[0]->sections[0]->entries, 'points'))->toBe([1])
        ->and(array_map(fn ($pick) => $pick->question, $test->picks()))->toBe(array_column($found->questions, 'id'))->and($found->assessments[0]->origin->identifier)->toBe('A-0192f0c4-0000-7000-8000-0000000000aa');
});

it('writes a question that is asked otherwise as an item of its own', function (): void {
    $found = packedTest(false, function (stdClass $test, Found $content): void {
        $test->sections[0]->entries[0]->variation = Json::copy($content->questions[0]);
        $test->sections[0]->entries[0]->variation->body = '<p>Only here?</p><div data-part="p1"></div>';
    });
    $asked = $found->assessments[0]->sections[0]->entries[0]->question;

    expect($found->questions)->toHaveCount(3)->and(array_values(array_filter($found->questions, fn ($q) => $q->id === $asked))[0]->body)->toContain('Only here?');
});

it('says what of a test could not come along', function (): void {
    $lost = packedTest(false, fn (stdClass $test) => $test->sections[1]->entries[] = (object) ['id' => 'e3', 'question' => '0192f0c4-0000-7000-8000-00000000dead']);
    expect($lost->assessments[0]->sections[1]->entries)->toHaveCount(1);

    $content = new Found;
    $file = (string) tempnam(sys_get_temp_dir(), 'test');
    $zip = new ZipWriter($file);
    $zip->add('t.xml', '<qti-assessment-test xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="t" title="T"><qti-test-part identifier="p"><qti-assessment-section identifier="s" title="S" visible="true"><qti-selection select="2"/><qti-ordering shuffle="true"/><qti-assessment-item-ref identifier="a" href="gone.xml"/></qti-assessment-section></qti-test-part></qti-assessment-test>');
    $zip->add('imsmanifest.xml', '<manifest xmlns="http://www.imsglobal.org/xsd/qti/qtiv3p0/imscp_v1p1"><resources><resource identifier="r" type="imsqti_test_xmlv3p0" href="t.xml"/></resources></manifest>');
    $zip->close();
    $found = Found::collect((new Qti30Format(Parts::standard()))->read(new Source($file, 'test.zip')));
    $said = implode("\n", array_map(fn (Notice $notice): string => $notice->message, $found->notices));
    expect($said)->toContain('draws 2 of its questions')->toContain('gone.xml')->and($found->assessments[0]->sections[0]->shuffle)->toBeTrue();
});
