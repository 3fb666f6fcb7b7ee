<?php

declare(strict_types=1);

use WideQuarry\Content\RichText;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\Typed\KeySection;
use WideQuarry\Interchange\Typed\TypedFormat;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;

function typedFound(string $text): PackageContents
{
    $file = (string) tempnam(sys_get_temp_dir(), 'typed');
    file_put_contents($file, $text);
    $found = PackageContents::collect((new TypedFormat)->read(new Source($file, 'exam.txt')));
    unlink($file);

    return $found;
}

/** A question in one line: stem | what it takes | points. */
function told(stdClass $json): string
{
    $question = Question::read($json, StandardKinds::all());
    $parts = array_map(function ($part) use ($json): string {
        $raw = array_values(array_filter($json->parts, fn ($one) => $one->id === $part->id))[0];
        $on = array_map(
            fn ($rule) => is_string($rule->on)
                ? $rule->on
                : ($rule->on->answer === 'value'
                    ? $rule->on->value.(isset($rule->on->tolerance) ? '±'.$rule->on->tolerance->width : '')
                    : implode('/', $rule->on->text)),
            $raw->key->rules ?? [],
        );

        return $part->kindName.
            (isset($raw->settings->options)
                ? '['.implode(' ', array_map(fn ($o) => "$o->id:$o->html", $raw->settings->options)).']'
                : '').
            '='.
            implode(',', $on);
    }, $question->parts);

    return trim(str_replace("\n", ' ', RichText::read($question->body)->plain())).
        ' | '.
        implode(' ; ', $parts).
        ' | '.
        $question->points();
}

