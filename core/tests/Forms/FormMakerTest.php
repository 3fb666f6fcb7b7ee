<?php

declare(strict_types=1);

use WideQuarry\Assembly\Assessment;
use WideQuarry\Forms\Form;
use WideQuarry\Forms\FormEntry;
use WideQuarry\Forms\FormMaker;
use WideQuarry\Forms\FormSet;
use WideQuarry\Forms\FormSettings;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Tests\Support\Questions;

function formQuestion(int $i, array $options, array $settings = [], array $more = []): Question
{
    $part = [
        'id' => 'p1',
        'kind' => 'choice',
        'points' => 1,
        'settings' => ['options' => $options, 'shuffle' => true, ...$settings],
        'key' => ['rules' => [['id' => 'r1', 'on' => 'b', 'credit' => '1']]],
    ];

    return Questions::of([$part], ['id' => sprintf('0192f0c4-0000-7000-8000-%012d', $i), ...$more]);
}

/** Options a, b, c …; those in fixed stay. */
function formOptions(int $count, array $fixed = []): array
{
    $option = fn (int $i): array => [
        'id' => chr(97 + $i), 'html' => 'Option '.chr(97 + $i), ...in_array(chr(97 + $i), $fixed, true) ? ['fixed' => true] : [],
    ];

    return array_map($option, range(0, $count - 1));
}

/**
 * @param  list<Question>  $questions
 * @param  list<array<string, mixed>>  $sections
 */
function formsOf(array $questions, array $sections, int $count, int $seed = 1, int $run = 4, array $kept = []): array
{
    $json = Assessment::fresh('0192f0c4-0000-7000-8000-0000000000a1', 'Forms');
    $json->sections = $sections;
    $assessment = Assessment::read(Json::decode(Json::encode($json)), StandardKinds::all());
    $byId = array_column($questions, null, 'id');
    $find = function (Assessment $drawn) use ($byId): array {
        $found = [];
        foreach ($drawn->picks() as $pick) {
            $found[$pick->id] = $byId[$pick->question] ?? null;
        }

        return array_filter($found);
    };
    $settings = new FormSettings($count, Seed::of($seed), $run, $kept);

    return [FormMaker::make($assessment, $settings, $find, StandardKinds::all()), $assessment];
}

/** @return list<array<string, mixed>> */
function formEntries(int $from, int $to, array $more = []): array
{
    return array_map(
        fn (int $i): array => ['id' => "e$i", 'question' => sprintf('0192f0c4-0000-7000-8000-%012d', $i), ...$more[$i] ?? []],
        range($from, $to),
    );
}

/** @return list<string> */
function entriesOf(Form $form): array
{
    return array_map(fn (FormEntry $entry): string => $entry->drawnEntry(), $form->entries);
}

it('asks the same questions for the same points in every form, each as its key says', function (): void {
    $questions = array_map(fn (int $i): Question => formQuestion($i, formOptions(4), ['labels' => $i % 2 ? 'A' : 'a']), range(1, 12));
    [$set] = formsOf($questions, [['id' => 's1', 'shuffle' => true, 'entries' => formEntries(1, 12)]], 4);
    $byId = array_column($questions, null, 'id');
    foreach ($set->forms as $form) {
        $ids = array_map(fn (FormEntry $entry): string => $entry->question, $form->entries);
        sort($ids);
        expect($ids)->toBe(array_keys($byId))->and((string) $form->points())->toBe('12');
        foreach ($form->entries as $at => $entry) {
            $presented = (new Presenter)->present($byId[$entry->question], $entry->seed);
            $shown = array_column($presented['parts'][0]['settings']->options, 'id');
            $letter = chr(($entry->master % 2 ? 65 : 97) + array_search('b', $shown, true));
            expect($entry->options['p1'])->toBe($shown)->and($entry->key['p1'])->toBe([$letter])->and($entry->number)->toBe($at + 1);
        }
    }
    expect($set->limits)->toBe([])->and(array_sum($set->forms[0]->balance()))->toBe(12);
});

