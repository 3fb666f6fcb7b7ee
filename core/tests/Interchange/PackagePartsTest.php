<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Interchange\DividedFormat;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Package\ZipWriter;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\PackagePart;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Tests\Support\Schemas;

/** Two assessments that share a question, and two questions that none asks. */
function twoTests(): PackageContents
{
    $content = new PackageContents;
    foreach (['choice', 'text', 'number', 'menu', 'order'] as $kind) {
        $content->questions[] = Schemas::example($kind)->valid;
    }
    foreach ([['Autumn test', [0, 1]], ['Spring test', [1, 2]]] as $n => [$title, $asked]) {
        $test = Assessment::fresh("0192f0c4-0000-7000-8000-0000000000b$n", $title);
        $test->sections[0]->entries = array_map(
            fn (int $i): stdClass => (object) ['id' => "e$i", 'question' => $content->questions[$i]->id],
            $asked,
        );
        $content->assessments[] = Json::decode(Json::encode($test));
    }

    return $content;
}

/** The package as another system would hand it on: without our copies beside the standard's files. */
function withoutOwnCopies(string $file): string
{
    $zip = new ZipArchive;
    $zip->open($file);
    for ($i = $zip->numFiles - 1; $i >= 0; $i--) {
        str_contains((string) $zip->getNameIndex($i), '.wide-quarry.json') && $zip->deleteIndex($i);
    }
    $zip->close();

    return $file;
}

/** @return list<PackagePart> */
function partsOf(string $file): array
{
    $format = Formats::standard(StandardKinds::all())->for(new Source($file, 'parts.zip'), Formats::QUESTIONS);
    assert($format instanceof DividedFormat);

    return $format->parts(new Source($file, 'parts.zip'))->parts;
}

/** @return array{ids: list<string>, assessments: list<string>} of what is read, all or the parts that are named */
function readParts(string $file, ?array $parts = null): array
{
    $format = Formats::standard(StandardKinds::all())->for(new Source($file, 'parts.zip'), Formats::QUESTIONS);
    assert($format instanceof DividedFormat);
    $source = new Source($file, 'parts.zip');
    if ($parts !== null) {
        $source = new Source($file, 'parts.zip', [], $format->parts($source)->choose($parts));
    }
    $found = PackageContents::collect($format->read($source));
    $ids = array_values(array_unique(array_column($found->questions, 'id'))); // one that two tests ask may be written twice
    sort($ids);

    return ['ids' => $ids, 'assessments' => array_column($found->assessments, 'title')];
}

it('reads one test of a package, with its questions as they are when all is read', function (string $name, bool $own): void {
    $file = (string) tempnam(sys_get_temp_dir(), 'parts');
    Formats::standard(StandardKinds::all())->named($name)?->write(twoTests(), $file);
    $file = $own ? $file : withoutOwnCopies($file);
    $all = readParts($file);
    $parts = partsOf($file);
    $found = [];
    foreach ($parts as $part) {
        $alone = readParts($file, [$part->id]);
        expect(array_diff($alone['ids'], $all['ids']))->toBe([], "$name: {$part->title}")
            ->and($alone['assessments'])->toBe($part->kind === 'quiz' ? [$part->title] : []);
        array_push($found, ...$alone['ids']);
    }
    $found = array_values(array_unique($found));
    sort($found);
    expect($found)->toBe($all['ids'])
        ->and(array_count_values(array_column($parts, 'kind'))['quiz'])->toBe(2)
        ->and(array_column($parts, 'title'))->toContain('Autumn test', 'Spring test');
    unlink($file);
})->with(['pack', 'qti12', 'qti21', 'qti22', 'qti30', 'cc13'])->with(['ours' => true, 'as of somebody else' => false]);

/** A cartridge with a bank, two quizzes of which one draws from it, and pages. */
function courseFile(): string
{
    $item = fn (string $id): string => "<item ident=\"$id\" title=\"$id\"><presentation><material><mattext>What is $id?"
        .'</mattext></material><response_str ident="r"><render_fib/></response_str></presentation></item>';
    $document = fn (string $inside): string => "<questestinterop>$inside</questestinterop>";
    $files = [
        'bank.xml' => $document('<objectbank ident="tides"><qtimetadata><qtimetadatafield><fieldlabel>bank_title</fieldlabel>'
            ."<fieldentry>Tides</fieldentry></qtimetadatafield></qtimetadata>{$item('b1')}{$item('b2')}{$item('b3')}</objectbank>"),
        'drawn.xml' => $document('<assessment ident="a1" title="Drawn"><section ident="s1"><selection_ordering><selection>'
            .'<sourcebank_ref>tides</sourcebank_ref><selection_number>2</selection_number></selection></selection_ordering></section>'
            .'</assessment>'),
        'plain.xml' => $document("<assessment ident=\"a2\" title=\"\"><section ident=\"s2\">{$item('p1')}{$item('b1')}</section>"
            .'</assessment>'),
        'page.html' => '<p>Read this.</p>',
        'imsmanifest.xml' => '<manifest><metadata><schema>IMS Common Cartridge</schema></metadata><organizations><organization><item>'
            .'<item><title>Week 2</title><item identifierref="R2"><title>Drawn</title></item>'
            .'<item identifierref="R3"><title>Shore quiz</title></item><item identifierref="R4"><title>Page</title></item></item>'
            .'</item></organization></organizations><resources>'
            .'<resource identifier="R1" type="imsqti_xmlv1p2/imscc_xmlv1p3/question-bank"><file href="bank.xml"/></resource>'
            .'<resource identifier="R2" type="imsqti_xmlv1p2/imscc_xmlv1p3/assessment"><file href="drawn.xml"/></resource>'
            .'<resource identifier="R3" type="imsqti_xmlv1p2/imscc_xmlv1p3/assessment"><file href="plain.xml"/></resource>'
            .'<resource identifier="R4" type="webcontent" href="page.html"><file href="page.html"/></resource></resources></manifest>',
    ];
    $file = (string) tempnam(sys_get_temp_dir(), 'course');
    $zip = new ZipWriter($file);
    foreach ($files as $name => $bytes) {
        $zip->add($name, $bytes);
    }
    $zip->close();

    return $file;
}