it('recognises questions as people type them', function (string $text, array $told): void {
    expect(array_map(told(...), typedFound($text)->questions))->toBe($told);
})->with([
    'letters and an answer line' => [
        "1. Which rock forms from lava?\nA. Granite\nB. Basalt\nC. Slate\nAnswer: B",
        ['Which rock forms from lava? | choice[a:Granite b:Basalt c:Slate]=b | 1'],
    ],
    'a key at the end, another style' => [
        "1) First?\n(a) x\n(b) y\n\n2) Second?\n(a) u\n(b) v\n(c) w\n\nAnswer key\n1 b\n2 a, c",
        ['First? | choice[a:x b:y]=b | 1', 'Second? | choice[a:u b:v c:w]=a,c | 1'],
    ],
    'a key in one line' => [
        "Q1. A?\na) x\nb) y\nQ2. B?\na) x\nb) y\nQ3. Slate splits.\nKey: 1 B 2 A 3 true",
        ['A? | choice[a:x b:y]=b | 1', 'B? | choice[a:x b:y]=a | 1', 'Slate splits. | choice[a:True b:False]=a | 1'],
    ],
    'options in one line' => ["1. Pick one.\nA. red   B. green   C. blue\nAns: C", ['Pick one. | choice[a:red b:green c:blue]=c | 1']],
    'options behind the question' => [
        "1. Hardest? A) talc B) quartz C) calcite\nAnswer: B",
        ['Hardest? | choice[a:talc b:quartz c:calcite]=b | 1'],
    ],
    'ticked boxes' => [
        "1. Which are igneous?\n☑ basalt\n☐ slate\n☑ granite",
        ['Which are igneous? | choice[a:basalt b:slate c:granite]=a,c | 1'],
    ],
    'a mark at the right one' => [
        "1. A?\nA. x\nB. y *\n2. B?\nA. *u\nB. v",
        ['A? | choice[a:x b:y]=b | 1', 'B? | choice[a:u b:v]=a | 1'],
    ],
    'points' => [
        "1. How? (2 marks)\nA. x\nB. y\nAnswer: A\n2. [3 pts] Why?\nAnswer: heat",
        ['How? | choice[a:x b:y]=a | 2', 'Why? … | text=heat | 3'],
    ],
    'true or false' => [
        "1. Slate is metamorphic. (True/False)\nAnswer: T\n2. Chalk is igneous.\nTrue\nFalse\nAnswer: false",
        ['Slate is metamorphic. | choice[a:True b:False]=a | 1', 'Chalk is igneous. | choice[a:True b:False]=b | 1'],
    ],
    'gaps' => [
        "1. Limestone is made of ____ and fizzes with ____.\nAnswer: calcite; acid / hydrochloric acid",
        ['Limestone is made of … and fizzes with …. | text=calcite ; text=acid/hydrochloric acid | 2'],
    ],
    'words with variants' => [
        "1. The twin of gabbro?\nAnswer: basalt / dolerite; diabase",
        ['The twin of gabbro? … | text=basalt/dolerite/diabase | 1'],
    ],
    'numbers with tolerance and unit' => [
        "1. Density of quartz?\nAnswer: 2.65 ± 0.05 g/cm3",
        ['Density of quartz? … g/cm3 | number=53/20±1/20 | 1'],
    ],
    'a stem of several lines, a blank line in it' => [
        "1. Look at the map.\nWhich way is north?\n\nA. up\nB. down\nAnswer: A",
        ['Look at the map. Which way is north? | choice[a:up b:down]=a | 1'],
    ],
    'a year at the start of a line is no number of a question' => [
        "1. In which year?\nA. 1906\n1912. was later\nB. 1915\nAnswer: A",
        ['In which year? | choice[a:1906 1912. was later b:1915]=a | 1'],
    ],
    'a line that goes on' => [
        "1. What is the top\nof a bed?\nLook twice.\nAnswer: yes",
        ['What is the top of a bed? Look twice. … | text=yes | 1'],
    ],
    'decimals are no numbers of questions' => [
        "1. Which is more,\n2.5 or 2.45?\nAnswer: 2.5",
        ['Which is more, 2.5 or 2.45? … | number=5/2 | 1'],
    ],
    'no answer: a person marks' => ['1. Explain the rock cycle.', ['Explain the rock cycle. | essay= | 1']],
    'markup is text' => ["1. Is 3 < 4 & \"<b>\" bold?\nAnswer: yes", ['Is 3 < 4 & "<b>" bold? … | text=yes | 1']],
    'a number that is skipped' => [
        "1. A?\nAnswer: x\n2. B?\nAnswer: y\n4. D?\nAnswer: z\n\n5 The Earth turns.\nAnswer: true",
        ['A? … | text=x | 1', 'B? … | text=y | 1', 'D? … | text=z | 1', 'The Earth turns. | choice[a:True b:False]=a | 1'],
    ],
    'many numbers that are skipped, and one that is doubled' => [
        "1. A?\nA. x\nB. y\nAnswer: A\n\n25. B?\nA. x\nB. y\nAnswer: B\n25. Which is it\nA. x\nB. y\nAnswer: A",
        ['A? | choice[a:x b:y]=a | 1', 'B? | choice[a:x b:y]=b | 1', 'Which is it | choice[a:x b:y]=a | 1'],
    ],
    'a numbered line in a stem that is not finished' => [
        "1. Line 40 of the log asks:\n40. Is it wet?\nWhat is the reply?\nAnswer: yes",
        ['Line 40 of the log asks: 40. Is it wet? What is the reply? … | text=yes | 1'],
    ],
    'a year at the end of an option' => [
        "1. When was it?\nA. in the summer of\n1912.\nB. later\nAnswer: A\n\n2. B?\nAnswer: x",
        ['When was it? | choice[a:in the summer of 1912. b:later]=a | 1', 'B? … | text=x | 1'],
    ],
    'numbers as options' => [
        "1. Which splits?\n1) slate\n2) chalk\n3) clay\nAnswer: 1\n2. Which fizzes?\n1) slate\n2) chalk\nAnswer: 2",
        ['Which splits? | choice[a:slate b:chalk c:clay]=a | 1', 'Which fizzes? | choice[a:slate b:chalk]=b | 1'],
    ],
    'a word among the letters of a key' => [
        "1. A?\nA. x\nB. y\n2. B?\nA. x\nB. y\n3. The middle line?\nAnswers: 1. A 2. B 3. Equator",
        ['A? | choice[a:x b:y]=a | 1', 'B? | choice[a:x b:y]=b | 1', 'The middle line? … | text=Equator | 1'],
    ],
    'a key without marks' => [
        "1. A?\nA. x\nB. y\n2. B?\nA. x\nB. y\nAnswers: 1 B, 2 a",
        ['A? | choice[a:x b:y]=b | 1', 'B? | choice[a:x b:y]=a | 1'],
    ],
    'one answer with two of them' => [
        "1. A?\nA. x\nB. y\n2. B?\nA. x\nB. y\nAnswer: 1 B, 2 A",
        ['A? | choice[a:x b:y]=b | 1', 'B? | choice[a:x b:y]=a | 1'],
    ],
    'a key without a heading' => [
        "1. A?\nA. x\nB. y\n2. B?\nA. x\nB. y\n\n1B 2A",
        ['A? | choice[a:x b:y]=b | 1', 'B? | choice[a:x b:y]=a | 1'],
    ],
    'a list of tasks' => [
        "1. Which are igneous?\n- [x] basalt\n- [ ] slate\n- [X] granite",
        ['Which are igneous? | choice[a:basalt b:slate c:granite]=a,c | 1'],
    ],
    'boxes behind letters' => [
        "1. Which is igneous?\nA. [ ] slate\nB. [x] basalt",
        ['Which is igneous? | choice[a:slate b:basalt]=b | 1'],
    ],
    'a tolerance with its unit' => ["1. How thick?\nAnswer: 12.5 m ± 0.5 m", ['How thick? … m | number=25/2±1/2 | 1']],
    'a year that begins a line, and one in the key' => [
        "1. A?\nA. x\nB. y\n\n1912. The map was drawn.\n2. B?\nKey\n1. A\n2. drawn in\n1912 by hand",
        ['A? | choice[a:x b:y]=a | 1', 'B? … | text=drawn in 1912 by hand | 1'],
    ],
    'a letter that is a name' => [
        "1. Who drew it?\nA. Wegener drew it in 1912.\nAnswer: Wegener",
        ['Who drew it? A. Wegener drew it in 1912. … | text=Wegener | 1'],
    ],
]);

