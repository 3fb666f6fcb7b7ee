<?php

declare(strict_types=1);

use WideQuarry\Json\Malformed;
use WideQuarry\Question\RecordChange;
use WideQuarry\Standards\Alignment;
use WideQuarry\Standards\Association;
use WideQuarry\Standards\CodeMatch;
use WideQuarry\Standards\Comparison;
use WideQuarry\Standards\Coverage;
use WideQuarry\Standards\NameUuid;
use WideQuarry\Standards\NodeModel;
use WideQuarry\Standards\Proposal;
use WideQuarry\Standards\Proposals;
use WideQuarry\Standards\Statement;
use WideQuarry\Standards\StatementCode;

const STATEMENT_A = '00000000-0000-4000-8000-000000000001';
const STATEMENT_B = '00000000-0000-4000-8000-000000000002';
const STATEMENT_C = '00000000-0000-4000-8000-000000000003';

it('makes a UUID from a name as RFC 9562 does', function (): void {
    // the example of its appendix A.4: version 5 of www.example.com in the space of DNS names
    expect(NameUuid::of('6ba7b810-9dad-11d1-80b4-00c04fd430c8', 'www.example.com'))->toBe('2ed6657d-e927-568b-95e1-2665a8aea6a2');
});

it('takes codes for the same whatever their case and blanks, and finds the one above', function (string $code, string $folded, ?string $above): void {
    expect(StatementCode::folded($code))->toBe($folded)->and(StatementCode::above($code))->toBe($above);
})->with([
    ['FEF.2.3.b', 'fef.2.3.b', 'FEF.2.3'],
    [" FEF 2.3\u{A0}", 'fef2.3', 'FEF 2'],
    ['A-1', 'a-1', 'A'],
    ['1.1)', '1.1)', '1'],
    ['A', 'a', null],
    ['', '', null],
]);

it('compares two versions: by identifier first, then by a code that stands once', function (): void {
    $before = [
        new Statement(STATEMENT_A, 'A', 'Names rocks.'),
        new Statement(STATEMENT_B, 'A.1', 'Names minerals.', STATEMENT_A),
        new Statement('00000000-0000-4000-8000-000000000009', 'X', 'Goes.'),
        new Statement('00000000-0000-4000-8000-000000000007', 'D', 'Draws.'),
    ];
    $after = [
        new Statement(STATEMENT_A, 'B', 'names   rocks'),
        new Statement(STATEMENT_C, 'A.1', 'Names minerals and ores.'),
        new Statement('00000000-0000-4000-8000-000000000008', 'N', 'New.'),
        new Statement('00000000-0000-4000-8000-00000000000d', 'D', 'Draws.', STATEMENT_A),
    ];
    $comparison = Comparison::between($before, $after);
    expect($comparison->recoded)->toBe(['A → B'])
        ->and($comparison->reworded)->toBe(['A.1'])
        ->and($comparison->moved)->toBe(['A.1', 'D'])
        ->and($comparison->added)->toBe(['N'])
        ->and($comparison->gone)->toBe(['X'])
        ->and(array_map(fn (Association $one): string => $one->kind, $comparison->succession()))->toBe(['exact', 'replaced_by', 'exact']);
});

it('knows which statement a code means only where it is sure', function (string $framework, ?string $found): void {
    $candidate = fn (string $id, string $title, string $version, bool $inForce): array => [
        'id' => $id,
        'framework' => $id,
        'title' => $title,
        'version' => $version,
        'publisher' => 'Fellmoor',
        'inForce' => $inForce,
    ];
    $candidates = [
        $candidate(STATEMENT_A, 'Earth', '2025', false),
        $candidate(STATEMENT_B, 'Earth', '2026', true),
        $candidate(STATEMENT_C, 'Ladder', '3', true),
    ];
    $given = Alignment::read((object) ['framework' => $framework, 'code' => 'A'], '');
    expect(CodeMatch::of($given, $candidates))->toBe($found)
        ->and(CodeMatch::of(Alignment::read((object) ['framework' => '', 'code' => 'A'], ''), [$candidates[0]]))->toBeNull();
})->with([
    ['Earth', STATEMENT_B],
    ['earth, 2025', STATEMENT_A],
    ['Ladder', STATEMENT_C],
    ['Fellmoor', null],
    ['', null],
    ['Another', null],
]);

