<?php

declare(strict_types=1);

use WideQuarry\Content\AllowList;
use WideQuarry\Content\Attributes;
use WideQuarry\Content\RichText;
use WideQuarry\Content\Tree;

$attacks = json_decode((string) file_get_contents(__DIR__.'/attacks.json'), true);

/** Everything a browser could meet in the serialised text, judged with another parser than the one that cleaned it. */
function strangersIn(string $html): array
{
    $document = new DOMDocument;
    @$document->loadHTML('<?xml encoding="UTF-8"><body>'.$html.'</body>', LIBXML_NOERROR | LIBXML_NONET);
    $known = [...array_keys(AllowList::BLOCK), ...array_keys(AllowList::PHRASE), ...array_keys(AllowList::INNER), ...AllowList::MATHS];
    $found = [];
    foreach ($document->getElementsByTagName('body')->item(0)?->getElementsByTagName('*') ?? [] as $element) {
        if (! in_array($element->nodeName, $known, true)) {
            $found[] = "<$element->nodeName>";
        }
        foreach ($element->attributes as $attribute) {
            $maths =
                in_array($element->nodeName, AllowList::MATHS, true) &&
                ($attribute->nodeName === 'encoding' || Attributes::cleanMaths($attribute->nodeName, $attribute->value) !== null);
            if (! $maths && Attributes::clean($attribute->nodeName, $attribute->value) !== $attribute->value) {
                $found[] = "$attribute->nodeName=$attribute->value";
            }
        }
    }

    return $found;
}

it('has a corpus of at least 80 attacks', fn () => expect(count($attacks))->toBeGreaterThanOrEqual(80));

it('lets no attack through', function (string $html, ?string $keeps): void {
    $text = RichText::read($html);
    $clean = $text->html();

    expect(strangersIn($clean))
        ->toBe([])
        ->and(RichText::read($clean)->html())
        ->toBe($clean)
        ->and(preg_match('/<(?:script|style|iframe|svg|object|embed|form)\b/i', $clean))
        ->toBe(0)
        ->and(json_encode(Tree::of($html)))
        ->toBeJson();
    if ($keeps !== null) {
        expect($text->plain())->toContain($keeps);
    }
})->with(
    array_map(fn (array $case): array => [$case['html'], $case['keeps'] ?? null], array_combine(array_column($attacks, 'name'), $attacks)),
);

it('says what it left out', function (string $html, string $what, string $name): void {
    $dropped = RichText::read($html)->dropped;

    expect(array_filter($dropped, fn ($one): bool => $one->what === $what && $one->name === $name))->not->toBe([]);
})->with([
    'a script' => ['<p>a<script>b</script></p>', 'content', 'script'],
    'an unknown element' => ['<blink>a</blink>', 'element', 'blink'],
    'an attribute' => ['<p style="x">a</p>', 'attribute', 'style'],
    'an address' => ['<a href="javascript:x">a</a>', 'address', 'javascript:x'],
    'a picture without a medium' => ['<img src="x.png" alt="x">', 'picture', 'img'],
]);