it('says what is missing and what it left', function (string $text, string $severity, string $says): void {
    $messages = array_map(fn (Notice $notice): string => "$notice->severity: $notice->message", typedFound($text)->notices);

    expect(implode("\n", $messages))
        ->toContain("$severity: ")
        ->toContain($says);
})->with([
    'no answer' => ["1. A?\nA. x\nB. y", 'note', 'no option is right yet'],
    'an answer that names no option' => ["1. A?\nA. x\nB. y\nAnswer: E", 'note', 'The answer "E" names none of its options'],
    'a key without its question' => ["1. A?\nA. x\nB. y\nAnswers\n1 A\n7 B", 'loss', 'question 7'],
    'a number that is skipped' => ["1. A?\nAnswer: x\n2. B?\nAnswer: y\n5. C?\nAnswer: z", 'note', 'There are no questions 3 to 4.'],
    'many numbers that are skipped' => ["1. A?\nAnswer: x\n25. B?\nAnswer: y", 'note', 'There are no questions 2 to 24.'],
    'a number that is doubled' => ["1. A?\nAnswer: x\n1. B?\nAnswer: y", 'note', 'Another question has the number 1 already.'],
    'a heading nothing follows' => ["1. A?\nAnswer: x\n\nPart two", 'loss', '"Part two"'],
    'two headings' => ["Unit 3\n\nRocks\n\n1. A?\nAnswer: x", 'loss', '"Unit 3"'],
    'a line in the key that is no answer' => [
        "1. A?\n\nAnswer key\nAll answers are worth one mark.\n1 x",
        'loss',
        'All answers are worth one mark.',
    ],
    'boxes and an answer that differ' => ["1. A?\n☑ x\n☐ y\nAnswer: B", 'note', 'the answer "B" says otherwise'],
    'gaps and answers that do not fit' => ["1. ____ and ____.\nAnswer: one", 'note', '2 gaps but 1 answers'],
    'another encoding' => ["1. Caf\xE9?\nAnswer: yes", 'note', 'Windows-1252'],
]);

