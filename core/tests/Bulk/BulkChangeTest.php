<?php

declare(strict_types=1);

use WideQuarry\Bulk\BulkChange;
use WideQuarry\Bulk\FieldRestore;
use WideQuarry\Bulk\QuestionCopy;
use WideQuarry\Bulk\QuestionFacts;
use WideQuarry\Bulk\QuestionSkipped;
use WideQuarry\Bulk\QuestionState;
use WideQuarry\CommandLine\ReadJson;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Differences;
use WideQuarry\Question\Question;

function standing(
    array $record = [],
    ?stdClass $content = null,
    bool $binned = false,
    bool $home = true,
    ?QuestionFacts $facts = null,
    array $folders = [],
): QuestionState {
    return new QuestionState(
        'Slate',
        Json::decode((string) json_encode((object) $record)),
        [['Rocks']],
        $folders,
        $content,
        $binned,
        $home,
        $facts ?? new QuestionFacts,
    );
}

function bulk(array $change): BulkChange
{
    return BulkChange::read(Json::decode((string) json_encode((object) $change)));
}

/** @return list<stdClass> every question of the demo, without its record */
function demoContents(): array
{
    $contents = [];
    foreach (glob(__DIR__.'/../../../database/demo/*.json') ?: [] as $file) {
        foreach (
            (new ReadJson(StandardKinds::all()))->found(Json::decode((string) file_get_contents($file)), null)->questions as $question
        ) {
            unset($question->record);
            $contents[] = $question;
        }
    }

    return $contents;
}

it('changes what is asked for, and nothing else', function (array $change, array $expected): void {
    $after = bulk($change)->apply(
        standing(['tags' => ['old'], 'level' => 'Year 9', 'status' => 'approved'], folders: [['Year 9']]),
        StandardKinds::all(),
    );
    expect(json_decode((string) json_encode([$after->record, $after->topics, $after->folders, $after->isBinned]), true))->toBe($expected);
})->with([
    'a tag' => [
        ['record' => ['tags' => ['add' => ['new'], 'remove' => ['old']]]],
        [['tags' => ['new'], 'level' => 'Year 9', 'status' => 'approved'], [['Rocks']], [['Year 9']], false],
    ],
    'a topic set' => [
        ['topics' => ['set' => [['Maps']]]],
        [['tags' => ['old'], 'level' => 'Year 9', 'status' => 'approved'], [['Maps']], [['Year 9']], false],
    ],
    'moved from folder to folder' => [
        ['folders' => ['add' => [['Year 10']], 'remove' => [['Year 9']]]],
        [['tags' => ['old'], 'level' => 'Year 9', 'status' => 'approved'], [['Rocks']], [['Year 10']], false],
    ],
    'into the bin' => [
        ['bin' => true],
        [['tags' => ['old'], 'level' => 'Year 9', 'status' => 'approved'], [['Rocks']], [['Year 9']], true],
    ],
    'nothing' => [[], [['tags' => ['old'], 'level' => 'Year 9', 'status' => 'approved'], [['Rocks']], [['Year 9']], false]],
]);

it('leaves a question, with a reason', function (array $change, QuestionState $now, string $why): void {
    expect(fn () => bulk($change)->apply($now, StandardKinds::all()))->toThrow(QuestionSkipped::class, $why);
})->with([
    'a record away from home' => [['record' => ['level' => ['set' => 'Year 9']]], fn () => standing(home: false), 'belongs to another bank'],
    'a bin away from home' => [['bin' => true], fn () => standing(home: false), 'belongs to another bank'],
    'a place for one that is not lent' => [
        ['folders' => ['add' => [['F']]]],
        fn () => standing(home: false, facts: new QuestionFacts(isLent: false)),
        'does not lend questions',
    ],
    'a home for one that is not one’s own' => [
        ['home' => true],
        fn () => standing(home: false, facts: new QuestionFacts(mayWriteHome: false)),
        'cannot edit the bank it belongs to',
    ],
    'a home where its picture is another' => [
        ['home' => true],
        fn () => standing(home: false, facts: new QuestionFacts(clash: 'a.png')),
        '“a.png”',
    ],
    'approval of what is not complete' => [
        ['record' => ['status' => ['set' => 'approved']]],
        fn () => standing(facts: new QuestionFacts(isComplete: false)),
        'not complete',
    ],
    'a bin for one that is asked' => [['bin' => true], fn () => standing(facts: new QuestionFacts(uses: 2)), '2 assessments use it'],
    'points for a text page' => [['content' => ['points' => 2]], fn () => standing(content: (object) ['parts' => []]), 'text page'],
]);

it('lets one that lies here already be taken out, lent or not', function (): void {
    $after = bulk(['folders' => ['remove' => [['F']]]])->apply(
        standing(home: false, facts: new QuestionFacts(isLent: false), folders: [['F']]),
        StandardKinds::all(),
    );
    expect($after->folders)->toBe([]);
});

it('refuses beforehand what no question could hold', function (array $change, string $path): void {
    expect(fn () => bulk($change))->toThrow(fn (Malformed $problem) => expect($problem->path)->toBe($path));
})->with([
    'difficulty 9' => [['record' => ['difficulty' => ['set' => 9]]], '/difficulty'],
    'minus one point' => [['content' => ['points' => -1]], '/content/points'],
    'a cost above everything' => [['content' => ['attempts' => ['allowed' => 2, 'cost' => '3/2']]], '/content/attempts/cost'],
    'no language' => [['content' => ['language' => 'English, please']], '/content/language'],
    'nothing to find' => [['content' => ['replace' => ['find' => ' ']]], '/content/replace/find'],
    'sheets, which belong to one question' => [['content' => ['tools' => ['sheets' => []]]], '/content/tools/sheets'],
    'an unknown change' => [['colour' => 'red'], '/colour'],
]);

