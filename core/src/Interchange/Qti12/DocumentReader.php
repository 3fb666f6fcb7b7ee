<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use Brick\Math\BigRational;
use WideQuarry\Content\Reader;
use WideQuarry\Interchange\Ids;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\PartChoice;
use WideQuarry\Interchange\Qti30\PackagedTests;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;

/**
 * One document: its items, wherever they stand, and the assessments, sections and banks they stand in.
 *
 * @phpstan-import-type Entry from SectionPlan
 */
final class DocumentReader
{
    /** @var list<\stdClass> */
    private array $groups = [];

    /** @var array<string, int> identifiers of items, with how often each was met */
    private array $met = [];

    private int $count = 0;

    /** Groups met, whether they are read or not: their ids do not depend on what was chosen. */
    private int $groupsMet = 0;

    /**
     * @param  \Closure(string): (Medium|Notice|null)  $medium
     * @param  string  $format  what the questions are said to come from
     * @param  bool  $inPercent  whether scores are percentages of what an item is worth, as in cartridges
     */
    public function __construct(
        private readonly PartKinds $kinds,
        private readonly string $file,
        private readonly \Closure $medium,
        private readonly Tests $tests,
        private readonly string $format = 'qti12',
        private readonly bool $inPercent = false,
        private readonly PartChoice $choice = new PartChoice,
    ) {
    }

    /** @return iterable<\stdClass|Notice> */
    public function read(\DOMElement $root): iterable
    {
        foreach (Division::of($root, $this->file) as $part => $element) {
            if ($this->choice->has($part)) {
                yield from $this->child($element, null, null, null, $root);
            } else {
                $this->pass($element);
            }
        }
        foreach ($this->groups as $group) {
            if ($group->title !== '' || $group->questions !== []) {
                yield PackageContents::thing('group', $group);
            }
        }
        if ($this->count === 0 && $root->getElementsByTagName('itemref')->length === 0) {
            yield Notice::problem('qti12.no_items', Message::of('interchange.qti12.no-question-in-file', ['file' => $this->file]), $this->file);
        }
    }

    /**
     * @param  SectionPlan|null  $section  of the test that is being read
     * @return iterable<\stdClass|Notice>
     */
    private function inside(\DOMElement $element, ?\stdClass $group, ?SectionPlan $section, ?TestPlan $test = null): iterable
    {
        foreach (Xml::children($element) as $child) {
            yield from $this->child($child, $group, $section, $test, $element);
        }
    }

    /** @return iterable<\stdClass|Notice> */
    private function child(
        \DOMElement $child,
        ?\stdClass $group,
        ?SectionPlan $section,
        ?TestPlan $test,
        \DOMElement $around,
    ): iterable {
        $name = (string) $child->localName;
        if ($name === 'item') {
            yield from $this->item($child, $group, $section, $around);
        } elseif ($name === 'itemref' && $section !== null) {
            $section->entries[] = ['asked' => ['ref' => $child->getAttribute('linkrefid')], 'line' => $child->getLineNo()];
        } elseif ($name === 'assessment') {
            yield from $this->assessment($child, $this->group($child, $group));
        } elseif ($name === 'section') {
            yield from $this->section($child, $this->group($child, $group), $section, $test);
        } elseif ($name === 'objectbank') {
            yield from $this->inside($child, $this->group($child, $group), null);
        }
    }

    /** Passes over what was not chosen, but counts it: ids of the rest are those they have when all is read. */
    private function pass(\DOMElement $element): void
    {
        foreach ([$element, ...Xml::all($element)] as $one) {
            if ($one->localName === 'item') {
                $this->count++;
                $this->met[$one->getAttribute('ident')] = ($this->met[$one->getAttribute('ident')] ?? 0) + 1;
            } elseif (isset(Division::GROUPS[(string) $one->localName])) {
                $this->groupsMet++;
            }
        }
    }

    /** @return iterable<\stdClass|Notice> */
    private function assessment(\DOMElement $element, \stdClass $group): iterable
    {
        $test = $this->tests->begin($this->file, $element);
        $test->instructions = $this->told($element);
        $test->time = self::seconds(trim(Xml::child($element, 'duration')->textContent ?? ''));
        $test->weighted =
            preg_match(
                '/weight/i',
                implode(
                    ' ',
                    array_map(
                        fn (\DOMElement $outcome): string => $outcome->getAttribute('scoremodel'),
                        Xml::children($element, 'outcomes_processing'),
                    ),
                ),
            ) === 1;
        yield from $this->inside($element, $group, null, $test);
        if (Xml::child($element, 'selection_ordering')?->getElementsByTagName('selection_number')->length > 0) {
            yield Notice::loss(
                'qti12.sections_drawn',
                Message::of('interchange.qti12.test-draws-some-sections', ['title' => $test->title]),
                $this->file,
                $element->getLineNo(),
            );
        }
    }

    /**
     * A section of a test is one of ours; one inside another that only draws is a draw of that.
     *
     * @return iterable<\stdClass|Notice>
     */
    private function section(\DOMElement $element, \stdClass $group, ?SectionPlan $around, ?TestPlan $test): iterable
    {
        $title = trim((string) preg_replace('/\s+/u', ' ', $element->getAttribute('title')));
        $rules = Xml::child($element, 'selection_ordering');
        $selections =
            $rules === null
                ? []
                : array_filter(
                    Xml::all($rules, 'selection'),
                    fn (\DOMElement $one): bool => (int) trim(self::deep($one, 'selection_number') ?? '') > 0,
                );
        if ($test === null && $around === null && $selections !== []) {
            $test = $this->tests->begin($this->file, $element); // a section that draws is a test, with or without one around it
        }
        $section = new SectionPlan(
            $title,
            $test === null ? '' : $this->told($element),
            strcasecmp($rules?->getElementsByTagName('order')->item(0)?->getAttribute('order_type') ?? '', 'random') === 0,
        );
        if ($test !== null && ($around === null || $selections === [])) {
            $test->sections[] = $section;
        }
        yield from $this->inside($element, $group, $section, $test);
        if ($selections !== []) {
            $section->entries = $this->draws($selections, $section->entries, $title, $element->getLineNo());
            $section->shuffle = false;
            if ($around !== null) {
                array_push($around->entries, ...$section->entries);
            }
        }
    }