it('refuses a text without questions', function (): void {
    expect(fn () => typedFound("Dear class,\nplease read chapter 3."))->toThrow(
        WideQuarry\Interchange\UnreadableFile::class,
        'Number the questions',
    );
});

it('keeps headings as topics and groups, and instructions as stimuli', function (): void {
    $found = typedFound(
        "Rocks\n\n1. A?\nA. x\nB. y\nAnswer: A\n\nLook at the section below. It shows three beds.\n\n2. B?\nA. x\nB. y\nAnswer: ".
            "B\n\nMinerals\n\n1. C?\nAnswer: quartz",
    );

    expect(array_map(fn ($json) => $json->record->topics[0][0], $found->questions))
        ->toBe(['Rocks', 'Rocks', 'Minerals'])
        ->and(array_map(fn ($json) => count($json->stimuli ?? []), $found->questions))
        ->toBe([0, 1, 0])
        ->and($found->stimuli[0]->body)
        ->toBe('<p>Look at the section below. It shows three beds.</p>')
        ->and(array_column($found->groups, 'title'))
        ->toBe(['Rocks', 'Minerals'])
        ->and($found->questions[0]->record->origin->fields->signs)
        ->toBe(['number', 'options', 'answer-line']);
});

it('says how certain a key is, by what it was recognised by and what contradicts it', function (
    string $text,
    array $signs,
    float $certainty,
): void {
    $fields = typedFound($text)->questions[0]->record->origin->fields;

    expect($fields->signs)->toBe(['number', ...$signs])->and($fields->certainty)->toBe($certainty);
})->with([
    'an answer line' => ["1. A?\nA. x\nB. y\nAnswer: B", ['options', 'answer-line'], 0.97],
    'a key apart' => ["1. ____ splits.\nAnswers\n1. slate", ['gaps', 'key-section'], 0.95],
    'boxes' => ["1. A?\n☑ x\n☐ y", ['options', 'ticked-box'], 0.95],
    'a mark at one option' => ["1. A?\nA. x\nB. y *\n2. B?\nA. x *\nB. y", ['options', 'marked-option'], 0.8],
    'no key' => ["1. A?\nA. x\nB. y", ['options'], 0.0],
    'an answer that names none' => ["1. A?\nA. x\nB. y\nAnswer: E", ['options'], 0.0],
    'two answers that differ' => ["1. A?\nA. x\nB. y\nAnswer: B\nKey\n1. A\n2. B", ['options', 'answer-line'], 0.5],
    'boxes and an answer that differ' => ["1. A?\n☑ x\n☐ y\nAnswer: B", ['options', 'ticked-box'], 0.5],
    'a key by a number that two questions have' => ["1. A?\nA. x\nB. y\n1. B?\nA. x\nB. y\nKey\n1. A", ['options', 'key-section'], 0.5],
]);

it('tells each number that is skipped or doubled once, at its line', function (string $text, array $told): void {
    $notices = array_map(fn (Notice $notice): string => "$notice->code $notice->line", typedFound($text)->notices);

    expect($notices)->toBe($told);
})->with([
    ["1. A?\nAnswer: x\n25. B?\nAnswer: y", ['text.number_skipped 3']],
    ["1. A?\nAnswer: x\n1. B?\nAnswer: y", ['text.number_twice 3']],
    ["1. A?\nAnswer: x\n\nPart B\n\n1. B?\nAnswer: y", []],
]);

it('says at which line what was not used stands', function (): void {
    $unused = array_values(array_filter(
        typedFound("Unit 3\n\nRocks\n\n1. A?\nAnswer: x\n\nKey\nOne mark each.\n1. x\n")->notices,
        fn (Notice $notice): bool => $notice->code === 'document.unused',
    ));

    expect(array_map(fn (Notice $notice): ?int => $notice->line, $unused))->toBe([1, 9]);
});

