<?php

declare(strict_types=1);

use PhpParser\Node;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Catalogue;
use WideQuarry\Messages\Language;
use WideQuarry\Messages\Message;
use WideQuarry\Messages\PseudoLanguage;

const ROOTS = ['' => __DIR__.'/../../src', 'app' => __DIR__.'/../../../app'];

/** @return list<string> the files below a folder whose names end so */
function filesBelow(string $folder, string $end): array
{
    $files = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS)) as $file) {
        if (str_ends_with((string) $file, $end)) {
            $files[] = (string) $file;
        }
    }

    return $files;
}

/** @return array<string, string> key → ICU pattern, of core and application */
function allMessages(): array
{
    $all = [];
    foreach (ROOTS as $first => $root) {
        foreach (filesBelow($root, 'messages.en.json') as $file) {
            $folders = array_filter(explode('/', substr(dirname($file), strlen($root))));
            $area = implode('.', array_filter([$first, ...array_map(lcfirst(...), $folders)]));
            foreach ((array) json_decode((string) file_get_contents($file), true) as $name => $pattern) {
                $all["$area.$name"] = $pattern;
            }
        }
    }

    return $all;
}

/** @return iterable<array{string, list<string>|null, string}> key, the values given (null where they are not written out), file */
function saidInCode(): iterable
{
    $parser = (new ParserFactory)->createForNewestSupportedVersion();
    foreach (ROOTS as $root) {
        foreach (filesBelow($root, '.php') as $file) {
            $code = (string) file_get_contents($file);
            if (! str_contains($code, 'Message::')) {
                continue;
            }
            $calls = (new NodeFinder)->find(
                $parser->parse($code) ?? [],
                fn (Node $node): bool => $node instanceof Node\Expr\StaticCall
                    && $node->class instanceof Node\Name && $node->class->toString() === 'Message'
                    && isset($node->args[0]),
            );
            foreach ($calls as $call) {
                assert($call instanceof Node\Expr\StaticCall && $call->args[0] instanceof Node\Arg);
                $values = $call->args[1] ?? null;
                $names = match (true) {
                    $values === null => [],
                    $values instanceof Node\Arg && $values->value instanceof Node\Expr\Array_ => array_map(
                        fn (Node\ArrayItem $item): string => $item->key instanceof Node\Scalar\String_ ? $item->key->value : '',
                        $values->value->items,
                    ),
                    default => null,
                };
                foreach ((new NodeFinder)->findInstanceOf([$call->args[0]], Node\Scalar\String_::class) as $key) {
                    yield [$key->value, $names, $file];
                }
            }
        }
    }
}

it('has the words and names the values of every message that is said', function (): void {
    $messages = allMessages();
    foreach (saidInCode() as [$key, $values, $file]) {
        if (! str_contains($key, '.') || str_ends_with($key, '.')) {
            continue; // put together from a constant of the class
        }
        expect($messages)->toHaveKey($key);
        if ($values !== null) {
            foreach ([1, 2, 'yes'] as $value) { // one and several, and either choice
                $isPlural = str_contains($messages[$key], 'plural');
                $given = array_fill_keys($values, $isPlural && $value === 'yes' ? 3 : $value);
                // ICU writes the name of what it was not given.
                $unquoted = (string) preg_replace("/'[{}][^']*'/", '', $messages[$key]);
                $text = (string) MessageFormatter::formatMessage('en-GB', $unquoted, $given);
                expect($text)->not->toMatch('/\{\w+\}/', "$key in $file");
            }
        }
    }
});

it('keeps no message that nothing says', function (): void {
    $said = [];
    foreach (ROOTS as $root) {
        foreach (filesBelow($root, '.php') as $file) {
            preg_match_all("/'(?=([^'\\\\\\s]+)')/", (string) file_get_contents($file), $quoted);
            $said += array_fill_keys($quoted[1], true);
        }
    }
    foreach (array_keys(allMessages()) as $key) {
        $name = substr((string) strrchr($key, '.'), 1);
        $isSaid = isset($said[$key]) || isset($said[$name]) || preg_match('/-\d+$/', $key) === 1;
        expect($isSaid)->toBeTrue("Nothing says $key.");
    }
});

