<?php

declare(strict_types=1);

use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Parts\StandardKinds;

/*
 * Frameworks from files: CASE 1.0 and 1.1 as the standard writes it (CFPackage, associations in any order), tables and outlines; each fault
 * there is in the wild with what is said of it.
 */

/** @param  ''|'framework'|'questions'  $as */
function frameworkIn(string $bytes, string $name = 'a.json', string $as = ''): PackageContents
{
    $file = (string) tempnam(sys_get_temp_dir(), 'case');
    try {
        file_put_contents($file, $bytes);
        $source = new Source($file, $name);

        return PackageContents::collect(Formats::standard(StandardKinds::all())->for($source, $as)->read($source));
    } finally {
        unlink($file);
    }
}

/** A UUID for a letter. */
function uuidOf(string $letter): string
{
    return sprintf('00000000-0000-4000-8000-0000000000%02x', ord($letter));
}

/**
 * @param  array<string, array<string, mixed>>  $items  letter → fields
 * @param  list<array{string, string, string, int|null}>  $links  type, from, to, sequence
 */
function casePackage(array $items, array $links): string
{
    $node = fn (string $letter): array => ['title' => $letter, 'identifier' => uuidOf($letter), 'uri' => 'https://example.org/'.uuidOf($letter)];

    return (string) json_encode([
        'CFDocument' => ['identifier' => uuidOf('D'), 'title' => 'Earth', 'version' => '2', 'creator' => 'Fellmoor'],
        'CFItems' => array_map(
            fn (string $letter, array $fields): array => ['identifier' => uuidOf($letter), 'humanCodingScheme' => $letter, 'fullStatement' => "Says $letter", ...$fields],
            array_keys($items),
            $items,
        ),
        'CFAssociations' => array_map(
            fn (array $link): array => [
                'associationType' => $link[0],
                'originNodeURI' => $node($link[1]),
                'destinationNodeURI' => $node($link[2]),
                ...isset($link[3]) ? ['sequenceNumber' => $link[3]] : [],
            ],
            $links,
        ),
    ]);
}

/** @return list<string> codes, each below its parent by two spaces */
function treeOf(PackageContents $found): array
{
    $depth = [];

    return array_map(function (stdClass $one) use (&$depth): string {
        $depth[$one->id] = $one->parent === null ? 0 : $depth[$one->parent] + 1;

        return str_repeat('  ', $depth[$one->id]).($one->code === '' ? $one->text : $one->code);
    }, $found->frameworks[0]->statements);
}

/** @return list<string> */
function codesOf(PackageContents $found): array
{
    return array_values(array_unique(array_column(array_map(fn ($one): array => $one->jsonSerialize(), $found->notices), 'code')));
}

it('builds the tree from associations in any order, siblings by their sequence numbers', function (): void {
    $found = frameworkIn(casePackage(['c' => [], 'b' => [], 'a' => [], 'y' => [], 'x' => []], [
        ['isChildOf', 'x', 'a', 1],
        ['isChildOf', 'y', 'a', 2],
        ['isChildOf', 'b', 'D', 2],
        ['isChildOf', 'a', 'D', 1],
        ['isChildOf', 'c', 'D', 3],
    ]));
    expect(treeOf($found))->toBe(['a', '  x', '  y', 'b', 'c'])
        ->and($found->frameworks[0]->title)->toBe('Earth')
        ->and($found->frameworks[0]->version)->toBe('2')
        ->and($found->notices)->toBe([]);
});

it('reads how statements stand to one another by the names of the command line', function (string $type, string $kind): void {
    $found = frameworkIn(casePackage(['a' => [], 'b' => []], [[$type, 'a', 'b', null]]));
    expect($found->frameworks[0]->associations)->toEqual([(object) ['from' => uuidOf('a'), 'to' => uuidOf('b'), 'kind' => $kind]]);
})->with([
    ['exactMatchOf', 'exact'],
    ['isPartOf', 'broader'],
    ['isPeerOf', 'related'],
    ['isRelatedTo', 'related'],
    ['replacedBy', 'replaced_by'],
    ['precedes', 'precedes'],
    ['isTranslationOf', 'isTranslationOf'],
]);

