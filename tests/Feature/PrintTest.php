<?php

declare(strict_types=1);

use App\Actions\Assembly\PrintAssessment;
use App\Errors\Refused;
use App\Http\Files\FileName;
use App\Infrastructure\Sandbox;
use App\Models\Assessment;
use App\Storage\FileStore;
use App\Storage\MediaStore;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;
use Tests\Feature\World;
use WideQuarry\Interchange\Medium;
use WideQuarry\Json\Json;
use WideQuarry\Printing\PaperKind;

/** The words of a printed sheet, page by page. */
function pages(Assessment $assessment, World $world, string $which): array
{
    $made = app(PrintAssessment::class)->handle($assessment, $world->people['writer'], PaperKind::list($which) ?? []);
    $pdf = app(FileStore::class)->path((string) DB::table('prints')->where('id', $made['id'])->value('sha256'));
    $text = Process::run(['pdftotext', '-layout', $pdf, '-'])->output();
    $pages = explode("\f", rtrim($text, "\f"));
    expect($pages)->toHaveCount($made['pages']);

    return $pages;
}

it('prints a sheet and its key as pages', function (): void {
    $world = new World;
    $wide = Medium::of(
        'm-wide',
        'image/png',
        'wide.png',
        (string) base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', true),
    );
    app(MediaStore::class)->put($world->bank->id, $wide);
    $ids = [
        $world->question,
        $world->add(
            'A picture wider than the page',
            '<p>Look. <img data-media="m-wide" alt="wide" width="9000" height="20"/> Which?</p><div data-part="p1"></div>',
        ),
        $world->add('Markup', '<p>Is 2 &lt; 3 &amp; x<sup>2</sup> &gt; 1?</p><div data-part="p1"></div>'),
    ];
    for ($i = 1; $i <= 20; $i++) {
        $ids[] = $world->add("Q$i", "<p>Question of the long row, number $i?</p><div data-part=\"p1\"></div>");
    }
    $this->actingAs($world->people['writer']);
    $data = ask('POST', '/assessments', ['title' => 'Unit test “three”', 'bank' => 'rocks', 'questions' => $ids])->json('data');
    ask('PUT', "/assessments/{$data['id']}/print", ['settings' => ['school' => 'Fellmoor Schools', 'columns' => 1]])->assertStatus(204);
    $assessment = Assessment::query()->findOrFail($data['id']);
    $pages = pages($assessment, $world, 'learner');
    $all = implode("\n", $pages);

    expect($pages[0])
        ->toContain('Fellmoor Schools')
        ->toContain('Unit test “three”')
        ->toContain('Name')
        ->toContain('Page 1 of '.count($pages))
        ->and($all)
        ->toContain('Is 2 < 3 & x2 > 1?')
        ->toContain('23.')
        ->toContain('Question of the long row, number 20?')
        ->and($all)
        ->not->toContain('not in its bank');
    foreach ($pages as $page) {
        // a question is not torn apart
        expect(substr_count($page, 'Question of the long row'))->toBe(preg_match_all('/number \d+\?.*\n(?:\s*\n)*\s*A\./', $page));
    }
    $key = implode("\n", pages($assessment, $world, 'key'));
    expect($key)->toContain('Key')->not->toContain('Question of the long row')->toMatch('/1\.\s+[A-Z]\./');

    $again = app(PrintAssessment::class)->handle($assessment, $world->people['writer'], [PaperKind::Learner]);
    expect(DB::table('prints')->count())
        ->toBe(2)
        ->and($again['pages'])
        ->toBe(count($pages));
    expect(ask('GET', "/assessments/{$data['id']}/prints/{$again['id']}/pages/1")->headers->get('Content-Type'))->toBe('image/png');
});

