<?php

declare(strict_types=1);

use WideQuarry\Content\Reader;
use WideQuarry\Content\RichText;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Package\MediaLinks;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Tests\Support\Questions;

// What every format keeps of the content of texts when the package is read without our own files beside the items, as it would be by
// another system: kept in docs/kept-texts.json, which the help shows. QUARRY_WRITE=1 writes it anew.

const TEXT_FORMATS = ['qti30', 'qti22', 'qti21', 'qti12', 'cc13', 'pack'];

function lily(): Medium
{
    return Medium::of('m1', 'image/png', 'lily.png', (string) base64_decode(
        'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    ));
}

function tune(): Medium
{
    // RIFF, WAVE, one channel of 8 bits at 8 kHz, four samples
    $format = pack('VvvVVvv', 16, 1, 1, 8000, 8000, 1, 8);

    return Medium::of('m2', 'audio/wav', 'tune.wav', 'RIFF'.pack('V', 40).'WAVEfmt '.$format.'data'.pack('V', 4)."\x80\x90\x80\x70");
}

function captions(): Medium
{
    return Medium::of('m3', 'text/vtt', 'tune.vtt', "WEBVTT\n\n00:00:00.000 --> 00:00:01.000\nOne\n");
}

/** The body of a question after it was sent in a format and read again by a stranger. */
function bodyThere(string $html, string $format): string
{
    $formats = Formats::standard(StandardKinds::all());
    $content = new PackageContents;
    $content->media = [lily(), tune(), captions()];
    $content->questions = [
        Questions::of([Questions::choice(['a' => '1', 'b' => '0'])], ['body' => $html.'<div data-part="p1"></div>'])->toJson(),
    ];
    $file = (string) tempnam(sys_get_temp_dir(), 'content');
    $formats->named($format)->write($content, $file);
    $zip = new ZipArchive;
    $zip->open($file);
    for ($i = $zip->numFiles - 1; $format !== 'pack' && $i >= 0; $i--) {
        if (str_contains((string) $zip->getNameIndex($i), '.wide-quarry.json')) {
            $zip->deleteIndex($i);
        }
    }
    $zip->close();
    $found = PackageContents::collect($formats->for($source = new Source($file, 'content.zip'))->read($source));
    unlink($file);
    $names = [];
    foreach ($found->media as $medium) {
        $names[$medium->id] = ['image/png' => 'm1', 'audio/wav' => 'm2', 'text/vtt' => 'm3'][$medium->type] ?? '?';
    }
    $body = $found->questions[0]->body;
    assert(is_string($body));

    return (string) preg_replace('~<div data-part="[^"]*"></div>~', '', strtr($body, $names));
}

$pieces = [
    'picture' => '<p>See <img alt="A lily" data-media="m1" height="30" width="40"/> here.</p>',
    'figure' => '<figure><img alt="A lily" data-media="m1" width="40"/><figcaption>A <em>lily</em></figcaption></figure>',
    'align' => '<figure data-align="center"><img alt="A lily" data-media="m1"/></figure>',
    'view' => '<p><img alt="A lily" data-media="m1" data-view="0 0 5 5 10 10" width="40"/></p>',
    'recording' => '<p><audio data-media="m2"></audio></p>',
    'title' => '<p><audio data-media="m2" title="A tune"></audio></p>',
    'captions' => '<p><audio data-captions="m3" data-media="m2"></audio></p>',
    'transcript' => '<p><audio data-media="m2" data-transcript="One&#10;two"></audio></p>',
    'plays' => '<p><audio data-media="m2" data-plays="2"></audio></p>',
    'equation' => '<p>So <math><semantics><mfrac><mi>m</mi><mi>V</mi></mfrac>'.
        '<annotation encoding="application/x-tex">\\frac{m}{V}</annotation></semantics></math> it is.</p>',
    'table' => '<table><caption>Beds</caption><tbody><tr><th scope="col">a</th></tr>'.
        '<tr><td>1</td></tr></tbody></table>',
    'column' => '<table><tbody><tr><td data-colwidth="90">1</td><td>2</td></tr></tbody></table>',
    'rule' => '<p>a</p><hr/><p>b</p>',
    'blocks' => '<h3>a</h3><blockquote><p>b</p></blockquote><pre>c</pre>',
    'lists' => '<ol start="3" type="a"><li>a</li><li>b</li></ol>',
    'marks' => '<p><strong>a</strong> <em>b</em> <u>c</u> <s>d</s> '.
        '<sup>e</sup> <sub>f</sub> <code>g</code></p>',
    'links' => '<p><a href="https://ground.example/">a</a></p>',
    'language' => '<p>a <span dir="rtl" lang="ar">b</span></p>',
];

it('has pieces that are canonical', function () use ($pieces): void {
    foreach ($pieces as $html) {
        expect(RichText::read($html)->html())->toBe($html);
    }
});

it('keeps in every format what docs/kept-texts.json says', function () use ($pieces): void {
    $rows = [];
    foreach ($pieces as $name => $html) {
        $kept = array_map(fn (string $format): bool => bodyThere($html, $format) === $html, TEXT_FORMATS);
        $rows[] = ['what' => $name, 'in' => $kept];
    }
    $file = dirname(__DIR__, 3).'/docs/kept-texts.json';
    $written = Json::encode(['formats' => TEXT_FORMATS, 'rows' => $rows])."\n";
    getenv('QUARRY_WRITE') !== false && file_put_contents($file, $written);

    expect(is_file($file) ? (string) file_get_contents($file) : '')->toBe(
        $written,
        'docs/kept-texts.json is not what the formats do now. Run this test with QUARRY_WRITE=1, and look at what changed.',
    );
    foreach ($rows as $row) {
        expect($row['in'][5])->toBeTrue("our own package keeps $row[what]");
    }
});

it('shows recordings of others: the first of several sources, their captions, and never one that begins by itself', function (): void {
    $read = function (string $html): string {
        $document = new DOMDocument;
        $document->loadXML("<q>$html</q>");
        $root = $document->documentElement;
        assert($root instanceof DOMElement);
        $missing = MediaLinks::resolve($root, fn (string $href): ?Medium => match ($href) {
            'a.mp3' => tune(),
            'a.vtt' => captions(),
            default => null,
        });

        return Reader::ofDom($root)->html().' '.implode(',', array_column($missing, 0));
    };

    expect($read('<p><audio autoplay="autoplay" controls="controls"><source src="a.mp3"/><source src="b.ogg"/>'.
        '<track kind="captions" src="a.vtt"/><track kind="chapters" src="c.vtt"/></audio></p>'))
        ->toBe('<p><audio data-captions="m3" data-media="m2"></audio></p> ')
        ->and($read('<p><object data="a.mp3" type="audio/mpeg">A tune</object></p>'))
        ->toBe('<p><audio data-media="m2" title="A tune"></audio></p> ')
        ->and($read('<p>a<video src="gone.mp4"><track src="gone.vtt"/></video></p>'))
        ->toBe('<p>a</p> gone.vtt,gone.mp4');
});