it('balances keys, breaks runs, and changes neighbours and keys from form to form', function (): void {
    $questions = array_map(fn (int $i): Question => formQuestion($i, formOptions(4)), range(1, 20));
    [$set] = formsOf($questions, [['id' => 's1', 'shuffle' => true, 'entries' => formEntries(1, 20)]], 4, 7, 2);
    $keys = $pairs = [];
    foreach ($set->forms as $form) {
        expect($form->balance())->toBe(['A' => 5, 'B' => 5, 'C' => 5, 'D' => 5]);
        $line = implode('', array_map(fn (FormEntry $entry): string => $entry->key['p1'][0], $form->entries));
        expect(preg_match('/(.)\1\1/', $line))->toBe(0, $line);
        foreach ($form->entries as $i => $entry) {
            $keys[] = $entry->entry.$entry->key['p1'][0];
            if ($i > 0) {
                $pair = [$form->entries[$i - 1]->entry, $entry->entry];
                sort($pair);
                $pairs[] = implode(' ', $pair);
            }
        }
    }
    expect(array_unique($keys))->toHaveCount(80)->and(array_unique($pairs))->toHaveCount(4 * 19)->and($set->limits)->toBe([]);
});

it('keeps what is not shuffled, what is fixed, and what belongs to one text', function (): void {
    $stimulus = ['stimuli' => ['0192f0c4-0000-7000-8000-00000000005a']];
    $questions = array_map(
        fn (int $i): Question => formQuestion(
            $i,
            formOptions(4, ['d']),
            ['shuffle' => $i !== 2],
            in_array($i, [5, 6, 7], true) ? $stimulus : [],
        ),
        range(1, 14),
    );
    $sections = [
        ['id' => 's1', 'title' => 'Warm-up', 'entries' => formEntries(1, 3)],
        ['id' => 's2', 'title' => 'Main', 'shuffle' => true, 'entries' => formEntries(4, 14, [9 => ['fixed' => true]])],
    ];
    [$set] = formsOf($questions, $sections, 4);
    foreach ($set->forms as $form) {
        $order = entriesOf($form);
        expect(array_slice($order, 0, 3))->toBe(['e1', 'e2', 'e3'])->and($order[8])->toBe('e9');
        $at = array_search('e5', $order, true);
        expect(array_slice($order, $at, 3))->toBe(['e5', 'e6', 'e7']);
        foreach ($form->entries as $entry) {
            expect($entry->options['p1'][3])->toBe('d');
        }
        expect($form->entries[1]->options['p1'])->toBe(['a', 'b', 'c', 'd'])->and($form->entries[1]->key['p1'])->toBe(['B']);
    }
    expect(array_unique(array_map(fn (Form $form): string => implode(' ', entriesOf($form)), $set->forms)))->toHaveCount(4);
    expect(implode("\n", $set->limits))
        ->toContain('“Warm-up” is not shuffled')
        ->toContain('because they belong to one text')
        ->toContain('the same key in more than one form');
});

it('leads from every form back to the assessment', function (): void {
    $questions = array_map(fn (int $i): Question => formQuestion($i, formOptions(3)), range(1, 9));
    $pool = array_map(fn (Question $question): string => $question->id, array_slice($questions, 5));
    $sections = [
        ['id' => 's1', 'shuffle' => true, 'entries' => formEntries(1, 5)],
        ['id' => 's2', 'shuffle' => true, 'entries' => [['id' => 'd1', 'draw' => 2, 'pool' => $pool, 'points' => 3]]],
    ];
    [$set, $assessment] = formsOf($questions, $sections, 3);
    $kept = FormSet::read(Json::decode(Json::encode($set)));
    foreach ($set->forms as $i => $form) {
        $read = $kept->forms[$i];
        expect(Json::encode($read))->toBe(Json::encode($form));
        $masters = array_column($form->entries, 'master');
        sort($masters);
        expect($masters)->toBe(range(1, 7));
        $asked = FormSet::asked($assessment, $form, StandardKinds::all());
        expect(array_column($asked->picks(), 'id'))->toBe(entriesOf($form))
            ->and(array_column($asked->picks(), 'question'))->toBe(array_column($form->entries, 'question'));
        $drawn = array_values(array_filter($form->entries, fn (FormEntry $entry): bool => $entry->drawNumber !== null));
        expect(array_column($drawn, 'entry'))->toBe(['d1', 'd1'])->and((string) $drawn[0]->points)->toBe('3');
        foreach ($form->entries as $entry) {
            expect($entry->drawNumber === null ? "e$entry->master" : 'd1')->toBe($entry->entry);
        }
    }
});

