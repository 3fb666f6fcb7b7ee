<?php

declare(strict_types=1);

use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\Limits;
use WideQuarry\Interchange\Package\SafeXml;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Parts\StandardKinds;

/** A package made on the spot. @param  array<string, string>  $entries */
function package(array $entries, ?callable $then = null): string
{
    $file = (string) tempnam(sys_get_temp_dir(), 'pkg');
    $zip = new ZipArchive;
    $zip->open($file, ZipArchive::OVERWRITE);
    foreach ($entries as $name => $bytes) {
        $zip->addFromString($name, $bytes);
    }
    $then && $then($zip);
    $zip->close();

    return $file;
}

/** The bytes of a file changed after it was made. */
function tampered(string $file, callable $change): string
{
    file_put_contents($file, $change((string) file_get_contents($file)));

    return $file;
}

$item =
    '<?xml version="1.0"?><qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="i" title="t">'.
        '<qti-item-body><p>x</p></qti-item-body></qti-assessment-item>';
$manifest = fn (string ...$hrefs): string => '<manifest xmlns="http://www.imsglobal.org/xsd/qti/qtiv3p0/imscp_v1p1"><resources>'.
    implode(
        '',
        array_map(fn (string $href): string => "<resource identifier=\"r\" type=\"imsqti_item_xmlv3p0\" href=\"$href\"/>", $hrefs),
    ).
    '</resources></manifest>';

it('refuses packages that must not be opened', function (Closure $make, string $rule): void {
    $file = $make();
    try {
        SafeZip::open($file, new Limits(entries: 50, bytes: 30_000_000, entryBytes: 20_000_000));
        test()->fail('It was opened.');
    } catch (UnreadableFile $problem) {
        expect($problem->rule)->toBe($rule);
    } finally {
        unlink($file);
    }
})->with([
    'a path that climbs out' => [fn (): string => package(['../../etc/cron.d/x' => 'x']), 'package.path_escape'],
    'a path that climbs out from inside' => [fn (): string => package(['a/../../x' => 'x']), 'package.path_escape'],
    'a path with backslashes' => [fn (): string => package(['..\\x' => 'x']), 'package.path_escape'],
    'an absolute name' => [fn (): string => package(['/etc/passwd' => 'x']), 'package.absolute_name'],
    'a drive' => [fn (): string => package(['C:/x' => 'x']), 'package.absolute_name'],
    'a link' => [
        fn (): string => package(
            ['l' => '/etc/passwd'],
            fn (ZipArchive $zip) => $zip->setExternalAttributesName('l', ZipArchive::OPSYS_UNIX, 0120777 << 16),
        ),
        'package.link',
    ],
    'a device' => [
        fn (): string => package(
            ['d' => ''],
            fn (ZipArchive $zip) => $zip->setExternalAttributesName('d', ZipArchive::OPSYS_UNIX, 0020666 << 16),
        ),
        'package.link',
    ],
    'an encrypted entry' => [
        fn (): string => package(['s' => 'secret'], fn (ZipArchive $zip) => $zip->setEncryptionName('s', ZipArchive::EM_AES_256, 'x')),
        'package.encrypted',
    ],
    'too many entries' => [
        fn (): string => package(array_fill_keys(array_map(fn (int $i): string => "f$i", range(1, 60)), 'x')),
        'package.too_many_entries',
    ],
    'too many folders in one another' => [fn (): string => package([str_repeat('d/', 30).'f' => 'x']), 'package.too_deep'],
    'packed far too tight' => [fn (): string => package(['bomb' => str_repeat("\0", 10_000_000)]), 'package.compression_ratio'],
    'one entry too large' => [fn (): string => package(['big' => random_bytes(1000).str_repeat('x', 25_000_000)]), 'package.too_large'],
    'too large together' => [
        fn (): string => package(array_fill_keys(['a', 'b', 'c', 'd'], random_bytes(9_000_000))),
        'package.too_large',
    ],
    'cut off' => [
        fn (): string => tampered(package(['a' => random_bytes(5000)]), fn (string $bytes): string => substr($bytes, 0, 3000)),
        'package.broken',
    ],
    'empty' => [fn (): string => (string) tempnam(sys_get_temp_dir(), 'pkg'), 'package.broken'],
]);

it('notices an entry whose bytes are not those that were packed', function (): void {
    $file = tampered(
        package(['a' => str_repeat('abcdefgh', 10)], fn (ZipArchive $zip) => $zip->setCompressionName('a', ZipArchive::CM_STORE)),
        fn (string $bytes): string => str_replace('abcdefghabc', 'abcdefghXXX', $bytes),
    );
    try {
        expect(fn () => SafeZip::open($file)->read('a'))->toThrow(UnreadableFile::class);
    } finally {
        unlink($file);
    }
});

