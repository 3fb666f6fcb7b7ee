<?php

declare(strict_types=1);

use WideQuarry\Interchange\Typed\Recognition\Corrections;
use WideQuarry\Interchange\Typed\Recognition\QuestionType;
use WideQuarry\Tests\Support\Typed;

it('recognises every kind of question that people type', function (string $text, array $keys): void {
    expect(Typed::keys(Typed::read($text)))->toBe($keys);
})->with([
    'true or false by an instruction' => [
        "Part II. True or False\n\n____ 1. Ice floats.\n_F__ 2. Iron floats.\n\nAnswer key\n1. T",
        ['choice: True', 'choice: False'],
    ],
    'true or false to ring' => ["1. Ice floats. (True / False)\nAnswer: T\n2. Is it? (Yes/No)\nAnswer: no", ['choice: True', 'choice: No']],
    'the answer behind a statement' => ["1. Ice floats. (True)\n2. Iron floats. (False)", ['choice: True', 'choice: False']],
    'a list in brackets' => ["1. Ice is [heavier / lighter] than water.\nAnswer: lighter", ['menu: lighter']],
    'two lists on the same lines' => [
        "1. Match each rock with its class.\n1. granite      A. metamorphic\n2. marble      B. igneous\nAnswer: 1-B, 2-A",
        ['match: granite=igneous, marble=metamorphic'],
    ],
    'one list after the other' => [
        "1. Match.\n1) granite\n2) marble\na. metamorphic\nb. igneous\nAnswer: 1b 2a",
        ['match: granite=igneous, marble=metamorphic'],
    ],
    'an order' => [
        "1. Put these in order, oldest first:\nA. Jurassic\nB. Cambrian\nC. Permian\nAnswer: B, C, A",
        ['order: Cambrian=Permian=Jurassic'],
    ],
    'parts with points and answers of their own' => [
        "1. A stone weighs 54 g.\n(a) What is its volume? (1 mark)\nAnswer: 20 cm³\n(b) Name the metal. (1 mark)\nAnswer: aluminium",
        ['number: 20 + text: aluminium'],
    ],
    'parts on the line of the number' => ["4. (a) Name it. [1]\n(b) Why? [2]\nKey\n4. a) slate b) heat", ['text: slate + text: heat']],
    'parts by number and letter' => [
        "1a. Name it. (1 mark)\n1b. Why? (2 marks)\nAnswers\n1a. slate\n1b. heat",
        ['text: slate + text: heat'],
    ],
    'statements, then options that speak of them' => [
        "1. Look:\nI. Wind wears rock.\nII. Ice wears rock.\nWhich are true?\nA. I only\nB. both\nAnswer: B",
        ['choice: both'],
    ],
    'options in two columns' => ["1. Which?\na. basalt\t\tc. slate\nb. granite\t\td. chalk\nAnswer: c", ['choice: slate']],
    'an option that goes on and the next on its line' => [
        "1. Rock forms when\na. magma\ncools   b. mud dries\nAnswer: b",
        ['choice: mud dries'],
    ],
    'a word behind the right option' => [
        "1. Which?\nA. slate (correct)\nB. chalk\n2. Which?\nA. x\nB. y (correct)",
        ['choice: slate', 'choice: y'],
    ],
    'options without letters' => ["1. Which splits?\nSlate\nChalk\nClay\nAnswer: slate", ['choice: Slate']],
    'roman options' => ["1. Which splits?\n(i) slate\n(ii) chalk\nAnswer: ii", ['choice: chalk']],
    'letters of a key run together' => ["1. Which two?\nA. a\nB. b\nC. c\nAnswer: AC", ['choice: a, c']],
    'a reason behind the letter' => ["1. Which?\nA. a1\nB. b1\nAnswer: B – because it cools", ['choice: b1']],
    'questions without numbers' => [
        "Which splits?\na) slate\n*b) chalk\n\nWhich fizzes?\n*a) calcite\nb) mica",
        ['choice: chalk', 'choice: calcite'],
    ],
    'by the letters of question and answer' => [
        "Q: Largest planet?\nA: Jupiter\n\nQ: Smallest?\nA: Mercury",
        ['text: Jupiter', 'text: Mercury'],
    ],
    'numbers with brackets and ranges' => [
        "1. How heavy?\nAnswer: 2 kg (± 0.01)\n2. How hard?\nAnswer: 4 to 7\n3. How fast?\nAnswer: 343 ± 2%",
        ['number: 2±1/100', 'number: 4..7', 'number: 343±2%'],
    ],
    'an essay with lines and a model answer' => [
        "1. Explain folds. (4 marks)\n____________\n____________\nModel answer: Plates push.\nMark scheme:\n• plates (2 marks)",
        ['essay: '],
    ],
    'keys by part, numbers that begin again' => [
        "Part A\n\n1. A?\nA. x\nB. y\n\nAnswers\n1. B\n\nPart B\n\n1. B?\nA. x\nB. y\n\nAnswers\n1. A",
        ['choice: y', 'choice: x'],
    ],
    'parts that begin again without an empty line, and a key by the same parts' => [
        "Part One - Choose.\n1. Unit of current?\n(a) volt (b) ampere\nPart Two - True or false?\n1. Ice floats.\nPart Three - ".
        "Answer briefly.\n".
            "1. State the law.\nKEY\nPart One\n1. (b)\nPart Two\n1. True - it is lighter\nPart Three\n1. V = IR",
        ['choice: ampere', 'choice: True', 'text: V = IR'],
    ],
    'letters without a sign, and one list for several' => [
        "I. MULTIPLE CHOICE\n\n1. Which is a noble gas?\nA neon\nB oxygen\n\nII. MATCHING: write the letter.\n\n____ 2. ".
        "proton\n____ 3. neutron\n".
            "____ 4. electron\n\nA. no charge\nB. positive\nC. negative\n\nAnswers\n1 A\n2 B\n3 A\n4 C",
        ['choice: neon', 'choice: positive', 'choice: no charge', 'choice: negative'],
    ],
    'dashes behind numbers and letters' => ["1- Largest?\na- Mars   b- Jupiter\n\nAnswers: 1-b, 2-a", ['choice: Jupiter']],
    'a sentence, a tick and a capital word for the answer' => [
        "1. Which?\na) x\nb) y\nThe answer is b.\n\n2. Which?\na) x\nb) y\n✔ a\n\n3. Ice floats.      TRUE",
        ['choice: y', 'choice: x', 'choice: True'],
    ],
    'blanks that are filled in and underlined' => [
        '<p>1. Wind blows from high to <u>low</u> pressure.</p><p>2. Vapour turns to <u>water</u>.</p>',
        ['text: low', 'text: water'],
    ],
    'parts named in one key' => [
        "Part I\n\n1. A?\nA. x\nB. y\n2. B?\nA. x\nB. y\n\nAnswer key\nPart I: 1. b  2. a",
        ['choice: y', 'choice: x'],
    ],
]);

