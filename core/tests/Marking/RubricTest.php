<?php

declare(strict_types=1);

use Brick\Math\BigRational;
use WideQuarry\Json\Malformed;
use WideQuarry\Marking\Agreement;
use WideQuarry\Marking\PartMarks;
use WideQuarry\Marking\Rubric;
use WideQuarry\Marking\RubricText;
use WideQuarry\Numbers\Exact;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Result;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Tests\Support\LongAnswers;

function markingSteps(Result $result): array
{
    return array_column($result->parts[0]->trace, 'step');
}

it('adds up the criteria of an analytic rubric', function (array $marks, string $exact): void {
    expect(Exact::text(LongAnswers::marked(LongAnswers::essay(LongAnswers::rubric()), $marks)->exact))->toBe($exact);
})->with([
    'levels' => [['process' => ['level' => 'full'], 'terms' => ['level' => 'poor']], '4'],
    'points within a range' => [['process' => ['level' => 'half'], 'terms' => ['level' => 'good', 'points' => '3/2']], '7/2'],
    'points alone' => [['process' => ['points' => '2'], 'terms' => ['points' => '1.25']], '13/4'],
    'points between two levels' => [['process' => ['points' => '3'], 'terms' => ['points' => '0']], '3'],
    'all of it' => [['process' => ['level' => 'full'], 'terms' => ['points' => '2']], '6'],
]);

it('says what is still to be marked, and scores nothing before that', function (array $marks, array $open): void {
    $result = LongAnswers::marked(LongAnswers::essay(LongAnswers::rubric()), $marks);
    expect($result->needsMarking)
        ->toBe($open !== [])
        ->and($result->parts[0]->marking?->open)
        ->toBe($open)
        ->and($open === [] || $result->score->isZero())
        ->toBeTrue();
})->with([
    'nothing' => [[], ['process', 'terms']],
    'one criterion' => [['process' => ['level' => 'full']], ['terms']],
    'a range without points' => [['process' => ['level' => 'full'], 'terms' => ['level' => 'good']], ['terms']],
    'both' => [['process' => ['level' => 'full'], 'terms' => ['level' => 'poor']], []],
]);

it('marks an answer that is on paper', function (): void {
    $marks = ['process' => ['level' => 'full'], 'terms' => ['level' => 'poor']];
    $result = LongAnswers::marked(LongAnswers::essay(LongAnswers::rubric()), $marks, null);
    expect([$result->state, Exact::text($result->exact)])->toBe(['partly', '4']);
    $blank = (new Scorer)->score(LongAnswers::essay(LongAnswers::rubric()), new Attempt(new stdClass(), Seed::of(1)));
    expect($blank->state)->toBe('unanswered');
});

it('counts weights, caps, groups and what depends on other points', function (array $rubric, array $met, string $exact, string $step): void {
    $points = fn (string $id): array => ['points' => in_array($id, $met, true) ? '1' : '0'];
    $marks = array_combine($ids = ['c1', 'c2', 'c3', 'c4', 'c5'], array_map($points, $ids));
    $result = LongAnswers::marked(LongAnswers::essay($rubric, 10), $marks);
    expect(Exact::text($result->exact))->toBe($exact)->and(markingSteps($result))->toContain($step);
})->with([
    'all that is there' => [LongAnswers::checklist(), ['c1', 'c2', 'c5'], '3', 'rubric.summed'],
    'at most three' => [LongAnswers::checklist(['cap' => 3]), ['c1', 'c2', 'c3', 'c4'], '3', 'rubric.capped'],
    'a weight' => [LongAnswers::checklist([], ['c1' => ['weight' => '5/2']]), ['c1', 'c2'], '7/2', 'criterion.marked'],
    'any two of three' => [
        LongAnswers::checklist(
            ['groups' => [['id' => 'g', 'any' => 2]]],
            ['c1' => ['group' => 'g'], 'c2' => ['group' => 'g'], 'c3' => ['group' => 'g', 'weight' => '2']],
        ),
        ['c1', 'c2', 'c3', 'c4'],
        '4',
        'group.best',
    ],
    'a group with a most' => [
        LongAnswers::checklist(['groups' => [['id' => 'g', 'cap' => 1]]], ['c1' => ['group' => 'g'], 'c2' => ['group' => 'g']]),
        ['c1', 'c2', 'c3'],
        '2',
        'group.capped',
    ],
    'a point that depends on one that was not made' => [
        LongAnswers::checklist([], ['c2' => ['needs' => ['c1']], 'c3' => ['needs' => ['c2']]]),
        ['c2', 'c3', 'c4'],
        '1',
        'criterion.dependent',
    ],
    'a point that depends on one that was made' => [
        LongAnswers::checklist([], ['c2' => ['needs' => ['c1']]]),
        ['c1', 'c2'],
        '2',
        'rubric.summed',
    ],
]);

