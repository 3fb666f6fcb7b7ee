<?php

declare(strict_types=1);

use WideQuarry\Checks\Completeness;
use WideQuarry\Content\WordCount;
use WideQuarry\Finding;
use WideQuarry\Json\Json;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Question\Features;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\PartResult;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Tests\Support\LongAnswers;

function partOf(Question $question, mixed $response): PartResult
{
    return (new Scorer)->score($question, new Attempt(LongAnswers::object(['p1' => $response]), Seed::of(1)))->parts[0];
}

/** @return list<string> codes of what is found, blocking ones with "!" */
function checksOf(Question $question): array
{
    return array_map(
        fn (Finding $finding): string => $finding->code.($finding->isBlocking() ? '!' : ''),
        (new Completeness)->findings($question),
    );
}

// the front end counts the same (resources/js/lib/countWords.test.tsx)
it('counts words as people do', function (string $text, int $words): void {
    expect(WordCount::of($text))->toBe($words);
})->with([
    ...array_map(
        fn (mixed $case): array => (array) $case,
        (array) Json::decode((string) file_get_contents(__DIR__.'/../cases/words.json')),
    ),
    'twenty thousand' => [str_repeat('word ', 20000), 20000],
]);

it('says how many words an essay has, and cuts nothing', function (array $limits, string $text, string $limit, int $words): void {
    $part = partOf(LongAnswers::essay(null, 4, ['settings' => ['words' => (object) $limits]]), ['text' => $text]);
    expect([$part->state, $part->trace[0]['words'], $part->trace[0]['limit']])->toBe(['needs_marking', $words, $limit]);
})->with([
    'no limits' => [[], 'one two three', 'within', 3],
    'too few' => [['min' => 4], 'one two three', 'below', 3],
    'too many' => [['max' => 2], 'one two three', 'above', 3],
    'just enough' => [['min' => 3, 'max' => 3], 'one two three', 'within', 3],
    'twenty thousand words' => [['max' => 500], str_repeat('basalt ', 20000), 'above', 20000],
]);

it('knows when nothing was written', function (array $settings, mixed $response, string $state): void {
    expect(partOf(LongAnswers::essay(null, 4, ['settings' => (object) $settings]), $response)->state)->toBe($state);
})->with([
    'nothing' => [[], ['text' => " \n"], 'unanswered'],
    'the text it begins with' => [['start' => '<p>I think that</p>'], ['text' => 'I think that '], 'unanswered'],
    'more than that' => [['start' => '<p>I think that</p>'], ['text' => 'I think that it is slate'], 'needs_marking'],
    'rich text without words' => [['format' => 'rich'], ['text' => '<p></p><ul><li></li></ul>'], 'unanswered'],
    'rich text' => [['format' => 'rich'], ['text' => '<p>It is <strong>slate</strong></p>'], 'needs_marking'],
    'tags are words in plain text' => [[], ['text' => '<p></p>'], 'needs_marking'],
    'another shape' => [[], ['chosen' => ['a']], 'unreadable'],
    'far too long' => [[], ['text' => str_repeat('a', 200_001)], 'unreadable'],
]);

it('takes files of the kinds, sizes and number asked for', function (mixed $files, string $state, string $words): void {
    $question = LongAnswers::question([
        'id' => 'p1',
        'kind' => 'upload',
        'points' => 5,
        'settings' => ['types' => ['image/*', 'application/pdf'], 'size' => 5_000_000, 'count' => 2],
    ]);
    $part = partOf($question, ['files' => $files]);
    expect($part->state)->toBe($state)->and((string) json_encode($part->trace, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES))->toContain($words);
})->with([
    'a picture' => [[['name' => 'sketch.jpg', 'type' => 'image/jpeg', 'size' => 81234]], 'needs_marking', '"files":1'],
    'two, known by their names' => [[['name' => 'a.PNG'], ['name' => 'b.pdf']], 'needs_marking', '"files":2'],
    'none' => [[], 'unanswered', ''],
    'three' => [[['name' => 'a.png'], ['name' => 'b.png'], ['name' => 'c.png']], 'unreadable', '3 files were handed in'],
    'another kind' => [[['name' => 'a.docx']], 'unreadable', '“a.docx” is not one of the kinds of file asked for: pictures, PDF'],
    'a type that lies beside its name' => [[['name' => 'a.pdf', 'type' => 'text/html']], 'unreadable', 'not one of the kinds'],
    'too large' => [[['name' => 'a.png', 'size' => 6_000_000]], 'unreadable', '“a.png” has 6 MB; at most 5 MB'],
    'without a name' => [[['size' => 1]], 'unreadable', 'each with its name'],
    'no list' => ['a.png', 'unreadable', 'list of files'],
]);

