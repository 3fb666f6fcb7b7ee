<?php

declare(strict_types=1);

use PhpParser\Node;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;

it('denies one thing at a time', function (): void {
    // `not->toContain('a', 'b')` holds as soon as one of the two is missing: a second argument that was meant as a message made tests
    // that could not fail
    $variadic = ['toContain', 'toContainEqual', 'toHaveKeys', 'toHaveProperties'];
    $isTrap = fn (Node $node): bool => $node instanceof Node\Expr\MethodCall
        && $node->name instanceof Node\Identifier && in_array($node->name->name, $variadic, true)
        && $node->var instanceof Node\Expr\PropertyFetch && $node->var->name instanceof Node\Identifier && $node->var->name->name === 'not'
        && (count($node->args) > 1 || ($node->args[0] instanceof Node\Arg && $node->args[0]->unpack));
    $parser = (new ParserFactory)->createForNewestSupportedVersion();
    $found = [];
    foreach (['tests', 'core/tests'] as $folder) {
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(__DIR__."/../../$folder")) as $file) {
            if (str_ends_with((string) $file, '.php')) {
                $tree = $parser->parse((string) file_get_contents((string) $file)) ?? [];
                foreach ((new NodeFinder)->find($tree, $isTrap) as $node) {
                    $found[] = basename((string) $file).':'.$node->getStartLine();
                }
            }
        }
    }
    expect($found)->toBe([]);
});

it('gives front-end tests that replace modules a set of modules of their own', function (): void {
    $sharing = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(__DIR__.'/../../resources/js')) as $file) {
        $shares = preg_match('/(?<!\.alone)\.test\.tsx?$/', (string) $file) === 1;
        if ($shares && preg_match('/vi\.(mock|doMock|resetModules)\(/', (string) file_get_contents((string) $file)) === 1) {
            $sharing[] = basename((string) $file);
        }
    }
    expect($sharing)->toBe([]);
});