it('takes points off only as far as the part allows', function (): void {
    $levels = [['id' => 'fine', 'points' => 0, 'html' => ''], ['id' => 'careless', 'points' => -1.5, 'html' => '']];
    $rubric = LongAnswers::rubric();
    $rubric['criteria'][] = ['id' => 'care', 'title' => 'Care', 'negative' => true, 'levels' => $levels];
    $of = fn (string $process): string => Exact::text(
        LongAnswers::marked(LongAnswers::essay($rubric), [
            'process' => ['level' => $process],
            'terms' => ['level' => 'poor'],
            'care' => ['level' => 'careless'],
        ])->exact,
    );
    expect([$of('full'), $of('none')])->toBe(['5/2', '0']);
});

it('gives one level for the whole answer of a holistic rubric', function (): void {
    $rubric = LongAnswers::rubric(['scheme' => 'holistic']);
    $result = LongAnswers::marked(LongAnswers::essay($rubric, 4), ['process' => ['level' => 'half']]);
    expect([Exact::text($result->exact), $result->needsMarking])->toBe(['2', false]);
});

it('never gives more than the part is worth, and says so', function (): void {
    $result = LongAnswers::marked(LongAnswers::essay(LongAnswers::rubric(), 5), ['process' => ['level' => 'full'], 'terms' => ['points' => '2']]);
    expect([Exact::text($result->exact), $result->state])->toBe(['5', 'right'])->and(markingSteps($result))->toContain('credit.clamped');
});

it('marks a part without a rubric by points', function (mixed $points, string $expected): void {
    $question = LongAnswers::essay(null, 4);
    $attempt = new Attempt(LongAnswers::object(LongAnswers::ANSWER), Seed::of(1), marks: LongAnswers::object(['p1' => ['points' => $points]]));
    try {
        $said = Exact::text((new Scorer)->score($question, $attempt)->exact);
    } catch (Malformed $problem) {
        $said = $problem->path;
    }
    expect($said)->toBe($expected);
})->with([['3', '3'], ['1/3', '1/3'], ['4.5', '/marks/p1/points'], ['-1', '/marks/p1/points'], ['much', '/marks/p1/points'], [3, '/marks/p1/points']]);

it('refuses marks that do not suit the rubric, at their place', function (array $marks, string $path): void {
    $question = LongAnswers::essay(LongAnswers::rubric());
    $attempt = new Attempt(LongAnswers::object(LongAnswers::ANSWER), Seed::of(1), marks: LongAnswers::object($marks));
    expect(fn () => (new Scorer)->score($question, $attempt))->toThrow(fn (Malformed $problem) => expect($problem->path)->toBe($path));
})->with([
    'a part that is not there' => [['p9' => ['points' => '1']], '/marks/p9'],
    'a criterion that was deleted' => [['p1' => ['criteria' => ['gone' => ['level' => 'full']]]], '/marks/p1/criteria/gone'],
    'a level that was deleted' => [['p1' => ['criteria' => ['process' => ['level' => 'gone']]]], '/marks/p1/criteria/process/level'],
    'points above the highest level' => [['p1' => ['criteria' => ['process' => ['points' => '4.5']]]], '/marks/p1/criteria/process/points'],
    'points outside the range of the level' => [
        ['p1' => ['criteria' => ['terms' => ['level' => 'good', 'points' => '1/2']]]],
        '/marks/p1/criteria/terms/points',
    ],
    'points below nothing' => [['p1' => ['criteria' => ['process' => ['points' => '-1']]]], '/marks/p1/criteria/process/points'],
    'points for the whole' => [['p1' => ['points' => '3']], '/marks/p1/points'],
]);

it('refuses marks for what a key marks', function (): void {
    $question = LongAnswers::question([
        'id' => 'p1',
        'kind' => 'text',
        'points' => 1,
        'key' => ['rules' => [['id' => 'r1', 'on' => ['answer' => 'is', 'text' => ['slate']], 'credit' => '1']]],
    ]);
    $attempt = new Attempt(new stdClass(), Seed::of(1), marks: LongAnswers::object(['p1' => ['points' => '1']]));
    expect(fn () => (new Scorer)->score($question, $attempt))->toThrow(Malformed::class, 'marked by its key');
});

it('knows the most a rubric gives', function (array $rubric, string $highest): void {
    expect(Exact::text(Rubric::read(LongAnswers::object($rubric), '')->highest()))->toBe($highest);
})->with([
    'analytic' => [LongAnswers::rubric(), '6'],
    'holistic' => [LongAnswers::rubric(['scheme' => 'holistic']), '4'],
    'checklist' => [LongAnswers::checklist(), '5'],
    'with a most' => [LongAnswers::checklist(['cap' => 3]), '3'],
    'any two of three' => [
        LongAnswers::checklist(
            ['groups' => [['id' => 'g', 'any' => 2]]],
            ['c1' => ['group' => 'g'], 'c2' => ['group' => 'g'], 'c3' => ['group' => 'g']],
        ),
        '4',
    ],
    'a weight' => [LongAnswers::checklist([], ['c1' => ['weight' => '3']]), '7'],
    'empty' => [['criteria' => []], '0'],
]);

