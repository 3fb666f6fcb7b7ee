<?php

declare(strict_types=1);

use WideQuarry\Interchange\NoConverter;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\QuestionTable\Mapping\Heading;
use WideQuarry\Interchange\QuestionTable\QuestionTableFormat;
use WideQuarry\Interchange\QuestionTable\Rows\TableCorrections;
use WideQuarry\Interchange\QuestionTable\Sheets\CellAddress;
use WideQuarry\Interchange\QuestionTable\Sheets\TableType;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Tests\Support\Typed;

/** @return list<string> code and cell of each notice */
function cellNotices(PackageContents $found): array
{
    return array_map(fn (Notice $notice): string => trim(substr($notice->code, 6).' '.($notice->path ?? '')), $found->notices);
}

/** @return array<string, mixed> the mapping of the first sheet */
function mappingOf(PackageContents $found): array
{
    return json_decode((string) json_encode($found->tables[0]->mapping->sheets[0]), true);
}

/** @return list<string> what each column was taken for */
function meanings(PackageContents $found): array
{
    return array_column(mappingOf($found)['columns'], 'is');
}

/** A table with corrections, read as the intake does. */
function tableWith(string $csv, TableCorrections $corrections): PackageContents
{
    $file = (string) tempnam(sys_get_temp_dir(), 'table');
    file_put_contents($file, $csv);
    try {
        $source = new Source($file, 'table.csv');

        return PackageContents::collect((new QuestionTableFormat(new NoConverter, $corrections))->read($source));
    } finally {
        unlink($file);
    }
}

it('finds the key of a row, however the table says it', function (string $csv, array $keys): void {
    $found = Typed::read($csv, 'table.csv');
    expect(Typed::keys($found))->toBe($keys)->and(cellNotices($found))->toBe([]);
})->with([
    'by letter' => [
        "Question,A,B,C,Answer\nFloats?,pumice,slate,chalk,A\nMetals?,iron,neon,tin,\"A, C\"\n",
        ['choice: pumice', 'choice: iron, tin'],
    ],
    'letters run together' => [
        "Question,A,B,C,Answer\nMetals?,iron,neon,tin,AC\nGas?,iron,neon,tin,b\n",
        ['choice: iron, tin', 'choice: neon'],
    ],
    'by position' => [
        "Question,Option 1,Option 2,Option 3,Key\nFloats?,pumice,slate,chalk,1\nGas?,iron,neon,tin,2\n",
        ['choice: pumice', 'choice: neon'],
    ],
    'by position from nought' => [
        "question,choice1,choice2,choice3,answer\nFirst?,x,y,z,0\nLast?,x,y,z,2\nMiddle?,x,y,z,1\n",
        ['choice: x', 'choice: z', 'choice: y'],
    ],
    'by the words of the option, though they are numbers' => [
        "Question,A,B,C,Correct\n1+1?,1,2,3,2\n2+2?,3,4,5,4\n",
        ['choice: 2', 'choice: 4'],
    ],
    'a mark beside each option' => [
        "Question,A,A correct,B,B correct\nFloats?,pumice,x,slate,\nSinks?,pumice,,slate,x\n",
        ['choice: pumice', 'choice: slate'],
    ],
    'a column for each right answer' => [
        "Question,Correct answer 1,Correct answer 2,Wrong answer 1,Wrong answer 2\nMetals?,iron,tin,neon,\nGas?,neon,,iron,tin\n",
        ['choice: iron, tin', 'choice: neon'],
    ],
    'options in one cell' => [
        "Question,Options,Answer\nColour?,red|green|blue,green\nColours?,A) red B) green C) blue,\"A, B\"\n",
        ['choice: green', 'choice: red, green'],
    ],
    'a row for each option' => [
        "Question,Option,Correct\nFloats?,pumice,x\n,slate,\nMetals?,iron,1\nMetals?,neon,0\nMetals?,tin,1\n",
        ['choice: pumice', 'choice: iron, tin'],
    ],
    'letters typed before the options' => ["Question,1,2,Answer\nFloats?,A. pumice,B. slate,A\n", ['choice: pumice']],
    'true or false without options' => ["Statement,Answer\nSlate is hard.,true\nChalk is hard.,F\n", ['choice: True', 'text: F']],
    'true or false by its kind' => [
        "Type,Question,Answer\nTrue/False,Chalk is hard.,F\nT/F,Slate splits.,1\n",
        ['choice: False', 'choice: True'],
    ],
    'words with variants' => [
        "Question,Answer\nThe hardest mineral?,diamond | diamonds\nSpeed unit?,km/h\n",
        ['text: diamond/diamonds', 'text: km/h'],
    ],
    'numbers with tolerance and unit' => [
        "Question,Answer,Tolerance,Unit\nDensity?,2.65,0.05,g/cm³\nShare?,40,5%,\nWidth?,12 ± 2 m,,\n",
        ['number: 53/20±1/20', 'number: 40±5%', 'number: 12±2'],
    ],
    'a decimal comma' => ["Frage;Antwort;Punkte\nDichte?;2,65;1,5\nWie oft?;1.250;1\n", ['number: 53/20', 'number: 1250']],
    'gaps in a sentence' => ["Question,Answer\n\"____ floats on ____.\",\"ice; water\"\n", ['text: ice + text: water']],
    'pairs' => [
        "Kind,Question,A,B,C\nmatching,Match.,limestone = calcite,sandstone → quartz,→ halite\n",
        ['match: limestone=calcite, sandstone=quartz'],
    ],
    'pairs that nobody announced' => ["Question,Options\nMatch.,chalk = soft; slate = hard\n", ['match: chalk=soft, slate=hard']],
    'groups' => [
        "Type,Question,Options\ngrouping,Sort.,iron = metal; neon = gas; tin = metal\n",
        ['group: iron=metal, neon=gas, tin=metal'],
    ],
    'an order, as listed' => [
        "Type,Question,A,B,C\nordering,Oldest first.,Permian,Jurassic,Neogene\n",
        ['order: Permian=Jurassic=Neogene'],
    ],
    'an order by its key' => [
        "Type,Question,A,B,C,Key\nordering,Oldest first.,Neogene,Permian,Jurassic,\"B, C, A\"\n",
        ['order: Permian=Jurassic=Neogene'],
    ],
    'an essay' => ["Type,Question,Model answer\nessay,Explain how chalk forms.,Shells settle.\n", ['essay: ']],
]);