it('rolls values and shuffles from the seed, and prints no key on the sheet', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $number = Json::decode((string) file_get_contents(base_path('core/schema/examples/number.json')))->valid;
    $number->variables = (object) [
        'list' => [(object) ['name' => 'mass', 'kind' => 'integer', 'from' => '50', 'to' => '70', 'step' => '2']],
    ];
    $id = $world->add('Varies', $number->body, ['parts' => $number->parts, 'variables' => $number->variables]);
    $data = ask('POST', '/assessments', ['title' => 'T', 'bank' => 'rocks', 'questions' => [$id]])->json('data');
    $sheet = function (int $seed, string $which) use ($data): string {
        ask('PUT', "/assessments/{$data['id']}/print", ['settings' => ['seed' => $seed]]);

        return ask('GET', "/assessments/{$data['id']}/sheet?which=$which")->json('html');
    };
    $masses = array_map(fn (int $seed): string => preg_match('/A sample of (\d+) g/', $sheet($seed, 'learner'), $m) === 1 ? $m[1] : '', [
        1,
        1,
        2,
        3,
        4,
        5,
    ]);
    expect($masses[0])
        ->toBe($masses[1])
        ->and(count(array_unique($masses)))
        ->toBeGreaterThan(1)
        ->and($sheet(1, 'learner'))
        ->not->toContain('±')
        ->and($sheet(1, 'key'))
        ->toContain((string) ((int) $masses[0] / 20));
});

it('prints what it can when a question is gone', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = $world->assessment();
    DB::table('questions')->delete();
    expect(
        ask('GET', "/assessments/$id/sheet")
            ->assertOk()
            ->json('html'),
    )->toContain('is not in its bank any more');
});

it('confines other programs', function (): void {
    $mark = 'a-'.bin2hex(random_bytes(8)).'.txt'; // others work beside this one
    expect(
        trim(
            Sandbox::run(
                ['a.txt' => 'in', $mark => ''],
                ['sh', '-c', 'cat a.txt; env > env.txt; cat env.txt > out.txt'],
                fn (string $folder): string => (string) file_get_contents("$folder/out.txt"),
            ),
        ),
    )
        ->not->toContain('APP_KEY')
        ->not->toContain('DB_')
        ->and(fn () => Sandbox::run([$mark => ''], ['sh', '-c', 'exit 3'], fn (): null => null))
        ->toThrow(Refused::class)
        ->and(glob(sys_get_temp_dir()."/quarry-confined-*/$mark") ?: [])
        ->toBe([]);
});

it('names files after titles of any script, and after the id where that leaves nothing', function (string $title, string $name): void {
    expect(FileName::of($title, '0192f0c4-5b7e-7000-8000-000000000001', '-key.pdf'))->toBe($name);
})->with([
    ['Rocks & minerals, unit 3', 'rocks-minerals-unit-3-key.pdf'],
    ['Η γεωλογία', 'e-geologia-key.pdf'],
    ['地質学', 'de-zhi-xue-key.pdf'],
    ['Ledový ø/ß', 'ledovy-o-ss-key.pdf'],
    ['★ !?', '0192f0c4-5b7e-key.pdf'],
    ['', '0192f0c4-5b7e-key.pdf'],
]);

it(
    'offers the title itself to browsers that can take it',
    fn () => expect(FileName::attachment('Γη 1/2', 'x', '.pdf'))->toBe(
        "attachment; filename=ge-1-2.pdf; filename*=utf-8''%CE%93%CE%B7%201%202.pdf",
    ),
);