it('says what is amiss, and loses nothing', function (string $bytes, array $tree, array $codes): void {
    $found = frameworkIn($bytes);
    expect(treeOf($found))->toBe($tree)->and(codesOf($found))->toBe($codes);
})->with([
    'two of a code' => [casePackage(['a' => [], 'b' => ['humanCodingScheme' => 'A ']], []), ['a', 'A'], ['case.code', 'statement.code_twice']],
    'a parent that is not there' => [casePackage(['a' => []], [['isChildOf', 'a', 'z', 1]]), ['a'], ['statement.parent_missing']],
    'a circle' => [
        casePackage(['a' => [], 'b' => [], 'c' => []], [['isChildOf', 'a', 'b', 1], ['isChildOf', 'b', 'c', 1], ['isChildOf', 'c', 'a', 1]]),
        ['a', '  c', '    b'],
        ['statement.circle'],
    ],
    'its own parent' => [casePackage(['a' => []], [['isChildOf', 'a', 'a', 1]]), ['a'], ['statement.circle']],
    'an association to nowhere' => [casePackage(['a' => []], [['exactMatchOf', 'a', 'z', null]]), ['a'], ['case.outside']],
    'an association without a type' => [casePackage(['a' => []], [['', 'a', 'a', null]]), ['a'], ['case.association']],
    'two roots, one of them loose' => [casePackage(['a' => [], 'b' => []], [['isChildOf', 'a', 'D', 1]]), ['a', 'b'], ['case.loose']],
    'two parents' => [
        casePackage(['a' => [], 'b' => [], 'c' => []], [
            ['isChildOf', 'a', 'D', 1], ['isChildOf', 'b', 'D', 2], ['isChildOf', 'c', 'a', 1], ['isChildOf', 'c', 'b', 1],
        ]),
        ['a', '  c', 'b'],
        ['case.two_parents'],
    ],
    'a code with blanks' => [casePackage(['a' => ['humanCodingScheme' => " A  1\t"]], []), ['A 1'], ['case.code']],
    'no code' => [casePackage(['a' => ['humanCodingScheme' => null]], []), ['Says a'], []],
    'one identifier twice' => [
        str_replace(uuidOf('b'), uuidOf('a'), casePackage(['a' => [], 'b' => []], [])),
        ['a', 'b'],
        ['statement.identifier_twice'],
    ],
]);

it('keeps a statement of 5,000 characters, and fields it has no place for', function (): void {
    $long = str_repeat('Erosion. ', 555).'12345';
    $found = frameworkIn(casePackage(['a' => ['fullStatement' => $long, 'educationLevel' => ['09'], 'CFItemType' => 'Strand']], []));
    $statement = $found->frameworks[0]->statements[0];
    expect($statement->text)->toBe($long)
        ->and($statement->level)->toBe('Strand')
        ->and($statement->kept->educationLevel)->toBe(['09']);
});

it('cuts a statement longer than 20,000 characters, and says so', function (): void {
    $found = frameworkIn(casePackage(['a' => ['fullStatement' => str_repeat('a', 20_001)]], []));
    expect(mb_strlen($found->frameworks[0]->statements[0]->text))->toBe(20_000)->and(codesOf($found))->toBe(['case.text']);
});

it('knows a retired statement by its end or by its successor', function (): void {
    $found = frameworkIn(casePackage(
        ['a' => ['statusEndDate' => '2024-07-31'], 'b' => ['statusEndDate' => '2999-01-01'], 'c' => []],
        [['replacedBy', 'c', 'b', null]],
    ));
    expect(array_column($found->frameworks[0]->statements, 'retired', 'code'))->toBe(['a' => true, 'b' => false, 'c' => true]);
});