it('adds, takes out and moves standards of a record', function (array $change, array $after): void {
    $one = fn (string $code, ?string $id, string $relation = 'assesses'): stdClass => (object) array_filter(
        ['framework' => 'F', 'code' => $code, 'statement' => $id, 'relation' => $relation === 'assesses' ? null : $relation],
    );
    $record = (object) ['standards' => [$one('A', STATEMENT_A), $one('Z 1', null)]];
    $changed = RecordChange::read(json_decode((string) json_encode(['standards' => $change])), '')->apply($record);
    expect(json_encode($changed->standards ?? []))->toBe(json_encode($after));
})->with([
    'another' => [
        ['add' => [['framework' => 'F', 'code' => 'B', 'statement' => STATEMENT_B]]],
        [
            ['framework' => 'F', 'code' => 'A', 'statement' => STATEMENT_A],
            ['framework' => 'F', 'code' => 'Z 1'],
            ['framework' => 'F', 'code' => 'B', 'statement' => STATEMENT_B],
        ],
    ],
    'the same, only touched' => [
        ['add' => [['framework' => 'F', 'code' => 'A', 'statement' => STATEMENT_A, 'relation' => 'touches']]],
        [['framework' => 'F', 'code' => 'A', 'statement' => STATEMENT_A, 'relation' => 'touches'], ['framework' => 'F', 'code' => 'Z 1']],
    ],
    'a code without a statement, as it is typed' => [
        ['remove' => [['framework' => 'F', 'code' => 'z1']]],
        [['framework' => 'F', 'code' => 'A', 'statement' => STATEMENT_A]],
    ],
    'all' => [['set' => []], []],
    'one becomes two, each once' => [
        ['move' => [
            ['from' => STATEMENT_A, 'to' => ['framework' => 'G', 'code' => 'B', 'statement' => STATEMENT_B]],
            ['from' => STATEMENT_A, 'to' => ['framework' => 'G', 'code' => 'C', 'statement' => STATEMENT_C]],
            ['from' => STATEMENT_A, 'to' => ['framework' => 'G', 'code' => 'C', 'statement' => STATEMENT_C]],
        ]],
        [
            ['framework' => 'G', 'code' => 'B', 'statement' => STATEMENT_B],
            ['framework' => 'G', 'code' => 'C', 'statement' => STATEMENT_C],
            ['framework' => 'F', 'code' => 'Z 1'],
        ],
    ],
]);

it('refuses an alignment that names nothing, at its place', function (mixed $standard, string $path): void {
    try {
        RecordChange::read((object) ['standards' => (object) ['add' => [$standard]]], '/record');
    } catch (Malformed $problem) {
        expect($problem->path)->toBe($path);

        return;
    }
    test()->fail('It was taken.');
})->with([
    [(object) ['framework' => 'F'], '/record/standards/add/0'],
    [(object) ['framework' => 'F', 'code' => 'A', 'statement' => 'x'], '/record/standards/add/0/statement'],
    [(object) ['framework' => 'F', 'code' => 'A', 'relation' => 'proves'], '/record/standards/add/0/relation'],
    ['FEF.1', '/record/standards/add/0'],
]);