it('keeps a question a question, and touches nothing but what it names, over every question of the demo', function (
    array $content,
    array $touched,
): void {
    $kinds = StandardKinds::all();
    $changed = 0;
    foreach (demoContents() as $now) {
        try {
            $after = bulk(['content' => $content])->apply(standing(content: $now), $kinds)->content;
        } catch (QuestionSkipped) {
            continue;
        }
        Question::read($after, $kinds);
        foreach (Differences::between($now, $after) as $difference) {
            $changed++;
            expect(
                array_intersect(
                    $touched,
                    array_map(fn (mixed $step): string => is_string($step) ? $step : (string) ($step['name'] ?? ''), $difference['path']),
                ),
            )->not->toBe([], json_encode([$now->title ?? '', $difference]));
        }
        // and doing it again changes nothing more
        expect(Json::encode(bulk(['content' => $content])->apply(standing(content: $after), $kinds)->content))->toBe(
            Json::encode($after),
        );
    }
    expect($changed)->toBeGreaterThan(0);
})->with([
    'points' => [['points' => 6], ['points']],
    'shuffle' => [['shuffle' => true], ['shuffle']],
    'no shuffle' => [['shuffle' => false], ['shuffle']],
    'attempts' => [['attempts' => ['allowed' => 3, 'cost' => '1/5']], ['attempts']],
    'when feedback shows' => [['show' => 'after'], ['show']],
    'language' => [['language' => 'en-AU'], ['language']],
]);

it('leaves a question its sheets when the tools of many are changed', function (): void {
    $content = demoContents()[0];
    [$content->stimuli, $content->tools] = [$ids = ['0192f0c4-0000-7000-8000-000000000001'], (object) ['ruler' => true, 'sheets' => $ids]];
    $after = bulk(['content' => ['tools' => ['calculator' => 'basic']]])->apply(standing(content: $content), StandardKinds::all());
    expect((array) $after->content->tools)->toBe(['calculator' => 'basic', 'sheets' => $ids]);
});

it('takes approval from what is changed, and leaves it on what is not', function (): void {
    $content = demoContents()[0];
    $now = standing(['status' => 'approved'], $content);
    expect(bulk(['content' => ['points' => 8]])->apply($now, StandardKinds::all())->record->status)
        ->toBe('draft')
        ->and(bulk(['content' => ['language' => $content->language]])->apply($now, StandardKinds::all())->record->status)
        ->toBe('approved');
});

it('puts back what was, field by field', function (array $fields, array $expected): void {
    $after = (new FieldRestore($fields))->apply(standing(['level' => 'Year 9', 'tags' => ['new']], folders: [['Here']], binned: true));
    expect(json_decode((string) json_encode([$after->record, $after->topics, $after->folders, $after->isBinned]), true))->toBe($expected);
})->with([
    'a value' => [['level' => 'Year 8'], [['level' => 'Year 8', 'tags' => ['new']], [['Rocks']], [['Here']], true]],
    'nothing, where there was nothing' => [['level' => null, 'tags' => ['old']], [['tags' => ['old']], [['Rocks']], [['Here']], true]],
    'places' => [['topics' => [['Maps']], 'folders' => null], [['level' => 'Year 9', 'tags' => ['new']], [['Maps']], [], true]],
    'out of the bin' => [['bin' => null], [['level' => 'Year 9', 'tags' => ['new']], [['Rocks']], [['Here']], false]],
    'a copy, into it' => [['copy' => null], [['level' => 'Year 9', 'tags' => ['new']], [['Rocks']], [['Here']], true]],
]);

it('undoes every change of records and places exactly', function (array $change): void {
    $before = standing(['tags' => ['old'], 'level' => 'Year 9', 'status' => 'approved'], folders: [['Year 9']]);
    $after = bulk($change)->apply($before, StandardKinds::all());
    $fields = array_map(
        fn (string $field): mixed => $before->fields()[$field] ?? null,
        array_combine($names = array_keys([...$before->fields(), ...$after->fields()]), $names),
    );
    expect((new FieldRestore($fields))->apply($after))->toEqual($before);
})->with([
    [['record' => ['tags' => ['add' => ['new'], 'remove' => ['old']], 'level' => ['set' => null], 'difficulty' => ['set' => 4]]]],
    [['topics' => ['set' => []], 'folders' => ['add' => [['Year 10']], 'remove' => [['Year 9']]]]],
    [['bin' => true]],
    [['record' => ['status' => ['set' => 'retired']]]],
]);

it('does not put a question back where it is lent no more', function (): void {
    $away = standing(home: false, facts: new QuestionFacts(isLent: false), folders: [['Kept']]);
    expect(fn () => (new FieldRestore(['folders' => [['Kept'], ['Gone']]]))->apply($away))
        ->toThrow(QuestionSkipped::class, 'does not lend')
        ->and((new FieldRestore(['folders' => []]))->apply($away)->folders)
        ->toBe([])
        ->and(fn () => (new FieldRestore([]))->apply($away))
        ->toThrow(QuestionSkipped::class, 'changed again since');
});

it('copies a question as one that nobody has approved', function (): void {
    [$content, $record] = [(object) ['id' => 'a', 'title' => 'T'], (object) ['status' => 'approved', 'tags' => ['t']]];
    $copy = QuestionCopy::of($content, $record, 'b');
    expect(json_decode((string) json_encode($copy), true))
        ->toBe(['id' => 'b', 'title' => 'T', 'record' => ['tags' => ['t']]])
        ->and($record->status)
        ->toBe('approved')
        ->and($content->id)
        ->toBe('a');
});
