<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\EntryPlace;
use WideQuarry\Content\Reader;
use WideQuarry\Interchange\Ids;
use WideQuarry\Interchange\ImportedDraw;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\SafeXml;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/**
 * A QTI 3.0 test as an assessment. Sections inside sections stand one after the other; a weight is the entry's points by those of its
 * question.
 */
final class TestReader
{
    /** @var list<Notice> */
    public array $notices = [];

    /** @var list<\stdClass> */
    private array $sections = [];

    private int $entries = 0;

    /** @var array<string, true> entries that stay where they are when their section is shuffled */
    private array $fixed = [];

    /** @var array<string, true> those of entries */
    private array $ids = [];

    /** @param  array<string, array{string, BigRational}>  $items  item file → the question it became, and its points */
    public function __construct(private readonly array $items, private readonly string $file, private readonly ?SafeZip $zip = null)
    {
    }

    /** @throws \WideQuarry\Interchange\UnreadableFile */
    public function read(string $xml): \stdClass
    {
        $root = SafeXml::open($xml, $this->file, Dialects::words($xml))->root;
        foreach (Xml::children($root, 'qti-test-part') as $part) {
            foreach (Xml::children($part, 'qti-assessment-section') as $section) {
                $this->section($section);
            }
        }
        $identifier = $root->getAttribute('identifier');
        $id =
            preg_match('/^A-([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})$/D', $identifier, $m) === 1
                ? $m[1]
                : Ids::of('qti30', $this->file, hash('sha256', $xml));
        $json = Assessment::fresh($id, mb_substr(trim($root->getAttribute('title')) ?: ($identifier ?: 'Test'), 0, 500));
        $json->sections = $this->sections === [] ? $json->sections : $this->sections;
        $json->origin = (object) [
            'format' => Dialects::format($xml) ?? 'qti30',
            'identifier' => mb_substr($identifier, 0, 500),
            'file' => mb_substr($this->file, 0, 500),
        ];
        $run = $this->run($root);
        if ((array) $run !== []) {
            $json->run = $run;
        }
        $limit = $this->timeLimit($root);
        if ($limit !== null) {
            $json->time_limit = $limit;
        }

        return $json;
    }

    /** How learners go through it, where all of its parts say the same. */
    private function run(\DOMElement $root): \stdClass
    {
        $run = new \stdClass;
        $parts = Xml::children($root, 'qti-test-part');
        $modes = array_map(fn (\DOMElement $part): string => $part->getAttribute('navigation-mode'), $parts);
        if ($modes !== [] && array_unique($modes) === ['linear']) {
            $run->go_back = false;
        }
        $attempts = array_map(self::attempts(...), $parts);
        if (($attempts[0] ?? null) !== null && count(array_unique(array_map(Json::encode(...), $attempts))) === 1) {
            $run->attempts = $attempts[0];
        }

        return $run;
    }

    /**
     * Seconds for the whole test: its own limit, or the sum of its parts'. All other limits are reported as losses.
     */
    private function timeLimit(\DOMElement $root): ?int
    {
        $whole = self::seconds($root);
        $parts = Xml::children($root, 'qti-test-part');
        $each = array_map(self::seconds(...), $parts);
        $isSum = $whole === null && $parts !== [] && ! in_array(null, $each, true);
        $within = array_filter(
            Xml::all($root, 'qti-time-limits'),
            fn (\DOMElement $limit): bool => ! self::hasPlace($limit),
        );
        if ($within !== [] || (! $isSum && array_filter($each) !== [])) {
            $at = [...array_values($within), ...$parts][0];
            $this->notices[] = Notice::loss(
                'qti.test_time',
                Message::of('interchange.qti30.time-limits-parts-sections'),
                $this->file,
                $at->getLineNo(),
            );
        } elseif ($isSum && count($parts) > 1) {
            $this->notices[] = Notice::loss(
                'qti.test_time',
                Message::of('interchange.qti30.each-part-test-own'),
                $this->file,
                $parts[0]->getLineNo(),
            );
        }
        $limit = $isSum ? (int) array_sum($each) : $whole;

        return $limit !== null && $limit <= 86400 ? $limit : null;
    }

