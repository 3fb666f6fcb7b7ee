<?php

declare(strict_types=1);

use App\Infrastructure\OfficePrograms;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\QuestionTable\Written\TableFile;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Tests\Support\Typed;

/**
 * @param  list<string>|null  $columns
 * @return array{string, list<Notice>} bytes and what was lost
 */
function writtenTable(PackageContents $content, string $type, ?array $columns = null): array
{
    $file = (string) tempnam(sys_get_temp_dir(), 'table');
    try {
        $format = Formats::standard(StandardKinds::all(), new OfficePrograms)->named($type);
        assert($format instanceof TableFile);
        $notices = ($columns === null ? $format : $format->choosing($columns))->write($content, $file);

        return [(string) file_get_contents($file), $notices];
    } finally {
        unlink($file);
    }
}

/** The questions of a table without where they came from. */
function bare(PackageContents $found): array
{
    return array_map(function (stdClass $json): array {
        $plain = (array) json_decode((string) json_encode(Question::read($json, StandardKinds::all())->toJson()), true);
        unset($plain['record']['origin'], $plain['id']);

        return $plain;
    }, $found->questions);
}

const TABLE = <<<'CSV'
    Type,Title,Question,A,Feedback A,B,Feedback B,C,Answer,Tolerance,Unit,Points,Hint 1,Hint 2,Feedback,Topic,Standard,Tags,Difficulty,Minutes,Quiz
    choice,Floating,Which rock floats?,pumice,Full of gas.,"granite, grey",,slate,A,,,1.5,Think.,Of foam.,It is light.,Rocks > Igneous,GEO.1,"foam; gas",2,1.5,Unit 1 > Rocks
    multiple response,,Metals?,iron,,tin,,neon,"A, B",,,2,,,,Chemistry,,"one, and the same;",,,Unit 2
    true or false,,Slate is hard.,,,,,,true,,,1,,,,,,,,,
    short text,,The hardest is ____.,,,,,,diamond | diamonds,,,1,,,,,,,,,
    short text,,Speed?,,,,,,"a / b
    ",,,1,,,,,,,,,
    number,,Density?,,,,,,2.65 ± 0.05,,g/cm³,1,,,,,,,,,
    number,,Between?,,,,,,1 to 2,,,1,,,,,,,,,
    short text,,____ floats on ____.,,,,,,"ice
    water | brine",,,2,,,,,,,,,
    matching,,Match.,a = b → c,,limestone = calcite,,→ halite,,,,3,,,,,,,,,
    grouping,,Sort.,iron = metal,,neon = gas,,tin = metal,,,,3,,,,,,,,,
    ordering,,Oldest first.,Permian,,Jurassic,,Neogene,,,,2,,,,,,,,,
    long answer,,Explain <b>chalk</b>.,,,,,,,,,4,,,,,,,,,
    choice,,Write 5 &lt; 6 as <i>HTML</i>.,&lt;b&gt;,,=1+1,,@x,B,,,1,,,,,,,,,
    choice,,"Two lines
    of it.

    And a paragraph.",-5,,+7,,-x,A,,,1,,,,,,,,,
    CSV;

it('writes what it reads back the same', function (string $type): void {
    $found = Typed::read(preg_replace('/^ {4}/m', '', TABLE), 'table.csv');
    expect(array_map(fn (Notice $one): string => "$one->code $one->path", $found->notices))->toBe([])
        ->and($found->questions)->toHaveCount(14);
    [$bytes, $notices] = writtenTable($found, $type);
    $again = Typed::read($bytes, "table.$type");
    expect($notices)->toBe([])
        ->and($again->notices)->toBe([])
        ->and(bare($again))->toEqual(bare($found))
        ->and(array_column($again->questions, 'id'))->toBe(array_column($found->questions, 'id'))
        ->and(array_column($again->groups, 'title'))->toBe(array_column($found->groups, 'title'))
        ->and(writtenTable($found, $type)[0])->toBe($bytes);
})->with(['csv', 'xlsx']);