    /**
     * @param  array<\DOMElement>  $selections
     * @param  list<Entry>  $entries  what stands in the section itself
     * @return list<Entry>
     */
    private function draws(array $selections, array $entries, string $title, int $line): array
    {
        $draws = [];
        foreach ($selections as $selection) {
            $bank = self::deep($selection, 'sourcebank_ref');
            $points = null;
            foreach (Xml::child($selection, 'selection_extension')?->getElementsByTagName('*') ?? [] as $said) {
                $points =
                    preg_match('/point|score/i', (string) $said->localName) === 1 && is_numeric(trim($said->textContent))
                        ? trim($said->textContent)
                        : $points;
            }
            $draw = [
                'draw' => (int) self::deep($selection, 'selection_number'),
                'title' => $title,
                'line' => $line,
                ...$points === null ? [] : ['points' => $points],
            ];
            $draws[] =
                $bank !== null && $bank !== ''
                    ? [...$draw, 'bank' => $bank]
                    : [
                        ...$draw,
                        'of' => array_values(array_filter(array_map(fn (array $entry): ?array => $entry['asked'] ?? null, $entries))),
                    ];
        }

        return [...array_values(array_filter($entries, fn (array $entry): bool => isset($entry['draw']))), ...$draws];
    }

    private function group(\DOMElement $element, ?\stdClass $parent): \stdClass
    {
        return $this->groups[] = (object) [
            'id' => 'g-'.substr(hash('sha256', $this->file.$this->groupsMet++), 0, 12),
            'parent' => $parent->id ?? null,
            'kind' => Division::GROUPS[(string) $element->localName] ?? 'section',
            'title' => Division::title($element),
            'questions' => [],
        ];
    }

    /** @return iterable<\stdClass|Notice> */
    private function item(\DOMElement $element, ?\stdClass $group, ?SectionPlan $section, \DOMElement $around): iterable
    {
        $this->count++;
        $ident = $element->getAttribute('ident');
        $again = $this->met[$ident] = ($this->met[$ident] ?? 0) + 1;
        $id = Ids::of('qti12', $this->file, $ident, (string) $again, $ident === '' ? Xml::source($element) : '');
        if ($again > 1 && $ident !== '') {
            yield Notice::note(
                'qti12.twice',
                Message::of('interchange.qti12.identifier-stands-several-questions', ['ident' => $ident]),
                $this->file,
                $element->getLineNo(),
                $id,
            );
        }
        foreach (
            (new ItemReader($this->kinds, $this->file, $id, $this->medium, $this->format, $this->inPercent))->read($element) as $thing
        ) {
            if ($thing instanceof \stdClass && $thing->value instanceof \stdClass) {
                if ($group !== null) {
                    $group->questions = [...(array) $group->questions, $id];
                }
                $this->tests->item($ident, $id, $this->points($thing->value));
                $this->tests->inBank($around->getAttribute('ident'), $id);
                if ($section !== null) {
                    $section->entries[] = [
                        'asked' => ['question' => $id, ...self::weight($thing->value)],
                        'line' => $element->getLineNo(),
                    ];
                }
            }
            yield $thing;
        }
    }

    private function points(\stdClass $question): BigRational
    {
        return PackagedTests::points($question);
    }

    /** @return array{weight?: string} what the item counts for in tests that weigh */
    private static function weight(\stdClass $question): array
    {
        $weight = $question->record->origin->fields->qmd_weighting ?? null; // @phpstan-ignore property.nonObject, property.nonObject, property.nonObject

        return is_string($weight) && is_numeric($weight) ? ['weight' => $weight] : [];
    }

    /** What learners are told at the beginning of a test or a section. */
    private function told(\DOMElement $element): string
    {
        $material = new MaterialReader($this->file, '', $this->medium);
        $html = '';
        foreach (Xml::children($element) as $child) {
            if (
                in_array($child->localName, ['presentation_material', 'rubric'], true) &&
                ! in_array(
                    strtolower($child->getAttribute('view')),
                    ['scorer', 'tutor', 'author', 'assessor', 'administrator', 'invigilator', 'psychometrician'],
                    true,
                )
            ) {
                $html .= ItemReader::paragraph($material->inside($child));
            }
        }

        return $html === '' ? '' : Reader::read($html)->html();
    }

    private static function deep(\DOMElement $element, string $name): ?string
    {
        $found = $element->getElementsByTagName($name)->item(0);

        return $found === null ? null : trim($found->textContent);
    }

    /** An ISO 8601 duration, as in P0Y0M0DT1H30M0S. */
    private static function seconds(string $duration): ?int
    {
        if (preg_match('/^P(?:\d+Y)?(?:\d+M)?(?:\d+D)?T(?:(\d{1,3})H)?(?:(\d{1,4})M)?(?:(\d{1,6})S)?$/D', $duration, $m) !== 1) {
            return null;
        }
        $seconds = (int) ($m[1] ?? 0) * 3600 + (int) ($m[2] ?? 0) * 60 + (int) ($m[3] ?? 0);

        return $seconds > 0 && $seconds <= 86400 ? $seconds : null;
    }
}