    /** Whether a time limit is one of the test, of a part, or of a section that becomes one. */
    private static function hasPlace(\DOMElement $limit): bool
    {
        $of = $limit->parentNode;

        return $of instanceof \DOMElement && (
            in_array($of->localName, ['qti-assessment-test', 'qti-test-part'], true) ||
            $of->localName === 'qti-assessment-section' && Xml::child($of, 'qti-selection') === null && (self::seconds($of) ?? 86401) <= 86400
        );
    }

    /** How often a learner may try, as settings: 0 stands for as often as one likes. */
    private static function attempts(\DOMElement $of): ?\stdClass
    {
        $most = Xml::child($of, 'qti-item-session-control')?->getAttribute('max-attempts') ?? '';

        return preg_match('/^\d{1,3}$/D', $most) === 1 && (int) $most <= 100
            ? (object) ['allowed' => (int) $most === 0 ? null : (int) $most]
            : null;
    }

    private static function seconds(\DOMElement $element): ?int
    {
        $limit = Xml::child($element, 'qti-time-limits')?->getAttribute('max-time') ?? '';

        return is_numeric($limit) && (float) $limit > 0 && (float) $limit < 1e7 ? (int) ceil((float) $limit) : null;
    }

    /** @param  \stdClass|null  $inside  the section it stands in */
    private function section(\DOMElement $element, ?\stdClass $inside = null): void
    {
        $select = Xml::child($element, 'qti-selection');
        if ($inside !== null && $select !== null && Xml::children($element, 'qti-assessment-section') === []) {
            $this->draw($element, $select, $inside);

            return;
        }
        $section = (object) [
            'id' => 's'.(count($this->sections) + 1),
            'title' => mb_substr($element->getAttribute('title'), 0, 500),
            'entries' => [],
        ];
        $this->sections[] = $section;
        $limit = $select === null ? self::seconds($element) : null;
        if ($limit !== null && $limit <= 86400) {
            $section->time_limit = $limit;
        }
        $attempts = self::attempts($element);
        if ($attempts !== null) {
            $section->override = (object) ['attempts' => $attempts];
        }
        $told = '';
        foreach ($element->childNodes as $child) {
            if (! ($child instanceof \DOMElement)) {
                continue;
            }
            match ($child->localName) {
                'qti-rubric-block' => ($told .= $this->rubric($child)),
                'qti-assessment-item-ref' => $select === null || Xml::children($element, 'qti-assessment-section') !== []
                    ? array_push($section->entries, ...array_filter([$this->reference($child)]))
                    : null,
                'qti-assessment-section' => $this->section($child, $section),
                'qti-selection' => Xml::children($element, 'qti-assessment-section') === []
                    ? $this->draw($element, $child, $section)
                    : ($this->notices[] = Notice::loss(
                        'qti.test_selection',
                        Message::of('interchange.qti30.section-test-draws-sections', [
                            'name' => $child->getAttribute('select'),
                        ]),
                        $this->file,
                        $child->getLineNo(),
                    )),
                'qti-ordering' => $select === null && $child->getAttribute('shuffle') === 'true' ? ($section->shuffle = true) : null,
                'qti-pre-condition', 'qti-branch-rule', 'qti-template-default' => ($this->notices[] = Notice::loss(
                    'qti.test_rule',
                    Message::of('interchange.qti30.rule-test-left-out', ['name' => $child->localName]),
                    $this->file,
                    $child->getLineNo(),
                )),
                default => null,
            };
        }
        if ($told !== '') {
            $section->instructions = $told;
        }
        $this->places($section);
    }

    /** What is fixed at the beginning or the end of a section that is shuffled is asked first or last; between, it keeps its place. */
    private function places(\stdClass $section): void
    {
        assert(is_array($section->entries));
        $isFixed = fn (mixed $entry): bool => $entry instanceof \stdClass && is_string($entry->id) && isset($this->fixed[$entry->id]);
        $entries = ($section->shuffle ?? false) === true ? array_values($section->entries) : [];
        $first = 0;
        while ($first < count($entries) && $isFixed($entries[$first])) {
            $first++;
        }
        $last = count($entries);
        while ($last > $first && $isFixed($entries[$last - 1])) {
            $last--;
        }
        foreach ($entries as $i => $entry) {
            if (! $entry instanceof \stdClass || ! $isFixed($entry)) {
                continue;
            }
            if ($i >= $first && $i < $last) {
                $entry->fixed = true;
            } else {
                $entry->place = $i < $first ? EntryPlace::First->value : EntryPlace::Last->value;
            }
        }
    }