/*
 * The 2 × 2 table of 50 grants read by two people: 20 yes/yes, 5 yes/no, 10 no/yes, 15 no/no. p₀ = 35/50, pₑ = 1/2 · 6/10 + 1/2 · 4/10 =
 * 1/2, κ = (7/10 − 1/2)/(1/2) = 2/5.
 */
it('measures agreement by Cohen’s kappa', function (array $levels, ?string $kappa, string $exact, string $near): void {
    $of = Agreement::of($levels);
    expect($of)->not->toBeNull();
    expect([$of?->kappa === null ? null : Exact::text($of->kappa), Exact::text($of->exact), Exact::text($of->withinOne)])->toBe([$kappa, $exact, $near]);
})->with([
    'fifty grants' => [
        [...array_fill(0, 20, [1, 1]), ...array_fill(0, 5, [1, 0]), ...array_fill(0, 10, [0, 1]), ...array_fill(0, 15, [0, 0])],
        '2/5',
        '7/10',
        '1',
    ],
    'always alike' => [[[0, 0], [1, 1], [2, 2]], '1', '1', '1'],
    'as chance would have it' => [[[0, 0], [0, 1], [1, 0], [1, 1]], '0', '1/2', '1'],
    'never alike' => [[[0, 3], [3, 0]], '-1', '0', '0'],
    'one level only' => [[[2, 2], [2, 2]], null, '1', '1'],
]);

it('does not change when two markers change places', function (): void {
    for ($seed = 1; $seed <= 200; $seed++) {
        mt_srand($seed);
        $pairs = array_map(fn (): array => [mt_rand(0, 3), mt_rand(0, 3)], range(1, mt_rand(1, 12)));
        $turned = array_map(array_reverse(...), $pairs);
        [$one, $other] = [Agreement::of($pairs), Agreement::of($turned)];
        expect($one?->kappa?->compareTo($other->kappa ?? BigRational::of(9)) ?? 0)->toBe(0)->and($one?->kappa?->isGreaterThan(1) ?? false)->toBeFalse();
    }
});

it('compares two people level by level, with points on a checklist that were not made below', function (): void {
    $rubric = Rubric::read(LongAnswers::object(LongAnswers::rubric()), '');
    $marks = fn (array $criteria): PartMarks => PartMarks::read(LongAnswers::object(['criteria' => $criteria]), '', $rubric, BigRational::of(6));
    expect(
        Agreement::levels(
            $rubric,
            $marks(['process' => ['level' => 'full'], 'terms' => ['points' => '1.5']]),
            $marks(['process' => ['level' => 'none'], 'terms' => ['points' => '0']]),
        ),
    )->toBe([[3, 1], [2, 1]]);
    $list = Rubric::read(LongAnswers::object(LongAnswers::checklist()), '');
    $ticked = fn (string $points): PartMarks => PartMarks::read(
        LongAnswers::object(['criteria' => ['c1' => ['points' => $points]]]),
        '',
        $list,
        BigRational::of(5),
    );
    expect(Agreement::levels($list, $ticked('1'), $ticked('0')))->toBe([[1, 0]]);
});

it('writes a rubric as a table', function (array $rubric, array $said): void {
    $html = (new RubricText(Rubric::read(LongAnswers::object($rubric), '')))->html();
    foreach ($said as $words) {
        expect($html)->toContain($words);
    }
    expect(WideQuarry\Content\Reader::read($html)->dropped)->toBe([]);
})->with([
    'analytic' => [LongAnswers::rubric(), ['<th scope="row" rowspan="3">Process', '<td>1–2</td>', 'Erosion outside']],
    'holistic' => [LongAnswers::rubric(['scheme' => 'holistic', 'html' => '<p>Read twice.</p>']), ['<p>Read twice.</p>', '<td>4</td>']],
    'checklist' => [
        LongAnswers::checklist(
            ['groups' => [['id' => 'g', 'title' => 'Causes', 'any' => 2]], 'cap' => 3],
            [
                'c1' => ['group' => 'g', 'accept' => ['faster water'], 'reject' => ['more water']],
                'c2' => ['group' => 'g'],
                'c3' => ['group' => 'g', 'needs' => ['c1'], 'weight' => '0.5'],
            ],
        ),
        [
            'Causes: any 2 of these 3',
            'Accept:</em> faster water',
            'Do not accept:</em> more water',
            'only if “Point 1” is given',
            '0.5',
            'At most 3 in all.',
        ],
    ],
]);