it('writes shares of options', function (): void {
    $found = Typed::read("Type,Question,A,A share,B,B share\nmultiple response,Metals?,iron,50,tin,33.333\n", 'table.csv');
    [$bytes] = writtenTable($found, 'csv');
    expect(bare(Typed::read($bytes, 'table.csv')))->toEqual(bare($found));
});

it('makes no cell a formula', function (string $start): void {
    $found = Typed::read("Question,A,B,Answer\n\"Q?\",plain,x,A\n", 'table.csv');
    $found->questions[0]->parts[0]->settings->options[0]->html = "{$start}cmd()";
    [$csv] = writtenTable($found, 'csv');
    [$xlsx] = writtenTable($found, 'xlsx');
    $rows = array_map(fn (string $line): array => str_getcsv($line, ',', '"', ''), explode("\r\n", trim($csv, "\u{FEFF}\r\n")));
    expect($rows[1])->toContain("'{$start}cmd()");
    $zip = new ZipArchive;
    $file = (string) tempnam(sys_get_temp_dir(), 'xlsx');
    file_put_contents($file, $xlsx);
    $zip->open($file);
    expect($zip->getFromName('xl/worksheets/sheet1.xml'))->not->toContain('<f>')->toContain(htmlspecialchars("{$start}cmd()", ENT_XML1));
    $zip->close();
    unlink($file);
})->with(['=', '+', '-', '@', "\u{2212}"]);

it('writes the columns that were chosen, and the question', function (): void {
    $found = Typed::read("Question,A,B,Answer,Topic,Points\nQ?,x,y,A,Rocks,2\n", 'table.csv');
    [$csv] = writtenTable($found, 'csv', ['topic', 'tags']);
    expect(trim($csv, "\u{FEFF}"))->toBe("Question,Topic,Tags\r\nQ?,Rocks,\r\n");
});

it('says what a table cannot hold', function (Closure $change, string $code): void {
    $found = Typed::read("Question,A,B,Answer\nQ?,x,y,A\n", 'table.csv');
    $change($found->questions[0], $found);
    expect(array_column(writtenTable($found, 'csv')[1], 'code'))->toBe([$code]);
})->with([
    'a slider, which comes as a number' => [
        fn (stdClass $q) => $q->parts[0] = (object) ['id' => 'p1', 'kind' => 'slider', 'points' => 1],
        'table.kind',
    ],
    'a highlighted text' => [
        fn (stdClass $q) => $q->parts[0] = (object) ['id' => 'p1', 'kind' => 'highlight', 'points' => 1],
        'table.kind',
    ],
    'two parts' => [
        function (stdClass $q): void {
            $q->parts[] = (object) [...(array) $q->parts[0], 'id' => 'p2'];
            $q->body .= '<div data-part="p2"></div>';
        },
        'table.kind',
    ],
    'a pattern as a key' => [
        function (stdClass $q): void {
            $q->parts = [
                json_decode(
                    '{"id":"p1","kind":"text","points":1,"key":{"rules":[{"id":"r1","on":{"answer":"shape","pattern":"a+"},"credit":"1"}]}}',
                ),
            ];
            $q->body = '<p>Q <span data-part="p1"></span></p>';
        },
        'table.key',
    ],
    'feedback for partly right answers' => [
        fn (stdClass $q) => $q->feedback = (object) ['partly' => (object) ['html' => '<p>Nearly.</p>']],
        'table.feedback',
    ],
    'a mark scheme' => [
        function (stdClass $q): void {
            $q->parts = [json_decode('{"id":"p1","kind":"essay","points":4,"scoring":{"scheme":"person"},"key":{"models":['.
                '{"id":"m1","html":"<p>One.</p>"},{"id":"m2","html":"<p>Two.</p>"}]}}')];
        },
        'table.rubric',
    ],
    'a picture' => [
        function (stdClass $q, PackageContents $all): void {
            $q->body = '<p><img data-media="m1" alt="a rock"></p>'.$q->body;
            $all->media[] = Medium::of('m1', 'image/png', 'rock.png', 'x');
        },
        'table.pictures',
    ],
]);

