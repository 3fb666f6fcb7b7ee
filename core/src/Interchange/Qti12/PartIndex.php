<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Interchange\PackagePart;
use WideQuarry\Interchange\Qti30\Xml;

/** The parts of documents, with what each asks of the others: an assessment names banks and items that stand elsewhere. */
final class PartIndex
{
    /** @var array<string, PackagePart> */
    private array $parts = [];

    /** @var array<string, array<string, string>> element → its identifier → the part it is in */
    private array $owners = ['item' => [], 'bank' => []];

    /** @var array<string, list<array{'bank'|'item', string}>> part → what it names */
    private array $named = [];

    /** @param  list<string>  $path  where in a course the document stands */
    public function document(string $file, \DOMElement $root, array $path = [], string $title = ''): void
    {
        foreach (Division::of($root, $file) as $id => $element) {
            $kind = Division::GROUPS[(string) $element->localName] ?? 'loose';
            if ($kind === 'loose' && $element->localName !== 'item') {
                continue;
            }
            $questions = $kind === 'loose' ? 1 : count(Xml::all($element, 'item'));
            $this->parts[$id] = new PackagePart(
                $id,
                $kind,
                $kind === 'loose' ? '' : (Division::title($element) ?: $title),
                $questions + ($this->parts[$id]->questions ?? 0),
                $path,
            );
            $this->names($id, $element);
        }
    }

    /** A document that is taken whole. */
    public function whole(PackagePart $part): void
    {
        $this->parts[$part->id] = $part;
    }

    /** @return list<PackagePart> */
    public function parts(): array
    {
        return array_values(array_map(
            fn (PackagePart $part): PackagePart => new PackagePart(
                $part->id,
                $part->kind,
                $part->title,
                $part->questions,
                $part->path,
                $this->needs($part->id),
            ),
            $this->parts,
        ));
    }

    /** @return list<string> */
    private function needs(string $part): array
    {
        $needs = [];
        foreach ($this->named[$part] ?? [] as [$what, $ident]) {
            $owner = $this->owners[$what][$ident] ?? $part;
            if ($owner !== $part) {
                $needs[$owner] = true;
            }
        }

        return array_map(strval(...), array_keys($needs));
    }

    private function names(string $part, \DOMElement $within): void
    {
        foreach ([$within, ...Xml::all($within)] as $element) {
            $ident = $element->getAttribute('ident');
            match ($element->localName) {
                'item' => $this->owners['item'][$ident] ??= $part,
                'objectbank', 'section' => $this->owners['bank'][$ident] ??= $part,
                'itemref' => $this->named[$part][] = ['item', $element->getAttribute('linkrefid')],
                'sourcebank_ref' => $this->named[$part][] = ['bank', trim($element->textContent)],
                default => null,
            };
        }
    }
}
