<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Content\Reader;
use WideQuarry\Interchange\Found;
use WideQuarry\Interchange\Ids;
use WideQuarry\Interchange\Lom;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\SafeXml;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\Unreadable;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Parts\Parts;
use WideQuarry\Question\Question;

/** A content package with its manifest (IMS Content Packaging), or one item file. */
final class PackageReader
{
    /** @var array<string, bool> media handed out already, by id */
    private array $given = [];

    /** @var list<Medium> */
    private array $waiting = [];

    public function __construct(private readonly Parts $kinds)
    {
    }

    /** @return iterable<\stdClass|Medium|Notice> */
    public function read(Source $source): iterable
    {
        if (! $source->isZip()) {
            yield from $this->item($source->bytes(), $source->name, Lom::read(null), [], fn (string $href): ?Medium => null);

            return;
        }
        $zip = $source->zip();
        $documents = Documents::in($zip);
        yield from $documents->notices;
        $stimuli = [];
        foreach ($documents->stimuli as $href) {
            yield from $this->stimulus($zip, $href, $stimuli);
        }
        $read = [];
        foreach ($documents->items as $href => $resource) {
            try {
                foreach ($this->packed($zip, (string) $href, $resource, $stimuli) as $thing) {
                    if ($thing instanceof \stdClass && $thing->type === 'question' && $thing->value instanceof \stdClass && is_string($thing->value->id)) {
                        $read[(string) $href] = [$thing->value->id, PackagedTests::points($thing->value)];
                    }
                    yield $thing;
                }
            } catch (Unreadable $problem) {
                yield Notice::problem($problem->rule, $problem->getMessage(), (string) $href);
            }
        }
        foreach (array_keys($documents->tests) as $href) {
            yield from (new PackagedTests($this->kinds, $read))->read($zip, (string) $href);
        }
        if ($documents->items === []) {
            yield Notice::problem('qti.no_items', 'There is no assessment item in this package.', 'imsmanifest.xml');
        }
    }

    /**
     * @param  array<string, string>  $stimuli  file → our id
     * @return iterable<\stdClass|Medium|Notice>
     */
    private function packed(SafeZip $zip, string $href, ?\DOMElement $resource, array $stimuli): iterable
    {
        $xml = $zip->read($href);
        $own = $this->own($zip, $href, $xml);
        $things = $own instanceof \stdClass
            ? $this->mine($own, $zip, $href)
            : $this->item($xml, $href, Lom::read($resource === null ? null : Xml::child($resource, 'metadata')), $stimuli, fn (string $name): ?Medium => $this->medium($zip, $href, $name));
        if ($own instanceof Notice) {
            yield $own;
        }
        foreach ($things as $thing) {
            yield from $this->flush();
            yield $thing;
        }
        yield from $this->flush();
    }

    /**
     * Our own question, kept beside the item by our writer; it holds only as long as the item is as it was written.
     */
    private function own(SafeZip $zip, string $href, string $xml): \stdClass|Notice|null
    {
        $file = preg_replace('/\.xml$/', '.wide-quarry.json', $href);
        if ($file === null || $file === $href || ! $zip->has($file)) {
            return null;
        }
        try {
            $kept = Json::decode($zip->read($file));
        } catch (Malformed) {
            return Notice::note('extension.broken', 'What was kept beside this item cannot be read; the item itself was read.', $href);
        }
        if (! $kept instanceof \stdClass || ! isset($kept->sha256, $kept->question) || $kept->sha256 !== hash('sha256', $xml)) {
            return Notice::note('extension.changed', 'This item was changed since it was written here, so it was read as it is now.', $href);
        }

        return $kept;
    }

    /** @return iterable<\stdClass|Notice> */
    private function mine(\stdClass $kept, SafeZip $zip, string $href): iterable
    {
        foreach (is_array($kept->media ?? null) ? $kept->media : [] as $entry) {
            if ($entry instanceof \stdClass && is_string($entry->id ?? null) && is_string($entry->file ?? null) && is_string($entry->type ?? null) && is_string($entry->name ?? null) && $zip->has($entry->file) && ! isset($this->given[$entry->id])) {
                $this->given[$entry->id] = true;
                $this->waiting[] = Medium::of($entry->id, $entry->type, $entry->name, $zip->read($entry->file));
            }
        }
        try {
            yield Found::thing('question', Question::read($kept->question, $this->kinds)->toJson());
        } catch (Malformed $problem) {
            yield Notice::problem($problem->rule, "One question was left out: {$problem->getMessage()}", $href, null, $problem->path);
        }
    }

    /**
     * @param  array<string, string>  $stimuli  file → our id
     * @param  \Closure(string): ?Medium  $medium
     * @return iterable<\stdClass|Notice>
     */
    private function item(string $xml, string $href, Lom $lom, array $stimuli, \Closure $medium): iterable
    {
        return (new ItemReader($this->kinds, $href, Ids::of('qti30', $href, hash('sha256', $xml)), $medium))->read($xml, $lom, $stimuli);
    }

    /**
     * @param  array<string, string>  $stimuli  file → our id; added to
     * @return iterable<\stdClass|Medium|Notice>
     */
    private function stimulus(SafeZip $zip, string $href, array &$stimuli): iterable
    {
        try {
            $bytes = $zip->read($href);
            $root = SafeXml::open($bytes, $href, Dialects::words($bytes))->root;
        } catch (Unreadable $problem) {
            yield Notice::problem($problem->rule, $problem->getMessage(), $href);

            return;
        }
        $body = Xml::child($root, 'qti-stimulus-body');
        $identifier = $root->getAttribute('identifier');
        $id = preg_match('/^S-([0-9a-f-]{36})$/D', $identifier, $m) === 1 ? $m[1] : Ids::of('qti30', $href, $identifier);
        foreach ($body === null ? [] : Xml::all($body, 'img') as $image) {
            $medium = $this->medium($zip, $href, $image->getAttribute('src'));
            if ($medium !== null) {
                $image->setAttribute('data-media', $medium->id);
                $image->removeAttribute('src');
            }
        }
        $text = $body === null ? null : Reader::ofDom($body);
        foreach ($text->dropped ?? [] as $dropped) {
            yield Notice::loss('content.dropped', $dropped->sentence(), $href);
        }
        $stimuli[$href] = $id;
        yield from $this->flush();
        yield Found::thing('stimulus', (object) ['id' => $id, 'title' => mb_substr($root->getAttribute('title'), 0, 500), 'language' => $root->getAttributeNS('http://www.w3.org/XML/1998/namespace', 'lang') ?: 'und', 'body' => $text?->html() ?? '', 'origin' => (object) ['format' => Dialects::format($bytes) ?? 'qti30', 'identifier' => $identifier, 'file' => $href]]);
    }

    private function medium(SafeZip $zip, string $from, string $href): ?Medium
    {
        $file = $zip->find($from, $href);
        $medium = $file !== null ? Medium::fromFile($file, $zip->read($file)) : null;
        if ($medium !== null && ! isset($this->given[$medium->id])) {
            $this->given[$medium->id] = true;
            $this->waiting[] = $medium;
        }

        return $medium;
    }

    /** @return iterable<Medium> */
    private function flush(): iterable
    {
        yield from $this->waiting;
        $this->waiting = [];
    }
}
