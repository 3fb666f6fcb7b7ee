<?php

declare(strict_types=1);

use PhpParser\Node;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;

const LONGEST_METHOD = 40; // lines
const MOST_BRANCHES = 15; // cyclomatic complexity
const LONG_LINES = 44; // of core and app, over 140: a string or a type that cannot be broken

/** @return list<string> */
function sourceFiles(): array
{
    $files = [];
    foreach (['core/src', 'app'] as $root) {
        $all = new RecursiveIteratorIterator(new RecursiveDirectoryIterator(__DIR__."/../../$root", FilesystemIterator::SKIP_DOTS));
        foreach ($all as $file) {
            if (str_ends_with((string) $file, '.php')) {
                $files[] = (string) $file;
            }
        }
    }

    return $files;
}

function complexity(Node\Stmt\ClassMethod $method): int
{
    $branches = [
        Node\Stmt\If_::class, Node\Stmt\ElseIf_::class, Node\Stmt\For_::class, Node\Stmt\Foreach_::class, Node\Stmt\While_::class,
        Node\Stmt\Catch_::class, Node\Expr\Ternary::class, Node\Expr\BinaryOp\BooleanAnd::class, Node\Expr\BinaryOp\BooleanOr::class,
        Node\Expr\BinaryOp\Coalesce::class,
    ];
    $isBranch = fn (Node $node): bool => in_array($node::class, $branches, true)
        || ($node instanceof Node\Stmt\Case_ && $node->cond !== null)
        || ($node instanceof Node\MatchArm && $node->conds !== null);

    return 1 + count((new NodeFinder)->find($method->stmts ?? [], $isBranch));
}

it('keeps methods short and plain, or says why not', function (): void {
    $parser = (new ParserFactory)->createForNewestSupportedVersion();
    $reasons = require __DIR__.'/long-methods.php';
    $found = [];
    foreach (sourceFiles() as $file) {
        $tree = $parser->parse((string) file_get_contents($file)) ?? [];
        $class = preg_replace('#^.*?/(?:core/src/|(?=app/))|\.php$#', '', str_replace('/../..', '', $file));
        foreach ((new NodeFinder)->findInstanceOf($tree, Node\Stmt\ClassMethod::class) as $method) {
            $lines = $method->getEndLine() - $method->getStartLine() + 1;
            if ($lines > LONGEST_METHOD || complexity($method) > MOST_BRANCHES) {
                $found["$class::$method->name"] = true;
            }
        }
    }

    expect(array_keys(array_diff_key($found, $reasons)))->toBe([], 'long without a reason')
        ->and(array_keys(array_diff_key($reasons, $found)))->toBe([], 'short now: take it out of long-methods.php');
});

it('keeps lines under 140', function (): void {
    $long = [];
    foreach (sourceFiles() as $file) {
        foreach (file($file, FILE_IGNORE_NEW_LINES) ?: [] as $n => $line) {
            if (mb_strlen($line) > 140) {
                $long[] = "$file:".($n + 1);
            }
        }
    }

    expect(count($long))->toBeLessThanOrEqual(LONG_LINES);
});

it('writes statements as statements', function (): void {
    $parser = (new ParserFactory)->createForNewestSupportedVersion();
    $hidden = fn (Node $node): bool => $node instanceof Node\Stmt\Expression
        && ($node->expr instanceof Node\Expr\BinaryOp\BooleanAnd || $node->expr instanceof Node\Expr\BinaryOp\BooleanOr
            || $node->expr instanceof Node\Expr\Ternary);
    foreach (sourceFiles() as $file) {
        $found = (new NodeFinder)->findFirst($parser->parse((string) file_get_contents($file)) ?? [], $hidden);
        expect($found)->toBeNull("$file:{$found?->getStartLine()} hides an if in an expression");
    }
});
