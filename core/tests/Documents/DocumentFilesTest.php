<?php

declare(strict_types=1);

use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Tests\Support\Typed;

const CHOICE = ['1. Which splits?', 'A. slate', 'B. chalk'];

/** Paragraphs with automatic numbers: `[text, list, level]`. */
function counted(array ...$paragraphs): string
{
    return implode('', array_map(fn (array $one): string => sprintf(
        '<w:p><w:pPr><w:numPr><w:ilvl w:val="%d"/><w:numId w:val="%d"/></w:numPr></w:pPr><w:r><w:t>%s</w:t></w:r></w:p>',
        $one[2],
        $one[1],
        $one[0],
    ), $paragraphs));
}

it('refuses what it cannot open, and says what to do', function (string $bytes, string $name, string $rule): void {
    try {
        Typed::read($bytes, $name);
        $said = 'nothing';
    } catch (UnreadableFile $problem) {
        $said = $problem->rule;
    }

    expect($said)->toBe($rule);
})->with([
    'encrypted' => ["\xD0\xCF\x11\xE0\xA1\xB1\x1A\xE1".mb_convert_encoding('EncryptedPackage', 'UTF-16LE'), 'x.docx', 'document.locked'],
    'of before 2007' => ["\xD0\xCF\x11\xE0\xA1\xB1\x1A\xE1WordDocument", 'x.doc', 'document.old'],
    'no DOCX' => [Typed::docx('<w:p>'), 'x.docx', 'xml.broken'],
    'without questions' => [Typed::docx(Typed::paragraphs('Dear class,', 'read chapter 3.')), 'x.docx', 'text.no_questions'],
    'empty' => ['', 'x.md', 'file.unknown_format'],
    'a ZIP that grows' => [
        Typed::docx('<w:p/>', ['word/media/a.xml' => str_repeat('a', 60_000_000)]),
        'x.docx',
        'package.compression_ratio',
    ],
    'an ODT with a password' => [
        Typed::zip([
            'mimetype' => 'application/vnd.oasis.opendocument.text',
            'META-INF/manifest.xml' => '<m:manifest xmlns:m="x"><m:encryption-data/></m:manifest>',
            'content.xml' => 'x',
        ]),
        'x.odt',
        'document.locked',
    ],
    'too long a text' => ["1. A?\nAnswer: x\n".str_repeat('word ', 1_100_000), 'x.txt', 'package.too_large'],
]);