it('writes what it has read, and the same bytes each time', function (): void {
    $read = frameworkIn(casePackage(
        ['a' => ['abbreviatedStatement' => 'Short', 'notes' => 'N', 'language' => 'en', 'statusEndDate' => '2020-01-01'], 'b' => []],
        [['isChildOf', 'b', 'a', 1], ['replacedBy', 'a', 'b', null], ['isChildOf', 'a', 'D', 1], ['exactMatchOf', 'b', 'z', null]],
    ));
    $file = (string) tempnam(sys_get_temp_dir(), 'case');
    $write = function () use ($read, $file): string {
        Formats::standard(StandardKinds::all())->named('case')?->write($read, $file);

        return (string) file_get_contents($file);
    };
    $bytes = $write();
    $again = frameworkIn($bytes);
    expect($write())->toBe($bytes)
        ->and($again->frameworks[0]->associations)->toEqual($read->frameworks[0]->associations)
        ->and(treeOf($again))->toBe(treeOf($read))
        ->and($again->frameworks[0]->statements[0]->title)->toBe('Short')
        ->and($again->frameworks[0]->statements[0]->kept->language)->toBe('en')
        ->and($again->frameworks[0]->statements[0]->retired)->toBeTrue();
    unlink($file);
});

it('reads a table or an outline: by parent, by depth, by indentation, by code', function (string $bytes, string $as, array $tree): void {
    expect(treeOf(frameworkIn($bytes, 'a.csv', $as)))->toBe($tree);
})->with([
    'parents, in any order' => ["Code,Statement,Parent\nB,Two,A\nA,One,\n", '', ['A', '  B']],
    'codes and parents alone' => ["code;parent\nA;\nA.1;A\n", '', ['A', '  A.1']],
    'depth' => ["Code,Statement,Depth\nA,One,1\nX,Two,2\nB,Three,1\n", '', ['A', '  X', 'B']],
    'indentation' => ["Code,Statement\nA,One\nX,\"  Two\"\nY,\"    Three\"\nB,Four\n", '', ['A', '  X', '    Y', 'B']],
    'code' => ["Code\tStatement\nA\tOne\nA.1.b\tTwo\nA.1\tThree\n", '', ['A', '  A.1', '    A.1.b']],
    'Windows-1252' => ["Code;Statement\nA;Gr\xE8s\n", '', ['A']],
    'an outline by indentation' => ["A.1 Rocks\n  B.7 Minerals\nA.2 Time\n", 'framework', ['A.1', '  B.7', 'A.2']],
    'an outline by code' => ["1 Rocks\n1.1 Minerals\n2 Time\n", 'framework', ['1', '  1.1', '2']],
]);

it('knows retired statements and their successors in a table, and says which successor is not there', function (): void {
    $found = frameworkIn("Code,Statement,Retired,Replaced by\nA,One,yes,\nB,Two,,C\nC,Three,no,\nD,Four,,Z\n", 'a.csv');
    $statements = array_column($found->frameworks[0]->statements, null, 'code');
    expect(array_map(fn (stdClass $one): bool => $one->retired, $statements))->toBe(['A' => true, 'B' => true, 'C' => false, 'D' => true])
        ->and($found->frameworks[0]->associations)
        ->toEqual([(object) ['from' => $statements['B']->id, 'to' => $statements['C']->id, 'kind' => 'replaced_by']])
        ->and(codesOf($found))->toBe(['statements.successor']);
});

it('asks where a table could be either, and does as it is told', function (): void {
    $bytes = "Code,Statement,Question\nA,One,What?\n";
    expect(fn () => frameworkIn($bytes, 'a.csv'))->toThrow(WideQuarry\Interchange\UnreadableFile::class)
        ->and(treeOf(frameworkIn($bytes, 'a.csv', 'framework')))->toBe(['A'])
        ->and(fn () => frameworkIn("Code,Statement\nA,One\n", 'a.csv', 'questions'))->toThrow(WideQuarry\Interchange\UnreadableFile::class);
});