it('is written as ICU messages, in every language', function (): void {
    foreach (allMessages() as $key => $pattern) {
        foreach (Language::cases() as $language) {
            expect(MessageFormatter::create('en-GB', $language->pattern($pattern)))->toBeInstanceOf(MessageFormatter::class, $key);
        }
    }
});

it('writes no sentence outside its catalogue', function (): void {
    foreach (filesBelow(ROOTS[''], '.php') as $file) {
        $code = (string) file_get_contents($file);
        foreach (PhpToken::tokenize($code) as $token) {
            if (! $token->is([T_CONSTANT_ENCAPSED_STRING, T_ENCAPSED_AND_WHITESPACE])) {
                continue;
            }
            $text = trim($token->text, '\'"');
            $isSentence = preg_match('/^[A-Z][a-z]* (?:[a-z,]+ ){2,}.*\.$/', $text) === 1
                && ! str_contains($code, "LogicException('$text");
            expect($isSentence)->toBeFalse("$file:$token->line says “{$text}”");
        }
    }
});

it('tells one from several, and leaves text as it is', function (): void {
    $tiles = fn (int $needed, int $limit): string => Message::of('parts.tiles.answer-gaps-may-used', [
        'words' => "{basalt} ' #",
        'needed' => $needed,
        'limit' => $limit,
    ]);

    expect($tiles(2, 1))->toBe("{basalt} ' # is the answer of 2 gaps, but may be used once. Let it be used more often.")
        ->and($tiles(3, 2))->toContain('used 2 times');
});

it('says what is missing in a message instead of half a sentence', function (): void {
    expect(fn () => Message::of('parts.tiles.nothing-of-the-kind'))->toThrow(LogicException::class, 'There is no message')
        ->and(fn () => Message::of('hello'))->toThrow(LogicException::class, 'has no area');
});

it('takes the first language asked for that it speaks', function (?string $asked, Language $language): void {
    expect(Language::asked($asked))->toBe($language);
})->with([
    [null, Language::English],
    ['de-CH, de;q=0.9', Language::English],
    ['en-XA', Language::Accented],
    [' ar-XB;q=0.8, en', Language::Mirrored],
]);

it('makes a longer language of the words and keeps what stands between them', function (string $pattern, string $made): void {
    expect((new PseudoLanguage)->pattern($pattern))->toBe($made);
})->with([
    'words' => ['No tile yet.', '⟦Nó tílé ýét.~~~~~⟧'],
    'a value' => ['{name} is used', '{name}⟦ íš úšéd~~~~⟧'],
    'a quoted brace' => ["as '{'a'}'", "⟦áš '{'á'}'~~~~⟧"],
    'a plural' => [
        '{n, plural, one {one gap} other {# gaps}}',
        '{n, plural, one {⟦óñé gáp~~~⟧} other {⟦# gápš~~~⟧}}',
    ],
    'no words' => ['{a}, {b}', '{a}, {b}'],
]);

it('speaks the language of its reader', function (): void {
    Catalogue::speak(Language::Accented);
    try {
        expect(Message::of('parts.menu.drop-down-needs-least'))->toStartWith('⟦');
    } finally {
        Catalogue::speak(Language::English);
    }
});

it('reads and writes the same in every language: only what is said changes', function (): void {
    $broken = '{"question": {"id": 1, "x": [1, 2}}';
    $said = [];
    foreach (Language::cases() as $language) {
        Catalogue::speak($language);
        try {
            Json::decode($broken);
        } catch (Malformed $problem) {
            $said[$language->value] = [$problem->rule, preg_match_all('/\d+/', $problem->getMessage(), $m) ? $m[0] : []];
        } finally {
            Catalogue::speak(Language::English);
        }
    }

    expect(array_unique($said, SORT_REGULAR))->toHaveCount(1)->and($said)->toHaveCount(3);
});