it('keeps what a converter drops', function (string $body, array $keys): void {
    expect(Typed::keys(Typed::read(Typed::docx($body), 'x.docx')))->toBe($keys);
})->with([
    'highlighting' => [Typed::paragraphs(CHOICE[0], [CHOICE[1], '<w:highlight w:val="yellow"/>'], CHOICE[2]), ['choice: slate']],
    'shading' => [Typed::paragraphs(CHOICE[0], CHOICE[1], [CHOICE[2], '<w:shd w:val="clear" w:fill="FFFF00"/>']), ['choice: chalk']],
    'colour' => [Typed::paragraphs(CHOICE[0], CHOICE[1], [CHOICE[2], '<w:color w:val="FF0000"/>']), ['choice: chalk']],
    'colour that is the usual one' => [
        Typed::paragraphs(...array_map(fn (string $one): array => [$one, '<w:color w:val="FF0000"/>'], CHOICE)),
        ['choice: '],
    ],
    'tabs between options' => [
        '<w:p><w:r><w:t>1. Which splits?</w:t></w:r></w:p><w:p><w:r><w:t>A. slate</w:t><w:tab/><w:t>B. chalk</w:t></w:r></w:p>'.
            Typed::paragraphs('Answer: B'),
        ['choice: chalk'],
    ],
    'boxes to tick' => [
        Typed::paragraphs(CHOICE[0]).'<w:p><w:sdt><w:sdtPr><w14:checkbox><w14:checked w14:val="1"/></w14:checkbox></w:sdtPr><w:sdtContent>'.
            '<w:r><w:t>☒</w:t></w:r></w:sdtContent></w:sdt><w:r><w:t xml:space="preserve"> slate</w:t></w:r></w:p><w:p><w:sdt><w:sdtPr>'.
            '<w14:checkbox><w14:checked w14:val="0"/></w14:checkbox></w:sdtPr><w:sdtContent><w:r><w:t>☐</w:t></w:r></w:sdtContent></w:sdt>'.
            '<w:r><w:t xml:space="preserve"> chalk</w:t></w:r></w:p>',
        ['choice: slate'],
    ],
    'signs of a symbol font' => [
        Typed::paragraphs(CHOICE[0]).'<w:p><w:r><w:sym w:font="Wingdings" w:char="F0A8"/><w:t xml:space="preserve"> '.
            'slate</w:t></w:r></w:p>'.
            '<w:p><w:r><w:sym w:font="Wingdings" w:char="F0FE"/><w:t xml:space="preserve"> chalk</w:t></w:r></w:p>',
        ['choice: chalk'],
    ],
    'a list to choose from' => [
        '<w:p><w:r><w:t xml:space="preserve">1. Ice is </w:t></w:r><w:sdt><w:sdtPr><w:dropDownList><w:listItem '.
        'w:displayText="heavier" w:value="1"/>'.
            '<w:listItem w:displayText="lighter" '.
            'w:value="2"/></w:dropDownList></w:sdtPr><w:sdtContent><w:r><w:t>Choose</w:t></w:r></w:sdtContent>'.
            '</w:sdt><w:r><w:t xml:space="preserve"> than water.</w:t></w:r></w:p>'.Typed::paragraphs('Answer: lighter'),
        ['menu: lighter'],
    ],
    'a text box' => [
        '<w:p><w:r><w:t>1. Which splits?</w:t></w:r><w:r><w:pict><w:txbxContent>'.Typed::paragraphs('A. slate', 'B. chalk').
            '</w:txbxContent></w:pict></w:r></w:p>'.Typed::paragraphs('Answer: A'),
        ['choice: slate'],
    ],
    'words in smart tags' => [
        '<w:p><w:smartTag><w:r><w:t>1. Which splits?</w:t></w:r></w:smartTag></w:p>'.Typed::paragraphs('A. slate', 'B. chalk', 'Answer: A'),
        ['choice: slate'],
    ],
    'underlined blanks' => [
        '<w:p><w:r><w:t xml:space="preserve">1. Slate comes from </w:t></w:r><w:r><w:rPr><w:u '.
        'w:val="single"/></w:rPr><w:tab/><w:tab/></w:r></w:p>'.
            Typed::paragraphs('Answer: shale'),
        ['text: shale'],
    ],
    'a table in a table' => [
        Typed::paragraphs('1. Which splits?').'<w:tbl><w:tblGrid><w:gridCol/></w:tblGrid><w:tr><w:tc><w:tbl><w:tblGrid><w:gridCol/'.
            '></w:tblGrid><w:tr><w:tc>'.
            Typed::paragraphs('A. slate').'</w:tc></w:tr></w:tbl>'.Typed::paragraphs('B. chalk').'</w:tc></w:tr></w:tbl>'.Typed::paragraphs('Answer: A'),
        ['choice: slate'],
    ],
]);

it('counts as the word processor does', function (): void {
    $level = fn (int $at, string $format, string $text): string => "<w:lvl w:ilvl=\"$at\"><w:start w:val=\"1\"/>".
        "<w:numFmt w:val=\"$format\"/><w:lvlText w:val=\"$text\"/></w:lvl>";
    $numbering = '<w:numbering xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:abstractNum w:abstractNumId="0">'.
        $level(0, 'decimal', '%1.').$level(1, 'lowerLetter', '%2)').'</w:abstractNum><w:num w:numId="1"><w:abstractNumId '.
            'w:val="0"/></w:num>'.
        '<w:num w:numId="2"><w:abstractNumId w:val="0"/><w:lvlOverride w:ilvl="0"><w:startOverride '.
        'w:val="5"/></w:lvlOverride></w:num></w:numbering>';
    $body = counted(
        ['Which?', 1, 0],
        ['x', 1, 1],
        ['y', 1, 1],
        ['Which one?', 1, 0],
        ['x', 1, 1],
        ['y', 1, 1],
        ['And here?', 2, 0],
        ['x', 2, 1],
        ['y', 2, 1],
    ).
        Typed::paragraphs('Answers', '1. a', '2. b', '5. b');
    $found = Typed::read(Typed::docx($body, ['word/numbering.xml' => $numbering]), 'x.docx');

    expect(Typed::keys($found))->toBe(['choice: x', 'choice: y', 'choice: y'])
        ->and(array_map(fn (stdClass $one): string => $one->record->origin->fields->number, $found->questions))->toBe(['1', '2', '5'])
        ->and(Typed::notices($found))->toBe(['text.number_skipped 7']);
});

