<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\SafeXml;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\PackagePart;
use WideQuarry\Interchange\PartChoice;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Question\PartKinds;

/** A document of QTI 1.2.1, or every one in a package, whatever its manifest says or whether it has one. */
final class PackageReader
{
    /** So many bytes of a file are looked at to see what it is. */
    private const HEAD = 4000;

    /** @var array<string, bool> ids of media and stimuli already yielded */
    private array $given = [];

    /** @var list<Medium> */
    private array $waiting = [];

    private readonly Tests $tests;

    /** @param  string  $format  what the questions are said to come from */
    public function __construct(
        private readonly PartKinds $kinds,
        private readonly string $format = 'qti12',
        private readonly bool $inPercent = false,
    ) {
        $this->tests = new Tests($kinds);
    }

    /** @return list<string> files of a package that hold questions of this version */
    public static function documents(SafeZip $zip): array
    {
        $later = self::ofLaterVersions($zip);
        $found = [];
        foreach (array_map(strval(...), array_keys($zip->entries)) as $name) {
            if (
                isset($later[$name]) ||
                preg_match('/\.(?:xml|qti|dat)$/i', $name) !== 1 ||
                str_ends_with(strtolower($name), 'imsmanifest.xml')
            ) {
                continue;
            }
            if (preg_match('/<(?:\w+:)?questestinterop[\s>]/i', str_replace("\0", '', $zip->head($name, self::HEAD))) === 1) {
                $found[] = $name;
            }
        }

        return $found;
    }

    /** @return array<string, int> files that the manifest declares as another version, so they need not be opened */
    private static function ofLaterVersions(SafeZip $zip): array
    {
        $manifest = $zip->has('imsmanifest.xml') ? $zip->read('imsmanifest.xml') : '';
        if (preg_match_all('/<(?:\w+:)?resource\b[^>]*>/', $manifest, $m) === false) {
            return [];
        }
        $files = [];
        foreach ($m[0] as $resource) {
            if (
                preg_match('/\stype\s*=\s*["\']imsqti_\w+?v[23]p/i', $resource) === 1 &&
                preg_match('/\shref\s*=\s*["\']([^"\']+)/', $resource, $href) === 1
            ) {
                $file = $zip->find('imsmanifest.xml', html_entity_decode($href[1], ENT_QUOTES | ENT_XML1));
                if ($file !== null) {
                    $files[$file] = 1;
                }
            }
        }

        return $files;
    }

    /** @return iterable<\stdClass|Medium|Notice> */
    public function read(Source $source): iterable
    {
        if (! $source->isZip()) {
            yield from $this->document($source->bytes(), $source->name, fn (string $href): ?Medium => null, $source->choice);
            yield from $this->tests->made();

            return;
        }
        yield from $this->documentsOf($source->zip(), self::documents($source->zip()), [], $source->choice);
    }

    /**
     * @param  array<string, array{path: list<string>, title: string}>|null  $places  document → where it stands in a course; null for
     * all documents there are
     * @return list<PackagePart>
     *
     * @throws UnreadableFile
     */
    public function parts(Source $source, ?array $places = null): array
    {
        $index = new PartIndex;
        if (! $source->isZip()) {
            $index->document($source->name, SafeXml::parse($source->bytes(), $source->name));

            return $index->parts();
        }
        $zip = $source->zip();
        foreach ($places === null ? self::documents($zip) : array_map(strval(...), array_keys($places)) as $file) {
            ['path' => $path, 'title' => $title] = $places[$file] ?? ['path' => [], 'title' => ''];
            try {
                $xml = $zip->read($file);
                $own = OwnDocument::beside($zip, $file, $xml, $this->kinds);
                if ($own instanceof OwnDocument) {
                    $index->whole($own->part($path));
                } else {
                    $index->document($file, SafeXml::parse($xml, $file), $path, $title);
                }
            } catch (UnreadableFile) {
                $index->whole(new PackagePart($file, 'loose', $title, 0, $path)); // reading it will say why
            }
        }

        return $index->parts();
    }

    /**
     * @param  list<string>  $files
     * @param  array<string, list<\stdClass>>  $standards  document → those that its questions have to do with
     * @return iterable<\stdClass|Medium|Notice>
     */
    public function documentsOf(SafeZip $zip, array $files, array $standards = [], PartChoice $choice = new PartChoice): iterable
    {
        foreach ($files as $file) {
            if (! $choice->touches($file)) {
                continue;
            }
            try {
                $xml = $zip->read($file);
                $own = OwnDocument::beside($zip, $file, $xml, $this->kinds);
                if ($own instanceof OwnDocument) {
                    yield from $this->mine($own);

                    continue;
                }
                if ($own !== null) {
                    yield $own;
                }
                $media = fn (string $href): Medium|Notice|null => $this->medium($zip, $file, $href);
                foreach ($this->document($xml, $file, $media, $choice) as $thing) {
                    yield $thing instanceof \stdClass && $thing->type === 'question' && $thing->value instanceof \stdClass
                        ? self::withStandards($thing, $thing->value, $standards[$file] ?? [])
                        : $thing;
                }
            } catch (UnreadableFile $problem) {
                yield Notice::problem($problem->rule, $problem->getMessage(), $file);
            }
        }
        yield from $this->tests->made();
    }

    /** @param  list<\stdClass>  $standards */
    private static function withStandards(\stdClass $thing, \stdClass $question, array $standards): \stdClass
    {
        if ($standards !== []) {
            $record = ($question->record ?? null) instanceof \stdClass ? $question->record : new \stdClass;
            $record->standards ??= $standards;
            $question->record = $record;
        }

        return $thing;
    }

    /** @return iterable<\stdClass|Medium|Notice> every medium and stimulus once */
    private function mine(OwnDocument $own): iterable
    {
        foreach ($own->read() as $thing) {
            if ($thing instanceof Medium) {
                if (isset($this->given[$thing->id])) {
                    continue;
                }
                $this->given[$thing->id] = true;
            } elseif (
                $thing instanceof \stdClass &&
                $thing->type === 'stimulus' &&
                $thing->value instanceof \stdClass &&
                is_string($thing->value->id)
            ) {
                if (isset($this->given[$thing->value->id])) {
                    continue;
                }
                $this->given[$thing->value->id] = true;
            }
            yield $thing;
        }
    }

    /**
     * @param  \Closure(string): (Medium|Notice|null)  $medium
     * @return iterable<\stdClass|Medium|Notice>
     */
    private function document(string $xml, string $file, \Closure $medium, PartChoice $choice): iterable
    {
        $document = SafeXml::open($xml, $file);
        yield from $document->notices;
        $reader = new DocumentReader($this->kinds, $file, $medium, $this->tests, $this->format, $this->inPercent, $choice);
        foreach ($reader->read($document->root) as $thing) {
            yield from $this->waiting;
            $this->waiting = [];
            yield $thing;
        }
    }

    /** Named as packages name their files: with or without %20, from the document or from the top. */
    private function medium(SafeZip $zip, string $from, string $href): Medium|Notice|null
    {
        $href = (string) preg_replace('~^(?:\$|%24)[A-Z0-9_-]+(?:\$|%24)/?~i', '', $href); // where the files of a cartridge begin
        $file = $zip->find($from, $href) ?? ($zip->find($from, rawurldecode($href)) ?? $zip->ending(rawurldecode($href)));
        $medium = $file === null ? null : Medium::packed($zip, $file);
        if ($medium instanceof Medium && ! isset($this->given[$medium->id])) {
            $this->given[$medium->id] = true;
            $this->waiting[] = $medium;
        }

        return $medium;
    }
}