it('shows learners nothing of rubrics and model answers', function (string $kind): void {
    $key = ['rubric' => LongAnswers::rubric(), 'models' => [['id' => 'm1', 'html' => '<p>Because.</p>']]];
    $of = fn (mixed $key): string => json_encode(
        (new Presenter)->present(LongAnswers::question(['id' => 'p1', 'kind' => $kind, 'points' => 6, 'key' => $key]), Seed::of(7)),
    );
    expect($of($key))->toBe($of(new stdClass()));
})->with(['essay', 'upload']);

it('finds what keeps people from marking alike', function (array $rubric, array $codes, int|float $points = 6): void {
    $found = array_values(array_diff(checksOf(LongAnswers::essay($rubric, $points)), ['models.missing']));
    expect($found)->toBe($codes);
})->with(function (): array {
    $with = function (string $criterion, array $changed): array {
        $rubric = LongAnswers::rubric();
        foreach ($rubric['criteria'] as $i => $one) {
            $rubric['criteria'][$i] = $one['id'] === $criterion ? [...$one, ...$changed] : $one;
        }

        return $rubric;
    };
    $level = fn (mixed $points, string $html = '<p>x</p>'): array => ['id' => "l$html", 'points' => $points, 'html' => $html];

    return [
        'nothing' => [LongAnswers::rubric(), []],
        'less than the part is worth' => [LongAnswers::rubric(), ['rubric.below_points'], 7],
        'more than the part is worth' => [LongAnswers::rubric(), ['rubric.above_points'], 5.5],
        'no criteria' => [['criteria' => []], ['rubric.empty']],
        'guidance alone' => [['criteria' => [], 'html' => '<p>Be kind.</p>'], []],
        'a level without points' => [$with('terms', ['levels' => [$level(2), $level(null, '<p>y</p>')]]), ['rubric.level_points!']],
        'a level that says nothing' => [$with('terms', ['levels' => [$level(2), $level(0, '')]]), ['rubric.descriptor']],
        'a range backwards' => [
            $with('terms', ['levels' => [$level(2), $level(['from' => 1, 'to' => 0], '<p>y</p>')]]),
            ['rubric.level_range!'],
        ],
        'levels that overlap' => [
            $with('terms', ['levels' => [$level(['from' => 1, 'to' => 2]), $level(['from' => 0, 'to' => 1], '<p>y</p>')]]),
            ['rubric.levels_overlap'],
        ],
        'points taken off without leave' => [$with('terms', ['levels' => [$level(2), $level(-1, '<p>y</p>')]]), ['rubric.negative!']],
        'no levels' => [$with('terms', ['levels' => []]), ['rubric.no_levels!', 'rubric.below_points']],
        'a weight that is no number' => [$with('terms', ['weight' => 'double']), ['rubric.weight!']],
        'a group that is not there' => [$with('terms', ['group' => 'g9']), ['rubric.group!']],
        'it depends on itself' => [$with('terms', ['needs' => ['terms']]), ['rubric.needs!', 'rubric.below_points']],
        'a circle' => [
            LongAnswers::checklist([], ['c1' => ['needs' => ['c2']], 'c2' => ['needs' => ['c1']]]),
            ['rubric.ring!', 'rubric.below_points'],
            5,
        ],
        'more of a group than it has' => [
            LongAnswers::checklist(['groups' => [['id' => 'g', 'any' => 3]]], ['c1' => ['group' => 'g'], 'c2' => ['group' => 'g']]),
            ['rubric.any'],
            5,
        ],
        'two criteria of a holistic rubric' => [LongAnswers::rubric(['scheme' => 'holistic']), ['rubric.holistic!'], 4],
    ];
});

