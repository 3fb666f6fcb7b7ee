<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Cartridge;

use WideQuarry\Interchange\Lom;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\SafeXml;
use WideQuarry\Interchange\PackageParts;
use WideQuarry\Interchange\Qti12\PackageReader;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Standards\Alignment;

/**
 * The question banks and assessments of a cartridge, which are QTI 1.2.1 with scores in percent; everything else of a course is named and
 * left.
 */
final readonly class CartridgeReader
{
    private const QUESTIONS = '~imsqti_xmlv1p2(?:p1)?/imscc_xmlv1p\d/(?:assessment|question-bank)~i';

    /** Another version's reader takes these. */
    private const LATER = '/^imsqti_(?:item|test|stimulus)_xmlv[23]/i';

    /** What else a cartridge may hold (CC 1.3, 3.2). */
    private const OTHERS = [
        'webcontent' => 'web-pages',
        'imswl' => 'links',
        'imsdt' => 'discussions',
        'imsbasiclti' => 'tools',
        'associatedcontent' => 'files',
        'assignment' => 'assignments',
        'imsapip' => 'other-items',
    ];

    public function __construct(private PartKinds $kinds)
    {
    }

    /**
     * @return iterable<\stdClass|Medium|Notice>
     *
     * @throws UnreadableFile
     */
    public function read(Source $source): iterable
    {
        $zip = $source->zip();
        $manifest = SafeXml::open($zip->read('imsmanifest.xml'), 'imsmanifest.xml');
        yield from $manifest->notices;
        $documents = $standards = [];
        foreach ($this->resources($manifest->root) as $resource) {
            $href = self::href($resource);
            $file = $zip->find('imsmanifest.xml', $href);
            if ($file === null) {
                yield Notice::problem(
                    'package.missing',
                    Message::of('interchange.cartridge.manifest-names-not-in-cartridge', ['href' => mb_strimwidth($href, 0, 120, '…')]),
                    'imsmanifest.xml',
                    $resource->getLineNo(),
                );
            } else {
                $documents[$file] = true;
                $standards[$file] = self::standards($resource);
            }
        }
        $others = $this->others($manifest->root);
        if ($others !== []) {
            yield Notice::note(
                'cartridge.others',
                Message::of('interchange.cartridge.rest-cartridge-nothing-taken', [
                    'list' => implode(', ', array_map(fn (string $name, int $n): string => "$name ($n)", array_keys($others), $others)),
                ]),
                'imsmanifest.xml',
            );
        }
        if ($documents === []) {
            yield Notice::problem(
                'cartridge.no_questions',
                Message::of('interchange.cartridge.cartridge-neither-question-bank'),
                'imsmanifest.xml',
            );
        }
        yield from (new PackageReader($this->kinds, 'cc', true))->documentsOf(
            $zip,
            array_map(strval(...), array_keys($documents)),
            array_filter($standards),
            $source->choice,
        );
    }

    /** @throws UnreadableFile */
    public function parts(Source $source): PackageParts
    {
        $manifest = SafeXml::open($source->zip()->read('imsmanifest.xml'), 'imsmanifest.xml')->root;
        $course = Course::of($manifest);
        $files = $places = [];
        foreach ($this->resources($manifest) as $resource) {
            $file = $source->zip()->find('imsmanifest.xml', self::href($resource));
            if ($file !== null) {
                $files[$resource->getAttribute('identifier')] = $file;
            }
        }
        foreach ($course->sorted(array_map(strval(...), array_keys($files))) as $resource) {
            $places[$files[$resource]] = $course->place($resource);
        }

        return new PackageParts((new PackageReader($this->kinds, 'cc', true))->parts($source, $places), $this->others($manifest));
    }

    /** @return list<\DOMElement> those that are question banks and assessments */
    private function resources(\DOMElement $manifest): array
    {
        return array_values(array_filter(
            Xml::all($manifest, 'resource'),
            fn (\DOMElement $resource): bool => preg_match(self::QUESTIONS, $resource->getAttribute('type')) === 1,
        ));
    }

    private static function href(\DOMElement $resource): string
    {
        return $resource->getAttribute('href') ?: Xml::child($resource, 'file')?->getAttribute('href') ?? '';
    }

    /** @return array<string, int> what else a course has, and how much of it */
    private function others(\DOMElement $manifest): array
    {
        $others = [];
        foreach (Xml::all($manifest, 'resource') as $resource) {
            $type = $resource->getAttribute('type');
            if (preg_match(self::QUESTIONS, $type) !== 1 && preg_match(self::LATER, $type) !== 1) {
                $others[$this->named($type)] = ($others[$this->named($type)] ?? 0) + 1;
            }
        }

        return $others;
    }

    /**
     * What the metadata of a resource says (CSM, LOM) holds for the whole of it: no single question is known to assess it.
     *
     * @return list<\stdClass>
     */
    private static function standards(\DOMElement $resource): array
    {
        $said = Lom::read(Xml::child($resource, 'metadata'))->record->standards ?? [];
        $standards = [];
        foreach (is_array($said) ? $said : [] as $one) {
            if ($one instanceof \stdClass) {
                $one->relation = Alignment::TOUCHES;
                $standards[] = $one;
            }
        }

        return $standards;
    }

    private function named(string $type): string
    {
        foreach (self::OTHERS as $begins => $name) {
            if (str_starts_with(strtolower($type), $begins)) {
                return Message::of("interchange.cartridge.$name");
            }
        }

        return Message::of('interchange.cartridge.other-things');
    }
}
