<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Content\Reader;
use WideQuarry\Interchange\Ids;
use WideQuarry\Interchange\Lom;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\KeptMedia;
use WideQuarry\Interchange\Package\MediaLinks;
use WideQuarry\Interchange\Package\SafeXml;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\PackageParts;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Stimulus\Stimulus;

/** A content package with its manifest (IMS Content Packaging), or one item file. */
final class PackageReader
{
    /** @var array<string, bool> ids of media and stimuli already yielded */
    private array $given = [];

    /** @var list<Medium> */
    private array $waiting = [];

    public function __construct(private readonly PartKinds $kinds)
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
        $stimuli = $waiting = [];
        $isAll = $source->choice->isEverything();
        foreach ($documents->stimuli as $href) {
            $things = iterator_to_array($this->stimulus($zip, $href, $stimuli), false);
            if ($isAll) {
                yield from $things;
            } else {
                $waiting[$stimuli[$href] ?? ''] = $things;
            }
        }
        $read = [];
        $items = $isAll ? $documents->items : Division::of($zip, $documents)->items($source->choice);
        foreach ($this->items($zip, $items, $stimuli) as $href => $thing) {
            $question = self::question($thing);
            if ($question !== null) {
                yield from self::asked($question, $waiting);
                $read[$href] = [is_string($question->id) ? $question->id : '', PackagedTests::points($question)];
            }
            yield $thing;
        }
        foreach (array_keys($documents->tests) as $href) {
            if ($source->choice->has((string) $href)) {
                yield from (new PackagedTests($this->kinds, $read))->read($zip, (string) $href);
            }
        }
        if ($documents->items === []) {
            yield Notice::problem('qti.no_items', Message::of('interchange.qti30.no-assessment-item'), 'imsmanifest.xml');
        }
    }

    /** @throws UnreadableFile */
    public function parts(Source $source): PackageParts
    {
        return $source->isZip() ? Division::of($source->zip(), Documents::in($source->zip()))->parts() : new PackageParts([]);
    }

    /**
     * The stimuli of a question that were held back, because not all questions of the package are read.
     *
     * @param  array<string, list<\stdClass|Medium|Notice>>  $waiting  stimulus → it and its media; taken from
     * @return iterable<\stdClass|Medium|Notice>
     */
    private static function asked(\stdClass $question, array &$waiting): iterable
    {
        foreach (is_array($question->stimuli ?? null) ? array_filter($question->stimuli, is_string(...)) : [] as $id) {
            yield from $waiting[$id] ?? [];
            unset($waiting[$id]);
        }
    }

    /**
     * Items, or why they cannot be read.
     *
     * @param  array<string, \DOMElement|null>  $items  file → its resource
     * @param  array<string, string>  $stimuli  file → our id
     * @return iterable<string, \stdClass|Medium|Notice> file → what is in it; keys come again
     */
    private function items(SafeZip $zip, array $items, array $stimuli): iterable
    {
        foreach ($items as $href => $resource) {
            try {
                foreach ($this->packed($zip, (string) $href, $resource, $stimuli) as $thing) {
                    yield (string) $href => $thing;
                }
            } catch (UnreadableFile $problem) {
                yield (string) $href => Notice::problem($problem->rule, $problem->getMessage(), (string) $href);
            }
        }
    }

    private static function question(\stdClass|Medium|Notice $thing): ?\stdClass
    {
        $question = $thing instanceof \stdClass && $thing->type === 'question' ? $thing->value : null;

        return $question instanceof \stdClass && is_string($question->id) ? $question : null;
    }

    /**
     * @param  array<string, string>  $stimuli  file → our id
     * @return iterable<\stdClass|Medium|Notice>
     */
    private function packed(SafeZip $zip, string $href, ?\DOMElement $resource, array $stimuli): iterable
    {
        $xml = $zip->read($href);
        $own = $this->own($zip, $href, $xml, $stimuli);
        $things =
            $own instanceof \stdClass
                ? $this->mine($own, $zip, $href, $stimuli)
                : $this->item(
                    $xml,
                    $href,
                    Lom::read($resource === null ? null : Xml::child($resource, 'metadata')),
                    $stimuli,
                    fn (string $name): Medium|Notice|null => $this->medium($zip, $href, $name),
                );
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
     *
     * @param  array<string, string>  $stimuli  file → our id
     */
    private function own(SafeZip $zip, string $href, string $xml, array $stimuli): \stdClass|Notice|null
    {
        $file = preg_replace('/\.xml$/', '.wide-quarry.json', $href);
        if ($file === null || $file === $href || ! $zip->has($file)) {
            return null;
        }
        try {
            $kept = Json::decode($zip->read($file));
        } catch (Malformed) {
            return Notice::note(
                'extension.broken',
                Message::of('interchange.qti30.our-own-copy-question-in-package-cannot-read'),
                $href,
            );
        }
        if (! ($kept instanceof \stdClass) || ! isset($kept->sha256, $kept->question) || $kept->sha256 !== hash('sha256', $xml)) {
            return Notice::note(
                'extension.changed',
                Message::of('interchange.qti30.item-changed-since-written'),
                $href,
            );
        }
        if (
            $this->missing($kept, $stimuli) !== [] &&
            ! isset($kept->stimuli) &&
            ! in_array(Dialects::format($xml), ['qti22', 'qti30'], true)
        ) {
            return Notice::note(
                'extension.no_stimuli',
                Message::of('interchange.qti30.our-own-copy-question-package'),
                $href,
            );
        }

        return $kept;
    }

    /**
     * Stimuli that our own question names but the package lacks.
     *
     * @param  array<string, string>  $stimuli  file → our id
     * @return list<string>
     */
    private function missing(\stdClass $kept, array $stimuli): array
    {
        $named =
            $kept->question instanceof \stdClass && is_array($kept->question->stimuli ?? null)
                ? array_filter($kept->question->stimuli, is_string(...))
                : [];
        $beside = array_map(
            fn (mixed $one): mixed => ((array) $one)['id'] ?? null,
            is_array($kept->stimuli ?? null) ? $kept->stimuli : [],
        );

        return array_values(array_diff($named, $stimuli, array_filter($beside, is_string(...))));
    }

    /**
     * @param  array<string, string>  $stimuli  file → our id
     * @return iterable<\stdClass|Notice>
     */
    private function mine(\stdClass $kept, SafeZip $zip, string $href, array $stimuli): iterable
    {
        yield from $this->keptStimuli($kept, $href);
        $missing = $this->missing($kept, $stimuli);
        if ($missing !== [] && $kept->question instanceof \stdClass && is_array($kept->question->stimuli)) {
            $kept->question->stimuli = array_values(
                array_filter($kept->question->stimuli, fn (mixed $one): bool => ! in_array($one, $missing, true)),
            );
            $id = is_string($kept->question->id ?? null) ? $kept->question->id : null;
            yield Notice::loss(
                'qti.stimulus',
                Message::of('interchange.qti30.question-package', ['count' => count($missing)]),
                $href,
                null,
                $id,
            );
        }
        yield from $this->keptMedia($kept, $zip);
        try {
            yield PackageContents::thing('question', Question::read($kept->question, $this->kinds)->toJson());
        } catch (Malformed $problem) {
            yield Notice::problem($problem->rule, Message::of('interchange.qti30.one-question-left-out', [
                'why' => $problem->getMessage(),
            ]), $href, null, $problem->path);
        }
    }

    /**
     * @param  array<string, string>  $stimuli  file → our id
     * @param  \Closure(string): (Medium|Notice|null)  $medium
     * @return iterable<\stdClass|Notice>
     */
    private function item(string $xml, string $href, Lom $lom, array $stimuli, \Closure $medium): iterable
    {
        return (new ItemReader($this->kinds, $href, Ids::of('qti30', $href, hash('sha256', $xml)), $medium))->read($xml, $lom, $stimuli);
    }

    /** @return iterable<\stdClass|Notice> */
    private function keptStimuli(\stdClass $kept, string $href): iterable
    {
        foreach (is_array($kept->stimuli ?? null) ? $kept->stimuli : [] as $json) {
            try {
                $stimulus = Stimulus::read($json);
            } catch (Malformed $problem) {
                $sentence = Message::of('interchange.qti30.stimulus-left-out', ['why' => $problem->getMessage()]);
                yield Notice::problem($problem->rule, $sentence, $href, null, $problem->path);

                continue;
            }
            if (! isset($this->given[$stimulus->id])) {
                $this->given[$stimulus->id] = true;
                yield PackageContents::thing('stimulus', $stimulus->toJson());
            }
        }
    }

    /** @return iterable<Notice> */
    private function keptMedia(\stdClass $kept, SafeZip $zip): iterable
    {
        foreach (KeptMedia::in($kept->media ?? null, $zip) as ['id' => $id, 'type' => $type, 'name' => $name, 'file' => $file]) {
            if (isset($this->given[$id])) {
                continue;
            }
            $this->given[$id] = true;
            $medium = Medium::kept($zip, $id, $type, $name, $file);
            if ($medium instanceof Medium) {
                $this->waiting[] = $medium;
            } else {
                yield $medium;
            }
        }
    }

    /** @return iterable<Notice> media that are missing; the others are named */
    private function media(\DOMElement $body, SafeZip $zip, string $href): iterable
    {
        $missing = MediaLinks::resolve($body, fn (string $path): Medium|Notice|null => $this->medium($zip, $href, $path));
        foreach ($missing as [$path, $notice]) {
            yield $notice ?? Notice::loss('media.missing', Message::of('interchange.qti30.file-not-in-package', ['href' => $path]), $href);
        }
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
        } catch (UnreadableFile $problem) {
            yield Notice::problem($problem->rule, $problem->getMessage(), $href);

            return;
        }
        $body = Xml::child($root, 'qti-stimulus-body');
        $identifier = $root->getAttribute('identifier');
        $id = preg_match('/^S-([0-9a-f-]{36})$/D', $identifier, $m) === 1 ? $m[1] : Ids::of('qti30', $href, $identifier);
        yield from $body === null ? [] : $this->media($body, $zip, $href);
        $text = $body === null ? null : Reader::ofDom($body);
        foreach ($text->dropped ?? [] as $dropped) {
            yield Notice::loss('content.dropped', $dropped->sentence(), $href);
        }
        $stimuli[$href] = $id;
        yield from $this->flush();
        yield PackageContents::thing(
            'stimulus',
            (object) [
                'id' => $id,
                'title' => mb_substr($root->getAttribute('title'), 0, 500),
                'language' => $root->getAttributeNS('http://www.w3.org/XML/1998/namespace', 'lang') ?: 'und',
                'body' => $text?->html() ?? '',
                'origin' => (object) [
                    'format' => Dialects::format($bytes) ?? 'qti30',
                    'identifier' => mb_substr($identifier, 0, 1000),
                    'file' => mb_substr($href, 0, 1000),
                ],
            ],
        );
    }

    private function medium(SafeZip $zip, string $from, string $href): Medium|Notice|null
    {
        $file = $zip->find($from, $href);
        $medium = $file === null ? null : Medium::packed($zip, $file);
        if (! ($medium instanceof Medium)) {
            return $medium;
        }
        if (! isset($this->given[$medium->id])) {
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