it('knows the headings of eight languages', function (string $heading, array $meanings): void {
    $found = array_map(fn (string $words): ?string => Heading::of($words)?->is->value, explode(';', $heading));
    expect($found)->toBe($meanings);
})->with([
    'English' => [
        'Question text;Option A;Correct answer;Points;Feedback;Difficulty',
        ['question', 'option', 'answer', 'points', 'feedback', 'difficulty'],
    ],
    'German' => [
        'Frage;Antwort A;Richtige Antwort;Punkte;Rückmeldung;Schwierigkeit',
        ['question', 'option', 'answer', 'points', 'feedback', 'difficulty'],
    ],
    'French' => [
        'Question;Réponse A;Bonne réponse;Barème;Explication;Difficulté',
        ['question', 'option', 'answer', 'points', 'feedback', 'difficulty'],
    ],
    'Spanish' => [
        'Pregunta;Opción A;Respuesta correcta;Puntos;Explicación;Dificultad',
        ['question', 'option', 'answer', 'points', 'feedback', 'difficulty'],
    ],
    'Italian' => [
        'Domanda;Risposta A;Risposta corretta;Punti;Spiegazione;Difficoltà',
        ['question', 'option', 'answer', 'points', 'feedback', 'difficulty'],
    ],
    'Dutch' => [
        'Vraag;Antwoord A;Juiste antwoord;Punten;Toelichting;Moeilijkheid',
        ['question', 'option', 'answer', 'points', 'feedback', 'difficulty'],
    ],
    'Polish' => [
        'Pytanie;Odpowiedź A;Prawidłowa odpowiedź;Punkty;Wyjaśnienie;Trudność',
        ['question', 'option', 'answer', 'points', 'feedback', 'difficulty'],
    ],
    'Portuguese' => [
        'Pergunta;Resposta A;Resposta correta;Pontos;Explicação;Dificuldade',
        ['question', 'option', 'answer', 'points', 'feedback', 'difficulty'],
    ],
    'of options' => ['Feedback B;Option 3 correct;Distractor 2;Right answer 1;Tags;Learning objective', [
        'option feedback', 'mark', 'wrong answer', 'right answer', 'tags', 'standard',
    ]],
]);

