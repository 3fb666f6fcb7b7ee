<?php

declare(strict_types=1);

use WideQuarry\Interchange\FixedRolls;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Tests\Support\Questions;

/** @param  array<string, mixed>|null  $variables */
function withValues(?array $variables): stdClass
{
    return Questions::read([
        'format' => 'wide-quarry/question',
        'version' => 1,
        'id' => '0192f0c4-0000-7000-8000-000000000001',
        'title' => 'Twice',
        'language' => 'en-GB',
        'body' => '<p>Twice <var data-value="a"></var> is <span data-part="p1"></span>.</p>',
        'parts' => [
            [
                'id' => 'p1',
                'kind' => 'number',
                'points' => 1,
                'settings' => (object) [],
                'key' => ['rules' => [['id' => 'r1', 'on' => ['answer' => 'value', 'value' => ['expr' => '2a']], 'credit' => '1']]],
            ],
        ],
        ...$variables === null ? [] : ['variables' => $variables],
    ])->toJson();
}

$all = [
    'list' => [
        [
            'name' => 'a', 'kind' => 'decimal', 'from' => '-2.5', 'to' => '9.5', 'step' => '0.5',
            'show' => ['sign' => 'always', 'unit' => 'm'],
        ],
        ['name' => 'b', 'kind' => 'integer', 'from' => '1', 'to' => '9'],
        ['name' => 'rock', 'kind' => 'list', 'items' => ['slate', 'the "blue" schist', 'gneiss']],
        ['name' => 'third', 'kind' => 'list', 'items' => ['1/3', '2/3']],
        ['name' => 'at', 'kind' => 'row', 'columns' => ['place', 'height'], 'rows' => [['Corrie', '612'], ['Tarn', '-4']]],
        ['name' => 's', 'kind' => 'sample', 'items' => ['2', '3', '5', '7'], 'count' => 3],
        ['name' => 'all', 'kind' => 'expr', 'expr' => 'a + b + s[1] * height'],
    ],
    'conditions' => ['b != 3', 's[1] > s[2]'],
];

it('writes what a roll drew into a copy, which then rolls nothing else', function () use ($all): void {
    $json = withValues($all);
    $original = Question::read($json, StandardKinds::all());
    $content = new PackageContents;
    $content->questions = [$json];
    $notices = (new FixedRolls(StandardKinds::all()))->in($content, 20);

    expect($content->questions)->toHaveCount(20)->and($notices[0]->message)->toContain('20 questions');
    foreach ($content->questions as $copy) {
        preg_match('/^Twice \(roll (\d+)\)$/', $copy->title, $title);
        $fixed = Question::read($copy, StandardKinds::all())->variables;

        expect($fixed->varies())->toBeFalse()
            ->and($fixed->roll(Seed::of(99), 'en-GB')->written)
            ->toEqual($original->variables->roll(Seed::of((int) $title[1]), 'en-GB')->written);
    }
});

it('makes no more copies than there are rolls, and leaves alone what does not vary or cannot be rolled', function (
    ?array $variables,
    int $copies,
    array $notices,
): void {
    $content = new PackageContents;
    $content->questions = [withValues($variables)];
    $said = (new FixedRolls(StandardKinds::all()))->in($content, 5);

    expect($content->questions)->toHaveCount($copies)->and(array_column(array_map(fn ($one) => $one->jsonSerialize(), $said), 'message'))
        ->toEqual($notices);
})->with([
    'nothing varies' => [['list' => [['name' => 'a', 'kind' => 'expr', 'expr' => '3']]], 1, []],
    'two rolls' => [
        ['list' => [['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '2']]],
        2,
        ['Its values are fixed: it goes out as 2 questions, with those of rolls 1, 3.'],
    ],
    'one roll' => [
        ['list' => [['name' => 'a', 'kind' => 'integer', 'from' => '4', 'to' => '4']]],
        1,
        ['Its values are fixed: it goes out with those of roll 1.'],
    ],
    'never met' => [['list' => [['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '2']], 'conditions' => ['a > 2']], 1, []],
]);

it('goes out as several items of QTI 1.2.1, each with its own right answer', function (): void {
    $content = new PackageContents;
    $content->questions = [withValues(['list' => [['name' => 'a', 'kind' => 'list', 'items' => ['11', '23']]]])];
    (new FixedRolls(StandardKinds::all()))->in($content, 2);
    $file = (string) tempnam(sys_get_temp_dir(), 'rolls');
    $format = Formats::standard(StandardKinds::all())->named('qti12');
    assert($format !== null);
    $format->write($content, $file);
    $zip = new ZipArchive;
    $zip->open($file);
    $items = implode('', array_map(fn (int $i): string => (string) $zip->getFromIndex($i), range(0, $zip->numFiles - 1)));
    unlink($file);

    foreach (['11' => '22', '23' => '46'] as $asked => $right) {
        expect($items)->toMatch("~Twice $asked is.*<vargte[^>]*>$right<|Twice $asked is.*<varequal[^>]*>$right<~s");
    }
});

it('says what copies lose once, of their question', function (): void {
    $content = new PackageContents;
    $content->questions = [withValues(['list' => [['name' => 'a', 'kind' => 'list', 'items' => ['11', '23']]]])];
    $rolls = new FixedRolls(StandardKinds::all());
    $rolls->in($content, 2);
    $of = fn (string $code, ?string $question): Notice => Notice::loss($code, 'Lost', question: $question);
    $said = $rolls->ofOriginals([
        ...array_map(fn (stdClass $copy): Notice => $of('hints.cost', $copy->id), $content->questions),
        $of('test.time', null),
        $of('test.time', null),
    ]);

    expect(array_map(fn (Notice $one): array => [$one->code, $one->question], $said))
        ->toBe([['hints.cost', '0192f0c4-0000-7000-8000-000000000001'], ['test.time', null], ['test.time', null]]);
});