it('takes a stimulus for the questions it names, and for no other', function (): void {
    $found = Typed::read(
        "Questions 2 and 3 refer to the passage.\nIt rained.\n\n1. A?\nAnswer: x\n2. B?\nAnswer: x\n3. C?\nAnswer: x\n4. D?\nAnswer: x",
    );

    expect(array_map(fn (stdClass $one): int => count($one->stimuli ?? []), $found->questions))->toBe([0, 1, 1, 0]);
});

it('reads what a question is classified by', function (): void {
    $record = Typed::read(
        "1. A?\nAnswer: x\nDifficulty: hard\nStandard: ES.4.2, ES.5\nTopic: Rocks > Slate\nHint: split it",
    )->questions[0]->record;

    expect($record->difficulty)->toBe(4)
        ->and(array_column($record->standards, 'code'))->toBe(['ES.4.2', 'ES.5'])
        ->and($record->topics)->toBe([['Rocks', 'Slate']]);
});

it('shares out points of a part', function (string $text, array $points): void {
    $found = Typed::read($text);

    expect(array_map(fn (stdClass $one): int|float => array_sum(array_column($one->parts, 'points')), $found->questions))->toBe($points);
})->with([
    ["Part A (2 points each)\n\n1. A?\nAnswer: x\n2. B? (3 pts)\nAnswer: x", [2, 3]],
    ["1. A? [4]\nAnswer: x\n2. B?   5 marks\nAnswer: x\n3. C? (1,5 Punkte)\nAntwort: x", [4, 5, 1.5]],
]);

it('knows the words of eight languages', function (string $text): void {
    expect(Typed::keys(Typed::read($text)))->toBe(['choice: b', 'text: granit']);
})->with([
    'English' => ["1. Which?\na) a1\nb) b\nAnswer: b\n2. Name it.\nAnswer: granit"],
    'German' => ["Frage 1: Was?\na) a1\nb) b\nRichtige Antwort: b\nFrage 2: Was?\nLösung: granit"],
    'French' => ["Question 1 : Quoi ?\na) a1\nb) b\nRéponse : b\nQuestion 2 : Quoi ?\nBonne réponse : granit"],
    'Spanish' => ["Pregunta 1. ¿Qué?\na) a1\nb) b\nRespuesta: b\nPregunta 2. ¿Qué?\nRespuesta correcta: granit"],
    'Italian' => ["Domanda 1. Quale?\na) a1\nb) b\nRisposta: b\nDomanda 2. Quale?\nRisposta esatta: granit"],
    'Dutch' => ["Vraag 1. Welke?\na) a1\nb) b\nAntwoord: b\nVraag 2. Welke?\nJuiste antwoord: granit"],
    'Polish' => ["Pytanie 1. Co?\na) a1\nb) b\nOdpowiedź: b\nPytanie 2. Co?\nPrawidłowa odpowiedź: granit"],
    'Portuguese' => ["Questão 1. Qual?\na) a1\nb) b\nResposta: b\nQuestão 2. Qual?\nResposta correta: granit"],
]);