it('finds where the rows begin', function (string $csv, int $header, array $columns, int $questions): void {
    $found = Typed::read($csv, 'table.csv');
    expect(mappingOf($found)['header'])->toBe($header)
        ->and(meanings($found))->toBe($columns)
        ->and($found->questions)->toHaveCount($questions);
})->with([
    'below title lines' => [
        "Rock test,,,\nMade in May,,,\n,,,\nQuestion,A,B,Answer\nOne?,x,y,A\n",
        4,
        ['question', 'option', 'option', 'answer'],
        1,
    ],
    'below two rows of headings' => [
        "No,Question,Options,,Key\n,,A,B,\n1,One?,x,y,B\n",
        2,
        ['ignored', 'question', 'option', 'option', 'answer'],
        1,
    ],
    'without any heading' => [
        "Which rock floats on water?;pumice;granite;A;1\nWhich mineral is the hardest?;talc;diamond;B;2\nWhich planet is ".
        "red?;Mars;Venus;A;1\n",
        0,
        ['question', 'option', 'option', 'answer', 'points'],
        3,
    ],
    'after a line that names the separator' => [
        "sep=;\nQuestion;A;B;Answer\nOne, or two?;x;y;A\n",
        2,
        ['question', 'option', 'option', 'answer'],
        1,
    ],
    'between empty rows' => [
        "\n\nQuestion,A,B,Answer\n\n,,,\nOne?,x,y,A\n\nTwo?,x,y,B\n",
        3,
        ['question', 'option', 'option', 'answer'],
        2,
    ],
]);

it('reads whatever encoding', function (string $bytes, string $question): void {
    $found = Typed::read($bytes, 'table.csv');
    expect($found->questions[0]->body)->toContain($question);
})->with([
    'UTF-8 with a mark' => ["\xEF\xBB\xBFQuestion,Answer\nWie groß?,12\n", 'Wie groß?'],
    'UTF-16, little end first' => ["\xFF\xFE".mb_convert_encoding("Question\tAnswer\nWie groß?\t12\n", 'UTF-16LE', 'UTF-8'), 'Wie groß?'],
    'UTF-16, big end first' => ["\xFE\xFF".mb_convert_encoding("Question\tAnswer\nWie groß?\t12\n", 'UTF-16BE', 'UTF-8'), 'Wie groß?'],
    'Windows-1252 with a euro sign' => [
        mb_convert_encoding("Question;Answer\nPreis in € für Größe?;12\n", 'Windows-1252', 'UTF-8'),
        'Preis in € für Größe?',
    ],
]);

it('says what is wrong at its cell, and keeps the question', function (string $row, array $notices): void {
    $heading = 'ID,Type,Question,A,B,C,Answer,Points,Difficulty,Tolerance,Picture,Minutes,Language,Feedback B';
    $found = Typed::read("$heading\n$row\n", 'table.csv');
    expect(cellNotices($found))->toBe($notices)->and($found->questions)->toHaveCount(1);
    foreach ($found->notices as $notice) {
        expect($notice->message)->toMatch('/^\p{Lu}|^"/u')->and($notice->question)->toBe($found->questions[0]->id);
    }
})->with([
    'a key out of range' => ['1,choice,Q?,x,y,z,D,1,,,,,,', ['key_out_of_range G2']],
    'no key' => ['1,choice,Q?,x,y,z,,1,,,,,,', ['key_missing G2']],
    'an unknown kind' => ['1,riddle,Q?,x,y,z,A,1,,,,,,', ['kind_unknown B2']],
    'points in words' => ['1,choice,Q?,x,y,z,A,some,,,,,,', ['points_unknown H2']],
    'points that became a date' => ['1,choice,Q?,x,y,z,A,2027-04-03,,,,,,', ['points_are_date H2']],
    'a number that became a date' => ['1,number,Q?,,,,03-Apr,1,,,,,,', ['number_is_date G2']],
    'a number in words' => ['1,number,Q?,,,,several,1,,,,,,', ['number_unknown G2']],
    'neither true nor false' => ['1,t/f,Q?,,,,maybe,1,,,,,,', ['truth_unknown G2']],
    'an unknown difficulty' => ['1,choice,Q?,x,y,z,A,1,horrid,,,,,', ['difficulty_unknown I2']],
    'a tolerance in words' => ['1,number,Q?,,,,12,1,,some,,,,', ['tolerance_unknown J2']],
    'minutes in words' => ['1,choice,Q?,x,y,z,A,1,,,,long,,', ['minutes_unknown L2']],
    'an unknown language' => ['1,choice,Q?,x,y,z,A,1,,,,,Elvish,', ['language_unknown M2']],
    'a picture that is not there' => ['1,choice,Q?,x,y,z,A,1,,,rock.png,,,', ['picture_without_package K2']],
    'a picture in the network' => ['1,choice,Q?,x,y,z,A,1,,,https://example.org/rock.png,,,', ['picture_address K2']],
    'feedback of no option' => ['1,choice,Q?,x,,z,A,1,,,,,,why not', ['option_skipped E2', 'feedback_without_option N2']],
    'the same option twice' => ['1,choice,Q?,x,x,z,C,1,,,,,,', ['option_twice E2']],
    'one option' => ['1,choice,Q?,x,,,A,1,,,,,,', ['too_few_options D2']],
    'an option left out' => ['1,choice,Q?,x,,z,C,1,,,,,,', ['option_skipped E2']],
    'a formula without a value' => ['1,choice,Q?,x,y,z,#REF!,1,,,,,,', ['formula_error G2']],
    'more cells than headings' => ['1,choice,Q?,x,y,z,A,1,,,,,,,more', ['row_longer O2']],
    'a cell of 100,001 characters' => ['1,choice,'.str_repeat('long ', 20_001).',x,y,z,A,1,,,,,,', ['cell_long C2']],
    'pairs without a sign' => ['1,matching,Q?,x = y,z,,,1,,,,,,', ['pair_unknown E2']],
    'an order of other things' => ['1,ordering,Q?,x,y,z,"A, B, D",1,,,,,,', ['sequence_unknown G2']],
]);

