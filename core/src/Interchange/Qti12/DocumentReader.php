<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Interchange\Found;
use WideQuarry\Interchange\Ids;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Parts\Parts;

/** One document: its items, wherever they stand, and the assessments, sections and banks they stand in. */
final class DocumentReader
{
    private const GROUPS = ['assessment' => 'quiz', 'section' => 'section', 'objectbank' => 'pool'];

    /** @var list<\stdClass> */
    private array $groups = [];

    /** @var array<string, int> identifiers of items, with how often each was met */
    private array $met = [];

    /** @param  \Closure(string): ?Medium  $medium */
    public function __construct(private readonly Parts $kinds, private readonly string $file, private readonly \Closure $medium)
    {
    }

    /** @return iterable<\stdClass|Notice> */
    public function read(\DOMElement $root): iterable
    {
        $count = 0;
        foreach ($this->inside($root, null) as $thing) {
            $count += $thing instanceof \stdClass ? 1 : 0;
            yield $thing;
        }
        foreach ($this->groups as $group) {
            if ($group->title !== '' || $group->questions !== []) {
                yield Found::thing('group', $group);
            }
        }
        if ($count === 0) {
            yield Notice::problem('qti12.no_items', "There is no question in $this->file.", $this->file);
        }
    }

    /** @return iterable<\stdClass|Notice> */
    private function inside(\DOMElement $element, ?\stdClass $group): iterable
    {
        foreach (Xml::children($element) as $child) {
            if ($child->localName === 'item') {
                yield from $this->item($child, $group);
            } elseif (isset(self::GROUPS[(string) $child->localName])) {
                yield from $this->inside($child, $this->group($child, $group));
            } elseif ($child->localName === 'selection_ordering' && $child->getElementsByTagName('selection_number')->length > 0) {
                yield Notice::note('qti12.draw', 'A part of this test draws '.trim((string) $child->getElementsByTagName('selection_number')->item(0)?->textContent).' of its questions. They were all brought in; the draw itself was not.', $this->file, $child->getLineNo());
            } elseif ($child->localName === 'itemref') {
                yield Notice::note('qti12.reference', 'A question is named here ('.$child->getAttribute('linkrefid').') that stands elsewhere.', $this->file, $child->getLineNo());
            }
        }
    }

    private function group(\DOMElement $element, ?\stdClass $parent): \stdClass
    {
        $title = trim((string) preg_replace('/\s+/u', ' ', $element->getAttribute('title')));

        return $this->groups[] = (object) ['id' => 'g-'.substr(hash('sha256', $this->file.count($this->groups)), 0, 12), 'parent' => $parent->id ?? null, 'kind' => self::GROUPS[(string) $element->localName] ?? 'section', 'title' => mb_substr($title, 0, 500), 'questions' => []];
    }

    /** @return iterable<\stdClass|Notice> */
    private function item(\DOMElement $element, ?\stdClass $group): iterable
    {
        $ident = $element->getAttribute('ident');
        $again = $this->met[$ident] = ($this->met[$ident] ?? 0) + 1;
        $id = Ids::of('qti12', $this->file, $ident, (string) $again, $ident === '' ? Xml::source($element) : '');
        if ($again > 1 && $ident !== '') {
            yield Notice::note('qti12.twice', "The identifier $ident stands for several questions; all of them were read.", $this->file, $element->getLineNo(), $id);
        }
        foreach ((new ItemReader($this->kinds, $this->file, $id, $this->medium))->read($element) as $thing) {
            if ($thing instanceof \stdClass && $group !== null) {
                $group->questions = [...(array) $group->questions, $id];
            }
            yield $thing;
        }
    }
}