it('names pictures and their texts', function (): void {
    $found = Typed::read("Question,A,B,Answer\nQ?,x,y,A\n", 'table.csv');
    $found->questions[0]->body = '<p><img data-media="m1" alt="a &quot;rock&quot;"></p>'.$found->questions[0]->body;
    $found->media[] = Medium::of('m1', 'image/png', 'rock.png', 'x');
    expect(writtenTable($found, 'csv')[0])->toContain('rock.png,"a ""rock"""');
});

it('has a table to fill in for each kind, which is read without a word', function (string $name): void {
    $template = WideQuarry\Interchange\QuestionTable\Written\TableTemplate::of($name);
    foreach (['csv', 'xlsx'] as $type) {
        $found = Typed::read($template->bytes($type), "template.$type");
        expect($found->notices)->toBe([])->and(count($found->questions))->toBe($name === 'all' ? 9 : 1);
    }
})->with(['all', 'choice', 'several', 'true-false', 'text', 'number', 'matching', 'grouping', 'ordering', 'essay']);

it('keeps what a table does not say when it comes back', function (array $columns, string $change, array $expected): void {
    $original = json_decode('{"format":"wide-quarry/question","version":1,"id":"01890a5d-ac96-774b-bcce-b302099a8057","language":"en",'.
        '"title":"Splitting","body":"<p>Which splits?</p><div data-part=\"p1\"></div>","parts":[{"id":"p1","kind":"choice","points":1,'.
        '"settings":{"options":[{"id":"x","html":"slate","fixed":true},{"id":"y","html":"chalk"}],"max":1,"layout":"row"},'.
        '"key":{"rules":[{"id":"r1","on":"x","credit":"1","note":"why"}],"default":"0"}}],"feedback":{"general":{"html":"<p>Cleavage.</p>"}},'.
        '"record":{"tags":["rock"],"difficulty":2,"standards":[{"framework":"GEO","code":"1.2"}]}}');
    $content = new PackageContents;
    $content->questions = [$original];
    [$csv] = writtenTable($content, 'csv', $columns);
    $read = Typed::read(strtr($csv, json_decode($change, true)), 'table.csv')->questions[0];
    $kinds = StandardKinds::all();
    $merged = (new WideQuarry\Interchange\QuestionTable\Written\ReturnedRow($kinds))
        ->merged($original, $read, $read->record->origin->fields->columns);
    expect([
        $merged->parts == $original->parts,
        $merged->parts[0]->settings->options[1]->html,
        $merged->feedback->general->html ?? null,
        $merged->record->tags ?? null,
        $merged->record->standards,
        $merged->title,
    ])->toEqual([...$expected, $original->record->standards, 'Splitting']);
})->with([
    'unchanged' => [
        ['identifier', 'kind', 'title', 'option', 'answer', 'points', 'feedback', 'standard', 'tags'],
        '{}',
        [true, 'chalk', '<p>Cleavage.</p>', ['rock']],
    ],
    'another option' => [
        ['identifier', 'kind', 'title', 'option', 'answer', 'points', 'feedback', 'standard', 'tags'],
        '{"chalk":"marble"}',
        [false, 'marble', '<p>Cleavage.</p>', ['rock']],
    ],
    'other feedback and tags' => [
        ['identifier', 'kind', 'option', 'answer', 'points', 'feedback', 'tags'],
        '{"Cleavage.":"It cleaves.","rock":"stone"}',
        [true, 'chalk', '<p>It cleaves.</p>', ['stone']],
    ],
    'columns that were left out' => [['identifier', 'kind', 'option', 'answer'], '{}', [true, 'chalk', '<p>Cleavage.</p>', ['rock']]],
]);