it('says where a coverage is thin, empty places first, at the level that is looked at', function (): void {
    $cell = fn (int $questions, int $approved): array => ['questions' => $questions, 'approved' => $approved, 'points' => 1.0];
    $coverage = new Coverage(
        ['a' => null, 'a1' => 'a', 'a2' => 'a', 'b' => null, 'c' => null],
        [
            'a' => ['1' => $cell(3, 1), '2' => $cell(1, 1)],
            'a1' => ['1' => $cell(3, 1), '2' => $cell(1, 1)],
            'c' => ['1' => $cell(2, 2)],
        ],
        ['1', '2'],
    );
    $names = fn (array $thin): array => array_map(fn (array $one): string => $one['node'].':'.implode(',', $one['missing']), $thin);
    expect($names($coverage->thin(1, false)))->toBe(['a2:1,2', 'b:1,2', 'c:2'])
        ->and($names($coverage->thin(2, false)))->toBe(['a2:1,2', 'b:1,2', 'c:2', 'a1:2'])
        ->and($names($coverage->thin(2, true)))->toBe(['a2:1,2', 'b:1,2', 'a1:1,2', 'c:2'])
        ->and($names($coverage->thin(1, false, ['a2'])))->toBe(['b:1,2', 'c:2'])
        ->and($names($coverage->thin(1, false, [], 1)))->toBe(['b:1,2', 'c:2'])
        ->and($names($coverage->thin(2, false, [], 1)))->toBe(['b:1,2', 'c:2', 'a:2']);

    // both lack as much, but one has drafts to approve
    $drafts = new Coverage(['x' => null, 'y' => null], ['x' => ['1' => $cell(5, 0)]], ['1']);
    expect(array_column($drafts->thin(1, true), 'none', 'node'))->toBe(['y' => true, 'x' => false]);
});

it('proposes by wording where nothing is classified, by classified questions where something is, and leans on the branch', function (): void {
    $node = fn (string $id, array $above, array $wording, array $classified = [], int $questions = 0): NodeModel => new NodeModel(
        $id,
        [...$above, $id],
        $wording,
        max(4, count($wording)),
        $classified,
        $questions,
        array_sum($classified),
    );
    $ids = fn (array $proposals): array => array_map(fn (Proposal $one): string => $one->node, $proposals);
    $question = ['~fold' => 1.0, '~bed' => 1.0];

    // by wording alone
    $wording = [$node('rocks', [], ['~rock']), $node('folds', [], ['~fold', '~bed']), $node('faults', [], ['~fault', '~bed'])];
    $proposals = Proposals::for($question, $wording);
    expect($ids($proposals))->toBe(['folds', 'faults'])->and($proposals[0]->stems)->toBe(['~fold', '~bed']);

    // ten questions about folds stand under another statement than its wording says
    $learned = [$node('rocks', [], ['~rock'], ['~fold' => 10, '~bed' => 10], 10), $node('folds', [], ['~fold']), $node('faults', [], ['~fault'])];
    expect($ids(Proposals::for($question, $learned))[0])->toBe('rocks');

    // two twigs alike: the one on the branch that speaks of folds
    $branches = [
        $node('a', [], ['~fold']),
        $node('a1', ['a'], ['~bed']),
        $node('b', [], ['~river']),
        $node('b1', ['b'], ['~bed']),
    ];
    $order = $ids(Proposals::for($question, $branches));
    expect(array_search('a1', $order, true))->toBeLessThan(array_search('b1', $order, true));
    expect(Proposals::for(['~volcano' => 1.0], $branches))->toBe([]);

    // alike in every word: the one more is classified under
    $asked = [$node('a', [], ['~fold']), $node('b', [], ['~fold'], [], 5)];
    expect($ids(Proposals::for($question, $asked)))->toBe(['b', 'a']);
});

it('proposes no retired statement, and no heading once anything is classified', function (): void {
    $retired = new NodeModel('old', ['old'], ['~fold'], 1, isOffered: false);
    $heading = new NodeModel('all', ['all'], ['~fold'], 1);
    $leaf = new NodeModel('one', ['all', 'one'], ['~fold'], 1, ['~fold' => 1], 1, 1);
    $proposals = Proposals::for(['~fold' => 1.0], [$retired, $heading, $leaf]);
    expect(array_map(fn (Proposal $one): string => $one->node, $proposals))->toBe(['one']);
});