it('weighs what looks say over the whole document', function (int $marked, int $of, float $certainty): void {
    $text = '';
    for ($i = 1; $i <= $of; $i++) {
        $text .= "$i. Which is it?\n\nA. slate\n\n".($i <= $marked ? '**B. chalk**' : 'B. chalk')."\n\n";
    }
    $found = Typed::read($text, 'exam.md');

    expect($found->questions[0]->record->origin->fields->certainty)->toBe($certainty)
        ->and(count($found->questions[0]->parts[0]->key->rules))->toBe($certainty > 0 ? 1 : 0);
})->with([
    'one of one may be chance' => [1, 1, 0.8],
    'all of ten are a key' => [10, 10, 0.93],
    'half of ten may be one' => [5, 10, 0.8],
    'two of ten are bold words' => [2, 10, 0.0],
]);

it('tells the look of a letter from that of its option', function (): void {
    $found = Typed::read("1. A?\n\n**A.** x\n\n**B.** **y**\n\n2. B?\n\n**A.** **x**\n\n**B.** y\n", 'exam.md');

    expect(Typed::keys($found))->toBe(['choice: y', 'choice: x'])
        ->and($found->questions[0]->record->origin->fields->certainty)->toBe(0.8);
});

it('claims no key as sure that something contradicts', function (string $text): void {
    expect(Typed::read($text, 'exam.md')->questions[0]->record->origin->fields->certainty)->toBeLessThan(0.9);
})->with([
    'an answer that is not the one in bold, as it is elsewhere' => [
        "1. Which?\n\nA. **x**\n\nB. y\n\nAnswer: B\n\n".implode('', array_map(
            fn (int $n): string => "$n. Which?\n\nA. **x**\n\nB. y\n\nAnswer: A\n\n",
            range(2, 6),
        )),
    ],
    'two keys that disagree' => ["1. Which?\nA. x\nB. y\n\nAnswers\n1. A\n\nAnswer key\n1. B\n"],
    'one of several' => ["1. Name two.\nAnswer: slate, chalk, clay (any two)\n"],
]);

/** @return list<string> the keys of a typed text that was corrected */
function correctedKeys(string $text, WideQuarry\Interchange\Typed\Sources\DocumentType $type, Corrections $corrections): array
{
    $file = (string) tempnam(sys_get_temp_dir(), 'typed');
    file_put_contents($file, $text);
    $source = new WideQuarry\Interchange\Source($file, 'exam.txt');
    $things = (new WideQuarry\Interchange\Typed\TypedReader(new App\Infrastructure\OfficePrograms))->read($source, $type, $corrections);
    $found = WideQuarry\Interchange\PackageContents::collect($things);
    unlink($file);

    return Typed::keys($found);
}

it('takes a look that means nothing for nothing in letters too', function (array $looks, string $key): void {
    $markdown = WideQuarry\Interchange\Typed\Sources\DocumentType::Markdown;

    expect(correctedKeys("1. Which?\n\nA. x\n\n**B. y**\n", $markdown, new Corrections(looks: $looks)))->toBe(["choice: $key"]);
})->with([
    'as it is read' => [[], 'y'],
    'bold means nothing' => [['bold' => 'nothing'], ''],
]);

it('holds what an author corrected', function (Corrections $corrections, array $keys): void {
    $text = "1. Which?\nA. x\nB. y\n2. Name it.\nR: slate\n\nA last line\n";

    expect(correctedKeys($text, WideQuarry\Interchange\Typed\Sources\DocumentType::Text, $corrections))->toBe($keys);
})->with([
    'nothing' => [new Corrections, ['choice: ', 'text: ']],
    'which option is right' => [new Corrections(keys: [1 => [1]]), ['choice: y', 'text: ']],
    'what a word at the beginning means' => [new Corrections(words: ['R:' => 'answer']), ['choice: ', 'text: slate']],
    'where a question begins' => [new Corrections(lines: [7 => 'question']), ['choice: ', 'text: ', 'text: ']],
    'what is no question' => [new Corrections(lines: [4 => 'unused', 5 => 'unused']), ['choice: ']],
    'what it asks for' => [new Corrections(types: [4 => QuestionType::Essay]), ['choice: ', 'essay: ']],
]);

it('reads corrections it does not know as none', function (mixed $json): void {
    expect(Corrections::read($json)->isEmpty())->toBeTrue();
})->with(
    [
        [null],
        ['x'],
        [[]],
        [(object) ['lines' => (object) ['4' => 'poem'], 'points' => 'many', 'types' => [1], 'keys' => (object) ['1' => 'A']]],
    ],
);
