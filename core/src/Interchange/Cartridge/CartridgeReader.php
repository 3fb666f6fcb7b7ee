<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Cartridge;

use WideQuarry\Interchange\Lom;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\SafeXml;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\Qti12\PackageReader;
use WideQuarry\Interchange\Qti30\Xml;
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
    public function read(SafeZip $zip): iterable
    {
        $manifest = SafeXml::open($zip->read('imsmanifest.xml'), 'imsmanifest.xml');
        yield from $manifest->notices;
        $documents = $others = $standards = [];
        foreach (Xml::all($manifest->root, 'resource') as $resource) {
            $type = $resource->getAttribute('type');
            if (preg_match('/^imsqti_(?:item|test|stimulus)_xmlv[23]/i', $type) === 1) {
                continue; // another version's reader takes it
            }
            if (preg_match(self::QUESTIONS, $type) !== 1) {
                $others[$this->named($type)] = ($others[$this->named($type)] ?? 0) + 1;

                continue;
            }
            $href = $resource->getAttribute('href') ?: Xml::child($resource, 'file')?->getAttribute('href') ?? '';
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
        );
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