it('names the row that asks nothing and the identifier that is there twice', function (): void {
    $found = Typed::read("ID,Question,A,B,Answer\n1,One?,x,y,A\n1,Two?,x,y,B\n3,,x,y,A\n", 'table.csv');
    expect(cellNotices($found))->toBe(['identifier_twice A3', 'no_question B4'])
        ->and(array_unique(array_column($found->questions, 'id')))->toHaveCount(2);
});

it('takes a quote that never closes as typed, and reads the rows behind it', function (string $csv, array $notices, int $questions): void {
    $found = Typed::read($csv, 'table.csv');
    expect(cellNotices($found))->toBe($notices)->and($found->questions)->toHaveCount($questions);
})->with([
    'to the end of the file' => ["Question,A,B,Key\nOne?,x,y,A\n\"Two?,x,y,B\nThree?,x,y,A\n", ['quote_open A3'], 3],
    'to the next stray quote' => [
        "Question,A,B,Key\n\"One?,x,y,A\n".str_repeat("More?,x,y,B\n", 40)."\"Last?,x,y,A\n",
        ['quote_open A2', 'quote_open A43'],
        42,
    ],
    'none of that: a long cell' => ["Question,A,B,Key\n\"One?".str_repeat("\na line", 60)."\",x,y,A\nTwo?,x,y,B\n", [], 2],
]);

