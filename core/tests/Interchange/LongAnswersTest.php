<?php

declare(strict_types=1);

use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Tests\Support\LongAnswers;
use WideQuarry\Tests\Support\Packages;

/** An essay with everything that an essay can have. */
function fullEssay(array $settings = []): Question
{
    return LongAnswers::essay(null, 6, [
        'settings' => (object) [
            'lines' => 9,
            'format' => 'plain',
            'words' => ['min' => 80, 'max' => 200],
            'prompts' => ['<p>Where is it fastest?</p>', '<p>And the other side?</p>'],
            'start' => '<p>A meander grows because</p>',
            'spelling' => false,
            ...$settings,
        ],
        'key' => [
            'rubric' => LongAnswers::rubric(['html' => '<p>Mark the reason.</p>']),
            'models' => [
                [
                    'id' => 'm1',
                    'title' => 'Full',
                    'html' => '<p>The <span data-remark="r1">water is fast</span> outside.</p>',
                    'criteria' => ['process' => ['level' => 'full']],
                    'passages' => [['id' => 'r1', 'html' => '<p>Says why.</p>']],
                ],
            ],
        ],
    ]);
}

/** @return array{stdClass, list<string>} the question as it is read back, and the codes of what was lost */
function backFrom(string $format, Question $question, bool $isStranger): array
{
    $content = new PackageContents;
    $content->questions = [$question->toJson()];
    $file = (string) tempnam(sys_get_temp_dir(), 'long');
    $notices = Formats::standard(StandardKinds::all())->named($format)->write($content, $file);
    $zip = new ZipArchive;
    $zip->open($file);
    for ($i = $zip->numFiles - 1; $isStranger && $i >= 0; $i--) {
        str_contains((string) $zip->getNameIndex($i), '.wide-quarry.json') && $zip->deleteIndex($i);
    }
    $zip->close();
    $found = Packages::of($file);
    unlink($file);

    return [$found->questions[0], array_map(fn (Notice $notice): string => $notice->code, $notices)];
}

it('brings an essay back whole, its rubric and its example answers with it', function (string $format): void {
    [$back] = backFrom($format, fullEssay(), false);
    $part = fullEssay()->toJson()->parts[0];
    expect(Json::encode($back->parts[0]->key))->toBe(Json::encode($part->key))
        ->and(Json::encode($back->parts[0]->settings))
        ->toBe(Json::encode($part->settings));
})->with(['pack', 'qti30', 'qti22', 'qti21', 'qti12']);

it('gives a stranger an essay to mark by hand, with words for whoever marks it', function (string $format): void {
    [$back, $lost] = backFrom($format, fullEssay(), true);
    $part = $back->parts[0];
    expect($part->kind)->toBe('essay')
        ->and($part->points)->toBe(6)
        ->and($part->scoring->scheme)->toBe('person')
        ->and($back->body)->toContain('Explain how a meander grows.', 'Where is it fastest?', '<div data-part=')
        ->and($lost)->toContain('rubric.text');
    $told = json_encode($part->key, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    expect($told)->toContain('Mark the reason.', 'Erosion outside, deposition inside, and why.', 'water is fast', 'Says why.');
    if (str_starts_with($format, 'qti') && $format !== 'qti12') {
        expect((array) $part->settings->words)->toBe(['min' => 80, 'max' => 200])
            ->and([$part->settings->lines, $part->settings->spelling, $part->settings->start])
            ->toBe([9, false, '<p>A meander grows because</p>']);
    }
    if ($format === 'qti12') {
        expect([$part->settings->lines, count($part->key->models)])->toBe([9, 1]);
    }
})->with(['qti30', 'qti22', 'qti21', 'qti12', 'cc13']);

it('tells rich text from plain', function (string $format): void {
    expect(backFrom($format, fullEssay(['format' => 'rich']), true)[0]->parts[0]->settings->format)->toBe('rich');
})->with(['qti30', 'qti22', 'qti21']);

it('sends files to hand in as what a format knows of them', function (string $format, string $kind, array $codes): void {
    $question = LongAnswers::question([
        'id' => 'p1',
        'kind' => 'upload',
        'points' => 5,
        'settings' => ['types' => ['image/*', 'application/pdf'], 'size' => 5_000_000, 'count' => 2],
    ]);
    [$back, $lost] = backFrom($format, $question, true);
    expect([$back->parts[0]->kind, $back->parts[0]->points, $lost])->toBe([$kind, 5, $codes]);
    if ($kind === 'upload') {
        expect((array) $back->parts[0]->settings)->toEqualCanonicalizing([
            'types' => ['image/*', 'application/pdf'],
            'size' => 5_000_000,
            'count' => 2,
        ]);
    }
})->with([
    'QTI 3.0' => ['qti30', 'upload', ['upload.count']],
    'QTI 2.2' => ['qti22', 'upload', ['upload.count']],
    'QTI 2.1' => ['qti21', 'upload', ['upload.count']],
    'QTI 1.2.1' => ['qti12', 'essay', ['upload.text']],
    'Common Cartridge' => ['cc13', 'essay', ['upload.text']],
]);

it('reads a typed answer of several lines as a text where rules mark it, and as an essay where none do', function (): void {
    $item = fn (string $processing): string => '<qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="i" '.
        'title="T"><qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="string"><qti-correct-response>'.
        '<qti-value>slate</qti-value></qti-correct-response></qti-response-declaration><qti-outcome-declaration identifier="SCORE" '.
        'cardinality="single" base-type="float"/><qti-item-body><p>Say.</p><qti-extended-text-interaction response-identifier="RESPONSE" '.
        'expected-lines="6"/><qti-rubric-block view="scorer" use="scoring"><p>Accept shale.</p></qti-rubric-block></qti-item-body>'.
        "$processing</qti-assessment-item>";
    $template = '<qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml"/>';
    $marked = readItem($item($template))->questions[0];
    $bare = readItem(str_replace(
        '<qti-correct-response><qti-value>slate</qti-value></qti-correct-response>',
        '',
        $item(''),
    ))->questions[0];
    expect($bare->parts[0]->kind)->toBe('essay')
        ->and($bare->parts[0]->settings->lines)->toBe(6)
        ->and($bare->parts[0]->key->rubric->html)->toBe('<p>Accept shale.</p>')
        ->and($bare->record->origin->processing ?? null)->toBeNull()
        ->and($marked->parts[0]->kind)->not->toBe('essay');
});