it('misses a model answer from six points on', function (int $points, array $models, bool $isMissing): void {
    $question = LongAnswers::essay(null, $points, ['key' => ['models' => $models, 'rubric' => ['criteria' => [], 'html' => '<p>x</p>']]]);
    expect(in_array('models.missing', checksOf($question), true))->toBe($isMissing);
})->with([[5, [], false], [6, [], true], [6, [['id' => 'm1', 'html' => '<p>x</p>']], false]]);

it('misses the passage of a remark, and marks of an earlier rubric', function (array $model, array $codes): void {
    $key = ['rubric' => LongAnswers::rubric(), 'models' => [['id' => 'm1', 'html' => '<p>The <span data-remark="r1">water</span></p>', ...$model]]];
    expect(checksOf(LongAnswers::essay(null, 6, ['key' => $key])))->toBe($codes);
})->with([
    'all there' => [['passages' => [['id' => 'r1', 'html' => '<p>good</p>']], 'criteria' => ['process' => ['level' => 'full']]], []],
    'a passage edited away' => [['passages' => [['id' => 'r2', 'html' => '<p>good</p>']]], ['models.remark_lost']],
    'a level that is gone' => [['criteria' => ['process' => ['level' => 'superb']]], ['models.marks']],
]);

it('runs specimens that a person marked', function (string $score, bool $holds): void {
    $specimen = [
        'id' => 's1',
        'response' => LongAnswers::ANSWER,
        'marks' => ['p1' => ['criteria' => ['process' => ['level' => 'half'], 'terms' => ['level' => 'poor']]]],
        'markings' => [['by' => 'Tam', 'marks' => ['p1' => ['criteria' => new stdClass()]]]],
        'score' => $score,
    ];
    $question = LongAnswers::essay(LongAnswers::rubric(), 6, [], ['record' => ['specimens' => [$specimen]]]);
    expect((new Completeness)->failingSpecimens($question) === [])->toBe($holds);
})->with([['2', true], ['3', false]]);

it('plans how long marking takes', function (array $part, float $minutes): void {
    expect(Features::markingMinutes(LongAnswers::question(['id' => 'p1', 'points' => 6, ...$part])))->toBe($minutes);
})->with([
    // 200 words a minute, 15 seconds a criterion
    'by its most words and two criteria' => [
        ['kind' => 'essay', 'settings' => ['words' => ['max' => 400]], 'key' => ['rubric' => LongAnswers::rubric()]],
        2.5,
    ],
    'by its lines' => [['kind' => 'essay', 'settings' => ['lines' => 20]], 1.3],
    'a key marks it' => [['kind' => 'text', 'key' => ['rules' => []]], 0.0],
]);

it('finds rubrics and model answers of any kind, where a person marks it', function (): void {
    $key = ['rules' => [], 'rubric' => LongAnswers::checklist(), 'models' => [['id' => 'm1', 'html' => '<p>slate</p>']]];
    $question = fn (string $scheme): Question => LongAnswers::question(
        ['id' => 'p1', 'kind' => 'text', 'points' => 5, 'key' => $key, 'scoring' => ['scheme' => $scheme]],
    );
    expect(Features::of($question('person')))->toBe(['rubric', 'models'])
        ->and(checksOf($question('person')))->toBe([])
        ->and(checksOf($question('weights')))->toContain('rubric.unused');
    $marked = (new Scorer)->score($question('person'), new Attempt(
        LongAnswers::object(['p1' => ['text' => 'slate']]),
        Seed::of(1),
        marks: LongAnswers::object(['p1' => ['criteria' => (object) array_fill_keys(['c1', 'c2', 'c3', 'c4', 'c5'], ['points' => '1'])]]),
    ));
    expect($marked->state)->toBe('right');
});