it('reads the sheets of a workbook: values of formulas, dates as shown, merged cells, those that hold no questions left', function (
    string $extension,
): void {
    $table = 'urn:oasis:names:tc:opendocument:xmlns:';
    $text = fn (string $words): string => "<table:table-cell office:value-type=\"string\"><text:p>$words</text:p></table:table-cell>";
    $number = fn (string $value, string $more = ''): string => '<table:table-cell office:value-type="float" '.
        "office:value=\"$value\" $more><text:p>$value</text:p></table:table-cell>";
    $row = fn (string ...$cells): string => '<table:table-row>'.implode('', $cells).'</table:table-row>';
    $content = "<office:document-content xmlns:office=\"{$table}office:1.0\" xmlns:table=\"{$table}table:1.0\" ".
        "xmlns:text=\"{$table}text:1.0\" ".
        "xmlns:style=\"{$table}style:1.0\" xmlns:number=\"{$table}datastyle:1.0\" xmlns:of=\"{$table}of:1.2\" office:version=\"1.3\">".
        '<office:automatic-styles><number:date-style style:name="D"><number:day/><number:text>-</number:text><number:month '.
        'number:textual="true"/></number:date-style><style:style style:name="d" style:family="table-cell" style:data-style-name="D"/>'.
        '</office:automatic-styles><office:body><office:spreadsheet><table:table table:name="Rivers">'.
        $row($text('River test')).'<table:table-row table:number-rows-repeated="2"><table:table-cell/></table:table-row>'.
        $row(...array_map($text, ['Question', 'A', 'B', 'Answer', 'Points', 'Topic'])).
        $row(
            $text('2 + 3?'),
            $number('4'),
            $number('5', 'table:formula="of:=2+3"'),
            $text('B'),
            $number('1.5'),
            '<table:table-cell table:number-rows-spanned="2" office:value-type="string"><text:p>Sums</text:p></table:table-cell>',
        ).
        $row(
            $text('When?'),
            '<table:table-cell table:style-name="d" office:value-type="date" '.
            'office:date-value="2027-04-03"><text:p>3-Apr</text:p></table:table-cell>',
            $number('123456789012345'),
            $text('A'),
            $number('1'),
            '<table:covered-table-cell/>',
        ).
        '</table:table><table:table table:name="Notes">'.$row($text('Ask Ada.')).
        '</table:table></office:spreadsheet></office:body></office:document-content>';
    $manifest = "<manifest:manifest xmlns:manifest=\"{$table}manifest:1.0\"><manifest:file-entry manifest:full-path=\"/\" ".
        'manifest:media-type="application/vnd.oasis.opendocument.spreadsheet"/></manifest:manifest>';
    $bytes = Typed::zip([
        'mimetype' => 'application/vnd.oasis.opendocument.spreadsheet', 'content.xml' => $content, 'META-INF/manifest.xml' => $manifest,
    ]);
    if ($extension === 'xlsx') {
        $folder = sys_get_temp_dir().'/sheets-'.bin2hex(random_bytes(6));
        mkdir($folder);
        file_put_contents("$folder/a.ods", $bytes);
        exec("ssconvert $folder/a.ods $folder/a.xlsx 2>/dev/null");
        $bytes = (string) file_get_contents("$folder/a.xlsx");
        array_map(unlink(...), glob("$folder/*") ?: []);
        rmdir($folder);
    }
    $found = Typed::read($bytes, "rivers.$extension");
    expect(Typed::keys($found))->toBe(['choice: 5', 'choice: 3-Apr'])
        ->and($found->questions[1]->parts[0]->settings->options[1]->html)->toBe('123456789012345')
        ->and($found->questions[0]->parts[0]->points)->toBe(1.5)
        ->and($found->questions[1]->record->topics)->toBe([['Sums']])
        ->and(cellNotices($found))->toBe(['merged F5', 'sheet_not_read']);
})->with(['ods', 'xlsx']);

it('takes pictures by their names out of the package a table came in', function (): void {
    $picture = (string) base64_decode(
        'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
        true,
    );
    $found = Typed::read(Typed::zip([
        'quiz/table.csv' => "Question,A,B,Key,Image,Alt text\nWhat is it?,x,y,A,Rock.PNG,a rock\nAnd?,x,y,B,none.png,\n",
        'quiz/pictures/rock.png' => $picture,
    ]), 'quiz.zip');
    expect($found->media)->toHaveCount(1)
        ->and($found->questions[0]->body)->toContain('data-media="'.$found->media[0]->id.'" alt="a rock"')
        ->and(cellNotices($found))->toBe(['picture_missing E3']);
});

it('reads what is said of a question', function (): void {
    $found = Typed::read(
        "ID,Title,Question,A,B,Key,Topic,Standard,Tags,Difficulty,Hint 1,Hint 2,Feedback,Feedback A,Quiz,Author,Passage\n".
            'q-1,Floating,Floats?,pumice,slate,A,Rocks > Igneous; Water,"GEO.1, GEO.2","foam, gas",easy,Think.,Of foam.,It is light.,'.
            "Right.,Unit 1 > Rocks,Ada Fell,Stones sink.\n",
        'table.csv',
    );
    $question = $found->questions[0];
    $record = (array) $question->record;
    unset($record['origin']);
    expect($record)->toEqual([
        'topics' => [['Rocks', 'Igneous'], ['Water']],
        'standards' => [(object) ['framework' => '', 'code' => 'GEO.1'], (object) ['framework' => '', 'code' => 'GEO.2']],
        'tags' => ['foam', 'gas'], 'difficulty' => 2, 'author' => 'Ada Fell',
    ])
        ->and($question->title)->toBe('Floating')
        ->and($question->record->origin->identifier)->toBe('q-1')
        ->and(array_column($question->hints, 'html'))->toBe(['<p>Think.</p>', '<p>Of foam.</p>'])
        ->and($question->feedback->general->html)->toBe('<p>It is light.</p>')
        ->and($question->parts[0]->key->rules[0]->feedback->html)->toBe('<p>Right.</p>')
        ->and($found->stimuli[0]->body)->toBe('<p>Stones sink.</p>')
        ->and($question->stimuli)->toBe([$found->stimuli[0]->id])
        ->and(array_column($found->groups, 'title'))->toBe(['Unit 1', 'Rocks'])
        ->and($found->groups[1]->questions)->toBe([$question->id]);
});