it('prints several papers in one file, each with page numbers of its own, and the same as HTML', function (): void {
    $world = new World;
    $essay = $world->add('Meanders', '<p>Explain how a meander grows.</p><div data-part="p1"></div>', [
        'parts' => [
            [
                'id' => 'p1',
                'kind' => 'essay',
                'points' => 6,
                'settings' => ['lines' => 10],
                'key' => [
                    'rubric' => [
                        'criteria' => [
                            [
                                'id' => 'c1',
                                'title' => 'Process',
                                'levels' => [['id' => 'l1', 'points' => 6, 'html' => '<p>Both banks.</p>']],
                            ],
                        ],
                    ],
                    'models' => [
                        [
                            'id' => 'm1',
                            'html' => '<p>Water is <span data-remark="r1">fastest outside</span>.</p>',
                            'passages' => [['id' => 'r1', 'html' => '<p>Says where.</p>']],
                        ],
                    ],
                ],
            ],
        ],
    ]);
    $this->actingAs($world->people['writer']);
    $id = ask('POST', '/assessments', ['title' => 'Rivers', 'bank' => 'rocks', 'questions' => [$essay]])->json('data.id');
    $settings = ['spaces' => [['entry' => 'e1', 'as' => 'squared', 'lines' => 8]]];
    ask('PUT', "/assessments/$id/print", ['settings' => $settings])->assertStatus(204);
    $pages = pages(Assessment::query()->findOrFail($id), $world, 'learner,scheme,notes');
    expect($pages)->toHaveCount(3);
    foreach ([['Explain how'], ['Mark scheme', 'Both banks.'], ['Notes for markers', 'fastest outside', 'Says where.']] as $i => $words) {
        expect($pages[$i])->toContain('Page 1 of 1', ...$words);
    }
    $made = ask('POST', "/assessments/$id/prints", ['which' => 'scheme,notes'])->json('id');
    expect(ask('GET', "/assessments/$id/prints/$made")->headers->get('Content-Disposition'))->toContain('-scheme-notes.pdf');
    $html = ask('GET', "/assessments/$id/papers?which=learner,notes")->assertStatus(200);
    expect($html->headers->get('Content-Disposition'))->toContain('-notes.html')
        ->and($html->getContent())->toContain('Explain how a meander grows', 'Says where.', 'data:font/woff2')
        ->not->toContain('Both banks.');
    ask('POST', "/assessments/$id/prints", ['which' => 'everything'])->assertStatus(422);
});

it('writes the title into the foot of each page as it is', function (string $title, string $written): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = ask('POST', '/assessments', ['title' => $title, 'bank' => 'rocks'])->json('data.id');
    expect(ask('GET', "/assessments/$id/sheet?which=key")->json('html'))->toContain("content: \"$written – Key\"");
})->with([
    ['R&D', 'R\26 D'],
    ['"quoted"', '\22 quoted\22 '],
    ['</style><script>', '\3C \2F style\3E \3C script\3E '],
    ['Größe 5', 'Größe 5'],
]);

it('prints formulas in the type for them, a part of a picture as large as its author said, and names a recording', function (): void {
    $world = new World;
    $wide = Medium::of(
        'm-wide',
        'image/png',
        'wide.png',
        (string) base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', true),
    );
    app(MediaStore::class)->put($world->bank->id, $wide);
    $plain = $world->add('Plain', '<p>Which?</p><div data-part="p1"></div>');
    $rich = $world->add(
        'Rich',
        '<figure data-align="center"><img alt="A bed" data-media="m-wide" data-view="0 0 50 50 100 100" width="144"/>'.
            '<figcaption>At Fell Nab</figcaption></figure><p>Listen. <audio data-media="m-tide" title="Tides"></audio></p>'.
            '<p>So <math><semantics><mfrac><mi>m</mi><mi>V</mi></mfrac><annotation encoding="application/x-tex">\frac{m}{V}</annotation>'.
            '</semantics></math> it is.</p><div data-part="p1"></div>',
    );
    $this->actingAs($world->people['writer']);
    $sheet = function (string $question) use ($world): array {
        $id = ask('POST', '/assessments', ['title' => 'Sheet', 'bank' => 'rocks', 'questions' => [$question]])->json('data.id');
        $made = app(PrintAssessment::class)->handle(Assessment::query()->findOrFail($id), $world->people['writer'], [PaperKind::Learner]);
        $pdf = app(FileStore::class)->path((string) DB::table('prints')->where('id', $made['id'])->value('sha256'));

        return [
            Process::run(['pdffonts', $pdf])->output(),
            Process::run(['pdftotext', '-layout', $pdf, '-'])->output(),
            Process::run(['pdftocairo', '-svg', $pdf, '-'])->output(),
        ];
    };
    [$fonts, $text, $drawn] = $sheet($rich);

    expect($fonts)->toContain('STIXTwoMath')
        ->and($text)
        ->toContain('At Fell Nab')
        ->toContain('[sound: Tides]')
        ->not->toContain('frac')
        ->and($sheet($plain)[0])
        ->not->toContain('STIX');
    // 144 CSS pixels are 1.5 inches, 108 points: the box that cuts the picture
    preg_match_all('/<clipPath[^>]*>\s*<path[^>]*d="M ([\d.]+) ([\d.]+) L ([\d.]+) [\d.]+ L [\d.]+ ([\d.]+)/', $drawn, $boxes);
    [, $left, $top, $right, $bottom] = array_map(fn (array $numbers): array => array_map(floatval(...), $numbers), $boxes);
    $sizes = array_map(
        fn (float $left, float $top, float $right, float $bottom): array => [round($right - $left), round(abs($bottom - $top))],
        $left,
        $top,
        $right,
        $bottom,
    );
    expect($sizes)->toContain([108.0, 108.0]);
});