it('says what it left, and where', function (array $more, string $body, array $notices): void {
    expect(
        Typed::notices(Typed::read(Typed::docx($body === '' ? Typed::paragraphs(...CHOICE, ...['Answer: A']) : $body, $more), 'x.docx')),
    )->toBe($notices);
})->with([
    'headers and comments' => [
        [
            'word/header1.xml' => '<w:hdr xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main">'.Typed::paragraphs('Mid-term').'</w:hdr>',
            'word/comments.xml' => '<w:comments xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:comment>'.Typed::paragraphs('Too easy?').'</w:comment></w:comments>',
        ],
        '',
        ['document.header', 'document.comments'],
    ],
    'macros' => [['word/vbaProject.bin' => 'x'], '', ['document.macros']],
    'what is only linked' => [
        [
            'word/_rels/document.xml.rels' => '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/'.
            'relationships"><Relationship Id="r9" '.
            'Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/image" Target="http://127.0.0.1:9/x.png" '.
            'TargetMode="External"/></Relationships>',
        ],
        '',
        ['document.outside'],
    ],
    'changes that are taken as accepted' => [
        [],
        Typed::paragraphs('1. Which splits?', 'A. slate').'<w:p><w:del><w:r><w:delText>B. '.
            'clay</w:delText></w:r></w:del><w:ins><w:r><w:t>B. chalk</w:t></w:r></w:ins></w:p>'.Typed::paragraphs('Answer: B'),
        ['document.changes'],
    ],
    'numbers and heads of pages between options' => [
        [],
        Typed::paragraphs('1. Which splits?', 'A. slate', 'Page 1 of 2', 'B. chalk', 'Answer: B'),
        ['document.unused 3'],
    ],
    'a key for questions that are not there' => [[], Typed::paragraphs(...CHOICE, ...['Answers', '1. A', '7. B']), ['text.key_alone 6']],
    'a letter that is missing' => [[], Typed::paragraphs('1. Which?', 'A. x', 'B. y', 'D. z', 'Answer: D'), ['text.letter_skipped 2']],
]);

it('reads footnotes in the place they stand in', function (): void {
    $w = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"';
    $body = '<w:p><w:r><w:t>1. Which splits?</w:t></w:r><w:r><w:footnoteReference w:id="2"/></w:r></w:p>'.Typed::paragraphs('A. slate', 'B. chalk', 'Answer: A');
    $found = Typed::read(Typed::docx($body, [
        'word/footnotes.xml' => "<w:footnotes $w><w:footnote w:id=\"2\">".Typed::paragraphs('Into thin sheets.').'</w:footnote></w:footnotes>',
        'word/_rels/document.xml.rels' => '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/'.
        'relationships"><Relationship Id="r2" '.
        'Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/footnotes" Target="footnotes.xml"/></Relationships>',
    ]), 'x.docx');

    expect($found->questions)->toHaveCount(1)->and($found->questions[0]->body)->toContain('Into thin sheets.');
});

