<?php

declare(strict_types=1);

use App\Infrastructure\OfficePrograms;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Tests\Support\Typed;

/** @return list<stdClass> one question of each kind of part that a document can say, with what belongs around it */
function sayable(): array
{
    $questions = Typed::read(<<<'TEXT'
        1. Which rock splits into *sheets*? (2 marks)
        A. slate
        B. chalk
        Answer: A
        Explanation: Its minerals lie flat.
        Hint: Think of roofs.
        Difficulty: hard
        Standard: ES.4.2
        Topic: Rocks > Slate

        2. Which two are metals? Choose two.
        A. iron
        B. sulfur
        C. zinc
        Answer: A, C

        3. Ice floats. (True / False)
        Answer: true

        4. What is magma called at the surface?
        Answer: lava / molten rock

        5. What is the density of quartz?
        Answer: 2.65 ± 0.05 g/cm³

        6. Water boils at ____ °C and freezes at ____ °C.
        Answer: 100; 0

        7. Granite is [igneous / metamorphic].
        Answer: igneous

        8. Match each rock with its class.
        1. granite      A. metamorphic
        2. marble      B. igneous
        Answer: 1-B, 2-A

        9. Put these in order, oldest first:
        A. Jurassic
        B. Cambrian
        C. Permian
        Answer: B, C, A

        10. Explain how folds form. (4 marks)
        ____________________
        ____________________
        Model answer: Plates push.
        Mark scheme:
        • names the plates (2 marks)

        11. A stone weighs 54 g.
        (a) What is its volume? (2 marks)
        Answer: 20 cm³
        (b) Name the metal.
        Answer: aluminium
        TEXT)->questions;
    $maths = '<math xmlns="http://www.w3.org/1998/Math/MathML"><semantics><mfrac><mn>1</mn><mn>2</mn></mfrac>'.
        '<annotation encoding="application/x-tex">\frac{1}{2}</annotation></semantics></math>';
    $questions[0]->body = str_replace('Which rock', "With $maths of the weight, which <strong>rock</strong>", (string) $questions[0]->body);

    return $questions;
}

/** @return array{PackageContents, list<Notice>, string} read back, what was lost, and the bytes */
function sentAndBack(array $questions, string $format, PackageContents $content = new PackageContents): array
{
    $file = (string) tempnam(sys_get_temp_dir(), 'sent');
    $content->questions = $questions;
    $notices = Formats::standard(StandardKinds::all(), new OfficePrograms)->named($format)?->write($content, $file) ?? [];
    $bytes = (string) file_get_contents($file);
    unlink($file);

    return [Typed::read($bytes, "sent.$format"), $notices, $bytes];
}

it('writes every kind that a document can say so that it is read back', function (string $format): void {
    $questions = sayable();
    [$back, $notices] = sentAndBack($questions, $format);
    // the order that is asked for is not the order it stands in
    $asked = fn (array $all): array => array_map(function (stdClass $one): array {
        $parts = array_map(function (stdClass $part): string {
            $content = new PackageContents;
            $content->questions = [(object) ['parts' => [$part]]];

            return Typed::keys($content)[0].' | '.$part->points;
        }, $one->parts);

        return [$one->id, ...$parts, $one->feedback->general->html ?? '', $one->hints[0]->html ?? '', $one->record->difficulty ?? 0];
    }, $all);

    expect($asked($back->questions))->toEqual($asked($questions))
        ->and(array_column($notices, 'code'))->toBe(['document.pairs.limits'])
        ->and($back->questions[0]->body)->toContain('<strong>rock</strong>')
        ->and($back->questions[0]->body)->toContain('\frac{1}{2}')
        ->and($back->questions[0]->record->topics)->toBe([['Rocks', 'Slate']])
        ->and($back->questions[9]->parts[0]->key->models[0]->html)->toBe('<p>Plates push.</p>')
        ->and($back->questions[9]->parts[0]->key->rubric->criteria[0]->title)->toBe('names the plates')
        ->and(array_filter($back->notices, fn (Notice $notice): bool => $notice->severity === 'loss'))->toBe([]);
})->with(['docx', 'odt', 'md', 'html']);

it('writes equations as equations of the word processor', function (): void {
    [, , $bytes] = sentAndBack(sayable(), 'docx');
    $file = (string) tempnam(sys_get_temp_dir(), 'docx');
    file_put_contents($file, $bytes);
    $zip = new ZipArchive;
    $zip->open($file);

    expect((string) $zip->getFromName('word/document.xml'))->toContain('<m:oMath>');
    unlink($file);
});

it('gives the same bytes for the same questions', function (string $format): void {
    expect(hash('sha256', sentAndBack(sayable(), $format)[2]))->toBe(hash('sha256', sentAndBack(sayable(), $format)[2]));
})->with(['docx', 'odt', 'md', 'html']);

it('says what a document cannot hold', function (): void {
    $question = sayable()[0];
    $question->parts[0]->key->rules[0]->feedback = (object) ['html' => '<p>Yes.</p>', 'show' => 'both'];
    $question->parts[0]->key->rules[] = (object) ['id' => 'r2', 'on' => 'b', 'credit' => '1/2'];
    $codes = array_map(fn (Notice $notice): string => $notice->code, sentAndBack([$question], 'html')[1]);

    expect($codes)->toBe(['document.key', 'document.feedback']);
});

it('writes what several questions share before the first of them', function (string $format): void {
    $questions = array_slice(sayable(), 2, 3);
    $content = new PackageContents;
    $id = '0192f0c4-0000-7000-8000-0000000000aa';
    $content->stimuli = [(object) ['id' => $id, 'title' => '', 'language' => 'en', 'body' => '<p>A map of the coast.</p>']];
    $questions[1]->stimuli = $questions[2]->stimuli = [$id];
    [$back] = sentAndBack($questions, $format, $content);

    expect(array_map(fn (stdClass $one): array => $one->stimuli ?? [], $back->questions))->toBe([[], [$id], [$id]])
        ->and($back->stimuli[0]->body)->toBe('<p>A map of the coast.</p>');
})->with(['docx', 'odt', 'md', 'html']);