it('rolls each question for itself, keeps a roll, and says on paper which it is', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $varied = fn (string $name): array => ['variables' => ['list' => [
        ['name' => $name, 'kind' => 'integer', 'from' => '1', 'to' => '1000000'],
    ]]];
    $one = $world->add('One', '<p>Number <var data-value="a"></var></p><div data-part="p1"></div>', $varied('a'));
    $two = $world->add('Two', '<p>Number <var data-value="b"></var></p><div data-part="p1"></div>', $varied('b'));
    $questions = [$one, $two, $world->question];
    $id = ask('POST', '/assessments', ['title' => 'Rolled', 'bank' => 'rocks', 'questions' => $questions])->json('data.id');
    $rolls = fn (): array => ask('GET', "/assessments/$id/rolls")->assertOk()->json('data');
    $set = fn (array $settings) => ask('PUT', "/assessments/$id/print", ['settings' => $settings])->assertNoContent();
    $set(['seed' => 3]);
    $first = $rolls();
    expect(array_column($first, 'varies'))->toBe([true, true, false])->and(array_column($first, 'seed'))->toBe([3, 3, 3]);
    $set(['seed' => 4, 'rolls' => [['entry' => $first[0]['entry'], 'seed' => 3]], 'roll' => true]);
    $second = $rolls();
    expect($second[0]['values'])->toBe($first[0]['values'])->and($second[1]['values'])->not->toBe($first[1]['values'])
        ->and(array_column($second, 'kept'))->toBe([true, false, false]);
    $html = ask('GET', "/assessments/$id/sheet?which=learner")->json('html');
    expect($html)->toContain('Number '.$first[0]['values']['a'])->toContain('Number '.$second[1]['values']['b'])
        ->toContain('Roll 3.')->toContain('Roll 4.');
});