it('keeps feedback', function (): void {
    $found = typedFound("1. A?\nA. x\nB. y\nAnswer: A\nExplanation: Because of heat.\nAnd pressure.");

    expect($found->questions[0]->feedback->general->html)->toBe('<p>Because of heat. And pressure.</p>');
});

it('reads keys in every order', function (array $lines, array $answers): void {
    expect(KeySection::read($lines))->toBe($answers);
})->with([
    'lines' => [['1. B', '2) A, D', '3 - true'], [1 => 'B', 2 => 'A, D', 3 => 'true']],
    'one line' => [['1 C 2 A,D 3 true'], [1 => 'C', 2 => 'A,D', 3 => 'true']],
    'columns' => [['1. B   2. C', '3. A   4. D'], [1 => 'B', 2 => 'C', 3 => 'A', 4 => 'D']],
    'words' => [['1. basalt / dolerite', '2. 2.7 ± 0.1'], [1 => 'basalt / dolerite', 2 => '2.7 ± 0.1']],
    'going on' => [['1. a long answer', 'that goes on', '2. B'], [1 => 'a long answer that goes on', 2 => 'B']],
]);

it('takes no more time than the text is long', function (): void {
    $text = function (int $questions): string {
        $lines = fn (int $i): string => "$i. Question $i ".str_repeat('A. x ', 40)."\nA. one\nB. two\nAnswer: B\n\n";

        return implode('', array_map($lines, range(1, $questions)));
    };
    $time = function (int $questions) use ($text): float {
        $start = hrtime(true);
        expect(typedFound($text($questions))->questions)->toHaveCount($questions);

        return (hrtime(true) - $start) / 1e9;
    };
    $time(100); // what is loaded once
    $ratio = min(array_map(fn (): float => $time(800) / $time(100), range(1, 3)));

    expect($ratio)->toBeLessThan(24); // 8 times as much; as its square it would be 64
});

it('lets no word of a text disappear', function (): void {
    mt_srand(11);
    $lines = fn (int $n): array => [
        "$n. Alpha$n bravo$n?",
        "$n) Charlie$n (2 marks)",
        "$n Delta$n echo$n.",
        "A. foxtrot$n",
        "B. [x] golf$n",
        "- [ ] hotel$n",
        '1) india'.$n,
        '2) juliet'.$n,
        "Answer: kilo$n",
        'Answer: B',
        "± 0.5 lima$n",
        "Mike$n",
        "November$n is read first.",
        "Key: 1. A 2. oscar$n",
        "Feedback: papa$n",
        '',
        '1B 2C',
        'Answer key',
        "quebec$n",
        $n + 2 .". Romeo$n",
        "☑ sierra$n",
        'true',
        "Model answer: tango$n",
        "Mark scheme: uniform$n (2 marks)",
        "(a) victor$n?",
        "Match each whiskey$n.",
        "It is [xray$n / yankee$n].",
        "Questions 2 to 3 refer to zulu$n.",
        "a) able$n      b) baker$n",
        "Hint: dog$n",
        "Put fox$n in order:",
        "T / F  George$n",
        "- how$n",
    ];
    for ($round = 0; $round < (getenv('QUARRY_LONG') ? 20000 : 400); $round++) {
        $text = "1. Start?\n";
        for ($i = 1, $n = mt_rand(1, 14); $i <= $n; $i++) {
            $of = $lines($i);
            $text .= $of[mt_rand(0, count($of) - 1)]."\n";
        }
        $found = typedFound($text);
        $kept = mb_strtolower(
            (string) json_encode(
                [$found->questions, $found->stimuli, $found->groups, $found->notices],
                JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            ),
        );
        preg_match_all('/\b[a-z]+\d+\b/i', $text, $words);
        foreach ($words[0] as $word) {
            expect(str_contains($kept, mb_strtolower($word)))->toBeTrue("$word is lost of:\n$text");
        }
    }
});