it('gives shares of the points to options that are partly right', function (): void {
    $found = Typed::read(
        "Type,Question,A,A share,B,B share,C,C share\nmultiple response,Metals?,iron,50,tin,50%,neon,-50\n".
            "multiple choice,Nearly?,all,100,some,33.333,none,0\n",
        'table.csv',
    );
    expect(array_map(fn (stdClass $one): array => array_column($one->parts[0]->key->rules, 'credit'), $found->questions))
        ->toBe([['1/2', '1/2', '-1/2'], ['1', '1/3']]);
});

it('reads another table as it was told to, columns found by their headings', function (): void {
    $first = Typed::read("Question,A,B,Answer,Colour\nOne?,x,y,A,red\n", 'table.csv');
    $mapping = json_decode((string) json_encode($first->tables[0]->mapping));
    $mapping->sheets[0]->columns[4]->is = 'tags';
    $found = tableWith("Colour,Question,A,B,Answer\nblue,Two?,x,y,B\n", new TableCorrections($mapping));
    expect($found->questions[0]->record->tags)->toBe(['blue'])->and(Typed::keys($found))->toBe(['choice: y']);
});

it('guesses the columns below the heading it was told', function (): void {
    $mapping = json_decode('{"sheets":[{"sheet":"table","header":3,"columns":[]}]}');
    $found = tableWith("Question,A,B,Answer\nnone,of,these,A\nFrage,Antwort A,Antwort B,Richtig\nEins?,x,y,B\n", new TableCorrections($mapping));
    expect(Typed::keys($found))->toBe(['choice: y']);
});

it('refuses a mapping that says what there is not', function (array $change, string $path): void {
    $sheet = ['sheet' => 'x', 'header' => 1, 'columns' => [['column' => 'A', 'is' => 'question']]];
    $mapping = json_decode((string) json_encode(['sheets' => [array_replace_recursive($sheet, $change)]]));
    expect(fn () => tableWith("Question,Answer\nOne?,two\n", new TableCorrections($mapping)))
        ->toThrow(function (WideQuarry\Json\Malformed $problem) use ($path): void {
            expect($problem->path)->toBe($path);
        });
})->with([
    'a meaning' => [['columns' => [['is' => 'wisdom']]], '/sheets/0/columns/0/is'],
    'a column' => [['columns' => [['column' => '7']]], '/sheets/0/columns/0/column'],
    'a field' => [['colour' => 'red'], '/sheets/0/colour'],
    'a row' => [['header' => -1], '/sheets/0/header'],
]);

it('reads cells as they were corrected, and rows that were skipped not at all', function (): void {
    $csv = "Question,A,B,Answer\nOne?,x,y,C\n,x,y,A\nThree?,x,y,B\n";
    $found = tableWith($csv, new TableCorrections(cells: ['D2' => 'A'], skipped: ['3' => true]));
    expect(Typed::keys($found))->toBe(['choice: x', 'choice: y'])->and(cellNotices($found))->toBe([]);
});

it('gives the same table the same identities', function (): void {
    $ids = fn (string $csv): array => array_column(Typed::read($csv, 'table.csv')->questions, 'id');
    expect($ids("Question,A,B,Key\nOne?,x,y,A\nTwo?,x,y,B\n"))->toBe(array_reverse($ids("Question,A,B,Key\nTwo?,x,z,A\nOne?,x,y,A\n")))
        ->and($ids("ID,Question,A,B,Key\n7,One?,x,y,A\n"))->toBe($ids("ID,Question,A,B,Key\n7,Another?,x,y,A\n"));
});

it('says letters of columns both ways', function (int $column, string $letters): void {
    expect(CellAddress::letters($column))->toBe($letters)->and(CellAddress::column($letters))->toBe($column);
})->with([[0, 'A'], [25, 'Z'], [26, 'AA'], [51, 'AZ'], [52, 'BA'], [701, 'ZZ'], [702, 'AAA'], [16_383, 'XFD']]);