it('keeps on the page large pictures, wide tables, long words, options, formulas, and what is read from the right', function (): void {
    $world = new World;
    $canvas = imagecreatetruecolor(1200, 2700);
    imagefill($canvas, 0, 0, (int) imagecolorallocate($canvas, 255, 0, 0));
    ob_start();
    imagepng($canvas);
    $png = (string) ob_get_clean();
    app(MediaStore::class)->put($world->bank->id, Medium::of('m-tall', 'image/png', 'tall.png', $png));
    $cells = fn (string $tag, string $mark): string => implode('', array_map(fn (int $i): string => "<$tag>$mark$i</$tag>", range(1, 40)));
    $long = str_repeat('Conglomerate is a rock of rounded pebbles. ', 160);
    $sum = implode('<mo>+</mo>', array_map(fn (int $i): string => "<mi>x</mi><mn>$i</mn>", range(10, 60)));
    $choice = fn (array $texts): array => ['parts' => [[
        'id' => 'p1', 'kind' => 'choice', 'points' => 1,
        'settings' => ['options' => array_map(
            fn (string $text, int $i): array => ['id' => "o$i", 'html' => $text],
            $texts,
            array_keys($texts),
        )],
        'key' => ['rules' => [['id' => 'r1', 'on' => 'o0', 'credit' => '1']]],
    ]]];
    $ids = [
        $world->add('Picture', '<p>See</p><img data-media="m-tall" alt="A tall section"/><div data-part="p1"></div>'),
        $world->add('Table', "<table><tbody><tr>{$cells('td', 'c')}</tr></tbody></table><div data-part=\"p1\"></div>"),
        $world->add('Word', '<p>'.str_repeat('schist', 50).'</p><div data-part="p1"></div>', $choice([str_repeat('gneiss', 50), 'no'])),
        $world->add('Option', '<p>Which?</p><div data-part="p1"></div>', $choice([$long.'Ends here.', 'no'])),
        $world->add('Formula', "<p><math><mrow>$sum</mrow></math></p><div data-part=\"p1\"></div>"),
        $world->add('Arabic', '<p>ما هذا الصخر؟</p><div data-part="p1"></div>', ['language' => 'ar']),
        $world->add('Values', '<p>Slope {{a}}?</p><div data-part="p1"></div>', ['variables' => [
            'list' => [['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '9']], 'conditions' => ['a > 10'],
        ]]),
    ];
    $this->actingAs($world->people['writer']);
    $id = ask('POST', '/assessments', ['title' => 'Hard to print', 'bank' => 'rocks', 'questions' => $ids])->json('data.id');
    foreach ([1, 2] as $columns) {
        ask('PUT', "/assessments/$id/print", ['settings' => ['columns' => $columns]])->assertStatus(204);
        $made = ask('POST', "/assessments/$id/prints", ['which' => 'learner'])->assertOk()->json();
        $pdf = app(FileStore::class)->path((string) DB::table('prints')->where('id', $made['id'])->value('sha256'));
        $boxes = Process::run(['pdftotext', '-bbox', $pdf, '-'])->output();
        preg_match_all('~xMin="([\d.-]+)" yMin="[\d.-]+" xMax="([\d.]+)" yMax="([\d.]+)">([^<]*)<~', $boxes, $words, PREG_SET_ORDER);
        foreach ($words as [, $left, $right, $bottom, $word]) {
            expect((float) $left)->toBeGreaterThan(20.0, $word)
                ->and((float) $right)->toBeLessThan(595.0 - 20.0, $word)
                ->and((float) $bottom)->toBeLessThan(842.0 - 10.0, $word);
        }
        $text = Process::run(['pdftotext', $columns === 1 ? '-layout' : '-raw', $pdf, '-'])->output();
        expect(preg_replace('/\s+/', '', $text))
            ->toContain('Endshere.', 'c40', 'cannotbeshownyet', str_repeat('schist', 3), str_repeat('gneiss', 3));
        // and nothing lies over anything else: the question after the long option begins below it
        if ($columns === 1) {
            expect($text)->toMatch('/Ends here\.[\s\S]*^\f? *5\. /m');
        }
        expect(Process::run(['pdfimages', '-list', $pdf])->output())->toContain('image');
        // the option of two pages is told, and the picture that was made smaller
        expect(array_column($made['outline'][0]['entries'], 'shrunk'))->toBe([true, false, false, false, false, false, false]);
        $split = array_filter($made['outline'][0]['entries'], fn (array $entry): bool => $entry['to'] > $entry['page']);
        expect(array_column($split, 'entry'))->toContain(ask('GET', "/assessments/$id")->json('data.content.sections.0.entries.3.id'));
    }
    expect(ask('GET', "/assessments/$id/sheet?which=learner")->json('html'))->toContain('lang="ar" dir="rtl"');
});

it('puts what questions share on left pages, with its questions on the right, and counts the empty pages', function (): void {
    $world = new World;
    $stimuli = [$world->shared(), $world->shared()];
    $shared = fn (int $i, string $words): string => $world->add(
        "Q$words",
        "<p>$words?</p><div data-part=\"p1\"></div>",
        ['stimuli' => [$stimuli[$i]]],
    );
    $this->actingAs($world->people['writer']);
    $ids = [$world->add('First', '<p>Alone?</p><div data-part="p1"></div>'), $shared(0, 'Early'), $shared(0, 'Middle'), $shared(1, 'Late')];
    $id = ask('POST', '/assessments', ['title' => 'Facing', 'bank' => 'rocks', 'questions' => $ids])->json('data.id');
    ask('PUT', "/assessments/$id/print", ['settings' => ['stimuli' => 'facing']])->assertStatus(204);
    foreach (['learner', 'learner,key'] as $which) {
        $pages = pages(Assessment::query()->findOrFail($id), $world, $which);
        $with = fn (string $words): array => array_keys(array_filter($pages, fn (string $page): bool => str_contains($page, $words)));
        $all = count(array_filter($pages, fn (string $page): bool => ! str_contains($page, 'Key')));
        foreach ([['Early', 'Middle'], ['Late']] as $questions) {
            $at = $with("$questions[0]?")[0];
            // counted from 0, so that right pages are even; what is shared stands on the page before
            expect($at % 2)->toBe(0, "$which: $questions[0]")
                ->and($pages[$at - 1])->not->toContain('?')
                ->and($pages[$at])->toContain('Page '.($at + 1)." of $all", ...array_map(fn (string $one): string => "$one?", $questions));
        }
    }
});

it('can be read aloud: tagged, with headings, tables, alternative texts, outline, language and its fonts', function (): void {
    $world = new World;
    ob_start();
    imagepng(imagecreatetruecolor(60, 40));
    app(MediaStore::class)->put($world->bank->id, Medium::of('m-bed', 'image/png', 'bed.png', (string) ob_get_clean()));
    $body = '<p>Which?</p><p><img data-media="m-bed" alt="A bed of chalk" width="60"></p>'.
        '<table><tr><th scope="col">Bed</th></tr><tr><td>chalk</td></tr></table><div data-part="p1"></div>';
    $question = $world->add('Beds', $body, ['language' => 'de']);
    $this->actingAs($world->people['writer']);
    $id = ask('POST', '/assessments', ['title' => 'Beds', 'bank' => 'rocks', 'questions' => [$question]])->json('data.id');
    $print = ask('POST', "/assessments/$id/prints", ['which' => 'learner'])->assertOk()->json('id');
    $file = (string) tempnam(sys_get_temp_dir(), 'pdf');
    file_put_contents($file, $pdf = (string) ask('GET', "/assessments/$id/prints/$print")->getContent());
    $said = fn (string ...$command): string => Process::run([...$command, $file])->output();
    expect($said('pdfinfo'))->toMatch('/^Title: +Beds$/m')->toMatch('/^Tagged: +yes$/m');
    preg_match_all('/^ *(H1|H3|L|LI|Table|TH|Figure)\b/m', $said('pdfinfo', '-struct'), $tags);
    expect(array_diff(['H1', 'H3', 'Table', 'TH', 'Figure', 'L', 'LI'], $tags[1]))->toBe([]);
    $fonts = array_slice(explode("\n", trim($said('pdffonts'))), 2);
    expect($fonts)->not->toBe([]);
    foreach ($fonts as $font) {
        expect($font)->toMatch('/ yes +(yes|no) +(yes|no) +\d+ +\d+$/'); // embedded
    }
    unlink($file);
    // Poppler does not list these: they are read from the file (ISO 32000-1, 14.9.2 and 14.9.3)
    preg_match_all('/stream\r?\n(.*?)endstream/s', $pdf, $streams);
    $all = $pdf.implode('', array_map(fn (string $stream): string => (string) @gzuncompress(rtrim($stream, "\r\n")), $streams[1]));
    expect($all)->toContain('/Alt (A bed of chalk)', '/Outlines')->toMatch('~/Lang \((de|und)\)~');
});

it('finds the page that has a single line of a question', function (int $count, int $to, ?int $page): void {
    $world = new World;
    $options = array_map(fn (int $i): array => ['id' => "o$i", 'html' => "It was bed number $i, below the second ash."], range(1, $count));
    $question = $world->add('Beds', '<p>Which beds?</p><div data-part="p1"></div>', ['parts' => [[
        'id' => 'p1', 'kind' => 'choice', 'points' => 1, 'settings' => ['options' => $options],
        'key' => ['rules' => [['id' => 'r1', 'on' => 'o1', 'credit' => '1']]],
    ]]]);
    $this->actingAs($world->people['writer']);
    $id = ask('POST', '/assessments', ['title' => 'Beds', 'bank' => 'rocks', 'questions' => [$question]])->json('data.id');
    $entry = ask('POST', "/assessments/$id/prints", ['which' => 'learner'])->assertOk()->json('outline.0.entries.0');
    expect([$entry['page'], $entry['to'], $entry['single']])->toBe([2, $to, $page]);
})->with([
    'all on a page of its own' => [35, 2, null],
    'the last option goes over' => [36, 3, 3],
    'two of them do' => [37, 3, null],
]);