it('reads the numbers and colours of RTF', function (): void {
    $listed = fn (string $label, string $text): string => "{\\listtext\\pard\\plain $label\\tab}\\ls1\\ilvl0 $text\\par\n";
    $rtf = '{\\rtf1\\ansi{\\colortbl;\\red255\\green0\\blue0;}\\pard '.
        $listed('1.', 'Which splits?').$listed('a.', '{\\cf1 slate}').$listed('b.', 'chalk').
        $listed('3.', 'Which fizzes?').$listed('a.', 'slate').$listed('b.', '{\\cf1 chalk}').'}';
    $found = Typed::read($rtf, 'x.rtf');

    expect(Typed::keys($found))->toBe(['choice: slate', 'choice: chalk'])->and(Typed::notices($found))->toBe(['text.number_skipped 4']);
});

it('reads tables that only lay out', function (string $html, array $keys): void {
    expect(Typed::keys(Typed::read("<html><body>$html</body></html>", 'x.html')))->toBe($keys);
})->with([
    'questions in two columns' => [
        '<table><tr><td><p>1. Which one?</p><p>a) x</p><p><b>b) y</b></p></td><td><p>2. And here?</p><p><b>a) x</b></p><p>b) '.
        'y</p></td></tr></table>',
        ['choice: y', 'choice: x'],
    ],
    'letters in cells of their own' => [
        '<p>1. A?</p><table><tr><td>A</td><td>neon</td><td>B</td><td>iron</td></tr></table><p>Answer: B</p>',
        ['choice: iron'],
    ],
    'a side of numbers, a side of letters' => [
        '<p>Match each with its meaning.</p><table><tr><td>__ 1. atom</td><td>a. smallest</td></tr><tr><td>__ 2. ion</td><td>b. '.
        'charged</td></tr>'.
            '<tr><td>__ 3. mole</td><td>c. many</td></tr></table><p>Answers: 1. a 2. b 3. c</p>',
        ['choice: smallest', 'choice: charged', 'choice: many'],
    ],
    'figures stay a table' => [
        '<p>1. Which is hardest?</p><table><tr><td>1</td><td>talc</td><td>2.7</td><td>soft</td></tr><tr><td>2</td><td>ruby</'.
        'td><td>4.0</td><td>hard</td></tr></table>'.
            '<p>Answer: ruby</p>',
        ['text: ruby'],
    ],
]);

it('never runs, fetches or believes what a page says', function (): void {
    $html = '<html><body><script>alert(1)</script><p>1. Which?<img src="http://127.0.0.1:9/x.png" onerror="x()"></p><p>A. '.
        '<b>x</b></p><p>B. y</p>'.
        '<p>Answer: A</p><iframe src="file:///etc/passwd"></iframe></body></html>';
    $found = Typed::read($html, 'x.html');

    expect(json_encode($found->questions))->not->toContain('script')->not->toContain('onerror')->not->toContain('127.0.0.1')
        ->and(Typed::notices($found))->toBe(['document.picture']);
});

it('reads other encodings, and says so where it guesses', function (string $bytes, array $notices): void {
    $found = Typed::read($bytes);

    expect($found->questions[0]->body)->toContain('Café?')->and(Typed::notices($found))->toBe($notices);
})->with([
    'UTF-8 with a mark' => ["\xEF\xBB\xBF1. Café?\nAnswer: x", []],
    'UTF-16' => ["\xFF\xFE".mb_convert_encoding("1. Café?\nAnswer: x", 'UTF-16LE'), []],
    'Windows-1252' => ["1. Caf\xE9?\nAnswer: x", ['text.encoding']],
]);

it('recognises the habits of the benchmark', function (): void {
    $pool = json_decode((string) file_get_contents(__DIR__.'/../../../tests/Bench/Documents/questions.json'), true);
    $file = (string) tempnam(sys_get_temp_dir(), 'habit');
    foreach (Tests\Bench\Documents\Habits::all() as $i => $habit) {
        $exam = new Tests\Bench\Documents\TypedExam($habit, $pool, 100 + $i);
        Tests\Bench\Documents\Written::to("$file.$habit->format", $exam, $habit->format);
        expect(Tests\Bench\Documents\Judged::of($exam, "$file.$habit->format")->faults)->toBe([], $habit->name);
        unlink("$file.$habit->format");
    }
    unlink($file);
});