    /** So many of the questions of a section. */
    private function draw(\DOMElement $element, \DOMElement $select, \stdClass $section): void
    {
        $pool = $required = [];
        foreach (Xml::children($element, 'qti-assessment-item-ref') as $ref) {
            $entry = $this->reference($ref);
            if ($entry !== null) {
                $pool[] = $entry;
                $required[] = $ref->getAttribute('required') === 'true';
            }
        }
        if ($select->getAttribute('with-replacement') === 'true') {
            $this->notices[] = Notice::loss(
                'qti.test_replacement',
                Message::of('interchange.qti30.section-test-may-ask'),
                $this->file,
                $select->getLineNo(),
            );
        }
        [$entries, $unequal] = ImportedDraw::of(
            $this->id($element->getAttribute('identifier'), 'd'),
            $section->title === $element->getAttribute('title') ? '' : $element->getAttribute('title'),
            (int) $select->getAttribute('select'),
            $pool,
            $required,
            array_column(array_values($this->items), 1, 0),
        );
        if ($unequal) {
            $this->notices[] = Notice::loss(
                'qti.test_draw_points',
                Message::of('interchange.qti30.questions-one-draw-different'),
                $this->file,
                $element->getLineNo(),
            );
        }
        assert(is_array($section->entries));
        array_push($section->entries, ...$entries);
        if ($element->getAttribute('fixed') === 'true') {
            $this->fixed += array_fill_keys(array_filter(array_column($entries, 'id'), is_string(...)), true);
        }
    }

    private function rubric(\DOMElement $rubric): string
    {
        if (! str_contains(' '.$rubric->getAttribute('view').' ', ' candidate ')) {
            $this->notices[] = Notice::loss(
                'qti.test_rubric',
                Message::of('interchange.qti30.note-not-meant-learners'),
                $this->file,
                $rubric->getLineNo(),
            );

            return '';
        }
        $text = Reader::ofDom(Xml::child($rubric, 'qti-content-body') ?? $rubric);
        foreach ($text->dropped as $dropped) {
            $this->notices[] = Notice::loss('content.dropped', $dropped->sentence(), $this->file, $rubric->getLineNo());
        }

        return $text->html();
    }

    /** The file of an item that a test asks. */
    public static function file(\DOMElement $ref, string $test, ?SafeZip $zip): ?string
    {
        return $zip?->find($test, $ref->getAttribute('href')) ?? SafeZip::resolve($test, $ref->getAttribute('href'));
    }

    private function reference(\DOMElement $ref): ?\stdClass
    {
        $href = self::file($ref, $this->file, $this->zip);
        $item = $href === null ? null : $this->items[$href] ?? null;
        if ($item === null) {
            $this->notices[] = Notice::loss(
                'qti.test_item',
                Message::of('interchange.qti30.test-asks-what-could-not-be-read', ['name' => $ref->getAttribute('href')]),
                $this->file,
                $ref->getLineNo(),
            );

            return null;
        }
        $entry = (object) ['id' => $this->id($ref->getAttribute('identifier'), 'e'), 'question' => $item[0]];
        if ($ref->getAttribute('fixed') === 'true') {
            $this->fixed[$entry->id] = true;
        }
        $attempts = self::attempts($ref);
        if ($attempts !== null) {
            $entry->override = (object) ['attempts' => $attempts];
        }
        $weight = Xml::child($ref, 'qti-weight')?->getAttribute('value');
        $value = $weight === null ? null : Exact::read($weight);
        if ($value !== null && ! $value->isNegative() && ! $value->isEqualTo(1)) {
            $entry->points = Exact::number(Exact::toPlaces($item[1]->multipliedBy($value), 4)->toBigRational());
        }

        return $entry;
    }

    /** An identifier as it is, when it is one and not there yet. */
    private function id(string $identifier, string $otherwise): string
    {
        $id =
            preg_match('/^[A-Za-z][A-Za-z0-9_-]{0,63}$/D', $identifier) === 1 &&
            ! isset($this->ids[$identifier]) &&
            preg_match('/^s\d+$/D', $identifier) !== 1
                ? $identifier
                : $otherwise.++$this->entries;
        $this->ids[$id] = true;

        return $id;
    }
}