it('makes the same forms of the same seed, and others of another', function (): void {
    $questions = array_map(fn (int $i): Question => formQuestion($i, formOptions(4)), range(1, 8));
    $sections = [['id' => 's1', 'shuffle' => true, 'entries' => formEntries(1, 8)]];
    [$four] = formsOf($questions, $sections, 4);
    [$again] = formsOf(array_reverse($questions), $sections, 4);
    [$other] = formsOf($questions, $sections, 4, 2);
    expect(Json::encode($again))->toBe(Json::encode($four))->and(Json::encode($other))->not->toBe(Json::encode($four));
    // recorded on 1 December 2026: forms that were printed can be made again for ever
    $said = fn (FormEntry $entry): string => "$entry->entry {$entry->seed->value} ".implode($entry->options['p1']);
    $lines = array_map(fn (Form $form): string => implode("\n", array_map($said, $form->entries)), $four->forms);
    expect(hash('sha256', implode("\n", $lines)))->toBe('bda233cf1fbffcdff8187e508ec1053e5cad55da2ce68843395ac9daac5c9243');
});

it('says what cannot be met', function (array $options, int $questions, int $count, array $sections, array $said): void {
    $made = array_map(fn (int $i): Question => formQuestion($i, ...$options), range(1, $questions));
    [$set] = formsOf($made, $sections, $count);
    foreach ($said as $sentence) {
        expect(implode("\n", $set->limits))->toContain($sentence);
    }
    expect($set->forms)->toHaveCount($count);
})->with([
    'keys that cannot move' => [
        [formOptions(4, ['a', 'b', 'c', 'd'])], 6, 2,
        [['id' => 's1', 'shuffle' => true, 'entries' => formEntries(1, 6)]],
        ['Forms A, B: Questions 1 to 6 have the key B, more than 4 in a row: their right options',
            'not even (B 6): 6 of 6 right options cannot stand everywhere'],
    ],
    '26 forms of 3 questions' => [
        [formOptions(4)], 3, 26, [['id' => 's1', 'title' => 'All', 'shuffle' => true, 'entries' => formEntries(1, 3)]],
        ['“All” can stand in 6 orders only, so some of the 26 forms', 'side by side in more than one form',
            '3 questions have the same key'],
    ],
    'nothing shuffled' => [
        [formOptions(4), ['shuffle' => false]], 3, 2, [['id' => 's1', 'entries' => formEntries(1, 3)]],
        ['No section is shuffled'],
    ],
    'a draw too small' => [
        [formOptions(4)], 2, 2,
        [['id' => 's1', 'entries' => [
            ['id' => 'd1', 'title' => 'Rocks', 'draw' => 5, 'pool' => array_column(formEntries(1, 2), 'question')],
        ]]],
        ['The draw “Rocks” is to ask 5 questions, but there are only 2 to draw.'],
    ],
    'a question that is gone' => [
        [formOptions(4)], 1, 1, [['id' => 's1', 'entries' => formEntries(1, 2)]],
        ['Question 2 is not there any more.'],
    ],
    'values that cannot be rolled' => [
        [formOptions(4), [], ['title' => 'Slope', 'variables' => ['list' => [
            ['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '9'],
        ], 'conditions' => ['a > 10']]]], 1, 1, [['id' => 's1', 'entries' => formEntries(1, 1)]],
        ['The values of question 1 could not be rolled.'],
    ],
]);

it('keeps a roll that is kept in every form', function (): void {
    $questions = array_map(fn (int $i): Question => formQuestion($i, formOptions(4)), range(1, 4));
    [$set] = formsOf($questions, [['id' => 's1', 'shuffle' => true, 'entries' => formEntries(1, 4)]], 3, 1, 4, ['e2' => Seed::of(77)]);
    foreach ($set->forms as $form) {
        expect(array_column($form->entries, null, 'entry')['e2']->seed->value)->toBe(77);
    }
});