it('lists the parts of a course with their places, what they draw from, and what is not read', function (): void {
    $file = courseFile();
    $format = Formats::standard(StandardKinds::all())->for(new Source($file, 'course.imscc'), Formats::QUESTIONS);
    assert($format instanceof DividedFormat);
    expect(Json::decode(Json::encode($format->parts(new Source($file, 'course.imscc')))))->toEqual(Json::decode(Json::encode([
        'parts' => [
            ['id' => 'drawn.xml#1', 'kind' => 'quiz', 'title' => 'Drawn', 'questions' => 0, 'path' => ['Week 2'], 'needs' => ['bank.xml#1']],
            ['id' => 'plain.xml#1', 'kind' => 'quiz', 'title' => 'Shore quiz', 'questions' => 2, 'path' => ['Week 2'], 'needs' => []],
            ['id' => 'bank.xml#1', 'kind' => 'pool', 'title' => 'Tides', 'questions' => 3, 'path' => [], 'needs' => []],
        ],
        'others' => [['name' => 'web pages and files', 'count' => 1]],
    ])));
    unlink($file);
});

it('takes along the bank that a chosen quiz draws from', function (): void {
    $file = courseFile();
    expect(readParts($file, ['drawn.xml#1'])['assessments'])->toBe(['Drawn'])
        ->and(readParts($file, ['drawn.xml#1'])['ids'])->toHaveCount(3)
        ->and(readParts($file, ['plain.xml#1'])['ids'])->toHaveCount(2)
        ->and(fn (): array => readParts($file, ['page.html']))->toThrow(UnreadableFile::class, 'There is no part "page.html" in this file.')
        ->and(fn (): array => readParts($file, []))->toThrow(UnreadableFile::class, 'Choose at least one part to read.');
    unlink($file);
});

it('gives the same identifiers to what stands twice in a document, however much of it is read', function (): void {
    $item = '<item ident="same" title="Same"><presentation><material><mattext>What?</mattext></material>'
        .'<response_str ident="r"><render_fib/></response_str></presentation></item>';
    $file = (string) tempnam(sys_get_temp_dir(), 'parts');
    file_put_contents($file, "<questestinterop>$item<section title=\"One\">$item</section><section title=\"Two\">$item</section>"
        .'</questestinterop>');
    $all = readParts($file)['ids'];
    $parts = array_map(fn (string $part): array => readParts($file, [$part])['ids'], ['parts.zip#0', 'parts.zip#1', 'parts.zip#2']);
    $apart = array_merge(...$parts);
    sort($apart);
    expect(array_map(count(...), $parts))->toBe([1, 1, 1])->and($apart)->toBe($all);
    unlink($file);
});

it('takes along the stimuli of chosen questions with their pictures, and no others', function (string $name, bool $own): void {
    $content = twoTests();
    $picture = '<img data-media="m1" alt="A shore">';
    $bytes = (string) base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==');
    $content->media[] = Medium::of('m1', 'image/png', 'shore.png', $bytes);
    $content->stimuli[] = (object) [
        'id' => '0192f0c4-0000-7000-8000-0000000000c1', 'title' => 'The shore', 'language' => 'en', 'body' => "<p>Look. $picture</p>",
    ];
    $content->questions[0]->stimuli = [$content->stimuli[0]->id]; // in the autumn test alone
    $file = (string) tempnam(sys_get_temp_dir(), 'parts');
    Formats::standard(StandardKinds::all())->named($name)?->write($content, $file);
    $file = $own ? $file : withoutOwnCopies($file);
    $brought = function (string $title) use ($file): array {
        $part = array_values(array_filter(partsOf($file), fn (PackagePart $part): bool => $part->title === $title))[0];
        $format = Formats::standard(StandardKinds::all())->for(new Source($file, 'parts.zip'), Formats::QUESTIONS);
        assert($format instanceof DividedFormat);
        $choice = $format->parts(new Source($file, 'parts.zip'))->choose([$part->id]);
        $found = PackageContents::collect($format->read(new Source($file, 'parts.zip', [], $choice)));

        return [count($found->stimuli), count($found->media)];
    };
    expect($brought('Autumn test'))->toBe([1, 1])->and($brought('Spring test'))->toBe([0, 0]);
    unlink($file);
})->with(['pack', 'qti22', 'qti30'])->with(['ours' => true, 'as of somebody else' => false]);
