<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Interchange\Package\SafeXml;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\PackagePart;
use WideQuarry\Interchange\PackageParts;
use WideQuarry\Interchange\PartChoice;
use WideQuarry\Interchange\UnreadableFile;

/** Where a package falls into parts: its tests with the items they ask, and the items that no test asks. */
final readonly class Division
{
    private const LOOSE = '#0';

    /** @param  array<string, array{title: string, items: list<string>}>  $tests  file → what it asks */
    private function __construct(private array $tests, private Documents $documents)
    {
    }

    public static function of(SafeZip $zip, Documents $documents): self
    {
        $tests = [];
        foreach (array_map(strval(...), array_keys($documents->tests)) as $href) {
            $tests[$href] = ['title' => '', 'items' => []];
            try {
                $xml = $zip->read($href);
                $root = SafeXml::open($xml, $href, Dialects::words($xml))->root;
            } catch (UnreadableFile) {
                continue; // reading it will say why
            }
            $items = [];
            foreach (Xml::all($root, 'qti-assessment-item-ref') as $ref) {
                $item = TestReader::file($ref, $href, $zip);
                if ($item !== null && array_key_exists($item, $documents->items)) {
                    $items[$item] = true;
                }
            }
            $tests[$href] = [
                'title' => mb_substr(trim($root->getAttribute('title')) ?: $root->getAttribute('identifier'), 0, 500),
                'items' => array_map(strval(...), array_keys($items)),
            ];
        }

        return new self($tests, $documents);
    }

    public function parts(): PackageParts
    {
        $parts = [];
        foreach ($this->tests as $href => ['title' => $title, 'items' => $items]) {
            $parts[] = new PackagePart((string) $href, 'quiz', $title, count($items));
        }
        $loose = $this->loose();

        return new PackageParts($loose === [] ? $parts : [...$parts, new PackagePart(self::LOOSE, 'loose', '', count($loose))]);
    }

    /** @return array<string, \DOMElement|null> the items that are read */
    public function items(PartChoice $choice): array
    {
        $wanted = $choice->has(self::LOOSE) ? array_fill_keys($this->loose(), true) : [];
        foreach ($this->tests as $href => ['items' => $items]) {
            $wanted += $choice->has((string) $href) ? array_fill_keys($items, true) : [];
        }

        return array_intersect_key($this->documents->items, $wanted);
    }

    /** @return list<string> */
    private function loose(): array
    {
        $asked = array_fill_keys(array_merge(...array_column($this->tests, 'items')), true);

        return array_map(strval(...), array_keys(array_diff_key($this->documents->items, $asked)));
    }
}