it('refuses XML with ideas of its own', function (string $xml, string $rule): void {
    try {
        SafeXml::parse($xml, 'item.xml');
        test()->fail('It was parsed.');
    } catch (UnreadableFile $problem) {
        expect($problem->rule)->toBe($rule);
    }
})->with([
    'entity expansion' => ['<!DOCTYPE a [<!ENTITY b "bbbbbbbb"><!ENTITY c "&b;&b;&b;">]><a>&c;</a>', 'xml.doctype'],
    'an external entity' => ['<!DOCTYPE a [<!ENTITY x SYSTEM "file:///etc/passwd">]><a>&x;</a>', 'xml.doctype'],
    'a parameter entity' => ['<!DOCTYPE a [<!ENTITY % x SYSTEM "http://127.0.0.1:9/x"> %x;]><a/>', 'xml.doctype'],
    'the same in UTF-16' => [
        mb_convert_encoding("\u{FEFF}<!DOCTYPE a [<!ENTITY x SYSTEM \"file:///etc/passwd\">]><a>&x;</a>", 'UTF-16LE', 'UTF-8'),
        'xml.doctype',
    ],
    'an encoding that hides it' => ['<?xml version="1.0" encoding="UTF-7"?><a/>', 'xml.broken'],
    'not well-formed' => ['<a><b></a>', 'xml.broken'],
    'nothing' => ['', 'xml.broken'],
    'cut off' => ['<a><b>x', 'xml.broken'],
]);

it(
    'reads a document type that declares nothing',
    fn () => expect(SafeXml::parse('<!DOCTYPE a SYSTEM "a.dtd"><a>x</a>', 'x')->textContent)->toBe('x'),
);

it('mends what is wrong in many files, and says so', function (string $xml, string $text, string $code): void {
    $open = SafeXml::open($xml, 'item.xml');
    expect($open->root->textContent)
        ->toBe($text)
        ->and(array_map(fn (Notice $notice): string => $notice->code, $open->notices))
        ->toBe([$code]);
})->with([
    'two encodings in one' => [
        "<?xml version=\"1.0\" encoding=\"UTF-8\"?><a>caf\xe9 … na\u{EF}ve \x80\xe2\x82</a>",
        'café … naïve €â‚',
        'xml.encoding',
    ],
    'not the encoding it names' => ["<?xml version=\"1.0\" encoding=\"UTF-8\"?><a>caf\xe9</a>", 'café', 'xml.encoding'],
    'characters by their names in HTML' => ['<a>5&nbsp;km &eacute; &lt; &#233; &amp;</a>', "5\u{a0}km é < é &", 'xml.mended'],
    'a name nobody has' => ['<a>x &nosuchname; y</a>', 'x &nosuchname; y', 'xml.mended'],
    'an ampersand alone' => ['<a>Salt & sand R&D</a>', 'Salt & sand R&D', 'xml.mended'],
    'a control character' => ["<a>x\x0By</a>", 'xy', 'xml.mended'],
]);

it('leads no reference out of the package', function (string $href, ?string $path): void {
    expect(SafeZip::resolve('items/one.xml', $href))->toBe($path);
})->with([
    ['../media/a.png', 'media/a.png'],
    ['../../a', null],
    ['/etc/passwd', null],
    ['file:///etc/passwd', null],
    ['http://evil.example/a', null],
    ['%2e%2e/%2e%2e/a', null],
    ['b%20c.png?x#y', 'items/b c.png'],
]);

it('gives the good part of a half-good package and says what was left', function () use ($item, $manifest): void {
    $file = package(['imsmanifest.xml' => $manifest('a.xml', 'b.xml', 'gone.xml'), 'a.xml' => $item, 'b.xml' => '<broken>']);
    $found = PackageContents::collect(
        Formats::standard(StandardKinds::all())
            ->for($source = new Source($file, 'x.zip'))
            ->read($source),
    );
    unlink($file);

    expect($found->questions)
        ->toHaveCount(1)
        ->and(
            array_map(
                fn (Notice $notice): array => [$notice->code, $notice->file],
                array_values(array_filter($found->notices, fn (Notice $notice): bool => $notice->severity === 'problem')),
            ),
        )
        ->toBe([['package.missing', 'imsmanifest.xml'], ['xml.broken', 'b.xml']]);
});

it('takes bytes for what they are, not for what they are called', function () use ($manifest): void {
    $xml =
        '<qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="i" title="t"><qti-item-body>'.
            '<p>x<img src="a.png" alt="a"/></p></qti-item-body></qti-assessment-item>';
    $file = package(['imsmanifest.xml' => $manifest('i.xml'), 'i.xml' => $xml, 'a.png' => '<?php system("id");']);
    $found = PackageContents::collect(
        Formats::standard(StandardKinds::all())
            ->for($source = new Source($file, 'x.zip'))
            ->read($source),
    );
    unlink($file);

    expect($found->media)
        ->toBe([])
        ->and(array_map(fn (Notice $notice): string => $notice->code, $found->notices))
        ->toContain('media.kind');
});

it('refuses what is in no known format', function (string $bytes): void {
    $file = (string) tempnam(sys_get_temp_dir(), 'pkg');
    file_put_contents($file, $bytes);
    try {
        expect(fn () => Formats::standard(StandardKinds::all())->for(new Source($file, 'x')))->toThrow(UnreadableFile::class);
    } finally {
        unlink($file);
    }
})->with(['another XML' => ['<notes/>'], 'nothing' => ['']]);
