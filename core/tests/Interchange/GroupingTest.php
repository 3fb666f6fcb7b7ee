<?php

declare(strict_types=1);

use WideQuarry\Duplicates\MinHashSignature;
use WideQuarry\Interchange\Grouping;

$groups = [
    (object) ['id' => 'q', 'parent' => null, 'kind' => 'test', 'title' => 'Autumn quiz', 'questions' => ['1']],
    (object) ['id' => 's', 'parent' => 'q', 'kind' => 'section', 'title' => '', 'questions' => []],
    (object) ['id' => 'p', 'parent' => 's', 'kind' => 'pool', 'title' => 'Soil', 'questions' => ['2', '3']],
    (object) ['id' => 'same', 'parent' => 'p', 'kind' => 'section', 'title' => ' Soil ', 'questions' => ['4']],
    (object) ['id' => 'empty', 'parent' => 'q', 'kind' => 'section', 'title' => 'Nothing', 'questions' => []],
    (object) ['id' => 'round', 'parent' => 'about', 'kind' => 'section', 'title' => 'Round', 'questions' => ['5']],
    (object) ['id' => 'about', 'parent' => 'round', 'kind' => 'section', 'title' => 'About', 'questions' => []],
];

it('makes folders of groups', function (string $group, array $names, array $path) use ($groups): void {
    expect(Grouping::of($groups, $names)->path($group))->toBe($path);
})->with([
    'at the top' => ['q', [], ['Autumn quiz']],
    'through one without a name' => ['p', [], ['Autumn quiz', 'Soil']],
    'named as the one around it' => ['same', [], ['Autumn quiz', 'Soil']],
    'named anew' => ['p', ['p' => 'Pool of soil', 's' => 'Part 1'], ['Autumn quiz', 'Part 1', 'Pool of soil']],
    'left out' => ['p', ['q' => ''], ['Soil']],
    'in one another' => ['round', [], ['About', 'Round']],
    'none' => ['nosuch', [], []],
]);

it('shows them as a tree, without what is empty', function () use ($groups): void {
    expect(
        array_map(fn (array $row): string => str_repeat('-', $row['depth'])."$row[id] $row[questions]", Grouping::of($groups)->tree()),
    )
        ->toBe(['q 1', '-s 0', '--p 2', '---same 1'])
        ->and(Grouping::of($groups)->within('s'))
        ->toBe(['s', 'p', 'same']);
});

// The chance of a band in common is 1 − (1 − j⁵)⁸ for sets that share the part j: 0.96, 0.48 and 0.08.
it('meets what is nearly the same as often as it should', function (float $shared, float $least, float $most): void {
    $met = 0;
    for ($n = 0; $n < 400; $n++) {
        $both = (int) round($shared * 60);
        $words = fn (string $of, int $count): array => array_map(fn (int $i): string => "$of$n-$i", range(1, $count));
        $common = $words('c', $both);
        $met +=
            array_intersect(
                MinHashSignature::ofWords([...$common, ...$words('a', (60 - $both) / 2 ?: 1)]),
                MinHashSignature::ofWords([...$common, ...$words('b', (60 - $both) / 2 ?: 1)]),
            ) !== []
                ? 1
                : 0;
    }
    expect($met / 400)
        ->toBeGreaterThanOrEqual($least)
        ->toBeLessThanOrEqual($most);
})->with([
    'four of five words' => [0.8, 0.9, 1.0],
    'three of five' => [0.6, 0.36, 0.62],
    'two of five' => [0.4, 0.0, 0.16],
    'one of ten' => [0.1, 0.0, 0.01],
]);
