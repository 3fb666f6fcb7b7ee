<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\SafeXml;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Messages\Message;

/**
 * The items, tests and stimuli of a package: those its manifest names, and what else lies in it and is one, because manifests are
 * missing, name files by other types, or forget some.
 */
final class Documents
{
    private const TYPE = '/imsqti_(?:apip)?(item|test|assessment|stimulus)_?(?:xml)?v(\d)p(\d)/i';

    /** @var array<string, \DOMElement|null> file → its resource in the manifest */
    public array $items = [];

    /** @var array<string, \DOMElement|null> */
    public array $tests = [];

    /** @var list<string> */
    public array $stimuli = [];

    /** @var list<Notice> */
    public array $notices = [];

    private function __construct()
    {
    }

    /** @return list<string> the versions that are in a package; a few looks are enough for that */
    public static function formats(SafeZip $zip): array
    {
        if ($zip->has('imsmanifest.xml') && preg_match_all(self::TYPE, $zip->read('imsmanifest.xml'), $m) > 0) {
            return array_values(
                array_unique(
                    array_map(fn (string $major, string $minor): string => $major === '3' ? 'qti30' : "qti2$minor", $m[2], $m[3]),
                ),
            );
        }
        foreach (self::loose($zip, []) as $bytes) {
            $format = Dialects::format($bytes);

            return $format === null ? [] : [$format];
        }

        return [];
    }

    public static function in(SafeZip $zip): self
    {
        $self = new self();
        $manifest = $self->manifest($zip);
        foreach ($manifest as [$resource, $kind, $href]) {
            if ($href === null) {
                $self->notices[] = Notice::problem(
                    'package.missing',
                    Message::of('interchange.qti30.manifest-names-not-in-package', [
                        'name' => mb_strimwidth($resource->getAttribute('href'), 0, 120, '…'),
                    ]),
                    'imsmanifest.xml',
                    $resource->getLineNo(),
                );

                continue;
            }
            $self->add($kind, $href, $resource);
        }
        $named = [...$self->items, ...$self->tests, ...array_fill_keys($self->stimuli, null)];
        $forgotten = 0;
        foreach (self::loose($zip, $named) as $href => $bytes) {
            $self->add(Dialects::kind($bytes) ?? 'item', $href, null);
            $forgotten++;
        }
        if ($forgotten > 0 && $zip->has('imsmanifest.xml')) {
            $self->notices[] = Notice::note(
                'package.not_named',
                Message::of('interchange.qti30.questions-tests-manifest-does', ['forgotten' => $forgotten]),
                'imsmanifest.xml',
            );
        } elseif (! $zip->has('imsmanifest.xml')) {
            $self->notices[] = Notice::note(
                'package.no_manifest',
                Message::of('interchange.qti30.package-no-manifest-every'),
            );
        }

        return $self;
    }

    private function add(string $kind, string $href, ?\DOMElement $resource): void
    {
        match ($kind) {
            'item' => ($this->items[$href] = $resource),
            'stimulus' => ($this->stimuli[] = $href),
            default => ($this->tests[$href] = $resource),
        };
    }

    /** @return list<array{\DOMElement, string, string|null}> resource, kind, and its file where there is one */
    private function manifest(SafeZip $zip): array
    {
        if (! $zip->has('imsmanifest.xml')) {
            return [];
        }
        try {
            $manifest = SafeXml::parse($zip->read('imsmanifest.xml'), 'imsmanifest.xml');
        } catch (UnreadableFile $problem) {
            $this->notices[] = Notice::problem(
                $problem->rule,
                Message::of('interchange.qti30.lies-package-read-without', ['why' => $problem->getMessage()]),
                'imsmanifest.xml',
            );

            return [];
        }
        $found = [];
        foreach (Xml::all($manifest, 'resource') as $resource) {
            if (preg_match(self::TYPE, $resource->getAttribute('type'), $m) === 1) {
                $href = $resource->getAttribute('href') ?: Xml::child($resource, 'file')?->getAttribute('href') ?? '';
                $found[] = [$resource, strtolower($m[1]), $zip->find('imsmanifest.xml', $href)];
            }
        }

        return $found;
    }

    /**
     * @param  array<string, mixed>  $named  files that are known
     * @return iterable<string, string> file → its beginning or more, of what is of this standard
     */
    private static function loose(SafeZip $zip, array $named): iterable
    {
        foreach (array_map(strval(...), array_keys($zip->entries)) as $name) {
            if (
                ! isset($named[$name]) &&
                ! array_key_exists($name, $named) &&
                preg_match('/\.(?:xml|qti)$/i', $name) === 1 &&
                ! str_ends_with(strtolower($name), 'imsmanifest.xml')
            ) {
                $bytes = $zip->head($name, Dialects::HEAD);
                if (Dialects::kind($bytes) !== null) {
                    yield $name => $bytes;
                }
            }
        }
    }
}