it('reads wide and long tables in bounded memory', function (): void {
    $wide = Typed::read('Question,A,B,Answer'.str_repeat(',more', 16_000)."\nOne?,x,y,A".str_repeat(',1', 16_000)."\n", 'table.csv');
    expect($wide->questions)->toHaveCount(1)->and(implode(' ', cellNotices($wide)))->toContain('too_wide KO1');
    $empty = Typed::read("Question,A,B,Answer\n".str_repeat(",,,\n", 300_000)."Last?,x,y,B\n", 'table.csv');
    expect($empty->questions)->toHaveCount(1)->and($empty->questions[0]->record->origin->fields->row)->toBe('300002');
});

it('leaves texts that only look like tables to others', function (string $text, string $name): void {
    $file = (string) tempnam(sys_get_temp_dir(), 'table');
    file_put_contents($file, $text);
    expect(TableType::of(new Source($file, $name)))->toBeNull();
    unlink($file);
})->with([
    'a typed exam' => ["1. Which rock floats, and why?\nA. pumice, of course\nB. slate\n", 'exam.txt'],
    'a typed exam with tabs' => ["1.\tWhich?\nA.\tone\nB.\ttwo\nC.\tthree\n", 'exam.txt'],
    'XML' => ["<?xml version=\"1.0\"?>\n<a>;;;</a>\n", 'table.csv'],
]);

it('says when a workbook cannot be read', function (): void {
    expect(fn () => Typed::read(Typed::zip(['xl/workbook.xml' => '<workbook/>', '[Content_Types].xml' => '<Types/>']), 'broken.xlsx'))
        ->toThrow(UnreadableFile::class);
});

/** @param  array<int, array<string, string>>  $rows  row → column → text */
function workbookOf(array $rows): string
{
    $office = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
    $package = 'http://schemas.openxmlformats.org/package/2006';
    $main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
    $type = 'application/vnd.openxmlformats-officedocument.spreadsheetml';
    $cells = '';
    foreach ($rows as $row => $texts) {
        $cells .= "<row r=\"$row\">".implode('', array_map(
            fn (string $column): string => "<c r=\"$column$row\" t=\"inlineStr\"><is><t>$texts[$column]</t></is></c>",
            array_keys($texts),
        )).'</row>';
    }

    return Typed::zip([
        '[Content_Types].xml' => "<Types xmlns=\"$package/content-types\"><Default Extension=\"rels\" ".
            'ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/>'.
            "<Override PartName=\"/xl/workbook.xml\" ContentType=\"$type.sheet.main+xml\"/><Override ".
            "PartName=\"/xl/worksheets/sheet1.xml\" ContentType=\"$type.worksheet+xml\"/></Types>",
        '_rels/.rels' => "<Relationships xmlns=\"$package/relationships\"><Relationship Id=\"r1\" Type=\"$office/officeDocument\" ".
            'Target="xl/workbook.xml"/></Relationships>',
        'xl/workbook.xml' => "<workbook xmlns=\"$main\" xmlns:r=\"$office\"><sheets><sheet name=\"S\" sheetId=\"1\" r:id=\"r1\"/></sheets></workbook>",
        'xl/_rels/workbook.xml.rels' => "<Relationships xmlns=\"$package/relationships\"><Relationship Id=\"r1\" ".
            "Type=\"$office/worksheet\" Target=\"worksheets/sheet1.xml\"/></Relationships>",
        'xl/worksheets/sheet1.xml' => "<worksheet xmlns=\"$main\"><sheetData>$cells</sheetData></worksheet>",
    ]);
}

it('reads a workbook of 16,384 columns, and refuses one that is endless both ways', function (): void {
    $heading = ['A' => 'Question', 'B' => 'A', 'C' => 'B', 'D' => 'Answer'];
    $row = ['A' => 'One?', 'B' => 'x', 'C' => 'y', 'D' => 'A'];
    $wide = Typed::read(workbookOf([1 => [...$heading, 'XFD' => 'far'], 2 => $row]), 'wide.xlsx');
    expect($wide->questions)->toHaveCount(1)->and(cellNotices($wide))->toBe(['too_wide KO1']);
    expect(fn () => Typed::read(workbookOf([1 => $heading, 2 => $row, 1_000_000 => ['XFD' => 'far']]), 'endless.xlsx'))
        ->toThrow(UnreadableFile::class, 'spans 1,000,000 rows');
});
